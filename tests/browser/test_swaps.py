"""The swap bench: from a goal to a pot without it, and back."""

from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.remote.webelement import WebElement
from selenium.webdriver.support.select import Select

from tests.browser.harness import BrowserTest
from tests.effort import thorough
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.store.kitchen_settings import keep_tool

WATCH = """
document.addEventListener('keydown', (event) => {
  if (event.key === 'Enter') window.asked = performance.now();
}, true);
new MutationObserver(() => {
  if (document.querySelector('thead') && !window.answered) window.answered = performance.now();
}).observe(document.body, { childList: true, subtree: true });
"""
"""Notes when a goal was chosen and when the first plan stood on the page."""


class Bench(BrowserTest):
    """Steps that several tests take."""

    def goal(self, words: str, name: str) -> None:
        self.choose("#add-goal", words, name)
        self.see(f"[aria-label='Drop the goal {name}']")

    def fill(self, selector: str, words: str) -> None:
        field = self.see(selector)
        field.send_keys(Keys.CONTROL, "a")
        field.send_keys(words)

    def pick(self, selector: str, words: str) -> None:
        Select(self.see(selector)).select_by_visible_text(words)

    def labelled(self, label: str) -> WebElement:
        """The field of a sheet by its label."""
        return self.named("[role=dialog] :is(input, select, textarea)", label)

    def write(self, label: str, *words: str) -> None:
        self.labelled(label).send_keys(*words)

    def tick(self, label: str) -> None:
        self.labelled(label).click()

    def pick_labelled(self, label: str, words: str) -> None:
        Select(self.labelled(label)).select_by_visible_text(words)

    def wheat(self, item: str) -> Level:
        return self.served.ledger.now.reading.level(item, "wheat")


class Swaps(Bench):
    def test_two_flags_of_a_four_tier_plate_are_cleared_and_taken_back(self) -> None:
        self.open("/pots/hen-leek-pie")
        self.press("w")
        self.goal("whea", "Wheat")
        self.goal("milk", "Milk")
        self.shows("wheat, egg, milk gone", "table")
        # the three ways to make it stand side by side
        self.shows("For all: no pot more", "table")
        self.shows("Small pots: 4 pots more", "table")
        self.shows("nobody else's plate changes", "table")
        self.shows("nightshade new in 2", "table")
        self.shows("Garden velouté", "table")
        self.shows("For the floor: Without wheat and milk: rapeseed oil instead of butter")
        self.see("svg[aria-label^='The pour after the plan']")
        self.accessible()
        self.click("button", "Make the small pots")
        name = self.see("[role=dialog] label:last-of-type input")
        name.send_keys(Keys.CONTROL, "a")
        name.send_keys("Pie for table six")
        self.accessible()
        self.click("button", "Make them")
        self.see("h1", "Pie for table six")
        self.shows("Variant of Hen and leek pie")
        self.assertEqual(self.wheat("pie-for-table-six"), Level.FREE)
        self.assertEqual(self.wheat("hen-leek-pie"), Level.CONTAINS)
        self.open("/", "h1")
        self.shows("Pie for table six")
        self.open("/applied", "h1")
        self.accessible()
        self.click("button", "Take it back")
        self.shows(f"taken back, {self.served.ledger.today}")
        self.assertNotIn("pie-for-table-six", self.served.ledger.now.reading.book.preparations)
        self.open("/", "h1")
        self.shows("Hen and leek pie")
        self.assertNotIn("Pie for table six", self.browser.page_source)
        self.no_complaints()

    @thorough
    def test_a_diet_is_fitted_for_all_and_the_family_board_shows_it(self) -> None:
        self.open("/pots/mushroom-polenta/swaps", "#add-goal")
        self.goal("vegetarian", "vegetarian")
        self.shows("Nettle Farm thistle-set cheese", "table")
        self.click("button", "Change it for all")
        self.see("h1", "Mushrooms on polenta")
        reading = self.served.ledger.now.reading
        self.assertEqual(reading.verdict("mushroom-polenta", "vegetarian"), "suits")

    @thorough
    def test_a_trace_by_a_shared_tool_is_cleared_by_a_clean_one(self) -> None:
        seen = self.served.ledger.now.setting_versions.get("tool/chinois")
        keep_tool(self.served.ledger, Tool("chinois", always_shared=True), seen)
        self.open("/", "h1")
        self.choose("#ask", "Crustaceans", "Crustaceans")
        self.shows("own tools", "[data-strip=garden-stock]")
        self.open("/pots/garden-stock/swaps", "#add-goal")
        self.goal("crust", "Crustaceans")
        self.shows("1 clean tool", "table")
        self.shows("clean chinois", "table")
        self.shows("For the floor: Without crustaceans: made through a clean chinois")
        self.accessible()
        self.click("button", "Make the small pots")
        self.click("button", "Make them")
        self.see("h1", "Garden stock, clean chinois")
        reading = self.served.ledger.now.reading
        made = "garden-stock-clean-chinois"
        self.assertEqual(reading.level(made, "crustacean"), Level.FREE)
        self.no_complaints()

    @thorough
    def test_it_is_made_for_today_only(self) -> None:
        self.open("/pots/hen-leek-pie/swaps", "#add-goal")
        self.goal("wheat", "Wheat")
        self.shows("wheat, egg gone", "table")
        self.click("button", "Only today")
        self.see("h1", "Hen and leek pie")
        self.assertEqual(self.wheat("hen-leek-pie"), Level.FREE)
        self.open("/applied", "h1")
        self.shows("for the day only")

    @thorough
    def test_steps_that_change_are_told_with_their_time(self) -> None:
        self.open("/pots/hen-leek-pie/swaps", "#add-goal")
        self.goal("wheat", "Wheat")
        self.click("button", "Steps that change")
        self.shows("Leek and cider sauce, changed: Garden velouté in; simmer together.", "table")

    @thorough
    def test_two_plans_are_pinned_and_compared(self) -> None:
        self.open("/pots/keepers-chowder/swaps", "#add-goal")
        self.goal("milk", "Milk")
        self.click("[aria-label='Pin plan 1 to compare it']")
        self.click("[aria-label='Pin plan 3 to compare it']")
        self.shows("Show all plans again")
        heads = [head.text for head in self.browser.find_elements(By.CSS_SELECTOR, "thead th")]
        self.assertEqual([head.split("\n")[0] for head in heads], ["Now", "Plan 1", "Plan 3"])
        self.click("button", "Show all plans again")
        self.see("[aria-label='Pin plan 2 to compare it']")
        self.click("button", "Plan 2")
        self.see("button[aria-pressed=true]", "Plan 2")
        self.click("button", "More plans")
        self.click("[aria-label='Pin plan 4 to compare it']")
        self.click("button", "Previous plans")
        self.click("[aria-label='Pin plan 2 to compare it']")
        self.shows("Plan 4", "thead")
        self.assertNotIn("Plan 3", self.text("thead"))

    @thorough
    def test_a_limit_bounds_the_plans(self) -> None:
        self.open("/pots/hen-leek-pie/swaps", "#add-goal")
        self.goal("wheat", "Wheat")
        self.shows("Small pots: 3 pots more", "table")
        self.click("summary", "Limits")
        self.pick("[aria-label='Pots at most']", "2")
        self.shows("Small pots: 2 pots more", "table")
        self.assertNotIn("Small pots: 3 pots more", self.see("table").text)

    @thorough
    def test_the_small_pots_are_weighed_out_for_the_covers(self) -> None:
        self.open("/pots/hen-leek-pie/swaps", "#add-goal")
        self.goal("wheat", "Wheat")
        pie = "[data-small-pot=hen-leek-pie]"
        self.shows("2 portions", pie)
        self.fill("[aria-label=Covers]", "6")
        self.shows("6 portions", pie)
        self.click(f"{pie} summary")
        self.shows("600 ml", pie)
        self.accessible()
        self.see("[aria-label=Covers]").send_keys(Keys.CONTROL, "a", Keys.BACKSPACE)
        self.gone(pie)
        self.no_complaints()

    def test_a_swap_is_ruled_out_and_a_line_is_kept(self) -> None:
        self.open("/pots/white-roux/swaps", "#add-goal")
        self.goal("wheat", "Wheat")
        self.click("[aria-label='not this: Gannet Mill fine rice flour']")
        self.see("[aria-label='not Gannet Mill fine rice flour: drop it']")
        self.gone("[aria-label='not this: Gannet Mill fine rice flour']")
        self.click("[aria-label='not Gannet Mill fine rice flour: drop it']")
        self.click("[aria-label='keep the original: Gannet Mill plain flour in White roux']")
        self.shows("this line is to be kept")
        self.accessible()
        self.click("button", "Try each goal and limit")
        self.click("[aria-label='keep Gannet Mill plain flour: drop it']")
        self.shows("Gannet Mill plain flour 500 g Gannet Mill fine rice flour 500 g", "table")
        self.click("summary", "Limits")
        self.pick("[aria-label='What counts most']", "nearest in taste")
        self.shows("Gannet Mill plain flour 500 g Gannet Mill fine rice flour 500 g", "table")
        self.click("button", "Which")
        self.shows("gone or less", "table")
        self.no_complaints()

    @thorough
    def test_what_counts_most_is_the_kitchens_until_it_is_chosen_here(self) -> None:
        self.open("/pots/hen-leek-pie/swaps", "#add-goal")
        self.goal("wheat", "Wheat")
        self.goal("milk", "Milk")
        self.shows("Plan 1 4 swaps adds oats, nightshade", "table")
        self.click("header button", "Skerrow Light")
        self.see("[role=dialog]", "What counts most between two swaps")
        self.click("[aria-label='nothing new in it: one up']")
        self.accessible()
        self.click("[role=dialog] button", "Record")
        self.shows("Plan 1 4 swaps adds nightshade", "table")
        self.click("summary", "Limits")
        shown = Select(self.see("[aria-label='What counts most']"))
        self.assertEqual(shown.first_selected_option.text, "fewest and easiest swaps")
        self.pick("[aria-label='What counts most']", "nearest in taste")
        self.shows("Plan 1 5 swaps adds oats, nightshade", "table")
        self.no_complaints()

    @thorough
    def test_two_plates_are_cleared_by_the_same_swaps(self) -> None:
        self.open("/pots/tomato-soup-plate/swaps", "#add-goal")
        self.goal("vegetarian", "vegetarian")
        self.pick("[aria-label='Clear another plate by the same swaps']", "Mushrooms on polenta")
        self.see("[aria-label='and Mushrooms on polenta: drop it']")
        self.shows("In Mushrooms on polenta", "table")
        self.shows("in Mushrooms on polenta and Tomato soup, fried crumbs", "thead")
        self.click("button", "Change it for all")
        self.see("h1", "Tomato soup, fried crumbs")
        reading = self.served.ledger.now.reading
        for plate in ("tomato-soup-plate", "mushroom-polenta"):
            self.assertEqual(reading.verdict(plate, "vegetarian"), "suits")

    def test_no_plan_is_proved_and_read_out(self) -> None:
        self.open("/pots/cod-samphire/swaps", "#add-goal")
        self.goal("fish", "Fish")
        self.shows("No plan gets there")
        self.shows("Skerrow day-boat cod in Cod on samphire (fish): no swap is known")
        self.shows("No combination of swaps gets round")
        self.accessible()
        self.click("[aria-label='Drop the goal Fish']")
        self.shows("Name what must go")
        self.no_complaints()

    @thorough
    def test_a_goal_is_loosened(self) -> None:
        self.open("/pots/cod-samphire/swaps", "#add-goal")
        self.goal("fish", "Fish")
        self.goal("whea", "Wheat")
        self.shows("No plan gets there")
        self.click("button", "Try each goal and limit")
        self.shows("Without “fish”")
        self.shows("Still no plan.")
        self.click("button", "Drop it")
        self.gone("[aria-label='Drop the goal Fish']")
        self.gone("[aria-busy=true]")
        self.shows("Plan 1 2 swaps", "table")
        self.assertNotIn("No plan gets there", self.browser.page_source)
        self.no_complaints()

    @thorough
    def test_how_soon_an_answer_is_there(self) -> None:
        for plate, goal in (("hen-leek-pie", "Wheat"), ("cod-samphire", "Milk")):
            self.open(f"/pots/{plate}/swaps", "#add-goal")
            self.script(WATCH)
            self.goal(goal.lower(), goal)
            self.see("thead button", "Plan 1")
            taken = self.script("return window.answered - window.asked")
            self.assertGreater(taken, 0)
            print(
                f"measured: {plate}, no {goal.lower()}: plans in the browser after {taken:.0f} ms"
            )

    def test_what_is_so_already(self) -> None:
        self.open("/pots/garden-stock/swaps", "#add-goal")
        self.goal("wheat", "Wheat")
        self.shows("Nothing to swap: it already meets this.")


class BesideTheBench(Bench):
    def test_the_whole_menu(self) -> None:
        self.open("/menu", "input[type=checkbox]:checked")
        ticked = "return document.querySelectorAll('main input:checked').length"
        dishes = self.served.ledger.now.reading.book.preparations.values()
        self.assertEqual(self.script(ticked), sum(each.kind == "dish" for each in dishes))
        self.click("button", "none")
        for plate in ("Hen and leek pie", "Cod on samphire"):
            self.click("label", plate)
        for guest, goal in (("Ada", "no wheat"), ("Bo", "no fish")):
            self.fill("section input", guest)
            self.pick("section select", goal)
            self.click("button", "Add it")
            self.shows(guest, "section ul")
        self.click("button", "Find the fewest pots")
        self.shows("Proved: fewer would not do.")
        self.shows("cannot be served", "table")
        self.shows("The small pots, bases first")
        self.assertIn("Ada", self.see("[aria-labelledby=answer] ul").text)
        self.shows("What one thing more would buy")
        self.accessible()
        self.open("/menu", "input[type=checkbox]:checked")
        self.assertEqual(self.script(ticked), 2)
        self.shows("Ada", "section ul")
        self.no_complaints()

    @thorough
    def test_a_verdict_is_recorded_and_comes_up(self) -> None:
        self.open("/pots/white-roux/swaps", "#add-goal")
        self.goal("wheat", "Wheat")
        self.shows("Gannet Mill fine rice flour", "table")
        self.click("button", "Change it for all")
        self.see("h1", "White roux")
        self.open("/applied", "h1")
        self.click("button", "How it tasted")
        self.fill("[role=dialog] input[maxlength='1000']", "too sweet with the leeks")
        self.accessible()
        self.click("button", "Record it")
        self.open("/rules", "h1")
        self.shows("“too sweet with the leeks”")
        self.shows("as tasted here")

    @thorough
    def test_a_rule_of_our_own_with_an_example(self) -> None:
        self.open("/rules", "h1")
        self.click("button", "A rule of our own")
        self.write("Name", "Beetroot in the roux")
        self.write("Instead of", "white-roux", Keys.ENTER)
        self.write("Use (nothing: leave it out)", "beetroot", Keys.ENTER)
        self.tick("thickener")
        self.write("What the cook does otherwise, a step on each line", "Blend it in.")
        self.shows("White roux → ")
        self.click("summary", "Only in some pots")
        self.tick("soup")
        self.shows("No line of the book is spoken of yet.")
        self.tick("sauce")
        self.shows("Velouté: White roux → ")
        self.pick_labelled("Clear", "not in such")
        self.accessible()
        self.click("button", "Record it")
        self.shows("Our own")
        self.shows("Beetroot in the roux")
        self.click("[aria-label='Change the rule Beetroot in the roux']")
        self.see("[aria-label='white roux: remove it']")
        self.write("Name", " and nowhere else")
        self.shows("Velouté: White roux → ")
        self.click("button", "Record it")
        self.shows("Beetroot in the roux and nowhere else")
        [ruling] = self.served.ledger.now.reading.book.rulings
        assert ruling.own is not None
        self.assertEqual(ruling.own["not_in"], ["clear"])
        self.click("[aria-label='Delete the rule Beetroot in the roux and nowhere else']")
        self.gone("[aria-label='Delete the rule Beetroot in the roux and nowhere else']")
        self.assertEqual(self.served.ledger.now.reading.book.rulings, ())
        self.no_complaints()
