"""Numbers as words: `a dozen`, `twenty-five`, `three quarters`, `half a hundred`."""

import re
from dataclasses import dataclass

from yellow_ladle.core.vocabulary.toml import number, section, table, words

_NUMBERS = section(table("amount_words")["numbers"])


def _worth(kind: str) -> dict[str, float]:
    """What each word of a kind stands for, in whatever language."""
    by_language = section(_NUMBERS[kind]).values()
    return {word: number(worth) for each in by_language for word, worth in section(each).items()}


ONES, TENS, TIMES = _worth("ones"), _worth("tens"), _worth("times")
PARTS = {word: 1 / of for word, of in _worth("parts").items()}
ARTICLES = words(_NUMBERS["articles"])
_WORD = re.compile(r"([^\W\d_]+)(?:(?=[\s,;)]|$)|-(?=[^\W\d_]))", re.UNICODE)
_GAP = re.compile(r"\s+")
_AND_A_PART = re.compile(r"(?:and an?|y|et|e|und(?:\s+eine?)?)\s+([^\W\d_]+)(?=\s|$)", re.I)


@dataclass(frozen=True, slots=True)
class Words:
    """A number in words, and where it ends."""

    value: float
    end: int


def times_at(text: str, at: int) -> Words | None:
    """What a number is taken times: the `dozen` of `2 dozen`."""
    found = _WORD.match(text, at)
    times = TIMES.get(found[1].lower()) if found else None
    return None if found is None or times is None else Words(times, _after(text, found.end()))


def words_at(text: str, at: int) -> Words | None:
    """The number in words that begins at a place, as long as it can be."""
    total: float | None = None
    ended = at
    while (found := _WORD.match(text, at)) is not None:
        word = found[1].lower()
        following = _counted(total, word, ended == at or total is None)
        if following is None and word in ARTICLES and total is not None and total < 1:
            # The article of "half a dozen" counts nothing itself.
            beyond = _WORD.match(text, _after(text, found.end()))
            at = _after(text, found.end())
            if beyond is not None and beyond[1].lower() in (*TIMES, *PARTS):
                continue
            ended = at
            break
        if following is None and word == "and" and (total or 0) >= 100:
            beyond = _WORD.match(text, _after(text, found.end()))
            if beyond is not None and beyond[1].lower() in (*TENS, *(set(ONES) - set(ARTICLES))):
                at = _after(text, found.end())
                continue
        if following is None:
            break
        total, at = following, _after(text, found.end())
        ended = at
    if total is None:
        return None
    part = _AND_A_PART.match(text, ended)
    if part is not None and part[1].lower() in PARTS and total >= 1:
        return Words(total + PARTS[part[1].lower()], _after(text, part.end()))
    return Words(total, ended)


def part_at(text: str, at: int) -> Words | None:
    """The half of `a litre and a half`, after its unit."""
    found = _AND_A_PART.match(text, at)
    if found is None or found[1].lower() not in PARTS:
        return None
    return Words(PARTS[found[1].lower()], _after(text, found.end()))


def _counted(total: float | None, word: str, first: bool) -> float | None:
    """A number with one word more; None where the word does not go on with it."""
    if word in TIMES:
        return TIMES[word] if total is None else total * TIMES[word]
    if word in PARTS:
        return PARTS[word] if total is None else total * PARTS[word]
    if word in TENS and (total is None or total >= 100):
        return (total or 0) + TENS[word]
    if word in ONES and word not in ARTICLES and total is not None and total in TENS.values():
        return total + ONES[word]
    if word in ONES and word not in ARTICLES and total is not None and total >= 100:
        return total + ONES[word]
    if word in ONES and total is None and first:
        return ONES[word]
    return None


def _after(text: str, at: int) -> int:
    gap = _GAP.match(text, at)
    return gap.end() if gap else at
