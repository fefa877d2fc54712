"""A product's makers, each with a label of its own, and which of them count."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import TypeAlias

from yellow_ladle.core.vocabulary.field_words import called
from yellow_ladle.core.vocabulary.levels import Level

Statements: TypeAlias = Mapping[str, Level]


@dataclass(frozen=True, slots=True)
class Evidence:
    """Why a statement is believed, who made it, and when (ISO date)."""

    kind: str
    date: str | None = field(default=None, metadata=called("on"))
    person: str | None = field(default=None, metadata=called("by"))


@dataclass(frozen=True, slots=True)
class Paper:
    """The paper behind a certificate: its number, and the last day that it holds (ISO date)."""

    number: str = ""
    expires: str | None = field(default=None, metadata=called("holds until"))


@dataclass(frozen=True, slots=True)
class Maker:
    """An approved maker of a product, with a label of its own.

    `label` is the label's text as it was read, `pack` the pack's size in words, `code` the number
    of its bar code. Without an SO2 amount of its own the product's holds.
    """

    id: str
    name: str
    statements: Statements = field(default_factory=dict)
    otherwise: Level = Level.UNCHECKED
    certificates: tuple[str, ...] = ()
    papers: Mapping[str, Paper] = field(default_factory=dict)
    evidence: Mapping[str, Evidence] = field(default_factory=dict)
    label: str = ""
    pack: str = ""
    code: str = field(default="", metadata=called("bar code"))
    so2_mg_per_kg: float | None = field(default=None, metadata=called("SO2 in a kilogram"))


def counted(makers: tuple[Maker, ...], in_use: str | None) -> tuple[Maker, ...]:
    """The makers whose labels count: the one in use alone; without one, all of them.

    While nobody has said whose packs are in the house, any of them may be.
    """
    if in_use is None:
        return makers
    return tuple(maker for maker in makers if maker.id == in_use)
