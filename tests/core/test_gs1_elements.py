"""Codes on packs: the same number in every kind of bars, and what else they say."""

import unittest
from datetime import date

from hypothesis import given
from hypothesis import strategies as st

from tests.effort import examples
from yellow_ladle.core.vocabulary.gs1_elements import SEPARATOR, Scanned, same_number, scanned


class Elements(unittest.TestCase):
    def test_a_bare_number_is_its_own_code(self) -> None:
        self.assertEqual(scanned("2000000000022"), Scanned("2000000000022"))
        self.assertEqual(scanned("96385074"), Scanned("96385074"))
        self.assertEqual(scanned("our own jar 7"), Scanned("our own jar 7"))
        # the same pack by UPC-A, EAN-13 and GTIN-14
        codes = {same_number(code) for code in ("012345678905", "0012345678905", "00012345678905")}
        self.assertEqual(len(codes), 1)

    def test_lot_date_and_weight(self) -> None:
        day = date(2026, 12, 31)
        wanted = Scanned("2000000000022", "AB-12", day, 1.25, expires=day)
        for text in (
            "(01)02000000000022(17)261231(3103)001250(10)AB-12",
            "0102000000000022172612313103" + "00125010AB-12",
            f"]C1010200000000002210AB-12{SEPARATOR}172612313103001250",
        ):
            self.assertEqual(scanned(text), wanted, text)
        # a date that cannot be makes no date, and what is no element string is its own code
        self.assertIsNone(scanned("(01)02000000000022(17)261345").use_by)
        self.assertEqual(scanned("0102000000000022ZZ").code, "0102000000000022ZZ")

    def test_a_day_of_00_is_the_last_of_the_month_and_pounds_are_kilograms(self) -> None:
        found = scanned("(01)02000000000022(15)270200(3202)000250")
        self.assertEqual((found.use_by, found.expires), (date(2027, 2, 28), None))
        self.assertAlmostEqual(found.weight_kg or 0, 2.5 * 0.45359237, places=5)

    @examples(200)
    @given(st.text(max_size=60))
    def test_no_text_breaks_it(self, text: str) -> None:
        self.assertIsInstance(scanned(text), Scanned)

    @examples(100)
    @given(
        st.integers(1, 9_999_999_999_999),
        st.text("ABCDEFGHJK-0123456789", min_size=1, max_size=20),
        st.dates(date(2020, 1, 1), date(2060, 12, 31)),
        st.integers(1, 999_999),
    )
    def test_what_goes_in_comes_out(self, number: int, lot: str, day: date, grams: int) -> None:
        code = f"{number:014d}"
        text = f"01{code}17{day:%y%m%d}3103{grams:06d}10{lot}"
        found = scanned(text)
        self.assertEqual(found.code, same_number(code))
        self.assertEqual((found.lot, found.use_by), (lot, day))
        self.assertAlmostEqual(found.weight_kg or 0, grams / 1000)


if __name__ == "__main__":
    unittest.main()
