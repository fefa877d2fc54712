"""The rules of carrying, one by one."""

import unittest

from tests.kitchens import (
    CHEESE_BOOK,
    FREE,
    FULL,
    MAY,
    OPEN,
    levels,
    line,
    pot,
    product,
    reading,
)
from yellow_ladle.core.vocabulary.flags import shipped_flags


class LevelsTravel(unittest.TestCase):
    def test_flour_reaches_the_sauce_three_steps_on(self) -> None:
        carried = reading(*CHEESE_BOOK)
        self.assertEqual(carried.level("cheese-sauce", "wheat"), FULL)
        self.assertEqual(carried.levels("white-roux"), levels("wheat milk"))

    def test_the_highest_level_of_the_lines_holds(self) -> None:
        for one, other, highest in ((FREE, MAY, MAY), (MAY, OPEN, OPEN), (OPEN, FULL, FULL)):
            left = product("left")
            right = product("right")
            left = type(left)("left", "Left", "x", {"soy": one}, FREE)
            right = type(right)("right", "Right", "x", {"soy": other}, FREE)
            carried = reading(left, right, pot("both", "left", "right"))
            self.assertEqual(carried.level("both", "soy"), highest)

    def test_a_product_without_a_label_is_unchecked_for_every_flag(self) -> None:
        carried = reading(product("jar", otherwise=OPEN), pot("soup", "jar"), house=("chilli",))
        expected = {flag.id: OPEN for flag in shipped_flags()} | {"chilli": OPEN}
        self.assertEqual(carried.levels("soup"), expected)

    def test_a_statement_stands_before_otherwise(self) -> None:
        jar = product("jar", "celery", free="egg", otherwise=OPEN)
        carried = reading(jar, pot("soup", "jar"))
        self.assertEqual(carried.level("soup", "celery"), FULL)
        self.assertEqual(carried.level("soup", "egg"), FREE)
        self.assertEqual(carried.level("soup", "milk"), OPEN)


class LinesThatCount(unittest.TestCase):
    def test_strained_out_and_optional_lines_count(self) -> None:
        carried = reading(
            product("celery", "celery"),
            product("bacon", "pork"),
            pot("stock", line("celery", strained_out=True), line("bacon", optional=True)),
        )
        self.assertEqual(carried.levels("stock"), levels("celery pork"))

    def test_only_the_chosen_alternative_counts(self) -> None:
        hen, leek = product("hen", "poultry"), product("leek", "allium")
        for chosen, flag in (("hen", "poultry"), ("leek", "allium")):
            lines = [line(item, choice="liquid", chosen=item == chosen) for item in ("hen", "leek")]
            carried = reading(hen, leek, pot("sauce", *lines))
            self.assertEqual(carried.levels("sauce"), {flag: FULL})

    def test_the_first_alternative_counts_where_none_is_marked(self) -> None:
        carried = reading(
            product("hen", "poultry"),
            product("leek", "allium"),
            pot("sauce", line("leek", choice="liquid"), line("hen", choice="liquid")),
        )
        self.assertEqual(carried.levels("sauce"), levels("allium"))

    def test_choices_of_other_names_are_apart(self) -> None:
        carried = reading(
            product("hen", "poultry"),
            product("butter", "milk"),
            pot("sauce", line("hen", choice="liquid"), line("butter", choice="fat")),
        )
        self.assertEqual(carried.levels("sauce"), levels("poultry milk"))


class ByProductsTravel(unittest.TestCase):
    def test_a_by_product_carries_everything_of_its_preparation(self) -> None:
        carried = reading(
            product("hen", "poultry"),
            product("celery", "celery"),
            pot("stock", "hen", line("celery", strained_out=True), by="fat meat", kind="stock"),
            pot("onions", line("stock/fat", "fat")),
        )
        self.assertEqual(carried.levels("stock/meat"), levels("celery poultry"))
        self.assertEqual(carried.levels("onions"), levels("celery poultry"))

    def test_every_by_product_is_an_item(self) -> None:
        carried = reading(product("hen"), pot("stock", "hen", by="fat meat"))
        self.assertEqual(carried.items(), ["stock", "stock/fat", "stock/meat"])


class OwnStatements(unittest.TestCase):
    def test_a_pot_without_lines_is_unchecked_but_for_what_it_states(self) -> None:
        stock = pot("ham-stock", statements=levels("pork", free="milk"), kind="stock")
        carried = reading(stock)
        self.assertEqual(carried.level("ham-stock", "pork"), FULL)
        self.assertEqual(carried.level("ham-stock", "milk"), FREE)
        self.assertEqual(carried.level("ham-stock", "egg"), OPEN)

    def test_writing_the_card_ends_the_unchecked_rest(self) -> None:
        stock = pot("ham-stock", "ham", statements=levels("celery"))
        carried = reading(product("ham", "pork"), stock)
        self.assertEqual(carried.levels("ham-stock"), levels("pork celery"))

    def test_otherwise_given_stands_with_and_without_lines(self) -> None:
        ham = product("ham", "pork")
        self.assertEqual(reading(pot("stock", otherwise=FREE)).levels("stock"), {})
        kept = reading(ham, pot("stock", "ham", otherwise=OPEN))
        self.assertEqual(kept.level("stock", "egg"), OPEN)
        self.assertEqual(kept.level("stock", "pork"), FULL)

    def test_own_statements_raise_and_never_lower(self) -> None:
        pastry = pot("pastry", "flour", statements=levels(may="almond", free="wheat"))
        carried = reading(product("flour", "wheat"), pastry)
        self.assertEqual(carried.levels("pastry"), levels("wheat", may="almond"))


class WhatIsNotThere(unittest.TestCase):
    def test_free_is_silent(self) -> None:
        carried = reading(product("carrot", free="milk"), pot("soup", "carrot"))
        self.assertEqual(carried.levels("soup"), {})

    def test_a_house_flag_travels_like_any_other(self) -> None:
        carried = reading(
            product("paste", "chilli"), pot("base", "paste"), pot("soup", "base"), house=("chilli",)
        )
        self.assertEqual(carried.levels("soup"), levels("chilli"))
