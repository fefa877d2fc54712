"""One way to write: every kind of document gets history, undo, lock, preview and announcement."""

import tempfile
import unittest
from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from operator import attrgetter
from pathlib import Path

from hypothesis import given
from hypothesis import strategies as st
from sqlalchemy import select

from tests.effort import examples
from tests.filled import demo_content, filled
from tests.kitchens import line, pot, product
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.book.kind import Document, Kind
from yellow_ladle.core.book.label_photo import Photo
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.rule_setting import Ruling
from yellow_ladle.core.book.sign_off import SignOff
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.checks.document_kinds import (
    HOUSE_FLAG,
    KINDS,
    KITCHEN,
    NEED,
    PHOTO,
    RULE,
    SIGN_OFF,
    THE_KITCHEN,
    TOOL,
)
from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.store.announcements import Announced
from yellow_ladle.store.history import Act, hash_of
from yellow_ladle.store.ledger import Ledger
from yellow_ladle.store.optimistic_lock import Stale
from yellow_ladle.store.tables import HistoryRow
from yellow_ladle.store.tool_uses import add_use, uses_on

BY = Act("AB", "a test")


@dataclass(frozen=True, slots=True)
class Tape:
    """The colour of the tape on the tubs of a day: a kind that only this test knows."""

    name: str
    colour: str


def _tape_faults(_book: Book, id: str, value: object) -> Iterator[Fault]:
    if isinstance(value, Tape) and not value.colour:
        yield Fault(id, "a tape has a colour")


TAPE = Kind(
    name="tape",
    type=Tape,
    called=attrgetter("name"),
    written="{} has another tape",
    removed="{} has no tape any more",
    reaches="day",
    faults=_tape_faults,
)


class Documents(unittest.TestCase):
    kinds = KINDS

    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.path = Path(folder.name) / "kitchen.sqlite"
        self.ledger = self.open()
        goods = (product("flour", "wheat"), product("butter", "milk"))
        roux = pot("roux", line("flour"), line("butter", "fat"), kind="roux")
        change = Change(goods, (roux, pot("sauce", "roux")))
        self.ledger.record(change, dict.fromkeys(change.ids), BY)

    def open(self) -> Ledger:
        clock = datetime(2026, 12, 1, 9, tzinfo=UTC)
        ledger = Ledger.open(self.path, lambda: clock, self.kinds)
        self.addCleanup(ledger.close)
        return ledger

    def put(self, kind: Kind, id: str, value: object | None) -> None:
        document = Document(kind, id, value)
        seen = {document.key: self.ledger.now.version(document.key)}
        self.ledger.record(Change(documents=(document,)), seen, BY)

    def held(self, kind: Kind, id: str) -> object | None:
        return kind.held(self.ledger.now.reading.book).get(id)


class EveryKind(Documents):
    def test_each_change_adds_one_entry_and_can_be_taken_back(self) -> None:
        kitchen = self.ledger.now.reading.book.kitchen
        steps: tuple[tuple[Kind, str, object | None], ...] = (
            (KITCHEN, THE_KITCHEN, replace(kitchen, regime="us-9")),
            (KITCHEN, THE_KITCHEN, replace(kitchen, regime="anz", name="Steps")),
            (TOOL, "sieve", Tool("Sieve", always_shared=True, id="sieve")),
            (TOOL, "sieve", None),
            (NEED, "four", Need("four", "Table four", ("milk",), (), "severe")),
            (NEED, "four", None),
            (RULE, "no-nuts", Ruling("no-nuts", off=True)),
            (RULE, "no-nuts", None),
            (HOUSE_FLAG, "buckwheat", Flag("buckwheat", "Buckwheat", "house")),
            (HOUSE_FLAG, "buckwheat", None),
            (SIGN_OFF, "sauce", SignOff("AB", "2026-12-01")),
            (PHOTO, "butter", Photo("ab" * 32, "2026-12-01")),
            (PHOTO, "butter", None),
        )
        for kind, id, value in steps:
            with self.subTest(kind=kind.name, value=value):
                before, known = self.held(kind, id), len(self.ledger.history(id, kind=kind.name))
                self.put(kind, id, value)
                self.assertEqual(self.held(kind, id), value)
                entries = self.ledger.history(id, kind=kind.name)
                self.assertEqual(len(entries), known + 1)
                self.assertEqual((entries[0].person, entries[0].kind), ("AB", kind.name))
                self.assertTrue(entries[0].told)
                self.assertNotRegex(entries[0].told, r"[(\[]'|<|None")
                self.ledger.undo(entries[0].id, BY)
                self.assertEqual(self.held(kind, id), before)
                self.assertEqual(self.open().now.reading.book, self.ledger.now.reading.book)
                self.put(kind, id, value)

    def test_the_history_says_what_is_otherwise(self) -> None:
        kitchen = self.ledger.now.reading.book.kitchen
        self.put(KITCHEN, THE_KITCHEN, kitchen)
        self.put(KITCHEN, THE_KITCHEN, replace(kitchen, regime="us-9", so2_by_amount=True))
        told = self.ledger.history(THE_KITCHEN, kind="kitchen")[0].told
        self.assertEqual(
            told,
            "The kitchen's own settings were changed: regime US 9 (was EU 14),"
            " so2 by amount yes (was no)",
        )

    def test_what_was_changed_since_is_not_taken_back(self) -> None:
        self.put(TOOL, "sieve", Tool("Sieve", id="sieve"))
        [first] = self.ledger.history("sieve", kind="tool")
        self.put(TOOL, "sieve", Tool("Fine sieve", id="sieve"))
        with self.assertRaises(BookRefused):
            self.ledger.undo(first.id, BY)

    def test_a_flag_that_is_taken_back_leaves_nothing_behind_and_comes_back_unchecked(self) -> None:
        before = self.ledger.now.reading.book
        self.put(HOUSE_FLAG, "buckwheat", Flag("buckwheat", "Buckwheat", "house"))
        self.assertEqual(self.ledger.now.reading.level("sauce", "buckwheat"), Level.UNCHECKED)
        [added] = self.ledger.history("buckwheat", kind="house_flag")
        self.ledger.undo(added.id, BY)
        self.assertEqual(self.ledger.now.reading.book, before)
        self.ledger.undo(self.ledger.history("buckwheat", kind="house_flag")[0].id, BY)
        self.assertEqual(self.ledger.now.reading.level("sauce", "buckwheat"), Level.UNCHECKED)

    def test_what_a_flag_brings_with_it_is_told_in_its_own_line(self) -> None:
        self.put(SIGN_OFF, "sauce", SignOff("AB", "2026-12-01"))
        self.put(HOUSE_FLAG, "buckwheat", Flag("buckwheat", "Buckwheat", "house"))
        signed = self.ledger.now.reading.book.sign_offs["sauce"]
        self.assertEqual(signed.stale_by, "Buckwheat is a flag from now on (AB)")

    def test_a_sign_off_is_stale_after_a_tool_that_shares(self) -> None:
        roux = self.ledger.now.reading.book.preparations["roux"]
        soup = pot("soup", "butter", kind="soup", equipment=("Sieve",))
        sieved = replace(roux, equipment=("Sieve",))
        change = Change(preparations=(sieved, soup))
        seen = {id: self.ledger.now.version(id) for id in change.ids}
        self.ledger.record(change, seen, BY)
        self.put(SIGN_OFF, "soup", SignOff("AB", "2026-12-01"))
        self.put(TOOL, "sieve", Tool("Sieve", always_shared=True, id="sieve"))
        signed = self.ledger.now.reading.book.sign_offs["soup"]
        self.assertFalse(signed.holds)
        self.assertEqual(self.open().now.reading.book.sign_offs["soup"], signed)


class AMadeUpKind(Documents):
    """Defined here alone: nothing else in the program has heard of it."""

    kinds = (*KINDS, TAPE)

    def test_it_is_written_read_again_and_announced(self) -> None:
        heard: list[Announced] = []
        self.ledger.announcements.listen(heard.append)
        self.put(TAPE, "monday", Tape("Monday", "blue"))
        self.assertEqual(self.held(TAPE, "monday"), Tape("Monday", "blue"))
        [told] = heard
        self.assertEqual(
            (told.reaches, told.told, told.person), ("day", "Monday has another tape", "AB")
        )
        again = self.open().now
        self.assertEqual(TAPE.held(again.reading.book), {"monday": Tape("Monday", "blue")})
        self.assertEqual(again.version("tape/monday"), self.ledger.now.counter)

    def test_it_has_a_preview_and_faults_of_its_own(self) -> None:
        sound = Change(documents=(Document(TAPE, "monday", Tape("Monday", "blue")),))
        self.assertEqual(self.ledger.preview(sound).items, ())
        bare = Change(documents=(Document(TAPE, "monday", Tape("Monday", "")),))
        with self.assertRaisesRegex(BookRefused, "a tape has a colour"):
            self.ledger.preview(bare)
        with self.assertRaises(BookRefused):
            self.ledger.record(bare, {"tape/monday": None}, BY)
        self.assertEqual(self.ledger.history("monday", kind="tape"), [])

    def test_a_stale_write_is_refused_and_nothing_is_written(self) -> None:
        self.put(TAPE, "monday", Tape("Monday", "blue"))
        red = Change(documents=(Document(TAPE, "monday", Tape("Monday", "red")),))
        with self.assertRaises(Stale) as refused:
            self.ledger.record(red, {"tape/monday": None}, BY)
        self.assertEqual(refused.exception.current, Tape("Monday", "blue"))
        self.assertEqual(self.held(TAPE, "monday"), Tape("Monday", "blue"))

    def test_it_is_kept_in_the_history_and_taken_back(self) -> None:
        self.put(TAPE, "monday", Tape("Monday", "blue"))
        self.put(TAPE, "monday", None)
        gone, came = self.ledger.history("monday", kind="tape")
        self.assertEqual((came.before, gone.after), (None, None))
        self.ledger.undo(gone.id, BY)
        self.assertEqual(self.held(TAPE, "monday"), Tape("Monday", "blue"))
        self.assertEqual(TAPE.held(self.ledger.as_of(came.at)), {"monday": Tape("Monday", "blue")})


class AppendedByTheDay(Documents):
    def test_a_wash_leaves_the_book_and_what_was_read_of_it_as_they_are(self) -> None:
        heard: list[Announced] = []
        self.ledger.announcements.listen(heard.append)
        before = self.ledger.now
        add_use(self.ledger, "Sieve", "sauce", "AB")
        add_use(self.ledger, "Sieve", None, "AB")
        now = self.ledger.now
        self.assertEqual((now.counter, now.appended), (before.counter, before.appended + 2))
        self.assertIs(now.reading, before.reading)
        self.assertEqual(
            [(told.reaches, told.appended) for told in heard], [("day", 1), ("day", 2)]
        )
        again = self.open().now
        self.assertEqual((again.counter, again.appended), (now.counter, now.appended))
        self.assertEqual(len(uses_on(self.ledger, self.ledger.today)), 2)


class Chain(unittest.TestCase):
    """Each row of the history holds the hash of the one before it."""

    def test_the_demo_and_what_is_done_to_it_make_one_chain(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        ledger = filled(demo_content(), Path(folder.name) / "kitchen.sqlite")
        self.addCleanup(ledger.close)
        tool = Document(TOOL, "sieve", Tool("New sieve", id="sieve"))
        ledger.record(Change(documents=(tool,)), {}, BY)
        ledger.replace_book(ledger.now.reading.book, BY)
        with ledger.reading() as session:
            rows = list(session.scalars(select(HistoryRow).order_by(HistoryRow.id)))
            self.assertGreaterEqual(len(rows), 2)
            last = ""
            for row in rows:
                self.assertEqual(row.before_hash, last)
                last = hash_of(row)
        self.assertIsNone(ledger.altered())
        with ledger.writing() as writing:
            writing.session.get_one(HistoryRow, rows[0].id).why = "nobody asked"
        self.assertEqual(ledger.altered(), rows[1].id)

    @examples(60)
    @given(st.sampled_from(["person", "why", "told", "kind", "item", "at", "before", "after"]))
    def test_whatever_is_altered_the_hash_is_another(self, column: str) -> None:
        row = HistoryRow(
            at="2026-12-01T09:00:00.000+00:00",
            person="AB",
            why="",
            told="Butter: soy may contain",
            kind="product",
            item="butter",
            before={"id": "butter"},
            after={"id": "butter", "statements": {"soy": "may_contain"}},
            undoes=None,
            before_hash="",
        )
        was = hash_of(row)
        setattr(row, column, {"x": 1} if column in ("before", "after") else "altered")
        self.assertNotEqual(hash_of(row), was)


if __name__ == "__main__":
    unittest.main()
