"""How much of a plate a line is: its share of the flavour, the texture and the colour."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache
from typing import TypeAlias

from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.vocabulary.toml import number, section, table

Three: TypeAlias = tuple[float, float, float]
"""Flavour, texture and colour."""

NOTHING: Three = (0.0, 0.0, 0.0)
WHOLE: Three = (1.0, 1.0, 1.0)


@dataclass(frozen=True, slots=True)
class Fidelity:
    """How near a swap comes to what it replaces, each from 0 (nothing like it) to 1 (the same)."""

    flavour: float = 1.0
    texture: float = 1.0
    colour: float = 1.0

    @property
    def lost(self) -> Three:
        """The share that is lost of flavour, texture and colour."""
        return (1.0 - self.flavour, 1.0 - self.texture, 1.0 - self.colour)


@cache
def _weights() -> tuple[Mapping[str, Three], Mapping[str, float]]:
    data = table("fidelity")
    roles: dict[str, Three] = {}
    for role, value in section(data["role"]).items():
        row = section(value)
        roles[role] = (number(row["flavour"]), number(row["texture"]), number(row["colour"]))
    stages = {stage: number(value) for stage, value in section(data["stage"]).items()}
    return roles, stages


def shares(balance: Balance, preparation: Preparation) -> dict[int, Three]:
    """Per counted line its share of what its preparation is, by role, weight and stage.

    The shares of all lines come to 1 in each of the three. A line of unknown weight counts as much
    as the middle of the others, or 1 g where none is known. The weights of roles and stages are in
    data/fidelity.toml.
    """
    roles, stages = _weights()
    counted = preparation.counted()
    grams = {index: balance.line_grams(preparation.lines[index]) for index in counted}
    known = sorted(value for value in grams.values() if value)
    middle = known[len(known) // 2] if known else 1.0
    heavy: dict[int, Three] = {}
    for index in counted:
        line = preparation.lines[index]
        weight = (grams[index] or middle) * stages[line.stage]
        flavour, texture, colour = roles[line.role]
        heavy[index] = (weight * flavour, weight * texture, weight * colour)
    flavour, texture, colour = (sum(entry[n] for entry in heavy.values()) for n in range(3))
    return {
        index: (entry[0] / flavour, entry[1] / texture, entry[2] / colour)
        for index, entry in heavy.items()
    }
