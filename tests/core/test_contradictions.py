"""Records of one product that cannot both be right: the higher level counts, and says so."""

import unittest
from dataclasses import replace

from tests.kitchens import FREE, FULL, MAY, OPEN, book, levels, pot, product, reading
from yellow_ladle.core.book.maker import Evidence, Maker
from yellow_ladle.core.book.product import Addition, Bag, Product
from yellow_ladle.core.carrying.label_sources import contradictions, measure
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.update import Change, reread

PLAIN = {"otherwise": Evidence("plain_food")}


class Numbers(unittest.TestCase):
    def level(self, flag: str, thing: Product) -> object:
        return reading(thing, pot("soup", thing.id)).level("soup", flag)

    def test_a_number_above_the_line_raises_whatever_the_label_says(self) -> None:
        for flag, field, above, below in (
            ("alcohol", "abv_percent", 0.6, 0.5),
            ("sulphites", "so2_mg_per_kg", 10.1, 10),
        ):
            for said in ({}, {"free": flag}, {"may": flag}, {"unchecked": flag}):
                thing = product("thing", **said)
                self.assertEqual(self.level(flag, replace(thing, **{field: above})), FULL)
                before = reading(thing).level("thing", flag)
                self.assertEqual(self.level(flag, replace(thing, **{field: below})), before)

    def test_the_product_is_the_source_and_no_maker_escapes(self) -> None:
        makers = (Maker("a", "A", levels("milk"), FREE), Maker("b", "B", {}, FREE))
        for in_use in (None, "a", "b"):
            thing = product("drink", makers=makers, in_use=in_use, abv_percent=12)
            carried = reading(thing, pot("soup", "drink"))
            [source] = carried.sources("soup")["alcohol"]
            self.assertEqual((source.product, source.level), ("drink", FULL))

    def test_each_maker_is_read_by_its_own_number_else_by_the_products(self) -> None:
        makers = (Maker("a", "A", {}, FREE, so2_mg_per_kg=5.0), Maker("b", "B", {}, FREE))
        for number, a, b in ((None, FREE, FREE), (20.0, FREE, FULL)):
            for in_use, wanted in (("a", a), ("b", b), (None, max(a, b))):
                thing = product("wine", makers=makers, in_use=in_use, so2_mg_per_kg=number)
                self.assertEqual(
                    reading(thing).level("wine", "sulphites"), wanted, (number, in_use)
                )
        thing = product("wine", makers=makers, so2_mg_per_kg=20.0)
        [found] = contradictions(book(thing), None)
        self.assertEqual((found.by, measure(thing, "b", found.against)), ("b", 20.0))
        self.assertEqual(measure(thing, "a", found.against), 5.0)

    def test_the_amount_that_counts_is_the_most_that_is_known_of_all(self) -> None:
        makers = (Maker("a", "A", so2_mg_per_kg=5.0), Maker("b", "B"))
        for number, in_use, wanted in (
            (None, None, None),
            (None, "a", 5.0),
            (None, "b", None),
            (20.0, None, 20.0),
            (3.0, None, 5.0),
        ):
            thing = product("wine", makers=makers, in_use=in_use, so2_mg_per_kg=number)
            self.assertEqual(thing.so2_counted, wanted, (number, in_use))


class Classes(unittest.TestCase):
    def test_a_plain_food_is_not_free_of_what_its_class_is(self) -> None:
        butter = product("butter", "", "butter", evidence=PLAIN)
        self.assertEqual(reading(butter).level("butter", "milk"), OPEN)
        for other in (
            replace(butter, evidence={"otherwise": Evidence("label")}),
            replace(butter, statements=levels(free="milk")),
            replace(butter, class_="tomato"),
        ):
            self.assertEqual(reading(other).level("butter", "milk"), FREE)

    def test_house_flags_only_where_the_book_has_them(self) -> None:
        chilli = product("chilli", "", "chilli", evidence=PLAIN)
        self.assertEqual(reading(chilli).levels("chilli"), {})
        self.assertEqual(reading(chilli, house=("chilli",)).level("chilli", "chilli"), OPEN)

    def test_the_list_names_each_pair_with_what_it_is_against(self) -> None:
        butter = product("butter", "", "butter", evidence=PLAIN)
        cider = product("cider", may="alcohol", abv_percent=4.5)
        found = contradictions(book(butter, cider), None)
        told = [(entry.product, entry.flag, entry.against, entry.reads) for entry in found]
        wanted = [("butter", "milk", "class", OPEN), ("cider", "alcohol", "abv_percent", FULL)]
        self.assertEqual(told, wanted)


class Bags(unittest.TestCase):
    def test_what_nobody_knows_any_more_is_unchecked(self) -> None:
        gone = Addition("nobody-knows", "2026-01-01", live=False)
        bag = product("bag", bag=Bag((gone,)))
        self.assertEqual(reading(bag).level("bag", "milk"), OPEN)
        known = replace(gone, statements=levels(may="soy"))
        kept = reading(replace(bag, bag=Bag((known,))))
        self.assertEqual((kept.level("bag", "milk"), kept.level("bag", "soy")), (FREE, MAY))

    def test_a_change_that_makes_it_unknown_is_reread(self) -> None:
        crab = product("crab", "crustacean")
        kept = Addition("crab", "2026-01-01", live=False)
        before = reading(crab, product("bag", bag=Bag((kept,))), pot("soup", "bag"))
        for change in (Change(removed=("crab",)), Change(products=(crab,))):
            after = reread(before, change).reading
            self.assertEqual(after.masks, read(after.book).masks)
            before = after
        self.assertEqual(before.level("soup", "milk"), FREE)
