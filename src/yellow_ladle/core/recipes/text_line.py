"""A line of a recipe's text, with what can be told of it by itself."""

import re
from dataclasses import dataclass
from functools import cached_property

from yellow_ladle.core.amounts.phrases import TEMPERATURE
from yellow_ladle.core.recipes.ingredient_text import (
    starts_with_amount,
)
from yellow_ladle.core.recipes.listed_line import ListedLine
from yellow_ladle.core.recipes.recipe_words import beginning
from yellow_ladle.core.recipes.step_minutes import minutes_of_step
from yellow_ladle.core.recipes.yield_text import apart

MAX_TITLE = 90
"""Signs of a name; longer lines are sentences."""
MAX_TITLE_WORDS, MAX_PART_WORDS, MIN_STEP_WORDS = 12, 3, 9
_DAY = re.compile(r"(?:day|tag|jour|día|giorno)\s*\d{1,2}\W?", re.I)
_IN_BRACKETS = re.compile(r"\([^()]*\)")


@dataclass(frozen=True)
class TextLine(ListedLine):
    """A line as what it may be by itself: a name, the heading of a part, an ingredient, a step."""

    @cached_property
    def names_part(self) -> bool:
        """Whether it is short and may stand over the ingredients of a part: `Filling`."""
        plain = self.bare.strip(" *_:")
        if not 0 < self.words <= MAX_PART_WORDS or self.numbered or self.bulleted or self.ends:
            return False
        return not (self.is_measured or self.tells_to_do or "," in plain or not plain[0].isupper())

    @cached_property
    def is_step(self) -> bool:
        """Whether it tells what to do: it begins so, is a sentence, tells a time, or is long."""
        if self.is_measured or not re.search(r"[^\W\d_]{2}", self.bare):
            return False
        return (
            self.tells_to_do
            or self.at_clock
            or TEMPERATURE.match(self.bare) is not None
            or self.ends
            or (self.numbered and self.words > 1)
            or minutes_of_step(self.bare) is not None
            or len(_IN_BRACKETS.sub("", self.bare).split()) >= MIN_STEP_WORDS
        )

    @cached_property
    def section(self) -> str | None:
        """The name of the part that it heads; None where it heads none.

        A heading of Markdown, a line that ends in a colon or begins as such headings do, or one in
        capitals.
        """
        plain = self.bare.strip(" *_")
        if not plain or self.words > MAX_TITLE_WORDS or starts_with_amount(plain):
            return None
        if _DAY.fullmatch(plain):
            return plain
        begins = beginning("lines", "sections").match(plain)
        named = plain.rstrip(" :")
        if (
            begins is not None
            and (not self.ends)
            and self.words <= 6
            and (not self.numbered or named != plain)
        ):
            rest = named[begins.end() :].strip(" '’")
            return rest or None
        if self.level or plain.endswith(":"):
            return named if "," not in named or self.level else None
        capitals = plain.isupper() and len(plain) > 2 and not self.ends
        capitals = capitals and not re.search(r"\d", plain)
        return named if capitals and self.words <= 5 else None

    @cached_property
    def may_be_title(self) -> bool:
        """Whether it is short and plain enough for a name."""
        return (
            bool(re.search(r"[^\W\d_]{2}", self.bare))
            and len(self.text) <= MAX_TITLE
            and self.words <= MAX_TITLE_WORDS
            and (not self.ends or apart(self.bare)[1] is not None)
            and (not self.numbered or self.heads_list)
            and not self.bulleted
            and not self.is_head
            and not self.is_about
            and self.told_yield is None
            and ("\t" not in self.text or self._ends_in_yield)
            and (bool(self.level) or not self._is_counted or apart(self.bare)[1] is not None)
        )
