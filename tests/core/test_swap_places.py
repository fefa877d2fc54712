"""Where a plan is made, and what its pots are called."""

import unittest
from dataclasses import replace

from tests.kitchens import (
    BUTTER,
    FLOUR,
    MILK,
    OPEN,
    RICE_FLOUR,
    ROUX,
    line,
    pot,
    product,
    reading,
)
from tests.planned import NO_WHEAT, OAT, as_variant, plan_of
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.update import applied
from yellow_ladle.core.swaps.apply.floor_sentence import floor_sentence
from yellow_ladle.core.swaps.apply.new_cards import placed
from yellow_ladle.core.swaps.apply.placements import placements
from yellow_ladle.core.swaps.apply.variant_names import names_by_what_it_is
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.swap import THERE_IS, Swap
from yellow_ladle.core.swaps.search.proposal import propose
from yellow_ladle.files.documents.plans_document import plan_content


class Places(unittest.TestCase):
    PIECES = (
        *(FLOUR, RICE_FLOUR, BUTTER, MILK, OAT, ROUX),
        pot("bechamel", line("white-roux", "thickener"), line("milk", "liquid"), class_="bechamel"),
        pot("gratin", "bechamel", kind="dish"),
        pot("pasta", "bechamel", kind="dish"),
    )
    SWAPS = (
        Swap("white-roux", 0, "plain-flour", "rice-flour", 100, "g", "rice-flour-roux"),
        Swap("bechamel", 1, "milk", "oat-drink", 100, "g", "plant-drink-for-milk"),
    )

    def setUp(self) -> None:
        self.before = reading(*self.PIECES)
        self.plan = plan_of(self.before, "gratin", NO_WHEAT, *self.SWAPS)

    def test_the_three_are_compared(self) -> None:
        for_all, small, mixed = placements(self.before, self.plan)
        self.assertEqual((for_all.beside, small.in_place), ((), ()))
        self.assertEqual(small.beside, ("white-roux", "bechamel", "gratin"))
        moved = {entry.item: (entry.better, entry.worse) for entry in for_all.moved}
        self.assertEqual(moved["pasta"], (("wheat",), ("oats",)))
        # rice flour brings nothing to anybody; the oat drink would bring oats to the pasta
        self.assertEqual((mixed.in_place, mixed.beside), (("white-roux",), ("bechamel", "gratin")))
        moved = {entry.item: (entry.better, entry.worse) for entry in mixed.moved}
        self.assertEqual(moved["pasta"], (("wheat",), ()))

    def test_mixed_gives_no_plate_a_flag_and_the_item_its_goal(self) -> None:
        mixed = placements(self.before, self.plan)[2]
        names = {pot: f"{pot} two" for pot in mixed.beside}
        change = placed(self.before, self.plan, names)
        after = read(applied(self.before.book, change))
        for plate in ("gratin", "pasta"):
            self.assertLessEqual(after.levels(plate).keys(), self.before.levels(plate).keys())
        self.assertTrue(NO_WHEAT.met(after, "gratin-two"))

    def test_a_pot_in_place_is_pointed_to_a_pot_beside(self) -> None:
        change = placed(self.before, self.plan, {"white-roux": "Roux two"})
        after = applied(self.before.book, change).preparations
        self.assertEqual(after["bechamel"].lines[0].item, "roux-two")
        self.assertEqual(after["white-roux"], self.before.book.preparations["white-roux"])

    def test_names_say_what_it_is(self) -> None:
        self.assertEqual(
            names_by_what_it_is(self.before, self.plan),
            {
                "white-roux": "White roux, rice flour",
                "bechamel": "Bechamel, rice flour, oat drink",
                "gratin": "Gratin, rice flour, oat drink",
            },
        )

    def test_a_sentence_for_the_floor(self) -> None:
        self.assertEqual(
            floor_sentence(self.before, self.plan, NO_WHEAT),
            "Without wheat: rice flour instead of wheat flour, oat drink instead of milk;"
            " it now contains oats.",
        )
        jar = product("jar", class_="rice-flour", otherwise=OPEN, free="wheat")
        before = reading(*self.PIECES, jar)
        plan = plan_of(before, "white-roux", NO_WHEAT, replace(self.SWAPS[0], to="jar"))
        self.assertIn("nobody has checked it for rye", floor_sentence(before, plan, NO_WHEAT))
        both = Goals(("wheat",), ("egg_free",))
        plan = plan_of(self.before, "white-roux", both, self.SWAPS[0])
        told = floor_sentence(self.before, plan, both)
        self.assertTrue(told.startswith("Egg-free, without wheat: rice flour instead of"), told)
        as_usual = plan_of(self.before, "oat-drink", NO_WHEAT)
        told = floor_sentence(self.before, as_usual, NO_WHEAT)
        self.assertEqual(told, "Without wheat: the oat drink is as usual.")

    def test_a_pot_that_is_itself_changed_is_not_called_by_what_it_was(self) -> None:
        hen = product("hen", "poultry", "poultry")
        stock = pot("hen-stock", "hen", "leek", kind="stock", class_="chicken-stock")
        soup = pot("soup", line("cube", "liquid"), kind="soup")
        before = reading(
            hen, product("leek"), product("cube", "beef"), product("mushroom"), stock, soup
        )
        swaps = (
            Swap("soup", 0, "cube", "hen-stock", 1, "l", "r"),
            Swap("hen-stock", 0, "hen", "mushroom", 1, "kg", "r"),
        )
        goals = Goals((), ("vegetarian",))
        plan = plan_of(before, "soup", goals, *swaps)
        told = floor_sentence(before, plan, goals)
        self.assertNotIn("hen", told.replace("instead of hen", ""))
        self.assertNotIn("chicken", told)
        self.assertEqual(names_by_what_it_is(before, plan)["soup"], "Soup, mushroom")

    def test_a_line_that_a_swap_needs_comes_with_it(self) -> None:
        buttermilk = product("buttermilk", "milk", "buttermilk")
        oat = product("oat-drink", "oats", "oat-drink")
        lemon, vinegar = product("lemon"), product("vinegar", "sulphites", "vinegar")
        bread = pot("bread", "flour", line("buttermilk", "liquid"), kind="component")
        goods = (buttermilk, oat, product("flour", "", "rice-flour"))
        goals = Goals(("milk",))
        before = reading(*goods, vinegar, lemon, bread)
        plan = propose(before, "bread", goals, 3).plans[0]
        [swap] = plan.swaps
        self.assertEqual([(each.item, each.role) for each in swap.adds], [("lemon", "acid")])
        self.assertEqual(plan.after.book.preparations["bread"].lines[-1].item, "lemon")
        content = plan_content(plan)["swaps"]
        self.assertEqual([entry["to"] for entry in content], ["oat-drink", "lemon"])
        self.assertEqual(
            (content[1]["line"], content[1]["from"], content[1]["for"]), (None, None, 0)
        )
        # Where nothing but vinegar is there, what it brings is told.
        plan = propose(reading(*goods, vinegar, bread), "bread", goals, 3).plans[0]
        self.assertIn("sulphites", plan.adds)
        neither = propose(reading(*goods, vinegar, bread), "bread", Goals(("milk", "sulphites")), 3)
        self.assertFalse(any(found.meets for found in neither.plans))
        self.assertEqual(propose(reading(*goods, bread), "bread", goals, 3).plans, ())

    def test_a_small_pot_that_is_there_is_taken_again(self) -> None:
        change = as_variant(self.before, self.plan, dict.fromkeys(self.plan.pots, "Two"))
        again = read(applied(self.before.book, change))
        plans = propose(again, "pasta", NO_WHEAT, 20).plans
        taken = [plan for plan in plans if plan.swaps[0].rule == THERE_IS]
        self.assertTrue(taken)
        self.assertEqual(min(len(plan.pots) for plan in plans), 1)


if __name__ == "__main__":
    unittest.main()
