"""Rounding to what can be weighed, measured or counted."""

from dataclasses import dataclass

from yellow_ladle.core.book.book import Kitchen
from yellow_ladle.core.vocabulary.units import Unit

FINEST_G = 0.1
"""What a kitchen's fine scale shows; roux and salt are weighed to it."""
TOO_COARSE = 0.05
"""A step that is more than this share of an amount is made ten times finer."""
_SPOONS = {"tsp": "tbsp", "metric_tsp": "metric_tbsp"}
_MOST_SPOONS = 6
_MOST_PINCHES = 10
_WHOLE = ("leaf", "sprig", "clove", "stalk", "slice", "portion")


@dataclass(frozen=True, slots=True)
class Rounded:
    """An amount as it can be measured, in its unit; perhaps another one than it was given in."""

    quantity: float
    unit: str


def rounded(
    quantity: float, unit: Unit, units: dict[str, Unit], kitchen: Kitchen, *, exact: bool
) -> Rounded:
    """An amount rounded to the kitchen's steps; `exact` ones to a tenth of a gram.

    Spoons turn into bigger spoons and then into millilitres or grams, pinches into grams; pieces
    come in halves, or quarters of one; leaves and cloves are whole, and never none.
    """
    if quantity <= 0:
        return Rounded(0.0, unit.id)
    if unit.kind == "piece":
        return Rounded(_pieces(quantity, unit.id), unit.id)
    size = unit.size
    if size is None:
        return Rounded(max(_to(quantity, 0.25), 0.25), unit.id)
    if unit.about:
        if quantity <= _MOST_PINCHES:
            return Rounded(max(_to(quantity, 0.5), 0.5), unit.id)
        return rounded(quantity * size, units["g"], units, kitchen, exact=True)
    if unit.id in _SPOONS and quantity >= 3:
        bigger = units[_SPOONS[unit.id]]
        return rounded(quantity * size / (bigger.size or 1), bigger, units, kitchen, exact=exact)
    if unit.id.endswith(("tsp", "tbsp", "dessertspoon")):
        if quantity <= _MOST_SPOONS:
            return Rounded(max(_to(quantity, 0.25), 0.25), unit.id)
        return rounded(quantity * size, units["ml"], units, kitchen, exact=exact)
    step = kitchen.weigh_to_g if unit.kind == "weight" else kitchen.measure_to_ml
    if exact:
        step = FINEST_G if unit.kind == "weight" else min(step, 1.0)
    return _metric(_stepped(quantity * size, step), unit, size)


def _metric(amount: float, unit: Unit, size: float) -> Rounded:
    """Grams become kilograms, and millilitres litres, where there are a thousand of them."""
    if unit.id in ("g", "ml") and amount >= 1000:
        return Rounded(round(amount / 1000, 6), "kg" if unit.id == "g" else "l")
    if unit.id in ("kg", "l") and amount < 1000:
        return Rounded(round(amount, 6), "g" if unit.id == "kg" else "ml")
    return Rounded(round(amount / size, 6), unit.id)


def _stepped(amount: float, step: float) -> float:
    while step > FINEST_G and step > amount * TOO_COARSE:
        step = max(step / 10, FINEST_G)
    return max(_to(amount, step), min(step, FINEST_G))


def _pieces(quantity: float, unit: str) -> float:
    if unit in _WHOLE:
        return max(_to(quantity, 1.0), 1.0)
    return max(_to(quantity, 0.5 if quantity >= 1 else 0.25), 0.25)


def _to(amount: float, step: float) -> float:
    return round(round(amount / step) * step, 6)
