"""Texts in which every line stands by itself, as pages and documents are copied, closed up again.

Which lines form a block tells a list from the steps; where each is followed by an empty one, that
is lost. Every second empty line is taken away, so that wider gaps part the blocks again.
"""

import re
from itertools import pairwise

from yellow_ladle.core.recipes.ingredient_text import DIGIT

MIN_LINES, MIN_APART = 8, 0.9
"""Lines from which on a text may be spaced out, and the share of them that an empty one follows."""
MIN_LISTED, MAX_LISTED_WORDS = 3, 8
"""Short lines with a number that follow one another in any list of ingredients, and their words."""


def single_spaced(text: str) -> str:
    """A text without the empty line after each of its lines; as it is where it has none."""
    lines = re.split(r"\r\n|[\r\n]", text)
    filled = [at for at, line in enumerate(lines) if line.strip()]
    apart = [later - at > 1 for at, later in pairwise(filled)]
    if len(filled) < MIN_LINES or sum(apart) < MIN_APART * len(apart):
        return text
    if not _lists([lines[at] for at in filled], apart):
        return text
    closed = [lines[filled[0]]]
    for at, later in pairwise(filled):
        closed += [*[""] * ((later - at - 1) // 2), lines[later]]
    return "\n".join(closed)


def _lists(lines: list[str], apart: list[bool]) -> bool:
    """Whether several short lines with numbers follow one another, each by itself."""
    run = 0
    for line, spaced in zip(lines, [*apart, True], strict=True):
        short = len(line.split()) <= MAX_LISTED_WORDS and re.search(DIGIT, line) is not None
        run = run + 1 if short and spaced else 0
        if run == MIN_LISTED:
            return True
    return False
