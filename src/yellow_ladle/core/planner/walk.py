"""The walk over all choices: whole plans come out of it in the order of a kitchen's liking.

Best first. A node is a plan in the making: pots already decided, pots still to be decided, each
once. It waits in the queue by the least that its completion can cost (bounds.py), so that the first
whole plan out is the best, the next one the second best, and so on. A plan that is dominated is
dominated by a better one, which came out before: so whatever is no part of the front can be dropped
as soon as its bound is dominated by a plan that was kept.
"""

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from heapq import heappop, heappush
from itertools import count
from typing import TypeAlias, TypeVar

from yellow_ladle.core.book import Book
from yellow_ladle.core.cycles import cycle
from yellow_ladle.core.family import bases_first
from yellow_ladle.core.plan import Swap, closes_loop
from yellow_ladle.core.planner.bounds import (
    NO_LOSS,
    Bounds,
    Counts,
    Losses,
    added,
    counts_of,
    disjoint,
    losses_at,
    plus,
)
from yellow_ladle.core.planner.option import Option
from yellow_ladle.core.planner.prices import UNKNOWN
from yellow_ladle.core.planner.region import Choice, Region
from yellow_ladle.core.planner.score import Rank, Score, told_apart

T = TypeVar("T")

MOST_STEPS = 60_000
"""Nodes that a walk takes up before it says that it stopped early."""

Chosen: TypeAlias = "tuple[Chosen, Choice, Option] | None"
Weight: TypeAlias = Losses
"""The share of the item that a pot is in flavour, texture and colour, and its makings."""

_TOP: Weight = (1.0, 1.0, 1.0, 1.0)


@dataclass(frozen=True, slots=True)
class Found:
    """A whole plan as the walk found it, with its exact score."""

    bad: Mapping[str, int]
    chosen: tuple[tuple[Choice, Option], ...]
    score: Score

    @property
    def swaps(self) -> tuple[Swap, ...]:
        """Its swaps."""
        return tuple(option.swap for _, option in self.chosen if option.swap is not None)

    @property
    def checks(self) -> tuple[str, ...]:
        """The products whose labels it waits for."""
        found = (option.check for _, option in self.chosen if option.check is not None)
        return tuple(dict.fromkeys(found))

    def acyclic(self, book: Book) -> bool:
        """Whether its swaps put no pot into itself, alternatives that do not count included."""
        return not closes_loop(book, self.swaps)

    @property
    def freed(self) -> tuple[Choice, ...]:
        """The lines that it takes as cleared."""
        return tuple(choice for choice, option in self.chosen if option.freed)


@dataclass(frozen=True, slots=True)
class _Node:
    """A plan in the making. `place`: the pot that is being decided, `at` its next line."""

    bounds: Bounds
    place: int
    at: int
    pending: int
    done: int
    brought: int
    counts: Counts
    unfamiliar: int
    losses: Losses
    weights: dict[int, Weight]
    stays: bool
    chosen: Chosen
    exact: Score | None = None


class Walk:
    """One walk over one or more regions; more where a goal can be reached in more than one way."""

    def __init__(
        self,
        regions: Sequence[Region],
        rank: Callable[[Score], Rank],
        most_pots: int | None = None,
        familiar: frozenset[tuple[str, str | None]] = frozenset(),
        most_steps: int = MOST_STEPS,
    ) -> None:
        self._rank = rank
        self._most_steps = most_steps
        self._most_pots = most_pots
        self._familiar = familiar
        self._queue: list[tuple[Rank, int, int, _Node]] = []
        self._numbers = count()
        self._regions: dict[int, Region] = {}
        self._kept: list[Score] = []
        self._seen: set[tuple[Score, int]] = set()
        self.steps = 0
        self.whole = True
        """False once the walk stopped before it had seen all that could matter."""
        for region in regions:
            self._begin(region)

    def plans(
        self, fits: Callable[[Found], T | None], most: int, before: Rank | None = None
    ) -> Iterator[tuple[Found, T]]:
        """The plans of the front that fit, the best first, at most so many.

        `fits` gives None for a plan that may not stand, and for any other what is wanted of it.
        Plans that rank with `before` or after it are not looked for. Of plans that cost the same
        and bring the same flags the first stands for all.
        """
        while self._queue and most > len(self._kept):
            rank, *_, node = heappop(self._queue)
            if before is not None and rank >= before:
                return
            if node.exact is None:
                self.steps += 1
                if self.steps > self._most_steps:
                    self.whole = False
                    return
                if not self._dominated(self._least(node)):
                    self._take_up(node)
                continue
            alike = (node.exact, node.brought)
            if alike in self._seen or self._dominated(node.exact):
                continue
            bad = self._regions[id(node.bounds)].bad
            found = Found(bad, _listed(node.chosen), node.exact)
            wanted = fits(found)
            if wanted is not None:
                self._kept.append(node.exact)
                self._seen.add(alike)
                yield found, wanted

    def _begin(self, region: Region) -> None:
        if not region.feasible:
            return
        bounds = Bounds(region)
        self._regions[id(bounds)] = region
        top = _Node(
            bounds=bounds,
            place=-1,
            at=0,
            pending=1 if region.pots else 0,
            done=0,
            brought=0,
            counts=(0, 0, 0),
            unfamiliar=0,
            losses=NO_LOSS,
            weights={0: _TOP},
            stays=True,
            chosen=None,
        )
        self._wait(top)

    def _dominated(self, score: Score) -> bool:
        return any(kept.dominates(score) for kept in self._kept)

    def _wait(self, node: _Node) -> None:
        """Puts a node into the queue; of those that promise the same the furthest comes first."""
        score = node.exact or self._least(node)
        if self._most_pots is not None and score.pots > self._most_pots:
            return
        depth = -node.done.bit_count() * 1000 - node.at
        heappush(self._queue, (self._rank(score), depth, next(self._numbers), node))

    def _take_up(self, node: _Node) -> None:
        """Decides the next line of a node in every way, or begins its next pot, or ends it."""
        region = self._regions[id(node.bounds)]
        order = node.bounds.order
        if node.place >= 0:
            deciding = order[node.place]
            if node.at < len(deciding.choices):
                choice = deciding.choices[node.at]
                for option in choice.options:
                    self._choose(node, region, choice, option)
                return
            if not node.stays:
                return
        if node.pending == 0:
            exact = self._exact(node, region)
            if exact is not None:
                self._wait(replace(node, exact=exact))
            return
        place = (node.pending & -node.pending).bit_length() - 1
        begun = order[place]
        self._wait(
            replace(
                node,
                place=place,
                at=0,
                pending=node.pending & ~(1 << place),
                done=node.done | 1 << place,
                brought=node.brought | begun.brings,
                stays=begun.others,
            )
        )

    def _choose(self, node: _Node, region: Region, choice: Choice, option: Option) -> None:
        weight = node.weights[node.place]
        pending, weights = node.pending, node.weights
        if option.leads is not None:
            below = region.places[option.leads]
            if not node.done >> below & 1:
                pending |= 1 << below
            weights = {**weights, below: _heavier(weights.get(below), weight, choice)}
        swap = option.swap
        strange = swap is not None and (swap.from_, swap.to) not in self._familiar
        self._wait(
            replace(
                node,
                at=node.at + 1,
                pending=pending,
                brought=node.brought | option.brings,
                counts=added(node.counts, counts_of(option)),
                unfamiliar=node.unfamiliar + strange,
                losses=plus(node.losses, weighed(weight, losses_at(choice, option))),
                weights=weights,
                stays=node.stays or (choice.line is not None and not option.empties),
                chosen=(node.chosen, choice, option),
            )
        )

    def _least(self, node: _Node) -> Score:
        """What any completion of a node costs at the least."""
        bounds = node.bounds
        taken = node.done | node.pending
        counts, losses = node.counts, node.losses
        below: list[tuple[Counts, int]] = []
        adds = 0
        if node.place >= 0:
            rest = bounds.remainders[node.place][node.at]
            counts = added(counts, rest.sure)
            losses = plus(losses, weighed(node.weights[node.place], rest.losses))
            below += rest.below
            adds = bounds.new_flags(node.place, node.brought, node.at)
        left = node.pending
        while left:
            place = (left & -left).bit_length() - 1
            left &= left - 1
            whole = bounds.remainders[place][0]
            counts = added(counts, whole.sure)
            losses = plus(losses, weighed(node.weights[place], whole.losses))
            below += whole.below
            adds = max(adds, bounds.new_flags(place, node.brought))
        counts = added(counts, disjoint(tuple(below), taken))
        # A pot in which a label is checked, or a line freed, may stay as it is.
        surely = counts[0] == counts[1] == 0
        return _score(
            counts,
            node.brought.bit_count() + adds,
            node.unfamiliar,
            losses,
            taken.bit_count() if surely else 0,
            self._lost(node),
        )

    def _lost(self, node: _Node) -> float:
        """Flavour, texture and colour that any completion of a node loses, together."""
        bounds, weights = node.bounds, node.weights
        total = sum(node.losses[:3])
        if node.place >= 0:
            total += bounds.lost_together(node.place, weights[node.place], node.at)
        left = node.pending
        while left:
            place = (left & -left).bit_length() - 1
            left &= left - 1
            total += bounds.lost_together(place, weights[place])
        return total

    def _exact(self, node: _Node, region: Region) -> Score | None:
        """The score of a node with nothing left to decide; None where a pot is put into itself."""
        chosen = _listed(node.chosen)
        order = _tops_first(region.top, chosen)
        if order is None:
            return None
        weights: dict[str, Weight] = {region.top: _TOP}
        losses = NO_LOSS
        by_pot: dict[str, list[tuple[Choice, Option]]] = {}
        for choice, option in chosen:
            by_pot.setdefault(choice.pot, []).append((choice, option))
        for pot in order:
            for choice, option in by_pot.get(pot, ()):
                losses = plus(losses, weighed(weights[pot], losses_at(choice, option)))
                if option.leads is not None:
                    there = weights.get(option.leads)
                    weights[option.leads] = _heavier(there, weights[pot], choice)
        remade: set[str] = set()
        for pot in reversed(order):
            for _, option in by_pot.get(pot, ()):
                if option.swap is not None or option.leads in remade:
                    remade.add(pot)
        if any(option.cost and not weights[choice.pot][3] for choice, option in chosen):
            losses = (*losses[:3], UNKNOWN)
        return _score(node.counts, node.brought.bit_count(), node.unfamiliar, losses, len(remade))


def weighed(weight: Weight, losses: Losses) -> Losses:
    """Losses in a pot as losses of the item."""
    # An unknown price stays unknown, however little of it goes in.
    cost = losses[3] * weight[3] if losses[3] and weight[3] else 0.0
    return (losses[0] * weight[0], losses[1] * weight[1], losses[2] * weight[2], cost)


def _heavier(there: Weight | None, weight: Weight, choice: Choice) -> Weight:
    """The share of a pot in the item, once one more line leads to it."""
    share = choice.share
    more = (
        weight[0] * share[0],
        weight[1] * share[1],
        weight[2] * share[2],
        weight[3] * choice.makings,
    )
    return more if there is None else plus(there, more)


def _score(
    counts: Counts, adds: int, unfamiliar: int, losses: Losses, pots: int, lost: float | None = None
) -> Score:
    """A score; `lost` is a better bound than the sum of three, where it is given."""
    flavour, texture, colour, cost = map(told_apart, losses)
    together = told_apart(sum(losses[:3]) if lost is None else lost)
    stands, checks, swaps = counts
    return Score(
        stands, checks, adds, swaps, unfamiliar, together, flavour, texture, colour, pots, cost
    )


def _listed(chosen: Chosen) -> tuple[tuple[Choice, Option], ...]:
    found: list[tuple[Choice, Option]] = []
    while chosen is not None:
        chosen, choice, option = chosen
        found.append((choice, option))
    return tuple(reversed(found))


def _tops_first(top: str, chosen: Sequence[tuple[Choice, Option]]) -> list[str] | None:
    """The pots that a plan decides, each before what it is made from; None where one is a loop."""
    inputs: dict[str, list[str]] = {top: []}
    for choice, option in chosen:
        inputs.setdefault(choice.pot, [])
        if option.leads is not None:
            inputs[choice.pot].append(option.leads)
    if cycle(inputs):
        return None
    return list(reversed(bases_first(inputs)))
