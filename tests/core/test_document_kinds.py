"""What the kinds of documents do to a book: put in, taken out, told and refused."""

import unittest
from dataclasses import replace

from tests.kitchens import book, line, pot, product
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.book.kind import Document, Kind, with_documents
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.rule_setting import Ruling
from yellow_ladle.core.book.sign_off import SignOff
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.checks.book_faults import change_faults
from yellow_ladle.core.checks.document_kinds import (
    HOUSE_FLAG,
    KINDS,
    KITCHEN,
    NEED,
    RULE,
    SIGN_OFF,
    THE_KITCHEN,
    TOOL,
)
from yellow_ladle.core.impact.impact import impact_of
from yellow_ladle.core.impact.summary import told
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.update import Change, applied, completed
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.core.vocabulary.levels import Level

SMALL = book(product("flour", "wheat"), pot("sauce", line("flour")))
SIEVE = Tool("Sieve", always_shared=True, id="sieve")
VALUES: tuple[tuple[Kind, str, object], ...] = (
    (HOUSE_FLAG, "buckwheat", Flag("buckwheat", "Buckwheat", "house")),
    (TOOL, "sieve", SIEVE),
    (NEED, "four", Need("four", "Table four", ("milk",), (), "severe")),
    (RULE, "no-nuts", Ruling("no-nuts", off=True)),
    (SIGN_OFF, "sauce", SignOff("AB", "2026-12-01")),
)


def of(*documents: Document) -> Change:
    return Change(documents=documents)


class Kinds(unittest.TestCase):
    def faults(self, book_: Book, change: Change) -> list[str]:
        return [fault.message for fault in change_faults(applied(book_, change), change)]

    def test_a_value_is_put_in_and_taken_out_and_nothing_else_moves(self) -> None:
        for kind, id, value in VALUES:
            with self.subTest(kind=kind.name):
                there = with_documents(SMALL, [Document(kind, id, value)])
                self.assertEqual(kind.held(there), {id: value})
                others = [other for other in KINDS if other is not kind]
                self.assertTrue(all(o.held(there) == o.held(SMALL) for o in others))
                self.assertEqual(with_documents(there, [Document(kind, id, None)]), SMALL)

    def test_a_kind_without_a_place_of_its_own_stands_among_the_others(self) -> None:
        kind = Kind(name="tape", type=Tool, called=str)
        there = with_documents(SMALL, [Document(kind, "monday", SIEVE)])
        self.assertEqual(there.others, {"tape": {"monday": SIEVE}})
        self.assertEqual(list(kind.faults(there, "monday", SIEVE)), [])

    def test_a_kitchen_cannot_be_without_its_settings(self) -> None:
        with self.assertRaises(BookRefused):
            with_documents(SMALL, [Document(KITCHEN, THE_KITCHEN, None)])

    def test_what_cannot_stand_is_refused(self) -> None:
        nowhere = replace(SMALL.kitchen, regime="nowhere")
        twice = with_documents(SMALL, [Document(TOOL, "sieve", SIEVE)])
        for book_, document in (
            (SMALL, Document(KITCHEN, THE_KITCHEN, nowhere)),
            (SMALL, Document(HOUSE_FLAG, "dairy", Flag("dairy", "Milk", "house"))),
            (twice, Document(TOOL, "other", Tool("Sieve", id="other"))),
            (SMALL, Document(NEED, "four", Need("four", "Four", ("mlik",), (), "severe"))),
            (SMALL, Document(SIGN_OFF, "nothing", SignOff("AB", "2026-12-01"))),
        ):
            with self.subTest(document=document):
                self.assertTrue(self.faults(book_, of(document)))

    def test_a_new_flag_brings_what_nobody_was_asked_about(self) -> None:
        flag = Document(HOUSE_FLAG, "buckwheat", Flag("buckwheat", "Buckwheat", "house"))
        change = completed(SMALL, of(flag))
        [flour] = change.products
        self.assertEqual(flour.statements["buckwheat"], Level.UNCHECKED)
        after, impact = impact_of(read(SMALL), change)
        self.assertEqual([item.item for item in impact.items], ["sauce"])
        renamed = replace(flag, value=Flag("buckwheat", "Beech wheat", "house"))
        self.assertEqual(completed(after.book, of(renamed)).products, ())
        back = completed(after.book, of(replace(flag, value=None)))
        self.assertEqual(applied(after.book, back), SMALL)

    def test_each_is_told_in_a_line_without_a_trace_of_the_code(self) -> None:
        before = read(SMALL)
        for kind, id, value in VALUES:
            change = of(Document(kind, id, value))
            after = read(applied(SMALL, change))
            [said] = told(before, after, change).values()
            gone = of(Document(kind, id, None))
            [unsaid] = told(after, before, gone).values()
            for text in (said, unsaid):
                self.assertNotRegex(text, r"[{}<]|None")
            self.assertNotEqual(said, unsaid)

    def test_what_is_otherwise_is_told_in_words(self) -> None:
        kitchen = SMALL.kitchen
        now = replace(kitchen, second_look_days=30, so2_by_amount=True, people=(), regime="us-9")
        line_ = KITCHEN.told(replace(kitchen, measures=()), now)
        self.assertIn("second look days 30 (was 180)", line_)
        self.assertIn("so2 by amount yes (was no)", line_)
        self.assertIn("regime US 9 (was EU 14)", line_)
        more = Need("four", "Table four", ("milk", "egg"), (), "severe")
        self.assertTrue(NEED.told(VALUES[2][2], more).endswith(": clear"))


if __name__ == "__main__":
    unittest.main()
