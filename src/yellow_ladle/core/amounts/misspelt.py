"""Words that look like a measure which somebody mistyped: `tbps`, `grms`, `mll`.

Such a word asks. Taken for the name of an item it would put two pieces of flour into a pot.
"""

import re
from collections.abc import Iterable

from yellow_ladle.core.vocabulary.class_lexicon import languages
from yellow_ladle.core.vocabulary.stems import split

MIN_TURNED, MIN_NEAR = 3, 4
"""Letters of a word in which two may have changed places, and in which one may be wrong."""


def looks_like_a_measure(word: str, measures: Iterable[str]) -> bool:
    """Whether a word is a letter or two away from a measure, and names no goods that are known."""
    word = word.lower()
    known = {measure for measure in measures if measure.isalpha()}
    if len(word) < MIN_TURNED or word in known:
        return False
    once = re.sub(r"(.)\1+", r"\1", word)
    near = once in known or any(turned(word, measure) for measure in known)
    near = near or (
        len(word) >= MIN_NEAR
        and any(len(measure) >= MIN_NEAR and one_off(word, measure) for measure in known)
    )
    return near and not names_goods(word)


def names_goods(word: str) -> bool:
    """Whether a word is one by which some language calls goods, or ends in one: Knoblauchzehen."""
    return any(
        language.stem(part) in language.plain
        or (language.compounds and language.by_end(part) is not None)
        or any(
            language.stem(part) in phrase
            for group in language.phrases.values()
            for phrase, _ in group
        )
        for part in split(word)
        for language in languages()
    )


def turned(word: str, measure: str) -> bool:
    """Whether two neighbouring letters have changed places."""
    if len(word) != len(measure) or len(word) < MIN_TURNED:
        return False
    wrong = [at for at in range(len(word)) if word[at] != measure[at]]
    return (
        len(wrong) == 2
        and wrong[1] == wrong[0] + 1
        and word[wrong[0]] == measure[wrong[1]]
        and word[wrong[1]] == measure[wrong[0]]
    )


def one_off(word: str, measure: str) -> bool:
    """Whether one letter is wrong, missing or too many."""
    short, long = sorted((word, measure), key=len)
    if len(long) - len(short) > 1:
        return False
    at = next((n for n in range(len(short)) if short[n] != long[n]), len(short))
    return short[at + (len(short) == len(long)) :] == long[at + 1 :]
