"""What the lines of a text say by where they stand: blocks, and what leads to what.

What depends on all the lines that follow is worked out once for the whole text, from its end, so
that reading takes time in proportion to the text.
"""

from bisect import bisect_right
from collections import Counter
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import cached_property

from yellow_ladle.core.recipes.listed_line import MAX_UNMEASURED_WORDS
from yellow_ladle.core.recipes.table_rows import columns_of
from yellow_ladle.core.recipes.text_line import MAX_PART_WORDS, TextLine

MIN_RUN = 3
"""Ingredients that follow one another where a list begins among the steps."""
LOOK_AHEAD = 12
"""Lines after a title among which its ingredients have to begin."""


@dataclass(frozen=True)
class TextStructure:
    """The lines of a text. Places count from 0."""

    lines: Sequence[TextLine]

    def after(self, at: int) -> TextLine | None:
        """The line that follows one; None after the last."""
        return self.lines[at + 1] if at + 1 < len(self.lines) else None

    def block(self, at: int) -> Sequence[TextLine]:
        """The lines between two blank ones among which a line stands."""
        place = bisect_right(self._starts, at)
        first = self._first_of_block(at)
        end = self._starts[place] if place < len(self._starts) else len(self.lines)
        return self.lines[first:end]

    @cached_property
    def _starts(self) -> list[int]:
        """The places of the lines that begin a block."""
        return [at for at, line in enumerate(self.lines) if line.after_blank]

    def stands_alone(self, at: int) -> bool:
        """Whether a line has blank ones on either side."""
        following = self.after(at)
        return self.lines[at].after_blank and (following is None or following.after_blank)

    def leads_to_ingredients(self, at: int) -> bool:
        """Whether an ingredient follows a line."""
        following = self.after(at)
        return following is not None and (following.is_measured or following.bulleted)

    def leads_to_steps(self, at: int) -> bool:
        """Whether what follows a line tells what to do."""
        following = self.after(at)
        return following is not None and following.is_step and not following.is_measured

    def starts_recipe(self, at: int) -> bool:
        """Whether after a title come a heading of ingredients or an ingredient, before any step."""
        for line in self.lines[at + 1 : at + 1 + LOOK_AHEAD]:
            if line.heads("ingredients") or columns_of(line.text) is not None:
                return True
            if line.is_measured or line.listing is not None:
                return True
            if line.rule and line is self.lines[at + 1]:
                continue
            if line.heads("method") or line.heads("notes") or line.rule:
                return False
            if line.told_yield is not None or line.is_about or line.section is not None:
                continue
            # Whatever else is a sentence may be what is told before the ingredients.
            if line.is_step and (line.numbered or line.tells_to_do):
                return False
        return False

    def leads_to_list(self, at: int) -> bool:
        """Whether a line by itself has a paragraph beneath it, and then a list of ingredients."""
        told, listed = at + 1, at + 2
        if listed >= len(self.lines) or len(self.block(told)) > 1:
            return False
        return self.lists_ingredients(listed)

    def is_first_of_several(self, at: int) -> bool:
        """Whether a title after a title is that of the first of several whole recipes."""
        return self._is_whole_recipe(at) and self._last_whole > at

    @cached_property
    def _last_whole(self) -> int:
        """The place of the last title of a whole recipe; -1 where there is none."""
        places = range(len(self.lines) - 1, -1, -1)
        return next((at for at in places if self._is_whole_recipe(at)), -1)

    def _is_whole_recipe(self, at: int) -> bool:
        """Whether a line is a title with ingredients right beneath it and steps after these."""
        line = self.lines[at]
        if not line.after_blank or not line.may_be_title or not self.leads_to_ingredients(at):
            return False
        if line.begins_as_part or (line.tells_to_do and line.bare.endswith(":")):
            return False
        return self._steps_before_title[at + 1]

    @cached_property
    def _steps_before_title(self) -> list[bool]:
        """For each place whether a step comes from there on, before the name of anything."""

        def found(line: TextLine) -> bool | None:
            if line.is_measured or line.bulleted:
                return None
            if line.is_step:
                return True
            named = line.after_blank and (line.may_be_title or line.section is not None)
            return False if named else None

        return _from_the_end(self.lines, found)

    def has_steps_before_heading(self, at: int) -> bool:
        """Whether what stands under a heading has steps of its own."""
        level = self.lines[at].level
        if level not in self._steps_under:

            def found(line: TextLine) -> bool | None:
                if line.level and line.level <= level:
                    return False
                told = line.heads("method") or (line.is_step and not line.is_measured)
                return True if told else None

            self._steps_under[level] = _from_the_end(self.lines, found)
        return self._steps_under[level][at + 1]

    @cached_property
    def _steps_under(self) -> dict[int, list[bool]]:
        """Per level of a heading, for each place whether steps come before such a heading."""
        return {}

    def count_of_level(self, level: int) -> int:
        """How many headings of a level there are besides the usual ones."""
        return self._levels[level]

    @cached_property
    def _levels(self) -> Counter[int]:
        return Counter(line.level for line in self.lines if not line.is_head)

    def method_after(self, at: int) -> int:
        """The place of the next heading of steps, before one of ingredients; 0 where none is."""
        place = bisect_right(self._parts, at)
        if place == len(self._parts):
            return 0
        following = self._parts[place]
        return 0 if self.lines[following].heads("ingredients") else following

    @cached_property
    def _parts(self) -> list[int]:
        """The places of the headings of ingredients and steps."""
        lines = enumerate(self.lines)
        return [at for at, line in lines if line.heads("ingredients") or line.heads("method")]

    def ingredients_after(self, at: int) -> bool:
        """Whether a heading of ingredients follows, before any line with an amount."""
        return self._heading_before_amount[at + 1]

    @cached_property
    def _heading_before_amount(self) -> list[bool]:
        def found(line: TextLine) -> bool | None:
            if line.heads("ingredients"):
                return True
            return False if line.is_measured or line.heads("method") or line.rule else None

        return _from_the_end(self.lines, found)

    def names_part(self, at: int) -> bool:
        """Whether a line stands over ingredients as the name of their part.

        It begins a block, or is the one line of a list that has no bullet.
        """
        line = self.lines[at]
        if not line.heads_list:
            return False
        marked = self.lines[at + 1].bulleted and not line.bulleted and not line.is_step
        return (line.names_part and line.after_blank) or (marked and line.words <= MAX_PART_WORDS)

    def is_in_list(self, at: int) -> bool:
        """Whether a line that is no sentence has one with an amount beneath it in its block."""
        line = self.lines[at]
        if line.is_step or line.words > MAX_UNMEASURED_WORDS or line.level:
            return False
        return self.has_amounts_beneath(at)

    def has_amounts_beneath(self, at: int) -> bool:
        """Whether a line with an amount stands beneath a line in its block, before any step."""
        beneath = self._amounts_in_capitals if self.lines[at].bare.isupper() else self._amounts
        return beneath[at + 1]

    @cached_property
    def _amounts(self) -> list[bool]:
        return self._amounts_beneath(capitals=False)

    @cached_property
    def _amounts_in_capitals(self) -> list[bool]:
        return self._amounts_beneath(capitals=True)

    def _amounts_beneath(self, *, capitals: bool) -> list[bool]:
        def found(line: TextLine) -> bool | None:
            # In a text in capitals a line in capitals heads nothing by that.
            heads = line.section is not None and not (capitals and line.bare.isupper())
            if line.after_blank or line.rule or line.is_step or heads:
                return False
            return True if line.is_measured else None

        return _from_the_end(self.lines, found)

    def lists_ingredients(self, at: int) -> bool:
        """Whether a line begins a block of several ingredients with amounts."""
        if not self.lines[at].after_blank:
            return False
        block = self.block(at)
        return len(block) > 1 and all(line.is_measured and not line.numbered for line in block)

    def runs_into_ingredients(self, at: int) -> bool:
        """Whether several ingredients with amounts follow one another, also within a block."""
        run = self.lines[at : at + MIN_RUN]
        return len(run) == MIN_RUN and all(
            line.is_measured and not line.numbered and not line.ends and not line.tells_to_do
            for line in run
        )

    def in_numbered_list(self, at: int) -> bool:
        """Whether the block that a line stands in began with a number."""
        return self._numbered_before[at]

    @cached_property
    def _numbered_before(self) -> list[bool]:
        """For each place whether a numbered line stands before it in its block."""
        found = [False]
        for line in self.lines:
            found.append(line.numbered or (found[-1] and not line.after_blank))
        return found

    def fills_its_line(self, at: int) -> bool:
        """Whether the first word of the next line would have made this the longest of its block."""
        following = self.lines[at + 1].text.split()
        first = self._first_of_block(at)
        longest = self._longest.get(first)
        if longest is None:
            longest = max(len(line.text) for line in self.block(at))
            self._longest[first] = longest
        return len(self.lines[at].text) + 1 + len(following[0]) > longest

    @cached_property
    def _longest(self) -> dict[int, int]:
        """The letters of the longest line of a block, by the place of its first."""
        return {}

    def _first_of_block(self, at: int) -> int:
        place = bisect_right(self._starts, at)
        return self._starts[place - 1] if place else 0


def _from_the_end(
    lines: Sequence[TextLine], found: Callable[[TextLine], bool | None]
) -> list[bool]:
    """For each place what the first line from there on says that says anything; else False.

    `found` says nothing by None. The last entry is that behind the last line.
    """
    answers = [False] * (len(lines) + 1)
    for at in range(len(lines) - 1, -1, -1):
        said = found(lines[at])
        answers[at] = answers[at + 1] if said is None else said
    return answers
