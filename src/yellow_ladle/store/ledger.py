"""The kitchen's book, kept in SQLite and read in memory."""

import logging
import sqlite3
from collections.abc import Callable, Collection, Iterator, Mapping, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from pathlib import Path
from threading import Lock
from typing import TypeVar

from sqlalchemy import Engine, func, select
from sqlalchemy.orm import Session

from yellow_ladle.core.book import sign_off
from yellow_ladle.core.book.book import Book, Kitchen, owner_of
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.book.kind import Document, Kind, Reaches
from yellow_ladle.core.checks.document_kinds import KINDS, KITCHEN, SIGN_OFF, THE_KITCHEN
from yellow_ladle.core.impact import summary
from yellow_ladle.core.impact.impact import Impact, impact_of, lowers
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.update import Change, completed
from yellow_ladle.files.book.conversion import content
from yellow_ladle.store.announcements import WRITER, Announced, Announcements
from yellow_ladle.store.documents import (
    Now,
    Recorded,
    load,
    refuse_unsound,
    write,
    write_documents,
    write_whole,
)
from yellow_ladle.store.file.checkup import refuse_damaged, refuse_foreign
from yellow_ladle.store.file.engine import for_writing, open_engine
from yellow_ladle.store.file.file_faults import told_in_words
from yellow_ladle.store.file.lock import FileLock
from yellow_ladle.store.file.photos import Photos
from yellow_ladle.store.file.restore import finish_restore, prepared
from yellow_ladle.store.history import (
    NOBODY,
    Act,
    Entry,
    altered,
    append,
    as_of,
    brought_back,
    entries,
    replaced,
    restored,
    snapshot,
)
from yellow_ladle.store.optimistic_lock import (
    counter_of,
    next_appended,
    next_version,
    refuse_stale,
)
from yellow_ladle.store.tables import HistoryRow
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


class Ledger:
    """One kitchen's data. Readers take `now`, which never changes under them.

    `path` is the file; `clock` tells the time, so that tests can tell it too. `kinds` are those of
    the documents that it keeps.
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
        self.mornings: list[Callable[[Ledger], object]] = []
        """Callbacks that run once on each new calendar day, under the lock."""
        self.announcements = Announcements()
        self._connect(engine)

    def _connect(self, engine: Engine) -> None:
        self._engine, self._writer = engine, for_writing(engine)
        # A connection of its own, as it is asked on every request: some microseconds each time.
        self._counter = sqlite3.connect(self.path, isolation_level=None, check_same_thread=False)
        with Session(engine) as session:
            self._now = load(session, self.today, self.path, self.kinds)
            self._moment = session.scalar(select(func.max(HistoryRow.at))) or ""
        self._day = self.today

    @classmethod
    def open(
        cls, path: Path, clock: Callable[[], datetime] = _utc, kinds: Sequence[Kind] = KINDS
    ) -> "Ledger":
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
        return self._clock().astimezone().date().isoformat()

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
                self._read_as_of_today()
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
                made = Writing(session, before, after, version, self._next_moment())
                yield made
                session.commit()
            except BaseException:
                session.rollback()
                raise
            self._now, self._moment = made.after, made.moment
            self.announcements.announce(
                Announced(
                    version,
                    made.reaches,
                    made.touched,
                    made.told,
                    made.person,
                    WRITER.get(),
                    made.after.appended,
                )
            )

    def replace_book(self, book: Book, act: Act = NOBODY) -> Recorded:
        """Replaces everything by a book that is known to be sound, in one transaction.

        What stood before is kept in the history, and the counter goes on. Notices, tool uses,
        applied plans and pictures of what is in both books stay.
        """
        with self.writing() as writing:
            session, version = writing.session, writing.version
            if writing.before.versions:
                append(session, [replaced(writing.before.reading.book, act, writing.moment)])
            write_whole(session, writing.before.reading.book, book, version, self.kinds)
            writing.told, writing.person = "The whole book was replaced", act.person or ""
            writing.after = load(session, self.today, self.path, self.kinds)
        return Recorded(writing.before, self._now, Impact(()))

    def preview(self, change: Change) -> Impact:
        """What a change would do. Raises BookRefused where it cannot stand."""
        before = self.now.reading
        change = completed(before.book, change)
        refuse_unsound(before.book, change)
        return impact_of(before, change)[1]

    def record(
        self,
        change: Change,
        seen: Mapping[str, int | None],
        act: Act = NOBODY,
        beside: Callable[[Session], None] | None = None,
    ) -> Recorded:
        """Writes a change in one transaction and re-reads what it reaches.

        `seen` names the version that the writer saw of everything the change touches, by its key,
        None for what is new. Raises Stale where another one stands, BookRefused where the change is
        unsound. Sign-offs of whatever the change reaches become stale with it. What its documents
        bring with them is written too. `beside` writes what belongs to the change in the same
        transaction.
        """
        with self.writing() as writing:
            session, before, version = writing.session, writing.before, writing.version
            refuse_stale(before, change, seen)
            change = completed(before.reading.book, change)
            refuse_unsound(before.reading.book, change)
            after, impact = impact_of(before.reading, change)
            told = summary.told(before.reading, after, change)
            append(session, snapshot(before.reading.book, change, told, act, writing.moment))
            writing.touched, writing.person = tuple(change.ids), act.person or ""
            writing.told, writing.reaches = "; ".join(told.values()), _reached_by(change)
            if beside is not None:
                beside(session)
            write(session, change, version)
            writing.after = _versioned(replace(writing.after, reading=after), change, version)
            reached = {owner_of(item.item) for item in impact.items}
            reached.update(made.id for made in change.preparations)
            why = writing.told + (f" ({act.person})" if act.person else "")
            self._outdate_sign_offs(writing, reached, why)
        before_it = writing.before.reading.book.products
        Photos(self.path).move(before_it, change, undone=act.undoes is not None)
        return Recorded(writing.before, writing.after, impact)

    def _outdate_sign_offs(self, writing: Writing, reached: Collection[str], why: str) -> None:
        """Makes the sign-offs of some preparations stale; those of removed ones go."""
        reading = writing.after.reading
        book = reading.book
        signed = sign_off.after(book.sign_offs, reached, self.today, why)
        signed = {id: made for id, made in signed.items() if id in book.preparations}
        if signed == book.sign_offs:
            return
        moved = tuple(
            Document(SIGN_OFF, id, signed.get(id))
            for id in book.sign_offs
            if signed.get(id) != book.sign_offs[id]
        )
        write_documents(writing.session, moved, writing.version)
        documents = Change(documents=moved)
        reading = replace(reading, book=replace(book, sign_offs=signed))
        after = replace(writing.after, reading=reading)
        writing.after = _versioned(after, documents, writing.version)

    def undo(self, entry: int, act: Act) -> Recorded:
        """Takes one entry of the history back, by a new change. Raises KeyError, BookRefused.

        What lowers a flag wants a person and a reason.
        """
        with self._queue:
            change = self.undoing(entry)
            if lowers(self.preview(change)) and not (act.person and act.why.strip()):
                why = "taking this back lowers flags: say who you are, and why"
                raise BookRefused([Fault("why", why)])
            seen = {key: self.now.version(key) for key in change.keys}
            return self.record(change, seen, replace(act, undoes=entry))

    def undoing(self, entry: int) -> Change:
        """The change that takes one entry of the history back. Raises KeyError, BookRefused."""
        with self.reading() as session:
            row = session.get(HistoryRow, entry)
            if row is None:
                raise KeyError(entry)
            if row.item and self._content(row.kind, row.item) != row.after:
                why = f"{row.told}: it was changed again since; undo the later change first"
                raise BookRefused([Fault(row.item, why)])
            [made] = [made for made in entries(session, None, -1) if made.id == entry]
        return restored(made, self.kinds)

    def _content(self, kind: str, id: str) -> object:
        """What stands under a kind and an id, as plain content; None where nothing does."""
        book = self.now.reading.book
        current: object = book.products.get(id) or book.preparations.get(id)
        for each in self.kinds:
            if each.name == kind:
                current = each.held(book).get(id)
        return None if current is None else content(current)

    def history(
        self, item: str | None = None, most: int = 200, kind: str | None = None
    ) -> list[Entry]:
        """What was changed, the newest first: of one item, with what was put into it, or of all.

        An item is a product or a preparation, or a document of another kind where one is named.
        """
        with self.reading() as session:
            if item is None:
                return entries(session, None, most)
            if kind is not None:
                return entries(session, [item], most, [kind])
            known = self.now.reading.book.products.get(item)
            return entries(session, [item, *(known.merged if known else ())], most)

    def altered(self) -> int | None:
        """The first entry of the history that does not follow from the one before it, if any."""
        with self.reading() as session:
            return altered(session)

    def as_of(self, at: str) -> Book:
        """The goods and pots as they stood at a moment (ISO, UTC)."""
        with self.reading() as session:
            return as_of(session, self.now.reading.book, at, self.kinds)

    def update_kitchen(self, kitchen: Kitchen, seen: int, act: Act = NOBODY) -> Recorded:
        """Writes the kitchen itself. Raises Stale where another version stands."""
        document = Document(KITCHEN, THE_KITCHEN, kitchen)
        return self.record(Change(documents=(document,)), {document.key: seen or None}, act)

    def settle_pictures(self) -> None:
        """Lets pictures follow their products where an earlier process ended in between.

        Only for whoever has the file to himself.
        """
        with self.reading() as session:
            Photos(self.path).follow(self._now.reading.book.products, brought_back(session))

    def _read_as_of_today(self) -> None:
        with self.writing() as writing:
            writing.told = "A new day began"
            before = writing.before.reading
            after = read(before.book, self.today)
            writing.after = replace(writing.after, reading=after)
            pots = before.book.preparations
            differing = {id for id in pots if before.masks.get(id) != after.masks[id]}
            self._outdate_sign_offs(writing, differing, "A certificate has run out")

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


def _reached_by(change: Change) -> Reaches:
    """What a write of a change is announced to reach: the book where anything carried is in it."""
    first = next(iter(change.documents), None)
    return "book" if change.is_carried or first is None else first.kind.reaches


def _versioned(now: Now, change: Change, version: int) -> Now:
    """The same with the versions as they stand after a change."""
    versions = {id: n for id, n in now.versions.items() if id not in change.removed}
    settings = dict(now.setting_versions)
    for document in change.documents:
        settings.pop(document.key, None)
        if document.value is not None:
            settings[document.key] = version
    versions |= dict.fromkeys(change.written, version)
    return replace(now, versions=versions, setting_versions=settings)
