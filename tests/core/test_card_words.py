"""What a card's texts name and no line brings."""

import unittest
from dataclasses import replace

from tests.kitchens import BUTTER, FLOUR, line, pot, product, reading
from yellow_ladle.core.book.book import Preparation, Step
from yellow_ladle.core.cards.card_words import card_words
from yellow_ladle.core.reading.reading import read
from yellow_ladle.demo.kitchen import demo_book


def card(*steps: str, **rest: object) -> Preparation:
    """A pot of leeks whose method says these things."""
    made = pot("soup", line("leek"), **rest)  # type: ignore[arg-type]
    return replace(made, method=tuple(Step(text) for text in steps))


def named(*steps: str, **rest: object) -> list[tuple[int | None, str, tuple[str, ...]]]:
    """The words found on such a card."""
    made = card(*steps, **rest)
    found = card_words(reading(product("leek", "allium"), made))
    return [(word.step, word.text, word.flags) for word in found]


class Words(unittest.TestCase):
    def test_what_no_line_brings_is_named_where_it_stands(self) -> None:
        self.assertEqual(
            named("Sweat the leeks.", "Brush with egg wash", "Melt the Butter, add Worcester"),
            [(1, "egg wash", ("egg",)), (2, "Butter", ("milk",))],
        )
        self.assertEqual(named("Butter the tin."), [(0, "Butter", ("milk",))])
        self.assertEqual(named("x", name="Prawn broth"), [(None, "Prawn", ("crustacean",))])

    def test_what_only_sounds_like_food_is_not(self) -> None:
        for text in (
            "Add the butter beans and coconut milk.",
            "Cream together until pale.",
            "Fish out the bay leaf.",
            "Line a cake tin; use a fish slice.",
            "Roll to the size of a walnut.",
            "Cook without butter.",
            "Oil instead of butter.",
            "Do not add the egg.",
            "Leave out the cream.",
            "Reduce until as thick as cream.",
            "Rub in until like coarse crumbs.",
            "Instead of Anna's best farmhouse cultured salted butter: whisk longer.",
            "Toast the spices in a milk pan.",
            "Cook to hazelnut brown.",
            "Cook until hazelnut-coloured.",
            "Whisk to a smooth cream.",
            "Bake to an egg-shell colour.",
        ):
            self.assertEqual(named(text), [], text)

    def test_a_kitchens_terms_for_what_goes_in(self) -> None:
        for text, flags in (
            ("Stir in the crème fraîche.", ("milk",)),
            ("A dash of Worcestershire-type sauce.", ("fish",)),
            ("Bind with beurre manié.", ("wheat", "milk")),
            ("Monter au beurre off the heat.", ("milk",)),
            ("Scatter with hazelnuts, brown them.", ("hazelnut",)),
            ("Add the cream to a pan.", ("milk",)),
        ):
            with self.subTest(text=text):
                self.assertEqual({*flags}, {f for _, _, found in named(text) for f in found})

    def test_what_goes_in_instead_is_named(self) -> None:
        self.assertEqual(
            named("Instead of oil use cream.", "Without oil, melt butter."),
            [(0, "cream", ("milk",)), (1, "butter", ("milk",))],
        )

    def test_what_a_line_brings_is_no_word(self) -> None:
        made = replace(
            pot("roux", line("plain-flour"), line("butter")),
            method=(Step("Melt the butter, stir in the flour."),),
        )
        self.assertEqual(card_words(reading(FLOUR, BUTTER, made)), [])

    def test_the_name_of_a_line_is_its_own_whatever_it_sounds_like(self) -> None:
        block = replace(product("block", "", "vegan-block"), name="Plain vegan butter")
        made = replace(pot("roux", line("block")), method=(Step("Melt the butter."),))
        self.assertEqual(card_words(reading(block, made)), [])

    def test_words_that_are_said_not_to_be_in_it_and_retired_cards_are_left_out(self) -> None:
        self.assertEqual(named("Brush with egg wash.", not_in_it=("Egg  wash",)), [])
        self.assertEqual(named("Brush with egg wash.", retired="2026-01-01"), [])

    def test_cue_caution_and_notes_are_read_too(self) -> None:
        made = pot("soup", line("leek", note="tossed in butter"))
        made = replace(made, method=(Step("Stir.", cue="like mustard", caution="hot milk"),))
        found = card_words(reading(product("leek", "allium"), made))
        told = [(word.step, word.text) for word in found]
        self.assertEqual(told, [(None, "butter"), (0, "mustard"), (0, "milk")])

    def test_the_demos_cards_name_nothing_that_they_do_not_hold(self) -> None:
        self.assertEqual(card_words(read(demo_book())), [])
