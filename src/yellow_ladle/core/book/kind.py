"""Documents: everything that a kitchen decides, each a value of one kind under an id of its own.

Products and preparations are carried, and a change names them by themselves. Every other kind is a
row of a table (core/checks/document_kinds.py), and is recorded, undone and locked in the same way.
"""

from collections.abc import Callable, Iterable, Iterator, Mapping
from dataclasses import dataclass, field, fields, is_dataclass, replace
from typing import Literal, TypeAlias

from yellow_ladle.core.book.book import Book, Preparation
from yellow_ladle.core.book.fault import Fault
from yellow_ladle.core.book.product import Product

Brought: TypeAlias = tuple[tuple[Product, ...], tuple[Preparation, ...]]
"""Goods and pots that are otherwise because a document came or went."""

Reaches: TypeAlias = Literal["book", "day", "needs", "notices", "photo", "rules", "sign_off"]
"""What a write reaches. The book is everything that is carried; the others are beside it."""


def _no_faults(_book: Book, _id: str, _value: object) -> Iterable[Fault]:
    return ()


@dataclass(frozen=True, kw_only=True)
class Kind:
    """How values of one kind stand in a book, and what is said of them.

    `name` is what the file and the history call it, `type` the class of its values, `called` what
    people call one of them. `written` and `removed` are sentences about that name and `{of}`, the
    product or preparation of the same id. `in_words` says how fields are told whose values are ids.
    `faults` are what keeps a value from standing in the book as it would be.

    `reaches` is what a write of it is announced to reach. With `carried` flags of pots depend on
    it, so the book is read anew. `brings` gives what else has to change in goods and pots when a
    value comes or goes. `slot` is where a book keeps them; a kind that the book has no field for
    stands among `Book.others`. With `goes_with_item` its id is that of a product or preparation: it
    goes when that is removed, and comes back when the removal is taken back.
    """

    name: str
    type: type
    called: Callable[[object], str]
    written: str = "{} was written down"
    removed: str = "{} was taken out"
    reaches: Reaches = "book"
    carried: bool = False
    faults: Callable[[Book, str, object], Iterable[Fault]] = _no_faults
    in_words: Mapping[str, Callable[[object], str]] = field(default_factory=dict)
    brings: Callable[[Book, str, object | None], Brought] | None = None
    slot: "Slot | None" = None
    goes_with_item: bool = False

    def held(self, book: Book) -> Mapping[str, object]:
        """The values of a book, by id."""
        return book.others.get(self.name, {}) if self.slot is None else self.slot.held(book)

    def holding(self, book: Book, values: Mapping[str, object]) -> Book:
        """A book with these values in the place of those that it has."""
        if self.slot is not None:
            return self.slot.holding(book, values)
        others = {name: held for name, held in book.others.items() if name != self.name}
        return replace(book, others={**others, self.name: dict(values)} if values else others)

    def told(self, before: object | None, after: object | None, of: str = "") -> str:
        """What became of a value, in a line. `of`: what it is about, if it has no name itself."""
        value = before if after is None else after
        name = "" if value is None else self.called(value)
        line = (self.removed if after is None else self.written).format(name, of=of)
        moved = ", ".join(_differing(before, after, self.in_words))
        return f"{line}: {moved}" if moved else line


@dataclass(frozen=True, slots=True)
class Slot:
    """Where a book keeps the values of a kind: how they are read, by id, and how replaced."""

    held: Callable[[Book], Mapping[str, object]]
    holding: Callable[[Book, Mapping[str, object]], Book]


@dataclass(frozen=True, slots=True)
class Document:
    """A value of a kind as it is to be; `value` None removes it."""

    kind: Kind
    id: str
    value: object | None

    @property
    def key(self) -> str:
        """How versions name it: `tool/chinois`."""
        return f"{self.kind.name}/{self.id}"


def _differing(
    before: object | None, after: object | None, in_words: Mapping[str, Callable[[object], str]]
) -> Iterator[str]:
    """The fields in which two values of one kind differ, in words; what has none is only named."""
    if before is None or after is None or not is_dataclass(before):
        return
    for each in fields(before):
        was, now = getattr(before, each.name), getattr(after, each.name)
        if was != now:
            name = each.name.strip("_").replace("_", " ")
            words = in_words.get(each.name, _in_words)
            told = (words(now), words(was))
            yield name if None in told else f"{name} {told[0]} (was {told[1]})"


def _in_words(value: object) -> str | None:
    match value:
        case bool():
            return "yes" if value else "no"
        case int() | float():
            return f"{value:g}"
        case str() if value:
            return value
        case _:
            return None


def with_documents(book: Book, documents: Iterable[Document]) -> Book:
    """A book with some documents put in, or taken out where their value is None."""
    for document in documents:
        values = dict(document.kind.held(book))
        if document.value is None:
            values.pop(document.id, None)
        else:
            values[document.id] = document.value
        book = document.kind.holding(book, values)
    return book
