"""What names an item, under the item's new id: lines, steps, ways, goods, bags."""

from collections.abc import Callable, Sequence
from dataclasses import replace
from typing import TypeAlias

from yellow_ladle.core.book.book import Line, Preparation, RecipeVersion, Step
from yellow_ladle.core.book.product import Part, Product

Moved: TypeAlias = Callable[[str], str]
"""The id by which an item goes from now on; its own where it stays."""


def moved_preparation(preparation: Preparation, moved: Moved) -> Preparation:
    """A preparation, with everything that it names under its new id."""
    return replace(
        preparation,
        id=moved(preparation.id),
        lines=_lines(preparation.lines, moved),
        method=_steps(preparation.method, preparation.lines, moved),
        ways=tuple(_way(way, moved) for way in preparation.ways),
        variant_of=None if preparation.variant_of is None else moved(preparation.variant_of),
    )


def moved_product(product: Product, moved: Moved) -> Product:
    """A product, with the goods that it is made of and what is in its bag under their new ids."""
    parts = _parts(product.parts, moved)
    if product.bag is None:
        return replace(product, parts=parts)
    entries = tuple(replace(entry, item=moved(entry.item)) for entry in product.bag.additions)
    return replace(product, parts=parts, bag=replace(product.bag, additions=entries))


def _parts(parts: Sequence[Part], moved: Moved) -> tuple[Part, ...]:
    """Parts, each product once: two shares become one, unknown where one of them is."""
    found: dict[str, Part] = {}
    for part in parts:
        id = moved(part.product)
        other = found.get(id)
        percent = part.percent
        if other is not None:
            known = other.percent is not None and percent is not None
            percent = (other.percent or 0) + (percent or 0) if known else None
        found[id] = Part(id, percent)
    return tuple(found.values())


def _way(way: RecipeVersion, moved: Moved) -> RecipeVersion:
    steps = _steps(way.method, way.lines, moved)
    return replace(way, lines=_lines(way.lines, moved), method=steps)


def _lines(lines: Sequence[Line], moved: Moved) -> tuple[Line, ...]:
    return tuple(replace(line, item=moved(line.item)) for line in lines)


def _steps(method: Sequence[Step], lines: Sequence[Line], moved: Moved) -> tuple[Step, ...]:
    """Steps whose `uses` still mean the lines that they meant, by number where two are alike."""
    numbers: dict[str, int] = {}
    uses: dict[str, str] = {}
    before: dict[str, int] = {}
    for line in lines:
        before[line.item] = before.get(line.item, 0) + 1
        item = moved(line.item)
        numbers[item] = numbers.get(item, 0) + 1
        uses[_use(line.item, before[line.item])] = _use(item, numbers[item])

    def named(use: str) -> str:
        if use in uses:
            return uses[use]
        item, sign, number = use.partition("#")
        return moved(item) + sign + number

    return tuple(replace(step, uses=tuple(map(named, step.uses))) for step in method)


def _use(item: str, number: int) -> str:
    return item if number == 1 else f"{item}#{number}"
