"""Moments on a kitchen's clock, also on the nights on which clocks are changed."""

import unittest

from yellow_ladle.core.production.instants import instant, on_the_clock

LONDON = "Europe/London"


class OnTheClockTest(unittest.TestCase):
    def test_summer_and_winter_have_their_offsets(self) -> None:
        self.assertEqual(on_the_clock("2026-12-01T08:10", LONDON), "2026-12-01T08:10:00.000+00:00")
        self.assertEqual(on_the_clock("2026-07-01T08:10", LONDON), "2026-07-01T08:10:00.000+01:00")

    def test_an_hour_that_comes_twice_is_its_first(self) -> None:
        self.assertEqual(on_the_clock("2026-10-25T01:30", LONDON)[-6:], "+01:00")

    def test_an_hour_that_is_left_out_lies_after_the_gap(self) -> None:
        found = on_the_clock("2026-03-29T01:30", LONDON)
        self.assertEqual(found, "2026-03-29T02:30:00.000+01:00")

    def test_without_a_zone_it_is_the_machines(self) -> None:
        self.assertIn("T08:10:00.000", on_the_clock("2026-12-01T08:10", None))
        self.assertIsInstance(instant(on_the_clock("2026-12-01T08:10", None)), int)

    def test_what_is_no_time_is_refused(self) -> None:
        for text in ("2026-02-31T08:10", "noon", ""):
            with self.assertRaises(ValueError):
                on_the_clock(text, LONDON)


if __name__ == "__main__":
    unittest.main()
