"""Several plates cleared by the same swaps."""

import unittest

from tests.kitchens import (
    BUTTER,
    FLOUR,
    MILK,
    OIL,
    RICE_FLOUR,
    ROUX,
    line,
    pot,
    product,
    reading,
)
from tests.planned import NO_WHEAT, OAT, as_variant
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.update import applied
from yellow_ladle.core.swaps.apply.variant_names import names_by_what_it_is
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.plan import carried
from yellow_ladle.core.swaps.search.limits import Limits
from yellow_ladle.core.swaps.search.proposal import propose
from yellow_ladle.core.swaps.search.several_items import carried_together, propose_together


class Together(unittest.TestCase):
    """Several items, cleared by the same swaps."""

    PIECES = (
        *(FLOUR, RICE_FLOUR, BUTTER, OIL, MILK, OAT, ROUX),
        pot("bechamel", line("white-roux", "thickener"), line("milk", "liquid"), kind="soup"),
        pot("gratin", "bechamel", kind="dish"),
        pot("fritters", line("plain-flour", "topping"), "bechamel", kind="dish"),
    )

    def test_a_base_is_decided_once_and_each_item_is_cleared(self) -> None:
        before = reading(*self.PIECES)
        plans = propose_together(before, ["gratin", "fritters"], NO_WHEAT).plans
        self.assertTrue(plans)
        for plan in plans:
            self.assertTrue(plan.meets)
            for item in ("gratin", "fritters"):
                self.assertTrue(NO_WHEAT.met(plan.after, item))
            self.assertLessEqual(set(plan.pots), before.book.preparations.keys())
            self.assertEqual(plan.score.pots, len(plan.pots))
        places = {swap.place for swap in plans[0].swaps}
        self.assertEqual(places, {("white-roux", 0), ("fritters", 0)})

    def test_what_is_new_to_one_of_them_is_told(self) -> None:
        oats = pot("porridge", "oat-drink", "milk", kind="dish")
        before = reading(*self.PIECES, oats)
        plans = propose_together(before, ["gratin", "porridge"], Goals(("milk",))).plans
        brought = [plan for plan in plans if "oat-drink" in {swap.to for swap in plan.swaps}]
        self.assertTrue(brought)
        for plan in brought:
            rises = plan.after.level("gratin", "oats") > before.level("gratin", "oats")
            self.assertEqual("oats" in plan.adds, rises)
        self.assertTrue(any("oats" in plan.adds for plan in brought))

    def test_it_is_put_in_beside_the_usual_ones(self) -> None:
        before = reading(*self.PIECES)
        items = ["gratin", "fritters"]
        found = propose_together(before, items, NO_WHEAT).plans[0]
        plan = carried_together(before, items, NO_WHEAT, found.swaps)
        assert plan is not None
        names = names_by_what_it_is(before, plan)
        after = read(applied(before.book, as_variant(before, plan, names)))
        self.assertEqual(set(names), {"white-roux", "bechamel", "gratin", "fritters"})
        for item in ("gratin-rice-flour", "fritters-rice-flour"):
            self.assertTrue(NO_WHEAT.met(after, item))

    def test_one_item_is_asked_as_ever_and_a_limit_counts_real_pots(self) -> None:
        before = reading(*self.PIECES)
        alone = propose_together(before, ["gratin"], NO_WHEAT).plans
        self.assertEqual(
            [plan.swaps for plan in alone],
            [plan.swaps for plan in propose(before, "gratin", NO_WHEAT).plans],
        )
        swaps = propose(before, "gratin", NO_WHEAT).plans[0].swaps
        one = carried_together(before, ["gratin"], NO_WHEAT, swaps)
        assert one is not None
        same = carried(before, "gratin", NO_WHEAT, swaps)
        assert same is not None
        self.assertEqual((one.item, one.pots, one.score), ("gratin", same.pots, same.score))
        # A roux is made in the pan of what it thickens: three pans for four pots.
        [both, *_] = propose_together(before, ["gratin", "fritters"], NO_WHEAT).plans
        self.assertEqual(set(both.pots), {"white-roux", "bechamel", "gratin", "fritters"})
        self.assertEqual((both.score.pots, both.score.pans), (4, 3))
        for most in (3, 4):
            limits = Limits(most_pots=most)
            plans = propose_together(before, ["gratin", "fritters"], NO_WHEAT, limits=limits).plans
            self.assertEqual(any(plan.meets for plan in plans), most == 4)

    def test_one_that_cannot_be_cleared_is_named(self) -> None:
        cod = product("cod", "fish", "fish")
        before = reading(*self.PIECES, cod, pot("cod-plate", "cod", kind="dish"))
        found = propose_together(before, ["gratin", "cod-plate"], Goals(("fish", "wheat")))
        self.assertFalse(any(plan.meets for plan in found.plans))
        self.assertEqual({entry.from_ for entry in found.blocked}, {"cod"})


if __name__ == "__main__":
    unittest.main()
