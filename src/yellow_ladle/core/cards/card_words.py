"""The words of a card against its lines: what its texts name and no line brings.

A step that says "melt the butter" on a card without butter puts it back into the pot, whatever the
flags say.
"""

from collections.abc import Collection, Iterable, Iterator
from dataclasses import dataclass
from functools import lru_cache

from yellow_ladle.core.book.book import Preparation, by_product_item
from yellow_ladle.core.book.product import METHOD
from yellow_ladle.core.cards.card_names import CardNames, names_of, run_of, taken_back
from yellow_ladle.core.labels.hits import Hit, hits
from yellow_ladle.core.labels.languages import language_of
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.words.letters import words as words_of
from yellow_ladle.core.words.lexicon import Key, Lexicon, lexicon


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
class NamedFood:
    """Words of a text, by their first and last letters' places, and the flags of what they name."""

    start: int
    end: int
    flags: tuple[str, ...]


def card_words(reading: Reading) -> list[CardWord]:
    """What the cards of a book name and no line brings, in the order of ids and steps.

    Retired cards and ways that are not in use are left out, and so are words that somebody has said
    are not in it.
    """
    found: list[CardWord] = []
    for id in sorted(reading.book.preparations):
        preparation = reading.book.preparations[id]
        if preparation.retired is None:
            found += words_of_card(reading, preparation)
    return found


def texts_of_card(preparation: Preparation) -> list[tuple[int | None, str]]:
    """The texts of a card, each with the number of its step; None for its name and notes."""
    texts: list[tuple[int | None, str]] = [(None, preparation.name)]
    texts += [(None, line.note) for line in preparation.lines]
    for number, entry in enumerate(preparation.method):
        texts += [(number, text) for text in (entry.text, entry.cue, entry.caution) if text]
    return texts


def words_behind(reading: Reading, preparation: str, flags: Iterable[str]) -> tuple[str, ...]:
    """The words of a card that made some of its own statements, each once, as they are written."""
    made = reading.book.preparations.get(preparation)
    if made is None:
        return ()
    by_words = {f for f in flags if f in made.evidence and made.evidence[f].kind == METHOD}
    if not by_words:
        return ()
    found = (word.text for word in words_of_card(reading, made) if by_words & {*word.flags})
    return tuple(dict.fromkeys(found))


def words_of_card(reading: Reading, preparation: Preparation) -> list[CardWord]:
    """What one card names and none of its lines brings."""
    texts = texts_of_card(preparation)
    if not any(text for _, text in texts):
        return []
    spoken = lexicon(language_of([token for _, text in texts for token in run_of(text)]))
    refused = {words_of(word) for word in preparation.not_in_it}
    yielded = [by_product_item(preparation.id, part.id) for part in preparation.by_products]
    items = (*(line.item for line in preparation.lines), *yielded)
    known = CardNames((name for item in items for name in names_of(reading.book, item)), spoken)
    found: dict[tuple[int | None, str], CardWord] = {}
    for step, text in texts:
        for named in named_foods(spoken, text, known, refused):
            held = reading.levels(preparation.id)
            new = tuple(flag for flag in named.flags if held.get(flag) is not Level.CONTAINS)
            words = text[named.start : named.end]
            if new:
                found.setdefault((step, words), CardWord(preparation.id, step, words, new))
    return sorted(found.values(), key=lambda word: -1 if word.step is None else word.step)


@lru_cache(maxsize=4_096)
def _foods(language: str, text: str) -> tuple[Hit, ...]:
    """The foods that a text names; the same texts are asked for plan after plan."""
    found = hits(lexicon(language), run_of(text))
    return tuple(hit for hit in found if hit.entry.contains and not hit.slip)


def named_foods(
    spoken: Lexicon, text: str, known: CardNames, refused: Collection[Key] = ()
) -> Iterator[NamedFood]:
    """The words of a text that name a food which is none of the card's own items."""
    run = run_of(text)
    taken = {place for span in known.spans(run) for place in range(span.first, span.end)}
    for hit in _foods(spoken.id, text):
        places = range(hit.first, hit.last + 1)
        if any(place in taken for place in places) or taken_back(run, hit.first):
            continue
        if tuple(run[place].text for place in places) not in refused:
            yield NamedFood(run[hit.first].start, run[hit.last].end, hit.entry.contains)
