"""What batches really came to, and when it is worth writing into the card."""

import unittest
from dataclasses import replace

from yellow_ladle.core.production.batch import Batch, Out
from yellow_ladle.core.production.batch_record import with_out, with_rows
from yellow_ladle.core.production.day_reading import read_day
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.measured_yield import MeasuredYield, measured_yield
from yellow_ladle.demo.kitchen import demo_book

BOOK = demo_book()
TODAY = "2026-12-02"
EMPTY = read_day(BOOK, Daybook(), TODAY)


def made(number: int, out: float | None, factor: float = 1) -> Batch:
    batch = Batch(f"b-{number}", f"2026-12-01T{number:02}:00:00+00:00", "veloute")
    recorded = with_out(EMPTY, with_rows(EMPTY, batch, factor), factor)
    return recorded if out is None else replace(recorded, out=Out(out, "l"))


def measured(*batches: Batch) -> MeasuredYield | None:
    return measured_yield(read_day(BOOK, Daybook(batches=batches), TODAY), "veloute")


class MeasuredYieldTest(unittest.TestCase):
    def test_three_weighed_batches_are_enough_and_two_are_not(self) -> None:
        weighed = [made(1, 2.6), made(2, 2.4), made(3, 5.6, factor=2)]
        self.assertIsNone(measured(*weighed[:2]))
        found = measured(*weighed)
        assert found is not None
        self.assertEqual((found.batches, found.quantity, found.unit), (3, 2.6, "l"))
        self.assertEqual((found.low, found.high), (2.4, 2.8))

    def test_what_the_application_filled_in_is_no_measurement(self) -> None:
        self.assertIsNone(measured(made(1, 2.6), made(2, 2.4), made(3, None), made(4, None)))

    def test_a_card_that_was_changed_since_begins_anew(self) -> None:
        batches = [made(number, 2.6) for number in range(1, 5)]
        old = replace(BOOK.preparations["veloute"], yield_=replace(
            BOOK.preparations["veloute"].yield_, quantity=2.6))  # fmt: skip
        changed = [replace(batch, card=old) for batch in batches]
        self.assertIsNone(measured(*changed))
        self.assertIsNotNone(measured(*batches))

    def test_what_went_off_as_steam_is_a_share_of_what_went_in(self) -> None:
        found = measured(*(made(number, 1.5) for number in range(1, 4)))
        assert found is not None and found.lost is not None
        self.assertTrue(0.4 < found.lost < 0.7)

    def test_nothing_is_told_of_what_has_no_card_or_yield(self) -> None:
        self.assertIsNone(measured_yield(EMPTY, "no-such-pot"))


if __name__ == "__main__":
    unittest.main()
