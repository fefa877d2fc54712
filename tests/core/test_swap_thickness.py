"""The limit on thickness goes by what is predicted: against brute force, and on demo plates."""

import unittest
from collections.abc import Iterable

from tests.brute_force import BruteForce, Move
from tests.effort import tries
from tests.random_swaps import thickened_kitchen
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.plans.score import ranking, undominated
from yellow_ladle.core.swaps.plans.swap import Swap
from yellow_ladle.core.swaps.search.candidates import Proposer
from yellow_ladle.core.swaps.search.limits import Limits
from yellow_ladle.core.swaps.search.proposal import TOO_THIN, propose
from yellow_ladle.core.swaps.search.thickness_limit import thinner
from yellow_ladle.core.thickening.thickness import place_number, thickness
from yellow_ladle.demo.kitchen import demo_book

LIMITS = Limits(keep_thickness=True)


class AsThickAsItIs(unittest.TestCase):
    def test_the_front_holds_what_is_no_thinner_and_nothing_else(self) -> None:
        some = refused = 0
        for seed in range(tries(40)):
            kitchen = thickened_kitchen(seed)
            before = read(kitchen.book)
            proposer = Proposer(before, LIMITS, kitchen.rules)
            brute = BruteForce(before, kitchen.item, kitchen.goals, proposer)
            plans = brute.plans
            thick = [
                swaps
                for swaps in plans
                if not thinner(before, read(brute.after(swaps)), ("sauce", "soup"))
            ]
            found = propose(
                before, kitchen.item, kitchen.goals, 1_000, rules=kitchen.rules, limits=LIMITS
            )
            self.check_front(brute, thick, found.plans)
            if not thick:
                self.assertEqual({blocked.why for blocked in found.blocked}, {TOO_THIN})
            some += bool(thick)
            refused += len(thick) < len(plans)
        self.assertGreater(some, tries(40) // 2)
        self.assertGreater(refused, tries(40) // 2)

    def test_without_the_limit_what_leaves_the_card_comes_after_all_that_keeps_it(self) -> None:
        both = 0
        for seed in range(tries(300)):
            kitchen = thickened_kitchen(seed)
            before = read(kitchen.book)
            brute = BruteForce(
                before, kitchen.item, kitchen.goals, Proposer(before, rules=kitchen.rules)
            )
            plans = propose(before, kitchen.item, kitchen.goals, 1_000, rules=kitchen.rules).plans
            meeting = [plan for plan in plans if plan.meets]
            self.check_front(brute, brute.plans, plans)
            leaves = [
                abs(
                    place_number(thickness(plan.after.balance, kitchen.item).hot.middle)
                    - place_number(thickness(before.balance, kitchen.item).hot.middle)
                )
                > 1
                for plan in meeting
            ]
            self.assertEqual(leaves, sorted(leaves))
            both += len(set(leaves)) == 2
        self.assertGreater(both, tries(300) // 10)

    def check_front(
        self, brute: BruteForce, allowed: list[frozenset[Move]], plans: Iterable[Plan]
    ) -> None:
        """That plans are the front of what is allowed, the best of each way."""
        rank = ranking()
        front = undominated(map(brute.score, allowed))
        shown = {way(brute, plan.moves): plan.score for plan in plans if plan.meets}
        scores = [plan.score for plan in plans if plan.meets]
        self.assertEqual(len(shown), len(scores))
        self.assertLessEqual(set(scores), front)
        self.assertEqual(scores, sorted(scores, key=rank))
        for missing in front - set(scores):
            ways = [way(brute, moves) for moves in allowed if brute.score(moves) == missing]
            better = [shown[each] for each in ways if each in shown]
            self.assertTrue(any(rank(score) < rank(missing) for score in better), missing)

    def test_no_plan_for_a_plate_of_the_demo_is_thinner(self) -> None:
        before, goals = read(demo_book()), Goals(("wheat", "milk"))
        dishes = [id for id, made in before.book.preparations.items() if made.kind == "dish"]
        found = [
            plan
            for dish in dishes
            for plan in propose(before, dish, goals, 3, limits=LIMITS).plans
            if plan.swaps
        ]
        self.assertGreater(len(found), 5)
        for plan in found:
            self.assertEqual(thinner(before, plan.after, plan.pots), [])


def form(move: Move) -> str:
    """How what a swap brings goes in: in the fat, or stirred in cold liquid."""
    assert isinstance(move, Swap) and move.to is not None
    return "roux" if move.to.startswith("rice-flour") else "slurry"


def way(brute: BruteForce, moves: Iterable[Move]) -> object:
    """Where moves are made and how what they bring goes in, with what the item then carries."""
    moves = list(moves)
    where = frozenset((move.in_, getattr(move, "line", None), form(move)) for move in moves)
    return where, frozenset(brute.carried(moves).items())


if __name__ == "__main__":
    unittest.main()
