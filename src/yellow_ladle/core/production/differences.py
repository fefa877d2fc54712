"""How what a batch carries differs from its card today."""

from dataclasses import dataclass

from yellow_ladle.core.production.batch import batch_of
from yellow_ladle.core.production.day_reading import DayReading
from yellow_ladle.core.vocabulary.levels import Level


@dataclass(frozen=True, slots=True)
class Differences:
    """The flags whose level is higher in a batch than by its card, and those lower."""

    more: tuple[str, ...]
    less: tuple[str, ...]


def differences(day: DayReading, reference: str) -> Differences | None:
    """A batch against the book's card, its way in use; None where there is no card, or no more."""
    id = batch_of(reference)
    preparation = day.timeline.batches[id].preparation
    if preparation is None or preparation not in day.book.preparations:
        return None
    made, by_card = day.levels(id), day.reading.levels(preparation)
    flags = [
        (flag, made.get(flag, Level.FREE), by_card.get(flag, Level.FREE))
        for flag in day.reading.layout.bits
    ]
    return Differences(
        more=tuple(flag for flag, here, card in flags if here > card),
        less=tuple(flag for flag, here, card in flags if here < card),
    )
