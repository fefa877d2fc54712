"""What keeps pieces from making a book, in words and with its place."""

import unittest
from dataclasses import replace

from tests.kitchens import book, levels, line, pot, product
from yellow_ladle.core.book.book import Book, ByProduct, Kitchen, Preparation, Yield
from yellow_ladle.core.book.fault import near
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.carrying.cycles import cycle, inputs_of
from yellow_ladle.core.checks.book_faults import MAX_LOOPS, Pieces, change_faults, faults
from yellow_ladle.core.reading.update import Change, applied
from yellow_ladle.core.vocabulary.flags import Flag


def told(
    *pieces: Product | Preparation, flags: tuple[Flag, ...] = (), regime: str = "eu-14"
) -> list[str]:
    loose = Pieces(
        Kitchen("Test", regime),
        flags,
        [piece for piece in pieces if isinstance(piece, Product)],
        [piece for piece in pieces if isinstance(piece, Preparation)],
    )
    return [str(fault) for fault in faults(loose)]


class FaultsOfABook(unittest.TestCase):
    def test_a_sound_book_has_none(self) -> None:
        self.assertEqual(told(product("flour", "wheat"), pot("roux", "flour")), [])

    def test_an_unknown_item_is_named_with_what_is_near(self) -> None:
        found = told(product("milk"), pot("bechamel", "milk"), pot("sauce", "milk", "besamel"))
        place = "preparations[1].lines[1].item"
        self.assertEqual(found, [f'{place}: no item "besamel"; did you mean "bechamel"?'])

    def test_nothing_is_suggested_where_nothing_is_near(self) -> None:
        self.assertEqual(near("quince", ["milk", "flour"]), "")

    def test_needs_that_nobody_could_answer_are_refused(self) -> None:
        needs = (
            Need("t7", "Table 7", ("wheatt",), ("vegan",)),
            Need("", "Unreadable", ()),
            Need("t8", "Table 8", ("milk",), ("vegann",)),
            Need("t7", "Table 9", ("milk",)),
        )
        pieces = Pieces(Kitchen("Test", "eu-14"), (), (), (), needs=needs)
        self.assertEqual(
            [str(fault) for fault in faults(pieces)],
            [
                'needs[0].clear: no flag "wheatt"; did you mean "wheat"?',
                'needs[2].fit: no diet "vegann"; did you mean "vegan"?',
                'needs[3].id: the need "t7" is here twice',
            ],
        )

    def test_an_id_may_be_there_once_only(self) -> None:
        found = told(product("flour"), product("flour"), pot("flour"))
        first = 'the id "flour" is taken already, by products[0]'
        self.assertEqual(found, [f"products[1].id: {first}", f"preparations[0].id: {first}"])

    def test_unknown_flags_units_and_regimes(self) -> None:
        found = told(
            product("jar", "celary"),
            pot("soup", line("jar", unit="gr"), yield_=Yield(1, "litre")),
            regime="eu14",
        )
        self.assertEqual(
            found,
            [
                'kitchen.regime: no regime "eu14"; did you mean "eu-14"?',
                'products[0].statements.celary: no flag "celary"; did you mean "celery"?',
                'preparations[0].lines[0].unit: no unit "gr"; did you mean "g"?',
                'preparations[0].yield.unit: no unit "litre"',
            ],
        )

    def test_two_chosen_of_one_choice(self) -> None:
        chosen = [line("leek", choice="liquid", chosen=True) for _ in range(2)]
        [found] = told(product("leek"), pot("soup", *chosen))
        self.assertIn("preparations[0].lines[1].chosen", found)
        self.assertIn('"liquid"', found)

    def test_chosen_without_a_choice(self) -> None:
        [found] = told(product("leek"), pot("soup", line("leek", chosen=True)))
        self.assertIn("of no choice", found)

    def test_by_products_and_variants(self) -> None:
        twice = pot("stock", by="fat fat")
        wrong = replace(pot("sauce"), by_products=(ByProduct("fat", "Fat", 1, "gg"),))
        lost = replace(pot("soup"), variant_of="stok")
        found = told(twice, wrong, lost)
        self.assertIn(
            'preparations[0].by_products[1].id: the by-product "fat" is here twice', found
        )
        self.assertIn('preparations[1].by_products[0].unit: no unit "gg"; did you mean "g"?', found)
        self.assertIn(
            'preparations[2].variant_of: no preparation "stok"; did you mean "stock"?', found
        )

    def test_house_flags_may_not_repeat(self) -> None:
        found = told(flags=tuple(Flag(id, id, "house") for id in ("chilli", "chilli", "milk")))
        self.assertEqual(
            found,
            [
                'flags[1].id: the flag "chilli" is here twice',
                'flags[2].id: "milk" is already one of the shipped flags',
            ],
        )

    def test_every_fault_is_told_at_once(self) -> None:
        found = told(
            product("jar", "celary"), pot("a", "b", "nothing"), pot("b", line("a", unit="gr"))
        )
        self.assertEqual(len(found), 4)


class Loops(unittest.TestCase):
    def test_a_loop_is_named_whole(self) -> None:
        [found] = told(pot("a", "b"), pot("b", "c"), pot("c", "a"))
        self.assertIn("preparations[0].lines[0].item", found)
        self.assertIn("a → c → b → a", found)

    def test_a_pot_in_itself_also_by_its_by_product(self) -> None:
        self.assertEqual(
            cycle(inputs_of(book(pot("stock", "stock/fat", by="fat")))), ["stock", "stock"]
        )

    def test_an_alternative_that_is_not_chosen_closes_a_loop_too(self) -> None:
        lines = (line("leek", choice="l", chosen=True), line("b", choice="l"))
        self.assertEqual(cycle(inputs_of(book(pot("a", *lines), pot("b", "a")))), ["a", "b", "a"])

    def test_loops_apart_are_told_each(self) -> None:
        found = told(pot("a", "b"), pot("b", "a"), pot("x", "y"), pot("y", "x"), pot("z", "a"))
        self.assertEqual(len([fault for fault in found if "into itself" in fault]), 2)

    def test_a_book_full_of_loops_is_told_in_a_bearable_number(self) -> None:
        found = told(*(pot(f"p{n}", f"p{n}") for n in range(MAX_LOOPS + 30)))
        self.assertEqual(len(found), MAX_LOOPS)

    def test_a_long_chain_is_no_loop(self) -> None:
        chain = [pot("p0"), *(pot(f"p{n}", f"p{n - 1}") for n in range(1, 3000))]
        self.assertEqual(cycle(inputs_of(book(*chain))), [])


class FaultsOfAChange(unittest.TestCase):
    BOOK: Book = book(
        product("hen", "poultry"),
        pot("stock", "hen", by="fat"),
        pot("sauce", "stock"),
        pot("onions", "stock/fat"),
        replace(pot("sauce-two", "hen"), variant_of="sauce"),
    )

    def refused(self, change: Change) -> list[str]:
        return [str(fault) for fault in change_faults(applied(self.BOOK, change), change)]

    def test_a_sound_change_has_none(self) -> None:
        self.assertEqual(self.refused(Change(products=(product("hen", "poultry celery"),))), [])

    def test_the_change_that_closes_a_loop_is_refused_by_name(self) -> None:
        [found] = self.refused(Change(preparations=(pot("stock", "sauce", by="fat"),)))
        self.assertIn("Stock → Sauce → Stock", found)

    def test_what_is_still_used_cannot_go(self) -> None:
        found = self.refused(Change(removed=("stock",)))
        self.assertEqual(len(found), 2)
        self.assertIn('"stock" still goes into Sauce; take it out there first', found[0])
        [by_product] = self.refused(Change(preparations=(pot("stock", "hen"),)))
        self.assertIn('"stock/fat" still goes into Onions', by_product)

    def test_what_a_variant_came_from_cannot_go(self) -> None:
        [found] = self.refused(Change(removed=("sauce",)))
        self.assertIn("Sauce two is a variant of it", found)

    def test_an_id_cannot_be_both_product_and_preparation(self) -> None:
        self.assertIn("a preparation has the id", self.refused(Change((product("stock"),)))[0])
        self.assertIn(
            "a product has the id", self.refused(Change(preparations=(pot("hen", by="fat"),)))[0]
        )

    def test_unknown_flags_are_refused_on_products_and_pots(self) -> None:
        bad = pot("sauce", "stock", statements=levels("mlik"))
        found = self.refused(Change((product("hen", "celary"),), (bad,)))
        self.assertEqual(
            found,
            [
                'hen.statements.celary: no flag "celary"; did you mean "celery"?',
                'sauce.statements.mlik: no flag "mlik"; did you mean "milk"?',
            ],
        )
