"""What a guest can have: every plate as it is, after asking, or only with a change.

How strictly a need is meant decides what counts: a trace is nothing to somebody who only dislikes
a thing, and a reason to ask for somebody who is allergic to it.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from time import perf_counter
from typing import Literal, TypeAlias

from yellow_ladle.core.book.need import Strictness
from yellow_ladle.core.carrying.suitability import Verdict
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.library.bases import base_library
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.search.proposal import propose
from yellow_ladle.core.vocabulary.flags import flag_group
from yellow_ladle.core.vocabulary.levels import Level

Serving: TypeAlias = Literal["as_it_is", "ask", "change"]

PER_PLATE = 1
"""Plans that are asked for of a plate: whether there is one, and the best."""


@dataclass(frozen=True, slots=True)
class GuestAnswer:
    """One plate for a guest. `because`: the flags that stand in the way, or that are told."""

    plate: str
    serving: Serving
    because: Mapping[str, Level]


def goals_of_need(goals: Goals, strictness: Strictness) -> Goals:
    """The goals of a need as they count; a coeliac guest's include every cereal with gluten."""
    if strictness != "coeliac":
        return goals
    return replace(goals, clear=tuple(dict.fromkeys((*goals.clear, *flag_group("gluten")))))


def guest_answers(reading: Reading, goals: Goals, strictness: Strictness) -> list[GuestAnswer]:
    """Every plate that is offered, in the order of names."""
    wanted = goals_of_need(goals, strictness)
    made = reading.book.preparations
    plates = [id for id, each in made.items() if each.kind == "dish" and each.retired is None]
    return [
        _answer(reading, id, wanted, strictness) for id in sorted(plates, key=reading.book.name)
    ]


def plans_for(
    reading: Reading, plates: list[str], goals: Goals, strictness: Strictness, seconds: float
) -> Iterator[tuple[str, Plan | None]]:
    """The best plan that lets the guest have each plate, None where there is none.

    Ends once the time is over; plates that come after are not in it.
    """
    wanted, library = goals_of_need(goals, strictness), base_library(reading)
    until = perf_counter() + seconds
    for plate in plates:
        if perf_counter() > until:
            return
        found = propose(reading, plate, wanted, PER_PLATE, library=library).plans
        meets = [plan for plan in found if plan.meets and not plan.buy]
        yield plate, meets[0] if meets else None


def _answer(reading: Reading, plate: str, goals: Goals, strictness: Strictness) -> GuestAnswer:
    levels = {flag: reading.level(plate, flag) for flag in goals.clear}
    suitability = reading.suitability(plate) if goals.fit else {}
    verdicts = [suitability[diet].verdict for diet in goals.fit]
    in_the_way = {flag: level for flag, level in levels.items() if level > Level.FREE}
    for diet in goals.fit:
        in_the_way |= {reason.flag: reason.level for reason in suitability[diet].because}
    return GuestAnswer(plate, _serving(levels, verdicts, strictness), in_the_way)


def _serving(
    levels: Mapping[str, Level], verdicts: list[Verdict], strictness: Strictness
) -> Serving:
    highest = max(levels.values(), default=Level.FREE)
    if highest is Level.CONTAINS or Verdict.DOES_NOT_SUIT in verdicts:
        return "change"
    if highest is Level.UNCHECKED or Verdict.ASK in verdicts:
        return "as_it_is" if strictness == "taste" else "ask"
    if highest is Level.MAY_CONTAIN:
        return "ask" if strictness in ("allergy", "coeliac") else "as_it_is"
    return "as_it_is"
