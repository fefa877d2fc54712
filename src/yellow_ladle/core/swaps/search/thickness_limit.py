"""Whether a plan leaves something poured thinner than it is, by what it is predicted to be."""

from collections.abc import Iterable
from functools import cache

from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.thickening.thickness import thickness
from yellow_ladle.core.vocabulary.toml import number, table

POURED = ("sauce", "soup")
"""Kinds whose thickness is compared."""


@cache
def told_apart() -> float:
    """The share of its thickness that a pot may lose before a cook tells it on the spoon."""
    return number(table("thickness")["told_apart"])


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
