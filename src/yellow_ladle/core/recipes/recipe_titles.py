"""Whether a line is the name of a recipe: by what it is, where it stands and what was read before.

A name is a short line with ingredients after it: the first of a text, one behind the steps of the
recipe before, one by itself between blank lines.
"""

import re
from typing import Literal, TypeAlias

from yellow_ladle.core.recipes.ingredient_text import starts_with_digit
from yellow_ladle.core.recipes.listed_line import MAX_UNMEASURED_WORDS
from yellow_ladle.core.recipes.recipe_draft import RecipeDraft
from yellow_ladle.core.recipes.text_line import MAX_TITLE_WORDS, TextLine
from yellow_ladle.core.recipes.text_structure import TextStructure
from yellow_ladle.core.recipes.yield_text import apart
from yellow_ladle.core.vocabulary.units import shipped_units

_OF_BOOK = re.compile(r"\b(?:p|page|seite|página|pagina)\.?\s?\d{1,4}$", re.I)
"""The page that the title of a book or chapter tells: `Basics, page 3`."""
Zone: TypeAlias = Literal["before", "ingredients", "steps", "notes", "over"]
"""Where a reader stands: before the ingredients, in them, in the steps, in notes, behind it all."""
Beginning: TypeAlias = Literal["next", "instead", "behind"]
"""Whether a name begins a recipe after the one before, takes the place of what was none, or stands
behind the ingredients that it names."""


def begins(page: TextStructure, at: int, draft: RecipeDraft | None, zone: Zone) -> Beginning | None:
    """How a line begins a recipe; None where it is no name. `draft` is what was read before it."""
    line = page.lines[at]
    if _stands_alone(page, at, draft):
        return "next"
    if not line.may_be_title or (draft is None and _opens_part(page, at)):
        return None
    if draft is not None and _names_what_is_above(page, at, draft):
        return "behind"
    named = draft is not None and draft.is_empty and apart(line.bare)[1] is not None
    if line.is_measured and draft is not None and not draft.steps and not named:
        return None
    if draft is None or zone == "over":
        return "next"
    if draft.is_empty:
        return _before_any_ingredient(page, at, draft)
    if line.level and draft.level and line.level > draft.level:
        return None
    if not draft.steps and zone != "notes":
        same = bool(line.level) and line.level == draft.level
        return "next" if same and page.starts_recipe(at) else None
    by_itself = line.after_blank or bool(line.level) or line.heads_list
    return "next" if by_itself and not line.begins_as_part and page.starts_recipe(at) else None


def _names_what_is_above(page: TextStructure, at: int, draft: RecipeDraft) -> bool:
    """Whether a name stands behind the ingredients: a heading, or a line over the steps."""
    line = page.lines[at]
    if draft.steps or draft.name or not draft.lines or page.starts_recipe(at):
        return False
    return bool(line.level) or (line.after_blank and page.leads_to_steps(at))


def _before_any_ingredient(page: TextStructure, at: int, draft: RecipeDraft) -> Beginning | None:
    """How a name begins a recipe of which only a name, or nothing, was read."""
    line = page.lines[at]
    if not draft.name and draft.told is None:
        # What stands before the first name: the bar of a page, a greeting.
        return None if line.is_step else "instead"
    # The title of a book stands before that of its first recipe.
    of_book = _OF_BOOK.search(draft.name) is not None and page.leads_to_ingredients(at)
    if of_book or page.is_first_of_several(at):
        return "instead"
    deeper = bool(line.level and draft.level and line.level > draft.level)
    several = deeper and page.count_of_level(line.level) > 1 and line.section is not None
    chapter = several and page.has_steps_before_heading(at) and page.starts_recipe(at)
    return "next" if chapter else None


def _stands_alone(page: TextStructure, at: int, draft: RecipeDraft | None) -> bool:
    """Whether a line is a name because of where it stands, whatever it ends in or begins with.

    The first line, by itself or over ingredients; or a line by itself between the steps of one
    recipe and a block of ingredients.
    """
    line, following = page.lines[at], page.after(at)
    if following is None or not _may_stand_alone(line):
        return False
    if not following.after_blank:
        return at == 0 and line.ends and following.is_measured
    if at == 0:
        return True
    behind_steps = draft is not None and bool(draft.steps) and line.after_blank
    if not behind_steps:
        return False
    listed = all(beneath.is_measured for beneath in page.block(at + 1))
    return listed or (not line.ends and page.leads_to_list(at))


def _may_stand_alone(line: TextLine) -> bool:
    """Whether a line is short, and no bullet, heading, yield, order or measured amount."""
    short = line.words <= (MAX_UNMEASURED_WORDS if line.ends else MAX_TITLE_WORDS)
    told = line.told_yield is not None or line.section is not None or line.tells_to_do
    if not short or told or line.bulleted or line.is_head or line.rule or "\t" in line.text:
        return False
    if line.numbered:
        return line.words <= MAX_TITLE_WORDS // 2 and not line.ends
    unit = shipped_units().get(line.understood.unit or "")
    return not (starts_with_digit(line.bare) and unit is not None and unit.size is not None)


def _opens_part(page: TextStructure, at: int) -> bool:
    """Whether a line stands over ingredients as the name of a part: `For the pastry:`."""
    line = page.lines[at]
    return line.begins_as_part and line.section is not None and page.leads_to_ingredients(at)
