"""The daybook in the kitchen's file: what was recorded is there, whatever comes between."""

import sqlite3
import tempfile
import unittest
from contextlib import closing
from dataclasses import replace
from datetime import UTC, datetime, timedelta
from pathlib import Path

from hypothesis import HealthCheck, given

from tests.effort import examples
from tests.production.random_days import kitchen_days
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.production.batch import Batch, WentIn
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.lot import Lot
from yellow_ladle.demo.kitchen import demo_book
from yellow_ladle.files.daybook.daybook_file import write_daybook
from yellow_ladle.store.daybook import DaybookChange
from yellow_ladle.store.history import NOBODY, Act
from yellow_ladle.store.ledger import Ledger
from yellow_ladle.store.optimistic_lock import Stale

MADE = "2026-12-01T08:10:00.000+00:00"
ROUX = Batch("", MADE, "white-roux")


class DaybookStoreTest(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.path = Path(folder.name) / "kitchen.sqlite"
        self.clock = datetime(2026, 12, 1, 8, 10, tzinfo=UTC)
        self.ledger = self.opened()
        self.ledger.replace_book(demo_book())

    def opened(self) -> Ledger:
        ledger = Ledger.open(self.path, lambda: self.clock)
        self.addCleanup(ledger.close)
        return ledger

    def record(self, value: Batch | Lot, act: Act = NOBODY) -> str:
        key = "batches" if isinstance(value, Batch) else "lots"
        before = set(self.ledger.daybook.now.seqs)
        kept = self.ledger.daybook.record([DaybookChange(key, "", value)], {}, "made", act)
        return next(id for _, id in kept.seqs if (key, id) not in before)

    def test_two_cooks_record_one_pot_and_both_are_there(self) -> None:
        other = self.opened()
        one = self.record(ROUX)
        other.daybook.record([DaybookChange("batches", "", ROUX)], {}, "made")
        self.assertEqual(len(self.ledger.daybook.now.seqs), 2)
        self.assertIn(("batches", one), other.daybook.now.seqs)
        self.assertIsNone(self.ledger.daybook.altered())

    def test_whoever_writes_is_told_of_their_own_entry_whatever_others_wrote(self) -> None:
        seen_by_both = self.ledger.daybook.now
        other = self.opened()
        other.daybook.record([DaybookChange("batches", "", ROUX)], {}, "made")
        sauce = Batch("", MADE, "veloute")
        kept = self.ledger.daybook.record([DaybookChange("batches", "", sauce)], {}, "made")
        [key] = kept.written
        self.assertEqual(len(kept.seqs) - len(seen_by_both.seqs), 2)
        self.assertEqual(kept.entries[key], replace(sauce, id=key[1]))

    def test_a_correction_of_what_somebody_else_has_corrected_is_refused(self) -> None:
        id = self.record(ROUX)
        key = ("batches", id)
        seen = {key: self.ledger.daybook.now.seqs[key]}
        noted = replace(self.ledger.daybook.now.daybook.batch[id], note="brown at the edge")
        self.ledger.daybook.record([DaybookChange(*key, noted)], seen, "corrected")
        with self.assertRaises(Stale):
            self.ledger.daybook.record([DaybookChange(*key, None)], seen, "taken back")
        self.assertEqual(self.ledger.daybook.now.daybook.batches, (noted,))

    def test_undo_goes_back_word_by_word(self) -> None:
        id = self.record(ROUX, Act("MK"))
        key = ("batches", id)
        first = self.ledger.daybook.now.daybook.batch[id]
        noted = replace(first, note="brown at the edge")
        seen = {key: self.ledger.daybook.now.seqs[key]}
        self.ledger.daybook.record([DaybookChange(*key, noted)], seen, "corrected")
        self.ledger.daybook.undo(*key, Act("NB"))
        self.assertEqual(self.ledger.daybook.now.daybook.batches, (first,))
        versions = self.ledger.daybook.versions(*key)
        self.assertEqual([version.value for version in versions], [first, noted, first])
        self.assertEqual(versions[0].undoes, versions[1].seq)
        self.assertEqual(versions[-1].person, "MK")
        with self.assertRaises(KeyError):
            self.ledger.daybook.undo("batches", "b-99", NOBODY)

    def test_what_was_taken_back_comes_back_by_undo(self) -> None:
        id = self.record(ROUX)
        key = ("batches", id)
        seen = {key: self.ledger.daybook.now.seqs[key]}
        self.ledger.daybook.record([DaybookChange(*key, None)], seen, "taken back")
        self.assertEqual(self.ledger.daybook.now.daybook.batches, ())
        self.ledger.daybook.undo(*key, NOBODY)
        self.assertEqual([batch.id for batch in self.ledger.daybook.now.daybook.batches], [id])
        self.assertEqual(self.opened().daybook.now, self.ledger.daybook.now)

    def test_one_card_is_kept_once_for_all_batches_made_by_it(self) -> None:
        card = demo_book().preparations["veloute"]
        for _ in range(3):
            self.record(Batch("", MADE, "veloute", card=card))
        with closing(sqlite3.connect(self.path)) as file:
            self.assertEqual(file.execute("SELECT count(*) FROM daybook_card").fetchone(), (1,))
        kept = self.opened().daybook.now.daybook
        self.assertEqual([batch.card for batch in kept.batches], [card] * 3)

    def test_a_row_that_was_altered_is_found(self) -> None:
        for _ in range(3):
            self.record(ROUX)
        with closing(sqlite3.connect(self.path)) as file:
            file.execute("UPDATE daybook_entry SET content = '{}' WHERE seq = 2")
            file.commit()
        self.assertEqual(self.opened().daybook.altered(), 3)

    def test_what_cannot_be_is_refused_and_nothing_is_written(self) -> None:
        id = self.record(ROUX)
        drawn = Batch("", MADE, "veloute", went_in=(WentIn("white-roux", 0, batch=id),))
        user = self.record(drawn)
        stock = self.ledger.daybook.now
        for value in (
            replace(drawn, went_in=(WentIn("white-roux", 0, batch="b-99"),)),
            replace(drawn, made="2026-12-01T08:09:59.000+00:00"),
            replace(drawn, went_in=(WentIn("white-roux", 77),)),
            replace(drawn, went_in=(WentIn("plain-flour", 0, batch=id),)),
            Batch("", MADE),
        ):
            with self.assertRaises(BookRefused):
                self.record(value)
        key = ("batches", id)
        gone = [DaybookChange(*key, None)]
        with self.assertRaises(BookRefused) as refusal:
            self.ledger.daybook.record(gone, {key: stock.seqs[key]}, "taken back")
        self.assertIn("Velouté", str(refusal.exception))
        later = replace(stock.daybook.batch[id], made="2026-12-01T09:00:00.000+00:00")
        with self.assertRaises(BookRefused):
            change = DaybookChange(*key, later)
            self.ledger.daybook.record([change], {key: stock.seqs[key]}, "corrected")
        self.assertEqual(self.ledger.daybook.now, stock)
        self.assertIn(("batches", user), stock.seqs)

    def test_a_batch_of_10_000_lines(self) -> None:
        entries = tuple(WentIn("butter", quantity=1.0, unit="g") for _ in range(10_000))
        id = self.record(Batch("", MADE, name="A long one", went_in=entries))
        kept = self.opened().daybook.now.daybook.batch[id]
        self.assertEqual(kept.went_in, entries)

    def test_a_clock_that_goes_back_makes_no_record_older_than_the_last(self) -> None:
        first = self.record(ROUX)
        self.clock -= timedelta(hours=3)
        second = self.record(ROUX)
        recorded = [self.ledger.daybook.versions("batches", id)[0].recorded
                    for id in (first, second)]  # fmt: skip
        self.assertEqual(recorded, sorted(recorded))

    def test_moments_are_written_in_the_kitchens_own_time(self) -> None:
        kitchen = replace(self.ledger.now.reading.book.kitchen, time_zone="Europe/Paris")
        self.ledger.update_kitchen(kitchen, self.ledger.now.kitchen_version)
        self.clock = datetime(2027, 7, 1, 22, 30, tzinfo=UTC)
        self.assertEqual(self.ledger.local_moment, "2027-07-02T00:30:00.000+02:00")
        self.assertEqual(self.ledger.today, "2027-07-02")

    @examples(40, suppress_health_check=[HealthCheck.too_slow, HealthCheck.data_too_large])
    @given(kitchen_days())
    def test_whatever_is_recorded_is_exported_as_it_was(
        self, kitchen_day: tuple[Book, Daybook]
    ) -> None:
        book, daybook = kitchen_day
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "kitchen.sqlite"
            with closing(Ledger.open(path)) as ledger:
                ledger.replace_book(book)
                ledger.daybook.replace_whole(daybook)
            with closing(Ledger.open(path)) as again:
                kept = again.daybook.now.daybook
                self.assertEqual(write_daybook(kept), write_daybook(daybook))
                self.assertIsNone(again.daybook.altered())


if __name__ == "__main__":
    unittest.main()
