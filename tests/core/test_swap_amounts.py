"""What a plan does to amounts, to the rest of the pot and to its method."""

import unittest
from dataclasses import replace

from tests.kitchens import (
    BUTTER,
    CHEESE_BOOK,
    FLOUR,
    MILK,
    OIL,
    ROUX,
    line,
    pot,
    product,
    reading,
)
from tests.planned import NO_WHEAT, OAT, plan_of
from yellow_ladle.core.book.book import Preparation, Step
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.numbers.thickeners import thickeners
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.reading.update import applied
from yellow_ladle.core.swaps.apply.adjustments import adjusted, adjustments
from yellow_ladle.core.swaps.apply.method import reworked
from yellow_ladle.core.swaps.apply.new_cards import placed
from yellow_ladle.core.swaps.apply.plan_texts import PlanTexts
from yellow_ladle.core.swaps.plans.swap import Swap
from yellow_ladle.core.swaps.rules.swap_rules import rules_by_id
from yellow_ladle.core.swaps.search.proposal import propose
from yellow_ladle.core.swaps.search.swap_amounts import worked_out
from yellow_ladle.core.thickening.thickness import kept


class Amounts(unittest.TestCase):
    """Hand-worked: what does the same in the pot, by what it does."""

    def worked(
        self, rule_id: str, entry: object, to: str, *pieces: Product | Preparation
    ) -> object:
        made = pot("sauce", entry, class_="sauce")  # type: ignore[arg-type]
        before = reading(*pieces, made)
        found = worked_out(before.balance, made, made.lines[0], to, rules_by_id()[rule_id])
        return (found.quantity, found.unit)

    def test_a_thickener_by_its_power(self) -> None:
        # 60 g of flour; maize starch binds twice as much: 30 g
        entry = line("plain-flour", "thickener", quantity=60)
        maize = product("starch", "", "maize-starch")
        self.assertEqual(
            self.worked("maize-slurry-for-flour", entry, "starch", FLOUR, maize), (30, "g")
        )
        # 0.3 kg of a roux that is half flour is 150 g of flour: 150 / 2 = 75 g of starch
        entry = line("white-roux", "thickener", quantity=0.3, unit="kg")
        pieces = (FLOUR, BUTTER, ROUX, maize)
        self.assertEqual(
            self.worked("maize-slurry-for-roux", entry, "starch", *pieces), (0.075, "kg")
        )

    def test_a_brown_roux_binds_less_so_less_starch_stands_for_it(self) -> None:
        # 300 g of roux, 150 g of flour browned by 1.5: as 100 g in a white one, 50 g of starch
        brown = replace(ROUX, id="brown-roux", class_="brown-roux", colour="brown")
        maize = product("starch", "", "maize-starch")
        entry = line("brown-roux", "thickener", quantity=300)
        found = self.worked(
            "maize-slurry-for-brown-roux", entry, "starch", FLOUR, BUTTER, brown, maize
        )
        self.assertEqual(found, (50, "g"))

    def test_fat_by_its_share(self) -> None:
        # 100 g of butter are 82 g of fat, which oil is whole
        entry = line("butter", "fat")
        self.assertEqual(self.worked("oil-for-butter", entry, "oil", BUTTER, OIL), (82, "g"))

    def test_acid_by_how_sour_it_is(self) -> None:
        # 500 g of wine at 0.6 % are 3 g of acid: 300 g of verjuice at 1 %
        wine = product("wine", "alcohol", "white-wine")
        verjuice = product("verjuice")
        entry = line("wine", "liquid", quantity=500)
        found = self.worked("verjuice-for-white-wine", entry, "verjuice", wine, verjuice)
        self.assertEqual(found, (300, "g"))

        # 3 g of acid again: 60 g of vinegar at 5 %
        vinegar = product("vinegar")
        found = self.worked("vinegar-for-white-wine", entry, "vinegar", wine, vinegar)
        self.assertEqual(found, (60, "g"))
        # where nobody knows how sour one of them is, the rule's ratio serves
        rule = rules_by_id()["verjuice-for-white-wine"]
        oil = self.worked("verjuice-for-white-wine", entry, "oil", wine, OIL)
        self.assertEqual(oil, (round(500 * rule.ratio, 2), "g"))

    def test_a_thickener_by_what_the_pot_leaves_of_both(self) -> None:
        # 80 g of arrowroot for 40 g of flour, each by the middle of its range
        known = thickeners()
        arrowroot, maize = known["arrowroot"], known["maize-starch"]
        goods = (product("arrowroot"), product("starch", "", "maize-starch"))
        for minutes, sour in ((0.0, False), (15.0, False), (0.0, True)):
            entry = line("arrowroot", "thickener", quantity=80, minutes=minutes)
            acid = (line("vinegar", "acid", quantity=900),) if sour else ()
            card = pot("sauce", entry, *acid, class_="sauce")
            before = reading(*goods, product("vinegar"), card)
            rule = replace(rules_by_id()["maize-slurry-for-flour"], stage=None)
            found = worked_out(before.balance, card, entry, "starch", rule)
            flour = 80 / arrowroot.weight * kept(arrowroot, minutes, sour=sour)
            wanted = flour * maize.weight / kept(maize, minutes, sour=sour)
            with self.subTest(minutes=minutes, sour=sour):
                self.assertNotEqual(arrowroot.weight, maize.weight)
                self.assertAlmostEqual(found.quantity, wanted, delta=0.06)
            # what goes in at the end is boiled no minute, whatever the old one was
            last = replace(rule, stage="finish")
            at_the_end = worked_out(before.balance, card, entry, "starch", last)
            self.assertAlmostEqual(
                at_the_end.quantity, flour * maize.weight / kept(maize, 0, sour=sour), delta=0.06
            )

    def test_a_drink_by_its_volume(self) -> None:
        heavy = replace(OAT, density_g_per_ml=1.05)
        light = replace(MILK, density_g_per_ml=1.0)
        entry = line("milk", "liquid", quantity=1000)
        found = self.worked("plant-drink-for-milk", entry, "oat-drink", light, heavy)
        self.assertEqual(found, (1050, "g"))

    def test_pieces_of_the_old_are_weighed(self) -> None:
        # 3 onions of 110 g each: 330 g of fennel
        onion = product("onion", "allium", unit_weight_g=110)
        entry = line("onion", "aromatic", quantity=3, unit="piece")
        found = self.worked("leek-free-aromatics", entry, "fennel", onion, product("fennel"))
        self.assertEqual(found, (330, "g"))


class Adjusting(unittest.TestCase):
    def test_salt_gives_what_the_new_item_brings(self) -> None:
        # 100 g of powder at 40 % bring 40 g of salt, of the other at 10 % only 10 g: 30 g more
        salt = product("salt", salt_g_per_100g=100)
        old = product("cube", "wheat", "stock-cube", salt_g_per_100g=40)
        new = product("powder", "", "vegetable-stock-powder", salt_g_per_100g=10)
        soup = pot("soup", line("cube", "seasoning"), line("salt", "seasoning", quantity=20))
        before = reading(salt, old, new, soup)
        plan = plan_of(before, "soup", NO_WHEAT, Swap("soup", 0, "cube", "powder", 100, "g", "r"))
        [part] = adjustments(before, plan)
        self.assertEqual((part.item, part.before, part.after), ("salt", 20, 50))
        self.assertIn("30 g less salt", part.why)
        after = read(applied(before.book, placed(before, plan, {}, [part])))
        was, now = before.balance.of("soup").per_gram[0], after.balance.of("soup").per_gram[0]
        self.assertAlmostEqual(was * 120, now * 150)

    def test_nothing_is_guessed_where_the_salt_is_not_recorded(self) -> None:
        salt = product("salt", salt_g_per_100g=100)
        old = product("cube", "wheat", "stock-cube", salt_g_per_100g=40)
        soup = pot("soup", line("cube", "seasoning"), line("salt", "seasoning", quantity=20))
        before = reading(salt, old, product("powder"), soup)
        plan = plan_of(before, "soup", NO_WHEAT, Swap("soup", 0, "cube", "powder", 100, "g", "r"))
        self.assertEqual(adjustments(before, plan), ())

    def test_missing_liquid_is_made_up_with_another(self) -> None:
        wine, stock = product("wine", "wheat", "white-wine"), product("stock")
        sharp = product("vinegar")
        soup = pot(
            "soup", line("wine", "liquid", quantity=400), line("stock", "liquid", quantity=600)
        )
        before = reading(wine, stock, sharp, soup)
        plan = plan_of(before, "soup", NO_WHEAT, Swap("soup", 0, "wine", "vinegar", 40, "g", "r"))
        [part] = adjustments(before, plan)
        self.assertEqual((part.item, part.before, part.after), ("stock", 600, 960))
        [made] = placed(before, plan, {}, [part]).preparations
        self.assertEqual([entry.quantity for entry in made.lines], [40, 960])
        self.assertEqual(adjusted(soup, [replace(part, in_="other")]), soup)


class Methods(unittest.TestCase):
    def card(self) -> Reading:
        steps = (
            Step("Cook the roux.", minutes=6, uses=("white-roux",)),
            Step("Add the milk to the roux.", uses=("white-roux", "milk")),
            Step("Strain."),
        )
        sauce = pot("sauce", line("white-roux", "thickener"), line("milk", "liquid"), method=steps)
        return reading(FLOUR, BUTTER, MILK, ROUX, product("starch", "", "maize-starch"), sauce)

    def test_roux_first_becomes_slurry_last(self) -> None:
        before = self.card()
        [plan, *_] = propose(before, "sauce", NO_WHEAT).plans
        found = reworked(PlanTexts(before, plan), "sauce")
        told = [(change.kind, change.text) for change in found.changes]
        self.assertEqual(told[0], ("dropped", "Cook the roux."))
        self.assertEqual(told[1][0], "changed")
        self.assertEqual(
            [step.text for step in found.steps][:2],
            ["Add the milk.", "Strain."],
        )
        self.assertTrue(found.steps[-1].text.startswith("Instead of White roux: Stir the starch"))
        self.assertEqual(found.minutes, 2 - 6)
        self.assertEqual(found.steps[0].uses, ("starch", "milk"))

    def test_what_no_step_speaks_of_is_said_first(self) -> None:
        before = reading(*CHEESE_BOOK)
        swap = Swap(
            "white-roux", 0, "plain-flour", "rice-flour", 1, "g", "r", ("Whisk.",), when="with"
        )
        plan = plan_of(before, "cheese-sauce", NO_WHEAT, swap)
        found = reworked(PlanTexts(before, plan), "white-roux")
        self.assertEqual([step.text for step in found.steps], ["Instead of Plain flour: Whisk."])


if __name__ == "__main__":
    unittest.main()
