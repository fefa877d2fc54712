"""One thing that can be done about a line, and which of many are worth trying."""

from collections.abc import Iterable
from dataclasses import dataclass, replace

from yellow_ladle.core.swaps.plans.fidelity import NOTHING, Three
from yellow_ladle.core.swaps.plans.swap import CleanTool, Swap
from yellow_ladle.core.swaps.search.thickness_limit import NOT_BINDING, Binding

MAX_NAMED = 12
"""Of goods that would do as well, so many are named."""


@dataclass(frozen=True, slots=True)
class Option:
    """One thing that can be done about a line, or about the trace that a tool leaves.

    `swap` None keeps its item. `leads`: the preparation that must be cleared too, if one must.
    `brings`: the bits of flags that the new item adds to what the plate carries now. `check`: the
    product whose label has to be read first. `freed`: the line is taken as cleared, in a proof.
    """

    swap: Swap | None = None
    leads: str | None = None
    brings: int = 0
    lost: Three = NOTHING
    cost: float = 0.0
    check: str | None = None
    freed: bool = False
    binds: Binding = NOT_BINDING
    """What the new item does to the thickness of the pot."""
    ends: frozenset[str] = frozenset()
    """The by-products that are gone with the line's item."""
    clean: CleanTool | None = None
    """The tool that is washed, or kept for the pot; then there is no line."""

    other: bool = False
    """Whether the line goes to another class, or away."""
    card: bool = False
    """Whether the new item is a shipped base, whose card the kitchen has to add first."""
    effort: int = 0
    """What it asks of the cook: nothing new, less than before, something else."""

    @property
    def changes(self) -> bool:
        """Whether the card is changed by it."""
        return self.swap is not None or self.clean is not None

    @property
    def empties(self) -> bool:
        """Whether the line goes."""
        return self.swap is not None and self.swap.to is None

    def no_worse_than(self, other: "Option") -> bool:
        """Whether a plan with this option costs no more in anything than with the other one.

        A line that goes is never taken for as good as one that stays: one has to stay.
        """
        if self.leads is not None and self.leads != other.leads:
            return False
        if (self.empties and not other.empties) or self.binds != other.binds:
            return False
        if not self.ends <= other.ends:
            return False
        return (
            (self.check is None or self.check == other.check)
            and self.other <= other.other
            and self.effort <= other.effort
            and self.card <= other.card
            and self.brings & ~other.brings == 0
            and self.cost <= other.cost
            and all(mine <= theirs for mine, theirs in zip(self.lost, other.lost, strict=True))
        )


def worth_trying(options: Iterable[Option]) -> list[Option]:
    """Drops the swaps of a line that another one dominates.

    Whatever such a swap is part of, the same plan with the other one costs no more. Of swaps that
    are alike in everything the first stands for all, and names the others.
    """
    kept: list[Option] = []
    alike: dict[int, list[str]] = {}
    # Whatever brings or loses less comes first, so that each has to be compared only with those.
    for option in sorted(options, key=_lightness):
        better = next((other for other in kept if other.no_worse_than(option)), None)
        if better is None:
            kept.append(option)
        elif option.no_worse_than(better) and option.swap is not None and not option.card:
            alike.setdefault(id(better), []).append(str(option.swap.to))
    return [_naming(option, alike.get(id(option), ())) for option in kept]


def _lightness(option: Option) -> tuple[float, ...]:
    return (option.brings.bit_count(), sum(option.lost), option.cost, option.leads is not None)


def _naming(option: Option, alike: Iterable[str]) -> Option:
    others = tuple(dict.fromkeys(alike))[:MAX_NAMED]
    if option.swap is None or not others:
        return option
    return replace(option, swap=replace(option.swap, or_=others))
