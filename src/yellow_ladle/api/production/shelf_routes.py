"""The shelf: what stands there, and what is thrown away, moved, frozen, thawed and counted."""

from dataclasses import replace
from typing import Annotated, Literal

from fastapi import APIRouter
from pydantic import BaseModel, Field

from yellow_ladle.api.dependencies import TheActor, TheLedger
from yellow_ladle.api.errors import Missing
from yellow_ladle.api.production.batch_answers import flag_names, lot_name, reference_name
from yellow_ladle.api.production.kept_day import Day, TheDay
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.production.shelf import Standing, ThingKind, shelf
from yellow_ladle.core.production.shelf_entries import Count, Discard, Move
from yellow_ladle.core.production.shelf_rules import refuse_move, use_by_of_move
from yellow_ladle.core.production.stock import Quantity
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.files.book.piece import Day as IsoDay
from yellow_ladle.files.book.piece import Number, Short, Text
from yellow_ladle.store.daybook import DaybookChange
from yellow_ladle.store.history import Act

router = APIRouter(tags=["production"])

Reference = Annotated[str, Field(min_length=1, max_length=400)]


class StandingOut(BaseModel):
    """One thing that stands there; `left` null: nobody weighed it. `until`: its last day.

    `told`: somebody said so. `unchecked` counts the flags that nobody has looked at.
    """

    reference: str
    kind: ThingKind
    name: str
    left: Quantity | None
    over: Quantity | None
    storage: str
    place: str
    until: str | None
    told: bool
    past: bool
    held_back: bool
    contains: list[str]
    may_contain: list[str]
    unchecked: int


class ShelfOut(BaseModel):
    """All that stands there today, what should be used first standing first."""

    day: str
    things: list[StandingOut]
    places: list[str]


class DiscardIn(BaseModel):
    """Something thrown away; without an amount all that is left of it."""

    of: Reference
    quantity: Number | None = None
    unit: Short | None = None
    why: Text = ""


class MoveIn(BaseModel):
    """Something put elsewhere, frozen, thawed, or given an earlier last day."""

    of: Reference
    to: Literal["dry", "chilled", "frozen", "hot", "thawed"] | None = None
    use_by: IsoDay | None = None
    place: Short = ""


class CountIn(BaseModel):
    """How much of something was found; `why` where the rest went, if anybody knows."""

    of: Reference
    quantity: Number
    unit: Short
    why: Text = ""


@router.get("/shelf")
def the_shelf(day: TheDay) -> ShelfOut:
    """All that stands there today."""
    standing = shelf(day.reading, day.held_back)
    places = sorted({thing.place for thing in standing if thing.place})
    return ShelfOut(day=day.today, things=[_out(day, each) for each in standing], places=places)


@router.post("/shelf/discards")
def discard(wanted: DiscardIn, day: TheDay, ledger: TheLedger, actor: TheActor) -> None:
    """Throws something away."""
    name = _name(day, wanted.of)
    quantity, unit = wanted.quantity, wanted.unit
    left = day.reading.stock.left(wanted.of).amount
    if quantity is None and left is not None:
        quantity, unit = left.quantity, left.unit
    by, at = actor.person or "", ledger.local_moment
    entry = Discard(wanted.of, at, quantity=quantity, unit=unit, why=wanted.why, by=by)
    changes = [DaybookChange("discards", "", entry)]
    if quantity is None:
        # Nobody knows how much there was; that nothing is left is known now.
        changes.append(DaybookChange("counts", "", Count(wanted.of, at, 0, unit or "g", by=by)))
    ledger.daybook.record(changes, {}, f"{name} was thrown away", Act(actor.person, wanted.why))


@router.post("/shelf/moves")
def move(wanted: MoveIn, day: TheDay, ledger: TheLedger, actor: TheActor) -> None:
    """Moves, freezes or thaws something. Refused where the rules of the cold forbid it."""
    name = _name(day, wanted.of)
    if wanted.to is None and wanted.use_by is None and not wanted.place:
        raise BookRefused([Fault("to", "say where to, how it is kept, or until when")])
    by, at = actor.person or "", ledger.local_moment
    entry = Move(wanted.of, at, to=wanted.to, use_by=wanted.use_by, place=wanted.place, by=by)
    refuse_move(day.reading, entry)
    entry = replace(entry, use_by=use_by_of_move(day.reading, entry))
    told = f"{name} was {wanted.to or 'moved'}"
    ledger.daybook.record([DaybookChange("moves", "", entry)], {}, told, actor)


@router.post("/shelf/counts")
def count(wanted: CountIn, day: TheDay, ledger: TheLedger, actor: TheActor) -> None:
    """Counts what is left of something: the amount is set anew."""
    name = _name(day, wanted.of)
    at, by = ledger.local_moment, actor.person or ""
    entry = Count(wanted.of, at, wanted.quantity, wanted.unit, by=by)
    act = Act(actor.person, wanted.why)
    ledger.daybook.record([DaybookChange("counts", "", entry)], {}, f"{name} was counted", act)


def _out(day: Day, thing: Standing) -> StandingOut:
    words = flag_names(day)
    by_level: dict[Level, list[str]] = {level: [] for level in Level}
    for flag, level in _levels(day, thing).items():
        by_level[level].append(words[flag])
    return StandingOut(
        reference=thing.reference,
        kind=thing.kind,
        name=_name(day, thing.reference),
        left=thing.left.amount,
        over=thing.left.over,
        storage=thing.storage,
        place=thing.place,
        until=thing.last_day.day,
        told=thing.last_day.told,
        past=thing.past,
        held_back=thing.held_back,
        contains=by_level[Level.CONTAINS],
        may_contain=by_level[Level.MAY_CONTAIN],
        unchecked=len(by_level[Level.UNCHECKED]),
    )


def _levels(day: Day, thing: Standing) -> dict[str, Level]:
    reading, timeline = day.reading, day.reading.timeline
    if thing.kind == "lot":
        lot = timeline.lots[thing.reference]
        return reading.reading.layout.levels(reading.items.lot(lot, timeline.end_on(day.today)))
    return reading.levels(timeline.batch_behind(thing.reference).id)


def _name(day: Day, reference: str) -> str:
    timeline = day.reading.timeline
    if reference in timeline.lots:
        return lot_name(day, reference)
    if (tub := timeline.tubs.get(reference)) is not None:
        return f"{reference_name(day, tub.batch)}, tub {tub.id}"
    id, _, part = reference.partition("/")
    if id not in timeline.batches or (part and part not in day.reading.stock.by_products[id]):
        raise Missing("lot, batch or tub", reference)
    return reference_name(day, reference)
