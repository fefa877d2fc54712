"""The transactions of one kitchen's file: what stands, read in memory, and one writer at a time."""

import logging
import sqlite3
from abc import ABC, abstractmethod
from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from pathlib import Path
from threading import Lock
from typing import Any, Self, TypeAlias, TypeVar
from zoneinfo import ZoneInfo

from sqlalchemy import Engine, func, select
from sqlalchemy.orm import Session

from yellow_ladle.core.book.kind import Kind, Reaches
from yellow_ladle.core.checks.document_kinds import KINDS
from yellow_ladle.store.announcements import WRITER, Announced, Announcements
from yellow_ladle.store.daybook import DaybookStore
from yellow_ladle.store.documents import Now, load
from yellow_ladle.store.file.checkup import refuse_damaged, refuse_foreign
from yellow_ladle.store.file.engine import for_writing, open_engine
from yellow_ladle.store.file.file_faults import told_in_words
from yellow_ladle.store.file.lock import FileLock
from yellow_ladle.store.file.restore import finish_restore, prepared
from yellow_ladle.store.optimistic_lock import (
    counter_of,
    next_appended,
    next_version,
)
from yellow_ladle.store.tables import DaybookRow, HistoryRow
from yellow_ladle.store.write_queue import Gate, WriteQueue

T = TypeVar("T")


def _utc() -> datetime:
    return datetime.now(UTC)


@dataclass
class Writing:
    """One write on its way: its transaction, the book before it, and what stands after it.

    `version` is the counter that the write raises the book to, and the version of all it touches.
    The last four are what is announced of it.
    """

    session: Session
    before: Now
    after: Now
    version: int
    moment: str
    reaches: Reaches = "book"
    touched: tuple[str, ...] = ()
    told: str = ""
    person: str = ""


Beside: TypeAlias = Callable[[Writing], None]
"""What writes more within the transaction of a change, as it belongs to it."""


class Transactions(ABC):
    """The file of one kitchen: what stands in it, and transactions on it.

    Readers take `now`, which never changes under them. `path` is the file; `clock` tells the time,
    so that tests can tell it too. `kinds` are those of the documents that it keeps.
    """

    def __init__(
        self,
        engine: Engine,
        path: Path,
        clock: Callable[[], datetime] = _utc,
        kinds: Sequence[Kind] = KINDS,
    ) -> None:
        self.path = path
        self.kinds = kinds
        self._clock = clock
        self._queue = WriteQueue()
        self._asking = Lock()
        self._gate = Gate()
        self.mornings: list[Callable[[Any], object]] = []
        """Callbacks that run once on each new calendar day, under the lock."""
        self.announcements = Announcements()
        self._connect(engine)

    def _connect(self, engine: Engine) -> None:
        self._engine, self._writer = engine, for_writing(engine)
        # A connection of its own, as it is asked on every request: some microseconds each time.
        self._counter = sqlite3.connect(self.path, isolation_level=None, check_same_thread=False)
        with Session(engine) as session:
            self._now = load(session, self.today, self.path, self.kinds)
            last = (func.max(HistoryRow.at), func.max(DaybookRow.recorded))
            self._moment = max(session.scalar(select(moment)) or "" for moment in last)
        self._day = self.today
        self.daybook = DaybookStore(self)
        """What happened day by day, beside the book."""

    @classmethod
    def open(
        cls, path: Path, clock: Callable[[], datetime] = _utc, kinds: Sequence[Kind] = KINDS
    ) -> Self:
        """The ledger in a file, which is made if it is not there.

        Raises Unsound where the file is no kitchen's, of a newer version, damaged, or holds a book
        that cannot be carried; FileFault where it cannot be reached.
        """
        with told_in_words():
            if prepared(path).exists():
                with FileLock(path):
                    finish_restore(path)
            refuse_foreign(path)
            refuse_damaged(path)
            return cls(open_engine(path), path, clock, kinds)

    @property
    def now(self) -> Now:
        """The book as it was last read: see `catch_up`."""
        return self._now

    @property
    def today(self) -> str:
        """The day (ISO) in the kitchen's own time."""
        now = getattr(self, "_now", None)
        zone = now.reading.book.kitchen.time_zone if now else None
        return self._clock().astimezone(ZoneInfo(zone) if zone else None).date().isoformat()

    @property
    def moment(self) -> str:
        """This moment (ISO, UTC), never before one that was written down already."""
        now = self._clock().astimezone(UTC).isoformat(timespec="milliseconds")
        return max(now, self._moment)

    @property
    def seconds_behind(self) -> float:
        """How far the clock stands before the last moment of the history, 0 where it does not."""
        if not self._moment:
            return 0.0
        last = datetime.fromisoformat(self._moment)
        return max(0.0, (last - self._clock().astimezone(UTC)).total_seconds())

    @property
    def local_moment(self) -> str:
        """This moment in the kitchen's own time, with its offset, as the daybook writes it."""
        zone = self._now.reading.book.kitchen.time_zone
        here = datetime.fromisoformat(self.moment).astimezone(ZoneInfo(zone) if zone else None)
        return here.isoformat(timespec="milliseconds")

    @property
    def is_empty(self) -> bool:
        """Whether nothing has been recorded yet."""
        return not self._now.versions

    def close(self) -> None:
        """Closes the database connections."""
        self._counter.close()
        self._engine.dispose()

    def while_closed(self, act: Callable[[], T]) -> T:
        """Does something to the file while nobody has it open, and reads it anew.

        Whoever wants to ask the file meanwhile waits; `now` stays as it is until then.
        """
        with self._queue, self._asking, self._gate.closed():
            self.close()
            try:
                return act()
            finally:
                self._connect(open_engine(self.path))
                self._announce_book("A backup was put back")

    @property
    def is_current(self) -> bool:
        """Whether `now` is what the file holds, today. It waits for nothing and asks little.

        False also where that cannot be told without waiting: `catch_up` and `turn_day` will.
        """
        if self._day != self.today or not self._asking.acquire(blocking=False):
            return False
        try:
            return self._counter_in_file() == self._now.counter
        finally:
            self._asking.release()

    def catch_up(self) -> None:
        """Reads the book anew where the file's counter is another one than that of `now`.

        Whatever asks the ledger calls it first. One process serves a file; this is the second line
        of defence, where another program wrote into it all the same.
        """
        if self._in_file() == self._now.counter:
            return
        # A write of this process is in the file a moment before it is in `now`.
        with self._queue, self.reading() as session:
            self._read_where_behind(session)

    def turn_day(self) -> None:
        """Reads the book as of a new calendar day, on which certificates may have run out.

        Whatever asks the ledger calls it first; on a day that has begun already it does nothing.
        """
        if self._day == self.today:
            return
        with self._queue:
            if self._day == self.today:
                return
            if self._now.reading.on != self.today:
                with self.writing() as writing:
                    writing.told = "A new day began"
                    self.begin_day(writing)
            for each in self.mornings:
                each(self)
            self._day = self.today

    @contextmanager
    def reading(self) -> Iterator[Session]:
        """A session that reads; what it sees stays as it was when it first asked."""
        with told_in_words(), self._gate, Session(self._engine) as session:
            yield session

    @contextmanager
    def alone(self) -> Iterator[Now]:
        """The book as the file has it, while no other write of this process comes in between."""
        with self._queue:
            self.catch_up()
            yield self._now

    @contextmanager
    def appending(self) -> Iterator[Writing]:
        """A transaction that adds what happened on a day, and changes nothing that stands.

        The book's counter stays, so that nothing that was read of it has to be read again.
        """
        with self._writing(appends=True) as made:
            made.reaches = "day"
            yield made

    @contextmanager
    def writing(self) -> Iterator[Writing]:
        """A transaction that holds the write lock, on the book as the file has it.

        What is set as `after` becomes `now` once the transaction is in the file. Raises Busy,
        FileFault; after any error nothing is written and the lock is free.
        """
        with self._writing(appends=False) as made:
            yield made

    @contextmanager
    def _writing(self, *, appends: bool) -> Iterator[Writing]:
        with self._queue, told_in_words(), Session(self._writer) as session:
            try:
                self._read_where_behind(session)
                before = self._now
                version = before.counter if appends else next_version(session)
                appended = next_appended(session) if appends else before.appended
                after = replace(before, counter=version, appended=appended)
                made = Writing(
                    session=session,
                    before=before,
                    after=after,
                    version=version,
                    moment=self._next_moment(),
                )
                yield made
                session.commit()
            except BaseException:
                session.rollback()
                raise
            self._now, self._moment = made.after, made.moment
            self.announcements.announce(
                Announced(
                    counter=version,
                    reaches=made.reaches,
                    touched=made.touched,
                    told=made.told,
                    person=made.person,
                    page=WRITER.get(),
                    appended=made.after.appended,
                )
            )

    @abstractmethod
    def begin_day(self, writing: Writing) -> None:
        """Reads the book that a write leaves behind as of today."""

    def _in_file(self) -> int:
        with self._asking:
            return self._counter_in_file()

    def _counter_in_file(self) -> int:
        with told_in_words():
            row = self._counter.execute("SELECT counter FROM book").fetchone()
        return 0 if row is None else int(row[0])

    def _read_where_behind(self, session: Session) -> None:
        if counter_of(session) != self._now.counter:
            self._now = load(session, self.today, self.path, self.kinds)
            self._announce_book("Another program wrote into the kitchen's file")

    def _announce_book(self, told: str) -> None:
        """Announces that the whole book is another one."""
        now = self._now
        self.announcements.announce(
            Announced(now.counter, "book", told=told, appended=now.appended)
        )

    def _next_moment(self) -> str:
        """The moment of a write. The history never goes backwards, whatever the clock does."""
        now = self._clock().astimezone(UTC).isoformat(timespec="milliseconds")
        if now < self._moment:
            logging.getLogger(__name__).warning(
                "The clock went back from %s to %s; the history goes on from the former.",
                self._moment,
                now,
            )
        return max(now, self._moment)
