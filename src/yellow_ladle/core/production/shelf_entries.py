"""What happens to things that stand there: put into tubs, moved, thrown away, counted."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Tub:
    """A portion of a batch, or of a by-product of one, with a label of its own."""

    id: str
    batch: str
    at: str
    quantity: float | None = None
    unit: str | None = None
    place: str = ""
    by: str = ""
    recorded: str | None = None


@dataclass(frozen=True, slots=True)
class PrintedLabel:
    """The label of a tub, and when it was taken off again."""

    tub: str
    printed: str
    struck: str | None = None
    by: str = ""
    recorded: str | None = None


@dataclass(frozen=True, slots=True)
class Move:
    """Something put elsewhere, or given another last day. `to` is a storage, None for no other."""

    of: str
    at: str
    to: str | None = None
    use_by: str | None = None
    place: str = ""
    by: str = ""
    recorded: str | None = None


@dataclass(frozen=True, slots=True)
class Discard:
    """An amount thrown away."""

    of: str
    at: str
    quantity: float | None = None
    unit: str | None = None
    why: str = ""
    by: str = ""
    recorded: str | None = None


@dataclass(frozen=True, slots=True)
class Count:
    """How much was found to be left; it sets the amount anew."""

    of: str
    at: str
    quantity: float
    unit: str
    by: str = ""
    recorded: str | None = None


@dataclass(frozen=True, slots=True)
class Fill:
    """Something put into a running bag, or the bag emptied. Only a washed one forgets."""

    bag: str
    at: str
    item: str | None = None
    lot: str | None = None
    batch: str | None = None
    quantity: float | None = None
    unit: str | None = None
    emptied: bool = False
    washed: bool = False
    by: str = ""
    recorded: str | None = None
