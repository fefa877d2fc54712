"""What a chef would cook first, in four kitchens, and the rules behind it."""

import unittest
from dataclasses import replace

from tests.chef_kitchens import Mark, marks
from tests.kitchens import FLOUR, MILK, line, pot, product, reading
from yellow_ladle.core.book.book import Keeps, Line, Preparation, Step
from yellow_ladle.core.checks.rule_sentences import foods_named, foods_not_brought
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.rules.swap_rules import swap_rules
from yellow_ladle.core.swaps.search.candidates import Proposer
from yellow_ladle.core.swaps.search.conditions import conditions
from yellow_ladle.core.swaps.search.proposal import propose
from yellow_ladle.core.vocabulary.classes import expanded

STOCK = pot("stock", "bones", line("water", "liquid", quantity=3000), kind="stock")
CORNFLOUR = product("cornflour", "", "maize-starch")
BONES, WATER = product("bones", "poultry", "poultry-bones"), product("water")


KITCHENS = ("hospital", "noodle-shop", "bistro", "harbour-cafe")


def proposed(before: Reading, place: str, index: int, item: str = "") -> set[str | None]:
    """What is proposed for a line, as items; None where it may be left out."""
    proposer = Proposer(before, item=item)
    return {offer.swap.to for offer in proposer.offers(place, index, milk_goes=False).swaps}


class AsTheyWouldCook(unittest.TestCase):
    def measured(self, name: str) -> list[Mark]:
        found = list(marks(name))
        first, absurd = sum(m.first for m in found), sum(bool(m.absurd) for m in found)
        print(f"\nmeasured: {name}: first plan good in {first} of {len(found)}, absurd {absurd}")
        return found

    def test_the_first_plan_is_cooked_and_none_is_absurd(self) -> None:
        found = [mark for name in KITCHENS for mark in self.measured(name)]
        self.assertEqual(len(found), 160)
        self.assertGreaterEqual(sum(mark.first for mark in found), 150)
        self.assertEqual([mark.absurd for mark in found if mark.absurd], [])


class StirredInAtTheEnd(unittest.TestCase):
    """A slurry does not simmer with what came before it; what is made with the pot counts."""

    SIMMERED = (Step("Brown the flour, pour on the stock, simmer.", 40),)

    def gravy(self, **rest: object) -> Preparation:
        lines = (
            line("plain-flour", "thickener", quantity=60),
            line("stock", "liquid", quantity=900),
        )
        return pot("gravy", *lines, method=self.SIMMERED, **rest)

    def offered(self, *pots: Preparation) -> set[str | None]:
        return proposed(reading(FLOUR, CORNFLOUR, BONES, WATER, STOCK, *pots), "gravy", 0)

    def test_it_stands_in_for_the_flour_of_what_simmered_before(self) -> None:
        self.assertIn("cornflour", self.offered(self.gravy()))

    def test_not_where_the_pot_goes_on_simmering_in_another(self) -> None:
        stew = pot("stew", "gravy", method=(Step("Braise it in the gravy.", 90),), kind="sauce")
        self.assertNotIn("cornflour", self.offered(self.gravy(), stew))

    def test_not_where_it_is_frozen(self) -> None:
        frozen = self.gravy(keeps=Keeps(frozen_days=90))
        self.assertNotIn("cornflour", self.offered(frozen))


class TheBonesOfAStock(unittest.TestCase):
    LEEKS = product("leeks", "allium", "root-vegetable")
    OTHER = pot("green-stock", "leeks", kind="stock", class_="vegetable-stock")
    SOUP = pot("soup", line("stock", "liquid", quantity=900), "leeks", kind="soup")

    def test_they_stay_where_another_stock_stands(self) -> None:
        stock = pot("stock", "bones", kind="stock", class_="chicken-stock")
        before = reading(BONES, WATER, self.LEEKS, stock, self.OTHER, self.SOUP)
        plans = propose(before, "soup", Goals((), ("vegetarian",)), 5).plans
        self.assertEqual(plans[0].swaps[0].to, "green-stock")
        for plan in plans:
            self.assertNotIn("stock", [swap.in_ for swap in plan.swaps])

    def test_they_may_go_where_it_is_the_only_stock_or_no_other_is_free_of_them(self) -> None:
        stock = pot("stock", "bones", kind="stock", class_="chicken-stock")
        alone = reading(BONES, WATER, self.LEEKS, stock, self.SOUP)
        self.assertIn("leeks", proposed(alone, "stock", 0))
        both = reading(BONES, WATER, self.LEEKS, stock, self.OTHER, self.SOUP)
        self.assertNotIn("leeks", proposed(both, "stock", 0))
        self.assertNotIn("leeks", proposed(both, "stock", 0, item="stock"))
        second = pot("second", "bones", kind="stock", class_="chicken-stock")
        meaty = reading(BONES, WATER, self.LEEKS, stock, second, self.SOUP)
        self.assertIn("leeks", proposed(meaty, "stock", 0, item="stock"))

    def test_the_other_stock_is_named_where_nothing_else_is_left(self) -> None:
        stock = pot("stock", "bones", kind="stock", class_="chicken-stock")
        both = reading(BONES, WATER, self.LEEKS, stock, self.OTHER)
        [blocked] = propose(both, "stock", Goals((), ("vegetarian",)), 5).blocked
        self.assertIn(both.book.name("green-stock"), blocked.why)


class LeftOut(unittest.TestCase):
    WINE = product("wine", "alcohol", "white-wine")

    def sauce(self, wine: float) -> set[str | None]:
        made = pot("sauce", line("milk", "body", quantity=1000), self.poured(wine))
        return proposed(reading(MILK, self.WINE, made), "sauce", 1)

    def poured(self, wine: float) -> Line:
        return line("wine", "liquid", quantity=wine, unit="ml")

    def test_a_splash_is_and_the_wine_of_a_wine_sauce_is_not(self) -> None:
        self.assertIn(None, self.sauce(40))
        self.assertNotIn(None, self.sauce(300))


class WhatSetsAndCoats(unittest.TestCase):
    YOLK = product("yolk", "egg", "egg-yolk")
    POWDER = product("powder", "", "custard-powder")
    CREAM = product("oat-cream", "oats", "oat-cream")

    def of(self, made: Preparation) -> set[str | None]:
        before = reading(MILK, FLOUR, CORNFLOUR, self.YOLK, self.POWDER, self.CREAM, made)
        return proposed(before, made.id, 1)

    def test_the_yolks_of_a_custard_are_neither_left_out_nor_cream(self) -> None:
        for role in ("thickener", "enrichment"):
            custard = pot(
                "custard", line("milk", "liquid", quantity=1000), line("yolk", role, quantity=150)
            )
            with self.subTest(role=role):
                self.assertEqual(self.of(custard), {"powder", "cornflour"})

    def test_those_of_a_bound_sauce_may_be(self) -> None:
        sauce = pot(
            "sauce",
            line("milk", "liquid", quantity=1000),
            line("yolk", "enrichment", quantity=60, stage="finish"),
            line("plain-flour", "thickener", quantity=60),
        )
        self.assertIn(None, self.of(sauce))

    def test_crumbs_need_something_to_stick_to(self) -> None:
        egg, crumbs = product("egg", "egg"), product("crumbs", "wheat", "breadcrumbs")
        fish = product("fish", "fish", "white-fish")
        coated = pot(
            "coated",
            "fish",
            line("egg", "topping", quantity=20),
            line("crumbs", "topping"),
            kind="dish",
        )
        before = reading(egg, crumbs, fish, CORNFLOUR, coated)
        self.assertIn("crumbed", conditions(before.balance, coated))
        self.assertEqual(proposed(before, "coated", 1), {"cornflour"})


class RulesSentences(unittest.TestCase):
    """What a rule's method says to pour in is a line of the plan, or is not said."""

    def test_no_rule_says_to_add_what_it_does_not_bring(self) -> None:
        wrong = [(rule.id, foods_not_brought(rule)) for rule in swap_rules()]
        self.assertEqual([entry for entry in wrong if entry[1]], [])

    def test_a_sentence_that_brings_something_is_found(self) -> None:
        for text, class_ in (
            ("A little vinegar stands in.", "vinegar"),
            ("Warm it with a little smoked paprika.", "smoked-paprika"),
            ("Finish with butter.", "butter"),
        ):
            with self.subTest(text=text):
                self.assertIn(class_, foods_named(text))
                rule = replace(swap_rules()[0], method=(text,))
                self.assertEqual(foods_not_brought(rule), [(text, (class_,))])


class NewAllergens(unittest.TestCase):
    def test_no_rule_puts_a_nut_or_a_seed_paste_in_the_place_of_a_nut(self) -> None:
        nuts = {*expanded(("@nuts",)), "peanut-butter", "nut-paste", "tahini", "sesame-seed"}
        for rule in swap_rules():
            if not rule.replaces.isdisjoint(nuts):
                with self.subTest(rule=rule.id):
                    self.assertEqual(nuts.intersection(rule.with_), set())
