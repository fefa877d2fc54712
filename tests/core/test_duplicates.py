"""Two goods put into one: nothing that either carried is lost, and every reference follows."""

from dataclasses import replace
from unittest import TestCase

from hypothesis import assume, given
from hypothesis import strategies as st

from tests.effort import examples
from tests.kitchens import FULL, MAY, OPEN, book, line, pot, product
from tests.random_books import books
from yellow_ladle.core.book.book import Book, Step, owner_of
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.book.maker import Maker
from yellow_ladle.core.book.product import Part, Product
from yellow_ladle.core.checks.book_faults import change_faults
from yellow_ladle.core.larder.duplicates import merged_into, namesakes
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.reading.update import applied
from yellow_ladle.core.vocabulary.levels import Level


def merged(reading: Reading, keep: str, gone: str) -> Reading:
    return read(applied(reading.book, merged_into(reading, keep, gone)), reading.on)


class NothingIsLost(TestCase):
    @examples(150)
    @given(books(), st.data())
    def test_every_item_carries_at_least_what_it_carried(self, kitchen: Book, data) -> None:  # type: ignore[no-untyped-def]
        ids = sorted(kitchen.products)
        assume(len(ids) > 1)
        keep, gone = data.draw(st.permutations(ids))[:2]
        before = read(kitchen)
        try:
            change = merged_into(before, keep, gone)
        except BookRefused:
            return
        self.assertEqual(change_faults(applied(kitchen, change), change), [])
        after = read(applied(kitchen, change))
        for item in before.masks:
            now = keep if item == gone else item
            for flag in kitchen.flag_ids:
                self.assertGreaterEqual(after.level(now, flag), before.level(item, flag), item)
        named = {owner_of(e.item) for m in after.book.preparations.values() for e in m.lines}
        self.assertNotIn(gone, named)

    def test_the_higher_of_two_labels_counts(self) -> None:
        soft, hard = (
            product("flour", "wheat", "wheat-flour"),
            product("flour-2", "wheat", "wheat-flour", may="soy"),
        )
        after = merged(read(book(soft, hard, pot("roux", "flour"))), "flour", "flour-2")
        self.assertIs(after.level("roux", "soy"), MAY)
        self.assertEqual(len(after.book.products["flour"].makers), 2)

    def test_what_a_name_alone_says_is_kept(self) -> None:
        walnut = Product("walnuts", "Walnuts", otherwise=Level.FREE)
        jar = Product("jar", "Jar on the shelf", otherwise=Level.FREE)
        after = merged(read(book(walnut, jar, pot("soup", "walnuts"))), "jar", "walnuts")
        self.assertIs(after.level("soup", "walnut"), FULL)

    def test_two_that_say_the_same_stay_one_label(self) -> None:
        one, other = (
            product("salt", "", "salt"),
            product("salt-2", "", "salt", code="4006381333931"),
        )
        after = merged(read(book(one, other)), "salt", "salt-2").book.products["salt"]
        self.assertEqual((after.makers, after.code), ((), "4006381333931"))
        self.assertEqual(after.merged, ("salt-2",))

    def test_the_higher_number_counts_and_a_maker_in_use_counts_no_more(self) -> None:
        makers = (Maker("a", "A", otherwise=Level.FREE), Maker("b", "B"))
        one = product("stock", "", "bouillon", salt_g_per_100g=3, makers=makers, in_use="a")
        other = product("stock-2", "", "bouillon", salt_g_per_100g=5)
        after = merged(read(book(one, other)), "stock", "stock-2")
        kept = after.book.products["stock"]
        self.assertEqual((kept.salt_g_per_100g, kept.in_use, len(kept.makers)), (5, None, 3))
        self.assertIs(after.level("stock", "celery"), OPEN)


class References(TestCase):
    def test_steps_still_mean_their_lines(self) -> None:
        kitchen = book(
            product("butter", "milk"),
            product("butter-2", "milk", "butter"),
            pot(
                "sauce",
                line("butter-2", quantity=10),
                line("butter", quantity=20),
                line("butter-2", quantity=30),
                method=(Step("Melt", uses=("butter",)), Step("Whisk", uses=("butter-2#2",))),
            ),
        )
        made = merged(read(kitchen), "butter", "butter-2").book.preparations["sauce"]
        self.assertEqual([e.item for e in made.lines], ["butter"] * 3)
        self.assertEqual([step.uses for step in made.method], [("butter#2",), ("butter#3",)])

    def test_goods_made_of_it_follow(self) -> None:
        mix = replace(product("mix"), parts=(Part("salt", 40), Part("salt-2", 10)))
        kitchen = book(product("salt"), product("salt-2", "", "salt"), mix)
        after = merged(read(kitchen), "salt", "salt-2").book.products["mix"]
        self.assertEqual(after.parts, (Part("salt", 50),))


class Refused(TestCase):
    def test_two_things_are_not_one(self) -> None:
        kitchen = read(book(product("cream", "milk"), product("butter", "milk")))
        with self.assertRaisesRegex(BookRefused, "Cream is cream, Butter is butter"):
            merged_into(kitchen, "cream", "butter")
        with self.assertRaisesRegex(BookRefused, "one good already"):
            merged_into(kitchen, "cream", "cream")


class Namesakes(TestCase):
    def test_the_same_words_in_any_order_and_number(self) -> None:
        kitchen = book(product("double-cream"), product("cream-cheese"))
        for name in ("Double cream", "double CREAM", "Cream, double", "double creams"):
            with self.subTest(name=name):
                self.assertEqual(namesakes(kitchen, name), ["double-cream"])
        self.assertEqual(namesakes(kitchen, "Double cream", "double-cream"), [])
        self.assertEqual(namesakes(kitchen, "Cream"), [])
        self.assertEqual(namesakes(kitchen, ""), [])
