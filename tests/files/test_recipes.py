"""Recipes from elsewhere and back: documents in the manner of several publishing systems."""

import csv
import io
import json
import unittest
from datetime import date
from typing import Any

from pypdf import PdfReader

from tests.kitchens import CHEESE_BOOK, book, line, pot, product, read
from yellow_ladle.core.book.book import Step, Yield
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.recipes.recipe import Recipe
from yellow_ladle.core.recipes.review import Reviewed, review
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.demo.kitchen import demo_book
from yellow_ladle.files.print.card_markdown import card_markdown
from yellow_ladle.files.print.card_pdf import card_pdf
from yellow_ladle.files.recipes.plain_text import plain
from yellow_ladle.files.recipes.recipe_reader import MAX_BYTES, minutes_of, read_recipes
from yellow_ladle.files.recipes.recipe_writer import duration, recipe_content, recipes_bytes
from yellow_ladle.files.tables.book_table import HEADINGS, book_rows
from yellow_ladle.files.tables.spreadsheet import write_csv

A_BLOG = {
    "@context": "https://schema.org/",
    "@type": "Recipe",
    "name": "Leek &amp; potato soup",
    "recipeYield": ["4", "4 servings"],
    "prepTime": "PT15M",
    "totalTime": "PT1H10M",
    "recipeIngredient": ["3 leeks, sliced", "500g potatoes", "1 l stock", "salt to taste"],
    "recipeInstructions": [
        {"@type": "HowToStep", "text": "Sweat the leeks.", "timeRequired": "PT10M"},
        {"@type": "HowToStep", "text": "Stock in; <b>simmer</b> until soft."},
    ],
}
A_MAGAZINE = {
    "@context": "https://schema.org",
    "@graph": [
        {"@type": "WebPage", "@id": "#page"},
        {"@type": "Organization", "name": "A magazine"},
        {
            "@type": ["Recipe", "NewsArticle"],
            "headline": "Fish pie",
            "recipeYield": {"@type": "QuantitativeValue", "value": 6, "unitText": "portions"},
            "recipeIngredient": ["For the sauce:", "50 g butter", "For the top:", "1 kg potatoes"],
            "recipeInstructions": [
                {
                    "@type": "HowToSection",
                    "name": "Sauce",
                    "itemListElement": [{"@type": "HowToStep", "name": "Melt the butter."}],
                },
                {
                    "@type": "HowToSection",
                    "name": "Top",
                    "itemListElement": {"@type": "HowToStep", "text": "Mash, cover, bake."},
                },
            ],
        },
    ],
}
AN_OLD_PLUGIN = {
    "@context": "http://schema.org",
    "@type": "http://schema.org/Recipe",
    "name": "Gravy",
    "yield": "about 1/2 l",
    "ingredients": "2 tbsp flour\n500 ml stock\n1 onion",
    "recipeInstructions": "1. Brown the onion.\n2. Flour in.\n\n3. Stock in, simmer.",
}
A_SHOP = {
    "@type": "ItemList",
    "itemListElement": [
        {"@type": "ListItem", "position": 1, "item": {"@type": "Recipe", "name": "One"}},
        {"@type": "ListItem", "position": 2, "item": {"@type": "Recipe", "name": "Two"}},
    ],
}
A_PAGE = {"@type": "WebPage", "mainEntity": {"@type": "Recipe", "name": "In a page"}}


def recipes(document: Any) -> list[Recipe]:
    return read_recipes(json.dumps(document).encode())


def reviewed(document: Any, *pieces: Any) -> list[Reviewed]:
    return review(book(*pieces), recipes(document))


class Reading(unittest.TestCase):
    def test_steps_in_a_list(self) -> None:
        [found] = recipes(A_BLOG)
        self.assertEqual((found.name, found.yields), ("Leek & potato soup", "4 servings"))
        self.assertEqual(found.minutes, 70)
        self.assertEqual(
            [each.text for each in found.lines][:2], ["3 leeks, sliced", "500g potatoes"]
        )
        first = found.steps[0]
        self.assertEqual((first.text, first.minutes), ("Sweat the leeks.", 10))
        self.assertEqual(found.steps[1].text, "Stock in; simmer until soft.")

    def test_sections_and_headings_in_a_graph(self) -> None:
        [found] = recipes(A_MAGAZINE)
        self.assertEqual((found.name, found.place), ("Fish pie", "@graph[2]"))
        self.assertEqual(found.yields, "6 portions")
        self.assertEqual(
            [(each.text, each.group) for each in found.lines],
            [("50 g butter", "For the sauce"), ("1 kg potatoes", "For the top")],
        )
        self.assertEqual(
            [(step.section, step.text) for step in found.steps],
            [("Sauce", "Melt the butter."), ("Top", "Mash, cover, bake.")],
        )

    def test_one_text_with_numbers(self) -> None:
        [found] = recipes(AN_OLD_PLUGIN)
        told = [step.text for step in found.steps]
        self.assertEqual(told, ["Brown the onion.", "Flour in.", "Stock in, simmer."])
        self.assertEqual(len(found.lines), 3)

    def test_lists_and_pages_of_recipes(self) -> None:
        self.assertEqual([r.name for r in recipes(A_SHOP)], ["One", "Two"])
        self.assertEqual([r.name for r in recipes(A_PAGE)], ["In a page"])
        self.assertEqual(len(recipes([A_BLOG, A_MAGAZINE, [AN_OLD_PLUGIN]])), 3)

    def test_a_saved_web_page(self) -> None:
        page = (
            "<!doctype html><html><head><script>var x = '</';</script>"
            f'<script type="application/ld+json">{json.dumps(A_BLOG)}</script>'
            f'<script type="application/ld+json">{json.dumps(A_PAGE)}</script></head></html>'
        )
        self.assertEqual(len(read_recipes(page.encode())), 2)

    def test_scripts_and_tags_are_left_behind(self) -> None:
        nasty = {
            "@type": "Recipe",
            "name": "Soup<script>alert('x')</script><img src=x onerror=alert(1)>",
            "recipeIngredient": [
                "1 l <style>p{}</style>stock",
                "<ul><li>2 eggs</li><li>salt</li></ul>",
            ],
            "recipeInstructions": "<p>Boil.</p><p>Serve.<iframe>no</iframe></p>",
        }
        [found] = recipes(nasty)
        self.assertEqual(found.name, "Soup")
        self.assertEqual([each.text for each in found.lines], ["1 l stock", "2 eggs", "salt"])
        self.assertEqual([step.text for step in found.steps], ["Boil.", "Serve."])
        self.assertEqual(plain("1 < 2 &amp; 3\u0007"), "1 < 2 & 3")

    def test_broken_markup_is_read_as_far_as_it_goes(self) -> None:
        for text, words in (
            ("<![<![ soup", "<![<![ soup"),
            ("soup <!-- never closed", "soup"),
            ("soup <!-- aside --> hot", "soup hot"),
            ("soup <script>never closed", "soup"),
            ("<SCRIPT type=x>a</Script >soup", "soup"),
            ("a <b", "a <b"),
            ("İ <style>x</style>soup", "İ soup"),
            ("1 &lt; 2 &frac12; l", "1 < 2 ½ l"),
            ("one<br/>two</P>three", "one\ntwo\nthree"),
        ):
            self.assertEqual(plain(text), words, text)

    def test_encodings(self) -> None:
        text = json.dumps({"@type": "Recipe", "name": "Crème"}, ensure_ascii=False)
        for encoding in ("utf-8", "utf-8-sig", "utf-16"):
            self.assertEqual(read_recipes(text.encode(encoding))[0].name, "Crème")
        with self.assertRaises(BookRefused) as refused:
            read_recipes(text.encode("latin-1"))
        self.assertEqual(refused.exception.faults[0].place, "byte 31")

    def test_what_is_no_recipe_is_refused_with_its_place(self) -> None:
        deep = "[" * 5000 + "]" * 5000
        for content, told in (
            (b"{", "line 1, column 2: not JSON"),
            (b"{}", "no recipe is in it"),
            (b"<html></html>", "no JSON-LD block"),
            (b"<script type='application/ld+json'>{oh</script>", "block 1, line 1, column 2"),
            (deep.encode(), "JSON"),
            (b" " * (MAX_BYTES + 1), "over 16 MB"),
            (json.dumps([A_PAGE] * 501).encode(), "501 recipes at once"),
        ):
            with self.assertRaises(BookRefused) as refused:
                read_recipes(content)
            self.assertIn(told, str(refused.exception))
        many = {"@type": "Recipe", "name": "Long", "recipeIngredient": ["1 egg"] * 501}
        with self.assertRaisesRegex(BookRefused, "recipeIngredient: 501 ingredient lines"):
            recipes(many)
        steps = {"@type": "Recipe", "name": "Long", "recipeInstructions": "stir\n" * 501}
        with self.assertRaisesRegex(BookRefused, "recipeInstructions: more than 500 steps"):
            recipes(steps)
        with self.assertRaisesRegex(BookRefused, "is over 200,000 signs"):
            recipes({"@type": "Recipe", "name": "x" * 200_001})
        with self.assertRaisesRegex(BookRefused, "5500 ingredient lines in all"):
            recipes([{"@type": "Recipe", "recipeIngredient": ["1 egg"] * 500}] * 11)
        many["recipeIngredient"] = ["1 egg"] * 500
        self.assertEqual(len(recipes(many)[0].lines), 500)

    def test_durations(self) -> None:
        for text, minutes in (
            ("PT1H30M", 90),
            ("P1DT2H", 1560),
            ("pt90s", 1.5),
            ("PT0M", None),
            ("P0Y0M0DT0H20M", 20),
            ("-PT5M", None),
            ("PT", None),
            ("PT99999999999999H", None),
            ("00:20:00", None),
            ("1200", None),
            ("an hour", None),
            ("PT1.2.3H", None),
            (45, 45),
            (None, None),
            (True, None),
        ):
            self.assertEqual(minutes_of(text), minutes, text)
        for minutes_, text in ((90, "PT1H30M"), (1.5, "PT1M30S"), (0, "PT0S"), (600, "PT10H")):
            self.assertEqual(duration(minutes_), text)


class Reviewing(unittest.TestCase):
    def test_lines_are_matched_or_stand_for_new_products(self) -> None:
        leeks = product("leek", "allium", "leek")
        [found] = reviewed(A_BLOG, leeks, product("potatoes"), pot("hen-stock", "leek"))
        lines = found.preparation.lines
        self.assertEqual([each.item for each in lines], ["leek", "potatoes", "stock", "salt"])
        self.assertEqual([each.sure for each in found.lines], [True, True, False, False])
        self.assertEqual([match.item for match in found.lines[2].near], ["hen-stock"])
        self.assertEqual([new.otherwise for new in found.products], [Level.UNCHECKED] * 2)
        self.assertEqual((lines[3].typed, lines[3].quantity), ("salt to taste", 0))
        self.assertEqual((lines[0].note, lines[0].role), ("sliced", "aromatic"))
        self.assertEqual((found.preparation.kind, found.preparation.portions), ("soup", 4))

    def test_a_product_that_two_recipes_need_is_made_once(self) -> None:
        both = [
            {"@type": "Recipe", "name": name, "recipeIngredient": ["2 eels"]}
            for name in ("Eel soup", "Eel sauce")
        ]
        first, second = reviewed(both)
        self.assertEqual(first.products, second.products)
        self.assertNotEqual(first.preparation.id, second.preparation.id)
        self.assertEqual(second.preparation.kind, "sauce")

    def test_a_yield_that_says_nothing_is_told(self) -> None:
        [found] = reviewed({"@type": "Recipe", "name": "X", "recipeYield": "plenty"})
        self.assertEqual(
            found.notes,
            (
                'The yield "plenty" could not be read; write it on the card.',
                "It has no ingredient lines.",
            ),
        )
        [gravy] = reviewed(AN_OLD_PLUGIN)
        self.assertEqual(gravy.preparation.yield_, Yield(0.5, "l"))


class Writing(unittest.TestCase):
    def setUp(self) -> None:
        self.reading = read(demo_book(), "2026-11-25")

    def test_a_diet_is_named_only_where_it_suits(self) -> None:
        for id in self.reading.book.preparations:
            content = recipe_content(self.reading, id)
            words = content.get("suitableForDiet", [])
            for diet, word in (("vegan", "VeganDiet"), ("gluten_free", "GlutenFreeDiet")):
                suits = self.reading.verdict(id, diet).value == "suits"
                self.assertEqual(f"https://schema.org/{word}" in words, suits, (id, diet))
        self.assertNotIn("suitableForDiet", recipe_content(self.reading, "steward-ham-stock"))

    def test_every_card_comes_back_as_it_went_out(self) -> None:
        made = self.reading.book.preparations
        sent = recipes_bytes(self.reading, sorted(made))
        returned = review(self.reading.book, read_recipes(sent))
        self.assertEqual(len(returned), len(made))
        for found, id in zip(returned, sorted(made), strict=True):
            card = made[id]
            with self.subTest(id):
                self.assertEqual(found.preparation.name, card.name)
                self.assertEqual(
                    [(s.text, s.minutes) for s in found.preparation.method],
                    [(s.text, s.minutes) for s in card.method],
                )
                counted = [card.lines[n] for n in card.counted()]
                for was, now in zip(counted, found.preparation.lines, strict=True):
                    if "/" not in was.item:
                        self.assertEqual((now.item, now.quantity), (was.item, was.quantity))

    def test_one_card_is_an_object_and_several_a_graph(self) -> None:
        one = json.loads(recipes_bytes(self.reading, ["veloute"]))
        self.assertEqual((one["@type"], one["recipeYield"]), ("Recipe", ["3 l"]))
        self.assertEqual(one["prepTime"], "PT19M")
        two = json.loads(recipes_bytes(self.reading, ["veloute", "white-roux"]))
        self.assertEqual(len(two["@graph"]), 2)

    def test_markdown(self) -> None:
        text = card_markdown(self.reading, "milk-sauce")
        self.assertTrue(text.startswith("# Milk sauce\n"))
        for told in (
            "## To declare, EU 14\n\n**Contains:** Cereals with gluten (wheat), Milk",
            "## Origins\n\n**Contains:** Allium",
            "### To bind",
            "- 480 g White roux",
            "- 1 Onions (strained out)",
            "- 2 leaves Bay leaves (strained out)",
            "**Caution:** Never a hard boil",
            "Not signed off.",
        ):
            self.assertIn(told, text)

    def test_markdown_signs_in_names_stay_as_they_are(self) -> None:
        made = pot("odd", line("butter", note="a_b"), name="*Odd* <b>", method=(Step("# 1\n2"),))
        text = card_markdown(read(book(*CHEESE_BOOK, made)), "odd")
        self.assertIn("# \\*Odd\\* \\<b\\>", text)
        self.assertIn("a\\_b", text)
        self.assertIn("1. \\# 1 2", text)

    def test_the_book_as_a_table(self) -> None:
        rows = book_rows(self.reading)
        made = self.reading.book.preparations.values()
        self.assertEqual(tuple(rows[0]), HEADINGS)
        self.assertEqual(len(rows), 1 + sum(max(len(m.lines), 1) for m in made))
        again = list(csv.reader(io.StringIO(write_csv(rows).decode("utf-8-sig"))))
        self.assertEqual(again, rows)
        by = [dict(zip(HEADINGS, row, strict=True)) for row in rows[1:]]
        roux = next(row for row in by if row["pot"] == "veloute" and row["item"] == "white-roux")
        self.assertEqual((roux["amount"], roux["grams"], roux["counted"]), ("320", "320", "yes"))
        ham = next(row for row in by if row["pot"] == "steward-ham-stock")
        self.assertEqual((ham["line"], ham["contains"]), ("", "Pork, Allium"))


class Printing(unittest.TestCase):
    def test_a_sheet_is_a_pdf_of_its_size_and_the_same_each_time(self) -> None:
        reading = read(demo_book(), "2026-11-25")
        day = date(2026, 11, 25)
        for size, box in (("A4", b"595.2756 841.8898"), ("A5", b"419.5276 595.2756")):
            sheet = card_pdf(reading, "keepers-chowder", size, day)
            self.assertTrue(sheet.startswith(b"%PDF-"))
            self.assertIn(box, sheet)
            self.assertIn(b"Keeper", sheet)
            text = PdfReader(io.BytesIO(sheet)).pages[0].extract_text()
            self.assertLess(text.index("To declare, EU 14"), text.index("Origins"))
            self.assertIn("Contains: Cereals with gluten (wheat", text)
            self.assertEqual(sheet, card_pdf(reading, "keepers-chowder", size, day))

    def test_every_card_of_the_demo_can_be_printed(self) -> None:
        reading = read(demo_book(), "2026-11-25")
        for id in reading.book.preparations:
            self.assertGreater(len(card_pdf(reading, id, "A5", date(2026, 11, 25))), 1000)

    def test_signs_of_markup_in_a_name_do_no_harm(self) -> None:
        made = pot("odd", line("butter", note="<i>"), name="Fish & <b>chips", kind="dish")
        sheet = card_pdf(read(book(*CHEESE_BOOK, made)), "odd", "A4", date(2026, 11, 25))
        self.assertTrue(sheet.startswith(b"%PDF-"))


if __name__ == "__main__":
    unittest.main()
