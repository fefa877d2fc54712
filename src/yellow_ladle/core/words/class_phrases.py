"""Where the phrases that name classes stand in a name."""

import re
from collections.abc import Iterator
from dataclasses import dataclass

from yellow_ladle.core.words.class_lexicon import Language, fillers
from yellow_ladle.core.words.stems import split

MAX_GAP = 2
"""Words of no weight that may stand between the words of a phrase: "smoked wild salmon"."""
_WRITTEN = re.compile(r"[^\W_]+")
_OWNER = re.compile(r"(\w+)['’]s\b|(\w+s)['’](?!\w)")


@dataclass(frozen=True, slots=True)
class NameWord:
    """A word of a name.

    `owner`: it only says whose a thing is; `named`: it has a capital; `joined`: by a hyphen to the
    one before.
    """

    text: str
    owner: bool = False
    named: bool = False
    joined: bool = False


@dataclass(frozen=True, slots=True)
class PhraseHit:
    """A phrase found in a name: where, and the class that it means; it may mean `others` too."""

    start: int
    end: int
    words: frozenset[int]
    class_: str
    others: tuple[str, ...] = ()
    sure: bool = True


def phrases_in(language: Language, lead: list[NameWord], said: list[str]) -> Iterator[PhraseHit]:
    """The phrases of a language in a name, none over another, in the order of the name.

    Where two overlap, the longer one stands; of two as long, the one nearer to the head.
    """
    found = [hit for start in range(len(lead)) for hit in _at(language, lead, said, start)]
    found.sort(key=lambda hit: (-len(hit.words), hit.start if language.head_first else -hit.end))
    taken: set[int] = set()
    kept = []
    for hit in found:
        if not hit.words & taken:
            taken |= hit.words
            kept.append(hit)
    if language.compounds:
        kept += [
            PhraseHit(index, index + 1, frozenset([index]), class_, sure=False)
            for index, word in enumerate(lead)
            if index not in taken and (class_ := language.by_end(word.text)) is not None
        ]
    yield from sorted(kept, key=lambda hit: hit.start)


def _at(
    language: Language, lead: list[NameWord], said: list[str], start: int
) -> Iterator[PhraseHit]:
    for phrase, (class_, *others) in language.phrases.get(said[start], ()):
        at, used = start, [start]
        for wanted in phrase[1:]:
            at = _next(language=language, lead=lead, said=said, start=at + 1, wanted=wanted)
            if at < 0:
                break
            used.append(at)
        else:
            yield PhraseHit(
                start=start,
                end=used[-1] + 1,
                words=frozenset(used),
                class_=class_,
                others=tuple(others),
            )


def _next(
    language: Language, lead: list[NameWord], said: list[str], start: int, wanted: str
) -> int:
    """Where the next word of a phrase stands, over words of no weight; -1 if nowhere."""
    gap = 0
    for index in range(start, len(lead)):
        if said[index] == wanted:
            return index
        if lead[index].text in fillers():
            continue
        gap += 1
        if gap > MAX_GAP or not is_plain(language, lead[index]):
            return -1
    return -1


def is_plain(language: Language, word: NameWord) -> bool:
    """Whether a word says nothing of what a thing is."""
    if any(sign.isdigit() for sign in word.text) or word.text in fillers():
        return True
    return word.owner or language.stem(word.text) in language.plain


def words_of_name(part: str) -> list[NameWord]:
    """The words of a part of a name."""
    owners = {word for found in _OWNER.findall(part) for owner in found for word in split(owner)}
    plain = _OWNER.sub(r"\1\2", part)
    found = []
    for written in _WRITTEN.finditer(plain):
        joined = plain[: written.start()].endswith("-")
        named = written[0][:1].isupper()
        found += [NameWord(word, word in owners, named, joined) for word in split(written[0])]
    return found
