"""What a line of a recipe's text lists: one ingredient, several, with or without amounts."""

import re
from dataclasses import dataclass
from functools import cached_property

from yellow_ladle.core.amounts.phrases import TEMPERATURE
from yellow_ladle.core.amounts.understood import Understood
from yellow_ladle.core.recipes.ingredient_list import is_goods, labelled_list, names_in, run_in
from yellow_ladle.core.recipes.ingredient_text import (
    has_amount_after_gap,
    is_optional,
    starts_with_amount,
    starts_with_digit,
    understood_line,
)
from yellow_ladle.core.recipes.line_text import LineText
from yellow_ladle.core.recipes.recipe_facts import is_fact, is_time
from yellow_ladle.core.recipes.recipe_words import beginning, listed
from yellow_ladle.core.recipes.step_minutes import minutes_of_step
from yellow_ladle.core.recipes.yield_text import Told, yield_of
from yellow_ladle.core.words.class_names import class_of_name

MAX_INGREDIENT_WORDS, MAX_UNMEASURED_WORDS, MAX_ITEM_WORDS = 12, 8, 7
_PER_CENT = re.compile(r"[^\W\d][^\d]*?(?:\.{2,}|:|\s)\s*\d+(?:[.,]\d+)?\s?%")
_CAPITALS = re.compile(r"((?:[^\W\d_]+ ?){1,3}[^\W\d_])\s{2,}(?=\d)")
_IN_BRACKETS = re.compile(r"\([^()]*\)")


@dataclass(frozen=True)
class ListedLine(LineText):
    """A line, read as ingredients."""

    @cached_property
    def understood(self) -> Understood:
        """What it says, read as an ingredient."""
        return understood_line(self.bare)

    @cached_property
    def labelled(self) -> tuple[str, list[str]] | None:
        """The name of a part and its ingredients on one line: `Roux: 50 g butter, 50 g flour`.

        None of `Butter: 100 g soft`, where what stands before the colon is the item.
        """
        if (capitals := _CAPITALS.match(self.bare)) is not None and capitals[1].isupper():
            return labelled_list(f"{capitals[1]}: {self.bare[capitals.end() :]}")
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
