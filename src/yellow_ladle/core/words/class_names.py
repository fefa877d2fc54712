"""Which class a name means: "Anna's double cream" is cream, "Anna's mix" could be anything.

A name is read in five languages. In each, the phrases of `data/class_names` are found in it; the
one that stands where the language puts the thing itself (last in English, first in French) is what
it is. The language that understands most of the name is taken. A class that is found so is certain
only where nothing in the name speaks against it: another food, a word that nobody knows beside a
word for a whole family of things, a language that reads it otherwise.
"""

import re
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache, lru_cache

from yellow_ladle.core.vocabulary.classes import usual_of
from yellow_ladle.core.vocabulary.toml import section, table, words
from yellow_ladle.core.words.class_lexicon import (
    OTHER,
    Language,
    languages,
    rules_of_names,
    single_words,
)
from yellow_ladle.core.words.class_phrases import (
    NameWord,
    PhraseHit,
    is_plain,
    phrases_in,
    words_of_name,
)
from yellow_ladle.core.words.likeness import nearest
from yellow_ladle.core.words.stems import split

MAX_OTHERS = 3
MIN_MISSPELT = 5
"""Letters of the shortest word that may be one with a slip of the pen in it."""
MAX_STRANGERS = 2
"""Words that nobody knows beside a certain name; more than a farm's or a brand's are doubtful."""
SLIP = 0.84
"""How like two words are of which one may be the other, misspelt."""
MAX_NAME = 240
"""Letters of the longest name."""
MAX_CHOICES = 4
"""Things that a name may give to choose from."""
_CHOICE = re.compile(r"(?<=[^\W\d_]{3})\s*/\s*(?=[^\W\d_]{3})|\s+(?:or|ou|oder|oppure)\s+", re.I)
_PARTS = re.compile(r"[,;:/()\[\]–—|]|\s-\s")


@dataclass(frozen=True, slots=True)
class ClassGuess:
    """What a name means: a class or None, whether that is certain, and what else it may be."""

    class_: str | None = None
    certain: bool = False
    others: tuple[str, ...] = ()

    @property
    def settled(self) -> str | None:
        """The class where it is certain."""
        return self.class_ if self.certain else None


UNKNOWN = ClassGuess()


@dataclass(frozen=True, slots=True)
class _Understood:
    """A name as one language reads it: how much of it, the words of its head, and what it is."""

    weight: tuple[int, int, int]
    head: frozenset[str]
    guess: ClassGuess


@lru_cache(maxsize=50_000)
def class_of_name(name: str) -> ClassGuess:
    """The class that a name means. Two names for one class give the first (classes.toml).

    A name that gives a choice ("hazelnuts/walnuts") is certain where all of it is of one class. A
    text that is longer than any name means nothing.
    """
    if len(name) > MAX_NAME:
        return UNKNOWN
    choices = [_class_of_one(part) for part in _CHOICE.split(name)[:MAX_CHOICES]]
    classes = dict.fromkeys(guess.class_ for guess in choices)
    if len(classes) > 1 and None not in classes:
        found = [class_ for guess in choices for class_ in (guess.class_, *guess.others) if class_]
        return _unsure(found[0], *found[1:])
    return _class_of_one(name)


def _class_of_one(name: str) -> ClassGuess:
    if _stands_in(name):
        return UNKNOWN
    denied, rest = _denied(name)
    whole = _readings(name)
    # "Vegetable suet" and "gluten-free flour" are names of their own.
    if not denied or any(reading.head - set(split(rest)) for reading in whole):
        return _agreed(whole) if whole else _misspelt(name)
    found = _readings(rest)
    guess = _agreed(found) if found else _misspelt(rest)
    for category in denied:
        guess = _without(guess, category)
    return guess


def _readings(name: str) -> list[_Understood]:
    """How the languages read a name that understand the most of it."""
    found = [made for language in languages() if (made := _understood(language, name))]
    best = max((reading.weight for reading in found), default=None)
    return [reading for reading in found if reading.weight == best]


def _agreed(readings: list[_Understood]) -> ClassGuess:
    """What languages that understand as much of a name say together."""
    guesses = [reading.guess for reading in readings]
    first = guesses[0]
    if all(guess.class_ == first.class_ for guess in guesses):
        return max(guesses, key=lambda guess: guess.certain)
    classes = [guess.class_ for guess in guesses if guess.class_]
    return _unsure(classes[0], *classes[1:])


def _unsure(class_: str | None, *others: str) -> ClassGuess:
    found = dict.fromkeys(other for other in others if other and other != class_)
    return ClassGuess(class_, False, tuple(found)[:MAX_OTHERS])


def _stands_in(name: str) -> bool:
    """Whether something is only the taste or the substitute of what its name names."""
    return not set(split(name)).isdisjoint(words(rules_of_names()["stand_in"]))


def _denied(name: str) -> tuple[list[str], str]:
    """What a name denies ("gluten-free"), and the name without that."""
    found, rest = [], name
    for category, denying in _denials().items():
        for pattern in denying:
            if pattern.search(rest):
                found.append(category)
                rest = pattern.sub(" ", rest)
    return list(dict.fromkeys(found)), rest


def _without(guess: ClassGuess, category: str) -> ClassGuess:
    """What something is whose name denies a thing that it usually has."""
    if guess.class_ is None:
        return guess
    row = section(section(table("classes")["free_from"])[category])
    made = section(row.get("is")).get(guess.class_)
    if made is not None:
        return ClassGuess(str(made), guess.certain, guess.others)
    may_be = words(section(row.get("may_be")).get(guess.class_))
    if may_be:
        return _unsure(may_be[0], *may_be[1:])
    usual = usual_of(guess.class_)
    if usual.has & set(words(row["flags"])):
        return UNKNOWN
    return guess


def _understood(language: Language, name: str) -> _Understood | None:
    """A name as a language reads it, or None where it finds nothing in it."""
    parts = [words_of_name(part) for part in _PARTS.split(name)]
    parts = [part for part in parts if part]
    if not parts:
        return None
    lead = _lead(language, parts)
    said = [language.stem(word.text) for word in lead]
    hits = list(phrases_in(language, lead, said))
    rest = [word for part in parts[1:] for word in part] if lead is parts[0] else []
    if not hits and rest:
        lead, said = rest, [language.stem(word.text) for word in rest]
        hits, rest = list(phrases_in(language, lead, said)), []
    if not hits:
        return None
    head = hits[0] if language.head_first else hits[-1]
    used = {index for hit in hits for index in hit.words}
    aside = {n for n, word in enumerate(lead) if is_plain(language, word) or n in used}
    unknown = [n for n in range(len(lead)) if n not in aside]
    known = len(aside) + sum(is_plain(language, word) for word in rest)
    weight = (known - len(unknown), len(used), -len(hits))
    texts = frozenset(lead[index].text for index in head.words)
    return _Understood(weight, texts, _judged(head, hits, lead, unknown))


def _lead(language: Language, parts: list[list[NameWord]]) -> list[NameWord]:
    """The part of a name that says what the thing is.

    An inverted name ("Oil, olive") is turned where that makes a phrase over both its parts.
    """
    if len(parts) > 1 and len(parts[0]) <= 2:
        turned = parts[1] + parts[0]
        border = len(parts[1])
        said = [language.stem(word.text) for word in turned]
        for hit in phrases_in(language, turned, said):
            if hit.start < border < hit.end and hit.sure:
                return turned
    lead = parts[0]
    for index, word in enumerate(lead):
        if index and word.text in language.breaks and not word.joined:
            return lead[:index]
    return lead


def _judged(
    head: PhraseHit, hits: list[PhraseHit], lead: list[NameWord], unknown: list[int]
) -> ClassGuess:
    """What a name is by its head, and how surely beside all else that it says."""
    family = head.class_ in words(rules_of_names()["families"])
    foreign = any(hit.class_ == OTHER for hit in hits)
    if head.class_ == OTHER or (foreign and family):
        return UNKNOWN
    class_ = _treated(head.class_, lead)
    beside = [*head.others, *(hit.class_ for hit in hits if _is_beside(hit, head, lead))]
    if foreign or (beside and class_ not in words(rules_of_names()["sorts"])):
        return _unsure(class_, *beside)
    strangers = [index for index in unknown if not lead[index].owner]
    # "Brackwater unsalted butter" is butter; "zedoary butter" and "fish fingers" may be anything.
    named = all(index == 0 or lead[index].named for index in strangers)
    few = len(strangers) <= MAX_STRANGERS and (not family or len(lead) - len(strangers) > 1)
    return ClassGuess(class_, head.sure and (not strangers or (named and few)))


def _is_beside(hit: PhraseHit, head: PhraseHit, lead: list[NameWord]) -> bool:
    """Whether a phrase speaks of another food than the head of its name."""
    if hit.words == head.words or hit.class_ in (head.class_, OTHER, *_names_of_no_weight()):
        return False
    if all(lead[index].owner for index in hit.words):
        return False
    brought = usual_of(hit.class_).has
    return not brought or not brought <= usual_of(head.class_).has


def _treated(class_: str, lead: list[NameWord]) -> str:
    """What a thing is once it is dried or smoked, where that is a class of its own."""
    for value in section(table("classes")["treated"]).values():
        row = section(value)
        if class_ in section(row["is"]) and any(word.text in words(row["words"]) for word in lead):
            return str(section(row["is"])[class_])
    return class_


def _misspelt(name: str) -> ClassGuess:
    """What a name means that no language knows, if one of its words is misspelt."""
    for part in [words_of_name(part) for part in _PARTS.split(name)][:1]:
        for word in reversed(part):
            if len(word.text) < MIN_MISSPELT or word.owner:
                continue
            near = nearest(word.text, single_words(), SLIP)
            if near and near[0] == word.text[0]:
                return _unsure(single_words()[near])
    return UNKNOWN


@cache
def _denials() -> Mapping[str, list[re.Pattern[str]]]:
    """The words by which a name denies something, as they may be written, the longest first."""
    found = {}
    for category, value in section(table("classes")["free_from"]).items():
        said = sorted(words(section(value)["words"]), key=len, reverse=True)
        found[category] = [
            re.compile(r"(?i)(?<!\w)" + word.replace(" ", r"[\s-]+") + r"(?!\w)") for word in said
        ]
    return found


def _names_of_no_weight() -> tuple[str, ...]:
    return words(rules_of_names()["no_weight"])
