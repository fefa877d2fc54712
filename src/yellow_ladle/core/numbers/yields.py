"""What goes into a pot, what comes out, what is lost, and what to fill for a wanted amount."""

import math
import re
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cache

from yellow_ladle.core.book.book import Preparation, Step, owner_of
from yellow_ladle.core.book.pan import Pan, Reduction
from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.vocabulary.toml import number, section, table, words

LAST_REDUCTIONS = 5
"""So many of the newest batches correct the estimate."""
STEAM = 0.1
"""From this share of what stays in the pot on, what is lost is a reduction."""
ROUNDING = 1.001
"""A yield may be this much above what went in before it wants a reason."""
GRAMS_A_LITRE = 1000.0


@dataclass(frozen=True, slots=True)
class Yielded:
    """One making by weight, in grams. `unknown` are items whose weight is not known.

    `lost` is what neither comes out nor is a by-product: steam, and what is strained out. Levels
    are in centimetres in the pan, None without one.
    """

    grams_in: float
    grams_out: float
    by_products: float
    unknown: tuple[str, ...]
    level_in: float | None
    level_out: float | None

    @property
    def lost(self) -> float:
        """Grams that went in and came out nowhere; below 0 where something was taken up."""
        return self.grams_in - self.grams_out - self.by_products

    @property
    def per_cent(self) -> float:
        """What comes out, in per cent of what went in."""
        return 100 * self.grams_out / self.grams_in if self.grams_in else 0.0


@dataclass(frozen=True, slots=True)
class Evaporation:
    """Litres that leave a pan: the estimate, and what the last batches make of it.

    `batches` is how many of them there were; without any both are the same.
    """

    estimated: float
    corrected: float
    batches: int


@dataclass(frozen=True, slots=True)
class Filling:
    """What to fill so that enough comes out.

    `needed` and `spare` are the litres that the dishes take and one ladle; `factor` is how many
    times the card is made, `fill` the litres of everything that then goes into the pan.
    """

    needed: float
    spare: float
    factor: float
    fill: float
    level: float | None


def yielded(balance: Balance, preparation: str) -> Yielded:
    """What one making of a preparation comes to."""
    made = balance.book.preparations[preparation]
    grams_in, stays, unknown = 0.0, 0.0, []
    for poured in balance.poured(made):
        if poured.grams is None:
            unknown.append(poured.item)
            continue
        grams_in += poured.grams
        if not made.lines[poured.index].strained_out:
            stays += poured.grams
    out = balance.of(preparation).grams
    aside = sum(_by_product_grams(balance, made))
    density = balance.density(preparation) or 1.0
    return Yielded(
        grams_in=grams_in,
        grams_out=out,
        by_products=aside,
        unknown=tuple(unknown),
        level_in=level_cm(made.pan, grams_in / density / GRAMS_A_LITRE),
        level_out=level_cm(made.pan, out / density / GRAMS_A_LITRE),
    )


def excess(balance: Balance, preparation: str) -> float:
    """Grams that come out above what went in, 0 where they do not or where weights are unknown."""
    made = balance.book.preparations[preparation]
    if made.yield_ is None or not made.lines:
        return 0.0
    weighed = yielded(balance, preparation)
    out = balance.grams_of(made.yield_, made)
    if weighed.unknown or out is None:
        return 0.0
    above = out + weighed.by_products - weighed.grams_in
    return above if above > weighed.grams_in * (ROUNDING - 1) else 0.0


def level_cm(pan: Pan | None, litres: float) -> float | None:
    """How high so many litres stand in a pan, in centimetres."""
    return None if pan is None else litres * 1000 / (math.pi * (pan.width_cm / 2) ** 2)


def evaporation(pan: Pan, steps: Sequence[Step], batches: Sequence[Reduction] = ()) -> Evaporation:
    """How many litres leave a pan over the steps of a method.

    Estimated from its width, its lid and each step's minutes and heat (data/evaporation.toml), then
    multiplied by what the last batches lost against their own estimate.
    """
    estimated = sum((step.minutes or 0) / 60 * _rate(step.heat) for step in steps) * _open(pan)
    last = sorted(batches, key=lambda batch: batch.date)[-LAST_REDUCTIONS:]
    minutes = sum(step.minutes or 0 for step in steps if _rate(step.heat))
    if not last or not estimated:
        return Evaporation(estimated, estimated, 0)
    expected = sum(estimated * batch.minutes / minutes for batch in last)
    lost = sum(max(batch.filled_l - batch.came_out_l, 0.0) for batch in last)
    return Evaporation(estimated, estimated * lost / expected, len(last))


def filling(balance: Balance, preparation: str, ladle_ml: float) -> Filling:
    """What to fill so that all that is made from a preparation once can be, and a ladle is over."""
    book = balance.book
    made = book.preparations[preparation]
    density = balance.density(preparation) or 1.0
    needed = 0.0
    for user in book.preparations.values():
        if user.retired is not None or not any(
            owner_of(line.item) == preparation for line in user.lines
        ):
            continue
        for index in user.counted():
            line = user.lines[index]
            if line.item == preparation:
                needed += balance.line_grams(line) or 0.0
    litres = needed / density / GRAMS_A_LITRE
    spare = ladle_ml / 1000
    out = balance.of(preparation).grams / density / GRAMS_A_LITRE
    factor = (litres + spare) / out if out else 0.0
    fill = yielded(balance, preparation).grams_in / density / GRAMS_A_LITRE * factor
    return Filling(
        needed=litres, spare=spare, factor=factor, fill=fill, level=level_cm(made.pan, fill)
    )


def reduces(balance: Balance, preparation: str) -> bool:
    """Whether liquid is boiled away: a step says so, or much of what stays in goes off as steam."""
    made = balance.book.preparations[preparation]
    if any(_reducing().search(step.text) for step in made.method):
        return True
    stays = sum(
        poured.grams or 0.0
        for poured in balance.poured(made)
        if not made.lines[poured.index].strained_out
    )
    return 0 < balance.of(preparation).grams < stays * (1 - STEAM)


def _by_product_grams(balance: Balance, preparation: Preparation) -> list[float]:
    found = []
    for part in preparation.by_products:
        unit = balance.book.units.get(part.unit or "")
        if part.quantity and unit is not None and unit.size:
            density = 1.0 if unit.kind == "weight" else preparation.density_g_per_ml or 1.0
            found.append(part.quantity * unit.size * density)
    return found


@cache
def _rate(heat: str | None) -> float:
    """Litres an hour from a square metre, by the longest word that a step's heat holds."""
    rates = section(table("evaporation")["heat"])
    known = [word for word in rates if heat is not None and word in heat.lower()]
    return number(rates[max(known, key=len)]) if known else 0.0


def _open(pan: Pan) -> float:
    """Square metres of surface that steam leaves from."""
    share = number(section(table("evaporation")["lid"])[pan.lid])
    return math.pi * (pan.width_cm / 200) ** 2 * share


@cache
def _reducing() -> re.Pattern[str]:
    told = words(section(table("evaporation")["reducing"])["words"])
    return re.compile(rf"\b(?:{'|'.join(told)})\b", re.I)
