"""Records of one product that cannot both be right: the higher level counts, and says so."""

import unittest
from dataclasses import replace

from tests.kitchens import FREE, FULL, MAY, OPEN, book, levels, pot, product, reading
from yellow_ladle.core.book.maker import Evidence, Maker
from yellow_ladle.core.book.product import Addition, Bag, Product
from yellow_ladle.core.carrying.label_sources import contradictions, measure
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.update import Change, reread
from yellow_ladle.core.words.class_names import class_of_name

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


BY_LABEL = {"otherwise": Evidence("label")}
UNSTATED = {"otherwise": Evidence("own_knowledge")}


class Classes(unittest.TestCase):
    def test_a_plain_food_is_not_free_of_what_its_class_usually_has(self) -> None:
        bread = product("loaf", "", "bread", evidence=PLAIN)
        self.assertEqual(reading(bread).level("loaf", "wheat"), OPEN)
        for other in (
            replace(bread, evidence=BY_LABEL),
            replace(bread, statements=levels(free="wheat")),
            replace(bread, class_="tomato"),
        ):
            self.assertEqual(reading(other).level("loaf", "wheat"), FREE)

    def test_nothing_is_free_of_what_it_is(self) -> None:
        for class_, flag in (
            ("walnut", "walnut"),
            ("cream", "milk"),
            ("wheat-flour", "wheat"),
            ("egg-yolk", "egg"),
            ("ale", "barley"),
            ("groundnut-oil", "peanut"),
            ("celeriac", "celery"),
        ):
            for evidence in (PLAIN, BY_LABEL, UNSTATED, {}):
                jar = product("jar", "", class_, evidence=evidence)
                self.assertEqual(reading(jar).level("jar", flag), FULL, (class_, evidence))
            for stated, read_as in (("free", OPEN), ("may", MAY), ("unchecked", OPEN)):
                jar = product("jar", "", class_, **{stated: flag})
                self.assertEqual(reading(jar).level("jar", flag), read_as, (class_, stated))
            unread = product("jar", "", class_, otherwise=OPEN)
            self.assertEqual(reading(unread).level("jar", flag), OPEN)

    def test_the_product_is_the_source(self) -> None:
        carried = reading(product("nut", "", "walnut"), pot("base", "nut"), pot("soup", "base"))
        [source] = carried.sources("soup")["walnut"]
        self.assertEqual((source.product, source.level), ("nut", FULL))
        self.assertEqual(source.via, ("soup", "base"))

    def test_no_maker_escapes(self) -> None:
        makers = (Maker("a", "A", {}, FREE), Maker("b", "B", levels(free="walnut"), FREE))
        for in_use, wanted in ((None, FULL), ("a", FULL), ("b", OPEN)):
            nut = product("nut", "", "walnut", makers=makers, in_use=in_use)
            self.assertEqual(reading(nut).level("nut", "walnut"), wanted)

    def test_house_flags_only_where_the_book_has_them(self) -> None:
        chilli = product("chilli", "", "chilli", evidence=PLAIN)
        self.assertEqual(reading(chilli).levels("chilli"), {})
        self.assertEqual(reading(chilli, house=("chilli",)).level("chilli", "chilli"), FULL)

    def test_the_list_names_each_pair_with_what_it_is_against(self) -> None:
        butter = product("butter", "", "butter", evidence=PLAIN)
        cider = product("cider", "", "apple-juice", may="alcohol", abv_percent=4.5)
        loaf = product("loaf", "", "bread", evidence=PLAIN)
        found = contradictions(book(butter, cider, loaf), None)
        told = [(entry.product, entry.flag, entry.against, entry.reads) for entry in found]
        wanted = [
            ("butter", "milk", "class", FULL),
            ("cider", "alcohol", "abv_percent", FULL),
            ("loaf", "wheat", "class", OPEN),
        ]
        self.assertEqual(told, wanted)


class Names(unittest.TestCase):
    """Goods of which nobody has recorded a class are read by their names."""

    def level(self, name: str, flag: str, **rest: object) -> object:
        jar = replace(product("jar", **rest), class_=None, name=name)
        return reading(jar).level("jar", flag)

    def test_a_certain_name_counts_as_a_class(self) -> None:
        for name, flag in (
            ("Walnuts", "walnut"),
            ("Noix", "walnut"),
            ("Anna's double cream", "milk"),
            ("Mehl", "wheat"),
            ("Aceite de cacahuete", "peanut"),
        ):
            self.assertEqual(self.level(name, flag, evidence=PLAIN), FULL, name)
            self.assertEqual(self.level(name, flag), FULL, name)
            self.assertEqual(self.level(name, flag, free=flag), OPEN, name)
        self.assertEqual(self.level("Loaf", "wheat"), FREE)
        self.assertEqual(self.level("Loaf", "wheat", evidence=PLAIN), OPEN)

    def test_of_a_doubtful_name_counts_what_all_that_it_may_be_have(self) -> None:
        ham = class_of_name("Turkey ham")
        self.assertEqual((ham.class_, ham.certain, ham.others), ("ham", False, ("poultry",)))
        for flag in ("pork", "poultry"):
            self.assertEqual(self.level("Turkey ham", flag), FREE)
        for name, flag in (("Walnut halves", "walnut"), ("Clam juice", "mollusc")):
            self.assertFalse(class_of_name(name).certain)
            self.assertEqual(self.level(name, flag), FULL)

    def test_a_recorded_class_is_believed_before_the_name(self) -> None:
        jar = replace(product("jar", "", "potato"), name="Walnuts")
        self.assertEqual(reading(jar).levels("jar"), {})
        unsaid = replace(jar, class_="other")
        self.assertEqual(reading(unsaid).level("jar", "walnut"), FULL)

    def test_wine_of_grapes_is_marked_by_its_name(self) -> None:
        jar = replace(product("jar", "alcohol"), class_=None, name="Red wine")
        found = reading(jar).suitability("jar")["kosher"]
        self.assertEqual([reason.flag for reason in found.because], ["grape_wine"])

    def test_a_name_alone_does_not_say_of_what_a_gelatine_is(self) -> None:
        leaf = product("leaf", "gelatine beef", "gelatine", certificates=("halal",))
        named = replace(leaf, class_=None, name="Leaf gelatine")
        self.assertEqual(reading(leaf).verdict("leaf", "pescatarian"), "does_not_suit")
        self.assertEqual(reading(leaf).verdict("leaf", "no_pork"), "suits")
        self.assertEqual(reading(named).verdict("leaf", "no_pork"), "ask")


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
