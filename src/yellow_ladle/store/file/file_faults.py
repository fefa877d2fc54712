"""What can be wrong with the kitchen's file, in words for whoever is at the screen.

SQLite's result codes: https://sqlite.org/rescode.html
"""

import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager

from sqlalchemy.exc import DBAPIError


class FileFault(Exception):
    """The kitchen's file could not be read or written. What was recorded before is kept."""


class FileLocked(FileFault):
    """Another program holds the file."""

    def __init__(self) -> None:
        super().__init__(
            "Another program holds the kitchen's file. Nothing was recorded. Close that program,"
            " or wait until it is done, and record again."
        )


class DiskFull(FileFault):
    """There is no room left for what was to be written."""

    def __init__(self) -> None:
        super().__init__(
            "The disk is full. Nothing was recorded, and nothing recorded before is lost."
            " Make room on the disk and record again."
        )


class FileReadOnly(FileFault):
    """The file or its folder may not be written."""

    def __init__(self) -> None:
        super().__init__(
            "The kitchen's file, or the folder that it is in, may not be written. Nothing was"
            " recorded. Ask whoever runs this machine for the right to write there."
        )


class FileDamaged(FileFault):
    """The file is no longer what SQLite wrote, or the disk does not give it back."""

    def __init__(self) -> None:
        super().__init__(
            "The kitchen's file is damaged, or the disk cannot read it. Nothing was recorded."
            " Stop the application and put the newest good backup back with ./ladle restore."
        )


_BY_CODE: dict[int, type[FileFault]] = {
    sqlite3.SQLITE_BUSY: FileLocked,
    sqlite3.SQLITE_LOCKED: FileLocked,
    sqlite3.SQLITE_FULL: DiskFull,
    sqlite3.SQLITE_READONLY: FileReadOnly,
    sqlite3.SQLITE_CANTOPEN: FileReadOnly,
    sqlite3.SQLITE_PERM: FileReadOnly,
    sqlite3.SQLITE_CORRUPT: FileDamaged,
    sqlite3.SQLITE_NOTADB: FileDamaged,
}
_BY_EXTENDED_CODE: dict[int, type[FileFault]] = {
    # A file that may not grow, by a quota or a limit on its size, is told as an error of writing.
    sqlite3.SQLITE_IOERR_WRITE: DiskFull,
    sqlite3.SQLITE_IOERR_FSYNC: DiskFull,
    sqlite3.SQLITE_IOERR_TRUNCATE: DiskFull,
}


def fault_of(error: sqlite3.Error) -> FileFault | None:
    """The fault that an error of SQLite's tells of; None where it is one of the program's own."""
    code = getattr(error, "sqlite_errorcode", None)
    if code is None:
        return None
    kind = _BY_EXTENDED_CODE.get(code) or _BY_CODE.get(code & 0xFF)
    if kind is None and code & 0xFF == sqlite3.SQLITE_IOERR:
        kind = FileDamaged
    return kind() if kind else None


@contextmanager
def told_in_words() -> Iterator[None]:
    """Raises a FileFault in the place of an error of SQLite's that tells of one."""
    try:
        yield
    except DBAPIError as error:
        fault = fault_of(error.orig) if isinstance(error.orig, sqlite3.Error) else None
        if fault is None:
            raise
        raise fault from error
    except sqlite3.Error as error:
        fault = fault_of(error)
        if fault is None:
            raise
        raise fault from error
