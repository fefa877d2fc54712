"""What a change would do, and recording it."""

from collections.abc import Mapping
from dataclasses import replace

from fastapi import APIRouter
from fastapi.concurrency import run_in_threadpool
from pydantic import BaseModel

from yellow_ladle.api.cards.impact_answers import ImpactOut, impact_out
from yellow_ladle.api.cards.requested_changes import change_of, labels_of
from yellow_ladle.api.dependencies import TheActor, TheLedger, TheTextWorkers
from yellow_ladle.api.schemas.change_forms import (
    AdditionChange,
    AnyChange,
    EmptyingChange,
    ProductMerging,
    RecordIn,
)
from yellow_ladle.core.labels.label_reading import LabelReading
from yellow_ladle.core.larder.unchecked import freed
from yellow_ladle.core.production.shelf_entries import Fill
from yellow_ladle.store.daybook import DaybookChange
from yellow_ladle.store.history import Act
from yellow_ladle.store.ledger import Ledger
from yellow_ladle.store.product_merging import following

router = APIRouter(tags=["changes"])


class PreviewIn(BaseModel):
    """A change to be looked at only."""

    change: AnyChange


class RecordedOut(BaseModel):
    """What was recorded did this; `versions` are those that now stand of what was written.

    `freed` names the plates that nothing unchecked holds back any more.
    """

    impact: ImpactOut
    versions: dict[str, int]
    freed: list[str]


@router.post("/preview")
async def preview(
    wanted: PreviewIn, ledger: TheLedger, workers: TheTextWorkers, actor: TheActor
) -> ImpactOut:
    """What a change would do to pots and plates, flag by flag. Nothing is recorded."""
    now = ledger.now
    labels = await labels_of(now, wanted.change, workers)

    def looked_at() -> ImpactOut:
        return impact_out(ledger.preview(change_of(now, wanted.change, actor.person, labels)))

    return await run_in_threadpool(looked_at)


@router.post("/changes")
async def record(
    wanted: RecordIn, ledger: TheLedger, workers: TheTextWorkers, actor: TheActor
) -> RecordedOut:
    """Records a change, if what it touches still stands at the version that the writer saw."""
    labels = await labels_of(ledger.now, wanted.change, workers)
    return await run_in_threadpool(_record, wanted, ledger, labels, actor)


def _record(
    wanted: RecordIn, ledger: Ledger, labels: Mapping[str, LabelReading], actor: Act
) -> RecordedOut:
    now = ledger.now
    change = change_of(now, wanted.change, actor.person, labels)
    act = replace(actor, why=wanted.why)
    seen, beside = wanted.versions(change), None
    if isinstance(wanted.change, ProductMerging):
        # Its writer saw the two goods; that what names them is as it was, the book says.
        seen = {id: now.versions.get(id) for id in change.ids} | (wanted.seen_each or {})
        beside = following(wanted.change.keep, wanted.change.gone)
    elif fill := _filled(wanted.change, ledger, actor):
        beside = ledger.daybook.beside([DaybookChange("fills", "", fill)], act)
    recorded = ledger.record(change, seen, act, beside)
    before, after = recorded.before.reading, recorded.after
    names = sorted(map(before.book.name, freed(before, after.reading)))
    versions = {id: after.versions[id] for id in change.written}
    return RecordedOut(impact=impact_out(recorded.impact), versions=versions, freed=names)


def _filled(change: object, ledger: Ledger, actor: Act) -> Fill | None:
    """What the daybook is told of a bag: what was put in, or that it was emptied."""
    at, by = ledger.local_moment, actor.person or ""
    match change:
        case AdditionChange():
            return Fill(change.bag, at, item=change.item, by=by)
        case EmptyingChange():
            return Fill(change.bag, at, emptied=True, washed=change.washed, by=by)
    return None
