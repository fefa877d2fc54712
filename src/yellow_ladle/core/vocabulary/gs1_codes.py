"""Allergen codes of suppliers' sheets, as levels of our flags."""

from collections.abc import Iterable
from dataclasses import dataclass
from functools import cache

from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.vocabulary.structured import structured
from yellow_ladle.core.vocabulary.toml import section, table


@dataclass(frozen=True, slots=True)
class AllergenCode:
    """One code: the flags that it stands for; `group` where it does not say which of them."""

    code: str
    name: str
    flags: tuple[str, ...]
    group: bool = False


@dataclass(frozen=True, slots=True)
class Decoded:
    """The levels that a sheet's codes come to, and what of it could not be understood."""

    levels: dict[str, Level]
    unknown: tuple[str, ...]


@cache
def allergen_codes() -> dict[str, AllergenCode]:
    """Every code by itself."""
    return {
        code: structured(AllergenCode, row, code=code)
        for code, row in section(table("gs1_allergens")["codes"]).items()
    }


@cache
def code_levels() -> dict[str, Level]:
    """The levels that a sheet may give, by its words."""
    return {
        word: Level.of(str(level))
        for word, level in section(table("gs1_allergens")["levels"]).items()
    }


def decoded(given: Iterable[tuple[str, str]]) -> Decoded:
    """The levels of a sheet's pairs of code and level.

    A group's `contains` beside a single member's leaves the others as that says: "AW contains, UW
    contains" is wheat. Alone it stands for each of them. Of two levels for one flag the higher
    holds, and a group that is free frees no member that is named.
    """
    codes, levels = allergen_codes(), code_levels()
    single: dict[str, Level] = {}
    grouped: list[tuple[AllergenCode, Level]] = []
    unknown: list[str] = []
    for code, word in given:
        entry, level = codes.get(code.upper()), levels.get(word.upper())
        if entry is None or level is None:
            unknown.append(f"{code} {word}")
        elif entry.group:
            grouped.append((entry, level))
        else:
            for flag in entry.flags:
                single[flag] = max(level, single.get(flag, Level.FREE))
    found = dict(single)
    for entry, level in grouped:
        named = [flag for flag in entry.flags if single.get(flag, Level.FREE) >= level]
        if level > Level.FREE and named:
            continue
        for flag in entry.flags:
            found[flag] = max(level, found.get(flag, Level.FREE))
    return Decoded(found, tuple(unknown))


def encoded(levels: dict[str, Level]) -> list[tuple[str, str]]:
    """The pairs of code and level for some flags; flags without a code of their own have none."""
    word = {level: name for name, level in code_levels().items()}
    by_flag: dict[str, str] = {}
    for code in allergen_codes().values():
        if not code.group:
            by_flag.setdefault(code.flags[0], code.code)
    return [
        (by_flag[flag], word[level])
        for flag, level in levels.items()
        if flag in by_flag and level in word
    ]
