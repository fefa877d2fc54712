"""By-products are gone with what they come of; whatever was made with them needs something else."""

import unittest
from dataclasses import replace

from tests.kitchens import book, line, pot, product, reading
from tests.planned import plan_of
from yellow_ladle.core.book.book import ByProduct, RecipeVersion
from yellow_ladle.core.book.by_products import comes_of, ended, renumbered
from yellow_ladle.core.cards.merge import merged
from yellow_ladle.core.cards.versions import using
from yellow_ladle.core.checks.book_faults import change_faults
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.update import applied, with_lines
from yellow_ladle.core.swaps.apply.new_cards import placed
from yellow_ladle.core.swaps.apply.placements import placements
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.plans.swap import Swap
from yellow_ladle.core.swaps.search.proposal import propose
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.demo.kitchen import demo_book

VEGAN = Goals((), ("vegan",))
PIECES = (
    product("hen", "poultry", "poultry"),
    product("capon", "poultry", "poultry"),
    product("celery", "celery", "celery"),
    product("mushroom", "", "mushroom"),
    product("oil", "", "rapeseed-oil"),
    pot(
        "hen-stock",
        line("hen"),
        line("celery", "aromatic", strained_out=True),
        kind="stock",
        class_="chicken-stock",
        by="fat meat",
    ),
    pot("cream", line("mushroom"), line("hen-stock/fat", "fat")),
    pot("soup", line("hen-stock", "liquid"), line("hen-stock/fat", "fat"), kind="soup"),
)
BONES = Swap("hen-stock", 0, "hen", "mushroom", 100, "g", "test")


def plan(item: str, *swaps: Swap) -> Plan:
    return plan_of(reading(*PIECES), item, VEGAN, *swaps)


class WhatTheyComeOf(unittest.TestCase):
    def test_body_else_what_is_strained_out_else_everything(self) -> None:
        body = pot("a", line("x"), line("y", "liquid", strained_out=True))
        self.assertEqual(comes_of(body, ByProduct("fat", "Fat")), (0,))
        strained = pot("b", line("x", "liquid"), line("y", "aromatic", strained_out=True))
        self.assertEqual(comes_of(strained, ByProduct("fat", "Fat")), (1,))
        plain = pot("c", line("x", "liquid"), line("y", "fat"))
        self.assertEqual(comes_of(plain, ByProduct("fat", "Fat")), (0, 1))
        self.assertEqual(comes_of(plain, ByProduct("fat", "Fat", of=(1,))), (1,))

    def test_only_something_of_the_same_recorded_class_keeps_them(self) -> None:
        kitchen = book(*PIECES)
        gone = {"hen-stock/fat", "hen-stock/meat"}
        for to, wanted in ((None, gone), ("mushroom", gone), ("soup", gone), ("capon", set())):
            self.assertEqual(ended(kitchen, {("hen-stock", 0): to}), wanted, to)
        self.assertEqual(ended(kitchen, {("hen-stock", 1): None}), set())

    def test_each_goes_with_its_own_lines_alone(self) -> None:
        kitchen = book(*PIECES)
        stock = kitchen.preparations["hen-stock"]
        fat, meat = stock.by_products
        parts = (replace(fat, of=(1,)), replace(meat, of=(0,)))
        made = {**kitchen.preparations, "hen-stock": replace(stock, by_products=parts)}
        kitchen = replace(kitchen, preparations=made)
        self.assertEqual(ended(kitchen, {("hen-stock", 0): None}), {"hen-stock/meat"})
        self.assertEqual(ended(kitchen, {("hen-stock", 1): None}), {"hen-stock/fat"})

    def test_an_edit_of_lines_counts_them_anew(self) -> None:
        parts = (ByProduct("fat", "Fat", of=(0, 2)), ByProduct("skin", "Skin", of=(1,)))
        made = replace(pot("a", "x", "y", "z"), by_products=parts)
        for index, left in ((0, [(1,), (0,)]), (1, [(0, 1), None])):
            after = with_lines(made, [(index, None)])
            self.assertEqual([part.of for part in after.by_products], left)

    def test_two_edits_of_lines_are_merged_with_them(self) -> None:
        base = replace(pot("a", "x", "y"), by_products=(ByProduct("fat", "Fat", of=(1,)),))
        mine = with_lines(base, [(0, None)])
        moved = renumbered(base.by_products, {0: 1, 1: 2})
        theirs = replace(base, lines=(line("w"), *base.lines), by_products=moved)
        found = merged(base, mine, theirs)
        self.assertEqual([entry.item for entry in found.preparation.lines], ["w", "y"])
        self.assertEqual([part.of for part in found.preparation.by_products], [(1,)])
        self.assertEqual(found.conflicts, ())

    def test_a_way_has_its_own_or_follows_the_rule(self) -> None:
        fat = ByProduct("fat", "Fat", of=(0,))
        bare = RecipeVersion("bare", (line("y"),))
        own = RecipeVersion("own", (line("y"), line("z")), by_products=(replace(fat, of=(1,)),))
        made = replace(pot("a", "x"), by_products=(fat,), way="first", ways=(bare, own))
        taken = using(made, "bare")
        self.assertEqual([part.of for part in taken.by_products], [None])
        self.assertEqual(using(taken, "first").by_products, (fat,))
        self.assertEqual(using(made, "own").by_products, own.by_products)
        back = using(using(using(made, "own"), "bare"), "first")
        self.assertEqual(back.by_products, (fat,))
        self.assertEqual({way.name: way for way in back.ways}["own"].by_products, own.by_products)

    def test_the_demos_own_hold_while_their_meat_is_there(self) -> None:
        kitchen = demo_book()
        for made in kitchen.preparations.values():
            if made.by_products:
                of = {n for part in made.by_products for n in comes_of(made, part)}
                others = [n for n in made.counted() if n not in of]
                self.assertTrue(of, made.id)
                self.assertEqual(ended(kitchen, {(made.id, n): None for n in others}), set())


class Plans(unittest.TestCase):
    def test_a_pot_on_a_by_product_that_is_gone_keeps_what_it_carried(self) -> None:
        made = plan("cream", BONES)
        self.assertEqual(made.after.level("cream", "poultry"), Level.CONTAINS)
        [source] = made.after.sources("cream")["poultry"]
        self.assertEqual((source.product, source.via), ("hen", ("cream", "hen-stock/fat")))
        self.assertFalse(made.meets)

    def test_the_planner_swaps_the_use_or_says_why_not(self) -> None:
        found = propose(reading(*PIECES), "soup", VEGAN)
        for made in found.plans:
            if made.meets:
                self.assertNotIn(
                    "hen-stock/fat",
                    [entry.item for entry in made.after.book.preparations["soup"].lines],
                )
        without_fat = tuple(piece for piece in PIECES if piece.id not in ("oil", "celery", "capon"))
        stuck = (*without_fat[:2], pot("hen-stock", line("hen"), kind="stock", by="fat"))
        stuck += (pot("fry", line("hen-stock/fat", "accompaniment"), kind="dish"),)
        answer = propose(reading(*stuck), "fry", VEGAN)
        self.assertFalse(any(made.meets for made in answer.plans))
        self.assertTrue(answer.blocked)

    def test_made_for_all_it_does_not_meet_while_somebody_uses_it(self) -> None:
        kitchen = (*PIECES, pot("gravy", line("hen-stock", "liquid")))
        celery_free = Goals(("poultry",))
        before = reading(*kitchen)
        made = plan_of(before, "gravy", celery_free, BONES)
        self.assertTrue(made.meets)
        assert made.for_all is not None
        self.assertFalse(made.for_all.meets)
        users = {("cream", "hen-stock/fat"), ("soup", "hen-stock/fat")}
        self.assertEqual(set(made.for_all.stranded), users)
        self.assertLessEqual({"cream", "soup"}, set(made.also))
        mixed = placements(before, made)[2]
        self.assertIn("hen-stock", mixed.beside)


class Cards(unittest.TestCase):
    def test_a_small_pot_yields_only_what_is_left_and_the_usual_one_stays(self) -> None:
        kitchen = (*PIECES, pot("gravy", line("hen-stock", "liquid")))
        before = reading(*kitchen)
        made = plan_of(before, "gravy", Goals(("poultry",)), BONES)
        change = placed(before, made, {name: f"{name} two" for name in made.pots})
        after = applied(before.book, change)
        self.assertEqual(change_faults(after, change), [])
        self.assertEqual(after.preparations["hen-stock-two"].by_products, ())
        self.assertEqual(len(after.preparations["hen-stock"].by_products), 2)
        self.assertEqual(read(after).levels("cream"), before.levels("cream"))

    def test_in_place_nothing_is_named_that_is_still_used(self) -> None:
        before = reading(*PIECES[:6])
        made = plan_of(before, "hen-stock", Goals(("poultry",)), BONES)
        change = placed(before, made, {})
        self.assertEqual(change.preparations[0].by_products, ())
        before = reading(*PIECES)
        made = plan_of(before, "hen-stock", Goals(("poultry",)), BONES)
        change = placed(before, made, {})
        self.assertEqual(change_faults(applied(before.book, change), change), [])
