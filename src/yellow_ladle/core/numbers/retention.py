"""How much of a line's alcohol is left in the pot. Always an estimate; it turns no verdict."""

from functools import cache
from itertools import pairwise

from yellow_ladle.core.vocabulary.toml import number, numbers, table

ETHANOL_G_PER_ML = 0.789
"""Density of ethanol at 20 °C."""


def retained(treatment: str, minutes: float | None) -> float:
    """The share of alcohol left, 0 to 1, after a treatment and a line's own minutes in the pot.

    Source: USDA nutrient retention factors, release 6 (data/retention.toml). Simmered without
    minutes counts as just stirred in. Set alight and then simmered is the less of the two.
    """
    if treatment == "simmered":
        return _simmered(minutes or 0)
    if treatment == "flamed":
        return min(_share("flamed"), _simmered(minutes or 0))
    return _share(treatment)


@cache
def _share(treatment: str) -> float:
    return number(table("retention")[treatment])


@cache
def _points() -> tuple[tuple[float, ...], ...]:
    points = table("retention")["simmered"]
    return tuple(numbers(point) for point in points) if isinstance(points, list) else ()


def _simmered(minutes: float) -> float:
    points = _points()
    for (before, high), (after, low) in pairwise(points):
        if minutes <= after:
            return high + (low - high) * (minutes - before) / (after - before)
    return points[-1][1]
