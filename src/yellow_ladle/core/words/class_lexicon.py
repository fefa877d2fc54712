"""What five languages call the classes of goods and pots, as phrases of stems."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cache

from yellow_ladle.core.vocabulary.classes import known_classes, of_twin
from yellow_ladle.core.vocabulary.toml import Table, section, table, words
from yellow_ladle.core.words.stems import STEMS, split

MIN_COMPOUND = 4
"""Letters of the shortest word that may be the end of a compound."""
OTHER = ""
"""Stands for the class of what no class speaks of."""


@dataclass(frozen=True)
class Language:
    """What one language calls things. Phrases are tuples of stems, by their first one."""

    id: str
    head_first: bool
    compounds: bool
    breaks: frozenset[str]
    plain: frozenset[str]
    phrases: Mapping[str, list[tuple[tuple[str, ...], tuple[str, ...]]]]
    ends: Mapping[str, str] = field(default_factory=dict)

    def stem(self, word: str) -> str:
        """What a word is compared by."""
        return STEMS[self.id](word)

    def by_end(self, word: str) -> str | None:
        """The class of a compound that is not listed: what its longest known end says.

        Where its end says nothing ("Forellenfilet"), its beginning does.
        """
        stem = self.stem(word)
        for start in range(1, len(stem) - MIN_COMPOUND + 1):
            class_ = self.ends.get(stem[start:])
            if class_ is not None:
                return class_
            if start >= MIN_COMPOUND and stem[start:] in self.plain:
                return self.ends.get(self.stem(stem[:start]))
        return None


@cache
def languages() -> tuple[Language, ...]:
    """Every language that names are read in."""
    return tuple(_language(id) for id in STEMS)


def _language(id: str) -> Language:
    data = table(f"class_names/{id}")
    stem = STEMS[id]
    called: dict[str, list[str]] = {}
    for part in ("goods", "pots"):
        for class_, row in section(data[part]).items():
            called.setdefault(of_twin(class_), []).extend(words(row))
    if id == "en":
        for class_ in known_classes().keys() - set(words(rules_of_names()["no_names"])):
            called.setdefault(of_twin(class_), []).append(class_.replace("-", " "))
    called[OTHER] = list(words(data["other"]))
    phrases: dict[str, dict[tuple[str, ...], tuple[str, ...]]] = {}
    for class_, names in called.items():
        for name in names:
            phrase = tuple(stem(word) for word in split(name) if word not in fillers())
            if phrase:
                known = phrases.setdefault(phrase[0], {})
                known[phrase] = tuple(dict.fromkeys((*known.get(phrase, ()), class_)))
    compounds = bool(data.get("compounds", False))
    return Language(
        id=id,
        head_first=data["head"] == "first",
        compounds=compounds,
        breaks=frozenset(words(data["with"])),
        plain=frozenset(stem(word) for name in words(data["plain"]) for word in split(name)),
        phrases={first: list(found.items()) for first, found in phrases.items()},
        ends={
            phrase[0]: class_
            for found in phrases.values()
            for phrase, (class_, *_) in found.items()
            if compounds and len(phrase) == 1 and len(phrase[0]) >= MIN_COMPOUND and class_
        },
    )


@cache
def single_words() -> dict[str, str]:
    """Every one-word name of a class, in all languages."""
    found: dict[str, str] = {}
    for language in languages():
        for phrases in language.phrases.values():
            for phrase, (class_, *_) in phrases:
                if len(phrase) == 1 and class_:
                    found.setdefault(phrase[0], class_)
    return found


@cache
def fillers() -> frozenset[str]:
    """Little words that phrases and names are compared without."""
    return frozenset(words(rules_of_names()["fillers"]))


def rules_of_names() -> Table:
    """What is said of names in general: words of no weight, families, sorts."""
    return section(table("classes")["names"])
