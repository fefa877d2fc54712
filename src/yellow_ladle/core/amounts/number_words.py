"""Numbers as words: `a dozen`, `twenty-five`, `three quarters`, `half a hundred`."""

import re
from dataclasses import dataclass

ONES = {
    **{"a": 1, "an": 1, "one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6},
    **{"seven": 7, "eight": 8, "nine": 9, "ten": 10, "eleven": 11, "twelve": 12},
    **{"thirteen": 13, "fourteen": 14, "fifteen": 15, "sixteen": 16, "seventeen": 17},
    **{"eighteen": 18, "nineteen": 19},
    **{"un": 1, "une": 1, "una": 1, "uno": 1, "ein": 1, "eine": 1, "einen": 1, "zwei": 2},
    **{"drei": 3, "vier": 4, "fünf": 5, "sechs": 6, "sieben": 7, "acht": 8, "neun": 9, "zehn": 10},
    **{"zwölf": 12, "deux": 2, "trois": 3, "quatre": 4, "cinq": 5, "sept": 7, "huit": 8, "neuf": 9},
    **{"dix": 10, "douze": 12, "dos": 2, "tres": 3, "cuatro": 4, "cinco": 5, "seis": 6, "siete": 7},
    **{"ocho": 8, "nueve": 9, "diez": 10, "doce": 12, "due": 2, "tre": 3, "quattro": 4},
    **{"cinque": 5, "sei": 6, "sette": 7, "otto": 8, "nove": 9, "dieci": 10, "dodici": 12},
}
TENS = {
    **{"twenty": 20, "thirty": 30, "forty": 40, "fifty": 50, "sixty": 60, "seventy": 70},
    **{"eighty": 80, "ninety": 90},
}
TIMES = {
    **{"hundred": 100, "thousand": 1000, "dozen": 12, "dozens": 12, "doz": 12, "dz": 12},
    **{"dutzend": 12, "douzaine": 12, "docena": 12, "dozzina": 12},
}
PARTS = {
    **{"half": 1 / 2, "halves": 1 / 2, "third": 1 / 3, "thirds": 1 / 3},
    **{"quarter": 1 / 4, "quarters": 1 / 4, "eighth": 1 / 8, "eighths": 1 / 8},
    **{"halbe": 1 / 2, "halber": 1 / 2, "halbes": 1 / 2, "demi": 1 / 2, "demie": 1 / 2},
    **{"halb": 1 / 2, "medio": 1 / 2, "media": 1 / 2, "mezzo": 1 / 2, "mezza": 1 / 2},
}
_WORD = re.compile(r"([^\W\d_]+)(?:(?=[\s,;)]|$)|-(?=[^\W\d_]))", re.UNICODE)
_GAP = re.compile(r"\s+")
_AND_A_PART = re.compile(r"(?:and an?|y|et|e|und(?:\s+eine?)?)\s+([^\W\d_]+)(?=\s|$)", re.I)
ARTICLES = ("a", "an")


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
        return float(ONES[word])
    return None


def _after(text: str, at: int) -> int:
    gap = _GAP.match(text, at)
    return gap.end() if gap else at
