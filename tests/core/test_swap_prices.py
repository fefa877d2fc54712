"""What a plan loses and costs, and which swaps are worth trying."""

import unittest
from dataclasses import replace

from tests.kitchens import (
    BUTTER,
    CHEESE_BOOK,
    FLOUR,
    MILK,
    ROUX,
    line,
    pot,
    product,
    reading,
)
from tests.planned import NO_WHEAT, asked
from yellow_ladle.core.book.book import Yield
from yellow_ladle.core.swaps.plans.fidelity import shares
from yellow_ladle.core.swaps.plans.swap import Swap
from yellow_ladle.core.swaps.search.candidates import Proposer
from yellow_ladle.core.swaps.search.option import Option, worth_trying
from yellow_ladle.core.swaps.search.prices import UNKNOWN, Prices


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
        roux = replace(ROUX, yield_=Yield(100, "g"))
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


class Proposing(unittest.TestCase):
    def test_offers_are_worked_out_once(self) -> None:
        proposer = Proposer(reading(*CHEESE_BOOK))
        first = proposer.offers("white-roux", 0, milk_goes=False)
        self.assertIs(proposer.offers("white-roux", 0, milk_goes=False), first)
        self.assertEqual({offer.swap.to for offer in first.swaps}, {"rice-flour"})


if __name__ == "__main__":
    unittest.main()
