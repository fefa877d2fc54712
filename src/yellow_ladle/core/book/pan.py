"""The pan that a pot is made in, and what came out of it on other days."""

from dataclasses import dataclass, field
from typing import Literal, TypeAlias, get_args

from yellow_ladle.core.vocabulary.field_words import called

Lid: TypeAlias = Literal["off", "ajar", "on"]

LIDS: tuple[Lid, ...] = get_args(Lid)


@dataclass(frozen=True, slots=True)
class Pan:
    """A pan by its inner width in centimetres, and how its lid lies while it simmers."""

    width_cm: float = field(metadata=called("width in cm"))
    lid: str = "off"


@dataclass(frozen=True, slots=True)
class Reduction:
    """One making on a day (ISO date): litres filled, litres that came out, minutes on the heat."""

    date: str = field(metadata=called("made on"))
    filled_l: float = field(metadata=called("litres filled"))
    came_out_l: float = field(metadata=called("litres out"))
    minutes: float
