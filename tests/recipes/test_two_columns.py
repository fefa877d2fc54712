"""Ingredients in two columns are read as one list, and nothing else is moved."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from tests.effort import examples
from yellow_ladle.core.recipes.text_reader import text_recipes
from yellow_ladle.core.recipes.two_columns import in_one_column

STEW = """Chicken stew                                 serves 4

1 kg chicken thighs                          400 ml chicken stock
2 onions, chopped                            2 tbsp plain flour
3 carrots                                    50 g butter
1 tsp paprika

Brown the chicken in the butter.
"""
TABLE = """Shortbread

Flour          300 g
Butter         200 g
Sugar          100 g

Rub together, bake.
"""
INGREDIENTS = st.sampled_from(
    ("50 g butter", "2 onions, chopped", "1 tbsp mustard", "300 ml milk", "3 eggs", "1 kg potatoes")
)


class TwoColumns(unittest.TestCase):
    def test_tabs_behind_a_line_make_no_column(self) -> None:
        text = "Stew\n\n" + "1 kg chicken" + "\t" * 20_000 + "\n2 onions" + "\t" * 20_000 + "\n"
        self.assertEqual(in_one_column(text), text)

    def test_the_left_column_comes_first(self) -> None:
        [stew] = text_recipes(STEW)
        self.assertEqual(
            [line.text for line in stew.lines],
            [
                "1 kg chicken thighs",
                "2 onions, chopped",
                "3 carrots",
                "1 tsp paprika",
                "400 ml chicken stock",
                "2 tbsp plain flour",
                "50 g butter",
            ],
        )

    def test_a_table_of_names_and_amounts_stays_as_it_is(self) -> None:
        self.assertEqual(in_one_column(TABLE), TABLE)

    @given(st.lists(st.tuples(INGREDIENTS, INGREDIENTS), min_size=2, max_size=8), st.booleans())
    @examples(80)
    def test_no_ingredient_is_lost(self, rows: list[tuple[str, str]], tabs: bool) -> None:
        lines = [f"{a}\t{b}" if tabs else f"{a:<30}{b}" for a, b in rows]
        [read] = text_recipes("Soup\n\n" + "\n".join(lines) + "\n\nSimmer it all.\n")
        wanted = [a for a, _ in rows] + [b for _, b in rows]
        self.assertEqual([line.text for line in read.lines], wanted)


if __name__ == "__main__":
    unittest.main()
