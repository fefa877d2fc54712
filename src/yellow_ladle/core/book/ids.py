"""Ids made from names."""

from collections.abc import Iterable
from unicodedata import combining, normalize

MAX_ID = 200
"""Letters of the longest id. A name may grow beyond it as its letters are taken apart."""


def free_id(name: str, taken: Iterable[str], otherwise: str = "pot") -> str:
    """An id made from a name, with a number behind it where it is taken.

    `otherwise` is the id of a name without a plain letter or digit.
    """
    stem = slug(name.casefold()) or otherwise
    used, number, id = set(taken), 2, stem
    while id in used:
        end = f"-{number}"
        id, number = bounded(stem, MAX_ID - len(end)) + end, number + 1
    return id


def slug(name: str) -> str:
    """The plain letters and digits of a name, joined by hyphens; empty where it has none."""
    unaccented = (sign for sign in normalize("NFKD", name) if not combining(sign))
    plain = "".join(c if c.isascii() and c.isalnum() else "-" for c in unaccented).lower()
    return bounded("-".join(part for part in plain.split("-") if part), MAX_ID)


def bounded(id: str, letters: int) -> str:
    """An id of at most so many letters, which ends in no hyphen."""
    return id[:letters].rstrip("-")
