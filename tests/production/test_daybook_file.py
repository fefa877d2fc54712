"""The daybook file: read, refused with each fault at its place, and written the same each time."""

import json
import unittest
from dataclasses import fields
from pathlib import Path
from typing import Any

from hypothesis import HealthCheck, given

from tests.effort import examples
from tests.production.random_days import kitchen_days
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.files.book.book_file import parse_book
from yellow_ladle.files.daybook.daybook_file import (
    LISTS,
    json_schema,
    parse_daybook,
    write_daybook,
)

ROOT = Path(__file__).resolve().parents[2]
MILL = {"id": "mill", "name": "Mill", "statements": {"wheat": "contains"}, "otherwise": "free"}
BOOK: dict[str, Any] = {
    **{"format": "yellow-ladle-book", "version": 1, "kitchen": {"name": "K", "regime": "eu-14"}},
    "products": [
        {"id": "plain-flour", "name": "Plain flour", "makers": [MILL]},
        {"id": "butter", "name": "Butter", "otherwise": "free"},
    ],
    "preparations": [
        {
            **{"id": "white-roux", "name": "White roux", "kind": "roux"},
            "by_products": [{"id": "fat", "name": "Fat"}],
            "lines": [
                {"item": "plain-flour", "quantity": 100, "unit": "g", "role": "thickener"},
                {"item": "butter", "quantity": 100, "unit": "g", "role": "fat"},
            ],
        }
    ],
}
DAY: dict[str, Any] = {
    **{"format": "yellow-ladle-daybook", "version": 1},
    "lots": [{"id": "lot-1", "product": "plain-flour", "maker": "mill", "received": "2026-11-30"}],
    "batches": [
        {
            **{"id": "b-1", "preparation": "white-roux", "made": "2026-12-01T08:00:00+00:00"},
            "went_in": [{"line": 0, "item": "plain-flour", "lot": "lot-1"}],
        },
        {"id": "b-2", "name": "Staff soup", "made": "2026-12-01T09:00:00+00:00",
         "went_in": [{"item": "white-roux", "batch": "b-1"}]},
    ],
    "tubs": [{"id": "t-1", "batch": "b-1", "at": "2026-12-01T10:00:00+00:00"}],
    "services": [{"id": "s-1", "date": "2026-12-01",
                  "served": [{"plate": "white-roux", "at": "2026-12-01T12:00:00+00:00",
                              "from": [{"tub": "t-1"}], "plan": {"swaps": [1.5]}}]}],
}  # fmt: skip


def book() -> Book:
    return parse_book(json.dumps(BOOK).encode())


class FaultsTest(unittest.TestCase):
    """Each fault has its place, in words for the person who wrote the file."""

    def refused(self, place: str, says: str, change: Any) -> None:
        whole = json.loads(json.dumps(DAY))
        change(whole)
        with self.assertRaises(BookRefused) as refusal:
            parse_daybook(json.dumps(whole).encode(), book())
        found = {fault.place: fault.message for fault in refusal.exception.faults}
        self.assertIn(place, found)
        self.assertIn(says, found[place])

    def test_the_day_itself_is_sound(self) -> None:
        self.assertEqual(len(parse_daybook(json.dumps(DAY).encode(), book()).batches), 2)

    def test_fields_and_forms(self) -> None:
        self.refused("batches[0].colour", "no field", lambda d: d["batches"][0].update(colour=1))
        self.refused("lot", 'no field "lot"', lambda d: d.update(lot=[]))
        self.refused("format", "none of", lambda d: d.update(format="yellow-ladle-book"))
        self.refused("tubs[0].at", "offset", lambda d: d["tubs"][0].update(at="2026-12-01T10:00"))
        self.refused("lots", "a list", lambda d: d.update(lots={}))
        entry = {"line": -1, "item": "butter"}
        self.refused(
            "batches[0].went_in[0].line",
            "0 or more",
            lambda d: d["batches"][0].update(went_in=[entry]),
        )

    def test_amounts_below_nothing(self) -> None:
        out = {"quantity": -1, "unit": "g"}
        self.refused(
            "batches[0].out.quantity", "too small", lambda d: d["batches"][0].update(out=out)
        )
        self.refused("lots[0].quantity", "small", lambda d: d["lots"][0].update(quantity=-0.1))

    def test_ids_that_name_nothing(self) -> None:
        went_in = lambda d, n: d["batches"][n]["went_in"][0]  # noqa: E731
        self.refused(
            "batches[0].went_in[0].lot",
            'no lot "lot-2"',
            lambda d: went_in(d, 0).update(lot="lot-2"),
        )
        self.refused(
            "batches[1].went_in[0].batch", "no batch", lambda d: went_in(d, 1).update(batch="b-9")
        )
        self.refused(
            "batches[1].went_in[0].batch",
            "no by-product",
            lambda d: went_in(d, 1).update(batch="b-1/skin"),
        )
        self.refused("tubs[0].batch", "no batch", lambda d: d["tubs"][0].update(batch="b-9"))
        self.refused("lots[0].maker", "no maker", lambda d: d["lots"][0].update(maker="dale"))
        self.refused(
            "batches[0].statements.sand", "no flag",
            lambda d: d["batches"][0].update(statements={"sand": "contains"}),
        )  # fmt: skip
        self.refused(
            "services[0].served[0].from[0].tub", "no tub",
            lambda d: d["services"][0]["served"][0].update({"from": [{"tub": "t-9"}]}),
        )  # fmt: skip
        self.refused(
            "moves[0].of", "no lot, batch or tub",
            lambda d: d.update(moves=[{"of": "x", "at": "2026-12-01T10:00:00+00:00"}]),
        )  # fmt: skip

    def test_two_entries_with_one_id(self) -> None:
        self.refused("tubs[0].id", "taken already", lambda d: d["tubs"][0].update(id="b-1"))
        self.refused("batches[1].id", "batches[0]", lambda d: d["batches"][1].update(id="b-1"))

    def test_lines_of_the_card(self) -> None:
        self.refused(
            "batches[0].went_in[0].line", "the last is 1",
            lambda d: d["batches"][0]["went_in"][0].update(line=2),
        )  # fmt: skip
        self.refused(
            "batches[0].left_out[0].line", "the last is 1",
            lambda d: d["batches"][0].update(left_out=[{"line": 7}]),
        )  # fmt: skip
        self.refused("batches[0].way", "no way", lambda d: d["batches"][0].update(way="hot"))

    def test_draws_from_what_was_made_later(self) -> None:
        later = "2026-12-01T09:00:01+00:00"
        self.refused(
            "batches[1].went_in[0].batch",
            "made later",
            lambda d: d["batches"][0].update(made=later),
        )
        self.refused("tubs[0].at", "made later", lambda d: d["tubs"][0].update(
            at="2026-12-01T07:59:00+00:00"))  # fmt: skip
        self.refused(
            "services[0].served[0].from[0].tub", "filled later",
            lambda d: d["tubs"][0].update(at="2026-12-01T12:00:00-01:00"),
        )  # fmt: skip

    def test_a_loop_within_one_moment(self) -> None:
        def close(day: dict[str, Any]) -> None:
            day["batches"][1]["made"] = day["batches"][0]["made"]
            day["batches"][0]["went_in"].append({"item": "staff-soup", "batch": "b-2"})

        self.refused("batches[0].went_in", "cannot go into itself", close)

    def test_a_lot_and_its_maker_have_to_agree(self) -> None:
        self.refused(
            "batches[0].went_in[0].maker", "of the maker",
            lambda d: d["batches"][0]["went_in"][0].update(maker="?"),
        )  # fmt: skip
        self.refused(
            "batches[0].went_in[0].lot", "is of",
            lambda d: d["batches"][0]["went_in"][0].update(item="butter"),
        )  # fmt: skip

    def test_what_the_book_has_lost_is_no_fault(self) -> None:
        whole = json.loads(json.dumps(DAY))
        whole["batches"][0] |= {"preparation": "lost-pot"}
        whole["batches"][1]["went_in"] = [{"item": "lost-jar", "maker": "any"}]
        whole["lots"][0] |= {"product": "lost-jar"}
        whole["batches"][0]["went_in"] = [{"line": 4, "item": "lost-jar", "lot": "lot-1"}]
        self.assertEqual(len(parse_daybook(json.dumps(whole).encode(), book()).batches), 2)

    def test_an_entry_that_cannot_be_read_is_not_called_unknown_too(self) -> None:
        whole = json.loads(json.dumps(DAY))
        whole["batches"][0]["made"] = "yesterday"
        with self.assertRaises(BookRefused) as refusal:
            parse_daybook(json.dumps(whole).encode(), book())
        self.assertEqual([f.place for f in refusal.exception.faults], ["batches[0].made"])


class WritingTest(unittest.TestCase):
    @examples(80, suppress_health_check=[HealthCheck.too_slow, HealthCheck.data_too_large])
    @given(kitchen_days())
    def test_what_is_written_reads_as_it_was_whatever_the_order(
        self, kitchen_day: tuple[Book, Daybook]
    ) -> None:
        whole, daybook = kitchen_day
        content = write_daybook(daybook)
        turned = Daybook(
            **{entry.name: getattr(daybook, entry.name)[::-1] for entry in fields(daybook)}
        )
        self.assertEqual(content, write_daybook(turned))
        again = json.loads(content)
        for listed in again.values():
            if isinstance(listed, list):
                listed.reverse()
        read = parse_daybook(json.dumps(again).encode(), whole)
        self.assertEqual(content, write_daybook(read))

    def test_the_kept_schema_is_that_of_the_models(self) -> None:
        kept = (ROOT / "docs/daybook.schema.json").read_text("utf-8")
        self.assertEqual(kept, json_schema())

    def test_every_list_of_a_daybook_is_in_the_file(self) -> None:
        self.assertEqual(list(LISTS), [entry.name for entry in fields(Daybook)])


if __name__ == "__main__":
    unittest.main()
