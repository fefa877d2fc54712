"""Where a good is made: what follows "made in a factory that …" is a precaution."""

from collections.abc import Sequence

from yellow_ladle.core.words.letters import Token
from yellow_ladle.core.words.lexicon import Lexicon

ENDS = frozenset(".!?\n•·|")
"""Marks that end a sentence, or a line of a list."""
NEAR = 3
"""Words that may stand between: "a factory that contains nuts", "this product does not contain"."""


def mark_sites(
    lexicon: Lexicon,
    text: Sequence[Token],
    modes: list[str],
    phrases: list[tuple[int, int] | None],
) -> None:
    """Turns what follows "made in a factory that …" into a precaution.

    Only what follows the place: "made with milk in a dairy" contains milk. "In our kitchen with …"
    lists ingredients.
    """
    start = 0
    while start < len(text):
        end = start
        while end < len(text) and text[end].text not in ENDS:
            end += 1
        sentence = [token.text for token in text[start:end]]
        if any(lexicon.has("made", word) for word in sentence):
            site = _site(lexicon, sentence)
            if site is not None:
                for place in range(start + site[0], end):
                    phrase = phrases[place]
                    holds = modes[place] == "contains" and phrase is not None
                    if modes[place] == "ingredients" or (
                        holds and phrase is not None and phrase[0] - start - site[1] <= NEAR
                    ):
                        modes[place] = "site"
                        phrases[place] = (start + site[0], start + site[1])
        start = end + 1


def _site(lexicon: Lexicon, sentence: Sequence[str]) -> tuple[int, int] | None:
    for here, word in enumerate(sentence):
        for size in (2, 1):
            if tuple(sentence[here : here + size]) in lexicon.lists["where"]:
                return here, here + size
        if not lexicon.has("site", word):
            continue
        before = sentence[max(0, here - 4) : here]
        at = [place for place, near in enumerate(before) if lexicon.has("at", near)]
        following = sentence[here + 1] if here + 1 < len(sentence) else ""
        own = "our" in before and following == "with"
        if at and not own and following not in ("from", "protein"):
            return here - len(before) + at[-1], here + 1
    return None
