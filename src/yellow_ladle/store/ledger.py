"""The kitchen's book, kept in SQLite and read in memory."""

from collections.abc import Callable, Mapping
from dataclasses import replace
from datetime import UTC, datetime
from pathlib import Path
from threading import RLock

from sqlalchemy import Engine, delete
from sqlalchemy.orm import Session

from yellow_ladle.core.book import sign_off
from yellow_ladle.core.book.book import Book, Kitchen, owner_of
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.sign_off import SignOff
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.impact import summary
from yellow_ladle.core.impact.impact import Impact, impact_of
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.swaps.rulebook import Rulings
from yellow_ladle.files.book.conversion import content
from yellow_ladle.store.book_repository import (
    Now,
    Recorded,
    load,
    refuse_unsound,
    write,
    write_kitchen,
)
from yellow_ladle.store.engine import open_engine
from yellow_ladle.store.history import (
    NOBODY,
    Act,
    Entry,
    as_of,
    entries,
    replaced,
    restored,
    snapshot,
)
from yellow_ladle.store.optimistic_lock import Stale, next_version, refuse_stale
from yellow_ladle.store.settings_rows import (
    write_needs,
    write_rulings,
    write_sign_offs,
    write_tools,
)
from yellow_ladle.store.tables import Base, HistoryRow, HouseFlagRow

KEPT = ("history", "book")
"""Tables that outlive a book which takes another one's place."""


def _utc() -> datetime:
    return datetime.now(UTC)


class Ledger:
    """One kitchen's data. Readers take `now`, which never changes under them.

    `path` is the file; `clock` tells the time, so that tests can tell it too.
    """

    def __init__(self, engine: Engine, path: Path, clock: Callable[[], datetime] = _utc) -> None:
        self.path = path
        self._engine = engine
        self._clock = clock
        self._lock = RLock()
        self.mornings: list[Callable[[Ledger], object]] = []
        """Callbacks that run once on each new calendar day, under the lock."""
        with Session(engine) as session:
            self._now = load(session, self.today)

    @classmethod
    def open(cls, path: Path, clock: Callable[[], datetime] = _utc) -> "Ledger":
        """The ledger in a file, which is made if it is not there."""
        return cls(open_engine(path), path, clock)

    @property
    def now(self) -> Now:
        """The book as it stands, read as of the day on which it was last read."""
        return self._now

    def turn_day(self) -> None:
        """Reads the book as of a new calendar day, on which certificates may have run out.

        Whatever asks the ledger calls it first; on a day that has begun already it does nothing.
        """
        if self._now.reading.on == self.today:
            return
        with self._lock:
            if self._now.reading.on == self.today:
                return
            self._read_anew("A certificate has run out")
            for each in self.mornings:
                each(self)

    @property
    def today(self) -> str:
        """The day (ISO) in the kitchen's own time."""
        return self._clock().astimezone().date().isoformat()

    @property
    def moment(self) -> str:
        """This moment (ISO, UTC)."""
        return self._clock().astimezone(UTC).isoformat(timespec="milliseconds")

    @property
    def is_empty(self) -> bool:
        """Whether nothing has been recorded yet."""
        return not self._now.versions

    def close(self) -> None:
        """Closes the database connections."""
        self._engine.dispose()

    def replace_book(self, book: Book, act: Act = NOBODY) -> Recorded:
        """Replaces everything by a book that is known to be sound, in one transaction.

        What stood before is kept in the history, and the counter goes on.
        """
        with self._lock, Session(self._engine) as session:
            before = self._now
            if not self.is_empty:
                session.add(replaced(before.reading.book, act, self.moment))
            for table in reversed(Base.metadata.sorted_tables):
                if table.name not in KEPT:
                    session.execute(delete(table))
            version = next_version(session)
            write_kitchen(session, book.kitchen, version)
            session.add_all(
                HouseFlagRow(id=flag.id, name=flag.name, version=version)
                for flag in book.house_flags
            )
            products, preparations = book.products.values(), book.preparations.values()
            write(session, Change(tuple(products), tuple(preparations)), version)
            write_tools(session, book.tools)
            write_needs(session, book.needs)
            write_sign_offs(session, dict(book.sign_offs))
            write_rulings(session, book.rulings)
            session.commit()
            self._now = load(session, self.today)
            return Recorded(before, self._now, Impact(()))

    def preview(self, change: Change) -> Impact:
        """What a change would do. Raises BookRefused where it cannot stand."""
        before = self.now.reading
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

        `seen` names the version that the writer saw of everything the change touches, None for
        what is new. Raises Stale where another one stands, BookRefused where the change is unsound.
        Sign-offs of whatever the change reaches become stale with it. `beside` writes what belongs
        to the change in the same transaction.
        """
        with self._lock, Session(self._engine) as session:
            before = self.now
            refuse_stale(before, change, seen)
            refuse_unsound(before.reading.book, change)
            after, impact = impact_of(before.reading, change)
            told = summary.told(before.reading, after, change)
            session.add_all(snapshot(before.reading.book, change, told, act, self.moment))
            if beside is not None:
                beside(session)
            version = next_version(session)
            write(session, change, version)
            reached = {owner_of(item.item) for item in impact.items}
            reached.update(made.id for made in change.preparations)
            why = "; ".join(told.values()) + (f" ({act.person})" if act.person else "")
            signed = sign_off.after(after.book.sign_offs, reached, self.today, why)
            signed = {id: made for id, made in signed.items() if id in after.book.preparations}
            if signed != after.book.sign_offs:
                write_sign_offs(session, signed)
                after = replace(after, book=replace(after.book, sign_offs=signed))
            session.commit()
            versions = {id: n for id, n in before.versions.items() if id not in change.removed}
            versions |= dict.fromkeys(change.written, version)
            self._now = Now(after, versions, before.kitchen_version, version)
            return Recorded(before, self._now, impact)

    def undo(self, entry: int, act: Act) -> Recorded:
        """Takes one entry of the history back, by a new change. Raises KeyError, BookRefused."""
        with self._lock, Session(self._engine) as session:
            row = session.get(HistoryRow, entry)
            if row is None:
                raise KeyError(entry)
            book = self.now.reading.book
            current = book.products.get(row.item) or book.preparations.get(row.item)
            if row.item and (None if current is None else content(current)) != row.after:
                why = f"{row.told}: it was changed again since; undo the later change first"
                raise BookRefused([Fault(row.item, why)])
            [made] = [made for made in entries(session, row.item, -1) if made.id == entry]
        change = restored(made)
        seen = {id: self.now.versions.get(id) for id in change.ids}
        return self.record(change, seen, replace(act, undoes=entry))

    def history(self, item: str | None = None, most: int = 200) -> list[Entry]:
        """What was changed, the newest first: of one item, or of all."""
        with Session(self._engine) as session:
            return entries(session, item, most)

    def as_of(self, at: str) -> Book:
        """The goods and pots as they stood at a moment (ISO, UTC)."""
        with Session(self._engine) as session:
            return as_of(session, self.now.reading.book, at)

    def update_kitchen(self, kitchen: Kitchen, seen: int) -> Recorded:
        """Writes the kitchen itself. Raises Stale where another version stands."""
        with self._lock, Session(self._engine) as session:
            before = self.now
            book = before.reading.book
            if before.kitchen_version != seen:
                raise Stale("kitchen", book.kitchen, before.kitchen_version)
            version = next_version(session)
            write_kitchen(session, kitchen, version)
            session.commit()
            changed = replace(before.reading, book=replace(book, kitchen=kitchen))
            self._now = Now(changed, before.versions, version, version)
            return Recorded(before, self._now, Impact(()))

    def sign(self, preparation: str, person: str) -> SignOff:
        """Signs a preparation off as it stands today."""
        made = SignOff(person, self.today)
        self._beside(
            lambda session, book: write_sign_offs(session, dict(book.sign_offs)),
            lambda book: replace(book, sign_offs={**book.sign_offs, preparation: made}),
        )
        return made

    def keep_tools(self, tools: tuple[Tool, ...]) -> None:
        """Puts these tools in the place of those that are there; the book is read anew."""
        with self._lock:
            self._beside(
                lambda session, book: write_tools(session, book.tools),
                lambda book: replace(book, tools=tools),
            )
            self._read_anew("The tools that are always shared were changed")

    def keep_needs(self, needs: tuple[Need, ...]) -> None:
        """Puts these needs in the place of those that are open."""
        self._beside(
            lambda session, book: write_needs(session, book.needs),
            lambda book: replace(book, needs=needs),
        )

    def set_rules(self, edit: Callable[[Rulings], Rulings]) -> None:
        """Changes what is said of the swap rules."""
        self._beside(
            lambda session, book: write_rulings(session, book.rulings),
            lambda book: replace(book, rulings=edit(book.rulings)),
        )

    def _read_anew(self, why: str) -> None:
        """Reads the whole book; sign-offs of what carries something else than before are stale."""
        book, before = self._now.reading.book, self._now.reading
        after, counter = read(book, self.today), self._now.counter
        differing = (id for id in book.preparations if before.masks.get(id) != after.masks[id])
        signed = sign_off.after(book.sign_offs, set(differing), self.today, why)
        if signed != book.sign_offs:
            with Session(self._engine) as session:
                write_sign_offs(session, signed)
                counter = next_version(session)
                session.commit()
            after = replace(after, book=replace(book, sign_offs=signed))
        self._now = replace(self._now, reading=after, counter=counter)

    def session(self) -> Session:
        """A session on the file, for what is kept beside the book."""
        return Session(self._engine)

    def _beside(self, write: Callable[[Session, Book], None], edit: Callable[[Book], Book]) -> None:
        with self._lock, Session(self._engine) as session:
            before = self.now
            book = edit(before.reading.book)
            write(session, book)
            counter = next_version(session)
            session.commit()
            reading = replace(before.reading, book=book)
            self._now = replace(before, reading=reading, counter=counter)
