"""The larder's pages: reading a label, makers, bags, the feed, sign-offs, and what is unchecked."""

import io
import json
import tempfile
import unittest
from pathlib import Path

from PIL import Image
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.select import Select
from selenium.webdriver.support.wait import WebDriverWait

from tests.browser.harness import WAIT, BrowserTest
from tests.effort import thorough
from tests.labels.pictures import Drawn, picture
from yellow_ladle.core.book.book import Line, Preparation
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.reading.update import Change, stating
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.devices.picture_reader import can_read


class LarderPages(BrowserTest):
    def product(self, id: str) -> Product:
        return self.served.ledger.now.reading.book.products[id]

    def level(self, item: str, flag: str) -> Level:
        return self.served.ledger.now.reading.level(item, flag)

    def file(self, name: str, content: bytes) -> str:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        path = Path(folder.name) / name
        path.write_bytes(content)
        return str(path)

    def send(self, path: str) -> None:
        # Beside it stands the box for a photograph that is to be read.
        box = "main input[type=file]:not([capture])"
        self.browser.find_element(By.CSS_SELECTOR, box).send_keys(path)


class ReadingALabel(LarderPages):
    LABEL = "Salt, palm fat, CELERY seed, WHEAT flour, whey powder (milk). May contain mustard."

    def test_a_label_is_pasted_one_proposal_corrected_and_the_impact_seen(self) -> None:
        self.open("/larder/stock-powder", "textarea")
        self.see("textarea").send_keys(self.LABEL)
        self.click("button", "Read it")
        self.shows("CELERY seed", "[data-marked]")
        marked = [mark.text for mark in self.browser.find_elements(By.CSS_SELECTOR, "mark")]
        self.assertIn("whey powder", marked)
        Select(self.see("[aria-label='Level of mustard']")).select_by_value("contains")
        self.accessible()
        self.writes()
        self.click("[data-own-flags] label")
        self.click("button", "I read the whole label: take the lot")
        self.shows("Changes 3 pots, 2 plates: Velouté, Leek and cider sauce", "[data-impact]")
        self.click("button", "Record")
        self.shows("Now checked in full: Hen and leek pie", "[role=status]")
        powder = self.product("stock-powder")
        self.assertEqual(powder.statements["mustard"], Level.CONTAINS)
        self.assertEqual(powder.statements["milk"], Level.CONTAINS)
        self.assertEqual((powder.otherwise, powder.label), (Level.FREE, self.LABEL))
        self.assertEqual(powder.evidence["celery"].person, "NB")
        self.no_complaints()

    @unittest.skipUnless(can_read(), "the picture reader is not installed here")
    def test_a_photograph_sets_nothing_free_before_somebody_compared_it(self) -> None:
        path = self.file("jar.png", picture(self.LABEL, Drawn("Vera.ttf", 30), 1))
        self.open("/larder/stock-powder", "textarea")
        self.see("section[aria-label=Product] textarea")
        self.named("input", "Photograph of the label").send_keys(path)
        self.shows("I compared it with the jar", "[data-compared]")
        self.assertIn("CELERY", self.see("textarea").get_attribute("value"))
        take = self.see("button", "take the lot")
        self.assertFalse(take.is_enabled())
        self.accessible()
        self.click("label", "I compared it with the jar")
        self.writes()
        self.click("button", "take the lot")
        self.click("button", "Record")
        self.shows("Recorded.", "[role=status]")
        powder = self.product("stock-powder")
        self.assertEqual(powder.statements["celery"], Level.CONTAINS)
        self.assertEqual(powder.otherwise, Level.FREE)
        self.no_complaints()

    @thorough
    def test_to_record_is_to_take_what_was_read(self) -> None:
        self.open("/larder/stock-powder", "textarea")
        self.see("textarea").send_keys("Salt, celery seed, flavouring. May contain mustard.")
        self.click("button", "Read it")
        self.shows("Once the maker has answered, may contain is left.")
        self.writes()
        self.click("button", "Take what was read and record")
        self.shows("Recorded.", "[role=status]")
        powder = self.product("stock-powder")
        self.assertEqual(powder.statements["celery"], Level.CONTAINS)
        self.assertEqual(powder.statements["mustard"], Level.UNCHECKED)
        self.assertEqual(powder.otherwise, Level.UNCHECKED)
        self.no_complaints()

    @thorough
    def test_one_proposal_alone_leaves_the_rest_unchecked(self) -> None:
        self.open("/larder/stock-powder", "textarea")
        self.see("textarea").send_keys("Salt, celery seed, flavouring")
        self.click("button", "Read it")
        self.shows("What is the flavouring made from and carried on")
        self.click("[data-proposal=celery] button", "Take")
        self.shows("taken", "[data-proposal=celery]")
        self.click("button", "Record")
        self.shows("Recorded.", "[role=status]")
        self.assertEqual(self.product("stock-powder").statements, {"celery": Level.CONTAINS})
        self.assertEqual(self.product("stock-powder").otherwise, Level.UNCHECKED)

    def test_a_label_with_a_word_that_nobody_knows_is_never_taken_whole(self) -> None:
        self.open("/larder/stock-powder", "textarea")
        self.see("textarea").send_keys("Salt, celery seed, zorblax")
        self.click("button", "Read it")
        self.shows("zorblax. Look at each and state what it brings.")
        self.accessible()
        self.click("button", "Take all that was read")
        self.click("button", "Record")
        self.shows("Recorded.", "[role=status]")
        own = dict.fromkeys(("chilli", "nightshade"), Level.UNCHECKED)
        stated = self.product("stock-powder").statements
        self.assertEqual(stated, {"celery": Level.CONTAINS, **own})
        self.assertEqual(self.product("stock-powder").otherwise, Level.UNCHECKED)

    @thorough
    def test_a_plain_food_takes_one_key(self) -> None:
        self.open("/larder/new", "#start-from")
        self.choose("#start-from", "leek", "Leek")
        self.shows("Records allium: contains, everything else free", "[data-plain]")
        self.writes()
        self.see("h2", "The label's words").click()
        self.script("document.activeElement.blur()")
        self.press("p")
        self.click("button", "Record")
        self.shows("Recorded.", "[role=status]")
        leek = self.product("leek-2")
        self.assertEqual((leek.otherwise, leek.unit_weight_g), (Level.FREE, 150))
        self.assertEqual(leek.statements, {"allium": Level.CONTAINS})
        self.assertEqual(leek.evidence["otherwise"].kind, "plain_food")

    @thorough
    def test_a_good_with_a_label_says_what_to_look_for_and_is_not_checked(self) -> None:
        self.open("/larder/new", "#start-from")
        self.choose("#start-from", "stock cube", "Stock cube")
        self.shows("Typical; read your label. Look for celery, wheat")
        self.click("button", "Record")
        self.shows("Recorded.", "[role=status]")
        self.assertEqual(self.product("stock-cube").otherwise, Level.UNCHECKED)


class Makers(LarderPages):
    def test_the_maker_in_use_is_switched_and_its_impact_shown_first(self) -> None:
        self.open("/larder/oatmeal", "textarea")
        self.click("[role=tab]", "Makers")
        self.shows("Any of them may be in the house")
        maker = "Second maker of oats"
        self.see("input[maxlength='200']")
        boxes = self.browser.find_elements(
            By.CSS_SELECTOR, "[role=tabpanel] input[maxlength='200']"
        )
        boxes[0].send_keys(maker)
        self.click("button", "See what it would change")
        self.shows("Changes ", "[data-impact]")
        self.click("button", "Record")
        self.shows("Recorded.", "[role=status]")
        self.assertEqual(self.level("oatcakes", "egg"), Level.UNCHECKED)
        self.click("label", "Only Gannet Mill")
        self.shows("Changes ", "[data-impact]")
        self.assertEqual(self.level("oatcakes", "egg"), Level.UNCHECKED)
        self.accessible()
        self.click("button", "Record")
        # What was said of the first record still stands in the status line.
        self.shows("does not count now")
        self.assertEqual(self.level("oatcakes", "egg"), Level.FREE)
        self.no_complaints()

    @thorough
    def test_a_certificate_with_its_last_day(self) -> None:
        self.open("/larder/nettle-cheese", "textarea")
        self.click("[role=tab]", "Numbers and certificates")
        self.shows("has expired and no longer counts")
        self.click("ul label", "vegan")
        self.see("[aria-label='Number of the vegan certificate']").send_keys("V-9")
        self.accessible()
        self.click("button", "Record")
        self.shows("Recorded.", "[role=status]")
        cheese = self.product("nettle-cheese")
        self.assertEqual(cheese.certificates, ("organic", "vegan"))
        self.assertEqual(cheese.papers["vegan"].number, "V-9")

    @thorough
    def test_a_compound_product_gets_a_part(self) -> None:
        self.open("/larder/pepper-salt", "textarea")
        self.click("[role=tab]", "Made of")
        self.click("button", "Add a part")
        self.choose("#part-2", "celery", "Celery")
        self.shows("Changes no pot and no plate.", "[data-impact]")
        self.click("button", "Record")
        self.shows("Recorded.", "[role=status]")
        self.assertEqual(self.level("pepper-salt", "celery"), Level.CONTAINS)

    @thorough
    def test_a_picture_of_the_label_is_kept_and_a_wrong_file_refused(self) -> None:
        out = io.BytesIO()
        Image.new("RGB", (60, 40), "tan").save(out, "PNG")
        self.open("/larder/butter", "textarea")
        self.click("[role=tab]", "Picture")
        self.send(self.file("note.png", b"no picture at all"))
        self.shows("This is no PNG, JPEG or WebP picture. Nothing was changed", "[role=alert]")
        self.send(self.file("label.png", out.getvalue()))
        self.see("img[alt^='The label of']")
        self.no_complaints()


class BarCodes(LarderPages):
    @thorough
    def test_a_scanner_opens_the_jar_and_an_unknown_code_begins_one(self) -> None:
        self.open("/larder", "h1")
        self.named("input", "Bar code").send_keys("(01)02000000000022(10)L7", Keys.ENTER)
        self.shows("Goes into", "section[aria-label=Product]")
        self.assertTrue(self.browser.current_url.endswith("/larder/butter"))
        self.named("input", "Bar code").send_keys("4006381333931", Keys.ENTER)
        name = self.see("section[aria-label=Product] input")
        name.send_keys("A jar from the market")
        self.shows("Changes no pot and no plate.", "[data-impact]")
        self.click("button", "Record")
        self.shows("Recorded.", "[role=status]")
        self.assertEqual(self.product("a-jar-from-the-market").code, "4006381333931")
        self.named("input", "Bar code").send_keys("4006381333931", Keys.ENTER)
        self.accessible()
        self.no_complaints()


class JarByJar(LarderPages):
    @thorough
    def test_one_jar_after_another_the_most_useful_first(self) -> None:
        self.open("/unchecked", "h1")
        first, second = (
            entry.get_attribute("data-held")
            for entry in self.browser.find_elements(By.CSS_SELECTOR, "[data-held]")[:2]
        )
        self.click("a", "Go through them, jar by jar")
        self.see("h1", "Next jar")
        self.assertEqual(self.on_the_sheet(), self.product(str(first)).name)
        self.accessible()
        self.click("button", "Later")
        name = self.product(str(second)).name
        WebDriverWait(self.browser, WAIT, 0.05).until(lambda _: self.on_the_sheet() == name)
        self.see("section[aria-label=Product] textarea").send_keys("Grapes, yeast.")
        self.click("button", "Read it")
        self.click("button", "take the lot")
        self.shows("Changes ", "[data-impact]")
        self.click("button", "Record")
        self.shows("Recorded.", "[role=status]")
        WebDriverWait(self.browser, WAIT, 0.05).until(lambda _: self.on_the_sheet() != name)
        self.no_complaints()

    def on_the_sheet(self) -> str:
        """The name of the jar that stands open."""
        self.see("section[aria-label=Product] textarea")
        script = "return document.querySelector('section[aria-label=Product] input').value"
        found: str = self.script(script)
        return found


class Bags(LarderPages):
    def test_a_bag_is_filled_in_two_taps_then_emptied_and_washed(self) -> None:
        self.open("/bags")
        self.writes()
        self.choose("#into-langoustine-shells", "mussels", "Mussels")
        self.shows("Recorded.", "[role=status]")
        self.assertEqual(self.level("roast-shell-stock", "mollusc"), Level.CONTAINS)
        self.shows("by NB", "[data-bag=langoustine-shells]")
        self.accessible()
        self.click("[data-bag=langoustine-shells] button", "Emptied and washed")
        self.shows("Recorded. Changes", "[role=status]")
        self.shows("No flag is recorded.", "[data-bag=langoustine-shells]")
        self.assertEqual(self.level("roast-shell-stock", "mollusc"), Level.FREE)
        self.no_complaints()

    @thorough
    def test_what_a_pot_leaves_goes_into_a_bag_in_two_taps(self) -> None:
        self.open("/pots/hen-stock")
        self.click("button", "Into a bag")
        self.click("[role=menuitem]", "Skimmed hen fat into Langoustine shells, freezer bag")
        self.shows("Recorded.", "[role=status]")
        self.assertEqual(self.level("roast-shell-stock", "poultry"), Level.CONTAINS)
        self.no_complaints()


class Tools(LarderPages):
    def test_what_went_through_leaves_traces_until_the_wash(self) -> None:
        self.open("/tools")
        self.choose("[id='through-stick blender']", "hazelnut", "hazelnut oil")
        self.shows("Noted for the stick blender", "[role=status]")
        self.choose("[id='through-stick blender']", "lovage oil", "Lovage oil")
        self.shows("may contain almond, hazelnut, walnut", "[data-traces]")
        self.shows("stick blender, after")
        self.accessible()
        self.click("[data-tool='stick blender'] button", "Washed")
        self.shows("Nothing went through since the last wash.", "[data-tool='stick blender']")
        self.no_complaints()

    @thorough
    def test_one_that_is_always_shared_counts_in_the_book(self) -> None:
        self.open("/tools")
        self.assertEqual(self.level("hen-stock", "crustacean"), Level.FREE)
        self.click("[data-tool=chinois] label", "we share this one always")
        self.shows("The book was read anew", "[role=status]")
        self.assertEqual(self.level("hen-stock", "crustacean"), Level.MAY_CONTAIN)
        self.open("/pots/hen-stock")
        self.shows("the chinois, a trace")


class Supplier(LarderPages):
    def test_a_changed_label_is_noticed_and_accepted(self) -> None:
        self.open("/supplier")
        self.click("button", "Fetch the sheets")
        self.shows("2 sheets read: nothing differs from what is recorded. Not in the larder yet")
        self.click("button", "Fetch the sheets")
        self.shows("2 sheets read: 1 label has changed")
        self.shows("wheat: free here, contains on the sheet", "[data-notice=grain-mustard]")
        self.shows("Changes ", "[data-notice=grain-mustard]")
        self.accessible()
        self.click("button", "Accept the new label")
        self.shows("Recorded. Changes", "[role=status]")
        self.assertEqual(self.level("leek-cider-sauce", "wheat"), Level.CONTAINS)
        self.assertEqual(self.product("grain-mustard").evidence["wheat"].kind, "supplier")
        self.gone("[data-notice]")
        self.no_complaints()

    @thorough
    def test_a_bar_code_opens_its_product(self) -> None:
        self.open("/supplier")
        self.see("form input").send_keys("2000000000022", Keys.ENTER)
        self.see("section[aria-label=Product] textarea")
        self.assertTrue(self.browser.current_url.endswith("/larder/butter"))


class TakingIn(LarderPages):
    def test_a_table_is_looked_at_and_nothing_is_recorded_until_confirmed(self) -> None:
        table = "Name,Milk,Wheat,Odd\nCurd cheese,yes,,x\nRye crisp,=1+1,maybe,\nFlat bread,,yes,\n"
        self.open("/intake")
        self.send(self.file("goods.csv", table.encode()))
        self.shows("Not understood and passed over: Odd")
        self.shows("Row 3, Milk: a formula", "[data-faults]")
        self.shows('Row 3, Wheat: "maybe" is no level', "[data-faults]")
        self.assertNotIn("curd-cheese", self.served.ledger.now.versions)
        self.accessible()
        self.click("button", "Record 2 products")
        self.shows("Recorded 2 products.", "[role=status]")
        self.assertEqual(self.product("curd-cheese").statements, {"milk": Level.CONTAINS})
        self.no_complaints()

    def test_a_suppliers_sheet_with_a_strange_code(self) -> None:
        good = {
            "code": "",
            "name": "Sesame sticks",
            "allergens": [{"code": "AS", "level": "CONTAINS"}, {"code": "ZZ", "level": "CONTAINS"}],
        }
        sheet = {
            "format": "yellow-ladle-supplier-sheet",
            "version": 1,
            "supplier": "S",
            "issued": "2026-11-01",
            "goods": [good],
        }
        self.open("/intake")
        self.send(self.file("sheet.json", json.dumps(sheet).encode()))
        self.shows('the code "ZZ CONTAINS" is not known here', "[data-faults]")
        self.shows("Sesame sticks")


class SigningOff(LarderPages):
    def test_a_sign_off_goes_stale_by_a_change_from_above(self) -> None:
        self.open("/pots/milk-sauce")
        self.shows("Nobody has signed this pot off.", "[data-sign-off]")
        self.writes("TO")
        self.click("[data-sign-off] button", "Sign it off")
        self.shows("Checked by TO on", "[data-sign-off]")
        book = self.served.ledger.now.reading.book
        change = stating(book, "plain-flour", "sesame", Level.MAY_CONTAIN)
        self.served.ledger.record(change, {"plain-flour": 1})
        self.open("/pots/milk-sauce")
        self.shows("Stale since", "[data-sign-off]")
        self.shows("plain flour: sesame may contain (was free)", "[data-sign-off]")
        self.accessible()
        self.open("/unchecked")
        self.shows("Milk sauce checked by TO on", "aside")
        self.no_complaints()


class AskingTheMakers(LarderPages):
    @thorough
    def test_an_answer_is_written_down_from_the_list(self) -> None:
        self.open("/unchecked")
        self.click("main a", "Ask the makers")
        self.click("summary", "The text as it is sent")
        self.shows("Does it contain", "[data-letter]")
        self.writes()
        answer = self.named("main select", "animal rennet")
        Select(answer).select_by_value("contains")
        self.click("button:not(:disabled)", "Record")
        self.shows("Recorded.", "[role=status]")
        self.assertIs(self.level("hard-cheese", "animal_rennet"), Level.CONTAINS)
        self.accessible()
        self.no_complaints()


class OneJarAfterAnother(LarderPages):
    @thorough
    def test_no_jar_is_skipped_after_one_is_recorded(self) -> None:
        self.open("/unchecked")
        links = "[...document.querySelectorAll('[data-held] a.font-name[href^=\"/larder\"]')]"
        jars = [*dict.fromkeys(self.script(f"return {links}.map((link) => link.innerText)"))]
        self.open("/next-jar", "section[aria-label=Product]")
        self.writes()
        name = "return document.querySelector('section[aria-label=Product] input')?.value ?? ''"
        for number, jar in enumerate(jars[:3]):
            WebDriverWait(self.browser, WAIT, 0.05).until(
                lambda _, jar=jar: self.script(name) == jar, f"{jar} was skipped"
            )
            self.see("textarea").send_keys(f"Words {number}")
            self.click("button:not(:disabled)", "Record")
        self.no_complaints()

    @thorough
    def test_a_half_written_jar_is_there_when_one_comes_back(self) -> None:
        self.open("/larder/stock-powder", "textarea")
        self.see("textarea").send_keys("Salt, celery seed")
        self.shows("Changes", "[data-impact]")
        self.open("/larder/butter", "textarea")
        self.assertEqual(self.see("textarea").get_attribute("value"), "")
        self.open("/larder/stock-powder", "[data-recovered]")
        self.assertEqual(self.see("textarea").get_attribute("value"), "Salt, celery seed")
        self.accessible()
        self.click("[data-recovered] button", "Begin anew")
        self.gone("[data-recovered]")
        self.assertEqual(self.see("textarea").get_attribute("value"), "")
        self.no_complaints()


class TheUncheckedList(LarderPages):
    def test_a_guests_need_comes_first_and_settling_shows_what_it_frees(self) -> None:
        self.open("/unchecked")
        first = self.see("main ol li")
        self.assertIn("Stock powder", first.text)
        self.assertIn("Do not serve until checked", first.text)
        self.assertNotIn("plain", first.text)
        self.no_complaints()

    @thorough
    def test_what_is_one_food_is_marked_plain_and_says_what_that_records(self) -> None:
        plate = Preparation("plate", "Plate", "dish", lines=(Line("walnuts", 50, "g", "body"),))
        new = Change((Product("walnuts", "Walnuts"),), (plate,))
        self.served.ledger.record(new, dict.fromkeys(new.ids))
        self.open("/unchecked")
        self.click("[data-held=walnuts] button", "Mark it plain")
        self.shows("This records walnut: contains, everything else free.", "[role=dialog]")
        self.shows("Say who you are", "[role=dialog]")
        self.click("[role=dialog] button", "Say who you are")
        self.click("[role=dialog] button", "NB")
        self.shows("Recorded as NB", "[data-writer]")
        self.accessible()
        self.click("[role=dialog] button", "Record")
        self.shows("Recorded.", "[role=status]")
        self.gone("[data-held=walnuts]")
        self.assertEqual(self.level("plate", "walnut"), Level.CONTAINS)
        self.assertEqual(self.level("plate", "milk"), Level.FREE)
        self.no_complaints()

    def test_nothing_makes_a_walnut_free_of_walnut(self) -> None:
        self.served.ledger.record(Change((Product("walnuts", "Walnuts"),)), {"walnuts": None})
        self.open("/larder/walnuts", "textarea")
        self.writes()
        self.click("label", "Free: somebody read the whole label")
        self.shows("choose the source")
        Select(self.named("select", "Source")).select_by_value("own_knowledge")
        self.shows("Walnuts cannot be free of walnut: its name says that it is walnut.")
        self.assertFalse(self.see("button", "Record").is_enabled())
        self.no_complaints()

    @thorough
    def test_a_guest_is_added_and_answered(self) -> None:
        self.open("/unchecked")
        self.see("aside input").send_keys("Bar, seat two")
        Select(self.see("aside select")).select_by_value("clear:sesame")
        self.click("aside button", "Add the guest")
        self.shows("Bar, seat two waits for it.", "[data-held=day-old-bread]")
        self.click("[aria-label='Bar, seat two is answered']")
        self.gone("[aria-label='Bar, seat two is answered']")
        self.assertEqual(len(self.served.ledger.now.reading.book.needs), 3)

    @thorough
    def test_the_history_takes_a_change_back(self) -> None:
        book = self.served.ledger.now.reading.book
        self.served.ledger.record(stating(book, "butter", "soy", Level.CONTAINS), {"butter": 1})
        self.open("/history")
        self.shows("soy contains (was free)")
        self.accessible()
        self.click("button", "Take back")
        self.shows("This lowers flags", "[role=dialog]")
        self.assertFalse(self.see("[role=dialog] button", "Take it back").is_enabled())
        self.accessible()
        self.click("[role=dialog] button", "Say who you are")
        self.click("[role=dialog] button", "NB")
        self.named("[role=dialog] input", "Why").send_keys("wrong box")
        self.click("[role=dialog] button", "Take it back")
        self.shows("Taken back. Changes", "[role=status]")
        self.assertEqual(self.level("butter", "soy"), Level.FREE)
        self.no_complaints()
