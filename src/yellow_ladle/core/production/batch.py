"""A preparation really made: its card as it stood, and what really went in."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.vocabulary.levels import Level

NONE_OF_OURS = "?"
"""The maker of a pack that is of none of the kitchen's approved makers."""


@dataclass(frozen=True, slots=True)
class WentIn:
    """One thing that went into a batch.

    `item` is a product, a preparation or `preparation/by-product`. `line` is the index of the line
    of the card that it stands for, None where the card has no such line. A product may name its
    `lot` or its `maker`, something made its `batch` (or `batch/by-product`) or `tub`.
    """

    item: str
    line: int | None = None
    lot: str | None = None
    maker: str | None = None
    batch: str | None = None
    tub: str | None = None
    quantity: float | None = None
    unit: str | None = None


@dataclass(frozen=True, slots=True)
class LeftOut:
    """A line of the card that did not go in."""

    line: int
    why: str = ""


@dataclass(frozen=True, slots=True)
class Out:
    """How much a batch came to."""

    quantity: float
    unit: str


@dataclass(frozen=True, slots=True)
class ByProductOut:
    """What a batch yielded besides itself; nobody need have weighed it."""

    id: str
    quantity: float | None = None
    unit: str | None = None


@dataclass(frozen=True, slots=True)
class Batch:
    """A preparation as it was made at a moment.

    `preparation` None: something without a card, which goes by its `name`. `card` is the
    preparation as it stood, `way` the one of its ways that was followed. `statements` are the
    levels as they stood when it was recorded: they raise, never lower. `by_products` and `tools`
    None follow the card.
    """

    id: str
    made: str
    preparation: str | None = None
    name: str | None = None
    way: str | None = None
    card: Preparation | None = None
    statements: Mapping[str, Level] = field(default_factory=dict)
    went_in: tuple[WentIn, ...] = ()
    left_out: tuple[LeftOut, ...] = ()
    out: Out | None = None
    by_products: tuple[ByProductOut, ...] | None = None
    tools: tuple[str, ...] | None = None
    storage: str = ""
    use_by: str | None = None
    place: str = ""
    note: str = ""
    by: str = ""
    recorded: str | None = None


def batch_of(reference: str) -> str:
    """The batch that a reference names, itself or by one of its by-products."""
    return reference.partition("/")[0]


def by_product_of_batch(batch: str, by_product: str) -> str:
    """How entries name a by-product of a batch."""
    return f"{batch}/{by_product}"
