"""What is made today: what was recorded, and what is usually made on this weekday."""

from collections import Counter
from dataclasses import dataclass
from datetime import date

from yellow_ladle.core.production.batch import Batch
from yellow_ladle.core.production.day_reading import DayReading
from yellow_ladle.core.production.instants import date_of

WEEKS = 8
"""So many weeks back a weekday counts as usual."""


@dataclass(frozen=True, slots=True)
class PotToday:
    """A preparation with how often it was made on this weekday lately, and its batches today."""

    preparation: str
    usual: int
    batches: tuple[str, ...]


def pots_today(day: DayReading, on: str) -> list[PotToday]:
    """Every pot and plate of the book, what is usually made on this weekday first.

    Then by section and name. Retired ones are there only with a batch of today.
    """
    weekday = date.fromisoformat(on)
    usual: Counter[str] = Counter()
    today: dict[str, list[str]] = {}
    for batch in day.timeline.batches.values():
        if batch.preparation is None:
            continue
        made = date.fromisoformat(date_of(batch.made))
        if made == weekday:
            today.setdefault(batch.preparation, []).append(batch.id)
        elif 0 < (weekday - made).days <= 7 * WEEKS and made.weekday() == weekday.weekday():
            usual[batch.preparation] += 1
    found = [
        PotToday(id, usual[id], tuple(today.get(id, ())))
        for id, preparation in day.book.preparations.items()
        if id in today or (preparation.retired is None and preparation.made_here)
    ]

    def place(pot: PotToday) -> tuple[int, str, str]:
        preparation = day.book.preparations[pot.preparation]
        return -pot.usual, preparation.section, preparation.name

    return sorted(found, key=place)


def without_a_card(day: DayReading, on: str) -> list[Batch]:
    """The batches of a day that have no card of the book."""
    return [
        batch
        for batch in day.timeline.batches.values()
        if date_of(batch.made) == on
        and (batch.preparation is None or batch.preparation not in day.book.preparations)
    ]
