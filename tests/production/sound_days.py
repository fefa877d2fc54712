"""Days on which nothing was drawn from what was not there, and days with less written down.

What is not written down is read as the highest of what it may have been. That can only hold for
records that were possible: a draw from a batch past its last day is none that the reading would
think of by itself.
"""

from dataclasses import replace
from typing import Any

from hypothesis import strategies as st

from yellow_ladle.core.book.book import Book, owner_of
from yellow_ladle.core.production.batch import NONE_OF_OURS, Batch, WentIn
from yellow_ladle.core.production.day_reading import DayReading, read_day
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.instants import instant
from yellow_ladle.core.production.shelf_entries import Fill
from yellow_ladle.core.production.timeline import Place, Plate

ON = "2026-12-05"
DRAWN = ("lot", "maker", "batch", "tub")


def counted_maker(book: Book, product: str, maker: str | None) -> str | None:
    """A maker, where the book counts its label: it says nothing of one that is not in use."""
    known = book.products.get(product)
    makers = [each.id for each in known.counted_makers] if known else []
    return maker if maker in makers and maker != NONE_OF_OURS else None


def sound(book: Book, daybook: Daybook) -> Daybook:
    """A daybook without references to what was not there, or was made at the same moment."""
    lots = tuple(
        replace(lot, maker=counted_maker(book, lot.product, lot.maker)) for lot in daybook.lots
    )
    # A count in a unit that nothing else is measured in would make known what was unknown.
    daybook = replace(daybook, lots=lots, counts=())
    while True:
        day = read_day(book, daybook, ON)
        batches = tuple(_sound_batch(day, batch) for batch in daybook.batches)
        fills = tuple(_sound_fill(day, fill) for fill in daybook.fills)
        services = _sound_services(day)
        better = replace(daybook, batches=batches, fills=fills, services=services)
        if better == daybook:
            return daybook
        daybook = better


def _sound_batch(day: DayReading, batch: Batch) -> Batch:
    place = day.timeline.place_of(batch)
    entries = tuple(_sound_entry(day, entry, place, batch.made) for entry in batch.went_in)
    return batch if entries == batch.went_in else replace(batch, went_in=entries)


def _sound_entry(day: DayReading, entry: WentIn, place: Place, at: str) -> WentIn:
    maker = counted_maker(day.book, entry.item, entry.maker)
    entry = entry if maker == entry.maker else replace(entry, maker=maker)
    if entry.lot is not None and not day.stock.there(entry.lot, place):
        return replace(entry, lot=None)
    source = day.timeline.source_of(entry)
    if source is not None and not _was_there(day, source, place, at):
        return replace(entry, batch=None, tub=None)
    return entry


def _was_there(day: DayReading, source: str, place: Place, at: str) -> bool:
    made = day.timeline.batches[owner_of(source)]
    known = made.preparation is not None and made.preparation in day.book.preparations
    return known and instant(made.made) < instant(at) and day.stock.there(source, place)


def _sound_fill(day: DayReading, fill: Fill) -> Fill:
    place = day.timeline.place_of(fill)
    if fill.batch is not None and not _was_there(day, fill.batch, place, fill.at):
        return replace(fill, batch=None, item=next(iter(day.book.products)))
    if fill.lot is not None and not day.stock.there(fill.lot, place):
        return replace(fill, lot=None)
    return fill


def _sound_services(day: DayReading) -> tuple[Any, ...]:
    found = []
    for service in day.timeline.services:
        plates = {id(e.served): e for e in day.timeline.entries if isinstance(e, Plate)}
        served = []
        for each in service.served:
            made_with = day.reading.graph.upstream(each.plate)
            sources = [day.timeline.source_of(draw) for draw in each.from_ or ()]
            place = day.timeline.place_of(plates[id(each)])
            good = all(
                _was_there(day, source, place, plates[id(each)].at)
                and day.timeline.batches[owner_of(source)].preparation in made_with
                for source in sources
            )
            served.append(each if good else replace(each, from_=None))
        found.append(service if tuple(served) == service.served else replace(
            service, served=tuple(served)))  # fmt: skip
    return tuple(found)


@st.composite
def thinned(draw: st.DrawFn, daybook: Daybook) -> Daybook:
    """The same day with lots, batches, makers and amounts taken out of entries at random."""

    def less(entry: Any, *fields: str) -> Any:
        gone = draw(st.lists(st.sampled_from(fields), unique=True))
        if "quantity" in gone and hasattr(entry, "unit"):
            gone = [*gone, "unit"]
        return replace(entry, **dict.fromkeys(gone))

    items = {batch.id: batch.preparation for batch in daybook.batches}
    batches = []
    for batch in daybook.batches:
        entries = tuple(less(entry, *DRAWN, "quantity") for entry in batch.went_in)
        parts = batch.by_products
        if parts is not None:
            parts = tuple(less(part, "quantity") for part in parts)
        thin = replace(less(batch, "out"), went_in=entries, by_products=parts)
        batches.append(thin)
    fills = []
    for fill in daybook.fills:
        thin = less(fill, "lot", "batch", "quantity")
        if fill.batch is not None and thin.batch is None:
            id, _, part = fill.batch.partition("/")
            thin = replace(thin, item=f"{items[id]}/{part}" if part else items[id])
        fills.append(thin)
    services = []
    for service in daybook.services:
        served = []
        for each in service.served:
            drawn = each.from_
            if drawn is not None:
                drawn = tuple(less(draw_, "quantity") for draw_ in drawn)
            served.append(replace(each, from_=draw(st.sampled_from([drawn, None]))))
        services.append(replace(service, served=tuple(served)))
    return replace(
        daybook,
        lots=tuple(less(lot, "maker", "quantity") for lot in daybook.lots),
        batches=tuple(batches),
        tubs=tuple(less(tub, "quantity") for tub in daybook.tubs),
        discards=tuple(less(entry, "quantity") for entry in daybook.discards),
        fills=tuple(fills),
        services=tuple(services),
    )
