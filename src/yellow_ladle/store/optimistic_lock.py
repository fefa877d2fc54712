"""Optimistic locking: one counter for the whole book, and the refusal of a stale write.

Every write raises the counter inside its transaction, and what it writes bears the number as its
version; no number is used twice. A writer names the versions that it saw. What is only added, day
by day, has a counter of its own: it makes nothing stale.
"""

from collections.abc import Mapping
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.rule_setting import Ruling
from yellow_ladle.core.reading.update import Change
from yellow_ladle.store.documents import Now
from yellow_ladle.store.tables import BookRow


class Stale(Exception):
    """A write that saw an older state than the one that stands. Nothing was written.

    `current` is the value that stands now, None where it is gone.
    """

    def __init__(self, item: str, current: Any | None, version: int | None):
        self.item, self.current, self.version = item, current, version
        self.name = item if current is None else name_of(current) or item
        super().__init__(f"{item} was changed by somebody else in the meantime")


def name_of(value: Any) -> str:
    """What people call it; a need goes by its guest, a ruling by its rule."""
    match value:
        case Need():
            return f"What {value.guest} needs"
        case Ruling():
            return f'What is said of the rule "{value.id}"'
        case _:
            return str(getattr(value, "name", ""))


def refuse_stale(now: Now, change: Change, seen: Mapping[str, int | None]) -> None:
    """Raises Stale where something that the change touches is not as its writer saw it.

    `seen` goes by the keys of what is touched; what is missing from it was not there.
    """
    book = now.reading.book
    for id in change.ids:
        if now.versions.get(id) != seen.get(id):
            current = book.products.get(id) or book.preparations.get(id)
            raise Stale(id, current, now.versions.get(id))
    for document in change.documents:
        key = document.key
        if now.setting_versions.get(key) != seen.get(key):
            held = document.kind.held(book).get(document.id)
            raise Stale(document.id, held, now.setting_versions.get(key))


def standing(now: Now, preparation: str) -> int:
    """The newest version among a preparation, everything that it is made from, and the tools."""
    inputs, waiting, found = now.reading.graph.inputs, [preparation], {preparation}
    while waiting:
        fresh = set(inputs.get(waiting.pop(), ())) - found
        found |= fresh
        waiting += fresh
    tools = (v for key, v in now.setting_versions.items() if key.startswith("tool/"))
    return max([*(now.versions[item] for item in found), *tools])


def counter_of(session: Session) -> int:
    """The book's counter as the file has it; 0 in a file that holds no book yet."""
    return session.scalar(select(BookRow.counter)) or 0


def next_version(session: Session) -> int:
    """Raises the book's counter within a transaction, and returns it."""
    whole = _whole(session)
    whole.counter += 1
    session.flush()
    return whole.counter


def next_appended(session: Session) -> int:
    """Raises the counter of what is added day by day within a transaction, and returns it."""
    whole = _whole(session)
    whole.appended += 1
    session.flush()
    return whole.appended


def _whole(session: Session) -> BookRow:
    whole = session.get(BookRow, 1)
    if whole is None:
        session.add(whole := BookRow(id=1, counter=0, appended=0))
    return whole
