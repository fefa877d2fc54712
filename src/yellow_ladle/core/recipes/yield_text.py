"""For how many a recipe is, or how much it makes: `Serves 4-6`, `makes about 1 litre`."""

import re
from dataclasses import dataclass
from functools import lru_cache

from yellow_ladle.core.amounts.grammar import understand
from yellow_ladle.core.amounts.numerals import number_at
from yellow_ladle.core.book.book import Yield
from yellow_ladle.core.recipes.recipe_words import beginning, listed
from yellow_ladle.core.recipes.step_minutes import minutes_of_step
from yellow_ladle.core.vocabulary.units import shipped_units
from yellow_ladle.core.words.class_names import class_of_name
from yellow_ladle.core.words.likeness import nearest

_LEAD = re.compile(
    r"^\s*(?:about|approx\.?|ca\.?|etwa|environ|env\.?|unos|circa|up to|\()\s*", re.I
)
_BRACKETED = re.compile(r"\s*\(([^()]*)\)\s*$")
_DASHED = re.compile(r"\s+[-–—·•|/]{1,3}\s+(?=\S)|\s*,\s+(?=\S)|\s{2,}|\t")
_FOR = re.compile(
    r"(?<=\s)(?:for|pour|für|f\.|para|per)\s+(?!(?:an?|une?|eine?|una)\s)(?=[^\W_]+(?:\s[^\W\d_]+)?$)",
    re.I,
)
_TIMES = re.compile(r"\s+[x×]\s?(\d{1,4})$", re.I)
_ABOUT_AFTER = re.compile(r"\s(?:environ|approx\.?|aprox\.?|circa|ca\.?|or so|about)$", re.I)
_BESIDES = re.compile(r"(?<=\d)\s+(?:as|for|or)\s", re.I)
_LAST_AMOUNT = re.compile(r"(?<=[)\w])\s+(\d[\d.,]*\s?(?:kg|l|lt|ltr|litres?|liters?|L|qt|gal))$")
_SENTENCE = re.compile(r"(?<=[.!?;])\s+")
_NAME_ENDS = re.compile(r"(?<=[^\W\d_]{3}[.!?])\s+")
_MAKES = re.compile(r"(?:makes|yields?|gives|donne|ergibt|rinde|resa|batch|quantity)(?!\w)", re.I)
_NUMBERED = re.compile(r"batch\s*(?:no\.?|nr\.?|number|#)?\s*\d{1,4}[a-z]?", re.I)
"""The number of a trial, `batch 4`, says for how many as little as a page does."""
_SIZE = re.compile(r"\b\d+(?:[.,/]\d+)?[- ]?(?:cm|mm|inch(?:es)?|in\b|\")[- ]*", re.I)
_FOR_ONE = re.compile(
    r"(?:per|for one|pro|par|por) (?:portion|person|serving|cover|guest|personne|couvert|ración"
    r"|persona|porzione)",
    re.I,
)
_EACH_SIZE = re.compile(r"(?<=\w)\s*\((?:of |à |de |je |da |di )?\d[^()]*\)\s*$", re.I)
MIN_MISTYPED, NEAR_WORD = 7, 0.85
"""Letters of a word for guests that may be mistyped, and how near (0 to 1) it then has to be."""
MAX_WORDS = 6
"""Words that may follow the number of a yield: `8 servings as a starter`."""


@dataclass(frozen=True, slots=True)
class Told:
    """A yield as written, with what was understood of it."""

    text: str
    portions: float | None = None
    yield_: Yield | None = None


@lru_cache(maxsize=4096)
def yield_of(text: str, *, bare: bool = False) -> Told | None:
    """What a text says that is a yield and nothing else; None where it is none.

    It names the guests or begins as yields do; with `bare` an amount by itself is one, too.
    """
    if _NUMBERED.fullmatch(text.strip(" .*_#()[]")):
        return None
    if _FOR_ONE.fullmatch(text.strip(" .*_#()[]")):
        return Told(text.strip(), 1.0)
    if (each := _EACH_SIZE.search(text)) is not None:
        text = text[: each.start()]
    plain = re.sub(r"^[x×]\s*(?=\d+$)", "for ", text.strip(" .*_#()[]"))
    # "Per 6/8 persone" are six to eight, and no fraction.
    plain = re.sub(r"(?<![\d/])([2-9]|\d\d)\s*/\s*(\d{1,2})(?![\d/])", r"\1-\2", plain)
    lead = beginning("yields", "before").match(plain)
    if lead is None and (joined := re.match(r"(?:serves|servs|serve)(?=\d)", plain, re.I)):
        lead = joined
    if lead is None and (typed := re.match(r"serv\w{0,3}\s+(?=\d)", plain, re.I)):
        lead = typed
    rest = plain if lead is None else plain[lead.end() :]
    rest = rest.strip(" :,.*_")
    if _MAKES.match(plain):
        rest = _SIZE.sub("", rest)
    second = beginning("yields", "before").match(rest) if lead is not None else None
    if second is not None:
        rest = rest[second.end() :].strip(" :.*_")
    about = _LEAD.match(rest) is not None
    rest = _ABOUT_AFTER.sub("", _LEAD.sub("", rest))
    weak = lead is None or lead[0].lower() in listed("yields", "weak")
    if not weak:
        # "Feeds 4 as a side or 2 for supper"
        rest = _BESIDES.split(rest, maxsplit=1)[0]
    if minutes_of_step(rest) is not None or number_at(rest, 0) is None:
        return None
    found = understand(rest)
    if (
        found.quantity is None
        or len(found.item.split()) > MAX_WORDS
        or re.search(r"\d", found.item)
    ):
        return None
    people = found.unit == "portion" or (found.unit == "piece" and _names_people(found.item))
    if not people and lead is None and not bare:
        return None
    _, _, behind = found.item.partition(" ")
    last = found.item.lower().strip(".").rpartition(" ")[2]
    filled = last in listed("yields", "vessels") or (about and len(found.item.split()) == 1)
    if behind and not filled and class_of_name(behind).certain:
        # "2 parts sugar" is no yield.
        return None
    counted = not found.item and re.search(r"[^\W\d_]", rest)
    low = found.quantity if found.low is None else found.low
    if people:
        return Told(text.strip(), low)
    if found.unit == "piece" and lead is not None:
        pieces = rest.lower().rstrip(".").rpartition(" ")[2] in shipped_units()["piece"].words
        makes = _MAKES.match(plain) is not None or pieces
        if weak and found.item and not filled:
            bracket = _BRACKETED.search(plain)
            return yield_of(bracket[1]) if bracket else None
        return Told(text.strip(), None, Yield(low, "piece")) if makes else Told(text.strip(), low)
    if bare and found.unit == "piece" and (counted or filled):
        return Told(text.strip(), None, Yield(low, "piece"))
    if found.unit is None or found.unit in ("portion", "piece") or (found.item and not filled):
        return None
    return Told(text.strip(), None, Yield(low, found.unit))


def yield_said_in(text: str) -> Told | None:
    """The yield that one of several sentences is: `A family favourite. Serves 6.`"""
    sentences = _SENTENCE.split(text)
    return next(filter(None, map(yield_of, sentences)), None) if len(sentences) > 1 else None


@lru_cache(maxsize=4096)
def apart(title: str) -> tuple[str, Told | None]:
    """A title without the yield that stands at its end, and the yield."""
    bracket = _BRACKETED.search(title)
    if bracket is not None and (told := yield_of(bracket[1], bare=True)) is not None:
        return title[: bracket.start()].strip(" -–—,:"), told
    if bracket is not None and (told := _told_in(bracket[1])) is not None:
        # What else the bracket says belongs to the name.
        return title.strip(), told
    for gap in (*_DASHED.finditer(title), *_NAME_ENDS.finditer(title)):
        told = yield_of(_BRACKETED.sub("", title[gap.end() :]), bare=True)
        if told is not None:
            return title[: gap.start()].strip(" -–—,:."), told
    if (times := _TIMES.search(title)) is not None:
        return title[: times.start()].strip(" -–—,:"), Told(times[0].strip(), float(times[1]))
    last = _LAST_AMOUNT.search(title)
    if last is not None and (told := yield_of(last[1], bare=True)) is not None:
        return title[: last.start()].strip(" -–—,:"), told
    told = next(filter(None, (yield_of(title[n.start() :]) for n in _FOR.finditer(title))), None)
    # "Fish pie for twelve" is a name, and says for how many it is.
    return title.strip(), told


def _told_in(text: str) -> Told | None:
    """The yield among what a bracket says: `basic recipe, makes 600 g`, `starter for 8`."""
    parts = re.split(r"[,;]\s+", text)
    ends = (text[found.start() :] for found in _FOR.finditer(text))
    told = filter(None, map(yield_of, (*(parts if len(parts) > 1 else ()), *ends)))
    return next(told, None)


def _names_people(item: str) -> bool:
    first = item.split(maxsplit=1)[0].lower().strip(".,") if item else ""
    if first in listed("yields", "people"):
        return True
    return (
        len(first) >= MIN_MISTYPED
        and nearest(first, listed("yields", "people"), NEAR_WORD) is not None
    )
