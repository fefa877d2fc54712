"""The book file: whole, stable, and refused in words."""

import json
import re
import tempfile
import unittest
from collections.abc import Iterator
from copy import deepcopy
from pathlib import Path
from typing import Any

from hypothesis import given
from hypothesis import strategies as st

from tests.effort import examples
from tests.kitchens import book, product
from tests.random_books import books
from yellow_ladle.core.book.book import Book, Line, Step
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.demo.kitchen import demo_book
from yellow_ladle.files.book.book_file import (
    MAX_BYTES,
    json_schema,
    parse_book,
    read_book,
    write_book,
)

ROOT = Path(__file__).resolve().parents[2]

SMALL: dict[str, Any] = {
    "format": "yellow-ladle-book",
    "version": 1,
    "kitchen": {"name": "Skerrow Light", "regime": "eu-14"},
    "flags": [{"id": "chilli", "name": "Chilli", "group": "house"}],
    "products": [
        {
            "id": "plain-flour",
            "name": "Plain flour",
            "class": "wheat-flour",
            "statements": {"wheat": "contains"},
            "otherwise": "free",
            "certificates": [],
            "abv_percent": 0,
            "salt_g_per_100g": 0,
            "so2_mg_per_kg": 0,
            "density_g_per_ml": 0.53,
            "unit_weight_g": None,
        },
        {"id": "butter", "name": "Butter", "class": "butter"},
    ],
    "preparations": [
        {
            "id": "white-roux",
            "name": "White roux",
            "kind": "roux",
            "class": "white-roux",
            "colour": "white",
            "lines": [
                {"item": "plain-flour", "quantity": 100, "unit": "g", "role": "thickener"},
                {"item": "butter", "quantity": 100, "unit": "g", "role": "fat"},
            ],
            "statements": {},
            "otherwise": "free",
            "yield": {"quantity": 190, "unit": "g"},
            "by_products": [],
            "equipment": [],
            "method": [],
        }
    ],
}


def parse(content: Any) -> Book:
    return parse_book(json.dumps(content).encode())


def refused(content: Any) -> list[str]:
    raw = content if isinstance(content, bytes) else json.dumps(content).encode()
    try:
        parse_book(raw)
    except BookRefused as refusal:
        return [str(fault) for fault in refusal.faults]
    return []


def paths(content: Any) -> Iterator[tuple[Any, ...]]:
    """The way to every field and every entry of a document."""
    entries = content.items() if isinstance(content, dict) else ()
    entries = enumerate(content) if isinstance(content, list) else entries
    for key, value in entries:
        yield (key,)
        yield from ((key, *more) for more in paths(value))


def changed(*path: Any, to: Any) -> dict[str, Any]:
    """The small book with one value changed."""
    content = deepcopy(SMALL)
    place: Any = content
    for step in path[:-1]:
        place = place[step]
    place[path[-1]] = to
    return content


class Reading(unittest.TestCase):
    def test_every_field_is_read(self) -> None:
        book = parse(SMALL)
        flour = book.products["plain-flour"]
        self.assertEqual((flour.class_, flour.density_g_per_ml), ("wheat-flour", 0.53))
        self.assertEqual((flour.otherwise, flour.abv_percent), (Level.FREE, 0))
        roux = book.preparations["white-roux"]
        self.assertEqual(roux.lines[0], Line("plain-flour", 100, "g", "thickener"))
        self.assertEqual((roux.colour, roux.otherwise), ("white", Level.FREE))
        self.assertEqual(roux.yield_ and roux.yield_.quantity, 190)
        self.assertEqual(book.house_flags[0].id, "chilli")

    def test_the_defaults(self) -> None:
        butter = parse(SMALL).products["butter"]
        self.assertEqual((butter.otherwise, butter.statements), (Level.UNCHECKED, {}))
        self.assertIsNone(butter.salt_g_per_100g)
        bare = changed("preparations", to=[{"id": "s", "name": "S", "kind": "stock"}])
        stock = parse(bare).preparations["s"]
        self.assertEqual((stock.lines, stock.own_otherwise), ((), Level.UNCHECKED))

    def test_goods_of_which_nobody_has_said_what_they_are(self) -> None:
        for content in (changed("products", 1, "class", to=None), deepcopy(SMALL)):
            content["products"][1].pop("class", None)
            butter = parse(content).products["butter"]
            self.assertIsNone(butter.class_)
        again = json.loads(write_book(parse(content)))
        self.assertNotIn("class", again["products"][0])

    def test_what_keeps_what_comes_of_which_lines_and_where_it_is_served(self) -> None:
        more = {
            "keeps": {"chilled_days": 3, "frozen_days": 90},
            "course": "main",
            "made_here": False,
            "by_products": [{"id": "skin", "name": "Skin", "of": [1]}],
            "ways": [{"name": "cold", "by_products": [{"id": "skin", "name": "Skin", "of": []}]}],
        }
        content = deepcopy(SMALL)
        content["preparations"][0] |= more
        content["tools"] = [{"id": "ch-1", "name": "Chinois"}]
        book = parse(content)
        self.assertEqual(book.tools[0].slug, "ch-1")
        again = json.loads(write_book(book))
        roux = again["preparations"][0]
        self.assertEqual(
            roux["by_products"], [{**more["by_products"][0], "quantity": None, "unit": None}]
        )  # type: ignore[index]
        self.assertEqual(
            {key: roux[key] for key in ("keeps", "course", "made_here")},
            {key: more[key] for key in ("keeps", "course", "made_here")},
        )
        self.assertEqual(again["tools"], [{"name": "Chinois", "id": "ch-1"}])
        content["preparations"][0]["by_products"][0]["of"] = [2]
        [fault] = refused(content)
        self.assertIn("preparations[0].by_products[0].of[0]: there is no line 2", fault)

    def test_the_rest_of_a_line_and_a_step(self) -> None:
        line = {
            "item": "butter",
            "quantity": 1.5,
            "unit": "tbsp",
            "role": "enrichment",
            "stage": "finish",
            "optional": True,
            "strained_out": True,
            "choice": "fat",
            "chosen": True,
            "note": "cold",
        }
        step = {
            "text": "Whisk.",
            "minutes": 4,
            "heat": "low",
            "cue": "smooth",
            "caution": "hot",
            "equipment": ["whisk"],
        }
        content = changed("preparations", 0, "lines", to=[line])
        content["preparations"][0] |= {
            "method": [step],
            "equipment": ["pan"],
            "by_products": [{"id": "skin", "name": "Skin", "quantity": 5, "unit": "g"}],
        }
        made = parse(content).preparations["white-roux"]
        self.assertEqual(made.lines[0], Line(**line))
        self.assertEqual(made.method[0], Step("Whisk.", 4, "low", "smooth", "hot", ("whisk",)))
        self.assertEqual(json.loads(write_book(parse(content)))["preparations"][0]["lines"], [line])


class Writing(unittest.TestCase):
    @given(books())
    @examples(80)
    def test_export_then_import_gives_the_same_bytes(self, book: Book) -> None:
        once = write_book(book)
        again = parse_book(once)
        self.assertEqual(write_book(again), once)
        self.assertEqual(again.preparations, book.preparations)
        self.assertEqual(again.products, book.products)

    def test_the_order_of_writing_does_not_show(self) -> None:
        content = deepcopy(SMALL)
        content["products"].reverse()
        content["preparations"][0] = dict(reversed(content["preparations"][0].items()))
        self.assertEqual(write_book(parse(content)), write_book(parse(SMALL)))

    def test_a_price_is_kept_and_nothing_is_not_unknown(self) -> None:
        goods = [
            product("tin", price_per_kg=2.5),
            product("water", price_per_kg=0.0),
            product("jar"),
        ]
        written = write_book(book(*goods))
        again = parse_book(written)
        prices = {id: found.price_per_kg for id, found in again.products.items()}
        self.assertEqual(prices, {"tin": 2.5, "water": 0.0, "jar": None})
        self.assertEqual(written.count(b"price_per_kg"), 2)

    def test_the_demo_is_kept_as_it_would_be_exported(self) -> None:
        kept = ROOT / "src/yellow_ladle/demo/skerrow-light.book.json"
        self.assertEqual(write_book(demo_book()), kept.read_bytes())

    def test_the_schema_in_docs_is_the_models_own(self) -> None:
        kept = (ROOT / "docs/book.schema.json").read_text("utf-8")
        self.assertEqual(kept, json_schema())

    def test_accents_are_written_as_they_are(self) -> None:
        content = changed("preparations", 0, "name", to="Béchamel")
        self.assertIn("Béchamel".encode(), write_book(parse(content)))


class Refusing(unittest.TestCase):
    def one(self, content: Any) -> str:
        found = refused(content)
        self.assertEqual(len(found), 1, found)
        return found[0]

    def test_places_and_words(self) -> None:
        line = ("preparations", 0, "lines", 1)
        cases = [
            (("kitchen", "name"), "", "kitchen.name: is empty"),
            ((*line, "quantity"), -1, "preparations[0].lines[1].quantity: -1 is too small"),
            ((*line, "quantity"), "100", "quantity: a number is wanted here, without quotes"),
            ((*line, "quantity"), True, "quantity: a number is wanted here, without quotes"),
            ((*line, "role"), "fet", 'role: "fet" is none of thickener, fat'),
            ((*line, "role"), "fet", 'did you mean "fat"?'),
            ((*line, "unit"), "gram", "preparations[0].lines[1].unit: no unit"),
            ((*line, "item"), "Butter", '"Butter" will not do: an item is an id, or'),
            ((*line, "itme"), "x", 'lines[1].itme: no field "itme" is known here; did you mean'),
            ((*line, "optional"), "yes", "optional: true or false is wanted here"),
            (("products", 0, "statements", "wheat"), "maybe", 'statements.wheat: "maybe" is none'),
            (("products", 0, "abv_percent"), 120, "abv_percent: 120 is too large; at most 100"),
            (("products", 0, "density_g_per_ml"), 0, "more than 0 is wanted here"),
            (("products", 1, "class"), 3, "products[1].class: text is wanted here"),
            (("preparations", 0, "kind"), "sause", 'did you mean "sauce"?'),
            (("products",), {}, "products: a list is wanted here"),
            (("products", 1), "butter", "products[1]: an object is wanted here"),
            (("version",), 2, "version: 2 is none of 1"),
            (("format",), "other", 'format: "other" is none of yellow-ladle-book'),
            (("more",), 1, 'more: no field "more" is known here'),
        ]
        for path, value, words in cases:
            found = refused(changed(*path, to=value))
            self.assertTrue(any(words in fault for fault in found), (path, value, found))

    def test_no_fault_speaks_python(self) -> None:
        """Every field of the file, with everything in it that JSON can hold in the wrong place."""
        told = [
            message
            for path in paths(SMALL)
            for wrong in (None, True, [], [None], {"a": None}, -1, 3.5, "", [1, False])
            for message in refused(changed(*path, to=wrong))
        ]
        self.assertGreater(len(set(told)), 40)
        python = re.compile(r"None|True|False|\{'|<class|Error")
        self.assertEqual([text for text in told if python.search(text)], [])

    def test_one_fault_in_a_piece_does_not_call_what_uses_it_missing(self) -> None:
        found = self.one(changed("products", 1, "otherwise", to="dunno"))
        self.assertIn("products[1].otherwise", found)

    def test_a_place_counts_what_cannot_be_read(self) -> None:
        way = {"name": "old", "by_products": [{"id": "fat", "name": "Fat", "unit": "gg"}]}
        made = {
            "id": "jus",
            "name": "Jus",
            "kind": "sauce",
            "by_products": [7, {"id": "fat", "name": "Fat", "of": [4]}],
            "ways": [way],
        }
        rest = {
            "tools": [7, {"name": "sieve"}, {"name": "Sieve"}],
            "needs": [7, {"id": "n", "guest": "G", "clear": ["mlik"]}],
            "rules": [7, {"id": "none", "off": True}, {"id": "none", "off": True}],
        }
        found = refused({**deepcopy(SMALL), "preparations": [made], **rest})
        for place in (
            "preparations[0].by_products[1].of[0]",
            "preparations[0].ways[0].by_products[0].unit",
            "tools[2]",
            "needs[1].clear",
            "rules[2].id",
        ):
            self.assertIn(place, [fault.split(": ")[0] for fault in found])

    def test_what_is_missing(self) -> None:
        content = deepcopy(SMALL)
        del content["products"][0]["name"], content["preparations"][0]["lines"][0]["role"]
        del content["kitchen"]
        found = refused(content)
        self.assertIn("products[0].name: is missing", found)
        self.assertIn("preparations[0].lines[0].role: is missing", found)
        self.assertTrue(any(fault.startswith("kitchen:") for fault in found), found)

    def test_every_fault_at_once_over_all_kinds(self) -> None:
        content = changed("preparations", 0, "lines", 0, "item", to="plain-flower")
        content["products"][1]["otherwise"] = "dunno"
        content["preparations"][0]["lines"][1]["quantity"] = -5
        content["preparations"].append({"id": "a", "name": "A", "kind": "soup", "lines": []})
        loop = {"item": "a", "quantity": 1, "unit": "l", "role": "body"}
        content["preparations"][1]["lines"] = [loop]
        found = refused(content)
        self.assertEqual(len(found), 4, found)
        self.assertTrue(any('did you mean "plain-flour"?' in fault for fault in found))
        self.assertTrue(any("a → a" in fault for fault in found))

    def test_numbers_that_are_none(self) -> None:
        text = json.dumps(SMALL)
        for word in ("NaN", "Infinity", "-Infinity", "1e999"):
            raw = text.replace('"quantity": 190', f'"quantity": {word}').encode()
            found = self.one(raw)
            self.assertIn("preparations[0].yield.quantity", found)

    def test_a_number_of_thousands_of_digits(self) -> None:
        raw = json.dumps(SMALL).replace("190", "9" * 5000).encode()
        self.assertTrue(refused(raw))
        self.assertTrue(refused(json.dumps(SMALL).replace("190", "9" * 400).encode()))

    def test_what_is_no_json_at_all(self) -> None:
        self.assertIn("line 1, column 1: not JSON", self.one(b""))
        self.assertIn("line 2, column 1: not JSON", self.one(b'{"format":\n}'))
        self.assertIn("not UTF-8 text", self.one(b'{"a": "\xff"}'))
        self.assertIn("nested too deeply", self.one(b"[" * 100_000))
        self.assertIn("one JSON object", self.one([]))

    def test_a_field_given_twice_is_refused_rather_than_lost(self) -> None:
        raw = json.dumps(SMALL).replace(
            '"wheat": "contains"', '"wheat": "contains", "wheat": "free"'
        )
        self.assertIn('"wheat" is given twice', self.one(raw.encode()))

    def test_too_large_a_file(self) -> None:
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "large.book.json"
            with path.open("wb") as file:
                file.truncate(MAX_BYTES + 1)
            with self.assertRaises(BookRefused) as caught:
                read_book(path)
        self.assertIn("over 64 MB", str(caught.exception))

    def test_evidence_wants_a_date_and_a_statement(self) -> None:
        why = {"wheat": {"kind": "label", "date": "24.11.2026"}}
        self.assertIn("a date is written as", self.one(changed("products", 0, "evidence", to=why)))
        why = {"milk": {"kind": "label"}}
        found = self.one(changed("products", 0, "evidence", to=why))
        self.assertIn('evidence for "milk", of which nothing is stated', found)

    JUNK = st.recursive(
        st.none() | st.booleans() | st.integers() | st.floats() | st.text(max_size=5),
        lambda part: st.lists(part, max_size=3) | st.dictionaries(st.text(max_size=5), part),
        max_leaves=6,
    )

    @given(JUNK, st.sampled_from([("products",), ("preparations",), ("kitchen",), ("flags",)]))
    @examples(150)
    def test_whatever_is_put_in_it_is_read_or_refused_in_words(
        self, junk: Any, path: tuple[str]
    ) -> None:
        for content in (changed(*path, to=junk), changed("products", 0, "statements", to=junk)):
            for fault in refused(content):
                self.assertNotIn("Traceback", fault)

    @given(JUNK)
    @examples(100)
    def test_any_line_is_read_or_refused_in_words(self, junk: Any) -> None:
        for key in ("item", "quantity", "unit", "role", "choice", "chosen"):
            refused(changed("preparations", 0, "lines", 0, key, to=junk))
        refused(changed("preparations", 0, "lines", to=junk))
        refused(changed("preparations", 0, "id", to=junk))
