"""Putting a plan into the book: beside the usual pots, or for all."""

import unittest
from dataclasses import replace
from typing import ClassVar

from tests.kitchens import CHEESE_BOOK, line, pot, product, reading
from tests.planned import as_variant, for_all
from yellow_ladle.core.book.book import RecipeVersion, Step, Yield
from yellow_ladle.core.book.ids import free_id
from yellow_ladle.core.book.pan import Reduction
from yellow_ladle.core.checks.book_faults import change_faults
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.reading.update import applied
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.plan import Plan, carried
from yellow_ladle.core.swaps.plans.swap import Swap

RICE = Swap(
    "white-roux", 0, "plain-flour", "rice-flour", 95, "g", "rice-flour-roux", ("Whisk longer.",)
)
NO_WHEAT = Goals(("wheat",))


def plan_of(before: Reading, item: str, *swaps: Swap) -> Plan:
    plan = carried(before, item, NO_WHEAT, swaps)
    assert plan is not None
    return plan


class MadeForAll(unittest.TestCase):
    def test_the_swapped_pots_change_where_they_stand(self) -> None:
        before = reading(*CHEESE_BOOK)
        change = for_all(before, plan_of(before, "cheese-sauce", RICE))
        self.assertEqual([made.id for made in change.preparations], ["white-roux"])
        after = read(applied(before.book, change))
        self.assertEqual(after.levels("bechamel").keys(), {"milk"})

    def test_the_method_opens_with_what_is_done_otherwise(self) -> None:
        cooked = [
            replace(piece, method=(Step("Melt."),)) if piece.id == "white-roux" else piece
            for piece in CHEESE_BOOK
        ]
        before = reading(*cooked)
        [roux] = for_all(before, plan_of(before, "cheese-sauce", RICE)).preparations
        told = [step.text for step in roux.method]
        self.assertEqual(told, ["Instead of Plain flour: Whisk longer.", "Melt."])


class Cards(unittest.TestCase):
    """What a card says besides its lines, after a swap."""

    def setUp(self) -> None:
        roux = replace(
            CHEESE_BOOK[6],
            yield_=Yield(200, "g"),
            ways=(RecipeVersion("with oil", (line("oil"), line("plain-flour"))),),
            batches=(Reduction("2026-11-01", 1, 1, 5),),
            method=(Step("Stir.", uses=("plain-flour", "butter")),),
        )
        self.before = reading(*CHEESE_BOOK[:6], roux, *CHEESE_BOOK[7:])
        self.plan = plan_of(self.before, "cheese-sauce", RICE)

    def test_steps_follow_the_item_that_was_swapped(self) -> None:
        [roux] = for_all(self.before, self.plan).preparations
        self.assertEqual(roux.method[-1].uses, ("rice-flour", "butter"))

    def test_a_variant_has_no_other_ways_and_was_never_made(self) -> None:
        names = dict.fromkeys(self.plan.pots, "New")
        roux = as_variant(self.before, self.plan, names).preparations[0]
        self.assertEqual((roux.ways, roux.batches), ((), ()))
        [kept] = for_all(self.before, self.plan).preparations
        self.assertEqual(len(kept.ways), 1)

    def test_a_swap_that_takes_weight_away_says_why_the_yield_stays(self) -> None:
        # 95 g rice flour and 100 g butter no longer make 200 g
        for change in (
            for_all(self.before, self.plan),
            as_variant(self.before, self.plan, dict.fromkeys(self.plan.pots, "New")),
        ):
            self.assertEqual(change_faults(applied(self.before.book, change), change), [])
            self.assertIn("check the yield", str(change.preparations[0].yield_))


class MadeAsAVariant(unittest.TestCase):
    NAMES: ClassVar[dict[str, str]] = {
        "white-roux": "White roux, no wheat",
        "bechamel": "Béchamel, no wheat",
        "cheese-sauce": "The keeper's own",
    }

    def test_the_whole_chain_is_made_and_nothing_else_changes(self) -> None:
        before = reading(*CHEESE_BOOK)
        change = as_variant(before, plan_of(before, "cheese-sauce", RICE), self.NAMES)
        ids = [made.id for made in change.preparations]
        self.assertEqual(ids, ["white-roux-no-wheat", "bechamel-no-wheat", "the-keeper-s-own"])
        after = read(applied(before.book, change))
        for item, mask in before.masks.items():
            self.assertEqual(after.masks[item], mask)
        self.assertTrue(NO_WHEAT.met(after, "the-keeper-s-own"))

    def test_each_is_linked_to_what_it_came_from_and_made_from_its_own_kind(self) -> None:
        before = reading(*CHEESE_BOOK)
        change = as_variant(before, plan_of(before, "cheese-sauce", RICE), self.NAMES)
        origins = [made.variant_of for made in change.preparations]
        self.assertEqual(origins, ["white-roux", "bechamel", "cheese-sauce"])
        bechamel = change.preparations[1]
        self.assertEqual([e.item for e in bechamel.lines], ["white-roux-no-wheat", "milk"])

    def test_a_by_product_of_a_variant_is_taken_from_the_variant(self) -> None:
        hen = product("hen", "poultry")
        stock = pot("stock", "hen", line("plain-flour", "thickener"), by="fat")
        before = reading(*CHEESE_BOOK, hen, stock, pot("onions", "stock/fat"))
        swap = replace(RICE, in_="stock", line=1)
        names = {"stock": "Other stock", "onions": "Other onions"}
        change = as_variant(before, plan_of(before, "onions", swap), names)
        self.assertEqual(change.preparations[1].lines[0].item, "other-stock/fat")

    def test_a_plan_that_would_close_a_loop_is_none(self) -> None:
        before = reading(*CHEESE_BOOK)
        self.assertIsNone(carried(before, "cheese-sauce", NO_WHEAT, [replace(RICE, to="bechamel")]))


class FreeIds(unittest.TestCase):
    def test_an_id_is_made_of_plain_letters(self) -> None:
        self.assertEqual(free_id("Béchamel, œuf & crème", ()), "bechamel-uf-creme")
        self.assertEqual(free_id("…", ()), "pot")

    def test_a_taken_id_gets_a_number(self) -> None:
        self.assertEqual(free_id("Roux", {"roux", "roux-2"}), "roux-3")


class Impacts(unittest.TestCase):
    def test_products_without_change_have_no_impact(self) -> None:
        before = reading(*CHEESE_BOOK, product("salt"))
        self.assertEqual(plan_of(before, "cheese-sauce").also, ())
