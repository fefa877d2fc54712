"""The words of a card against its lines: what its texts name and no line brings.

A step that says "melt the butter" on a card without butter puts it back into the pot, whatever the
flags say.
"""

from collections.abc import Collection, Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cache

from yellow_ladle.core.book import Book, Preparation, by_product_item, owner_of
from yellow_ladle.core.change import Change, applied, reread
from yellow_ladle.core.faults import change_faults
from yellow_ladle.core.labels.finding import forms, hits
from yellow_ladle.core.labels.languages import language_of
from yellow_ladle.core.labels.letters import Token, tokens
from yellow_ladle.core.labels.letters import words as words_of
from yellow_ladle.core.labels.lexicon import Key, Lexicon, lexicon
from yellow_ladle.core.levels import Level
from yellow_ladle.core.product import Evidence
from yellow_ladle.core.reading import Reading
from yellow_ladle.core.tables import table

MAX_BEFORE = 4
"""Words between "without" and what it takes back: "without any of the butter"."""
METHOD = "method"
"""The evidence of a statement that a card's own words make."""
MIN_NAME = 3
"""Letters of the shortest word that names an item by itself."""


@dataclass(frozen=True, slots=True)
class CardWord:
    """Words of a card that name something which no line brings.

    `step` counts the steps from 0, None for the name and the lines' notes. `flags` are those of the
    word that the preparation does not contain.
    """

    item: str
    step: int | None
    text: str
    flags: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Span:
    """Some tokens of a text, first and one past the last, and the name that they stand for."""

    first: int
    end: int
    name: Key


def card_words(reading: Reading) -> list[CardWord]:
    """What the cards of a book name and no line brings, in the order of ids and steps.

    Retired cards and ways that are not in use are left out, and so are words that somebody has said
    are not in it.
    """
    found: list[CardWord] = []
    for id in sorted(reading.book.preparations):
        made = reading.book.preparations[id]
        if made.retired is None:
            found += words_of_card(reading, made)
    return found


def words_of_card(reading: Reading, made: Preparation) -> list[CardWord]:
    """What one card names and none of its lines brings."""
    texts: list[tuple[int | None, str]] = [(None, made.name)]
    texts += [(None, line.note) for line in made.lines]
    for number, entry in enumerate(made.method):
        texts += [(number, text) for text in (entry.text, entry.cue, entry.caution) if text]
    if not any(text for _, text in texts):
        return []
    spoken = lexicon(language_of([t for _, text in texts for t in tokens(text)]))
    refused = {words_of(word) for word in made.not_in_it}
    yielded = [by_product_item(made.id, part.id) for part in made.by_products]
    items = (*(line.item for line in made.lines), *yielded)
    known = {name for item in items for name in names_of(reading.book, item)}
    found: dict[tuple[int | None, str], CardWord] = {}
    for step, text in texts:
        for words, flags in _named(spoken, text, known, refused):
            new = tuple(f for f in flags if reading.level(made.id, f) is not Level.CONTAINS)
            if new:
                found.setdefault((step, words), CardWord(made.id, step, words, new))
    return sorted(found.values(), key=lambda word: -1 if word.step is None else word.step)


def stated_by_words(reading: Reading, made: Preparation, on: str | None = None) -> Preparation:
    """A card as it is recorded: what its words name and nobody refused is unchecked in it.

    A statement that an earlier version's words made is gone with them. A card that cannot stand is
    given back as it is, to be refused for what is wrong with it.
    """
    before = {flag for flag, why in made.evidence.items() if why.kind == METHOD}
    plain = replace(
        made,
        statements={f: level for f, level in made.statements.items() if f not in before},
        evidence={flag: why for flag, why in made.evidence.items() if flag not in before},
    )
    change = Change(preparations=(plain,))
    if change_faults(applied(reading.book, change), change):
        return made
    after = reread(reading, change).reading
    named = {flag for word in words_of_card(after, plain) for flag in word.flags}
    new = [flag for flag in after.layout.bits if flag in named and flag not in plain.statements]
    return replace(
        plain,
        statements={**plain.statements, **dict.fromkeys(new, Level.UNCHECKED)},
        evidence={**plain.evidence, **dict.fromkeys(new, Evidence(METHOD, on))},
    )


def _named(
    spoken: Lexicon, text: str, known: Collection[Key], refused: Collection[Key]
) -> Iterator[tuple[str, tuple[str, ...]]]:
    """The words of a text that name a food which is none of the card's own items."""
    run = tokens(text)
    own = spans(run, (*no_food(), *known), spoken)
    taken = {place for span in own for place in range(span.first, span.end)}
    for hit in hits(spoken, run):
        if not hit.entry.contains or hit.slip:
            continue
        places = range(hit.first, hit.last + 1)
        if any(place in taken for place in places) or taken_back(run, hit.first):
            continue
        if tuple(run[place].text for place in places) not in refused:
            yield text[run[hit.first].start : run[hit.last].end], hit.entry.contains


def spans(run: Sequence[Token], names: Iterable[Key], spoken: Lexicon) -> list[Span]:
    """Where some names stand in a text, the longest first, none over another."""
    by_first: dict[str, list[Key]] = {}
    for name in dict.fromkeys(names):
        by_first.setdefault(name[0], []).append(name)
    found: list[Span] = []
    here = 0
    while here < len(run):
        longest: Key = ()
        for form in forms(spoken, run[here].text):
            for name in by_first.get(form, ()):
                if len(name) > len(longest) and _stands(run, here, name, spoken):
                    longest = name
        if longest:
            found.append(Span(here, here + len(longest), longest))
        here += max(len(longest), 1)
    return found


def _stands(run: Sequence[Token], here: int, name: Key, spoken: Lexicon) -> bool:
    part = run[here : here + len(name)]
    return len(part) == len(name) and all(
        word in forms(spoken, token.text) for token, word in zip(part, name, strict=True)
    )


def taken_back(run: Sequence[Token], here: int) -> bool:
    """Whether a "without" or "instead of" stands before a word of a text, in the same clause."""
    before: list[str] = []
    for token in reversed(run[max(0, here - MAX_BEFORE - 2) : here]):
        if token.kind == "mark" and token.text in ".;:!?\n":
            break
        before.insert(0, token.text)
    return any(
        tuple(before[start : start + len(key)]) == key
        for key in _phrases("without")
        for start in range(len(before) - len(key) + 1)
    )


def names_of(book: Book, item: str) -> tuple[Key, ...]:
    """The names by which texts may call an item: whole, by its last words, by its class."""
    owner = owner_of(item)
    by_product = book.by_product(item) if owner in book.preparations else None
    thing = book.products.get(owner) or book.preparations.get(owner)
    if thing is None:
        return ()
    name = by_product.name if by_product else thing.name
    class_ = None if by_product else thing.class_
    found: dict[Key, None] = {}
    for words in (words_of(name.partition(",")[0]), words_of((class_ or "").replace("-", " "))):
        for start in range(len(words)):
            key = words[start:]
            if len(key[-1]) >= MIN_NAME:
                found[key] = None
    return tuple(found)


def no_food() -> tuple[Key, ...]:
    """Words that name no food on a card, though they look like it."""
    return _phrases("no_food")


@cache
def _phrases(kind: str) -> tuple[Key, ...]:
    listed = str(table("card_words")[kind]).replace("\n", " ").split(",")
    return tuple(key for word in listed if (key := words_of(word)))
