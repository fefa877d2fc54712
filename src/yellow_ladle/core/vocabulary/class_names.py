"""Which class a name means: "Anna's double cream" is cream, "Anna's mix" could be anything.

A name is read in five languages. In each, the phrases of `data/class_names` are found in it; the
one that stands where the language puts the thing itself (last in English, first in French) is what
it is. The language that understands most of the name is taken. A class that is found so is certain
only where nothing in the name speaks against it: another food, a word that nobody knows beside a
word for a whole family of things, a language that reads it otherwise.
"""

import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from difflib import get_close_matches
from functools import cache, lru_cache

from yellow_ladle.core.vocabulary.classes import known_classes, of_twin, usual_of
from yellow_ladle.core.vocabulary.stems import STEMS, split
from yellow_ladle.core.vocabulary.toml import Table, section, table, words

MAX_OTHERS = 3
MAX_GAP = 2
"""Words of no weight that may stand between the words of a phrase: "smoked wild salmon"."""
MIN_COMPOUND = 4
"""Letters of the shortest word that may be the end of a compound."""
MIN_MISSPELT = 5
"""Letters of the shortest word that may be one with a slip of the pen in it."""
MAX_STRANGERS = 2
"""Words that nobody knows beside a certain name; more than a farm's or a brand's are doubtful."""
SLIP = 0.84
"""How like two words are of which one may be the other, misspelt."""
_OTHER = ""
"""Stands for the class of what no class speaks of."""
_PARTS = re.compile(r"[,;:/()\[\]–—|]|\s-\s")
_WRITTEN = re.compile(r"[^\W_]+")
_OWNER = re.compile(r"(\w+)['’]s\b|(\w+s)['’](?!\w)")


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
class _Word:
    """A word of a name.

    `owner`: it only says whose a thing is; `named`: it has a capital; `joined`: by a hyphen to the
    one before.
    """

    text: str
    owner: bool = False
    named: bool = False
    joined: bool = False


@dataclass(frozen=True, slots=True)
class _Hit:
    """A phrase found in a name: where, and the class that it means; it may mean `others` too."""

    start: int
    end: int
    words: frozenset[int]
    class_: str
    others: tuple[str, ...] = ()
    sure: bool = True


@dataclass(frozen=True, slots=True)
class _Understood:
    """A name as one language reads it: how much of it, the words of its head, and what it is."""

    weight: tuple[int, int, int]
    head: frozenset[str]
    guess: ClassGuess


@dataclass(frozen=True)
class _Language:
    """What one language calls things. Phrases are tuples of stems, by their first one."""

    id: str
    head_first: bool
    compounds: bool
    breaks: frozenset[str]
    plain: frozenset[str]
    phrases: Mapping[str, list[tuple[tuple[str, ...], tuple[str, ...]]]]
    ends: Mapping[str, str] = field(default_factory=dict)

    def stem(self, word: str) -> str:
        return STEMS[self.id](word)


@lru_cache(maxsize=50_000)
def class_of_name(name: str) -> ClassGuess:
    """The class that a name means. Two names for one class give the first (classes.toml)."""
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
    found = [made for language in _languages() if (made := _understood(language, name))]
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
    return not set(split(name)).isdisjoint(words(_names()["stand_in"]))


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
    row = section(section(table_of_classes()["free_from"])[category])
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


def _understood(language: _Language, name: str) -> _Understood | None:
    """A name as a language reads it, or None where it finds nothing in it."""
    parts = [_words_of(part) for part in _PARTS.split(name)]
    parts = [part for part in parts if part]
    if not parts:
        return None
    lead = _lead(language, parts)
    said = [language.stem(word.text) for word in lead]
    hits = list(_hits(language, lead, said))
    rest = [word for part in parts[1:] for word in part] if lead is parts[0] else []
    if not hits and rest:
        lead, said = rest, [language.stem(word.text) for word in rest]
        hits, rest = list(_hits(language, lead, said)), []
    if not hits:
        return None
    head = hits[0] if language.head_first else hits[-1]
    used = {index for hit in hits for index in hit.words}
    aside = {n for n, word in enumerate(lead) if _is_plain(language, word) or n in used}
    unknown = [n for n in range(len(lead)) if n not in aside]
    known = len(aside) + sum(_is_plain(language, word) for word in rest)
    weight = (known - len(unknown), len(used), -len(hits))
    texts = frozenset(lead[index].text for index in head.words)
    return _Understood(weight, texts, _judged(head, hits, lead, unknown))


def _lead(language: _Language, parts: list[list[_Word]]) -> list[_Word]:
    """The part of a name that says what the thing is.

    An inverted name ("Oil, olive") is turned where that makes a phrase over both its parts.
    """
    if len(parts) > 1 and len(parts[0]) <= 2:
        turned = parts[1] + parts[0]
        border = len(parts[1])
        said = [language.stem(word.text) for word in turned]
        for hit in _hits(language, turned, said):
            if hit.start < border < hit.end and hit.sure:
                return turned
    lead = parts[0]
    for index, word in enumerate(lead):
        if index and word.text in language.breaks and not word.joined:
            return lead[:index]
    return lead


def _judged(head: _Hit, hits: list[_Hit], lead: list[_Word], unknown: list[int]) -> ClassGuess:
    """What a name is by its head, and how surely beside all else that it says."""
    family = head.class_ in words(_names()["families"])
    foreign = any(hit.class_ == _OTHER for hit in hits)
    if head.class_ == _OTHER or (foreign and family):
        return UNKNOWN
    class_ = _treated(head.class_, lead)
    beside = [*head.others, *(hit.class_ for hit in hits if _is_beside(hit, head, lead))]
    if foreign or (beside and class_ not in words(_names()["sorts"])):
        return _unsure(class_, *beside)
    strangers = [index for index in unknown if not lead[index].owner]
    # "Brackwater unsalted butter" is butter; "zedoary butter" and "fish fingers" may be anything.
    named = all(index == 0 or lead[index].named for index in strangers)
    few = len(strangers) <= MAX_STRANGERS and (not family or len(lead) - len(strangers) > 1)
    return ClassGuess(class_, head.sure and (not strangers or (named and few)))


def _is_beside(hit: _Hit, head: _Hit, lead: list[_Word]) -> bool:
    """Whether a phrase speaks of another food than the head of its name."""
    if hit.words == head.words or hit.class_ in (head.class_, _OTHER, *_names_of_no_weight()):
        return False
    if all(lead[index].owner for index in hit.words):
        return False
    brought = usual_of(hit.class_).has
    return not brought or not brought <= usual_of(head.class_).has


def _treated(class_: str, lead: list[_Word]) -> str:
    """What a thing is once it is dried or smoked, where that is a class of its own."""
    for value in section(table_of_classes()["treated"]).values():
        row = section(value)
        if class_ in section(row["is"]) and any(word.text in words(row["words"]) for word in lead):
            return str(section(row["is"])[class_])
    return class_


def _hits(language: _Language, lead: list[_Word], said: list[str]) -> Iterator[_Hit]:
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
            _Hit(index, index + 1, frozenset([index]), class_, sure=False)
            for index, word in enumerate(lead)
            if index not in taken and (class_ := _by_end(language, word.text)) is not None
        ]
    yield from sorted(kept, key=lambda hit: hit.start)


def _at(language: _Language, lead: list[_Word], said: list[str], start: int) -> Iterator[_Hit]:
    for phrase, (class_, *others) in language.phrases.get(said[start], ()):
        at, used = start, [start]
        for wanted in phrase[1:]:
            at = _next(language, lead, said, at + 1, wanted)
            if at < 0:
                break
            used.append(at)
        else:
            yield _Hit(start, used[-1] + 1, frozenset(used), class_, tuple(others))


def _next(language: _Language, lead: list[_Word], said: list[str], start: int, wanted: str) -> int:
    """Where the next word of a phrase stands, over words of no weight; -1 if nowhere."""
    gap = 0
    for index in range(start, len(lead)):
        if said[index] == wanted:
            return index
        if lead[index].text in _fillers():
            continue
        gap += 1
        if gap > MAX_GAP or not _is_plain(language, lead[index]):
            return -1
    return -1


def _by_end(language: _Language, word: str) -> str | None:
    """The class of a compound that is not listed: what its longest known end says.

    Where its end says nothing ("Forellenfilet"), its beginning does.
    """
    stem = language.stem(word)
    for start in range(1, len(stem) - MIN_COMPOUND + 1):
        class_ = language.ends.get(stem[start:])
        if class_ is not None:
            return class_
        if start >= MIN_COMPOUND and stem[start:] in language.plain:
            return language.ends.get(language.stem(stem[:start]))
    return None


def _is_plain(language: _Language, word: _Word) -> bool:
    if any(sign.isdigit() for sign in word.text) or word.text in _fillers():
        return True
    return word.owner or language.stem(word.text) in language.plain


def _words_of(part: str) -> list[_Word]:
    owners = {word for found in _OWNER.findall(part) for owner in found for word in split(owner)}
    plain = _OWNER.sub(r"\1\2", part)
    found = []
    for written in _WRITTEN.finditer(plain):
        joined = plain[: written.start()].endswith("-")
        named = written[0][:1].isupper()
        found += [_Word(word, word in owners, named, joined) for word in split(written[0])]
    return found


def _misspelt(name: str) -> ClassGuess:
    """What a name means that no language knows, if one of its words is misspelt."""
    for part in [_words_of(part) for part in _PARTS.split(name)][:1]:
        for word in reversed(part):
            if len(word.text) < MIN_MISSPELT or word.owner:
                continue
            near = get_close_matches(word.text, _single_words(), 1, SLIP)
            if near and near[0][0] == word.text[0]:
                return _unsure(_single_words()[near[0]])
    return UNKNOWN


@cache
def _single_words() -> dict[str, str]:
    """Every one-word name of a class, in all languages."""
    found: dict[str, str] = {}
    for language in _languages():
        for phrases in language.phrases.values():
            for phrase, (class_, *_) in phrases:
                if len(phrase) == 1 and class_:
                    found.setdefault(phrase[0], class_)
    return found


@cache
def _languages() -> tuple[_Language, ...]:
    return tuple(_language(id) for id in STEMS)


def _language(id: str) -> _Language:
    data = table(f"class_names/{id}")
    stem = STEMS[id]
    called: dict[str, list[str]] = {}
    for part in ("goods", "pots"):
        for class_, row in section(data[part]).items():
            called.setdefault(of_twin(class_), []).extend(words(row))
    if id == "en":
        for class_ in known_classes().keys() - set(words(_names()["no_names"])):
            called.setdefault(of_twin(class_), []).append(class_.replace("-", " "))
    called[_OTHER] = list(words(data["other"]))
    phrases: dict[str, dict[tuple[str, ...], tuple[str, ...]]] = {}
    for class_, names in called.items():
        for name in names:
            phrase = tuple(stem(word) for word in split(name) if word not in _fillers())
            if phrase:
                known = phrases.setdefault(phrase[0], {})
                known[phrase] = tuple(dict.fromkeys((*known.get(phrase, ()), class_)))
    compounds = bool(data.get("compounds", False))
    return _Language(
        id,
        data["head"] == "first",
        compounds,
        frozenset(words(data["with"])),
        frozenset(stem(word) for name in words(data["plain"]) for word in split(name)),
        {first: list(found.items()) for first, found in phrases.items()},
        {
            phrase[0]: class_
            for found in phrases.values()
            for phrase, (class_, *_) in found.items()
            if compounds and len(phrase) == 1 and len(phrase[0]) >= MIN_COMPOUND and class_
        },
    )


@cache
def _denials() -> Mapping[str, list[re.Pattern[str]]]:
    """The words by which a name denies something, as they may be written, the longest first."""
    found = {}
    for category, value in section(table_of_classes()["free_from"]).items():
        said = sorted(words(section(value)["words"]), key=len, reverse=True)
        found[category] = [
            re.compile(r"(?i)(?<!\w)" + word.replace(" ", r"[\s-]+") + r"(?!\w)") for word in said
        ]
    return found


@cache
def table_of_classes() -> Table:
    """The table of classes, read once."""
    return table("classes")


def _names_of_no_weight() -> tuple[str, ...]:
    return words(_names()["no_weight"])


@cache
def _fillers() -> frozenset[str]:
    """Little words that phrases and names are compared without."""
    return frozenset(words(_names()["fillers"]))


@cache
def _names() -> Table:
    return section(table_of_classes()["names"])
