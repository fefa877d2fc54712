"""Small pots for the covers: what is made is what the plates take, no more and no less."""

import unittest
from collections import Counter
from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from tests.kitchens import BUTTER, FLOUR, MILK, RICE_FLOUR, line, pot, product, reading
from tests.planned import NO_WHEAT, plan_of
from yellow_ladle.core.book.book import Book, Line, Yield, owner_of
from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.reading.update import Change, applied
from yellow_ladle.core.swaps.apply.adjustments import adjusted, adjustments, yielding_less
from yellow_ladle.core.swaps.apply.covers import CoveredPot, small_pots
from yellow_ladle.core.swaps.library.bases import base_library
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.plans.swap import Swap
from yellow_ladle.core.swaps.search.proposal import propose
from yellow_ladle.core.swaps.search.several_items import carried_together
from yellow_ladle.demo.kitchen import demo_book

ROUX = pot(
    "white-roux",
    line("plain-flour", "thickener", quantity=500),
    line("butter", "fat", quantity=500),
    kind="roux",
)
SAUCE = pot(
    "sauce", line("white-roux", "thickener", quantity=200), line("milk", "liquid", quantity=1800)
)
PIE = pot("pie", line("sauce", quantity=1000), kind="dish", portions=10)
SOUP = pot("soup", line("sauce", quantity=1200), kind="dish", portions=8)
CREAM = product("cream", "milk", "cream")
GOODS = (FLOUR, RICE_FLOUR, BUTTER, MILK)
RICE = Swap("white-roux", 0, "plain-flour", "rice-flour", 500, "g", "rice-flour-in-roux")


def made(covers: float, item: str, *pieces: object) -> dict[str, CoveredPot]:
    before = reading(*GOODS, *pieces)  # type: ignore[arg-type]
    plan = plan_of(before, item, NO_WHEAT, RICE)
    return {small.pot: small for small in small_pots(before, plan, {item: covers})}


class ForTheCovers(unittest.TestCase):
    def test_two_portions_take_a_fifth_of_the_dish_and_little_of_the_roux(self) -> None:
        found = made(2, "pie", ROUX, SAUCE, PIE)
        self.assertEqual(list(found), ["white-roux", "sauce", "pie"])
        self.assertAlmostEqual(found["pie"].card.factor, 0.2)
        self.assertAlmostEqual(found["sauce"].card.factor, 0.1)
        self.assertAlmostEqual(found["white-roux"].card.factor, 0.02)
        self.assertEqual(
            [each.rounded.quantity for each in found["white-roux"].card.lines], [10] * 2
        )
        self.assertEqual({small.told for small in found.values()}, {""})
        self.assertEqual(found["pie"].names["sauce"], "Sauce, rice flour")
        self.assertEqual(found["sauce"].names["white-roux"], "White roux, rice flour")

    def test_more_covers_than_the_card_makes_take_more_than_the_card(self) -> None:
        self.assertAlmostEqual(made(30, "pie", ROUX, SAUCE, PIE)["pie"].card.factor, 3)

    def test_a_sauce_goes_by_the_dish_that_takes_most_of_it(self) -> None:
        found = made(2, "sauce", ROUX, SAUCE, PIE, SOUP)
        self.assertAlmostEqual(found["sauce"].card.factor, 2 * 1200 / 8 / 2000)
        self.assertEqual(found["sauce"].told, "As Soup takes it.")
        self.assertEqual(found["white-roux"].told, "As Soup takes it.")

    def test_several_plates_take_of_one_pot_together(self) -> None:
        before = reading(*GOODS, ROUX, SAUCE, PIE, SOUP)
        both = carried_together(before, ["pie", "soup"], NO_WHEAT, [RICE], [])
        assert both is not None
        found = {small.pot: small for small in small_pots(before, both, {"pie": 2, "soup": 4})}
        self.assertAlmostEqual(found["pie"].card.factor, 0.2)
        self.assertAlmostEqual(found["soup"].card.factor, 0.5)
        self.assertAlmostEqual(found["sauce"].card.factor, 0.2 * 0.5 + 0.5 * 0.6)

    def test_a_plate_that_goes_into_another_is_made_for_both(self) -> None:
        found = made(2, "pie", ROUX, replace(SAUCE, portions=20), PIE)
        self.assertAlmostEqual(found["sauce"].card.factor, 0.1)
        before = reading(*GOODS, ROUX, replace(SAUCE, portions=20), PIE)
        both = carried_together(before, ["pie", "sauce"], NO_WHEAT, [RICE], [])
        assert both is not None
        more = {small.pot: small for small in small_pots(before, both, {"pie": 2, "sauce": 5})}
        self.assertAlmostEqual(more["sauce"].card.factor, 0.1 + 5 / 20)

    def test_where_nobody_said_how_many_it_is_the_whole_card(self) -> None:
        found = made(2, "sauce", ROUX, SAUCE)
        self.assertEqual([small.card.factor for small in found.values()], [1, 1])
        for small in found.values():
            self.assertIn("Nobody has said how many portions Sauce makes", small.told)

    def test_a_line_without_a_weight_asks_for_the_whole_card_below_it(self) -> None:
        plate = pot("pie", line("sauce", quantity=2, unit="slice"), kind="dish", portions=10)
        found = made(2, "pie", ROUX, SAUCE, plate)
        self.assertAlmostEqual(found["pie"].card.factor, 0.2)
        self.assertEqual(found["sauce"].card.factor, 1)
        self.assertIn("What Pie takes of Sauce has no known weight", found["sauce"].told)
        self.assertEqual(found["white-roux"].told, found["sauce"].told)

    def test_the_other_choice_of_a_card_is_not_weighed_out(self) -> None:
        either = pot(
            "pie",
            line("sauce", quantity=1000, choice="base"),
            line("milk", quantity=1000, choice="base"),
            kind="dish",
            portions=10,
        )
        found = made(2, "pie", ROUX, SAUCE, either)
        self.assertEqual([each.index for each in found["pie"].card.lines], [0])

    def test_a_yield_of_nothing_known_never_divides(self) -> None:
        odd = pot("sauce", *SAUCE.lines, yield_=Yield(1e-9, "g"))
        found = made(2, "pie", ROUX, odd, PIE)
        self.assertEqual(found["sauce"].card.factor, 1)
        self.assertIn("more than a thousand cards", found["sauce"].told)


class LessComesOut(unittest.TestCase):
    """Where a twentieth or more of what goes in is left out, less comes out."""

    def less(self, *left: Line) -> float:
        usual = pot("soup", "milk", line("cream", quantity=100), yield_=Yield(2, "l"))
        usual = replace(usual, lines=(line("milk", quantity=900), usual.lines[1]))
        before = reading(MILK, CREAM, usual)
        card = yielding_less(before.balance, usual, replace(usual, lines=left))
        assert card.yield_ is not None
        return card.yield_.quantity

    def test_by_the_weight_that_is_gone(self) -> None:
        self.assertAlmostEqual(self.less(line("milk", quantity=900)), 1.8)
        self.assertEqual(self.less(line("milk", quantity=900), line("cream", quantity=60)), 2)

    def test_what_was_strained_out_or_reduced_took_nothing_along(self) -> None:
        full = (line("milk", quantity=900), line("cream", quantity=100))
        bones = replace(line("milk", quantity=500), strained_out=True)
        usual = pot("soup", *full, bones, yield_=Yield(2, "l"))
        before = reading(MILK, CREAM, usual)
        self.assertEqual(
            yielding_less(before.balance, usual, replace(usual, lines=full)).yield_, usual.yield_
        )


class WeighedAgain(unittest.TestCase):
    """In every plan of the demo what is made of a pot is what the pots above it take."""

    @classmethod
    def setUpClass(cls) -> None:
        before = read(demo_book())
        library = base_library(before)
        cls.plans = [
            (library.only(plan.cards, plan.buy), plan)
            for item in before.book.preparations
            for flag in ("wheat", "milk")
            for plan in propose(before, item, Goals((flag,)), 1, library=library).plans
        ]

    @given(st.data())
    def test_nothing_is_made_that_no_plate_takes(self, data: st.DataObject) -> None:
        before, plan = self.plans[data.draw(st.integers(0, len(self.plans) - 1))]
        covers = data.draw(st.integers(1, 200))
        found = {small.pot: small for small in small_pots(before, plan, {plan.item: covers})}
        balance = Balance(self.weighed(before, plan))
        for id, small in found.items():
            if id == owner_of(plan.item) or "whole card" in small.told:
                continue
            taken: Counter[str] = Counter()
            for above in found.values():
                lines = balance.book.preparations[above.pot].lines
                for scaled in above.card.lines:
                    line = replace(lines[scaled.index], quantity=scaled.exact)
                    if owner_of(line.item) == id:
                        taken[line.item] += balance.line_grams(line) or 0
            made = max(grams / (balance.of(item).grams or 1) for item, grams in taken.items())
            self.assertAlmostEqual(made, small.card.factor, places=6)

    def weighed(self, before: Reading, plan: Plan) -> Book:
        """The book of a plan with what is weighed otherwise beside its swaps."""
        parts, book = adjustments(before, plan), plan.after.book
        usual, balance = before.book.preparations, plan.after.balance
        pots = tuple(
            yielding_less(balance, usual[pot], adjusted(book.preparations[pot], parts))
            for pot in plan.pots
        )
        return applied(book, Change(preparations=pots))

    @given(st.data())
    def test_twice_the_covers_are_twice_the_pots(self, data: st.DataObject) -> None:
        before, plan = self.plans[data.draw(st.integers(0, len(self.plans) - 1))]
        once = small_pots(before, plan, {plan.item: 3})
        for small, more in zip(once, small_pots(before, plan, {plan.item: 6}), strict=True):
            times = 1 if "whole card" in small.told else 2
            self.assertAlmostEqual(small.card.factor * times, more.card.factor)


if __name__ == "__main__":
    unittest.main()
