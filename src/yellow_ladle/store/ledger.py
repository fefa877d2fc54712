"""The kitchen's book, kept in SQLite and read in memory."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from pathlib import Path
from threading import RLock
from typing import TypeVar

from sqlalchemy import Engine, delete, select
from sqlalchemy.orm import Session

from yellow_ladle.core.book import Book, Kitchen, Preparation
from yellow_ladle.core.change import Change, applied
from yellow_ladle.core.faults import BookRefused, change_faults
from yellow_ladle.core.flags import Flag
from yellow_ladle.core.product import Product
from yellow_ladle.core.reading import Reading, read
from yellow_ladle.core.ripple import Ripple, ripple
from yellow_ladle.store.engine import open_engine
from yellow_ladle.store.rows import (
    part_rows,
    preparation_of,
    product_of,
    write_preparation,
    write_product,
)
from yellow_ladle.store.tables import (
    Base,
    ByProductRow,
    HouseFlagRow,
    KitchenRow,
    LineRow,
    PreparationRow,
    ProductRow,
    StepRow,
)

Row = TypeVar("Row", ProductRow, PreparationRow)


@dataclass(frozen=True)
class Now:
    """The book as it stands: its reading, and the versions of all that people edit."""

    reading: Reading
    versions: Mapping[str, int]
    kitchen_version: int


class Stale(Exception):
    """A write that saw an older state than the one that stands. Nothing was written."""

    def __init__(
        self, item: str, current: Product | Preparation | Kitchen | None, version: int | None
    ):
        self.item, self.current, self.version = item, current, version
        super().__init__(f"{item} was changed by somebody else in the meantime")


class Ledger:
    """One kitchen's data. Readers take `now`, which never changes under them."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine
        self._lock = RLock()
        with Session(engine) as session:
            self._now = _load(session)

    @classmethod
    def open(cls, path: Path) -> "Ledger":
        """The ledger in a file, which is made if it is not there."""
        return cls(open_engine(path))

    @property
    def now(self) -> Now:
        """The book as it stands at this moment."""
        return self._now

    @property
    def is_empty(self) -> bool:
        """Whether nothing has been recorded yet."""
        return not self._now.versions

    def close(self) -> None:
        """Lets go of the file."""
        self._engine.dispose()

    def take(self, book: Book) -> None:
        """Replaces everything by a book that is known to be sound, in one transaction."""
        with self._lock, Session(self._engine) as session:
            for table in reversed(Base.metadata.sorted_tables):
                session.execute(delete(table))
            session.add(KitchenRow(id=1, name=book.kitchen.name, regime=book.kitchen.regime))
            session.add_all(HouseFlagRow(id=flag.id, name=flag.name) for flag in book.house_flags)
            products, preparations = book.products.values(), book.preparations.values()
            _write(session, book, Change(tuple(products), tuple(preparations)))
            session.commit()
            self._now = _load(session)

    def preview(self, change: Change) -> Ripple:
        """What a change would do. Raises BookRefused where it cannot stand."""
        before = self.now.reading
        _refuse_unsound(before.book, change)
        return ripple(before, change)[1]

    def record(self, change: Change, seen: Mapping[str, int | None]) -> Ripple:
        """Writes a change in one transaction and re-reads what it reaches.

        `seen` names the version that the writer saw of everything the change touches, None for
        what is new. Raises Stale where another one stands, BookRefused where the change is unsound.
        """
        with self._lock, Session(self._engine) as session:
            before = self._now
            self._refuse_stale(before, change, seen)
            _refuse_unsound(before.reading.book, change)
            after, rippled = ripple(before.reading, change)
            _write(session, after.book, change)
            session.commit()
            versions = {id: n for id, n in before.versions.items() if id not in change.removed}
            versions |= {id: before.versions.get(id, 0) + 1 for id in change.written}
            self._now = Now(after, versions, before.kitchen_version)
            return rippled

    def name(self, kitchen: Kitchen, seen: int) -> None:
        """Writes the kitchen's name and regime. Raises Stale where another version stands."""
        with self._lock, Session(self._engine) as session:
            before = self._now
            book = before.reading.book
            if before.kitchen_version != seen:
                raise Stale("kitchen", book.kitchen, before.kitchen_version)
            row = session.get(KitchenRow, 1) or KitchenRow(id=1, version=0)
            row.name, row.regime, row.version = kitchen.name, kitchen.regime, seen + 1
            session.add(row)
            session.commit()
            renamed = replace(before.reading, book=replace(book, kitchen=kitchen))
            self._now = Now(renamed, before.versions, seen + 1)

    def _refuse_stale(self, now: Now, change: Change, seen: Mapping[str, int | None]) -> None:
        book = now.reading.book
        for id in change.ids:
            if now.versions.get(id) != seen.get(id):
                current = book.products.get(id) or book.preparations.get(id)
                raise Stale(id, current, now.versions.get(id))


def _refuse_unsound(book: Book, change: Change) -> None:
    found = change_faults(applied(book, change), change)
    if found:
        raise BookRefused(found)


def _load(session: Session) -> Now:
    kitchen = session.get(KitchenRow, 1)
    products = session.scalars(select(ProductRow).order_by(ProductRow.id)).all()
    preparations = session.scalars(select(PreparationRow).order_by(PreparationRow.id)).all()
    flags = session.scalars(select(HouseFlagRow).order_by(HouseFlagRow.id)).all()
    book = Book.of(
        Kitchen(kitchen.name, kitchen.regime) if kitchen else Kitchen("A new kitchen", "eu-14"),
        (product_of(row) for row in products),
        (preparation_of(row) for row in preparations),
        (Flag(row.id, row.name, "house") for row in flags),
    )
    versions = {row.id: row.version for row in products}
    versions |= {row.id: row.version for row in preparations}
    return Now(read(book), versions, kitchen.version if kitchen else 0)


def _write(session: Session, after: Book, change: Change) -> None:
    for id in change.removed:
        session.execute(delete(ProductRow).where(ProductRow.id == id))
        session.execute(delete(PreparationRow).where(PreparationRow.id == id))
    for product in change.products:
        write_product(_row(session, ProductRow, product.id), product)
    for preparation in change.preparations:
        write_preparation(_row(session, PreparationRow, preparation.id), preparation)
        for part in (LineRow, ByProductRow, StepRow):
            session.execute(delete(part).where(part.preparation_id == preparation.id))
        session.flush()
        session.add_all(part_rows(preparation, after.products))
    session.flush()


def _row(session: Session, table: type[Row], id: str) -> Row:
    """The row of an id, old or new, with its version risen by one."""
    row = session.get(table, id)
    if row is None:
        session.add(row := table(version=0))
    row.version += 1
    return row
