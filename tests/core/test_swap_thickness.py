"""The limit on thickness goes by what is predicted: against brute force, and on demo plates."""

import unittest

from tests.brute_force import BruteForce
from tests.effort import tries
from tests.random_swaps import thickened_kitchen
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.swaps.goals import Goals
from yellow_ladle.core.swaps.search.candidates import Proposer
from yellow_ladle.core.swaps.search.limits import Limits
from yellow_ladle.core.swaps.search.proposal import TOO_THIN, propose
from yellow_ladle.core.swaps.search.score import undominated
from yellow_ladle.core.swaps.search.thickness_limit import thinner
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
            scores = {plan.score for plan in found.plans if plan.meets}
            self.assertEqual(scores, undominated(map(brute.score, thick)))
            if not thick:
                self.assertEqual({blocked.why for blocked in found.blocked}, {TOO_THIN})
            some += bool(thick)
            refused += len(thick) < len(plans)
        self.assertGreater(some, tries(40) // 2)
        self.assertGreater(refused, tries(40) // 2)

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


if __name__ == "__main__":
    unittest.main()
