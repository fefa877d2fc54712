"""The grid, what a guest can have, and the six places: what everybody looks for first."""

from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.select import Select

from tests.browser.harness import BrowserTest
from tests.effort import thorough
from yellow_ladle.core.vocabulary.regimes import regimes


class Places(BrowserTest):
    @thorough
    def test_six_places_by_keys_and_taps_and_old_addresses_still_lead_there(self) -> None:
        self.open("/", "[data-strip]")
        self.script("document.activeElement.blur()")
        for key, place, heading in (
            ("5", "Today", "Today"),
            ("6", "Guests", "Guests"),
            ("3", "Larder", "Larder"),
        ):
            self.press(key)
            self.see("h1", heading)
            self.assertEqual(self.text("nav [aria-current=page]").split()[-1], place)
        for address, place in (("/tools", "Today"), ("/menu", "Guests"), ("/rules", "Swaps")):
            self.open(address)
            self.assertEqual(self.text("nav [aria-current=page]").split()[-1], place)
        self.named("header button", "The kitchen's settings: Skerrow Light").click()
        self.shows("The kitchen", "[role=dialog]")
        self.no_complaints()


class HalfWritten(BrowserTest):
    """What somebody has typed is there again after they were called away."""

    def again(self, place: str, box: str, words: str) -> None:
        self.open(place)
        self.named("input", box).send_keys(words)
        self.open("/", "[data-strip]")
        self.open(place)
        self.assertEqual(self.named("input", box).get_attribute("value"), words)

    @thorough
    def test_a_need_and_a_maker(self) -> None:
        self.again("/guests", "Guest or table", "Table 12")
        self.open("/larder/butter", "textarea")
        self.click("[role=tab], button", "Makers")
        self.named("input", "Name of the maker").send_keys("Gull & Sons")
        self.open("/larder/butter", "textarea")
        self.click("[role=tab], button", "Makers")
        maker = self.named("input", "Name of the maker")
        self.assertEqual(maker.get_attribute("value"), "Gull & Sons")

    @thorough
    def test_the_settings_and_a_flag_of_our_own(self) -> None:
        self.open("/", "[data-strip]")
        settings = "The kitchen's settings: Skerrow Light"
        self.named("header button", settings).click()
        self.see("[role=dialog] input")
        self.assertTrue(self.script("return !!document.activeElement.closest('[role=dialog]')"))
        self.see("[role=dialog] input").send_keys(" and Lamp")
        self.press(Keys.ESCAPE)
        self.gone("[role=dialog]")
        self.named("header button", settings).click()
        self.see("[data-recovered]")
        name = self.see("[role=dialog] input").get_attribute("value")
        self.assertEqual(name, "Skerrow Light and Lamp")
        self.click("[data-recovered] button", "Begin anew")
        self.named("[role=dialog] input", "A new flag").send_keys("Nut board")
        self.shows("goods will be not checked for it", "[data-reach]")
        self.accessible()
        self.click("[data-house-flags] button", "Add")
        self.see("[aria-label='Name of the flag Nut board']")
        reading = self.served.ledger.now.reading
        self.assertEqual(reading.level("butter", "nut_board").word, "unchecked")
        self.no_complaints()


class TheGrid(BrowserTest):
    def test_plates_against_the_groups_and_on_a_phone_by_plate(self) -> None:
        self.open("/", "[data-strip]")
        self.click("a", "Grid")
        self.see("[data-grid] tbody tr")
        heads = [th.text for th in self.browser.find_elements(By.CSS_SELECTOR, "thead th")]
        groups = [group.name for group in regimes()["eu-14"].groups]
        self.assertEqual(heads[1:], groups)
        reading = self.served.ledger.now.reading
        dishes = [p for p in reading.book.preparations.values() if p.kind == "dish"]
        rows = self.browser.find_elements(By.CSS_SELECTOR, "[data-grid] tbody tr")
        self.assertEqual(len(rows), len(dishes))
        for made in dishes:
            declared = reading.declaration(made.id)
            told = self.see("[data-grid] tr", made.name).text
            self.assertEqual(told.count("contains"), len(declared.contains), made.name)
            self.assertEqual(told.count("not checked"), len(declared.unchecked), made.name)
        self.accessible()
        self.see("main input").send_keys("broth")
        self.click("label", "every pot")
        self.shows("Barley broth", "[data-grid]")
        size = {"width": 390, "height": 844, "deviceScaleFactor": 1, "mobile": False}
        self.browser.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", size)
        self.shows("contains:", "ul[data-grid]")
        self.accessible()
        self.click("[data-grid] a", "Barley broth")
        self.see("h1", "Barley broth")
        self.no_complaints()


class AGuest(BrowserTest):
    def test_what_can_this_guest_have_in_two_taps(self) -> None:
        self.open("/", "[data-strip]")
        self.click("a", "What can a guest have?")
        box = self.see("#add-goal")
        box.send_keys("lactose")
        self.see("[role=option][data-highlighted]", "dairy-free")
        box.send_keys(Keys.ENTER)
        self.shows("Barley broth", "[data-serving=as_it_is]")
        self.shows("Hen and leek pie", "[data-serving=swap]")
        self.shows("instead of", "[data-serving=swap]")
        self.accessible()
        self.assertIn("fit=dairy_free", self.browser.current_url)
        reading = self.served.ledger.now.reading
        shown = self.browser.find_elements(By.CSS_SELECTOR, "[data-serving=as_it_is] a")
        for link in shown:
            id = link.get_attribute("href").rpartition("/")[2]
            self.assertEqual(reading.verdict(id, "dairy_free"), "suits")
        Select(self.named("select", "As")).select_by_value("taste")
        self.click("[data-serving=swap] a", "Hen and leek pie")
        self.see("[data-plans] table")
        self.assertIn("fit=dairy_free", self.browser.current_url)
        self.no_complaints()

    @thorough
    def test_the_find_box_knows_what_guests_say(self) -> None:
        self.open("/", "[data-strip]")
        for said, name in (("coeliac", "gluten-free"), ("nuts", "nut-free")):
            self.see("#find").click()
            self.see("#find[data-combobox-input]").send_keys(said)
            self.see("[role=option]", name).click()
            self.see("h1", "What can this guest have?")
            self.see(f"[aria-label='Drop the goal {name.replace('-', ' ')}']")
            self.open("/", "[data-strip]")
        self.no_complaints()
