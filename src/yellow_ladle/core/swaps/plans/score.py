"""The score of a plan by every criterion, and its place in a kitchen's order of preference."""

from collections.abc import Callable, Iterable
from functools import cache
from operator import itemgetter
from typing import NamedTuple, TypeAlias

from yellow_ladle.core.vocabulary.criteria import CRITERIA, Criterion, ordered
from yellow_ladle.core.vocabulary.toml import numbers, table

Rank: TypeAlias = tuple[float, ...]

DIGITS = 2
"""Decimals to which shares of a plate and money are told apart: a guest tastes no less."""
_NUDGE = 1e-9
"""Keeps sums that differ only in the order of their parts on one side of a rounding edge."""


class Score(NamedTuple):
    """What a plan costs by each criterion; less is better.

    `stands`: lines taken as cleared though no swap clears them (0 in a plan, counted in a proof).
    `checks`: labels to be read first. `thickness`: 1 where what is poured leaves the thickness of
    its card (thickness_limit.py). `another`: 1 where the item would be another dish. `cards`: 1
    where a shipped base is used, which the kitchen does not have yet. `harms`:
    flags it brings that an open need avoids. `adds`: flags whose level rises in the item. `effort`:
    what its swaps ask of the cook (candidates.py). `unfamiliar`: swaps that the kitchen has never
    chosen. `flavour`, `texture` and `colour`: the share of each
    that is lost on the plate, 0 where nothing is; `lost`: the three together. `pots`: preparations
    that are made differently; `pans`: those that need a pan of their own, as a roux is made in the
    one that it thickens. `cost`: what the new goods cost for one making of the item, infinite where
    a price is missing.
    """

    stands: int = 0
    checks: int = 0
    thickness: int = 0
    another: int = 0
    cards: int = 0
    harms: int = 0
    adds: int = 0
    swaps: int = 0
    effort: int = 0
    unfamiliar: int = 0
    lost: float = 0.0
    flavour: float = 0.0
    texture: float = 0.0
    colour: float = 0.0
    pots: int = 0
    pans: int = 0
    cost: float = 0.0

    def dominates(self, other: "Score") -> bool:
        """Whether this is as good in everything and better in something (Pareto dominance)."""
        if self == other:
            return False
        return all(mine <= theirs for mine, theirs in zip(self, other, strict=True))


FREE_OF_CHARGE = Score()

_OF: dict[Criterion, tuple[str, ...]] = {
    "adds": ("adds",),
    "swaps": ("swaps", "effort", "unfamiliar"),
    "fidelity": ("lost", "flavour", "texture", "colour"),
    "pots": ("pans", "pots"),
    "cost": ("cost",),
}


def ranking(order: tuple[Criterion, ...] = CRITERIA) -> Callable[[Score], Rank]:
    """The key to sort by. It is equal only where all is, and smaller where a score dominates.

    What leaves the thickness of the card comes last, before it what makes another dish, then what
    is far from the dish as it is. Then leads what is in the house, what is less work, and what no
    open need avoids; while swaps count first, a pan of its own and a swap are as much work: two
    lines changed in two pots are no less than one at the base. The rest follows in the order that
    is given; criteria that it does not name come last, as they stand.
    """
    by_work = ordered(*order)[0] == "swaps"
    fields = [field for name in ordered(*order) for field in _OF[name]]
    rest = itemgetter(*(Score._fields.index(field) for field in fields))

    def rank(score: Score) -> Rank:
        return (
            score.stands,
            score.checks,
            score.thickness,
            score.another,
            distance(score.lost),
            score.cards,
            score.pans + (score.swaps if by_work else 0),
            score.harms,
            *rest(score),
        )

    return rank


def distance(lost: float) -> int:
    """How far a plate is from itself, in steps that a guest notices (data/fidelity.toml)."""
    return sum(lost >= edge for edge in _edges())


@cache
def _edges() -> tuple[float, ...]:
    return tuple(numbers(table("fidelity")["noticed"]))


def told_apart(value: float) -> float:
    """Rounds a share or a price to comparison precision."""
    return round(value + _NUDGE, DIGITS)


def undominated(scores: Iterable[Score]) -> set[Score]:
    """The Pareto front: what no other one dominates."""
    found = set(scores)
    return {one for one in found if not any(other.dominates(one) for other in found)}
