"""The shelf: freezing and thawing, a stock-take on a phone, throwing away."""

from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from tests.browser.harness import BrowserTest


class ShelfTest(BrowserTest):
    def made(self, pot: str, name: str) -> None:
        self.open("/today", "[data-pots]")
        self.click(f"[data-pot={pot}] button", "Made it")
        self.shows(f"{name} is recorded.", "[data-made]")

    def test_a_stock_is_frozen_thawed_and_never_frozen_again(self) -> None:
        self.made("white-roux", "White roux")
        self.open("/shelf", "[data-thing]")
        self.shows("contains wheat, milk", "[data-thing]")
        self.click("[data-thing] button", "move, throw away")
        self.accessible()
        self.named("input", "Where to").send_keys("chest")
        self.named("input", "Until").send_keys("02012099")
        self.click("[data-acts] button", "Freeze it")
        self.shows("frozen, chest", "[data-thing]")
        self.click("[data-thing] button", "move, throw away")
        self.click("[data-acts] button", "Thaw it")
        self.shows("thawed, chest", "[data-thing]")
        self.click("[data-thing] button", "move, throw away")
        self.click("[data-acts] button", "Freeze it")
        self.shows("it is never frozen again", "[data-acts]")
        self.click("[data-acts] button", "Throw it away")
        self.shows("Nothing was recorded yet", "[data-shelf]")
        self.no_complaints()

    def test_a_delivery_of_another_maker_stands_there_not_checked(self) -> None:
        self.open("/shelf", "[data-shelf]")
        self.click("button", "A delivery came")
        self.choose("#delivered", "plain flour", "plain flour")
        self.see("[data-delivery] select option", "another maker")
        Select(self.named("select", "Whose")).select_by_value("?")
        self.shows("it reads as not checked", "[data-delivery]")
        self.named("input", "Lot").send_keys("A113")
        self.named("input", "How much came").send_keys("25 kg", Keys.TAB)
        self.named("input", "It came at °C").send_keys("12.5")
        self.accessible()
        self.click("[data-delivery] button", "Record the delivery")
        self.shows("lot A113", "[data-thing]")
        self.shows("25 kg", "[data-thing]")
        self.shows("flags not checked", "[data-thing]")
        self.no_complaints()

    def test_a_stock_take_on_a_phone_goes_from_number_to_number(self) -> None:
        self.made("white-roux", "White roux")
        self.made("brown-roux", "Brown roux")
        size = {"width": 390, "height": 844, "deviceScaleFactor": 1, "mobile": False}
        self.browser.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", size)
        self.addCleanup(self.browser.execute_cdp_cmd, "Emulation.clearDeviceMetricsOverride", {})
        self.open("/shelf", "[data-thing]")
        self.click("button", "Count")
        first, second = self.browser.find_elements("css selector", "[data-thing] input")
        first.send_keys("120", Keys.ENTER)
        focused = self.browser.switch_to.active_element
        self.assertEqual(focused.get_attribute("id"), second.get_attribute("id"))
        self.shows("120 g counted", "[data-shelf]")
        focused.send_keys("80", Keys.ENTER)
        self.shows("80 g counted", "[data-shelf]")
        self.accessible()
        counts = self.served.ledger.daybook.now.daybook.counts
        self.assertEqual(sorted(count.quantity for count in counts), [80, 120])
        self.no_complaints()


if __name__ == "__main__":
    import unittest

    unittest.main()
