"""A card begun otherwise than by writing it: from the library, as a copy, by its flags alone."""

import unittest

from tests.browser.harness import BrowserTest
from tests.effort import thorough
from yellow_ladle.core.book.book import Book, Kitchen


class Beginning(BrowserTest):
    @thorough
    def test_a_copy_of_another_card(self) -> None:
        self.open("/pots/new", "[data-pot-name]")
        self.click("[aria-label='Begin from'] button", "a copy")
        self.accessible()
        self.choose("#copy-of", "velout", "Velouté")
        self.assertEqual(self.see("[data-pot-name]").get_attribute("value"), "Velouté, copy")
        self.gone("#copy-of")
        self.shows("Changes 1 pot", "aside")
        self.click("aside button", "Record")
        self.shows("Recorded.", "[role=status]")
        self.see("h1", "Velouté, copy")
        book = self.served.ledger.now.reading.book
        lines = [line.item for line in book.preparations["veloute-copy"].lines]
        self.assertEqual(lines, [line.item for line in book.preparations["veloute"].lines])

    @thorough
    def test_lines_and_steps_are_moved_by_buttons_too(self) -> None:
        self.open("/pots/veloute/edit", "[aria-label='Amount of line 1']")
        first = "return document.querySelector('#item-0').value"
        before = self.script(first)
        self.click("[aria-label='More of line 1']")
        self.click("[aria-label='Line 1 down']")
        self.shows("Line 1 is now line 2.", "[role=status]")
        self.assertNotEqual(self.script(first), before)
        self.click("[role=tab]", "Method")
        self.click("[aria-label='Step 2 up']")
        self.shows("Step 2 is now step 1.", "[role=status]")
        self.accessible()

    def test_its_flags_alone(self) -> None:
        self.open("/pots/new", "[data-pot-name]")
        self.click("button", "its flags")
        self.see("[aria-label='Beef: contains']")


class FromTheLibrary(BrowserTest):
    @staticmethod
    def book() -> Book:
        return Book.of(Kitchen("Our kitchen", "eu-14"), [], [], [])

    def test_a_base_comes_with_its_roux_and_its_goods_unchecked(self) -> None:
        self.open("/pots/new", "[data-pot-name]")
        self.click("button", "a base")
        self.see("[role=dialog] input").send_keys("white sauce on oat")
        self.click("[data-bases] button", "White sauce on oat drink")
        self.shows("With it: White roux of rice flour and oil", "[role=dialog]")
        self.shows("New in the larder, not checked: Rice flour", "[role=dialog]")
        self.shows("Changes 2 pots", "[role=dialog]")
        self.accessible()
        self.click("[role=dialog] button", "Record")
        self.shows("Recorded.", "[role=status]")
        self.see("h1", "White sauce on oat drink")
        self.shows("flags not checked", "[data-by=flag]")
        reading = self.served.ledger.now.reading
        self.assertEqual(reading.level("white-sauce-on-oat-drink", "milk").word, "unchecked")
        self.no_complaints()


if __name__ == "__main__":
    unittest.main()
