"""What a swap loses by figures: too much salt, too much acid, another colour."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from tests.kitchens import line, pot, product, reading
from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.swaps.plans.swap import Swap
from yellow_ladle.core.swaps.search.taste_figures import lost_by_figures

CREAM = product("cream", "milk", density_g_per_ml=1.0)
MUSTARD = product("mustard", "mustard", salt_g_per_100g=5.0)
MILD = product("mild-paste", "", "tomato-paste", salt_g_per_100g=5.0)
SALTY = product("salty-paste", "", "miso", salt_g_per_100g=60.0)
WINE = product("white-wine", "", density_g_per_ml=1.0)
VINEGAR = product("wine-vinegar", "", density_g_per_ml=1.0)
SLIGHT = (0.2, 0.1, 0.1)


class TasteFigures(unittest.TestCase):
    def lost(
        self, old: str, to: str | None, grams: float, *, colour: str = "", suits: str = ""
    ) -> tuple[float, float, float]:
        sauce = pot("sauce", line("cream", quantity=500), line(old, "seasoning", quantity=50))
        sauce = sauce if not colour else pot("sauce", *sauce.lines, colour=colour)
        before = reading(CREAM, MUSTARD, MILD, SALTY, WINE, VINEGAR, sauce)
        swap = Swap("sauce", 1, old, to, grams, "g", "a-rule")
        return lost_by_figures(before.balance, sauce, swap, SLIGHT, tuple(suits.split()))

    def test_as_salty_as_before_loses_what_the_rule_says(self) -> None:
        self.assertEqual(self.lost("mustard", "mild-paste", 50), SLIGHT)
        self.assertEqual(self.lost("mustard", None, 50), SLIGHT)

    def test_much_saltier_loses_all_of_its_flavour(self) -> None:
        self.assertEqual(self.lost("mustard", "salty-paste", 50), (1.0, 0.1, 0.1))

    def test_vinegar_at_the_volume_of_wine_is_too_sour_and_by_its_acid_it_is_not(self) -> None:
        self.assertEqual(self.lost("white-wine", "wine-vinegar", 50), (1.0, 0.1, 0.1))
        self.assertEqual(self.lost("white-wine", "wine-vinegar", 5), SLIGHT)

    def test_another_colour_than_the_rule_suits_loses_colour(self) -> None:
        white = self.lost("mustard", "mild-paste", 50, colour="white", suits="brown red")
        self.assertEqual(white, (0.2, 0.1, 0.5))
        brown = self.lost("mustard", "mild-paste", 50, colour="brown", suits="brown red")
        self.assertEqual(brown, SLIGHT)

    @given(st.floats(0, 500), st.floats(0, 500), st.sampled_from(["mild-paste", "salty-paste"]))
    def test_more_of_it_never_loses_less_and_no_figure_takes_off_what_the_rule_says(
        self, one: float, other: float, to: str
    ) -> None:
        less, more = sorted((one, other))
        first, second = self.lost("mustard", to, less), self.lost("mustard", to, more)
        self.assertTrue(all(a <= b for a, b in zip(first, second, strict=True)), (first, second))
        self.assertTrue(all(a <= b for a, b in zip(SLIGHT, first, strict=True)), first)

    def test_what_nobody_recorded_takes_nothing_away(self) -> None:
        silent = product("silent-paste", "", "miso")
        sauce = pot("sauce", line("cream", quantity=500), line("mustard", quantity=50))
        balance: Balance = reading(CREAM, MUSTARD, silent, sauce).balance
        swap = Swap("sauce", 1, "mustard", "silent-paste", 50, "g", "a-rule")
        self.assertEqual(lost_by_figures(balance, sauce, swap, SLIGHT, ()), SLIGHT)


if __name__ == "__main__":
    unittest.main()
