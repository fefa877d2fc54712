"""What sentences about swaps call an item."""

from yellow_ladle.core.book.book import Book, owner_of
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.proposed_class import taken_as

_KINDS = ("stock", "roux", "sauce", "soup", "component", "dish")


def short_name(book: Book, item: str) -> str:
    """What an item is, in a word or two, without whose it is: `oat drink`, `rice flour roux`."""
    owner = owner_of(item)
    piece = book.products.get(owner) or book.preparations[owner]
    class_ = taken_as(piece) if isinstance(piece, Product) else piece.class_
    if item != owner or not class_ or class_ in _KINDS:
        return book.name(item).lower()
    return class_.replace("-", " ")
