"""What stands there: each lot, batch, by-product and tub, with what is left, where, until when."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal, TypeAlias

from yellow_ladle.core.production.batch import by_product_of_batch
from yellow_ladle.core.production.day_reading import DayReading
from yellow_ladle.core.production.instants import date_of, days_after
from yellow_ladle.core.production.recall import HeldBack
from yellow_ladle.core.production.stock import LastDay, Left

DAYS_TO_CLEAR = 14
"""So many days what is past its last day is still shown, to be thrown away."""

ThingKind: TypeAlias = Literal["lot", "batch", "tub"]


@dataclass(frozen=True, slots=True)
class Standing:
    """One thing that stands there.

    `storage` is "" where nobody said. `past`: its last day is over; `held_back`: an open recall
    reaches it, surely or possibly.
    """

    reference: str
    kind: ThingKind
    item: str | None
    since: str
    left: Left
    storage: str
    place: str
    last_day: LastDay
    past: bool
    held_back: bool


def shelf(day: DayReading, held_back: HeldBack) -> list[Standing]:
    """All that stands there on the day of `held_back`, what should be used first standing first.

    What is past its last day follows as long as it may still have to be thrown away.
    """
    on = held_back.on
    standing: list[Standing] = []
    for reference, kind, item, since in _things(day, on):
        left, last_day = day.stock.left(reference), day.stock.last_day(reference)
        if not left.some or not last_day.reaches(days_after(on, -DAYS_TO_CLEAR)):
            continue
        storage, place = kept(day, reference)
        standing.append(
            Standing(
                reference=reference,
                kind=kind,
                item=item,
                since=since,
                left=left,
                storage=storage,
                place=place,
                last_day=last_day,
                past=not last_day.reaches(on),
                held_back=held_back.reaches(reference),
            )
        )
    return sorted(standing, key=_first_to_use)


def _things(day: DayReading, on: str) -> Iterator[tuple[str, ThingKind, str | None, str]]:
    """Everything that was ever made or came in: its reference, kind, item, and since when."""
    timeline = day.timeline
    for lot in timeline.lots.values():
        used_up = lot.used_up is not None and date_of(lot.used_up) < on
        if date_of(lot.received) <= on and not used_up:
            yield lot.id, "lot", lot.product, lot.received
    for id, batch in timeline.batches.items():
        yield id, "batch", batch.preparation, batch.made
        for part in day.stock.by_products[id]:
            item = f"{batch.preparation}/{part}" if batch.preparation else None
            yield by_product_of_batch(id, part), "batch", item, batch.made
    for id, tub in timeline.tubs.items():
        yield id, "tub", timeline.batch_behind(id).preparation, tub.at


def kept(day: DayReading, reference: str) -> tuple[str, str]:
    """How and where something is kept, after its last moves; "" where nobody said."""
    timeline = day.timeline
    storage, place = "", ""
    if (lot := timeline.lots.get(reference)) is not None:
        place = lot.place
    else:
        batch, tub = timeline.batch_behind(reference), timeline.tubs.get(reference)
        storage, place = batch.storage, (tub.place if tub and tub.place else batch.place)
    for move in day.stock.moves_of(reference):
        storage, place = move.to or storage, move.place or place
    return storage, place


def _first_to_use(thing: Standing) -> tuple[bool, str, str, str]:
    return thing.past, thing.last_day.day or "9999", thing.since, thing.reference
