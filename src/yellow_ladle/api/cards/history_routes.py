"""What was changed, by whom and why; and taking it back by a new change."""

from dataclasses import replace
from datetime import UTC, date, datetime, time, timedelta
from typing import Annotated, Any

from fastapi import APIRouter, Query
from pydantic import BaseModel, Field

from yellow_ladle.api.cards.impact_answers import ImpactOut, impact_out
from yellow_ladle.api.dependencies import TheActor, TheLedger
from yellow_ladle.api.errors import Missing
from yellow_ladle.api.paging import RowId
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.impact.impact import lowers
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.vocabulary.levels import LevelWord
from yellow_ladle.files.book.conversion import as_piece
from yellow_ladle.files.book.models import ProductPiece
from yellow_ladle.store.history import Entry

router = APIRouter(tags=["history"])

Moment = Annotated[str, Query(pattern=r"^\d{4}-\d{2}-\d{2}(T[\d:.]+(Z|[+-]\d{2}:\d{2})?)?$")]


class EntryOut(BaseModel):
    """One document before and after one change: a product, a preparation, a tool."""

    id: int
    at: str
    person: str | None
    why: str
    told: str
    kind: str
    item: str
    before: dict[str, Any] | None
    after: dict[str, Any] | None
    undoes: int | None
    undone_by: int | None


class UndoPreviewOut(BaseModel):
    """What taking a change back would do; what lowers a flag wants a person and a reason."""

    impact: ImpactOut
    lowers: bool


class UndoIn(BaseModel):
    """Why a change is taken back."""

    why: Annotated[str, Field(max_length=1_000)] = ""


class LarderAsOf(BaseModel):
    """The larder as it stood at a moment, with what each product then carried."""

    at: str
    products: list[ProductPiece]
    flags: dict[str, dict[str, LevelWord]]


@router.get("/history")
def history(
    ledger: TheLedger,
    item: Annotated[str | None, Query(max_length=400)] = None,
    most: Annotated[int, Query(ge=1, le=1_000)] = 100,
) -> list[EntryOut]:
    """What was changed, the newest first: of one item, or of all."""
    entries = ledger.history(item, most)
    undone = {entry.undoes: entry.id for entry in entries if entry.undoes is not None}
    return [_entry(entry, undone.get(entry.id)) for entry in entries]


@router.post("/history/{id}/undo/preview")
def preview_undo(id: RowId, ledger: TheLedger) -> UndoPreviewOut:
    """What taking one change back would do, and whether it lowers a flag."""
    try:
        impact = ledger.preview(ledger.undoing(id))
    except KeyError as error:
        raise Missing("change", str(id)) from error
    return UndoPreviewOut(impact=impact_out(impact), lowers=lowers(impact))


@router.post("/history/{id}/undo")
def undo(id: RowId, wanted: UndoIn, ledger: TheLedger, actor: TheActor) -> ImpactOut:
    """Takes one change back, as a new change with a history of its own."""
    try:
        return impact_out(ledger.undo(id, replace(actor, why=wanted.why)).impact)
    except KeyError as error:
        raise Missing("change", str(id)) from error


@router.get("/larder/as-of")
def larder_as_of(at: Moment, ledger: TheLedger) -> LarderAsOf:
    """The larder as it stood at a moment (UTC); a day alone means its end in the kitchen."""
    moment = _moment(at)
    book = ledger.as_of(moment)
    reading = read(book, at[: len("2026-11-24")])
    return LarderAsOf(
        at=moment,
        products=[as_piece(ProductPiece, book.products[id]) for id in sorted(book.products)],
        flags={id: reading.level_words(id) for id in sorted(book.products)},
    )


def _moment(at: str) -> str:
    """A moment in UTC, as the history writes it; a day alone means its end in the kitchen."""
    if len(at) == len("2026-11-24"):
        return _end_of(at)
    whole = at
    try:
        when = datetime.fromisoformat(whole)
    except ValueError as error:
        raise BookRefused([Fault("at", f'"{at}" is no day or moment')]) from error
    return (
        (when if when.tzinfo else when.replace(tzinfo=UTC))
        .astimezone(UTC)
        .isoformat(timespec="milliseconds")
    )


def _end_of(day: str) -> str:
    try:
        midnight = datetime.combine(date.fromisoformat(day) + timedelta(days=1), time())
    except (ValueError, OverflowError) as error:
        raise BookRefused([Fault("at", f'"{day}" is no day')]) from error
    last = midnight.astimezone(UTC) - timedelta(milliseconds=1)
    return last.isoformat(timespec="milliseconds")


def _entry(entry: Entry, undone_by: int | None) -> EntryOut:
    return EntryOut(
        id=entry.id,
        at=entry.at,
        person=entry.person,
        why=entry.why,
        told=entry.told,
        kind=entry.kind,
        item=entry.item,
        before=dict(entry.before) if entry.before is not None and entry.item else None,
        after=dict(entry.after) if entry.after is not None else None,
        undoes=entry.undoes,
        undone_by=undone_by,
    )
