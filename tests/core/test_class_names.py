"""What goods and pots are taken as where nobody has said: measured, and with its limits."""

import tomllib
import unittest
from dataclasses import replace
from pathlib import Path

from hypothesis import given
from hypothesis import strategies as st

from tests.effort import examples
from tests.kitchens import book, line, pot, product
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.class_index import classes_of
from yellow_ladle.core.book.maker import Maker
from yellow_ladle.core.book.proposed_class import class_of, proposed, proposed_of_pot, taken_as
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.search.proposal import propose
from yellow_ladle.core.vocabulary.classes import known_classes, usual_of
from yellow_ladle.core.vocabulary.flags import shipped_flags
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.words.class_names import ClassGuess, class_of_name
from yellow_ladle.demo.kitchen import demo_book

CLASSES = Path(__file__).resolve().parents[1] / "classes"
NAMES = tomllib.loads((CLASSES / "names.toml").read_text("utf-8"))
QUESTIONS = tomllib.loads((CLASSES / "questions.toml").read_text("utf-8"))["question"]
ALL = [(name, class_) for rows in NAMES.values() for name, class_ in rows.items()]
INVOICES = tomllib.loads((CLASSES / "invoices.toml").read_text("utf-8"))
"""Written after the code. Of its first reading 82 % were right, 3 % wrong though certain."""
ASIDE = ALL[2::3]
"""Names that nothing was mended by."""
PIECES = sorted({word for name, _ in ALL for word in name.replace("(", " ").split()})
FOODS = st.lists(st.sampled_from(PIECES), max_size=5).map(" ".join)


def without_classes(whole: Book) -> Book:
    """A book in which nobody has said what anything is."""
    return replace(
        whole,
        products={id: replace(made, class_=None) for id, made in whole.products.items()},
        preparations={id: replace(made, class_=None) for id, made in whole.preparations.items()},
    )


class Measured(unittest.TestCase):
    def right(self, names: list[tuple[str, str]], told: str) -> tuple[float, float]:
        found = [(class_of_name(name), class_) for name, class_ in names]
        right = sum((guess.class_ or "") == class_ for guess, class_ in found) / len(found)
        wrong = sum(guess.certain and guess.class_ != class_ for guess, class_ in found)
        print(
            f"\nmeasured: {len(names)} names {told}: {right:.1%} right,"
            f" {wrong} of them wrong though certain"
        )
        return right, wrong / len(found)

    def test_names_in_five_languages(self) -> None:
        invoices = [entry for rows in INVOICES.values() for entry in rows.items()]
        for names, told in (
            (ALL, "in five languages"),
            (ASIDE, "kept aside"),
            (invoices, "as on invoices"),
        ):
            right, wrong = self.right(names, told)
            self.assertGreaterEqual(right, 0.9)
            self.assertLess(wrong, 0.02)

    def test_a_kitchen_without_a_class_is_planned_for_all_the_same(self) -> None:
        said = read(demo_book())
        unsaid = read(without_classes(demo_book()))
        met = {"said": 0, "not said": 0}
        for item, clear, fit in QUESTIONS:
            goals = Goals(tuple(clear), tuple(fit))
            for told, reading in (("said", said), ("not said", unsaid)):
                plans = propose(reading, item, goals, 1).plans
                met[told] += any(plan.meets for plan in plans)
        print(f"\nmeasured: of {len(QUESTIONS)} questions the first plan meets {met}")
        self.assertEqual(len(QUESTIONS), 30)
        self.assertGreaterEqual(met["not said"], met["said"] - 2)


class NamesOfGoods(unittest.TestCase):
    def means(self, name: str, class_: str | None, *, certain: bool | None = None) -> None:
        found = class_of_name(name)
        self.assertEqual(found.class_, class_, name)
        if certain is not None:
            self.assertEqual(found.certain, certain, name)

    def test_the_head_of_a_name_says_what_it_is(self) -> None:
        for name, class_ in (
            ("Butter beans", "pulse"),
            ("Peanut butter", "peanut-butter"),
            ("Cream cheese", "soft-cheese"),
            ("Huile d'olive", "olive-oil"),
            ("Crème de coco", "coconut-cream"),
            ("Sonnenblumenöl", "sunflower-oil"),
            ("Oil, olive", "olive-oil"),
            ("Milk (oat)", "oat-drink"),
        ):
            self.means(name, class_, certain=True)

    def test_what_a_name_denies_makes_another_thing(self) -> None:
        for name, class_ in (
            ("Gluten-free breadcrumbs", "gluten-free-crumbs"),
            ("Pasta, gluten free", "gluten-free-pasta"),
            ("Vegan butter", "plant-spread"),
            ("Dairy-free cheddar", "plant-cheese"),
            ("Bière sans alcool", "alcohol-free-beer"),
            ("Pan rallado sin gluten", "gluten-free-crumbs"),
            ("Vegetarian hard cheese", "hard-cheese-vegetarian"),
        ):
            self.means(name, class_, certain=True)
        self.means("Vegan salmon", None, certain=False)
        self.means("Gluten-free couscous", None, certain=False)
        cream = class_of_name("Vegan whipping cream")
        self.assertEqual((cream.certain, cream.class_), (False, "oat-cream"))
        self.assertIn("soy-cream", cream.others)

    def test_what_only_tastes_of_it_is_something_else(self) -> None:
        for name in ("Butter flavour", "Cream substitute", "Egg replacer", "Mock cream"):
            self.means(name, None, certain=False)

    def test_another_food_in_the_name_makes_it_doubtful(self) -> None:
        for name in ("Garlic butter", "Teff flour", "Truffle cream", "Fish fingers"):
            self.assertFalse(class_of_name(name).certain, name)
        self.means("Beef stock cubes", "stock-cube", certain=True)

    def test_whose_it_is_does_not_matter(self) -> None:
        for name in ("Anna's double cream", "Double cream", "Anna's organic double cream, 2 l"):
            self.means(name, "cream", certain=True)

    def test_two_names_for_one_class_give_the_first(self) -> None:
        for name, class_ in (
            ("Cornflour", "maize-starch"),
            ("Soya drink", "soy-drink"),
            ("Vegan cheese", "plant-cheese"),
            ("Vegan block", "plant-spread"),
            ("Beef dripping", "dripping"),
        ):
            self.means(name, class_, certain=True)

    @examples(400)
    @given(name=st.one_of(st.text(max_size=60), FOODS))
    def test_whatever_a_name_is_the_answer_keeps_its_form(self, name: str) -> None:
        found = class_of_name(name)
        self.assertLessEqual(len(found.others), 3)
        for class_ in (found.class_, *found.others):
            self.assertTrue(class_ is None or class_ in known_classes(), class_)
        if found.certain:
            self.assertIsNotNone(found.class_)
            self.assertEqual(found.others, ())
        self.assertNotIn(found.class_, found.others)

    @examples(200)
    @given(name=FOODS)
    def test_a_stand_in_is_never_taken_for_the_thing_itself(self, name: str) -> None:
        self.assertEqual(class_of_name(f"{name} substitute"), ClassGuess())

    @examples(200)
    @given(name=FOODS)
    def test_what_is_denied_is_never_in_it(self, name: str) -> None:
        for denied, flags in (("gluten free", {"wheat", "barley"}), ("vegan", {"milk", "egg"})):
            found = class_of_name(f"{denied} {name}")
            if found.certain and found.class_ is not None:
                self.assertTrue(known_classes()[found.class_].has.isdisjoint(flags), found)


class Proposed(unittest.TestCase):
    def test_what_somebody_has_said_counts_before_any_name(self) -> None:
        self.assertEqual(taken_as(product("cream", class_="milk")), "milk")
        unsaid = replace(product("x", otherwise=Level.UNCHECKED), class_=None, name="Cream")
        self.assertEqual(taken_as(unsaid), "cream")

    def test_a_record_that_denies_it_makes_it_a_question(self) -> None:
        tub = replace(product("tub"), class_=None, name="Double cream")
        self.assertTrue(proposed(replace(tub, otherwise=Level.UNCHECKED)).certain)
        told = replace(tub, statements={"milk": Level.FREE})
        self.assertEqual(proposed(told), ClassGuess("cream", False))
        read_whole = replace(tub, statements={"oats": Level.CONTAINS}, otherwise=Level.FREE)
        self.assertIsNone(taken_as(read_whole))
        maker = Maker("a", "A", {"milk": Level.CONTAINS}, Level.FREE)
        made = replace(tub, otherwise=Level.FREE, makers=(maker,))
        self.assertEqual(taken_as(made), "cream")
        other = replace(maker, statements={"oats": Level.CONTAINS})
        self.assertIsNone(taken_as(replace(made, makers=(other,))))

    def test_the_one_ingredient_on_a_label_says_what_no_name_does(self) -> None:
        tub = replace(product("tub"), class_=None, name="Tub 14")
        self.assertEqual(taken_as(replace(tub, label="Ingredients: rice flour.")), "rice-flour")
        self.assertIsNone(taken_as(replace(tub, label="Ingredients: rice flour, salt.")))
        self.assertIsNone(taken_as(replace(tub, label="Keep in a dry place.")))

    def test_a_pot_is_taken_by_what_it_is_made_of(self) -> None:
        goods = [
            product("flour", "wheat", "wheat-flour"),
            product("butter", "milk", "butter"),
            product("milk", "milk", "milk"),
            product("carrot", class_="carrot"),
            product("water", class_="water"),
            product("bones", "poultry", "poultry-bones"),
        ]
        pots = [
            pot("base", line("flour", role="thickener"), line("butter", role="fat"), kind="roux"),
            pot("white", line("milk", role="liquid"), line("base", role="thickener"), kind="sauce"),
            pot("garden", line("carrot"), line("water", role="liquid"), kind="stock"),
            pot("hens", line("carrot"), line("bones"), line("water"), kind="stock"),
            pot("plate", line("carrot"), kind="dish"),
        ]
        whole = without_classes(book(*pots, *goods))
        whole = replace(whole, products={made.id: made for made in goods})
        for id, class_ in (
            ("base", "white-roux"),
            ("white", "bechamel"),
            ("garden", "vegetable-stock"),
            ("hens", "chicken-stock"),
            ("plate", None),
        ):
            self.assertEqual(class_of(whole, id), class_, id)
        self.assertIn("stock", classes_of(whole, "garden"))

    def test_a_stock_with_bones_in_it_is_none_of_vegetables(self) -> None:
        bones = product("bones", "beef", "beef-bones")
        called = replace(pot("s", line("bones"), kind="stock"), name="Vegetable stock", class_=None)
        found = proposed_of_pot(book(called, bones), called)
        self.assertNotEqual(found.settled, "vegetable-stock")

    def test_the_planner_says_what_nobody_has_said(self) -> None:
        tub = replace(product("tub", "wheat"), class_=None, name="Anna's mix")
        found = propose(read(book(tub, pot("soup", "tub"))), "soup", Goals(("wheat",)))
        self.assertEqual(
            [entry.why for entry in found.blocked], ["nobody has said what Anna's mix is"]
        )

    @examples(100)
    @given(name=FOODS)
    def test_a_proposed_class_raises_what_it_is_and_lowers_nothing(self, name: str) -> None:
        def read_as(name: str) -> Reading:
            jar = replace(product("jar"), class_=None, name=name or "x")
            return read(book(pot("soup", line("jar")), jar))

        guess = class_of_name(name or "x")
        named = [usual_of(class_) for class_ in (guess.class_, *guess.others) if class_]
        common = {flag for usual in named for flag in usual.has}
        for usual in named:
            common &= usual.inherent if guess.certain else usual.has
        found = read_as(name).levels("soup")
        self.assertEqual(
            found, dict.fromkeys(common & {flag.id for flag in shipped_flags()}, Level.CONTAINS)
        )
        self.assertEqual(read_as("Tub").levels("soup"), {})


if __name__ == "__main__":
    unittest.main()
