"""Levels and certificates packed into one int: what goes in comes out, at every level."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from tests.effort import examples
from yellow_ladle.core.book.maker import Maker
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.carrying.label_sources import label_sources
from yellow_ladle.core.carrying.masks import GRAPE_WINE, Layout, layout_of
from yellow_ladle.core.vocabulary.diets import ORIGIN, diets
from yellow_ladle.core.vocabulary.flags import shipped_flags
from yellow_ladle.core.vocabulary.levels import Level

FLAGS = tuple(flag.id for flag in shipped_flags())
KINDS = tuple(sorted({diet.certificate for diet in diets().values() if diet.certificate}))
STATED = st.dictionaries(st.sampled_from(FLAGS), st.sampled_from(Level), max_size=8)


def layout() -> Layout:
    return layout_of(shipped_flags())


class Masks(unittest.TestCase):
    @examples(200)
    @given(STATED, st.sampled_from(Level), st.sets(st.sampled_from(KINDS)))
    def test_each_level_comes_back(
        self, stated: dict[str, Level], otherwise: Level, held: set[str]
    ) -> None:
        mask = layout().mask(stated, otherwise, tuple(held))
        for flag in FLAGS:
            self.assertEqual(
                layout().level(mask, layout().bits[flag]), stated.get(flag, otherwise), flag
            )

    @examples(200)
    @given(STATED, st.sets(st.sampled_from(KINDS)))
    def test_a_certificate_is_lacking_where_something_present_would_need_it(
        self, stated: dict[str, Level], held: set[str]
    ) -> None:
        found = layout().certified(layout().mask(stated, Level.FREE, tuple(held)))
        for kind in KINDS:
            needs = {flag for flag, of in layout().uncertified if of == kind}
            present = any(stated.get(flag, Level.FREE) > Level.FREE for flag in needs)
            self.assertEqual(kind in found, kind in held or not present, kind)

    def test_at_each_level_alone(self) -> None:
        for kind in KINDS:
            for flag, of in layout().uncertified:
                if of != kind or flag not in FLAGS:
                    continue
                for level in (Level.MAY_CONTAIN, Level.UNCHECKED, Level.CONTAINS):
                    with self.subTest(kind=kind, flag=flag, level=level):
                        bare = layout().mask({flag: level}, Level.FREE)
                        self.assertNotIn(kind, layout().certified(bare))
                        held = layout().mask({flag: level}, Level.FREE, (kind,))
                        self.assertIn(kind, layout().certified(held))
                        self.assertNotIn(ORIGIN, layout().certified(held))

    def test_what_is_of_grapes_as_wine_is_needs_a_kosher_certificate_and_no_other(self) -> None:
        wine = layout().mask({}, Level.FREE, grape_wine=True)
        self.assertEqual({*KINDS} - {*layout().certified(wine)}, {"kosher"})
        self.assertEqual(layout().levels(wine), {})
        self.assertNotEqual(wine & layout().of_marks([(GRAPE_WINE, "kosher")]), 0)
        held = layout().mask({}, Level.FREE, ("kosher",), grape_wine=True)
        self.assertIn("kosher", layout().certified(held))

    def test_grapes_of_makers_are_each_ones_own(self) -> None:
        wine = Product(
            "wine",
            "White wine",
            "white-wine",
            {"alcohol": Level.CONTAINS},
            otherwise=Level.FREE,
            makers=(Maker("a", "Anchor", {}, Level.FREE), Maker("b", "Bell", {}, Level.FREE)),
        )
        own, *makers = label_sources(wine, None)
        self.assertEqual(
            (own.grape_wine, [each.grape_wine for each in makers]), (False, [True] * 2)
        )


if __name__ == "__main__":
    unittest.main()
