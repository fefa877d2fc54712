"""A file with a book in it, written once and copied for every test that asks for the same book."""

import shutil
import tempfile
from collections.abc import Callable
from datetime import UTC, datetime
from functools import cache
from pathlib import Path

from yellow_ladle.demo.kitchen import demo_book
from yellow_ladle.files.book.book_file import parse_book, write_book
from yellow_ladle.store.ledger import Ledger

_FOLDER = tempfile.TemporaryDirectory(prefix="yellow-ladle-tests-")


def now() -> datetime:
    """The machine's own clock."""
    return datetime.now(UTC)


def filled(content: bytes, path: Path, clock: Callable[[], datetime] = now) -> Ledger:
    """A ledger in a file of its own, holding the book of some book file's bytes."""
    shutil.copy(_written(content), path)
    return Ledger.open(path, clock)


@cache
def demo_content() -> bytes:
    """The demo's book file."""
    return write_book(demo_book())


@cache
def _written(content: bytes) -> Path:
    path = Path(_FOLDER.name) / f"{len(list(Path(_FOLDER.name).iterdir()))}.sqlite"
    ledger = Ledger.open(path)
    ledger.replace_book(parse_book(content))
    ledger.close()
    # The last connection that closes writes the log back into the file.
    return path
