"""What a pot is like, where a rule asks: boiled, frozen, sour, milky, clear."""

import re
from typing import Literal, TypeAlias, get_args

from yellow_ladle.core.book.book import Preparation, Step
from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.thickening.thickness import holds_milk, is_sour

Condition: TypeAlias = Literal["boiled", "frozen", "acid", "milk", "clear"]

CONDITIONS: tuple[Condition, ...] = get_args(Condition)
LONG_MINUTES = 20.0
"""A pot that simmers longer than this after all is in counts as boiled."""
_BOILS = re.compile(r"\b(?:simmer|boil|reduce|braise|stew)", re.I)
_FREEZES = re.compile(r"\b(?:freez|frozen)", re.I)


def conditions(balance: Balance, preparation: Preparation) -> frozenset[str]:
    """The conditions that hold in a preparation as its card has it."""
    holding: set[str] = set()
    if any(_boils_long(step) for step in preparation.method):
        holding.add("boiled")
    if any(_FREEZES.search(step.text) for step in preparation.method):
        holding.add("frozen")
    if is_sour(balance, preparation):
        holding.add("acid")
    if holds_milk(balance, preparation.id):
        holding.add("milk")
    if preparation.colour == "clear":
        holding.add("clear")
    return frozenset(holding)


def _boils_long(step: Step) -> bool:
    return (step.minutes or 0) > LONG_MINUTES and bool(_BOILS.search(step.text))
