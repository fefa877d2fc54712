"""The cards that plans make name nothing that was taken out."""

import unittest
from dataclasses import replace

from tests.effort import THOROUGH
from tests.kitchens import BUTTER, FLOUR, OIL, RICE_FLOUR, line, pot, product, reading
from yellow_ladle.core.book.book import Step
from yellow_ladle.core.cards.card_texts import Renaming
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.swaps.apply.new_cards import placed
from yellow_ladle.core.swaps.apply.plan_texts import still_named
from yellow_ladle.core.swaps.apply.variant_names import names_by_what_it_is
from yellow_ladle.core.swaps.goals import Goals
from yellow_ladle.core.swaps.search.proposal import propose
from yellow_ladle.core.vocabulary.diets import diets
from yellow_ladle.demo.kitchen import demo_book


class Texts(unittest.TestCase):
    ROUX = replace(
        pot("roux", line("plain-flour"), line("butter", "fat", note="soft butter"), line("salt")),
        method=(
            Step("Melt the butter. Flour in.", cue="foam of the butter gone"),
            Step("Butter beans, coconut butter and salt.", uses=("butter", "salt")),
            Step("Cook without butter if you like."),
        ),
    )

    def renaming(self, **to: str | None) -> Renaming:
        pieces = (FLOUR, BUTTER, OIL, RICE_FLOUR, product("salt"), self.ROUX)
        names = {item.replace("_", "-"): new for item, new in to.items()}
        return Renaming.of(reading(*pieces).book, self.ROUX, names)

    def test_the_new_name_stands_where_the_old_one_did(self) -> None:
        told = self.renaming(butter="oil")
        self.assertEqual(told.text("Melt the butter."), "Melt the rapeseed oil.")
        self.assertEqual(told.text("Butter in."), "Rapeseed oil in.")
        self.assertFalse(told.names_what_is_gone(told.text("Butter, then more butter")))

    def test_what_is_left_out_is_said_to_be(self) -> None:
        told = self.renaming(butter=None)
        self.assertEqual(told.text("Melt the butter, stir."), "Melt (leave out the butter), stir.")
        self.assertFalse(told.names_what_is_gone("Melt (leave out the butter)"))

    def test_what_sounds_like_it_is_left_alone(self) -> None:
        told = self.renaming(butter="oil")
        for text in ("Butter the beans", "Cook without butter", "Use a butter knife"):
            kept = told.text(text)
            self.assertEqual(kept == text, text != "Butter the beans", kept)

    def test_a_word_that_both_have_in_their_names_is_the_new_ones(self) -> None:
        told = self.renaming(plain_flour="rice-flour")
        self.assertEqual(told.text("Flour in"), "Rice flour in")
        self.assertFalse(told.names_what_is_gone("Rice flour in"))
        self.assertTrue(told.names_what_is_gone("Plain flour in"))


class EveryQuestionOnTheDemosPlates(unittest.TestCase):
    def test_no_new_card_names_what_was_taken_out(self) -> None:
        before = read(demo_book())
        plates = [id for id, made in before.book.preparations.items() if made.kind == "dish"]
        cards, wrong = 0, []
        for plate in plates if THOROUGH else plates[::7]:
            questions = [Goals((flag,)) for flag in before.levels(plate)]
            questions += [Goals((), (diet,)) for diet in diets()]
            for goals in questions:
                for plan in propose(before, plate, goals, 3).plans:
                    names = names_by_what_it_is(before, plan)
                    wrong += still_named(before, plan, placed(before, plan, names))
                    cards += len(plan.pots)
        print(f"\nmeasured: {len(wrong)} texts of {cards} new cards name what was taken out")
        self.assertGreater(cards, 50)
        self.assertEqual(wrong, [])
