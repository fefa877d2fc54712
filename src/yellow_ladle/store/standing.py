"""The book as it stands in the file: reading it, writing a change, and refusing a stale one."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import TypeVar

from sqlalchemy import delete, select
from sqlalchemy.orm import Session, selectinload

from yellow_ladle.core.book import Book, Kitchen, Preparation
from yellow_ladle.core.change import Change, applied
from yellow_ladle.core.fault import BookRefused
from yellow_ladle.core.faults import change_faults
from yellow_ladle.core.flags import Flag
from yellow_ladle.core.product import Product
from yellow_ladle.core.reading import Reading, read
from yellow_ladle.store.beside import kitchen_of, needs_of, rulings_of, sign_offs_of, tools_of
from yellow_ladle.store.rows import (
    part_rows,
    preparation_of,
    product_of,
    write_preparation,
    write_product,
)
from yellow_ladle.store.tables import (
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


def refuse_stale(now: Now, change: Change, seen: Mapping[str, int | None]) -> None:
    """Raises Stale where something that the change touches is not as its writer saw it."""
    book = now.reading.book
    for id in change.ids:
        if now.versions.get(id) != seen.get(id):
            current = book.products.get(id) or book.preparations.get(id)
            raise Stale(id, current, now.versions.get(id))


def refuse_unsound(book: Book, change: Change) -> None:
    """Raises BookRefused where a change cannot stand."""
    found = change_faults(applied(book, change), change)
    if found:
        raise BookRefused(found)


def load(session: Session, on: str) -> Now:
    """Everything that the file holds of the book, read as of a day."""
    kitchen = session.get(KitchenRow, 1)
    # Parts are fetched with one query a table; loaded on first touch, they would be one a row.
    with_parts = selectinload("*")
    products = session.scalars(select(ProductRow).options(with_parts).order_by(ProductRow.id)).all()
    preparations = session.scalars(
        select(PreparationRow).options(with_parts).order_by(PreparationRow.id)
    ).all()
    flags = session.scalars(select(HouseFlagRow).order_by(HouseFlagRow.id)).all()
    book = Book.of(
        kitchen_of(kitchen),
        (product_of(row) for row in products),
        (preparation_of(row) for row in preparations),
        (Flag(row.id, row.name, "house") for row in flags),
        tools_of(session),
        needs_of(session),
        sign_offs_of(session),
        rulings_of(session),
    )
    versions = {row.id: row.version for row in products}
    versions |= {row.id: row.version for row in preparations}
    return Now(read(book, on), versions, kitchen.version if kitchen else 0)


def write(session: Session, after: Book, change: Change) -> None:
    """Writes a change's products and preparations, given the book as it is after it."""
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
