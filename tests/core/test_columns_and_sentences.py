"""Where strips stand on the board, and what the readings say in words."""

import unittest

from tests.kitchens import CHEESE_BOOK, FREE, OPEN, levels, line, pot, product, reading
from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.cards.board_columns import columns
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.texts import step_name, strained_on, verdict_sentence, way_names
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.vocabulary.diets import diets
from yellow_ladle.demo.kitchen import demo_book


class Columns(unittest.TestCase):
    def test_bases_mothers_sauces_and_plates(self) -> None:
        carried = reading(
            *CHEESE_BOOK,
            pot("soup", "bechamel", kind="soup"),
            pot("plate", "soup", kind="dish"),
            pot("oil-dressing", "oil"),
        )
        self.assertEqual(
            columns(carried),
            {
                "white-roux": "bases",
                "bechamel": "mothers",
                "cheese-sauce": "sauces",
                "soup": "sauces",
                "plate": "plates",
                "oil-dressing": "sauces",
            },
        )

    def test_nothing_stands_left_of_what_it_is_made_from(self) -> None:
        carried = read(demo_book())
        order = ["bases", "mothers", "sauces", "plates"]
        placed = columns(carried)
        for id, inputs in carried.graph.inputs.items():
            for item in inputs:
                if item in placed:
                    self.assertLessEqual(order.index(placed[item]), order.index(placed[id]))

    def test_a_component_made_from_a_sauce_moves_right(self) -> None:
        carried = reading(*CHEESE_BOOK, pot("filling", "cheese-sauce", kind="component"))
        self.assertEqual(columns(carried)["filling"], "sauces")


class Sentences(unittest.TestCase):
    def said(self, diet: str, *pieces: Product | Preparation) -> str:
        carried = reading(*pieces)
        fit = carried.suitability("soup")[diet]
        return verdict_sentence(carried, "soup", diets()[diet], fit)

    def test_what_does_not_suit_names_the_product_and_the_last_pot(self) -> None:
        pieces = (product("butter", "milk"), pot("roux", "butter"), pot("soup", "roux"))
        self.assertEqual(
            self.said("dairy_free", *pieces), "Does not suit dairy-free: Butter, by way of Roux."
        )
        self.assertEqual(self.said("no_pork", *pieces), "Suits no-pork.")

    def test_what_is_open_is_asked_about(self) -> None:
        jar = product("jar", otherwise=OPEN)
        told = self.said("egg_free", jar, pot("soup", "jar"))
        self.assertEqual(told, "Ask about egg-free: not checked yet: Jar.")
        mill = product("mill", may="milk")
        told = self.said("dairy_free", mill, pot("soup", "mill"))
        self.assertEqual(told, "Ask about dairy-free: there may be traces from Mill.")

    def test_traces_are_shown_where_they_do_not_count(self) -> None:
        told = self.said("vegan", product("mill", may="milk"), pot("soup", "mill"))
        self.assertEqual(told, "Suits vegan; traces of milk are shown.")

    def test_many_givers_are_counted(self) -> None:
        meats = [product(f"meat-{n}", "pork") for n in range(5)]
        told = self.said("no_pork", *meats, pot("soup", *(meat.id for meat in meats)))
        self.assertEqual(told, "Does not suit no-pork: Meat 0; Meat 1; Meat 2; and 2 more.")

    def test_a_pots_own_statement_is_named_once(self) -> None:
        told = self.said("no_pork", pot("soup", statements=levels("pork"), otherwise=FREE))
        self.assertEqual(told, "Does not suit no-pork: Soup.")


class Ways(unittest.TestCase):
    def test_a_way_is_told_from_the_source_to_here(self) -> None:
        carried = reading(
            product("celery", "celery"),
            pot("stock", line("celery", strained_out=True), by="fat"),
            pot("soup", "stock/fat"),
        )
        [source] = carried.sources("soup")["celery"]
        self.assertEqual(way_names(carried.book, source), ["Celery", "Fat", "here"])
        self.assertTrue(strained_on(carried.book, source))
        self.assertEqual(carried.book.name("stock/fat"), "Fat from Stock")
        self.assertEqual(step_name(carried.book, "stock"), "Stock")

    def test_an_own_statement_begins_at_its_pot(self) -> None:
        carried = reading(
            pot("base", statements=levels("pork"), otherwise=FREE), pot("soup", "base")
        )
        [source] = carried.sources("soup")["pork"]
        self.assertEqual(way_names(carried.book, source), ["Base", "here"])
        self.assertFalse(strained_on(carried.book, source))

    def test_goals_in_words(self) -> None:
        self.assertEqual(Goals(("brazil_nut",), ("no_pork",)).words(), "no brazil nut, no-pork")
