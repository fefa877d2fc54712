"""Admissible lower bounds that prune the search: what clearing a pot costs at the least.

A bound may be too low, never too high: then nothing that belongs on the front is passed over. What
two pots share must not be counted for both, so bounds are added up only over pots that can share
nothing; `reach` says which pots a pot may lead to.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import TypeAlias

from yellow_ladle.core.swaps.search.option import Option
from yellow_ladle.core.swaps.search.search_space import Choice, Region

Losses: TypeAlias = tuple[float, float, float, float, float, float]
"""Flavour, texture and colour lost, cost, the share that is another thing, and how often the main
ingredient is, for a pot that is the whole of the item."""

NO_LOSS: Losses = (0.0, 0.0, 0.0, 0.0, 0.0, 0.0)
Counts: TypeAlias = tuple[int, int, int, int, int]
"""Lines freed, labels to check, swaps, their effort, and those that bring a shipped base."""

NO_COUNT: Counts = (0, 0, 0, 0, 0)

ENDLESS = 1 << 30
_INF = float("inf")
ENDLESS_LOSS: Losses = (_INF, _INF, _INF, _INF, _INF, _INF)


@dataclass(frozen=True, slots=True)
class Remainder:
    """A lower bound on what the undecided lines of a pot add, from one line on.

    `sure` are the counts at the lines themselves. `below` says, of each line that leads on whatever
    is chosen, the counts beneath it and the pots that these may be shared with.
    """

    sure: Counts
    below: tuple[tuple[Counts, int], ...]
    losses: Losses


class Bounds:
    """The bounds of one region, by the places of its pots."""

    def __init__(self, region: Region) -> None:
        self._region = region
        self.order = list(region.pots.values())
        size = len(self.order)
        self.roux = sum(1 << region.places[pot] for pot in region.roux)
        """The places of the pots that need no pan of their own, as bits."""
        self.reach = self._reaches(size)
        self.least: list[Counts] = [NO_COUNT] * size
        self.losses: list[Losses] = [NO_LOSS] * size
        self.remainders: list[list[Remainder]] = [[] for _ in range(size)]
        for place in reversed(range(size)):
            self.remainders[place] = self._remainders(place)
            whole = self.remainders[place][0]
            self.least[place] = added(whole.sure, disjoint(whole.below, 0))
            self.losses[place] = whole.losses
        self._new: dict[tuple[int, int], int] = {}
        self._together: dict[tuple[int, float, float, float], float] = {}

    def new_flags(self, place: int, have: int, first: int = 0) -> int:
        """How many flags, besides those that the plan has brought already, a pot adds at the least.

        `first` is the line to begin with, by its place among the offending ones.
        """
        if first == 0 and (place, have) in self._new:
            return self._new[place, have]
        deciding = self.order[place]
        base = (deciding.brings & ~have).bit_count()
        least = base
        for choice in deciding.choices[first:]:
            dearest = min(self._new_by(place, option, have) for option in choice.options)
            least = max(least, dearest)
        if first == 0:
            self._new[place, have] = least
        return least

    def lost_together(self, place: int, weight: Sequence[float], first: int = 0) -> float:
        """Flavour, texture and colour that a pot of a weight in the item loses at the least.

        Better than three bounds one by one, as one option has to do for all three.
        """
        key = (place, weight[0], weight[1], weight[2])
        if first == 0 and key in self._together:
            return self._together[key]
        total = 0.0
        for choice in self.order[place].choices[first:]:
            share = choice.share
            here = (weight[0] * share[0], weight[1] * share[1], weight[2] * share[2])
            total += min(self._lost_by(place, option, here) for option in choice.options)
        if first == 0:
            self._together[key] = total
        return total

    def _lost_by(self, place: int, option: Option, here: tuple[float, float, float]) -> float:
        lost = option.lost
        own = here[0] * lost[0] + here[1] * lost[1] + here[2] * lost[2]
        below = self._below(place, option)
        return own if below is None else own + self.lost_together(below, here)

    def _new_by(self, place: int, option: Option, have: int) -> int:
        own = (option.brings & ~have).bit_count()
        below = self._below(place, option)
        return own if below is None else max(own, self.new_flags(below, have))

    def _below(self, place: int, option: Option) -> int | None:
        """The place of the pot that an option leads to, where it lies further on in the order."""
        if option.leads is None:
            return None
        below = self._region.places[option.leads]
        return below if below > place else None

    def _reaches(self, size: int) -> list[int]:
        leads: list[list[int]] = []
        for deciding in self.order:
            found = {
                self._region.places[option.leads]
                for choice in deciding.choices
                for option in choice.options
                if option.leads is not None
            }
            leads.append(sorted(found))
        reach = [1 << place for place in range(size)]
        changed = True
        while changed:
            changed = False
            for place in reversed(range(size)):
                whole = reach[place]
                for other in leads[place]:
                    whole |= reach[other]
                if whole != reach[place]:
                    reach[place], changed = whole, True
        return reach

    def _remainders(self, place: int) -> list[Remainder]:
        """Per line of a pot what it and those after it cost at the least; nothing at the end."""
        found = [Remainder(NO_COUNT, (), NO_LOSS)]
        for choice in reversed(self.order[place].choices):
            after = found[-1]
            sure: Counts = (ENDLESS, ENDLESS, ENDLESS, ENDLESS, ENDLESS)
            whole = sure
            losses = ENDLESS_LOSS
            shared = 0
            for option in choice.options:
                own = counts_of(option)
                below = self._below(place, option)
                sure = lower(sure, own)
                if below is None:
                    whole = lower(whole, own)
                else:
                    whole = lower(whole, added(own, self.least[below]))
                    shared |= self.reach[below]
                losses = _least_of(losses, self._losses_of(choice, option, below))
            more = (
                whole[0] - sure[0],
                whole[1] - sure[1],
                whole[2] - sure[2],
                whole[3] - sure[3],
                whole[4] - sure[4],
            )
            beneath = ((more, shared), *after.below) if any(more) else after.below
            found.append(
                Remainder(
                    added(sure, after.sure),
                    beneath,
                    plus(losses, after.losses),
                )
            )
        return list(reversed(found))

    def _losses_of(self, choice: Choice, option: Option, below: int | None) -> Losses:
        own = losses_at(choice, option)
        if below is None:
            return own
        return plus(own, through(choice, option, self.losses[below]))


def counts_of(option: Option) -> Counts:
    """The counts that an option adds by itself."""
    return (
        int(option.freed),
        int(option.check is not None),
        int(option.changes),
        option.effort,
        int(option.card),
    )


def losses_at(choice: Choice, option: Option) -> Losses:
    """What an option loses of its pot, and what its goods cost for one making of it."""
    share, lost = choice.share, option.lost
    dry, main = (choice.dry, float(choice.main)) if option.other else (0.0, 0.0)
    return (share[0] * lost[0], share[1] * lost[1], share[2] * lost[2], option.cost, dry, main)


def through(choice: Choice, option: Option, losses: Losses) -> Losses:
    """Scales losses in a pot to losses in the pot that one of its lines leads to it from."""
    share, makings, usual = choice.share, choice.makings, option.swap is None
    cost = losses[3] * makings if losses[3] else 0.0
    return (
        share[0] * losses[0],
        share[1] * losses[1],
        share[2] * losses[2],
        cost,
        choice.dry * losses[4] if usual else 0.0,
        losses[5] if usual and choice.main else 0.0,
    )


def disjoint(parts: tuple[tuple[Counts, int], ...], taken: int) -> Counts:
    """The sum over parts that share no pot with each other or with those taken, dearest first."""
    total = NO_COUNT
    for counts, shared in sorted(parts, reverse=True):
        if shared & taken == 0:
            total = added(total, counts)
            taken |= shared
    return total


def added(one: Counts, other: Counts) -> Counts:
    """Adds two counts, component by component."""
    return (
        one[0] + other[0],
        one[1] + other[1],
        one[2] + other[2],
        one[3] + other[3],
        one[4] + other[4],
    )


def lower(one: Counts, other: Counts) -> Counts:
    """The minimum, component by component."""
    return (
        min(one[0], other[0]),
        min(one[1], other[1]),
        min(one[2], other[2]),
        min(one[3], other[3]),
        min(one[4], other[4]),
    )


def plus(one: Losses, other: Losses) -> Losses:
    """Adds two losses, component by component."""
    return (
        one[0] + other[0],
        one[1] + other[1],
        one[2] + other[2],
        one[3] + other[3],
        one[4] + other[4],
        one[5] + other[5],
    )


def _least_of(one: Losses, other: Losses) -> Losses:
    return (
        min(one[0], other[0]),
        min(one[1], other[1]),
        min(one[2], other[2]),
        min(one[3], other[3]),
        min(one[4], other[4]),
        min(one[5], other[5]),
    )
