"""Plans for several items at once: what clears all of them with the same swaps.

The items are planned as the lines of one pot that nobody makes, so what is decided for a base is
decided once for all of them. A plan's `adds` name every flag that is new to any of them; its place
in the order goes by what is new to all of them together.
"""

from collections.abc import Sequence
from dataclasses import replace

from yellow_ladle.core.book.book import Line, Preparation
from yellow_ladle.core.book.ids import free_id
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.update import Change, reread
from yellow_ladle.core.swaps.library.bases import BaseLibrary, base_library
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.identity import Identity
from yellow_ladle.core.swaps.plans.plan import Plan, carried
from yellow_ladle.core.swaps.plans.swap import CleanTool, Swap
from yellow_ladle.core.swaps.rules.swap_rules import SwapRule
from yellow_ladle.core.swaps.search.limits import NO_LIMITS, Limits
from yellow_ladle.core.swaps.search.proposal import USUAL, Habits, Proposal, propose
from yellow_ladle.core.vocabulary.levels import Level


def propose_together(
    reading: Reading,
    items: Sequence[str],
    goals: Goals,
    limit: int = 10,
    *,
    limits: Limits = NO_LIMITS,
    rules: Sequence[SwapRule] | None = None,
    habits: Habits = USUAL,
    bases: bool = False,
) -> Proposal:
    """The plans that bring every one of some items to the goals; of one item, its own.

    With `bases` the shipped library's are candidates too.
    """
    if len(items) == 1:
        library = base_library(reading) if bases else None
        return propose(
            reading,
            items[0],
            goals,
            limit,
            limits=limits,
            rules=rules,
            habits=habits,
            library=library,
        )
    before, whole = with_whole(reading, items)
    kept = limits.kept | {(whole, n) for n in range(len(items))}
    most = None if limits.most_pots is None else limits.most_pots + 1
    found = propose(
        before,
        whole,
        goals,
        limit,
        limits=replace(limits, kept=kept, most_pots=most),
        rules=rules,
        habits=habits,
        library=BaseLibrary(before) if bases else None,
    )
    return replace(
        found, plans=tuple(_of_items(reading, items, plan, whole) for plan in found.plans)
    )


def carried_together(
    reading: Reading,
    items: Sequence[str],
    goals: Goals,
    swaps: Sequence[Swap],
    cleaned: Sequence[CleanTool] = (),
) -> Plan | None:
    """A set of swaps as a plan for some items, read again; None where it closes a loop."""
    if len(items) == 1:
        return carried(before=reading, item=items[0], goals=goals, swaps=swaps, cleaned=cleaned)
    before, whole = with_whole(reading, items)
    plan = carried(before=before, item=whole, goals=goals, swaps=swaps, cleaned=cleaned)
    return None if plan is None else _of_items(reading, items, plan, whole)


def with_whole(reading: Reading, items: Sequence[str]) -> tuple[Reading, str]:
    """The reading with the items as the lines of one pot more, and its id."""
    book = reading.book
    whole = free_id("together", {*book.products, *book.preparations})
    name = " and ".join(book.name(item) for item in items)
    lines = tuple(Line(item, 1, "kg", "body") for item in items)
    made = Preparation(whole, name, "dish", lines=lines)
    return reread(reading, Change(preparations=(made,))).reading, whole


def _of_items(reading: Reading, items: Sequence[str], plan: Plan, whole: str) -> Plan:
    """A plan whose pots are those that somebody makes, with what it adds to any of the items."""
    adds: dict[str, None] = {}
    for item in items:
        was, now = reading.levels(item), plan.after.levels(item)
        adds |= {flag: None for flag in now if now[flag] > was.get(flag, Level.FREE)}
    pans = max(plan.score.pans - 1, 0)
    score = plan.score._replace(pots=max(plan.score.pots - 1, 0), pans=pans)
    pots = tuple(pot for pot in plan.pots if pot != whole)
    same = not any(Identity(reading, item).is_another(plan.swaps) for item in items)
    return replace(plan, adds=tuple(adds), pots=pots, score=score, same_dish=same)
