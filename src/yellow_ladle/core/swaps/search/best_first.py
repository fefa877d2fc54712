"""Best-first search over all choices: whole plans come out in the order of the kitchen's ranking.

A node is a plan in the making: pots already decided, pots still to be decided, each once. It waits
in the queue by the least that its completion can cost (lower_bounds.py), so that the first whole
plan out is the best, the next one the second best, and so on. A plan that is dominated is dominated
by a better one, which came out before: so whatever is no part of the front can be dropped as soon
as its bound is dominated by a plan that was kept.
"""

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from heapq import heappop, heappush
from itertools import count
from typing import TypeVar

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.swaps.plans.score import Rank, Score
from yellow_ladle.core.swaps.plans.swap import CleanTool, Swap, closes_loop
from yellow_ladle.core.swaps.search.exact_score import (
    TOP,
    Chosen,
    Weight,
    exact,
    heavier,
    listed,
    score_of,
    weighed,
)
from yellow_ladle.core.swaps.search.lower_bounds import (
    NO_COUNT,
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
from yellow_ladle.core.swaps.search.option import Option
from yellow_ladle.core.swaps.search.search_space import Choice, Region

T = TypeVar("T")

MAX_STEPS = 60_000
"""Nodes that a search expands before it says that it stopped early."""


@dataclass(frozen=True, slots=True)
class Found:
    """A whole plan as the search found it, with its exact score."""

    bad: Mapping[str, int]
    chosen: tuple[tuple[Choice, Option], ...]
    score: Score

    @property
    def swaps(self) -> tuple[Swap, ...]:
        """The swaps of the plan."""
        return tuple(option.swap for _, option in self.chosen if option.swap is not None)

    @property
    def cleaned(self) -> tuple[CleanTool, ...]:
        """The clean tools of the plan."""
        return tuple(option.clean for _, option in self.chosen if option.clean is not None)

    @property
    def checks(self) -> tuple[str, ...]:
        """The products whose labels have to be read before the plan holds."""
        found = (option.check for _, option in self.chosen if option.check is not None)
        return tuple(dict.fromkeys(found))

    def acyclic(self, book: Book) -> bool:
        """Whether its swaps put no pot into itself, alternatives that do not count included."""
        return not closes_loop(book, self.swaps)

    def yields_what_it_uses(self, book: Book) -> bool:
        """Whether no line that it leaves is on a by-product which its swaps end."""
        gone = {item for _, option in self.chosen for item in option.ends}
        if not gone:
            return True
        for choice, option in self.chosen:
            if option.leads is None or choice.line is None:
                continue
            item = book.preparations[choice.pot].lines[choice.line].item
            if (item if option.swap is None else option.swap.to) in gone:
                return False
        return True

    @property
    def freed(self) -> tuple[Choice, ...]:
        """The lines that it takes as cleared."""
        return tuple(choice for choice, option in self.chosen if option.freed)


@dataclass(frozen=True, slots=True)
class _Node:
    """A partial plan. `place`: the pot that is being decided, `at` its next line."""

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


class BestFirstSearch:
    """A search over one or more regions: several where a goal can be reached in several ways."""

    def __init__(
        self,
        regions: Sequence[Region],
        rank: Callable[[Score], Rank],
        most_pots: int | None = None,
        familiar: frozenset[tuple[str, str | None]] = frozenset(),
        most_steps: int = MAX_STEPS,
        harmful: int = 0,
    ) -> None:
        self._rank = rank
        self._harmful = harmful
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
        """False once the search stopped before it had seen all that could matter."""
        for region in regions:
            self._begin(region)

    def plans(
        self,
        fits: Callable[[Found], T | None],
        most: int,
        before: Rank | None = None,
        thickness: Callable[[Found, T], int] | None = None,
    ) -> Iterator[tuple[Found, T]]:
        """The plans of the front that fit, the best first, at most so many.

        `fits` gives None for a plan that may not stand, and for any other what is wanted of it.
        Plans that rank with `before` or after it are not looked for. Of plans that cost the same
        and bring the same flags the first stands for all. `thickness` reads off a plan what only
        its carried result tells: one that costs more by it waits again for its turn.
        """
        waiting: dict[int, T] = {}
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
            found = Found(bad, listed(node.chosen), node.exact)
            # A plan that waited for its turn has been read already.
            wanted = waiting.pop(id(node.chosen)) if node.exact.thickness else fits(found)
            if wanted is None:
                continue
            if thickness is not None and not node.exact.thickness:
                steps = thickness(found, wanted)
                if steps:
                    waiting[id(node.chosen)] = wanted
                    self._wait(replace(node, exact=node.exact._replace(thickness=steps)))
                    continue
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
            counts=NO_COUNT,
            unfamiliar=0,
            losses=NO_LOSS,
            weights={0: TOP},
            stays=True,
            chosen=None,
        )
        self._wait(top)

    def _dominated(self, score: Score) -> bool:
        return any(kept.dominates(score) for kept in self._kept)

    def _wait(self, node: _Node) -> None:
        """Queues a node; of equal bounds the one with more decided comes first."""
        score = node.exact or self._least(node)
        if self._most_pots is not None and score.pots > self._most_pots:
            return
        depth = -node.done.bit_count() * 1000 - node.at
        heappush(self._queue, (self._rank(score), depth, next(self._numbers), node))

    def _take_up(self, node: _Node) -> None:
        """Expands a node: decides its next line, begins its next pot, or completes it."""
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
            chosen = listed(node.chosen)
            score = exact(
                top=region.top,
                chosen=chosen,
                counts=node.counts,
                brought=node.brought,
                unfamiliar=node.unfamiliar,
                harmful=self._harmful,
                roux=region.roux,
            )
            if score is not None:
                self._wait(replace(node, exact=score))
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
            weights = {**weights, below: heavier(weights.get(below), weight, choice, option)}
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
        """A lower bound on the cost of every completion of a node."""
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
        return score_of(
            counts=counts,
            adds=(node.brought.bit_count() + adds, (node.brought & self._harmful).bit_count()),
            unfamiliar=node.unfamiliar,
            losses=losses,
            pots=(taken.bit_count(), (taken & ~bounds.roux).bit_count()) if surely else (0, 0),
            lost=self._lost(node),
        )

    def _lost(self, node: _Node) -> float:
        """A lower bound on the flavour, texture and colour that every completion loses, summed."""
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
