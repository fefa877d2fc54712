"""Which numbers a change moves, pot by pot."""

from collections.abc import Iterable
from dataclasses import dataclass

from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.numbers.named import NUMBERS, NumberName, named

MIN_MOVE = 0.005
"""A number that moves by less than this share of itself is not worth a word."""


@dataclass(frozen=True, slots=True)
class NumberMoved:
    """One number of a preparation before and after; None where it is not there."""

    name: NumberName
    before: float | None
    after: float | None


@dataclass(frozen=True, slots=True)
class NumberImpact:
    """The numbers of one preparation that move."""

    item: str
    name: str
    moved: tuple[NumberMoved, ...]


def number_impacts(
    before: Balance, after: Balance, items: Iterable[str]
) -> tuple[NumberImpact, ...]:
    """What differs between two books in the numbers of these preparations."""
    found = []
    for item in items:
        pairs = zip(_numbers(before, item), _numbers(after, item), strict=True)
        moved = tuple(
            NumberMoved(name, was, now)
            for name, (was, now) in zip(NUMBERS, pairs, strict=True)
            if _differs(was, now)
        )
        if moved:
            book = after.book if item in after.book.preparations else before.book
            found.append(NumberImpact(item, book.name(item), moved))
    return tuple(found)


def _numbers(balance: Balance, item: str) -> tuple[float | None, ...]:
    if item not in balance.book.preparations:
        return (None,) * len(NUMBERS)
    return named(balance, item)


def _differs(was: float | None, now: float | None) -> bool:
    if was is None or now is None:
        return bool(was or now)
    return abs(was - now) > MIN_MOVE * max(abs(was), abs(now))
