"""Cards against each other: ways, differences, merging, another name."""

import unittest
from dataclasses import fields, replace

from hypothesis import given
from hypothesis import strategies as st

from tests.effort import examples
from tests.kitchens import BUTTER, FLOUR, OIL, OPEN, book, line, pot, product, read
from yellow_ladle.core.book.book import ByProduct, Preparation, RecipeVersion, Step, Yield
from yellow_ladle.core.book.pan import Reduction
from yellow_ladle.core.book.product import Addition, Bag
from yellow_ladle.core.cards.align import aligned
from yellow_ladle.core.cards.compare import differences
from yellow_ladle.core.cards.merge import merged
from yellow_ladle.core.cards.rename import renamed
from yellow_ladle.core.cards.versions import FIRST, NoSuchWay, using, way_in_use
from yellow_ladle.core.checks.book_faults import change_faults
from yellow_ladle.core.reading.update import Change, applied, reread
from yellow_ladle.core.vocabulary.levels import Level

MELT, STIR = Step("Melt the butter."), Step("Stir the flour in.", 4, "low")
CARD = pot(
    "roux",
    line("butter", "fat", quantity=100),
    line("plain-flour", "thickener", quantity=100),
    kind="roux",
    method=(MELT, STIR),
)


def told(before: Preparation, after: Preparation) -> list[str]:
    return [entry.sentence for entry in differences(before, after, str)]


class Ways(unittest.TestCase):
    def setUp(self) -> None:
        oily = RecipeVersion(
            "with oil", (line("oil", "fat"), line("plain-flour")), (STIR,), "blond"
        )
        self.card = replace(CARD, way="with butter", ways=(oily,), colour="white")

    def test_another_way_is_taken_into_use_and_back(self) -> None:
        other = using(self.card, "with oil")
        self.assertEqual(
            (other.way, other.colour, other.lines[0].item), ("with oil", "blond", "oil")
        )
        self.assertEqual(other.ways, (way_in_use(self.card),))
        self.assertEqual(using(other, "with butter"), self.card)
        self.assertIs(using(self.card, "with butter"), self.card)
        with self.assertRaisesRegex(NoSuchWay, 'no way called "with lard"'):
            using(self.card, "with lard")
        self.assertEqual(way_in_use(CARD).name, FIRST)

    def test_only_the_way_in_use_is_carried(self) -> None:
        before = read(book(FLOUR, BUTTER, OIL, self.card))
        self.assertEqual(before.level("roux", "milk"), Level.CONTAINS)
        after = reread(before, Change(preparations=(using(self.card, "with oil"),))).reading
        self.assertEqual(after.level("roux", "milk"), Level.FREE)

    def test_what_a_way_is_made_of_cannot_be_removed(self) -> None:
        made = book(FLOUR, BUTTER, OIL, self.card)
        change = Change(removed=("oil",))
        found = change_faults(applied(made, change), change)
        self.assertEqual(
            [str(fault) for fault in found],
            ['roux.ways[0]: "oil" is in the way "with oil" of Roux; take it out there first'],
        )

    def test_two_ways_of_one_name_are_refused(self) -> None:
        twice = replace(self.card, ways=(*self.card.ways, RecipeVersion("with butter")))
        change = Change(preparations=(twice,))
        found = change_faults(applied(book(FLOUR, BUTTER, OIL), change), change)
        self.assertIn("is here twice", found[0].message)


class Comparing(unittest.TestCase):
    def test_lines_of_a_by_product_are_counted_from_one(self) -> None:
        fat = ByProduct("fat", "Fat", of=(0, 2))
        one = replace(CARD, by_products=(fat,))
        other = replace(CARD, by_products=(replace(fat, of=None),))
        self.assertEqual(told(one, other), ["The by-products: Fat comes of line 1, 3 → Fat."])

    def test_differences_are_sentences(self) -> None:
        after = replace(
            CARD,
            name="Blond roux",
            colour="blond",
            yield_=Yield(190, "g"),
            lines=(
                replace(CARD.lines[0], quantity=120, note="unsalted"),
                replace(CARD.lines[1], strained_out=True),
                line("salt", "seasoning", quantity=2),
            ),
            method=(MELT, replace(STIR, text="Stir the flour in slowly.", minutes=6)),
            statements={"soy": Level.MAY_CONTAIN},
        )
        self.assertEqual(
            told(CARD, after),
            [
                "The name: Roux → Blond roux.",
                "The colour family: nothing → blond.",
                "The yield: nothing → 190 g.",
                "butter: 100 g → 120 g.",
                "butter, note: nothing → unsalted.",
                "plain-flour, strained out: no → yes.",
                "Added: 2 g salt.",
                "Step 2: “Stir the flour in.” → “Stir the flour in slowly.”",
                "Step 2, minutes: 4 → 6.",
                "soy, stated of the pot itself: not stated → may_contain.",
            ],
        )
        self.assertEqual(told(CARD, CARD), [])

    def test_what_is_counted_needs_no_unit(self) -> None:
        after = replace(CARD, lines=(*CARD.lines, line("onions", unit="piece", quantity=3)))
        self.assertEqual(told(CARD, after), ["Added: 3 onions."])

    def test_a_moved_line_is_not_another_one(self) -> None:
        moved = replace(CARD, lines=CARD.lines[::-1])
        self.assertEqual(told(CARD, moved), ["The lines stand in another order."])

    def test_every_field_of_a_line_and_a_step_is_told(self) -> None:
        line_values = {
            "item": "oil",
            "quantity": 5.0,
            "unit": "kg",
            "role": "body",
            "stage": "finish",
            "optional": True,
            "strained_out": True,
            "choice": "fat",
            "chosen": True,
            "note": "n",
            "equipment": ("pan",),
            "treatment": "simmered",
            "minutes": 3.0,
            "group": "g",
            "typed": "a splash",
        }
        for entry in fields(CARD.lines[0]):
            changed = replace(CARD.lines[0], **{entry.name: line_values[entry.name]})
            after = replace(CARD, lines=(changed, CARD.lines[1]))
            self.assertTrue(told(CARD, after), entry.name)
        step_values = {
            "text": "Melt the butter slowly.",
            "minutes": 9.0,
            "heat": "high",
            "cue": "foam",
            "caution": "Hot.",
            "equipment": ("pan",),
            "uses": ("butter",),
            "passive": True,
        }
        for entry in fields(MELT):
            changed_step = replace(MELT, **{entry.name: step_values[entry.name]})
            said = told(CARD, replace(CARD, method=(changed_step, STIR)))
            self.assertTrue(said, entry.name)
            self.assertFalse(said[0].endswith(".."), said)

    def test_entries_are_aligned(self) -> None:
        self.assertEqual(aligned("abc", "abc"), [0, 1, 2])
        self.assertEqual(aligned("abc", "axc"), [0, 1, 2])
        self.assertEqual(aligned("abc", "cab"), [2, 0, 1])
        self.assertEqual(aligned("abc", "ac"), [0, 2])
        self.assertEqual(aligned("abc", "axc", lambda *_: False), [0, None, 2])


class Merging(unittest.TestCase):
    def test_changes_of_different_lines_are_put_together(self) -> None:
        mine = replace(CARD, lines=(replace(CARD.lines[0], quantity=120), CARD.lines[1]))
        salt = line("salt", "seasoning", quantity=2)
        theirs = replace(CARD, name="Theirs", lines=(*CARD.lines, salt))
        found = merged(CARD, mine, theirs)
        self.assertEqual(found.conflicts, ())
        self.assertEqual(found.preparation.name, "Theirs")
        self.assertEqual([entry.quantity for entry in found.preparation.lines], [120, 100, 2])

    def test_both_changing_one_amount_is_told_and_mine_is_kept(self) -> None:
        mine = replace(CARD, lines=(replace(CARD.lines[0], quantity=120), CARD.lines[1]))
        theirs = replace(CARD, lines=(replace(CARD.lines[0], quantity=90), CARD.lines[1]))
        found = merged(CARD, mine, theirs)
        self.assertEqual(found.preparation.lines[0].quantity, 120)
        self.assertEqual(
            found.conflicts,
            ("Both changed quantity of the line butter: yours was kept, theirs was 90.",),
        )

    def test_what_one_took_out_and_the_other_changed_is_kept(self) -> None:
        without = replace(CARD, lines=CARD.lines[1:])
        changed = replace(CARD, lines=(replace(CARD.lines[0], quantity=90), CARD.lines[1]))
        for mine, theirs, who in ((without, changed, "You took"), (changed, without, "They took")):
            found = merged(CARD, mine, theirs)
            self.assertIn(90, [entry.quantity for entry in found.preparation.lines])
            self.assertIn(who, found.conflicts[0])
        both = merged(CARD, without, without)
        self.assertEqual((both.preparation, both.conflicts), (without, ()))

    def test_steps_are_merged_like_lines(self) -> None:
        mine = replace(CARD, method=(MELT, replace(STIR, minutes=8)))
        theirs = replace(CARD, method=(Step("Weigh all of it."), MELT, STIR))
        found = merged(CARD, mine, theirs)
        self.assertEqual(
            [(step.text, step.minutes) for step in found.preparation.method],
            [("Weigh all of it.", None), (MELT.text, None), (STIR.text, 8)],
        )

    def test_flags_stated_by_both_are_all_kept_the_higher_level_where_they_differ(self) -> None:
        base = replace(CARD, statements={"soy": Level.FREE, "egg": Level.MAY_CONTAIN})
        mine = replace(base, statements={"soy": Level.CONTAINS, "milk": Level.CONTAINS})
        theirs = replace(
            base, statements={**base.statements, "soy": Level.MAY_CONTAIN, "fish": OPEN}
        )
        found = merged(base, mine, theirs)
        self.assertEqual(
            found.preparation.statements,
            {"soy": Level.CONTAINS, "milk": Level.CONTAINS, "fish": OPEN},
        )
        self.assertIn("soy", found.conflicts[0])
        lower = replace(base, statements={**base.statements, "soy": Level.MAY_CONTAIN})
        higher = replace(base, statements={**base.statements, "soy": Level.CONTAINS})
        kept = merged(base, lower, higher).preparation.statements["soy"]
        self.assertEqual(kept, Level.CONTAINS)

    def test_by_products_ways_and_batches_of_both_are_kept(self) -> None:
        fat, meat = ByProduct("fat", "Fat"), ByProduct("meat", "Meat")
        first, second = Reduction("2026-11-01", 5, 4, 60), Reduction("2026-11-02", 5, 4, 60)
        mine = replace(CARD, by_products=(fat,), batches=(first,), ways=(RecipeVersion("oil"),))
        theirs = replace(
            CARD, by_products=(meat,), batches=(second,), ways=(RecipeVersion("lard"),)
        )
        found = merged(CARD, mine, theirs)
        self.assertEqual({part.id for part in found.preparation.by_products}, {"fat", "meat"})
        self.assertEqual(len(found.preparation.batches), 2)
        self.assertEqual({way.name for way in found.preparation.ways}, {"oil", "lard"})
        self.assertEqual(found.conflicts, ())

    @given(st.permutations(["a", "b", "c", "d"]), st.lists(st.sampled_from("abcdxyz"), max_size=6))
    @examples(100)
    def test_nothing_changed_takes_all_of_the_other(
        self, order: list[str], items: list[str]
    ) -> None:
        base = pot("m", *map(line, order))
        other = pot("m", *(line(item, quantity=n) for n, item in enumerate(items)))
        self.assertEqual(merged(base, other, base).preparation, other)
        taken = merged(base, base, other)
        self.assertEqual(taken.conflicts, ())
        self.assertEqual(
            sorted((e.item, e.quantity) for e in taken.preparation.lines),
            sorted((e.item, e.quantity) for e in other.lines),
        )


class Renaming(unittest.TestCase):
    def test_every_reference_follows(self) -> None:
        stock = pot("stock", "butter", by="fat")
        way = RecipeVersion("other", (line("stock"),))
        sauce = pot(
            "sauce", "stock", "stock/fat", method=(Step("In.", uses=("stock",)),), ways=(way,)
        )
        copy = pot("copy", "butter", variant_of="stock")
        bag = product("bag", bag=Bag((Addition("stock/fat", "2026-11-01"),)))
        made = book(BUTTER, bag, stock, sauce, copy)
        change = renamed(made, "stock", "white-stock", "White stock")
        after = applied(made, change)
        self.assertEqual(change_faults(after, change), [])
        self.assertNotIn("stock", after.preparations)
        self.assertEqual(after.preparations["white-stock"].name, "White stock")
        sauce = after.preparations["sauce"]
        self.assertEqual([e.item for e in sauce.lines], ["white-stock", "white-stock/fat"])
        self.assertEqual(sauce.method[0].uses, ("white-stock",))
        self.assertEqual(sauce.ways[0].lines[0].item, "white-stock")
        self.assertEqual(after.preparations["copy"].variant_of, "white-stock")
        filled = after.products["bag"].bag
        self.assertEqual(filled and filled.additions[0].item, "white-stock/fat")
        before, later = read(made), read(after)
        self.assertEqual(before.masks["sauce"], later.masks["sauce"])

    def test_another_name_alone_touches_nothing_else(self) -> None:
        made = book(FLOUR, BUTTER, CARD)
        change = renamed(made, "roux", "roux", "Pale roux")
        self.assertEqual((change.ids, change.preparations[0].name), (["roux"], "Pale roux"))


if __name__ == "__main__":
    unittest.main()
