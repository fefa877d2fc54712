"""The card: typed amounts, a draft and its consequences, scaling, the bench, recipes."""

import json
import os
import signal
import socket
import subprocess
import sys
import tempfile
import time
import unittest
from dataclasses import replace
from pathlib import Path
from urllib.error import URLError
from urllib.request import Request, urlopen

from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.select import Select

from tests.browser.harness import BrowserTest
from tests.effort import thorough
from tests.filled import filled
from tests.kitchens import line, product
from yellow_ladle.core.reading.update import Change
from yellow_ladle.demo.kitchen import demo_book
from yellow_ladle.files.book.book_file import write_book

ROOT = Path(__file__).resolve().parents[2]
TYPED = (
    ("1 1/2 cups", "1.5 metric cup", "199 g"),
    ("½ l", "0.5 l", "265 g"),
    ("2 sticks", "2 stick", "227 g"),
    ("3 ladles", "3 ladle", "199 g"),
    ("a pinch", "1 pinch", "0.30 g"),
    ("250g", "250 g", "250 g"),
    ("1,5 kg", "1.5 kg", "1.5 kg"),
    ("2 tbsp", "2 metric tbsp", "16 g"),
    ("1 lb 4 oz", "1.25 lb", "567 g"),
    ("4-6 scoops", "5 scoop", "300 g"),
)


class CardBrowserTest(BrowserTest):
    def type_amount(self, line: int, text: str) -> None:
        box = self.see(f"[aria-label='Amount of line {line}']")
        box.send_keys(Keys.CONTROL, "a")
        box.send_keys(text, Keys.TAB)

    def amount(self, line: int) -> str:
        return str(self.see(f"[aria-label='Amount of line {line}']").get_attribute("value"))

    def made(self, id: str):  # type: ignore[no-untyped-def]
        return self.served.ledger.now.reading.book.preparations[id]


class Writing(CardBrowserTest):
    @thorough
    def test_a_word_without_a_line_is_refused_or_recorded_unchecked(self) -> None:
        self.open("/pots/oatcakes/edit", "[aria-label='Amount of line 1']")
        self.click("[role=tab]", "Method")
        self.see("[aria-label^='Text ']").send_keys(" Brush with egg wash.")
        self.shows("egg wash", "[data-card-words]")
        self.accessible()
        self.click("[data-card-words] button", "Not in it")
        self.gone("[data-card-words]")
        self.click("aside button", "Record")
        self.shows("Recorded.", "[role=status]")
        self.assertEqual(self.made("oatcakes").not_in_it, ("egg wash",))
        self.assertEqual(dict(self.made("oatcakes").statements), {})
        self.no_complaints()

    @thorough
    def test_ten_amounts_as_people_write_them(self) -> None:
        self.open("/pots/white-roux/edit", "[aria-label='Amount of line 1']")
        for text, understood, grams in TYPED:
            self.type_amount(1, text)
            self.shows(grams, "main")
            self.assertEqual(self.amount(1), understood, text)
        self.type_amount(1, "a good glug")
        self.type_amount(1, "a good glug of it")
        self.shows('No amount could be read in "a good glug of it".', "main")
        self.shows('How much of Gannet Mill plain flour is "a good glug of it"?', "aside")
        self.no_complaints()

    def test_a_card_is_edited_with_its_consequences_beside_it(self) -> None:
        self.open("/pots/white-roux/edit", "#item-1")
        self.choose("#item-1", "rapese", "Strand cold-pressed rapeseed oil")
        self.shows("Changes 3 pots: White roux, Fish velouté, Velouté.", "aside")
        self.click("aside button", "Undo")
        self.shows("Nothing is changed yet.", "aside")
        self.click("aside button", "Redo")
        self.shows("Changes 3 pots: White roux, Fish velouté, Velouté.", "aside")
        self.accessible()
        self.click("[role=tab]", "Method")
        self.click("button", "Add a step")
        text = self.see("[aria-label='Text of step 5']")
        text.send_keys("Blend the hot roux smooth.")
        self.shows("part-fill, vent the lid, start slow", "[data-offered=blend-hot]")
        self.click("button", "Take this caution")
        self.accessible()
        self.click("aside button", "Record")
        self.shows("Recorded.", "[role=status]")
        card = self.made("white-roux")
        self.assertEqual(card.lines[1].item, "rapeseed-oil")
        self.assertIn("start slow", card.method[4].caution)
        self.no_complaints()

    @thorough
    def test_lines_are_moved_by_keyboard_and_steps_by_dragging(self) -> None:
        self.open("/pots/milk-sauce/edit", "[data-mover]")
        movers = self.browser.find_elements(By.CSS_SELECTOR, "[data-mover]")
        movers[0].send_keys(Keys.ARROW_DOWN)
        self.shows("Line 1 is now line 2.", "[role=status]")
        self.assertEqual(self.amount(2), "480 g")
        self.click("[role=tab]", "Method")
        self.see("[aria-label='Text of step 1']")
        handles = "[role=tabpanel][data-state=active] [data-mover]"
        last = self.browser.find_elements(By.CSS_SELECTOR, handles)[3]
        ActionChains(self.browser).scroll_to_element(last).perform()
        first = self.see("[aria-label='Heat of step 2']")
        drag = ActionChains(self.browser).click_and_hold(last)
        drag.move_to_element(first).release().perform()
        self.shows("Step 4 is now step 2.", "[role=status]")
        self.shows("Changes no pot and no plate.", "aside")
        self.click("aside button", "Record")
        self.shows("Recorded.", "[role=status]")
        self.assertEqual(self.made("milk-sauce").lines[1].item, "white-roux")
        self.assertTrue(self.made("milk-sauce").method[1].text.startswith("Strain;"))

    @thorough
    def test_a_new_product_is_made_in_place_and_spelling_is_forgiven(self) -> None:
        self.open("/pots/white-roux/edit", "#item-0")
        self.click("button", "Add a line")
        self.choose("#item-2", "rapeseeed", "Strand cold-pressed rapeseed oil")
        field = self.see("#item-2")
        field.send_keys(Keys.CONTROL, "a")
        field.send_keys("Marsh mallow root")
        self.see("[role=option]", "Marsh mallow root").click()
        self.shows("Marsh mallow root is in the larder now, not checked.", "[role=status]")
        self.shows("not checked", "[role=tabpanel][data-state=active] li:nth-child(3)")
        product = self.served.ledger.now.reading.book.products["marsh-mallow-root"]
        self.assertEqual(product.otherwise.word, "unchecked")

    @thorough
    def test_names_that_come_late_do_not_make_a_new_product(self) -> None:
        self.open("/pots/white-roux/edit", "#item-0")
        self.click("button", "Add a line")
        slow = {"offline": False, "latency": 900, "downloadThroughput": -1, "uploadThroughput": -1}
        self.browser.execute_cdp_cmd("Network.enable", {})
        self.browser.execute_cdp_cmd("Network.emulateNetworkConditions", slow)
        self.choose("#item-2", "bay", "Bay leaves")
        self.browser.execute_cdp_cmd("Network.emulateNetworkConditions", {**slow, "latency": 0})
        self.shows("Changes no pot and no plate.", "aside")
        self.assertNotIn("bay-2", self.served.ledger.now.reading.book.products)

    @thorough
    def test_lines_of_a_by_product_are_counted_anew_and_tools_are_chosen(self) -> None:
        self.open("/pots/hen-stock/edit", "[data-mover]")
        self.click("[role=tab]", "By-products and ways")
        self.click("button", "Comes of Croft boiling hens")
        self.accessible()
        self.click("label", "Celery")
        self.shows("Comes of Croft boiling hens, Celery", "main")
        self.click("[role=tab]", "What goes in")
        self.see("[data-mover]").send_keys(Keys.ARROW_DOWN)
        self.shows("Line 1 is now line 2.", "[role=status]")
        self.click("button", "Remove line 4")
        tools = self.named("input", "Tools")
        tools.send_keys("stick blender, drum sieve", Keys.ENTER)
        self.shows("drum sieve new", "main")
        self.click("aside button", "Record")
        self.shows("Recorded.", "[role=status]")
        card = self.made("hen-stock")
        of = {part.name: [card.lines[at].item for at in part.of] for part in card.by_products}
        self.assertEqual(
            (of, card.equipment),
            (
                {"Skimmed hen fat": ["hen", "celery"], "Picked hen meat": ["hen"]},
                ("20 l pot", "chinois", "stick blender", "drum sieve"),
            ),
        )

    def test_a_version_whose_goods_are_gone_is_not_shown_as_free(self) -> None:
        ledger = self.served.ledger
        roux = self.made("white-roux")
        with_more = replace(roux, lines=(*roux.lines, line("sea-milk")))
        first = Change(products=(product("sea-milk", "milk"),), preparations=(with_more,))
        seen = {"white-roux": ledger.now.versions["white-roux"]}
        ledger.record(first, seen)
        ledger.record(Change(preparations=(roux,)), dict(ledger.now.versions))
        ledger.record(Change(removed=("sea-milk",)), dict(ledger.now.versions))
        self.open("/pots/white-roux/compare", "[data-versions] li:nth-child(2)")
        self.click("[data-versions] li:nth-child(2) button")
        self.shows("What it carries is not known, and counts as not checked.", "[data-lost]")
        self.shows("wheat contains not checked", "[data-flags]")
        self.assertNotIn("free", self.text("[data-flags]"))
        self.accessible()
        self.no_complaints()

    def test_an_amount_still_in_its_box_is_not_lost_on_recording(self) -> None:
        self.open("/pots/white-roux/edit", "[aria-label='Amount of line 1']")
        self.see("[data-pot-name]").send_keys(", pale")
        self.shows("Changes ", "aside")
        box = self.see("[aria-label='Amount of line 1']")
        # In one task of the page: the box is left by pressing the button, before it was read.
        self.script(
            """
            const [box, button] = arguments;
            box.focus();
            box.value = '1 lb';
            box.dispatchEvent(new Event('input', { bubbles: true }));
            button.focus();
            button.click();
            """,
            box,
            self.see("aside button", "Record"),
        )
        self.shows("An amount was read just now.", "[role=status]")
        self.shows("Numbers of", "aside")
        self.assertEqual(self.made("white-roux").name, "White roux")
        self.click("aside button", "Record")
        self.shows("Recorded.", "[role=status]")
        line = self.made("white-roux").lines[0]
        self.assertEqual((line.quantity, line.unit), (1, "lb"))

    def test_somebody_else_on_the_card_is_told_of(self) -> None:
        body = json.dumps({"page": "another"}).encode()
        address = f"{self.served.address}/api/v1/cards/white-roux/here"
        headers = {"Content-Type": "application/json", "X-Person": "NB"}
        urlopen(Request(address, body, headers)).close()
        self.open("/pots/white-roux/edit", "[data-others]")
        self.shows("NB has this card open as well.", "[data-others]")

    @thorough
    def test_two_people_on_one_card_merge_line_by_line(self) -> None:
        self.open("/pots/white-roux/edit", "[aria-label='Amount of line 1']")
        self.type_amount(1, "520 g")
        card = self.made("white-roux")
        theirs = replace(card, lines=(card.lines[0], replace(card.lines[1], quantity=480)))
        self.served.ledger.record(Change(preparations=(theirs,)), {"white-roux": 1})
        self.shows("Changes no flag. Numbers move in White roux", "aside")
        self.click("aside button", "Record")
        self.shows("was changed by somebody else in the meantime", "[role=alert]")
        self.click("aside button", "Merge both versions")
        self.gone("[data-newer]")
        self.assertEqual((self.amount(1), self.amount(2)), ("520 g", "480 g"))
        self.click("aside button", "Record")
        self.shows("Recorded.", "[role=status]")
        amounts = [line.quantity for line in self.made("white-roux").lines]
        self.assertEqual(amounts, [520, 480])


class Reading(CardBrowserTest):
    @thorough
    def test_an_alternative_that_changes_a_diet_is_chosen(self) -> None:
        self.open("/pots/veloute")
        before = self.served.ledger.now.reading.verdict("mushroom-cream", "pescatarian").value
        self.assertEqual(before, "does_not_suit")
        self.shows("not in use, celery, allium", "main")
        self.click("main li button", "Kelp stock")
        self.click("[role=dialog] button", "Use this for the liquid")
        self.shows("Changes ", "[role=dialog]")
        self.click("[role=dialog] button", "Record")
        self.shows("Recorded.", "[role=status]")
        reading = self.served.ledger.now.reading
        self.assertEqual(reading.level("veloute", "poultry").word, "unchecked")
        self.assertNotEqual(reading.verdict("veloute", "pescatarian").value, "does_not_suit")

    def test_pots_within_pots_are_opened_in_place(self) -> None:
        self.open("/pots/lantern-sauce")
        self.click("[aria-label='What goes into Milk sauce']")
        self.shows("480 g", "[data-within=milk-sauce]")
        self.click("[data-within=milk-sauce] [aria-label='open White roux']")
        self.shows("Gannet Mill plain flour", "[data-within=white-roux]")
        self.accessible()
        self.no_complaints()

    @thorough
    def test_a_timer_runs_down(self) -> None:
        self.open("/pots/white-roux")
        self.click("[aria-label='Start the timer of step 1, 3 min']")
        self.shows("2:5", "main ol")
        self.click("[aria-label='Pause the timer of step 1, 3 min']")
        self.click("button", "again")
        self.shows("3 min", "main ol")

    def test_the_card_is_scaled_to_what_is_there(self) -> None:
        self.open("/pots/shore-fish-stock/scale", "[data-how-much]")
        Select(self.see("select")).select_by_visible_text("To what you have")
        self.see("[data-how-much]").send_keys("1.8 kg")
        self.shows("0.60 times the card, makes 2.4 l.", "[data-scaled]")
        self.shows("60 % of the amount", "main")
        self.shows("2.52 l Water", "table")
        self.accessible()
        self.no_complaints()

    @thorough
    def test_ways_are_read_side_by_side(self) -> None:
        self.open("/pots/roast-shell-stock")
        self.click("[data-ways] a", "side by side")
        self.shows("Roast shell stock: short and clean", "main")
        self.shows("milk contains free", "[data-flags]")
        self.shows("Water: 3.8 l → 3.4 l.", "[data-differences]")
        self.accessible()
        self.open("/pots/roast-shell-stock")
        self.click("[data-ways] button", "short and clean")
        self.shows("Changes ", "[data-ways]")
        self.click("[data-ways] button", "Record")
        self.shows("Recorded.", "[role=status]")
        self.assertEqual(self.made("roast-shell-stock").way, "short and clean")
        self.no_complaints()

    @thorough
    def test_a_pot_is_copied_and_retired(self) -> None:
        self.open("/pots/kelp-stock")
        self.click("button", "More")
        self.click("[role=menuitem]", "Copy, rename or retire it")
        self.shows("Changes 1 pot: Kelp stock, copy.", "[role=dialog]")
        self.accessible()
        self.click("[role=dialog] button", "Record")
        self.see("h1", "Kelp stock, copy")
        self.assertEqual(len(self.made("kelp-stock-copy").lines), 3)
        self.click("button", "More")
        self.click("[role=menuitem]", "Copy, rename or retire it")
        self.click("[role=dialog] button", "Retire it")
        self.shows("Changes no pot and no plate.", "[role=dialog]")
        self.click("[role=dialog] button", "Record")
        self.shows("not offered any more", "main")

    @thorough
    def test_the_print_sheet(self) -> None:
        self.open("/pots/keepers-chowder/print", "[data-sheet]")
        self.shows("Contains: Cereals with gluten (wheat), Fish, Milk", "[data-sheet=A4]")
        Select(self.see("select")).select_by_value("A5")
        self.shows("Checked by", "[data-sheet=A5]")
        self.accessible()
        self.no_complaints()


class Bench(CardBrowserTest):
    @thorough
    def test_the_bench_puts_a_thickener_into_a_pot(self) -> None:
        self.open("/pots/celeriac-pear-soup/thickening", "[data-option]")
        self.click("label", "holds in acid")
        self.click("label", "freezes well")
        self.click("label", "stays clear")
        self.see("[data-options] tbody tr:first-child[data-option=arrowroot]")
        self.shows("not: stays clear", "[data-option=wheat-flour]")
        self.shows("pours like stock", "[data-will-be]")
        self.accessible()
        self.click("[data-option=arrowroot] button", "Put it in")
        self.shows("Numbers move in Celeriac and pear soup", "[role=dialog]")
        self.click("[role=dialog] button", "Record")
        self.shows("Recorded.", "[role=status]")
        line = self.made("celeriac-pear-soup").lines[-1]
        self.assertEqual((line.item, line.stage), ("arrowroot", "finish"))
        self.assertGreater(line.quantity, 50)
        self.no_complaints()


class BringingIn(CardBrowserTest):
    def test_a_recipe_is_reviewed_and_recorded(self) -> None:
        recipe = {
            "@context": "https://schema.org",
            "@graph": [
                {
                    "@type": "Recipe",
                    "name": "Onion and ale soup",
                    "recipeYield": "6 servings",
                    "recipeIngredient": [
                        "1 kg onions",
                        "1 l garden vegetable stock",
                        "salt to taste",
                    ],
                    "recipeInstructions": "Brown the onions.\nAle in.",
                }
            ],
        }
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        path = Path(folder.name) / "soup.jsonld"
        path.write_text(json.dumps(recipe))
        self.open("/recipes")
        self.see("input[type=file]").send_keys(str(path))
        self.shows("soup, 3 lines, 2 steps")
        self.shows("2 new products, not checked")
        self.accessible()
        self.click("[data-goods] button", "Garden stock")
        self.shows("1 new product, not checked")
        self.shows("Changes 1 pot: Onion and ale soup.")
        self.click("button", "Record")
        self.see("h1", "Onion and ale soup")
        made = self.made("onion-and-ale-soup")
        self.assertEqual([line.item for line in made.lines], ["onion", "garden-stock", "salt"])
        self.assertEqual(made.lines[2].typed, "salt to taste")
        reading = self.served.ledger.now.reading
        self.assertEqual(reading.level("onion-and-ale-soup", "celery").word, "contains")
        self.no_complaints()

    @thorough
    def test_words_that_an_item_does_not_say_are_kept_and_asked(self) -> None:
        self.open("/recipes", "h1")
        self.see("textarea").send_keys(WALNUT_CRUMBLE)
        self.click("button", "Read it")
        self.shows("1 recipe read")
        item = "Find what Butter and a glug of walnut oil is"
        self.choose(f"[aria-label='{item}']", "unsalted", "unsalted butter")
        self.shows("And the walnut oil? (walnut)", "[data-unsaid]")
        self.accessible()
        self.shows("Changes 1 plate: Walnut crumble", "[data-impact]")
        self.click("button", "Record")
        self.see("h1", "Walnut crumble")
        [butter, *_] = self.made("walnut-crumble").lines
        self.assertEqual((butter.item, butter.note), ("butter", "butter and a glug of walnut oil"))
        level = self.served.ledger.now.reading.level("walnut-crumble", "walnut")
        self.assertEqual(level.word, "unchecked")
        self.open("/recipes", "h1")
        self.see("textarea").send_keys(WALNUT_CRUMBLE)
        self.click("button", "Read it")
        self.choose(f"[aria-label='{item}']", "unsalted", "unsalted butter")
        self.click("[data-unsaid] button", "A line of its own")
        self.gone("[data-unsaid]")
        self.click("button", "Record")
        self.see("h1", "Walnut crumble")
        lines = self.made("walnut-crumble-2").lines
        self.assertEqual([line.item for line in lines], ["butter", "plain-flour", "walnut-oil"])
        self.no_complaints()

    @thorough
    def test_a_batch_is_put_away_taken_up_parted_and_recorded_with_its_plain_foods(self) -> None:
        self.open("/recipes", "h1")
        self.see("textarea").send_keys(RUN_TOGETHER)
        self.click("button", "Read it")
        self.shows("1 recipe read")
        self.click("button", "Put them away")
        self.shows("1 recipe was put away.", "[data-aside]")
        self.click("button", "Take them up again")
        self.shows("1 recipe read")
        self.click("summary", "Line by line")
        self.click("[aria-label='a recipe begins here, at step 2']")
        self.shows("2 recipes read")
        self.shows("plain: free of everything", "[data-goods]")
        self.shows("new jar, not checked", "[data-goods]")
        self.accessible()
        self.writes()
        self.click("button", "Take the plain foods as plain")
        self.shows("; 1 plain.")
        self.click("button", "Record")
        self.see("[data-strip]")
        book = self.served.ledger.now.reading.book
        parsnip = next(each for each in book.products.values() if each.name == "Parsnips")
        self.assertEqual(parsnip.evidence["otherwise"].person, "NB")
        self.assertEqual(self.served.ledger.now.reading.levels(parsnip.id), {})
        self.assertEqual(len(book.preparations["parsnip-mash"].method), 1)
        self.assertIn("fried-crumbs", book.preparations)
        self.no_complaints()

    @thorough
    def test_a_pasted_notebook_is_looked_at_once_and_recorded(self) -> None:
        self.open("/recipes", "h1")
        self.see("textarea").send_keys(NOTEBOOK)
        self.click("button", "Read it")
        self.shows("3 recipes read")
        self.shows("New goods, for all recipes at once")
        # what is not clear is asked, and nothing else
        doubts = self.browser.find_elements("css selector", "[data-doubts] li")
        self.assertEqual(len(doubts), 1)
        self.shows("2 tbps cream", "[data-doubts]")
        self.accessible()
        # leaving and coming back loses nothing
        self.open("/larder", "h1")
        self.open("/recipes", "h1")
        self.shows("3 recipes read")
        box = self.see("[aria-label='Amount of “2 tbps cream”']")
        box.send_keys(Keys.CONTROL, "a")
        box.send_keys("2 tbsp", Keys.TAB)
        self.shows("Changes 3 pots")
        self.click("button", "Record")
        self.see("[data-strip]")
        book = self.served.ledger.now.reading.book
        soup = book.preparations["quince-soup"]
        self.assertEqual([line.item for line in soup.lines][:2], ["quince-stock", "quince-roux"])
        self.assertEqual(soup.method[0].minutes, 20)
        self.open("/recipes", "h1")
        self.assertEqual(self.see("textarea").get_attribute("value"), "")
        self.no_complaints()


RUN_TOGETHER = """Parsnip mash
500 g parsnips
20 g zedoary paste

Boil the parsnips and mash them.
Fried crumbs
Fry 100 g of crumbs in butter until they are brown."""
WALNUT_CRUMBLE = """Walnut crumble
knob of butter and a glug of walnut oil
100 g plain flour

Rub it in."""
NOTEBOOK = """Quince soup
1 l quince stock, see below
100 g quince roux
2 tbps cream

Simmer for 20 minutes.

Quince stock
1 kg quinces
2 l water

Boil for 1 hour.

Quince roux
50 g quinces
50 g goose fat

Melt and stir."""


class Apart:
    """The application in a process of its own, so that it can be killed."""

    def __init__(self, path: Path) -> None:
        self.path = path
        filled(write_book(demo_book()), path).close()
        with socket.socket() as free:
            free.bind(("127.0.0.1", 0))
            self.port = free.getsockname()[1]
        self.address = f"http://127.0.0.1:{self.port}"
        self.start()

    def start(self) -> None:
        words = ["serve", "--book", str(self.path), "--port", str(self.port)]
        self.process = subprocess.Popen(
            [sys.executable, "-m", "yellow_ladle", *words],
            cwd=ROOT,
            env=os.environ | {"PYTHONPATH": str(ROOT / "src")},
            stdout=subprocess.DEVNULL,
            stderr=subprocess.DEVNULL,
        )
        for _ in range(400):
            try:
                urlopen(f"{self.address}/api/v1/kitchen").close()
                return
            except (URLError, ConnectionError):
                time.sleep(0.1)
        raise TimeoutError("the application did not start")

    def stop(self) -> None:
        self.process.send_signal(signal.SIGKILL)
        self.process.wait(10)


class AfterAKill(CardBrowserTest):
    def serve(self, path: Path) -> Apart:
        return Apart(path)

    @thorough
    def test_a_draft_outlives_the_server(self) -> None:
        self.open("/pots/white-roux/edit", "[aria-label='Amount of line 1']")
        self.type_amount(1, "650 g")
        self.shows("Numbers move in White roux", "aside")
        self.served.stop()
        box = self.see("[aria-label='Amount of line 2']")
        box.send_keys(Keys.CONTROL, "a")
        box.send_keys("480 g", Keys.TAB)
        self.shows("The application does not answer.", "[role=tabpanel][data-state=active]")
        self.see("[data-pot-name]").send_keys(", tonight")
        self.shows("The application does not answer.", "aside")
        self.served.start()
        self.open("/pots/white-roux/edit", "[data-recovered]")
        self.assertEqual((self.amount(1), self.amount(2)), ("650 g", "480 g"))
        name = self.see("[data-pot-name]").get_attribute("value")
        self.assertEqual(name, "White roux, tonight")
        self.shows("Numbers move in White roux, tonight", "aside")
        self.click("aside button", "Record")
        self.shows("Recorded.", "[role=status]")
        # By the time that it is said, the draft is dropped.
        self.open("/pots/white-roux/edit", "[aria-label='Amount of line 1']")
        self.gone("[data-recovered]")


if __name__ == "__main__":
    unittest.main()
