"""The order of the plans against what a cook would do first, and when a plate is another dish."""

import tomllib
import unittest
from pathlib import Path
from typing import Any

from tests.kitchens import line, pot, product, reading
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.identity import Identity
from yellow_ladle.core.swaps.plans.instead import instead, offered_first
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.plans.swap import Swap
from yellow_ladle.core.swaps.search.proposal import propose
from yellow_ladle.demo.kitchen import demo_book

SWAPS = Path(__file__).resolve().parents[1] / "swaps"


def questions(name: str) -> list[Any]:
    return list(tomllib.loads((SWAPS / f"{name}.toml").read_text("utf-8"))["question"])


def place(before: Reading, question: Any) -> int:
    """Where the expected move stands among the plans, from 1; 99 if it is none of five."""
    item, clear, fit, expected = question
    plans = propose(before, item, Goals(tuple(clear), tuple(fit)), 5).plans
    found = (at for at, plan in enumerate(plans, 1) if any(made(plan, move) for move in expected))
    return next(found, 99)


def made(plan: Plan, move: str) -> bool:
    """Whether a plan makes a move, written as "pot: from -> to | to"."""
    where, _, rest = move.partition(": ")
    from_, _, to = rest.partition(" -> ")
    wanted = {(where, from_, each.strip()) for each in to.split("|")}
    return any((swap.in_, swap.from_, swap.to or "-") in wanted for swap in plan.swaps)


class AsAChefWould(unittest.TestCase):
    def measured(self, name: str) -> tuple[int, int, int]:
        before, asked = read(demo_book()), questions(name)
        places = [place(before, question) for question in asked]
        first, three = places.count(1), sum(at <= 3 for at in places)
        print(f"\nmeasured: of {len(asked)} questions of {name}, {first} first, {three} in three")
        return len(asked), first, three

    def test_the_expected_move_comes_first(self) -> None:
        asked, first, three = self.measured("chef")
        self.assertEqual(asked, 60)
        self.assertGreaterEqual(first, 45)
        self.assertGreaterEqual(three, 55)

    def test_so_it_does_for_questions_kept_aside(self) -> None:
        asked, first, _ = self.measured("chef-aside")
        self.assertGreaterEqual(first, asked * 3 // 4)

    def test_what_an_open_need_avoids_comes_after_what_it_does_not(self) -> None:
        from dataclasses import replace

        flour, oat = product("flour", "wheat", "wheat-flour"), product("oat", "oats", "oat-drink")
        soy, milk = product("soy", "soy", "soy-drink"), product("milk", "milk", "milk")
        sauce = pot("sauce", line("flour", "thickener"), line("milk", "liquid", quantity=900))
        before = reading(flour, oat, soy, milk, sauce)

        def first(*needs: Need) -> str | None:
            book: Book = replace(before.book, needs=needs)
            return propose(read(book), "sauce", Goals(("milk",)), 5).plans[0].swaps[0].to

        self.assertEqual(first(Need("a", "Ada", clear=("soy",))), "oat")
        self.assertEqual(first(Need("b", "Bo", clear=("oats",))), "soy")


class AnotherDish(unittest.TestCase):
    COD = product("cod", "fish", "white-fish")
    LEEK, POTATO = product("leek", "allium", "leek"), product("potato")
    CREAM, OATS = product("cream", "milk", "cream"), product("oat-cream", "oats", "oat-cream")
    WATER = product("water")
    STOCK = pot("stock", "cod", line("water", "liquid"), kind="stock", class_="fish-stock")
    SAUCE = pot("sauce", line("stock", "liquid", quantity=500), line("cream", "enrichment"))
    PIE = pot(
        "pie",
        line("cod", quantity=600),
        line("leek", "aromatic", quantity=150),
        line("sauce", "liquid", quantity=400),
        kind="dish",
    )

    def setUp(self) -> None:
        pieces = (self.COD, self.LEEK, self.POTATO, self.CREAM, self.OATS, self.WATER)
        self.before = reading(*pieces, self.STOCK, self.SAUCE, self.PIE)

    def another(self, item: str, in_: str, index: int, to: str | None) -> bool:
        from_ = self.before.book.preparations[in_].lines[index].item
        return Identity(self.before, item).is_another(
            [Swap(in_, index, from_, to, 100, "g", "a-rule")]
        )

    def test_a_fish_pie_without_fish_is_one(self) -> None:
        self.assertTrue(self.another("pie", "pie", 0, "potato"))
        self.assertTrue(self.another("pie", "pie", 0, None))
        self.assertFalse(self.another("pie", "pie", 1, "potato"))
        self.assertFalse(self.another("pie", "pie", 1, None))

    def test_what_is_poured_on_is_not_what_it_is_told_by(self) -> None:
        self.assertFalse(self.another("pie", "sauce", 1, "oat-cream"))
        self.assertTrue(self.another("sauce", "sauce", 1, "oat-cream"))

    def test_a_stock_is_always_itself(self) -> None:
        self.assertFalse(self.another("stock", "stock", 0, "potato"))
        self.assertFalse(self.another("sauce", "stock", 0, "potato"))

    def test_a_third_of_the_weight_is_too_much(self) -> None:
        for grams, another in ((290, False), (310, True)):
            stew = pot("stew", line("cod", quantity=600), line("leek", "aromatic", quantity=grams))
            before = reading(self.COD, self.LEEK, self.POTATO, stew)
            swap = Swap("stew", 1, "leek", "potato", 1, "g", "a-rule")
            self.assertEqual(Identity(before, "stew").is_another([swap]), another)

    def test_such_plans_come_after_all_others(self) -> None:
        before = read(demo_book())
        for dish, made in before.book.preparations.items():
            for goals in (Goals(("milk",)), Goals(("wheat",)), Goals((), ("vegan",))):
                if made.kind == "dish":
                    plans = propose(before, dish, goals, 8).plans
                    if plans and plans[0].meets:
                        same = [plan.same_dish for plan in plans]
                        self.assertEqual(same, sorted(same, reverse=True), (dish, goals))

    def test_what_suits_as_it_is_is_named_instead(self) -> None:
        before, goals = read(demo_book()), Goals(("milk",))
        found = instead(before, "chowder-soda-bread", goals)
        self.assertTrue(found)
        for id in found:
            self.assertEqual(before.book.preparations[id].kind, "dish")
            self.assertTrue(goals.met(before, id))
        self.assertNotIn("chowder-soda-bread", found)

    def test_what_is_most_alike_is_named_first(self) -> None:
        before = self.creams()
        self.assertEqual(
            instead(before, "mustard-cream", Goals(("mustard",))), ("leek-cream", "basil-oil")
        )

    def test_something_else_is_offered_first_where_what_goes_names_the_dish(self) -> None:
        before = self.creams()
        found = propose(before, "mustard-cream", Goals(("mustard",)), 3).plans
        self.assertTrue(found[0].meets)
        self.assertTrue(offered_first(found))
        self.assertTrue(offered_first(()))
        found = propose(before, "mustard-cream", Goals(("milk",)), 3).plans
        self.assertTrue(found[0].meets)
        self.assertFalse(offered_first(found))

    @staticmethod
    def creams() -> Reading:
        goods = (
            product("cream", "milk", density_g_per_ml=1.0),
            product("oat-cream", "", "oat-cream", density_g_per_ml=1.0),
            product("mustard", "mustard"),
            product("horseradish"),
            product("leek"),
            product("basil", "", "herb"),
            product("olive-oil"),
        )
        return reading(
            *goods,
            pot("mustard-cream", line("cream", "liquid"), line("mustard", "seasoning")),
            pot("leek-cream", line("cream", "liquid"), line("leek")),
            pot("basil-oil", line("basil"), line("olive-oil", "fat")),
        )


if __name__ == "__main__":
    unittest.main()
