"""What is wrong within one preparation's card."""

from collections.abc import Collection, Iterator, Sequence

from yellow_ladle.core.book.book import ByProduct, Line, Preparation, Yield
from yellow_ladle.core.book.fault import Fault, unknown
from yellow_ladle.core.vocabulary.units import shipped_units, units

MAX_AMOUNT = 1_000_000
"""Grams or millilitres in one line. No kitchen pot takes a tonne; the unit is another one then."""
SURELY_LESS = 250
"""So many of any unit come to less than MAX_AMOUNT."""


def preparation_faults(
    place: str,
    preparation: Preparation,
    known_items: Collection[str],
    measures: Collection[str] = (),
) -> Iterator[Fault]:
    """What is wrong within one preparation.

    Its lines may name the known items, its amounts the shipped units and the kitchen's measures.
    """
    check = _Check(known_items, measures)
    yield from check.lines(place, preparation.lines)
    yield from check.yielded(place, preparation.yield_)
    for number, way in enumerate(preparation.ways):
        here = f"{place}.ways[{number}]"
        yield from check.lines(here, way.lines)
        yield from check.yielded(here, way.yield_)
        yield from check.by_products(here, way.by_products, way.lines)
    yield from _way_faults(place, preparation)
    yield from check.by_products(place, preparation.by_products, preparation.lines)
    if preparation.variant_of and preparation.variant_of not in known_items:
        message = unknown("preparation", preparation.variant_of, known_items)
        yield Fault(f"{place}.variant_of", message)


def _of_faults(place: str, part: ByProduct, lines: Sequence[Line]) -> Iterator[Fault]:
    for number, index in enumerate(part.of or ()):
        if index >= len(lines):
            message = f"there is no line {index}; the lines are counted from 0"
            yield Fault(f"{place}.of[{number}]", message)


def _way_faults(place: str, preparation: Preparation) -> Iterator[Fault]:
    seen = {preparation.way}
    for number, way in enumerate(preparation.ways):
        if way.name in seen:
            message = f'the way "{way.name}" is here twice; give one another name'
            yield Fault(f"{place}.ways[{number}].name", message)
        seen.add(way.name)


class _Check:
    def __init__(self, known_items: Collection[str], measures: Collection[str]) -> None:
        self.items = known_items
        self.units = {*units(), *measures}

    def lines(self, place: str, lines: Sequence[Line]) -> Iterator[Fault]:
        for index, line in enumerate(lines):
            yield from self._line(f"{place}.lines[{index}]", line)
        yield from _choice_faults(place, lines)

    def yielded(self, place: str, made: Yield | None) -> Iterator[Fault]:
        if made is None:
            return
        yield from self.unit(f"{place}.yield.unit", made.unit)
        if made.quantity == 0:
            message = "a pot that yields nothing cannot go into anything; say how much comes out"
            yield Fault(f"{place}.yield.quantity", message)

    def by_products(
        self, place: str, parts: Sequence[ByProduct], lines: Sequence[Line]
    ) -> Iterator[Fault]:
        seen: set[str] = set()
        for index, part in enumerate(parts):
            here = f"{place}.by_products[{index}]"
            if part.unit is not None:
                yield from self.unit(f"{here}.unit", part.unit)
            if part.id and part.id in seen:
                yield Fault(f"{here}.id", f'the by-product "{part.id}" is here twice')
            seen.add(part.id)
            yield from _of_faults(here, part, lines)

    def unit(self, place: str, unit: str) -> Iterator[Fault]:
        if unit not in self.units:
            yield Fault(place, unknown("unit", unit, self.units))

    def _line(self, place: str, line: Line) -> Iterator[Fault]:
        if line.item and line.item not in self.items:
            yield Fault(f"{place}.item", unknown("item", line.item, self.items))
        if line.unit:
            yield from self.unit(f"{place}.unit", line.unit)
        if line.chosen and line.choice is None:
            message = "chosen, but of no choice; name the choice or drop the mark"
            yield Fault(f"{place}.chosen", message)
        if _too_much(line):
            message = f"{line.quantity:g} {line.unit} is more than a tonne; is the unit right?"
            yield Fault(f"{place}.quantity", message)


def _too_much(line: Line) -> bool:
    if line.quantity < SURELY_LESS or (line.unit in ("g", "ml") and line.quantity <= MAX_AMOUNT):
        return False
    unit = shipped_units().get(line.unit)
    return unit is not None and line.quantity * (unit.size or 0) > MAX_AMOUNT


def _choice_faults(place: str, lines: Sequence[Line]) -> Iterator[Fault]:
    chosen: dict[str, int] = {}
    for index, line in enumerate(lines):
        if line.choice is None or not line.chosen:
            continue
        if line.choice in chosen:
            message = (
                f'two lines of the choice "{line.choice}" are chosen,'
                f" this one and lines[{chosen[line.choice]}]; only one can be"
            )
            yield Fault(f"{place}.lines[{index}].chosen", message)
        chosen.setdefault(line.choice, index)
