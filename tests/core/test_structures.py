"""What a pot is made as, and that no rule proposes what does not hold there."""

import unittest
from collections.abc import Iterator
from dataclasses import replace

from tests.kitchens import BUTTER, FLOUR, MILK, line, pot, product, reading
from tests.random_swaps import rule
from yellow_ladle.core.book.book import Preparation, Step
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.proposed_class import class_of
from yellow_ladle.core.checks.structure_claims import claims, tried
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.swaps.library.bases import base_library
from yellow_ladle.core.swaps.search.candidates import Offer, Proposer
from yellow_ladle.core.swaps.search.conditions import conditions
from yellow_ladle.core.vocabulary.classes import known_classes
from yellow_ladle.core.vocabulary.flags import shipped_flags
from yellow_ladle.demo.kitchen import demo_book

FLAGS = {flag.id for flag in shipped_flags()}


def whole_larder() -> Reading:
    """The demo with goods of every class besides, and the library that it could make of them."""
    book = demo_book()
    goods = {
        f"a-{class_}": product(
            f"a-{class_}",
            " ".join(usual.has & FLAGS),
            class_,
            density_g_per_ml=1.0,
            unit_weight_g=50.0,
        )
        for class_, usual in known_classes().items()
    }
    before = read(replace(book, products={**book.products, **goods}))
    return base_library(before).whole


class Structures(unittest.TestCase):
    def of(self, made: Preparation, *more: Preparation | Product) -> frozenset[str]:
        eggs = product("egg", "egg", "egg", unit_weight_g=50.0)
        oil = product("oil", "", "rapeseed-oil", density_g_per_ml=0.9)
        water = product("water", class_="water", density_g_per_ml=1.0)
        before = reading(FLOUR, BUTTER, MILK, eggs, oil, water, made, *more)
        return conditions(before.balance, made, before.graph.users)

    def test_flour_as_the_body_makes_a_dough(self) -> None:
        bread = pot("bread", line("plain-flour"), line("water", "liquid", quantity=60))
        self.assertEqual(self.of(bread), {"dough"})
        pastry = pot("pastry", line("plain-flour"), line("butter", "fat", quantity=50))
        self.assertEqual(self.of(pastry) - {"milk"}, {"dough", "pastry", "loose"})
        batter = pot(
            "batter", line("plain-flour"), line("water", "liquid", quantity=120), line("egg")
        )
        self.assertIn("batter", self.of(batter))
        sauce = pot("sauce", line("plain-flour", "thickener"), line("water", "liquid"))
        self.assertEqual(self.of(sauce), frozenset())

    def test_soy_and_the_sea_savour_a_pot(self) -> None:
        soy, cod = product("soy-sauce", "soy wheat"), product("cod", "fish", "white-fish")
        broth = pot("broth", line("water", "liquid"), line("soy-sauce", "seasoning"), kind="soup")
        self.assertIn("umami", self.of(broth, soy))
        stew = pot("stew", line("water", "liquid"), line("cod"), kind="soup")
        self.assertIn("umami", self.of(stew, cod))
        soup = pot("soup", line("milk", "liquid"), line("butter", "fat"), kind="soup")
        self.assertNotIn("umami", self.of(soup))

    def test_vinegar_by_volume_makes_a_pot_sour_whether_its_density_is_known_or_not(self) -> None:
        for density in (None, 1.01):
            vinegar = product("vinegar", density_g_per_ml=density)
            sour = line("vinegar", "acid", quantity=30, unit="ml")
            self.assertIn("acid", self.of(pot("sauce", line("butter", "fat"), sour), vinegar))
            splash = line("vinegar", "acid", quantity=3, unit="ml")
            self.assertNotIn("acid", self.of(pot("sauce", line("butter", "fat"), splash), vinegar))

    def test_minutes_in_words_are_minutes(self) -> None:
        for text, long in (("Simmer eighteen minutes.", True), ("Simmer five minutes.", False)):
            soup = pot("soup", line("water", "liquid"), kind="soup", method=(Step(text),))
            self.assertEqual("boiled" in self.of(soup), long, text)

    def test_a_dredge_is_a_coating_and_a_garnish_is_none(self) -> None:
        fried = pot("fried", line("egg"), line("plain-flour", "topping"), kind="dish")
        self.assertIn("coating", self.of(fried))
        strewn = pot(
            "strewn", line("egg"), line("plain-flour", "topping", stage="garnish"), kind="dish"
        )
        self.assertNotIn("coating", self.of(strewn))

    def test_what_goes_into_a_pot_that_simmers_on_is_boiled_with_it(self) -> None:
        sauce = pot("sauce", line("plain-flour", "thickener"), line("water", "liquid"))
        stew = pot("stew", line("egg"), line("sauce", "liquid"), method=(Step("Simmer.", 60),))
        self.assertIn("boiled", self.of(sauce, stew))
        cold = replace(stew, method=(Step("Leave to stand.", 60),))
        self.assertNotIn("boiled", self.of(sauce, cold))
        poured = replace(stew, lines=(line("egg"), line("sauce", "liquid", stage="garnish")))
        self.assertNotIn("boiled", self.of(sauce, poured))

    def test_words_of_the_method_say_the_rest(self) -> None:
        for text, structure in (
            ("Mount with cold butter.", "emulsion"),
            ("Whip the whites to peaks.", "foam"),
            ("Brown the top and serve.", "gratin"),
            ("Freeze what is left.", "frozen"),
        ):
            made = pot("made", line("water", "liquid"), method=(Step(text),))
            self.assertIn(structure, self.of(made), text)


class EveryRuleInEveryPot(unittest.TestCase):
    """Every line of the demo and of the library, with a larder that holds everything."""

    @classmethod
    def setUpClass(cls) -> None:
        cls.before = whole_larder()
        cls.proposer = Proposer(cls.before)

    def offers(self) -> Iterator[tuple[Preparation, frozenset[str], Offer]]:
        for made in self.before.book.preparations.values():
            holding = conditions(self.before.balance, made, self.before.graph.users)
            for index in made.counted():
                for offer in self.proposer.offers(made.id, index, milk_goes=False).swaps:
                    yield made, holding, offer

    def brought(self, offer: Offer) -> str | None:
        return None if offer.swap.to is None else class_of(self.before.book, offer.swap.to)

    def test_none_proposes_what_does_not_hold(self) -> None:
        made = list(tried(self.before))
        wrong = [claim for claim in made if claim is not None]
        print(
            f"\nmeasured: {len(made) - len(wrong)} of {len(made)} proposals in the pots of the demo"
            " and of the library hold there"
        )
        self.assertEqual(wrong, [])
        self.assertGreater(len(made), 1_000)

    def test_a_rule_that_claims_more_is_listed_with_the_pot(self) -> None:
        for replaces, role, to, structure in (
            ("white-roux", "thickener", "arrowroot", "boiled"),
            ("butter", "fat", "rapeseed-oil", "pastry"),
            ("egg", "body liquid enrichment", "maize-starch", "dough"),
            ("wheat-flour", "body", "almond", "dough"),
            ("nut-oil", "topping", "potato-starch", None),
        ):
            found = claims(self.before, [rule("claim", replaces, to, roles=role)])
            self.assertTrue(found, to)
            for claim in found:
                made = self.before.book.preparations[claim.swap.in_]
                holding = conditions(self.before.balance, made, self.before.graph.users)
                self.assertTrue(structure in holding or made.kind == "soup", claim)
            allowed = [rule("claim", replaces, to, roles="garnish")]
            self.assertEqual(claims(self.before, allowed), [])

    def test_a_neutral_oil_stands_before_olive_oil_in_what_is_pale(self) -> None:
        compared = 0
        for _, holding, offer in self.offers():
            if "pale" not in holding or self.brought(offer) != "olive-oil":
                continue
            place = (offer.swap.in_, offer.swap.line)
            others = self.proposer.offers(*place, milk_goes=False).swaps
            neutral = [o for o in others if self.brought(o) in ("rapeseed-oil", "sunflower-oil")]
            for other in neutral:
                self.assertLessEqual(sum(other.lost), sum(offer.lost), place)
                compared += 1
        self.assertGreater(compared, 0)


if __name__ == "__main__":
    unittest.main()
