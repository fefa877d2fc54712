"""Numbers in digits: `1.5`, `1,5`, `1 1/2`, `½`; one that may be read in two ways asks."""

import re
from dataclasses import dataclass
from fractions import Fraction
from unicodedata import numeric

from yellow_ladle.core.amounts.number_words import words_at

_DIGITS = r"\d+(?:[.,]\d+)*|[.,]\d+"
GLYPHS = "¼½¾⅐⅑⅒⅓⅔⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞"
_NUMBER = re.compile(
    rf"(?P<whole>\d+)?\s*(?P<glyph>[{GLYPHS}])"
    r"|(?:(?P<mixed>\d+)(?:\s+|\s*-\s*(?=\d+/)))?(?P<top>\d+)\s*[/⁄]\s*(?P<bottom>\d+)"
    rf"|(?P<digits>{_DIGITS})"
)
_KIND_OF_FLOUR = re.compile(r"0{2,3}(?![\d.,/])")
_THOUSANDS = re.compile(r"\d{1,3}(?:[,.]\d{3})+")


@dataclass(frozen=True, slots=True)
class Number:
    """A number, where it ends in the text, and what is to be asked about it."""

    value: float
    end: int
    question: str = ""


def number_at(text: str, at: int) -> Number | None:
    """The number that begins at a place of a text, in digits or in words."""
    found = None if _KIND_OF_FLOUR.match(text, at) else _NUMBER.match(text, at)
    if found is None:
        words = words_at(text, at)
        return None if words is None else Number(words.value, words.end)
    if found["glyph"]:
        return Number(int(found["whole"] or 0) + numeric(found["glyph"]), found.end())
    if found["bottom"]:
        if int(found["bottom"]) == 0:
            return None
        part = Fraction(int(found["top"]), int(found["bottom"]))
        return Number(float(int(found["mixed"] or 0) + part), found.end())
    return _decimal(found["digits"], found.end())


def _decimal(digits: str, end: int) -> Number | None:
    """`1.5` and `1,5` alike. A sign before three digits may part thousands, and is asked about."""
    if len(digits) > 12:
        return None
    if _THOUSANDS.fullmatch(digits) and digits[0] != "0":
        value = float(re.sub(r"[,.]", "", digits))
        once = digits.count(",") + digits.count(".") == 1
        other = f", or {digits.replace(',', '.')}" if once else ""
        return Number(value, end, f"Is {digits} meant as {value:.0f}{other}?" if other else "")
    try:
        last = max(digits.rfind(","), digits.rfind("."))
        whole = re.sub(r"[,.]", "", digits[:last]) if last >= 0 else digits
        return Number(float(f"{whole}.{digits[last + 1 :]}" if last >= 0 else whole), end)
    except ValueError:
        return None
