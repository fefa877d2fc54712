"""The reading of one day: the book, with what the day's tools left from one pot in the next."""

from collections.abc import Sequence

from yellow_ladle.core.book.tool import Through, Use, left_behind
from yellow_ladle.core.reading.reading import Reading, carry


def day_reading(reading: Reading, uses: Sequence[Use]) -> Reading:
    """The book as it was read, and the traces of a day's uses, in the order in which they came.

    What went through a tool unwashed leaves a trace of everything it carries, its own traces of
    that day included, in all that follows. A pot has its traces wherever it goes that day.
    """
    today = reading
    # A pot's own traces are known once those before it are: one more round for each use at most.
    for _ in range(len(uses) + 1):
        again = carry(reading.book, reading.on, _traces(reading, today, uses), reading.usual)
        if again.masks == today.masks:
            return again
        today = again
    return today


def _traces(book: Reading, today: Reading, uses: Sequence[Use]) -> dict[str, tuple[Through, ...]]:
    found = {item: list(traces) for item, traces in book.through.items()}
    for item, pairs in left_behind(book.book.toolbox, uses).items():
        for tool, other in pairs:
            found.setdefault(item, []).append(
                Through(tool, other, today.levels(other), today.masks[other])
            )
    return {item: tuple(traces) for item, traces in found.items()}
