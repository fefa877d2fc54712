"""Whether a file is a sound kitchen's: its pages, its references, its form, and the book in it."""

import sqlite3
from contextlib import closing
from dataclasses import dataclass
from pathlib import Path

from yellow_ladle.core.checks.book_faults import Pieces, structure_faults
from yellow_ladle.store.file.engine import newest_revision

HEADER = b"SQLite format 3\x00"
MAX_TOLD = 3
"""Faults that are told of one file."""


class Unsound(Exception):
    """A file that holds no kitchen's data, or not whole. It was not touched."""


@dataclass(frozen=True, slots=True)
class Contents:
    """What a sound file holds."""

    kitchen: str
    products: int
    preparations: int
    changes: int
    counter: int
    newest: str

    def sentence(self) -> str:
        """The contents in a line."""
        last = f", the last on {self.newest[:10]}" if self.newest else ""
        return (
            f"{self.kitchen}: {self.products} products, {self.preparations} pots,"
            f" {self.changes} changes{last}"
        )


def refuse_foreign(path: Path) -> None:
    """Raises Unsound where a file is there that is no kitchen's, or one of a newer version."""
    if not path.exists() or path.stat().st_size == 0:
        return
    with path.open("rb") as file:
        if file.read(len(HEADER)) != HEADER:
            raise Unsound(f"{path} is no kitchen's data: it is another kind of file.")
    try:
        with closing(_connect(path)) as connection:
            tables = _names(connection)
            if tables and "alembic_version" not in tables:
                raise Unsound(f"{path} is no kitchen's data: it is a database of something else.")
            if not tables:
                return
            row = connection.execute("SELECT version_num FROM alembic_version").fetchone()
    except sqlite3.DatabaseError as error:
        raise Unsound(f"{path} is damaged: {error}.") from error
    if row is not None and str(row[0]) > newest_revision():
        raise Unsound(
            f"{path} was written by a newer version of the program (form {row[0]}, this one"
            f" writes {newest_revision()}). It was not touched. Start the newer version."
        )


def refuse_damaged(path: Path, *, whole: bool = False) -> None:
    """Raises Unsound where SQLite finds pages or references that cannot be right.

    `whole` compares every index with its table as well, which takes longer.
    """
    if not path.exists():
        return
    check = "integrity_check" if whole else "quick_check"
    try:
        with closing(_connect(path)) as connection:
            found = [row[0] for row in connection.execute(f"PRAGMA {check}({MAX_TOLD})")]
            torn = connection.execute("PRAGMA foreign_key_check").fetchmany(MAX_TOLD)
    except sqlite3.DatabaseError as error:
        raise Unsound(f"{path} is damaged: {error}.") from error
    if found != ["ok"]:
        raise Unsound(f"{path} is damaged: {'; '.join(found)}.")
    if torn:
        named = ", ".join(f"row {row[1]} of {row[0]} names what is not in {row[2]}" for row in torn)
        raise Unsound(f"{path} is damaged: {named}.")


def refuse_unreadable(path: Path, pieces: Pieces) -> None:
    """Raises Unsound where the book in a file cannot be carried, as it has a loop for instance."""
    if found := structure_faults(pieces):
        told = "; ".join(map(str, found[:MAX_TOLD]))
        more = f"; and {len(found) - MAX_TOLD} more" if len(found) > MAX_TOLD else ""
        raise Unsound(f"{path} holds a book that cannot stand: {told}{more}.")


def contents_of(path: Path) -> Contents:
    """What a sound file of the newest form holds."""
    with closing(_connect(path)) as connection:

        def one(query: str) -> str:
            row = connection.execute(query).fetchone()
            return "" if row is None or row[0] is None else str(row[0])

        return Contents(
            kitchen=one(
                "SELECT json_extract(content, '$.name') FROM document WHERE kind = 'kitchen'"
            )
            or "A new kitchen",
            products=int(one("SELECT count(*) FROM document WHERE kind = 'product'")),
            preparations=int(one("SELECT count(*) FROM document WHERE kind = 'preparation'")),
            changes=int(one("SELECT count(*) FROM history")),
            counter=int(one("SELECT counter FROM book") or 0),
            newest=one("SELECT max(at) FROM history"),
        )


def _connect(path: Path) -> sqlite3.Connection:
    # Not read-only: a log that a killed process left behind is taken in by whoever opens first.
    return sqlite3.connect(path, isolation_level=None, timeout=5)


def _names(connection: sqlite3.Connection) -> set[str]:
    rows = connection.execute("SELECT name FROM sqlite_master WHERE type = 'table'")
    return {row[0] for row in rows if not row[0].startswith("sqlite_")}
