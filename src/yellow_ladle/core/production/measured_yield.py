"""What batches of a preparation really came to, beside what its card says for as much."""

from dataclasses import dataclass
from statistics import median

from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.production.batch import Batch
from yellow_ladle.core.production.batch_card import card_of
from yellow_ladle.core.production.day_reading import DayReading
from yellow_ladle.core.production.quantities import Quantities

ENOUGH = 3
"""Batches from which on a card's figure is worth correcting."""
LATEST = 12
"""So many of the newest count: a kitchen's pans and habits change."""
AS_WRITTEN = 0.002
"""Up to this share from the card's own figure nobody weighed: the application filled it in."""


@dataclass(frozen=True, slots=True)
class MeasuredYield:
    """The median yield of one whole card over some batches, with the least and the most.

    `quantity`, `low` and `high` in `unit`, that of the card. `lost` is the median share of the
    weight that went in and did not come out (steam, peel, what sticks); None where it is unknown.
    """

    batches: int
    quantity: float
    low: float
    high: float
    unit: str
    lost: float | None


def measured_yield(day: DayReading, preparation: str) -> MeasuredYield | None:
    """What one card of a preparation came to where somebody weighed it; None below three batches.

    Batches count that followed the card as it stands: the same lines, the same yield.
    """
    card = day.book.preparations.get(preparation)
    if card is None or card.yield_ is None:
        return None
    made = [batch for batch in day.timeline.batches.values() if batch.preparation == preparation]
    quantities = Quantities(day.book, day.timeline)
    weighed: list[tuple[float, float | None]] = []
    for batch in sorted(made, key=lambda batch: day.timeline.place_of(batch).before, reverse=True):
        share = _share_of_card(day, quantities, batch, card)
        if share is not None and abs(share - 1) > AS_WRITTEN:
            weighed.append((share * card.yield_.quantity, _lost(quantities, batch)))
        if len(weighed) == LATEST:
            break
    if len(weighed) < ENOUGH:
        return None
    amounts = [amount for amount, _ in weighed]
    lost = [share for _, share in weighed if share is not None]
    return MeasuredYield(
        batches=len(weighed),
        quantity=median(amounts),
        low=min(amounts),
        high=max(amounts),
        unit=card.yield_.unit,
        lost=median(lost) if lost else None,
    )


def _share_of_card(
    day: DayReading, quantities: Quantities, batch: Batch, card: Preparation
) -> float | None:
    """What a batch came to, as a share of what its card says for as much as went in."""
    followed = card_of(day.book, batch)
    if followed is None or batch.out is None or card.yield_ is None:
        return None
    if followed.yield_ != card.yield_ or followed.lines != card.lines:
        return None
    out = quantities.converted(batch.id, batch.out.quantity, batch.out.unit, card.yield_.unit)
    factors = [
        entry.quantity / line.quantity
        for entry in batch.went_in
        if entry.line is not None and entry.quantity
        for line in [followed.lines[entry.line]]
        if line.unit == entry.unit and line.quantity and not line.typed
    ]
    if out is None or not factors:
        return None
    return out / (median(factors) * card.yield_.quantity)


def _lost(quantities: Quantities, batch: Batch) -> float | None:
    """The share of the weight that went in and did not come out; None where some is unknown."""
    came = quantities.whole_grams(batch.id)
    went = [quantities.entry_grams(entry) for entry in batch.went_in]
    if came is None or None in went:
        return None
    total = sum(grams or 0 for grams in went)
    return 1 - came / total if total else None
