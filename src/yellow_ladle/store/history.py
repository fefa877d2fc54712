"""What was changed, when, by whom and why; and the book as it stood at any moment."""

from collections.abc import Collection, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from yellow_ladle.core.book.book import Book, Preparation
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.book.kind import Document, Kind
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.checks.document_kinds import KINDS, KITCHEN
from yellow_ladle.core.reading.update import Change, applied
from yellow_ladle.files.book.book_file import parse_book, write_book
from yellow_ladle.files.book.conversion import content, value_of
from yellow_ladle.store.documents import AT_ONCE, PREPARATION, PRODUCT
from yellow_ladle.store.hash_chain import first_altered, row_hash
from yellow_ladle.store.tables import HistoryRow

WHOLE_BOOK = ""
"""Stands as the item of an entry where the whole book was replaced."""
BOOK = "book"
"""The kind of such an entry."""
HASHED = ("at", "person", "why", "told", "kind", "item", "before", "after", "undoes", "before_hash")
"""The columns of a row that its hash is of."""


@dataclass(frozen=True, slots=True)
class Act:
    """Who does something, and why. `undoes`: the entry that it takes back."""

    person: str | None = None
    why: str = ""
    undoes: int | None = None


NOBODY = Act()
"""An act that nobody has put a name to."""


@dataclass(frozen=True, slots=True)
class Entry:
    """One document before and after one change; None where it was not there."""

    id: int
    at: str
    person: str | None
    why: str
    told: str
    kind: str
    item: str
    before: Mapping[str, Any] | None
    after: Mapping[str, Any] | None
    undoes: int | None


def snapshot(
    before: Book, change: Change, told: Mapping[str, str], act: Act, at: str
) -> Iterator[HistoryRow]:
    """The rows that keep a change: one for each product, preparation and document."""
    for kind, item, key, was, now in _each(before, change):
        yield HistoryRow(
            at=at,
            person=act.person,
            why=act.why,
            told=told.get(key, ""),
            kind=kind,
            item=item,
            before=None if was is None else content(was),
            after=None if now is None else content(now),
            undoes=act.undoes,
        )


def _each(before: Book, change: Change) -> Iterator[tuple[str, str, str, Any, Any]]:
    """What a change touches: kind, id, key, and its value before and after it."""
    for product in change.products:
        yield PRODUCT, product.id, product.id, before.products.get(product.id), product
    for preparation in change.preparations:
        yield (
            PREPARATION,
            preparation.id,
            preparation.id,
            before.preparations.get(preparation.id),
            preparation,
        )
    for id in change.removed:
        kind = PRODUCT if id in before.products else PREPARATION
        yield kind, id, id, before.products.get(id) or before.preparations.get(id), None
    for document in change.documents:
        was = document.kind.held(before).get(document.id)
        yield document.kind.name, document.id, document.key, was, document.value


def append(session: Session, rows: Iterable[HistoryRow]) -> None:
    """Adds rows to the history, each with the hash of the one before it."""
    newest = session.scalar(select(HistoryRow).order_by(HistoryRow.id.desc()).limit(1))
    last = "" if newest is None else hash_of(newest)
    for row in rows:
        row.before_hash = last
        session.add(row)
        last = hash_of(row)


def altered(session: Session) -> int | None:
    """The first entry whose row does not hold the hash of the one before it; None if all do."""
    rows = select(HistoryRow).order_by(HistoryRow.id).execution_options(yield_per=AT_ONCE)
    row = first_altered(session.scalars(rows), HASHED)
    return None if row is None else row.id


def hash_of(row: HistoryRow) -> str:
    """The SHA-256 of a row's columns, the hash of the row before among them, as canonical JSON."""
    return row_hash(row, HASHED)


def replaced(before: Book, act: Act, at: str) -> HistoryRow:
    """The row that keeps a whole book before another one took its place."""
    return HistoryRow(
        at=at,
        person=act.person,
        why=act.why,
        told="The whole book was replaced",
        kind=BOOK,
        item=WHOLE_BOOK,
        before={"book": write_book(before).decode()},
        after=None,
        undoes=None,
    )


def entries(
    session: Session,
    items: Collection[str] | None,
    most: int,
    kinds: Collection[str] = (PRODUCT, PREPARATION, BOOK),
) -> list[Entry]:
    """The newest entries: of some items of some kinds, or of everything."""
    wanted = select(HistoryRow).order_by(HistoryRow.id.desc()).limit(most)
    if items is not None:
        wanted = wanted.where(HistoryRow.item.in_(items), HistoryRow.kind.in_(kinds))
    return [entry_of(row) for row in session.scalars(wanted)]


def as_of(session: Session, now: Book, at: str, kinds: Sequence[Kind] = KINDS) -> Book:
    """The book as it stood at a moment (ISO, UTC), from now backwards.

    The kitchen's own settings stay as they are now.
    """
    later = select(HistoryRow).where(HistoryRow.at > at).order_by(HistoryRow.id.desc())
    book = now
    for row in session.scalars(later):
        if row.item == WHOLE_BOOK:
            whole = parse_book(str((row.before or {})["book"]).encode())
            book = replace(whole, kitchen=now.kitchen)
        elif row.kind != KITCHEN.name:
            book = applied(book, restored(entry_of(row), kinds))
    return book


def restored(entry: Entry, kinds: Sequence[Kind] = KINDS) -> Change:
    """The change that takes an entry back. Raises BookRefused where it cannot be taken back."""
    if entry.item == WHOLE_BOOK:
        why = "a whole book that was replaced is put back by importing it, not by undoing"
        raise BookRefused([Fault(str(entry.id), why)])
    if entry.kind in (PRODUCT, PREPARATION) and entry.before is None:
        return Change(removed=(entry.item,))
    if entry.kind == PREPARATION:
        return Change(preparations=(value_of(Preparation, entry.before),))
    if entry.kind == PRODUCT:
        return Change(products=(value_of(Product, entry.before),))
    [kind] = [kind for kind in kinds if kind.name == entry.kind]
    value = None if entry.before is None else value_of(kind.type, entry.before)
    return Change(documents=(Document(kind, entry.item, value),))


def entry_of(row: HistoryRow) -> Entry:
    """The entry that a row of the history holds."""
    return Entry(
        id=row.id,
        at=row.at,
        person=row.person,
        why=row.why,
        told=row.told,
        kind=row.kind,
        item=row.item,
        before=row.before,
        after=row.after,
        undoes=row.undoes,
    )
