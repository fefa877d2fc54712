"""What a swap loses of its line by figures: salt, acid and colour, worked out for the changed pot.

A rule says how near its stand-in comes; the figures say what it does to this pot. Too little salt
or acid is put right at the end, so only what is too much counts.
"""

from collections.abc import Collection
from functools import cache

from yellow_ladle.core.book.book import Line, Preparation
from yellow_ladle.core.book.proposed_class import class_of
from yellow_ladle.core.numbers.balance import CARRIED, Balance
from yellow_ladle.core.swaps.plans.fidelity import Three
from yellow_ladle.core.swaps.plans.swap import Swap, swapped_line
from yellow_ladle.core.swaps.search.swap_amounts import sourness
from yellow_ladle.core.vocabulary.toml import number, table

_SALT = CARRIED.index("salt")


def lost_by_figures(
    balance: Balance, preparation: Preparation, swap: Swap, lost: Three, colours: Collection[str]
) -> Three:
    """What is lost of a line's flavour, texture and colour, each from 0 to 1.

    `lost` is what the rule says. More is lost where the pot gets saltier or sourer than a guest
    would eat it, or where its colour is none of the `colours` that the rule suits; none named
    suit all. What nobody recorded takes nothing away.
    """
    flavour, texture, colour = lost
    if colours and preparation.colour is not None and preparation.colour not in colours:
        colour = max(colour, _limit("other_colour"))
    line = preparation.lines[swap.line]
    changed = swapped_line(line, swap)
    new = swap.adds if changed is None else (changed, *swap.adds)
    whole = sum(
        balance.about_grams(preparation.lines[index]) or 0.0 for index in preparation.counted()
    )
    if whole:
        for of_line, name in ((_salt, "too_salty"), (_acid, "too_sour")):
            more = sum(of_line(balance, each) for each in new) - of_line(balance, line)
            if more / whole * 100 > _limit(name):
                flavour = 1.0
    return flavour, texture, colour


def _salt(balance: Balance, line: Line) -> float:
    """Grams of salt in a line, as far as they are known."""
    return balance.of(line.item).per_gram[_SALT] * (balance.about_grams(line) or 0.0)


def _acid(balance: Balance, line: Line) -> float:
    """Grams of acid in a line, by the usual strength of its class."""
    strength = sourness().get(class_of(balance.book, line.item) or "", 0.0)
    return strength / 100 * (balance.about_grams(line) or 0.0)


@cache
def _limit(name: str) -> float:
    return number(table("fidelity")[name])
