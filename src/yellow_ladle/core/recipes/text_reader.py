"""Recipes in plain text: a card, a page or a whole notebook, told apart and taken to pieces.

Line by line, from what each line says by itself (text_line.py), where it stands
(text_structure.py) and what was read before it: a name (recipe_titles.py), what is said before the
ingredients, the ingredients with their sections, the steps, notes. Without headings the ingredients
are the first run of lines with amounts.
"""

from functools import cache

from yellow_ladle.core.recipes.bounded_text import within_bounds
from yellow_ladle.core.recipes.ingredient_text import starts_with_digit
from yellow_ladle.core.recipes.line_spacing import single_spaced
from yellow_ladle.core.recipes.list_edges import (
    in_capitals,
    is_listed_sentence,
    lists_otherwise,
    stands_in_list,
)
from yellow_ladle.core.recipes.notebook import parts_of_notebook
from yellow_ladle.core.recipes.recipe import Recipe, RecipeLine, RecipeStep
from yellow_ladle.core.recipes.recipe_draft import RecipeDraft
from yellow_ladle.core.recipes.recipe_titles import Beginning, Zone, begins
from yellow_ladle.core.recipes.recipe_words import beginning
from yellow_ladle.core.recipes.step_minutes import minutes_of_step
from yellow_ladle.core.recipes.table_rows import Columns, columns_of
from yellow_ladle.core.recipes.text_layout import text_lines
from yellow_ladle.core.recipes.text_line import TextLine
from yellow_ladle.core.recipes.text_structure import TextStructure
from yellow_ladle.core.recipes.two_columns import in_one_column
from yellow_ladle.core.recipes.wrapped_steps import goes_on
from yellow_ladle.core.recipes.yield_text import Told, apart, yield_of, yield_said_in


def text_recipes(text: str) -> list[Recipe]:
    """Every recipe in a text; of one without ingredients and steps none."""
    within = within_bounds(in_one_column(text))
    # To part a notebook its parts are read already.
    read = cache(_read)
    parts = parts_of_notebook(single_spaced(within.text), read)
    return [within.whole(recipe) for part in parts for recipe in read(part)]


def _read(text: str) -> list[Recipe]:
    reader = _TextReader(TextStructure(text_lines(text)))
    reader.read()
    found = [draft.recipe() for draft in reader.drafts]
    return [recipe for recipe in found if recipe.lines or recipe.steps]


class _TextReader:
    def __init__(self, page: TextStructure) -> None:
        self.page = page
        self.drafts: list[RecipeDraft] = []
        self._zone: Zone = "before"
        self._section = ""
        self._columns: Columns | None = None
        self._headed = False
        self._listed_until = 0
        # The part whose ingredients hang, indented, beneath the first one of it.
        self._hung = ""

    def read(self) -> None:
        for at, line in enumerate(self.page.lines):
            last = self.drafts[-1] if self.drafts else None
            if line.rule:
                if self._ends_recipe(at):
                    self._zone = "over"
            elif (how := begins(self.page, at, last, self._zone)) is not None:
                self._begin(line, how)
            else:
                self._take(at, line)

    def _ends_recipe(self, at: int) -> bool:
        """Whether a rule parts two recipes: a title follows it, with ingredients after that."""
        following = self.page.after(at)
        return (
            bool(self.drafts and self.drafts[-1].lines)
            and following is not None
            and following.may_be_title
            and self.page.starts_recipe(at + 1)
        )

    @property
    def _draft(self) -> RecipeDraft:
        if not self.drafts:
            self.drafts.append(RecipeDraft())
        return self.drafts[-1]

    def _begin(self, line: TextLine, how: Beginning) -> None:
        if how == "instead":
            self.drafts.pop()
        called = beginning("lines", "titles")
        named = called.sub("", line.bare, count=1) if self._is_called(line) else line.bare
        name, told = apart(named.strip(" :"))
        if how == "behind":
            self._draft.name, self._draft.told = name, told or self._draft.told
        else:
            self.drafts.append(RecipeDraft(name, told, level=line.level))
        # Behind the name of ingredients that stood before it come the steps.
        self._zone = "steps" if how == "behind" else "before"
        self._section, self._columns, self._headed = "", None, False

    def _is_called(self, line: TextLine) -> bool:
        """Whether a title begins with the word recipe: `Recipe: Leek tart`."""
        found = beginning("lines", "titles").match(line.bare)
        return found is not None and line.bare[found.end() :].lstrip()[:1] in (":", "-", "–")

    def _take(self, at: int, line: TextLine) -> None:
        if line.heads("ingredients"):
            self._zone, self._section, self._headed = "ingredients", "", True
            self._listed_until = self.page.method_after(at)
            self._draft.told = self._draft.told or apart(line.bare.strip(" :"))[1]
        elif line.heads("method"):
            self._zone, self._section, self._headed = "steps", "", True
        elif line.heads("notes") and not self._draft.is_empty:
            self._zone = "notes"
        elif (columns := columns_of(line.text)) is not None:
            self._zone, self._columns = "ingredients", columns
        elif self._zone == "notes":
            self._after_notes(line)
        elif self._zone in ("before", "over") and (listed := line.listing) is not None:
            self._take_listed(*listed)
        elif line.afterthought and at and self._listed_before(at):
            self._draft.lines += [RecipeLine(part, self._section) for part in line.afterthought]
        elif self._tells_fact(line) or line.is_closing:
            pass
        elif self._zone in ("before", "over"):
            self._before(at, line)
        elif self._zone == "ingredients":
            self._ingredient(at, line)
        else:
            self._step(at, line)

    def _tells_fact(self, line: TextLine) -> bool:
        """Takes a line that tells for how many, or how long; behind the steps it is one of them."""
        if self._draft.told is None and self._yields(line):
            return True
        return line.is_about and self._zone != "steps"

    def _yields(self, line: TextLine) -> bool:
        """Takes a line that is a yield; `Ingredients for 4` opens the ingredients besides."""
        bare = self._draft.is_empty and not self._headed
        told = yield_of(line.text, bare=bare) or line.told_yield
        if told is None:
            return False
        self._draft.told = told
        first = line.bare.split(maxsplit=1)[0]
        if TextLine(first).heads("ingredients"):
            self._zone, self._headed = "ingredients", True
        return True

    def _before(self, at: int, line: TextLine) -> None:
        listed = line.is_measured or (line.bulleted and not line.is_step)
        # "A soup for a wet Tuesday." is told before the ingredients.
        told = not starts_with_digit(line.bare) and self.page.ingredients_after(at)
        if listed and not told:
            self._begin_ingredients(at, line)
        elif line.section is not None and self.page.leads_to_ingredients(at):
            self._zone, self._section = "ingredients", line.section
        elif self.page.names_part(at):
            self._zone, self._section = "ingredients", line.bare
        elif self._draft.name and (self._is_first_ingredient(at, line) or self.page.is_in_list(at)):
            self._begin_ingredients(at, line)
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

    def _listed_before(self, at: int) -> bool:
        """Whether the line before is a sentence that lists, or adds to one."""
        before = self.page.lines[at - 1]
        return before.listing is not None or (
            bool(before.afterthought) and at > 1 and self._listed_before(at - 1)
        )

    def _is_first_ingredient(self, at: int, line: TextLine) -> bool:
        """A line without an amount in the block of those that have one: `Shells of 3 crabs`."""
        following = self.page.after(at)
        return (
            line.is_unmeasured
            and following is not None
            and not following.after_blank
            and following.is_measured
        )

    def _begin_ingredients(self, at: int, line: TextLine) -> None:
        self._zone = "ingredients"
        self._ingredient(at, line)

    def _begin_steps(self, at: int, line: TextLine) -> None:
        self._zone, self._section = "steps", ""
        self._step(at, line)

    def _ingredient(self, at: int, line: TextLine) -> None:
        heads = line.section is not None and self.page.leads_to_ingredients(at)
        if at < self._listed_until and line.numbered and not heads:
            self._draft.lines.append(RecipeLine(line.bare, self._section))
            return
        if self._hung and line.indented and not line.after_blank and line.labelled is None:
            self._draft.lines += [RecipeLine(part, self._hung) for part in line.parts]
            return
        self._hung = ""
        if self._columns is not None and "\t" in line.text:
            self._draft.lines.append(RecipeLine(self._columns.line(line.text), self._section))
            return
        if line.labelled is not None:
            label, parts = line.labelled
            self._draft.lines += [RecipeLine(part, label) for part in parts]
            self._hung = label
            return
        if len(line.parts) > 1 and (line.is_measured or line.lists_goods):
            self._draft.lines += [RecipeLine(part, self._section) for part in line.parts]
            return
        if self._draft.lines and lists_otherwise(self.page, at):
            self._begin_steps(at, line)
            return
        if line.is_measured or (line.bulleted and not self._is_step_here(line)):
            self._draft.lines.append(RecipeLine(line.bare, self._section))
            return
        if (name := line.section) is not None and self._heads_a_section(at):
            self._section = name
            return
        if self.page.names_part(at):
            self._section = line.bare
            return
        if self._draft.lines and stands_in_list(self.page, at):
            self._draft.lines.append(RecipeLine(line.bare, self._section))
        elif self._draft.lines and is_listed_sentence(self.page, at):
            self._draft.lines += [RecipeLine(part, self._section) for part in line.parts]
        elif self._is_step_here(line):
            self._begin_steps(at, line)
        elif line.is_unmeasured and (
            not line.after_blank
            or self._headed
            or not self._draft.lines
            or (line.names_goods and self.page.stands_alone(at))
        ):
            self._draft.lines.append(RecipeLine(line.bare, self._section))
        elif line.is_step or line.after_blank:
            self._begin_steps(at, line)
        else:
            # What is not understood is kept as a line, and asks.
            self._draft.lines.append(RecipeLine(line.bare, self._section))

    def _is_step_here(self, line: TextLine) -> bool:
        """Whether a line among the ingredients begins the steps."""
        if not self._draft.lines:
            return line.is_step and (line.tells_to_do or line.ends)
        return line.is_step

    def _heads_a_section(self, at: int) -> bool:
        line = self.page.lines[at]
        if in_capitals(self.page, at):
            return False
        return (
            bool(line.level)
            or line.bare.endswith(":")
            or self.page.leads_to_ingredients(at)
            or self._headed
            or line.begins_as_part
        ) and (not self.page.leads_to_steps(at) or stands_in_list(self.page, at + 1))

    def _step(self, at: int, line: TextLine) -> None:
        labelled = line.labelled is not None and line.is_measured and not line.tells_to_do
        if labelled and not self._headed:
            self._ingredient(at, line)
            return
        section = line.section
        if section is not None and not line.numbered and not line.is_step:
            if self.page.leads_to_ingredients(at) and not self._headed_steps(at):
                self._zone = "ingredients"
            self._section = section
            return
        if not line.bare:
            return
        listed = self.page.lists_ingredients(at) or self.page.runs_into_ingredients(at)
        if not self._headed and listed:
            self._begin_ingredients(at, line)
            return
        steps = self._draft.steps
        if steps and goes_on(self.page, at, steps[-1].text):
            text = f"{steps[-1].text} {line.bare}"
            steps[-1] = RecipeStep(text, minutes_of_step(text), steps[-1].section)
            return
        if (told := self._told_late(line)) is not None:
            self._draft.told = told
            return
        self._draft.told = self._draft.told or yield_said_in(line.bare)
        steps.append(RecipeStep(line.bare, minutes_of_step(line.bare), self._section))

    def _headed_steps(self, at: int) -> bool:
        """Whether the lines after a heading among the steps are numbered steps, not ingredients."""
        following = self.page.after(at)
        return following is not None and following.numbered

    def _told_late(self, line: TextLine) -> Told | None:
        """A yield at the end: `Enough for four.`"""
        if self._draft.told is not None or not line.after_blank or line.numbered:
            return None
        return yield_of(line.text)

    def _after_notes(self, line: TextLine) -> None:
        if self._draft.told is None:
            self._draft.told = yield_of(line.text)
