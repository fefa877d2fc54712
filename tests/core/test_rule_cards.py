"""Every swap rule, put once into a card that speaks of what goes in every way a cook does."""

import unittest
from dataclasses import replace

from tests.effort import THOROUGH
from tests.kitchens import FREE, book, line, pot, product
from yellow_ladle.core.book.book import Preparation, Step
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.cards.card_names import CardNames
from yellow_ladle.core.cards.card_words import named_foods
from yellow_ladle.core.larder.starting_points import goods
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.swaps.apply.new_cards import placed
from yellow_ladle.core.swaps.apply.plan_texts import still_named
from yellow_ladle.core.swaps.apply.variant_names import names_by_what_it_is
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.plan import carried
from yellow_ladle.core.swaps.plans.swap import Swap
from yellow_ladle.core.swaps.rules.swap_rules import SwapRule, swap_rules
from yellow_ladle.core.vocabulary.classes import known_classes
from yellow_ladle.core.vocabulary.flags import shipped_flags
from yellow_ladle.core.words.lexicon import lexicon

SHIPPED = [flag.id for flag in shipped_flags()]
ASIDE = 3
"""Every so many-th rule by its id was kept aside while cards' texts were written."""


def item(id: str, class_: str) -> Product:
    """Goods of a class, by the name that a kitchen has for them, with what they usually hold."""
    name = next((good.name for good in goods().values() if good.class_ == class_), None)
    has = " ".join(flag for flag in known_classes()[class_].has if flag in SHIPPED)
    made = product(id, has, class_, otherwise=FREE)
    return replace(made, name=f"Anna's {(name or class_.replace('-', ' ')).lower()}")


def card(rule: SwapRule, class_: str) -> Preparation:
    """A card that speaks of what the rule replaces: with and without its use, in every field."""
    words = class_.replace("-", " ")
    last = words.split()[-1]
    method = (
        Step(f"Put the {words} in; stir until the {last} is hot.", uses=("old", "water")),
        Step(f"{last.capitalize()} and water: taste, more {words} if it wants it.", cue=f"{last}"),
        Step("Strain.", caution=f"Hot {words} spits.", uses=("old",)),
    )
    role = min(rule.roles) if rule.roles else "body"
    lines = (line("old", role, note=f"cold {last}"), line("water", "liquid"), line("salt"))
    name = f"{words.capitalize()} and thyme {min(rule.kinds) if rule.kinds else 'sauce'}"
    kind = min(rule.kinds) if rule.kinds else "sauce"
    return replace(pot("card", *lines, kind=kind, name=name), method=method)


def still(rule: SwapRule, class_: str, with_: str | None) -> list[tuple[str, str]]:
    """The texts of the card that name what went out once the rule is applied."""
    old, made = item("old", class_), card(rule, class_)
    new = () if with_ is None else (item("new", with_),)
    goals = Goals((), ())
    before = read(book(old, *new, product("water"), product("salt"), made))
    to = None if with_ is None else "new"
    swap = Swap(
        "card", 0, "old", to, 100, "g", rule.id, rule.method, None, "", rule.when, rule.drops
    )
    plan = carried(before, "card", goals, (swap,))
    assert plan is not None
    return still_named(before, plan, placed(before, plan, names_by_what_it_is(before, plan)))


class EveryRule(unittest.TestCase):
    def test_its_card_names_nothing_that_went_out(self) -> None:
        rules = sorted(swap_rules(), key=lambda rule: rule.id)
        tried = {True: 0, False: 0}
        wrong: dict[bool, list[tuple[str, str, str]]] = {True: [], False: []}
        for number, rule in enumerate(rules):
            for class_ in sorted(rule.replaces) if THOROUGH else [min(rule.replaces)]:
                for with_ in (rule.with_ if THOROUGH else rule.with_[:1]) or (None,):
                    aside = number % ASIDE == ASIDE - 1
                    tried[aside] += 1
                    wrong[aside] += [
                        (rule.id, class_, text) for _, text in still(rule, class_, with_)
                    ]
        for aside, what in ((False, "written with"), (True, "kept aside")):
            print(
                f"\nmeasured: {len(wrong[aside])} texts of {tried[aside]} cards, rules {what},"
                " name what was taken out"
            )
        self.assertEqual(wrong, {True: [], False: []})

    def test_its_own_words_name_only_what_it_brings(self) -> None:
        spoken = lexicon("en")
        for rule in swap_rules():
            brings = {flag for word in rule.with_ for flag in known_classes()[word].has}
            for text in rule.method:
                named = [
                    text[w.start : w.end]
                    for w in named_foods(spoken, text, CardNames((), spoken))
                    if not brings.issuperset(w.flags)
                ]
                self.assertEqual(named, [], (rule.id, text))


if __name__ == "__main__":
    unittest.main()
