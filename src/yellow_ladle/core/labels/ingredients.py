"""A label's list of ingredients, with what is in brackets beneath what it belongs to."""

from collections.abc import Sequence
from dataclasses import dataclass, field

from yellow_ladle.core.labels.hits import Hit, hits
from yellow_ladle.core.words.letters import CLOSING, OPENING, Token
from yellow_ladle.core.words.lexicon import Lexicon

PARTING = frozenset(",;.!?\n•·|/")
FEWEST = 2
"""From so many entries on, brackets (or a colon) are taken to list all that is in a thing."""
MAX_NAME = 40
"""Words of the longest name; what runs on without a comma is cut there."""
MAX_DEPTH = 40
"""Brackets nested deeper than this are read as if they stood at this depth."""


@dataclass
class Ingredient:
    """One entry of the list. `partial`: its brackets name only some of what is in it."""

    tokens: list[Token] = field(default_factory=list)
    percent: float | None = None
    parts: list["Ingredient"] = field(default_factory=list)
    partial: bool = False
    found: list[Hit] = field(default_factory=list)
    settles: frozenset[str] = frozenset()

    @property
    def opened(self) -> bool:
        """Whether the label lists all that is in it."""
        return len(self.parts) >= FEWEST and not self.partial

    @property
    def name(self) -> str:
        """The name, case-folded and without accents."""
        return " ".join(token.text for token in self.tokens)


def ingredients(lexicon: Lexicon, text: Sequence[Token]) -> list[Ingredient]:
    """The list that some tokens make, each ingredient with the entries found in its name."""
    top: list[Ingredient] = []
    levels = [top]
    heads: list[Ingredient] = []
    current = Ingredient()
    colons = 0
    for place, token in enumerate(text):
        if token.kind == "mark" and token.text in OPENING and len(levels) < MAX_DEPTH:
            if not current.tokens and levels[-1]:
                current = levels[-1][-1]
            else:
                levels[-1].append(current)
            current.partial = _opens_partly(lexicon, text, place + 1)
            heads.append(current)
            levels.append(current.parts)
            current = Ingredient()
        elif token.kind == "mark" and token.text in CLOSING and len(levels) > 1:
            _close(levels[-1], current)
            while len(levels) > 1 and len(levels) - 1 <= colons:
                levels.pop()
                heads.pop()
                colons -= 1
            if len(levels) > 1:
                levels.pop()
                heads.pop()
            # What follows brackets at once still belongs to what stands before them.
            current = Ingredient()
        elif token.kind == "mark" and token.text == ":":
            if current.tokens and len(levels) == 1 and not top:
                levels[-1].append(current)
                heads.append(current)
                levels.append(current.parts)
                colons = 1
            else:
                _close(levels[-1], current)
            current = Ingredient()
        elif token.kind == "mark" and token.text in PARTING:
            _close(levels[-1], current)
            current = Ingredient()
            if token.text in ".!?\n" and colons and len(levels) == 2 and token.text != "\n":
                levels.pop()
                heads.pop()
                colons = 0
        elif token.kind == "percent":
            number = float(token.text.rstrip("% ").replace(",", "."))
            owner = current if current.tokens or not levels[-1] else levels[-1][-1]
            owner.percent = number
            if owner is current and not current.tokens:
                current.percent = number
        else:
            current.tokens.append(token)
            if len(current.tokens) >= MAX_NAME:
                _close(levels[-1], current)
                current = Ingredient()
    _close(levels[-1], current)
    _find(lexicon, top)
    return top


def _close(level: list[Ingredient], current: Ingredient) -> None:
    if current.tokens:
        level.append(current)


def _opens_partly(lexicon: Lexicon, text: Sequence[Token], here: int) -> bool:
    run = []
    for token in text[here : here + 3]:
        if not token.names:
            break
        run.append(token.text)
    return any(tuple(run[:size]) in lexicon.lists["listing"] for size in range(1, len(run) + 1))


def _find(lexicon: Lexicon, level: list[Ingredient]) -> None:
    for entry in level:
        entry.found = hits(lexicon, entry.tokens)
        _find(lexicon, entry.parts)
        own = {flag for hit in entry.found for flag in hit.entry.settles}
        entry.settles = frozenset(own.union(*(part.settles for part in entry.parts)))
