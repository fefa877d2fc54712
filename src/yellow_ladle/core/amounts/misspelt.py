"""Words that look like a measure which somebody mistyped: `tbps`, `grms`, `mll`.

Such a word asks. Taken for the name of an item it would put two pieces of flour into a pot.
"""

import re
from collections.abc import Iterable

from yellow_ladle.core.words.class_lexicon import languages
from yellow_ladle.core.words.likeness import MIN_TURNED, one_off, turned
from yellow_ladle.core.words.stems import split

MIN_NEAR = 4
"""Letters of a word in which one may be wrong."""


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
