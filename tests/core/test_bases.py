"""The shipped library of bases: sound, as free as it says, brought into plans with its cards."""

import unittest
from dataclasses import replace

from tests.kitchens import (
    BUTTER,
    FLOUR,
    FREE,
    MILK,
    OIL,
    OPEN,
    RICE_FLOUR,
    line,
    pot,
    product,
    reading,
)
from yellow_ladle.core.book.book import Book, Preparation
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.checks.book_faults import change_faults
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.reading.update import Change, applied
from yellow_ladle.core.swaps.library.bases import base_library, shipped_bases
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.plans.swap import swapped
from yellow_ladle.core.swaps.search.proposal import propose
from yellow_ladle.core.vocabulary.classes import expanded, known_classes
from yellow_ladle.core.vocabulary.flags import shipped_flags
from yellow_ladle.demo.kitchen import demo_book

FLAGS = [flag.id for flag in shipped_flags()]
WITHOUT = {
    "base-white-rice-roux": ("wheat", "milk"),
    "base-brown-rice-roux": ("wheat", "milk"),
    "base-oat-bechamel": ("wheat", "milk", "egg"),
    "base-vegan-brown-sauce": ("wheat", "celery", "alcohol", "beef", "milk"),
    "base-yeast-cheese-sauce": ("milk", "wheat", "cashew"),
    "base-stock-without-celery": ("celery", "allium"),
    "base-roasted-stock-mild": ("celery", "allium"),
    "base-seaweed-stock": ("fish",),
    "base-gluten-free-pastry": ("wheat", "milk", "egg"),
    "base-rice-coating": ("wheat", "egg"),
    "base-oat-hollandaise": ("egg", "milk"),
    "base-curry": ("wheat",),
}
"""What some bases are there to be free from, with goods that are what their class says."""


def _good(class_: str, has: frozenset[str]) -> Product:
    flags = " ".join(flag for flag in has if flag in FLAGS)
    return product(f"a-{class_}", flags, class_, density_g_per_ml=1.0)


def larder() -> Reading:
    """Goods of every class, each with just the flags that a thing of its class is."""
    goods = [_good(class_, usual.has) for class_, usual in known_classes().items()]
    return reading(*goods)


class TheLibrary(unittest.TestCase):
    def test_every_base_stands_in_a_kitchen_that_has_everything(self) -> None:
        library = base_library(larder())
        self.assertGreaterEqual(len(shipped_bases()), 45)
        self.assertEqual(len(library.ids), len(shipped_bases()))
        book = library.whole.book
        whole = Change(preparations=tuple(book.preparations.values()))
        self.assertEqual(list(change_faults(book, whole)), [])
        for id in library.ids:
            made = book.preparations[id]
            self.assertFalse(made.made_here, id)
            self.assertTrue(made.yield_ and made.method, id)
            grams = [library.whole.balance.line_grams(each) for each in made.lines]
            self.assertTrue(all(grams), id)

    def test_lines_name_known_classes_and_bases(self) -> None:
        for base in shipped_bases().values():
            self.assertTrue(base.class_ is None or base.class_ in known_classes(), base.id)
            for each in base.lines:
                known = each.item in shipped_bases() or set(expanded([each.item])) <= set(
                    known_classes()
                )
                self.assertTrue(known, (base.id, each.item))

    def test_each_is_free_from_what_it_is_there_to_be_free_from(self) -> None:
        library = base_library(larder())
        by_name = {made.name: made.id for made in library.cards(library.ids)}
        for id, flags in WITHOUT.items():
            levels = library.whole.levels(by_name[shipped_bases()[id].name])
            self.assertTrue(levels.keys().isdisjoint(flags), (id, levels))

    def test_a_base_of_which_something_is_missing_is_left_out(self) -> None:
        names = {made.name for made in _cards(reading(RICE_FLOUR, OIL))}
        self.assertEqual(
            names,
            {
                "White roux of rice flour and oil",
                "Blond roux of rice flour and oil",
                "Brown roux of rice flour and oil",
            },
        )

    def test_the_kitchens_goods_with_least_in_them_are_taken(self) -> None:
        traced = product("a-rice", "", "rice-flour", may="soy celery")
        roux = next(made for made in _cards(reading(traced, RICE_FLOUR, OIL)))
        self.assertEqual(roux.lines[0].item, "rice-flour")


class InPlans(unittest.TestCase):
    SAUCE = pot(
        "sauce",
        line("base", "thickener"),
        line("milk", "liquid", quantity=900),
        class_="bechamel",
        colour="white",
    )
    BASE = pot(
        "base",
        line("plain-flour", "thickener"),
        line("butter", "fat"),
        kind="roux",
        class_="white-roux",
        colour="white",
    )

    def plans(self, *goods: object, clear: tuple[str, ...] = ("wheat",)) -> tuple[Plan, ...]:
        before = reading(FLOUR, BUTTER, MILK, self.BASE, self.SAUCE, *goods)  # type: ignore[arg-type]
        return propose(before, "sauce", Goals(clear), 9, library=base_library(before)).plans

    def test_what_is_in_the_house_comes_first(self) -> None:
        oat = product("oat-drink", "oats", "oat-drink")
        plans = self.plans(RICE_FLOUR, OIL, oat, clear=("wheat", "milk"))
        self.assertEqual(plans[0].cards, ())
        self.assertTrue(any(plan.cards for plan in plans))
        house = [not plan.cards for plan in plans if plan.same_dish and plan.meets]
        self.assertEqual(house, sorted(house, reverse=True))

    def test_a_plan_is_what_it_says_once_its_cards_are_in_the_book(self) -> None:
        book = demo_book()
        before = read(book)
        library, tried = base_library(before), 0
        for dish, made in book.preparations.items():
            if made.kind not in ("dish", "sauce"):
                continue
            for goals in (Goals(("milk",)), Goals(("celery",)), Goals((), ("vegan",))):
                for plan in propose(before, dish, goals, 6, library=library).plans:
                    if not plan.cards or plan.buy:
                        continue
                    tried += 1
                    after = read(self.put_in(book, plan, library.cards(plan.cards)))
                    self.assertEqual(goals.met(after, dish), plan.meets)
                    added = {item for card in plan.cards for item in (card,)}
                    self.assertTrue(added <= after.graph.upstream(dish), (dish, plan.cards))
        self.assertGreater(tried, 20)

    def put_in(self, book: Book, plan: Plan, cards: tuple[Preparation, ...]) -> Book:
        with_cards = applied(book, Change(preparations=cards))
        return applied(with_cards, swapped(with_cards, plan.swaps, plan.cleaned))

    def test_bases_of_bases_come_with_it(self) -> None:
        oat = product("oat-drink", "oats", "oat-drink")
        plans = self.plans(RICE_FLOUR, OIL, oat, product("salt"), clear=("milk", "wheat"))
        sauce = pot("plate", "sauce", kind="dish")
        before = reading(
            *(FLOUR, BUTTER, MILK, RICE_FLOUR, OIL, oat, product("salt")),
            *(self.BASE, self.SAUCE, sauce),
        )
        found = propose(before, "plate", Goals(("milk",)), 9, library=base_library(before)).plans
        cards = [plan.cards for plan in found if plan.cards]
        self.assertIn(("white-roux-of-rice-flour-and-oil", "white-sauce-on-oat-drink"), cards)
        self.assertTrue(all(plan.meets or plan.buy for plan in plans))

    def test_what_one_purchase_would_open_comes_after_what_needs_none(self) -> None:
        plans = self.plans(RICE_FLOUR, OIL)
        bought = [bool(plan.buy) for plan in plans]
        self.assertEqual(bought, sorted(bought))
        self.assertTrue(any(bought))
        for plan in plans:
            for id, class_ in plan.buy:
                self.assertFalse(plan.meets)
                self.assertEqual(plan.after.book.products[id].class_, class_)
                self.assertEqual(plan.after.level(id, "wheat"), OPEN)
                self.assertIn(id, {swap.to for swap in plan.swaps})

    def test_nobody_is_told_to_buy_what_is_made_of_what_must_go(self) -> None:
        sauce = pot("sauce", "plain-flour", line("milk", "liquid", quantity=1000), kind="sauce")
        before = reading(FLOUR, MILK, sauce)
        # each guest may have less than the one before
        for goals, class_ in (
            (("milk",), "oat-drink"),
            (("milk", "oats"), "soy-drink"),
            (("milk", "soy"), "oat-drink"),
            (("milk", "soy", "oats"), "pea-drink"),
        ):
            found = propose(before, "sauce", Goals(goals), 5, library=base_library(before))
            [plan] = [plan for plan in found.plans if plan.buy]
            [(id, bought)] = plan.buy
            self.assertEqual(bought, class_)
            self.assertTrue(known_classes()[bought].has.isdisjoint(goals))
            self.assertTrue(all(plan.after.level(id, flag) is OPEN for flag in goals))

    def test_it_meets_once_its_label_says_so(self) -> None:
        barley = product("pearl-barley", "barley", "pearl-barley")
        soup = pot("broth", "pearl-barley", line("water", "liquid"), kind="soup")
        before = reading(barley, product("water"), soup)
        found = propose(before, "broth", Goals(("barley",)), 5, library=base_library(before))
        plan = next(plan for plan in found.plans if plan.buy)
        [(id, class_)] = plan.buy
        named = {word for entry in found.blocked for word in entry.buy}
        self.assertNotIn(class_, named)
        label = replace(plan.after.book.products[id], otherwise=FREE)
        bought = reading(barley, product("water"), soup, label)
        again = propose(bought, "broth", Goals(("barley",)), 5).plans[0]
        self.assertTrue(again.meets)
        self.assertEqual(again.swaps[0].to, id)

    def test_without_the_library_nothing_is_brought(self) -> None:
        before = reading(FLOUR, BUTTER, MILK, RICE_FLOUR, OIL, self.BASE, self.SAUCE)
        for plan in propose(before, "sauce", Goals(("wheat",)), 9).plans:
            self.assertEqual(plan.cards, ())
            self.assertTrue(all(swap.to in before.masks for swap in plan.swaps if swap.to))


def _cards(before: Reading) -> tuple[Preparation, ...]:
    library = base_library(before)
    return library.cards(sorted(library.ids))


if __name__ == "__main__":
    unittest.main()
