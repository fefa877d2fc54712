"""What was changed, when, by whom and why; and the book as it stood at any moment."""

from collections.abc import Collection, Iterable, Mapping
from dataclasses import dataclass, replace
from typing import Any

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from yellow_ladle.core.book.book import Book, Preparation
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.reading.update import Change, applied
from yellow_ladle.files.book.book_file import parse_book, write_book
from yellow_ladle.files.book.conversion import content, value_of
from yellow_ladle.store.tables import HistoryRow

WHOLE_BOOK = ""
"""Stands as the item of an entry where the whole book was replaced."""


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
    """One product or preparation before and after one change; None where it was not there."""

    id: int
    at: str
    person: str | None
    why: str
    told: str
    item: str
    before: Mapping[str, Any] | None
    after: Mapping[str, Any] | None
    undoes: int | None


def snapshot(
    before: Book, change: Change, told: Mapping[str, str], act: Act, at: str
) -> Iterable[HistoryRow]:
    """The rows that keep a change: one for each product and preparation."""
    after: dict[str, Product | Preparation] = {product.id: product for product in change.products}
    after |= {made.id: made for made in change.preparations}
    for id in change.ids:
        was = before.products.get(id) or before.preparations.get(id)
        yield HistoryRow(
            at=at,
            person=act.person,
            why=act.why,
            told=told.get(id, ""),
            item=id,
            before=None if was is None else content(was),
            after=content(after[id]) if id in after else None,
            undoes=act.undoes,
        )


def replaced(before: Book, act: Act, at: str) -> HistoryRow:
    """The row that keeps a whole book before another one took its place."""
    return HistoryRow(
        at=at,
        person=act.person,
        why=act.why,
        told="The whole book was replaced",
        item=WHOLE_BOOK,
        before={"book": write_book(before).decode()},
        after=None,
        undoes=None,
    )


def entries(session: Session, items: Collection[str] | None, most: int) -> list[Entry]:
    """The newest entries, of some items or of all."""
    wanted = select(HistoryRow).order_by(HistoryRow.id.desc()).limit(most)
    if items is not None:
        wanted = wanted.where(HistoryRow.item.in_(items))
    return [_entry(row) for row in session.scalars(wanted)]


def brought_back(session: Session) -> set[str]:
    """What stands because the last that was done to it was to take its removal back."""
    newest = select(func.max(HistoryRow.id)).group_by(HistoryRow.item)
    wanted = select(HistoryRow.item).where(
        HistoryRow.id.in_(newest), HistoryRow.undoes.is_not(None), HistoryRow.before.is_(None)
    )
    return set(session.scalars(wanted))


def as_of(session: Session, now: Book, at: str) -> Book:
    """The products and preparations as they stood at a moment (ISO, UTC), from now backwards."""
    later = select(HistoryRow).where(HistoryRow.at > at).order_by(HistoryRow.id.desc())
    book = now
    for row in session.scalars(later):
        if row.item == WHOLE_BOOK:
            whole = parse_book(str((row.before or {})["book"]).encode())
            book = replace(whole, kitchen=now.kitchen)
        else:
            book = applied(book, restored(_entry(row)))
    return book


def restored(entry: Entry) -> Change:
    """The change that takes an entry back. Raises BookRefused where it cannot be taken back."""
    if entry.item == WHOLE_BOOK:
        why = "a whole book that was replaced is put back by importing it, not by undoing"
        raise BookRefused([Fault(str(entry.id), why)])
    if entry.before is None:
        return Change(removed=(entry.item,))
    if "kind" in entry.before:
        return Change(preparations=(value_of(Preparation, entry.before),))
    return Change(products=(value_of(Product, entry.before),))


def _entry(row: HistoryRow) -> Entry:
    return Entry(
        row.id, row.at, row.person, row.why, row.told, row.item, row.before, row.after, row.undoes
    )
