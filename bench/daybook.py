"""Three years of a kitchen's days, 50,000 batches: reading them, and asking one of them."""

import time
import tracemalloc
from collections.abc import Callable
from dataclasses import replace
from datetime import UTC, datetime, timedelta
from typing import TypeVar

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.production.asked import Asked
from yellow_ladle.core.production.batch import Batch, Out, WentIn
from yellow_ladle.core.production.day_reading import DayReading, day_of
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.lot import Lot
from yellow_ladle.core.production.provenance import Provenance
from yellow_ladle.core.production.resumed_reading import ResumedReading
from yellow_ladle.core.production.tool_entries import Wash
from yellow_ladle.core.production.trace import trace
from yellow_ladle.core.reading.reading import read
from yellow_ladle.demo.kitchen import demo_book

BATCHES = 50_000
A_DAY = 46
FIRST = datetime(2024, 1, 1, 6, tzinfo=UTC)

Done = TypeVar("Done")


def three_years(book: Book, batches: int = BATCHES) -> Daybook:
    """A daybook of so many batches: every pot in turn, half of the bases by their batch."""
    pots = [pot for pot in book.preparations.values() if pot.lines]
    made: list[Batch] = []
    lots: list[Lot] = []
    washes: list[Wash] = []
    newest: dict[str, str] = {}
    for number in range(batches):
        day, turn = divmod(number, A_DAY)
        at = FIRST + timedelta(days=day, minutes=15 * turn)
        pot = pots[number % len(pots)]
        if turn == 0:
            washes.append(Wash("chinois", at.isoformat()))
        if turn % 6 == 0:
            product = list(book.products)[number % len(book.products)]
            id = f"lot-{len(lots)}"
            lots.append(Lot(id, product, at.date().isoformat(), use_by=_later(at, 20)))
        entries = tuple(
            WentIn(
                line.item,
                index,
                batch=newest.get(line.item) if number % 2 else None,
                quantity=line.quantity,
                unit=line.unit,
            )
            for index, line in enumerate(pot.lines)
        )
        out = Out(pot.yield_.quantity, pot.yield_.unit) if pot.yield_ else None
        made.append(Batch(f"b-{number}", at.isoformat(), pot.id, went_in=entries, out=out))
        newest[pot.id] = f"b-{number}"
    return Daybook(lots=tuple(lots), batches=tuple(made), washes=tuple(washes))


def main() -> None:
    """Prints what each question takes, as multiples of reading the book once."""
    book = demo_book()
    reading, once = _timed(lambda: read(book, "2026-12-31"))
    daybook = three_years(book)
    tracemalloc.start()
    day, whole = _timed(lambda: day_of(reading, daybook))
    held = tracemalloc.get_traced_memory()[0] / 1e6
    tracemalloc.stop()
    day, whole = _timed(lambda: day_of(reading, daybook))
    print(f"daybook: {BATCHES} batches read in {whole:.1f} s, {whole / once:.0f} times the book;"
          f" {held:.0f} MB")  # fmt: skip
    _, sources = _timed(lambda: Provenance(day).sources(f"b-{BATCHES - 1}"))
    _, lot = _timed(lambda: trace(day, Asked(lot="lot-10")))
    _, good = _timed(lambda: trace(day, Asked(product="butter")))
    _, base = _timed(lambda: trace(day, Asked(batch="b-1000")))
    print(f"daybook: sources of one batch {sources:.2f} s; traces: a lot {lot:.2f} s,"
          f" a good {good:.2f} s, a batch {base:.2f} s")  # fmt: skip
    resumed = ResumedReading()
    _, first = _timed(lambda: resumed.of(reading, daybook))
    last = daybook.batches[-1]
    more = daybook.with_batch(replace(last, id="one-more"))
    _, again = _timed(lambda: resumed.of(reading, more))
    print(f"daybook: one batch more is read in {again:.2f} s, {again / first:.3f} of the whole")
    half, shorter = _timed(lambda: day_of(reading, three_years(book, BATCHES // 2)))
    assert isinstance(half, DayReading)
    print(f"daybook: half of them take {shorter / whole:.2f} of the time")


def _later(at: datetime, days: int) -> str:
    return (at + timedelta(days=days)).date().isoformat()


def _timed(act: Callable[[], Done]) -> tuple[Done, float]:
    start = time.perf_counter()
    done = act()
    return done, time.perf_counter() - start
