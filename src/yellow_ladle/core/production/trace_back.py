"""Everything that went into a batch, all the way down."""

from dataclasses import dataclass, field

from yellow_ladle.core.book.book import owner_of
from yellow_ladle.core.production.batch import WentIn, batch_of
from yellow_ladle.core.production.day_reading import DayReading, filled_with
from yellow_ladle.core.production.timeline import Place


@dataclass
class CameFrom:
    """What a batch was made from: lots, products of which no lot was noted, and batches."""

    lots: set[str] = field(default_factory=set)
    products: set[str] = field(default_factory=set)
    batches: set[str] = field(default_factory=set)


class TraceBack:
    """Walks back from one batch, each batch once. Preparations without one by their cards."""

    def __init__(self, day: DayReading) -> None:
        self._day = day

    def of(self, batch: str) -> CameFrom:
        """What a batch was made from."""
        found, waiting = CameFrom(), [batch]
        while waiting:
            made = self._day.timeline.batches[waiting.pop()]
            place = self._day.timeline.place_of(made)
            before = set(found.batches)
            for entry in self._day.entries_of(made):
                self._add(entry, place, found)
            waiting += sorted(found.batches - before)
        return found

    def _add(self, entry: WentIn, place: Place, found: CameFrom) -> None:
        drawn = self._day.timeline.source_of(entry)
        if drawn is not None:
            found.batches.add(batch_of(drawn))
            return
        for fill in self._day.index.fills(entry.item, place):
            filled = filled_with(fill, self._day.timeline)
            self._add(filled, self._day.timeline.place_of(fill), found)
        book = self._day.book
        if owner_of(entry.item) in book.preparations:
            below = self._day.reading.graph.items[owner_of(entry.item)]
        else:
            (found.lots if entry.lot else found.products).add(entry.lot or entry.item)
            product = book.products.get(entry.item)
            below = product.contents if product else ()
        for item in below:
            self._add(WentIn(item), place, found)
