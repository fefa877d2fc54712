"""One delivery of a product."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from yellow_ladle.core.vocabulary.levels import Level


@dataclass(frozen=True, slots=True)
class Lot:
    """A delivery: whose it is, its code, its dates (ISO), and how much came.

    `statements` are what its own label says beyond the product's; they raise, never lower. `maker`
    None: nobody wrote it down.
    """

    id: str
    product: str
    received: str
    maker: str | None = None
    code: str = ""
    opened: str | None = None
    use_by: str | None = None
    best_before: str | None = None
    quantity: float | None = None
    unit: str | None = None
    used_up: str | None = None
    place: str = ""
    statements: Mapping[str, Level] = field(default_factory=dict)
    by: str = ""
    recorded: str | None = None
