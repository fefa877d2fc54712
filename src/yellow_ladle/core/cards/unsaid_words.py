"""Words of a line that its item does not say: "butter and a glug of walnut oil" is not all butter.

Linked to butter, such a line would lose the oil. Its words stay with the line, and what they name
that the item does not bring is asked about.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from yellow_ladle.core.book.book import owner_of
from yellow_ladle.core.cards.card_names import CardNames, names_of, run_of
from yellow_ladle.core.cards.card_words import named_foods
from yellow_ladle.core.labels.languages import language_of
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.words.class_lexicon import fillers
from yellow_ladle.core.words.lexicon import lexicon
from yellow_ladle.core.words.stems import STEMS, split


@dataclass(frozen=True, slots=True)
class UnsaidFood:
    """Words that name a food which the item of their line is not, and the flags that it brings."""

    text: str
    flags: tuple[str, ...]


def covers(name: str, words: str) -> bool:
    """Whether a name says every word of a text, in any number and without little words."""
    said = {stem(word) for word in split(name) for stem in STEMS.values()}
    return all(
        word in fillers() or not said.isdisjoint(stem(word) for stem in STEMS.values())
        for word in split(words)
    )


def unsaid_foods(reading: Reading, text: str, item: str) -> Sequence[UnsaidFood]:
    """The foods that a line's words name besides its item, with flags that the item lacks.

    Of an item that the book does not hold nothing is known: all its flags are unchecked anyway.
    """
    if owner_of(item) not in reading.book.products.keys() | reading.book.preparations.keys():
        return ()
    spoken = lexicon(language_of(run_of(text)))
    known = CardNames(names_of(reading.book, item), spoken)
    held = reading.levels(item)
    found: dict[str, UnsaidFood] = {}
    for named in named_foods(spoken, text, known):
        flags = tuple(flag for flag in named.flags if held.get(flag) is not Level.CONTAINS)
        words = text[named.start : named.end]
        if flags:
            found.setdefault(words.lower(), UnsaidFood(words, flags))
    return tuple(found.values())
