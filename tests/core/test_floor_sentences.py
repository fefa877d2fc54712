"""What the floor is told of every plan of the demo: nothing that is not in the plate."""

import unittest

from yellow_ladle.core.book.book import owner_of
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.swaps.apply.floor_sentence import floor_sentence
from yellow_ladle.core.swaps.apply.variant_names import names_by_what_it_is
from yellow_ladle.core.swaps.library.bases import base_library
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.item_names import short_name
from yellow_ladle.core.swaps.search.proposal import propose
from yellow_ladle.demo.kitchen import demo_book

GOALS = (Goals(("wheat",)), Goals(("milk",)), Goals(("celery",)), Goals((), ("vegan",)))

GONE = ("without ", "it ", "nobody ")
"""How the parts of a sentence begin that say what is not in the plate, and what else is."""


class EveryPlan(unittest.TestCase):
    def test_what_was_taken_out_is_named_only_as_gone(self) -> None:
        before, tried = read(demo_book()), 0
        library = base_library(before)
        for item in before.book.preparations:
            for goals in GOALS:
                for plan in propose(before, item, goals, 3, library=library).plans:
                    here = library.only(plan.cards, plan.buy)
                    told = floor_sentence(here, plan, goals).lower()
                    held = {
                        owner
                        for pot in plan.after.graph.upstream(owner_of(item))
                        for owner in plan.after.graph.items.get(pot, ())
                    }
                    for swap in plan.swaps:
                        gone = short_name(here.book, swap.from_)
                        if swap.from_ in held or gone in {
                            short_name(here.book, other.to) for other in plan.swaps if other.to
                        }:
                            continue
                        tried += 1
                        said = told.partition(": ")[2]
                        parts = [p for p in said.split("; ") if not p.startswith(GONE)]
                        for new in ", ".join(parts).split(", "):
                            self.assertNotEqual(new.partition(" instead of ")[0], gone, told)
        self.assertGreater(tried, 100)

    def test_no_name_is_a_chain(self) -> None:
        before = read(demo_book())
        for item in before.book.preparations:
            for goals in GOALS:
                for plan in propose(before, item, goals, 3).plans:
                    for name in names_by_what_it_is(before, plan).values():
                        self.assertLessEqual(name.count(","), 2 + before.book.name(item).count(","))
                        self.assertNotIn("more", name)


if __name__ == "__main__":
    unittest.main()
