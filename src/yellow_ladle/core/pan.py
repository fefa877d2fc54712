"""The pan that a pot is made in, and what came out of it on other days."""

from dataclasses import dataclass
from typing import Literal, TypeAlias, get_args

Lid: TypeAlias = Literal["off", "ajar", "on"]

LIDS: tuple[Lid, ...] = get_args(Lid)


@dataclass(frozen=True, slots=True)
class Pan:
    """A pan by its inner width in centimetres, and how its lid lies while it simmers."""

    width_cm: float
    lid: str = "off"


@dataclass(frozen=True, slots=True)
class Batch:
    """One making on a day (ISO date): litres filled, litres that came out, minutes on the heat."""

    date: str
    filled_l: float
    came_out_l: float
    minutes: float
