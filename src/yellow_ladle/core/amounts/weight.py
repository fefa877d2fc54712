"""What an amount weighs and how much room it takes."""

from collections.abc import Mapping
from dataclasses import dataclass

from yellow_ladle.core.vocabulary.units import Unit, shipped_units


@dataclass(frozen=True, slots=True)
class Weighed:
    """An amount in grams and millilitres; None where that cannot be known from what is recorded."""

    grams: float | None = None
    millilitres: float | None = None


NOTHING_KNOWN = Weighed()


def weigh(
    quantity: float,
    unit: str,
    density: float | None = None,
    unit_weight: float | None = None,
    known: Mapping[str, Unit] | None = None,
) -> Weighed:
    """An amount by weight and by volume.

    `density` is in grams per millilitre, `unit_weight` the grams of one piece; without them
    volume does not become weight, and pieces have neither. Nothing is guessed. `known` are the
    units with the kitchen's own measures, by default those of every kitchen.
    """
    found = (shipped_units() if known is None else known).get(unit)
    if found is None:
        return NOTHING_KNOWN
    if found.kind == "piece":
        return _of_grams(None if unit_weight is None else quantity * unit_weight, density)
    if found.size is None:
        return NOTHING_KNOWN
    amount = quantity * found.size
    if found.kind == "weight":
        return _of_grams(amount, density)
    return Weighed(None if density is None else amount * density, amount)


def _of_grams(grams: float | None, density: float | None) -> Weighed:
    if grams is None:
        return NOTHING_KNOWN
    return Weighed(grams, None if density is None else grams / density)
