"""A new allergen is recognised and carried once the data names it: no line of code knows any."""

import json
import os
import shutil
import subprocess
import sys
import tempfile
import unittest
from pathlib import Path
from typing import Any

PACKAGE = Path(__file__).resolve().parents[2] / "src/yellow_ladle"
FLAG = '[allergen]\nkiwi = { name = "Kiwi", also = ["kiwifruit"] }\n'
LABEL = """
[[entry]]
words = "kiwi, kiwis, kiwifruit, kiwi puree"
contains = ["kiwi"]
why = "kiwi, in so many words"
"""
BOOK = {
    "format": "yellow-ladle-book",
    "version": 1,
    "kitchen": {"name": "Trial", "regime": "eu-14"},
    "products": [
        {"id": "sauce", "name": "Green sauce", "otherwise": "free", "statements": {}},
        {"id": "sugar", "name": "Sugar", "otherwise": "free", "statements": {}},
    ],
    "preparations": [
        {
            "id": "plate",
            "name": "Plate",
            "kind": "dish",
            "lines": [
                {"item": "sauce", "quantity": 100, "unit": "g", "role": "body"},
                {"item": "sugar", "quantity": 10, "unit": "g", "role": "seasoning"},
            ],
        }
    ],
}


class NewAllergen(unittest.TestCase):
    """The application as it is, with three entries more in a copy of its data."""

    folder: Path

    @classmethod
    def setUpClass(cls) -> None:
        temporary = tempfile.TemporaryDirectory()
        cls.addClassCleanup(temporary.cleanup)
        cls.folder = Path(temporary.name)
        unwanted = shutil.ignore_patterns("__pycache__")
        shutil.copytree(PACKAGE, cls.folder / "yellow_ladle", ignore=unwanted)
        cls.insert("flags", "[allergen]\n", FLAG)
        cls.insert("labels/en", "\n[[entry]]\n", LABEL + "\n[[entry]]\n")

    @classmethod
    def insert(cls, name: str, place: str, text: str) -> None:
        """Puts an entry in the place of the first one of its kind."""
        path = cls.folder / f"yellow_ladle/core/data/{name}.toml"
        held = path.read_text("utf-8")
        assert place in held
        path.write_text(held.replace(place, text, 1), "utf-8")

    def ladle(self, *words: str, text: str = "") -> dict[str, Any]:
        done = subprocess.run(
            [sys.executable, "-m", "yellow_ladle", *words, "--json"],
            input=text,
            env={**os.environ, "PYTHONPATH": str(self.folder)},
            text=True,
            capture_output=True,
        )
        self.assertEqual(done.returncode, 0, done.stderr)
        answer: dict[str, Any] = json.loads(done.stdout)
        return answer

    def test_a_label_names_it(self) -> None:
        for text, level in (
            ("Ingredients: sugar, kiwi.", "contains"),
            ("Ingredients: sugar. May contain kiwi.", "may_contain"),
        ):
            with self.subTest(text=text):
                found = self.ladle("label", "-", text=text)
                self.assertEqual(found["flags"]["kiwi"]["level"], level)
                self.assertEqual(found["unknown"], [])

    def test_it_is_carried_and_unchecked_where_nobody_looked(self) -> None:
        for stated, otherwise, level in (
            ({"kiwi": "contains"}, "free", "contains"),
            ({"kiwi": "may_contain"}, "free", "may_contain"),
            ({"milk": "contains"}, "unchecked", "unchecked"),
        ):
            with self.subTest(stated=stated):
                book = json.loads(json.dumps(BOOK))
                book["products"][0] |= {"statements": stated, "otherwise": otherwise}
                path = self.folder / "book.json"
                path.write_text(json.dumps(book), "utf-8")
                items = self.ladle("derive", str(path))["items"]
                self.assertEqual(items["plate"]["flags"]["kiwi"]["level"], level)


if __name__ == "__main__":
    unittest.main()
