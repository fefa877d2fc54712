"""Salt, alcohol, sulphites and starch by mass balance, against figures worked out by hand."""

import unittest
from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from tests.effort import examples
from tests.kitchens import BUTTER, FLOUR, book, line, pot, product, reading
from tests.random_books import books
from yellow_ladle.core.book.book import Book, Preparation, Yield
from yellow_ladle.core.book.product import Part, Product
from yellow_ladle.core.numbers.balance import CARRIED, Balance
from yellow_ladle.core.numbers.named import NUMBERS, named
from yellow_ladle.core.numbers.retention import retained
from yellow_ladle.core.numbers.salt import seasoned
from yellow_ladle.core.numbers.sources import figure
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.vocabulary.units import Measure

ZERO = {"abv_percent": 0.0, "salt_g_per_100g": 0.0, "so2_mg_per_kg": 0.0}
WATER = product("water", class_="water", density_g_per_ml=1.0, **ZERO)
SALT = product("salt", class_="salt", **ZERO | {"salt_g_per_100g": 100.0})
WINE = product(
    "wine",
    "alcohol sulphites",
    "white-wine",
    density_g_per_ml=0.99,
    **ZERO | {"abv_percent": 12.0, "so2_mg_per_kg": 100.0},
)
WHEAT = replace(FLOUR, **ZERO)
FAT = replace(BUTTER, **ZERO)
POWDER = product("powder", class_="stock-powder")


def numbers(made: Book, item: str) -> dict[str, float]:
    return dict(zip(NUMBERS, named(Balance(made), item), strict=True))


def salt_in(made: Book, item: str) -> float:
    return numbers(made, item)["salt_g_per_100g"]


def missing(made: Book, item: str, name: str = "salt") -> tuple[str, ...]:
    balance = Balance(made)
    return balance.missing(balance.of(item), CARRIED.index(name))


class Salt(unittest.TestCase):
    def test_a_brine_reduced_by_half_is_twice_as_salt(self) -> None:
        # 1000 g water and 10 g salt: 10 / 1010 = 0.990 g in 100 g; reduced to 505 g: 1.980
        brine = pot("brine", line("water", quantity=1, unit="l"), line("salt", quantity=10))
        self.assertAlmostEqual(salt_in(book(WATER, SALT, brine), "brine"), 1000 / 1010)
        reduced = replace(brine, yield_=Yield(505, "g"))
        self.assertAlmostEqual(salt_in(book(WATER, SALT, reduced), "brine"), 2000 / 1010)

    def test_it_goes_through_several_tiers(self) -> None:
        # stock 1 g in 100 g; 500 g of it in a soup that comes to 1 kg: 0.5 g, with 200 g of that
        # in a plate of 400 g: 0.25 g
        stock = pot("stock", line("water", quantity=990), line("salt", quantity=10))
        soup = pot("soup", line("stock", quantity=500), yield_=Yield(1, "kg"))
        plate = pot("plate", line("soup", quantity=200), line("water", quantity=200), kind="dish")
        made = book(WATER, SALT, stock, soup, plate)
        self.assertAlmostEqual(salt_in(made, "soup"), 0.5)
        self.assertAlmostEqual(salt_in(made, "plate"), 0.25)

    def test_a_number_that_nobody_recorded_makes_it_at_least(self) -> None:
        sauce = pot("sauce", line("salt", quantity=1), line("powder", quantity=99))
        over = pot("over", line("sauce", quantity=50), line("water", quantity=50))
        made = book(WATER, SALT, POWDER, sauce, over)
        self.assertAlmostEqual(salt_in(made, "over"), 0.5)
        self.assertEqual(missing(made, "over"), ("powder",))
        self.assertEqual(missing(made, "over", "starch"), ())

    def test_a_line_of_unknown_weight_is_missing_from_every_number(self) -> None:
        sauce = pot("sauce", "salt", line("water", quantity=2, unit="bunch"))
        made = book(WATER, SALT, sauce)
        for name in CARRIED:
            self.assertEqual(missing(made, "sauce", name), ("water",), name)
        typed = pot("sauce", "salt", line("water", quantity=0, typed="a splash"))
        self.assertEqual(missing(book(WATER, SALT, typed), "sauce"), ("water",))

    def test_a_pot_without_a_card_is_missing_itself(self) -> None:
        made = book(WATER, pot("tub"), pot("over", "tub", "water"))
        self.assertEqual(missing(made, "over", "so2"), ("tub",))
        self.assertEqual(numbers(made, "tub"), dict.fromkeys(NUMBERS, 0.0))

    def test_only_the_chosen_alternative_counts(self) -> None:
        either = pot(
            "either",
            line("water", choice="liquid", chosen=True),
            line("salt", choice="liquid"),
        )
        self.assertEqual(salt_in(book(WATER, SALT, either), "either"), 0)

    def test_what_is_strained_out_leaves_its_salt(self) -> None:
        stock = pot(
            "stock", line("water", quantity=100), line("salt", strained_out=True, quantity=5)
        )
        self.assertAlmostEqual(salt_in(book(WATER, SALT, stock), "stock"), 5)

    def test_a_compound_product_by_its_parts(self) -> None:
        mixed = product("mixed", class_="spice-mix", parts=(Part("salt", 40), Part("water", 60)))
        open_ = replace(mixed, id="open", parts=(Part("salt", 40), Part("water")))
        made = book(WATER, SALT, mixed, open_, pot("a", "mixed"), pot("b", "open"))
        self.assertAlmostEqual(salt_in(made, "a"), 40)
        self.assertEqual(missing(made, "b"), ("open",))

    def test_pieces_and_portions_of_a_pot(self) -> None:
        # 600 g make 12 pieces of 50 g; 3 of them with 150 g water: 600 g salt share 5/100
        cakes = pot("cakes", line("water", quantity=570), line("salt", quantity=30))
        cakes = replace(cakes, yield_=Yield(12, "piece"), portions=6)
        plate = pot("plate", line("cakes", quantity=3, unit="piece"), line("water", quantity=150))
        self.assertAlmostEqual(salt_in(book(WATER, SALT, cakes, plate), "plate"), 2.5)
        portion = pot("plate", line("cakes", quantity=1, unit="portion"), "water")
        made = book(WATER, SALT, cakes, portion)
        self.assertAlmostEqual(salt_in(made, "plate"), 2.5)

    def test_a_pinch_more(self) -> None:
        brine = pot("brine", line("water", quantity=99), line("salt", quantity=1))
        already, more, pinch = seasoned(Balance(book(WATER, SALT, brine)), "brine")
        self.assertEqual((already, pinch), (1.0, 0.3))
        self.assertAlmostEqual(more, 1.3 / 100.3 * 100)

    def test_the_largest_sources_come_first(self) -> None:
        stock = pot("stock", line("water", quantity=99), line("salt", quantity=1))
        soup = pot("soup", line("stock", quantity=100), line("salt", quantity=3), portions=2)
        found = figure(Balance(book(WATER, SALT, stock, soup)), "soup", "salt")
        self.assertEqual([share.item for share in found.by_line], ["salt", "stock"])
        self.assertAlmostEqual(found.by_line[1].share, 0.25)
        self.assertEqual([(s.item, s.amount) for s in found.by_product], [("salt", 4.0)])
        self.assertAlmostEqual(found.per_portion or 0, 2.0)


class Alcohol(unittest.TestCase):
    def percent(self, treatment: str, minutes: float | None = None) -> float:
        poured = line("wine", quantity=100, unit="ml", treatment=treatment, minutes=minutes)
        sauce = pot("sauce", poured, line("water", quantity=901))
        return numbers(book(WATER, WINE, sauce), "sauce")["alcohol_percent"]

    def test_from_volume_per_cent_to_grams(self) -> None:
        # 100 ml at 12 % hold 12 ml of ethanol, 9.468 g; in 99 g wine and 901 g water: 0.9468 %
        self.assertAlmostEqual(self.percent("none"), 0.9468)

    def test_the_retention_table(self) -> None:
        points = {0: 0.85, 15: 0.40, 30: 0.35, 60: 0.25, 90: 0.20, 120: 0.10, 150: 0.05, 600: 0.05}
        for minutes, share in points.items():
            self.assertAlmostEqual(retained("simmered", minutes), share)
        self.assertAlmostEqual(retained("simmered", 45), 0.30)
        self.assertAlmostEqual(retained("simmered", 7.5), 0.625)
        self.assertEqual(retained("simmered", None), 0.85)
        self.assertEqual(
            [retained(word, None) for word in ("none", "stirred_in_late", "flamed", "reduced_dry")],
            [1.0, 0.85, 0.75, 0.05],
        )
        self.assertAlmostEqual(retained("flamed", 30), 0.35)
        self.assertAlmostEqual(self.percent("simmered", 30), 0.9468 * 0.35)

    def test_it_turns_no_verdict(self) -> None:
        wine = line("wine", quantity=1, unit="ml", treatment="simmered", minutes=600)
        found = reading(WATER, WINE, pot("sauce", wine, line("water", quantity=1000)))
        self.assertEqual(found.verdict("sauce", "no_alcohol").value, "does_not_suit")

    def test_wine_by_weight_needs_its_density(self) -> None:
        heavy = replace(WINE, density_g_per_ml=None)
        sauce = pot("sauce", line("wine", quantity=99))
        self.assertEqual(missing(book(heavy, sauce), "sauce", "alcohol"), ("wine",))
        self.assertEqual(missing(book(heavy, sauce), "sauce", "so2"), ())


class SulphitesAndStarch(unittest.TestCase):
    def test_sulphites_before_any_loss(self) -> None:
        # 198 g wine at 100 mg/kg are 19.8 mg; in 1 kg: 19.8 mg/kg
        sauce = pot("sauce", line("wine", quantity=200, unit="ml"), yield_=Yield(1, "kg"))
        self.assertAlmostEqual(numbers(book(WINE, sauce), "sauce")["so2_mg_per_kg"], 19.8)

    def test_a_white_roux_in_a_litre(self) -> None:
        # 100 g roux of equal weights that yields 95 g hold 50 g flour; 95 g of it in a litre
        roux = pot(
            "roux", line("plain-flour", quantity=50), line("butter", quantity=50), kind="roux"
        )
        roux = replace(roux, yield_=Yield(95, "g"), colour="white")
        sauce = pot("sauce", line("roux", quantity=95), yield_=Yield(1, "l"))
        made = book(WHEAT, FAT, roux, sauce)
        self.assertAlmostEqual(numbers(made, "sauce")["starch_g_per_l"], 50)
        for colour, factor in (("blond", 1.125), ("brown", 1.5), ("dark", 2.0)):
            browned = book(WHEAT, FAT, replace(roux, colour=colour), sauce)
            self.assertAlmostEqual(numbers(browned, "sauce")["starch_g_per_l"], 50 / factor)
        thick = book(WHEAT, FAT, roux, replace(sauce, density_g_per_ml=1.1))
        self.assertAlmostEqual(numbers(thick, "sauce")["starch_g_per_l"], 50)

    def test_other_starches_by_their_weight_against_flour(self) -> None:
        for class_, grams in (
            ("maize-starch", 2.0),
            ("potato-starch", 1 / 0.45),
            ("xanthan", 20.0),
        ):
            bound = pot("sauce", line("starch", quantity=1), yield_=Yield(1, "l"))
            made = book(product("starch", class_=class_, **ZERO), bound)
            self.assertAlmostEqual(numbers(made, "sauce")["starch_g_per_l"], grams)


class Declaring(unittest.TestCase):
    def declared(
        self, *, by_amount: bool, wine: Product = WINE, ml: float = 50, water: float = 1000
    ) -> bool:
        lines = (line("wine", quantity=ml, unit="ml"), line("water", quantity=water))
        sauce = pot("sauce", *lines, yield_=Yield(1, "kg"))
        made = book(wine, product("water", **ZERO), sauce)
        made = replace(made, kitchen=replace(made.kitchen, so2_by_amount=by_amount))
        found = read(made)
        self.assertIn("sulphites", found.levels("sauce"))
        return "sulphites" in found.declaration("sauce").contains

    def test_a_well_known_amount_under_the_line_may_leave_the_declaration(self) -> None:
        # 49.5 g wine at 100 mg/kg in 1 kg: 4.95 mg/kg, under 10
        self.assertTrue(self.declared(by_amount=False))
        self.assertFalse(self.declared(by_amount=True))
        self.assertTrue(self.declared(by_amount=True, ml=102))

    def test_a_yield_above_what_went_in_thins_nothing_out(self) -> None:
        self.assertTrue(self.declared(by_amount=True, water=900))
        self.assertFalse(self.declared(by_amount=True, water=960))

    def test_an_amount_that_is_not_known_stays_declared(self) -> None:
        unknown = replace(WINE, so2_mg_per_kg=None)
        self.assertTrue(self.declared(by_amount=True, wine=unknown))
        contradicting = replace(WINE, so2_mg_per_kg=0.0)
        self.assertTrue(self.declared(by_amount=True, wine=contradicting))

    def test_traces_and_unchecked_ones_keep_it_declared(self) -> None:
        traces = product("dust", may="sulphites", **ZERO)
        for other in (traces, replace(traces, statements={"sulphites": Level.UNCHECKED})):
            sauce = pot("sauce", line("wine", quantity=50, unit="ml"), line("dust", quantity=1))
            made = book(WINE, other, replace(sauce, yield_=Yield(1, "kg")))
            made = replace(made, kitchen=replace(made.kitchen, so2_by_amount=True))
            self.assertIn("sulphites", read(made).declaration("sauce").contains)


def doubled(made: Preparation, factor: float) -> Preparation:
    lines = tuple(replace(entry, quantity=entry.quantity * factor) for entry in made.lines)
    out = made.yield_ and Yield(made.yield_.quantity * factor, made.yield_.unit)
    return replace(made, lines=lines, yield_=out)


def known_numbers(made: Book) -> Book:
    """The same book with every number of every product recorded."""
    filled = {
        id: replace(
            entry,
            abv_percent=10.0,
            salt_g_per_100g=entry.salt_g_per_100g or 1.0,
            so2_mg_per_kg=20.0,
            density_g_per_ml=1.0,
            unit_weight_g=50.0,
        )
        for id, entry in made.products.items()
    }
    return replace(made, products=filled)


class Properties(unittest.TestCase):
    @given(books(5), st.sampled_from([0.25, 2.0, 10.0]))
    @examples(100)
    def test_scaling_leaves_every_concentration_as_it_is(self, made: Book, factor: float) -> None:
        made = known_numbers(made)
        scaled = {id: doubled(entry, factor) for id, entry in made.preparations.items()}
        first, second = Balance(made), Balance(replace(made, preparations=scaled))
        for id in made.preparations:
            for was, now in zip(first.of(id).per_gram, second.of(id).per_gram, strict=True):
                self.assertAlmostEqual(was, now, delta=1e-9 + abs(was) * 1e-9)

    @given(books(5), st.floats(0.05, 0.95))
    @examples(100)
    def test_reducing_raises_every_concentration_by_one_factor(
        self, made: Book, left: float
    ) -> None:
        made = known_numbers(made)
        balance = Balance(made)
        for id, entry in made.preparations.items():
            grams = balance.of(id).grams
            if grams < 1:
                continue
            reduced = {**made.preparations, id: replace(entry, yield_=Yield(grams * left, "g"))}
            after = Balance(replace(made, preparations=reduced)).of(id)
            for was, now in zip(balance.of(id).per_gram, after.per_gram, strict=True):
                self.assertAlmostEqual(now, was / left, delta=1e-9 + was / left * 1e-9)

    @given(books(6))
    @examples(100)
    def test_what_goes_in_is_in_what_comes_out(self, made: Book) -> None:
        made = known_numbers(made)
        balance = Balance(made)
        for id, entry in made.preparations.items():
            content = balance.of(id)
            for place in (0, 2, 3):
                brought = sum(poured.brings[place] for poured in balance.poured(entry))
                held = content.per_gram[place] * content.grams
                self.assertAlmostEqual(brought, held, delta=1e-6 + abs(held) * 1e-9)

    @given(books(6))
    @examples(100)
    def test_all_at_once_is_each_by_itself(self, made: Book) -> None:
        whole = Balance(made)
        whole.work_out_all()
        for id in made.preparations:
            one = Balance(made)
            self.assertEqual(one.of(id).per_gram, whole.of(id).per_gram)
            for place in range(4):
                self.assertEqual(one.missing(one.of(id), place), whole.missing(whole.of(id), place))

    @given(books(6))
    @examples(100)
    def test_the_goods_at_the_root_bring_all_of_it(self, made: Book) -> None:
        made = known_numbers(made)
        balance = Balance(made)
        for id in made.preparations:
            content = balance.of(id)
            for place, name in enumerate(CARRIED):
                total = sum(share.amount for share in figure(balance, id, name).by_product)
                held = content.per_gram[place] * content.grams
                self.assertAlmostEqual(total, held, delta=1e-6 + abs(held) * 1e-6)


class OwnMeasures(unittest.TestCase):
    def test_a_ladle_is_unknown_until_the_kitchen_says(self) -> None:
        soup = pot("soup", line("water", quantity=4, unit="ladle"), line("salt", quantity=5))
        made = book(WATER, SALT, soup)
        self.assertEqual(missing(made, "soup"), ("water",))
        kitchen = replace(made.kitchen, measures=(Measure("ladle", 125, "ml"),))
        self.assertAlmostEqual(salt_in(replace(made, kitchen=kitchen), "soup"), 500 / 505)
        asked = Balance(made).asks(soup.lines[0])
        self.assertEqual(
            asked, "How much does your ladle hold? Say so once, on the kitchen's sheet."
        )


if __name__ == "__main__":
    unittest.main()
