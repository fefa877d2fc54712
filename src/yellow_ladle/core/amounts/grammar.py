"""Amounts as people type them: `1 1/2 cups`, `½ l`, `4-6 sprigs thyme`, `a pinch of salt`.

The words of the units are data (units.toml); what is here is the grammar around them. Whatever is
typed, either every word of the amount is used, or it is kept as typed with a question: an amount
that is misread puts ten times too much in somebody's pot.
"""

import re
from collections.abc import Mapping
from functools import lru_cache
from unicodedata import normalize

from yellow_ladle.core.amounts.amount_text import AmountText
from yellow_ladle.core.amounts.beginnings import is_sizeless
from yellow_ladle.core.amounts.doubt import doubt_of
from yellow_ladle.core.amounts.number_words import part_at
from yellow_ladle.core.amounts.numerals import number_at
from yellow_ladle.core.amounts.phrases import (
    ABOUT,
    BRACKET,
    BUTTERS,
    CONTAINER,
    EACH,
    LENGTH,
    LOOSE,
    NO_AMOUNT,
    OF,
    OF_SIZE,
    OR_ELSE,
    PLUS,
    SIZES,
    SOME_OF,
    TIMES,
    TO,
)
from yellow_ladle.core.amounts.understood import UNREAD, UNSURE, Understood
from yellow_ladle.core.vocabulary.units import Spoons, Unit, shipped_units

MAX_TYPED = 400
"""Signs in one line of a recipe; anything longer is not one."""

MAX_APART = 1.3
"""How far a measure may be from the same told in another one: both are rounded."""


_PAGE = re.compile(r"\((?:see|page|p\.|siehe|seite|s\.|voir|ver|vedi|pag\.)\s?[^()]*\)", re.I)
_SEVERAL = re.compile(r"(?:\w+\s+)?[^\W\d_]{3,}s\s", re.I)
"""Several of what is counted, of which no number tells how many: `Leaves of mint`."""


def understand(
    text: str, known: Mapping[str, Unit] | None = None, spoons: Spoons = "us"
) -> Understood:
    """What an amount, or a whole line of a recipe, says.

    `known` are the units with the kitchen's own measures; `spoons` decides what a bare cup, spoon,
    pint or fluid ounce is.
    """
    return _shipped(text, spoons) if known is None else _understood(text, known, spoons)


@lru_cache(maxsize=4096)
def _shipped(text: str, spoons: Spoons) -> Understood:
    """What a text says in the shipped units; the same words come again and again in a recipe."""
    return _understood(text, shipped_units(), spoons)


def _understood(text: str, known: Mapping[str, Unit], spoons: Spoons) -> Understood:
    plain = re.sub(r"\s+", " ", normalize("NFC", text)).strip()
    if not plain or len(plain) > MAX_TYPED:
        return too_long(text)
    return _Reader(text, plain, known, spoons).read()


def too_long(text: str) -> Understood:
    """What is said of a text that is longer than any line of a recipe: it is kept, and asks."""
    plain = " ".join(text[:MAX_TYPED].split())
    return Understood(text, item=plain, question=UNREAD.format(text=plain[:60]))


class _Reader(AmountText):
    def read(self) -> Understood:
        approximate = self.skip(ABOUT)
        if (loose := self._loose()) is not None:
            return loose
        if (piece := self._length()) is not None:
            return piece
        low = None if SOME_OF.match(self.plain, self.at) else self.number()
        if low is None:
            return self._without_number()
        if (piece := self._length(low)) is not None:
            return piece
        times, high = 1.0, None
        if self.skip(TIMES) and (size := self.number()) is not None:
            times, low = low, size
        elif (ranged := TO.match(self.plain, self.at)) is not None:
            here, self.at = self.at, ranged.end()
            high = self.number()
            if high is None or high < low:
                self.at, high = here, None
        low, unit = self._packed(low)
        unit = unit or self.joined_unit() or self.unit()
        if unit is not None and times == 1 and (part := part_at(self.plain, self.at)):
            low, self.at = low + part.value, part.end
            self.skip(OF)
        if unit is not None and self.known[unit].size:
            self.skip(CONTAINER)
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
        item, note = self.rest()
        if not self.question:
            self.question = doubt_of(
                plain=self.plain,
                at=self.at,
                unit=unit,
                item=item,
                known=self.known,
                words=self.words,
            )
        if unit == "stick" and item and not any(word in item.lower() for word in BUTTERS):
            unit = "piece"
        about = unit is not None and self.known[unit].about
        if self.question:
            return Understood(self.typed, item=item, note=note, question=self.question)
        return Understood(
            text=self.typed,
            quantity=quantity,
            unit=unit or "piece",
            low=low if high is not None else None,
            high=high,
            item=item,
            note=note,
            approximate=approximate or about or self.about or high is not None,
        )

    def _length(self, count: float = 1.0) -> Understood | None:
        """`a 2 cm piece of ginger` is one piece, of a size that nobody can weigh."""
        found = LENGTH.match(self.plain, self.at)
        if found is None:
            return None
        self.at = found.end()
        self.notes.append(found["size"])
        item, note = self.rest()
        return Understood(self.typed, count, "piece", item=item, note=note, approximate=True)

    def _loose(self) -> Understood | None:
        """`a glug of oil`: a measure that nobody knows is kept as typed."""
        found = LOOSE.match(self.plain, self.at)
        if found is None:
            return None
        words = found["measure"].lower().split()
        runs = ((n, m) for n in range(len(words)) for m in range(n + 1, len(words) + 1))
        if any(" ".join(words[n:m]).rstrip(".") in self.words for n, m in runs):
            return None
        question = UNREAD.format(text=self.plain[:60])
        self.at = found.start("item")
        item, note = self.rest()
        return Understood(self.typed, item=item, note=note, question=question)

    def _without_number(self) -> Understood:
        """`pinch of salt` is one pinch, `salt to taste` no amount; anything else is asked."""
        begins = self.at
        unit = self.unit()
        counted = self.known.get(unit or "")
        several = _SEVERAL.match(self.plain, begins) is not None
        named = NO_AMOUNT.search(self.plain)
        alone = not self.plain[self.at :].partition(",")[0].strip(" .;")
        if counted is not None and counted.kind == "piece" and (named or alone):
            # "Parsley stalks as needed" are no one stalk, and cloves are goods themselves.
            unit = counted = None
        if unit is not None and counted and (counted.about or counted.kind == "piece"):
            if several:
                self.question = self.question or UNSURE.format(text=self.plain[:60])
                item, note = self.rest()
                return Understood(self.typed, item=item, note=note, question=self.question)
            item, note = self.rest()
            return Understood(
                self.typed,
                1.0,
                unit,
                item=item,
                note=note,
                approximate=True,
                question=self.question,
            )
        self.at, text = 0, self.plain[:60]
        self.skip(SOME_OF)
        item, note = self.rest()
        if named is not None and named.start() > 0 and not note:
            note, item = (
                named[0].strip(" ,()"),
                self.plain[self.at : named.start()].strip(" ,(:-–.…"),
            )
        if is_sizeless(self.plain):
            return Understood(self.typed, item=item, note=note, question=UNSURE.format(text=text))
        told = _PAGE.sub("", self.plain)
        measure = unit is not None or any(sign.isnumeric() for sign in told)
        asks = measure or not any(sign.isalpha() for sign in item)
        question = UNREAD.format(text=text) if asks else ""
        return Understood(self.typed, item=item, note=note, question=question)

    def _packed(self, count: float) -> tuple[float, str | None]:
        """What has a size: `1 (400 g) tin`, `4 6-ounce steaks`, `2 tins of 400 g`.

        A size behind the name of several is that of one only where it says "each".
        """
        sized = SIZES.match(self.plain, self.at)
        container = CONTAINER.match(self.plain, sized.end() if sized else self.at)
        at = container.end() if container else self.at
        if container and (one := self._size_of_one(at)) is not None:
            return count * one[0], one[1]
        bracket = BRACKET.search(self.plain, at)
        beside = bracket is not None and bracket.start() == at
        if bracket is not None and (container or beside):
            told = EACH.sub("", bracket[1])
            each = re.sub(r"(?<=\d)-(?=[^\W\d_])", " ", told)
            inside = understand(each, self.known, self.spoons)
            whole = inside.unit != "piece" and not inside.item
            of_one = beside or count == 1 or told != bracket[1]
            if inside.quantity is not None and whole and of_one:
                self.at = bracket.end() if beside else at
                return count * inside.quantity, inside.unit
        here, asked = self.at, self.question
        size = number_at(self.plain, here) if self.plain[here : here + 1].isdigit() else None
        if size is not None and count == int(count):
            self.at = size.end
            joined = self.skip(re.compile(r"-"))
            self.skip(re.compile(r"\s+"))
            unit = self.unit()
            whole = joined or CONTAINER.match(self.plain, self.at) is not None
            if unit is not None and self.known[unit].size and whole:
                self.question = asked or size.question
                return count * size.value, unit
        self.at, self.question = here, asked
        return count, None

    def _size_of_one(self, at: int) -> tuple[float, str] | None:
        """The size that is told right behind a container: `2 latas de 160 g`."""
        here, asked = self.at, self.question
        self.at = at
        self.skip(OF_SIZE)
        size = self.number() if self.plain[self.at : self.at + 1].isdigit() else None
        unit = None if size is None else self.unit()
        if size is None or unit is None or not self.known[unit].size:
            self.at, self.question = here, asked
            return None
        return size, unit

    def _more(self, unit: str) -> float:
        """What follows of the same kind: the ounces of `1 lb 4 oz`, in the first unit."""
        total = 0.0
        while True:
            here, asked = self.at, self.question
            self.skip(PLUS)
            number = self.number() if self.plain[self.at : self.at + 1].isdigit() else None
            other = None if number is None else self.unit()
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
        if not self.skip(OR_ELSE):
            return
        began = self.at
        other, measure = self.number(), self.unit()
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
