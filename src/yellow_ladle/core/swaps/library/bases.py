"""The shipped library of base preparations, and a kitchen's book with those that it could make.

A base names classes of goods in its lines. Put beside a kitchen's own pots, each line takes the
kitchen's goods of that class; a base of which something is missing is left out. What is left is a
candidate like any pot of the kitchen's own, and comes with its card (`Plan.cards`).
"""

from collections.abc import Iterable, Mapping
from dataclasses import replace
from functools import cache
from typing import TypeAlias

from yellow_ladle.core.book.book import Preparation, owner_of
from yellow_ladle.core.book.ids import free_id
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.update import Change, reread
from yellow_ladle.core.vocabulary.classes import GROUP, expanded, pot_classes
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.vocabulary.structured import structured
from yellow_ladle.core.vocabulary.toml import names, rows, table


@cache
def shipped_bases() -> Mapping[str, Preparation]:
    """The library by id. The items of its lines are classes, groups of them, or other bases."""
    found = [
        structured(Preparation, row, made_here=False)
        for name in names("bases")
        for row in rows(table(f"bases/{name}")["base"])
    ]
    return {made.id: made for made in found}


Bought: TypeAlias = tuple[tuple[str, str], ...]
"""Goods to be bought: the id that each would have, and its class."""


class BaseLibrary:
    """A kitchen's reading with the bases that it could make: all of them, or those of one plan."""

    def __init__(self, reading: Reading) -> None:
        self._own = reading
        self._made = {made.id: made for made in _resolved(reading)}
        self._readings: dict[tuple[frozenset[str], Bought], Reading] = {(frozenset(), ()): reading}

    @property
    def ids(self) -> frozenset[str]:
        """The bases that could be made, under the ids that they would have in the book."""
        return frozenset(self._made)

    @property
    def whole(self) -> Reading:
        """The kitchen's book with all of them."""
        return self.only(self._made)

    def only(self, cards: Iterable[str], buy: Bought = ()) -> Reading:
        """The kitchen's book with some of them, and with goods that would have to be bought."""
        key = (frozenset(cards), buy)
        if key not in self._readings:
            made = tuple(self._made[id] for id in sorted(key[0]))
            goods = tuple(to_be_bought(id, class_) for id, class_ in buy)
            self._readings[key] = reread(self._own, Change(goods, made)).reading
        return self._readings[key]

    def to_buy(self, classes: Iterable[str]) -> Bought:
        """Goods of some classes that the larder does not hold, under free ids."""
        taken = {*self._own.book.products, *self._own.book.preparations, *self._made}
        found: list[tuple[str, str]] = []
        for class_ in sorted({*classes} - pot_classes()):
            if not self._own.offered.get(class_):
                found.append((free_id(class_, taken), class_))
                taken.add(found[-1][0])
        return tuple(found)

    def cards_of(self, items: Iterable[str | None]) -> tuple[str, ...]:
        """The bases among some items, with those that they are made of, each after its own."""
        found: dict[str, None] = {}

        def add(item: str) -> None:
            made = self._made.get(owner_of(item))
            if made is not None and made.id not in found:
                for line in made.lines:
                    add(line.item)
                found[made.id] = None

        for item in items:
            if item is not None:
                add(item)
        return tuple(found)

    def cards(self, ids: Iterable[str]) -> tuple[Preparation, ...]:
        """Bases as the cards that the kitchen would add."""
        return tuple(self._made[id] for id in ids)


def to_be_bought(id: str, class_: str) -> Product:
    """Goods that nobody has yet: what is in them is known when their label is read."""
    name = class_.replace("-", " ").capitalize()
    return Product(id, f"{name}, to be bought", class_, otherwise=Level.UNCHECKED)


_last: list[tuple[Reading, BaseLibrary]] = []
"""The reading that was asked about last, with its library: a bench asks many times about one."""


def base_library(reading: Reading) -> BaseLibrary:
    """The library as a kitchen could make it."""
    if _last and _last[0][0] is reading:
        return _last[0][1]
    found = BaseLibrary(reading)
    _last[:] = [(reading, found)]
    return found


def _resolved(reading: Reading) -> list[Preparation]:
    """The bases that can be made, with the kitchen's goods in their lines, under free ids."""
    taken = {*reading.book.products, *reading.book.preparations}
    ids: dict[str, str] = {}
    by_class: dict[str, str] = {}
    found: list[Preparation] = []
    waiting = list(shipped_bases().values())
    while waiting:
        later: list[Preparation] = []
        for base in waiting:
            items = [_item(reading, line.item, ids, by_class) for line in base.lines]
            if any(item is None for item in items):
                later.append(base)
                continue
            ids[base.id] = free_id(base.name, taken)
            taken.add(ids[base.id])
            if base.class_ is not None:
                by_class.setdefault(base.class_, ids[base.id])
            lines = (
                replace(line, item=str(item)) for line, item in zip(base.lines, items, strict=True)
            )
            found.append(replace(base, id=ids[base.id], lines=tuple(lines)))
        if len(later) == len(waiting):
            break
        waiting = later
    return found


def _item(
    reading: Reading, wanted: str, ids: Mapping[str, str], by_class: Mapping[str, str]
) -> str | None:
    """What stands for a class or another base: the goods of which most is known to be free."""
    if wanted in shipped_bases():
        return ids.get(wanted)
    classes = expanded([wanted]) if wanted.startswith(GROUP) else (wanted,)
    if (held := freest_of(reading, classes)) is not None:
        return held
    return next((by_class[class_] for class_ in classes if class_ in by_class), None)


def freest_of(reading: Reading, classes: Iterable[str]) -> str | None:
    """Of the first class that the kitchen holds, the item of which most is known to be free."""
    for class_ in classes:
        if held := reading.offered.get(class_, ()):
            return min(held, key=lambda item: (reading.masks[item].bit_count(), item))
    return None
