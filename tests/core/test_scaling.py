"""Cards made larger or smaller; what comes out of a pan, and what to fill."""

import math
import unittest
from dataclasses import replace

from tests.core.test_numbers import FAT, SALT, WATER, WHEAT, ZERO
from tests.kitchens import book, line, pot, product
from yellow_ladle.core.book.book import Book, ByProduct, Preparation, Step, Yield
from yellow_ladle.core.book.pan import Pan, Reduction
from yellow_ladle.core.cards.scale import (
    CannotScale,
    Scaled,
    scaled,
    to_portions,
    to_what_is_there,
    to_yield,
)
from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.numbers.yields import evaporation, excess, filling, level_cm, yielded

BONES = product("bones", "beef", "bones", unit_weight_g=400.0, **ZERO)
SIMMER = Step("Hold it.", 60, "simmer")


def stock(**rest: object) -> Preparation:
    lines = (
        line("bones", quantity=2, unit="kg", strained_out=True),
        line("water", quantity=4, unit="l"),
        line("salt", quantity=7),
    )
    return pot("stock", *lines, kind="stock", yield_=Yield(3, "l"), **rest)


def kitchen(*made: Preparation) -> Book:
    found = book(WATER, SALT, BONES, WHEAT, FAT, *made)
    return replace(found, kitchen=replace(found.kitchen, weigh_to_g=5, measure_to_ml=50))


class Factors(unittest.TestCase):
    def setUp(self) -> None:
        self.balance = Balance(kitchen(stock(portions=10)))

    def test_to_a_yield(self) -> None:
        self.assertAlmostEqual(to_yield(self.balance, "stock", 7.5, "l"), 2.5)
        self.assertAlmostEqual(to_yield(self.balance, "stock", 1500, "g"), 0.5)
        with self.assertRaisesRegex(CannotScale, "give the card a yield"):
            to_yield(self.balance, "stock", 3, "bunch")

    def test_to_portions(self) -> None:
        self.assertAlmostEqual(to_portions(self.balance, "stock", 400), 40)
        with self.assertRaisesRegex(CannotScale, "how many portions Stock makes"):
            to_portions(Balance(kitchen(stock())), "stock", 4)

    def test_to_what_is_there(self) -> None:
        self.assertAlmostEqual(to_what_is_there(self.balance, "stock", 0, 1.8, "kg"), 0.9)
        self.assertAlmostEqual(to_what_is_there(self.balance, "stock", 0, 3, "piece"), 0.6)
        with self.assertRaisesRegex(CannotScale, "cannot be compared"):
            to_what_is_there(self.balance, "stock", 2, 2, "bunch")

    def test_nothing_and_too_much_are_refused(self) -> None:
        for quantity in (0, 1e12):
            with self.assertRaises(CannotScale):
                to_yield(self.balance, "stock", quantity, "l")


class Lines(unittest.TestCase):
    def scaled(self, made: Preparation, factor: float, *more: Preparation) -> Scaled:
        return scaled(Balance(kitchen(made, *more)), made.id, factor)

    def test_amounts_are_rounded_and_salt_is_kept_exact(self) -> None:
        found = self.scaled(stock(), 0.9)
        self.assertEqual(
            [(entry.rounded.quantity, entry.rounded.unit) for entry in found.lines],
            [(1.8, "kg"), (3.6, "l"), (6.3, "g")],
        )
        self.assertEqual([entry.kept_exact for entry in found.lines], [False, False, True])
        self.assertEqual(found.yield_ and (found.yield_.quantity, found.yield_.unit), (2.7, "l"))

    def test_a_roux_is_kept_exact_in_itself_and_where_it_goes_in(self) -> None:
        halves = (line("plain-flour", quantity=50), line("butter", "fat", quantity=50))
        roux = pot("roux", *halves, kind="roux")
        sauce = pot("sauce", line("roux", quantity=93), line("water", quantity=987))
        found = self.scaled(roux, 1.334)
        self.assertEqual([entry.rounded.quantity for entry in found.lines], [66.7, 66.7])
        found = self.scaled(sauce, 1.334, roux)
        self.assertEqual([entry.rounded.quantity for entry in found.lines], [124.1, 1.315])

    def test_a_reduction_in_the_same_pan_is_warned_of(self) -> None:
        self.assertEqual(self.scaled(stock(method=(SIMMER,)), 1.2).warnings, ())
        told = self.scaled(stock(method=(SIMMER,)), 4).warnings
        self.assertIn("It reduces: 4 times the amount in the same pan", told[0])
        told = self.scaled(stock(method=(SIMMER,)), 0.06).warnings
        self.assertIn("6 % of the amount in the same pan takes about 6 % of the time", told[0])
        wide = stock(method=(SIMMER,), pan=Pan(30))
        told = self.scaled(wide, 8).warnings
        self.assertIn("It would stand 68 cm high in the card's pan of 30 cm", told[1])
        still = pot("soup", line("water", quantity=1000), method=(Step("Warm it.", 5),))
        self.assertEqual(self.scaled(still, 4).warnings, ())


class Yields(unittest.TestCase):
    def test_in_out_per_cent_and_level(self) -> None:
        part = ByProduct("fat", "Fat", 200, "g")
        made = replace(stock(pan=Pan(30)), by_products=(part,))
        found = yielded(Balance(kitchen(made)), "stock")
        self.assertEqual((found.grams_in, found.grams_out, found.by_products), (6007, 3000, 200))
        self.assertAlmostEqual(found.lost, 2807)
        self.assertAlmostEqual(found.per_cent, 49.94, 2)
        # 3 l in a pan of 30 cm: 3000 / (pi 15²) = 4.24 cm
        self.assertAlmostEqual(found.level_out or 0, 4.244, 3)
        self.assertIsNone(level_cm(None, 3))

    def test_more_out_than_in(self) -> None:
        swollen = pot("barley", line("water", quantity=100), yield_=Yield(250, "g"))
        self.assertAlmostEqual(excess(Balance(kitchen(swollen)), "barley"), 150)
        self.assertEqual(excess(Balance(kitchen(stock())), "stock"), 0)
        unknown = pot("a", line("water", quantity=1, unit="bunch"), yield_=Yield(9, "kg"))
        self.assertEqual(excess(Balance(kitchen(unknown)), "a"), 0)

    def test_steam_by_pan_lid_and_time(self) -> None:
        # 12 l an hour from a square metre, 40 cm across: 0.12566 m², one hour: 1.508 l
        pan = Pan(40)
        self.assertAlmostEqual(evaporation(pan, [SIMMER]).estimated, 12 * math.pi * 0.04)
        half = evaporation(replace(pan, lid="ajar"), [SIMMER])
        self.assertAlmostEqual(half.estimated, 6 * math.pi * 0.04)
        self.assertEqual(evaporation(pan, [Step("Rest.", 60)]).estimated, 0)
        longer = evaporation(pan, [Step("Hold.", 60, "bare simmer")])
        self.assertAlmostEqual(longer.estimated, 6 * math.pi * 0.04)

    def test_the_last_batches_correct_it(self) -> None:
        # They lost 1 l and 2 l where 2 × 1.508 were expected: 3 / 3.016 of the estimate
        batches = [Reduction("2026-11-01", 5, 4, 60), Reduction("2026-11-02", 5, 3, 60)]
        found = evaporation(Pan(40), [SIMMER], batches)
        self.assertAlmostEqual(found.corrected, 1.5)
        self.assertEqual(found.batches, 2)
        old = [Reduction(f"2026-10-0{n}", 9, 1, 60) for n in range(1, 9)]
        newest = [Reduction(f"2026-11-0{n}", 5, 4, 60) for n in range(1, 6)]
        self.assertAlmostEqual(evaporation(Pan(40), [SIMMER], old + newest).corrected, 1.0)

    def test_what_to_fill_so_that_a_ladle_is_over(self) -> None:
        # Two dishes take 2 l and 1.5 l; with a ladle of 125 ml 3.625 l, from a card that makes 3
        soup = pot("soup", line("stock", quantity=2, unit="l"))
        sauce = pot("sauce", line("stock", quantity=1.5, unit="l"))
        gone = pot("gone", line("stock", quantity=9, unit="l"), retired="2026-11-01")
        found = filling(Balance(kitchen(stock(), soup, sauce, gone)), "stock", 125)
        self.assertAlmostEqual(found.needed, 3.5)
        self.assertAlmostEqual(found.factor, 3.625 / 3)
        self.assertAlmostEqual(found.fill, 6.007 * 3.625 / 3)


if __name__ == "__main__":
    unittest.main()
