"""Which words of a label are known, whatever they say: each that is not is named to the reader."""

from collections.abc import Iterator, Sequence
from functools import lru_cache

from yellow_ladle.core.labels.hits import MAX_WORD, additive, forms, hits
from yellow_ladle.core.words.letters import Token
from yellow_ladle.core.words.lexicon import Lexicon, lexicon

PARTING = ",;.!?\n•·|"
MIN_PIECE = 4
"""Letters of the shortest part of a compound that is known by its parts."""
LISTS = (
    *("made", "site", "where", "at", "free_after", "joiners", "listing", "vegan", "vegetarian"),
    *("sources", "denied", "answers_yes", "answers_no", "bare", "contrast", "unclaimed"),
)


def unknown_words(words: Lexicon, run: Sequence[Token]) -> Iterator[Token]:
    """The words of a run that are neither an entry nor plain, in their order.

    Numbers, per cents and signs are no words; an additive's number that no table has is told as
    one. A word that says nothing by itself ("powder") is known beside another that is.
    """
    start = 0
    for end in range(len(run) + 1):
        if end == len(run) or (run[end].kind == "mark" and run[end].text in PARTING):
            yield from _unknown(words, run[start:end])
            start = end + 1


def _unknown(words: Lexicon, run: Sequence[Token]) -> list[Token]:
    known = [
        additive(words, token.text) is not None
        if token.kind == "additive"
        else token.kind != "word"
        for token in run
    ]
    told = any(token.kind == "additive" for token in run)
    for hit in hits(words, run):
        told = True
        known[hit.first : hit.last + 1] = [True] * (hit.last + 1 - hit.first)
    here = 0
    while here < len(run):
        length = _plain(words, run, here)
        if length:
            told = told or not words.has("joiners", run[here].text)
            known[here : here + length] = [True] * length
        here += max(length, 1)
    return [
        token
        for place, token in enumerate(run)
        if not (known[place] or (told and token.text in words.company))
    ]


def _plain(words: Lexicon, run: Sequence[Token], here: int) -> int:
    """How many words from here on are plain, as one name where they can be."""
    if not run[here].names:
        return 0
    first = run[here].text
    most = max((words.longest_plain.get(form, 0) for form in forms(words, first)), default=0)
    for size in range(min(most, len(run) - here), 1, -1):
        if tuple(token.text for token in run[here : here + size]) in words.plain:
            return size
    return 1 if run[here].kind == "word" and is_plain(words.id, first) else 0


@lru_cache(maxsize=50_000)
def is_plain(language: str, word: str) -> bool:
    """Whether a word is known and says nothing of any flag."""
    words = lexicon(language)
    for form in forms(words, word):
        if (form,) in words.plain or any(words.has(kind, form) for kind in LISTS):
            return True
    return len(word) <= MAX_WORD and any(
        _is_piece(words, word[:cut]) and _is_piece(words, word[cut:])
        for cut in range(MIN_PIECE, len(word) - MIN_PIECE + 1)
    )


def _is_piece(words: Lexicon, piece: str) -> bool:
    """Whether a part of a compound is plain, with or without the letter that joins it."""
    for form in (piece, piece.removesuffix("s"), piece.removesuffix("n")):
        entry = words.entries.get((form,))
        if (form,) in words.plain or form in words.company or (entry and entry.neutral):
            return True
    return False
