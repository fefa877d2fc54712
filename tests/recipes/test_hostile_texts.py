"""Every reader of free text does work in proportion to its text, whatever stands in it."""

import contextlib
import sys
import unittest
from types import FrameType

from hypothesis import given
from hypothesis import strategies as st

from bench.hostile_texts import KINDS, MAX_RATIO, READERS, Reader
from tests.effort import THOROUGH, examples, sample
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.labels.label_reading import TooLong
from yellow_ladle.core.recipes.bounded_text import MAX_LINE, MAX_WORD, within_bounds
from yellow_ladle.files.recipes.any_recipe import recipes_of

LETTERS = 4_000 if THOROUGH else 1_500
FEW_CALLS = 3_000
"""Calls below which their number says nothing of how it grows."""


def calls(reader: Reader, text: str) -> int:
    """How many functions are called while a text is read."""
    count = 0

    def counted(_: FrameType, event: str, __: object) -> None:
        nonlocal count
        count += event in ("call", "c_call")

    sys.setprofile(counted)
    try:
        with contextlib.suppress(BookRefused, TooLong):
            reader(text)
    finally:
        sys.setprofile(None)
    return count


class Linear(unittest.TestCase):
    def test_twice_the_text_is_at_most_twice_the_work(self) -> None:
        for name, reader in READERS.items():
            calls(reader, "100 g plain flour, 2 eggs")
            for kind, text in sample([*KINDS.items()]):
                with self.subTest(reader=name, kind=kind):
                    one, two = (calls(reader, text(size)) for size in (LETTERS, 2 * LETTERS))
                    if two > FEW_CALLS:
                        self.assertLess(two / one, MAX_RATIO, (one, two))


class Bounds(unittest.TestCase):
    def test_no_word_and_no_line_is_longer_than_people_write(self) -> None:
        for kind, text in KINDS.items():
            found = within_bounds(text(20_000)).text
            self.assertLessEqual(max(map(len, found.split("\n"))), MAX_LINE, kind)

    @examples(100)
    @given(st.lists(st.sampled_from(["salt", "a" * 70, "ß" * 90, "1 egg", "\n", " ", ", "])))
    def test_what_is_long_comes_back_whole(self, pieces: list[str]) -> None:
        text = "".join(pieces)
        within = within_bounds(text)
        self.assertEqual(within.restored(within.text), text)

    def test_a_word_of_a_recipe_is_kept_as_it_was_written(self) -> None:
        word = "x" * (MAX_WORD + 40)
        [soup] = recipes_of(f"Soup\n\n100 g {word}\n2 eggs\n\nStir {word} in.\n".encode())
        self.assertEqual(soup.lines[0].text, f"100 g {word}")
        self.assertEqual(soup.steps[0].text, f"Stir {word} in.")

    def test_a_line_as_long_as_a_book_is_read_in_pieces_and_nothing_of_it_is_lost(self) -> None:
        told = "Stir the milk and wait. " * 400
        [soup] = recipes_of(f"Soup\n\n100 g leek\n2 eggs\n\n{told}\n".encode())
        words = " ".join(step.text for step in soup.steps).split()
        self.assertEqual(words, told.split())


if __name__ == "__main__":
    unittest.main()
