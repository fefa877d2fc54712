"""Which goods and pots of a book bear which class, as rules know them."""

from collections.abc import Iterable

from yellow_ladle.core.book.book import Book, Preparation
from yellow_ladle.core.book.product import Product


def classes_in_use(products: Iterable[Product], preparations: Iterable[Preparation]) -> set[str]:
    """The classes that a kitchen's own goods and pots bear."""
    made = {preparation.class_ for preparation in preparations if preparation.class_}
    return {product.class_ for product in products if product.class_} | made


def classes_of(book: Book, item: str) -> frozenset[str]:
    """The classes by which rules know an item: its own, or a pot's kind where it has none.

    Goods without a class have none: no rule speaks of what nobody has named.
    """
    if item in book.products:
        class_ = book.products[item].class_
        return frozenset({class_} if class_ else ())
    owner, _, by_product = item.partition("/")
    if by_product:
        return frozenset({"by-product", by_product})
    preparation = book.preparations[owner]
    return frozenset({preparation.class_ or preparation.kind})


def items_by_class(book: Book) -> dict[str, list[str]]:
    """Every product and preparation that is offered, under each of its classes, by id."""
    found: dict[str, list[str]] = {}
    made = (id for id, pot in book.preparations.items() if pot.retired is None)
    for item in sorted((*book.products, *made)):
        for class_ in classes_of(book, item):
            found.setdefault(class_, []).append(item)
    return found
