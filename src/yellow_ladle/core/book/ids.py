"""Ids made from names."""

from collections.abc import Iterable
from unicodedata import combining, normalize


def free_id(name: str, taken: Iterable[str]) -> str:
    """An id made from a name, with a number behind it where it is taken."""
    plain = "".join(c if c.isascii() and c.isalnum() else "-" for c in _unaccented(name).lower())
    stem = "-".join(part for part in plain.split("-") if part) or "pot"
    used, number, id = set(taken), 2, stem
    while id in used:
        id, number = f"{stem}-{number}", number + 1
    return id


def _unaccented(name: str) -> str:
    return "".join(c for c in normalize("NFKD", name) if not combining(c))
