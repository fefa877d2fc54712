"""What open recalls hold back: whatever of a recalled lot or product may be in."""

from collections.abc import Iterator
from functools import cached_property

from yellow_ladle.core.production.asked import Asked
from yellow_ladle.core.production.day_reading import DayReading
from yellow_ladle.core.production.instants import date_of
from yellow_ladle.core.production.lot import Lot
from yellow_ladle.core.production.records import Recall
from yellow_ladle.core.production.trace import trace


class HeldBack:
    """What a recall that is open on a day (ISO) surely or possibly reaches."""

    def __init__(self, day: DayReading, on: str) -> None:
        self._day = day
        self.on = on
        self._recalls = [recall for recall in day.timeline.recalls if is_open(recall, on)]

    def at_hand(self, reference: str) -> bool:
        """Whether a lot, a batch or a by-product of one is there and no recall reaches it."""
        if not self._day.stock.there(reference, self._day.timeline.end_on(self.on)):
            return False
        return not self.reaches(reference)

    def reaches(self, reference: str) -> bool:
        """Whether an open recall surely or possibly reaches a lot, a batch, a part or a tub."""
        timeline = self._day.timeline
        if (lot := timeline.lots.get(reference)) is not None:
            return any(_recalls_lot(recall, lot) for recall in self._recalls)
        return timeline.batch_behind(reference).id in self._batches

    @cached_property
    def _batches(self) -> frozenset[str]:
        found: set[str] = set()
        for recall in self._recalls:
            for asked in asked_by(recall):
                # A lot may be recalled that came in after the day that is asked about.
                if asked.lot is not None and asked.lot not in self._day.timeline.lots:
                    continue
                reached = trace(self._day, asked)
                found |= {batch.batch for batch in reached.batches}
                found |= set(reached.possible_batches)
        return frozenset(found)


def is_open(recall: Recall, on: str) -> bool:
    """Whether a recall is open on a day: it is through the day on which it was closed."""
    return recall.closed is None or date_of(recall.closed) >= on


def asked_by(recall: Recall) -> Iterator[Asked]:
    """What is traced for a recall: each of its lots, else the product or its maker's."""
    for lot in recall.lots:
        yield Asked(lot=lot)
    if not recall.lots:
        yield Asked(product=recall.product, maker=recall.maker)


def _recalls_lot(recall: Recall, lot: Lot) -> bool:
    if recall.lots:
        return lot.id in recall.lots
    return lot.product == recall.product and (
        recall.maker is None or lot.maker in (None, recall.maker)
    )
