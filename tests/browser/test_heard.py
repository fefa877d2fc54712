"""Open pages hear what others record, and say so when they no longer hear the kitchen."""

import re
import shutil
import subprocess
import sys
import tempfile
import time
import unittest
from itertools import cycle
from pathlib import Path
from typing import Any

from selenium import webdriver
from selenium.webdriver.chrome.service import Service
from selenium.webdriver.support.wait import WebDriverWait

from tests.browser.harness import OPTIONS, ROOT, WAIT, BrowserTest, server
from tests.effort import thorough
from tests.filled import demo_content, filled
from yellow_ladle.core.reading.update import stating
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.store.history import Act
from yellow_ladle.store.ledger import Ledger


def recorded(ledger: Ledger, flag: str, person: str = "NB", level: Level = Level.CONTAINS) -> None:
    """Somebody else records that the butter contains something."""
    change = stating(ledger.now.reading.book, "butter", flag, level)
    ledger.record(change, {"butter": ledger.now.versions["butter"]}, Act(person))


class OneServer(BrowserTest):
    """What somebody else records while a page is open, in the same server."""

    def test_a_pot_shows_it_and_a_line_says_by_whom(self) -> None:
        self.open("/pots/white-roux", "h1")
        self.shows("What it carries")
        self.assertNotIn("Sesame", self.browser.find_element("tag name", "main").text)
        recorded(self.served.ledger, "sesame")
        self.shows("Sesame", "main")
        self.shows("NB: ", "[role=status]")
        self.assertEqual(self.browser.find_elements("css selector", "[data-lost]"), [])
        self.accessible()
        self.no_complaints()

    @thorough
    def test_nothing_that_is_typed_is_lost_and_the_focus_stays(self) -> None:
        self.open("/pots/white-roux/edit", "[data-pot-name]")
        field = self.see("[data-pot-name]")
        field.send_keys(" of our own")
        recorded(self.served.ledger, "sesame")
        self.shows("NB: ", "[role=status]")
        self.assertTrue(field.get_attribute("value").endswith(" of our own"))
        self.assertEqual(self.browser.switch_to.active_element, field)

    @thorough
    def test_two_tabs_share_one_connection_and_both_hear(self) -> None:
        self.open("/pots/white-roux", "h1")
        first = self.browser.current_window_handle
        self.browser.switch_to.new_window("tab")
        self.open("/larder/butter", "h1")
        second = self.browser.current_window_handle
        recorded(self.served.ledger, "sesame")
        self.shows("NB: ", "[role=status]")
        self.assertEqual(server().app.state.broadcast.listening, 1)
        self.browser.switch_to.window(first)
        self.shows("Sesame", "main")
        # The tab that held the connection goes; the other one takes it over.
        self.browser.close()
        self.browser.switch_to.window(second)
        levels = cycle((Level.MAY_CONTAIN, Level.CONTAINS))

        def heard(_browser: webdriver.Chrome) -> bool:
            recorded(self.served.ledger, "sesame", "MK", next(levels))
            time.sleep(1)
            return "MK: " in self.browser.find_element("css selector", "[role=status]").text

        WebDriverWait(self.browser, WAIT, 0.1).until(heard)
        self.assertEqual(server().app.state.broadcast.listening, 1)


class ProcessServed:
    """A server in a process of its own, which can be killed and started again."""

    def __init__(self, path: Path) -> None:
        filled(demo_content(), path).close()
        self.path = path
        self.port = 0
        self.start()

    def start(self) -> None:
        command = [sys.executable, "-m", "yellow_ladle", "serve", "--book", str(self.path)]
        self.process = subprocess.Popen(
            [*command, "--port", str(self.port or 8960)],
            cwd=ROOT,
            stdout=subprocess.PIPE,
            stderr=subprocess.STDOUT,
            text=True,
        )
        assert self.process.stdout is not None
        for line in self.process.stdout:
            if found := re.search(r"http://127\.0\.0\.1:(\d+)", line):
                self.port = int(found[1])
                self.address = found[0]
                return
        raise AssertionError("the server ended before it answered")

    def stop(self) -> None:
        self.process.kill()
        self.process.wait(WAIT)
        if self.process.stdout is not None:
            self.process.stdout.close()


class TwoBrowsers(BrowserTest):
    """Two browsers on one kitchen, whose server goes and comes back."""

    served: Any

    def serve(self, path: Path) -> Any:
        return ProcessServed(path)

    def another_browser(self) -> webdriver.Chrome:
        folder = tempfile.TemporaryDirectory(ignore_cleanup_errors=True)
        self.addCleanup(folder.cleanup)
        options = webdriver.ChromeOptions()
        options.binary_location = shutil.which("chromium") or ""
        for option in (*OPTIONS, "--window-size=1280,800", f"--user-data-dir={folder.name}"):
            options.add_argument(option)
        service = Service(shutil.which("chromedriver"))
        driver = webdriver.Chrome(options=options, service=service)
        self.addCleanup(driver.quit)
        return driver

    def text_of(self, browser: webdriver.Chrome, words: str) -> None:
        WebDriverWait(browser, WAIT, 0.1, ignored_exceptions=[Exception]).until(
            lambda shown: words in shown.find_element("tag name", "body").text
        )

    def test_one_records_and_the_other_shows_it(self) -> None:
        other = self.another_browser()
        other.get(f"{self.served.address}/pots/white-roux")
        self.text_of(other, "What it carries")
        self.open("/larder/butter", "[aria-label='Sesame: contains']")
        self.click("[aria-label='Sesame: contains']")
        self.shows("Changes ", "[data-impact]")
        self.click("button", "Record")
        self.shows("Recorded.", "[role=status]")
        self.text_of(other, "Sesame")

    @thorough
    def test_a_page_says_that_it_hears_nothing_and_catches_up(self) -> None:
        self.open("/pots/white-roux", "h1")
        self.shows("What it carries")
        self.served.stop()
        self.shows("Not heard from the kitchen since", "[data-lost]")
        self.accessible()
        ledger = Ledger.open(self.served.path)
        recorded(ledger, "sesame")
        ledger.close()
        self.served.start()
        self.shows("Sesame", "main")
        self.gone("[data-lost]")


if __name__ == "__main__":
    unittest.main()
