"""The swap bench: from a goal to a pot without it."""

from selenium.webdriver.common.keys import Keys

from tests.browser.harness import BrowserTest
from yellow_ladle.core.levels import Level


class Swaps(BrowserTest):
    def goal(self, words: str, name: str) -> None:
        self.choose("#add-goal", words, name)
        self.see(f"[aria-label='Drop the goal {name}']")

    def test_a_small_pot_is_made_beside_the_usual_one(self) -> None:
        self.open("/pots/hen-leek-pie")
        self.press("w")
        self.goal("whea", "Wheat")
        self.shows("Sandness maize starch", "table")
        self.shows("320 g → 80 g", "table")
        self.shows("wheat, egg gone", "table")
        self.shows("brings nightshade", "table")
        self.shows("Velouté → Leek and cider sauce → Hen and leek pie", "table")
        self.shows("weeps when frozen", "table")
        self.accessible()
        name = self.see("input:not([role=combobox])")
        name.send_keys(Keys.CONTROL, "a")
        name.send_keys("Pie for table six")
        self.click("button", "Make it as a small pot")
        self.see("h1", "Pie for table six")
        self.shows("Variant of Hen and leek pie")
        reading = self.served.ledger.now.reading
        self.assertEqual(reading.level("pie-for-table-six", "wheat"), Level.FREE)
        self.assertEqual(reading.level("hen-leek-pie", "wheat"), Level.CONTAINS)
        self.no_complaints()

    def test_a_diet_is_fitted_for_all(self) -> None:
        self.open("/pots/mushroom-polenta/swaps", "#add-goal")
        self.goal("vegetarian", "vegetarian")
        self.shows("Nettle Farm thistle-set cheese", "table")
        self.click("button", "Plan 2")
        self.see("button[aria-pressed=true]", "Plan 2")
        self.click("button", "Change it for all")
        self.see("h1", "Mushrooms on polenta")
        reading = self.served.ledger.now.reading
        self.assertEqual(reading.verdict("mushroom-polenta", "vegetarian"), "suits")

    def test_steps_that_change_are_told(self) -> None:
        self.open("/pots/hen-leek-pie/swaps", "#add-goal")
        self.goal("wheat", "Wheat")
        self.click("button", "Steps that change")
        self.shows("Leave the roux out.", "table")

    def test_no_plan_says_what_stands_in_the_way(self) -> None:
        self.open("/pots/cod-samphire/swaps", "#add-goal")
        self.goal("fish", "Fish")
        self.shows("No plan reaches it")
        self.shows("Skerrow day-boat cod in Cod on samphire (fish): no swap is known")
        self.accessible()
        self.click("[aria-label='Drop the goal Fish']")
        self.shows("Name what must go")
        self.no_complaints()

    def test_what_is_so_already(self) -> None:
        self.open("/pots/garden-stock/swaps", "#add-goal")
        self.goal("wheat", "Wheat")
        self.shows("Nothing to swap: it is so already.")
