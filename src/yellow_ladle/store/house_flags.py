"""The kitchen's own flags, and what adding or dropping one does to goods and pots."""

from dataclasses import replace

from sqlalchemy import delete, update

from yellow_ladle.core.checks.house_flag_names import new_house_flag, renamed_house_flags
from yellow_ladle.core.larder.house_flags import (
    unchecked_for,
    with_house_flags,
    without_flag,
)
from yellow_ladle.core.reading.update import Change, applied
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.store.book_repository import write
from yellow_ladle.store.history import Act, snapshot
from yellow_ladle.store.ledger import Ledger, Writing
from yellow_ladle.store.tables import HouseFlagRow


def add_house_flag(ledger: Ledger, name: str, act: Act) -> Flag:
    """Adds a flag; all that was free without anybody asking about it becomes unchecked.

    Raises BookRefused where a flag has that name already.
    """
    with ledger.writing() as writing:
        book = writing.before.reading.book
        flag = new_house_flag(book, name)
        writing.session.add(HouseFlagRow(id=flag.id, name=flag.name, version=writing.version))
        told = f"{flag.name} is a flag from now on"
        _rewrite(
            ledger, writing, (*book.house_flags, flag), unchecked_for(book, flag.id), told, act
        )
        return flag


def rename_house_flag(ledger: Ledger, id: str, name: str, act: Act) -> None:
    """Gives a flag another name; what is recorded of it stays."""
    with ledger.writing() as writing:
        book = writing.before.reading.book
        flags = renamed_house_flags(book, id, name)
        [name] = [flag.name for flag in flags if flag.id == id]
        session, version = writing.session, writing.version
        session.execute(
            update(HouseFlagRow).where(HouseFlagRow.id == id).values(name=name, version=version)
        )
        _rewrite(ledger, writing, flags, Change(), f"A flag is called {name} from now on", act)


def drop_house_flag(ledger: Ledger, id: str, act: Act) -> None:
    """Takes a flag out. Raises BookRefused while something is said to contain it."""
    with ledger.writing() as writing:
        book = writing.before.reading.book
        change = without_flag(book, id)
        writing.session.execute(delete(HouseFlagRow).where(HouseFlagRow.id == id))
        left = tuple(flag for flag in book.house_flags if flag.id != id)
        _rewrite(ledger, writing, left, change, "A flag of the kitchen's own was dropped", act)


def _rewrite(
    ledger: Ledger,
    writing: Writing,
    flags: tuple[Flag, ...],
    change: Change,
    told: str,
    act: Act,
) -> None:
    """Writes a change of the flags and of what states them, and reads the book anew."""
    book, session = writing.before.reading.book, writing.session
    lines = {id: f"{book.name(id)}: {told[:1].lower()}{told[1:]}" for id in change.ids}
    session.add_all(snapshot(book, change, lines, act, writing.moment))
    write(session, change, writing.version)
    writing.told, writing.person = told, act.person or ""
    writing.touched = tuple(change.ids)
    after = applied(with_house_flags(book, flags), change)
    versions = {**writing.before.versions, **dict.fromkeys(change.written, writing.version)}
    reading = replace(writing.after.reading, book=after)
    writing.after = replace(writing.after, reading=reading, versions=versions)
    ledger.read_anew(writing, told)
