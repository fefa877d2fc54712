"""The swap bench: plans that clear a pot, and applying one."""

from typing import Annotated, Literal

from fastapi import APIRouter
from pydantic import BaseModel, ConfigDict, Field

from yellow_ladle.api.ledger import TheBook, TheLedger, preparation_or_missing
from yellow_ladle.api.problems import PROBLEMS
from yellow_ladle.api.ripples import RippleOut, ripple_out
from yellow_ladle.api.routes.kitchen import Named
from yellow_ladle.api.routes.products import level_words
from yellow_ladle.core.diets import diets
from yellow_ladle.core.fault import BookRefused, Fault, unknown
from yellow_ladle.core.goals import Goals
from yellow_ladle.core.levels import LevelWord
from yellow_ladle.core.plan import Plan, Swap, carried
from yellow_ladle.core.planner.applying import as_variant, for_all
from yellow_ladle.core.planner.proposing import propose
from yellow_ladle.core.planner.standing import Blocked
from yellow_ladle.core.ripple import ripple
from yellow_ladle.core.rules import SwapRule, swap_rules
from yellow_ladle.files.book_models import FlagId, Id, ItemId, Name, Number, Word
from yellow_ladle.store.standing import Now, Stale

router = APIRouter(prefix="/plans", tags=["swaps"], responses=PROBLEMS)


class GoalsPiece(BaseModel):
    """Flags that must go and diets that must suit."""

    clear: Annotated[list[FlagId], Field(max_length=60)] = []
    fit: Annotated[list[Word], Field(max_length=60)] = []


class PlansIn(BaseModel):
    """What is to be changed, and to what end."""

    model_config = ConfigDict(
        json_schema_extra={"example": {"item": "hen-leek-pie", "goals": {"clear": ["wheat"]}}}
    )

    item: Id
    goals: GoalsPiece
    limit: Annotated[int, Field(ge=1, le=50)] = 6


class SwapPiece(BaseModel):
    """One swap as a plan names it; `to` null leaves the line out."""

    model_config = ConfigDict(populate_by_name=True)

    in_: Id = Field(alias="in")
    line: Annotated[int, Field(ge=0)]
    from_: ItemId = Field(alias="from")
    to: ItemId | None
    quantity: Number
    unit: str
    rule: str


class SwapOut(BaseModel):
    """One swap with everything that its rule says of it."""

    swap: SwapPiece
    in_name: str
    from_name: str
    to_name: str | None
    quantity_before: float
    unit_before: str
    rule_name: str
    method: list[str]
    colour: str
    thickness: str
    caution: str
    source: str


class PlanOut(BaseModel):
    """A plan: its swaps, its carried result, and its price. `seen`: the versions it was made on."""

    meets: bool
    reached: list[str]
    swaps: list[SwapOut]
    adds: list[Named]
    clears: list[Named]
    flags_after: dict[str, LevelWord]
    pots: list[Named]
    for_all: RippleOut
    also: list[Named]
    seen: dict[str, int]


class BlockedOut(BaseModel):
    """A line that stands in the way."""

    in_name: str
    from_name: str
    flag: str
    why: str


class PlansOut(BaseModel):
    """The plans, the best first."""

    item: str
    name: str
    flags_now: dict[str, LevelWord]
    goals: str
    met_already: bool
    plans: list[PlanOut]
    blocked: list[BlockedOut]


class ApplyIn(BaseModel):
    """A plan to be applied: as a variant under a name of its own, or for all."""

    item: Id
    goals: GoalsPiece
    swaps: Annotated[list[SwapPiece], Field(min_length=1, max_length=200)]
    as_: Literal["variant", "for_all"] = Field(alias="as")
    name: Name | None = None
    seen: dict[str, int]


class AppliedOut(BaseModel):
    """What was made or changed: `item` is where to look at it."""

    item: str
    made: list[Named]
    ripple: RippleOut


@router.post("")
def plans(wanted: PlansIn, now: TheBook) -> PlansOut:
    """The plans for a pot or plate, and what stands in the way where none meets every goal."""
    preparation = preparation_or_missing(now, wanted.item)
    goals = _goals(now, wanted.goals)
    reading = now.reading
    proposal = propose(reading, wanted.item, goals, wanted.limit)
    return PlansOut(
        item=wanted.item,
        name=preparation.name,
        flags_now=level_words(reading, wanted.item),
        goals=goals.words(),
        met_already=goals.met(reading, wanted.item),
        plans=[_plan(now, plan) for plan in proposal.plans],
        blocked=[_blocked(now, blocked) for blocked in proposal.blocked],
    )


@router.post("/apply")
def apply(wanted: ApplyIn, ledger: TheLedger) -> AppliedOut:
    """Applies a plan in one change, if every pot that it was made on still stands as it saw it."""
    now = ledger.now
    book = now.reading.book
    preparation = preparation_or_missing(now, wanted.item)
    goals = _goals(now, wanted.goals)
    plan = carried(now.reading, wanted.item, goals, _swaps(now, wanted.swaps))
    if plan is None:
        raise BookRefused([Fault("swaps", "these swaps would put a pot into itself")])
    for pot in plan.pots:
        if wanted.seen.get(pot) != now.versions[pot]:
            raise Stale(pot, book.preparations.get(pot), now.versions.get(pot))
    if wanted.as_ == "for_all":
        change = for_all(now.reading, plan)
        rippled = ledger.record(change, wanted.seen)
        item = wanted.item
    else:
        suffix = goals.words()
        names = {pot: f"{book.name(pot)}, {suffix}" for pot in plan.pots}
        names[wanted.item] = wanted.name or f"{preparation.name}, {suffix}"
        change = as_variant(now.reading, plan, names)
        rippled = ledger.record(change, {})
        item = change.preparations[-1].id
    made = [Named(id=made.id, name=made.name) for made in change.preparations]
    return AppliedOut(item=item, made=made, ripple=ripple_out(rippled))


def _goals(now: Now, wanted: GoalsPiece) -> Goals:
    known = [flag.id for flag in now.reading.book.flags]
    faults = [
        Fault("goals.clear", unknown("flag", flag, known))
        for flag in wanted.clear
        if flag not in known
    ]
    faults += [
        Fault("goals.fit", unknown("diet", diet, diets()))
        for diet in wanted.fit
        if diet not in diets()
    ]
    if not wanted.clear and not wanted.fit:
        faults.append(Fault("goals", "name a flag to clear or a diet to fit"))
    if faults:
        raise BookRefused(faults)
    return Goals(tuple(dict.fromkeys(wanted.clear)), tuple(dict.fromkeys(wanted.fit)))


def _swaps(now: Now, wanted: list[SwapPiece]) -> list[Swap]:
    """The core's swaps; refuses those that no longer fit the card."""
    made = now.reading.book.preparations
    swaps: list[Swap] = []
    for piece in wanted:
        lines = made[piece.in_].lines if piece.in_ in made else ()
        if piece.line >= len(lines) or lines[piece.line].item != piece.from_:
            message = f'line {piece.line} of "{piece.in_}" no longer holds "{piece.from_}"'
            raise BookRefused([Fault("swaps", f"{message}; ask for the plans again")])
        if piece.to is not None and piece.to not in now.reading.masks:
            raise BookRefused([Fault("swaps", f'no item "{piece.to}"; ask for the plans again')])
        rule = _rule(piece.rule)
        method, stage = (rule.method, rule.stage) if rule else ((), None)
        swaps.append(
            Swap(
                piece.in_,
                piece.line,
                piece.from_,
                piece.to,
                piece.quantity,
                piece.unit,
                piece.rule,
                method,
                stage,
            )
        )
    return swaps


def _rule(id: str) -> SwapRule | None:
    return next((rule for rule in swap_rules() if rule.id == id), None)


def _plan(now: Now, plan: Plan) -> PlanOut:
    book = now.reading.book
    names = {flag.id: flag.name for flag in book.flags}
    return PlanOut(
        meets=plan.meets,
        reached=sorted(plan.reached),
        swaps=[_swap(now, swap) for swap in plan.swaps],
        adds=[Named(id=flag, name=names[flag]) for flag in plan.adds],
        clears=[Named(id=flag, name=names[flag]) for flag in plan.clears],
        flags_after=level_words(plan.after, plan.item),
        pots=[Named(id=pot, name=book.name(pot)) for pot in plan.pots],
        for_all=ripple_out(ripple(now.reading, for_all(now.reading, plan))[1]),
        also=[Named(id=pot, name=book.name(pot)) for pot in plan.also],
        seen={pot: now.versions[pot] for pot in plan.pots},
    )


def _swap(now: Now, swap: Swap) -> SwapOut:
    book = now.reading.book
    line = book.preparations[swap.in_].lines[swap.line]
    rule = _rule(swap.rule)
    return SwapOut(
        swap=SwapPiece(
            in_=swap.in_,
            line=swap.line,
            from_=swap.from_,
            to=swap.to,
            quantity=swap.quantity,
            unit=swap.unit,
            rule=swap.rule,
        ),
        in_name=book.name(swap.in_),
        from_name=book.name(swap.from_),
        to_name=None if swap.to is None else book.name(swap.to),
        quantity_before=line.quantity,
        unit_before=line.unit,
        rule_name=rule.name if rule else "the other choice on the card",
        method=list(swap.method),
        colour=", ".join(rule.colours) if rule and rule.colours else "any",
        thickness=rule.thickness if rule else "",
        caution=rule.caution if rule else "",
        source=rule.source if rule else "the card",
    )


def _blocked(now: Now, blocked: Blocked) -> BlockedOut:
    book = now.reading.book
    names = {flag.id: flag.name for flag in book.flags}
    return BlockedOut(
        in_name=book.name(blocked.in_),
        from_name=book.name(blocked.from_),
        flag=names[blocked.flag],
        why=blocked.why,
    )
