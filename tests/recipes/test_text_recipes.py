"""Recipes read from text: what is found in sixty of them, and that nothing is lost or misread."""

import random
import re
import unittest
from collections.abc import Callable, Iterator
from typing import Any

from hypothesis import given
from hypothesis import strategies as st

from tests.effort import SEED, examples, tries
from tests.recipes.layouts import Laid, laid_out
from tests.recipes.measuring import Counted, fresh, measure, texts
from yellow_ladle.core.recipes.ingredient_list import run_in
from yellow_ladle.core.recipes.ingredient_text import understood_line
from yellow_ladle.core.recipes.line_spacing import single_spaced
from yellow_ladle.core.recipes.recipe import UNNAMED, Recipe
from yellow_ladle.core.recipes.text_reader import text_recipes

GOODS = ("butter", "plain flour", "leeks", "milk", "cod", "salt", "hen stock", "brown onions")
UNITS = ("g", "kg", "ml", "l", "tbsp", "tsp", "cups", "oz")
CHATTY = """# Crab cakes

By Somebody, 12 January

A little rich for a starter, but nobody complains.

- A pan you trust
- No freezer

## Ingredients

1. 500 g white crab meat
2. **For the tartare:**
   - 150 g mayonnaise
   - 1 tbsp capers

## Method

1. Mix and shape.
2. Fry 3 minutes.
"""
CAPITALS = """BEEF BROTH

BEEF BONES 2 KG
CELERY
KOSHER SALT
WATER 4 L

GARNISH:
SQUEEZE LEMON
PARSLEY, CHOPPED
5 G CAPERS

SIMMER 4 HOURS.
"""
COPIED: dict[str, Callable[[str], str]] = {
    "with Windows line ends": lambda text: text.replace("\n", "\r\n"),
    "with a byte order mark": lambda text: f"\ufeff{text}",
    "with spaces that do not break": lambda text: text.replace(" ", "\u00a0"),
    "with spaces at the ends": lambda text: text.replace("\n", "   \n"),
    "quoted": lambda text: re.sub(r"(?m)^", "> ", text),
    "indented": lambda text: re.sub(r"(?m)^", "    ", text),
    "under the head of a mail": lambda text: f"From: Sam\nSubject: cards\n\n{text.lstrip()}",
}
STEPS = ("Melt the butter.", "Simmer for 20 minutes.", "Strain and season.", "Bake 1 hour.")


def _all_texts() -> Iterator[dict[str, Any]]:
    yield from fresh()
    for english in (True, False):
        for aside in (True, False):
            yield from texts(english=english, aside=aside)


def _is_whole(recipe: Recipe) -> bool:
    return recipe.name != UNNAMED and bool(recipe.lines and recipe.steps)


class Measured(unittest.TestCase):
    def test_what_is_found_in_the_texts(self) -> None:
        for english, lines, amounts in ((True, 99, 97), (False, 99, 90)):
            for aside in (False, True):
                found = measure(texts(english=english, aside=aside))
                which = "English" if english else "French, German, Spanish, Italian"
                print(f"\nmeasured: recipes, {which}{', the third' if aside else ''}: {found.told}")
                with self.subTest(english=english, aside=aside):
                    self.reaches(found, lines, amounts)

    def test_what_is_found_in_texts_written_after_it(self) -> None:
        found = measure(fresh())
        print(f"\nmeasured: recipes, written after the reader and mended by: {found.told}")
        self.reaches(found, 99, 97)

    def test_a_text_says_the_same_however_it_was_copied(self) -> None:
        chosen = random.Random(SEED).sample(list(_all_texts()), tries(160))
        for text in (text["text"] for text in chosen):
            read = text_recipes(text)
            for how, copied in COPIED.items():
                with self.subTest(how, text=text):
                    self.assertEqual(text_recipes(copied(text)), read)

    def test_a_text_with_each_line_by_itself_is_closed_up(self) -> None:
        chosen = random.Random(SEED).sample(list(_all_texts()), tries(160))
        closed = 0
        for text in (text["text"].strip() for text in chosen):
            spaced = text.replace("\n", "\n\n")
            if single_spaced(spaced) == text:
                closed += 1
                self.assertEqual(text_recipes(spaced), text_recipes(text))
        # A text of a few lines may stand so on purpose.
        self.assertGreater(closed, 0.8 * len(chosen))

    def test_in_capitals_nothing_is_lost(self) -> None:
        [recipe] = text_recipes(CAPITALS)
        self.assertEqual(
            [(line.text, line.group) for line in recipe.lines],
            [
                ("BEEF BONES 2 KG", ""),
                ("CELERY", ""),
                ("KOSHER SALT", ""),
                ("WATER 4 L", ""),
                ("SQUEEZE LEMON", "GARNISH"),
                ("PARSLEY, CHOPPED", "GARNISH"),
                ("5 G CAPERS", "GARNISH"),
            ],
        )

    def test_a_notebook_is_read_as_its_recipes_are_alone(self) -> None:
        chosen = random.Random(SEED)
        known = [(text["text"].strip(), text_recipes(text["text"])) for text in _all_texts()]
        whole = [(text, read) for text, read in known if all(map(_is_whole, read))]
        self.assertGreater(len(whole), 200)
        for _ in range(tries(200)):
            recipes = chosen.sample(whole, 3)
            for gap in ("\n\n---\n\n", "\n\n\n"):
                alone = [recipe for _, read in recipes for recipe in read]
                self.assertEqual(text_recipes(gap.join(text for text, _ in recipes)), alone)

    def reaches(self, found: Counted, lines: float, amounts: float) -> None:
        self.assertGreaterEqual(found.share(found.lines_found, found.lines), lines, found.faults)
        self.assertGreaterEqual(found.share(found.amounts_right, found.amounts), amounts)
        self.assertGreaterEqual(found.share(found.steps_in_order, found.steps), 98, found.faults)
        self.assertEqual(found.silent, [])
        self.assertEqual(found.faults, [])


class Properties(unittest.TestCase):
    @examples(60)
    @given(
        st.lists(st.sampled_from(GOODS), min_size=1, max_size=8, unique=True),
        st.data(),
    )
    def test_however_a_card_is_laid_out_its_lines_and_steps_are_found(
        self, goods: list[str], data: st.DataObject
    ) -> None:
        amounts = [
            (data.draw(st.integers(1, 900)), data.draw(st.sampled_from(UNITS))) for _ in goods
        ]
        steps = data.draw(st.lists(st.sampled_from(STEPS), min_size=1, max_size=4, unique=True))
        mark = data.draw(st.sampled_from(("", "- ", "* ", "• ")))
        headed = data.draw(st.booleans())
        numbered = data.draw(st.booleans())
        first = data.draw(st.booleans())
        told = [
            f"{mark}{n} {unit} {item}" if first or not mark else f"{mark}{item}: {n} {unit}"
            for (n, unit), item in zip(amounts, goods, strict=True)
        ]
        text = "\n".join(
            (
                "A made-up stew",
                "",
                *(("Ingredients",) if headed else ()),
                *told,
                "",
                *(("Method",) if headed else ()),
                *(f"{n}. {step}" if numbered else step for n, step in enumerate(steps, 1)),
            )
        )
        [recipe] = text_recipes(text)
        self.assertEqual(recipe.name, "A made-up stew")
        read = [understood_line(line.text) for line in recipe.lines]
        self.assertEqual([r.item for r in read], goods)
        self.assertEqual([r.quantity for r in read], [n for n, _ in amounts])
        self.assertEqual([step.text for step in recipe.steps], steps)

    @examples(400)
    @given(laid_out())
    def test_whatever_separates_its_amounts_parts_and_steps(self, laid: Laid) -> None:
        [recipe] = text_recipes(laid.text)
        read = [(understood_line(line.text), line.group) for line in recipe.lines]
        self.assertEqual(recipe.name, laid.name)
        told = [(found.item, found.quantity, part) for found, part in read]
        self.assertEqual(told, laid.lines, laid.text)
        self.assertEqual([step.text for step in recipe.steps], laid.steps)

    @examples(100)
    @given(st.lists(st.text(st.characters(codec="utf-8"), max_size=60), max_size=12))
    def test_no_text_breaks_it_and_no_amount_is_lost(self, lines: list[str]) -> None:
        text = "\n".join(["A stew", "", "100 g butter", *lines])
        found = text_recipes(text)
        self.assertTrue(found)
        self.assertIn("100 g butter", [line.text for recipe in found for line in recipe.lines])

    @examples(60)
    @given(st.lists(st.sampled_from(GOODS), min_size=2, max_size=6, unique=True), st.data())
    def test_a_list_in_one_line_is_the_same_as_one_beneath_the_other(
        self, goods: list[str], data: st.DataObject
    ) -> None:
        told = [f"{data.draw(st.integers(1, 900))} g {item}" for item in goods]
        self.assertEqual(run_in(", ".join(told)), told)
        self.assertEqual(run_in(", ".join(told[:-1]) + f" and {told[-1]}"), told)

    def test_what_is_told_before_the_ingredients_is_none(self) -> None:
        [recipe] = text_recipes(CHATTY)
        self.assertEqual(recipe.name, "Crab cakes")
        self.assertEqual(
            [(line.text, line.group) for line in recipe.lines],
            [
                ("500 g white crab meat", ""),
                ("150 g mayonnaise", "tartare"),
                ("1 tbsp capers", "tartare"),
            ],
        )
        self.assertEqual([step.text for step in recipe.steps], ["Mix and shape.", "Fry 3 minutes."])


class Letters(unittest.TestCase):
    """A recipe in a letter: its greeting is no name, its farewell no step."""

    LETTERS = (
        ("Hello Anna, here is my recipe as promised!", "Best wishes, Tom"),
        ("Hi chef,", "Cheers"),
        ("Liebe Eva,", "Viele Grüße\nPaul"),
        ("Chère Léa,", "Bises"),
        ("Hola a todos", "¡Buen provecho!"),
        ("Ciao Marco", "Buon appetito!"),
    )

    def test_the_greeting_is_no_name_and_the_farewell_no_step(self) -> None:
        for greeting, farewell in self.LETTERS:
            text = (
                f"{greeting}\n\nOnion soup\n\n1 kg onions\n2 l stock\n\nSweat them.\n\n{farewell}\n"
            )
            [soup] = text_recipes(text)
            self.assertEqual(soup.name, "Onion soup", greeting)
            self.assertEqual([line.text for line in soup.lines], ["1 kg onions", "2 l stock"])
            self.assertEqual(soup.steps[0].text, "Sweat them.")
            told = " ".join(step.text for step in soup.steps)
            self.assertNotIn(farewell.partition("\n")[0], told)

    def test_a_last_line_that_names_goods_stays(self) -> None:
        for last in ("Enjoy with crème fraîche.", "Love it with mustard.", "Enjoy 2 spoons each."):
            text = f"Onion soup\n\n1 kg onions\n2 l stock\n\nSweat them.\n\n{last}\n"
            [soup] = text_recipes(text)
            self.assertIn(last, [step.text for step in soup.steps])

    def test_a_first_line_that_names_goods_stays(self) -> None:
        [soup] = text_recipes("Dear old onion soup\n\n1 kg onions\n2 l stock\n\nSweat them.\n")
        self.assertEqual(soup.name, "Dear old onion soup")

    def test_the_number_of_a_batch_is_no_yield(self) -> None:
        for name in ("Onion soup (batch 4)", "Onion soup, batch no. 12", "Onion soup - batch 7b"):
            [soup] = text_recipes(f"{name}\n\n1 kg onions\n2 l stock\n\nSweat them.\n")
            self.assertEqual((soup.name, soup.portions, soup.yield_), (name, None, None))
        [buns] = text_recipes("Buns (batch of 12)\n\n1 kg flour\n600 ml milk\n\nKnead, bake.\n")
        self.assertIsNotNone(buns.portions or buns.yield_)


if __name__ == "__main__":
    unittest.main()
