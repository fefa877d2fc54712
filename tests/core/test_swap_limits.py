"""What a plan may not do, labels to be read first, and questions that make no sense."""

import unittest
from dataclasses import replace

from tests.kitchens import (
    BUTTER,
    CHEESE_BOOK,
    FLOUR,
    MILK,
    OIL,
    OPEN,
    RICE_FLOUR,
    ROUX,
    line,
    pot,
    product,
    reading,
)
from tests.planned import NO_WHEAT, OAT, asked
from tests.random_swaps import rule
from yellow_ladle.core.book.book import Preparation, Step
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.search.conditions import conditions
from yellow_ladle.core.swaps.search.limits import NO_LIMITS, Limits
from yellow_ladle.core.swaps.search.proposal import propose


class LimitsAndChecks(unittest.TestCase):
    def test_a_line_that_is_kept_is_named_in_the_proof(self) -> None:
        kept = Limits(kept=frozenset({("white-roux", 0)}))
        found = asked("white-roux", NO_WHEAT, FLOUR, RICE_FLOUR, BUTTER, ROUX, limits=kept)
        self.assertEqual((found.plans, found.blocked[0].why), ((), "this line is to be kept"))

    def test_what_breaks_when_frozen_is_left_out(self) -> None:
        maize = product("starch", "", "maize-starch")
        sauce = pot("sauce", line("white-roux", "thickener"), line("milk", "liquid"))
        pieces = (FLOUR, BUTTER, MILK, ROUX, maize)

        def used(made: Preparation, limits: Limits = NO_LIMITS) -> set[str | None]:
            plans = asked("sauce", NO_WHEAT, *pieces, made, limits=limits).plans
            return {swap.to for plan in plans for swap in plan.swaps}

        self.assertIn("starch", used(sauce))
        self.assertNotIn("starch", used(sauce, Limits(freezes=True)))
        self.assertNotIn("starch", used(replace(sauce, method=(Step("Freeze it in tubs."),))))
        self.assertEqual(used(sauce, Limits(most_pots=0)), set())

    def test_a_label_to_be_read_is_the_cheapest_move(self) -> None:
        jar = product("jar", "", "stock-powder", otherwise=OPEN)
        soup = pot("soup", line("jar", "seasoning"), line("butter", "fat"))
        [way, *_] = asked("soup", NO_WHEAT, jar, BUTTER, soup).checks
        self.assertEqual([(c.product, c.flags) for c in way.checks], [("jar", ("wheat",))])
        self.assertEqual(way.swaps, ())

    def test_a_swap_may_wait_for_a_label(self) -> None:
        rice = product("rice-flour", "", "rice-flour", otherwise=OPEN)
        found = asked("white-roux", NO_WHEAT, FLOUR, rice, BUTTER, ROUX)
        self.assertEqual(found.plans, ())
        [way] = found.checks
        self.assertEqual((way.checks[0].product, way.swaps[0].to), ("rice-flour", "rice-flour"))
        self.assertEqual(found.blocked[0].check, ("rice-flour",))

    def test_no_label_is_asked_for_where_a_plan_is_as_short(self) -> None:
        jar = product("jar", "", "stock-powder", otherwise=OPEN)
        soup = pot("soup", line("jar", "seasoning"), line("butter", "fat"))
        sealed = pot("sealed", line("plain-flour", "thickener"), line("jar", "seasoning"))
        found = asked("sealed", NO_WHEAT, jar, FLOUR, RICE_FLOUR, BUTTER, soup, sealed)
        self.assertEqual(len(found.plans[0].swaps), 2)
        self.assertEqual([len(way.swaps) for way in found.checks], [1])
        rice = product("rice", "", "rice-flour", otherwise=OPEN)
        found = asked("white-roux", NO_WHEAT, FLOUR, RICE_FLOUR, rice, BUTTER, ROUX)
        self.assertEqual(found.checks, ())

    def test_arrowroot_is_for_pots_without_milk_or_from_which_it_goes(self) -> None:
        root = product("arrowroot")
        sauce = pot("sauce", line("white-roux", "thickener"), line("milk", "liquid"))
        pieces = (FLOUR, BUTTER, OIL, MILK, OAT, ROUX, root, sauce)
        used = {s.to for p in asked("sauce", NO_WHEAT, *pieces).plans for s in p.swaps}
        self.assertNotIn("arrowroot", used)
        both = asked("sauce", Goals(("wheat", "milk")), *pieces).plans
        self.assertIn("arrowroot", {swap.to for swap in both[0].swaps})

    def test_conditions_are_read_off_the_card(self) -> None:
        steps = (Step("Simmer.", minutes=40), Step("Freeze what is left."))
        wine = product("wine", class_="white-wine")
        sauce = pot("sauce", line("milk", "liquid"), "wine", colour="clear", method=steps)
        before = reading(MILK, wine, sauce)
        found = conditions(before.balance, before.book.preparations["sauce"])
        self.assertEqual(found, {"boiled", "simmered", "frozen", "acid", "milk", "clear"})


class BadInput(unittest.TestCase):
    def test_rules_that_lead_back_are_no_endless_search(self) -> None:
        one, two = product("one", "wheat", "alpha"), product("two", "wheat", "beta")
        rules = (rule("there", "alpha", "beta"), rule("back", "beta", "alpha"))
        before = reading(one, two, pot("soup", line("one"), line("two")))
        found = propose(before, "soup", NO_WHEAT, rules=rules)
        self.assertEqual(found.plans, ())
        self.assertEqual({entry.from_ for entry in found.blocked}, {"one", "two"})

    def test_five_thousand_goods_of_one_class(self) -> None:
        flours = [
            product(
                f"flour-{n}", "soy" if n % 2 else "", "rice-flour", may="celery" if n % 3 else ""
            )
            for n in range(5_000)
        ]
        [plan] = asked("white-roux", NO_WHEAT, FLOUR, BUTTER, *flours, ROUX).plans
        self.assertEqual((plan.meets, plan.adds), (True, ()))
        self.assertEqual(len(plan.swaps[0].or_), 12)

    def test_a_retired_pot_is_still_asked_about_but_never_offered(self) -> None:
        rice = pot(
            "rice-roux", "rice-flour", kind="roux", class_="rice-flour-roux", retired="2026-01-01"
        )
        sauce = pot("sauce", line("white-roux", "thickener"), line("milk", "liquid"))
        pieces = (FLOUR, RICE_FLOUR, BUTTER, MILK, ROUX, rice, sauce)
        for plan in asked("sauce", NO_WHEAT, *pieces).plans:
            self.assertNotIn("rice-roux", {swap.to for swap in plan.swaps})
        retired = replace(sauce, retired="2026-01-01")
        self.assertTrue(asked("sauce", NO_WHEAT, *pieces[:-1], retired).plans[0].meets)

    def test_goals_by_the_dozen(self) -> None:
        flags = tuple(flag.id for flag in reading(FLOUR).book.flags)
        found = propose(reading(*CHEESE_BOOK), "cheese-sauce", Goals(flags), 3)
        self.assertFalse(any(plan.meets for plan in found.plans))
        self.assertTrue(found.plans and found.blocked)


if __name__ == "__main__":
    unittest.main()
