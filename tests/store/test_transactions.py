"""Several hands on one file: no write is lost, and none waits for ever."""

import sqlite3
import tempfile
import threading
import unittest
from contextlib import closing
from datetime import UTC, datetime
from pathlib import Path
from unittest.mock import patch

from sqlalchemy import text
from sqlalchemy.exc import IntegrityError

from tests.filled import demo_content, filled, now
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.reading.update import Change, stating
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.store.file.file_faults import FileLocked
from yellow_ladle.store.kitchen_settings import drop_need, drop_tool, keep_need, keep_tool, sign
from yellow_ladle.store.ledger import Ledger
from yellow_ladle.store.optimistic_lock import Stale, standing
from yellow_ladle.store.transactions import Writing
from yellow_ladle.store.write_queue import Busy


class StoreTest(unittest.TestCase):
    """`self.ledger` is open on a file with the demo kitchen that is thrown away."""

    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.path = Path(folder.name) / "kitchen.sqlite"
        self.ledger = filled(demo_content(), self.path, now)
        self.addCleanup(self.ledger.close)

    def another(self) -> Ledger:
        """A second program on the same file, which has read it as it stands now."""
        other = Ledger.open(self.path, now)
        self.addCleanup(other.close)
        return other

    def state(self, ledger: Ledger, product: str, flag: str, level: Level, seen: int) -> None:
        change = stating(ledger.now.reading.book, product, flag, level)
        ledger.record(change, {product: seen})

    def held(self, product: str) -> dict[str, Level]:
        """The statements of a product as the file holds them."""
        with closing(Ledger.open(self.path, now)) as ledger:
            return dict(ledger.now.reading.book.products[product].statements)


class TwoPrograms(StoreTest):
    def test_what_another_program_recorded_is_not_overwritten(self) -> None:
        other = self.another()
        seen = self.ledger.now.versions["butter"]
        self.state(other, "butter", "soy", Level.CONTAINS, seen)
        with self.assertRaises(Stale) as refused:
            self.state(self.ledger, "butter", "mustard", Level.CONTAINS, seen)
        standing = refused.exception
        self.assertEqual(standing.version, other.now.versions["butter"])
        self.assertEqual(self.held("butter")["soy"], Level.CONTAINS)
        self.state(self.ledger, "butter", "mustard", Level.CONTAINS, standing.version or 0)
        found = self.held("butter")
        self.assertEqual((found["soy"], found["mustard"]), (Level.CONTAINS, Level.CONTAINS))

    def test_what_another_program_recorded_is_carried_before_the_next_write(self) -> None:
        other = self.another()
        self.state(other, "butter", "soy", Level.CONTAINS, other.now.versions["butter"])
        seen = self.ledger.now.versions["plain-flour"]
        self.state(self.ledger, "plain-flour", "mustard", Level.MAY_CONTAIN, seen)
        reading = self.ledger.now.reading
        self.assertEqual(reading.level("white-roux", "soy"), Level.CONTAINS)
        self.assertEqual(reading.level("white-roux", "mustard"), Level.MAY_CONTAIN)
        self.assertGreater(self.ledger.now.counter, other.now.counter)

    def test_a_reader_hears_of_it_when_it_next_asks(self) -> None:
        other = self.another()
        self.state(other, "butter", "soy", Level.CONTAINS, other.now.versions["butter"])
        self.assertLess(self.ledger.now.reading.level("white-roux", "soy"), Level.CONTAINS)
        self.ledger.catch_up()
        self.assertEqual(self.ledger.now.reading.level("white-roux", "soy"), Level.CONTAINS)
        self.assertEqual(self.ledger.now.counter, other.now.counter)

    def test_a_product_that_was_removed_and_made_again_is_another_one(self) -> None:
        other = self.another()
        spare = Change(products=(Product("spare", "Spare"),))
        other.record(spare, {"spare": None})
        first = other.now.versions["spare"]
        other.record(Change(removed=("spare",)), {"spare": first})
        other.record(spare, {"spare": None})
        for seen in (first, None):
            with self.assertRaises(Stale):
                self.ledger.record(spare, {"spare": seen})
        self.assertGreater(self.ledger.now.versions["spare"], first)

    def test_a_card_is_signed_only_as_it_was_seen_with_all_that_is_in_it(self) -> None:
        seen = standing(self.ledger.now, "hen-leek-pie")
        other = self.another()
        self.state(other, "butter", "soy", Level.CONTAINS, other.now.versions["butter"])
        with self.assertRaises(Stale):
            sign(self.ledger, "hen-leek-pie", "AB", seen)
        signed = sign(self.ledger, "hen-leek-pie", "AB", standing(self.ledger.now, "hen-leek-pie"))
        self.assertTrue(signed.holds)

    def test_two_people_who_each_add_a_guest_keep_both(self) -> None:
        other = self.another()
        keep_need(other, Need("ada", "Ada", ("milk",), ()), None)
        keep_need(self.ledger, Need("bo", "Bo", ("egg",), ()), None)
        with closing(Ledger.open(self.path, now)) as held:
            guests = {need.guest for need in held.now.reading.book.needs}
        self.assertLessEqual({"Ada", "Bo"}, guests)

    def test_each_kind_of_setting_refuses_a_version_that_is_gone(self) -> None:
        tool, need = Tool("mill", id="mill"), Need("ada", "Ada", ("milk",), ())
        keep_tool(self.ledger, tool, None)
        keep_need(self.ledger, need, None)
        seen = dict(self.ledger.now.setting_versions)
        other = self.another()
        keep_tool(other, Tool("mill", True, id="mill"), seen["tool/mill"])
        keep_need(other, Need("ada", "Ada", ("egg",), ()), seen["need/ada"])
        for refused in (
            lambda: keep_tool(self.ledger, tool, seen["tool/mill"]),
            lambda: drop_tool(self.ledger, "mill", seen["tool/mill"]),
            lambda: keep_tool(self.ledger, tool, None),
            lambda: keep_need(self.ledger, need, seen["need/ada"]),
            lambda: drop_need(self.ledger, "ada", seen["need/ada"]),
            lambda: sign(self.ledger, "hen-stock", "AB", 0),
        ):
            with self.assertRaises(Stale):
                refused()
        book = self.ledger.now.reading.book
        [held] = [entry for entry in book.needs if entry.id == "ada"]
        self.assertEqual(held.clear, ("egg",))


class Failures(StoreTest):
    def test_after_a_commit_that_failed_the_next_write_goes_through(self) -> None:
        def nobodys(writing: Writing) -> None:
            # The key is looked at when the transaction ends, so that it is COMMIT that fails.
            late = "REFERENCES book (id) DEFERRABLE INITIALLY DEFERRED"
            writing.session.execute(text(f"CREATE TABLE nobodys (id INTEGER {late})"))
            writing.session.execute(text("INSERT INTO nobodys VALUES (99)"))

        change = stating(self.ledger.now.reading.book, "butter", "soy", Level.CONTAINS)
        seen = {"butter": self.ledger.now.versions["butter"]}
        before = self.ledger.now
        with self.assertRaises(IntegrityError):
            self.ledger.record(change, seen, beside=nobodys)
        self.assertIs(self.ledger.now, before)
        self.assertNotIn("soy", self.held("butter"))
        self.ledger.record(change, seen)
        with closing(sqlite3.connect(self.path, timeout=0.1)) as outside:
            outside.execute("BEGIN IMMEDIATE")
            outside.rollback()
        self.assertEqual(self.held("butter")["soy"], Level.CONTAINS)

    def test_a_file_locked_from_outside_stops_no_read(self) -> None:
        with closing(sqlite3.connect(self.path, isolation_level=None)) as outside:
            outside.execute("BEGIN IMMEDIATE")
            self.assertEqual(self.ledger.history("butter"), [])
            self.ledger.catch_up()
            other = self.another()
            self.assertEqual(other.now.counter, self.ledger.now.counter)

    def test_a_write_to_a_locked_file_is_refused_in_words(self) -> None:
        with (
            patch("yellow_ladle.store.file.engine.SECONDS_FOR_THE_LOCK", 0.1),
            closing(Ledger.open(self.path, now)) as ledger,
            closing(sqlite3.connect(self.path, isolation_level=None)) as outside,
        ):
            outside.execute("BEGIN IMMEDIATE")
            with self.assertRaises(FileLocked) as refused:
                self.state(ledger, "butter", "soy", Level.CONTAINS, ledger.now.versions["butter"])
            self.assertIn("Nothing was recorded", str(refused.exception))
            outside.rollback()
            self.state(ledger, "butter", "soy", Level.CONTAINS, ledger.now.versions["butter"])

    def test_writers_wait_in_line_for_a_while_and_no_longer(self) -> None:
        entered, release = threading.Event(), threading.Event()

        def slow(_writing: Writing) -> None:
            entered.set()
            release.wait(10)

        change = stating(self.ledger.now.reading.book, "butter", "soy", Level.CONTAINS)
        seen = {"butter": self.ledger.now.versions["butter"]}
        writing = threading.Thread(
            target=self.ledger.record, args=(change, seen), kwargs={"beside": slow}
        )
        writing.start()
        self.assertTrue(entered.wait(10))
        self.addCleanup(writing.join)
        self.addCleanup(release.set)
        with patch("yellow_ladle.store.write_queue.SECONDS", 0.1), self.assertRaises(Busy):
            keep_need(self.ledger, Need("ada", "Ada", ("milk",), ()), None)
        with patch("yellow_ladle.store.write_queue.MAX_WAITING", 0), self.assertRaises(Busy):
            keep_need(self.ledger, Need("ada", "Ada", ("milk",), ()), None)

    def test_every_commit_is_on_the_disk_before_it_is_answered(self) -> None:
        with self.ledger.reading() as session:
            level = session.execute(text("PRAGMA synchronous")).scalar()
        self.assertEqual(level, 2, "FULL")


class Clock(StoreTest):
    def test_the_moments_of_the_history_never_go_backwards(self) -> None:
        times = [datetime(2026, 11, 26, 10, 0, s, tzinfo=UTC) for s in (30, 20, 25, 40)]
        at = iter(times)
        ledger = Ledger.open(self.path, lambda: next(at, times[-1]))
        self.addCleanup(ledger.close)
        for flag in ("soy", "mustard", "celery"):
            self.state(ledger, "butter", flag, Level.CONTAINS, ledger.now.versions["butter"])
        moments = [entry.at for entry in reversed(ledger.history("butter"))]
        self.assertEqual(moments, sorted(moments))


if __name__ == "__main__":
    unittest.main()
