"""What answers share: ids with names, and values that are read off the core's by attributes."""

from collections.abc import Iterable

from pydantic import BaseModel, ConfigDict

from yellow_ladle.core.book.book import Book, owner_of
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.larder.plain_food import NotPlain, plain_food
from yellow_ladle.core.vocabulary.flags import Flag


class Answer(BaseModel):
    """An answer that is read off a core value of the same shape: `model_validate(value)`."""

    model_config = ConfigDict(from_attributes=True)


class PlainOut(Answer):
    """What recording something as a plain single food states: `flags` contained, the rest free."""

    flags: list[str]
    sentence: str


def plain_out(product: Product | None, flags: tuple[Flag, ...]) -> PlainOut | None:
    """What recording a product as plain would state; None where it cannot be one."""
    if product is None:
        return None
    try:
        return PlainOut.model_validate(plain_food(product, flags))
    except NotPlain:
        return None


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
