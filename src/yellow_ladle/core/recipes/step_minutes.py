"""The minutes of a step, as its text tells them: `for 20 to 25 minutes`, `une demi-heure`."""

import re
from collections.abc import Iterator
from functools import cache

from yellow_ladle.core.amounts.numerals import number_at
from yellow_ladle.core.recipes.recipe_words import listed, phrases

_KINDS = {"seconds": 1 / 60, "minutes": 1.0, "hours": 60.0, "days": 1440.0}
MIN_MISTYPED = 5
"""Letters of the word of a time from which on it is known with two letters turned: `mintues`."""
_RANGE = re.compile(r"\s*(?:-|–|—|to|or|à|ou|bis|oder|a|o)\s*", re.I)
_AND_A_HALF = re.compile(
    r"\s*(?:and a half|et demie?|y media|e mezz[oa]|und (?:eine )?halbe?)(?!\w)", re.I
)
_MINUTES_OF_HOURS = re.compile(
    r"(\d{2})(?!\d)|\s(\d{1,2})(?![\d/]|[.,]\d|\s?(?!(?:à|au|at|in|bei|im|auf|a|en)\s)[^\W\d])",
    re.I,
)
_FROM_SLASH_TO = re.compile(r"(\d)\s*/\s*(\d{1,2})(?=\s*(?:minutes|mins|minuten|minutos|minuti)\b)")
_HEAT_AND_TIME = re.compile(r"(?<![\d.,/])(\d{2,3})\s*/\s*(?=\d)")
"""No fraction of a time: `Bake 200 / 20 min`, `Cook 10/12 min`."""
_PRIME = re.compile(r"(?<=\d)\s?['’′](?!\w)|(?<=\d)['’′](?=\s)")
_MORE = r"(?:\s(?:of an?|more|further|extra|weitere|autres|más|altri|altre))?"
_SIGNS = re.compile(r"[\d¼½¾⅓⅔⅛]|(?<![^\W\d_])[^\W\d_]")


def minutes_of_step(text: str) -> float | None:
    """The sum of all times of a step, of a range the high end; None where it tells none.

    A time that says how often something is done is no time of the step.
    """
    total, told = 0.0, False
    # In a step a stroke after a number is minutes, and "3/4 minuti" are three to four of them.
    plain = _FROM_SLASH_TO.sub(r"\1-\2", _HEAT_AND_TIME.sub(r"\1 ; ", _PRIME.sub(" min", text)))
    for pattern, minutes in phrases():
        plain, found = pattern.subn(" ; ", plain)
        total += found * minutes
        told = told or found > 0
    at = 0
    while (sign := _SIGNS.search(plain, at)) is not None:
        read = _time_at(plain, sign.start())
        if read is None:
            at = _after(plain, sign.start())
            continue
        minutes, at = read
        to = _RANGE.match(plain, at)
        high = None if to is None else _time_at(plain, to.end())
        if high is not None and high[0] >= minutes:
            minutes, at = high
        if not _often().search(plain[: sign.start()]):
            total, told = total + minutes, True
    return round(total, 3) if told else None


def _time_at(text: str, at: int) -> tuple[float, int] | None:
    number = number_at(text, at)
    if number is None:
        return None
    value, end = number.value, number.end
    ranged = _RANGE.match(text, end)
    high = None if ranged is None else number_at(text, ranged.end())
    if high is not None and high.value >= value and _unit_at(text, high.end) is not None:
        value, end = high.value, high.end
    unit = _unit_at(text, end)
    if unit is None:
        return None
    minutes, end = value * unit[0], unit[1]
    half = _AND_A_HALF.match(text, end)
    if half is not None:
        minutes, end = minutes + unit[0] / 2, half.end()
    # The minutes of "1 h 10" and "1h30" have no word of their own.
    more = _MINUTES_OF_HOURS.match(text, end) if unit[0] == _KINDS["hours"] else None
    if more is not None and int(more[0]) < 60 and _unit_at(text, more.end()) is None:
        minutes, end = minutes + int(more[0]), more.end()
    return minutes, end


def _unit_at(text: str, at: int) -> tuple[float, int] | None:
    found = _units().match(text, at)
    if found is None:
        return None
    kind = next(kind for kind in _KINDS if found[kind] is not None)
    return _KINDS[kind], found.end()


def _after(text: str, at: int) -> int:
    """Behind the word or number that begins at a place."""
    found = re.compile(r"\d+|[^\W\d_]+|.").match(text, at)
    return found.end() if found else at + 1


@cache
def _units() -> re.Pattern[str]:
    kinds = (f"(?P<{kind}>{'|'.join(_as_typed(kind))})" for kind in _KINDS)
    return re.compile(rf"{_MORE}[\s-]?(?:{'|'.join(kinds)})(?![^\W\d_])\.?", re.I)


def _as_typed(kind: str) -> Iterator[str]:
    """The words of a time, the longest first; long ones also with two letters turned."""
    for word in listed("times", kind):
        yield word
        if len(word) >= MIN_MISTYPED:
            for at in range(1, len(word) - 1):
                yield word[:at] + word[at + 1] + word[at] + word[at + 2 :]


@cache
def _often() -> re.Pattern[str]:
    return re.compile(rf"(?:{'|'.join(listed('times', 'often'))})\s*$", re.I)
