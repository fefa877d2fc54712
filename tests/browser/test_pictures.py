"""Photographs of labels and recipes: turned and cut by hand, marked, compared, then used."""

import io
import tempfile
import unittest
from pathlib import Path

from PIL import Image, ImageDraw, ImageFont
from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.keys import Keys

from tests.browser.harness import BrowserTest
from tests.effort import thorough
from tests.labels.pictures import FONTS, Drawn, picture
from yellow_ladle.devices.picture_reader import can_read

LABEL = (
    "Salt, palm fat, CELERY seed, WHEAT flour, whey powder (milk), zorblax. May contain mustard."
)
SOUP = ("Onion soup", "Serves 4", "500 g onions", "60 g butter", "Sweat the onions for 40 minutes.")


@unittest.skipUnless(can_read(), "the picture reader is not installed here")
class Photographs(BrowserTest):
    def photograph(self, page: Image.Image) -> str:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        path = Path(folder.name) / "photograph.png"
        page.save(path)
        return str(path)

    def label(self) -> Image.Image:
        return Image.open(io.BytesIO(picture(LABEL, Drawn("Vera.ttf", 30), 1)))

    def corner(self, number: int) -> tuple[float, float]:
        """Where a corner of the frame stands, as shares of the picture."""
        found = self.script(
            "const all = document.querySelectorAll('[data-photo-frame] button[aria-pressed]');"
            "const style = all[arguments[0]].style;"
            "return [parseFloat(style.left) / 100, parseFloat(style.top) / 100]",
            number,
        )
        return found[0], found[1]

    def test_words_are_marked_on_the_picture_itself(self) -> None:
        self.open("/larder/stock-powder", "textarea")
        self.named("input", "Photograph of the label").send_keys(self.photograph(self.label()))
        self.see("[data-photo-words] img")
        self.see("[data-photo-words] [data-mark=contains]")
        self.see("[data-photo-words] [data-mark=may_contain]")
        self.see("[data-photo-words] [data-mark=doubtful]")
        self.accessible()
        # Words that were changed since stand in other places: nothing is marked any more.
        self.see("textarea").send_keys(Keys.HOME, "Sugar, ")
        self.click("button", "Read it")
        self.gone("[data-photo-words] [data-mark]")
        self.assertFalse(self.see("button", "Take all").is_enabled())
        self.no_complaints()

    @thorough
    def test_a_picture_on_its_side_is_turned_and_cut(self) -> None:
        self.open("/larder/stock-powder", "textarea")
        side = self.label().transpose(Image.Transpose.ROTATE_90)
        self.named("input", "Photograph of the label").send_keys(self.photograph(side))
        # It is turned by itself; a hand can turn it further and back.
        self.see("[data-photo-words] [data-mark=contains]")
        self.click("button", "Turn or cut it")
        self.see("[data-photo-frame]")
        self.click("button[aria-label='Turn it to the right']")
        self.click("button[aria-label='Turn it to the left']")
        self.accessible()
        # By keys, by the buttons beside it, and dragged.
        self.see("[aria-label='upper left corner']").send_keys(Keys.ARROW_RIGHT, Keys.ARROW_DOWN)
        self.assertEqual(self.corner(0), (0.02, 0.02))
        self.click("[aria-label='Move the upper left corner left']")
        self.assertEqual(self.corner(0), (0.0, 0.02))
        lower = self.see("[aria-label='lower right corner']")
        ActionChains(self.browser).drag_and_drop_by_offset(lower, -8, -4).perform()
        self.assertLess(self.corner(1)[0], 1)
        self.click("label", "It lies slanted")
        self.see("[aria-label='upper right corner']")
        self.click("button", "Read this part")
        self.see("[data-photo-words] [data-mark=contains]")
        self.assertIn("CELERY", self.see("textarea").get_attribute("value"))
        self.no_complaints()

    @thorough
    def test_a_large_photograph_is_made_smaller_before_it_is_sent(self) -> None:
        page = Image.effect_noise((5_000, 3_600), 90).convert("RGB")
        page.paste(self.label().convert("RGB"), (300, 300))
        path = Path(self.photograph(page))
        self.assertGreater(path.stat().st_size, 10 * 1024 * 1024)
        self.open("/larder/stock-powder", "textarea")
        self.click("[role=tab], button", "Picture")
        self.named("input", "Picture of the label").send_keys(str(path))
        self.see("img[alt='The label of Stock powder, tub without a label']")
        self.no_complaints()

    @thorough
    def test_a_recipe_is_photographed_compared_and_read(self) -> None:
        page = Image.new("L", (900, 480), 245)
        draw = ImageDraw.Draw(page)
        font = ImageFont.truetype(str(FONTS / "Vera.ttf"), 30)
        for number, line in enumerate(SOUP):
            draw.text((60, 50 + number * 70), line, fill=25, font=font)
        self.open("/recipes", "textarea")
        self.named("input", "Photograph of a recipe").send_keys(self.photograph(page))
        self.shows("I compared it with the page", "[data-compared]")
        self.assertIn("500 g onions", self.see("textarea").get_attribute("value"))
        self.assertFalse(self.see("button", "Read it").is_enabled())
        self.accessible()
        self.click("label", "I compared it with the page")
        self.click("button", "Read it")
        self.shows("1 recipe read")
        self.shows("soup, 2 lines, 1 step", "section[aria-label='Onion soup']")


if __name__ == "__main__":
    unittest.main()
