"""The numbers of the whole book beside its flags, and of one plate after an edit."""

import time
from dataclasses import replace
from statistics import median

from bench.made_up import large_book
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.impact.impact import impact_of
from yellow_ladle.core.numbers.balance import Balance, balance_of
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.update import Change, applied
from yellow_ladle.core.thickening.thickness import thickness

RUNS = 5


def main() -> None:
    book = large_book()
    flags, numbers = [], []
    # Taken in turns, so that a slow moment of the machine falls on both.
    for _ in range(RUNS):
        flags.append(seconds(lambda: read(book)))
        numbers.append(seconds(lambda: balance_of(book)))
    ratio = median(numbers) / median(flags)
    print(f"flags of {len(book.preparations)} pots: {median(flags) * 1000:.0f} ms")
    print(f"their numbers: {median(numbers) * 1000:.0f} ms")
    print(f"numbers against the flags alone: {ratio:.1f} times as long (aim: under 6)")
    plate = max(book.preparations)
    one = median(seconds(lambda: Balance(book).of(plate)) for _ in range(RUNS))
    print(f"the numbers of one plate by itself: 1/{median(numbers) / one:.0f} of those of all")
    thick = median(seconds(lambda: thickness(Balance(book), plate)) for _ in range(RUNS))
    print(f"its thickness: 1/{median(numbers) / thick:.0f}")
    edited(book, median(numbers))


def edited(book: Book, whole: float) -> None:
    """A card's edit with all its consequences, flags and numbers, before anyone records it."""
    before = read(book)
    base = book.preparations["m7000"]
    heavier = replace(base.lines[0], quantity=base.lines[0].quantity * 2)
    change = Change(preparations=(replace(base, lines=(heavier, *base.lines[1:])),))
    applied(book, change)
    impact_of(before, change)
    taken = median(seconds(lambda: impact_of(before, change)) for _ in range(RUNS))
    print(f"a card's edit with every number that moves: 1/{whole / taken:.0f} of the whole")


def seconds(act) -> float:  # type: ignore[no-untyped-def]
    start = time.perf_counter()
    act()
    return time.perf_counter() - start


if __name__ == "__main__":
    main()
