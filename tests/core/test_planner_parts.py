"""What belongs to a plan: amounts, method, place, name, sentence, limits, checks and conditions."""

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
from tests.random_swaps import rule
from yellow_ladle.core.book import Amount, Preparation, Step
from yellow_ladle.core.change import applied
from yellow_ladle.core.goals import Goals
from yellow_ladle.core.plan import THERE_IS, Plan, Swap, carried
from yellow_ladle.core.planner.adjusting import adjusted, adjustments
from yellow_ladle.core.planner.amounts import worked_out
from yellow_ladle.core.planner.applying import as_variant, placed
from yellow_ladle.core.planner.conditions import conditions
from yellow_ladle.core.planner.fidelity import shares
from yellow_ladle.core.planner.floor import floor_sentence
from yellow_ladle.core.planner.limits import NO_LIMITS, Limits
from yellow_ladle.core.planner.method import reworked
from yellow_ladle.core.planner.naming import names_by_what_it_is
from yellow_ladle.core.planner.option import Option, worth_trying
from yellow_ladle.core.planner.options import Proposer
from yellow_ladle.core.planner.placing import placements
from yellow_ladle.core.planner.prices import UNKNOWN, Prices
from yellow_ladle.core.planner.proposing import Proposal, propose
from yellow_ladle.core.planner.together import carried_together, propose_together
from yellow_ladle.core.product import Product
from yellow_ladle.core.reading import Reading, read
from yellow_ladle.core.rules import rules_by_id

NO_WHEAT = Goals(("wheat",))
OAT = product("oat-drink", "oats", "oat-drink")


def asked(
    item: str, goals: Goals, *pieces: Product | Preparation, limits: Limits = NO_LIMITS
) -> Proposal:
    return propose(reading(*pieces), item, goals, limits=limits)


def plan_of(before: Reading, item: str, goals: Goals, *swaps: Swap) -> Plan:
    plan = carried(before, item, goals, swaps)
    assert plan is not None
    return plan


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
        found = reworked(before.book, before.book.preparations["sauce"], plan.swaps)
        told = [(change.kind, change.text) for change in found.changes]
        self.assertEqual(told[0], ("dropped", "Cook the roux."))
        self.assertEqual(told[1][0], "changed")
        self.assertEqual(
            [step.text for step in found.steps][:2], ["Add the milk to the roux.", "Strain."]
        )
        self.assertTrue(found.steps[-1].text.startswith("Instead of White roux: Pour it in near"))
        self.assertEqual(found.minutes, 2 - 6)
        self.assertEqual(found.steps[0].uses, ("starch", "milk"))

    def test_what_no_step_speaks_of_is_said_first(self) -> None:
        before = reading(*CHEESE_BOOK)
        swap = Swap(
            "white-roux", 0, "plain-flour", "rice-flour", 1, "g", "r", ("Whisk.",), when="with"
        )
        found = reworked(before.book, before.book.preparations["white-roux"], [swap])
        self.assertEqual([step.text for step in found.steps], ["Instead of Plain flour: Whisk."])


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
            names_by_what_it_is(self.before.book, self.plan),
            {
                "white-roux": "White roux, rice flour",
                "bechamel": "Bechamel, rice flour, oat drink",
                "gratin": "Gratin, rice flour, oat drink",
            },
        )

    def test_a_sentence_for_the_floor(self) -> None:
        self.assertEqual(
            floor_sentence(self.before, self.plan, NO_WHEAT),
            "Without wheat: the white roux is made with rice flour; the bechamel is made with oat"
            " drink; it now contains oats.",
        )
        jar = product("jar", class_="rice-flour", otherwise=OPEN, free="wheat")
        before = reading(*self.PIECES, jar)
        plan = plan_of(before, "white-roux", NO_WHEAT, replace(self.SWAPS[0], to="jar"))
        self.assertIn("nobody has checked it for rye", floor_sentence(before, plan, NO_WHEAT))
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
        self.assertIn("the soup is made with that hen stock", told)
        self.assertNotIn("chicken", told)
        self.assertEqual(names_by_what_it_is(before.book, plan)["soup"], "Soup, mushroom")

    def test_a_small_pot_that_is_there_is_taken_again(self) -> None:
        change = as_variant(self.before, self.plan, dict.fromkeys(self.plan.pots, "Two"))
        again = read(applied(self.before.book, change))
        plans = propose(again, "pasta", NO_WHEAT, 20).plans
        taken = [plan for plan in plans if plan.swaps[0].rule == THERE_IS]
        self.assertTrue(taken)
        self.assertEqual(min(len(plan.pots) for plan in plans), 1)


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
        self.assertEqual(found, {"boiled", "frozen", "acid", "milk", "clear"})


class Shares(unittest.TestCase):
    def test_the_lines_of_a_pot_come_to_one(self) -> None:
        sauce = pot(
            "sauce",
            line("plain-flour", "thickener", quantity=10),
            line("milk", "liquid", quantity=990),
        )
        before = reading(FLOUR, MILK, sauce)
        found = shares(before.balance, sauce)
        for part in range(3):
            self.assertAlmostEqual(sum(share[part] for share in found.values()), 1)
        # a hundredth by weight, but what makes it thick: 10 * 12 of 10 * 12 + 990 * 0.7
        self.assertAlmostEqual(found[0][1], 120 / (120 + 693))

    def test_what_costs_no_less_in_anything_is_not_tried(self) -> None:
        def option(to: str, brings: int, *lost: float) -> Option:
            swap = Swap("m", 0, "old", to, 1, "g", "r")
            return Option(swap, brings=brings, lost=(lost[0], lost[1], lost[2]))

        worse, good = option("worse", 0b11, 0.2, 0.2, 0.2), option("good", 0b01, 0.1, 0.2, 0.2)
        other, twin = option("other", 0b100, 0.0, 0.0, 0.0), option("twin", 0b01, 0.1, 0.2, 0.2)
        kept = worth_trying([worse, good, other, twin])
        told = {entry.swap.to: entry.swap.or_ for entry in kept if entry.swap}
        self.assertEqual(told, {"good": ("twin",), "other": ()})


class Costs(unittest.TestCase):
    def test_a_pot_costs_what_goes_into_it(self) -> None:
        flour, butter = replace(FLOUR, price_per_kg=1.0), replace(BUTTER, price_per_kg=9.0)
        roux = replace(ROUX, yield_=Amount(100, "g"))
        prices = Prices(reading(flour, butter, roux).balance)
        # 100 g at 1 and 100 g at 9 the kilo are 1.00, in 100 g of roux
        self.assertAlmostEqual(prices.of_gram("white-roux"), 0.01)
        self.assertEqual(
            Prices(reading(flour, BUTTER, roux).balance).of_gram("white-roux"), UNKNOWN
        )
        self.assertEqual(Prices(reading(FLOUR, BUTTER, ROUX).balance).of_line("white-roux", 5), 0)

    def test_of_two_alike_the_cheaper_is_the_plan(self) -> None:
        dear = product("dear", "", "rice-flour", price_per_kg=5.0)
        cheap = product("cheap", "", "rice-flour", price_per_kg=2.0)
        plans = asked("white-roux", NO_WHEAT, FLOUR, BUTTER, dear, cheap, ROUX).plans
        self.assertEqual([plan.swaps[0].to for plan in plans], ["cheap"])
        self.assertAlmostEqual(plans[0].score.cost, 0.2)


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
        names = names_by_what_it_is(before.book, plan)
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


class Proposing(unittest.TestCase):
    def test_offers_are_worked_out_once(self) -> None:
        proposer = Proposer(reading(*CHEESE_BOOK))
        first = proposer.offers("white-roux", 0, milk_goes=False)
        self.assertIs(proposer.offers("white-roux", 0, milk_goes=False), first)
        self.assertEqual({offer.swap.to for offer in first.swaps}, {"rice-flour"})


if __name__ == "__main__":
    unittest.main()
