"""Amounts as people type them: `1 1/2 cups`, `½ l`, `4-6 sprigs thyme`, `a pinch of salt`.

The words of the units are data (units.toml); what is here is the grammar around them. What cannot
be understood is kept as typed, with a question.
"""

import re
from collections.abc import Mapping
from dataclasses import dataclass
from fractions import Fraction
from functools import lru_cache
from unicodedata import normalize, numeric

from yellow_ladle.core.units import Spoons, Unit, shipped_units

LONGEST = 400
"""Signs in one line of a recipe; anything longer is not one."""

_COUNTS = {
    **{"a": 1, "an": 1, "one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6},
    **{"seven": 7, "eight": 8, "nine": 9, "ten": 10, "eleven": 11, "twelve": 12, "dozen": 12},
    **{"half": 0.5, "quarter": 0.25},
}
_DIGITS = r"\d+(?:[.,]\d+)*"
_GLYPHS = "¼½¾⅐⅑⅒⅓⅔⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞"
_NUMBER = re.compile(
    rf"(?P<whole>\d+)?\s*(?P<glyph>[{_GLYPHS}])"
    r"|(?:(?P<mixed>\d+)(?:\s+|\s*-\s*(?=\d+/)))?(?P<top>\d+)\s*[/⁄]\s*(?P<bottom>\d+)"
    rf"|(?P<digits>{_DIGITS})"
)
_ABOUT = re.compile(r"(?:about|approx\.?|approximately|around|roughly|ca\.?|c\.|~)\s*", re.I)
_TO = re.compile(r"\s*(?:-|–|—|to|or)\s*", re.I)
_TIMES = re.compile(r"\s*[x×]\s*", re.I)
_PLUS = re.compile(r"\s*(?:\+|plus|and)\s+", re.I)
_OF = re.compile(r"of\s+", re.I)
_SIZES = re.compile(
    r"(?:a\s+)?(?P<how>heaped|heaping|level|scant|rounded|good|generous|big|large|small|medium)"
    r"(?:[- ]sized)?\s+",
    re.I,
)
_WORD = re.compile(r"[^\W\d_]+(?:\s?[^\W\d_]+)*", re.UNICODE)
_ASIDE = re.compile(
    r",?\s*\b(?P<said>to taste|as needed|as required|to serve|to finish|for \w+ing|optional)$", re.I
)
_LOOSE = re.compile(r"(?:an?|some|few)\s+(?P<measure>[^\d,]+?)\s+of\s+(?P<item>.+)", re.I)
_THOUSANDS = re.compile(r"\d{1,3}(?:[,.]\d{3})+")
_BRACKET = re.compile(r"\(([^()]*)\)\s*")

UNREAD = 'No amount could be read in "{text}". Type it as a number and a unit: 250 g, 1 1/2 cups.'


@dataclass(frozen=True, slots=True)
class Understood:
    """What was made of a text.

    `quantity` is in `unit`; of a range it is the middle, between `low` and `high`. `unit` is
    `piece` where things are counted by their name, and both are None where no amount was found.
    `item` is what stands after the amount, `note` what stands after its comma or in brackets.
    `approximate` marks "about", ranges and measures of the hand; `question` is empty where nothing
    is to be asked.
    """

    text: str
    quantity: float | None = None
    unit: str | None = None
    low: float | None = None
    high: float | None = None
    item: str = ""
    note: str = ""
    approximate: bool = False
    question: str = ""


@dataclass(frozen=True, slots=True)
class _Number:
    value: float
    end: int
    question: str = ""


def understand(
    text: str, known: Mapping[str, Unit] | None = None, spoons: Spoons = "us"
) -> Understood:
    """What an amount, or a whole line of a recipe, says.

    `known` are the units with the kitchen's own measures; `spoons` decides what a bare cup, spoon,
    pint or fluid ounce is.
    """
    plain = re.sub(r"\s+", " ", normalize("NFC", text)).strip()
    if not plain or len(plain) > LONGEST:
        return Understood(text, item=plain[:LONGEST], question=UNREAD.format(text=plain[:60]))
    return _Reader(text, plain, shipped_units() if known is None else known, spoons).read()


class _Reader:
    def __init__(self, typed: str, plain: str, known: Mapping[str, Unit], spoons: Spoons) -> None:
        self.typed, self.plain = typed, plain
        self.known, self.spoons = known, spoons
        self.words = _words_of(tuple(known.values()))
        self.at = 0
        self.question = ""
        self.notes: list[str] = []

    def read(self) -> Understood:
        approximate = self._skip(_ABOUT)
        if (loose := self._loose()) is not None:
            return loose
        low = self._number()
        if low is None:
            return self._without_number()
        times, high = 1.0, None
        if self._skip(_TIMES) and (size := self._number()) is not None:
            times, low = low, size
        elif (ranged := _TO.match(self.plain, self.at)) is not None:
            here, self.at = self.at, ranged.end()
            high = self._number()
            if high is None or high < low:
                self.at, high = here, None
        low, unit = self._packed(low)
        unit = unit or self._unit()
        quantity = low if high is None else (low + high) / 2
        quantity, low, high = (
            quantity * times,
            low * times,
            None if high is None else high * times,
        )
        if unit is not None:
            more = self._more(unit)
            quantity, low = quantity + more, low + more
            high = None if high is None else high + more
        item, note = self._rest()
        about = unit is not None and self.known[unit].about
        return Understood(
            self.typed,
            quantity,
            unit or "piece",
            low if high is not None else None,
            high,
            item,
            note,
            approximate or about or high is not None,
            self.question,
        )

    def _loose(self) -> Understood | None:
        """`a glug of oil`: a measure that nobody knows is kept as typed."""
        found = _LOOSE.match(self.plain, self.at)
        if found is None:
            return None
        words = found["measure"].lower().split()
        if any(" ".join(words[n:]) in self.words for n in range(len(words))):
            return None
        question = UNREAD.format(text=self.plain[:60])
        return Understood(self.typed, item=found["item"].strip(), question=question)

    def _without_number(self) -> Understood:
        """`pinch of salt` is one pinch; anything else is asked about."""
        unit = self._unit()
        counted = self.known.get(unit or "")
        if unit is not None and counted and (counted.about or counted.kind == "piece"):
            item, note = self._rest()
            return Understood(
                self.typed,
                1.0,
                unit,
                item=item,
                note=note,
                approximate=True,
                question=self.question,
            )
        self.at = 0
        item, note = self._rest()
        return Understood(
            self.typed, item=item, note=note, question=UNREAD.format(text=self.plain[:60])
        )

    def _number(self) -> float | None:
        found = _number_at(self.plain, self.at)
        if found is None:
            return None
        self.at = found.end
        self.question = self.question or found.question
        self._skip(re.compile(r"\s+"))
        return found.value

    def _packed(self, count: float) -> tuple[float, str | None]:
        """`1 (400 g) tin` is 400 g: a size in brackets before what is counted."""
        bracket = _BRACKET.match(self.plain, self.at)
        if bracket is None:
            return count, None
        inside = understand(bracket[1], self.known, self.spoons)
        if inside.quantity is None or inside.unit == "piece":
            return count, None
        self.at = bracket.end()
        return count * inside.quantity, inside.unit

    def _more(self, unit: str) -> float:
        """What follows of the same kind: the ounces of `1 lb 4 oz`, in the first unit."""
        total = 0.0
        while True:
            here, asked = self.at, self.question
            self._skip(_PLUS)
            number = self._number() if self.plain[self.at : self.at + 1].isdigit() else None
            other = None if number is None else self._unit()
            first, second = self.known[unit], self.known.get(other or "")
            if number is None or second is None or second.kind != first.kind:
                self.at, self.question = here, asked
                return total
            if not first.size or not second.size:
                self.at, self.question = here, asked
                return total
            total += number * second.size / first.size

    def _unit(self) -> str | None:
        """The unit that stands here; the longest run of words that names one."""
        start = self.at
        if (sized := _SIZES.match(self.plain, self.at)) is not None:
            self.at = sized.end()
        found = _WORD.match(self.plain, self.at)
        for text in _beginnings(found[0]) if found else ():
            unit = self.words.get(text.lower())
            if unit is None:
                continue
            self.at += len(text)
            self._skip(re.compile(r"\.?\s*"))
            if sized is not None:
                self.notes.append(sized["how"].lower())
            self._skip(_OF)
            return self.known[unit].gives_way_to.get(self.spoons, unit)
        self.at = start
        return None

    def _rest(self) -> tuple[str, str]:
        """What the line is about, and what is said of it after a comma or in brackets."""
        rest = self.plain[self.at :].strip(" .;")
        for bracket in _BRACKET.finditer(rest):
            self.notes.append(bracket[1].strip())
        rest = _BRACKET.sub("", rest).strip()
        if (aside := _ASIDE.search(rest)) is not None:
            self.notes.append(aside["said"].lower())
            rest = rest[: aside.start()]
        item, _, after = rest.partition(",")
        item = _OF.sub("", item, count=1) if _OF.match(item) else item
        return item.strip(), ", ".join(note for note in (*self.notes, after.strip()) if note)

    def _skip(self, pattern: re.Pattern[str]) -> bool:
        found = pattern.match(self.plain, self.at)
        if found is None:
            return False
        self.at = found.end()
        return bool(found[0])


def _number_at(text: str, at: int) -> _Number | None:
    found = _NUMBER.match(text, at)
    if found is None:
        return _count_at(text, at)
    if found["glyph"]:
        return _Number(int(found["whole"] or 0) + numeric(found["glyph"]), found.end())
    if found["bottom"]:
        if int(found["bottom"]) == 0:
            return None
        part = Fraction(int(found["top"]), int(found["bottom"]))
        return _Number(float(int(found["mixed"] or 0) + part), found.end())
    return _decimal(found["digits"], found.end())


def _decimal(digits: str, end: int) -> _Number | None:
    """`1.5` and `1,5` alike. A comma before three digits parts thousands, and is asked about."""
    if len(digits) > 12:
        return None
    if _THOUSANDS.fullmatch(digits) and ("," in digits or digits.count(".") > 1):
        value = float(re.sub(r"[,.]", "", digits))
        other = f", or {digits.replace(',', '.')}" if digits.count(",") == 1 else ""
        return _Number(value, end, f"Is {digits} meant as {value:.0f}{other}?" if other else "")
    try:
        last = max(digits.rfind(","), digits.rfind("."))
        whole = re.sub(r"[,.]", "", digits[:last]) if last >= 0 else digits
        return _Number(float(f"{whole}.{digits[last + 1 :]}" if last >= 0 else whole), end)
    except ValueError:
        return None


def _count_at(text: str, at: int) -> _Number | None:
    """A number in words; `half a` and `a dozen` are one number."""
    found = re.compile(r"[a-z]+(?=\s|$)", re.I).match(text, at)
    value = _COUNTS.get(found[0].lower()) if found else None
    if found is None or value is None:
        return None
    end = found.end()
    halved = re.compile(r"\s+and a (half|quarter)(?=\s|$)", re.I).match(text, end)
    if halved is not None:
        return _Number(value + _COUNTS[halved[1].lower()], halved.end())
    more = re.compile(r"\s+(an?|dozen|half|quarter)(?=\s|$)", re.I).match(text, end)
    if more is not None and (value < 1 or more[1].lower() in ("dozen", "half", "quarter")):
        return _Number(value * _COUNTS[more[1].lower()], more.end())
    return _Number(float(value), end)


def _beginnings(words: str) -> list[str]:
    """`fl oz milk`, `fl oz`, `fl`: every beginning of a run of words, the longest first."""
    ends = [found.end() for found in re.finditer(r"\S+", words)]
    return [words[:end] for end in reversed(ends[:3])]


@lru_cache(maxsize=64)
def _words_of(known: tuple[Unit, ...]) -> dict[str, str]:
    return {word.lower(): unit.id for unit in known for word in (*unit.words, unit.id)}
