"""Files of earlier versions, opened by this one: nothing that was recorded is lost."""

import sqlite3
import tempfile
import unittest
from contextlib import closing
from datetime import UTC, datetime
from pathlib import Path

from sqlalchemy import select

from yellow_ladle.core.reading.update import Change, stating
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.files.book.book_file import parse_book, write_book
from yellow_ladle.store.applied_plans import applied_plans, take_back
from yellow_ladle.store.history import NOBODY, Act, hash_of
from yellow_ladle.store.label_changes import open_notices
from yellow_ladle.store.ledger import Ledger
from yellow_ladle.store.optimistic_lock import Stale
from yellow_ladle.store.tables import HistoryRow
from yellow_ladle.store.tool_uses import add_use, uses_on

KEPT = Path(__file__).parent / "kept"
DAY = datetime(2026, 11, 22, 10, tzinfo=UTC)


class Kept(unittest.TestCase):
    """A small kitchen in a file of an earlier version."""

    kept = ""

    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.path = Path(folder.name) / "kitchen.sqlite"
        with closing(sqlite3.connect(self.path)) as old:
            old.executescript((KEPT / self.kept).read_text("utf-8"))
        self.ledger = Ledger.open(self.path, lambda: DAY)
        self.addCleanup(self.ledger.close)


class FromBeforeTheCards(Kept):
    """Without pans, other ways, portions and measures of one's own."""

    kept = "kitchen_0002.sql"

    def test_all_that_it_holds_is_there(self) -> None:
        whole = parse_book((KEPT / "kitchen_0006.book.json").read_bytes())
        book = self.ledger.now.reading.book
        self.assertEqual(list(book.products), sorted(whole.products))
        self.assertEqual((book.kitchen.spoons, book.kitchen.measures), ("us", ()))
        for id, made in whole.preparations.items():
            kept = book.preparations[id]
            for was, line in zip(made.lines, kept.lines, strict=True):
                self.assertEqual(
                    (line.item, line.quantity, line.unit, line.strained_out),
                    (was.item, was.quantity, was.unit, was.strained_out),
                )
            self.assertEqual([e.text for e in kept.method], [e.text for e in made.method])
            self.assertEqual(kept.statements, made.statements)
            self.assertEqual((kept.ways, kept.portions, kept.retired), ((), None, None))


class FromBeforeDocuments(Kept):
    """While every line was a row of its own."""

    kept = "kitchen_0006.sql"

    def test_the_book_is_the_same_to_the_byte(self) -> None:
        held = (KEPT / "kitchen_0006.book.json").read_bytes()
        self.assertEqual(write_book(self.ledger.now.reading.book), held)

    def test_versions_go_on_from_where_they_were(self) -> None:
        now = self.ledger.now
        self.assertEqual((now.versions["plain-flour"], now.versions["butter"]), (2, 1))
        self.assertEqual(now.counter, 2)
        change = stating(now.reading.book, "butter", "soy", Level.CONTAINS)
        with self.assertRaises(Stale):
            self.ledger.record(change, {"butter": 2})
        recorded = self.ledger.record(change, {"butter": 1})
        self.assertEqual(recorded.after.versions["butter"], 3)
        self.assertEqual(recorded.after.counter, 3)

    def test_history_is_there_and_can_be_undone(self) -> None:
        newest, *_ = history = self.ledger.history()
        self.assertEqual(len(history), 3)
        self.assertEqual(newest.item, "white-roux-rice-flour")
        [flour] = [entry for entry in history if entry.item == "plain-flour"]
        self.ledger.undo(flour.id, Act("AB", "it was right"))
        self.assertNotIn("soy", self.ledger.now.reading.book.products["plain-flour"].statements)
        before = self.ledger.as_of("2026-11-20T12:00:00.000+00:00")
        self.assertEqual(before.products["rice-flour"].pack, "")

    def test_plans_notices_uses_and_sign_offs_are_there(self) -> None:
        [plan] = applied_plans(self.ledger)
        take_back(self.ledger, plan.id, NOBODY)
        self.assertNotIn("white-roux-rice-flour", self.ledger.now.reading.book.preparations)
        [notice] = open_notices(self.ledger)
        self.assertEqual(notice.product, "plain-flour")
        used = [(use.tool, use.item) for use in uses_on(self.ledger, "2026-11-22")]
        self.assertEqual(used, [("Sieve", "stock"), ("Sieve", None)])
        signed = self.ledger.now.reading.book.sign_offs["plate"]
        self.assertEqual((signed.person, signed.holds), ("AB", True))

    def test_it_goes_on_as_any_file(self) -> None:
        removed = Change(removed=("old-plate",))
        self.ledger.record(removed, {"old-plate": 1})
        self.ledger.close()
        again = Ledger.open(self.path, lambda: DAY)
        self.addCleanup(again.close)
        self.assertEqual(again.now.reading.book, self.ledger.now.reading.book)
        self.assertEqual(again.now.versions, self.ledger.now.versions)
        self.assertEqual(again.now.counter, self.ledger.now.counter)


class FromBeforeOneTable(Kept):
    """While every kind had a table of its own, and the history knew goods and pots only."""

    kept = "kitchen_0010.sql"

    def test_the_book_is_the_same_to_the_byte(self) -> None:
        held = (KEPT / "kitchen_0010.book.json").read_bytes()
        self.assertEqual(write_book(self.ledger.now.reading.book), held)

    def test_versions_go_on_from_where_they_were(self) -> None:
        now = self.ledger.now
        self.assertEqual((now.counter, now.kitchen_version), (13, 2))
        known = {"tool/chinois": 3, "tool/fryer": 4, "need/table-four": 5, "rule/no-nuts": 6}
        self.assertEqual({key: now.setting_versions[key] for key in known}, known)

    def test_all_else_is_there_and_can_be_taken_back(self) -> None:
        self.assertEqual([notice.product for notice in open_notices(self.ledger)], ["butter"])
        used = [use.item for use in uses_on(self.ledger, "2026-11-28")]
        self.assertEqual(used, ["bechamel", None])
        self.assertTrue(self.ledger.now.reading.book.sign_offs["plate"].holds)
        [plan] = applied_plans(self.ledger)
        take_back(self.ledger, plan.id, NOBODY)
        self.assertEqual(len(self.ledger.history()), 15)
        flour, *_ = self.ledger.history("plain-flour")
        self.ledger.undo(flour.id, Act("AB", "it was right"))
        self.assertNotIn("soy", self.ledger.now.reading.book.products["plain-flour"].statements)

    def test_old_rows_of_the_history_are_chained_to_new_ones(self) -> None:
        change = stating(self.ledger.now.reading.book, "butter", "soy", Level.CONTAINS)
        self.ledger.record(change, {"butter": self.ledger.now.versions["butter"]})
        with self.ledger.reading() as session:
            rows = list(session.scalars(select(HistoryRow).order_by(HistoryRow.id)))
            self.assertEqual(
                [row.before_hash for row in rows], ["", *(hash_of(row) for row in rows[:-1])]
            )


class FromBeforeTheDaybook(Kept):
    """While the uses of tools had a table of their own."""

    kept = "kitchen_0011.sql"

    def test_the_book_is_the_same_to_the_byte(self) -> None:
        held = (KEPT / "kitchen_0011.book.json").read_bytes()
        self.assertEqual(write_book(self.ledger.now.reading.book), held)
        self.assertIsNone(self.ledger.altered())

    def test_uses_and_washes_are_entries_of_the_daybook(self) -> None:
        used = [(use.tool, use.item, use.person) for use in uses_on(self.ledger, "2026-12-01")]
        wanted = [("Chinois", "white-roux", "AB"), ("Chinois", None, "AB")]
        self.assertEqual(used, [*wanted, ("Chinois", "plate", None)])
        self.assertIsNone(self.ledger.daybook.altered())
        add_use(self.ledger, "Chinois", None, "AB")
        self.assertIsNone(self.ledger.daybook.altered())
        self.assertEqual(len(self.ledger.daybook.now.seqs), 4)


if __name__ == "__main__":
    unittest.main()
