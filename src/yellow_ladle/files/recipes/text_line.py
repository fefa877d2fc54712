"""A line of a recipe's text, with what can be told of it by itself."""

import re
from dataclasses import dataclass
from functools import cached_property

from yellow_ladle.core.amounts.phrases import NO_AMOUNT, TEMPERATURE
from yellow_ladle.core.amounts.understood import Understood
from yellow_ladle.core.vocabulary.class_names import class_of_name
from yellow_ladle.files.recipes.ingredient_list import is_goods, labelled_list, names_in, run_in
from yellow_ladle.files.recipes.ingredient_text import (
    has_amount_after_gap,
    is_abbreviation,
    is_bulleted,
    is_optional,
    starts_with_amount,
    starts_with_digit,
    understood_line,
    without_bullet,
)
from yellow_ladle.files.recipes.recipe_facts import facts_of, is_fact, is_time
from yellow_ladle.files.recipes.recipe_words import beginning, is_head, listed
from yellow_ladle.files.recipes.step_minutes import minutes_of_step
from yellow_ladle.files.recipes.told_steps import Language, tells_to_do
from yellow_ladle.files.recipes.yield_text import Told, apart, yield_of

MAX_TITLE = 90
"""Signs of a name; longer lines are sentences."""
MAX_TITLE_WORDS = MAX_INGREDIENT_WORDS = 12
MAX_UNMEASURED_WORDS, MAX_ITEM_WORDS, MAX_PART_WORDS = 8, 7, 3
MIN_STEP_WORDS = 9
_NUMBER = re.compile(
    r"^\s*(?:(?:step|schritt|étape|paso|passo|fase)\s*)?[(\[]?\d{1,2}\s*[.):\]]+-?\s*(?=\D)|"
    r"^\s*\d{1,2}(?:[º°ªo]?\s*[/)-]|[º°ª])\s+(?=[^\W\d_]{2})|"
    r"^\s*(?:step|schritt|étape|paso|passo|fase)\s*\d{1,2}\s*[-–—:.)]*\s*",
    re.I,
)
PLAIN_NUMBER = re.compile(r"^\s*(?P<number>\d{1,2})\s+(?=[^\W_])")
_BRACKETED = re.compile(r"\s*\([^()]*\)\s*$")
_PER_CENT = re.compile(r"[^\W\d][^\d]*?(?:\.{2,}|:|\s)\s*\d+(?:[.,]\d+)?\s?%")
_DAY = re.compile(r"(?:day|tag|jour|día|giorno)\s*\d{1,2}\W?", re.I)
_IN_BRACKETS = re.compile(r"\([^()]*\)")
_CLOCK = re.compile(r"^\s*\d{1,2}(?::|h)[0-5]\d\s+(?=[^\W\d_])")
_ENDS = re.compile(r"[.!?…][\"'”’)]?$")


@dataclass(frozen=True)
class TextLine:
    """One line.

    `level` is that of a heading, 0 of anything else. `after_blank`: it begins a new block; `rule`:
    it is one; `counted`: its number has no sign behind it, as in "1 Melt the butter";
    `heads_list`: it stands over lines with amounts.
    """

    text: str
    level: int = 0
    after_blank: bool = False
    rule: bool = False
    language: Language = "en"
    counted: bool = False
    heads_list: bool = False

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
        last = re.search(r"([^\W\d_]+)\.[)\]]?$", self.bare)
        if last is not None and is_abbreviation(last[1]):
            return False
        return _ENDS.search(self.bare) is not None and NO_AMOUNT.search(self.bare) is None

    @cached_property
    def _ends_in_yield(self) -> bool:
        """Whether the last of its cells is a yield: `Leek tart | serves 4`."""
        return "\t" in self.text and yield_of(self.text.rpartition("\t")[2]) is not None

    @cached_property
    def starts_small(self) -> bool:
        """Whether it begins with a small letter."""
        return self.bare[:1].islower()

    @cached_property
    def at_clock(self) -> bool:
        """Whether it begins with a time of day: `12:30 Add the salt`."""
        return _CLOCK.match(self.text) is not None

    @cached_property
    def names_part(self) -> bool:
        """Whether it is short and may stand over the ingredients of a part: `Filling`."""
        plain = self.bare.strip(" *_:")
        if not 0 < self.words <= MAX_PART_WORDS or self.numbered or self.bulleted or self.ends:
            return False
        return not (self.is_measured or self.tells_to_do or "," in plain or not plain[0].isupper())

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
    def told_yield(self) -> Told | None:
        """The yield that it is, or that it tells beside other facts; None where it tells none."""
        return yield_of(self.text) or next(filter(None, map(yield_of, self._facts)), None)

    @cached_property
    def _facts(self) -> list[str]:
        """What it says if it holds nothing but facts."""
        return facts_of(self.bare)

    @cached_property
    def labelled(self) -> tuple[str, list[str]] | None:
        """The name of a part and its ingredients on one line: `Roux: 50 g butter, 50 g flour`.

        None of `Butter: 100 g soft`, where what stands before the colon is the item.
        """
        label, colon, _ = self.bare.partition(":")
        if not colon or self.is_head or is_fact(self.bare) or is_optional(f"{label}:"):
            return None
        told = self.tells_to_do and not re.search(r":\s*[\d¼½¾⅓⅔⅛]", self.bare)
        return None if told else labelled_list(self.bare)

    @cached_property
    def listing(self) -> tuple[Told | None, list[str]] | None:
        """What a sentence lists, and for how many: `For 6 you need 30 g flour and 2 eggs.`"""
        for found in beginning("lines", "listing").finditer(self.bare):
            before = self.bare[: found.start()].strip(" ,:")
            parts = run_in(self.bare[found.end() :].strip(" :."))
            told = yield_of(before) if before else None
            # What is told before it otherwise belongs to it: "For every kilo take 800 g of sugar".
            if len(parts) > 1 and (told is not None or not before):
                return told, parts
        return None

    @cached_property
    def afterthought(self) -> list[str]:
        """What it adds to a list that a sentence gave: `Oh, and butter.`"""
        begins = beginning("lines", "besides").match(self.bare)
        if begins is None or self.tells_to_do:
            return []
        rest = self.bare[begins.end() :].strip(" ,:.!")
        names = [name for part in run_in(rest) for name in names_in(part)]
        return names if all(map(is_goods, names)) or starts_with_amount(rest) else []

    @cached_property
    def parts(self) -> list[str]:
        """The ingredients that it lists one after another; itself alone where it lists none."""
        return names_in(self.bare) if self.lists_goods else run_in(self.bare)

    @cached_property
    def lists_goods(self) -> bool:
        """Whether it names several goods and says of none how much: `Bread, bay, mustard`.

        Salt, herbs and spices stay with what they are listed behind.
        """
        if "," not in self.bare or self.ends or re.search(r"\d", self.bare) or self.tells_to_do:
            return False
        names = names_in(self.bare)
        if not all(map(is_goods, names)):
            return False
        unnamed = listed("lines", "goods")
        behind = {class_of_name(n).class_ for n in names[1:] if n.lower() not in unnamed}
        return not behind <= set(listed("lines", "seasonings"))

    @cached_property
    def is_measured(self) -> bool:
        """Whether it is an ingredient with an amount, before or after it."""
        if self.is_time or self.told_yield is not None or self.counted or self.at_clock:
            return False
        if TEMPERATURE.match(self.bare) or _IN_BRACKETS.fullmatch(self.bare):
            return False
        if _PER_CENT.fullmatch(self.bare):
            return True
        if self.labelled is not None:
            return re.search(r"\d", self.bare) is not None
        if self._ends_in_yield:
            return False
        if len(self.parts) > 1 and self._lists_amounts:
            return True
        if self.tells_to_do and not starts_with_digit(self.bare):
            # "Slice onions thin" is a step, "Brown onions: 100 g" and "brown stock 5 l" are not.
            said_of_goods = beginning("verbs", "of_goods").match(self.bare) is not None
            return has_amount_after_gap(self.bare) or (
                said_of_goods
                and self.understood.quantity is not None
                and self.words <= MAX_ITEM_WORDS
                and not self.ends
                and minutes_of_step(self.bare) is None
            )
        begins = starts_with_amount(self.bare)
        if self.ends and not begins and minutes_of_step(self.bare) is not None:
            return False
        # However much is said after it, a short item with its measure is an ingredient.
        item = self.understood.item.split()
        short = begins and self.understood.unit is not None and len(item) <= MAX_ITEM_WORDS
        if self.words > MAX_INGREDIENT_WORDS + (4 if self.bulleted else 0) and (
            not short or self.ends
        ):
            return False
        if begins:
            sentence = self.ends and self.words > MAX_UNMEASURED_WORDS and not self.bulleted
            return not sentence and bool(self.understood.item)
        return self.understood.quantity is not None

    @cached_property
    def _lists_amounts(self) -> bool:
        """Whether its parts are ingredients with amounts, and goods without one at the end."""
        if any(map(is_time, self.parts)):
            return False
        if starts_with_amount(self.bare):
            return True
        read = [understood_line(part) for part in self.parts]
        told = sum(found.quantity is not None for found in read)
        if told > 1 and told + sum(map(is_goods, self.parts)) >= len(read):
            return True
        # "Butter 500 / Sugar 300 / Salt 8" asks for its unit, and is a list.
        asked = all(found.quantity is not None or found.question for found in read)
        return (
            asked and not self.tells_to_do and not self.ends and minutes_of_step(self.bare) is None
        )

    @cached_property
    def _is_counted(self) -> bool:
        """Whether it is measured, and not only by an article: `A made-up stew` may be a name."""
        begins = starts_with_digit(self.bare)
        return self.is_measured and (begins or self.understood.unit != "piece")

    @cached_property
    def is_time(self) -> bool:
        """Whether its first amount is a time: `20-25 Min. köcheln lassen`."""
        return is_time(self.bare)

    @cached_property
    def is_unmeasured(self) -> bool:
        """Whether it may be an ingredient without an amount, among others that have one."""
        if self.level or self.numbered or self.words > MAX_UNMEASURED_WORDS or not self.bare:
            return False
        if beginning("lines", "unmeasured").match(self.bare) and not self.tells_to_do:
            return True
        return not self.ends and not self.tells_to_do and minutes_of_step(self.bare) is None

    @cached_property
    def is_short_sentence(self) -> bool:
        """Whether it ends in a stop, and neither tells what to do nor how long or how hot."""
        if not self.ends or self.numbered or self.words > MAX_ITEM_WORDS or self.is_measured:
            return False
        timed = minutes_of_step(self.bare) is not None or TEMPERATURE.search(self.bare) is not None
        return not (timed or self.tells_to_do or self.is_about or self.level)

    @cached_property
    def names_goods(self) -> bool:
        """Whether the goods that it names are known: `A little butter for the tin.`"""
        names = names_in(self.understood.item.strip(" .") or self.bare)
        return all(is_goods(name) or class_of_name(name).certain for name in names)

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
        return named if capitals and self.words <= 5 else None

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
