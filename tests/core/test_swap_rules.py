"""The rulebook that ships: every rule sound, and what none of them can clear."""

import unittest
from dataclasses import replace

from tests.random_swaps import rule
from yellow_ladle.core.book.book import ROLES
from yellow_ladle.core.checks.rule_faults import (
    can_clear,
    clears_for,
    never_cleared,
    never_fitting,
    rule_faults,
)
from yellow_ladle.core.larder.starting_points import goods
from yellow_ladle.core.swaps.plans.fidelity import Fidelity
from yellow_ladle.core.swaps.rules.swap_rules import SwapRule, rules_by_id, swap_rules
from yellow_ladle.core.vocabulary.classes import class_groups, expanded, known_classes
from yellow_ladle.core.vocabulary.diets import diets
from yellow_ladle.core.vocabulary.flags import shipped_flags
from yellow_ladle.core.vocabulary.toml import table, words
from yellow_ladle.demo.kitchen import demo_book

SOUND = replace(rule("r", "wheat-flour", "rice-flour", roles="thickener"), method=("Whisk.",))


class TheValidator(unittest.TestCase):
    def test_every_shipped_rule_is_sound(self) -> None:
        for shipped in swap_rules():
            self.assertEqual(rule_faults(shipped), [], shipped.id)

    def test_a_sound_rule_has_no_fault(self) -> None:
        self.assertEqual(rule_faults(SOUND), [])

    def test_each_kind_of_nonsense_is_told(self) -> None:
        for wrong, told in (
            ({"replaces": frozenset({"weat-flour"})}, 'class "weat-flour"'),
            ({"with_": ("rise-flour",)}, 'class "rise-flour"'),
            ({"roles": frozenset({"binder"})}, '"binder" is no role'),
            ({"kinds": frozenset({"stew"})}, '"stew" is no kind'),
            ({"stage": "later"}, '"later" is no stage'),
            ({"not_in": frozenset({"cold"})}, '"cold" is no condition'),
            ({"colours": ("blue",)}, '"blue" is no colour family'),
            ({"only_in": frozenset({"milk"}), "not_in": frozenset({"milk"})}, "and is not"),
            ({"only_in": frozenset({"clear"}), "colours": ("brown",)}, "right for none"),
            ({"only_in": frozenset({"frozen"}), "freezes": False}, "breaks when frozen"),
            ({"with_": (), "stage": "finish"}, "moves a line to another stage and leaves it out"),
            ({"method": ()}, "does not say how the method changes"),
            ({"ratio": 0.0}, "above nothing"),
            ({"roles": frozenset()}, "names no role"),
            ({"replaces": frozenset()}, "names nothing that it replaces"),
            ({"fidelity": Fidelity(1.2, 1, 1)}, "shares from 0 to 1"),
            ({"replaces": frozenset({"sugar-syrup"}), "with_": ("honey",)}, "never clear"),
            ({"replaces": frozenset({"butter"}), "with_": ("milk",)}, "never clear"),
        ):
            faults = rule_faults(replace(SOUND, **wrong))  # type: ignore[arg-type]
            self.assertTrue(any(told in fault for fault in faults), (told, faults))

    def test_goods_of_the_kitchen_itself_are_known_to_it(self) -> None:
        own = replace(SOUND, replaces=frozenset({"grandmother-flour"}))
        self.assertTrue(rule_faults(own))
        self.assertEqual(rule_faults(own, ["grandmother-flour"]), [])

    def test_a_rule_clears_what_the_new_goods_are_not(self) -> None:
        self.assertTrue(can_clear(SOUND, "wheat"))
        self.assertFalse(can_clear(SOUND, "milk"))
        dairy = replace(SOUND, replaces=frozenset({"milk"}), with_=("oat-drink",))
        self.assertTrue(clears_for([dairy], "milk", "milk"))
        self.assertFalse(clears_for([SOUND], "milk", "milk"))
        self.assertTrue(can_clear(replace(dairy, with_=()), "milk"))


class TheGaps(unittest.TestCase):
    def test_what_no_rule_can_clear_is_listed_for_every_flag_and_diet(self) -> None:
        by_flag, by_diet = never_cleared(swap_rules()), never_fitting(swap_rules())
        self.assertEqual(set(by_flag), {flag.id for flag in shipped_flags()})
        self.assertEqual(set(by_diet), set(diets()))
        ready_made = {good.class_ for good in goods().values() if not good.plain}
        for told in (by_flag, by_diet):
            for id, found in told.items():
                classes = [class_ for class_ in found if class_ in ready_made]
                if classes:
                    print(f"measured: no rule clears {id} out of: {', '.join(classes)}")
        # the great ones can all be cleared, whatever they come in as a thing of their own
        for class_, flag in (
            ("wheat-flour", "wheat"),
            ("butter", "milk"),
            ("soy-sauce", "soy"),
            ("white-wine", "alcohol"),
            ("hard-cheese", "animal_rennet"),
            ("celery", "celery"),
            ("cured-pork", "pork"),
        ):
            self.assertNotIn(class_, by_flag[flag])

    def test_a_rule_less_is_a_gap_more(self) -> None:
        without = [r for r in swap_rules() if "honey" not in r.replaces]
        self.assertNotIn("honey", never_cleared(swap_rules())["honey"])
        self.assertIn("honey", never_cleared(without)["honey"])


class TheTables(unittest.TestCase):
    def test_classes_of_the_starting_points_and_of_the_demo_are_known(self) -> None:
        book = demo_book()
        used = {good.class_ for good in goods().values()}
        used |= {product.class_ for product in book.products.values()}
        used |= {made.class_ for made in book.preparations.values() if made.class_}
        pots = {"veloute", "pastry", "oatcake", "breadcrumbs", "bread", "cheese-sauce"}
        self.assertLessEqual(used - pots, known_classes().keys())

    def test_what_a_starting_point_is_is_usual_in_its_class(self) -> None:
        for good in goods().values():
            usual = known_classes()[good.class_]
            self.assertLessEqual(set(good.has), usual.has | usual.often, good.id)

    def test_usual_flags_are_shipped_or_common_house_flags(self) -> None:
        house = set(words(table("classes")["house"]))
        known = {flag.id for flag in shipped_flags()} | house
        for class_, usual in known_classes().items():
            self.assertLessEqual(usual.has | usual.often, known, class_)

    def test_groups_are_written_out(self) -> None:
        butters = class_groups()["butters"]
        self.assertEqual(expanded(("@butters", "lard", "butter")), (*butters, "lard"))
        for members in class_groups().values():
            self.assertLessEqual(set(members), known_classes().keys())
        self.assertEqual(expanded(("@no-such-group",)), ("@no-such-group",))

    def test_every_function_is_there(self) -> None:
        functions = {shipped.function for shipped in swap_rules()}
        wanted = "thickeners liaisons fats dairy stocks wines sauces meats grains aromatics"
        self.assertEqual(functions, set(wanted.split()))
        self.assertEqual({role for r in swap_rules() for role in r.roles}, set(ROLES))

    def test_both_directions_where_both_make_sense(self) -> None:
        def goes(old: str, new: str) -> bool:
            return any(old in r.replaces and new in r.with_ for r in rules_by_id().values())

        for one, other in (
            ("wheat-flour", "rice-flour"),
            ("milk", "oat-drink"),
            ("cream", "oat-cream"),
            ("butter", "olive-oil"),
            ("fish-stock", "shellfish-stock"),
            ("mustard", "horseradish"),
            ("white-roux", "rice-flour-roux"),
        ):
            self.assertTrue(goes(one, other) and goes(other, one), (one, other))

    def test_a_rule_holds_where_its_conditions_do(self) -> None:
        arrowroot: SwapRule = rules_by_id()["arrowroot-for-roux"]
        self.assertTrue(arrowroot.holds_in(frozenset({"acid", "pale"})))
        self.assertFalse(arrowroot.holds_in(frozenset({"boiled"})))
        self.assertFalse(arrowroot.holds_in(frozenset({"milk"})))
        self.assertFalse(replace(SOUND, only_in=frozenset({"clear"})).holds_in(frozenset()))


if __name__ == "__main__":
    unittest.main()
