"""What the bars on a pack say besides its number: lot, use-by date and weight.

GS1 General Specifications, release 24, chapter 3: element strings begin with an application
identifier; those of no fixed length end at a separator (FNC1, read as ASCII 29) or at the end. The
form for people puts the identifiers in brackets.
"""

import re
from calendar import monthrange
from dataclasses import dataclass, replace
from datetime import date

SEPARATOR = "\x1d"
FIXED = {"00": 18, "01": 14, "02": 14, "11": 6, "13": 6, "15": 6, "16": 6, "17": 6, "20": 2}
"""Signs that follow an identifier of fixed length."""
CHECKED = (8, 12, 13, 14)
"""Lengths of the numbers whose last digit is a check on the others."""
MAX_DIGITS = 14
POUND = 0.45359237
_BRACKETED = re.compile(r"\((\d{2,4})\)([^(]*)")
_WEIGHT = re.compile(r"(310|320)([0-5])(\d{6})")


@dataclass(frozen=True, slots=True)
class Scanned:
    """What a code says. `code` is the number of the pack, without the zeros that only fill it up.

    `use_by` is the use-by date, or the best-before date where only that is told; `expires` is the
    use-by date alone.
    """

    code: str
    lot: str = ""
    use_by: date | None = None
    weight_kg: float | None = None
    expires: date | None = None


def scanned(text: str) -> Scanned:
    """What a read code says: a bare number, or element strings. Anything else is its own code."""
    plain = text.strip().removeprefix("]C1").removeprefix("]d2").removeprefix("]Q3")
    elements = _bracketed(plain) if plain.startswith("(") else _elements(plain)
    found = Scanned("")
    for identifier, value in elements:
        found = _with(found, identifier, value)
    return found if found.code else Scanned(same_number(plain))


def same_number(code: str) -> str:
    """A number as every kind of bars has it: UPC-A and GTIN-14 are EAN-13 with other filling."""
    digits = code.strip()
    if not digits.isdecimal():
        return digits
    if len(digits) == 14 and digits.startswith("0"):
        digits = digits[1:]
    return digits[1:] if len(digits) == 13 and digits.startswith("0") else digits


def doubt_about(code: str) -> str:
    """Why a code may have been misread or mistyped, in a sentence; empty where nothing tells.

    The last digit of a number of 8, 12, 13 or 14 is worked out from the others (GS1 General
    Specifications, section 7.9: weights 3 and 1 from the right, to the next ten).
    """
    digits = code.strip()
    if not digits.isdecimal() or not digits.isascii() or not 4 <= len(digits) <= MAX_DIGITS:
        return "This is no number of a bar code: that has 4 to 14 digits."
    if len(digits) in CHECKED and _check_digit(digits[:-1]) != digits[-1]:
        return f"The last digit of {digits} does not fit the others: one may be misread."
    return ""


def _check_digit(digits: str) -> str:
    weighted = (int(d) * (1 if n % 2 else 3) for n, d in enumerate(reversed(digits)))
    return str(-sum(weighted) % 10)


def _bracketed(text: str) -> list[tuple[str, str]]:
    return [(found[1], found[2].strip()) for found in _BRACKETED.finditer(text)]


def _elements(text: str) -> list[tuple[str, str]]:
    """The element strings of a text; none where it is not made of them to the end."""
    found: list[tuple[str, str]] = []
    rest = text.lstrip(SEPARATOR)
    if len(rest) <= FIXED["01"] or not rest[:2].isdecimal():
        return []
    while rest:
        weight = _WEIGHT.match(rest)
        if weight is not None:
            found.append((weight[1] + weight[2], weight[3]))
            rest = rest[weight.end() :].lstrip(SEPARATOR)
            continue
        identifier = rest[:2]
        if identifier in FIXED:
            length = 2 + FIXED[identifier]
            value = rest[2:length]
            if len(value) < FIXED[identifier] or not value.isdecimal():
                return []
            found.append((identifier, value))
            rest = rest[length:].lstrip(SEPARATOR)
        elif identifier in ("10", "21", "22", "30", "37"):
            value, _, rest = rest[2:].partition(SEPARATOR)
            found.append((identifier, value))
        else:
            return []
    return found


def _with(found: Scanned, identifier: str, value: str) -> Scanned:
    if identifier in ("01", "02"):
        return replace(found, code=found.code or same_number(value))
    if identifier == "10":
        return replace(found, lot=value[:20])
    if identifier == "17":
        return replace(found, use_by=_day(value) or found.use_by, expires=_day(value))
    if identifier == "15":
        return replace(found, use_by=found.use_by or _day(value))
    if identifier[:3] in ("310", "320") and value.isdecimal():
        unit = 1.0 if identifier.startswith("310") else POUND
        return replace(found, weight_kg=round(int(value) / 10 ** int(identifier[3]) * unit, 6))
    return found


def _day(value: str) -> date | None:
    """YYMMDD; a day of 00 is the last of the month. Years are of this century."""
    if len(value) != 6 or not value.isdecimal():
        return None
    year, month, day = 2000 + int(value[:2]), int(value[2:4]), int(value[4:])
    if not 1 <= month <= 12:
        return None
    last = monthrange(year, month)[1]
    return date(year, month, day or last) if day <= last else None
