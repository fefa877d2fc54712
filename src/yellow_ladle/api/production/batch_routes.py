"""Batches: recorded as made, with what differs from the card; corrected, and taken back."""

from dataclasses import replace
from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel, Field

from yellow_ladle.api.dependencies import TheActor, TheLedger
from yellow_ladle.api.errors import Missing
from yellow_ladle.api.production.batch_answers import (
    BatchOut,
    MeaningOut,
    batch_name,
    batch_out,
    meaning_out,
)
from yellow_ladle.api.production.kept_day import Day, TheDay, TheKeptDay
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.production.asked import Asked
from yellow_ladle.core.production.batch import Batch
from yellow_ladle.core.production.choices import makers_named_today
from yellow_ladle.core.production.meaning import meaning, meaning_of
from yellow_ladle.core.production.recording import with_levels, with_rows
from yellow_ladle.core.production.trace import trace
from yellow_ladle.files.book.conversion import as_value
from yellow_ladle.files.book.piece import Id, Text
from yellow_ladle.files.daybook.entry_pieces import BatchPiece, Moment
from yellow_ladle.store.daybook import DaybookChange
from yellow_ladle.store.history import Act
from yellow_ladle.store.ledger import Ledger

router = APIRouter(tags=["production"])

NEW = "new"
"""Stands as the id of a batch that has none yet."""


class MadeIn(BatchPiece):
    """A batch as it was made. Lines of which nothing is said went in as the card says.

    Without `made` it was made just now. `factor` is how many times the card was made; `seen` the
    version that the writer saw of one that is corrected.
    """

    id: Id = NEW
    made: Moment | None = None  # type: ignore[assignment]
    factor: Annotated[float, Field(gt=0, le=10_000)] = 1
    seen: int | None = None
    why: Text = ""


class MadeOut(BaseModel):
    """A batch that was recorded, with what it means today."""

    id: str
    name: str
    seen: int
    meaning: MeaningOut


class VersionOut(BaseModel):
    """One word on a batch: recorded, corrected or taken back."""

    seq: int
    recorded: str
    person: str | None
    why: str
    gone: bool
    undoes: int | None


@router.post("/batches/preview")
def preview(wanted: MadeIn, day: TheDay, ledger: TheLedger) -> MeaningOut:
    """What a batch would mean today: against its card, for the plates, for open needs."""
    batch = _batch(wanted, day, ledger)
    return meaning_out(day, meaning_of(day.reading, day.daybook, batch))


@router.post("/batches")
def record(
    wanted: MadeIn, day: TheDay, kept_day: TheKeptDay, ledger: TheLedger, actor: TheActor
) -> MadeOut:
    """Records a batch that was made, or corrects one that is recorded."""
    batch = replace(_batch(wanted, day, ledger), by=actor.person or "")
    id = "" if wanted.id == NEW else wanted.id
    seen = {} if wanted.seen is None else {("batches", id): wanted.seen}
    told = f"{batch_name(day, batch)} was {'corrected' if id else 'made'}"
    act = Act(actor.person, wanted.why)
    [(_, id)] = ledger.daybook.record(
        [DaybookChange("batches", id, batch)], seen, told, act
    ).written
    after = kept_day.of(ledger)
    return MadeOut(
        id=id,
        name=batch_name(after, batch),
        seen=after.kept.seqs["batches", id],
        meaning=meaning_out(after, meaning(after.reading, id)),
    )


@router.get("/batches/{id}")
def batch(id: Id, day: TheDay) -> BatchOut:
    """A batch's page: what it carries with its sources, where it went, what is left."""
    _known(day, id)
    return batch_out(day, id, trace(day.reading, Asked(batch=id)))


@router.get("/batches/{id}/history")
def batch_history(id: Id, ledger: TheLedger) -> list[VersionOut]:
    """What was recorded of a batch, the newest first."""
    found = ledger.daybook.versions("batches", id)
    if not found:
        raise Missing("batch", id)
    return [
        VersionOut(
            seq=each.seq,
            recorded=each.recorded,
            person=each.person,
            why=each.why,
            gone=each.value is None,
            undoes=each.undoes,
        )
        for each in found
    ]


@router.delete("/batches/{id}")
def take_back(
    id: Id,
    seen: int,
    day: TheDay,
    ledger: TheLedger,
    actor: TheActor,
    why: Annotated[str, Query(max_length=4_000)] = "",
) -> None:
    """Takes a batch back that was never made; its entry stays in the history."""
    _known(day, id)
    told = f"{batch_name(day, day.reading.timeline.batches[id])} was taken back"
    change = DaybookChange("batches", id, None)
    ledger.daybook.record([change], {("batches", id): seen}, told, Act(actor.person, why))


@router.post("/batches/{id}/undo")
def undo(id: Id, ledger: TheLedger, actor: TheActor) -> None:
    """Takes the last word on a batch back, by one more."""
    try:
        ledger.daybook.undo("batches", id, actor)
    except KeyError as error:
        raise Missing("batch", id) from error


def _batch(wanted: MadeIn, day: Day, ledger: Ledger) -> Batch:
    """The batch that a form tells of, with its card, its rows and the levels as they stand."""
    now = ledger.local_moment
    if wanted.id != NEW:
        _known(day, wanted.id)
    if wanted.preparation is None and not wanted.name:
        raise BookRefused([Fault("name", "say what was made: a pot, or a name")])
    pots = day.reading.book.preparations
    if wanted.preparation is not None and wanted.preparation not in pots and wanted.id == NEW:
        raise Missing("pot", wanted.preparation)
    piece = wanted.model_copy(update={"made": wanted.made or now})
    plain = piece.model_dump(by_alias=True, exclude={"factor", "seen", "why"})
    batch = as_value(Batch, BatchPiece.model_validate(plain))
    # Whoever enters it later than it happened says so by the moment of writing.
    batch = replace(batch, recorded=now if wanted.made is not None else None)
    makers = makers_named_today(day.reading, day.today)
    batch = with_rows(day.reading, batch, wanted.factor, makers)
    return with_levels(day.reading, day.daybook, batch)


def _known(day: Day, id: str) -> None:
    if id not in day.reading.timeline.batches:
        raise Missing("batch", id)
