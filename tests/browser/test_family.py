"""The family board: marks, pours, keys, and its speed with many pots."""

import time
from dataclasses import replace

from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.select import Select

from tests.browser.harness import LISTED, BrowserTest
from tests.effort import thorough
from yellow_ladle.core.book.book import Book, Preparation, owner_of
from yellow_ladle.demo.kitchen import demo_book

SLOW_MS = 500
"""How late answers come while a box is typed in whose list is not there yet."""


class DependencyGraph(BrowserTest):
    def ask(self, name: str) -> None:
        self.choose("#ask", name, name)
        self.see("button[aria-label='Show nothing in particular']")

    def test_a_flag_is_shown_in_every_pot(self) -> None:
        self.open("/", "[data-strip=veloute]")
        self.ask("Wheat")
        strips = self.served.ledger.now.reading
        levels = [strips.level(id, "wheat").word for id in strips.book.preparations]
        words = {"contains": "contain", "may_contain": "may contain", "unchecked": "not checked"}
        for level, word in words.items():
            self.shows(f"{levels.count(level)} {word}", "ul[aria-label='How many pots']")
        mark = self.see("[data-strip=veloute] svg[role=img]")
        self.assertEqual(mark.get_attribute("aria-label"), "contains")
        mark = self.see("[data-strip=garden-stock] svg[role=img]")
        self.assertEqual(mark.get_attribute("aria-label"), "free")
        self.accessible()
        self.no_complaints()

    @thorough
    def test_a_diet_is_shown_in_words(self) -> None:
        self.open("/", "[data-strip=veloute]")
        self.ask("vegetarian")
        self.assertIn("does not suit", self.text("[data-strip=hen-stock]"))
        self.assertIn("suits", self.text("[data-strip=garden-stock]"))
        self.accessible()

    def test_a_strip_lights_its_pour_and_tells_its_ways(self) -> None:
        self.open("/", "[data-strip=leek-cider-sauce]")
        self.click("[data-strip=leek-cider-sauce]")
        self.shows("Gannet Mill plain flour → White roux → Velouté → here", "aside")
        self.shows("Does not suit gluten-free", "aside")
        self.shows("From your records only.", "aside")
        strokes = self.script("return document.querySelectorAll('svg path[pathLength]').length")
        self.assertEqual(strokes, 4)
        self.accessible()
        self.no_complaints()

    def test_the_keyboard_alone_leads_along_the_pour_and_into_the_pot(self) -> None:
        self.open("/", "[data-strip=veloute]")
        self.script("document.querySelector('[data-strip=veloute]').focus()")
        self.press(Keys.SPACE)
        self.shows("Velouté", "aside h2")
        self.press(Keys.ARROW_RIGHT)
        self.shows("Leek and cider sauce", "aside h2")
        self.press(Keys.ARROW_DOWN)
        self.shows("Mushroom cream", "aside h2")
        self.press(Keys.ARROW_LEFT)
        self.shows("Velouté", "aside h2")
        self.press(Keys.ENTER)
        self.shows("What goes in")
        self.press("1")
        self.see("[data-strip=veloute][aria-pressed=true]")
        self.press("w")
        self.see("#add-goal")
        self.press("3")
        self.see("h1#larder")
        self.press("?")
        self.see("[role=dialog]", "Keys")
        self.press(Keys.ESCAPE)
        self.gone("[role=dialog]")
        self.press("/")
        self.see("#find:focus")
        self.press("pickled")
        self.see("[role=option][data-highlighted]", "Pickled samphire")
        self.press(Keys.ENTER)
        self.see("h1", "Pickled samphire")
        self.no_complaints()

    @thorough
    def test_what_is_typed_before_a_list_is_there_is_kept(self) -> None:
        with self.slow(SLOW_MS):
            self.open("/", "[data-strip=veloute]")
            for box, first, rest, name in (
                ("#find", "pick", "led s", "Pickled samphire"),
                ("#ask", "mi", "lk", "Milk"),
            ):
                self.see(box).click()
                self.press(first)
                self.assertFalse(self.browser.find_elements(By.CSS_SELECTOR, f"{box}{LISTED}"))
                self.see(f"{box}{LISTED}:focus")
                self.press(rest)
                self.see("[role=option]", name)
                value = self.script("return document.querySelector(arguments[0]).value", box)
                self.assertEqual(value, first + rest)
                self.press(Keys.ESCAPE)
        self.no_complaints()

    def test_what_a_scanner_types_is_no_shortcut(self) -> None:
        self.open("/", "[data-strip=veloute]")
        self.press("3w3")
        time.sleep(0.2)
        self.assertEqual(self.script("return location.pathname"), "/")
        self.click("nav button", "Keys")
        self.shows("Single keys act on this device", "[role=dialog]")
        self.accessible()
        self.click("[role=dialog] label", "Single keys act")
        self.press(Keys.ESCAPE)
        self.gone("[role=dialog]")
        self.press("3")
        time.sleep(0.2)
        self.assertEqual(self.script("return location.pathname"), "/")
        self.open("/", "[data-strip=veloute]")
        self.click("nav button", "Keys")
        self.click("[role=dialog] label", "Single keys act")
        self.press(Keys.ESCAPE)
        self.gone("[role=dialog]")
        self.press("3")
        self.see("h1#larder")

    @thorough
    def test_a_pot_is_recorded_by_its_flags_alone(self) -> None:
        self.open("/", "[data-strip=veloute]")
        self.click("button", "Record a pot")
        self.see("[data-pot-name]").send_keys("Smoked bone stock")
        self.shows("Changes 1 pot: Smoked bone stock.", "aside")
        self.click("[role=tab]", "By its flags")
        self.click("[aria-label='Beef: contains']")
        self.accessible()
        self.click("aside button", "Record")
        self.shows("Recorded.", "[role=status]")
        self.see("h1", "Smoked bone stock")
        made = self.served.ledger.now.reading
        self.assertEqual(made.level("smoked-bone-stock", "beef").word, "contains")
        self.assertEqual(made.level("smoked-bone-stock", "egg").word, "unchecked")
        self.no_complaints()

    def test_the_kitchen_picks_its_regime(self) -> None:
        self.open("/pots/hen-stock")
        self.shows("To declare, EU 14 Celery", "[data-by=flag]")
        self.click("header button", "declares by EU 14")
        Select(self.see("[role=dialog] select")).select_by_visible_text("US 9")
        self.accessible()
        self.click("[role=dialog] button", "Record")
        self.shows("declares by US 9", "header")
        self.shows("To declare, US 9 Nothing.", "[data-by=flag]")

    @thorough
    def test_the_dark_ground_keeps_its_contrast(self) -> None:
        self.open("/", "[data-strip=veloute]")
        self.click("button[aria-label='Dark colours for the night pass']")
        self.click("[data-strip=veloute]")
        self.shows("Velouté", "aside h2")
        self.accessible()
        self.click("button[aria-label='Day colours']")


def enlarged() -> Book:
    """The demo book six times over, each copy a family of its own: 300 pots."""
    book = demo_book()
    made: dict[str, Preparation] = {}
    for copy in range(6):
        end = f"-{copy}" if copy else ""
        for preparation in book.preparations.values():
            lines = tuple(
                replace(line, item=line.item.replace(owner, owner + end, 1))
                if (owner := owner_of(line.item)) in book.preparations
                else line
                for line in preparation.lines
            )
            name = f"{preparation.name} {copy + 1}" if copy else preparation.name
            id = preparation.id + end
            made[id] = replace(preparation, id=id, name=name, lines=lines)
    return replace(book, preparations=made)


class LargeFamily(BrowserTest):
    book = staticmethod(enlarged)

    @thorough
    def test_three_hundred_pots_answer_a_choice(self) -> None:
        self.open("/", "[data-strip=veloute-5]")
        self.assertEqual(len(self.served.ledger.now.reading.book.preparations), 300)
        pots = ("veloute", "milk-sauce", "white-roux-3", "hen-leek-pie-5")
        strips = [
            self.timed(
                f"[data-strip={pot}]",
                f"document.querySelector('[data-strip={pot}]').ariaPressed === 'true'",
            )
            for pot in pots
        ]
        flags = [self.timed_flag(flag) for flag in ("Milk", "Wheat", "Egg")]
        for what, times in (("a strip", strips), ("a flag", flags)):
            told = ", ".join(f"{time:.0f}" for time in times)
            print(f"\nmeasured: 300 pots: {what} answers in {told} ms, the first one cold")

    def timed_flag(self, flag: str) -> float:
        self.click("[aria-label='List the flags and diets']")
        marks = "document.querySelectorAll('[data-strip] svg[role=img]').length === 300"
        asked = f"document.querySelector('#ask').value === '{flag}'"
        return self.timed(f"[role=option][data-label={flag}]", f"{marks} && {asked}")

    def timed(self, target: str, until: str) -> float:
        """Milliseconds from letting go of a target until what it asks for has been painted."""
        self.see(target)
        self.script(
            f"""
            window.measured = new Promise(done => {{
              window.addEventListener('pointerup', () => {{
                const start = performance.now();
                const look = () => {until}
                  ? setTimeout(() => done(performance.now() - start))
                  : requestAnimationFrame(look);
                requestAnimationFrame(look);
              }}, {{ capture: true, once: true }});
            }});
            """
        )
        self.click(target)
        answer = "const done = arguments[0]; window.measured.then(done)"
        return float(self.browser.execute_async_script(answer))
