"""Amounts as people type them: `1 1/2 cups`, `½ l`, `4-6 sprigs thyme`, `a pinch of salt`.

The words of the units are data (units.toml); what is here is the grammar around them. Whatever is
typed, either every word of the amount is used, or it is kept as typed with a question: an amount
that is misread puts ten times too much in somebody's pot.
"""

import re
from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from unicodedata import normalize

from yellow_ladle.core.amounts.misspelt import looks_like_a_measure, names_goods
from yellow_ladle.core.amounts.number_words import ARTICLES, part_at, times_at
from yellow_ladle.core.amounts.numerals import GLYPHS, number_at
from yellow_ladle.core.vocabulary.units import Spoons, Unit, shipped_units

MAX_TYPED = 400
"""Signs in one line of a recipe; anything longer is not one."""

_ABOUT = re.compile(r"(?:about|approx\.?|approximately|around|roughly|ca\.?|c\.|~)\s*", re.I)
_CONTAINERS = (
    *("tin", "can", "jar", "bottle", "packet", "pack", "package", "pot", "tub", "carton", "sachet"),
    *("bag", "box", "block", "tube", "punnet", "dose", "glas", "flasche", "packung", "päckchen"),
    *("becher", "beutel", "boîte", "bocal", "bouteille", "paquet", "brique", "lata", "bote"),
    *("botella", "paquete", "tarro", "lattina", "scatoletta", "vasetto", "bottiglia"),
    *("confezione", "barattolo"),
)
_CONTAINER = re.compile(
    rf"(?P<what>{'|'.join(_CONTAINERS)})(?:s|es|n|e|i)?(?=[\s,(]|$)\s*(?:of|de|von|di|d')?\s*", re.I
)
_EACH = re.compile(r",?\s*(?:each|apiece|je|chacun[e]?|cada un[oa]|ciascun[oa])$", re.I)
_LENGTH = re.compile(
    r"(?P<size>\d+(?:[.,]\d+)?(?:\s*-\s*\d+)?[- ]?(?:cm|mm|in|inch(?:es)?|\"))[- ]+"
    r"(?:piece|length|knob|chunk|strip|stick|thumb)s?(?=[\s,]|$)\s*",
    re.I,
)
_ABOUT_HOW = ("heaped", "heaping", "scant", "rounded", "good", "generous")
_BUTTERS = ("butter", "margarine", "shortening", "beurre", "mantequilla", "burro", "lard")
_SOME_OF = re.compile(
    r"(?:some|a little|etwas|ein wenig|un peu (?:de\s|d['’])|un poco de|algo de|un po['’] di)\s*"
    r"(?=[^\W\d])",
    re.I,
)
_AND_MORE = re.compile(r"\s*(?:and|plus|y|et|e|und)\s", re.I)
_OR_ELSE = re.compile(r"\s*[/|]\s*(?=[\d¼½¾⅓⅔⅛])")
_NO_AMOUNT = re.compile(
    r"(?:,?\s*\(?\b(?:to taste|as needed|as required|to serve|to finish|optional|for \w+ing"
    r"|q\.?\s?s\.?|q\.?\s?b\.?|nach geschmack|nach bedarf|au goût|al gusto|quanto basta)\)?)$",
    re.I,
)
_TO = re.compile(r"\s*(?:-|–|—|to|or|à|ou|bis|oder|a(?=\s*\d)|o(?=\s*\d))\s*", re.I)
_TIMES = re.compile(r"\s*[x×]\s*", re.I)
_PLUS = re.compile(r"\s*(?:\+|plus|and)\s+", re.I)
_OF = re.compile(r"(?:(?:of|de|di|von)\s+|d['’])", re.I)
_AND_A_FRACTION = re.compile(rf"and\s+(?=\d+\s*[/⁄]|[{GLYPHS}])", re.I)
_SOME = ("few", "couple", "some", "several", "handful", "lot")
_PARTITIVE = re.compile(r"of\s+an?\s+", re.I)
_SIZES = re.compile(
    r"(?:a\s+)?(?P<how>heaped|heaping|level|scant|rounded|good|generous|big|large|small|medium"
    r"|thick|thin)"
    r"(?:[- ]sized)?\s+",
    re.I,
)
_WORD = re.compile(r"[^\W\d]+(?:['’][^\W\d]+)?\.?", re.UNICODE)
MAX_UNIT_WORDS = 4
MAX_APART = 1.3
"""How far a measure may be from the same told in another one: both are rounded."""
_MEASURES_FROM = 4
"""Letters from which on the beginning of a word is taken for a measure: `litres` in `litrefuls`."""
_SHORT_MEASURES = ("cup", "tsp", "tbs", "tbsp")
_ASIDE = re.compile(
    r",?\s*\b(?P<said>to taste|as needed|as required|to serve|to finish|for \w+ing|optional)$", re.I
)
_LOOSE = re.compile(r"(?:an?|some|few)\s+(?P<measure>[^\d,]+?)\s+of\s+(?P<item>.+)", re.I)
_BRACKET = re.compile(r"\(([^()]*)\)\s*")

UNSURE = 'What is meant by "{text}"? Type it as a number and a unit: 250 g, 1 1/2 cups.'
SIZELESS = "How much is in one {what}? Type it with its size: 2 x 400 g."
UNREAD = 'No amount could be read in "{text}". Type it as a number and a unit: 250 g, 1 1/2 cups.'


@dataclass(frozen=True, slots=True)
class Understood:
    """What was made of a text.

    `quantity` is in `unit`; of a range it is the middle, between `low` and `high`. `unit` is
    `piece` where things are counted by their name, and both are None where no amount was found.
    `item` is what stands after the amount, `note` what stands after its comma or in brackets.
    `approximate` marks "about", ranges and measures of the hand; `question` is empty where nothing
    is to be asked; while it stands, there is no quantity and no unit.
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


def understand(
    text: str, known: Mapping[str, Unit] | None = None, spoons: Spoons = "us"
) -> Understood:
    """What an amount, or a whole line of a recipe, says.

    `known` are the units with the kitchen's own measures; `spoons` decides what a bare cup, spoon,
    pint or fluid ounce is.
    """
    plain = re.sub(r"\s+", " ", normalize("NFC", text)).strip()
    if not plain or len(plain) > MAX_TYPED:
        return Understood(text, item=plain[:MAX_TYPED], question=UNREAD.format(text=plain[:60]))
    return _Reader(text, plain, shipped_units() if known is None else known, spoons).read()


def question_of(found: Understood) -> str:
    """What is to be asked of a text that has to be an amount; `to taste` needs none."""
    if found.question or found.quantity is not None or found.note:
        return found.question
    return UNREAD.format(text=found.text[:60])


class _Reader:
    def __init__(self, typed: str, plain: str, known: Mapping[str, Unit], spoons: Spoons) -> None:
        self.typed, self.plain = typed, plain
        self.known, self.spoons = known, spoons
        self.words = _words_of(tuple(known.values()))
        self.at = 0
        self.question = ""
        self.about = False
        self.notes: list[str] = []

    def read(self) -> Understood:
        approximate = self._skip(_ABOUT)
        if (loose := self._loose()) is not None:
            return loose
        if (piece := self._length()) is not None:
            return piece
        low = self._number()
        if low is None:
            return self._without_number()
        if (piece := self._length(low)) is not None:
            return piece
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
        if unit is not None and times == 1 and (part := part_at(self.plain, self.at)):
            low, self.at = low + part.value, part.end
            self._skip(_OF)
        if unit is not None and self.known[unit].size:
            self._skip(_CONTAINER)
        quantity = low if high is None else (low + high) / 2
        quantity, low, high = (
            quantity * times,
            low * times,
            None if high is None else high * times,
        )
        if unit is not None:
            self._same_again(quantity, unit)
            more = self._more(unit)
            quantity, low = quantity + more, low + more
            high = None if high is None else high + more
        item, note = self._rest()
        if not self.question:
            self.question = self._doubt(unit, item)
        if unit == "stick" and item and not any(word in item.lower() for word in _BUTTERS):
            unit = "piece"
        about = unit is not None and self.known[unit].about
        if self.question:
            return Understood(self.typed, item=item, note=note, question=self.question)
        return Understood(
            self.typed,
            quantity,
            unit or "piece",
            low if high is not None else None,
            high,
            item,
            note,
            approximate or about or self.about or high is not None,
        )

    def _length(self, count: float = 1.0) -> Understood | None:
        """`a 2 cm piece of ginger` is one piece, of a size that nobody can weigh."""
        found = _LENGTH.match(self.plain, self.at)
        if found is None:
            return None
        self.at = found.end()
        self.notes.append(found["size"])
        item, note = self._rest()
        return Understood(self.typed, count, "piece", item=item, note=note, approximate=True)

    def _doubt(self, unit: str | None, item: str) -> str:
        """What is to be asked where words of the amount are left over before the item."""
        rest = self.plain[self.at :]
        text = self.plain[:60]
        if unit is not None:
            if _AND_MORE.match(rest):
                return UNSURE.format(text=text)
            left = any(_goes_on(words) or self._measures(words) for words in (rest, item))
            return UNSURE.format(text=text) if left else ""
        if _goes_on(item) or self._measures(item):
            return UNSURE.format(text=text)
        if not rest.strip() and self.plain.lower() in ARTICLES:
            return UNREAD.format(text=text)
        if (container := _CONTAINER.match(rest) or _CONTAINER.match(item)) is not None:
            return SIZELESS.format(what=container["what"].lower())
        glued = self.at > 0 and self.plain[self.at - 1].isdigit() and rest[:1].isalpha()
        if glued or re.match(r"\s*(?:%|\d|of\s+an?\b|[/×*=])", rest, re.I):
            return UNSURE.format(text=text)
        word = re.match(r"\s*([^\W\d_]+)", rest)
        if word is None:
            return ""
        first = word[1].lower()
        if len(first) == 1 or first in _SOME:
            return UNSURE.format(text=text)
        begins = any(
            first.startswith(measure)
            for measure in self.words
            if self.known[self.words[measure]].kind != "piece"
            and (len(measure) >= _MEASURES_FROM or measure in _SHORT_MEASURES)
        )
        measures = (m for m in self.words if self.known[self.words[m]].kind != "piece")
        asks = looks_like_a_measure(first, measures) or (begins and not names_goods(first))
        return UNSURE.format(text=text) if asks else ""

    def _loose(self) -> Understood | None:
        """`a glug of oil`: a measure that nobody knows is kept as typed."""
        found = _LOOSE.match(self.plain, self.at)
        if found is None:
            return None
        words = found["measure"].lower().split()
        runs = ((n, m) for n in range(len(words)) for m in range(n + 1, len(words) + 1))
        if any(" ".join(words[n:m]).rstrip(".") in self.words for n, m in runs):
            return None
        question = UNREAD.format(text=self.plain[:60])
        return Understood(self.typed, item=found["item"].strip(), question=question)

    def _measures(self, rest: str) -> bool:
        """Whether what is left begins with one more measure."""
        for word, end in _beginnings(rest, 0):
            unit = self.known.get(self.words.get(word, ""))
            if unit is not None and _is_name(unit, rest[end:]):
                continue
            if unit is not None and unit.kind != "piece" and unit.size:
                return True
        return False

    def _without_number(self) -> Understood:
        """`pinch of salt` is one pinch, `salt to taste` no amount; anything else is asked."""
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
        self._skip(_SOME_OF)
        named = _NO_AMOUNT.search(self.plain)
        item, note = self._rest()
        if named is not None and named.start() > 0 and not note:
            note, item = named[0].strip(" ,()"), self.plain[self.at : named.start()].strip(" ,(")
        measure = unit is not None or any(sign.isdigit() for sign in self.plain)
        asks = measure or not any(sign.isalpha() for sign in item)
        question = UNREAD.format(text=self.plain[:60]) if asks else ""
        return Understood(self.typed, item=item, note=note, question=question)

    def _number(self) -> float | None:
        found = number_at(self.plain, self.at)
        if found is None:
            return None
        self.at = found.end
        self.question = self.question or found.question
        spaced = self._skip(re.compile(r"\s+"))
        if spaced and found.value == int(found.value) and self._skip(_AND_A_FRACTION):
            part = number_at(self.plain, self.at)
            assert part is not None
            self.at = part.end
            self._skip(re.compile(r"\s+"))
            return found.value + part.value
        if spaced and (times := times_at(self.plain, self.at)):
            self.at = times.end
            return found.value * times.value
        return found.value

    def _packed(self, count: float) -> tuple[float, str | None]:
        """`1 (400 g) tin`, `3 tins (400 g each)` and `1 400 g tin`: what is packed, by its size."""
        sized = _SIZES.match(self.plain, self.at)
        container = _CONTAINER.match(self.plain, sized.end() if sized else self.at)
        at = container.end() if container else self.at
        bracket = _BRACKET.match(self.plain, at)
        if bracket is not None:
            each = _EACH.sub("", bracket[1])
            inside = understand(each, self.known, self.spoons)
            if inside.quantity is not None and inside.unit != "piece" and not inside.item:
                self.at = bracket.end()
                return count * inside.quantity, inside.unit
        here, asked = self.at, self.question
        size = number_at(self.plain, here) if self.plain[here : here + 1].isdigit() else None
        if size is not None and count == int(count):
            self.at = size.end
            self._skip(re.compile(r"\s+|-"))
            unit = self._unit()
            if unit is not None and self.known[unit].size and _CONTAINER.match(self.plain, self.at):
                self.question = asked or size.question
                return count * size.value, unit
        self.at, self.question = here, asked
        return count, None

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

    def _same_again(self, quantity: float, unit: str) -> None:
        """`25 g/1 oz`: the same told in another measure is a note; if it is not the same, it asks.

        Weight beside volume cannot be compared, and is taken for the same.
        """
        here, asked = self.at, self.question
        if not self._skip(_OR_ELSE):
            return
        began = self.at
        other, measure = self._number(), self._unit()
        if other is None or measure is None or not self.known[measure].size:
            self.at, self.question = here, asked
            return
        other += self._more(measure)
        first, second = self.known[unit], self.known[measure]
        told = self.plain[began : self.at].strip()
        if first.kind == second.kind and first.size and second.size:
            ratio = other * second.size / (quantity * first.size) if quantity else 0.0
            if not 1 / MAX_APART <= ratio <= MAX_APART:
                self.question = self.question or UNSURE.format(text=self.plain[:60])
        self.notes.append(told)

    def _unit(self) -> str | None:
        """The unit that stands here; the longest run of words that names one."""
        start = self.at
        if (sized := _SIZES.match(self.plain, self.at)) is not None:
            self.at = sized.end()
        self._skip(_PARTITIVE)
        for text, end in _beginnings(self.plain, self.at):
            unit = self.words.get(text)
            if unit is None or _is_name(self.known[unit], self.plain[end:]):
                continue
            self.at = end
            self._skip(re.compile(r"\s*"))
            if sized is not None:
                self.notes.append(sized["how"].lower())
                self.about = self.about or sized["how"].lower() in _ABOUT_HOW
            self._skip(_OF)
            return self.known[unit].gives_way_to.get(self.spoons, unit)
        self.at = start
        return None

    def _rest(self) -> tuple[str, str]:
        """What the line is about, and what is said of it after a comma or in brackets."""
        rest = self.plain[self.at :].strip(" .;,")
        brackets = list(_BRACKET.finditer(rest))
        self.notes += [bracket[1].strip() for bracket in brackets]
        first = brackets[0] if brackets else None
        beyond = ""
        if first is not None and first.start() > 0 and "," not in rest[: first.start()]:
            # What follows a bracket is said of the item, and is no part of its name.
            beyond = _BRACKET.sub("", rest[first.end() :]).strip(" ,;")
            rest = rest[: first.start()]
        rest = _BRACKET.sub("", rest).strip()
        if (aside := _ASIDE.search(rest)) is not None:
            self.notes.append(aside["said"].lower())
            rest = rest[: aside.start()]
        item, _, after = rest.partition(",")
        item = _OF.sub("", item, count=1) if _OF.match(item) else item
        notes = (*self.notes, after.strip(), beyond)
        return item.strip(), ", ".join(note for note in notes if note)

    def _skip(self, pattern: re.Pattern[str]) -> bool:
        found = pattern.match(self.plain, self.at)
        if found is None:
            return False
        self.at = found.end()
        return bool(found[0])


def _is_name(unit: Unit, rest: str) -> bool:
    """Whether the word of a unit is a part of a name here: the noix of noix de muscade."""
    words = _OF.sub("", rest.strip(), count=1).lower()
    return bool(unit.not_before) and words.startswith(unit.not_before)


def _goes_on(words: str) -> bool:
    """Whether words begin with more of an amount: a number, a per cent sign, a dozen."""
    return bool(re.match(rf"\s*[\d{GLYPHS}/%*=×-]", words) or times_at(words, 0))


def _beginnings(text: str, at: int) -> list[tuple[str, int]]:
    """`fl oz milk`, `fl oz`, `fl` of `fl. oz. milk`: beginnings with their ends, longest first."""
    found: list[tuple[str, int]] = []
    words: list[str] = []
    while len(words) < MAX_UNIT_WORDS and (word := _WORD.match(text, at)) is not None:
        words.append(word[0].rstrip(".").lower())
        found.append((" ".join(words), word.end()))
        gap = re.compile(r"\s?").match(text, word.end())
        at = gap.end() if gap else word.end()
    return found[::-1]


@lru_cache(maxsize=64)
def _words_of(known: tuple[Unit, ...]) -> dict[str, str]:
    return {word.lower(): unit.id for unit in known for word in (*unit.words, unit.id)}
