"""What recipes say around their ingredients and steps (data/recipe_words.toml)."""

import re
from collections.abc import Iterable
from functools import cache, lru_cache

from yellow_ladle.core.vocabulary.toml import number, rows, section, table, words
from yellow_ladle.core.words.likeness import nearest

MIN_HEAD, NEAR_HEAD = 5, 0.86
"""Letters of a heading that may be mistyped, and how near (0 to 1) it then has to be."""


@cache
def heads(what: str) -> frozenset[str]:
    """The headings of one part of a recipe: `ingredients`, `method` or `notes`."""
    return frozenset(words(section(table("recipe_words")["heads"])[what]))


@cache
def listed(part: str, what: str) -> tuple[str, ...]:
    """Words of one kind, the longest first, so that the first that fits says most."""
    return tuple(sorted(words(section(table("recipe_words")[part])[what]), key=len, reverse=True))


@cache
def beginning(part: str, what: str) -> re.Pattern[str]:
    """What finds one of some words at the beginning of a text, as whole words."""
    return re.compile(rf"(?:{_any_of(listed(part, what))})", re.I)


@cache
def phrases() -> tuple[tuple[re.Pattern[str], float], ...]:
    """Times that are told in words, with their minutes."""
    return tuple(
        (re.compile(rf"(?<!\w)(?:{_any_of(words(row['words']))})", re.I), number(row["minutes"]))
        for row in rows(table("recipe_words")["phrase"])
    )


@cache
def named(part: str) -> tuple[tuple[str, tuple[str, ...]], ...]:
    """The words of `kinds` or `heats`, each with what says it, in the order of the table."""
    return tuple((key, words(value)) for key, value in section(table("recipe_words")[part]).items())


@lru_cache(maxsize=4096)
def is_head(text: str, what: str) -> bool:
    """Whether a line is a heading of one part, also with a letter wrong."""
    plain = text.strip(" :*_#.-–—").lower()
    if plain in heads(what):
        return True
    return len(plain) >= MIN_HEAD and nearest(plain, heads(what), NEAR_HEAD) is not None


def _any_of(found: Iterable[str]) -> str:
    """Words as a pattern; one that ends in a letter ends there."""
    return "|".join(
        re.escape(word) + (r"(?!\w)" if word[-1].isalnum() else "")
        for word in sorted(found, key=len, reverse=True)
    )
