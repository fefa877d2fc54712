"""Recipes in plain text: a card, a page or a whole notebook, told apart and taken to pieces.

Line by line, from what each line says by itself (text_lines.py) and where it stands: a title, what
is said before the ingredients, the ingredients with their sections, the steps, notes. Without
headings the ingredients are the first run of lines with amounts. A title after the steps of a
recipe, with ingredients after it, begins the next one.
"""

import re
from collections.abc import Sequence
from dataclasses import dataclass, field

from yellow_ladle.core.vocabulary.units import shipped_units
from yellow_ladle.files.recipes.ingredient_text import run_in, starts_with_digit
from yellow_ladle.files.recipes.recipe import UNNAMED, Recipe, RecipeLine, RecipeStep
from yellow_ladle.files.recipes.recipe_words import beginning
from yellow_ladle.files.recipes.step_minutes import minutes_of_step
from yellow_ladle.files.recipes.table_rows import Columns, columns_of
from yellow_ladle.files.recipes.text_lines import (
    MAX_PART_WORDS,
    MAX_TITLE_WORDS,
    MAX_UNMEASURED_WORDS,
    TextLine,
    text_lines,
)
from yellow_ladle.files.recipes.yield_text import Told, apart, yield_of, yield_said_in

LOOK_AHEAD = 12
"""Lines after a title among which its ingredients have to begin."""
MIN_WRAPPED = 60
"""Signs of a line from which on the next one may go on with its sentence."""


def text_recipes(text: str) -> list[Recipe]:
    """Every recipe in a text; of one without ingredients and steps none."""
    reader = _TextReader(text_lines(text))
    reader.read()
    found = [draft.recipe() for draft in reader.drafts]
    return [recipe for recipe in found if recipe.lines or recipe.steps]


@dataclass
class _Draft:
    name: str = ""
    told: Told | None = None
    lines: list[RecipeLine] = field(default_factory=list)
    steps: list[RecipeStep] = field(default_factory=list)
    level: int = 0
    said: list[str] = field(default_factory=list)

    def recipe(self) -> Recipe:
        # Of a text that is only told, without any list, what is told are the steps.
        # Beside a list, what tells an amount is: "The day before, soak 500 g salt cod."
        only_told = not self.lines and not self.steps
        told = [text for text in self.said if text and (only_told or _tells_amount(text))]
        steps = [RecipeStep(text, minutes_of_step(text)) for text in told]
        return Recipe(
            (self.name or UNNAMED)[:200],
            tuple(self.lines),
            (*steps, *self.steps),
            "" if self.told is None else self.told.text,
            portions=None if self.told is None else self.told.portions,
            yield_=None if self.told is None else self.told.yield_,
        )


class _TextReader:
    """`zone` is where the reader stands: before the ingredients, in them, in steps, in notes."""

    def __init__(self, lines: Sequence[TextLine]) -> None:
        self.lines = lines
        self.drafts: list[_Draft] = []
        self._zone = "before"
        self._section = ""
        self._columns: Columns | None = None
        self._headed = False
        self._listed_until = 0

    def read(self) -> None:
        for at, line in enumerate(self.lines):
            if line.rule:
                if self._ends_recipe(at):
                    self._zone = "over"
            elif self._begins(at):
                self._begin(line)
            else:
                self._take(at, line)

    def _after(self, at: int) -> TextLine | None:
        """The line that follows one; None after the last."""
        return self.lines[at + 1] if at + 1 < len(self.lines) else None

    def _ends_recipe(self, at: int) -> bool:
        """Whether a rule parts two recipes: a title follows it, with ingredients after that."""
        following = self._after(at)
        return (
            bool(self.drafts and self.drafts[-1].lines)
            and following is not None
            and following.may_be_title
            and self._starts_recipe(at + 1)
        )

    @property
    def _draft(self) -> _Draft:
        if not self.drafts:
            self.drafts.append(_Draft())
        return self.drafts[-1]

    def _begins(self, at: int) -> bool:
        """Whether a line is the title of the first recipe, or of the next one."""
        line = self.lines[at]
        if self._stands_alone(at):
            return True
        if not self.drafts and self._opens_part(at):
            return False
        if not line.may_be_title:
            return False
        if line.is_measured and self.drafts and not self.drafts[-1].steps:
            return False
        if not self.drafts:
            return True
        draft = self._draft
        if self._zone == "over":
            return True
        if not draft.name and not draft.lines and not draft.steps and draft.told is None:
            # What stands before the first title: the bar of a page, a greeting.
            if not line.is_step:
                self.drafts.pop()
            return not line.is_step
        if not draft.lines and not draft.steps:
            # The title of a book stands before that of its first recipe.
            if self._is_first_of_several(at):
                self.drafts.pop()
                return True
            return bool(line.level and draft.level and line.level > draft.level) and (
                self._has_steps_before_heading(at)
                and self._count_of_level(line.level) > 1
                and line.section is not None
                and self._starts_recipe(at)
            )
        if line.level and draft.level and line.level > draft.level:
            return False
        if not draft.steps and self._zone != "notes":
            return bool(line.level) and line.level == draft.level and self._starts_recipe(at)
        begins_section = beginning("lines", "sections").match(line.bare) is not None
        apart_ = line.after_blank or bool(line.level) or line.heads_list
        return apart_ and not begins_section and self._starts_recipe(at)

    def _stands_alone(self, at: int) -> bool:
        """Whether a line is a name because of where it stands, whatever it ends in or begins with.

        The first line, by itself or over ingredients; or a line by itself between the steps of one
        recipe and a block of ingredients.
        """
        line, following = self.lines[at], self._after(at)
        if following is None or not self._may_stand_alone(line):
            return False
        if not following.after_blank:
            return at == 0 and line.ends and following.is_measured
        if at == 0:
            return True
        steps = bool(self.drafts and self.drafts[-1].steps) and line.after_blank
        return steps and all(beneath.is_measured for beneath in _block(self.lines, at + 1))

    def _may_stand_alone(self, line: TextLine) -> bool:
        """Whether a line is short, and no bullet, heading, yield, order or measured amount."""
        short = line.words <= (MAX_UNMEASURED_WORDS if line.ends else MAX_TITLE_WORDS)
        told = line.told_yield is not None or line.section is not None or line.tells_to_do
        if not short or told or line.bulleted or line.is_head or line.rule or "\t" in line.text:
            return False
        if line.numbered:
            return line.words <= MAX_TITLE_WORDS // 2 and not line.ends
        unit = shipped_units().get(line.understood.unit or "")
        return not (starts_with_digit(line.bare) and unit is not None and unit.size is not None)

    def _opens_part(self, at: int) -> bool:
        """Whether a line stands over ingredients as the name of a part: `For the pastry:`."""
        begins = beginning("lines", "sections").match(self.lines[at].bare) is not None
        return begins and self.lines[at].section is not None and self._leads_to_ingredients(at)

    def _starts_recipe(self, at: int) -> bool:
        """Whether after a title come a heading of ingredients or an ingredient, before any step."""
        for line in self.lines[at + 1 : at + 1 + LOOK_AHEAD]:
            if line.heads("ingredients") or columns_of(line.text) is not None:
                return True
            if line.is_measured:
                return True
            if line.heads("method") or line.heads("notes") or line.rule:
                return False
            if line.told_yield is not None or line.is_about or line.section is not None:
                continue
            # Whatever else is a sentence may be what is told before the ingredients.
            if line.is_step and (line.numbered or line.tells_to_do):
                return False
        return False

    def _is_first_of_several(self, at: int) -> bool:
        """Whether a title after a title is that of the first of several whole recipes."""
        return self._is_whole_recipe(at) and any(
            self._is_whole_recipe(later) for later in range(at + 1, len(self.lines))
        )

    def _is_whole_recipe(self, at: int) -> bool:
        """Whether a line is a title with ingredients right beneath it and steps after these."""
        line = self.lines[at]
        if not line.after_blank or not line.may_be_title or not self._leads_to_ingredients(at):
            return False
        if beginning("lines", "sections").match(line.bare) is not None:
            return False
        for later in self.lines[at + 1 :]:
            if later.is_measured or later.bulleted:
                continue
            if later.is_step:
                return True
            if later.after_blank and (later.may_be_title or later.section is not None):
                return False
        return False

    def _has_steps_before_heading(self, at: int) -> bool:
        """Whether what stands under a heading has steps of its own."""
        level = self.lines[at].level
        for line in self.lines[at + 1 :]:
            if line.level and line.level <= level:
                return False
            if line.heads("method") or (line.is_step and not line.is_measured):
                return True
        return False

    def _count_of_level(self, level: int) -> int:
        return sum(line.level == level and not line.is_head for line in self.lines)

    def _begin(self, line: TextLine) -> None:
        named = (
            beginning("lines", "titles").sub("", line.bare, count=1)
            if self._is_called(line)
            else line.bare
        )
        name, told = apart(named.strip(" :"))
        self.drafts.append(_Draft(name, told, level=line.level))
        self._zone, self._section, self._columns, self._headed = "before", "", None, False

    def _is_called(self, line: TextLine) -> bool:
        """Whether a title begins with the word recipe: `Recipe: Leek tart`."""
        found = beginning("lines", "titles").match(line.bare)
        return found is not None and line.bare[found.end() :].lstrip()[:1] in (":", "-", "–")

    def _take(self, at: int, line: TextLine) -> None:
        if line.heads("ingredients"):
            self._zone, self._section, self._headed = "ingredients", "", True
            self._listed_until = self._method_after(at)
            self._draft.told = self._draft.told or apart(line.bare.strip(" :"))[1]
        elif line.heads("method"):
            self._zone, self._section, self._headed = "steps", "", True
        elif line.heads("notes") and (self._draft.lines or self._draft.steps):
            self._zone = "notes"
        elif (columns := columns_of(line.text)) is not None:
            self._zone, self._columns = "ingredients", columns
        elif self._zone == "notes":
            self._after_notes(line)
        elif self._zone in ("before", "over") and (listed := _listing(line)) is not None:
            self._take_listed(*listed)
        elif self._draft.told is None and self._yields(line):
            pass
        elif line.is_about and self._zone != "steps":
            pass
        elif self._zone in ("before", "over"):
            self._before(at, line)
        elif self._zone == "ingredients":
            self._ingredient(at, line)
        else:
            self._step(at, line)

    def _yields(self, line: TextLine) -> bool:
        """Takes a line that is a yield; `Ingredients for 4` opens the ingredients besides."""
        bare = not self._draft.lines and not self._draft.steps and not self._headed
        told = yield_of(line.text, bare=bare) or line.told_yield
        if told is None:
            return False
        self._draft.told = told
        first = line.bare.split(maxsplit=1)[0]
        if TextLine(first).heads("ingredients"):
            self._zone, self._headed = "ingredients", True
        return True

    def _before(self, at: int, line: TextLine) -> None:
        if line.is_measured or (line.bulleted and not line.is_step):
            self._zone = "ingredients"
            self._ingredient(at, line)
        elif line.section is not None and self._leads_to_ingredients(at):
            self._zone, self._section = "ingredients", line.section
        elif line.heads_list and self._names_part(at):
            self._zone, self._section = "ingredients", line.bare
        elif self._is_first_ingredient(at, line) or self._is_in_list(at):
            self._zone = "ingredients"
            self._ingredient(at, line)
        elif line.numbered and line.is_step and not line.is_measured:
            self._zone = "steps"
            self._step(at, line)
        else:
            self._draft.told = self._draft.told or yield_said_in(line.bare)
            self._draft.said.append(line.bare)

    def _take_listed(self, told: Told | None, parts: list[str]) -> None:
        """Takes what a sentence lists; what follows it are the steps."""
        self._draft.told = self._draft.told or told
        self._draft.lines += [RecipeLine(part, self._section) for part in parts]
        self._zone = "steps"

    def _is_first_ingredient(self, at: int, line: TextLine) -> bool:
        """A line without an amount in the block of those that have one: `Shells of 3 crabs`."""
        following = self._after(at)
        return (
            line.is_unmeasured
            and bool(self._draft.name)
            and following is not None
            and not following.after_blank
            and following.is_measured
        )

    def _names_part(self, at: int) -> bool:
        """Whether a line over others is the name of a part: it begins a block, or they are marked."""
        line = self.lines[at]
        marked = self.lines[at + 1].bulleted and not line.bulleted and not line.is_step
        return (line.names_part and line.after_blank) or (marked and line.words <= MAX_PART_WORDS)

    def _is_in_list(self, at: int) -> bool:
        """Whether a line that is no sentence has one with an amount beneath it in its block."""
        line = self.lines[at]
        if line.is_step or line.words > MAX_UNMEASURED_WORDS or not self._draft.name or line.level:
            return False
        for later in self.lines[at + 1 :]:
            if later.after_blank or later.rule or later.is_step or later.section is not None:
                return False
            if later.is_measured:
                return True
        return False

    def _leads_to_ingredients(self, at: int) -> bool:
        following = self._after(at)
        return following is not None and (following.is_measured or following.bulleted)

    def _ingredient(self, at: int, line: TextLine) -> None:
        if at < self._listed_until and line.numbered:
            self._draft.lines.append(RecipeLine(line.bare, self._section))
            return
        if self._columns is not None and "\t" in line.text:
            self._draft.lines.append(RecipeLine(self._columns.line(line.text), self._section))
            return
        if line.labelled is not None:
            label, parts = line.labelled
            self._draft.lines += [RecipeLine(part, label) for part in parts]
            return
        if len(line.parts) > 1 and (line.is_measured or line.lists_goods):
            self._draft.lines += [RecipeLine(part, self._section) for part in line.parts]
            return
        if line.is_measured or (line.bulleted and not self._is_step_here(line)):
            self._draft.lines.append(RecipeLine(line.bare, self._section))
            return
        if (name := line.section) is not None and self._heads_a_section(at):
            self._section = name
            return
        if line.heads_list and self._names_part(at):
            self._section = line.bare
            return
        if self._is_step_here(line):
            self._zone, self._section = "steps", ""
            self._step(at, line)
        elif line.is_unmeasured and (not line.after_blank or self._headed or not self._draft.lines):
            self._draft.lines.append(RecipeLine(line.bare, self._section))
        elif line.is_step or line.after_blank:
            self._zone, self._section = "steps", ""
            self._step(at, line)
        else:
            # What is not understood is kept as a line, and asks.
            self._draft.lines.append(RecipeLine(line.bare, self._section))

    def _method_after(self, at: int) -> int:
        """Where the heading of the steps stands that a heading of ingredients leads to; 0 if none."""
        for later in range(at + 1, len(self.lines)):
            if self.lines[later].heads("ingredients"):
                return 0
            if self.lines[later].heads("method"):
                return later
        return 0

    def _is_step_here(self, line: TextLine) -> bool:
        """Whether a line among the ingredients begins the steps."""
        if not self._draft.lines:
            return line.is_step and (line.tells_to_do or line.ends)
        return line.is_step

    def _heads_a_section(self, at: int) -> bool:
        line = self.lines[at]
        return (
            bool(line.level)
            or line.bare.endswith(":")
            or self._leads_to_ingredients(at)
            or self._headed
        ) and not self._only_steps_follow(at)

    def _only_steps_follow(self, at: int) -> bool:
        following = self._after(at)
        return following is not None and following.is_step and not following.is_measured

    def _step(self, at: int, line: TextLine) -> None:
        if line.labelled is not None and line.is_measured and not self._headed:
            self._ingredient(at, line)
            return
        section = line.section
        if section is not None and not line.numbered and not line.is_step:
            if self._leads_to_ingredients(at) and not self._headed_steps(at):
                self._zone = "ingredients"
            self._section = section
            return
        if not line.bare:
            return
        if line.after_blank and not self._headed and self._lists_again(at):
            self._zone = "ingredients"
            self._ingredient(at, line)
            return
        steps = self._draft.steps
        if steps and self._goes_on(at, line):
            text = f"{steps[-1].text} {line.bare}"
            steps[-1] = RecipeStep(text, minutes_of_step(text), steps[-1].section)
            return
        if (told := self._told_late(line)) is not None:
            self._draft.told = told
            return
        self._draft.told = self._draft.told or yield_said_in(line.bare)
        steps.append(RecipeStep(line.bare, minutes_of_step(line.bare), self._section))

    def _lists_again(self, at: int) -> bool:
        """Whether a block behind the steps lists ingredients."""
        block = _block(self.lines, at)
        listed = [line.is_measured and not line.numbered for line in block]
        return len(listed) > 1 and all(listed)

    def _headed_steps(self, at: int) -> bool:
        """Whether the lines after a heading among the steps are numbered steps, not ingredients."""
        following = self._after(at)
        return following is not None and following.numbered

    def _told_late(self, line: TextLine) -> Told | None:
        """A yield at the end: `Enough for four.`"""
        if self._draft.told is not None or not line.after_blank or line.numbered:
            return None
        return yield_of(line.text)

    def _goes_on(self, at: int, line: TextLine) -> bool:
        """Whether a line is the rest of the step before it: wrapped, or unnumbered in a list."""
        before = self.lines[at - 1]
        if line.numbered or line.bulleted or line.after_blank or before.rule:
            return False
        if before.numbered and not before.bare:
            # "Step 2" alone on its line heads what follows.
            return False
        if before.numbered or (self._draft.steps and _in_numbered_list(self.lines, at)):
            return True
        if before.ends or (line.tells_to_do and not line.starts_small):
            return False
        within = before.bulleted or self._draft.steps[-1].text[:1].isupper()
        if line.tells_to_do and not within:
            return False
        broken = before.bare.endswith(",") or self._fills_its_line(at - 1)
        return (line.starts_small and within and broken) or len(before.text) >= MIN_WRAPPED

    def _fills_its_line(self, at: int) -> bool:
        """Whether the first word of the next line would have made a line the longest of its block."""
        following = self.lines[at + 1].text.split()
        block = _block(self.lines, at)
        return len(self.lines[at].text) + 1 + len(following[0]) > max(len(b.text) for b in block)

    def _after_notes(self, line: TextLine) -> None:
        if self._draft.told is None:
            self._draft.told = yield_of(line.text)


def _tells_amount(text: str) -> bool:
    """Whether a text names so much of something; it must not be lost, whatever else it is."""
    return re.search(r"\d\s?(?:g|kg|ml|l|cl|oz|lb|tsp|tbsp|cups?|el|tl)\b", text, re.I) is not None


def _block(lines: Sequence[TextLine], at: int) -> Sequence[TextLine]:
    """The lines between two blank ones among which a line stands."""
    starts = [n for n, line in enumerate(lines) if line.after_blank]
    first = max((n for n in starts if n <= at), default=0)
    return lines[first : min((n for n in starts if n > at), default=len(lines))]


def _in_numbered_list(lines: Sequence[TextLine], at: int) -> bool:
    """Whether the block that a line stands in began with a number."""
    for line in reversed(lines[:at]):
        if line.numbered:
            return True
        if line.after_blank:
            return False
    return False


def _listing(line: TextLine) -> tuple[Told | None, list[str]] | None:
    """A sentence that lists ingredients: `For 6 people you need 30 g of flour and 2 eggs.`"""
    for found in beginning("lines", "listing").finditer(line.bare):
        before, rest = line.bare[: found.start()].strip(" ,:"), line.bare[found.end() :]
        parts, told = run_in(rest.strip(" :.")), yield_of(before) if before else None
        # What is told before it otherwise belongs to it: "For every kilo take 800 g of sugar".
        if len(parts) > 1 and (told is not None or not before):
            return told, parts
    return None
