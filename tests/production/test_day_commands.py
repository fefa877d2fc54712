"""The commands that read daybooks and move them, as they are called from outside."""

import json
import tempfile
import unittest
from pathlib import Path
from typing import Any

from typer.testing import CliRunner

from tests.production.test_daybook_file import BOOK, DAY
from yellow_ladle.cli import app
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.demo.kitchen import demo_book, demo_daybook
from yellow_ladle.files.book.book_file import write_book
from yellow_ladle.files.daybook.daybook_file import write_daybook


class DayCommandsTest(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        self.book = self.write("k.book.json", BOOK)
        self.day = self.write("d.daybook.json", DAY)

    def write(self, name: str, content: Any) -> str:
        path = self.folder / name
        path.write_text(json.dumps(content), "utf-8")
        return str(path)

    def told(self, *words: str, code: int = 0) -> str:
        done = CliRunner().invoke(app, list(words))
        if isinstance(done.exception, BookRefused):
            # `main` prints these, and ends with 2.
            self.assertEqual(code, 2)
            return str(done.exception)
        self.assertEqual(done.exit_code, code, done.output)
        return done.output

    def test_a_day_as_json(self) -> None:
        told = json.loads(self.told("day", self.book, self.day, "--on", "2026-12-01", "--json"))
        self.assertEqual((told["format"], told["version"]), ("yellow-ladle-day-reading", 1))
        self.assertEqual(list(told["batches"]), ["b-1", "b-1/fat", "b-2"])
        roux = told["batches"]["b-1"]
        self.assertEqual((roux["left"], roux["over"], roux["at_hand"]), (None, None, True))
        self.assertEqual(roux["differs"], {"more": [], "less": []})
        self.assertIsNone(told["batches"]["b-2"]["differs"])
        flour = roux["flags"]["wheat"]["sources"][0]
        wanted = {"product": "plain-flour", "lot": "lot-1", "maker": "mill"}
        self.assertEqual(flour, {**wanted, "level": "contains", "via": ["b-1"]})

    def test_nothing_happened_before_the_first_day(self) -> None:
        told = json.loads(self.told("day", self.book, self.day, "--on", "2026-11-30", "--json"))
        self.assertEqual((list(told["lots"]), told["batches"]), (["lot-1"], {}))

    def test_a_trace_as_json(self) -> None:
        told = json.loads(self.told("trace", self.book, self.day, "--lot", "lot-1", "--json"))
        self.assertEqual(told["of"], {"lot": "lot-1"})
        reached = [(each["batch"], each["grams"], each["via"]) for each in told["batches"]]
        self.assertEqual(reached, [("b-1", None, ["b-1"]), ("b-2", None, ["b-2", "b-1"])])
        self.assertEqual((told["tubs"], told["back"]), (["t-1"], []))
        self.assertEqual([each["plate"] for each in told["served"]], ["white-roux"])
        back = json.loads(self.told("trace", self.book, self.day, "--batch", "b-2", "--json"))
        self.assertEqual(back["back"], [{"lot": "lot-1"}, {"batch": "b-1"}, {"product": "butter"}])

    def test_tables_for_people(self) -> None:
        self.assertIn("From your records only", self.told("day", self.book, self.day))
        self.assertIn("surely", self.told("trace", self.book, self.day, "--product", "butter"))

    def test_what_is_unknown_is_refused_with_what_is_near(self) -> None:
        for words, says in (
            (("--lot", "lot-2"), 'did you mean "lot-1"'),
            (("--batch", "b-9"), "no batch"),
            (("--product", "buttr"), 'did you mean "butter"'),
            (("--product", "plain-flour", "--maker", "dale"), "no maker"),
            ((), "one of the three"),
            (("--lot", "lot-1", "--batch", "b-1"), "one of the three"),
            (("--lot", "lot-1", "--maker", "mill"), "add --product"),
        ):
            with self.subTest(words=words):
                told = self.told("trace", self.book, self.day, *words, code=2)
                self.assertIn(says, told)

    def test_each_fault_has_a_line_of_its_own(self) -> None:
        broken = json.loads(json.dumps(DAY))
        broken["lots"][0]["received"] = "soon"
        broken["tubs"][0]["batch"] = "b-7"
        told = self.told("day", self.book, self.write("x.daybook.json", broken), code=2)
        self.assertEqual(
            [line.partition(":")[0] for line in told.splitlines()],
            ["lots[0].received", "tubs[0].batch"],
        )
        self.assertIn("cannot be read", self.told("day", self.book, "none.json", code=2))

    def test_what_is_imported_is_exported_byte_for_byte(self) -> None:
        store = ("--book", str(self.folder / "k.sqlite"))
        book, day = self.folder / "demo.book.json", self.folder / "demo.daybook.json"
        book.write_bytes(write_book(demo_book()))
        day.write_bytes(write_daybook(demo_daybook("2026-12-04")))
        self.told("import", str(book), *store)
        self.assertIn("176 batches", self.told("import", str(day), *store))
        out = self.folder / "out.json"
        self.told("export", str(out), "--daybook", *store)
        self.assertEqual(out.read_bytes(), day.read_bytes())
        self.assertIn("--replace", self.told("import", str(day), *store, code=2))
        self.told("import", str(day), "--replace", *store)
        self.told("export", str(out), "--daybook", *store)
        self.assertEqual(out.read_bytes(), day.read_bytes())
        self.assertIn("is sound", self.told("verify", *store))


if __name__ == "__main__":
    unittest.main()
