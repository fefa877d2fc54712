"""The score of a plan, and of a plan in the making: how much of the item each pot in it is."""

from collections.abc import Sequence
from typing import TypeAlias

from yellow_ladle.core.carrying.cycles import cycle
from yellow_ladle.core.carrying.graph import bases_first
from yellow_ladle.core.swaps.plans.identity import is_another
from yellow_ladle.core.swaps.plans.score import Score, told_apart
from yellow_ladle.core.swaps.search.lower_bounds import NO_LOSS, Counts, Losses, losses_at, plus
from yellow_ladle.core.swaps.search.option import Option
from yellow_ladle.core.swaps.search.prices import UNKNOWN
from yellow_ladle.core.swaps.search.search_space import Choice

Weight: TypeAlias = Losses
"""The share of the item that a pot is in flavour, texture and colour, its makings, its share of the
weight without liquids, and how often the way to the main ingredient leads through it."""
Chosen: TypeAlias = "tuple[Chosen, Choice, Option] | None"
"""The choices of a plan, the last one first."""

TOP: Weight = (1.0, 1.0, 1.0, 1.0, 1.0, 1.0)


def exact(
    top: str,
    chosen: Sequence[tuple[Choice, Option]],
    counts: Counts,
    brought: int,
    unfamiliar: int,
    harmful: int = 0,
    roux: frozenset[str] = frozenset(),
) -> Score | None:
    """The score of a whole plan; None where a pot is put into itself.

    `counts` and `unfamiliar` are those of its choices, `brought` the bits of the flags it brings,
    `harmful` those that an open need avoids, `roux` the pots that need no pan of their own.
    """
    order = _tops_first(top, chosen)
    if order is None:
        return None
    weights: dict[str, Weight] = {top: TOP}
    losses = NO_LOSS
    by_pot: dict[str, list[tuple[Choice, Option]]] = {}
    for choice, option in chosen:
        by_pot.setdefault(choice.pot, []).append((choice, option))
    for pot in order:
        for choice, option in by_pot.get(pot, ()):
            losses = plus(losses, weighed(weights[pot], losses_at(choice, option)))
            if option.leads is not None:
                there = weights.get(option.leads)
                weights[option.leads] = heavier(there, weights[pot], choice, option)
    remade: set[str] = set()
    for pot in reversed(order):
        for _, option in by_pot.get(pot, ()):
            if option.changes or option.leads in remade:
                remade.add(pot)
    if any(option.cost and not weights[choice.pot][3] for choice, option in chosen):
        losses = (*losses[:3], UNKNOWN, *losses[4:])
    adds = (brought.bit_count(), (brought & harmful).bit_count())
    return score_of(
        counts=counts,
        adds=adds,
        unfamiliar=unfamiliar,
        losses=losses,
        pots=(len(remade), len(remade - roux)),
    )


def weighed(weight: Weight, losses: Losses) -> Losses:
    """Losses in a pot as losses of the item."""
    # An unknown price stays unknown, however little of it goes in.
    cost = losses[3] * weight[3] if losses[3] and weight[3] else 0.0
    return (
        losses[0] * weight[0],
        losses[1] * weight[1],
        losses[2] * weight[2],
        cost,
        losses[4] * weight[4],
        losses[5] * weight[5],
    )


def heavier(there: Weight | None, weight: Weight, choice: Choice, option: Option) -> Weight:
    """Adds one edge's weight to the share of a pot in the item.

    What the item is told by is what was in it: a pot that comes in by a swap is no part of that.
    """
    share, usual = choice.share, option.swap is None
    more = (
        weight[0] * share[0],
        weight[1] * share[1],
        weight[2] * share[2],
        weight[3] * choice.makings,
        weight[4] * choice.dry if usual else 0.0,
        weight[5] if usual and choice.main else 0.0,
    )
    return more if there is None else plus(there, more)


def score_of(
    counts: Counts,
    adds: tuple[int, int],
    unfamiliar: int,
    losses: Losses,
    pots: tuple[int, int],
    lost: float | None = None,
) -> Score:
    """A score; `lost` is a better bound than the sum of three, where it is given.

    `adds` are the flags that rise, and those of them that an open need avoids; `pots` those made
    differently, and those of them that need a pan of their own.
    """
    flavour, texture, colour, cost = map(told_apart, losses[:4])
    together = told_apart(sum(losses[:3]) if lost is None else lost)
    stands, checks, swaps, effort, cards = counts
    return Score(
        stands=stands,
        checks=checks,
        another=int(losses[5] > 0 or is_another(losses[4])),
        cards=min(cards, 1),
        harms=adds[1],
        adds=adds[0],
        swaps=swaps,
        effort=effort,
        unfamiliar=unfamiliar,
        lost=together,
        flavour=flavour,
        texture=texture,
        colour=colour,
        pots=pots[0],
        pans=pots[1],
        cost=cost,
    )


def listed(chosen: Chosen) -> tuple[tuple[Choice, Option], ...]:
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
