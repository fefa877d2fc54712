"""Allergen codes, starting points, changed labels, and changes told in a line."""

import unittest
from dataclasses import replace

from tests.kitchens import FREE, FULL, MAY, OPEN, levels, pot, product, reading
from yellow_ladle.core.book.maker import Evidence, Maker, Paper
from yellow_ladle.core.impact.impact import impact_of
from yellow_ladle.core.impact.summary import line, told
from yellow_ladle.core.larder.label_changes import (
    accepted,
    differences,
    kept_apart,
    voice_with_code,
    with_maker,
    without_maker,
)
from yellow_ladle.core.larder.starting_points import goods
from yellow_ladle.core.reading.update import Change, stating
from yellow_ladle.core.vocabulary.flags import shipped_flags
from yellow_ladle.core.vocabulary.gs1_codes import allergen_codes, decoded, encoded

SHEET = Evidence("supplier", "2026-11-23", "NB")


class Codes(unittest.TestCase):
    def test_every_code_stands_for_known_allergens(self) -> None:
        known = {flag.id for flag in shipped_flags() if flag.group == "allergen"}
        for code in allergen_codes().values():
            self.assertLessEqual(set(code.flags), known, code.code)
            self.assertEqual(code.group, len(code.flags) > 1, code.code)
        wanted = {"AW", "UW", "AM", "AE", "AF", "AC", "UM", "AP", "AY", "AN", "BC", "BM", "AS"}
        self.assertLessEqual(wanted | {"AU", "NL"}, set(allergen_codes()))

    def test_levels_and_groups(self) -> None:
        self.assertEqual(decoded([("AM", "CONTAINS")]).levels, levels("milk"))
        self.assertEqual(decoded([("am", "may_contain")]).levels, levels(may="milk"))
        self.assertEqual(decoded([("AE", "FREE_FROM")]).levels, levels(free="egg"))
        cereals = decoded([("AW", "MAY_CONTAIN")]).levels
        self.assertEqual(cereals, levels(may="wheat rye barley oats"))

    def test_the_higher_of_two_holds_and_a_named_member_settles_its_group(self) -> None:
        both = decoded([("UW", "MAY_CONTAIN"), ("GS", "CONTAINS"), ("GS", "FREE_FROM")])
        self.assertEqual(both.levels, levels("wheat"))
        self.assertEqual(decoded([("AW", "CONTAINS"), ("NR", "CONTAINS")]).levels, levels("rye"))
        freed = decoded([("AN", "FREE_FROM"), ("SA", "CONTAINS")]).levels
        self.assertEqual((freed["almond"], freed["walnut"]), (FULL, FREE))

    def test_what_is_not_known_is_reported(self) -> None:
        found = decoded([("XX", "CONTAINS"), ("AM", "SOME")])
        self.assertEqual((found.levels, found.unknown), ({}, ("XX CONTAINS", "AM SOME")))

    def test_there_and_back(self) -> None:
        given = levels("milk wheat", may="cashew", free="egg")
        self.assertEqual(decoded(encoded(given)).levels, given)
        self.assertEqual(encoded(levels(unchecked="soy") | {"pork": FULL}), [])


class StartingPoints(unittest.TestCase):
    def test_two_hundred_or_more_of_known_flags_and_never_checked(self) -> None:
        known = {flag.id for flag in shipped_flags()}
        self.assertGreaterEqual(len(goods()), 200)
        for good in goods().values():
            self.assertLessEqual({*good.has, *good.look}, known, good.id)
            self.assertFalse(set(good.has) & set(good.look), good.id)
            begun = good.product("x")
            self.assertEqual(begun.otherwise, OPEN)
            self.assertEqual(set(begun.statements), set(good.has))
            for number in good.numbers.values():
                self.assertGreaterEqual(number, 0, good.id)
        self.assertEqual(goods()["onion"].product("x").unit_weight_g, 110)
        self.assertEqual(goods()["white-wine"].product("x").so2_mg_per_kg, 100)


class ChangedLabels(unittest.TestCase):
    OWN = product("mustard", "mustard", may="celery", code="123")
    MAKERS = product(
        "oats",
        makers=(
            Maker("a", "A", levels("oats"), FREE, code="456"),
            Maker("b", "B", levels("oats", may="wheat"), FREE),
        ),
    )
    NEW = levels("mustard wheat")

    def test_a_code_finds_its_voice(self) -> None:
        self.assertEqual(voice_with_code(self.OWN, "123"), "")
        self.assertEqual(voice_with_code(self.MAKERS, "456"), "a")
        self.assertIsNone(voice_with_code(self.MAKERS, ""))
        self.assertIsNone(voice_with_code(self.OWN, "9"))

    def test_what_differs(self) -> None:
        self.assertEqual(differences(self.OWN, "", self.NEW), {"wheat": (FREE, FULL)})
        self.assertEqual(
            differences(self.MAKERS, "b", levels(free="wheat")), {"wheat": (MAY, FREE)}
        )

    def test_accepted_the_sheet_takes_the_place_of_what_it_speaks_of(self) -> None:
        new = accepted(self.OWN, "", self.NEW, SHEET, "Mustard, wheat")
        self.assertEqual(new.statements, levels("mustard wheat", may="celery"))
        self.assertEqual((new.evidence["wheat"], new.label), (SHEET, "Mustard, wheat"))
        oats = accepted(self.MAKERS, "b", levels("rye"), SHEET, "")
        self.assertEqual(oats.makers[1].statements, levels("oats rye", may="wheat"))
        self.assertEqual(oats.makers[0], self.MAKERS.makers[0])

    def test_kept_apart_both_labels_count(self) -> None:
        apart = kept_apart(self.OWN, "", "New sheet", self.NEW, SHEET, "")
        self.assertEqual([maker.id for maker in apart.makers], ["as-before", "new-sheet"])
        found = reading(apart, pot("sauce", "mustard"))
        self.assertEqual(found.levels("sauce"), levels("mustard wheat", may="celery"))
        oats = kept_apart(replace(self.MAKERS, in_use="a"), "a", "New", levels("rye"), SHEET, "")
        self.assertEqual((len(oats.makers), oats.in_use), (3, None))

    def test_makers_come_and_go_and_nothing_is_lost_or_freed(self) -> None:
        two = with_maker(self.OWN, Maker("b", "B"))
        self.assertEqual(reading(two, pot("s", "mustard")).level("s", "egg"), OPEN)
        self.assertEqual(two.makers[0].statements, self.OWN.statements)
        self.assertEqual(len(with_maker(two, Maker("c", "C")).makers), 3)
        bare = without_maker(without_maker(replace(two, in_use="b"), "b"), "as-before")
        self.assertEqual((bare.makers, bare.in_use, bare.otherwise), ((), None, OPEN))


class Telling(unittest.TestCase):
    def said(self, before: object, change: Change) -> str:
        after, _ = impact_of(before, change)  # type: ignore[arg-type]
        return line(before, after, change)  # type: ignore[arg-type]

    def test_what_became_of_each(self) -> None:
        before = reading(product("milk", "milk"), pot("sauce", "milk"), product("old"))
        soy = stating(before.book, "milk", "soy", FULL)
        self.assertEqual(self.said(before, soy), "Milk: soy contains (was free)")
        unread = Change(products=(product("milk", otherwise=OPEN),))
        self.assertIn(", 34 more", self.said(before, unread))
        card = Change(preparations=(pot("sauce", "milk", "old"), pot("new", "milk")))
        wanted = "Sauce: its card was changed. Added: 100 g Old; New: a new card"
        self.assertEqual(self.said(before, card), wanted)
        self.assertEqual(self.said(before, Change(removed=("old",))), "Old: removed")
        self.assertEqual(
            self.said(before, Change(products=(product("tub"),))), "Tub: new in the larder"
        )

    def test_changes_without_a_flag(self) -> None:
        milk = product("milk", "milk")
        before = reading(milk)
        for changed, wanted in (
            (replace(milk, papers={"vegan": Paper("1")}), "its certificates were changed"),
            (replace(milk, evidence={"milk": SHEET}), "read again, all as it was"),
            (replace(milk, pack="1 l"), "changed, no flag with it"),
            (with_maker(milk, Maker("b", "B", {}, FREE)), "its makers were changed"),
        ):
            after, _ = impact_of(before, Change(products=(changed,)))
            [text] = told(before, after, Change(products=(changed,))).values()
            self.assertIn(wanted, text)
