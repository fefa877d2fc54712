"""Plans: what may stand in for what, carried through again."""

import unittest
from collections.abc import Iterable
from dataclasses import replace

from tests.kitchens import (
    BUTTER,
    CHEESE_BOOK,
    FLOUR,
    FREE,
    MILK,
    OIL,
    RICE_FLOUR,
    ROUX,
    levels,
    line,
    pot,
    product,
    reading,
)
from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.reading.update import applied
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.plans.score import Score
from yellow_ladle.core.swaps.plans.swap import ON_THE_CARD, Swap, swapped
from yellow_ladle.core.swaps.search.limits import NO_LIMITS, Limits
from yellow_ladle.core.swaps.search.proposal import Habits, Proposal, propose
from yellow_ladle.core.vocabulary.criteria import Criterion, ordered
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.demo.kitchen import demo_book


def swaps(plan: Plan) -> set[tuple[str, str, str | None]]:
    return {(swap.in_, swap.from_, swap.to) for swap in plan.swaps}


def asked(
    item: str,
    *pieces: Product | Preparation,
    clear: str = "",
    fit: str = "",
    limits: Limits = NO_LIMITS,
) -> Proposal:
    goals = Goals(tuple(clear.split()), tuple(fit.split()))
    return propose(reading(*pieces), item, goals, 10, limits=limits)


class ClearingAFlag(unittest.TestCase):
    def test_the_flour_three_steps_down_is_swapped(self) -> None:
        plans = asked("cheese-sauce", *CHEESE_BOOK, clear="wheat").plans
        self.assertIn(
            {("white-roux", "plain-flour", "rice-flour")}, [swaps(plan) for plan in plans]
        )
        for plan in plans:
            self.assertTrue(plan.meets)
            self.assertIn("wheat", plan.clears)
            self.assertEqual(plan.after.level("cheese-sauce", "wheat"), FREE)

    def test_a_plan_names_its_pots_and_what_it_changes_for_all(self) -> None:
        other = pot("other-sauce", "white-roux")
        plan = asked("cheese-sauce", *CHEESE_BOOK, other, clear="wheat").plans[0]
        self.assertEqual(plan.pots, ("white-roux", "bechamel", "cheese-sauce"))
        self.assertEqual(plan.also, ("bechamel", "other-sauce", "white-roux"))

    def test_the_ratio_of_the_rule_gives_the_amount(self) -> None:
        starch = product("starch", "", "maize-starch")
        plans = asked(
            "bechamel",
            FLOUR,
            BUTTER,
            MILK,
            starch,
            ROUX,
            pot("bechamel", line("white-roux", "thickener", quantity=280), line("milk", "liquid")),
            clear="wheat",
        ).plans
        [swap] = plans[0].swaps
        self.assertEqual(
            (swap.to, swap.quantity, swap.rule), ("starch", 70, "maize-slurry-for-roux")
        )
        self.assertEqual(swap.stage, "finish")
        self.assertTrue(swap.method)

    def test_all_the_ways_are_closed_at_once(self) -> None:
        soy = product("soy-sauce", "soy wheat", "soy-sauce")
        tamari = product("dark-sauce", "soy", "wheat-free-soy-sauce")
        sauce = pot("gravy", line("white-roux", "thickener"), line("soy-sauce", "seasoning"))
        pieces = (FLOUR, RICE_FLOUR, BUTTER, soy, tamari, ROUX, sauce)
        plans = asked("gravy", *pieces, clear="wheat").plans
        self.assertTrue(plans)
        for plan in plans:
            self.assertTrue(plan.meets)
            replaced = {swap.from_ for swap in plan.swaps}
            self.assertIn("soy-sauce", replaced)
            self.assertTrue({"white-roux", "plain-flour"} & replaced)

    def test_what_a_swap_brings_is_told(self) -> None:
        oat = product("oat-drink", "oats", "oat-drink")
        plans = asked(
            "bechamel",
            FLOUR,
            BUTTER,
            OIL,
            MILK,
            oat,
            ROUX,
            pot("bechamel", line("white-roux", "thickener"), line("milk", "liquid")),
            clear="milk",
        ).plans
        self.assertEqual(plans[0].adds, ("oats",))
        self.assertEqual(plans[0].clears, ("milk",))

    def test_a_candidate_that_brings_the_same_is_no_swap(self) -> None:
        blend = product("blend", "wheat", "gluten-free-flour")
        found = asked("white-roux", FLOUR, BUTTER, blend, ROUX, clear="wheat")
        self.assertEqual(found.plans, ())
        [blocked] = found.blocked
        self.assertEqual(
            (blocked.in_, blocked.line, blocked.from_), ("white-roux", 0, "plain-flour")
        )
        self.assertIn("brings the same: Blend", blocked.why)

    def test_unchecked_stands_in_the_way(self) -> None:
        rice = product("rice-flour", "", "rice-flour", otherwise=Level.UNCHECKED)
        self.assertEqual(asked("white-roux", FLOUR, BUTTER, rice, ROUX, clear="wheat").plans, ())
        jar = product("jar", "", "stock-powder", otherwise=Level.UNCHECKED)
        alone = pot("soup", line("jar", "seasoning"))
        self.assertEqual(asked("soup", jar, alone, clear="wheat").plans, ())
        soup = pot("soup", line("jar", "seasoning"), "leek")
        [plan, *_] = asked("soup", product("leek"), jar, soup, clear="wheat").plans
        self.assertEqual(swaps(plan), {("soup", "jar", None)})

    def test_a_line_may_be_left_out(self) -> None:
        sauce = pot(
            "sauce", line("plain-flour", "thickener", stage="finish"), line("butter", "fat")
        )
        [plan] = asked("sauce", FLOUR, BUTTER, sauce, clear="wheat").plans
        self.assertEqual(swaps(plan), {("sauce", "plain-flour", None)})
        after = applied(
            reading(FLOUR, BUTTER, sauce).book,
            swapped(reading(FLOUR, BUTTER, sauce).book, plan.swaps),
        )
        self.assertEqual([entry.item for entry in after.preparations["sauce"].lines], ["butter"])

    def test_nothing_to_do_is_a_plan_without_swaps(self) -> None:
        [plan] = asked("bechamel", *CHEESE_BOOK, clear="egg").plans
        self.assertEqual((plan.meets, plan.swaps), (True, ()))


class TheCardsOwnChoices(unittest.TestCase):
    PIECES = (
        product("hen", "poultry"),
        product("leek", "allium"),
        pot("hen-stock", "hen", kind="stock", class_="chicken-stock"),
        pot("garden-stock", "leek", kind="stock", class_="vegetable-stock"),
        pot(
            "veloute",
            line("hen-stock", "liquid", quantity=3, unit="l", choice="liquid", chosen=True),
            line("garden-stock", "liquid", quantity=2.5, unit="l", choice="liquid"),
        ),
    )

    def test_an_alternative_on_the_card_is_a_swap_with_its_own_amount(self) -> None:
        plans = asked("veloute", *self.PIECES, fit="vegetarian").plans
        chosen = next(plan for plan in plans if plan.swaps[0].rule == ON_THE_CARD)
        [swap] = chosen.swaps
        self.assertEqual((swap.line, swap.to, swap.quantity), (0, "garden-stock", 2.5))
        lines = chosen.after.book.preparations["veloute"].lines
        self.assertEqual([entry.chosen for entry in lines], [False, True])

    def test_a_retired_pot_is_offered_nowhere(self) -> None:
        hen, leek, stock, garden, veloute = self.PIECES
        retired = replace(garden, retired="2026-01-01")
        for plan in asked("veloute", hen, leek, stock, retired, veloute, fit="vegetarian").plans:
            self.assertNotIn("garden-stock", [swap.to for swap in plan.swaps])

    def test_stock_is_swapped_where_the_card_names_no_other(self) -> None:
        soup = pot("soup", line("hen-stock", "liquid"))
        [plan] = asked("soup", *self.PIECES, soup, fit="vegetarian").plans
        self.assertEqual(swaps(plan), {("soup", "hen-stock", "garden-stock")})


class PotsAsCandidates(unittest.TestCase):
    RICE_ROUX = pot(
        "rice-roux",
        line("rice-flour", "thickener"),
        line("butter", "fat"),
        class_="rice-flour-roux",
    )

    def test_a_candidate_pot_is_itself_rid_of_what_offends(self) -> None:
        plans = asked(
            "sauce",
            FLOUR,
            RICE_FLOUR,
            BUTTER,
            OIL,
            ROUX,
            self.RICE_ROUX,
            pot("sauce", line("white-roux", "thickener")),
            clear="wheat milk",
            limits=Limits(kept=frozenset({("white-roux", 0)})),
        ).plans
        both = {("sauce", "white-roux", "rice-roux"), ("rice-roux", "butter", "oil")}
        self.assertIn(both, [swaps(plan) for plan in plans])
        plan = next(plan for plan in plans if swaps(plan) == both)
        self.assertEqual(plan.pots, ("rice-roux", "sauce"))

    def test_a_pot_is_never_put_into_itself(self) -> None:
        pieces = (
            product("hen", "poultry"),
            product("leek"),
            pot("garden", "hen-stock", "leek", kind="stock", class_="vegetable-stock"),
            pot("hen-stock", "hen", kind="stock", class_="chicken-stock"),
            pot("soup", line("hen-stock", "liquid")),
        )
        for plan in asked("soup", *pieces, fit="vegetarian").plans:
            self.assertFalse(plan.meets)
        self.assertEqual(asked("garden", *pieces, fit="vegetarian").plans, ())

    def test_a_base_reached_by_two_ways_is_decided_once(self) -> None:
        pieces = (*CHEESE_BOOK, pot("plate", "cheese-sauce", "bechamel", "white-roux", kind="dish"))
        for plan in asked("plate", *pieces, clear="wheat").plans:
            places = [swap.place for swap in plan.swaps]
            self.assertEqual(len(places), len(set(places)))
            self.assertTrue(plan.meets)


class FittingADiet(unittest.TestCase):
    def test_kosher_lets_either_the_meat_or_the_milk_go(self) -> None:
        bacon = product("cured-duck", "poultry", "cured-poultry", certificates=("kosher",))
        lamb = product("lamb-stock", "lamb", "lamb-stock", certificates=("kosher",))
        stock = product("garden-stock", "", "vegetable-stock")
        potato = product("potato")
        soup = pot(
            "soup", "potato", line("lamb-stock", "liquid"), line("butter", "fat", quantity=9)
        )
        pieces = (lamb, stock, bacon, BUTTER, OIL, potato, soup)
        [nearest] = asked("soup", *pieces, fit="kosher").plans
        self.assertEqual(swaps(nearest), {("soup", "butter", "oil")})
        butter_stays = Limits(kept=frozenset({("soup", 2)}))
        [other] = asked("soup", *pieces, fit="kosher", limits=butter_stays).plans
        self.assertEqual(swaps(other), {("soup", "lamb-stock", "garden-stock")})

    def test_the_certificate_for_want_of_which_alone_a_line_stands_in_the_way(self) -> None:
        for told, certificates in (
            ({"contains": "lamb"}, {"halal"}),
            ({"may": "lamb"}, {"halal"}),
            ({"unchecked": "lamb"}, {"halal"}),
            # of pork no certificate makes anything else
            ({"contains": "pork"}, {None}),
            ({"contains": "lamb pork"}, {"halal", None}),
        ):
            meat = product("meat", class_="mutton", **told)  # type: ignore[arg-type]
            plate = pot("plate", line("meat", quantity=900), kind="dish")
            found = asked("plate", meat, plate, fit="halal")
            with self.subTest(told=told):
                self.assertEqual({entry.certificate for entry in found.blocked}, certificates)

    def test_traces_that_a_diet_only_shows_are_left_alone(self) -> None:
        rice = product("rice-flour", "", "rice-flour", may="milk")
        mill = pot("soup", line("rice-flour", "thickener"))
        [vegan] = asked("soup", rice, mill, fit="vegan").plans
        self.assertEqual(vegan.swaps, ())
        self.assertEqual(asked("soup", rice, mill, fit="dairy_free").plans, ())

    def test_several_goals_at_once(self) -> None:
        plans = asked(
            "cheese-sauce",
            *CHEESE_BOOK,
            product("nettle-cheese", "milk", "hard-cheese-vegetarian"),
            clear="wheat",
            fit="vegetarian",
        ).plans
        self.assertTrue(plans[0].meets)
        self.assertEqual(plans[0].reached, frozenset({"wheat", "vegetarian"}))


class FallingShort(unittest.TestCase):
    def test_the_best_partial_plan_comes_with_what_stands_in_the_way(self) -> None:
        found = asked("cheese-sauce", *CHEESE_BOOK, clear="wheat milk")
        self.assertTrue(found.plans)
        for plan in found.plans:
            self.assertFalse(plan.meets)
            self.assertIn("wheat", plan.clears)
        self.assertEqual({entry.flag for entry in found.blocked}, {"milk"})
        self.assertEqual({entry.from_ for entry in found.blocked}, {"milk", "hard-cheese"})

    def test_what_could_be_bought_is_named(self) -> None:
        honey = product("honey", "honey", "honey")
        [blocked] = asked(
            "glaze", honey, pot("glaze", line("honey", "seasoning")), clear="honey"
        ).blocked
        self.assertIn("look for birch-syrup", blocked.why)

    def test_a_role_without_a_rule_says_so(self) -> None:
        [blocked] = asked(
            "plate", product("cod", "fish", "fish"), pot("plate", "cod"), clear="fish"
        ).blocked
        self.assertEqual(blocked.why, "no swap is known for this role")

    def test_a_pots_own_statement_blocks(self) -> None:
        stock = pot("stock", statements=levels("pork"), otherwise=FREE)
        [blocked] = asked("stock", stock, clear="pork").blocked
        self.assertEqual((blocked.line, blocked.from_), (None, "stock"))


class EveryPlan(unittest.TestCase):
    GOALS = (Goals(("wheat",)), Goals((), ("vegetarian",)), Goals(("milk",), ("halal",)))

    def test_each_plan_is_what_it_says_and_needs_every_swap(self) -> None:
        before = read(demo_book())
        for dish, made in before.book.preparations.items():
            for goals in self.GOALS if made.kind == "dish" else ():
                for plan in propose(before, dish, goals, 4).plans:
                    self.assertEqual(plan.meets, goals.met(self.after(before, plan.swaps), dish))
                    for swap in plan.swaps:
                        less = self.after(before, [s for s in plan.swaps if s != swap])
                        self.assertTrue(self.worse(less, plan, goals), (dish, goals, swap))

    def after(self, before: Reading, made: Iterable[Swap]) -> Reading:
        return read(applied(before.book, swapped(before.book, made)))

    def worse(self, less: Reading, plan: Plan, goals: Goals) -> bool:
        if plan.meets:
            return not goals.met(less, plan.item)
        still = set(less.levels(plan.item)) & set(plan.clears)
        return bool(still) or not goals.reached(less, plan.item) >= plan.reached

    def test_the_limit_holds_and_the_order_is_stable(self) -> None:
        goals = Goals(("wheat",))
        three = propose(read(demo_book()), "chowder-soda-bread", goals, 3).plans
        self.assertEqual(len(three), 3)
        again = propose(read(demo_book()), "chowder-soda-bread", goals, 3).plans
        self.assertEqual([plan.swaps for plan in three], [plan.swaps for plan in again])

    def test_the_kitchens_order_ranks_them_until_somebody_asks_otherwise(self) -> None:
        book, goals = demo_book(), Goals(("wheat", "milk"))
        kitchen = replace(book.kitchen, swap_order=ordered("adds"))
        fewest_first = read(replace(book, kitchen=kitchen))

        def best(reading: Reading, *order: Criterion) -> Score:
            return propose(reading, "hen-leek-pie", goals, 1, habits=Habits(order)).plans[0].score

        usual, fewest = best(read(book)), best(fewest_first)
        self.assertEqual(usual, best(fewest_first, "swaps", "fidelity"))
        self.assertLess((fewest.adds, -fewest.swaps), (usual.adds, -usual.swaps))
