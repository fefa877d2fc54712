"""A card's texts after its lines were swapped: what went out is named no more.

Words that name an item which goes are replaced by the name of what takes its place; where nothing
does, the text says to leave it out.
"""

import re
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

from yellow_ladle.core.book.book import Book, Preparation, used_item
from yellow_ladle.core.book.proposed_class import taken_as
from yellow_ladle.core.cards.card_names import (
    CardNames,
    NameSpan,
    called,
    names_of,
    run_of,
    spoken_in,
    taken_back,
)
from yellow_ladle.core.vocabulary.classes import known_classes
from yellow_ladle.core.words.letters import Token
from yellow_ladle.core.words.lexicon import Key, Lexicon

INSTEAD_OF = "Instead of "
ARTICLES = ("the", "a", "an")
JOINING = ("and", "with", "of", "on", "in")


def short_name(book: Book, item: str) -> str:
    """What a step calls an item: bought goods by what they are, without the words of a brand."""
    product = book.products.get(item)
    class_ = taken_as(product) if product else None
    if class_ is None or class_ not in known_classes() or class_ == "other":
        return book.name(item)
    return class_.replace("-", " ")


@dataclass(frozen=True)
class TextRenaming:
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
    def of(
        cls,
        book: Book,
        preparation: Preparation,
        to: Mapping[str, str | None],
        renamed: Mapping[str, str] | None = None,
    ) -> "TextRenaming":
        """The renaming of a card whose items are replaced by others, or left out (None).

        `renamed`: pots that keep their place and get another name.
        """
        renamed = renamed or {}
        items = [line.item for line in preparation.lines]
        kept = [item for item in items if item not in to and item not in renamed]
        stays = {name for item in kept for name in names_of(book, item)}
        names = {item: None if new is None else short_name(book, new) for item, new in to.items()}
        gone: dict[Key, str | None] = {}
        # A word for two items, one of which stays under another name, is that one's.
        for item, told in {**renamed, **names}.items():
            for name in names_of(book, item):
                gone.setdefault(name, told)
        coming = {name for new in to.values() if new for name in names_of(book, new)}
        coming |= {name for new in renamed.values() for name in called(new)}
        return cls(
            spoken=spoken_in(preparation),
            gone=gone,
            stays=frozenset(stays),
            new=frozenset(coming),
            items={**names, **renamed},
        )

    def new_name(self, use: str) -> str | None:
        """The name of what takes the place of an item that a step uses."""
        return self.items.get(used_item(use))

    def text(self, text: str) -> str:
        """A text with the new names in it, each once where two items became the same one."""
        told = _told(text, list(self._named(run_of(text))), self._replaced)
        for new in {name for name in self.gone.values() if name}:
            last = re.escape(new.split()[-1])
            again = rf"\b{re.escape(new)} (?:and|with|or) (?:the )?({re.escape(new)}|{last})\b"
            if not re.search(again, text, re.I):
                told = re.sub(again, r"\1", told, flags=re.I)
        return told

    def name(self, name: str) -> str:
        """A card's name with the new names in it; what is left out is not named at all."""
        return named_without(
            _told(
                name,
                [span for span in self._named(run_of(name)) if self.gone[span.name]],
                self._replaced,
            ),
            lambda run: [span for span in self._named(run) if self.gone[span.name] is None],
        )

    def _replaced(self, text: str, run: Sequence[Token], span: NameSpan) -> tuple[int, str]:
        return in_place_of(
            text=text, run=run, first=span.first, end=span.end, new=self.gone[span.name]
        )

    def names_what_is_gone(self, text: str) -> bool:
        """Whether a text still names something that went out, and does not take it back.

        A word that the new item has in its name as well is that one's.
        """
        return any(span.name not in self.new for span in self._named(run_of(text)))

    @cached_property
    def _known(self) -> CardNames:
        return CardNames((*self.stays, *self.new, *self.gone), self.spoken)

    def _named(self, run: Sequence[Token]) -> Iterator[NameSpan]:
        """Where some tokens name what is gone, and are no other item's name."""
        for span in self._known.spans(run):
            goes = span.name in self.gone and span.name not in self.stays
            if goes and not taken_back(run, span.first):
                yield span


def in_place_of(
    text: str, run: Sequence[Token], first: int, end: int, new: str | None
) -> tuple[int, str]:
    """Where the words from `first` to `end` begin, and what stands there instead.

    Without a new name the text says to leave them out, their article with them.
    """
    words = text[run[first].start : run[end - 1].end]
    has_article = new is None and first > 0 and run[first - 1].text in ARTICLES
    start = run[first - has_article].start
    if new is None:
        leave = "Leave" if text[start : start + 1].isupper() else "leave"
        return start, f"({leave} out the {words.lower()})"
    return start, (new[:1].upper() if words[:1].isupper() else new[:1].lower()) + new[1:]


def named_without(name: str, wanted: Callable[[Sequence[Token]], Sequence[NameSpan]]) -> str:
    """A card's name without some of its words, nor the word that joined them to the others."""
    run = run_of(name)
    dropped: set[int] = set()
    for span in wanted(run):
        first, end = span.first, span.end
        joined = _joins(run, first - 1)
        if joined:
            first -= 1
        elif first == 0 and _joins(run, end):
            end += 1
        dropped.update(range(first, end))
    if not dropped:
        return name
    told, last = "", 0
    for place, token in enumerate(run):
        if place in dropped:
            told, last = told.rstrip() + " ", token.end
        else:
            told, last = told + name[last : token.end].lstrip() + " ", token.end
    told = (told.rstrip() + name[last:]).replace(" ,", ",").strip(" ,-")
    return told[:1].upper() + told[1:]


def _joins(run: Sequence[Token], place: int) -> bool:
    return 0 <= place < len(run) and (run[place].text in JOINING or run[place].text == ",")


def _told(
    text: str,
    found: Sequence[NameSpan],
    instead: Callable[[str, Sequence[Token], NameSpan], tuple[int, str]],
) -> str:
    """A text with some spans of its words told otherwise.

    A new name that begins with what stands before it already is told once: the celeriac soup is a
    fennel and pear soup, not a fennel fennel and pear soup.
    """
    run, told = run_of(text), text
    edits: list[tuple[int, int, str]] = []
    for span in found:
        start, words = instead(text, run, span)
        end = run[span.end - 1].end
        if edits:
            before, last, begun = edits[-1]
            if text[last:start].isspace() and words.lower().startswith(f"{begun} ".lower()):
                edits.pop()
                start, words = before, begun + words[len(begun) :]
        edits.append((start, end, words))
    for start, end, words in reversed(edits):
        told = told[:start] + words + told[end:]
    return told
