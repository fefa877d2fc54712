"""Which goods and pots of a book bear which class, as rules know them."""

from collections.abc import Iterable

from yellow_ladle.core.book.book import Book, Preparation
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.proposed_class import class_of, taken_as
from yellow_ladle.core.vocabulary.classes import of_twin


def classes_in_use(products: Iterable[Product], preparations: Iterable[Preparation]) -> set[str]:
    """The classes that a kitchen's own goods and pots bear, as somebody has said."""
    made = {preparation.class_ for preparation in preparations if preparation.class_}
    return {product.class_ for product in products if product.class_} | made


def classes_of(book: Book, item: str) -> frozenset[str]:
    """The classes by which rules know an item: what it is taken as, and a pot's kind besides.

    A pot whose class somebody has said goes by that alone. Goods of which nobody knows what they
    are have none: no rule speaks of them.
    """
    if item in book.products:
        class_ = taken_as(book.products[item])
        return frozenset({class_} if class_ else ())
    owner, _, by_product = item.partition("/")
    if by_product:
        return frozenset({"by-product", by_product})
    preparation = book.preparations[owner]
    if preparation.class_:
        return frozenset({of_twin(preparation.class_)})
    return frozenset({class_of(book, owner) or preparation.kind, preparation.kind})


def items_by_class(book: Book) -> dict[str, list[str]]:
    """Every product and preparation that is offered, under each of its classes, by id."""
    found: dict[str, list[str]] = {}
    items = (*book.products, *book.preparations)
    for item in sorted(item for item in items if not book.is_retired(item)):
        for class_ in classes_of(book, item):
            found.setdefault(class_, []).append(item)
    return found
