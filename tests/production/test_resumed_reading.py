"""A daybook that is read again as it grows reads as it does whole."""

import unittest
from dataclasses import fields, replace
from typing import Any

from hypothesis import HealthCheck, given
from hypothesis import strategies as st

from tests.effort import examples
from tests.production.random_days import days, kitchens
from yellow_ladle.core.production import resumed_reading
from yellow_ladle.core.production.asked import Asked
from yellow_ladle.core.production.batch import Batch, by_product_of_batch
from yellow_ladle.core.production.batch_record import with_rows
from yellow_ladle.core.production.day_reading import DayReading, day_of
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.provenance import Provenance
from yellow_ladle.core.production.resumed_reading import ResumedReading, with_batch
from yellow_ladle.core.production.shelf_entries import Move
from yellow_ladle.core.production.timeline import Place, Plate
from yellow_ladle.core.production.tool_entries import Wash
from yellow_ladle.core.production.trace import trace
from yellow_ladle.core.reading.reading import read
from yellow_ladle.demo.kitchen import demo_book

TODAY = "2026-12-05"
SLOW = {"suppress_health_check": [HealthCheck.too_slow, HealthCheck.data_too_large]}
BOOK = demo_book()
OLD = Batch("b-1", "2026-11-01T09:00:00+00:00", "white-roux")
NEW = Batch("b-2", f"{TODAY}T09:00:00+00:00", "veloute")
FROZEN = f"{TODAY}T08:00:00+00:00"
LOOSE = ("moves", "discards", "counts", "washes", "uses", "services")
"""Lists of entries that no other entry names."""


def without_some(data: st.DataObject, daybook: Daybook) -> Daybook:
    """The daybook as it was before some entries were made or corrected that nothing else names."""
    lists: dict[str, Any] = {}
    for entry in fields(daybook):
        if entry.name in LOOSE:
            listed = getattr(daybook, entry.name)
            lists[entry.name] = tuple(each for each in listed if data.draw(st.booleans()))
    batches = (each for each in daybook.batches if used(daybook, each.id) or kept(data))
    lots = (
        replace(lot, used_up=None, use_by=data.draw(st.sampled_from([lot.use_by, TODAY])))
        if kept(data)
        else lot
        for lot in daybook.lots
    )
    return replace(daybook, **lists, batches=tuple(batches), lots=tuple(lots))


def kept(data: st.DataObject) -> bool:
    return data.draw(st.booleans())


def used(daybook: Daybook, batch: str) -> bool:
    """Whether any entry names a batch or a by-product of one."""
    of = [each.of for each in (*daybook.moves, *daybook.discards, *daybook.counts)]
    of += [tub.batch for tub in daybook.tubs]
    of += [fill.batch or "" for fill in daybook.fills]
    of += [entry.batch or "" for each in daybook.batches for entry in each.went_in]
    served = (served for service in daybook.services for served in service.served)
    of += [draw.batch or "" for plate in served for draw in plate.from_ or ()]
    return batch in {each.partition("/")[0] for each in of}


class ResumedReadingTest(unittest.TestCase):
    def setUp(self) -> None:
        days_again = resumed_reading.DAYS_AGAIN
        self.addCleanup(setattr, resumed_reading, "DAYS_AGAIN", days_again)

    @examples(200, **SLOW)
    @given(st.data())
    def test_it_reads_as_the_whole_does(self, data: st.DataObject) -> None:
        book = data.draw(kitchens())
        whole = data.draw(days(book, most=9))
        reading, resumed = read(book, TODAY), ResumedReading()
        resumed_reading.DAYS_AGAIN = data.draw(st.integers(0, 1))
        for daybook in (without_some(data, whole), whole, without_some(data, whole)):
            self.same(resumed.of(reading, daybook), day_of(reading, daybook))

    @examples(100, **SLOW)
    @given(st.data())
    def test_one_batch_more_reads_as_if_it_had_been_there(self, data: st.DataObject) -> None:
        book = data.draw(kitchens())
        daybook = data.draw(days(book, most=9))
        reading = read(book, TODAY)
        resumed_reading.DAYS_AGAIN = data.draw(st.integers(0, 1))
        day = ResumedReading().of(reading, daybook)
        made = data.draw(st.sampled_from(sorted(book.preparations)))
        at = data.draw(st.sampled_from(["2026-12-01T10:00:00+00:00", f"{TODAY}T10:00:00+00:00"]))
        free = [batch.id for batch in daybook.batches if not used(daybook, batch.id)]
        id = data.draw(st.sampled_from(["b-new", *free]))
        batch = with_rows(day, Batch(id, at, made), 1)
        self.same(with_batch(day, daybook, batch), day_of(reading, daybook.with_batch(batch)))

    def test_what_stands_before_the_last_days_is_read_once(self) -> None:
        """A write of today reads nothing of last month again; a correction of last month does."""
        reading, resumed = read(BOOK, TODAY), ResumedReading()
        first = resumed.of(reading, Daybook(batches=(OLD, NEW))).before
        self.assertIsNotNone(first)
        more = Batch("b-3", f"{TODAY}T10:00:00+00:00", "veloute")
        self.assertIs(resumed.of(reading, Daybook(batches=(OLD, NEW, more))).before, first)
        corrected = replace(OLD, note="lumpy")
        again = resumed.of(reading, Daybook(batches=(corrected, NEW, more)))
        self.assertIsNot(again.before, first)
        self.assertEqual(again.timeline.batches["b-1"].note, "lumpy")

    def test_one_entry_more_of_before_discards_only_what_follows_it(self) -> None:
        reading, resumed = read(BOOK, TODAY), ResumedReading()
        washed = Wash("chinois", "2026-01-05T09:00:00+00:00")
        resumed.of(reading, Daybook(batches=(OLD, NEW), washes=(washed,)))
        late = replace(OLD, id="b-0", made="2026-11-20T09:00:00+00:00")
        again = resumed.of(reading, Daybook(batches=(OLD, NEW, late), washes=(washed,)))
        assert again.before is not None
        self.assertEqual(set(again.before.timeline.batches), {"b-1"})

    def test_what_was_frozen_since_is_there_and_no_longer_once_that_is_taken_back(self) -> None:
        reading, resumed = read(BOOK, TODAY), ResumedReading()
        thawed = replace(OLD, use_by="2026-11-03")
        plain = Daybook(batches=(thawed, NEW))
        frozen = replace(plain, moves=(Move("b-1", FROZEN, "frozen", "2027-02-01"),))
        end = resumed.of(reading, plain).timeline.end_on(TODAY)
        self.assertEqual(resumed.of(reading, plain).stock.batches_there("white-roux", end), [])
        found = resumed.of(reading, frozen)
        end = found.timeline.end_on(TODAY)
        self.assertEqual(found.stock.batches_there("white-roux", end), ["b-1"])
        found = resumed.of(reading, plain)
        end = found.timeline.end_on(TODAY)
        self.assertEqual(found.stock.last_day("b-1").day, "2026-11-03")
        self.assertEqual(found.stock.batches_there("white-roux", end), [])

    def test_a_move_that_was_taken_back_is_forgotten_beside_one_that_stays(self) -> None:
        reading, resumed = read(BOOK, TODAY), ResumedReading()
        first = Move("b-1", "2026-11-02T09:00:00+00:00", "frozen", "2026-12-20")
        plain = Daybook(batches=(OLD, NEW), moves=(first,))
        later = replace(plain, moves=(first, Move("b-1", FROZEN, None, "2027-02-01")))
        for daybook, last in ((plain, "2026-12-20"), (later, "2027-02-01"), (plain, "2026-12-20")):
            self.assertEqual(resumed.of(reading, daybook).stock.last_day("b-1").day, last)

    def same(self, found: DayReading, whole: DayReading) -> None:
        for each in (found, whole):
            self.assertEqual(len(each.timeline.entries), len(whole.timeline.entries))
        pairs = zip(found.timeline.entries, whole.timeline.entries, strict=True)
        # Plates are values of a reading: each makes its own.
        self.assertTrue(all(one == two for one, two in pairs if not isinstance(two, Plate)))
        self.assertEqual(found.masks, whole.masks)
        parts = [
            by_product_of_batch(id, part)
            for id, names in whole.stock.by_products.items()
            for part in names
        ]
        end = len(whole.timeline.entries)
        places = [Place(n, day) for n in (end, end // 2) for day in (TODAY, "2026-12-02")]
        for thing in (*whole.timeline.lots, *whole.timeline.batches, *whole.timeline.tubs, *parts):
            self.assertEqual(found.stock.left(thing), whole.stock.left(thing))
            for place in places:
                last_days = (each.stock.last_day(thing, place) for each in (found, whole))
                self.assertEqual(*last_days)
        for item in (*whole.book.preparations, *whole.book.products):
            for place in places:
                self.assertEqual(found.items.item(item, place), whole.items.item(item, place))
                for there in ("batches_there", "lots_there"):
                    both = (
                        sorted(getattr(each.stock, there)(item, place)) for each in (found, whole)
                    )
                    self.assertEqual(*both)
        for id in list(whole.timeline.batches)[-2:]:
            self.assertEqual(Provenance(found).sources(id), Provenance(whole).sources(id))
            self.assertEqual(trace(found, Asked(batch=id)), trace(whole, Asked(batch=id)))


if __name__ == "__main__":
    unittest.main()
