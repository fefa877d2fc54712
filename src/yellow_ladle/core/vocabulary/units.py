"""The units that amounts may be given in, and their sizes.

Weights are in grams and volumes in millilitres throughout. A kitchen's own measures (its ladle, its
scoop, its tray) are units as well, for that kitchen.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from functools import cache
from typing import Literal, TypeAlias, get_args

from yellow_ladle.core.vocabulary.structured import structured
from yellow_ladle.core.vocabulary.toml import section, table, words

Measures: TypeAlias = Literal["weight", "volume", "piece"]
Spoons: TypeAlias = Literal["us", "metric", "uk", "au"]

SPOONS: tuple[Spoons, ...] = get_args(Spoons)


@dataclass(frozen=True, slots=True)
class Unit:
    """One unit. `size` is in g or ml, None where only the kitchen or the product can tell.

    `about` marks a habit of the hand. `gives_way_to` names the unit that a bare word of it means
    in a kitchen whose spoons are others. Before `not_before` its word is a part of a name: the
    "noix" of "noix de muscade" is no knob. Before `asks_before` it may mean something else: "6 cl
    garlic" are cloves.
    """

    id: str
    kind: Measures
    size: float | None = None
    words: tuple[str, ...] = ()
    about: bool = False
    gives_way_to: Mapping[str, str] = field(default_factory=dict, hash=False)
    not_before: tuple[str, ...] = ()
    asks_before: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Measure:
    """A measure of a kitchen's own, such as its ladle: how much it holds, in a unit with a size."""

    name: str
    quantity: float
    unit: str


@cache
def shipped_units() -> Mapping[str, Unit]:
    """Every unit of the table by its id."""
    return {id: structured(Unit, row, id=id) for id, row in section(table("units")["unit"]).items()}


@cache
def sizeless_measures() -> frozenset[str]:
    """Words of measures whose size nobody can tell: a splash, a glass, a handful."""
    return frozenset(words(section(table("units")["sizeless"])["words"]))


@cache
def shares() -> frozenset[str]:
    """Words of amounts that are told against others: a part, a batch."""
    return frozenset(words(section(table("units")["sizeless"])["shares"]))


@cache
def uncounted_classes() -> frozenset[str]:
    """Classes of goods that are weighed or poured, and not counted."""
    return frozenset(words(section(table("units")["uncounted"])["classes"]))


@cache
def not_measured_in() -> tuple[str, ...]:
    """Words before which a measure without a size is a part of a name: glass noodles."""
    return words(section(table("units")["sizeless"])["not_before"])


@cache
def units() -> dict[str, str]:
    """Every shipped unit's id with what it measures; without its size, so that it is quick."""
    rows = section(table("units")["unit"])
    return {id: str(section(row)["kind"]) for id, row in rows.items()}


def units_of(measures: Iterable[Measure]) -> Mapping[str, Unit]:
    """The shipped units with a kitchen's own, which take the place of those of the same name."""
    known = dict(shipped_units())
    for measure in measures:
        base = shipped_units().get(measure.unit)
        if base is None or base.size is None:
            continue
        old = known.get(measure.name)
        names = old.words if old else (measure.name, f"{measure.name}s")
        size = measure.quantity * base.size
        known[measure.name] = Unit(measure.name, base.kind, size, names)
    return known
