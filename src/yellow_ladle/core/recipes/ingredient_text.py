"""An ingredient line as recipes write it, understood: also the item first, also in a table's row.

The grammar of amounts is core/amounts; what is here is the order in which a line tells them.
"""

import re
from collections.abc import Mapping
from dataclasses import replace
from functools import cache, lru_cache

from yellow_ladle.core.amounts.beginnings import at_comma, begins_with_number
from yellow_ladle.core.amounts.grammar import MAX_TYPED, too_long, understand
from yellow_ladle.core.amounts.numerals import number_at
from yellow_ladle.core.amounts.phrases import ABOUT
from yellow_ladle.core.amounts.understood import UNSURE, Understood
from yellow_ladle.core.recipes.recipe_words import listed
from yellow_ladle.core.recipes.told_steps import tells_to_do, tells_to_do_in_any_language
from yellow_ladle.core.vocabulary.units import Spoons, Unit, shipped_units
from yellow_ladle.core.words.class_names import class_of_name

BULLETS = "•*-–—·▪◦‣+□☐✓"
_BULLET = re.compile(rf"^\s*[{re.escape(BULLETS)}]+\s+|^\s*•\s*")
DIGIT = "[\\d¼½¾⅓⅔⅛]"
_CHECK_BOX = re.compile(r"^\s*\[[ xX]?\]\s*")
_BETWEEN = re.compile(r"\s*(?:\.{2,}|…+|\t+|\s{2,}|:|\s[-–—=]\s|\|)\s*")
_LAST_ARTICLE = re.compile(r"\s(?=(?:an?|un[aeo]?|eine?)\s(?:\s*[^\W\d_]+\.?){0,4}$)", re.I)
_AMOUNT_AT = re.compile(rf"\s(?={DIGIT})")
_BARE_COUNT = re.compile(
    r"(?!(?:see|voir|siehe|ver|vedi|day|step|part|no|nr|tag|jour|día|giorno|teil)\b)"
    r"(?!.*\b(?:page|seite|página|pagina)\b)"
    r"(?P<item>[^\W\d_]+(?:\s[^\W\d_]+){0,2})\s(?P<count>[1-9]\d{0,4})$",
    re.I,
)
_BRACKETED = re.compile(
    r"(?P<item>[^\W\d][^(),;:]*?)\s*\((?P<amount>[\d¼½¾⅓⅔⅛][^()]*)\)(?P<note>,.*|)$"
)
_MIDDLE = re.compile(
    r"(?P<item>[^\W\d][^\d,;:()+&]*?)\s(?P<amount>[\d¼½¾⅓⅔⅛][\d.,/¼½¾⅓⅔⅛]*\s?[^\W\d_]+\.?)\s(?P<note>[^\d]+)$"
)
_BRACKET_LAST = re.compile(r"(?<=[^\W\d_])\s*\(([^()]*)\)\s*$")
_COUNTED = re.compile(r"[\s:]+([1-9]\d?)$")
_AND_MORE = re.compile(r"(?<=[^\W\d_])\s+(?:\+|plus)\s+(?=(?:extra\s)?[^\W\d_])", re.I)
_PACKED = re.compile(r"[\s:]+(\d+\s+[^\W\d_]+)$")
_SHARE = re.compile(r"^\d{1,3}(?:[.,]\d+)?\s?%(?:\t+|\s{2,}|\s*\|\s*)")
"""How much of the flour something is, in a column before its weight."""
_BARE_TENS = re.compile(r"(?:[2-9][05]|\d{2,}[05])")
_HUNDREDS = 3
"""Digits from which on not even "lemons 100" is a count that needs no question."""
_ABOUT_AFTER = re.compile(r"\s(?:environ|approx\.?|aprox\.?|circa|ca\.?|or so)$", re.I)
_UNIT_FIRST = re.compile(
    r"^(?P<item>|[^\W\d][^\d]*?\s)(?P<unit>(?:kg|gr?|l|lt|dl|cl|ml|pz|nr?)\b\.?)\s?"
    r"(?P<count>\d+(?:[.,/]\d+)?)(?P<rest>\s+[^\d]+|)$",
    re.I,
)
_ARTICLE_LAST = re.compile(r"\s(?:an?|un[aeo]?|eine?)\s(?:\w+\s)?[^\W\d_]+$", re.I)
_COUNT_AND_SIZE = re.compile(
    r"(?P<count>\d+)\s+(?P<size>small|medium|large|big|petits?|moyens?|gros|kleine?|mittlere?|große?|pequeñ[ao]s?"
    r"|median[ao]s?|grandes?|piccol[aei]|medi[aeo]|grand[ei])(?:\s*\((?P<weight>[^()]*)\))?",
    re.I,
)
_FORMED = re.compile(r"[1-9]\d?\s+(?P<form>[^\W\d_]+)")
_COUNTED_NAME = re.compile(r"\d+\s+(cloves)$", re.I)
_TIMES_COUNT = re.compile(r"(?P<item>[^\W\d].*?)\s*[x×]\s*(?P<count>[1-9]\d?)$", re.I)
_UNIT_TWICE = re.compile(
    r"(?P<low>\d+(?:[.,]\d+)?)\s*(?P<unit>[^\W\d_]{1,12})\.?\s*(?:-|–|to|bis|à|a)\s*"
    r"(?P<high>\d+(?:[.,]\d+)?)\s*(?P=unit)\b",
    re.I,
)
"""A range that says its unit twice: "40 g to 50 g bonito"."""
_PLUS = re.compile(r"\s+(?P<all>(?:plus|\+)\s+(?P<more>(?:\d|an? |half).*))$", re.I)
"""What comes on top of an amount: "1 l water plus 1 tbsp"."""
_OF_THE_SAME = re.compile(r"(?:for |to |more|extra|over)|$", re.I)
"""What such an addition may be called: it is no other food."""
_WHOLE_WORD_FROM = 5
"""Letters of a measure from which on it is written out: a full stop after it ends a sentence."""
_NUMBERED = re.compile(rf"{DIGIT}|half|mezz[oa]|medi[oa]|une? demi|halbe[rs]?", re.I)


def understood_line(
    text: str, known: Mapping[str, Unit] | None = None, spoons: Spoons = "us"
) -> Understood:
    """What an ingredient line says, its amount before or after its item."""
    if len(text) > MAX_TYPED:
        return too_long(text)
    if known is None:
        return _shipped_line(text, spoons)
    return _understood_line(text, known, spoons)


@lru_cache(maxsize=4096)
def _shipped_line(text: str, spoons: Spoons) -> Understood:
    """A line in the shipped units; one is asked about several times while its text is parted."""
    return _understood_line(text, None, spoons)


def _understood_line(text: str, known: Mapping[str, Unit] | None, spoons: Spoons) -> Understood:
    plain = _UNIT_TWICE.sub(r"\g<low>-\g<high> \g<unit>", without_bullet(text), count=1)
    more = _PLUS.search(plain)
    if more is not None and _OF_THE_SAME.match(understood_line(more["more"], known, spoons).item):
        found = understood_line(plain[: more.start()], known, spoons)
        if found.quantity is not None and found.item:
            return replace(found, text=text, note=_joined(found.note, more["all"]))
    if (optional := _optional().match(plain)) is not None:
        found = understood_line(plain[optional.end() :], known, spoons)
        return replace(found, text=text, note=_joined(optional[1].lower(), found.note))
    plain = _unit_behind(plain)
    found = understand(plain, known, spoons)
    if found.quantity is not None and not found.item and (named := _COUNTED_NAME.match(plain)):
        # The cloves of "12 cloves" are goods themselves.
        found = replace(found, unit="piece", item=named[1])
    if found.quantity is not None or (starts_with_amount(plain) and not begins_with_number(plain)):
        return replace(found, text=text)
    turned = (
        _item_first(plain, known, spoons)
        or amount_between(plain, known, spoons)
        or _item_first_with_note(plain, known, spoons)
        or _sizeless_last(plain, known, spoons)
    )
    return replace(turned or found, text=text)


def _joined(*said: str | None) -> str:
    """What is said of an item in several places, as one note."""
    return ", ".join(filter(None, said))


@cache
def _optional() -> re.Pattern[str]:
    return re.compile(rf"({'|'.join(map(re.escape, listed('lines', 'optional')))})\s*:\s*", re.I)


def _unit_behind(text: str) -> str:
    """A line whose unit stands before its number, turned: `Rice kg 1,5`, `g 200 of flour`."""
    found = _UNIT_FIRST.match(text)
    if found is None:
        return text
    unit = "" if found["unit"].lower().rstrip(".") in ("n", "nr") else found["unit"]
    told = (found["count"], unit, found["item"].strip(" :-–"), found["rest"].strip())
    return " ".join(filter(None, told))


def without_bullet(text: str) -> str:
    """A line without the sign that it is listed by, and without marks of emphasis."""
    plain = _CHECK_BOX.sub("", _BULLET.sub("", text, count=1), count=1)
    return re.sub(r"\*\*|__|(?<!\w)[*_](?=\w)|(?<=\w)[*_](?!\w)", "", plain).strip()


def is_bulleted(text: str) -> bool:
    """Whether a line is listed by a sign."""
    return _BULLET.match(text) is not None or _CHECK_BOX.match(text) is not None


def starts_with_digit(text: str) -> bool:
    """Whether a text begins with a digit or a fraction in one sign."""
    return re.match(DIGIT, text) is not None


def starts_with_amount(text: str) -> bool:
    """Whether a line begins with a number, in digits or with a measure after a word."""
    if re.match(rf"\s*(?:~|ca\.?\s*)?{DIGIT}", text):
        return True
    found = understand(text)
    return found.quantity is not None and bool(found.item)


def is_amount(text: str, known: Mapping[str, Unit] | None = None) -> Understood | None:
    """What a text says that is an amount and nothing else; None for anything more or less."""
    found = understand(text, known)
    whole = found.quantity is not None and not found.item and not found.question
    return found if whole else None


def is_abbreviation(word: str) -> bool:
    """Whether a word before a full stop is a measure, so that the stop ends no sentence: `oz.`"""
    unit = word.lower()
    amount = is_amount(f"2 {unit}") if len(unit) < _WHOLE_WORD_FROM else None
    return amount is not None and shipped_units()[amount.unit or ""].size is not None


def has_amount_after_gap(text: str) -> bool:
    """Whether a line ends in an amount that a sign parts from its item: `Flour: 250 g`."""
    return any(is_amount(text[gap.end() :]) is not None for gap in _BETWEEN.finditer(text))


def is_optional(text: str) -> bool:
    """Whether a line says that it may be left out."""
    told = text.lower()
    return any(
        re.search(rf"(?<!\w){re.escape(word)}(?!\w)", told) for word in listed("lines", "optional")
    )


def _item_first(text: str, known: Mapping[str, Unit] | None, spoons: Spoons) -> Understood | None:
    """`Butter ..... 100 g`, `Flour: 250 g`, `Carrots 2 kg`, with the amount at the end."""
    if (bracketed := _BRACKETED.match(text)) is not None:
        note = bracketed["note"].strip(" ,")
        item, amount = bracketed["item"], bracketed["amount"]
        if (counted := _COUNTED.search(item)) is not None:
            found = _turned(item[: counted.start()], counted[1], known, spoons, bare=True)
            return found and replace(found, note=_joined(found.note, amount, note))
        if (packed := _PACKED.search(item)) is not None:
            # "Wine 2 bottles (75 cl)" is twice as much as the bracket says.
            item, amount = item[: packed.start()], f"{packed[1]} ({amount})"
        found = _turned(item, amount, known, spoons, bare=True)
        return found and replace(found, note=note or found.note)
    for gap in _BETWEEN.finditer(text):
        amount, note = _without_bracket(_SHARE.sub("", text[gap.end() :], count=1))
        asked = understand(amount, known, spoons)
        if asked.question and number_at(amount, 0) is not None and text[: gap.start()].strip():
            return replace(asked, item=text[: gap.start()].strip(), note=note.strip())
        amount, how = _without_size(amount.strip(), known)
        found = _turned(text[: gap.start()], amount, known, spoons, bare=True)
        if found is not None:
            return replace(found, note=_joined(found.note, how, note.strip()))
    middle = _MIDDLE.match(text)
    if middle is not None and _is_goods_last(middle["item"], middle["note"]):
        # In "brimming 2 cups flour" the flour is what there is so much of.
        found = understand(f"{middle['amount']} {middle['note']}", known, spoons)
        return replace(found, note=_joined(middle["item"], found.note))
    if middle is not None and not tells_to_do(text) and not ABOUT.match(text):
        found = _turned(middle["item"], middle["amount"], known, spoons)
        if found is not None and found.unit is not None:
            return replace(found, note=_joined(middle["note"].strip(" ,()"), found.note))
    sized = _COUNT_AND_SIZE.search(text)
    if sized is not None and sized.end() == len(text) and text[: sized.start()].strip():
        found = _turned(text[: sized.start()].strip(), sized["count"], known, spoons, bare=True)
        return found and replace(found, note=sized["size"].lower())
    counted = _TIMES_COUNT.match(text) or _BARE_COUNT.match(text)
    if counted is not None and not re.search(r"\d", counted["item"]):
        return _turned(counted["item"], counted["count"], known, spoons, bare=True)
    ends = (
        _turned(text[: last.start()], text[last.end() :], known, spoons)
        for last in (*_AMOUNT_AT.finditer(text), *_LAST_ARTICLE.finditer(text))
    )
    return next(filter(None, ends), None)


def _is_goods_last(first: str, last: str) -> bool:
    """Whether only the last of two parts of a line names goods that are known."""
    told = tells_to_do_in_any_language(f"{first} {last}")
    return not told and class_of_name(last).certain and not class_of_name(first).certain


def _without_bracket(text: str) -> tuple[str, str]:
    """A text up to its first comma, and what is said after it or in a bracket at its end."""
    amount, _, note = at_comma(text)
    if (more := _AND_MORE.search(amount)) is not None:
        amount, note = amount[: more.start()], _joined(amount[more.start() :].strip(), note)
    bracket = _BRACKET_LAST.search(amount)
    if bracket is None or is_amount(amount) is not None:
        return amount, note
    return amount[: bracket.start()], _joined(bracket[1].strip(), note.strip())


def _without_size(amount: str, known: Mapping[str, Unit] | None) -> tuple[str, str]:
    """A count without the word behind it that says what kind of piece: `12 slim`."""
    told = re.fullmatch(r"(\d{1,2})\s+([^\W\d_]+)", amount)
    if told is None or is_amount(amount, known) is not None or understand(amount, known).question:
        return amount, ""
    return told[1], told[2]


def _item_first_with_note(
    text: str, known: Mapping[str, Unit] | None, spoons: Spoons
) -> Understood | None:
    """`Mushrooms 1 kg, finely chopped`, `Onion 1 large (200 g)`."""
    told, note = _without_bracket(text)
    found = _item_first(told, known, spoons) if note else None
    return found and replace(found, note=_joined(found.note, note.strip()))


def _sizeless_last(
    text: str, known: Mapping[str, Unit] | None, spoons: Spoons
) -> Understood | None:
    """`Parsley a handful`: asked, as nobody knows how much that is; `cumin pinch` is one pinch."""
    item, _, word = text.rpartition(" ")
    if item and word.lower() in shipped_units()["pinch"].words:
        return understand(f"1 {word} {item}", known, spoons)
    last = _ARTICLE_LAST.search(text) if "," not in text else None
    told = understand(text[last.start() :].strip(), known, spoons) if last else None
    return replace(told, item=text[: last.start()]) if last and told and told.question else None


def amount_between(
    text: str, known: Mapping[str, Unit] | None = None, spoons: Spoons = "us"
) -> Understood | None:
    """`Walnuts, 120 g, toasted`: the amount after the first comma, and what is said of the item."""
    item, comma, rest = text.partition(", ")
    amount, _, note = rest.partition(", ")
    told = understand(amount, known, spoons)
    counted = re.fullmatch(rf"{DIGIT}[\d/.,]*", amount) is not None
    whole = told.quantity is not None and not told.item and (told.unit != "piece" or counted)
    asked = bool(told.question) and _NUMBERED.match(amount) is not None
    sized = _COUNT_AND_SIZE.fullmatch(amount)
    if sized is not None:
        note = _joined(sized["size"], sized["weight"], note)
        amount, whole = sized["count"], True
    if not comma or re.search(r"\d", re.sub(r"\([^()]*\)", "", item)) or not (whole or asked):
        return None
    if asked:
        return replace(told, item=item.strip(), note=note.strip())
    return understand(f"{amount} {item}, {note}" if note else f"{amount} {item}", known, spoons)


def _turned(
    item: str,
    amount: str,
    known: Mapping[str, Unit] | None,
    spoons: Spoons,
    *,
    bare: bool = False,
) -> Understood | None:
    amount = _ABOUT_AFTER.sub("", amount)
    told = is_amount(amount, known)
    formed = _FORMED.fullmatch(amount)
    if formed is not None and formed["form"].lower() in listed("lines", "forms"):
        # "Vanilla: 1 pod" is one piece, whatever else the word of its form measures.
        found = understand(f"{amount} {item}", known, spoons)
        if found.unit == "piece" and not found.question:
            return replace(found, item=item.strip(), note=_joined(formed["form"], found.note))
    several = re.search(r"[^\W\d]{3}s\b", item) is not None and len(amount) < _HUNDREDS
    if told is not None and told.unit == "piece" and _BARE_TENS.fullmatch(amount) and not several:
        # "Mirin 50" is fifty of something that nobody named.
        whole = f"{item.strip()} {amount}"
        return Understood(whole, item=item.strip(), question=UNSURE.format(text=whole))
    named = re.fullmatch(rf"{DIGIT}.*[^\W\d_]{{2}}\.?", amount)
    counted = told is not None and told.unit == "piece" and named is None
    if told is None or not re.search(r"[^\W\d_]", item) or (counted and not bare):
        return None
    found = understand(f"{amount} {item}", known, spoons)
    # Read together they must say of the amount what it says alone.
    same = found.unit == told.unit or (told.unit == "stick" and found.unit == "piece")
    return found if same or found.question or spoons != "us" else None
