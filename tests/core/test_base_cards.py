"""Bases of the library as cards of a kitchen's own, in empty kitchens and in full ones."""

import unittest

from tests.core.test_bases import larder
from tests.kitchens import BUTTER, FLOUR, pot, reading
from yellow_ladle.core.book.book import Book, Kitchen
from yellow_ladle.core.checks.book_faults import change_faults
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.update import Change, applied
from yellow_ladle.core.swaps.library.base_cards import base_card, base_cards
from yellow_ladle.core.swaps.library.bases import shipped_bases
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.demo.kitchen import demo_book

EMPTY = read(Book.of(Kitchen("Our kitchen", "eu-14"), [], [], []))


class BaseCards(unittest.TestCase):
    def test_every_base_is_a_sound_card_anywhere(self) -> None:
        for kitchen in (EMPTY, larder(), read(demo_book())):
            found = dict(base_cards(kitchen))
            self.assertEqual(found.keys(), shipped_bases().keys())
            for base, brought in found.items():
                change = Change(brought.products, brought.preparations)
                book = applied(kitchen.book, change)
                self.assertEqual(list(change_faults(book, change)), [], base)
                self.assertEqual(brought.card.name, shipped_bases()[base].name)
                self.assertFalse(brought.card.made_here)

    def test_in_an_empty_kitchen_nothing_of_it_is_known(self) -> None:
        for base, brought in base_cards(EMPTY):
            after = read(applied(EMPTY.book, Change(brought.products, brought.preparations)))
            for flag in EMPTY.book.flags:
                level = after.level(brought.card.id, flag.id)
                self.assertGreaterEqual(level, Level.UNCHECKED, (base, flag.id))
            names = [product.name for product in brought.products]
            self.assertEqual(len(names), len(set(names)), base)

    def test_where_the_larder_holds_all_nothing_is_bought(self) -> None:
        for base, brought in base_cards(larder()):
            self.assertEqual(brought.products, (), base)

    def test_a_base_that_was_brought_in_before_is_not_brought_in_again(self) -> None:
        first = base_card(EMPTY, "base-oat-bechamel")
        kitchen = read(applied(EMPTY.book, Change(first.products, first.preparations)))
        second = base_card(kitchen, "base-soy-bechamel")
        names = [[made.name for made in brought.preparations] for brought in (first, second)]
        self.assertEqual(names[0], ["White roux of rice flour and oil", "White sauce on oat drink"])
        self.assertEqual(names[1], ["White sauce on soy drink"])
        self.assertEqual(second.card.lines[0].item, first.card.lines[0].item)
        self.assertEqual([product.class_ for product in second.products], ["soy-drink"])

    def test_another_roux_is_never_taken_for_the_one_without_wheat(self) -> None:
        own = pot("our-roux", "plain-flour", "butter", kind="roux", class_="rice-flour-roux")
        brought = base_card(reading(FLOUR, BUTTER, own), "base-oat-bechamel")
        self.assertNotIn("our-roux", [line.item for line in brought.card.lines])


if __name__ == "__main__":
    unittest.main()
