"""A notebook parted at its rules and wide gaps, where a whole recipe stands on either side.

Each recipe is read by itself then: in its own language, and whatever the one before it looks like.
"""

import re
from collections.abc import Callable, Iterator
from itertools import pairwise

from yellow_ladle.core.recipes.recipe import UNNAMED, Recipe

_GAP = re.compile(r"\n[ \t]*\n[ \t]*(?:(?:[-*_=~][ \t]*){3,}\n|\n)|\f")
"""A rule behind an empty line, or two empty lines; a rule right under a title belongs to it."""
MIN_STEPS = 2
"""Steps from which on a text without a list of ingredients is taken for a recipe."""

MAX_TRIES = 8
"""Whole recipes that are added to something before it, until it is taken as a part as it is."""


def parts_of_notebook(text: str, read: Callable[[str], list[Recipe]]) -> Iterator[str]:
    """The parts of a text that are read by themselves, in their order; all of it is in one of them.

    `read` says what recipes a part would give. What is none by itself, such as a method under a
    rule of its own, stays with what stands before it.
    """
    # Of what is no whole recipe however much is added to it, the end is not waited for.
    tries = 0
    text = text.replace("\r\n", "\n").replace("\r", "\n")
    begin = 0
    edges = [gap.end() for gap in _GAP.finditer(text)]
    for edge, end in pairwise((*edges, len(text))):
        # What stands before is read last, as it grows from gap to gap where nothing whole follows.
        if not _is_whole(read(text[edge:end])):
            continue
        tries += 1
        if tries > MAX_TRIES or _is_whole(read(text[begin:edge])):
            yield text[begin:edge]
            begin, tries = edge, 0
    yield text[begin:]


def _is_whole(found: list[Recipe]) -> bool:
    """Whether something is read that needs nothing before it: a name, and what is done."""
    return bool(found) and all(
        recipe.name != UNNAMED and len(recipe.steps) >= (1 if recipe.lines else MIN_STEPS)
        for recipe in found
    )
