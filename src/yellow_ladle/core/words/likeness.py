"""How alike two texts are: near spellings of a known word, slips of one letter, shared letters."""

from collections.abc import Collection, Sequence
from difflib import SequenceMatcher, get_close_matches

MIN_TURNED = 3
"""Letters of a word in which two may have changed places."""


def nearest(word: str, known: Collection[str], least: float) -> str | None:
    """The known word most like another, None where none is as like as `least`, from 0 to 1."""
    return next(iter(get_close_matches(word, known, n=1, cutoff=least)), None)


def likeness(one: Sequence[str], other: Sequence[str]) -> float:
    """The share of two sequences that is the same in both in the same order, from 0 to 1.

    Of letters where both are texts, of words where both are lists of them (Ratcliff and Obershelp).
    """
    return SequenceMatcher(None, one, other).ratio()


def turned(word: str, other: str) -> bool:
    """Whether two neighbouring letters have changed places."""
    if len(word) != len(other) or len(word) < MIN_TURNED:
        return False
    wrong = [at for at in range(len(word)) if word[at] != other[at]]
    return (
        len(wrong) == 2
        and wrong[1] == wrong[0] + 1
        and word[wrong[0]] == other[wrong[1]]
        and word[wrong[1]] == other[wrong[0]]
    )


def one_off(word: str, other: str) -> bool:
    """Whether one letter is wrong, missing or too many."""
    short, long = sorted((word, other), key=len)
    if len(long) - len(short) > 1:
        return False
    at = next((n for n in range(len(short)) if short[n] != long[n]), len(short))
    return short[at + (len(short) == len(long)) :] == long[at + 1 :]
