"""Optimistic locking: one counter for the whole book, and the refusal of a stale write.

Every write raises the counter inside its transaction, and what it writes bears the number as its
version; no number is used twice. A writer names the versions that it saw.
"""

from collections.abc import Mapping
from typing import TypeAlias

from sqlalchemy import select
from sqlalchemy.orm import Session

from yellow_ladle.core.book.book import Kitchen, Preparation
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.rule_setting import Ruling
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.reading.update import Change
from yellow_ladle.store.book_repository import Now
from yellow_ladle.store.tables import BookRow

Aggregate: TypeAlias = Product | Preparation | Kitchen | Tool | Need | Ruling
"""What bears a version."""


class Stale(Exception):
    """A write that saw an older state than the one that stands. Nothing was written."""

    def __init__(self, item: str, current: Aggregate | None, version: int | None):
        self.item, self.current, self.version = item, current, version
        self.name = item if current is None else name_of(current)
        super().__init__(f"{item} was changed by somebody else in the meantime")


def name_of(value: Aggregate) -> str:
    """What people call it; a need goes by its guest, a ruling by its rule."""
    match value:
        case Need():
            return f"What {value.guest} needs"
        case Ruling():
            return f'What is said of the rule "{value.id}"'
        case _:
            return value.name


def refuse_stale(now: Now, change: Change, seen: Mapping[str, int | None]) -> None:
    """Raises Stale where something that the change touches is not as its writer saw it."""
    for id in change.ids:
        refuse_stale_item(now, id, seen.get(id))


def refuse_stale_item(now: Now, id: str, seen: int | None) -> None:
    """Raises Stale where a product or preparation is not as its writer saw it."""
    if now.versions.get(id) != seen:
        book = now.reading.book
        current = book.products.get(id) or book.preparations.get(id)
        raise Stale(id, current, now.versions.get(id))


def standing(now: Now, preparation: str) -> int:
    """The newest version among a preparation, everything that it is made from, and the tools."""
    inputs, waiting, found = now.reading.graph.inputs, [preparation], {preparation}
    while waiting:
        fresh = set(inputs.get(waiting.pop(), ())) - found
        found |= fresh
        waiting += fresh
    tools = (v for key, v in now.setting_versions.items() if key.startswith("tool/"))
    return max([*(now.versions[item] for item in found), *tools])


def refuse_stale_setting(
    now: Now, key: str, seen: int | None, current: Tool | Need | Ruling | None
) -> None:
    """Raises Stale where a tool, a need or a ruling is not as its writer saw it.

    `key` is `tool/…`, `need/…` or `rule/…`; `seen` None where the writer saw none.
    """
    if now.setting_versions.get(key) != seen:
        raise Stale(key.partition("/")[2], current, now.setting_versions.get(key))


def counter_of(session: Session) -> int:
    """The book's counter as the file has it; 0 in a file that holds no book yet."""
    return session.scalar(select(BookRow.counter)) or 0


def next_version(session: Session) -> int:
    """Raises the book's counter within a transaction, and returns it."""
    whole = session.get(BookRow, 1)
    if whole is None:
        session.add(whole := BookRow(id=1, counter=0))
    whole.counter += 1
    session.flush()
    return whole.counter
