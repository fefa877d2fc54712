"""The lines of a recipe's text, each with what can be told of it by itself."""

import re
from dataclasses import dataclass
from functools import cached_property

from yellow_ladle.core.amounts.understood import Understood
from yellow_ladle.files.recipes.ingredient_text import (
    has_amount_after_gap,
    is_bulleted,
    run_in,
    starts_with_amount,
    starts_with_digit,
    understood_line,
    without_bullet,
)
from yellow_ladle.files.recipes.recipe_words import beginning, is_head
from yellow_ladle.files.recipes.step_minutes import minutes_of_step
from yellow_ladle.files.recipes.yield_text import Told, apart, yield_of

MAX_TITLE, MAX_TITLE_WORDS = 90, 12
MAX_INGREDIENT_WORDS = 12
MAX_UNMEASURED_WORDS = 8
MIN_STEP_WORDS = 9
_HEADING = re.compile(r"^\s{0,3}(#{1,6})\s+(.*?)\s*#*\s*$")
_BOLD_LINE = re.compile(r"^\s*(?:\*\*|__)([^*_]+?):?(?:\*\*|__):?\s*$")
_RULE = re.compile(r"^\s*(?:[-*_=~]\s*){3,}$")
_NUMBER = re.compile(
    r"^\s*(?:(?:step|schritt|étape|paso|passo|fase)\s*)?[(\[]?\d{1,2}\s*[.):\]]+\s*(?=\D)|"
    r"^\s*(?:step|schritt|étape|paso|passo|fase)\s*\d{1,2}\s*[-–—:.)]*\s*",
    re.I,
)
_PIPES = re.compile(r"^\s*\|?(.+?\|.+?)\|?\s*$")
_PIPE_RULE = re.compile(r"^\s*\|?\s*:?-{2,}:?\s*(?:\|\s*:?-{2,}:?\s*)*\|?\s*$")
_ENDS = re.compile(r"[.!?…][\"'”’)]?$")


@dataclass(frozen=True)
class TextLine:
    """One line. `level` of a heading, 0 of anything else; `after_blank`: it begins a new block."""

    text: str
    level: int = 0
    after_blank: bool = False
    rule: bool = False

    @cached_property
    def numbered(self) -> bool:
        """Whether it begins as one of a numbered list."""
        return _NUMBER.match(self.text) is not None

    @cached_property
    def bulleted(self) -> bool:
        """Whether it is listed by a sign."""
        return is_bulleted(self.text)

    @cached_property
    def bare(self) -> str:
        """Its words without number, sign and emphasis."""
        return without_bullet(_NUMBER.sub("", self.text, count=1))

    @cached_property
    def understood(self) -> Understood:
        """What it says, read as an ingredient."""
        return understood_line(self.bare)

    @cached_property
    def words(self) -> int:
        """How many words it has."""
        return len(self.bare.split())

    @cached_property
    def ends(self) -> bool:
        """Whether it ends as a sentence does."""
        return _ENDS.search(self.bare) is not None and not re.search(r"q\.\s?b\.$", self.bare)

    @cached_property
    def tells_to_do(self) -> bool:
        """Whether it begins with what a cook does."""
        return beginning("verbs", "words").match(self.bare) is not None

    @cached_property
    def told_yield(self) -> Told | None:
        """The yield that it is, if it is one."""
        return yield_of(self.text)

    @cached_property
    def parts(self) -> list[str]:
        """The ingredients that it lists one after another; itself alone where it lists none."""
        return run_in(self.bare)

    @cached_property
    def is_measured(self) -> bool:
        """Whether it is an ingredient with an amount, before or after it."""
        if self.is_time or self.told_yield is not None:
            return False
        if len(self.parts) > 1 and (
            starts_with_amount(self.bare)
            or all(understood_line(part).quantity is not None for part in self.parts)
        ):
            return True
        if self.tells_to_do and not starts_with_digit(self.bare):
            # "Slice onions thin" is a step, "Brown onions: 100 g" is not.
            return has_amount_after_gap(self.bare)
        if self.words > MAX_INGREDIENT_WORDS + (4 if self.bulleted else 0):
            return False
        if starts_with_amount(self.bare):
            sentence = self.ends and self.words > MAX_UNMEASURED_WORDS and not self.bulleted
            return not sentence and bool(self.understood.item)
        return self.understood.quantity is not None

    @cached_property
    def _is_counted(self) -> bool:
        """Whether it is measured, and not only by an article: `A made-up stew` may be a name."""
        begins = starts_with_digit(self.bare)
        return self.is_measured and (begins or self.understood.unit != "piece")

    @cached_property
    def is_time(self) -> bool:
        """Whether its first amount is a time: `20-25 Min. köcheln lassen`."""
        return (
            starts_with_amount(self.bare)
            and minutes_of_step(" ".join(self.bare.split()[:3])) is not None
        )

    @cached_property
    def is_unmeasured(self) -> bool:
        """Whether it may be an ingredient without an amount, among others that have one."""
        if self.level or self.numbered or self.words > MAX_UNMEASURED_WORDS or not self.bare:
            return False
        if beginning("lines", "unmeasured").match(self.bare) and not self.tells_to_do:
            return True
        return not self.ends and not self.tells_to_do and minutes_of_step(self.bare) is None

    @cached_property
    def is_step(self) -> bool:
        """Whether it tells what to do: it begins so, is a sentence, tells a time, or is long."""
        if self.is_measured or not re.search(r"[^\W\d_]{2}", self.bare):
            return False
        return (
            self.tells_to_do
            or self.ends
            or (self.numbered and self.words > 1)
            or minutes_of_step(self.bare) is not None
            or self.words >= MIN_STEP_WORDS
        )

    @cached_property
    def is_about(self) -> bool:
        """Whether it only says how long, how hard or where from: `Prep time: 15 minutes`."""
        before, colon, after = self.bare.partition(":")
        known = beginning("lines", "about").fullmatch(before.strip(" *_"))
        return bool(colon and after.strip() and known)

    @cached_property
    def section(self) -> str | None:
        """The name of the part that it heads; None where it heads none.

        A heading of Markdown, a line that ends in a colon or begins as such headings do, or one in
        capitals.
        """
        plain = self.bare.strip(" *_")
        if not plain or self.words > MAX_TITLE_WORDS or starts_with_amount(plain):
            return None
        begins = beginning("lines", "sections").match(plain)
        named = plain.rstrip(" :")
        if begins is not None and (not self.ends) and self.words <= 6 and not self.numbered:
            rest = named[begins.end() :].strip(" '’")
            return rest or None
        if self.level or plain.endswith(":"):
            return named if "," not in named or self.level else None
        capitals = plain.isupper() and len(plain) > 2 and not self.ends
        return named if capitals and self.words <= 5 else None

    def heads(self, what: str) -> bool:
        """Whether it is the heading of one part: `ingredients`, `method` or `notes`.

        A note may follow its heading on the same line: `Tip: serve it hot.`
        """
        before, colon, after = self.bare.partition(":")
        if what == "notes" and colon and after.strip() and is_head(before, what):
            return True
        named = apart(self.bare.strip(" :"))[0]
        return len(named.split()) <= 5 and is_head(named, what)

    @cached_property
    def is_head(self) -> bool:
        """Whether it is one of the usual headings."""
        return any(self.heads(what) for what in ("ingredients", "method", "notes"))

    @cached_property
    def may_be_title(self) -> bool:
        """Whether it is short and plain enough for a name."""
        return (
            bool(re.search(r"[^\W\d_]{2}", self.bare))
            and len(self.text) <= MAX_TITLE
            and self.words <= MAX_TITLE_WORDS
            and (not self.ends or apart(self.bare)[1] is not None)
            and not self.numbered
            and not self.bulleted
            and not self.is_head
            and not self.is_about
            and self.told_yield is None
            and "\t" not in self.text
            and (bool(self.level) or not self._is_counted or apart(self.bare)[1] is not None)
        )


def text_lines(text: str) -> list[TextLine]:
    """The lines of a text that say something; tables become rows with tabs between their cells."""
    found: list[TextLine] = []
    blank = True
    for raw in text.replace("\r\n", "\n").replace("\r", "\n").replace("\x0c", "\n").split("\n"):
        line = raw.rstrip().replace(" ", " ")
        if not line.strip() or (_PIPE_RULE.match(line) and "|" in line):
            blank = blank or not line.strip()
            continue
        if _RULE.match(line):
            found.append(TextLine("", after_blank=True, rule=True))
            blank = True
            continue
        heading = _HEADING.match(line)
        bold = _BOLD_LINE.match(line)
        if heading is not None:
            found.append(TextLine(heading[2].strip(" *_"), len(heading[1]), True))
        elif bold is not None:
            found.append(TextLine(bold[1].strip(), 7, blank))
        else:
            cells = _PIPES.match(line)
            row = "\t".join(c.strip() for c in cells[1].split("|")) if cells else line.strip()
            found.append(TextLine(row, 0, blank))
        blank = False
    return found
