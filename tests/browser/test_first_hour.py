"""From an empty kitchen to its first complete plates, counted as a person would type and tap."""

import time

from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select
from selenium.webdriver.support.wait import WebDriverWait

from tests.browser.harness import WAIT, BrowserTest
from tests.effort import thorough
from tests.recipes.measuring import texts
from yellow_ladle.core.book.book import Book, Kitchen
from yellow_ladle.core.vocabulary.levels import Level

LETTERS_A_MINUTE = 200
"""Forty words a minute, of five letters each."""
SAUCE = """White sauce
70 g butter
70 g plain flour
1 l milk

Melt the butter, stir in the flour, cook 2 minutes. Whisk in the milk, simmer 20 minutes."""
LABELS = {
    "Butter": "Butter (milk), salt.",
    "Plain flour": "Wheat flour, calcium carbonate.",
    "Milk": "Whole milk.",
}


class Counting(BrowserTest):
    """An empty kitchen, with every tap and every letter counted."""

    taps = 0
    letters = 0

    @staticmethod
    def book() -> Book:
        return Book.of(Kitchen("Our kitchen", "eu-14"), [], [], [])

    def tap(self, selector: str, text: str = "") -> None:
        self.taps += 1
        self.click(selector, text)

    def type(self, selector: str, text: str) -> None:
        self.taps += 1
        self.letters += len(text)
        self.see(selector).send_keys(text)

    def named_box(self, name: str) -> None:
        """Waits until the product's sheet is that of a jar."""
        script = "return document.querySelector('section[aria-label=Product] input')?.value"
        WebDriverWait(self.browser, WAIT, 0.05).until(lambda _: self.script(script) == name)

    def paste(self, selector: str, text: str) -> None:
        """Puts a text that comes from elsewhere into a box: one tap."""
        self.taps += 1
        box = self.see(selector)
        self.script(
            "arguments[0].value = arguments[1];"
            "arguments[0].dispatchEvent(new Event('input', {bubbles: true}))",
            box,
            text,
        )


class FirstScreen(Counting):
    @thorough
    def test_it_asks_what_there_is_and_each_answer_leads_on(self) -> None:
        self.open("/", "h2")
        self.shows("What is there already?")
        self.accessible()
        for name, heading in (
            ("Recipes, as text or files", "Recipes in and out"),
            ("A list of goods", "Take in"),
            ("Jars to be read", "Larder"),
        ):
            self.click("main a", name)
            self.see("h1, h2", heading)
            self.open("/", "h2")
        box = self.see("main input")
        box.clear()
        box.send_keys("The Lantern Room")
        Select(self.see("main select")).select_by_value("uk-14")
        self.click("main button", "Record")
        self.shows("The Lantern Room", "header")
        self.shows("declares by", "header")
        self.no_complaints()

    def test_a_made_up_kitchen_is_kept_apart_and_thrown_away_in_one_tap(self) -> None:
        self.open("/", "h2")
        self.click("button", "Show me a made-up kitchen first")
        self.see("[data-strip]")
        self.shows("A made-up kitchen, to look around in.", "[data-made-up]")
        self.accessible()
        self.assertTrue(self.served.ledger.is_empty)
        self.click("button", "Throw it away and begin my own")
        self.shows("What is there already?")
        self.assertTrue(self.served.ledger.is_empty)


class AQuickCard(Counting):
    @thorough
    def test_a_card_is_its_name_and_its_lines_as_text(self) -> None:
        self.open("/", "h2")
        self.tap("main a", "One card, written here")
        self.type("[data-pot-name]", "Kneaded butter")
        for written, count in (("100 g butter, 80 g plain flour", 2), ("a pinch of salt", 3)):
            self.type("form input", written)
            self.press(Keys.ENTER)
            self.see(f"[aria-label='Amount of line {count}']")
        self.accessible()
        self.shows("Changes 1 pot: Kneaded butter.", "aside")
        self.tap("button", "Record")
        self.see("h1", "Kneaded butter")
        made = self.served.ledger.now.reading.book.preparations["kneaded-butter"]
        told = [(line.item, line.quantity, line.unit) for line in made.lines]
        self.assertEqual(
            told, [("butter", 100, "g"), ("plain-flour", 80, "g"), ("salt", 1, "pinch")]
        )
        self.no_complaints()


class FirstPlates(Counting):
    def test_a_white_sauce_and_its_verdict(self) -> None:
        self.open("/", "h2")
        self.tap("main a", "Recipes, as text or files")
        self.type("textarea", SAUCE)
        self.tap("button", "Read it")
        self.shows("1 recipe read")
        self.shows("Changes 1 pot")
        self.tap("button", "Record")
        self.see("h1", "White sauce")
        self.shows("1 recipe in, 3 jars to read:", "[data-first-steps]")
        self.shows("free 1 plate", "[data-first-steps]")
        self.tap("[data-writing]")
        self.type("[role=dialog] input", "MK")
        self.tap("[role=dialog] button", "Write as this person")
        self.gone("[role=dialog]")
        for name, label in LABELS.items():
            self.tap("[data-first-steps] a", name)
            self.named_box(name)
            self.type("section[aria-label=Product] textarea", label)
            self.tap("button", "Read it")
            self.tap("button", "I read the whole label: take the lot")
            self.tap("button", "Record")
            self.shows("Recorded.", "[role=status]")
        self.gone("[data-first-steps]")
        self.tap("nav a", "Family")
        reading = self.served.ledger.now.reading
        levels = {flag: reading.level("white-sauce", flag) for flag in ("wheat", "milk", "egg")}
        self.assertEqual(levels["wheat"], Level.CONTAINS)
        self.assertEqual(levels["milk"], Level.CONTAINS)
        self.assertEqual(levels["egg"], Level.FREE)
        self.shows("Cereals with gluten (wheat)", "aside")
        minutes = self.letters / LETTERS_A_MINUTE
        print(
            f"\nmeasured: a white sauce with three labels read: {self.taps} actions, "
            f"{self.letters} letters, {minutes:.1f} minutes of typing"
        )
        self.assertLess(self.taps, 60)
        self.assertLess(minutes, 2)
        self.no_complaints()

    @thorough
    def test_ten_pasted_recipes_become_a_family(self) -> None:
        begun = time.monotonic()
        wanted = [text["text"] for text in texts(english=True, aside=False)][:10]
        self.open("/", "h2")
        self.tap("main a", "Recipes, as text or files")
        self.paste("textarea", "\n\n---\n\n".join(text.strip() for text in wanted))
        self.tap("button", "Read it")
        self.shows("10 recipes read")
        self.shows("Changes 10 pots")
        self.tap("button", "Record")
        self.see("[data-strip]")
        strips = self.browser.find_elements("css selector", "[data-strip]")
        self.assertEqual(len(strips), 10)
        self.assertEqual(len(self.served.ledger.now.reading.book.preparations), 10)
        seconds = time.monotonic() - begun
        print(f"\nmeasured: ten pasted recipes to a family on the board: {self.taps} actions")
        self.assertLess(seconds, 300)
        self.no_complaints()
