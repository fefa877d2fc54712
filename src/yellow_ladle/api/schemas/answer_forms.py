"""What answers share: core values by their attributes, levels as words, ids with names."""

from collections.abc import Iterable
from typing import Annotated

from pydantic import BaseModel, BeforeValidator, ConfigDict

from yellow_ladle.core.book.book import Book, owner_of
from yellow_ladle.core.vocabulary.levels import Level, LevelWord


def _word(given: object) -> object:
    return given.word if isinstance(given, Level) else given


LevelOut = Annotated[LevelWord, BeforeValidator(_word)]
"""A level of the core, told by its word."""


class Answer(BaseModel):
    """An answer that is read off a core value of the same shape: `model_validate(value)`."""

    model_config = ConfigDict(from_attributes=True)


class Named(BaseModel):
    """Something with an id and a name."""

    id: str
    name: str


class WrittenOut(BaseModel):
    """A write that stands; `version` is what the thing bears from now on."""

    version: int


def named(book: Book, item: str) -> Named:
    """An item with its name; what is no longer in the book is named by its id."""
    known = item in book.products or owner_of(item) in book.preparations
    return Named(id=item, name=book.name(item) if known else item)


def all_named(book: Book, items: Iterable[str]) -> list[Named]:
    """Items with their names, in their order."""
    return [named(book, item) for item in items]
