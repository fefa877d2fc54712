"""The book as it stands in the file: reading it, writing a change, and refusing a stale one."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any, TypeVar

from sqlalchemy import Select, delete, select
from sqlalchemy.orm import Session

from yellow_ladle.core.book import Book, Kitchen, Preparation
from yellow_ladle.core.change import Change, applied
from yellow_ladle.core.fault import BookRefused
from yellow_ladle.core.faults import change_faults
from yellow_ladle.core.flags import Flag
from yellow_ladle.core.product import Product
from yellow_ladle.core.reading import Reading, read
from yellow_ladle.core.ripple import Ripple
from yellow_ladle.files.conversion import content, value_of
from yellow_ladle.store.beside import (
    NEW_KITCHEN,
    needs_of,
    rulings_of,
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


@dataclass(frozen=True)
class Now:
    """The book as it stands: its reading, and the versions of all that people edit.

    `counter` is the book's own: the version of its last write.
    """

    reading: Reading
    versions: Mapping[str, int]
    kitchen_version: int
    counter: int


@dataclass(frozen=True)
class Recorded:
    """What a write did: the book before and after it, and what moved."""

    before: Now
    after: Now
    impact: Ripple


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
    whole = session.get(BookRow, 1)
    products = session.execute(_documents(ProductRow)).all()
    preparations = session.execute(_documents(PreparationRow)).all()
    flags = session.scalars(select(HouseFlagRow).order_by(HouseFlagRow.id)).all()
    book = Book.of(
        NEW_KITCHEN if kitchen is None else value_of(Kitchen, kitchen.content),
        (value_of(Product, content) for _, _, content in products),
        (value_of(Preparation, content) for _, _, content in preparations),
        (Flag(row.id, row.name, "house") for row in flags),
        tools_of(session),
        needs_of(session),
        sign_offs_of(session),
        rulings_of(session),
    )
    versions = {id: version for id, version, _ in (*products, *preparations)}
    return Now(
        read(book, on),
        versions,
        kitchen.version if kitchen else 0,
        whole.counter if whole else 0,
    )


def next_version(session: Session) -> int:
    """Raises the book's counter within a transaction, and returns it."""
    whole = session.get(BookRow, 1)
    if whole is None:
        session.add(whole := BookRow(id=1, counter=0))
    whole.counter += 1
    session.flush()
    return whole.counter


def write(session: Session, change: Change, version: int) -> None:
    """Writes a change's products and preparations, which bear a version from then on."""
    for table in (ProductRow, PreparationRow):
        session.execute(delete(table).where(table.id.in_(change.removed)))
    for product in change.products:
        session.merge(ProductRow(id=product.id, version=version, content=content(product)))
    for made in change.preparations:
        session.merge(
            PreparationRow(id=made.id, kind=made.kind, version=version, content=content(made))
        )
    session.flush()


def write_kitchen(session: Session, kitchen: Kitchen, version: int) -> None:
    """Writes the kitchen itself."""
    session.merge(KitchenRow(id=1, version=version, content=content(kitchen)))


def _documents(table: type[Row]) -> Select[tuple[str, int, dict[str, Any]]]:
    return select(table.id, table.version, table.content).order_by(table.id)
