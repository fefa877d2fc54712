"""A line of a recipe's text: its words, the sign before it, the facts that it tells."""

import re
from dataclasses import dataclass
from functools import cached_property

from yellow_ladle.core.amounts.phrases import NO_AMOUNT
from yellow_ladle.core.recipes.ingredient_text import (
    has_amount_after_gap,
    is_abbreviation,
    is_bulleted,
    without_bullet,
)
from yellow_ladle.core.recipes.recipe_facts import facts_of, is_fact, is_time
from yellow_ladle.core.recipes.recipe_words import beginning, is_head, listed
from yellow_ladle.core.recipes.told_steps import Language, tells_to_do
from yellow_ladle.core.recipes.yield_text import Told, apart, yield_of

_NUMBER = re.compile(
    r"^\s*(?:(?:step|schritt|étape|paso|passo|fase)\s*)?[(\[]?\d{1,2}\s*[.):\]]+-?\s*(?=\D)|"
    r"^\s*\d{1,2}(?:[º°ªo]?\s*[/)-]|[º°ª])\s+(?=[^\W\d_]{2})|"
    r"^\s*(?:step|schritt|étape|paso|passo|fase)\s*\d{1,2}\s*[-–—:.)]*\s*",
    re.I,
)
PLAIN_NUMBER = re.compile(r"^\s*(?P<number>\d{1,2})\s+(?=[^\W_])")
_BRACKETED = re.compile(r"\s*\([^()]*\)\s*$")
_CLOCK = re.compile(r"^\s*\d{1,2}(?::|h)[0-5]\d\s+(?=[^\W\d_])")
_ENDS = re.compile(r"[.!?…][\"'”’)]?$")


@dataclass(frozen=True)
class LineText:
    """One line.

    `level` is that of a heading, 0 of anything else. `after_blank`: it begins a new block; `rule`:
    it is one; `counted`: its number has no sign behind it, as in "1 Melt the butter";
    `heads_list`: it stands over lines with amounts; `indented`: it stands further to the right.
    """

    text: str
    level: int = 0
    after_blank: bool = False
    rule: bool = False
    language: Language = "en"
    counted: bool = False
    heads_list: bool = False
    indented: bool = False

    @cached_property
    def numbered(self) -> bool:
        """Whether it begins as one of a numbered list."""
        return self._number is not None

    @cached_property
    def _number(self) -> re.Match[str] | None:
        return (PLAIN_NUMBER if self.counted else _NUMBER).match(self.text)

    @cached_property
    def bulleted(self) -> bool:
        """Whether it is listed by a sign."""
        return is_bulleted(self.text)

    @cached_property
    def bare(self) -> str:
        """Its words without number, sign and emphasis."""
        return without_bullet(self.text[self._number.end() :] if self._number else self.text)

    @cached_property
    def words(self) -> int:
        """How many words it has."""
        return len(self.bare.split())

    @cached_property
    def ends(self) -> bool:
        """Whether it ends as a sentence does."""
        last = re.search(r"([^\W\d_]+)\.[)\]]?$", self.bare)
        if last is not None and is_abbreviation(last[1]):
            return False
        return _ENDS.search(self.bare) is not None and NO_AMOUNT.search(self.bare) is None

    @cached_property
    def starts_small(self) -> bool:
        """Whether it begins with a small letter."""
        return self.bare[:1].islower()

    @cached_property
    def at_clock(self) -> bool:
        """Whether it begins with a time of day: `12:30 Add the salt`."""
        return _CLOCK.match(self.text) is not None

    @cached_property
    def tells_to_do(self) -> bool:
        """Whether it begins with what a cook does."""
        if beginning("verbs", "of_goods").match(self.bare) and NO_AMOUNT.search(
            self.bare.rstrip(" .")
        ):
            # "Toast, to serve"
            return False
        return tells_to_do(self.bare, self.language) and (self.words > 1 or self.ends)

    @cached_property
    def _facts(self) -> list[str]:
        """What it says if it holds nothing but facts."""
        return facts_of(self.bare)

    @cached_property
    def told_yield(self) -> Told | None:
        """The yield that it is, or that it tells beside other facts; None where it tells none."""
        told = (yield_of(fact, bare=True) for fact in self._facts)
        return yield_of(self.text) or next(filter(None, told), None)

    @cached_property
    def _ends_in_yield(self) -> bool:
        """Whether the last of its cells is a yield: `Leek tart | serves 4`."""
        return "\t" in self.text and yield_of(self.text.rpartition("\t")[2]) is not None

    @cached_property
    def is_time(self) -> bool:
        """Whether its first amount is a time: `20-25 Min. köcheln lassen`."""
        return is_time(self.bare)

    @cached_property
    def is_about(self) -> bool:
        """Whether it only says how long, how hard or where from: `Prep time: 15 minutes`."""
        button = re.sub(r"\W+", " ", self.bare).strip().lower() in listed("lines", "buttons")
        return button or is_fact(self.bare) or bool(self._facts)

    @cached_property
    def is_closing(self) -> bool:
        """Whether it only takes leave of its reader: `Enjoy!`, `Let me know how it turned out.`"""
        found = beginning("lines", "closings").match(self.bare)
        if found is None or self.numbered or re.search(r"\d", self.bare):
            return False
        return found.end() == len(self.bare.rstrip(" .")) or self.bare.endswith(("!", "?"))

    @cached_property
    def begins_as_part(self) -> bool:
        """Whether it begins as the names of parts do: `For the sauce`."""
        return beginning("lines", "sections").match(self.bare) is not None

    def heads(self, what: str) -> bool:
        """Whether it is the heading of one part: `ingredients`, `method` or `notes`.

        A note may follow its heading on the same line: `Tip: serve it hot.`
        """
        before, colon, after = self.bare.partition(":")
        if what == "notes" and colon and after.strip() and is_head(before, what):
            return True
        named = _BRACKETED.sub("", apart(self.bare.strip(" :"))[0])
        words = named.split()
        if what == "method" and words and not self.ends and not re.search(r"[\d,:]", named):
            # "Preparation of the filling", but no sentence.
            return len(words) <= 5 and (is_head(named, what) or is_head(words[0], what))
        if what == "ingredients" and words and self.bare.endswith(":"):
            # "Ingredients for a mould of six:"
            return is_head(words[0], what) and not has_amount_after_gap(self.bare)
        return len(words) <= 5 and is_head(named, what)

    @cached_property
    def is_head(self) -> bool:
        """Whether it is one of the usual headings."""
        return any(self.heads(what) for what in ("ingredients", "method", "notes"))
