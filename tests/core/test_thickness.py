"""How thick pots become, and the bench that answers the question the other way round."""

import unittest
from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from tests.core.test_numbers import FAT, WATER, WHEAT, WINE, ZERO
from tests.effort import examples
from tests.kitchens import book, line, pot, product, read
from yellow_ladle.core.book.book import Book, Preparation, Step, Yield
from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.numbers.thickeners import fat_share, thickeners
from yellow_ladle.core.thickening.dosage import (
    GOALS,
    Liquid,
    middle_of,
    options,
    put_in,
    roux_for,
)
from yellow_ladle.core.thickening.thickness import (
    Thickness,
    kept,
    place_of,
    places,
    position,
    thickness,
)

MAIZE = product("maize", class_="maize-starch", **ZERO)
ARROWROOT = product("arrowroot", class_="arrowroot", **ZERO)
MILK = product("milk", "milk", "milk", density_g_per_ml=1.0, **ZERO)
CHEESE = product("cheese", "milk", "hard-cheese", **ZERO)
LEEK = product("leek", "allium", "leek", **ZERO)


def of(*pieces: object, item: str = "sauce") -> Thickness:
    made: Book = book(*pieces)  # type: ignore[arg-type]
    return thickness(Balance(made), item)


def litre(*lines: object, **rest: object) -> Preparation:
    """A sauce that yields one litre."""
    return pot("sauce", *lines, yield_=Yield(1, "l"), **rest)  # type: ignore[arg-type]


def flour(grams: float) -> Preparation:
    return litre(line("plain-flour", "thickener", quantity=grams), line("water", quantity=1000))


class Scale(unittest.TestCase):
    def test_the_places_follow_the_table(self) -> None:
        wanted = {0: "stock", 37: "runs", 50: "veils", 62: "coats", 85: "blankets", 120: "stands"}
        for grams, place in wanted.items():
            self.assertEqual(place_of(grams).id, place)
            self.assertEqual(of(WHEAT, WATER, flour(grams)).hot.middle, grams)

    def test_positions_rise_along_the_scale(self) -> None:
        grams = [0, 10, 25, 45, 50, 55, 70, 90, 110, 130, 1000]
        found = [position(each) for each in grams]
        self.assertEqual(found, sorted(found))
        self.assertEqual((found[0], found[-1]), (0, 1))
        self.assertEqual(len({place.name for place in places()}), len(places()))

    def test_it_binds_by_a_third_on_cooling(self) -> None:
        found = of(WHEAT, WATER, flour(60))
        self.assertAlmostEqual(found.lukewarm.middle, 80)
        self.assertEqual(place_of(found.lukewarm.middle).id, "blankets")

    @given(st.floats(1, 200), st.floats(0.1, 100))
    @examples(100)
    def test_more_flour_is_never_thinner(self, grams: float, more: float) -> None:
        first = of(WHEAT, WATER, flour(grams)).hot
        second = of(WHEAT, WATER, flour(grams + more)).hot
        self.assertGreater(second.middle, first.middle)
        self.assertGreaterEqual(position(second.middle), position(first.middle))


class Effects(unittest.TestCase):
    def test_a_range_comes_from_the_weights_of_the_table(self) -> None:
        # 55 g arrowroot at 0.5 to 0.65 for a gram of flour: 110 to 84.6 g, the middle at 0.575
        found = of(ARROWROOT, WATER, litre(line("arrowroot", quantity=55), "water")).hot
        self.assertAlmostEqual(found.low, 55 / 0.65)
        self.assertAlmostEqual(found.middle, 55 / 0.575)
        self.assertAlmostEqual(found.high, 55 / 0.5)

    def test_a_slurry_falls_with_boiling_and_with_acid(self) -> None:
        # 25 g maize are 50 g flour; 30 minutes leave 60 % of it, a sour pot 70 % of that
        plain = litre(line("maize", quantity=25), line("water", quantity=1000))
        boiled = litre(line("maize", quantity=25, minutes=30), line("water", quantity=1000))
        sour = litre(
            line("maize", quantity=25, minutes=30),
            line("wine", quantity=200),
            line("water", quantity=800),
        )
        pieces = (MAIZE, WATER, WINE)
        self.assertAlmostEqual(of(*pieces, plain).hot.middle, 50)
        self.assertAlmostEqual(of(*pieces, boiled).hot.middle, 30)
        self.assertAlmostEqual(of(*pieces, sour).hot.middle, 21)
        told = of(*pieces, sour).effects
        self.assertIn("Cornflour (maize starch) keeps 60% of its power after 30 minutes.", told)
        self.assertIn("Cornflour (maize starch) keeps 70% of its power in a pot this sour.", told)
        self.assertEqual(kept(thickeners()["wheat-flour"], 600, sour=True), 1.0)

    def test_freezing_breaks_maize(self) -> None:
        found = of(MAIZE, WATER, litre(line("maize", quantity=30), "water"))
        self.assertAlmostEqual(found.thawed.middle, 30)
        self.assertIn("breaks when it is frozen", found.effects[0])

    def test_arrowroot_with_milk_turns_slimy(self) -> None:
        found = of(ARROWROOT, MILK, litre(line("arrowroot", quantity=30), "milk"))
        self.assertEqual(found.effects[0], "Arrowroot: slimy with milk or cream.")

    def test_a_brown_roux_thickens_less_and_says_so(self) -> None:
        halves = (line("plain-flour", quantity=50), line("butter", quantity=50))
        roux = pot("roux", *halves, kind="roux", colour="brown")
        sauce = litre(line("roux", quantity=100), line("water", quantity=1000))
        found = of(WHEAT, FAT, WATER, roux, sauce)
        self.assertAlmostEqual(found.hot.middle, 50 / 1.5)
        self.assertAlmostEqual(found.hot.low, 50 / 1.6)
        self.assertIn("it takes 1.5 g of flour for each gram in a white one", found.effects[0])

    def test_cheese_gives_body_and_a_pureed_vegetable_only_where_it_is_pureed(self) -> None:
        # 100 g cheese stand for 8 to 16 g of flour, 100 g leek for 2 to 7 g
        cheesy = of(CHEESE, WATER, litre(line("cheese", quantity=100), "water")).hot
        self.assertEqual((cheesy.low, cheesy.middle, cheesy.high), (8, 12, 16))
        whole = litre(line("leek", quantity=500), "water", method=(Step("Leek in, tomato paste."),))
        self.assertEqual(of(LEEK, WATER, whole).hot.middle, 0)
        blended = replace(whole, method=(Step("Blend it smooth."),))
        self.assertAlmostEqual(of(LEEK, WATER, blended).hot.middle, 22.5)
        lifted = litre(
            line("leek", quantity=500, strained_out=True), "water", method=blended.method
        )
        self.assertEqual(of(LEEK, WATER, lifted).hot.middle, 0)

    def test_what_is_set_ground_or_emulsified_is_not_thin(self) -> None:
        """Each a litre: a mayonnaise, a ground nut sauce, a bisque bound with rice, a custard."""
        oil = product("rapeseed-oil", class_="rapeseed-oil", density_g_per_ml=0.92, **ZERO)
        yolk = product("yolk", "egg", "egg-yolk", **ZERO)
        nuts = product("almonds", "almond", "almond", **ZERO)
        rice = product("rice", class_="rice", **ZERO)
        loaf = product("bread", "wheat", "bread", **ZERO)
        pots = {
            "Add the oil drop by drop.": ((oil, 800), (yolk, 80)),
            "Pound it to a paste.": ((nuts, 200), (loaf, 100), (oil, 200)),
            "Blend it smooth.": ((rice, 60), (WATER, 1000)),
            "Stir it over a low flame.": ((MILK, 1000), (yolk, 160)),
        }
        for step, goods in pots.items():
            lines = [line(entry.id, "body", quantity=grams) for entry, grams in goods]
            made = litre(*lines, method=(Step(step),))
            found = of(*(entry for entry, _ in goods), made)
            with self.subTest(step):
                self.assertNotEqual(place_of(found.hot.middle).id, "stock")

    def test_yolks_only_round_what_a_roux_binds(self) -> None:
        yolk = product("yolk", "egg", "egg-yolk", **ZERO)
        lines = (line("milk", quantity=1000), line("yolk", "enrichment", quantity=100))
        alone = of(MILK, yolk, litre(*lines)).hot.middle
        bound = of(MILK, yolk, WHEAT, litre(*lines, line("plain-flour", "thickener", quantity=50)))
        self.assertGreater(alone, bound.hot.middle - 50)

    def test_a_dumpling_keeps_its_flour_to_itself(self) -> None:
        dough = pot(
            "dumplings",
            line("plain-flour", "body", quantity=200),
            line("butter", "fat", quantity=80),
            line("water", quantity=100),
            kind="component",
        )
        stew = litre(line("dumplings", "accompaniment", quantity=380), line("water", quantity=900))
        self.assertEqual(of(WHEAT, FAT, WATER, dough, stew).hot.middle, 0)
        kneaded = replace(dough, lines=dough.lines[:2])
        self.assertGreater(of(WHEAT, FAT, WATER, kneaded, stew).hot.middle, 50)

    def test_a_reduction_thickens_by_the_same_factor(self) -> None:
        half = replace(flour(60), yield_=Yield(0.5, "l"))
        self.assertAlmostEqual(of(WHEAT, WATER, half).hot.middle, 120)

    def test_an_unknown_weight_is_at_least(self) -> None:
        sauce = litre(line("plain-flour", quantity=1, unit="bunch"), "water")
        self.assertTrue(of(WHEAT, WATER, sauce).at_least)
        self.assertFalse(of(WHEAT, WATER, flour(10)).at_least)


class Bench(unittest.TestCase):
    def setUp(self) -> None:
        self.reading = read(book(WHEAT, FAT, MAIZE, ARROWROOT))

    def grams(self, id: str, liquid: Liquid, place: int = 3) -> float:
        found = options(self.reading, liquid, places()[place], [id])
        return found[0].grams

    def test_amounts_side_by_side(self) -> None:
        # Coating is 55 to 72.5 g a litre, the middle 63.75; 2 l of it
        self.assertAlmostEqual(middle_of("coats"), 63.75)
        self.assertAlmostEqual(self.grams("wheat-flour", Liquid(2)), 127.5)
        self.assertAlmostEqual(self.grams("maize-starch", Liquid(2)), 63.75)
        self.assertAlmostEqual(self.grams("xanthan", Liquid(2)), 6.375)
        # 40 g are in already; half an hour of boiling leaves maize 60 %
        self.assertAlmostEqual(self.grams("wheat-flour", Liquid(2, already=40)), 47.5)
        self.assertAlmostEqual(self.grams("maize-starch", Liquid(2, minutes=30)), 106.25)
        self.assertEqual(self.grams("wheat-flour", Liquid(1, already=90)), 0)
        self.assertEqual(middle_of("stands"), 120)

    def test_a_roux_by_the_gram(self) -> None:
        wheat = thickeners()["wheat-flour"]
        equal = roux_for(100, wheat, "white", "rapeseed-oil")
        self.assertEqual((equal.flour, equal.fat), (100, 100))
        # 100 g of butter bring 82 g of fat, as 82 g of oil do
        loose = roux_for(100, wheat, "white", "rapeseed-oil", equal=False)
        self.assertAlmostEqual(loose.fat, 82)
        self.assertEqual(roux_for(100, wheat, "brown", "butter").flour, 150)
        self.assertEqual((fat_share("butter"), fat_share("lard")), (0.82, 1.0))

    def test_goals_are_reached_or_named(self) -> None:
        found = options(self.reading, Liquid(1), places()[3], thickeners(), GOALS)
        unmet = {option.thickener.id: option.unmet for option in found}
        self.assertEqual(unmet["arrowroot"], ())
        self.assertEqual(found[0].thickener.id, "arrowroot")
        self.assertIn("no_gluten", unmet["wheat-flour"])
        self.assertEqual(
            set(unmet["maize-starch"]), {"no_maize", "freezes_well", "clear", "stands_acid"}
        )
        # Nothing of the class is in the larder, so nobody can say that it holds no gluten.
        self.assertIn("no_gluten", unmet["rice-flour"])

    def test_an_unchecked_product_reaches_no_gluten_goal(self) -> None:
        unread = product("maize", class_="maize-starch", unchecked="wheat", **ZERO)
        found = options(
            read(book(unread)), Liquid(1), places()[3], ["maize-starch"], ("no_gluten",)
        )
        self.assertEqual(found[0].unmet, ("no_gluten",))

    def test_milk_brings_its_caution(self) -> None:
        found = options(self.reading, Liquid(1, milk=True), places()[3], ["arrowroot"])
        self.assertIn("Slimy with milk or cream.", found[0].cautions)

    def test_what_the_bench_says_makes_the_pot_that_thick(self) -> None:
        for id, item, pieces in (
            ("wheat-flour", "plain-flour", (WHEAT, WATER)),
            ("maize-starch", "maize", (MAIZE, WATER)),
        ):
            grams = self.grams(id, Liquid(1))
            bound = put_in(litre(line("water", quantity=1000)), thickeners()[id], item, grams)
            self.assertAlmostEqual(of(*pieces, bound).hot.middle, middle_of("coats"))
        last = bound.lines[-1]
        self.assertEqual((last.stage, last.group), ("finish", "To bind at the end"))
        self.assertEqual(bound.method[-1].uses, ("maize",))


if __name__ == "__main__":
    unittest.main()
