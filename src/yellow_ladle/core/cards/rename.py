"""A preparation under another id, with every reference following."""

from dataclasses import replace

from yellow_ladle.core.book.book import Book, owner_of
from yellow_ladle.core.book.references import moved_preparation, moved_product
from yellow_ladle.core.reading.update import Change


def renamed(book: Book, old: str, new: str, name: str) -> Change:
    """The change that gives a preparation another id and name; all that names it follows.

    With the same id only the name changes, and nothing else has to.
    """
    preparation = book.preparations[old]
    if new == old:
        return Change(preparations=(replace(preparation, name=name),))

    def moved(item: str) -> str:
        return new + item[len(old) :] if owner_of(item) == old else item

    pots = [moved_preparation(entry, moved) for entry in book.preparations.values()]
    changed = [pot for pot in pots if pot != book.preparations.get(pot.id)]
    changed = [replace(pot, name=name) if pot.id == new else pot for pot in changed]
    products = [moved_product(entry, moved) for entry in book.products.values()]
    return Change(
        products=tuple(entry for entry in products if entry != book.products[entry.id]),
        preparations=tuple(changed),
        removed=(old,),
    )
