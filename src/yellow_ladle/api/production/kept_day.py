"""The daybook as it stands, read with the book, for routes that ask about it."""

from dataclasses import dataclass
from threading import Lock
from typing import Annotated

from fastapi import Depends, Request
from starlette.concurrency import run_in_threadpool

from yellow_ladle.api.dependencies import TheLedger
from yellow_ladle.core.production.batch import Batch
from yellow_ladle.core.production.day_reading import DayReading
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.provenance import Provenance
from yellow_ladle.core.production.recall import HeldBack
from yellow_ladle.core.production.resumed_reading import ResumedReading, with_batch
from yellow_ladle.store.daybook import KeptDaybook
from yellow_ladle.store.ledger import Ledger


@dataclass(frozen=True)
class Day:
    """The entries as they are kept, and their reading of today."""

    kept: KeptDaybook
    daybook: Daybook
    reading: DayReading
    provenance: Provenance
    held_back: HeldBack
    today: str

    @classmethod
    def of(cls, kept: KeptDaybook, daybook: Daybook, reading: DayReading, today: str) -> "Day":
        """A daybook with all that is asked of its reading."""
        return cls(
            kept=kept,
            daybook=daybook,
            reading=reading,
            provenance=Provenance(reading),
            held_back=HeldBack(reading, today),
            today=today,
        )

    def with_batch(self, batch: Batch) -> "Day":
        """The day as it would read with a batch more, or in the place of what was recorded."""
        daybook = self.daybook.with_batch(batch)
        return Day.of(self.kept, daybook, with_batch(self.reading, self.daybook, batch), self.today)


class KeptDay:
    """The reading of the day, made anew only after a write of the book or the daybook."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._resumed = ResumedReading()
        self._state: object = None
        self._day: Day | None = None

    def of(self, ledger: Ledger) -> Day:
        """The day as it stands now."""
        with self._lock:
            kept, now, today = ledger.daybook.now, ledger.now, ledger.today
            state = (kept.last, now.counter, today)
            if self._day is None or state != self._state:
                daybook = kept.daybook
                self._day = Day.of(kept, daybook, self._resumed.of(now.reading, daybook), today)
                self._state = state
            return self._day


async def _kept_day(request: Request) -> KeptDay:
    kept: KeptDay = request.app.state.kept_day
    return kept


TheKeptDay = Annotated[KeptDay, Depends(_kept_day)]


async def _day(kept: TheKeptDay, ledger: TheLedger) -> Day:
    return await run_in_threadpool(kept.of, ledger)


TheDay = Annotated[Day, Depends(_day)]
