"""The tables that ship: complete, sourced, and of one vocabulary."""

import tomllib
import unittest
from datetime import date
from importlib.resources import files
from pathlib import Path

from yellow_ladle.core.book.book import KINDS, ROLES, STAGES, Line
from yellow_ladle.core.cards.colours import colours
from yellow_ladle.core.carrying.masks import layout_of
from yellow_ladle.core.swaps.rules.swap_rules import swap_rules
from yellow_ladle.core.vocabulary.diets import diets
from yellow_ladle.core.vocabulary.flags import shipped_flags
from yellow_ladle.core.vocabulary.levels import WORDS, Level
from yellow_ladle.core.vocabulary.units import units

ALLERGENS = (
    "wheat rye barley oats crustacean egg fish peanut soy milk almond hazelnut walnut cashew pecan"
    " brazil_nut pistachio macadamia pine_nut celery mustard sesame sulphites lupin mollusc"
)
ORIGINS = (
    "pork beef lamb poultry game honey insect gelatine animal_rennet animal_fining alcohol allium"
)

REPLACED = (
    "wheat-flour white-roux brown-roux butter milk cream hard-cheese chicken-stock beef-stock"
    " fish-stock shellfish-stock white-wine red-wine ale soy-sauce brown-table-sauce cured-pork"
    " honey egg-yolk"
)


class Vocabulary(unittest.TestCase):
    def test_the_flags(self) -> None:
        by_group = {
            group: [flag.id for flag in shipped_flags() if flag.group == group]
            for group in ("allergen", "origin")
        }
        self.assertEqual(by_group["allergen"], ALLERGENS.split())
        self.assertEqual(by_group["origin"], ORIGINS.split())

    def test_the_levels_are_ordered_and_named(self) -> None:
        self.assertEqual(WORDS, ("free", "may_contain", "unchecked", "contains"))
        self.assertEqual([level.word for level in sorted(Level)], list(WORDS))
        self.assertEqual([Level.of(word) for word in WORDS], sorted(Level))

    def test_every_table_has_a_source_and_a_date(self) -> None:
        folder = Path(str(files("yellow_ladle.core").joinpath("data")))
        tables = sorted(folder.rglob("*.toml"))
        self.assertGreater(len(tables), 10)
        for file in tables:
            data = tomllib.loads(file.read_text("utf-8"))
            sourced = [data] if "source" in data else list(data.values())
            for table in sourced:
                self.assertTrue(table["source"], file.name)
                self.assertIsInstance(table["date"], date, file.name)

    def test_diets_speak_of_known_flags(self) -> None:
        known = {flag.id for flag in shipped_flags()}
        for diet in diets().values():
            apart = {flag for flags in diet.not_together for flag in flags}
            self.assertLessEqual({*diet.excludes, *diet.uncertified, *apart}, known, diet.id)

    def test_units_measure_something(self) -> None:
        self.assertEqual(set(units().values()), {"weight", "volume", "piece"})
        for unit in ("g", "kg", "ml", "l", "piece", "pinch", "ladle", "portion"):
            self.assertIn(unit, units())


class SwapRules(unittest.TestCase):
    def test_there_are_a_hundred_and_fifty_or_more_with_ids_of_their_own(self) -> None:
        ids = [rule.id for rule in swap_rules()]
        self.assertGreaterEqual(len(ids), 150)
        self.assertEqual(len(ids), len(set(ids)))

    def test_each_is_whole(self) -> None:
        for rule in swap_rules():
            self.assertTrue(rule.name and rule.source and rule.thickness, rule.id)
            self.assertTrue(rule.method, rule.id)
            self.assertLessEqual(set(rule.colours), set(colours()), rule.id)
            self.assertLessEqual(rule.roles, set(ROLES), rule.id)
            self.assertLessEqual(rule.stages, set(STAGES), rule.id)
            self.assertLessEqual(rule.kinds, set(KINDS), rule.id)
            self.assertGreater(rule.ratio, 0, rule.id)
            # One mix of spices may hold what another one does not.
            same = (rule.replaces & set(rule.with_)) - {"spice-mix"}
            self.assertTrue(not same or len(rule.with_) > 1, rule.id)

    def test_every_family_of_swaps_is_there(self) -> None:
        replaced = {class_ for rule in swap_rules() for class_ in rule.replaces}
        for class_ in REPLACED.split():
            self.assertIn(class_, replaced)

    def test_a_rule_speaks_of_its_roles_stages_and_kinds_only(self) -> None:
        rule = next(rule for rule in swap_rules() if rule.id == "drop-insurance-flour")
        flour = frozenset({"wheat-flour"})
        late = Line("flour", 1, "g", "thickener", stage="finish")
        self.assertTrue(rule.matches(late, flour, "sauce"))
        self.assertFalse(rule.matches(late, flour, "roux"))
        self.assertFalse(rule.matches(Line("flour", 1, "g", "thickener"), flour, "sauce"))
        self.assertFalse(rule.matches(late, frozenset({"butter"}), "sauce"))


class Layouts(unittest.TestCase):
    def test_every_flag_and_every_lacking_certificate_has_a_bit_of_its_own(self) -> None:
        layout = layout_of(shipped_flags())
        places = [*layout.bits.values(), *layout.uncertified.values()]
        self.assertEqual(sorted(places), list(range(layout.width)))

    def test_a_mask_holds_the_level_of_each_flag(self) -> None:
        layout = layout_of(shipped_flags())
        for otherwise in Level:
            stated = dict(zip(("milk", "egg", "soy", "fish"), Level, strict=True))
            mask = layout.mask(stated, otherwise)
            found = {flag: layout.level(mask, bit) for flag, bit in layout.bits.items()}
            wanted = {flag.id: stated.get(flag.id, otherwise) for flag in shipped_flags()}
            self.assertEqual(found, wanted)
