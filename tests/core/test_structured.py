"""Rows of tables as values: what is misspelt or of another kind is refused, never passed over."""

import unittest
from dataclasses import dataclass, field

from hypothesis import given
from hypothesis import strategies as st

from tests.effort import examples
from yellow_ladle.core.vocabulary.classes import expanded
from yellow_ladle.core.vocabulary.structured import (
    ClassList,
    ClassSet,
    structured,
    structured_rows,
)


@dataclass(frozen=True)
class Part:
    """One part of a row."""

    name: str
    share: float = 1.0


@dataclass(frozen=True)
class Row:
    """A row with a field of every kind."""

    id: str
    class_: str
    size: float | None = None
    words: tuple[str, ...] = ()
    kinds: frozenset[str] = frozenset()
    of: ClassSet = frozenset()
    first: ClassList = ()
    parts: tuple[Part, ...] = ()
    keeps: dict[str, float] = field(default_factory=dict)
    about: bool = False


FULL = {
    "class": "stock",
    "size": 2,
    "words": ["a", "b"],
    "kinds": ["dish"],
    "of": ["@milks", "egg"],
    "first": ["egg", "@milks"],
    "parts": [{"name": "top"}, {"name": "foot", "share": 0.5}],
    "keeps": {"cold": 3},
    "about": True,
}


class Structured(unittest.TestCase):
    def test_every_kind_of_field_is_read(self) -> None:
        row = structured(Row, FULL, id="one")
        self.assertEqual(
            (row.id, row.class_, row.size, row.words), ("one", "stock", 2.0, ("a", "b"))
        )
        self.assertEqual(row.of, frozenset(expanded(("@milks", "egg"))))
        self.assertEqual(row.first, expanded(("egg", "@milks")))
        self.assertEqual(row.parts, (Part("top"), Part("foot", 0.5)))
        self.assertEqual((row.keeps, row.about), ({"cold": 3.0}, True))

    def test_what_a_row_leaves_out_keeps_its_default(self) -> None:
        self.assertEqual(structured(Row, {"class": "stock"}, id="one"), Row("one", "stock"))

    @examples(100)
    @given(st.sampled_from(sorted(FULL)), st.text("abcdefgh_", min_size=1, max_size=8))
    def test_a_misspelt_key_is_refused(self, key: str, other: str) -> None:
        row = dict(FULL)
        row[other] = row.pop(key)
        if other == key:
            return
        with self.assertRaises(TypeError):
            structured(Row, row, id="one")

    def test_a_key_that_is_read_elsewhere_is_named(self) -> None:
        row = structured(Row, {**FULL, "weight": [1, 2]}, besides=("weight",), id="one")
        self.assertEqual(row, structured(Row, FULL, id="one"))

    def test_another_kind_of_value_is_refused(self) -> None:
        for key, value in (
            ("class", 3),
            ("size", "2"),
            ("size", True),
            ("words", "ab"),
            ("kinds", "dish"),
            ("of", "@milks"),
            ("first", [1]),
            ("parts", [{"share": 1}]),
            ("parts", [{"name": "top", "shares": 1}]),
            ("about", 1),
        ):
            with self.subTest(key=key, value=value), self.assertRaises(TypeError):
                structured(Row, {**FULL, key: value}, id="one")

    def test_rows_in_their_order_and_none_where_the_table_is_silent(self) -> None:
        self.assertEqual(
            structured_rows(Part, [{"name": "b"}, {"name": "a"}]), (Part("b"), Part("a"))
        )
        self.assertEqual(structured_rows(Part, None), ())


if __name__ == "__main__":
    unittest.main()
