"""The book as it stands in the file: reading it, and writing a change."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any, TypeVar

from sqlalchemy import delete, select
from sqlalchemy.dialects.sqlite import insert
from sqlalchemy.orm import Session

from yellow_ladle.core.book.book import Book, Kitchen, Preparation
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.checks.book_faults import Pieces, change_faults
from yellow_ladle.core.impact.impact import Impact
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.reading.update import Change, applied
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.files.book.conversion import content, value_of
from yellow_ladle.store.file.checkup import refuse_unreadable
from yellow_ladle.store.settings_rows import (
    NEW_KITCHEN,
    needs_of,
    rulings_of,
    setting_versions_of,
    sign_offs_of,
    tools_of,
)
from yellow_ladle.store.tables import (
    BookRow,
    HouseFlagRow,
    KitchenRow,
    PreparationRow,
    ProductRow,
)

Row = TypeVar("Row", ProductRow, PreparationRow)
Value = TypeVar("Value", Product, Preparation)

AT_ONCE = 200
"""Documents that are held in memory at once while a book is read."""


@dataclass(frozen=True)
class Now:
    """The book as it stands: its reading, and the versions of all that people edit.

    `setting_versions` are those of `tool/…`, `need/…` and `rule/…`. `counter` is the book's own,
    the version of its last write.
    """

    reading: Reading
    versions: Mapping[str, int]
    kitchen_version: int
    counter: int
    setting_versions: Mapping[str, int] = field(default_factory=dict)


@dataclass(frozen=True)
class Recorded:
    """What a write did: the book before and after it, and what moved."""

    before: Now
    after: Now
    impact: Impact


def refuse_unsound(book: Book, change: Change) -> None:
    """Raises BookRefused where a change cannot stand."""
    found = change_faults(applied(book, change), change)
    if found:
        raise BookRefused(found)


def load(session: Session, on: str, path: Path | None = None) -> Now:
    """Everything that the file holds of the book, read as of a day.

    Raises Unsound, which names `path`, where the book cannot be carried.
    """
    kitchen = session.get(KitchenRow, 1)
    whole = session.get(BookRow, 1)
    flags = session.scalars(select(HouseFlagRow).order_by(HouseFlagRow.id)).all()
    versions: dict[str, int] = {}
    loose = Pieces(
        NEW_KITCHEN if kitchen is None else value_of(Kitchen, kitchen.content),
        [Flag(row.id, row.name, "house") for row in flags],
        list(_values(session, ProductRow, Product, versions)),
        list(_values(session, PreparationRow, Preparation, versions)),
        tools_of(session),
        needs_of(session),
        sign_offs_of(session),
        rulings_of(session),
    )
    refuse_unreadable(path or Path("the file"), loose)
    book = loose.book()
    return Now(
        read(book, on),
        versions,
        kitchen.version if kitchen else 0,
        whole.counter if whole else 0,
        setting_versions_of(session),
    )


def write(session: Session, change: Change, version: int) -> None:
    """Writes a change's products and preparations, which bear a version from then on."""
    for table in (ProductRow, PreparationRow):
        for at in range(0, len(change.removed), AT_ONCE):
            some = change.removed[at : at + AT_ONCE]
            session.execute(delete(table).where(table.id.in_(some)))
    _put(
        session,
        ProductRow,
        [
            {"id": product.id, "version": version, "content": content(product)}
            for product in change.products
        ],
    )
    _put(
        session,
        PreparationRow,
        [
            {"id": made.id, "kind": made.kind, "version": version, "content": content(made)}
            for made in change.preparations
        ],
    )


def _put(session: Session, table: type[Row], rows: list[dict[str, Any]]) -> None:
    """Adds rows, or puts them in the place of those with their ids."""
    if rows:
        wanted = insert(table)
        given = {key: wanted.excluded[key] for key in rows[0] if key != "id"}
        session.execute(wanted.on_conflict_do_update(index_elements=["id"], set_=given), rows)


def write_kitchen(session: Session, kitchen: Kitchen, version: int) -> None:
    """Writes the kitchen itself."""
    session.merge(KitchenRow(id=1, version=version, content=content(kitchen)))


def _values(
    session: Session, table: type[Row], kind: type[Value], versions: dict[str, int]
) -> Iterator[Value]:
    """The values of a table in the order of their ids, one by one; notes their versions."""
    wanted = select(table.id, table.version, table.content).order_by(table.id)
    for id, version, held in session.execute(wanted.execution_options(yield_per=AT_ONCE)):
        versions[id] = version
        yield value_of(kind, held)
