"""Every place on a phone, a tablet, a laptop and a wide screen: nothing runs over the side."""

import re

from tests.browser.harness import BrowserTest
from tests.effort import sample, thorough
from yellow_ladle.core.vocabulary.classes import known_classes
from yellow_ladle.core.vocabulary.diets import diets
from yellow_ladle.core.vocabulary.units import units_of

PLACES = (
    *("/", "/pots", "/pots/new", "/pots/hen-leek-pie", "/pots/veloute/edit"),
    "/pots/leek-cider-sauce/edit",
    *("/pots/veloute/scale", "/pots/veloute/thickening", "/pots/veloute/print"),
    "/pots/roast-shell-stock/compare",
    *("/pots/hen-leek-pie/swaps", "/menu", "/applied", "/rules", "/recipes"),
    *("/larder", "/larder/white-wine", "/larder/new", "/next-jar", "/unchecked", "/bags", "/tools"),
    "/questions",
    *("/supplier", "/intake", "/history", "/thickening"),
    *("/today", "/trace?product=butter", "/guests", "/grid", "/can-have", "/can-have?clear=milk"),
)
# Letters twice as large on a tablet are what a phone shows: breakpoints are in rem.
SIZES = ((320, 700), (390, 844), (820, 1180), (1280, 800), (1920, 1080))
SMALL_SIZES = ((390, 844), (412, 915), (320, 640), (844, 390), (640, 400))
"""Phones, one of them lying down, and a laptop with letters twice as large."""
ANSWERED = (
    *PLACES,
    "/pots/hen-leek-pie/swaps?clear=milk&covers=4",
    "/pots/leek-cider-sauce/swaps?clear=wheat&fit=vegan",
)
ROOM = """
// The tallest part that scrolls, or the place itself, less what stays over it at an edge.
const place = document.querySelector('main');
const parts = [place, ...place.querySelectorAll('*')].filter((part) => {
  const { overflowY } = getComputedStyle(part);
  return part === place || overflowY === 'auto' || overflowY === 'scroll';
});
const seen = (part) => {
  const { top, bottom } = part.getBoundingClientRect();
  const over = [...part.querySelectorAll('*')]
    .filter((inner) => getComputedStyle(inner).position === 'sticky')
    .filter((inner) => inner.checkVisibility() && inner.offsetHeight > 0)
    .filter((inner) => inner.getBoundingClientRect().width > innerWidth / 3)
    .reduce((sum, inner) => sum + inner.offsetHeight, 0);
  return Math.min(bottom, innerHeight) - Math.max(top, 0) - over;
};
const scrolls = (part) => ['auto', 'scroll'].includes(getComputedStyle(part).overflowY);
const scrolling = parts.filter((part) => scrolls(part) && part.scrollHeight > 60);
return Math.max(...(scrolling.length > 0 ? scrolling : [place]).map(seen));
"""
OVER = """
// What scrolls within a part of its own, or is there for screen readers only, runs over nothing.
const held = (element) => {
  for (let at = element.parentElement; at; at = at.parentElement) {
    const { overflowX, position, clipPath } = getComputedStyle(at);
    if (clipPath !== 'none') return true;
    if (at.tagName !== 'MAIN' && overflowX === 'auto' && at.scrollWidth > at.clientWidth + 1)
      return at.matches('[tabindex="0"]');
  }
  return false;
};
const wide = [...document.querySelectorAll('body *')].filter((element) => {
  const { right, left, width, height } = element.getBoundingClientRect();
  const { clipPath, position } = getComputedStyle(element);
  if (width <= 1 || height <= 1 || clipPath !== 'none') return false;
  return (right > innerWidth + 1 || left < -1) && !element.closest('[data-pour]') && !held(element);
});
const { scrollWidth, scrollHeight } = document.documentElement;
return [scrollWidth, innerWidth, scrollHeight - innerHeight,
  wide.slice(0, 3).map((e) => `${e.tagName} ${e.getAttribute('class')}`)];
"""
SMALL = """
const BOXES = 'input:not([type=checkbox], [type=radio], [type=file])';
const small = [...document.querySelectorAll(`button, select, summary, ${BOXES}, nav a`)]
  .filter((element) => element.checkVisibility() && !element.closest('.sr-only'))
  .filter((element) => {
    const { width, height } = element.getBoundingClientRect();
    return width > 1 && height > 1 && (height < 43.5 || width < 24);
  });
return small.slice(0, 3).map((e) => `${e.tagName} ${e.innerText || e.ariaLabel || e.className}`);
"""
CUT = """
const pen = document.createElement('canvas').getContext('2d');
const words = (box) => box.matches('select')
  ? box.selectedOptions[0]?.text ?? '' : box.value ? '' : box.placeholder;
const cut = [...document.querySelectorAll('select, input[placeholder]')]
  .filter((box) => box.checkVisibility() && !box.closest('.sr-only'))
  .filter((box) => {
    const { font, paddingLeft, paddingRight } = getComputedStyle(box);
    pen.font = font;
    const room = box.clientWidth - parseFloat(paddingLeft) - parseFloat(paddingRight);
    return pen.measureText(words(box)).width > room + 1;
  })
  .map((box) => `${words(box)} in ${box.clientWidth}`);
// Names and sentences are never cut: what hides the rest of a line would.
const clipped = [...document.querySelectorAll('body *')].filter((element) => {
  const { textOverflow, overflowX, clipPath } = getComputedStyle(element);
  const cuts = textOverflow === 'ellipsis' || overflowX === 'hidden' || overflowX === 'clip';
  return cuts && clipPath === 'none' && element.innerText?.trim() &&
    element.scrollWidth > element.clientWidth + 1;
});
return [...cut, ...clipped.map((element) => element.innerText.slice(0, 40))].slice(0, 3);
"""


SAID = """
const options = [...document.querySelectorAll('option')].map((each) => each.text);
const labels = [...document.querySelectorAll('[aria-label]')].map((each) => each.ariaLabel);
return [document.body.innerText, ...options, ...labels].join(' ');
"""
JOINED = re.compile(r"(?<![\w./-])[a-z0-9]+(?:[-_][a-z0-9]+)+(?![\w/-])")


class Words(BrowserTest):
    def test_no_id_is_on_a_screen(self) -> None:
        book = self.served.ledger.now.reading.book
        names = {flag.id: flag.name for flag in book.flags}
        names |= {diet.id: diet.name for diet in diets().values()}
        names |= {id: book.name(id) for id in (*book.products, *book.preparations)}
        ids = {id for id, name in names.items() if id not in name.lower()}
        ids |= {class_ for class_ in known_classes() if "-" in class_} | {*units_of(())}
        ids -= {"alcohol-free", "roasted-vegetable"}
        for place in sample((*ANSWERED, "/pots/veloute", "/larder/butter?tab=numbers")):
            self.open(place, "main h1, main h2")
            with self.subTest(place=place):
                self.assertEqual(ids & {*JOINED.findall(self.script(SAID))}, set())


class Sizes(BrowserTest):
    def size(self, width: int, height: int) -> None:
        wanted = {"width": width, "height": height, "deviceScaleFactor": 1, "mobile": False}
        self.browser.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", wanted)
        # The page hears of its new width with the next frame.
        self.browser.execute_async_script(
            "const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(done))"
        )

    def test_nothing_runs_over_the_side_and_targets_are_large_enough(self) -> None:
        for place in sample(PLACES):
            self.open(place, "main h1, main h2")
            for width, height in SIZES:
                self.size(width, height)
                with self.subTest(place=place, width=width):
                    page, window, below, wide = self.script(OVER)
                    self.assertLessEqual(page, window)
                    self.assertLessEqual(below, 0, "the page itself scrolls beside its parts")
                    self.assertEqual(wide, [])
                    self.assertEqual(self.script(CUT), [])
                    if width in (320, 390):
                        self.assertEqual(self.script(SMALL), [])
                    if width == 390:
                        self.accessible()

    def test_the_main_part_is_at_least_half_of_the_height(self) -> None:
        for place in sample(ANSWERED):
            self.open(place, "main h1, main h2")
            if "swaps?" in place:
                self.see("[data-plans] table")
            for width, height in SMALL_SIZES:
                self.size(width, height)
                with self.subTest(place=place, size=f"{width}x{height}"):
                    room = self.script(ROOM)
                    self.assertGreaterEqual(room, height / 2)

    def test_letters_twice_as_large_on_a_phone(self) -> None:
        def letters(size: int) -> None:
            sizes = {"fontSizes": {"standard": size}}
            self.browser.execute_cdp_cmd("Page.setFontSizes", sizes)

        self.addCleanup(letters, 16)
        for place in sample(ANSWERED):
            self.open(place, "main h1, main h2")
            if "swaps?" in place:
                self.see("[data-plans] table")
            letters(32)
            self.size(390, 844)
            with self.subTest(place=place):
                root = "return getComputedStyle(document.documentElement).fontSize"
                self.assertEqual(self.script(root), "32px")
                page, window, below, wide = self.script(OVER)
                self.assertLessEqual(page, window)
                self.assertLessEqual(below, 0, "the page itself scrolls beside its parts")
                self.assertEqual(wide, [])
                self.assertGreaterEqual(self.script(ROOM), 844 / 2)

    def test_forced_colours_keep_the_marks_and_what_is_chosen(self) -> None:
        def forced(value: str) -> None:
            features = [{"name": "forced-colors", "value": value}]
            self.browser.execute_cdp_cmd("Emulation.setEmulatedMedia", {"features": features})

        self.addCleanup(forced, "none")
        forced("active")
        self.open("/pots/hen-leek-pie", "[data-by=flag] svg")
        self.assertTrue(self.script("return matchMedia('(forced-colors: active)').matches"))
        ground, lines, outline, bar = self.script(
            "const style = (wanted) => getComputedStyle(document.querySelector(wanted));"
            "return [style('body').backgroundColor, style('[data-by=flag] svg path').stroke,"
            "  style('[role=group] [aria-pressed=true]').outlineStyle,"
            "  style('[data-bar] span').backgroundColor]"
        )
        self.assertNotIn(lines, ("none", ground))
        self.assertEqual(outline, "solid")
        self.assertNotEqual(bar, ground)
        self.open("/unchecked", "main h1")
        self.open("/menu", "input[type=checkbox]")
        box = "return getComputedStyle(document.querySelector('input[type=checkbox]')).appearance"
        self.assertEqual(self.script(box), "auto")

    @thorough
    def test_the_board_the_pot_and_the_larder_are_turned_page_by_page(self) -> None:
        self.size(390, 844)
        self.open("/", "[data-strip]")
        self.click("button", "← Sauces and soups")
        self.click("button", "← Mother sauces")
        self.click("[data-strip]", "Velouté")
        self.shows("from", "aside")
        self.click("aside button", "White roux")
        self.shows("White roux", "aside h2")
        self.accessible()
        self.click("aside a", "Open pot")
        self.see("h1", "White roux")
        self.click("button", "Goes in")
        self.see("h2", "What goes in")
        self.accessible()
        self.click("nav a", "Larder")
        self.click("main li a", "Stock powder, tub without a label")
        self.see("section[aria-label=Product] textarea")
        self.accessible()
        self.click("a", "← All jars")
        self.see("h1", "Larder")
        self.no_complaints()

    def test_the_ground_follows_the_device_until_somebody_chooses(self) -> None:
        def device(scheme: str) -> None:
            features = [{"name": "prefers-color-scheme", "value": scheme}]
            self.browser.execute_cdp_cmd("Emulation.setEmulatedMedia", {"features": features})

        self.addCleanup(device, "")
        device("dark")
        self.open("/", "[data-strip]")
        self.see("html[data-ground=night]")
        self.accessible()
        device("light")
        self.see("html[data-ground=day]")
        self.named("header button", "Dark colours for the night pass").click()
        device("dark")
        device("light")
        self.see("html[data-ground=night]")
