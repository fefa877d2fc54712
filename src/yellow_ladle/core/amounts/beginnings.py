"""What a text begins with: a measure, one that has no size, a name, more of an amount."""

import re
from functools import lru_cache

from yellow_ladle.core.amounts.number_words import times_at
from yellow_ladle.core.amounts.numerals import GLYPHS
from yellow_ladle.core.amounts.phrases import OF, SIZES, WORD
from yellow_ladle.core.vocabulary.units import (
    Unit,
    not_measured_in,
    shares,
    shipped_units,
    sizeless_measures,
)

_NUMBERED_NAME = re.compile(
    r"(?:0{2,3}\s+|\d{1,2}(?:[.,]\d)?\s?%\s+)(?=[^\W\d_]{3})"
    r"|\d{1,2}-(?P<word>[^\W\d_]{3,})"
)
MAX_UNIT_WORDS = 4


def at_comma(text: str) -> tuple[str, str, str]:
    """A text parted at its first comma that is none of a number and in no bracket."""
    depth = 0
    for at, sign in enumerate(text):
        depth += (sign == "(") - (sign == ")")
        of_number = text[at - 1 : at].isdigit() and text[at + 1 : at + 2].isdigit()
        if sign == "," and depth <= 0 and not of_number:
            return text[:at], ",", text[at + 1 :]
    return text, "", ""


def is_name(unit: Unit, rest: str) -> bool:
    """Whether the word of a unit is a part of a name here: the noix of noix de muscade."""
    words = OF.sub("", rest.strip(), count=1).lower()
    return bool(unit.not_before) and words.startswith(unit.not_before)


def is_sizeless(words: str) -> bool:
    """Whether words begin with a measure whose size nobody wrote: a splash, a glass."""
    sized = SIZES.match(words)
    for begins, end in beginnings(words, sized.end() if sized else 0):
        after = words[end:].lower().lstrip()
        if begins in sizeless_measures() or (after and begins in shares()):
            return not after.startswith(not_measured_in())
    return False


def goes_on(words: str) -> bool:
    """Whether words begin with more of an amount: a number, a per cent sign, a dozen."""
    if begins_with_number(words.lstrip()):
        return False
    return bool(re.match(rf"\s*[\d{GLYPHS}/%*=×-]", words) or times_at(words, 0))


def begins_with_number(name: str) -> bool:
    """Whether a name begins with a number: `00 flour`, `70% chocolate`, `7-spice powder`."""
    found = _NUMBERED_NAME.match(name)
    if found is None:
        return False
    joined = (found["word"] or "").lower()
    return not any(joined in unit.words for unit in shipped_units().values())


def beginnings(text: str, at: int) -> list[tuple[str, int]]:
    """`fl oz milk`, `fl oz`, `fl` of `fl. oz. milk`: beginnings with their ends, longest first."""
    found: list[tuple[str, int]] = []
    words: list[str] = []
    while len(words) < MAX_UNIT_WORDS and (word := WORD.match(text, at)) is not None:
        words.append(word[0].rstrip(".").lower())
        found.append((" ".join(words), word.end()))
        gap = re.compile(r"\s?").match(text, word.end())
        at = gap.end() if gap else word.end()
    return found[::-1]


@lru_cache(maxsize=64)
def words_of(known: tuple[Unit, ...]) -> dict[str, str]:
    """Every word of some units, in lower case, with the unit's id."""
    return {word.lower(): unit.id for unit in known for word in (*unit.words, unit.id)}
