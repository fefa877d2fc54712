"""What may be chosen for each line of a card: makers that differ, lots, batches of its bases."""

from dataclasses import dataclass

from yellow_ladle.core.book.book import Line, Preparation
from yellow_ladle.core.production.batch import by_product_of_batch
from yellow_ladle.core.production.day_reading import DayReading
from yellow_ladle.core.production.instants import date_of, instant
from yellow_ladle.core.production.recall import HeldBack


@dataclass(frozen=True, slots=True)
class LineChoices:
    """One counted line, and what may be chosen for it.

    `makers` are the approved ones, where their labels differ in flags; `lots` and `batches` those
    at hand, the oldest first; `alternatives` what the card names besides.
    """

    index: int
    line: Line
    makers: tuple[str, ...]
    lots: tuple[str, ...]
    batches: tuple[str, ...]
    alternatives: tuple[str, ...]


def line_choices(day: DayReading, card: Preparation, held_back: HeldBack) -> list[LineChoices]:
    """The counted lines of a card with what may be chosen for each, as of the day of recalls."""
    place = day.timeline.end_on(held_back.on)
    found = []
    for index in card.counted():
        line = card.lines[index]
        lots = [id for id in day.stock.lots_there(line.item, place) if held_back.at_hand(id)]
        batches = [
            reference
            for reference in day.stock.batches_there(line.item, place)
            if held_back.at_hand(reference)
        ]
        same = (other.item for other in card.lines if line.choice and other.choice == line.choice)
        found.append(
            LineChoices(
                index=index,
                line=line,
                makers=differing_makers(day, line.item),
                lots=tuple(sorted(lots, key=lambda id: date_of(day.timeline.lots[id].received))),
                batches=tuple(sorted(batches, key=lambda batch: _age(day, batch))),
                alternatives=tuple(item for item in same if item != line.item),
            )
        )
    return found


def differing_makers(day: DayReading, product: str) -> tuple[str, ...]:
    """The makers of a product that count, where it matters whose pack it was; else none."""
    known = day.book.products.get(product)
    makers = known.counted_makers if known else ()
    masks = {day.items.labels.of(product, maker.id) for maker in makers}
    return tuple(maker.id for maker in makers) if len(masks) > 1 else ()


def makers_named_today(day: DayReading, on: str) -> dict[str, str]:
    """Per product the maker that was named last on a day: whose pack is open then."""
    found: dict[str, str] = {}
    today = (batch for batch in day.timeline.batches.values() if date_of(batch.made) == on)
    for batch in sorted(today, key=lambda batch: instant(batch.made)):
        for entry in batch.went_in:
            if entry.maker is not None and entry.lot is None:
                found[entry.item] = entry.maker
    return found


def _age(day: DayReading, reference: str) -> tuple[int, str]:
    id, _, part = reference.partition("/")
    made = instant(day.timeline.batches[id].made)
    return made, by_product_of_batch(id, part) if part else id
