"""The whole menu: every guest eats, with as few pots as can be."""

import unittest
from dataclasses import replace
from itertools import product as combinations
from random import Random

from tests.effort import THOROUGH, tries
from tests.kitchens import BUTTER, FLOUR, MILK, OIL, RICE_FLOUR, ROUX, line, pot, product, reading
from tests.random_swaps import SmallKitchen, large_kitchen
from tests.random_swaps import rule as rule_named
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.swaps.library.bases import base_library
from yellow_ladle.core.swaps.menu.menu_lines import PlateParts
from yellow_ladle.core.swaps.menu.menu_plan import Guest, MenuPlan, Sharing
from yellow_ladle.core.swaps.menu.planner import plan_menu
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.identity import Identity
from yellow_ladle.core.swaps.rules.swap_rules import SwapRule
from yellow_ladle.core.swaps.search.candidates import LITTLE, Proposer
from yellow_ladle.core.swaps.search.limits import NO_LIMITS, Limits
from yellow_ladle.core.swaps.search.proposal import propose
from yellow_ladle.demo.kitchen import demo_book

NO_WHEAT, NO_MILK = Goals(("wheat",)), Goals(("milk",))
OAT = product("oat-drink", "oats", "oat-drink")
SAUCE = pot("sauce", line("white-roux", "thickener"), line("milk", "liquid"), kind="soup")
PLATES = tuple(pot(id, "sauce", kind="dish") for id in ("gratin", "pasta", "pie"))
PIECES = (FLOUR, RICE_FLOUR, BUTTER, OIL, MILK, OAT, ROUX, SAUCE, *PLATES)
NAMES = ("gratin", "pasta", "pie")


def planned(before: Reading, *guests: Guest, plates: tuple[str, ...] = NAMES) -> MenuPlan:
    return plan_menu(before, plates, guests, seconds=20)


class Menus(unittest.TestCase):
    def test_a_base_is_made_once_for_all_the_plates(self) -> None:
        found = planned(reading(*PIECES), Guest("Ada", NO_WHEAT))
        self.assertTrue(found.optimal)
        # the roux, the sauce and three plates
        pots = sorted(pot.pot for pot in found.pots)
        self.assertEqual(pots, ["gratin", "pasta", "pie", "sauce", "white-roux"])
        self.assertTrue(all(s.plan is not None and s.plan.meets for s in found.servings))

    def test_groups_share_a_pot_that_clears_what_both_need(self) -> None:
        guests = (Guest("Ada", NO_WHEAT), Guest("Bo", NO_MILK), Guest("Cy", NO_WHEAT))
        found = planned(reading(*PIECES), *guests)
        self.assertEqual(len(found.pots), 5)
        self.assertEqual({pot.guests for pot in found.pots}, {("Ada", "Cy", "Bo")})

    def test_what_one_brings_is_kept_from_another(self) -> None:
        # the only milk is oats, which the second guest may not have
        guests = (Guest("Ada", NO_MILK), Guest("Bo", Goals(("wheat", "oats"))))
        found = planned(reading(*PIECES), *guests, plates=("gratin",))
        plans = [serving.plan for serving in found.servings]
        self.assertTrue(all(plan is not None and plan.meets for plan in plans))
        sauces = [pot for pot in found.pots if pot.pot == "sauce"]
        self.assertEqual(len(sauces), 2)

    def test_who_eats_as_usual_and_who_cannot(self) -> None:
        cod = product("cod", "fish", "fish")
        plate = pot("cod-plate", "cod", kind="dish")
        guests = (Guest("Ada", Goals(("fish",))), Guest("Bo", Goals(("egg",))))
        found = planned(reading(*PIECES, cod, plate), *guests, plates=("cod-plate", "gratin"))
        told = {(s.plate, s.guests[0]): s.plan for s in found.servings}
        self.assertIsNone(told["cod-plate", "Ada"])
        usual = told["cod-plate", "Bo"]
        assert usual is not None
        self.assertEqual((usual.meets, usual.swaps, found.pots, found.gap), (True, (), (), 0))

    def test_in_too_short_a_time_there_is_an_answer_with_its_gap(self) -> None:
        guests = (Guest("Ada", NO_WHEAT), Guest("Bo", NO_MILK))
        found = plan_menu(reading(*PIECES), NAMES, guests, seconds=0.0001)
        self.assertEqual(len(found.servings), 6)
        self.assertTrue(all(s.plan is not None and s.plan.meets for s in found.servings))
        self.assertLessEqual(found.bound, len(found.pots))
        self.assertEqual(found.optimal, found.gap == 0)
        for serving in found.servings:
            self.assertLessEqual(set(serving.pots), set(found.pots))


class SomeOfEachCourse(unittest.TestCase):
    """Nobody needs the whole menu: so many plates of each course are enough."""

    def test_one_plate_takes_the_fewest_pots_of_any(self) -> None:
        compared = 0
        for seed in range(tries(12)):
            kitchen = large_kitchen(seed, 15)
            before = read(kitchen.book)
            others = [id for id in kitchen.book.preparations if not kitchen.goals.met(before, id)]
            plates = Random(seed).sample(others, min(4, len(others)))
            told = frozenset[tuple[str, int]]().union(
                *(Identity(before, plate).main for plate in plates)
            )
            fewest = [
                self.fewest(before, plate, kitchen, Limits(same_class=told)) for plate in plates
            ]
            if not any(pots is not None for pots in fewest):
                fewest = [self.fewest(before, plate, kitchen) for plate in plates]
            guests = [Guest("Ada", kitchen.goals)]
            found = plan_menu(before, plates, guests, seconds=30, rules=kitchen.rules, each=1)
            self.assertTrue(found.optimal)
            possible = [pots for pots in fewest if pots is not None]
            self.assertEqual(len(found.pots), min(possible, default=0))
            compared += bool(possible) and min(possible) > 0
        self.assertGreater(compared, tries(12) // 4 - 1)

    def fewest(
        self, before: Reading, plate: str, kitchen: SmallKitchen, limits: Limits = NO_LIMITS
    ) -> int | None:
        if kitchen.goals.met(before, plate):
            return 0
        plans = propose(
            before, plate, kitchen.goals, 1_000, rules=kitchen.rules, limits=limits
        ).plans
        return min((plan.score.pots for plan in plans if plan.meets), default=None)

    def test_every_guest_has_enough_of_each_course(self) -> None:
        book = demo_book()
        plates = [id for id, made in book.preparations.items() if made.kind == "dish"]
        courses = {id: ("soup", "main", None)[n % 3] for n, id in enumerate(plates)}
        made = {id: replace(pot, course=courses.get(id)) for id, pot in book.preparations.items()}
        before = read(replace(book, preparations=made))
        wants = (Goals((), ("vegetarian",)), Goals(("celery", "mustard")), Goals(("wheat",)))
        guests = [Guest(str(n), goals) for n, goals in enumerate(wants)]
        whole = plan_menu(before, plates, guests, seconds=10)
        for each in (1, 2):
            found = plan_menu(before, plates, guests, seconds=10, each=each)
            self.assertLessEqual(len(found.pots), len(whole.pots))
            for goals in wants:
                here = [serving for serving in found.servings if serving.goals == goals]
                for course in set(courses.values()):
                    of_it = [serving for serving in here if courses[serving.plate] == course]
                    eaten = [serving for serving in of_it if serving.plan is not None]
                    self.assertTrue(all(s.plan and s.plan.meets for s in eaten))
                    possible = len(eaten) + sum(serving.spare for serving in of_it)
                    self.assertGreaterEqual(len(eaten), min(each, possible))

    def test_the_demo_takes_few_pots(self) -> None:
        before = read(demo_book())
        plates = [id for id, made in before.book.preparations.items() if made.kind == "dish"]
        guests = [
            Guest("Ada", Goals((), ("vegetarian",))),
            Guest("Bo", Goals(("celery", "mustard"))),
        ]
        found = plan_menu(before, plates, guests, seconds=10, each=1)
        self.assertTrue(found.optimal)
        self.assertLessEqual(len(found.pots), 3)

    def test_no_plate_becomes_another_dish_where_another_would_do(self) -> None:
        before = read(demo_book())
        plates = [id for id, made in before.book.preparations.items() if made.kind == "dish"]
        wants = (Goals((), ("vegetarian",)), Goals(("celery", "mustard")), Goals(("wheat", "rye")))
        guests = [Guest(str(n), goals) for n, goals in enumerate(wants)]
        found = plan_menu(before, plates, guests, seconds=10, each=1)
        told = {plate: Identity(before, plate) for plate in plates}
        for serving in found.servings:
            for swap in serving.plan.swaps if serving.plan else ():
                identity = told[serving.plate]
                self.assertFalse(swap.place in identity.main and identity.makes_other(swap), swap)

    def test_a_course_with_nothing_else_is_served_as_another_dish(self) -> None:
        cod, tofu = product("cod", "fish", "white-fish"), product("tofu", "soy", "tofu")
        rule = rule_named("tofu", "white-fish", "tofu")
        plate = pot("cod-plate", "cod", kind="dish")
        before = reading(cod, tofu, plate)
        guests = [Guest("Ada", Goals(("fish",)))]
        found = plan_menu(before, ["cod-plate"], guests, rules=[rule], each=1)
        [serving] = found.servings
        self.assertTrue(serving.plan is not None and serving.plan.meets)
        self.assertFalse(serving.plan is not None and serving.plan.same_dish)

    def test_what_suits_as_it_is_is_free(self) -> None:
        before = read(demo_book())
        plates = [id for id, made in before.book.preparations.items() if made.kind == "dish"]
        found = plan_menu(before, plates, [Guest("Ada", Goals(("peanut",)))], each=1)
        self.assertEqual(found.pots, ())
        self.assertTrue(any(serving.plan is not None for serving in found.servings))


class NeedsKeptApart(unittest.TestCase):
    """One pot for two needs, but only where it costs neither guest more than a little."""

    CELERY = product("celery-stick", "celery", "celery")
    GUESTS = (Guest("Ada", NO_MILK), Guest("Bo", Goals(("celery",))))
    RULES = (
        rule_named("oat", "milk", "oat-drink", fidelity=(0.9, 1, 1)),
        rule_named("none", "celery", fidelity=(0, 0, 0)),
    )

    def of(self, celery: float) -> MenuPlan:
        """A soup of 900 g milk with so much celery, for one without milk and one without celery."""
        made = pot(
            "soup",
            line("milk", quantity=900),
            line("celery-stick", quantity=celery),
            "plain-flour",
            kind="dish",
        )
        before = reading(MILK, OAT, self.CELERY, FLOUR, made)
        return plan_menu(before, ["soup"], self.GUESTS, rules=self.RULES, each=1)

    def test_what_is_hardly_missed_is_left_out_for_both_and_said(self) -> None:
        found = self.of(celery=20)
        [small] = found.pots
        self.assertEqual(small.guests, ("Ada", "Bo"))
        [ada, bo] = found.servings
        [shared] = ada.shared
        self.assertEqual(
            ([s.from_ for s in shared.swaps], shared.needed_by), (["celery-stick"], ("Bo",))
        )
        [other] = bo.shared
        self.assertEqual([swap.from_ for swap in other.swaps], ["milk"])

    def test_what_a_soup_is_made_of_stays_for_those_who_may_have_it(self) -> None:
        found = self.of(celery=1_800)
        self.assertEqual([small.guests for small in found.pots], [("Ada",), ("Bo",)])
        for serving in found.servings:
            self.assertEqual(serving.shared, ())
            assert serving.plan is not None
            self.assertTrue(serving.plan.meets)
            self.assertEqual(len(serving.plan.swaps), 1)

    def test_nobody_loses_more_than_a_little_for_others_in_any_kitchen(self) -> None:
        shared = 0
        for seed in range(16):
            kitchen = large_kitchen(seed, 15)
            before = read(kitchen.book)
            plates = Random(seed).sample(list(kitchen.book.preparations), 4)
            guests = [Guest(flag, Goals((flag,))) for flag in ("wheat", "milk", "celery")]
            proposer = Proposer(before, rules=kitchen.rules)
            parts = PlateParts(proposer, plates)
            for seconds in (0.0, 5.0):
                found = plan_menu(before, plates, guests, seconds=seconds, rules=kitchen.rules)
                for serving in found.servings:
                    for sharing in serving.shared:
                        shared += 1
                        # nobody's pot is made otherwise for no one
                        self.assertFalse({*serving.guests} & {*sharing.needed_by})
                        self.assertTrue(sharing.needed_by)
                        self.assertLessEqual(self.lost(proposer, parts, sharing), LITTLE + 1e-3)
        self.assertGreater(shared, 20)

    def lost(self, proposer: Proposer, parts: PlateParts, sharing: Sharing) -> float:
        total = 0.0
        for swap in sharing.swaps:
            offers = proposer.offers(*swap.place, milk_goes=True).swaps
            offered = min(sum(o.lost) for o in offers if o.swap.to == swap.to)
            part = parts.of_line(*swap.place)
            total += min(
                sum(a * b for a, b in zip(part, offer.lost, strict=True))
                for offer in offers
                if offer.swap.to == swap.to and sum(offer.lost) == offered
            )
        return total


class TheFirstAnswer(unittest.TestCase):
    def test_it_comes_without_a_search_and_claims_no_more_than_is_so(self) -> None:
        # Ada can eat the first and second plate, Bo the second and third: one plate does for both
        rules = (
            rule_named("rice", "plain-flour", "rice-flour"),
            rule_named("oat", "milk", "oat-drink"),
        )
        bread, cheese = product("bread", "wheat", "bread"), product("cheese", "milk", "cheese")
        made = (
            pot("first", "plain-flour", "cheese", kind="dish"),
            pot("second", "plain-flour", "milk", kind="dish"),
            pot("third", "milk", "bread", kind="dish"),
        )
        before = reading(FLOUR, RICE_FLOUR, MILK, OAT, bread, cheese, *made)
        plates = [plate.id for plate in made]
        guests = (Guest("Ada", NO_WHEAT), Guest("Bo", NO_MILK))
        quick = plan_menu(before, plates, guests, seconds=0, rules=rules, each=1)
        best = plan_menu(before, plates, guests, seconds=5, rules=rules, each=1)
        self.assertEqual((len(best.pots), best.bound, best.optimal), (1, 1, True))
        self.assertLessEqual(quick.bound, 1)
        self.assertGreaterEqual(quick.gap, 0)
        self.assertTrue(all(s.plan is None or s.plan.meets for s in quick.servings))


class WithShippedBases(unittest.TestCase):
    def test_a_base_is_taken_only_where_the_kitchen_has_nothing(self) -> None:
        salt = product("salt")
        plate = pot("plate", "sauce", kind="dish")
        guests = [Guest("Ada", NO_WHEAT)]
        goods = (FLOUR, BUTTER, MILK, OIL, salt, ROUX, SAUCE, plate)
        for more, cards in (((), 0), ((RICE_FLOUR,), 0)):
            before = reading(*goods, *more)
            library = base_library(before)
            found = plan_menu(before, ["plate"], guests, each=1, library=library)
            self.assertEqual(len(found.cards), cards)
        stock = pot("hen-stock", "hen", line("salt", quantity=1), kind="stock", class_="meat-stock")
        soup = pot("soup", line("hen-stock", "liquid"), kind="dish")
        goods = (
            *(product("hen", "poultry", "poultry"), salt, stock, soup),
            *(product(id, class_=id) for id in ("onion", "carrot", "water", "dried-mushroom")),
        )
        before = reading(*goods)
        library = base_library(before)
        ada = [Guest("Ada", Goals(("poultry",)))]
        rules = (rule_named("stock", "meat-stock", "mushroom-stock"),)
        alone = plan_menu(before, ["soup"], ada, rules=rules, each=1)
        self.assertEqual([serving.plan for serving in alone.servings], [None])
        for seconds in (0, 5):
            found = plan_menu(
                before, ["soup"], ada, rules=rules, each=1, library=library, seconds=seconds
            )
            [serving] = found.servings
            assert serving.plan is not None
            self.assertTrue(serving.plan.meets)
            self.assertEqual(len(found.cards), 1)
            self.assertEqual(found.made, 2)
            self.assertTrue(found.optimal or not seconds)
            self.assertIn(found.cards[0], serving.plan.after.book.preparations)


class AgainstThePlanner(unittest.TestCase):
    """With one group and one plate the menu asks what the planner asks."""

    def test_the_fewest_pots_are_those_of_the_planner(self) -> None:
        compared = 0
        for seed in range(tries(12)):
            kitchen = large_kitchen(seed, 25)
            before = read(kitchen.book)
            alone = self.fewest(before, kitchen.item, kitchen.goals, kitchen.rules)
            guests = [Guest("Ada", kitchen.goals)]
            found = plan_menu(before, [kitchen.item], guests, seconds=30, rules=kitchen.rules)
            [serving] = found.servings
            self.assertEqual(serving.plan is None, alone is None)
            if serving.plan is not None:
                self.assertTrue(serving.plan.meets and found.optimal)
                self.assertEqual(len(found.pots), alone)
                compared += 1
        self.assertGreater(compared, tries(12) // 2 - 1)

    def fewest(
        self, before: Reading, item: str, goals: Goals, rules: tuple[SwapRule, ...]
    ) -> int | None:
        plans = propose(before, item, goals, 1_000, rules=rules).plans
        return min((plan.score.pots for plan in plans if plan.meets), default=None)

    def test_two_groups_never_need_more_than_each_alone(self) -> None:
        for seed in range(tries(6)):
            kitchen = large_kitchen(seed, 15)
            before = read(kitchen.book)
            random = Random(seed)
            plates = random.sample(list(kitchen.book.preparations), 2)
            groups = (Goals(("wheat",)), Goals(("milk",)))
            apart = 0
            for plate, goals in combinations(plates, groups):
                apart += self.fewest(before, plate, goals, kitchen.rules) or 0
            guests = [Guest(str(n), goals) for n, goals in enumerate(groups)]
            found = plan_menu(before, plates, guests, seconds=30, rules=kitchen.rules)
            self.assertLessEqual(len(found.pots), apart)
            for serving in found.servings:
                self.assertTrue(serving.plan is None or serving.plan.meets)

    def test_the_answer_without_a_search_meets_every_goal_with_no_fewer_pots(self) -> None:
        more = 0
        for seed in range(tries(16)):
            kitchen = large_kitchen(seed, 15)
            before = read(kitchen.book)
            plates = Random(seed).sample(list(kitchen.book.preparations), 4)
            guests = [Guest(flag, Goals((flag,))) for flag in ("wheat", "milk", "celery")]
            quick = plan_menu(before, plates, guests, seconds=0.0001, rules=kitchen.rules)
            best = plan_menu(before, plates, guests, seconds=30, rules=kitchen.rules)
            self.assertTrue(best.optimal)
            self.assertLessEqual(quick.bound, len(best.pots))
            self.assertLessEqual(len(best.pots), len(quick.pots))
            more += len(quick.pots) > len(best.pots)
            for one, other in zip(quick.servings, best.servings, strict=True):
                self.assertEqual(one.plan is None, other.plan is None)
                for plan in (one.plan, other.plan):
                    self.assertTrue(plan is None or plan.meets)
        if THOROUGH:
            self.assertGreater(more, 0)


if __name__ == "__main__":
    unittest.main()
