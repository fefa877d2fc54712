"""The cards that plans make name nothing that was taken out."""

import unittest
from collections.abc import Iterator
from dataclasses import replace

from tests.card_contradictions import contradictions
from tests.chef_kitchens import kitchen
from tests.effort import THOROUGH
from tests.kitchens import BUTTER, FLOUR, OIL, RICE_FLOUR, line, pot, product, reading
from yellow_ladle.core.book.book import Step
from yellow_ladle.core.cards.card_texts import TextRenaming
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.swaps.apply.new_cards import placed
from yellow_ladle.core.swaps.apply.plan_texts import still_named
from yellow_ladle.core.swaps.apply.variant_names import names_by_what_it_is
from yellow_ladle.core.swaps.plans.goals import Goals
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

    def renaming(self, **to: str | None) -> TextRenaming:
        pieces = (FLOUR, BUTTER, OIL, RICE_FLOUR, product("salt"), self.ROUX)
        names = {item.replace("_", "-"): new for item, new in to.items()}
        return TextRenaming.of(reading(*pieces).book, self.ROUX, names)

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


class ACardToTheLetter(unittest.TestCase):
    """What a new card says, told by hand: the checker of names is not asked."""

    def test_the_new_items_stand_where_the_old_ones_did(self) -> None:
        oat_drink = product("oat-drink", "", "oat-drink", density_g_per_ml=1.0)
        milk = product("whole-milk", "milk", "milk", density_g_per_ml=1.0)
        sauce = replace(
            pot("white-sauce", line("whole-milk", "liquid"), line("rice-flour", "thickener")),
            method=(
                Step("Heat the milk to the first steam.", uses=("whole-milk",)),
                Step("Rice flour into the hot milk; whisk.", cue="the milk coats the spoon"),
                Step("Strain."),
            ),
        )
        before = reading(oat_drink, milk, RICE_FLOUR, sauce)
        goals = Goals(("milk",))
        [plan] = [
            plan
            for plan in propose(before, "white-sauce", goals, 5).plans
            if [swap.to for swap in plan.swaps] == ["oat-drink"]
        ]
        [made] = placed(before, plan, names_by_what_it_is(before, plan)).preparations
        texts = [step.text for step in made.method if not step.text.startswith("Instead of")]
        self.assertEqual(
            texts,
            [
                "Heat the oat drink to the first steam.",
                "Rice flour into the hot oat drink; whisk.",
                "Strain.",
            ],
        )
        [cue] = [step.cue for step in made.method if step.cue]
        self.assertEqual(cue, "the oat drink coats the spoon")


class EveryQuestionOnTheDemosPlates(unittest.TestCase):
    def test_no_new_card_names_what_was_taken_out(self) -> None:
        before = read(demo_book())
        plates = [id for id, made in before.book.preparations.items() if made.kind == "dish"]
        cards, wrong, odd = 0, list[str](), list[str]()
        for plate in plates if THOROUGH else plates[::7]:
            questions = [Goals((flag,)) for flag in before.levels(plate)]
            questions += [Goals((), (diet,)) for diet in diets()]
            for goals in questions:
                for plan in propose(before, plate, goals, 3).plans:
                    names = names_by_what_it_is(before, plan)
                    change = placed(before, plan, names)
                    wrong += still_named(before, plan, change)
                    odd += self.contradicting(before, change)
                    cards += len(plan.pots)
        print(f"\nmeasured: {len(wrong)} texts of {cards} new cards name what was taken out")
        self.assertGreater(cards, 50)
        self.assertEqual(wrong, [])
        self.assertEqual(odd, [])

    def test_no_new_card_of_other_kitchens_contradicts_itself(self) -> None:
        cards, odd = 0, list[str]()
        for name in ("hospital", "noodle-shop", "bistro", "harbour-cafe"):
            before, questions = kitchen(name)
            for question in questions:
                for plan in propose(before, question.item, question.goals, 2).plans:
                    change = placed(before, plan, names_by_what_it_is(before, plan))
                    odd += self.contradicting(before, change)
                    cards += len(change.preparations)
        print(f"\nmeasured: {len(odd)} of {cards} new cards of four kitchens contradict themselves")
        self.assertGreater(cards, 200)
        self.assertEqual(odd, [])

    @staticmethod
    def contradicting(before: Reading, change: Change) -> Iterator[str]:
        """What contradicts itself in new cards and did not in those that they come from."""
        for made in change.preparations:
            usual = before.book.preparations.get(made.variant_of or "")
            known = set() if usual is None else set(contradictions(usual))
            yield from (
                f"{made.name}: {sign}" for sign in contradictions(made) if sign not in known
            )


class Contradictions(unittest.TestCase):
    def test_each_kind_is_found(self) -> None:
        for steps in (
            ("Add the brandy and set it alight.", "Nothing is set alight."),
            ("Fry it bare.", "Crumbs fried apart go on top."),
            ("Soak the agar.",),
            ("Lid on, (leave out the egg wash).",),
            ("Bind with the water and the water.",),
            ("Pour onto the , stir.",),
            ("Strain it twice, please. Strain it twice, please.",),
        ):
            card = pot("card", "butter", method=tuple(map(Step, steps)))
            self.assertTrue(list(contradictions(card)), steps)

    def test_a_plain_card_has_none(self) -> None:
        steps = ("Use it measure for measure; do not boil hard.", "Whisk in the butter, and serve.")
        card = pot("card", "butter", method=tuple(map(Step, steps)))
        self.assertEqual(list(contradictions(card)), [])
