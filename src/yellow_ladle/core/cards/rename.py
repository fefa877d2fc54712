"""A preparation under another id, with every reference following."""

from collections.abc import Callable
from dataclasses import replace

from yellow_ladle.core.book.book import Book, Line, Preparation, RecipeVersion, Step, owner_of
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.reading.update import Change


def renamed(book: Book, old: str, new: str, name: str) -> Change:
    """The change that gives a preparation another id and name; all that names it follows.

    With the same id only the name changes, and nothing else has to.
    """
    made = book.preparations[old]
    if new == old:
        return Change(preparations=(replace(made, name=name),))

    def moved(item: str) -> str:
        return new + item[len(old) :] if owner_of(item) == old else item

    pots = [_pot(entry, moved) for entry in book.preparations.values()]
    changed = [pot for pot in pots if pot != book.preparations.get(pot.id)]
    changed = [replace(pot, name=name) if pot.id == new else pot for pot in changed]
    products = [_product(entry, moved) for entry in book.products.values()]
    return Change(
        products=tuple(entry for entry in products if entry != book.products[entry.id]),
        preparations=tuple(changed),
        removed=(old,),
    )


def _pot(made: Preparation, moved: Callable[[str], str]) -> Preparation:
    return replace(
        made,
        id=moved(made.id),
        lines=_lines(made.lines, moved),
        method=_steps(made.method, moved),
        ways=tuple(_way(way, moved) for way in made.ways),
        variant_of=None if made.variant_of is None else moved(made.variant_of),
    )


def _way(way: RecipeVersion, moved: Callable[[str], str]) -> RecipeVersion:
    return replace(way, lines=_lines(way.lines, moved), method=_steps(way.method, moved))


def _lines(lines: tuple[Line, ...], moved: Callable[[str], str]) -> tuple[Line, ...]:
    return tuple(replace(line, item=moved(line.item)) for line in lines)


def _steps(method: tuple[Step, ...], moved: Callable[[str], str]) -> tuple[Step, ...]:
    def named(use: str) -> str:
        item, sign, number = use.partition("#")
        return moved(item) + sign + number

    return tuple(replace(step, uses=tuple(map(named, step.uses))) for step in method)


def _product(product: Product, moved: Callable[[str], str]) -> Product:
    if product.bag is None:
        return product
    entries = (replace(entry, item=moved(entry.item)) for entry in product.bag.additions)
    return replace(product, bag=replace(product.bag, additions=tuple(entries)))
