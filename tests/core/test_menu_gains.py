"""What one more pot, purchase or label would do for a menu."""

import unittest

from tests.kitchens import BUTTER, FLOUR, FREE, MAY, MILK, OPEN, line, pot, product, reading
from yellow_ladle.core.book.maker import Maker
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.reading.update import Change, applied
from yellow_ladle.core.swaps.menu.gains import MenuGains
from yellow_ladle.core.swaps.menu.menu_plan import Guest
from yellow_ladle.core.swaps.menu.planner import plan_menu
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.demo.kitchen import demo_book

ADA = Guest("Ada", Goals(("milk",)))
SAUCE = pot("sauce", "plain-flour", line("milk", "liquid", quantity=1_000), kind="sauce")
PIE, PASTA = pot("pie", "sauce", kind="dish"), pot("pasta", "sauce", kind="dish")
OAT = product("oat-drink", "oats", "oat-drink")


def unread(id: str, class_: str, **more: object) -> Product:
    return product(id, class_=class_, otherwise=OPEN, **more)


def gains(before: Reading, *plates: str, guests: tuple[Guest, ...] = (ADA,)) -> MenuGains:
    found = plan_menu(before, plates, guests, each=1)
    return MenuGains(before, plates, guests, found, each=1)


class OneMorePot(unittest.TestCase):
    def test_it_brings_the_plate_that_shares_the_sauce(self) -> None:
        soup = pot("soup", "butter", kind="dish")
        asked = gains(
            reading(FLOUR, MILK, OAT, BUTTER, SAUCE, PIE, PASTA, soup), "pie", "pasta", "soup"
        )
        gain = asked.one_more_pot()
        assert gain is not None
        self.assertEqual(gain.menu.made, 3)
        self.assertEqual([names for _, names in gain.more], [("Ada",)])
        self.assertEqual(gain.given_up, ())

    def test_where_everything_is_served_it_brings_nothing(self) -> None:
        self.assertIsNone(gains(reading(FLOUR, MILK, OAT, SAUCE, PIE), "pie").one_more_pot())

    def test_nobody_loses_what_they_had_and_no_more_pots_are_made(self) -> None:
        before = read(demo_book())
        plates = [id for id, made in before.book.preparations.items() if made.kind == "dish"]
        guests = (
            Guest("Ada", Goals((), ("vegetarian",))),
            Guest("Bo", Goals(("celery", "mustard"))),
            Guest("Cy", Goals(("wheat",))),
        )
        found = plan_menu(before, plates, guests, each=1)
        gain = MenuGains(before, plates, guests, found, each=1).one_more_pot()
        assert gain is not None
        self.assertLessEqual(gain.menu.made, found.made + 1)
        self.assertGreater(len(gain.more), len(gain.given_up))
        courses = {plate: before.book.preparations[plate].course for plate in plates}
        for guest in guests:
            for course in set(courses.values()):
                was, now = (
                    sum(
                        serving.served and guest.name in serving.guests
                        for serving in menu.servings
                        if courses[serving.plate] == course
                    )
                    for menu in (found, gain.menu)
                )
                self.assertGreaterEqual(now, min(was, 1))
        for serving in gain.menu.servings:
            self.assertTrue(serving.plan is None or serving.plan.meets)


class OnePurchase(unittest.TestCase):
    def test_what_nobody_holds_lets_the_guest_eat(self) -> None:
        gain = gains(reading(FLOUR, MILK, SAUCE, PIE), "pie").one_purchase()
        assert gain is not None
        self.assertEqual(gain.more, (("pie", ("Ada",)),))
        self.assertEqual(gain.subject, "oat-drink")

    def test_it_is_none_that_the_guest_may_not_have_either(self) -> None:
        guests = (Guest("Ada", Goals(("milk", "oats", "soy"))),)
        gain = gains(reading(FLOUR, MILK, SAUCE, PIE), "pie", guests=guests).one_purchase()
        assert gain is not None
        self.assertNotIn(gain.subject, ("oat-drink", "soy-drink"))

    def test_where_everybody_eats_with_as_few_pots_as_can_be_there_is_none(self) -> None:
        self.assertIsNone(gains(reading(FLOUR, MILK, OAT, SAUCE, PIE), "pie").one_purchase())

    def test_what_it_says_comes_true_when_it_is_bought(self) -> None:
        before = reading(FLOUR, MILK, SAUCE, PIE)
        gain = gains(before, "pie").one_purchase()
        assert gain is not None
        bought = product("new", class_=gain.subject)
        after = read(applied(before.book, Change((bought,))))
        [serving] = plan_menu(after, ["pie"], [ADA], each=1).servings
        self.assertTrue(serving.served)


class OneLabel(unittest.TestCase):
    def test_a_label_that_frees_a_plate_as_it_is(self) -> None:
        butter = unread("block", "plant-spread")
        plates = (pot("toast", "block", kind="dish"), PIE)
        asked = gains(reading(FLOUR, MILK, SAUCE, butter, *plates), "toast", "pie")
        gain = asked.one_label()
        assert gain is not None
        self.assertEqual((gain.subject, gain.flags), ("block", ("milk",)))
        self.assertEqual(gain.more, (("toast", ("Ada",)),))

    def test_a_label_that_makes_a_swap_possible(self) -> None:
        drink = unread("oat-drink", "oat-drink")
        gain = gains(reading(FLOUR, MILK, SAUCE, PIE, drink), "pie").one_label()
        assert gain is not None
        self.assertEqual((gain.subject, gain.flags), ("oat-drink", ("milk",)))

    def test_a_trace_that_is_told_stays(self) -> None:
        maker = Maker("north", "North", {"milk": OPEN}, FREE)
        told = unread(
            "block", "butter", makers=(maker, Maker("south", "South", {"milk": MAY}, FREE))
        )
        toast = pot("toast", "block", kind="dish")
        self.assertIsNone(gains(reading(told, toast), "toast").one_label())

    def test_what_is_read_already_is_not_asked_for(self) -> None:
        self.assertIsNone(gains(reading(FLOUR, MILK, SAUCE, PIE), "pie").one_label())


if __name__ == "__main__":
    unittest.main()
