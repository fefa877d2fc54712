"""What a pot is made as, and that no rule proposes what does not hold there."""

import unittest
from collections.abc import Iterator
from dataclasses import replace

from tests.kitchens import BUTTER, FLOUR, MILK, line, pot, product, reading
from yellow_ladle.core.book.book import Preparation, Step
from yellow_ladle.core.book.proposed_class import class_of
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.swaps.bases import base_library
from yellow_ladle.core.swaps.search.candidates import Offer, Proposer
from yellow_ladle.core.swaps.search.conditions import conditions
from yellow_ladle.core.vocabulary.classes import expanded, known_classes
from yellow_ladle.core.vocabulary.flags import shipped_flags
from yellow_ladle.demo.kitchen import demo_book

FLAGS = {flag.id for flag in shipped_flags()}
SLURRIES = {"arrowroot", "maize-starch", "tapioca-starch"}
"""Starches that thin again in what simmers on."""
FLOURS = {
    *expanded(["@wheat-flours", "@gluten-free-flours"]),
    "rye-flour",
    "rice-flour",
    "buckwheat-flour",
    "gram-flour",
    "oatmeal",
    "maize-meal",
    "polenta",
}
"""What a dough can be made of."""
OILS = {"olive-oil", "rapeseed-oil", "sunflower-oil"}


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
    def of(self, made: Preparation, *more: Preparation) -> frozenset[str]:
        eggs = product("egg", "egg", "egg", unit_weight_g=50.0)
        oil = product("oil", "", "rapeseed-oil", density_g_per_ml=0.9)
        water = product("water", class_="water", density_g_per_ml=1.0)
        before = reading(FLOUR, BUTTER, MILK, eggs, oil, water, made, *more)
        return conditions(before.balance, made, before.graph.users)

    def test_flour_as_the_body_makes_a_dough(self) -> None:
        bread = pot("bread", line("plain-flour"), line("water", "liquid", quantity=60))
        self.assertEqual(self.of(bread), {"dough"})
        pastry = pot("pastry", line("plain-flour"), line("butter", "fat", quantity=50))
        self.assertEqual(self.of(pastry) - {"milk"}, {"dough", "pastry"})
        batter = pot(
            "batter", line("plain-flour"), line("water", "liquid", quantity=120), line("egg")
        )
        self.assertIn("batter", self.of(batter))
        sauce = pot("sauce", line("plain-flour", "thickener"), line("water", "liquid"))
        self.assertEqual(self.of(sauce), frozenset())

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
        tried = 0
        for made, holding, offer in self.offers():
            tried += 1
            brought = self.brought(offer)
            from_ = class_of(self.before.book, offer.swap.from_)
            role = made.lines[offer.swap.line].role
            told = (made.id, offer.swap.from_, offer.swap.to, offer.swap.rule)
            if "boiled" in holding and role == "thickener":
                self.assertNotIn(brought, SLURRIES, told)
            if "pastry" in holding and role == "fat" and from_ not in OILS:
                self.assertNotIn(brought, OILS, told)
            if "dough" in holding and from_ in ("egg", "egg-yolk") and role != "topping":
                self.assertNotIn(brought, {*SLURRIES, "soy-cream", "oat-cream"}, told)
            if "dough" in holding and role == "body" and from_ in FLOURS:
                self.assertIn(brought, FLOURS, told)
            if made.kind == "soup" and role == "topping":
                self.assertNotIn(brought, {*SLURRIES, "potato-starch"}, told)
        print(
            f"\nmeasured: {tried} proposals in the pots of the demo and of the library hold there"
        )
        self.assertGreater(tried, 1_000)

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
