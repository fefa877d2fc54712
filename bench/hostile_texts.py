"""How the time of every reader of free text grows with its text, for texts made to slow it down.

A reader that is linear in its text takes twice as long for twice the text.
"""

import contextlib
import time
from collections.abc import Callable, Mapping

from yellow_ladle.core.amounts.grammar import understand
from yellow_ladle.core.book.book import Book, Kitchen, Line, Preparation, Step
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.cards.card_words import card_words
from yellow_ladle.core.labels.label_reading import TooLong
from yellow_ladle.core.labels.reader import read_label
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.words.class_names import class_of_name
from yellow_ladle.files.recipes.any_recipe import recipes_of

Reader = Callable[[str], object]

MAX_RATIO = 3.0
"""Times as long that twice the text may take."""
LETTERS = (25_000, 50_000, 100_000)
SLOW = 8.0
"""Seconds after which a longer text of a kind is not tried."""


def repeated(piece: str) -> Callable[[int], str]:
    """Texts of a length that are one piece again and again."""
    return lambda letters: (piece * (letters // len(piece) + 1))[:letters]


KINDS: Mapping[str, Callable[[int], str]] = {
    "one letter": repeated("a"),
    "one long word": repeated("abcdefghijklmnopqrstuvwxyz"),
    "words without spaces": repeated("flourbuttermilk"),
    "digits": repeated("1234567890"),
    "digits and letters": repeated("a1"),
    "numbers": repeated("1 2 "),
    "fractions": repeated("1/"),
    "ranges": repeated("1-"),
    "open brackets": repeated("("),
    "brackets": lambda letters: "(" * (letters // 2) + ")" * (letters // 2),
    "hyphens": repeated("-"),
    "hyphened letters": repeated("a-"),
    "line ends": repeated("\n"),
    "short lines": repeated("a\n"),
    "combining marks": lambda letters: "e" + "\u0301" * (letters - 1),
    "marked letters": repeated("e\u0301"),
    "ß": repeated("ß"),
    "commas": repeated("a,"),
    "blanks": repeated(" "),
    "tables": repeated("a\tb\n"),
    "tags": repeated("<p>a"),
    "headings": repeated("# A\n"),
    "sentences": repeated("Stir the milk. "),
    "ingredients": repeated("100 g flour\n"),
    "claims": repeated("free from milk, "),
    "choices": repeated("milk or "),
    "times": repeated("10 min "),
    "unnamed recipes": lambda letters: (
        "1 egg\n\nStir.\n\n\n" + repeated("A soup\n\n100 g leek\n\nBoil it.\n\n\n")(letters)
    ),
}
"""Texts of a number of letters, by what is hostile about them."""


def read_card(text: str) -> object:
    """The words of a card whose one step is the text."""
    product = Product("water", "Water")
    step = Step(text)
    made = Preparation(
        "pot", "Pot", "soup", lines=(Line("water", 1, "l", "liquid"),), method=(step,)
    )
    return card_words(read(Book.of(Kitchen("Kitchen", "eu-14"), [product], [made])))


READERS: Mapping[str, Reader] = {
    "recipes": lambda text: recipes_of(text.encode(), "x"),
    "labels": read_label,
    "amounts": understand,
    "class names": class_of_name,
    "words of cards": read_card,
}


def main() -> None:
    for name, reader in READERS.items():
        taken(reader, "100 g plain flour, 2 eggs")
        worst = max((growth(reader, kind), kind) for kind in KINDS)
        print(
            f"{name}: twice the text takes at most {worst[0]:.1f} times as long ({worst[1]}),"
            f" {worst[0] / MAX_RATIO:.2f} of what it may"
        )


def growth(reader: Reader, kind: str) -> float:
    """The largest ratio of the times for a text and for one twice as long."""
    ratios = [0.0]
    before = taken(reader, KINDS[kind](LETTERS[0]))
    for letters in LETTERS[1:]:
        if before > SLOW:
            break
        after = taken(reader, KINDS[kind](letters))
        # What is read within some milliseconds says nothing of how it grows.
        ratios.append(after / before if after > 0.02 else 0.0)
        before = after
    return max(ratios)


def taken(reader: Reader, text: str) -> float:
    """Seconds until a text is read or refused, the better of two runs."""
    times = []
    for _ in range(2):
        started = time.perf_counter()
        with contextlib.suppress(BookRefused, TooLong):
            reader(text)
        times.append(time.perf_counter() - started)
    return min(times)


if __name__ == "__main__":
    main()
