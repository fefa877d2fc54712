"""Rows that each hold the hash of the one before, so that none is altered unnoticed."""

import hashlib
import json
from collections.abc import Iterable, Sequence
from typing import Protocol, TypeVar


class Chained(Protocol):
    """A row of a chain."""

    before_hash: str


Row = TypeVar("Row", bound=Chained)


def canonical_hash(plain: object) -> str:
    """The SHA-256 of plain content as canonical JSON."""
    text = json.dumps(plain, sort_keys=True, ensure_ascii=False, separators=(",", ":"))
    return hashlib.sha256(text.encode()).hexdigest()


def row_hash(row: object, columns: Sequence[str]) -> str:
    """The hash of some columns of a row."""
    return canonical_hash({name: getattr(row, name) for name in columns})


def first_altered(rows: Iterable[Row], columns: Sequence[str]) -> Row | None:
    """The first row that does not hold the hash of the one before it; None if all do."""
    last = ""
    for row in rows:
        if row.before_hash != last:
            return row
        last = row_hash(row, columns)
    return None
