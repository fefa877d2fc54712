"""A card made larger or smaller: to a yield, to portions, or to what is there."""

from dataclasses import dataclass

from yellow_ladle.core.amounts.weight import weigh
from yellow_ladle.core.book.book import Line, Preparation
from yellow_ladle.core.book.proposed_class import class_of
from yellow_ladle.core.cards.round import Rounded, rounded
from yellow_ladle.core.numbers.balance import Balance, portions_of
from yellow_ladle.core.numbers.yields import level_cm, reduces, yielded

NOTEWORTHY = 1.4
"""From this many times on, or down to one in so many, the pan and the times are worth a word."""
TALL = 1.1
"""A pan is about as deep as it is wide; above this the pot does not fit."""


class CannotScale(ValueError):
    """Why a card cannot be scaled to what was asked, in a sentence."""


@dataclass(frozen=True, slots=True)
class ScaledLine:
    """One line: what it comes to exactly, and what can be measured."""

    index: int
    exact: float
    rounded: Rounded
    kept_exact: bool


@dataclass(frozen=True, slots=True)
class Scaled:
    """A card scaled by `factor`; `warnings` are what the arithmetic alone does not see."""

    factor: float
    lines: tuple[ScaledLine, ...]
    yield_: Rounded | None
    portions: float | None
    warnings: tuple[str, ...]


def to_yield(balance: Balance, preparation: str, quantity: float, unit: str) -> float:
    """The factor by which a card yields an amount. Raises CannotScale."""
    made = balance.book.preparations[preparation]
    if made.yield_ is not None and made.yield_.unit == unit:
        return _sound(quantity / made.yield_.quantity)
    wanted = weigh(
        quantity=quantity,
        unit=unit,
        density=made.density_g_per_ml or 1.0,
        unit_weight=None,
        known=balance.book.units,
    ).grams
    out = balance.of(preparation).grams
    if wanted is None or not out:
        raise CannotScale(
            f"What {made.name} yields cannot be compared with {quantity:g} {unit}: "
            "give the card a yield in a weight or a volume."
        )
    return _sound(wanted / out)


def to_portions(balance: Balance, preparation: str, portions: float) -> float:
    """The factor by which a card makes so many portions. Raises CannotScale."""
    made = balance.book.preparations[preparation]
    known = portions_of(made)
    if not known:
        raise CannotScale(f"Nobody has said how many portions {made.name} makes; write it down.")
    return _sound(portions / known)


def to_what_is_there(
    balance: Balance, preparation: str, index: int, quantity: float, unit: str
) -> float:
    """The factor by which a line's item is used up. Raises CannotScale."""
    made = balance.book.preparations[preparation]
    line = made.lines[index]
    if line.quantity and line.unit == unit:
        return _sound(quantity / line.quantity)
    on_card = balance.line_grams(line)
    there = balance.line_grams(Line(line.item, quantity, unit, line.role))
    if not on_card or there is None:
        name = balance.book.name(line.item)
        raise CannotScale(
            f"{quantity:g} {unit} of {name} cannot be compared with the {line.quantity:g} "
            f"{line.unit} of the card: its weight is not known. Give both in one unit."
        )
    return _sound(there / on_card)


def scaled(balance: Balance, preparation: str, factor: float) -> Scaled:
    """A card by a factor. Roux and salt stay exact; all else is rounded to the kitchen's steps."""
    book = balance.book
    made = book.preparations[preparation]
    units = dict(book.units)
    found = []
    for index, line in enumerate(made.lines):
        exact = is_exact(balance, made, line)
        amount = line.quantity * factor
        measured = rounded(amount, units[line.unit], units, book.kitchen, exact=exact)
        found.append(ScaledLine(index, amount, measured, exact))
    yields: Rounded | None = None
    if made.yield_ is not None:
        unit = units[made.yield_.unit]
        yields = rounded(made.yield_.quantity * factor, unit, units, book.kitchen, exact=False)
    portions = portions_of(made)
    return Scaled(
        factor=factor,
        lines=tuple(found),
        yield_=yields,
        portions=None if portions is None else portions * factor,
        warnings=tuple(_warnings(balance, made, factor)),
    )


def is_exact(balance: Balance, preparation: Preparation, line: Line) -> bool:
    """Whether a line is weighed to a tenth of a gram: salt, a roux, and what goes into one."""
    base = balance.book.preparations.get(line.item)
    if base is not None:
        return base.kind == "roux"
    return (
        class_of(balance.book, line.item) == "salt"
        or line.role == "thickener"
        or preparation.kind == "roux"
    )


def _warnings(balance: Balance, preparation: Preparation, factor: float) -> list[str]:
    found: list[str] = []
    if 1 / NOTEWORTHY < factor < NOTEWORTHY:
        return found
    minutes = sum(step.minutes or 0 for step in preparation.method)
    if reduces(balance, preparation.id) and minutes:
        found.append(
            f"It reduces: {factor:.2g} times the amount in the same pan takes about {factor:.2g} "
            "times as long. Take a pan of another width, or expect longer times than the card's."
            if factor > 1
            else f"It reduces: {factor * 100:.2g} % of the amount in the same pan takes about "
            f"{factor * 100:.2g} % of the time. Take a smaller pan, and watch it."
        )
    weighed = yielded(balance, preparation.id)
    if preparation.pan is not None:
        density = balance.density(preparation.id) or 1.0
        level = level_cm(preparation.pan, weighed.grams_in * factor / density / 1000) or 0.0
        if level > preparation.pan.width_cm * TALL:
            found.append(
                f"It would stand {level:.0f} cm high in the card's pan of "
                f"{preparation.pan.width_cm:g} cm: take a wider one, or two."
            )
    return found


def _sound(factor: float) -> float:
    if not 0 < factor < 100_000:
        raise CannotScale("That comes to nothing, or to more than any kitchen makes.")
    return factor
