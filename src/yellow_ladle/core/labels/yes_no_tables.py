"""Tables of yes and no on a label: "Milk: yes, Egg: no", "Milk ✓ Egg ✗"."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from yellow_ladle.core.words.letters import Token
from yellow_ladle.core.words.lexicon import Lexicon

ASKING = ":|"
ENDING = ",;.\n|/)]"
MAX_WORDS = 3
"""Words of the longest answer: "not added"."""


@dataclass(frozen=True, slots=True)
class TableAnswer:
    """One thing that a table names, as places in the text, and whether the label says yes.

    `named` and `said` are the places of the name and of the answer, first and one past the last.
    """

    named: tuple[int, int]
    said: tuple[int, int]
    yes: bool


def answers(lexicon: Lexicon, text: Sequence[Token]) -> Iterator[TableAnswer]:
    """Every answer of a text, in its order."""
    begins = 0
    for here, token in enumerate(text):
        if token.kind == "sign":
            if begins < here:
                yield TableAnswer((begins, here), (here, here + 1), token.text == "✓")
            begins = here + 1
        elif token.kind == "mark":
            said = _answer(lexicon, text, here + 1) if token.text in ASKING else None
            if said and begins < here:
                yield TableAnswer((begins, here), (here + 1, here + 1 + said[0]), said[1])
            begins = here + 1


def _answer(lexicon: Lexicon, text: Sequence[Token], here: int) -> tuple[int, bool] | None:
    """How many words a yes or no has that stands alone from here on, and which it is."""
    for size in range(MAX_WORDS, 0, -1):
        run = text[here : here + size]
        ends = here + size >= len(text) or text[here + size].text in ENDING
        if len(run) < size or not ends:
            continue
        words = tuple(token.text for token in run)
        if words in lexicon.lists["answers_yes"] or words == ("✓",):
            return size, True
        if words in lexicon.lists["answers_no"] or words == ("✗",):
            return size, False
    return None
