"""The names of things in a card's texts: what is named where, and what is only taken back.

A text names an item by its name, by the last words of its name, or by the words of its class.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from functools import cache, lru_cache

from yellow_ladle.core.book.book import Book, Preparation, owner_of
from yellow_ladle.core.labels.hits import forms
from yellow_ladle.core.labels.languages import language_of
from yellow_ladle.core.vocabulary.toml import table
from yellow_ladle.core.words.letters import Token, tokens
from yellow_ladle.core.words.letters import words as words_of
from yellow_ladle.core.words.lexicon import Key, Lexicon, lexicon

MAX_BEFORE = 4
"""Words between "without" and what it takes back: "without any of the butter"."""
MAX_OPENING = 80
"""Words at the beginning of a text among which "Instead of …:" ends."""
MIN_NAME = 3
"""Letters of the shortest word that names an item by itself."""


@dataclass(frozen=True, slots=True)
class NameSpan:
    """Some tokens of a text, first and one past the last, and the name that they stand for."""

    first: int
    end: int
    name: Key


def spoken_in(preparation: Preparation) -> Lexicon:
    """The words of the language in which a card is written."""
    texts = (preparation.name, *(step.text for step in preparation.method))
    return lexicon(language_of([token for text in texts for token in run_of(text)]))


class CardNames:
    """Some names, to be found in texts of one language; words that name no food are among them.

    One hen is found in a text by the name of boiling hens, and the other way round.
    """

    def __init__(self, names: Iterable[Key], spoken: Lexicon) -> None:
        self._spoken = spoken
        self._by_first: dict[str, list[Key]] = {}
        for name in dict.fromkeys((*no_food(), *names)):
            for form in forms(spoken, name[0]):
                self._by_first.setdefault(form, []).append(name)

    def spans(self, run: Sequence[Token]) -> list[NameSpan]:
        """Where they stand in a text, the longest first, none over another."""
        found: list[NameSpan] = []
        here = 0
        while here < len(run):
            longest: Key = ()
            for form in forms(self._spoken, run[here].text):
                for name in self._by_first.get(form, ()):
                    if len(name) > len(longest) and self._stands(run, here, name):
                        longest = name
            if longest:
                found.append(NameSpan(here, here + len(longest), longest))
            here += max(len(longest), 1)
        return found

    def _stands(self, run: Sequence[Token], here: int, name: Key) -> bool:
        part = run[here : here + len(name)]
        return len(part) == len(name) and all(
            not set(forms(self._spoken, word)).isdisjoint(forms(self._spoken, token.text))
            for token, word in zip(part, name, strict=True)
        )


@lru_cache(maxsize=4_096)
def run_of(text: str) -> tuple[Token, ...]:
    """The tokens of a card's text; the same texts are asked for again and again."""
    return tuple(tokens(text))


def taken_back(run: Sequence[Token], here: int) -> bool:
    """Whether a "without" or "instead of" stands before a word of a text, in the same clause.

    "Instead of butter use cream" speaks of cream. "As thick as cream" puts nothing into the pot.
    """
    if _stands_for(run, here):
        return True
    before: list[str] = []
    for token in reversed(run[max(0, here - MAX_BEFORE - 2) : here]):
        if token.kind == "mark" and token.text in ".;:!?\n":
            break
        before.insert(0, token.text)
    again = [n for n, word in enumerate(before) if (word,) in _phrases("goes_in")]
    return any(
        tuple(before[start : start + len(key)]) == key
        and not any(n >= start + len(key) for n in again)
        for key in (*_phrases("without"), *_phrases("likened"))
        for start in range(len(before) - len(key) + 1)
    )


def _stands_for(run: Sequence[Token], here: int) -> bool:
    """Whether a text opens with "Instead of …:", as a plan's steps do, and the word is in there."""
    words = [token.text for token in run[:MAX_OPENING]]
    if tuple(words[:2]) != ("instead", "of") or ":" not in words:
        return False
    return here < words.index(":")


def names_of(book: Book, item: str) -> tuple[Key, ...]:
    """The names by which texts may call an item: whole, by its last words, by its class."""
    owner = owner_of(item)
    by_product = book.by_product(item) if owner in book.preparations else None
    thing = book.products.get(owner) or book.preparations.get(owner)
    if thing is None:
        return ()
    name = by_product.name if by_product else thing.name
    return called(name, None if by_product else thing.class_)


def called(name: str, class_: str | None = None) -> tuple[Key, ...]:
    """What texts may call something of a name and a class."""
    found: dict[Key, None] = {}
    for words in (words_of(name.partition(",")[0]), words_of((class_ or "").replace("-", " "))):
        for start in range(len(words)):
            key = words[start:]
            if len(key[-1]) >= MIN_NAME:
                found[key] = None
    return tuple(found)


def forms_of_food() -> tuple[Key, ...]:
    """Words that name a shape, which keeps its name whatever it is made of: a pie, crumbs."""
    return _phrases("forms")


def no_food() -> tuple[Key, ...]:
    """Words that name no food on a card, though they look like it."""
    return _phrases("no_food")


@cache
def _phrases(kind: str) -> tuple[Key, ...]:
    listed = str(table("card_words")[kind]).replace("\n", " ").split(",")
    return tuple(key for word in listed if (key := words_of(word)))
