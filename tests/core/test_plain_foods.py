"""What may be recorded as free: plain single foods, and what a person says of a label."""

import unittest
from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from tests.core.test_class_names import FOODS
from tests.effort import examples
from tests.kitchens import FREE, FULL, OPEN, book, levels, product, reading
from yellow_ladle.core.book.inherent_flags import inherent_flags
from yellow_ladle.core.book.maker import Evidence, Maker
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.proposed_class import taken_as
from yellow_ladle.core.checks.free_claims import free_claim_faults
from yellow_ladle.core.larder.plain_food import (
    NotPlain,
    as_plain,
    can_be_plain,
    one_food_classes,
    plain_food,
)
from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.vocabulary.classes import known_classes
from yellow_ladle.core.vocabulary.flags import shipped_flags

FLAGS = shipped_flags()
SIGNED = {"otherwise": Evidence("label", "2026-12-01", "MK")}


def jar(name: str, class_: str | None = None, **rest: object) -> Product:
    return replace(product("jar", otherwise=OPEN), name=name, class_=class_, **rest)


class PlainFoods(unittest.TestCase):
    def test_what_it_brings_is_contained_and_the_rest_free(self) -> None:
        for name, flags in (
            ("Walnuts", "walnut"),
            ("Leeks", "allium"),
            ("Carrots", ""),
            ("Noix", "walnut"),
            ("Staudensellerie", "celery"),
            ("Cod fillet", "fish"),
        ):
            done = as_plain(jar(name), FLAGS, "MK", "2026-12-01")
            self.assertEqual(reading(done).levels("jar"), levels(flags), name)
            self.assertEqual(done.evidence["otherwise"], Evidence("plain_food", "2026-12-01", "MK"))
            self.assertEqual(taken_as(done), taken_as(jar(name)), name)

    def test_it_says_what_it_will_write(self) -> None:
        self.assertEqual(
            plain_food(jar("Walnuts"), FLAGS).sentence, "walnut: contains, everything else free"
        )
        self.assertEqual(plain_food(jar("Carrots"), FLAGS).sentence, "free of everything")

    def test_a_powder_a_sauce_a_bouillon_a_mix_or_a_sausage_is_never_one(self) -> None:
        for name in (
            *("Stock powder", "Onion powder", "Tomato sauce", "Vegetable bouillon", "Mixed herbs"),
            *("Pork sausage", "Garlic paste", "Smoked cod", "Tinned tomatoes", "Walnut butter"),
            *("Marinated beef", "Chilli sauce", "Egg powder", "Celery salt", "Fish fingers"),
            *("Zwiebelpulver", "Knoblauchpaste", "Poudre d'ail", "Ajo en polvo", "Salsiccia"),
            *("Brown table sauce", "Curry powder", "Butter", "Plain flour", "Anna's mix", "Jar 4"),
            *("Walnuts or pecans", "hazelnuts/walnuts", "Prawns", "Almonds", "Dried apple"),
        ):
            self.assertFalse(can_be_plain(jar(name), FLAGS), name)

    def test_nor_is_what_has_makers_parts_or_a_label(self) -> None:
        walnuts = jar("Walnuts")
        for other in (
            replace(walnuts, makers=(Maker("a", "A"),)),
            replace(walnuts, label="Walnuts. May contain peanuts."),
        ):
            with self.assertRaises(NotPlain):
                as_plain(other, FLAGS, "MK", "2026-12-01")

    def test_what_is_stated_above_free_stays(self) -> None:
        told = replace(jar("Walnuts"), statements=levels(may="peanut", free="milk"))
        done = as_plain(told, FLAGS, "MK", "2026-12-01")
        self.assertEqual(done.statements, levels("walnut", may="peanut"))

    @examples(200)
    @given(name=FOODS, class_=st.none() | st.sampled_from(sorted(known_classes())))
    def test_no_plain_food_is_ever_free_of_what_it_is_or_has(
        self, name: str, class_: str | None
    ) -> None:
        thing = jar(name or "x", class_)
        if not can_be_plain(thing, FLAGS):
            return
        done = as_plain(thing, FLAGS, "MK", "2026-12-01")
        read = reading(done)
        for flag in inherent_flags(thing).usual & read.book.flag_ids:
            self.assertEqual(read.level("jar", flag), FULL)
        self.assertEqual(free_claim_faults(book(thing), Change((done,))), [])

    def test_one_food_classes_are_known_and_hide_nothing_in_their_label(self) -> None:
        for class_ in one_food_classes():
            often = known_classes()[class_].often - {"sulphites", "allium", "gelatine"}
            self.assertFalse(often & {flag.id for flag in FLAGS} - NUTS_BESIDE, class_)


NUTS_BESIDE = {"almond", "walnut"}
"""Often packed beside other nuts; a kitchen that shells them says so itself."""


class FreeClaims(unittest.TestCase):
    def faults(self, after: Product, before: Product | None = None) -> list[str]:
        known = book(before) if before else book()
        return [fault.message for fault in free_claim_faults(known, Change((after,)))]

    def test_free_wants_its_source_and_its_reader(self) -> None:
        for evidence in ({}, {"otherwise": Evidence("label", "2026-12-01")}):
            [fault] = self.faults(jar("Tub", otherwise=FREE, evidence=evidence))
            self.assertIn("not by whom or from what", fault)
        self.assertEqual(self.faults(jar("Tub", otherwise=FREE, evidence=SIGNED)), [])
        [fault] = self.faults(jar("Tub", statements=levels(free="milk")))
        self.assertIn("who you are", fault)

    def test_the_name_says_otherwise(self) -> None:
        [fault] = self.faults(jar("Walnuts", otherwise=FREE, evidence=SIGNED))
        self.assertEqual(
            fault,
            "Walnuts cannot be free of walnut: its name says that it is walnut. State that it"
            " contains walnut, or say what else it is",
        )
        said = jar("Walnuts", otherwise=FREE, evidence=SIGNED, statements=levels("walnut"))
        self.assertEqual(self.faults(said), [])

    def test_the_class_says_otherwise(self) -> None:
        stated = {**SIGNED, "milk": SIGNED["otherwise"]}
        wrong = jar("Tub", "cream", evidence=stated, statements=levels(free="milk"))
        [fault] = self.faults(wrong)
        self.assertIn("its class says that it is cream", fault)

    def test_the_pasted_label_says_otherwise(self) -> None:
        text = "Ingredients: sugar, whey powder, flavouring. May contain egg."
        [fault] = self.faults(jar("Tub", otherwise=FREE, evidence=SIGNED, label=text))
        self.assertIn("its label says", fault)
        for flag in ("milk", "egg"):
            self.assertIn(flag, fault)
        asked = {"otherwise": Evidence("supplier", "2026-12-01", "MK")}
        whole = levels("milk", may="egg")
        told = jar("Tub", otherwise=FREE, evidence=asked, label=text, statements=whole)
        self.assertEqual(self.faults(told), [])

    def test_each_maker_answers_for_its_own_label(self) -> None:
        makers = (
            Maker("a", "A", levels("milk"), FREE, evidence=SIGNED),
            Maker("b", "B", {}, FREE, evidence=SIGNED),
        )
        [fault] = self.faults(jar("Tub", "cream", makers=makers))
        self.assertIn("Tub, B cannot be free of milk", fault)

    def test_what_stood_before_is_not_asked_again(self) -> None:
        before = jar("Walnuts", otherwise=FREE)
        self.assertEqual(self.faults(replace(before, pack="5 kg"), before), [])
        for later in (
            replace(before, name="Chopped walnuts"),
            replace(before, class_="walnut"),
            replace(before, label="Walnuts"),
        ):
            self.assertNotEqual(self.faults(later, before), [])
        # Another name of what was free without a reader asks for none.
        jar_before = jar("Jar 4", otherwise=FREE)
        self.assertEqual(self.faults(replace(jar_before, name="Jar 5"), jar_before), [])
        stated = replace(before, statements=levels("walnut"))
        self.assertNotEqual(self.faults(before, stated), [])


if __name__ == "__main__":
    unittest.main()
