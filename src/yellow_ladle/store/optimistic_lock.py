"""Optimistic locking: one counter for the whole book, and the refusal of a stale write.

Every write raises the counter inside its transaction, and what it writes bears the number as its
version; no number is used twice. A writer names the versions that it saw.
"""

from collections.abc import Mapping
from typing import TypeAlias

from sqlalchemy.orm import Session

from yellow_ladle.core.book.book import Kitchen, Preparation
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.reading.update import Change
from yellow_ladle.store.book_repository import Now
from yellow_ladle.store.tables import BookRow

Aggregate: TypeAlias = Product | Preparation | Kitchen
"""What bears a version."""


class Stale(Exception):
    """A write that saw an older state than the one that stands. Nothing was written."""

    def __init__(self, item: str, current: Aggregate | None, version: int | None):
        self.item, self.current, self.version = item, current, version
        super().__init__(f"{item} was changed by somebody else in the meantime")


def refuse_stale(now: Now, change: Change, seen: Mapping[str, int | None]) -> None:
    """Raises Stale where something that the change touches is not as its writer saw it."""
    book = now.reading.book
    for id in change.ids:
        if now.versions.get(id) != seen.get(id):
            current = book.products.get(id) or book.preparations.get(id)
            raise Stale(id, current, now.versions.get(id))


def next_version(session: Session) -> int:
    """Raises the book's counter within a transaction, and returns it."""
    whole = session.get(BookRow, 1)
    if whole is None:
        session.add(whole := BookRow(id=1, counter=0))
    whole.counter += 1
    session.flush()
    return whole.counter
