"""Amounts as people type them, what they weigh, and how they are rounded."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from tests.effort import examples
from yellow_ladle.core.amounts.grammar import MAX_TYPED, understand
from yellow_ladle.core.amounts.understood import question_of
from yellow_ladle.core.amounts.weight import Weighed, weigh
from yellow_ladle.core.book.book import Kitchen
from yellow_ladle.core.cards.round import Rounded, rounded
from yellow_ladle.core.vocabulary.units import Measure, shipped_units, units, units_of

TYPED = {
    "1 1/2 cups": (1.5, "cup", ""),
    "½ l": (0.5, "l", ""),
    "2 sticks": (2, "stick", ""),
    "3 ladles": (3, "ladle", ""),
    "1 bunch": (1, "bunch", ""),
    "2 onions": (2, "piece", "onions"),
    "a pinch": (1, "pinch", ""),
    "4-6 sprigs": (5, "sprig", ""),
    "250g": (250, "g", ""),
    "1,5 kg": (1.5, "kg", ""),
    "1½ tbsp. sugar": (1.5, "tbsp", "sugar"),
    "1-1/2 cups milk": (1.5, "cup", "milk"),
    "⅓ cup": (1 / 3, "cup", ""),
    "2 x 400 g tins tomatoes": (800, "g", "tomatoes"),
    "1 (400 g) tin chopped tomatoes": (400, "g", "chopped tomatoes"),
    "1 400g tin": (400, "g", ""),
    "1 tin plums (400 g)": (400, "g", "plums"),
    "2 tins plums (400 g each)": (800, "g", "plums"),
    "scant 1/2 cup sugar": (0.5, "cup", "sugar"),
    "just under 200 g flour": (200, "g", "flour"),
    "some 200 g flour": (200, "g", "flour"),
    "14-ounce can tomatoes": (14, "oz", "tomatoes"),
    "4 6-ounce salmon fillets": (24, "oz", "salmon fillets"),
    "1 9-inch pie shell": (1, "piece", "9-inch pie shell"),
    "200 g 70% chocolate": (200, "g", "70% chocolate"),
    "250 g 00 flour": (250, "g", "00 flour"),
    "20 g 7-spice powder": (20, "g", "7-spice powder"),
    "2 400 g tins of tomatoes": (800, "g", "tomatoes"),
    "3 tins (400 g each)": (1200, "g", ""),
    "1 bottle (750 ml) wine": (750, "ml", "wine"),
    "half a dozen eggs": (6, "piece", "eggs"),
    "2 dozen eggs": (24, "piece", "eggs"),
    "a litre and a half": (1.5, "l", ""),
    "a pound and a half of flour": (1.5, "lb", "flour"),
    "three quarters of a cup": (0.75, "cup", ""),
    "1 and 1/2 cups milk": (1.5, "cup", "milk"),
    "8 fl. oz.": (8, "fl_oz", ""),
    "1 uk_fl_oz": (1, "uk_fl_oz", ""),
    "a hundred grams": (100, "g", ""),
    "one hundred and fifty grams": (150, "g", ""),
    "twenty-five grams": (25, "g", ""),
    ".5 kg": (0.5, "kg", ""),
    "0.500 kg": (0.5, "kg", ""),
    "2 sticks of celery": (2, "piece", "celery"),
    "a cinnamon stick": (1, "piece", "cinnamon stick"),
    "1 stick butter": (1, "stick", "butter"),
    "1 head garlic": (1, "head", "garlic"),
    "2 ribs celery": (2, "rib", "celery"),
    "3 rashers bacon": (3, "rasher", "bacon"),
    "a thumb of ginger": (1, "thumb", "ginger"),
    "2 EL Öl": (2, "metric_tbsp", "Öl"),
    "1 TL Salz": (1, "metric_tsp", "Salz"),
    "2 c. à s. d'huile": (2, "metric_tbsp", "huile"),
    "1 c. à c. sel": (1, "metric_tsp", "sel"),
    "3 cucharadas de aceite": (3, "metric_tbsp", "aceite"),
    "2 cucchiai di olio": (2, "metric_tbsp", "olio"),
    "1 kg 200 g bones": (1.2, "kg", "bones"),
    "1 lb 4 oz beef, diced": (1.25, "lb", "beef"),
    "2 tbsp plus 1 tsp oil": (2 + 1 / 3, "tbsp", "oil"),
    "half an onion": (0.5, "piece", "onion"),
    "two and a half cups": (2.5, "cup", ""),
    "a dozen eggs": (12, "piece", "eggs"),
    "pinch of salt": (1, "pinch", "salt"),
    "2.500,5 g": (2500.5, "g", ""),
    "10 fl oz milk": (10, "fl_oz", "milk"),
    "2 leaves of gelatine": (2, "leaf", "gelatine"),
    "250 G Butter": (250, "g", "Butter"),
    "one large onion": (1, "piece", "large onion"),
    "0 g": (0, "g", ""),
}
PARTS = (
    *(
        "1",
        "2",
        "250",
        "1/2",
        "½",
        "1.5",
        "a",
        "half",
        "two",
        "dozen",
        "and a half",
        "g",
        "kg",
        "ml",
    ),
    *(
        "l",
        "cup",
        "tbsp",
        "of",
        "of a",
        "tin",
        "(400 g)",
        "%",
        "/",
        "t",
        "x",
        "-",
        "flour",
        "heaped",
    ),
)


class Grammar(unittest.TestCase):
    def test_what_people_type(self) -> None:
        for text, (quantity, unit, item) in TYPED.items():
            with self.subTest(text):
                found = understand(text)
                self.assertAlmostEqual(found.quantity or 0, quantity)
                self.assertEqual((found.unit, found.item), (unit, item))
                self.assertEqual((found.text, found.question), (text, ""))

    def test_a_range_keeps_its_ends_and_is_approximate(self) -> None:
        found = understand("1 to 2 cloves garlic, crushed")
        self.assertEqual((found.low, found.quantity, found.high), (1, 1.5, 2))
        self.assertEqual((found.item, found.note, found.approximate), ("garlic", "crushed", True))
        self.assertIsNone(understand("6-4 sprigs").high)

    def test_what_is_said_around_the_amount_becomes_a_note(self) -> None:
        self.assertEqual(understand("2 heaped tsp flour").note, "heaped")
        self.assertEqual(understand("1 cup (240 ml) milk").note, "240 ml")
        self.assertEqual(understand("salt to taste").note, "to taste")
        self.assertTrue(understand("about 3 dl cream").approximate)

    def test_what_cannot_be_understood_is_kept_and_asked_about(self) -> None:
        for text in ("", "a good glug of olive oil", "1/0 cup", "g", "x" * 900):
            with self.subTest(text):
                found = understand(text)
                self.assertEqual((found.quantity, found.unit), (None, None))
                self.assertEqual(found.text, text)
                self.assertIn("Type it as a number and a unit", found.question)
        self.assertEqual(understand("a good glug of olive oil").item, "olive oil")

    def test_what_may_be_taken_for_something_else_is_asked_and_never_pieces(self) -> None:
        for text in (
            *("1 500 g", "1.500 g", "1,500 g", "1 c.", "1 T", "1 t", "2 of a kind", "3 % milk"),
            *("1 tin tomatoes", "2 bottles wine", "200gbutter", "2 litrebottles", "5 cupfuls"),
            *("250 g/ml", "a few sprigs", "2nd", "1 l 1/2", "a", "25 °C", "6 cl garlic", "0 eggs"),
            *("Leaves of mint", "2 tins tomatoes (800 g)", "1 bnuch parsley"),
        ):
            with self.subTest(text):
                found = understand(text)
                self.assertEqual((found.quantity, found.unit, found.high), (None, None, None))
                self.assertTrue(found.question)
        self.assertEqual(understand("1,500 g").question, "Is 1,500 meant as 1500, or 1.500?")
        self.assertEqual(understand("1.500 g").question, "Is 1.500 meant as 1500, or 1.500?")

    def test_no_amount_asks_nothing_where_it_is_said_so(self) -> None:
        for text in (
            *("salt to taste", "salt, as needed", "pepper q.s.", "sale q.b.", "flour", "cloves"),
            *("a little oil", "un peu de lait", "ein wenig Öl", "Salz n. B.", "poivre PM"),
        ):
            found = understand(text)
            self.assertEqual((found.quantity, found.unit, found.question), (None, None, ""), text)
        self.assertEqual(question_of(understand("salt to taste")), "")
        self.assertIn("No amount could be read", question_of(understand("flour")))

    def test_heaped_scant_and_rounded_are_about(self) -> None:
        for word in ("heaped", "scant", "rounded"):
            found = understand(f"2 {word} tbsp flour")
            self.assertEqual((found.quantity, found.unit, found.approximate), (2, "tbsp", True))
        self.assertFalse(understand("2 level tbsp flour").approximate)
        piece = understand("a 2 cm piece of ginger")
        self.assertEqual((piece.quantity, piece.unit, piece.item), (1, "piece", "ginger"))
        self.assertEqual((piece.note, piece.approximate), ("2 cm", True))

    @given(st.lists(st.sampled_from(PARTS), min_size=1, max_size=6))
    @examples(600)
    def test_every_word_of_an_amount_is_used_or_it_asks(self, parts: list[str]) -> None:
        found = understand(" ".join(parts))
        if found.quantity is None:
            return
        first = (found.item.split() or [""])[0].lower()
        self.assertFalse(first[:1].isdigit(), (parts, found))
        self.assertNotIn(first, ("%", "/", "g", "kg", "ml", "l", "cup", "tbsp", "dozen", "tin"))

    def test_bare_spoons_are_those_of_the_kitchen(self) -> None:
        for spoons, wanted in (("us", "tbsp"), ("metric", "metric_tbsp"), ("au", "au_tbsp")):
            self.assertEqual(understand("1 tablespoon", None, spoons).unit, wanted)  # type: ignore[arg-type]
        self.assertEqual(understand("1 pint", None, "uk").unit, "uk_pint")
        self.assertEqual(understand("1 metric cup").unit, "metric_cup")

    def test_the_kitchens_own_measures(self) -> None:
        own = units_of([Measure("ladle", 125, "ml"), Measure("scoop", 2, "oz")])
        self.assertEqual(understand("2 scoops cream", own).unit, "scoop")
        self.assertEqual(weigh(3, "ladle", 1.0, None, own), Weighed(375, 375))
        self.assertAlmostEqual(weigh(1, "scoop", known=own).grams or 0, 56.69904625)
        self.assertEqual(weigh(3, "ladle"), Weighed())

    @given(st.text(max_size=MAX_TYPED + 20))
    @examples(100)
    def test_anything_may_be_typed(self, text: str) -> None:
        found = understand(text)
        self.assertEqual(found.text, text)
        self.assertEqual(found.quantity is None, found.unit is None)
        self.assertTrue(found.quantity is None or found.quantity >= 0)
        self.assertTrue(found.quantity is not None or question_of(found) or found.note)

    @given(st.floats(0.25, 5000), st.sampled_from(["g", "kg", "ml", "l", "oz", "tbsp"]))
    @examples(100)
    def test_what_is_written_out_is_read_again(self, quantity: float, unit: str) -> None:
        amount = round(quantity, 2)
        for sign in (".", ","):
            text = f"{amount:.2f}".replace(".", sign)
            self.assertAlmostEqual(understand(f"{text} {unit}").quantity or 0, amount)


class Weighing(unittest.TestCase):
    def test_sizes_are_those_of_the_tables(self) -> None:
        sizes = {
            "oz": 28.349523125,
            "lb": 453.59237,
            "cup": 236.5882365,
            "tsp": 14.78676478125 / 3,
            "uk_pint": 568.26125,
            "gallon": 3785.411784,
            "stick": 113.398,
        }
        for unit, size in sizes.items():
            self.assertAlmostEqual(shipped_units()[unit].size or 0, size, 9)
        self.assertEqual(set(units()), set(shipped_units()))

    def test_volume_becomes_weight_only_by_a_density(self) -> None:
        # 1.5 cups of 236.5882365 ml at 0.53 g/ml: 354.882 ml, 188.088 g
        weighed = weigh(1.5, "cup", 0.53)
        self.assertAlmostEqual(weighed.millilitres or 0, 354.88235475)
        self.assertAlmostEqual(weighed.grams or 0, 188.0876480175)
        self.assertEqual(weigh(1, "l"), Weighed(None, 1000))
        self.assertEqual(weigh(500, "g", 0.5), Weighed(500, 1000))

    def test_pieces_weigh_by_the_unit_weight(self) -> None:
        self.assertEqual(weigh(2, "piece", None, 110), Weighed(220))
        self.assertEqual(weigh(2, "bunch"), Weighed())
        self.assertEqual(weigh(2, "no such unit", 1, 1), Weighed())


class Rounding(unittest.TestCase):
    kitchen = Kitchen("K", "eu-14", weigh_to_g=5, measure_to_ml=10)

    def round(self, quantity: float, unit: str, exact: bool = False) -> tuple[float, str]:
        known = dict(shipped_units())
        found = rounded(quantity, known[unit], known, self.kitchen, exact=exact)
        return found.quantity, found.unit

    def test_weights_and_volumes_go_to_the_kitchens_steps(self) -> None:
        self.assertEqual(self.round(347.2, "g"), (345, "g"))
        self.assertEqual(self.round(1234, "ml"), (1.23, "l"))
        self.assertEqual(self.round(0.32, "kg"), (320, "g"))
        self.assertEqual(self.round(3.27, "g"), (3.3, "g"))
        self.assertEqual(self.round(347.26, "g", exact=True), (347.3, "g"))

    def test_spoons_and_pinches_scale_sensibly(self) -> None:
        self.assertEqual(self.round(0.3, "tsp"), (0.25, "tsp"))
        self.assertEqual(self.round(6, "tsp"), (2, "tbsp"))
        self.assertEqual(self.round(30, "tbsp"), (440, "ml"))
        self.assertEqual(self.round(2.7, "pinch"), (2.5, "pinch"))
        self.assertEqual(self.round(40, "pinch"), (12, "g"))

    def test_pieces_come_in_halves_and_leaves_whole(self) -> None:
        self.assertEqual(self.round(4.44, "piece"), (4.5, "piece"))
        self.assertEqual(self.round(0.3, "piece"), (0.25, "piece"))
        self.assertEqual(self.round(0.2, "leaf"), (1, "leaf"))
        self.assertEqual(self.round(0, "g"), (0, "g"))

    def test_a_measure_without_a_size_comes_in_quarters_and_never_none(self) -> None:
        self.assertEqual(self.round(0.7, "ladle"), (0.75, "ladle"))
        self.assertEqual(self.round(0.125, "ladle"), (0.25, "ladle"))

    @given(st.floats(0.001, 1e5), st.sampled_from(sorted(shipped_units())), st.booleans())
    @examples(100)
    def test_nothing_is_rounded_away(self, quantity: float, unit: str, exact: bool) -> None:
        known = dict(shipped_units())
        found: Rounded = rounded(quantity, known[unit], known, self.kitchen, exact=exact)
        self.assertGreater(found.quantity, 0)


if __name__ == "__main__":
    unittest.main()
