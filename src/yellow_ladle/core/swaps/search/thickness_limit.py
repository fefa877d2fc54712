"""Whether a plan leaves what is poured as thick as it is, by what it is predicted to be."""

from collections.abc import Iterable, Iterator, Mapping
from functools import cache
from typing import TypeAlias

from yellow_ladle.core.book.book import Preparation, owner_of
from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.plans.swap import OF_ITS_KIND, THERE_IS, Swap, swapped_line
from yellow_ladle.core.thickening.thickness import (
    binding,
    is_dough,
    place_number,
    thickness,
)
from yellow_ladle.core.vocabulary.toml import number, table

Binding: TypeAlias = tuple[float, float]
"""Grams of flour that a swap's new lines stand for, and what they weigh where the yield of their
pot goes by its lines."""

NOT_BINDING: Binding = (0.0, 0.0)
POURED = ("sauce", "soup")
"""Kinds whose thickness is compared."""


@cache
def told_apart() -> float:
    """The share of its thickness that a pot may lose before a cook tells it on the spoon."""
    return number(table("thickness")["told_apart"])


@cache
def max_steps() -> float:
    """The places of the scale by which a plan may leave what is poured thinner or thicker."""
    return number(table("thickness")["max_steps"])


def poured(reading: Reading, pots: Iterable[str]) -> list[str]:
    """Those of some pots that have a thickness to compare."""
    return [pot for pot in pots if reading.book.preparations[pot].kind in POURED]


def thinner(before: Reading, after: Reading, pots: Iterable[str]) -> list[str]:
    """Those of some pots that are predicted to bind less than before, hot, so that it is told."""
    least = 1 - told_apart()
    return [
        pot
        for pot in poured(before, pots)
        if thickness(after.balance, pot).hot.middle
        < least * thickness(before.balance, pot).hot.middle
    ]


def leaves_the_card(before: Reading, after: Reading, item: str, swaps: Iterable[Swap]) -> bool:
    """Whether something that an item is served with gets thinner or thicker by over `max_steps`.

    What goes into another pot counts by what comes of that one. Nothing is told of a thickness to
    which something of unknown weight may add.
    """
    for old, new in dict.fromkeys(_served(before, after, owner_of(item), swaps)):
        was, now = thickness(before.balance, old), thickness(after.balance, new)
        if was.at_least or now.at_least:
            continue
        if abs(place_number(now.hot.middle) - place_number(was.hot.middle)) > max_steps():
            return True
    return False


def binding_of(balance: Balance, preparation: Preparation, swap: Swap, *, thick: bool) -> Binding:
    """What a swap's new lines do to the thickness of their pot; two alike make it as thick.

    What they weigh tells only where they bind, or where the pot or what it goes into is `thick`.
    """
    changed = swapped_line(preparation.lines[swap.line], swap)
    lines = swap.adds if changed is None else (changed, *swap.adds)
    flour = sum(binding(balance, preparation, line) for line in lines)
    if not flour and not thick:
        return NOT_BINDING
    if (
        preparation.yield_ is not None
        and balance.grams_of(preparation.yield_, preparation) is not None
    ):
        return round(flour, 1), 0.0
    return round(flour, 1), round(sum(balance.line_grams(line) or 0.0 for line in lines), 1)


def is_compared(balance: Balance, preparation: Preparation) -> bool:
    """Whether a preparation is poured, or has a sauce of its own: a stew bound in its pot."""
    if preparation.kind in POURED:
        return True
    binds = any(preparation.lines[index].role == "thickener" for index in preparation.counted())
    return (
        binds and preparation.kind in ("dish", "component") and not is_dough(balance, preparation)
    )


def is_thick(balance: Balance, pot: str) -> bool:
    """Whether anything binds in a preparation as its card has it."""
    return thickness(balance, pot).hot.high > 0


def _served(
    before: Reading, after: Reading, item: str, swaps: Iterable[Swap]
) -> Iterator[tuple[str, str]]:
    """The pairs of an old and a new preparation to compare, from a plate down to what is poured."""
    by_place = {swap.place: swap for swap in swaps}
    made = before.book.preparations.get(item)
    if made is None:
        return
    if made.kind in POURED:
        yield item, item
        return
    waiting, seen = [made], {item}
    while waiting:
        made = waiting.pop()
        if is_compared(before.balance, made):
            yield made.id, made.id
        for old, new in _lines(made, by_place):
            below, there = before.book.preparations.get(old), after.book.preparations.get(new)
            if below is None or there is None:
                continue
            if below.kind in POURED:
                if there.kind in POURED:
                    yield old, new
            elif old == new and old not in seen:
                seen.add(old)
                waiting.append(below)


def _lines(
    preparation: Preparation, by_place: Mapping[tuple[str, int], Swap]
) -> Iterator[tuple[str, str]]:
    """What the counted lines that stay are on, before and after.

    Another pot of its kind that the kitchen makes is as thick as it is meant to be.
    """
    for index in preparation.counted():
        line = preparation.lines[index]
        swap = by_place.get((preparation.id, index))
        to = line.item if swap is None else swap.to
        of_its_kind = swap is not None and swap.rule in (OF_ITS_KIND, THERE_IS)
        if to is not None and not of_its_kind:
            yield owner_of(line.item), owner_of(to)
