"""Ingredients that are listed on one line: `100 g butter, 100 g flour, salt`."""

import re
from functools import lru_cache

from yellow_ladle.core.amounts.grammar import understand
from yellow_ladle.core.amounts.phrases import ABOUT, EACH, NO_AMOUNT, TEMPERATURE
from yellow_ladle.core.recipes.ingredient_text import (
    DIGIT,
    amount_between,
    starts_with_digit,
    understood_line,
)
from yellow_ladle.core.recipes.recipe_words import beginning, listed
from yellow_ladle.core.recipes.step_minutes import minutes_of_step
from yellow_ladle.core.recipes.told_steps import tells_to_do_in_any_language
from yellow_ladle.core.words.class_names import class_of_name

_SIGNS_BETWEEN = tuple(map(re.compile, (r"\t", r"\s[/·|+—–]\s", r";\s*", r",\s+")))
_OF_SOME = re.compile(r"(?:an?\s)?[^\W\d_]+\s(?:of|de|di|von|d['’])", re.I)
_HALF = r"half\san?\s|(?:une?\s)?demie?[\s-]|(?:eine?\s)?halbe[rs]?\s|medi[oa]\s|mezz[oa]\s"
_OF_FRUIT = re.compile(
    r"(?:(?:the|le|la|les|el|il|lo) |l['’])?(?:(?:finely |freshly )?grated )?"
    r"(?:juice|zest|rind|peel|jus|zestes?|saft|schale|abrieb|zumo|ralladura|succo|scorza)"
    r"(?: (?:and|et|und|y|e) (?:juice|zest|jus|zeste|saft|schale|zumo|succo|scorza))?"
    r"(?: (?:of|de|von|di) | d['’]| (?=\d))",
    re.I,
)
_SOME_MORE = re.compile(
    r"(?:extra|more|some|a little|plenty of|etwas|un peu de|un poco de|un po['’] di)\s+", re.I
)
_WHAT_FOR = re.compile(
    r"\s+(?:if (?:needed|necessary|liked|you like)|(?:zum|z\.) \w+en|pour \w+(?:er|ir|re)"
    r"|para \w+[aeií]r|per \w+[aei]re)$",
    re.I,
)
_MAX_GOODS_WORDS = 3
_MIN_LIST, _MAX_LABEL_WORDS = 2, 4
_LAST_OF_LIST = re.compile(
    r"\s+(?:and|et|und|y|e)\s+(?=(?:(?:about|around|environ|etwa|unos|circa|ca\.)\s+)?\d"
    r"|an?\s|the\s|un[ea]?\s|eine?\s|l[ea]\s|el\s|den?\s)",
    re.I,
)
_AND_MORE = re.compile(r"(?:and|&|et|und|y|e)\s+", re.I)
_COMMA = re.compile(r"(?<!\d)\s*[,;]\s*|[,;]\s+")
_AND = re.compile(r"\s+(?:and|&|et|und|y|e)\s+", re.I)


def run_in(text: str) -> list[str]:
    """The ingredients of a line that lists several: `100 g butter, 100 g flour, salt`.

    Parted where an amount follows a comma; what has none stays with what is before it, but for the
    last words of a list. One text where it lists no second amount.
    """
    text = text.strip(" .")
    if amount_between(text) is not None:
        return [text]
    for sign in _SIGNS_BETWEEN:
        parts = [part.strip() for part in _outside_brackets(sign, text) if part.strip()]
        # Only a comma may part what is said of an ingredient, too.
        whole = [_is_whole(part, asked="," not in sign.pattern) for part in parts]
        if sum(whole) > 1 and all(whole):
            # "1 kg cheese, 100 g flour, 4 yolks + 4 eggs" lists by two signs.
            inner = [piece for part in parts[:-1] for piece in run_in(part)]
            return [*inner, *_last_of_list(parts[-1])]
        # What is listed last without an amount: "mustard 20 g, oil 1 l, salt, pepper".
        first = whole.index(False) if False in whole else 0
        if first > 1 and not any(whole[first:]):
            goods = [name for part in parts[first:] for name in _COMMA.split(part)]
            if all(map(is_goods, goods)):
                return [*parts[:first], *goods]
    if (listed_ := _items_first(text)) is not None:
        return listed_
    parts = []
    at = 0
    for comma in _COMMA.finditer(text):
        more = _AND_MORE.match(text, comma.end())
        begins = more.end() if more else comma.end()
        inside = _is_in_bracket(text, comma.start())
        if comma.start() > at and not inside and _opens_an_amount(text[begins:]):
            parts.append(text[at : comma.start()])
            at = begins
    parts.append(text[at:])
    if len(parts) > 1:
        parts = [piece for part in parts for piece in goods_behind(part)]
    ends = _last_of_list(parts[-1])
    if len(parts) > 1 or (len(ends) > 1 and _opens_an_amount(parts[0])):
        parts[-1:] = ends
    return [part.strip() for part in parts if part.strip()] if len(parts) > 1 else [text]


def _outside_brackets(sign: re.Pattern[str], text: str) -> list[str]:
    """A text parted at a sign that is in no bracket: `50 g flour / butter (1 stick / 113 g)`."""
    parts, at = [], 0
    for found in sign.finditer(text):
        if not _is_in_bracket(text, found.start()):
            parts.append(text[at : found.start()])
            at = found.end()
    return [*parts, text[at:]]


def _is_in_bracket(text: str, at: int) -> bool:
    return text.count("(", 0, at) > text.count(")", 0, at)


def _items_first(text: str) -> list[str] | None:
    """The ingredients of a list that tells amounts last, with what in it is not understood.

    `Onion 1 kg, chopped, garlic 100 g, tins 5 kg x2`: what is neither goods nor holds a number is
    said of the one before it. None where fewer than two tell their amount last.
    """
    pieces = [piece.strip() for piece in _outside_brackets(_COMMA, text) if piece.strip()]
    last = [_is_whole(piece) and not starts_with_digit(piece) for piece in pieces]
    if sum(last) < _MIN_LIST or not last[0]:
        return None
    found: list[str] = []
    for piece, whole in zip(pieces, last, strict=True):
        if whole or is_goods(piece) or re.search(DIGIT, piece):
            found.append(piece)
        else:
            found[-1] += f", {piece}"
    return found


def goods_behind(part: str) -> list[str]:
    """A part, and what is listed behind it without an amount: `1 tsp mace, thyme`.

    What only says how it is cut or cooked stays with it.
    """
    pieces = _outside_brackets(_COMMA, part)
    at = len(pieces)
    while at > 1 and is_goods(pieces[at - 1]):
        at -= 1
    return [", ".join(pieces[:at]), *pieces[at:]] if at < len(pieces) else [part]


@lru_cache(maxsize=4096)
def is_goods(text: str) -> bool:
    """Whether a few words are a name whose class is certain: `thyme`, and not `finely cut`.

    What is said of how much of it, or what for, does not count: `extra butter for greasing`.
    """
    text = _WHAT_FOR.sub("", NO_AMOUNT.sub("", _SOME_MORE.sub("", text.strip()))).strip()
    few = 0 < len(text.split()) <= _MAX_GOODS_WORDS and not re.search(r"\d", text)
    named = text.lower() in listed("lines", "goods")
    return few and (named or class_of_name(text).certain)


def _last_of_list(text: str) -> list[str]:
    """The last two of a list: `50 g paste and 200 g leeks`."""
    return _LAST_OF_LIST.split(text, maxsplit=1)


def _is_whole(part: str, *, asked: bool = False) -> bool:
    """Whether a part is an ingredient with its amount."""
    found = understood_line(part)
    told = re.search(DIGIT, part) or _OF_SOME.match(part) or found.unit in ("pinch", "knob")
    counted = starts_with_digit(part) or (found.unit != "piece" and bool(told))
    few = re.search(DIGIT, part) and len(re.findall(r"[^\W_]+", part)) <= _MAX_GOODS_WORDS
    told = found.quantity is not None or (asked and bool(found.question))
    return told and bool(found.item) and bool(counted or few)


def _opens_an_amount(text: str) -> bool:
    first = ABOUT.sub("", _COMMA.split(text, maxsplit=1)[0], count=1)
    if _OF_FRUIT.match(first):
        return True
    if not re.match(rf"{DIGIT}|{_HALF}|an?\s|un[ea]?\s|ein[e]?\s|handful of\s", first, re.I):
        return False
    found = understand(first)
    if EACH.search(first) or TEMPERATURE.match(first) or minutes_of_step(first) is not None:
        return False
    return bool(found.item) and (found.quantity is not None or bool(found.question))


def _is_told(part: str) -> bool:
    """Whether a part tells what to do, or how long."""
    return tells_to_do_in_any_language(part) or minutes_of_step(part) is not None


def names_in(text: str) -> list[str]:
    """The names that a text lists by commas, and by an "and" where each side is goods."""
    found: list[str] = []
    for name in re.split(r",\s+", text.strip(" .")):
        both = _AND.split(name)
        found += both if all(map(is_goods, both)) else [name]
    return found


def labelled_list(text: str) -> tuple[str, list[str]] | None:
    """The name of a part and its ingredients on one line: `Roux: 50 g butter, 50 g flour`.

    None of `Butter: 100 g soft`, where what stands before the colon is the item.
    """
    label, colon, rest = text.partition(":")
    named, rest = label.strip(" *_"), rest.strip()
    if (part := beginning("lines", "sections").match(named)) is not None:
        named = named[part.end() :].strip(" '’") or named
    short = colon and 0 < len(named.split()) <= _MAX_LABEL_WORDS
    if not short or re.search(r"\d", named):
        return None
    parts = run_in(rest)
    if not starts_with_digit(rest):
        if len(parts) > 1 and all(understood_line(part).quantity for part in parts):
            return named, parts
        names = names_in(rest)
        return (named, names) if len(names) > 1 and all(map(is_goods, names)) else None
    parts = parts if len(parts) > 1 else goods_behind(rest)
    read = [understood_line(part) for part in parts]
    understood = [
        bool(found.item and (found.quantity or found.question))
        or is_goods(part)
        or _OF_FRUIT.match(part) is not None
        for found, part in zip(read, parts, strict=True)
    ]
    # What is not understood among what is must not take the others out of the list.
    others = [part for part, known in zip(parts, understood, strict=True) if not known]
    whole = understood[0] and len(others) < len(parts) / 2 and not any(map(_is_told, others))
    item = len(parts) == 1 and (is_goods(named) or not is_goods(read[0].item))
    return (named, parts) if whole and not item else None
