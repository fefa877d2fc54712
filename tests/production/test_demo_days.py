"""The made-up fortnight of the demo kitchen, with what went wrong in it."""

import tempfile
import unittest
from dataclasses import replace
from datetime import UTC, datetime
from pathlib import Path

from yellow_ladle.core.production.asked import Asked
from yellow_ladle.core.production.day_reading import DayReading, day_of, read_day
from yellow_ladle.core.production.provenance import Provenance
from yellow_ladle.core.production.recall import HeldBack
from yellow_ladle.core.production.records import Recall
from yellow_ladle.core.production.trace import trace
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.demo.kitchen import TODAY, demo_book, demo_daybook, fill_with_demo
from yellow_ladle.store.ledger import Ledger


class FortnightTest(unittest.TestCase):
    day: DayReading

    @classmethod
    def setUpClass(cls) -> None:
        cls.day = read_day(demo_book(), demo_daybook(TODAY), "2026-12-08")

    def made(self, preparation: str, day: int, nth: int = 0) -> str:
        """The batch of a pot that was made on a day of the fortnight, from 0."""
        found = [
            batch.id
            for batch in self.day.timeline.batches.values()
            if batch.preparation == preparation and batch.made.startswith(self.date(day))
        ]
        return found[nth]

    def date(self, day: int) -> str:
        return f"2026-11-{24 + day}" if day < 7 else f"2026-12-{day - 6:02}"

    def test_a_maker_was_changed_at_noon(self) -> None:
        morning, noon = self.made("oatcakes", 6), self.made("oatcakes", 6, 1)
        makers = {
            id: {giver.maker for giver in Provenance(self.day).givers(id) if giver.maker}
            for id in (morning, noon)
        }
        self.assertEqual(makers, {morning: {"gannet-mill"}, noon: {"fell-mill"}})
        self.assertIn("rye", self.day.levels(noon))
        self.assertNotIn("rye", self.day.levels(morning))

    def test_a_stock_from_the_freezer_carries_what_its_label_said_then(self) -> None:
        pot = self.made("veloute", 8)
        stock = self.made("hen-stock", 0)
        self.assertIs(self.day.levels(stock)["sulphites"], Level.MAY_CONTAIN)
        sources = Provenance(self.day).sources(pot)["sulphites"]
        recorded = [source.level for source in sources if source.giver.recorded == stock]
        self.assertEqual(recorded, [Level.MAY_CONTAIN])
        ways = [giver.via for giver in Provenance(self.day).givers(pot) if giver.recorded == stock]
        self.assertEqual(ways, [(pot, stock)])

    def test_a_wash_was_skipped(self) -> None:
        pot = self.made("fish-veloute", 4)
        tools = {giver.tool for giver in Provenance(self.day).givers(pot)} - {None}
        self.assertEqual(tools, {"chinois"})
        others = {giver.tool for giver in Provenance(self.day).givers(self.made("fish-veloute", 2))}
        self.assertEqual(others, {None})

    def test_no_wash_clears_the_oil_of_the_fryer(self) -> None:
        washed, renewed = self.made("fried-crumbs", 10), self.made("fried-crumbs", 13)
        self.assertIs(self.day.levels(washed)["fish"], Level.MAY_CONTAIN)
        self.assertNotIn("fish", self.day.levels(renewed))

    def test_an_unrecorded_remake_shows_as_more_than_was_made(self) -> None:
        over = self.day.stock.left(self.made("veloute", 7)).over
        self.assertAlmostEqual(over.quantity if over else 0, 0.1)

    def test_a_lot_of_butter_is_traced_to_plates(self) -> None:
        found = trace(self.day, Asked(lot="lot-3"))
        reached = {self.day.timeline.batches[each.batch].preparation for each in found.batches}
        self.assertIn("hen-leek-pie", reached)
        self.assertTrue(found.served)
        self.assertNotIn(self.made("white-roux", 0), {each.batch for each in found.batches})

    def test_a_lot_may_be_recalled_before_it_came_in(self) -> None:
        recall = Recall("r-1", "2026-11-24T20:00:00+00:00", "butter", lots=("lot-3",))
        daybook = replace(demo_daybook(TODAY), recalls=(recall,))
        early, late = "2026-11-25", "2026-12-02"
        before = read_day(demo_book(), daybook, early, early)
        self.assertTrue(HeldBack(before, early).at_hand(self.made("veloute", 1)))
        after = HeldBack(read_day(demo_book(), daybook, late, late), late)
        self.assertFalse(after.at_hand(self.made("veloute", 8)))
        self.assertFalse(after.at_hand("lot-3"))
        self.assertTrue(after.at_hand("lot-1"))

    def test_the_demo_opens_on_a_day_in_the_middle_of_it(self) -> None:
        with tempfile.TemporaryDirectory() as folder:
            at = datetime(2027, 3, 17, 15, 0, tzinfo=UTC)
            ledger = Ledger.open(Path(folder) / "demo.sqlite", lambda: at)
            self.addCleanup(ledger.close)
            fill_with_demo(ledger)
            daybook = ledger.daybook.now.daybook
            days = {batch.made[:10] for batch in daybook.batches}
            self.assertEqual((min(days), max(days)), ("2027-03-07", "2027-03-17"))
            self.assertTrue(day_of(ledger.now.reading, daybook).masks)


if __name__ == "__main__":
    unittest.main()
