"""Who has a card open, and for how long that is believed."""

import unittest
from unittest.mock import patch

from yellow_ladle.api.cards import presence
from yellow_ladle.api.cards.presence import SECONDS, Presence


class PresenceTest(unittest.TestCase):
    def setUp(self) -> None:
        self.now = 100.0
        clock = patch.object(presence, "monotonic", lambda: self.now)
        clock.start()
        self.addCleanup(clock.stop)
        self.presence = Presence()

    def test_others_on_the_same_card_are_named(self) -> None:
        self.assertEqual(self.presence.say("roux", "a", "MK"), [])
        self.assertEqual(self.presence.say("roux", "b", "NB"), ["MK"])
        self.assertEqual(self.presence.say("stock", "c", "TO"), [])
        self.assertEqual(self.presence.say("roux", "a", "MK"), ["NB"])

    def test_one_person_on_two_pages_is_told_as_well(self) -> None:
        self.presence.say("roux", "a", "MK")
        self.assertEqual(self.presence.say("roux", "b", "MK"), ["MK"])

    def test_a_page_that_has_gone_is_forgotten(self) -> None:
        self.presence.say("roux", "a", "MK")
        self.now += SECONDS - 1
        self.assertEqual(self.presence.say("roux", "b", "NB"), ["MK"])
        self.now += 2
        self.assertEqual(self.presence.say("roux", "b", "NB"), [])
        self.presence.leave("roux", "b")
        self.presence.leave("roux", "never was here")
        self.assertEqual(self.presence.say("roux", "c", "TO"), [])

    def test_it_never_grows_without_end(self) -> None:
        with patch.object(presence, "MAX_HERE", 50):
            for number in range(120):
                others = self.presence.say("roux", str(number), "MK")
                self.assertLess(len(others), 50)


if __name__ == "__main__":
    unittest.main()
