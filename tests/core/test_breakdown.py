"""What an item carries, told by flag and by source: complete, once, and in the law's words."""

import unittest
from collections import Counter
from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from tests.effort import examples
from tests.kitchens import OPEN, book, pot, product, reading
from tests.random_books import books
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.reading.breakdown import by_flag, by_source
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.vocabulary.regimes import regimes


class Breakdown(unittest.TestCase):
    @given(books(), st.sampled_from(sorted(regimes())))
    @examples(120)
    def test_tells_every_flag_once_with_every_source(self, found: Book, regime: str) -> None:
        reading = read(replace(found, kitchen=replace(found.kitchen, regime=regime)))
        for item in reading.items():
            sources = reading.sources(item)
            entries = [entry for part in by_flag(reading, item) for entry in part.entries]
            told = Counter(flag for entry in entries for flag in entry.flags)
            self.assertEqual(told, Counter(reading.levels(item).keys()))
            for entry in entries:
                self.assertTrue(all(source.level is entry.level for source in entry.sources))
                self.assertTrue(entry.sources)
                for flag in entry.flags:
                    self.assertEqual(entry.level, reading.level(item, flag))
                    self.assertEqual((*entry.sources, *entry.lower), sources[flag])

    @given(books(), st.sampled_from(sorted(regimes())))
    @examples(80)
    def test_what_the_law_wants_stands_first_and_nothing_else_does(
        self, found: Book, regime: str
    ) -> None:
        reading = read(replace(found, kitchen=replace(found.kitchen, regime=regime)))
        for item in reading.items():
            declaration = reading.declaration(item)
            declared = {*declaration.contains, *declaration.may_contain, *declaration.unchecked}
            wanted = {
                flag
                for group in regimes()[regime].groups
                if group.id in declared
                for flag in group.flags
            }
            for part in by_flag(reading, item):
                flags = {flag for entry in part.entries for flag in entry.flags}
                levels = {entry.level for entry in part.entries}
                self.assertEqual(part.names.keys(), levels)
                if part.id == "declared":
                    self.assertLessEqual(flags, wanted)
                else:
                    self.assertFalse(flags & wanted)

    @given(books())
    @examples(120)
    def test_by_source_tells_the_same_as_by_flag(self, found: Book) -> None:
        reading = read(found)
        for item in reading.items():
            wanted = {
                (flag, source) for flag, given in reading.sources(item).items() for source in given
            }
            told = [
                (flag, replace(bringer.source, level=brought.level))
                for bringer in by_source(reading, item)
                for brought in bringer.brings
                for flag in brought.flags
            ]
            self.assertEqual(len(told), len(set(told)))
            self.assertEqual(set(told), wanted)
            self.assertNotIn(Level.FREE, [source.level for _, source in told])


class Words(unittest.TestCase):
    GOODS = (
        product("flour", "wheat"),
        product("ale", "barley alcohol"),
        product("oil", may="almond hazelnut"),
        product("jar", otherwise=OPEN),
        pot("sauce", "flour", "ale", "oil", "jar"),
    )

    def test_groups_name_their_flags_and_doubts_are_one_entry(self) -> None:
        parts = by_flag(reading(*self.GOODS), "sauce")
        self.assertEqual([part.id for part in parts], ["declared", "allergen", "origin"])
        declared = parts[0]
        self.assertEqual(declared.name, "To declare, EU 14")
        self.assertEqual(
            [entry.names for entry in declared.entries][:2],
            [("Cereals with gluten (wheat)",), ("Cereals with gluten (barley)",)],
        )
        self.assertEqual(declared.names[Level.CONTAINS], ("Cereals with gluten (wheat, barley)",))
        self.assertEqual(declared.names[OPEN][0], "Cereals with gluten (rye, oats)")
        doubts = [entry for entry in declared.entries if entry.level is Level.UNCHECKED]
        self.assertEqual(doubts[0].names[:2], ("Cereals with gluten (rye, oats)", "Crustaceans"))
        # The oil may contain almond and hazelnut; the jar, which nobody has read, is more.
        self.assertEqual([source.product for source in doubts[1].lower], ["oil"])
        self.assertEqual(doubts[1].names, ("Nuts (almond, hazelnut)",))

    def test_two_names_of_one_law_for_a_flag_stand_together(self) -> None:
        declared = by_flag(reading(*self.GOODS, regime="anz"), "sauce")[0]
        self.assertEqual(declared.entries[0].names, ("Wheat", "Gluten (wheat)"))
        self.assertEqual(declared.entries[0].flags, ("wheat",))
        self.assertEqual(declared.entries[1].names, ("Gluten (barley)",))

    def test_what_the_law_does_not_list_stands_after(self) -> None:
        parts = {part.id: part for part in by_flag(reading(*self.GOODS, regime="us-9"), "sauce")}
        self.assertEqual(parts["allergen"].names[Level.CONTAINS], ("Barley",))
        self.assertEqual(parts["origin"].names[Level.CONTAINS], ("Alcohol",))

    def test_nothing_to_declare_is_said_where_other_things_are_carried(self) -> None:
        goods = (
            product("hen", "poultry"),
            pot("broth", "hen"),
            product("carrot"),
            pot("pan", "carrot"),
        )
        parts = by_flag(reading(*goods), "broth")
        self.assertEqual((parts[0].id, parts[0].names), ("declared", {}))
        self.assertEqual(by_flag(reading(*goods), "pan"), ())

    def test_a_lower_source_is_folded_away_but_not_lost(self) -> None:
        declared = by_flag(reading(*self.GOODS), "sauce")[0]
        wheat = next(entry for entry in declared.entries if "wheat" in entry.flags)
        self.assertEqual([source.product for source in wheat.sources], ["flour"])
        self.assertEqual([source.product for source in wheat.lower], ["jar"])

    def test_a_trace_of_own_tools_says_so(self) -> None:
        tool = Tool("Chinois", always_shared=True)
        found = book(*self.GOODS[:1], pot("roux", "flour", equipment=("chinois",)),
                     product("rice"), pot("broth", "rice", equipment=("chinois",)))  # fmt: skip
        declared = by_flag(read(replace(found, tools=(tool,))), "broth")[0]
        self.assertEqual(
            declared.names[Level.MAY_CONTAIN], ("Cereals with gluten (wheat, own tools)",)
        )

    def test_a_jar_brings_all_at_once(self) -> None:
        bringers = {b.source.product: b for b in by_source(reading(*self.GOODS), "sauce")}
        self.assertEqual(list(bringers), ["ale", "flour", "oil", "jar"])
        (flags,) = bringers["ale"].brings
        self.assertEqual(flags.names, ("Barley", "Alcohol"))
        self.assertEqual([brought.level for brought in bringers["jar"].brings], [OPEN])


if __name__ == "__main__":
    unittest.main()
