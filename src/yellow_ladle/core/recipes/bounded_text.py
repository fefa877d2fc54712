"""A text brought within the bounds of what people write, so that reading it has an end.

Patterns look at a line from each of its letters. In a word of some thousand letters, or in a line
as long as a book, that would take minutes. Long words are read as their beginning and put back
whole afterwards; a line longer than any paragraph is read in pieces.
"""

import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace

from yellow_ladle.core.recipes.recipe import Recipe, RecipeLine, RecipeStep

MAX_WORD = 60
"""Letters of a word that is read whole; the longest German compound is shorter."""
MAX_LINE = 2_000
"""Letters of a line that is read at once."""
MAX_BLANKS = 12
"""Blanks in a row that are told apart; more say no more."""
_KEPT = 24
"""Letters of a longer word that are read."""
_LONG = re.compile(rf"[^\s\t|,;/–—-]{{{MAX_WORD + 1},}}")
_SAME = re.compile(r"([^\w\s])\1{80,}")
_BLANKS = re.compile(rf"[^\S\r\n]{{{MAX_BLANKS + 1},}}")
_END_OF_SENTENCE = re.compile(r"(?<=[.!?;])\s+|\s+")
_FIRST_SIGN, _LAST_SIGN = 0xF0000, 0xFFFFD
"""Signs of no language, for the words that are put back."""


@dataclass(frozen=True, slots=True)
class BoundedText:
    """A text to read, and what stands in it for longer pieces of the text as it was given."""

    text: str
    longer: Mapping[str, str]

    def whole(self, recipe: Recipe) -> Recipe:
        """A recipe with every word as it was given."""
        if not self.longer:
            return recipe
        return replace(
            recipe,
            name=self.restored(recipe.name),
            lines=tuple(
                RecipeLine(self.restored(line.text), self.restored(line.group))
                for line in recipe.lines
            ),
            steps=tuple(
                RecipeStep(self.restored(step.text), step.minutes, self.restored(step.section))
                for step in recipe.steps
            ),
            yields=self.restored(recipe.yields),
        )

    def restored(self, text: str) -> str:
        """A piece of the text with every word as it was given."""
        return "".join(self.longer.get(sign, sign) for sign in text)


def within_bounds(text: str) -> BoundedText:
    """A text whose words and lines are no longer than people write."""
    longer: dict[str, str] = {}
    signs = _free_signs(text)

    def shortened(found: re.Match[str]) -> str:
        sign = next(signs, None)
        if sign is None:
            return found[0][:_KEPT]
        longer[sign] = found[0][_KEPT:]
        return found[0][:_KEPT] + sign

    text = _BLANKS.sub(" " * MAX_BLANKS, text)
    # A line drawn across the page says no more the longer it is.
    text = _LONG.sub(shortened, _SAME.sub(lambda found: found[0][:80], text))
    if len(text) > MAX_LINE:
        text = "\n".join(piece for line in text.split("\n") for piece in _pieces(line))
    return BoundedText(text, longer)


def _free_signs(text: str) -> Iterator[str]:
    taken = set(text)
    return (sign for code in range(_FIRST_SIGN, _LAST_SIGN) if (sign := chr(code)) not in taken)


def _pieces(line: str) -> list[str]:
    """A line cut at the ends of sentences, else between words, where it is too long to be one."""
    found = []
    while len(line) > MAX_LINE:
        cut = max(
            (end.end() for end in _END_OF_SENTENCE.finditer(line, MAX_LINE // 2, MAX_LINE)),
            default=MAX_LINE,
            key=lambda at: (line[at - 2 : at - 1] in ".!?", at),
        )
        found.append(line[:cut])
        line = line[cut:]
    return [*found, line]
