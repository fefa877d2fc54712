"""The daybook in the kitchen's file: entries are added, corrected and taken back, never rewritten.

It has the counter of what is appended; the book's stays, and with it every answer kept of the book.
"""

from collections.abc import Collection, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from threading import Lock
from typing import TYPE_CHECKING, Any

from sqlalchemy import select
from sqlalchemy.dialects.sqlite import insert
from sqlalchemy.orm import Session

from yellow_ladle.core.book.book import Book, Preparation
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.production.batch import Batch, batch_of
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.daybook_faults import DaybookFaults
from yellow_ladle.core.production.instants import date_of, instant
from yellow_ladle.core.production.merged_goods import following_merges
from yellow_ladle.files.book.conversion import content, value_of
from yellow_ladle.files.daybook.daybook_file import BY_TIME, LISTS
from yellow_ladle.store.documents import AT_ONCE
from yellow_ladle.store.hash_chain import canonical_hash, first_altered, row_hash
from yellow_ladle.store.history import NOBODY, Act
from yellow_ladle.store.optimistic_lock import Stale
from yellow_ladle.store.tables import DaybookCardRow, DaybookRow

if TYPE_CHECKING:
    from yellow_ladle.store.transactions import Beside, Transactions, Writing

Key = tuple[str, str]
"""The list that an entry is in, and its id there."""
WHEN: Mapping[str, str] = {"lots": "received", "batches": "made", "services": "date"} | {
    key: at for key, (at, _) in BY_TIME.items()
}
"""The field of each list that says when something happened; `at` in all others."""
STEMS: Mapping[str, str] = {"batches": "b", "lots": "lot", "tubs": "t", "services": "s"} | {
    **{"recalls": "r", "temperatures": "c", "incidents": "i"},
}
"""What ids begin with that the application gives; elsewhere with the name of the list."""
HASHED = (
    *("list", "entry", "instant", "day", "recorded", "person", "why", "content", "undoes"),
    "before_hash",
)
"""The columns of a row that its hash is of."""
MIDNIGHT = "T00:00:00+00:00"


@dataclass(frozen=True, slots=True)
class DaybookChange:
    """An entry as it is to be; None takes it back. A new one without an id gets one."""

    list: str
    id: str
    value: object | None

    @property
    def key(self) -> Key:
        return self.list, self.id


@dataclass(frozen=True, slots=True)
class DaybookVersion:
    """An entry as it was recorded or corrected once; without a value it was taken back."""

    seq: int
    recorded: str
    person: str | None
    why: str
    value: object | None
    undoes: int | None


@dataclass(frozen=True)
class KeptDaybook:
    """The entries as they stand, each with the row that it is from; `last` is the newest row.

    `written` are the entries that the writer who is answered with it has just written.
    """

    entries: Mapping[Key, object] = field(default_factory=dict)
    seqs: Mapping[Key, int] = field(default_factory=dict)
    last: int = 0
    written: tuple[Key, ...] = field(default=(), compare=False)

    @property
    def daybook(self) -> Daybook:
        """The entries as a daybook."""
        lists: dict[str, list[object]] = {key: [] for key in LISTS}
        for (key, _), value in self.entries.items():
            lists[key].append(value)
        return Daybook(**{key: tuple(listed) for key, listed in lists.items()})  # type: ignore[arg-type]

    def with_rows(self, rows: Iterable[tuple[int, Key, object | None]]) -> "KeptDaybook":
        """The same after some more rows."""
        entries, seqs, last = dict(self.entries), dict(self.seqs), self.last
        for seq, key, value in rows:
            last = seq
            entries.pop(key, None)
            seqs.pop(key, None)
            if value is not None:
                entries[key], seqs[key] = value, seq
        return KeptDaybook(entries, seqs, last)


class DaybookStore:
    """The daybook of one kitchen's file, read once and kept in memory."""

    def __init__(self, file: "Transactions") -> None:
        self._file = file
        self._kept = KeptDaybook()
        self._lock = Lock()

    @property
    def now(self) -> KeptDaybook:
        """The entries as the file has them."""
        with self._lock, self._file.reading() as session:
            self._kept = self._caught_up(session, self._kept)
            return self._kept

    def record(
        self,
        changes: Sequence[DaybookChange],
        seen: Mapping[Key, int],
        told: str,
        act: Act = NOBODY,
    ) -> KeptDaybook:
        """Adds entries, corrects them or takes them back, in one transaction.

        `seen` names the row that the writer saw of each entry that is there already. Raises Stale
        where another one stands, BookRefused where an entry cannot be.
        """
        kept = self.now
        with self._file.appending() as writing:
            kept = self._caught_up(writing.session, kept)
            changes = list(_with_ids(writing.session, kept.last, changes))
            for change in changes:
                if kept.seqs.get(change.key) != seen.get(change.key):
                    standing = kept.entries.get(change.key)
                    raise Stale(change.id, standing, kept.seqs.get(change.key))
            rows = [(kept.last + n, each.key, each.value) for n, each in enumerate(changes, 1)]
            after = kept.with_rows(rows)
            self._refuse_unsound(kept, after, changes)
            _add(writing.session, changes, last=kept.last, act=act, moment=writing.moment)
            writing.told, writing.person = told, act.person or ""
        with self._lock:
            self._kept = after
        return replace(after, written=tuple(change.key for change in changes))

    def beside(self, changes: Sequence[DaybookChange], act: Act) -> "Beside":
        """What adds entries within the transaction of a change of the book, which is theirs too."""

        def write(writing: "Writing") -> None:
            with self._lock:
                last = self._caught_up(writing.session, self._kept).last
            given = list(_with_ids(writing.session, last, changes))
            _add(writing.session, given, last=last, act=act, moment=writing.moment)

        return write

    def undoing(self, moment: str, act: Act) -> "Beside":
        """What takes back the fills of bags that were added beside a change of that moment."""

        def write(writing: "Writing") -> None:
            wanted = select(DaybookRow.seq, DaybookRow.entry)
            wanted = wanted.where(DaybookRow.recorded == moment, DaybookRow.list == "fills")
            changes = []
            for seq, entry in writing.session.execute(wanted).all():
                of_it = select(DaybookRow.seq, DaybookRow.content)
                of_it = of_it.where(DaybookRow.list == "fills", DaybookRow.entry == entry)
                rows = writing.session.execute(of_it.order_by(DaybookRow.seq)).all()
                if rows[-1].seq == seq:
                    before = rows[-2].content if len(rows) > 1 else None
                    changes.append(DaybookChange("fills", entry, _value("fills", before, {})))
            self.beside(changes, act)(writing)

        return write

    def replace_whole(self, daybook: Daybook, act: Act = NOBODY) -> KeptDaybook:
        """Puts a daybook that is known to be sound in the place of what stands, in one transaction.

        What stood before is kept in the history of each entry.
        """
        kept = self.now
        put = [
            DaybookChange(key, getattr(entry, "id", ""), entry)
            for key in LISTS
            for entry in getattr(daybook, key)
        ]
        wanted = {change.key for change in put}
        gone = [DaybookChange(*key, None) for key in kept.seqs if key not in wanted]
        return self.record([*gone, *put], dict(kept.seqs), "The whole daybook was replaced", act)

    def versions(self, key: str, id: str) -> list[DaybookVersion]:
        """What was recorded of an entry, the newest first."""
        with self._file.reading() as session:
            wanted = select(DaybookRow).where(DaybookRow.list == key, DaybookRow.entry == id)
            rows = list(session.scalars(wanted.order_by(DaybookRow.seq.desc())))
            cards = _cards(session, (row.content for row in rows))
            return [
                DaybookVersion(
                    seq=row.seq,
                    recorded=row.recorded,
                    person=row.person,
                    why=row.why,
                    value=_value(key, row.content, cards),
                    undoes=row.undoes,
                )
                for row in rows
            ]

    def undo(self, key: str, id: str, act: Act) -> KeptDaybook:
        """Takes the last word on an entry back, by one more. Raises KeyError, BookRefused."""
        known = self.versions(key, id)
        if not known:
            raise KeyError(id)
        before = known[1].value if len(known) > 1 else None
        if known[0].value is None and before is None:
            raise BookRefused([Fault(id, "it was taken back already")])
        seen = {} if known[0].value is None else {(key, id): known[0].seq}
        change = DaybookChange(key, id, before)
        return self.record(
            [change], seen, f"{id} was taken back", replace(act, undoes=known[0].seq)
        )

    def altered(self) -> int | None:
        """The first row that does not hold the hash of the one before it; None if all do."""
        with self._file.reading() as session:
            wanted = select(DaybookRow).order_by(DaybookRow.seq)
            rows = session.scalars(wanted.execution_options(yield_per=AT_ONCE))
            row = first_altered(rows, HASHED)
            return None if row is None else row.seq

    def _caught_up(self, session: Session, kept: KeptDaybook) -> KeptDaybook:
        newer = select(DaybookRow.seq, DaybookRow.list, DaybookRow.entry, DaybookRow.content)
        newer = newer.where(DaybookRow.seq > kept.last).order_by(DaybookRow.seq)
        rows = session.execute(newer).all()
        if not rows:
            return kept
        cards = _cards(session, (row.content for row in rows))
        return kept.with_rows(
            (row.seq, (row.list, row.entry), _value(row.list, row.content, cards)) for row in rows
        )

    def _refuse_unsound(
        self, before: KeptDaybook, after: KeptDaybook, changes: Sequence[DaybookChange]
    ) -> None:
        gone = {each.id for each in changes if each.value is None}
        touched = {each.key for each in changes}
        users = list(_drawing_from(after.entries, {each.id for each in changes}))
        if taken := next((key for key in users if gone and key not in touched), None):
            book = self._file.now.reading.book
            was = [before.entries[each.key] for each in changes if each.value is None]
            names = ", ".join(_name(value, book) for value in was)
            into = _name(after.entries[taken], book)
            why = f"{names} went into {into}: take that back or correct it first"
            raise BookRefused([Fault(next(iter(gone)), why)])
        looked_at = {key: after.entries[key] for key in (*touched, *users) if key in after.entries}
        book = self._file.now.reading.book
        whole = following_merges(book, after.daybook)
        checked = following_merges(book, replace(before, entries=looked_at).daybook)
        if found := DaybookFaults(whole, book, checked=checked).all():
            raise BookRefused(found)


def _drawing_from(entries: Mapping[Key, object], ids: Collection[str]) -> Iterator[Key]:
    """The entries that name one of some lots, batches or tubs."""
    for key, value in entries.items():
        if any(reference in ids for reference in _references(value)):
            yield key


def _references(value: object) -> Iterator[str]:
    drawn: list[object] = [value]
    drawn += getattr(value, "went_in", ())
    for served in getattr(value, "served", ()):
        drawn += served.from_ or ()
    for each in drawn:
        for name in ("lot", "batch", "tub", "of"):
            reference = getattr(each, name, None)
            if isinstance(reference, str):
                yield batch_of(reference)


def _name(value: object, book: Book) -> str:
    """What people call an entry: the pot of a batch, the good of a lot, else its id."""
    item = getattr(value, "preparation", None) or getattr(value, "product", None)
    known = book.preparations.get(item or "") or book.products.get(item or "")
    own: str | None = getattr(value, "name", None)
    return own or (known.name if known else item or str(getattr(value, "id", "an entry")))


def _with_ids(
    session: Session, last: int, changes: Sequence[DaybookChange]
) -> Iterator[DaybookChange]:
    """The changes with ids for new entries, which no entry ever had."""
    for number, change in enumerate(changes, last + 1):
        if change.id:
            yield change
            continue
        id = f"{STEMS.get(change.list, change.list)}-{number}"
        while session.scalar(select(DaybookRow.seq).where(DaybookRow.entry == id).limit(1)):
            id += "-2"
        value = change.value
        if change.list in STEMS:
            value = replace(value, id=id)  # type: ignore[type-var]
        yield DaybookChange(change.list, id, value)


def _add(
    session: Session, changes: Sequence[DaybookChange], *, last: int, act: Act, moment: str
) -> None:
    newest = session.get(DaybookRow, last) if last else None
    before = "" if newest is None else row_hash(newest, HASHED)
    for number, change in enumerate(changes, last + 1):
        at = _when(change) or moment
        row = DaybookRow(
            seq=number,
            list=change.list,
            entry=change.id,
            instant=instant(at if "T" in at else f"{at}{MIDNIGHT}"),
            day=date_of(at),
            recorded=moment,
            person=act.person,
            why=act.why,
            content=None if change.value is None else _plain(session, change.value),
            undoes=act.undoes,
            before_hash=before,
        )
        session.add(row)
        before = row_hash(row, HASHED)


def _when(change: DaybookChange) -> str | None:
    at: str | None = getattr(change.value, WHEN.get(change.list, "at"), None)
    return at


def _plain(session: Session, value: object) -> dict[str, Any]:
    """An entry's content; a batch's card is kept once for all batches that were made by it."""
    plain: dict[str, Any] = content(value)
    card = plain.get("card")
    if isinstance(value, Batch) and card is not None:
        sha256 = canonical_hash(card)
        adding = insert(DaybookCardRow).values(sha256=sha256, content=card)
        session.execute(adding.on_conflict_do_nothing())
        plain["card"] = sha256
    return plain


def _cards(session: Session, contents: Iterable[dict[str, Any] | None]) -> dict[str, Preparation]:
    wanted = sorted({held["card"] for held in contents if held and "card" in held})
    found: dict[str, Preparation] = {}
    for at in range(0, len(wanted), AT_ONCE):
        some = select(DaybookCardRow).where(DaybookCardRow.sha256.in_(wanted[at : at + AT_ONCE]))
        for row in session.scalars(some):
            found[row.sha256] = value_of(Preparation, row.content)
    return found


def _value(
    key: str, held: dict[str, Any] | None, cards: Mapping[str, Preparation]
) -> object | None:
    if held is None:
        return None
    card = cards.get(held["card"]) if "card" in held else None
    value: object = value_of(LISTS[key][1], {**held, "card": None} if card else held)
    return replace(value, card=card) if card is not None and isinstance(value, Batch) else value
