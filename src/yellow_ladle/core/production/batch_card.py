"""The card that a batch followed, and what of it went in as written."""

from collections.abc import Iterator

from yellow_ladle.core.book.book import Book, Line, Preparation
from yellow_ladle.core.cards.versions import using
from yellow_ladle.core.production.batch import Batch


def card_of(book: Book, batch: Batch) -> Preparation | None:
    """The preparation as it stood, with the way that was followed in use.

    Without a card of its own the book's; None where the book has lost it, and for something that
    never had one. Raises NoSuchWay where the card has no such way.
    """
    card = batch.card or book.preparations.get(batch.preparation or "")
    return using(card, batch.way) if card is not None and batch.way else card


def as_written(card: Preparation | None, batch: Batch) -> Iterator[tuple[int, Line]]:
    """The counted lines, with their indexes, of which nobody wrote down what really went in."""
    if card is None:
        return
    spoken_of = {entry.line for entry in batch.went_in}
    spoken_of |= {entry.line for entry in batch.left_out}
    for index in card.counted():
        if index not in spoken_of:
            yield index, card.lines[index]


def by_products_of_batch(card: Preparation | None, batch: Batch) -> tuple[str, ...]:
    """The ids of what a batch yielded besides itself: as recorded, else as the card has it."""
    made = batch.by_products if batch.by_products is not None else card.by_products if card else ()
    return tuple(part.id for part in made)
