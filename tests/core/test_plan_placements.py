"""A plan's promise, read for the placement in which it is put in."""

import unittest

from tests.effort import tries
from tests.random_swaps import shared_kitchen, small_kitchen, worded
from yellow_ladle.core.book.book import Book, by_product_item
from yellow_ladle.core.checks.book_faults import change_faults
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.reading.update import applied
from yellow_ladle.core.swaps.apply.new_cards import placed
from yellow_ladle.core.swaps.apply.placements import placements, stranded
from yellow_ladle.core.swaps.apply.plan_texts import still_named
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.search.proposal import propose

KITCHENS = 400


class Promises(unittest.TestCase):
    def test_what_was_said_is_what_the_book_carries_once_it_is_put_in(self) -> None:
        small = for_all = ended = 0
        for seed in range(tries(KITCHENS)):
            kitchen = worded(shared_kitchen(seed) if seed % 2 else small_kitchen(seed), seed)
            before = read(kitchen.book)
            for plan in propose(before, kitchen.item, kitchen.goals, 3, rules=kitchen.rules).plans:
                if not plan.changed:
                    continue
                ended += bool(plan.gone)
                with self.subTest(seed=seed, moves=plan.moves):
                    small += self.small_pots(before, plan, kitchen.item)
                    for_all += self.made_for_all(before, plan, kitchen.item)
                    self.mixed(before, plan)
        self.assertGreater(small, tries(KITCHENS) // 4)
        self.assertGreater(for_all, tries(KITCHENS) // 8)
        self.assertGreater(ended, tries(KITCHENS) // 20)

    def small_pots(self, before: Reading, plan: Plan, item: str) -> int:
        change = placed(before, plan, {pot: f"{pot} small" for pot in plan.pots})
        book = applied(before.book, change)
        self.assertEqual(change_faults(book, change), [])
        self.assertEqual(still_named(before, plan, change), [])
        after = read(book)
        [made] = [made.id for made in change.preparations if made.variant_of == item]
        self.assertEqual(after.levels(made), plan.after.levels(item))
        for pot in change.preparations:
            left = {by_product_item(str(pot.variant_of), part.id) for part in pot.by_products}
            self.assertEqual(left & plan.gone, set())
        for id, usual in before.book.preparations.items():
            self.assertEqual(book.preparations[id], usual)
        return 1

    def made_for_all(self, before: Reading, plan: Plan, item: str) -> int:
        assert plan.for_all is not None
        if stranded(before, plan, ()):
            self.assertFalse(plan.for_all.meets and plan.for_all.stranded)
            return 0
        self.assertEqual(plan.for_all.stranded, ())
        change = placed(before, plan, {})
        book = applied(before.book, change)
        self.assertEqual(change_faults(book, change), [])
        self.assertEqual(still_named(before, plan, change), [])
        after = read(book)
        self.assertEqual(after.levels(item), plan.for_all.after.levels(item))
        yielded = self.yielded(book)
        self.assertEqual(yielded & plan.gone, set())
        return 1

    def mixed(self, before: Reading, plan: Plan) -> None:
        beside = placements(before, plan)[2].beside
        change = placed(before, plan, {pot: f"{pot} small" for pot in beside})
        book = applied(before.book, change)
        self.assertEqual(change_faults(book, change), [])
        self.assertEqual(still_named(before, plan, change), [])
        yielded = self.yielded(book)
        ended = {item for item in plan.gone if item.partition("/")[0] not in beside}
        self.assertEqual(yielded & ended, set())

    def yielded(self, book: Book) -> set[str]:
        """Every by-product that the book's cards yield, as an item."""
        made = book.preparations.items()
        return {by_product_item(id, part.id) for id, pot in made for part in pot.by_products}
