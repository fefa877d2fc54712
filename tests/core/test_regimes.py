"""The laws: what each wants declared."""

import unittest

from tests.kitchens import OPEN, pot, product, reading
from yellow_ladle.core.carrying.declaration import Declaration
from yellow_ladle.core.vocabulary.flags import shipped_flags
from yellow_ladle.core.vocabulary.regimes import regimes

NUTS = ["almond", "hazelnut", "walnut", "cashew", "pecan", "brazil_nut", "pistachio", "macadamia"]
GROUPS = {
    "eu-14": (
        "gluten_cereals crustaceans eggs fish peanuts soybeans milk tree_nuts celery mustard"
        " sesame sulphites lupin molluscs"
    ),
    "us-9": ("milk eggs fish crustacean_shellfish tree_nuts peanuts wheat soybeans sesame"),
    "ca-priority": (
        "eggs milk mustard peanuts crustaceans molluscs fish sesame soybeans sulphites tree_nuts"
        " wheat gluten"
    ),
}


def declared(regime: str, *pieces: object) -> Declaration:
    return reading(*pieces, regime=regime).declaration("soup")  # type: ignore[arg-type]


class TheLists(unittest.TestCase):
    def test_the_five_regimes_hold_the_groups_of_their_laws(self) -> None:
        self.assertEqual(list(regimes()), ["eu-14", "uk-14", "us-9", "ca-priority", "anz"])
        for regime, groups in GROUPS.items():
            self.assertEqual([g.id for g in regimes()[regime].groups], groups.split())
        self.assertEqual(regimes()["uk-14"].groups, regimes()["eu-14"].groups)

    def test_australia_names_every_tree_nut(self) -> None:
        groups = {group.id: group.flags for group in regimes()["anz"].groups}
        for nut in [*NUTS, "pine_nut"]:
            self.assertEqual(groups[nut], (nut,))
        self.assertNotIn("celery", groups)

    def test_pine_nut_is_a_tree_nut_only_outside_europe(self) -> None:
        nuts = {
            id: next((g.flags for g in regime.groups if g.id == "tree_nuts"), ())
            for id, regime in regimes().items()
        }
        self.assertEqual(sorted(nuts["eu-14"]), sorted(NUTS))
        self.assertIn("pine_nut", nuts["us-9"])
        self.assertIn("pine_nut", nuts["ca-priority"])

    def test_every_group_is_of_known_flags_and_every_law_is_named(self) -> None:
        known = {flag.id for flag in shipped_flags()}
        for regime in regimes().values():
            self.assertTrue(regime.source and regime.date)
            for group in regime.groups:
                self.assertLessEqual(set(group.flags), known, (regime.id, group.id))


class Declaring(unittest.TestCase):
    def test_a_group_stands_in_its_highest_level_only(self) -> None:
        found = declared(
            "eu-14",
            product("flour", "wheat", may="rye", unchecked="barley"),
            product("nuts", may="almond walnut", unchecked="pecan"),
            product("mill", may="lupin"),
            pot("soup", "flour", "nuts", "mill"),
        )
        self.assertEqual(found, Declaration(("gluten_cereals",), ("lupin",), ("tree_nuts",)))

    def test_a_barley_ale_declares_no_cereal_in_the_united_states(self) -> None:
        ale = product("ale", "barley alcohol")
        self.assertEqual(declared("us-9", ale, pot("soup", "ale")).contains, ())
        self.assertEqual(declared("ca-priority", ale, pot("soup", "ale")).contains, ("gluten",))
        eu = reading(ale, pot("soup", "ale"))
        self.assertEqual(eu.declaration("soup").contains, ("gluten_cereals",))
        self.assertEqual(eu.verdict("soup", "gluten_free"), "does_not_suit")

    def test_a_jar_without_a_label_leaves_every_group_open(self) -> None:
        for id, regime in regimes().items():
            found = declared(id, product("jar", otherwise=OPEN), pot("soup", "jar"))
            self.assertEqual(found.unchecked, tuple(group.id for group in regime.groups))
            self.assertEqual((found.contains, found.may_contain), ((), ()))

    def test_what_is_carried_is_the_same_under_every_law(self) -> None:
        pieces = (product("mussel", "mollusc celery"), pot("soup", "mussel"))
        masks = [dict(reading(*pieces, regime=id).masks) for id in regimes()]
        self.assertTrue(all(mask == masks[0] for mask in masks))
