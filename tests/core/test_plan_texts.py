"""What the cards of a plan are called, and that nothing in them speaks of what went out."""

import unittest
from dataclasses import replace

from tests.kitchens import FLOUR, RICE_FLOUR, line, pot, product, reading
from tests.planned import as_variant, for_all, plan_of
from yellow_ladle.core.book.book import Step
from yellow_ladle.core.cards.card_words import card_words
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.update import reread
from yellow_ladle.core.swaps.apply.plan_texts import PlanTexts
from yellow_ladle.core.swaps.apply.variant_names import names_by_what_it_is
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.plans.swap import Swap

VEGAN = Goals((), ("vegan",))
HEN = replace(product("hen", "poultry", "poultry"), name="Croft boiling hens")
MUSHROOM = product("mushroom", class_="mushroom")
STOCK = replace(
    pot("hen-stock", "hen", "leek", kind="stock", class_="chicken-stock", by="fat"),
    method=(
        Step("Hens in cold water.", uses=("hen",)),
        Step("Chill; lift the fat.", cue="smells of hen, not of fat"),
    ),
)
VELOUTE = replace(
    pot("veloute", line("hen-stock", "liquid"), line("plain-flour", "thickener"), name="Velouté"),
    method=(Step("Pour the hen stock on.", uses=("hen-stock",)),),
)
PIE = replace(
    pot("pie", "veloute", "lid", "leek", kind="dish", name="Hen and leek pie"),
    method=(Step("Lid on, egg wash over it.", uses=("lid",)), Step("Crumbs of the pastry on top.")),
)
LID = pot("lid", "plain-flour", "egg", kind="component", name="Pastry lid", class_="pastry")
PIECES = (
    *(HEN, MUSHROOM, product("leek", "allium"), FLOUR, RICE_FLOUR, product("egg", "egg", "egg")),
    *(STOCK, VELOUTE, LID, PIE),
)
MUSHROOMS = Swap("hen-stock", 0, "hen", "mushroom", 1, "kg", "r")
RICE = Swap("lid", 0, "plain-flour", "rice-flour", 100, "g", "r")
RICE_TOO = Swap("veloute", 1, "plain-flour", "rice-flour", 100, "g", "r")
NO_EGG = Swap("lid", 1, "egg", None, 0, "g", "r")


class Kitchen(unittest.TestCase):
    def setUp(self) -> None:
        self.before = reading(*PIECES)

    def plan(self, *swaps: Swap) -> Plan:
        return plan_of(self.before, "pie", VEGAN, *swaps)


class Names(Kitchen):
    def names(self, *swaps: Swap) -> dict[str, str]:
        return names_by_what_it_is(self.before, self.plan(*swaps))

    def test_the_new_item_stands_in_the_name(self) -> None:
        self.assertEqual(
            self.names(MUSHROOMS),
            {
                "hen-stock": "Mushroom stock",
                "veloute": "Velouté, mushroom",
                "pie": "Mushroom and leek pie",
            },
        )

    def test_the_new_item_stands_in_the_name_once(self) -> None:
        goods = [product(id) for id in ("celeriac", "fennel", "pear", "soda-bread")]
        soup = pot("celeriac-pear-soup", "celeriac", "pear", name="Celeriac and pear soup")
        fennel = Swap("celeriac-pear-soup", 0, "celeriac", "fennel", 100, "g", "r")
        for name, told in (
            ("Celeriac soup, soda bread", "Fennel and pear soup, soda bread"),
            ("Soda bread, celeriac soup", "Soda bread, fennel and pear soup"),
            ("Celeriac and pear soup with bread", "Fennel and pear soup with bread"),
            ("Celeriac with pears", "Fennel with pears"),
        ):
            made = pot("plate", "celeriac-pear-soup", "soda-bread", kind="dish", name=name)
            before = reading(*goods, soup, made)
            plan = plan_of(before, "plate", Goals(("celery",)), fennel)
            self.assertEqual(names_by_what_it_is(before, plan)["plate"], told)

    def test_what_is_left_out_is_not_named_but_as_left_out(self) -> None:
        egg = pot("flan", "egg", "leek", name="Egg and leek flan", kind="dish")
        before = reading(*PIECES, egg)
        plan = plan_of(before, "flan", VEGAN, Swap("flan", 0, "egg", None, 0, "g", "r"))
        self.assertEqual(names_by_what_it_is(before, plan), {"flan": "Leek flan, no egg"})

    def test_a_shape_keeps_its_name_whatever_it_is_made_of(self) -> None:
        plan = self.plan(RICE, RICE_TOO)
        self.assertEqual(PlanTexts(self.before, plan).name("pie").kept, ("pie",))
        [pie] = [m for m in self.variants(plan).book.preparations.values() if m.id == "two-3"]
        self.assertEqual(pie.not_in_it, ("pie",))

    def test_a_name_that_holds_only_what_is_gone_is_made_anew(self) -> None:
        oats, maize = product("oats", "oats", "oats"), product("maize", class_="maize-meal")
        cakes = pot("oatcakes", "oats", kind="component", name="Oatcakes")
        before = reading(oats, maize, cakes)
        swap = Swap("oatcakes", 0, "oats", "maize", 1, "kg", "r")
        plan = plan_of(before, "oatcakes", Goals(("oats",)), swap)
        self.assertEqual(names_by_what_it_is(before, plan), {"oatcakes": "Maize meal"})

    def test_what_is_still_in_it_keeps_its_name(self) -> None:
        both = pot("both", "egg", "lid", kind="dish", name="Egg pie")
        before = reading(*PIECES, both)
        plan = plan_of(before, "both", VEGAN, NO_EGG)
        self.assertEqual(names_by_what_it_is(before, plan)["both"], "Egg pie, no egg")

    def variants(self, plan: Plan) -> Reading:
        change = as_variant(self.before, plan, dict.fromkeys(plan.pots, "Two"))
        return reread(self.before, change).reading


class Texts(Kitchen):
    def steps(self, after: Reading, id: str) -> list[str]:
        return [step.text for step in after.book.preparations[id].method]

    def test_cards_above_name_the_pot_by_its_new_name(self) -> None:
        plan = self.plan(MUSHROOMS)
        after = reread(self.before, for_all(self.before, plan)).reading
        self.assertEqual(after.book.name("hen-stock"), "Mushroom stock")
        self.assertEqual(self.steps(after, "veloute"), ["Pour the mushroom stock on."])

    def test_a_by_product_that_is_gone_is_not_lifted(self) -> None:
        after = reread(self.before, for_all(self.before, self.plan(MUSHROOMS))).reading
        self.assertEqual(
            self.steps(after, "hen-stock"),
            ["Mushroom in cold water.", "Chill."],
        )

    def test_a_word_for_what_nothing_brings_any_more_is_left_out(self) -> None:
        """No line of the pie is an egg; the wash went in on the word of its step alone."""
        after = reread(self.before, for_all(self.before, self.plan(NO_EGG))).reading
        self.assertEqual(self.steps(after, "pie")[0], "Lid on.")
        self.assertEqual([word for word in card_words(after) if word.item == "pie"], [])

    def test_a_name_that_somebody_chose_is_used_above(self) -> None:
        plan = self.plan(MUSHROOMS)
        names = names_by_what_it_is(self.before, plan) | {"hen-stock": "Tub nine"}
        change = as_variant(self.before, plan, names)
        [veloute] = [made for made in change.preparations if made.variant_of == "veloute"]
        self.assertEqual(veloute.method[0].text, "Pour the tub nine on.")


if __name__ == "__main__":
    unittest.main()
