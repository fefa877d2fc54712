"""Where a flag came from, and by which way."""

import unittest

from tests.kitchens import CHEESE_BOOK, FULL, MAY, OPEN, levels, line, pot, product, reading
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.carrying.paths import Source
from yellow_ladle.core.reading.reading import Reading


def given(carried: Reading, item: str, flag: str) -> tuple[Source, ...]:
    return carried.sources(item)[flag]


class ShortestWays(unittest.TestCase):
    def test_the_way_runs_from_the_item_down_to_the_pot_that_holds_the_product(self) -> None:
        carried = reading(*CHEESE_BOOK)
        [source] = given(carried, "cheese-sauce", "wheat")
        way = ("cheese-sauce", "bechamel", "white-roux")
        self.assertEqual(source, Source("plain-flour", FULL, way))

    def test_each_product_once_by_its_shortest_way(self) -> None:
        carried = reading(
            product("butter", "milk"), pot("roux", "butter"), pot("sauce", "roux", "butter")
        )
        self.assertEqual(given(carried, "sauce", "milk"), (Source("butter", FULL, ("sauce",)),))

    def test_of_two_ways_as_short_the_first_in_the_alphabet(self) -> None:
        pieces = (product("salt", "celery"), pot("a-base", "salt"), pot("b-base", "salt"))
        for lines in (("a-base", "b-base"), ("b-base", "a-base")):
            carried = reading(*pieces, pot("soup", *lines))
            [source] = given(carried, "soup", "celery")
            self.assertEqual(source.via, ("soup", "a-base"))

    def test_the_surest_source_stands_first_then_the_nearest(self) -> None:
        carried = reading(
            product("mill", may="soy"),
            product("jar", otherwise=OPEN),
            product("tofu", "soy"),
            pot("base", "tofu"),
            pot("soup", "mill", "jar", "base"),
        )
        found = [(s.product, s.level) for s in given(carried, "soup", "soy")]
        self.assertEqual(found, [("tofu", FULL), ("jar", OPEN), ("mill", MAY)])

    def test_an_alternative_that_was_not_chosen_gives_nothing(self) -> None:
        carried = reading(
            product("hen", "poultry"),
            product("goose", "poultry"),
            pot("s", line("hen", choice="bird", chosen=True), line("goose", choice="bird")),
        )
        self.assertEqual([s.product for s in given(carried, "s", "poultry")], ["hen"])


class ByProductsAndOwnStatements(unittest.TestCase):
    def test_a_way_through_a_by_product_names_it_as_the_line_does(self) -> None:
        carried = reading(
            product("hen", "poultry"), pot("stock", "hen", by="fat"), pot("onions", "stock/fat")
        )
        [source] = given(carried, "onions", "poultry")
        self.assertEqual(source.via, ("onions", "stock/fat"))
        [own] = given(carried, "stock/fat", "poultry")
        self.assertEqual(own.via, ("stock/fat",))

    def test_a_pots_own_statement_is_a_source_named_by_the_pot(self) -> None:
        carried = reading(
            pot("ham-stock", statements=levels("pork"), otherwise=levels(free="x")["x"]),
            pot("soup", "ham-stock"),
        )
        [source] = given(carried, "soup", "pork")
        self.assertEqual(source, Source("ham-stock", FULL, ("soup", "ham-stock"), own=True))

    def test_a_product_is_its_own_source(self) -> None:
        carried = reading(product("hen", "poultry"))
        self.assertEqual(given(carried, "hen", "poultry"), (Source("hen", FULL, ()),))

    def test_a_lower_level_of_a_pot_itself_is_still_told(self) -> None:
        carried = reading(
            Product("flour", "Flour", "wheat-flour", levels("wheat"), levels(free="x")["x"]),
            pot("pastry", "flour", statements=levels(may="wheat")),
        )
        found = [(s.product, s.level, s.own) for s in given(carried, "pastry", "wheat")]
        self.assertEqual(found, [("flour", FULL, False), ("pastry", MAY, True)])
