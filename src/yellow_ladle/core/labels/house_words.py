"""A kitchen's own flags on a label: their names alone are looked for.

Nobody has told the reader what else brings such a flag, so whatever does not name it is unchecked.
"""

import re
from collections.abc import Iterable, Iterator

from yellow_ladle.core.labels.label_reading import Because, Proposal
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.vocabulary.stems import STEMS, folded, split

WORD = re.compile(r"\w+")


def house_proposals(text: str, flags: Iterable[Flag]) -> Iterator[Proposal]:
    """Per flag that it contains it, by the words that name it; unchecked where none does."""
    words = [(found, _stems(found.group())) for found in WORD.finditer(text)]
    for flag in flags:
        named = [_stems(word) for word in split(flag.name)]
        because = tuple(_named(text, words, named)) if named else ()
        level = Level.CONTAINS if because else Level.UNCHECKED
        yield Proposal(flag.id, level, because)


def _named(
    text: str, words: list[tuple[re.Match[str], frozenset[str]]], named: list[frozenset[str]]
) -> Iterator[Because]:
    for at in range(len(words) - len(named) + 1):
        run = words[at : at + len(named)]
        if all(stems & wanted for (_, stems), wanted in zip(run, named, strict=True)):
            start, end = run[0][0].start(), run[-1][0].end()
            yield Because(text[start:end], start, end, "names it")


def _stems(word: str) -> frozenset[str]:
    """A word by the stems that it has in each language."""
    plain = folded(word)
    return frozenset({plain, *(stem(plain) for stem in STEMS.values() if plain)})
