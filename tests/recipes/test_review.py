"""A batch of recipes matched to the book: recipes that know each other, steps with their heat."""

import unittest
from dataclasses import replace

from tests.kitchens import BUTTER, FLOUR, MILK, ROUX, book, pot, product
from yellow_ladle.core.book.book import Book, Preparation
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.checks.book_faults import change_faults
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.update import Change, applied
from yellow_ladle.core.recipes.review import Reviewed, heat_of, review
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.files.recipes.any_recipe import recipes_of

NOTEBOOK = """
Cream sauce
500 ml velouté (see above)
150 ml cream

Reduce by a third over medium heat.

Velouté
1 l stock
120 g white roux, see page 4

Simmer for 30 minutes.

White roux
100 g butter
100 g plain flour

Melt the butter, cook 3 minutes on a low flame.
"""


def reviewed(text: str, *pieces: Product | Preparation) -> tuple[Book, list[Reviewed]]:
    kitchen = book(*pieces)
    return kitchen, review(kitchen, recipes_of(text.encode()))


def as_free(product: Product) -> Product:
    return replace(product, otherwise=Level.FREE)


class Batches(unittest.TestCase):
    def test_recipes_that_name_each_other_are_made_of_each_other(self) -> None:
        kitchen, found = reviewed(NOTEBOOK, BUTTER, FLOUR)
        cream, veloute, roux = (entry.preparation for entry in found)
        self.assertEqual(cream.lines[0].item, veloute.id)
        self.assertEqual(veloute.lines[1].item, roux.id)
        self.assertEqual([made.kind for made in (cream, veloute, roux)], ["sauce", "sauce", "roux"])
        self.assertEqual([line.role for line in veloute.lines][1], "thickener")
        self.assertEqual([line.item for line in roux.lines], ["butter", "plain-flour"])
        self.assertTrue(found[0].lines[0].sure)
        products = {product.id: product for entry in found for product in entry.products}
        change = Change(tuple(products.values()), (cream, veloute, roux))
        self.assertEqual(list(change_faults(applied(kitchen, change), change)), [])

    def test_a_line_that_is_not_understood_becomes_no_jar_and_is_not_lost(self) -> None:
        for text in ("???", "100 g", "½", "2 x", "- 300-400", "2 EL", "1 knob"):
            with self.subTest(text=text):
                kitchen, [found] = reviewed(f"Soup\n\n500 g leek\n{text}\n200 g salt\n\nBoil it.\n")
                names = [product.name for product in found.products]
                self.assertEqual(names, ["Leek", "Salt"])
                made = found.preparation
                self.assertIn(text.removeprefix("- "), made.method[0].text)
                self.assertIn("was not understood", " ".join(found.notes))
                whole = applied(kitchen, Change(found.products, (made,)))
                read_clean = {id: as_free(p) for id, p in whole.products.items()}
                clean = read(replace(whole, products=read_clean))
                self.assertIs(clean.level(made.id, "celery"), Level.UNCHECKED)

    def test_what_is_a_food_or_in_another_script_stays_a_line(self) -> None:
        for text in ("4 cloves", "100 g 鍋", "50 ml Вода", "2 bay", "1 oil", "s+p"):
            with self.subTest(text=text):
                _, [found] = reviewed(f"Soup\n\n500 g leek\n{text}\n200 g salt\n\nBoil it.\n")
                self.assertEqual(len(found.preparation.lines), 3)

    def test_a_pot_that_the_book_has_is_that_one(self) -> None:
        _, found = reviewed(NOTEBOOK, BUTTER, FLOUR, ROUX)
        self.assertEqual(found[1].preparation.lines[1].item, "white-roux")
        self.assertEqual(found[2].preparation.id, "white-roux-2")

    def test_recipes_that_go_round_in_a_ring_close_no_loop(self) -> None:
        ring = (
            "One\n100 g two\nBoil it.\n\nTwo\n100 g three\nBoil it.\n\nThree\n100 g one\nBoil it.\n"
        )
        kitchen, found = reviewed(ring)
        change = Change(
            tuple({p.id: p for entry in found for p in entry.products}.values()),
            tuple(entry.preparation for entry in found),
        )
        self.assertEqual(list(change_faults(applied(kitchen, change), change)), [])
        self.assertEqual([entry.lines[0].sure for entry in found], [True, True, False])

    def test_what_others_are_made_with_is_a_component(self) -> None:
        text = "Rarebit\n100 g beer mix\nGrill.\n\nBeer mix\n1 l stout\nReduce.\n"
        _, found = reviewed(text)
        self.assertEqual([entry.preparation.kind for entry in found], ["dish", "component"])

    def test_the_only_good_of_its_class_is_the_one_that_is_named(self) -> None:
        dairy = product("brough-unsalted-butter", "milk", "butter")
        text = "Toast\n50 g butter\nMelt it.\n"
        _, [found] = reviewed(text, dairy)
        self.assertEqual((found.preparation.lines[0].item, found.lines[0].sure), (dairy.id, True))
        # of two somebody has to choose, and another kind of thing is not it
        other = product("tarn-salted-butter", "milk", "butter")
        cocoa = product("cocoa-butter", "", "cocoa-butter")
        for pieces in ((dairy, other), (cocoa,)):
            _, [found] = reviewed(text, *pieces)
            self.assertFalse(found.lines[0].sure)

    def test_a_new_good_is_made_once_for_all_of_them(self) -> None:
        text = "One\n100 g quinces\nBoil.\n\nTwo\n50 g quinces\nBoil.\n"
        _, found = reviewed(text, MILK, pot("old", "milk"))
        self.assertEqual({p.id for entry in found for p in entry.products}, {"quinces"})

    def test_kinds_in_five_languages(self) -> None:
        for name, kind in (
            ("Leek and potato soup", "soup"),
            ("Kartoffelsuppe", "soup"),
            ("Soup stock", "stock"),
            ("Fumet de poisson", "stock"),
            ("Salsa verde", "sauce"),
            ("Hazelnut shortcrust", "component"),
            ("Lamb stew", "dish"),
        ):
            _, [found] = reviewed(f"{name}\n100 g butter\nMelt it.\n", BUTTER)
            self.assertEqual(found.preparation.kind, kind, name)

    def test_a_step_keeps_its_minutes_heat_and_caution(self) -> None:
        _, [found] = reviewed("Pie\n100 g butter\n\nBake at 180 C for 40 minutes.\n", BUTTER)
        [step] = found.preparation.method
        self.assertEqual((step.minutes, step.heat), (40, "180 °C"))
        for text, heat in (
            ("Cook over medium heat", "medium"),
            ("à feu doux", "low"),
            ("bei 200 Grad backen", "200 °C"),
            ("Bake at 350°F", "350 °F"),
            ("Simmer for an hour", "simmer"),
            ("Add 20 prawns", None),
        ):
            self.assertEqual(heat_of(text), heat, text)


if __name__ == "__main__":
    unittest.main()
