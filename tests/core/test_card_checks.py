"""What a card is told: colours, cautions, near names, and what cannot stand."""

import unittest
from dataclasses import replace

from tests.kitchens import BUTTER, FLOUR, MILK, book, line, pot, product
from yellow_ladle.core.book.book import Preparation, RecipeVersion, Step, Yield
from yellow_ladle.core.book.fault import Fault
from yellow_ladle.core.cards.cautions import called_for, cautions
from yellow_ladle.core.cards.colours import clashes, colours
from yellow_ladle.core.checks.book_faults import change_faults
from yellow_ladle.core.larder.matching import Names, names_of, role_of, sure
from yellow_ladle.core.reading.update import Change, applied
from yellow_ladle.core.vocabulary.units import Measure

MELT, STIR = Step("Melt the butter."), Step("Stir the flour in.", 4, "low")
CARD = pot(
    "roux",
    line("butter", "fat", quantity=100),
    line("plain-flour", "thickener", quantity=100),
    kind="roux",
    method=(MELT, STIR),
)


class ColoursAndCautions(unittest.TestCase):
    def clash(self, *lines: object, colour: str = "white", **rest: object) -> list[str]:
        brown = pot("brown-roux", "butter", kind="roux", colour="brown", name="Brown roux")
        pale = pot("white-roux", "butter", kind="roux", colour="white", name="White roux")
        onions = pot("onions", "butter", colour="brown", name="Gold onions")
        pepper = product("pepper", class_="spice")
        pepper = replace(pepper, name="Black pepper")
        made = pot("sauce", *lines, colour=colour, **rest)  # type: ignore[arg-type]
        pieces = (BUTTER, MILK, FLOUR, pepper, brown, pale, onions, made)
        return [clash.sentence for clash in clashes(book(*pieces), made)]

    def test_what_breaks_a_colour_family_is_told_quietly(self) -> None:
        self.assertIn("a brown roux under a white one", self.clash("brown-roux")[0])
        self.assertIn("it is brown", self.clash("onions")[0])
        self.assertIn("Black pepper: it shows dark", self.clash("pepper")[0])
        self.assertIn("a white roux lightens", self.clash("white-roux", colour="brown")[0])
        self.assertIn("clouds", self.clash("plain-flour", colour="clear")[0])
        browned = self.clash("milk", method=(Step("Colour the onions first."),))
        self.assertEqual(browned, ["Step 1: colouring in this step breaks a white pot."])
        self.assertEqual(self.clash("white-roux", "milk"), [])
        self.assertEqual(self.clash(line("onions", strained_out=True)), [])
        self.assertEqual(colours(), ("white", "blond", "brown", "red", "green", "clear"))

    def test_a_steps_words_call_for_cautions(self) -> None:
        wanted = {
            "Boil the kidney beans.": "kidney-beans",
            "Brandy in, set alight.": "alight",
            "Blend until smooth.": "blend-hot",
            "Strain, chill fast.": "cool-big-pot",
            "Yolks stirred in off the heat.": "raw-egg",
            "Fry the bread.": "hot-fat",
            "Crush the shells in the pan.": "shell-spines",
            "Fill the jars while hot.": "hot-jars",
            "Open the oysters.": "oysters",
            "Hot stock onto the hot roux, all at once.": "hot-on-hot",
        }
        for text, id in wanted.items():
            self.assertIn(id, [caution.id for caution in called_for(text)], text)
        self.assertEqual(called_for("Stir it."), ())
        self.assertEqual(
            [c.id for c in called_for("In with it.", ["Red kidney beans"])], ["kidney-beans"]
        )
        self.assertTrue(all(c.text and c.source for c in cautions()))


class Matching(unittest.TestCase):
    def setUp(self) -> None:
        names = ("Hill Farm butter", "Onions", "Spring onions", "Bay leaves", "Plain flour")
        self.names = Names({name.lower().replace(" ", "-"): name for name in names})

    def test_words_find_items(self) -> None:
        for text, item in (
            ("onion", "onions"),
            ("bay leaf", "bay-leaves"),
            ("plain flour", "plain-flour"),
            ("plain flower", "plain-flour"),
            ("finely chopped onions", "onions"),
        ):
            self.assertEqual(self.names.matches(text)[0].item, item, text)
        self.assertTrue(sure(self.names.matches("onions")))
        self.assertTrue(sure(self.names.matches("bay leaf")))

    def test_what_is_only_near_is_not_taken(self) -> None:
        near = self.names.matches("butter")
        self.assertEqual((near[0].item, sure(near)), ("hill-farm-butter", False))
        self.assertFalse(sure(self.names.matches("buter")))
        self.assertEqual(self.names.matches("cod"), ())
        self.assertEqual(self.names.matches("the"), ())

    def test_a_retired_pot_is_not_offered_and_roles_are_guessed(self) -> None:
        made = book(
            BUTTER, replace(pot("old", "butter"), retired="2026-11-01"), pot("new", "butter")
        )
        self.assertEqual(set(names_of(made)), {"butter", "new"})
        self.assertEqual(role_of("butter"), "fat")
        self.assertEqual(role_of(None, "stock"), "liquid")
        self.assertEqual(role_of("anything"), "body")


class Faults(unittest.TestCase):
    def faults(self, made: Preparation, *measures: Measure) -> list[Fault]:
        standing = book(FLOUR, BUTTER, MILK)
        standing = replace(standing, kitchen=replace(standing.kitchen, measures=measures))
        change = Change(preparations=(made,))
        return change_faults(applied(standing, change), change)

    def test_a_yield_of_nothing_and_a_line_of_ten_tonnes(self) -> None:
        found = self.faults(replace(CARD, yield_=Yield(0, "g")))
        self.assertEqual(found[0].place, "roux.yield.quantity")
        for quantity, unit in ((10_000, "kg"), (10_000_000, "g"), (3000, "gallon")):
            heavy = replace(CARD, lines=(line("butter", quantity=quantity, unit=unit),))
            found = self.faults(heavy)
            self.assertEqual(found[0].place, "roux.lines[0].quantity")
            self.assertIn("more than a tonne", found[0].message)
        self.assertEqual(
            self.faults(replace(CARD, lines=(line("butter", quantity=999, unit="kg"),))), []
        )

    def test_more_out_than_in_wants_a_reason(self) -> None:
        swollen = replace(CARD, yield_=Yield(500, "g"))
        found = self.faults(swollen)
        self.assertEqual(found[0].place, "roux.yield.note")
        self.assertIn("300 g more come out than went in", found[0].message)
        self.assertEqual(
            self.faults(replace(swollen, yield_=Yield(500, "g", "it takes up water"))), []
        )

    def test_five_hundred_lines_stand(self) -> None:
        self.assertEqual(self.faults(pot("long", *[line("butter")] * 500)), [])

    def test_a_loop_through_a_by_product_is_named_whole(self) -> None:
        first = pot("first", "butter", by="fat")
        second = pot("second", "first/fat")
        looped = replace(first, lines=(line("second"),))
        standing = book(BUTTER, first, second)
        change = Change(preparations=(looped,))
        found = change_faults(applied(standing, change), change)
        self.assertIn("a pot cannot go into itself: First → Second → First", found[0].message)

    def test_units_are_the_shipped_ones_and_the_kitchens(self) -> None:
        scooped = replace(CARD, lines=(line("butter", unit="scoop"),))
        self.assertEqual(self.faults(scooped)[0].place, "roux.lines[0].unit")
        self.assertEqual(self.faults(scooped, Measure("scoop", 40, "g")), [])
        way = replace(CARD, ways=(RecipeVersion("other", (line("nothing", unit="scoop"),)),))
        self.assertEqual(
            [fault.place for fault in self.faults(way)],
            ["roux.ways[0].lines[0].item", "roux.ways[0].lines[0].unit"],
        )


if __name__ == "__main__":
    unittest.main()
