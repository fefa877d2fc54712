"""Recipes that are told in sentences: every amount with a food becomes a line to be confirmed."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from tests.effort import examples
from yellow_ladle.core.recipes.ingredient_text import understood_line
from yellow_ladle.core.recipes.recipe import Recipe, RecipeStep
from yellow_ladle.core.recipes.review import review
from yellow_ladle.core.recipes.sentence_amounts import amounts_in, with_lines_from_sentences
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.demo.kitchen import demo_book
from yellow_ladle.files.recipes.any_recipe import recipes_of

SENTENCES = {
    "Melt 50 g butter, sweat two onions, dust with 40 g flour and simmer for 20 minutes.": [
        "50 g butter",
        "two onions",
        "40 g flour",
    ],
    "Whisk 3 eggs with 150 ml cream, season, bake at 180 °C for 25 minutes in a 24 cm tin.": [
        "3 eggs",
        "150 ml cream",
    ],
    "Pour on 1 litre of beef stock and a glass of white wine, reduce by half.": [
        "1 litre of beef stock",
        "a glass of white wine",
    ],
    "Stir twice in 2 batches, rest 10 min, serves 4 people.": [],
    "Cut 1 1/2 kg potatoes into quarters; fold in 0.5 l milk, then 2 tbsp mustard.": [
        "1 1/2 kg potatoes",
        "0.5 l milk",
        "2 tbsp mustard",
    ],
    "Faire fondre 40 g de beurre, ajouter 40 g de farine, mouiller avec 50 cl de lait.": [
        "40 g de beurre",
        "40 g de farine",
        "50 cl de lait",
    ],
    "Zwei Zwiebeln in 30 g Butter anschwitzen, mit 1 Liter Milch aufgießen.": [
        "Zwei Zwiebeln",
        "30 g Butter",
        "1 Liter Milch",
    ],
    "Sofreír 2 cebollas en 50 ml de aceite, añadir 300 g de arroz y cocer 18 minutos.": [
        "2 cebollas",
        "50 ml de aceite",
        "300 g de arroz",
    ],
    "Sciogliere 60 g di burro, unire 60 g di farina e 1 litro di latte.": [
        "60 g di burro",
        "60 g di farina",
        "1 litro di latte",
    ],
}
FOODS = ("butter", "plain flour", "cream", "onions", "beef stock", "hazelnuts", "white wine")


class Told(unittest.TestCase):
    def test_each_amount_with_a_food_is_found(self) -> None:
        for sentence, wanted in SENTENCES.items():
            with self.subTest(sentence):
                self.assertEqual(list(amounts_in(sentence)), wanted)

    @given(st.lists(st.tuples(st.integers(2, 900), st.sampled_from(FOODS)), min_size=1, max_size=6))
    @examples(60)
    def test_none_is_lost_in_a_row_of_clauses(self, amounts: list[tuple[int, str]]) -> None:
        verbs = ("Add", "stir in", "pour on", "fold in", "melt", "dust with")
        clauses = [
            f"{verbs[n % len(verbs)]} {grams} g {food}" for n, (grams, food) in enumerate(amounts)
        ]
        found = list(amounts_in(", ".join(clauses) + " for 5 minutes."))
        self.assertEqual(found, [f"{grams} g {food}" for grams, food in amounts])

    def test_a_recipe_with_a_list_keeps_it(self) -> None:
        [listed] = recipes_of(
            b"Sauce\n\n50 g butter\n50 g flour\n\nMelt 20 g of the butter, stir.\n"
        )
        self.assertEqual([line.text for line in listed.lines], ["50 g butter", "50 g flour"])

    def test_amounts_in_two_parts(self) -> None:
        lines = {
            "40 g to 50 g bonito flakes": (40, 50, "g", "bonito flakes", ""),
            "1 l water plus 1 Tbsp": (None, None, "l", "water", "plus 1 Tbsp"),
            "200 g flour plus 20 g for dusting": (
                None,
                None,
                "g",
                "flour",
                "plus 20 g for dusting",
            ),
            "2 eggs plus 1 yolk": (None, None, "piece", "eggs plus 1 yolk", ""),
        }
        for text, (low, high, unit, item, note) in lines.items():
            read = understood_line(text)
            with self.subTest(text):
                found = (read.low, read.high, read.unit, read.item, read.note)
                self.assertEqual(found, (low, high, unit, item, note))

    def test_a_told_line_asks_and_what_else_is_named_stays_not_checked(self) -> None:
        told = with_lines_from_sentences(
            Recipe("Soup", steps=(RecipeStep("Sweat 100 g leeks in some butter, salt."),))
        )
        self.assertIn("100 g leeks", told.lines[0].question)
        [reviewed] = review(demo_book(), [told])
        self.assertEqual(reviewed.preparation.otherwise, Level.UNCHECKED)
        self.assertTrue(reviewed.lines[0].question)


if __name__ == "__main__":
    unittest.main()
