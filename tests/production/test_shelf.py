"""What stands there, and what the rules of the cold allow."""

import unittest
from dataclasses import replace

from hypothesis import HealthCheck, given
from hypothesis import strategies as st

from tests.effort import examples
from tests.production.random_days import days, kitchens
from yellow_ladle.core.book.book import Keeps
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.production.batch import Batch, Out, WentIn
from yellow_ladle.core.production.day_reading import DayReading, read_day
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.lot import Lot
from yellow_ladle.core.production.recall import HeldBack
from yellow_ladle.core.production.records import Recall
from yellow_ladle.core.production.shelf import Standing, shelf
from yellow_ladle.core.production.shelf_entries import Count, Discard, Move, Tub
from yellow_ladle.core.production.shelf_rules import refuse_draws, refuse_move, use_by_of_move
from yellow_ladle.demo.kitchen import demo_book

TODAY = "2026-12-05"
BOOK = demo_book()
STOCK = replace(BOOK.preparations["hen-stock"], keeps=Keeps(3, 90))
NO_CARE = replace(STOCK, keeps=None)
MADE = f"{TODAY}T09:00:00+00:00"
FRESH = Batch("b-1", MADE, "hen-stock", card=STOCK, out=Out(4, "l"), storage="chilled")
OLD = replace(FRESH, id="b-2", made="2026-11-29T09:00:00+00:00")
SLOW = {"suppress_health_check": [HealthCheck.too_slow, HealthCheck.data_too_large]}


def read(**lists: tuple[object, ...]) -> DayReading:
    return read_day(BOOK, Daybook(**lists), TODAY)  # type: ignore[arg-type]


def standing(day: DayReading) -> list[Standing]:
    return shelf(day, HeldBack(day, TODAY))


def at(hours: str, day: str = TODAY) -> str:
    return f"{day}T{hours}:00+00:00"


class ShelfTest(unittest.TestCase):
    def test_what_should_be_used_first_stands_first_and_what_is_past_last(self) -> None:
        lots = (
            Lot("lot-1", "butter", "2026-12-01", use_by="2026-12-06", quantity=500, unit="g"),
            Lot("lot-2", "plain-flour", "2026-12-01", best_before="2026-12-02"),
        )
        found = standing(read(batches=(FRESH, OLD), lots=lots))
        self.assertEqual(
            [(each.reference, each.past) for each in found if "/" not in each.reference],
            [("lot-1", False), ("b-1", False), ("lot-2", False), ("b-2", True)],
        )

    def test_nothing_stands_there_of_what_was_used_up_or_thrown_away(self) -> None:
        lots = (Lot("lot-1", "butter", "2026-12-01", used_up="2026-12-04"),)
        gone = Discard("b-1", at("10:00"), 4, "l")
        parts = tuple(Count(f"b-1/{part.id}", at("11:00"), 0, "g") for part in STOCK.by_products)
        found = standing(read(batches=(FRESH,), lots=lots, discards=(gone,), counts=parts))
        self.assertEqual(found, [])

    def test_a_tub_stands_where_it_was_moved_to(self) -> None:
        tub = Tub("t-1", "b-1", at("10:00"), 1, "l", place="walk-in")
        moves = (
            Move("t-1", at("11:00"), "frozen", "2027-03-01", "chest"),
            Move("b-1", at("12:00"), None, None, "passage"),
        )
        found = {each.reference: each for each in standing(read(
            batches=(FRESH,), tubs=(tub,), moves=moves))}  # fmt: skip
        self.assertEqual(
            (found["t-1"].storage, found["t-1"].last_day.day), ("frozen", "2027-03-01")
        )
        self.assertEqual((found["b-1"].storage, found["b-1"].place), ("chilled", "passage"))

    def test_what_a_recall_reaches_is_held_back(self) -> None:
        lot = Lot("lot-1", "hen", "2026-12-01")
        batch = replace(FRESH, went_in=(WentIn("hen", lot="lot-1"),))
        recall = Recall("r-1", at("12:00"), "hen", lots=("lot-1",))
        found = standing(read(batches=(batch,), lots=(lot,), recalls=(recall,)))
        self.assertTrue(all(each.held_back for each in found))
        self.assertTrue({"b-1", "lot-1"} <= {each.reference for each in found})

    @examples(120, **SLOW)
    @given(st.data())
    def test_what_is_at_hand_stands_on_the_shelf(self, data: st.DataObject) -> None:
        """Nothing at hand is past its last day or recalled, and nothing at hand is missing."""
        book = data.draw(kitchens())
        day = read_day(book, data.draw(days(book)), TODAY)
        held_back = HeldBack(day, TODAY)
        found = {each.reference: each for each in shelf(day, held_back)}
        parts = [f"{id}/{part}" for id, names in day.stock.by_products.items() for part in names]
        for reference in (*day.timeline.lots, *day.timeline.batches, *parts):
            if not held_back.at_hand(reference):
                continue
            here = [reference, *day.stock.tubs_of.get(reference, ())]
            able = [found[each] for each in here if each in found]
            self.assertTrue(any(not each.past for each in able), reference)
            self.assertFalse(any(each.held_back for each in able), reference)


class ColdRulesTest(unittest.TestCase):
    def move(self, to: str | None, use_by: str | None = None, of: str = "b-1") -> Move:
        return Move(of, at("12:00"), to, use_by)

    def test_past_its_last_day_nothing_is_frozen_or_thawed(self) -> None:
        day = read(batches=(OLD,))
        for to in ("frozen", "thawed"):
            with self.assertRaisesRegex(BookRefused, "past its last day"):
                refuse_move(day, self.move(to, of="b-2"))
        refuse_move(day, self.move("chilled", of="b-2"))

    def test_what_nobody_dated_may_be_frozen(self) -> None:
        undated = replace(OLD, card=NO_CARE)
        refuse_move(read(batches=(undated,)), self.move("frozen", "2027-01-01", of="b-2"))

    def test_thawed_is_never_frozen_again(self) -> None:
        moves = (
            Move("b-1", at("10:00"), "frozen", "2027-03-01"),
            Move("b-1", at("11:00"), "thawed", "2026-12-06"),
        )
        with self.assertRaisesRegex(BookRefused, "never frozen again"):
            refuse_move(read(batches=(FRESH,), moves=moves), self.move("frozen"))

    def test_only_what_is_frozen_is_thawed_and_for_a_day(self) -> None:
        with self.assertRaisesRegex(BookRefused, "not frozen"):
            refuse_move(read(batches=(FRESH,)), self.move("thawed"))
        frozen = read(batches=(FRESH,), moves=(Move("b-1", at("10:00"), "frozen", "2027-03-01"),))
        refuse_move(frozen, self.move("thawed"))
        self.assertEqual(use_by_of_move(frozen, self.move("thawed")), "2026-12-06")
        with self.assertRaisesRegex(BookRefused, "2026-12-06"):
            refuse_move(frozen, self.move("thawed", "2026-12-07"))

    def test_a_last_day_is_set_later_only_by_freezing(self) -> None:
        day = read(batches=(FRESH,))
        with self.assertRaisesRegex(BookRefused, "2026-12-08"):
            refuse_move(day, self.move("chilled", "2026-12-12"))
        refuse_move(day, self.move("chilled", "2026-12-07"))
        refuse_move(day, self.move("frozen", "2027-02-01"))

    def test_frozen_it_keeps_as_its_card_says_or_somebody_says(self) -> None:
        self.assertEqual(use_by_of_move(read(batches=(FRESH,)), self.move("frozen")), "2027-03-05")
        uncared = read(batches=(replace(FRESH, card=NO_CARE),))
        with self.assertRaisesRegex(BookRefused, "say until when"):
            use_by_of_move(uncared, self.move("frozen"))

    def test_nothing_is_drawn_past_its_last_day_or_from_what_is_recalled(self) -> None:
        day = read(batches=(OLD, FRESH))
        drawn = Batch("b-3", at("13:00"), "veloute", went_in=(WentIn("hen-stock", 1, batch="b-2"),))
        with self.assertRaisesRegex(BookRefused, "past its last day"):
            refuse_draws(day, HeldBack(day, TODAY), drawn)
        fresh = replace(drawn, went_in=(WentIn("hen-stock", 1, batch="b-1"),))
        refuse_draws(day, HeldBack(day, TODAY), fresh)
        recall = Recall("r-1", at("12:00"), "hen")
        day = read(batches=(FRESH,), recalls=(recall,))
        with self.assertRaisesRegex(BookRefused, "recall"):
            refuse_draws(day, HeldBack(day, TODAY), fresh)


if __name__ == "__main__":
    unittest.main()
