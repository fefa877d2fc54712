"""Damaged words of a label: digits for letters, letters for digits, and lost spaces.

A word that is known as it stands is left alone, and so is one that no repair makes known.
"""

import re
from collections.abc import Iterator, Sequence
from dataclasses import replace
from functools import lru_cache

from yellow_ladle.core.labels.hits import additive, stands
from yellow_ladle.core.labels.vocabulary import is_plain
from yellow_ladle.core.words.letters import Token, fold
from yellow_ladle.core.words.lexicon import Lexicon, lexicon

LETTERS = (
    str.maketrans("0134567892", "oleasgtbgz"),
    str.maketrans("0134567892", "oieasbtbqz"),
)
"""Letters that digits are taken for, in two ways: 1 stands for l or i, 6 for g or b."""
DIGITS = str.maketrans("oliszbgq", "01152899")
ADDITIVE = re.compile(r"e?(\d{3,4}[a-f]?(?:[ivx]{1,3})?)")
HUMPS = re.compile(r"[^\W\d_][^\W\d_A-ZÀ-ÖØ-Þ]*|[A-ZÀ-ÖØ-Þ]+(?![a-zß-ÿ])")
MAX_JOINED = 12
"""Runs of letters and of digits that one damaged word may fall into."""
MIN_RUN, MIN_PIECE, MAX_RUN = 8, 3, 200
"""Letters of a word that may be several without their spaces, and of the least of those."""


def repaired(words: Lexicon, text: Sequence[Token], given: str) -> list[Token]:
    """The tokens with damaged words put right; `given` is the text that their places are in."""
    found: list[Token] = []
    here = 0
    while here < len(text):
        length = _joined(text, here)
        whole = _whole(words, text[here : here + length]) if length > 1 else None
        if whole is not None:
            found.append(whole)
            here += length
        else:
            found += _apart(words, text[here], given)
            here += 1
    return found


def _joined(text: Sequence[Token], here: int) -> int:
    """How many tokens stand without a gap, letters and digits mixed; 1 of more than a word has."""
    end = here
    while (
        end < min(len(text), here + MAX_JOINED + 1)
        and text[end].kind in ("word", "number")
        and (end == here or text[end].start == text[end - 1].end)
    ):
        end += 1
    return end - here if end - here <= MAX_JOINED else 1


def _whole(words: Lexicon, run: Sequence[Token]) -> Token | None:
    """A run of letters and digits as the one word or additive that it is meant to be."""
    mixed = "".join(token.text for token in run)
    for letters in LETTERS:
        word = mixed.translate(letters)
        if stands(words, word) or is_plain(words.id, word):
            return replace(run[0], text=word, kind="word", end=run[-1].end, mended=True)
    number = ADDITIVE.fullmatch(mixed[:1] + mixed[1:].translate(DIGITS))
    if mixed.startswith("e") and number and additive(words, number[1]):
        return replace(run[0], text=number[1], kind="additive", end=run[-1].end, mended=True)
    return None


def _apart(words: Lexicon, token: Token, given: str) -> Iterator[Token]:
    """The words that a token holds without their spaces, or the token."""
    if token.kind != "word" or not MIN_RUN <= len(token.text) <= MAX_RUN:
        yield token
        return
    written = given[token.start : token.end]
    pieces = _humps(words.id, written) or _pieces(words.id, token.text)
    if not pieces or sum(map(len, pieces)) != len(written):
        yield token
        return
    start = token.start
    for piece in pieces:
        yield replace(token, text=fold(piece), start=start, end=start + len(piece))
        start += len(piece)


def _humps(language: str, written: str) -> tuple[str, ...]:
    """The parts of a word that begin with capitals, where it is one of several: "WheatFlour"."""
    humps = tuple(HUMPS.findall(written))
    if len(humps) < 2 or not any(hump[1:].islower() for hump in humps):
        return ()
    return humps if any(_known(language, fold(hump)) for hump in humps) else ()


@lru_cache(maxsize=20_000)
def _pieces(language: str, word: str) -> tuple[str, ...]:
    """The fewest known words that a word without spaces falls into; none where it does not."""
    if _known(language, word):
        return ()
    best: list[tuple[str, ...] | None] = [()] + [None] * len(word)
    for end in range(MIN_PIECE, len(word) + 1):
        for start in range(end - MIN_PIECE + 1):
            before, piece = best[start], word[start:end]
            if before is None or not _is_word(language, piece):
                continue
            if best[end] is None or len(before) + 1 < len(best[end] or ()):
                best[end] = (*before, piece)
    return best[-1] or ()


@lru_cache(maxsize=50_000)
def _known(language: str, word: str) -> bool:
    return stands(lexicon(language), word) or is_plain(language, word)


@lru_cache(maxsize=100_000)
def _is_word(language: str, word: str) -> bool:
    """Whether it is a word of the lexicon as it stands, no compound and no part of a phrase."""
    words = lexicon(language)
    return len(word) >= MIN_PIECE and (
        (word,) in words.entries or (word,) in words.plain or word in words.company
    )
