"""Words of a line that its item does not say: kept, and asked about where they bring a flag."""

import unittest

from tests.kitchens import BUTTER, FLOUR, book, pot, product
from tests.recipes.measuring import texts
from yellow_ladle.core.cards.unsaid_words import covers, unsaid_foods
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.recipes.review import review
from yellow_ladle.demo.kitchen import demo_book
from yellow_ladle.files.recipes.any_recipe import recipes_of

GOODS = (
    *(BUTTER, FLOUR, product("hazelnuts", "hazelnut", "hazelnut")),
    *(product("cheddar", "milk", "hard-cheese"), product("stock", "celery", "vegetable-stock")),
)
READING = read(book(*GOODS, pot("roux", "butter", "plain-flour", kind="roux")))
LINKED = (
    ("butter and a glug of walnut oil", "butter", {"walnut"}),
    ("roasted hazelnuts/walnuts", "hazelnuts", {"walnut"}),
    ("hazelnuts or pecans", "hazelnuts", {"pecan"}),
    ("butter with a little mustard", "butter", {"mustard"}),
    ("vegetable stock or ham stock", "stock", {"pork"}),
    ("Butter und etwas Senf", "butter", {"mustard"}),
    ("beurre et un peu de moutarde", "butter", {"mustard"}),
    ("mantequilla y un poco de mostaza", "butter", {"mustard"}),
    ("burro e un poco di senape", "butter", {"mustard"}),
)


class Foods(unittest.TestCase):
    def test_what_the_item_does_not_say_is_found_in_five_languages(self) -> None:
        for words, item, flags in LINKED:
            found = {flag for food in unsaid_foods(READING, words, item) for flag in food.flags}
            self.assertEqual(found, flags, words)

    def test_what_it_says_and_what_brings_nothing_new_is_not_asked(self) -> None:
        for words, item in (
            ("unsalted butter, softened", "butter"),
            ("butter and a carrot", "butter"),
            ("mature cheddar, grated", "cheddar"),
            ("butter or cream", "butter"),
            ("walnut oil", "nothing-of-the-kind"),
        ):
            self.assertEqual(list(unsaid_foods(READING, words, item)), [], words)

    def test_a_name_covers_its_words_in_any_number(self) -> None:
        for name, words in (
            ("Hazelnuts", "hazelnut"),
            ("Leek", "leeks"),
            ("Oil, olive", "the oil"),
        ):
            self.assertTrue(covers(name, words), words)
        for name, words in (("Butter", "butter and oil"), ("Butter", "peanut butter")):
            self.assertFalse(covers(name, words), words)


class Lines(unittest.TestCase):
    def test_the_words_of_a_line_stay_with_it(self) -> None:
        lines = "knob of butter and a glug of walnut oil\n100 g plain flour, sifted"
        [found] = review(READING.book, recipes_of(f"Crumble\n\n{lines}\n\nRub.\n".encode()))
        knob, flour = found.preparation.lines
        self.assertEqual(found.lines[0].words, "butter and a glug of walnut oil")
        self.assertEqual((flour.item, flour.note), ("plain-flour", "sifted"))
        self.assertNotEqual(knob.item, "butter")

    def test_an_item_and_the_note_say_all_that_a_line_said(self) -> None:
        before = demo_book()
        for text in texts(english=True, aside=False):
            for entry in review(before, recipes_of(text["text"].encode())):
                made = {product.id: product.name for product in entry.products}
                made |= {entry.preparation.id: entry.preparation.name}
                for told, line in zip(entry.lines, entry.preparation.lines, strict=False):
                    if line.item in before.products or line.item in before.preparations:
                        said = f"{before.name(line.item)} {line.note}"
                        self.assertTrue(covers(said, told.understood.item), (told.text, said))


if __name__ == "__main__":
    unittest.main()
