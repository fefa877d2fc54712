"""What is to be asked of an amount: where a word of it was not understood, or means two things."""

import re
from collections.abc import Mapping

from yellow_ladle.core.amounts.beginnings import (
    beginnings,
    begins_with_number,
    goes_on,
    is_name,
    is_sizeless,
)
from yellow_ladle.core.amounts.misspelt import looks_like_a_measure, names_goods
from yellow_ladle.core.amounts.number_words import ARTICLES
from yellow_ladle.core.amounts.phrases import AND_MORE, CONTAINER, EACH_OF, SIZES, SOME, TEMPERATURE
from yellow_ladle.core.amounts.understood import SIZELESS, UNREAD, UNSURE
from yellow_ladle.core.vocabulary.units import Unit, uncounted_classes
from yellow_ladle.core.words.class_names import class_of_name
from yellow_ladle.core.words.likeness import turned

_MEASURES_FROM = 4
"""Letters from which on the beginning of a word is taken for a measure: `litres` in `litrefuls`."""
_TWO_AMOUNTS = re.compile(r"[:;=+/]\s*\d|[^\W\d]{6}\.\s+[^\W\d]")
"""A second amount or sentence within a name: `1 l water : 50 g salt`."""
_NOTHING = re.compile(r"0+(?:[.,]0+)?(?![\d.,/])")
_SHORT_MEASURES = ("cup", "tsp", "tbs", "tbsp")


def doubt_of(
    plain: str,
    at: int,
    unit: str | None,
    item: str,
    known: Mapping[str, Unit],
    words: Mapping[str, str],
) -> str:
    """What is to be asked where words of the amount are left over before the item.

    `words` are those of the known units, each with the unit's id.
    """
    rest = plain[at:]
    text = plain[:60]
    if TEMPERATURE.match(plain) or (unit is None and item and _NOTHING.match(plain)):
        return UNSURE.format(text=text)
    if unit is not None:
        if AND_MORE.match(rest):
            return UNSURE.format(text=text)
        more = any(
            goes_on(left) or _measures(left, known, words) or EACH_OF.match(left)
            for left in (rest, item)
        )
        more = more or _TWO_AMOUNTS.search(item) is not None
        more = more or (unit in known and item.lower().startswith(known[unit].asks_before))
        return UNSURE.format(text=text) if more else ""
    if goes_on(item) or _measures(item, known, words):
        return UNSURE.format(text=text)
    if not rest.strip() and plain.lower() in ARTICLES:
        return UNREAD.format(text=text)
    if is_sizeless(rest.lstrip() or item) or _is_uncounted(item) or _TWO_AMOUNTS.search(item):
        return UNSURE.format(text=text)
    sized = SIZES.match(rest.lstrip())
    rest = rest.lstrip()[sized.end() :] if sized else rest
    if (container := CONTAINER.match(rest) or CONTAINER.match(item)) is not None:
        return SIZELESS.format(what=container["what"].lower())
    glued = at > 0 and plain[at - 1].isdigit() and rest[:1].isalpha()
    if re.match(r"\s*\d+-", rest) and begins_with_number(rest.lstrip()):
        return ""
    if glued or re.match(r"\s*(?:%|\d|of\s+an?\b|[/×*=])", rest, re.I):
        return UNSURE.format(text=text)
    word = re.match(r"\s*([^\W\d_]+)", rest)
    if word is None:
        return ""
    first = word[1].lower()
    if len(first) == 1 or first in SOME:
        return UNSURE.format(text=text)
    begins = any(
        first.startswith(measure)
        for measure in words
        if known[words[measure]].kind != "piece"
        and (len(measure) >= _MEASURES_FROM or measure in _SHORT_MEASURES)
    )
    measures = (m for m in words if known[words[m]].kind != "piece")
    # Of what is only counted, the words are too like others to ask about every letter.
    asks = looks_like_a_measure(first, measures) or (
        (begins or any(turned(first, measure) for measure in words)) and not names_goods(first)
    )
    return UNSURE.format(text=text) if asks else ""


def _is_uncounted(item: str) -> bool:
    """Whether a bare number before a name counts nothing: the 400 of "400 milk"."""
    guess = class_of_name(item)
    return guess.certain and guess.class_ in uncounted_classes()


def _measures(rest: str, known: Mapping[str, Unit], words: Mapping[str, str]) -> bool:
    """Whether what is left begins with one more measure; gram flour is a name."""
    for word, end in beginnings(rest, 0):
        unit = known.get(words.get(word, ""))
        if unit is not None and is_name(unit, rest[end:]):
            continue
        if unit is not None and unit.kind != "piece" and unit.size:
            return not class_of_name(rest).certain
    return False
