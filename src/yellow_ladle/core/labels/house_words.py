"""A kitchen's own flags on a label: looked for by their names, and by what usually brings them.

Nobody has told the reader all that brings such a flag, so whatever does not name it is unchecked.
"""

import re
from collections.abc import Iterable, Iterator, Sequence

from yellow_ladle.core.labels.label_reading import Because, FlagProposal, Listed
from yellow_ladle.core.vocabulary.classes import usual_of
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.words.class_names import class_of_name
from yellow_ladle.core.words.stems import STEMS, folded, split

WORD = re.compile(r"\w+")


def house_proposals(
    text: str, listed: Sequence[Listed], flags: Iterable[Flag]
) -> Iterator[FlagProposal]:
    """Per flag that the label contains it, by the words for that; unchecked where there are none.

    A word names the flag, or an ingredient is of a class that usually has it: a tomato nightshade.
    """
    words = [(found, _stems(found.group())) for found in WORD.finditer(text)]
    usual = [(entry, usual_of(class_)) for entry, class_ in _classes(listed)]
    for flag in flags:
        named = [_stems(word) for word in split(flag.name)]
        because = [*_named(text, words, named)] if named else []
        because += [
            Because(entry.text, entry.start, entry.end, f"{flag.name.lower()}, as a rule")
            for entry, brings in usual
            if flag.id in brings.inherent | brings.has
        ]
        level = Level.CONTAINS if because else Level.UNCHECKED
        yield FlagProposal(flag.id, level, tuple(because))


def _classes(listed: Iterable[Listed]) -> Iterator[tuple[Listed, str]]:
    """The ingredients whose class their name tells, those within a compound one too."""
    for entry in listed:
        guess = class_of_name(entry.text)
        if guess.class_ is not None and guess.certain:
            yield entry, guess.class_
        yield from _classes(entry.parts)


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
