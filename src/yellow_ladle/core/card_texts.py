"""A card's texts after its lines were swapped: what went out is named no more.

Words that name an item which goes are replaced by the name of what takes its place; where nothing
does, the text says to leave it out.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

from yellow_ladle.core.book import Book, Preparation, used_item
from yellow_ladle.core.card_words import Span, names_of, no_food, spans, taken_back
from yellow_ladle.core.classes import known_classes
from yellow_ladle.core.labels.languages import language_of
from yellow_ladle.core.labels.letters import Token, tokens
from yellow_ladle.core.labels.lexicon import Key, Lexicon, lexicon

INSTEAD_OF = "Instead of "
ARTICLES = ("the", "a", "an")


def short_name(book: Book, item: str) -> str:
    """What a step calls an item: bought goods by what they are, without the words of a brand."""
    product = book.products.get(item)
    if product is None or product.class_ not in known_classes() or product.class_ == "other":
        return book.name(item)
    return product.class_.replace("-", " ")


@dataclass(frozen=True)
class Renaming:
    """What the texts of one card call the items that go, and those that stay.

    `gone` gives per name the new item's name, None where the line is left out. `new` are the names
    of what comes in: "rice flour" holds the word of the flour that went, and is another thing.
    """

    spoken: Lexicon
    gone: Mapping[Key, str | None]
    stays: frozenset[Key]
    new: frozenset[Key]
    items: Mapping[str, str | None]

    @classmethod
    def of(cls, book: Book, made: Preparation, to: Mapping[str, str | None]) -> "Renaming":
        """The renaming of a card whose items are replaced by others, or left out (None)."""
        items = [line.item for line in made.lines]
        kept = [item for item in items if item not in to]
        stays = {name for item in kept for name in names_of(book, item)}
        gone: dict[Key, str | None] = {}
        for item, new in to.items():
            for name in names_of(book, item):
                gone.setdefault(name, None if new is None else short_name(book, new))
        texts = [made.name, *(step.text for step in made.method)]
        spoken = lexicon(language_of([token for text in texts for token in tokens(text)]))
        names = {item: None if new is None else short_name(book, new) for item, new in to.items()}
        coming = {name for new in to.values() if new for name in names_of(book, new)}
        return cls(spoken, gone, frozenset(stays), frozenset(coming), names)

    def new_name(self, use: str) -> str | None:
        """The name of what takes the place of an item that a step uses."""
        return self.items.get(used_item(use))

    def text(self, text: str) -> str:
        """A text with the new names in it."""
        told, run = text, tokens(text)
        for span in reversed(list(self._named(run))):
            first, stop = span.first, run[span.end - 1].end
            words, new = text[run[first].start : stop], self.gone[span.name]
            has_article = new is None and first > 0 and run[first - 1].text in ARTICLES
            start = run[first - has_article].start
            if new is None:
                instead = f"(leave out the {words.lower()})"
            else:
                first_letter = new[:1].upper() if words[:1].isupper() else new[:1].lower()
                instead = first_letter + new[1:]
            told = told[:start] + instead + told[stop:]
        return told

    def names_what_is_gone(self, text: str) -> bool:
        """Whether a text still names something that went out, and does not take it back.

        A text that opens with "Instead of" speaks of it knowingly. A word that the new item has in
        its name as well is that one's.
        """
        if text.startswith(INSTEAD_OF):
            return False
        return any(span.name not in self.new for span in self._named(tokens(text)))

    def _named(self, run: list[Token]) -> Iterator[Span]:
        """Where some tokens name what is gone, and are no other item's name."""
        known = (*no_food(), *self.stays, *self.new, *self.gone)
        for span in spans(run, known, self.spoken):
            goes = span.name in self.gone and span.name not in self.stays
            if goes and not taken_back(run, span.first):
                yield span
