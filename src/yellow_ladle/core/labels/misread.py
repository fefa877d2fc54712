"""Words of a label that are a letter away from one that speaks for a flag: `mlik`, `wheet`, `eqg`.

In a text that a machine read from a picture such a word may well be that other one.
"""

from collections.abc import Iterator
from functools import cache

from yellow_ladle.core.labels.label_reading import LabelReading, Word
from yellow_ladle.core.words.letters import fold
from yellow_ladle.core.words.lexicon import languages, lexicon
from yellow_ladle.core.words.likeness import one_off, turned

MIN_LETTERS = 3


def near_a_flag(reading: LabelReading) -> Iterator[Word]:
    """The words of a label that nobody knows and that one wrong letter parts from a flag's word."""
    known = _speaking(reading.language)
    for word in reading.unknown:
        plain = fold(word.text)
        if len(plain) >= MIN_LETTERS and any(
            one_off(plain, other) or turned(plain, other) for other in known
        ):
            yield word


@cache
def _speaking(language: str) -> frozenset[str]:
    """The single words that speak for a flag, in a language; in any where it is not known."""
    asked = [language] if language in languages() else list(languages())
    return frozenset(
        word
        for id in asked
        for key, entry in lexicon(id).entries.items()
        if entry.speaks
        for word in key
        if len(word) >= MIN_LETTERS
    )
