"""Which item of the book a cook's words mean."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache, lru_cache

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.vocabulary.classes import expanded
from yellow_ladle.core.vocabulary.toml import section, table, words
from yellow_ladle.core.words.likeness import likeness
from yellow_ladle.core.words.stems import english, split

SURE = 0.9
"""From this likeness on, and with nothing nearly as like, a match is taken without asking."""
WITHIN = 0.8
"""How like a longer name is that holds all the words asked for: butter in a dairy's butter."""
SLIPPED = 0.72
"""Two words that share this much are one, with a slip of the pen in it."""
LIKELY = 0.6
"""Below this likeness nothing is offered."""
MAX_MATCHES = 5


@dataclass(frozen=True, slots=True)
class Match:
    """An item that may be meant, and how like its name is, 0 to 1."""

    item: str
    likeness: float


class Names:
    """The names of a book's items, taken apart once so that many texts can be matched."""

    def __init__(self, names: Mapping[str, str]) -> None:
        self._tokens = {item: tokens(name) for item, name in names.items()}
        self._holding: dict[str, list[str]] = {}
        self._like: dict[str, frozenset[str]] = {}
        for item, parts in self._tokens.items():
            for part in parts:
                self._holding.setdefault(part, []).append(item)

    def matches(self, text: str) -> tuple[Match, ...]:
        """The items whose names are most like a text, the likest first."""
        wanted = tokens(text)
        likely = {item for word in wanted for item in self._with(word)}
        found = [Match(item, _likeness(wanted, self._tokens[item])) for item in likely]
        found = [match for match in found if match.likeness >= LIKELY]
        return tuple(sorted(found, key=lambda match: (-match.likeness, match.item))[:MAX_MATCHES])

    def _with(self, word: str) -> frozenset[str]:
        """The items whose names hold a word, or one with a slip of the pen in it."""
        if word not in self._like:
            parts = (part for part in self._holding if _word_likeness(word, part))
            self._like[word] = frozenset(item for part in parts for item in self._holding[part])
        return self._like[word]


def sure(found: tuple[Match, ...]) -> bool:
    """Whether the first match can be taken without asking."""
    if not found or found[0].likeness < SURE:
        return False
    return len(found) == 1 or found[1].likeness < found[0].likeness


def names_of(book: Book) -> dict[str, str]:
    """What lines may be made of, by name; what is retired is not offered."""
    items = (*book.products, *book.preparations)
    return {item: book.name(item) for item in items if not book.is_retired(item)}


def tokens(text: str) -> frozenset[str]:
    """The words of a name that tell it apart: without accents, plurals and side words."""
    return frozenset(english(word) for word in split(text) if word not in _side_words())


def role_of(class_: str | None, kind: str | None = None) -> str:
    """The role that an item of a class, or a preparation of a kind, most likely has."""
    known = _roles()
    return known.get(class_ or "", known.get(kind or "", "body"))


def stage_of(text: str) -> str:
    """When a line goes in, as its own words say: with the rest, to finish, or at the pass."""
    plain = " ".join(split(text))
    found = (stage for said, stage in _stages().items() if f" {said} " in f" {plain} ")
    return next(found, "cook")


def _likeness(wanted: frozenset[str], name: frozenset[str]) -> float:
    """How much of both sides is met by the other; a slip of the pen still meets."""
    if not name:
        return 0.0
    met = sum(max(_word_likeness(word, other) for other in name) for word in wanted)
    met_back = sum(max(_word_likeness(word, other) for other in wanted) for word in name)
    return max((met + met_back) / (len(wanted) + len(name)), WITHIN * met / len(wanted))


@lru_cache(maxsize=100_000)
def _word_likeness(one: str, other: str) -> float:
    if one == other:
        return 1.0
    if abs(len(one) - len(other)) > 2 or len(one) < 4 or one[0] != other[0]:
        return 0.0
    ratio = likeness(one, other)
    return ratio if ratio >= SLIPPED else 0.0


@cache
def _side_words() -> frozenset[str]:
    return frozenset(words(table("roles")["side_words"]))


@cache
def _roles() -> Mapping[str, str]:
    data = section(table("roles")["role"])
    found: dict[str, str] = {}
    for role in data:
        for class_ in expanded(words(data[role])):
            found.setdefault(class_, role)
    return found


@cache
def _stages() -> Mapping[str, str]:
    data = section(table("roles")["stage"])
    return {said: stage for stage in data for said in words(data[stage])}
