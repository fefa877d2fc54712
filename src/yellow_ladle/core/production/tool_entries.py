"""What went through a tool besides batches, and when it was washed."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Wash:
    """A tool washed; `renewed`: what it holds was replaced, such as the oil of a fryer."""

    tool: str
    at: str
    renewed: bool = False
    by: str = ""
    recorded: str | None = None


@dataclass(frozen=True, slots=True)
class ItemUse:
    """Something that went through a tool without a batch of its own."""

    tool: str
    item: str
    at: str
    by: str = ""
    recorded: str | None = None
