"""Putting a plan into the book, and taking it back as a whole."""

from collections.abc import Mapping
from dataclasses import replace

from fastapi import APIRouter

from yellow_ladle.api.cards.impact_answers import ImpactOut, impact_out
from yellow_ladle.api.dependencies import TheActor, TheLedger
from yellow_ladle.api.errors import Missing
from yellow_ladle.api.paging import RowId
from yellow_ladle.api.schemas.answer_forms import Named, all_named, named
from yellow_ladle.api.schemas.plan_forms import (
    AppliedOut,
    AppliedPlanOut,
    ApplyIn,
    CleanToolPiece,
    SwapPiece,
    TakeBackIn,
)
from yellow_ladle.api.swaps.plan_routes import goals_of, items_of
from yellow_ladle.core.book.book import Book, Line
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.reading.texts import stranded_sentences
from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.swaps.apply.adjustments import adjustments
from yellow_ladle.core.swaps.apply.floor_sentence import floor_sentence
from yellow_ladle.core.swaps.apply.new_cards import placed
from yellow_ladle.core.swaps.apply.placements import placements, stranded
from yellow_ladle.core.swaps.apply.variant_names import names_by_what_it_is
from yellow_ladle.core.swaps.library.bases import base_library
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.plans.swap import CleanTool, Swap
from yellow_ladle.core.swaps.rules.rulebook import rulebook
from yellow_ladle.core.swaps.rules.swap_rules import SwapRule
from yellow_ladle.core.swaps.search.several_items import carried_together
from yellow_ladle.files.book.conversion import as_value
from yellow_ladle.store.applied_plans import Applied, Applying, applied_plans, put_in, take_back
from yellow_ladle.store.documents import Now
from yellow_ladle.store.optimistic_lock import Stale

router = APIRouter(prefix="/plans", tags=["swaps"])


@router.post("/apply")
def apply(wanted: ApplyIn, ledger: TheLedger, actor: TheActor) -> AppliedOut:
    """Applies a plan in one change, if every pot that it was made on still stands as it saw it."""
    seen_now = ledger.now
    library = base_library(seen_now.reading)
    cards = library.cards_of(piece.to for piece in wanted.swaps)
    now = replace(seen_now, reading=library.only(cards))
    book = now.reading.book
    items = items_of(now, wanted.item, wanted.and_items)
    goals = goals_of(now, wanted.goals)
    rules = {here.rule.id: here.rule for here in rulebook(now.reading.book)}
    swaps, cleaned = _swaps(now, wanted.swaps, rules), _cleaned(now, wanted.cleaned)
    if not swaps and not cleaned:
        raise BookRefused([Fault("swaps", "the plan changes nothing; ask for the plans again")])
    plan = carried_together(
        reading=now.reading, items=items, goals=goals, swaps=swaps, cleaned=cleaned
    )
    if plan is None:
        raise BookRefused([Fault("swaps", "these swaps would put a pot into itself")])
    _refuse_stale(now, plan, wanted)
    beside = _beside(now, plan, wanted)
    if lines := stranded(now.reading, plan, beside):
        raise BookRefused([Fault("as", told) for told in stranded_sentences(book, lines)])
    change = placed(now.reading, plan, beside, adjustments(now.reading, plan))
    change = replace(change, preparations=(*library.cards(cards), *change.preparations))
    sentence = floor_sentence(now.reading, plan, goals)
    applying = Applying(
        item=wanted.item,
        how=wanted.as_,
        until=ledger.today if wanted.as_ == "today" else None,
        goals=wanted.goals.model_dump(),
        swaps=tuple(piece.model_dump(by_alias=True) for piece in wanted.swaps),
        sentence=sentence,
    )
    seen: dict[str, int | None] = dict.fromkeys(cards)
    seen |= {id: version for id, version in wanted.seen.items() if id in change.ids}
    act = replace(actor, why=sentence)
    number, recorded = put_in(ledger=ledger, change=change, seen=seen, applying=applying, act=act)
    return AppliedOut(
        plan=number,
        item=_where_to_look(change, wanted, beside),
        made=[
            Named(id=preparation.id, name=preparation.name) for preparation in change.preparations
        ],
        sentence=sentence,
        impact=impact_out(recorded.impact),
    )


@router.get("/applied")
def applied(ledger: TheLedger) -> list[AppliedPlanOut]:
    """The plans that were put into the book, the newest first."""
    book = ledger.now.reading.book
    rules = {here.rule.id: here.rule.name for here in rulebook(book)}
    return [_out(book, rules, plan) for plan in applied_plans(ledger)]


@router.post("/applied/{id}/take-back")
def take_it_back(id: RowId, wanted: TakeBackIn, ledger: TheLedger, actor: TheActor) -> ImpactOut:
    """Takes a plan out of the book as a whole; refused where a card of it was changed since."""
    try:
        return impact_out(take_back(ledger, id, replace(actor, why=wanted.why)).impact)
    except KeyError:
        raise Missing("applied plan", str(id)) from None


def _beside(now: Now, plan: Plan, wanted: ApplyIn) -> dict[str, str]:
    """The pots that are made in addition, with their names."""
    names = names_by_what_it_is(now.reading, plan) | wanted.names
    if wanted.name is not None:
        names[wanted.item] = wanted.name
    match wanted.as_:
        case "variant":
            return {pot: names[pot] for pot in plan.pots}
        case "mixed":
            [mixed] = [p for p in placements(now.reading, plan) if p.how == "mixed"]
            return {pot: names[pot] for pot in mixed.beside}
        case "for_all" | "today":
            return {}


def _where_to_look(change: Change, wanted: ApplyIn, beside: dict[str, str]) -> str:
    if wanted.item not in beside:
        return wanted.item
    return next(m.id for m in reversed(change.preparations) if m.variant_of == wanted.item)


def _refuse_stale(now: Now, plan: Plan, wanted: ApplyIn) -> None:
    for pot in plan.pots:
        if wanted.seen.get(pot) != now.versions[pot]:
            current = now.reading.book.preparations.get(pot)
            raise Stale(pot, current, now.versions.get(pot))


def _swaps(now: Now, wanted: list[SwapPiece], rules: dict[str, SwapRule]) -> list[Swap]:
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
        unknown = [line.item for line in piece.adds if line.item not in now.reading.masks]
        if unknown:
            raise BookRefused([Fault("swaps", f'no item "{unknown[0]}"; ask for the plans again')])
        swap = Swap(
            in_=piece.in_,
            line=piece.line,
            from_=piece.from_,
            to=piece.to,
            quantity=piece.quantity,
            unit=piece.unit,
            rule=piece.rule,
            adds=tuple(as_value(Line, line) for line in piece.adds),
        )
        rule = rules.get(piece.rule)
        if rule is not None:
            swap = replace(
                swap,
                method=rule.method,
                stage=rule.stage,
                when=rule.when,
                drops=rule.drops,
                minutes=rule.minutes,
            )
        swaps.append(swap)
    return swaps


def _cleaned(now: Now, wanted: list[CleanToolPiece]) -> list[CleanTool]:
    """The core's clean tools; refuses those that a card does not go through."""
    made, box = now.reading.book.preparations, now.reading.book.toolbox
    for move in wanted:
        tools = made[move.in_].tools if move.in_ in made else ()
        if box.key(move.tool) not in map(box.key, tools):
            message = f'"{move.in_}" does not go through "{move.tool}"; ask for the plans again'
            raise BookRefused([Fault("cleaned", message)])
    return [CleanTool(move.in_, move.tool) for move in wanted]


def _out(book: Book, names: Mapping[str, str], plan: Applied) -> AppliedPlanOut:
    rules = dict.fromkeys(str(swap["rule"]) for swap in plan.swaps)
    return AppliedPlanOut.model_validate(
        {
            "id": plan.id,
            "at": plan.at,
            "item": named(book, plan.item),
            "how": plan.how,
            "until": plan.until,
            "sentence": plan.sentence,
            "made": all_named(book, plan.made),
            "changed": all_named(book, plan.changed),
            "rules": [Named(id=id, name=names[id]) for id in rules if id in names],
            "ended": plan.ended,
        }
    )
