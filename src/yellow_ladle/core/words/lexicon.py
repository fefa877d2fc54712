"""The words of labels and what each says of the flags, a file a language under `data/labels`."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from functools import cache
from importlib.resources import files

from yellow_ladle.core.vocabulary.structured import structured
from yellow_ladle.core.vocabulary.toml import rows, section, table
from yellow_ladle.core.words.letters import words as words_of

ANY = "any"
PHRASES = (
    "heading",
    "contains",
    "precaution",
    "precaution_sentence",
    "unsuitable",
    "free_before",
    "suitable",
    "ignore",
    "aside",
)
WORD_LISTS = (
    *("made", "site", "where", "at", "free_list", "free_from", "free_after", "joiners", "listing"),
    *("vegan", "vegetarian", "sources", "unclaimed", "free_suffix"),
    *("contrast", "denied", "answers_yes", "answers_no", "bare"),
)
MIN_TELLING = 4
"""Letters from which on a word tells one language from another."""
Key = tuple[str, ...]


@dataclass(frozen=True, slots=True)
class LexiconEntry:
    """What some label words mean.

    `contains`: flags that the words mean. `any_of`: at least one of these, the label does not say
    which. `hides`: flags that they may hide. `exempt`: flags that need no declaration where the
    thing is made from them. `settles`: hidden flags that the words rule out. `free`: flags that
    they claim to be without. `by_source`: what is hidden hangs on the source named beside it.
    `usual`: what is meant unless the label says of what else. `head`: means it only where nothing
    stands before it. `every`: means each allergen of the regime ("all 14 allergens"). `ask` is the
    question for the maker.
    """

    why: str
    contains: tuple[str, ...] = ()
    any_of: tuple[str, ...] = ()
    hides: tuple[str, ...] = ()
    exempt: tuple[str, ...] = ()
    settles: tuple[str, ...] = ()
    free: tuple[str, ...] = ()
    by_source: bool = False
    usual: bool = False
    head: bool = False
    every: bool = False
    ask: str = ""

    @property
    def neutral(self) -> bool:
        """Whether it looks like a flag to some reader and is none."""
        says = self.contains or self.any_of or self.hides or self.exempt or self.free
        return not (says or self.every)

    @property
    def speaks(self) -> bool:
        """Whether it says that something is, or may be, there."""
        return bool(self.contains or self.any_of or self.hides)


@dataclass(frozen=True)
class Lexicon:
    """One language's words with those that hold in every language."""

    id: str
    name: str
    entries: Mapping[Key, LexiconEntry]
    numbers: Mapping[str, LexiconEntry]
    parts: Mapping[str, LexiconEntry]
    phrases: Mapping[Key, str]
    lists: Mapping[str, frozenset[Key]]
    longest: Mapping[str, int] = field(default_factory=dict)
    vocabulary: frozenset[str] = frozenset()
    near: Mapping[str, tuple[str, ...]] = field(default_factory=dict)
    openers: frozenset[str] = frozenset()
    """The first words of all phrases: most words of a label open none."""
    plain: frozenset[Key] = frozenset()
    """Words that say nothing of any flag, beside the entries that only look as if they did."""
    company: frozenset[str] = frozenset()
    """Words that say nothing beside another that is known, and are asked about alone."""
    longest_plain: Mapping[str, int] = field(default_factory=dict)

    def has(self, kind: str, *word: str) -> bool:
        """Whether a word list of the language holds a word."""
        return word in self.lists[kind]


@cache
def languages() -> dict[str, str]:
    """Every language that there is a file for: its name by its id, English first."""
    names = {}
    for file in files("yellow_ladle.core").joinpath("data/labels").iterdir():
        id = file.name.removesuffix(".toml")
        if id != ANY and file.name.endswith(".toml"):
            names[id] = str(table(f"labels/{id}")["name"])
    return dict(sorted(names.items(), key=lambda named: (named[0] != "en", named[0])))


@cache
def lexicon(language: str) -> Lexicon:
    """A language's lexicon; KeyError for a language without a file."""
    name = languages()[language]
    own, shared = table(f"labels/{language}"), table(f"labels/{ANY}")
    entries: dict[Key, LexiconEntry] = {}
    numbers: dict[str, LexiconEntry] = {}
    parts: dict[str, LexiconEntry] = {}
    own_words: set[str] = set()
    for data in (shared, own):
        for row in rows(data["entry"]):
            entry = structured(LexiconEntry, row, besides=("words", "numbers", "parts"))
            for key in _keys(row.get("words")):
                entries[key] = entry
                if data is own:
                    own_words.update(key)
            numbers.update(dict.fromkeys(_listed(row.get("numbers")), entry))
            parts.update({"".join(key): entry for key in _keys(row.get("parts"))})
    phrases = section(own["phrases"])
    by_phrase = {key: kind for kind in PHRASES for key in _keys(phrases.get(kind))}
    lists = {kind: frozenset(_keys(phrases.get(kind))) for kind in WORD_LISTS}
    spoken = {word for key in (*by_phrase, *lists["joiners"]) for word in key}
    plain = frozenset(_keys(section(own["plain"]).get("words")))
    company = {word for key in _keys(section(own["plain"]).get("company")) for word in key}
    own_words |= {word for key in plain for word in key if len(word) >= MIN_TELLING} | company
    return Lexicon(
        id=language,
        name=name,
        entries=entries,
        numbers=numbers,
        parts=dict(sorted(parts.items(), key=lambda part: (-len(part[0]), part[0]))),
        phrases=by_phrase,
        lists=lists,
        longest=_longest(entries),
        vocabulary=frozenset(own_words | spoken),
        near=_near(entries),
        openers=frozenset(key[0] for key in by_phrase),
        plain=plain,
        company=frozenset(company),
        longest_plain=_longest(plain),
    )


def shortened(word: str) -> Iterable[str]:
    """A word with one letter left out, each way: words a letter apart share one of these."""
    return {word[:n] + word[n + 1 :] for n in range(len(word))}


def _listed(value: object) -> list[str]:
    return [word.strip() for word in str(value).split(",")] if value else []


def _keys(value: object) -> list[Key]:
    return [key for word in _listed(value) if (key := words_of(word))]


def _longest(entries: Iterable[Key]) -> dict[str, int]:
    """Per first word the number of words of the longest entry that begins with it."""
    longest: dict[str, int] = {}
    for key in entries:
        longest[key[0]] = max(longest.get(key[0], 0), len(key))
    return longest


def _near(entries: Mapping[Key, LexiconEntry]) -> dict[str, tuple[str, ...]]:
    """Per word, whole or with a letter left out, the known words that it may be a slip of.

    Words that mean something by themselves come first.
    """
    speaking = {key[0] for key, entry in entries.items() if len(key) == 1 and entry.speaks}
    known = {word for key in entries for word in key if len(word) > 5}
    near: dict[str, list[str]] = {}
    for word in sorted(known, key=lambda word: (word not in speaking, word)):
        for short in (word, *shortened(word)):
            near.setdefault(short, []).append(word)
    return {short: tuple(found) for short, found in near.items()}
