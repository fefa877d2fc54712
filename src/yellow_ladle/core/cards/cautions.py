"""Cautions offered where a step calls for them. Their wording is data (data/cautions.toml)."""

import re
from collections.abc import Iterable
from dataclasses import dataclass
from functools import cache

from yellow_ladle.core.vocabulary.toml import rows, table, words


@dataclass(frozen=True, slots=True)
class Caution:
    """One caution with its source. It is called for where every group of words is met."""

    id: str
    text: str
    source: str
    groups: tuple[re.Pattern[str], ...]


@cache
def cautions() -> tuple[Caution, ...]:
    """Every caution of the table."""
    found = []
    for row in rows(table("cautions")["caution"]):
        listed = row["all"]
        groups = [_any_of(words(group)) for group in (listed if isinstance(listed, list) else [])]
        found.append(Caution(str(row["id"]), str(row["text"]), str(row["source"]), tuple(groups)))
    return tuple(found)


def called_for(text: str, names: Iterable[str] = ()) -> tuple[Caution, ...]:
    """The cautions that a step's text, with the names of what goes in there, calls for."""
    told = " ; ".join((text, *names))
    return tuple(
        caution for caution in cautions() if all(group.search(told) for group in caution.groups)
    )


def _any_of(listed: tuple[str, ...]) -> re.Pattern[str]:
    return re.compile(rf"\b(?:{'|'.join(map(re.escape, listed))})\b", re.I)
