"""What stands there: each lot, batch, by-product and tub, with what is left, where, until when."""

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
    on, timeline = held_back.on, day.timeline
    found: list[Standing] = []
    for lot in timeline.lots.values():
        used_up = lot.used_up is not None and date_of(lot.used_up) < on
        if date_of(lot.received) <= on and not used_up:
            found += _standing(day, held_back, lot.id, "lot", lot.product, lot.received)
    for id, batch in timeline.batches.items():
        item = batch.preparation
        found += _standing(day, held_back, id, "batch", item, batch.made)
        for part in day.stock.by_products[id]:
            reference = by_product_of_batch(id, part)
            named = f"{item}/{part}" if item else None
            found += _standing(day, held_back, reference, "batch", named, batch.made)
    for id, tub in timeline.tubs.items():
        made = timeline.batches[tub.batch.partition("/")[0]]
        found += _standing(day, held_back, id, "tub", made.preparation, tub.at)
    return sorted(found, key=_first_to_use)


def _standing(
    day: DayReading,
    held_back: HeldBack,
    reference: str,
    kind: ThingKind,
    item: str | None,
    since: str,
) -> list[Standing]:
    left, last_day = day.stock.left(reference), day.stock.last_day(reference)
    past = not last_day.reaches(held_back.on)
    if not left.some:
        return []
    if past and (last_day.day or "") < days_after(held_back.on, -DAYS_TO_CLEAR):
        return []
    storage, place = kept(day, reference)
    return [
        Standing(
            reference=reference,
            kind=kind,
            item=item,
            since=since,
            left=left,
            storage=storage,
            place=place,
            last_day=last_day,
            past=past,
            held_back=held_back.reaches(reference),
        )
    ]


def kept(day: DayReading, reference: str) -> tuple[str, str]:
    """How and where something is kept, after its last moves; "" where nobody said."""
    timeline = day.timeline
    storage, place = "", ""
    if (lot := timeline.lots.get(reference)) is not None:
        place = lot.place
    else:
        tub = timeline.tubs.get(reference)
        batch = timeline.batches[(tub.batch if tub else reference).partition("/")[0]]
        storage, place = batch.storage, (tub.place if tub and tub.place else batch.place)
    for move in day.stock.moves_of(reference):
        storage, place = move.to or storage, move.place or place
    return storage, place


def _first_to_use(thing: Standing) -> tuple[bool, str, str, str]:
    return thing.past, thing.last_day.day or "9999", thing.since, thing.reference
