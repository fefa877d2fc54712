"""Batches: recorded as made, with what differs from the card; corrected, and taken back."""

from dataclasses import replace
from typing import Annotated, Literal

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
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.production.asked import Asked
from yellow_ladle.core.production.batch import Batch
from yellow_ladle.core.production.batch_merge import merged_batch
from yellow_ladle.core.production.batch_record import (
    with_levels,
    with_out,
    with_rows,
    with_statement,
)
from yellow_ladle.core.production.choices import makers_named_today
from yellow_ladle.core.production.instants import instant, on_the_clock
from yellow_ladle.core.production.meaning import meaning, meaning_of
from yellow_ladle.core.production.shelf_rules import refuse_draws
from yellow_ladle.core.production.trace import trace
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.files.book.conversion import as_value
from yellow_ladle.files.book.piece import Id, Text
from yellow_ladle.files.daybook.entry_pieces import BatchPiece, Moment
from yellow_ladle.store.daybook import DaybookChange
from yellow_ladle.store.history import Act
from yellow_ladle.store.ledger import Ledger

router = APIRouter(tags=["production"])

LOCAL_MOMENT = r"^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$"
NEW = "new"
"""Stands as the id of a batch that has none yet."""


class MadeIn(BatchPiece):
    """A batch as it was made. Lines of which nothing is said went in as the card says.

    Without `made` it was made just now, or `at` a time on the kitchen's clock. `factor` is how many
    times the card was made; `seen` the version that the writer saw of one that is corrected.
    """

    id: Id = NEW
    made: Moment | None = None  # type: ignore[assignment]
    at: Annotated[str | None, Field(pattern=LOCAL_MOMENT)] = None
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
    if not id:
        refuse_draws(day.reading, day.held_back, batch)
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


class MergedBatchOut(BaseModel):
    """Two corrections put together, to be looked at; `conflicts` name what both changed."""

    batch: BatchOut
    conflicts: list[str]


@router.post("/batches/{id}/merge")
def merge(id: Id, wanted: MadeIn, day: TheDay, ledger: TheLedger) -> MergedBatchOut:
    """A correction put together with what somebody else made of the batch meanwhile.

    Nothing is recorded; where both changed a thing, the sent one is kept.
    """
    mine = _batch(wanted, day, ledger)
    theirs = day.reading.timeline.batches[id]
    versions = {each.seq: each.value for each in ledger.daybook.versions("batches", id)}
    base = versions.get(wanted.seen or 0)
    found = merged_batch(
        base if isinstance(base, Batch) else theirs, mine, theirs, day.reading.book.name
    )
    together = day.with_batch(found.batch)
    out = batch_out(together, id, trace(together.reading, Asked(batch=id)))
    return MergedBatchOut(batch=out, conflicts=list(found.conflicts))


@router.get("/batches/{id}")
def batch(id: Id, day: TheDay) -> BatchOut:
    """A batch's page: what it carries with its sources, where it went, what is left."""
    _known(day, id)
    return batch_out(day, id, trace(day.reading, Asked(batch=id)))


class StatedIn(BaseModel):
    """A level that a batch is stated to carry of a flag; null takes what was stated off."""

    flag: Id
    level: Literal["contains", "may_contain"] | None
    why: Text = ""
    seen: int


@router.post("/batches/{id}/statements")
def state(id: Id, wanted: StatedIn, day: TheDay, ledger: TheLedger, actor: TheActor) -> None:
    """States that a batch carries a flag, or takes such a statement off, with a reason."""
    _known(day, id)
    level = None if wanted.level is None else Level.of(wanted.level)
    standing = day.reading.timeline.batches[id]
    batch = with_statement(standing, wanted.flag, level, wanted.why)
    told = f"{batch_name(day, batch)} was corrected"
    change = DaybookChange("batches", id, batch)
    act = Act(actor.person, wanted.why)
    ledger.daybook.record([change], {("batches", id): wanted.seen}, told, act)


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
    now, before = ledger.local_moment, None
    if wanted.id != NEW:
        _known(day, wanted.id)
        before = day.reading.timeline.batches[wanted.id]
    if wanted.preparation is None and not wanted.name:
        raise BookRefused([Fault("name", "say what was made: a pot, or a name")])
    pots = day.reading.book.preparations
    if wanted.preparation is not None and wanted.preparation not in pots and wanted.id == NEW:
        raise Missing("pot", wanted.preparation)
    made = _moment_made(wanted, ledger.now.reading.book, now)
    piece = wanted.model_copy(update={"made": made or (before.made if before else now)})
    plain = piece.model_dump(by_alias=True, exclude={"factor", "seen", "why", "at"})
    batch = as_value(Batch, BatchPiece.model_validate(plain))
    # Whoever enters it later than it happened says so by the moment of writing; whoever corrects it
    # does so in the history.
    recorded = before.recorded if before else now if made is not None else None
    batch = replace(batch, recorded=recorded)
    # Whose pack was open when it was made is not known from what somebody named later.
    makers = makers_named_today(day.reading, day.today) if before is None else {}
    if before is not None:
        card, out = batch.card or before.card, batch.out or before.out
        batch = replace(batch, card=card, out=out)
    batch = with_rows(day.reading, batch, wanted.factor, makers)
    if before is None:
        batch = with_out(day.reading, batch, wanted.factor)
    return with_levels(day.reading, day.daybook, batch, before)


def _moment_made(wanted: MadeIn, book: Book, now: str) -> str | None:
    """When it was made, where the form says so. Raises BookRefused of a time still to come."""
    if wanted.at is None:
        return wanted.made
    try:
        made = on_the_clock(wanted.at, book.kitchen.time_zone)
    except ValueError:
        raise BookRefused([Fault("at", f"{wanted.at} is no time of any day")]) from None
    if instant(made) > instant(now):
        raise BookRefused([Fault("at", "this time is still to come")])
    return made


def _known(day: Day, id: str) -> None:
    if id not in day.reading.timeline.batches:
        raise Missing("batch", id)
