"""Flags of the kitchen's own: nothing is free of a new one until somebody has looked."""

from dataclasses import replace
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from tests.effort import examples
from tests.kitchens import book, pot, product
from tests.random_books import books
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.checks.house_flag_names import new_house_flag, renamed_house_flags
from yellow_ladle.core.labels.reader import read_label
from yellow_ladle.core.larder.house_flags import unchecked_for, with_house_flags, without_flag
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.update import Change, applied
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.core.vocabulary.levels import Level

NUT_BOARD = Flag("nut_board", "Nut board", "house")


def with_flag(kitchen: Book) -> Book:
    flags = (*kitchen.house_flags, NUT_BOARD)
    return applied(with_house_flags(kitchen, flags), unchecked_for(kitchen, NUT_BOARD.id))


class ANewFlag(TestCase):
    @examples(60)
    @given(books())
    def test_no_good_is_free_of_it_and_nothing_else_moves(self, kitchen: Book) -> None:
        before, after = read(kitchen), read(with_flag(kitchen))
        for id in kitchen.products:
            self.assertIs(after.level(id, NUT_BOARD.id), Level.UNCHECKED)
        for item in before.masks:
            for flag in kitchen.flag_ids:
                self.assertIs(after.level(item, flag), before.level(item, flag))

    @examples(60)
    @given(books())
    def test_dropping_it_leaves_the_book_as_it_was(self, kitchen: Book) -> None:
        whole = with_flag(kitchen)
        again = applied(
            with_house_flags(whole, kitchen.house_flags), without_flag(whole, NUT_BOARD.id)
        )
        self.assertEqual(again, with_house_flags(kitchen, kitchen.house_flags))

    def test_it_is_not_dropped_while_something_contains_it(self) -> None:
        kitchen = with_flag(book(product("board"), pot("soup", "board")))
        stated = kitchen.products["board"]
        statements = {**stated.statements, NUT_BOARD.id: Level.MAY_CONTAIN}
        kitchen = applied(kitchen, Change(products=(replace(stated, statements=statements),)))
        with self.assertRaisesRegex(BookRefused, "Nut board is still recorded of"):
            without_flag(kitchen, NUT_BOARD.id)


class Names(TestCase):
    def test_a_name_that_a_flag_has_is_refused(self) -> None:
        kitchen = book(product("salt"))
        for name in ("Milk", "milk", "  MILK ", "dairy", "Sesame"):
            with self.subTest(name=name), self.assertRaises(BookRefused):
                new_house_flag(kitchen, name)

    @examples(100)
    @given(st.text(min_size=1, max_size=80))
    def test_an_id_is_one_that_a_file_takes(self, name: str) -> None:
        kitchen = book(product("salt"), house=("flag", "chilli"))
        try:
            made = new_house_flag(kitchen, name)
        except BookRefused:
            return
        self.assertRegex(made.id, r"\A[a-z0-9][a-z0-9_]{0,79}\Z")
        self.assertNotIn(made.id, kitchen.flag_ids)

    def test_another_name_keeps_the_id(self) -> None:
        kitchen = book(product("salt"), house=("chilli",))
        self.assertEqual(renamed_house_flags(kitchen, "chilli", " Hot  chilli ")[0].id, "chilli")
        self.assertEqual(
            renamed_house_flags(kitchen, "chilli", " Hot  chilli ")[0].name, "Hot chilli"
        )
        with self.assertRaises(BookRefused):
            renamed_house_flags(kitchen, "milk", "Cow")


class OnALabel(TestCase):
    def level(self, text: str, name: str) -> Level:
        flag = Flag("own", name, "house")
        return read_label(text, "en", house_flags=(flag,)).levels["own"]

    def test_what_names_it_contains_it(self) -> None:
        for text, name in (
            ("Tomatoes, bird's eye chillies, salt.", "Chilli"),
            ("Water, COCONUT extract.", "Coconut"),
            ("Raw eggs, sugar", "Raw egg"),
        ):
            with self.subTest(text=text):
                self.assertIs(self.level(text, name), Level.CONTAINS)

    def test_an_ingredient_that_usually_has_it_names_it(self) -> None:
        flag = Flag("nightshade", "Nightshade", "house")
        for text in ("Tomatoes 60%, salt", "Relish (onion, jalapeño), sugar"):
            with self.subTest(text=text):
                found = read_label(text, "en", house_flags=(flag,)).levels["nightshade"]
                self.assertIs(found, Level.CONTAINS)

    def test_what_does_not_name_it_is_never_free_of_it(self) -> None:
        for text in ("Tomatoes, salt.", "", "Free from chilli? Ask.", "Jalapeño"):
            with self.subTest(text=text):
                self.assertIsNot(self.level(text, "Cayenne"), Level.FREE)
                self.assertIs(self.level(text, "Cayenne"), Level.UNCHECKED)
