"""What recipes say around their ingredients and steps (data/recipe_words.toml)."""

import re
from collections.abc import Iterable
from functools import cache

from yellow_ladle.core.vocabulary.toml import Table, number, rows, section, table, words

LETTERS_A_MISTAKE = 6
"""A heading may have one wrong letter in so many."""


@cache
def heads(what: str) -> frozenset[str]:
    """The headings of one part of a recipe: `ingredients`, `method` or `notes`."""
    return frozenset(words(section(_data()["heads"])[what]))


@cache
def listed(part: str, what: str) -> tuple[str, ...]:
    """Words of one kind, the longest first, so that the first that fits says most."""
    return tuple(sorted(words(section(_data()[part])[what]), key=len, reverse=True))


@cache
def beginning(part: str, what: str) -> re.Pattern[str]:
    """What finds one of some words at the beginning of a text, as whole words."""
    return re.compile(rf"(?:{_any_of(listed(part, what))})", re.I)


@cache
def phrases() -> tuple[tuple[re.Pattern[str], float], ...]:
    """Times that are told in words, with their minutes."""
    return tuple(
        (re.compile(rf"(?<!\w)(?:{_any_of(words(row['words']))})", re.I), number(row["minutes"]))
        for row in rows(_data()["phrase"])
    )


def is_head(text: str, what: str) -> bool:
    """Whether a line is a heading of one part, also with a letter wrong."""
    plain = text.strip(" :*_#.-–—").lower()
    if plain in heads(what):
        return True
    return any(
        abs(len(head) - len(plain)) <= 2 and _wrong(plain, head) <= len(head) // LETTERS_A_MISTAKE
        for head in heads(what)
        if len(head) >= LETTERS_A_MISTAKE
    )


def _wrong(one: str, other: str) -> int:
    """How many letters are wrong, missing or too many (Levenshtein)."""
    row = list(range(len(other) + 1))
    for n, letter in enumerate(one, 1):
        before, row[0] = row[0], n
        for m, against in enumerate(other, 1):
            here = min(row[m] + 1, row[m - 1] + 1, before + (letter != against))
            before, row[m] = row[m], here
    return row[-1]


def _any_of(found: Iterable[str]) -> str:
    """Words as a pattern; one that ends in a letter ends there."""
    return "|".join(
        re.escape(word) + (r"(?!\w)" if word[-1].isalnum() else "")
        for word in sorted(found, key=len, reverse=True)
    )


@cache
def _data() -> Table:
    return table("recipe_words")
