"""A text in which an amount is read from left to right: its numbers, units and what is left."""

import re
from collections.abc import Mapping

from yellow_ladle.core.amounts.beginnings import at_comma, beginnings, is_name, words_of
from yellow_ladle.core.amounts.number_words import times_at
from yellow_ladle.core.amounts.numerals import number_at
from yellow_ladle.core.amounts.phrases import (
    ABOUT_HOW,
    AND_A_FRACTION,
    ASIDE,
    BRACKET,
    OF,
    PARTITIVE,
    SIZED,
    SIZES,
)
from yellow_ladle.core.vocabulary.units import Spoons, Unit

_INITIALS = re.compile(r"(?:\b[^\W\d_]\.){2,}$")
_JOINED = re.compile(r"-(?=[^\W\d_])")


class AmountText:
    """A typed text and the place up to which it was read, with what was noted on the way.

    `known` are the units by id, `question` is what is to be asked, `about` says whether the amount
    is no exact one.
    """

    def __init__(self, typed: str, plain: str, known: Mapping[str, Unit], spoons: Spoons) -> None:
        self.typed, self.plain = typed, plain
        self.known, self.spoons = known, spoons
        self.words = words_of(tuple(known.values()))
        self.at = 0
        self.question = ""
        self.about = False
        self.notes: list[str] = []

    def number(self) -> float | None:
        """The number that stands here; None where there is none."""
        found = number_at(self.plain, self.at)
        if found is None or self._is_in_a_name(found.end):
            return None
        self.at = found.end
        self.question = self.question or found.question
        spaced = self.skip(re.compile(r"\s+"))
        if spaced and found.value == int(found.value) and self.skip(AND_A_FRACTION):
            part = number_at(self.plain, self.at)
            assert part is not None
            self.at = part.end
            self.skip(re.compile(r"\s+"))
            return found.value + part.value
        if spaced and (times := times_at(self.plain, self.at)):
            self.at = times.end
            return found.value * times.value
        return found.value

    def _is_in_a_name(self, end: int) -> bool:
        """Whether a number in words is joined to what is no measure: the half of half-fat milk."""
        joined = self.plain[end - 1 : end] == "-"
        return joined and not any(text in self.words for text, _ in beginnings(self.plain, end))

    def joined_unit(self) -> str | None:
        """The unit of `14-ounce can`, joined to its number."""
        here = self.at
        unit = self.unit() if self.skip(_JOINED) else None
        if unit is None or not self.known[unit].size:
            self.at = here
            return None
        return unit

    def unit(self) -> str | None:
        """The unit that stands here; the longest run of words that names one."""
        start = self.at
        if (sized := SIZES.match(self.plain, self.at)) is not None:
            self.at = sized.end()
        self.skip(PARTITIVE)
        for text, end in beginnings(self.plain, self.at):
            unit = self.words.get(text)
            if unit is None or is_name(self.known[unit], self.plain[end:]):
                continue
            self.at = end
            self.skip(re.compile(r"\s*"))
            if sized is not None:
                self.notes.append(sized["how"].lower())
                self.about = self.about or ABOUT_HOW.match(sized["how"]) is not None
                # "A thumb-sized piece" is a thumb.
                compared = self.words.get(re.split(r"[- ]", sized["how"].lower())[0])
                unit = compared if compared and self.known[compared].about else unit
            if (how := SIZED.match(self.plain, self.at)) is not None:
                self.at = how.end()
                self.notes.append(how["how"].lower())
                self.about = self.about or ABOUT_HOW.match(how["how"]) is not None
            self.skip(OF)
            return self.known[unit].gives_way_to.get(self.spoons, unit)
        self.at = start
        return None

    def rest(self) -> tuple[str, str]:
        """What the line is about, and what is said of it after a comma or in brackets."""
        rest = self.plain[self.at :].strip(" ;,")
        rest = rest.lstrip(".") if _INITIALS.search(rest) else rest.strip(" .;,")
        brackets = list(BRACKET.finditer(rest))
        self.notes += [bracket[1].strip() for bracket in brackets]
        first = brackets[0] if brackets else None
        beyond = ""
        if first is not None and first.start() > 0 and "," not in rest[: first.start()]:
            # What follows a bracket is said of the item, and is no part of its name.
            beyond = BRACKET.sub("", rest[first.end() :]).strip(" ,;")
            rest = rest[: first.start()]
        # A bracket that nobody closed ends with the line.
        rest, _, unclosed = BRACKET.sub("", rest).partition("(")
        rest = rest.strip()
        self.notes.append(unclosed.strip())
        if (aside := ASIDE.search(rest)) is not None and not at_comma(rest[: aside.start()])[1]:
            self.notes.append(aside["said"].lower())
            rest = rest[: aside.start()].rstrip(" .…:-–")
        item, _, after = at_comma(rest)
        item = OF.sub("", item, count=1) if OF.match(item) else item
        notes = (*self.notes, after.strip(), beyond)
        return item.strip(), ", ".join(note for note in notes if note)

    def skip(self, pattern: re.Pattern[str]) -> bool:
        """Goes on behind what stands here; whether anything of it does."""
        found = pattern.match(self.plain, self.at)
        if found is None:
            return False
        self.at = found.end()
        return bool(found[0])
