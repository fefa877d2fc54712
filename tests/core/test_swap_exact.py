"""The planner against brute force: hundreds of small books, every combination of swaps tried."""

import unittest
from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cache
from itertools import combinations

from tests.brute_force import BruteForce
from tests.constraint_model import ConstraintModel
from tests.effort import THOROUGH, tries
from tests.kitchens import product
from tests.random_swaps import SmallKitchen, large_kitchen, shared_kitchen, small_kitchen
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.swaps.plans.goals import offences
from yellow_ladle.core.swaps.plans.score import ranking
from yellow_ladle.core.swaps.search.candidates import Proposer
from yellow_ladle.core.swaps.search.limits import Limits
from yellow_ladle.core.swaps.search.proposal import Habits, Proposal, propose
from yellow_ladle.core.vocabulary.criteria import Criterion

BOOKS = 400
MAX_COMBINATIONS = 3_000
ALL = 10_000
LARGER_BOOKS = 36
ORDERS: tuple[tuple[Criterion, ...], ...] = (
    ("adds", "swaps", "fidelity", "pots", "cost"),
    ("fidelity", "adds", "pots", "swaps", "cost"),
    ("pots", "swaps", "adds", "cost", "fidelity"),
)


@dataclass(frozen=True)
class Case:
    """One small kitchen with both answers to the same question."""

    kitchen: SmallKitchen
    brute: BruteForce
    proposal: Proposal


def cases(full: int = BOOKS) -> Iterator[Case]:
    """The small kitchens that brute force can manage, of `full` in a thorough run."""
    return (case for seed in range(tries(full)) if (case := _case(seed)) is not None)


@cache
def _case(seed: int) -> Case | None:
    """The kitchen of a seed, answered once for all tests; None where brute force would not end.

    In every fourth one tools are shared.
    """
    kitchen = shared_kitchen(seed) if seed % 4 == 3 else small_kitchen(seed)
    before = read(kitchen.book)
    proposer = Proposer(before, rules=kitchen.rules)
    brute = BruteForce(before, kitchen.item, kitchen.goals, proposer)
    if brute.combinations() > MAX_COMBINATIONS:
        return None
    found = propose(before, kitchen.item, kitchen.goals, ALL, rules=kitchen.rules)
    return Case(kitchen, brute, found)


class AgainstBruteForce(unittest.TestCase):
    def test_the_front_is_the_same_and_no_plan_is_proved(self) -> None:
        with_plans = without = cleaned = 0
        for case in cases():
            front = case.brute.front
            meeting = [plan for plan in case.proposal.plans if plan.meets]
            with self.subTest(item=case.kitchen.item, goals=case.kitchen.goals):
                self.assertEqual({plan.score for plan in meeting}, front)
                self.assertTrue(case.proposal.whole)
                self.assertEqual(bool(case.proposal.blocked), not front)
            with_plans += bool(front)
            without += not front
            cleaned += any(plan.cleaned for plan in meeting)
        self.assertGreater(with_plans, tries(BOOKS) // 2)
        self.assertGreater(without, tries(BOOKS) // 4)
        self.assertGreater(cleaned, tries(BOOKS) // 100)

    def test_the_first_are_the_best_in_any_order_of_criteria(self) -> None:
        for case in cases(120):
            front = case.brute.front
            for order in ORDERS if front else ():
                kitchen, rank = case.kitchen, ranking(order)
                plans = propose(
                    case.brute.before,
                    kitchen.item,
                    kitchen.goals,
                    2,
                    rules=kitchen.rules,
                    habits=Habits(order),
                ).plans
                best = sorted(front, key=rank)
                found = [plan.score for plan in plans]
                self.assertEqual(found[0], best[0])
                self.assertIn(found[-1], best[:2])

    def test_every_plan_is_among_those_that_brute_force_found(self) -> None:
        for case in cases(150):
            known = set(case.brute.plans)
            for plan in case.proposal.plans:
                if plan.meets:
                    self.assertIn(frozenset(plan.moves), known)

    def test_a_limit_on_pots_leaves_the_plans_that_keep_to_it(self) -> None:
        for case in cases(150):
            for most in (1, 2):
                within = {score for score in case.brute.front if score.pots <= most}
                found = propose(
                    case.brute.before,
                    case.kitchen.item,
                    case.kitchen.goals,
                    ALL,
                    rules=case.kitchen.rules,
                    limits=Limits(most_pots=most),
                ).plans
                scores = {plan.score for plan in found if plan.meets}
                self.assertLessEqual(within, scores)
                self.assertTrue(all(score.pots <= most for score in scores))


class AgainstAConstraintSolver(unittest.TestCase):
    """Larger books, of which brute force would never be done."""

    def test_flags_swaps_and_pots_are_the_fewest(self) -> None:
        cleared = hopeless = 0
        for seed in range(tries(LARGER_BOOKS)):
            kitchen = large_kitchen(seed, 30)
            rules = kitchen.rules if seed % 4 else kitchen.rules[:2]
            before = read(kitchen.book)
            [bad] = offences(before, kitchen.goals)
            bits = sum(bad.values())
            if not before.masks[kitchen.item] & bits:
                continue
            proposer = Proposer(before, rules=rules)
            for first in ("adds", "pots"):
                least = ConstraintModel(before, proposer, kitchen.item, bits).least(first)
                order: tuple[Criterion, ...] = ("adds", "swaps") if first == "adds" else ("pots",)
                found = propose(
                    before, kitchen.item, kitchen.goals, ALL, rules=rules, habits=Habits(order)
                )
                meeting = [plan.score for plan in found.plans if plan.meets]
                self.assertTrue(found.whole)
                self.assertEqual(bool(meeting), least is not None, seed)
                if least is None:
                    hopeless += 1
                elif first == "adds":
                    fewest = min((score.adds, score.swaps) for score in meeting)
                    self.assertEqual(fewest, (least.adds, least.swaps))
                    cleared += 1
                else:
                    self.assertEqual(min(score.pots for score in meeting), least.pots)
        self.assertGreater(cleared, tries(LARGER_BOOKS) // 4 - 1)
        if THOROUGH:
            self.assertGreater(hopeless, 1)


class WhatStandsInTheWay(unittest.TestCase):
    """Every proof that there is no plan names as few lines as can be."""

    def test_no_smaller_set_of_lines_would_open_the_way(self) -> None:
        proved = 0
        for case in cases(250):
            blocked = case.proposal.blocked
            named = sorted({(entry.in_, entry.line) for entry in blocked}, key=str)
            if not named:
                continue
            self.assertTrue(self.opens(case, named), named)
            for fewer in combinations(self.entries(case), len(named) - 1):
                self.assertFalse(self.opens(case, list(fewer)), (named, fewer))
            proved += 1
        self.assertGreater(proved, tries(250) // 5)

    def entries(self, case: Case) -> list[tuple[str, int | None]]:
        """Every line that brings a product or a by-product, and every pot with words of its own."""
        book = case.kitchen.book
        found: list[tuple[str, int | None]] = []
        for pot, made in book.preparations.items():
            items = [(n, made.lines[n].item) for n in made.counted()]
            found += [(pot, n) for n, item in items if item not in book.preparations]
            found += [(pot, None)] if made.statements else []
        return found

    def opens(self, case: Case, cleared: list[tuple[str, int | None]]) -> bool:
        """Whether some combination of swaps meets the goals once these are cleared."""
        before = read(with_cleared(case.kitchen.book, cleared))
        proposer = Proposer(before, rules=case.kitchen.rules)
        brute = BruteForce(before, case.kitchen.item, case.kitchen.goals, proposer)
        return any(brute.meets(swaps) for swaps in brute.tried())


def with_cleared(book: Book, cleared: list[tuple[str, int | None]]) -> Book:
    """A book in which some lines bring something harmless, and some pots say nothing."""
    pots = dict(book.preparations)
    for pot, index in cleared:
        made = pots[pot]
        if index is None:
            pots[pot] = replace(made, statements={})
        else:
            lines = list(made.lines)
            lines[index] = replace(lines[index], item="harmless")
            pots[pot] = replace(made, lines=tuple(lines))
    harmless = product("harmless", class_="outside-every-rule")
    return replace(book, products={**book.products, "harmless": harmless}, preparations=pots)


if __name__ == "__main__":
    unittest.main()
