"""A daybook read again as it grows: what happened until some days ago is read once.

A kitchen writes today, at times yesterday, and hardly ever last month. What stands before a day is
therefore read and kept, and only what follows it is read at every write.
"""

from collections.abc import Iterable, Iterator
from dataclasses import replace
from itertools import chain, zip_longest
from typing import TypeAlias

from yellow_ladle.core.production.batch import Batch
from yellow_ladle.core.production.day_reading import DayReading, day_of
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.instants import date_of, days_after, instant
from yellow_ladle.core.production.lot import Lot
from yellow_ladle.core.production.merged_goods import following_merges
from yellow_ladle.core.production.shelf_entries import Count, Discard, Fill, Move, Tub
from yellow_ladle.core.production.timeline import Timeline, moment_of
from yellow_ladle.core.production.tool_entries import ItemUse, Wash
from yellow_ladle.core.reading.reading import Reading

DAYS_AGAIN = 7
"""So many days before the newest batch are read again at every write."""

DAYS_TRIED = 3
"""Days tried as the last that is read once: something of it may be drawn from a later date."""

Timed: TypeAlias = Tub | Move | Discard | Count | Fill | Wash | ItemUse
Dated: TypeAlias = tuple[str, object]
"""An entry, after its date (ISO)."""


class ResumedReading:
    """Readings of one daybook as it changes, by one reading of the book after another."""

    def __init__(self) -> None:
        self._first: DayReading | None = None
        """What happened until a day; None where all is read again."""
        self._entries: list[Dated] = []
        """The entries that it was read from."""

    def of(self, reading: Reading, daybook: Daybook) -> DayReading:
        """The whole daybook. Raises Loop where batches of a moment are drawn from each other."""
        daybook = following_merges(reading.book, daybook)
        changed = self._first_difference(daybook)
        if self._first is None or self._first.reading is not reading or changed is not None:
            newest = max((date_of(batch.made) for batch in daybook.batches), default="")
            if not newest:
                return day_of(reading, daybook)
            until = min(days_after(newest, -DAYS_AGAIN), days_after(changed or newest, -1))
            self._read_first(reading, daybook, until)
        return day_of(reading, daybook) if self._first is None else _resumed(self._first, daybook)

    def _read_first(self, reading: Reading, daybook: Daybook, until: str) -> None:
        self._first, zone = None, reading.book.kitchen.time_zone
        for _ in range(DAYS_TRIED):
            timeline = Timeline(daybook, until, zone)
            if not timeline.entries:
                return
            if not _reaches_later(timeline, until):
                self._first = DayReading(reading, timeline)
                self._entries = list(_until(daybook, until))
                return
            until = days_after(until, -1)

    def _first_difference(self, daybook: Daybook) -> str | None:
        """The earliest date of an entry that is not as it was read first; None where all are."""
        if self._first is None:
            return None
        until = self._first.timeline.until or ""
        # By identity first: one entry more must not be compared as if all after it were others.
        fresh = list(_until(daybook, until))
        known, seen = {id(each) for _, each in self._entries}, {id(each) for _, each in fresh}
        gone = (each for each in self._entries if id(each[1]) not in seen)
        new = (each for each in fresh if id(each[1]) not in known)
        pairs = zip_longest(gone, new, fillvalue=("", None))
        dates = (
            day
            for (was_on, was), (now_on, now) in pairs
            if not _reads_alike(was, now, until)
            for day in (was_on, now_on)
            if day
        )
        return min(dates, default=None)


def with_batch(day: DayReading, daybook: Daybook, batch: Batch) -> DayReading:
    """A daybook that was read, read with a batch more, or in the place of what was recorded."""
    whole, first = daybook.with_batch(batch), day.before
    if first is None or batch.id in first.timeline.batches:
        return day_of(day.reading, whole)
    if date_of(batch.made) <= (first.timeline.until or ""):
        return day_of(day.reading, whole)
    return _resumed(first, following_merges(day.book, whole))


def _resumed(first: DayReading, daybook: Daybook) -> DayReading:
    zone = first.book.kitchen.time_zone
    timeline = Timeline(daybook, None, zone, first.timeline)
    if not _follows(first.timeline, timeline):
        return day_of(first.reading, daybook)
    return DayReading(first.reading, timeline, first)


def _reaches_later(first: Timeline, until: str) -> bool:
    """Whether something was drawn from what has a later date, as in another time zone."""
    days = (
        *(lot.received for lot in first.lots.values()),
        *(batch.made for batch in first.batches.values()),
        *(tub.at for tub in first.tubs.values()),
    )
    return any(date_of(day) > until for day in days)


def _follows(first: Timeline, whole: Timeline) -> bool:
    """Whether all that is not among the first entries happened after them."""
    at = len(first.entries)
    if at == len(whole.entries):
        return True
    return instant(moment_of(first.entries[-1])) < instant(moment_of(whole.entries[at]))


def _until(daybook: Daybook, until: str) -> Iterator[Dated]:
    """All entries of up to a date that a reading asks of, each with its date."""
    for lot in daybook.lots:
        if (day := date_of(lot.received)) <= until:
            yield day, lot
    for batch in daybook.batches:
        if (day := date_of(batch.made)) <= until:
            yield day, batch
    shelf: tuple[Iterable[Timed], ...] = (daybook.tubs, daybook.moves, daybook.discards)
    tools: tuple[Iterable[Timed], ...] = (daybook.fills, daybook.washes, daybook.uses)
    for entry in chain(*shelf, daybook.counts, *tools):
        if (day := date_of(entry.at)) <= until:
            yield day, entry
    for service in daybook.services:
        days = [service.date, *(date_of(each.at) for each in service.served if each.at)]
        if min(days) <= until:
            yield min(days), service


def _reads_alike(was: object, now: object, until: str) -> bool:
    """Whether an entry reads as it did until a date; a lot may end, or be put elsewhere, later."""
    if isinstance(was, Lot) and isinstance(now, Lot):
        return _as_of(was, until) == _as_of(now, until)
    return was == now


def _as_of(lot: Lot, until: str) -> Lot:
    use_by, used_up = (
        None if day is None or date_of(day) >= until else day for day in (lot.use_by, lot.used_up)
    )
    return replace(
        lot, use_by=use_by, used_up=used_up, best_before=None, opened=None, place="", by=""
    )
