"""The approach of a plan. Plans that differ only in the flour take the same one: one answer."""

from collections.abc import Iterable
from dataclasses import replace
from typing import TypeAlias

from yellow_ladle.core.book.book import Book, owner_of
from yellow_ladle.core.book.proposed_class import taken_as
from yellow_ladle.core.numbers.thickeners import thickener_of
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.plans.swap import CleanTool, Swap

Approach: TypeAlias = frozenset[tuple[object, ...]]

MAX_PER_APPROACH = 4
"""For every plan that is wanted so many are looked at, of whatever approach."""
AS_MUCH = 0.1
"""An amount that differs by no more than this share is the same amount."""


def one_per_approach(
    plans: Iterable[Plan], most: int, taken: Iterable[Approach] = ()
) -> list[Plan]:
    """The first plan of each approach, at most so many, with what does as well named beside it.

    `taken` are approaches that have been shown already.
    """
    kept: dict[Approach, Plan] = {}
    shown = set(taken)
    for plan in plans:
        approach = approach_of(plan)
        if approach in kept:
            kept[approach] = _naming(kept[approach], plan)
        elif approach not in shown:
            kept[approach] = plan
            if len(kept) == most:
                break
    return list(kept.values())


def approach_of(plan: Plan) -> Approach:
    """What a plan does and where, whatever flour it takes; and what the item then carries."""
    book, levels = plan.after.book, plan.after.levels(plan.item)
    carries = ("carries", *sorted((flag, int(level)) for flag, level in levels.items()))
    return frozenset([*(_of_move(book, move) for move in plan.moves), carries])


def _of_move(book: Book, move: Swap | CleanTool) -> tuple[object, ...]:
    if isinstance(move, CleanTool):
        return (move.in_, move.tool)
    if move.to is None:
        return (*move.place, None)
    preparation, old = book.preparations.get(owner_of(move.to)), book.preparations.get(move.from_)
    if preparation is not None and old is not None and preparation.kind == old.kind == "roux":
        return ("roux", move.from_)
    form = _form(book, move.to)
    if form == "roux" and book.preparations[move.in_].kind == "roux":
        return ("roux", move.in_)
    return (*move.place, move.stage, form or move.to)


def _form(book: Book, item: str) -> str | None:
    """How a product goes in to thicken: as a roux, a slurry or blended in."""
    product = book.products.get(item)
    thickener = thickener_of().get(taken_as(product) or "") if product is not None else None
    return thickener.form if thickener is not None else None


def _naming(kept: Plan, other: Plan) -> Plan:
    """A plan that names what stands in as well, as much of it, in another of its approach."""
    there = {swap.place: swap for swap in other.swaps}
    return replace(kept, swaps=tuple(_with_others(swap, there) for swap in kept.swaps))


def _with_others(swap: Swap, there: dict[tuple[str, int], Swap]) -> Swap:
    also = there.get(swap.place)
    if also is None or also.to is None or also.to in (swap.to, *swap.or_):
        return swap
    if also.unit != swap.unit or abs(also.quantity - swap.quantity) > AS_MUCH * swap.quantity:
        return swap
    return replace(swap, or_=(*swap.or_, also.to, *also.or_))
