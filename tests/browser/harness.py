"""The application in a real browser, on a demo kitchen that is thrown away."""

import atexit
import json
import os
import shutil
import tempfile
import threading
import time
import unittest
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from functools import cache
from pathlib import Path
from typing import Any

import uvicorn
from fastapi import FastAPI
from selenium import webdriver
from selenium.webdriver.chrome.service import Service
from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.remote.webelement import WebElement
from selenium.webdriver.support.wait import WebDriverWait

from tests.filled import demo_content, filled
from yellow_ladle.api.app import create_app
from yellow_ladle.api.open_kitchen import open_kitchen
from yellow_ladle.core.book.book import Book
from yellow_ladle.demo.kitchen import demo_book, demo_feed
from yellow_ladle.devices.supplier_feed import SupplierFeed
from yellow_ladle.files.book.book_file import write_book

ROOT = Path(__file__).resolve().parents[2]
FAILURES = ROOT / "test-failures"
AXE = (ROOT / "web/node_modules/axe-core/axe.min.js").read_text("utf-8")
WAIT = 40
"""Seconds after which something is taken not to come; a busy machine needs more than a moment."""
LISTED = "[data-combobox-input]"
"""What tells a box whose list is there."""
NAME = """
const plain = (text) => (text ?? '').replace(/\\s+/g, '');
const ofLabel = (label) => {
  const copy = label.cloneNode(true);
  copy.querySelectorAll('input, select, textarea, button').forEach((field) => field.remove());
  return plain(copy.textContent);
};
const name = (element) =>
  plain(element.ariaLabel) ||
  plain((element.getAttribute('aria-labelledby') ?? '').split(' ')
    .map((id) => document.getElementById(id)?.innerText ?? '').join('')) ||
  [...(element.labels ?? [])].map(ofLabel).join('') || plain(element.title || element.alt);
const wanted = plain(arguments[1]);
"""
"""An element's name without its spaces. The browser's own computing of names takes milliseconds an
element, as it brings the whole page's tree up to date for each."""
CANDIDATES = (
    NAME
    + """
return [...document.querySelectorAll(arguments[0])].filter((element) => {
  const text = plain(element.innerText);
  return text.includes(wanted) || (!text && name(element).includes(wanted));
});
"""
)
"""The elements that may hold a text, found in one go: hundreds of buttons asked one by one take
seconds. An element that shows no text goes by its name."""
NAMED = (
    NAME
    + """
return [...document.querySelectorAll(arguments[0])].find((element) => name(element) === wanted);
"""
)
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


@cache
def chromium() -> webdriver.Chrome:
    """Headless Chromium from Debian's packages, without any network of its own; one a process."""
    os.environ |= {"SE_OFFLINE": "true", "SE_AVOID_STATS": "true"}
    folder = tempfile.TemporaryDirectory(ignore_cleanup_errors=True)
    options = webdriver.ChromeOptions()
    options.binary_location = shutil.which("chromium") or ""
    for option in (*OPTIONS, "--window-size=1280,800", f"--user-data-dir={folder.name}"):
        options.add_argument(option)
    options.set_capability("goog:loggingPrefs", {"browser": "ALL"})
    driver = webdriver.Chrome(options=options, service=Service(shutil.which("chromedriver")))
    atexit.register(folder.cleanup)
    atexit.register(driver.quit)
    return driver


def new_tab(browser: webdriver.Chrome) -> None:
    """An empty tab of 1280 by 800 in the place of the present one, with no page of it running on.

    What a tab keeps for a session is gone with it.
    """
    old = browser.current_window_handle
    browser.switch_to.new_window("tab")
    new = browser.current_window_handle
    browser.switch_to.window(old)
    browser.close()
    browser.switch_to.window(new)
    size = {"width": 1280, "height": 800, "deviceScaleFactor": 1, "mobile": False}
    browser.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", size)


@dataclass(frozen=True)
class Server:
    """The application in a thread, on a port of its own, over one kitchen after the other."""

    app: FastAPI
    feed: SupplierFeed
    address: str


@cache
def server() -> Server:
    """The one server of this process; it ends with it."""
    feed = demo_feed()
    app = create_app(None, feed=feed.address)
    running = uvicorn.Server(uvicorn.Config(app, port=0, log_level="error"))
    threading.Thread(target=running.run, daemon=True).start()
    while not running.started:
        time.sleep(0.02)
    port = running.servers[0].sockets[0].getsockname()[1]
    return Server(app, feed, f"http://127.0.0.1:{port}")


class Served:
    """A kitchen in a file of its own, behind the server."""

    def __init__(self, book: Book, path: Path) -> None:
        content = demo_content() if book == demo_book() else write_book(book)
        self.ledger = filled(content, path)
        self.address = server().address
        self.feed = server().feed
        self.feed.reset()
        open_kitchen(server().app, self.ledger)

    def stop(self) -> None:
        self.ledger.close()


class BrowserTest(unittest.TestCase):
    """Each test has a fresh kitchen and a fresh tab. A failure leaves what was seen."""

    book = staticmethod(demo_book)

    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.browser = chromium()
        self.served = self.serve(Path(folder.name) / "kitchen.sqlite")
        self.addCleanup(self.served.stop)
        self.addCleanup(self.forget)
        self.addCleanup(self.keep_what_was_seen)
        self.browser.get_log("browser")

    def forget(self) -> None:
        """Ends the page and clears what it kept in the browser, before its kitchen is closed."""
        new_tab(self.browser)
        self.browser.execute_cdp_cmd(
            "Storage.clearDataForOrigin", {"origin": self.served.address, "storageTypes": "all"}
        )

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
            for element in browser.execute_script(CANDIDATES, selector, text):
                if element.is_displayed() and text in (element.text or element.accessible_name):
                    return element
            return None

        message = f"nothing like {selector} with {text!r}"
        shown: WebElement = WebDriverWait(
            self.browser, WAIT, 0.05, ignored_exceptions=[Exception]
        ).until(found, message)
        return shown

    def named(self, selector: str, name: str) -> WebElement:
        """The first element with just this accessible name."""
        found: WebElement = self.script(NAMED, selector, name)
        return found

    def press(self, *keys: str) -> None:
        """Types into whatever has the focus."""
        ActionChains(self.browser).send_keys(*keys).perform()

    @contextmanager
    def slow(self, ms: float) -> Iterator[None]:
        """Lets every answer come late by so many milliseconds, and none out of the cache."""
        late = {"offline": False, "latency": ms, "downloadThroughput": -1, "uploadThroughput": -1}
        tell = self.browser.execute_cdp_cmd
        tell("Network.enable", {})
        tell("Network.setCacheDisabled", {"cacheDisabled": True})
        tell("Network.emulateNetworkConditions", late)
        try:
            yield
        finally:
            tell("Network.emulateNetworkConditions", {**late, "latency": 0})
            tell("Network.setCacheDisabled", {"cacheDisabled": False})

    def choose(self, box: str, words: str, name: str) -> None:
        """Picks something from a list by typing a part of its name."""
        # The list of a box may come only when the box is entered, with a box of its own.
        self.see(box).click()
        self.see(f"{box}{LISTED}").send_keys(Keys.CONTROL, "a")
        field = self.see(box)
        field.send_keys(words)
        self.see("[role=option][data-highlighted]", name)
        field.send_keys(Keys.ENTER)
        self.gone("[role=option]")

    def writes(self, initials: str = "NB") -> None:
        """Says at the top of the page who is writing."""
        self.click("[data-writing]")
        self.click("[role=dialog] button", initials)
        self.gone("[role=dialog]")
        self.see(f"[data-writing][aria-label='Writing: {initials}']")

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
            "const done = arguments[0];"
            "axe.run({resultTypes: ['violations']}).then(r => done(r.violations))"
        )
        serious = [
            f"{rule['id']}: {node['html'][:160]}"
            for rule in found
            if rule["impact"] in ("serious", "critical")
            for node in rule["nodes"]
        ]
        self.assertEqual(serious, [])
