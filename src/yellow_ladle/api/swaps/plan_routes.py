"""The swap bench: plans that clear a pot, and what loosening a goal would open."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import replace
from time import perf_counter
from typing import Literal

from fastapi import APIRouter

from yellow_ladle.api.dependencies import TheLedger, preparation_or_missing
from yellow_ladle.api.schemas.answer_forms import all_named
from yellow_ladle.api.schemas.plan_forms import (
    GoalsPiece,
    LimitsPiece,
    LoosenedOut,
    PlansIn,
    PlansOut,
)
from yellow_ladle.api.swaps.plan_answers import Telling
from yellow_ladle.core.book.fault import BookRefused, Fault, unknown
from yellow_ladle.core.checks.goal_faults import goal_faults
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.apply.floor_sentence import floor_sentence
from yellow_ladle.core.swaps.library.bases import base_library
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.instead import instead
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.rules.rulebook import rulebook
from yellow_ladle.core.swaps.search.limits import Limits
from yellow_ladle.core.swaps.search.proposal import Habits
from yellow_ladle.core.swaps.search.several_items import propose_together, with_whole
from yellow_ladle.core.vocabulary.diets import diets
from yellow_ladle.store.applied_plans import chosen_before
from yellow_ladle.store.documents import Now

LOOSE: tuple[tuple[str, str, Callable[[Limits], Limits]], ...] = (
    ("most_pots", "at most so many pots", lambda limits: replace(limits, most_pots=None)),
    ("without", "without some goods", lambda limits: replace(limits, without=frozenset())),
    ("kept", "lines that stay", lambda limits: replace(limits, kept=frozenset())),
    ("keep_colour", "the colour stays", lambda limits: replace(limits, keep_colour=False)),
    ("keep_thickness", "as thick as it is", lambda limits: replace(limits, keep_thickness=False)),
    ("freezes", "it can be frozen", lambda limits: replace(limits, freezes=False)),
    ("products_only", "bought goods only", lambda limits: replace(limits, products_only=False)),
)
"""The limits, what a kitchen calls them, and how each is let go."""

router = APIRouter(prefix="/plans", tags=["swaps"])


@router.post("")
def plans(wanted: PlansIn, ledger: TheLedger) -> PlansOut:
    """The plans for a pot or plate, and what stands in the way where none meets every goal."""
    begun = perf_counter()
    now = ledger.now
    items = items_of(now, wanted.item, wanted.and_items)
    goals = goals_of(now, wanted.goals)
    reading = now.reading
    rules = {here.rule.id: here for here in rulebook(reading.book)}
    habits = Habits(tuple(wanted.order), chosen_before(ledger))
    proposal = propose_together(
        reading,
        items,
        goals,
        wanted.limit,
        limits=limits_of(now, wanted.limits),
        habits=habits,
        bases=True,
    )
    covers = dict.fromkeys(items, wanted.covers) if wanted.covers else None
    telling = Telling(now, goals, rules, covers)
    before, whole = with_whole(reading, items) if len(items) > 1 else (reading, items[0])
    return PlansOut(
        item=wanted.item,
        name=" and ".join(reading.book.name(item) for item in items),
        flags_now=before.level_words(whole),
        tool_traces_now=sorted(before.tool_traces(whole)),
        goals=goals.words(),
        met_already=goals.met(before, whole),
        instead=all_named(reading.book, instead(reading, wanted.item, goals)),
        plans=[telling.plan(plan) for plan in proposal.plans],
        checks=[telling.check_first(way) for way in proposal.checks],
        blocked=[telling.blocked(blocked) for blocked in proposal.blocked],
        whole=proposal.whole,
        milliseconds=round((perf_counter() - begun) * 1000),
    )


@router.post("/loosened")
def loosened(wanted: PlansIn, ledger: TheLedger) -> list[LoosenedOut]:
    """For every goal and limit what letting that one go would open, the others kept."""
    now = ledger.now
    items = items_of(now, wanted.item, wanted.and_items)
    goals = goals_of(now, wanted.goals)
    limits = limits_of(now, wanted.limits)
    return [
        _loosened(now=now, items=items, goals=fewer, limits=looser, out=out)
        for out, fewer, looser in _looser(now, goals, limits)
    ]


def items_of(now: Now, item: str, others: Sequence[str]) -> list[str]:
    """The pots that are to be cleared, each once; Missing where one is not there."""
    items = list(dict.fromkeys([item, *others]))
    for each in items:
        preparation_or_missing(now, each)
    return items


def goals_of(now: Now, wanted: GoalsPiece) -> Goals:
    """The core's goals; refuses those that nobody knows."""
    known = now.reading.book.flag_ids
    places = ("goals.clear", "goals.fit")
    faults = list(goal_faults(places, wanted.clear, wanted.fit, known))
    if not wanted.clear and not wanted.fit:
        faults.append(Fault("goals", "name a flag to clear or a diet to fit"))
    if faults:
        raise BookRefused(faults)
    return Goals(tuple(dict.fromkeys(wanted.clear)), tuple(dict.fromkeys(wanted.fit)))


def limits_of(now: Now, wanted: LimitsPiece) -> Limits:
    """The core's limits; refuses lines and items that are not there."""
    book = now.reading.book
    faults = [
        Fault("limits.without", unknown("item", item, now.reading.masks))
        for item in wanted.without
        if item not in now.reading.masks
    ]
    for kept in wanted.kept:
        preparation = book.preparations.get(kept.in_)
        if preparation is None or kept.line >= len(preparation.lines):
            faults.append(Fault("limits.kept", f'"{kept.in_}" has no line {kept.line}'))
    if faults:
        raise BookRefused(faults)
    return Limits(
        most_pots=wanted.most_pots,
        without=frozenset(wanted.without),
        kept=frozenset((kept.in_, kept.line) for kept in wanted.kept),
        keep_colour=wanted.keep_colour,
        keep_thickness=wanted.keep_thickness,
        freezes=wanted.freezes,
        products_only=wanted.products_only,
    )


def _looser(now: Now, goals: Goals, limits: Limits) -> Iterator[tuple[LoosenedOut, Goals, Limits]]:
    """Every goal and limit that could be let go, with the goals and limits that are left."""
    names = {flag.id: flag.name for flag in now.reading.book.flags}
    for flag in goals.clear:
        left = tuple(other for other in goals.clear if other != flag)
        if left or goals.fit:
            yield _blank("clear", flag, names[flag]), Goals(left, goals.fit), limits
    for diet in goals.fit:
        left = tuple(other for other in goals.fit if other != diet)
        if left or goals.clear:
            yield _blank("fit", diet, diets()[diet].name), Goals(goals.clear, left), limits
    for field, name, loose in LOOSE:
        if loose(limits) != limits:
            yield _blank("limit", field, name), goals, loose(limits)


def _blank(what: Literal["clear", "fit", "limit"], id: str, name: str) -> LoosenedOut:
    return LoosenedOut(
        what=what, id=id, name=name, opens=False, sentence="", swaps=0, adds=[], pots=0
    )


def _with_cards(now: Now, plan: Plan) -> Reading:
    return base_library(now.reading).only(plan.cards, plan.buy)


def _loosened(
    now: Now,
    items: Sequence[str],
    goals: Goals,
    limits: Limits,
    out: LoosenedOut,
) -> LoosenedOut:
    found = propose_together(now.reading, items, goals, 1, limits=limits, bases=True)
    best = next((plan for plan in found.plans if plan.meets), None)
    if best is None:
        return out
    names = {flag.id: flag.name for flag in now.reading.book.flags}
    return out.model_copy(
        update={
            "opens": True,
            "sentence": floor_sentence(_with_cards(now, best), best, goals),
            "swaps": best.score.swaps,
            "adds": [names[flag] for flag in best.adds],
            "pots": len(best.pots),
        }
    )
