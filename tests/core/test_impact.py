"""What a change would do, before it is recorded."""

import unittest
from dataclasses import replace

from tests.kitchens import (
    CHEESE_BOOK,
    FREE,
    FULL,
    MAY,
    OPEN,
    levels,
    line,
    pot,
    product,
    reading,
)
from yellow_ladle.core.book.maker import Evidence
from yellow_ladle.core.impact.impact import DietImpact, FlagImpact, impact_of
from yellow_ladle.core.reading.update import Change, choosing, stating, with_lines


class LabelEdits(unittest.TestCase):
    def test_a_statement_reaches_from_the_pots_to_the_plates(self) -> None:
        before = reading(*CHEESE_BOOK, pot("plate", "cheese-sauce", kind="dish"))
        change = stating(before.book, "plain-flour", "mustard", MAY)
        after, found = impact_of(before, change)
        reached = ["white-roux", "bechamel", "cheese-sauce", "plate"]
        self.assertEqual([item.item for item in found.items], reached)
        self.assertEqual(found.items[0].flags, (FlagImpact("mustard", FREE, MAY),))
        self.assertEqual((found.pots, found.plates), (3, 1))
        self.assertEqual(after.level("plate", "mustard"), MAY)
        told = "Changes 3 pots, 1 plate: White roux, Bechamel, Cheese sauce, Plate."
        self.assertEqual(found.sentence(), told)

    def test_what_another_source_brings_already_has_no_impact(self) -> None:
        before = reading(*CHEESE_BOOK)
        _, found = impact_of(before, stating(before.book, "hard-cheese", "wheat", FULL))
        self.assertEqual(found.items, ())
        self.assertEqual(found.sentence(), "Changes no pot and no plate.")

    def test_verdicts_change_with_the_flags(self) -> None:
        before = reading(*CHEESE_BOOK)
        _, found = impact_of(before, stating(before.book, "hard-cheese", "animal_rennet", FREE))
        [item] = found.items
        self.assertIn(DietImpact("vegetarian", "ask", "suits"), item.diets)

    def test_many_names_are_cut_short_in_the_sentence_only(self) -> None:
        sauces = [pot(f"sauce-{n}", "white-roux") for n in range(5)]
        before = reading(*CHEESE_BOOK, *sauces)
        _, found = impact_of(before, stating(before.book, "butter", "soy", FULL))
        self.assertTrue(found.sentence().endswith("and 4 more."))
        self.assertEqual(len(found.items), 8)


class Stating(unittest.TestCase):
    def test_evidence_comes_and_goes_with_the_statement(self) -> None:
        book = reading(*CHEESE_BOOK).book
        why = Evidence("label", "2026-11-24", "MK")
        [flour] = stating(book, "plain-flour", "soy", MAY, why).products
        self.assertEqual(flour.evidence, {"soy": why})
        grown = reading(flour, *CHEESE_BOOK[1:]).book
        [back] = stating(grown, "plain-flour", "soy", None).products
        self.assertEqual((back.statements, back.evidence), (levels("wheat"), {}))

    def test_a_pot_can_be_stated_too(self) -> None:
        before = reading(*CHEESE_BOOK)
        change = stating(before.book, "bechamel", "almond", MAY)
        after, found = impact_of(before, change)
        self.assertEqual([item.item for item in found.items], ["bechamel", "cheese-sauce"])
        self.assertEqual(after.level("cheese-sauce", "almond"), MAY)


class Reshaping(unittest.TestCase):
    def test_a_new_pot_and_a_removed_one(self) -> None:
        before = reading(product("hen", "poultry"))
        change = Change(preparations=(pot("stock", "hen", by="fat"),))
        after, found = impact_of(before, change)
        self.assertEqual([item.item for item in found.items], ["stock", "stock/fat"])
        self.assertEqual(found.pots, 1)
        self.assertIsNone(found.items[0].diets[0].before)
        gone, lost = impact_of(after, Change(removed=("stock",)))
        self.assertEqual([item.item for item in lost.items], ["stock", "stock/fat"])
        self.assertEqual(lost.items[0].flags, (FlagImpact("poultry", FULL, FREE),))
        self.assertEqual(gone.items(), [])

    def test_a_by_product_that_is_dropped_is_gone(self) -> None:
        before = reading(product("hen", "poultry"), pot("stock", "hen", by="fat meat"))
        after, _ = impact_of(before, Change(preparations=(pot("stock", "hen", by="meat"),)))
        self.assertEqual(after.items(), ["stock", "stock/meat"])
        self.assertNotIn("stock/fat", after.masks)

    def test_a_removed_product_is_gone(self) -> None:
        before = reading(product("hen", "poultry"), product("leek"))
        after, found = impact_of(before, Change(removed=("leek",)))
        self.assertNotIn("leek", after.masks)
        self.assertEqual(found.items, ())

    def test_choosing_another_alternative(self) -> None:
        sauce = pot("sauce", line("hen", choice="l", chosen=True), line("leek", choice="l"), "hen")
        chosen = choosing(sauce, 1)
        self.assertEqual([entry.chosen for entry in chosen.lines], [False, True, False])
        self.assertEqual(choosing(sauce, 2), sauce)

    def test_lines_are_replaced_or_left_out_by_their_place(self) -> None:
        sauce = pot("sauce", "a", "b", "c")
        kept = with_lines(sauce, [(0, None), (2, line("z"))])
        self.assertEqual([entry.item for entry in kept.lines], ["b", "z"])

    def test_a_pot_recorded_by_flags_gets_its_card_later(self) -> None:
        before = reading(product("ham", "pork"), pot("stock", statements=levels("celery")))
        self.assertEqual(before.level("stock", "egg"), OPEN)
        written = replace(before.book.preparations["stock"], lines=(line("ham"),))
        after, _ = impact_of(before, Change(preparations=(written,)))
        self.assertEqual(after.levels("stock"), levels("pork celery"))
