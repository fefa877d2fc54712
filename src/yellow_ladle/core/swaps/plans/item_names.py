"""What sentences about swaps call an item."""

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.proposed_class import taken_as


def short_name(book: Book, item: str) -> str:
    """What an item is, in a word or two: goods without whose they are, pots by their names."""
    product = book.products.get(item)
    class_ = None if product is None else taken_as(product)
    if class_ is None:
        return book.name(item).lower()
    return class_.replace("-", " ")


def is_in_name(book: Book, item: str, name: str) -> bool:
    """Whether what an item is stands in a name: mustard in "Mustard cream"."""
    spoken = set(_words(name))
    wanted = _words(short_name(book, item))
    return bool(wanted) and all(word in spoken for word in wanted)


def _words(text: str) -> list[str]:
    """The words of a text without the ending of a plural."""
    return [word.removesuffix("s") for word in text.lower().replace("-", " ").split()]
