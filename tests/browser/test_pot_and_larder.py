"""Reading and changing a pot, and recording what a label says."""

from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.select import Select

from tests.browser.harness import BrowserTest
from tests.effort import thorough
from yellow_ladle.core.reading.update import stating
from yellow_ladle.core.vocabulary.levels import Level


class Pot(BrowserTest):
    def test_a_pot_answers_what_where_from_and_where_to(self) -> None:
        self.open("/pots/veloute")
        for text in (
            "Celery, strained out → Hen stock → here",
            "Does not suit gluten-free: Gannet Mill plain flour, by way of White roux.",
            "Leek and cider sauce",
            "and from there into Hen and leek pie, Mushrooms on polenta",
            "Cereals with gluten (wheat)",
            "Bring to the boil, then simmer and skim.",
            "halal, kosher: From recorded facts and certificates",
        ):
            self.shows(text)
        self.accessible()
        self.no_complaints()

    @thorough
    def test_a_lines_amount_and_item_are_changed(self) -> None:
        self.open("/pots/leek-cider-sauce")
        self.click("main li button", "Brough Dairy double cream")
        self.choose("#line-item", "oat cooking", "Merrin oat cooking cream")
        self.shows("Changes 1 pot, 1 plate: Leek and cider sauce, Hen and leek pie.")
        amount = self.see("[aria-label=Amount]")
        amount.send_keys(Keys.CONTROL, "a")
        amount.send_keys("150ml", Keys.ENTER)
        self.shows("153 g", "[role=dialog]")
        self.accessible()
        self.click("[role=dialog] button", "Record")
        self.shows("Recorded.", "[role=status]")
        line = self.served.ledger.now.reading.book.preparations["leek-cider-sauce"].lines[3]
        self.assertEqual((line.item, line.quantity, line.stage), ("oat-cream", 150, "finish"))
        self.no_complaints()

    @thorough
    def test_another_alternative_is_taken_into_use(self) -> None:
        self.open("/pots/veloute")
        self.click("main li button", "Garden stock")
        self.click("[role=dialog] button", "Use this for the liquid")
        self.shows("Changes ", "[role=dialog]")
        self.click("[role=dialog] button", "Record")
        self.shows("Recorded.", "[role=status]")
        book = self.served.ledger.now.reading.book
        self.assertEqual(book.preparations["veloute"].counted(), [0, 2, 4])

    @thorough
    def test_a_card_is_edited_by_adding_a_line(self) -> None:
        self.open("/pots/white-roux")
        self.click("a", "Edit the card")
        self.click("button", "Add a line")
        self.shows("Line 3 has no item yet", "aside")
        self.choose("#item-2", "bay", "Bay leaves")
        amount = self.see("[aria-label='Amount of line 3']")
        amount.send_keys("2 leaves", Keys.TAB)
        self.shows("Changes no pot and no plate.", "aside")
        self.accessible()
        self.click("aside button", "Record")
        self.shows("Recorded.", "[role=status]")
        line = self.served.ledger.now.reading.book.preparations["white-roux"].lines[2]
        self.assertEqual((line.item, line.unit), ("bay", "leaf"))

    def test_what_it_carries_by_flag_and_by_jar(self) -> None:
        self.open("/pots/hen-leek-pie", "[data-by=flag]")
        heading = self.script("return document.querySelector('[data-by=flag] h3').innerText")
        self.assertEqual(heading, "To declare, EU 14")
        wheat = self.see("[data-carries=wheat]", "Cereals with gluten (wheat)")
        self.assertNotIn("Stock powder", wheat.text)
        self.click("[data-carries=wheat] summary", "and 1 not checked")
        self.shows("Stock powder, tub without a label → Velouté", "[data-carries=wheat]")
        self.accessible()
        self.click("button", "By jar")
        self.shows(
            "contains: Mustard, Sulphites may contain: Celery", "[data-brings=grain-mustard]"
        )
        self.shows(" flags not checked", "[data-brings=stock-powder]")
        self.accessible()
        self.choose("#find", "leek and ci", "Leek and cider sauce")
        self.see("h1", "Leek and cider sauce")
        self.see("[data-by=jar]")
        self.open("/pots/hen-leek-pie/print", "[data-sheet]")
        parts = self.script(
            "return [...document.querySelectorAll('[data-carries]')].map((p) => p.dataset.carries)"
        )
        self.assertEqual(parts, ["declared", "allergen", "origin", "house"])
        self.accessible()

    def test_a_pot_without_a_card_says_so(self) -> None:
        self.open("/pots/steward-ham-stock")
        self.shows("Nobody has written this card yet")
        self.shows("Pork")

    @thorough
    def test_the_list_of_pots(self) -> None:
        self.open("/pots")
        self.see("input").send_keys("velouté")
        self.browser.find_elements(By.CSS_SELECTOR, "main li a")[-1].click()
        self.shows("What it carries")

    @thorough
    def test_a_pot_that_is_not_there_is_told_in_a_sentence(self) -> None:
        self.open("/pots/nothing", "[role=alert]")
        self.shows('There is no pot "nothing".')
        self.open("/nowhere/at/all", "h1")
        self.shows("This page does not exist")


class Larder(BrowserTest):
    @thorough
    def test_what_a_label_says_is_shown_then_recorded(self) -> None:
        self.open("/larder")
        self.click("main li a", "Stock powder, tub without a label")
        self.click("[aria-label='Mustard: contains']")
        self.click("input[value=free]")
        self.shows("is said to be free, but not by whom or from what")
        self.writes()
        Select(self.named("select", "Source")).select_by_value("label")
        self.shows("Changes 3 pots, 2 plates: Velouté, Leek and cider sauce", "[data-impact]")
        before = self.served.ledger.now.reading.level("hen-leek-pie", "egg")
        self.assertEqual(before, Level.CONTAINS)
        self.assertEqual(self.served.ledger.now.versions["stock-powder"], 1)
        self.click("button", "Flag by flag")
        self.shows("mustard not checked, then contains")
        self.accessible()
        self.click("button", "Record")
        self.shows("Recorded. Changes 3 pots, 2 plates", "[role=status]")
        product = self.served.ledger.now.reading.book.products["stock-powder"]
        self.assertEqual(product.otherwise, Level.FREE)
        self.assertEqual(product.statements, {"mustard": Level.CONTAINS})
        self.assertEqual(product.evidence["mustard"].kind, "label")
        self.shows("10 not checked", "header")
        self.no_complaints()

    @thorough
    def test_a_new_product_begins_unchecked(self) -> None:
        self.open("/larder/new", "section[aria-label=Product] input")
        self.see("section[aria-label=Product] input").send_keys("Tinned anchovies")
        self.click("[aria-label='Fish: contains']")
        self.shows("Changes no pot and no plate.")
        self.click("button", "Record")
        self.shows("Recorded.", "[role=status]")
        product = self.served.ledger.now.reading.book.products["tinned-anchovies"]
        self.assertEqual(product.otherwise, Level.UNCHECKED)
        self.assertEqual(product.statements, {"fish": Level.CONTAINS})

    @thorough
    def test_the_count_at_the_top_leads_to_what_nobody_has_read(self) -> None:
        self.open("/")
        self.click("header a", "not checked")
        self.see("h1", "Not checked")
        self.see("[data-held=stock-powder]")
        # The six products whose labels leave something open, and the pot without a card.
        held = self.browser.find_elements(By.CSS_SELECTOR, "[data-held]")
        self.assertEqual(len(held), 7)
        self.accessible()

    def test_somebody_was_quicker_and_nothing_is_lost(self) -> None:
        self.open("/larder/butter", "[aria-label='Soy: may contain']")
        self.click("[aria-label='Soy: may contain']")
        self.shows("Changes ", "[data-impact]")
        book = self.served.ledger.now.reading.book
        self.served.ledger.record(
            stating(book, "butter", "mustard", Level.MAY_CONTAIN), {"butter": 1}
        )
        self.click("button", "Record")
        self.shows("was changed by somebody else in the meantime", "[role=alert]")
        pressed = self.see("[aria-label='Soy: may contain']")
        self.assertEqual(pressed.get_attribute("data-state"), "on")
        self.shows("mustard", "[data-theirs]")
        self.click("button", "Record mine with theirs")
        self.shows("Recorded.", "[role=status]")
        statements = self.served.ledger.now.reading.book.products["butter"].statements
        both = {"milk": Level.CONTAINS} | dict.fromkeys(("soy", "mustard"), Level.MAY_CONTAIN)
        self.assertEqual(statements, both)
