"""The kitchen's book, kept in SQLite and read in memory: recording, undoing, and the history."""

from collections.abc import Collection, Iterator, Mapping
from dataclasses import replace

from sqlalchemy.orm import Session

from yellow_ladle.core.book import sign_off
from yellow_ladle.core.book.book import Book, Kitchen, owner_of
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.book.kind import Document, Reaches
from yellow_ladle.core.checks.document_kinds import KITCHEN, SIGN_OFF, THE_KITCHEN
from yellow_ladle.core.impact import summary
from yellow_ladle.core.impact.impact import Impact, impact_of, lowers
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.reading.update import Change, completed
from yellow_ladle.files.book.conversion import content
from yellow_ladle.store.documents import (
    Now,
    Recorded,
    load,
    refuse_unsound,
    write,
    write_documents,
    write_whole,
)
from yellow_ladle.store.history import (
    NOBODY,
    Act,
    Entry,
    altered,
    append,
    as_of,
    entries,
    entry_of,
    replaced,
    restored,
    snapshot,
)
from yellow_ladle.store.optimistic_lock import refuse_stale
from yellow_ladle.store.tables import HistoryRow
from yellow_ladle.store.transactions import Beside, Transactions, Writing


class Ledger(Transactions):
    """One kitchen's data: every change of it is previewed, recorded and taken back in one way."""

    def replace_book(self, book: Book, act: Act = NOBODY) -> Recorded:
        """Replaces everything by a book that is known to be sound, in one transaction.

        What stood before is kept in the history, and the counter goes on. Notices, tool uses,
        applied plans and pictures of what is in both books stay.
        """
        with self.writing() as writing:
            session, version = writing.session, writing.version
            if writing.before.versions:
                append(session, [replaced(writing.before.reading.book, act, writing.moment)])
            write_whole(
                session=session,
                was=writing.before.reading.book,
                book=self._keeping_what_stays(writing.before.reading.book, book),
                version=version,
                kinds=self.kinds,
            )
            writing.told, writing.person = "The whole book was replaced", act.person or ""
            writing.after = load(session, self.today, self.path, self.kinds)
        return Recorded(writing.before, self._now, Impact(()))

    def _keeping_what_stays(self, before: Book, book: Book) -> Book:
        """A book with the documents of what is in both books, where a book file holds none."""
        known = book.products.keys() | book.preparations.keys()
        for kind in self.kinds:
            if kind.goes_with_item and kind.slot is None:
                held = kind.held(before)
                book = kind.holding(book, {id: held[id] for id in held if id in known})
        return book

    def preview(self, change: Change) -> Impact:
        """What a change would do. Raises BookRefused where it cannot stand."""
        before = self.now.reading
        change = self._completed(before.book, change)
        refuse_unsound(before.book, change)
        return impact_of(before, change)[1]

    def record(
        self,
        change: Change,
        seen: Mapping[str, int | None],
        act: Act = NOBODY,
        beside: Beside | None = None,
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
            change = self._completed(before.reading.book, change)
            refuse_unsound(before.reading.book, change)
            after, impact = impact_of(before.reading, change)
            told = summary.told(before.reading, after, change)
            append(
                session,
                snapshot(
                    before=before.reading.book, change=change, told=told, act=act, at=writing.moment
                ),
            )
            writing.touched, writing.person = tuple(change.ids), act.person or ""
            writing.told, writing.reaches = _in_a_line(change, told), _reached_by(change)
            if beside is not None:
                beside(writing)
            write(session, change, version)
            writing.after = _versioned(replace(writing.after, reading=after), change, version)
            reached = {owner_of(item.item) for item in impact.items}
            reached.update(preparation.id for preparation in change.preparations)
            why = writing.told + (f" ({act.person})" if act.person else "")
            self._outdate_sign_offs(writing, reached, why)
        return Recorded(writing.before, writing.after, impact)

    def _completed(self, book: Book, change: Change) -> Change:
        """A change with what its documents bring, and those that go with what it removes."""
        going = tuple(
            Document(kind, id, None)
            for kind in self.kinds
            if kind.goes_with_item
            for id in change.removed
            if id in kind.held(book)
        )
        return completed(book, replace(change, documents=(*change.documents, *going)))

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
            undoing = replace(act, undoes=entry)
            return self.record(change, seen, undoing, self._undoing_beside(entry, undoing))

    def _undoing_beside(self, entry: int, act: Act) -> Beside:
        with self.reading() as session:
            row = session.get_one(HistoryRow, entry)
            return self.daybook.undoing(row.at, act)

    def undoing(self, entry: int) -> Change:
        """The change that takes one entry of the history back. Raises KeyError, BookRefused."""
        with self.reading() as session:
            row = session.get(HistoryRow, entry)
            if row is None:
                raise KeyError(entry)
            if row.item and self._content(row.kind, row.item) != row.after:
                why = f"{row.told}: it was changed again since; undo the later change first"
                raise BookRefused([Fault(row.item, why)])
            taken_back = entry_of(row)
            change = restored(taken_back, self.kinds)
            if row.after is None:
                gone = self._gone_with(session, taken_back)
                change = replace(change, documents=(*change.documents, *gone))
        return change

    def _gone_with(self, session: Session, removal: Entry) -> Iterator[Document]:
        """The documents that went when something was removed, as they were before."""
        for kind in self.kinds:
            if kind.goes_with_item and kind.name != removal.kind:
                for last in entries(session, [removal.item], 1, [kind.name]):
                    if last.after is None and last.at == removal.at:
                        yield from restored(last, self.kinds).documents

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

    def begin_day(self, writing: Writing) -> None:
        """Reads the book as of today. Sign-offs of what carries something else become stale."""
        before = writing.before.reading
        after = read(before.book, self.today)
        writing.after = replace(writing.after, reading=after)
        pots = before.book.preparations
        differing = {id for id in pots if before.masks.get(id) != after.masks[id]}
        self._outdate_sign_offs(writing, differing, "A certificate has run out")


def _in_a_line(change: Change, told: Mapping[str, str]) -> str:
    """What a change was, in a line; of what its documents bring with them, only they are told."""
    ids = set(change.ids)
    own = [document.key for document in change.documents if document.id not in ids]
    keys = own or [key for key in told if key in ids] or list(told)
    return "; ".join(told[key] for key in keys)


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
