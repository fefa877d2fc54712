"""The application in a real browser, on a demo kitchen that is thrown away."""

import json
import os
import shutil
import tempfile
import threading
import time
import unittest
from pathlib import Path
from typing import Any

import uvicorn
from selenium import webdriver
from selenium.webdriver.chrome.service import Service
from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.remote.webelement import WebElement
from selenium.webdriver.support.wait import WebDriverWait

from tests.filled import filled
from yellow_ladle.api.app import create_app
from yellow_ladle.core.book import Book
from yellow_ladle.demo.kitchen import demo_book, demo_feed
from yellow_ladle.files.book_file import write_book

ROOT = Path(__file__).resolve().parents[2]
FAILURES = ROOT / "test-failures"
AXE = (ROOT / "web/node_modules/axe-core/axe.min.js").read_text("utf-8")
WAIT = 40
"""Seconds after which something is taken not to come; a busy machine needs more than a moment."""
OPTIONS = (
    "--headless=new",
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--disable-dev-shm-usage",
    "--force-prefers-reduced-motion",
)


def start_browser(folder: str) -> webdriver.Chrome:
    """Headless Chromium from Debian's packages, 1280 by 800, without any network of its own."""
    os.environ |= {"SE_OFFLINE": "true", "SE_AVOID_STATS": "true"}
    options = webdriver.ChromeOptions()
    options.binary_location = shutil.which("chromium") or ""
    for option in (*OPTIONS, "--window-size=1280,800", f"--user-data-dir={folder}"):
        options.add_argument(option)
    options.set_capability("goog:loggingPrefs", {"browser": "ALL"})
    driver = webdriver.Chrome(options=options, service=Service(shutil.which("chromedriver")))
    size = {"width": 1280, "height": 800, "deviceScaleFactor": 1, "mobile": False}
    driver.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", size)
    return driver


class Served:
    """The application in a thread, on a port of its own."""

    def __init__(self, book: Book, path: Path) -> None:
        self.ledger = filled(write_book(book), path)
        self.feed = demo_feed()
        app = create_app(self.ledger, feed=self.feed.address)
        config = uvicorn.Config(app, port=0, log_level="error")
        self._server = uvicorn.Server(config)
        self._thread = threading.Thread(target=self._server.run, daemon=True)
        self._thread.start()
        while not self._server.started:
            time.sleep(0.02)
        port = self._server.servers[0].sockets[0].getsockname()[1]
        self.address = f"http://127.0.0.1:{port}"

    def stop(self) -> None:
        self._server.should_exit = True
        self._thread.join(10)
        self.feed.stop()
        self.ledger.close()


class BrowserTest(unittest.TestCase):
    """Each class has one browser, each test a fresh kitchen. A failure leaves what was seen."""

    book = staticmethod(demo_book)

    @classmethod
    def setUpClass(cls) -> None:
        profile = tempfile.TemporaryDirectory(ignore_cleanup_errors=True)
        cls.addClassCleanup(profile.cleanup)
        cls.browser = start_browser(profile.name)
        cls.addClassCleanup(cls.browser.quit)

    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.served = self.serve(Path(folder.name) / "kitchen.sqlite")
        self.addCleanup(self.served.stop)
        self.addCleanup(self.keep_what_was_seen)
        self.browser.get_log("browser")

    def serve(self, path: Path) -> Any:
        """What answers at `address`, over a file at the path, until it is stopped."""
        return Served(self.book(), path)

    def keep_what_was_seen(self) -> None:
        result = self._outcome.result  # type: ignore[attr-defined]
        if any(test is self for test, _ in (*result.errors, *result.failures)):
            FAILURES.mkdir(exist_ok=True)
            name = self.id().rpartition("tests.browser.")[2]
            self.browser.save_screenshot(str(FAILURES / f"{name}.png"))
            log = json.dumps(self.browser.get_log("browser"), indent=1)
            (FAILURES / f"{name}.console.json").write_text(log)

    def open(self, path: str, ready: str = "h1") -> None:
        """Goes to a place and waits until something stands there."""
        self.browser.get(self.served.address + path)
        self.see(ready)

    def see(self, selector: str, text: str = "") -> WebElement:
        """Waits for an element, holding a text where one is given."""

        def found(browser: webdriver.Chrome) -> WebElement | None:
            for element in browser.find_elements(By.CSS_SELECTOR, selector):
                if element.is_displayed() and text in (element.text or element.accessible_name):
                    return element
            return None

        message = f"nothing like {selector} with {text!r}"
        shown: WebElement = WebDriverWait(
            self.browser, WAIT, 0.05, ignored_exceptions=[Exception]
        ).until(found, message)
        return shown

    def press(self, *keys: str) -> None:
        """Types into whatever has the focus."""
        ActionChains(self.browser).send_keys(*keys).perform()

    def choose(self, box: str, words: str, name: str) -> None:
        """Picks something from a list by typing a part of its name."""
        field = self.see(box)
        field.send_keys(Keys.CONTROL, "a")
        field.send_keys(words)
        self.see("[role=option][data-highlighted]", name)
        field.send_keys(Keys.ENTER)
        self.gone("[role=option]")

    def click(self, selector: str, text: str = "") -> None:
        self.see(selector, text).click()

    def shows(self, text: str, within: str = "body") -> None:
        """Waits until a text is to be read."""

        def read(browser: webdriver.Chrome) -> bool:
            found = browser.find_element(By.CSS_SELECTOR, within).text
            return text in " ".join(found.split())

        WebDriverWait(self.browser, WAIT, 0.05, ignored_exceptions=[Exception]).until(
            read, f"{text!r} is not to be read in {within}"
        )

    def gone(self, selector: str) -> None:
        """Waits until nothing like it is there."""
        WebDriverWait(self.browser, WAIT, 0.05).until_not(
            lambda browser: browser.find_elements(By.CSS_SELECTOR, selector)
        )

    def text(self, selector: str) -> str:
        return str(self.see(selector).text)

    def script(self, code: str, *rest: Any) -> Any:
        return self.browser.execute_script(code, *rest)

    def no_complaints(self) -> None:
        """Nothing on the console: no error, and nothing that the content policy refused."""
        told = [entry["message"] for entry in self.browser.get_log("browser")]
        # A refused change answers 4xx, which the browser notes; the screen tells it in words.
        told = [line for line in told if "api/v1" not in line]
        self.assertEqual(told, [])

    def accessible(self) -> None:
        """axe finds nothing serious on the page as it stands."""
        self.script(AXE)
        found = self.browser.execute_async_script(
            "const done = arguments[0]; axe.run().then(r => done(r.violations))"
        )
        serious = [
            f"{rule['id']}: {node['html'][:160]}"
            for rule in found
            if rule["impact"] in ("serious", "critical")
            for node in rule["nodes"]
        ]
        self.assertEqual(serious, [])
