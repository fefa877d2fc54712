"""Everything that went into a batch or onto a plate, all the way down."""

from collections.abc import Iterable
from dataclasses import dataclass, field

from yellow_ladle.core.book.book import owner_of
from yellow_ladle.core.production.batch import WentIn, batch_of
from yellow_ladle.core.production.day_reading import DayReading, filled_with
from yellow_ladle.core.production.timeline import Place, Plate


@dataclass
class CameFrom:
    """What something was made from: lots, products of which no lot was noted, and batches."""

    lots: set[str] = field(default_factory=set)
    products: set[str] = field(default_factory=set)
    batches: set[str] = field(default_factory=set)


class TraceBack:
    """Walks back, each batch once. Preparations without one by their cards."""

    def __init__(self, day: DayReading) -> None:
        self._day = day

    def of(self, batch: str) -> CameFrom:
        """What a batch was made from."""
        found = CameFrom()
        self._follow([batch], found)
        return found

    def of_plates(self, plates: Iterable[Plate]) -> CameFrom:
        """What some plates that were served came from: by what they were drawn from.

        One of which nobody wrote that down is read from its batches that were there, and its card.
        """
        found = CameFrom()
        for plate in plates:
            place = self._day.timeline.place_of(plate)
            drawn = map(self._day.timeline.source_of, plate.served.from_ or ())
            sources = [source for source in drawn if source is not None]
            if not sources:
                item = plate.served.plate
                sources = self._day.stock.batches_there(item, place)
                self._add(WentIn(item), place, found)
            found.batches |= set(map(batch_of, sources))
        self._follow(sorted(found.batches), found)
        return found

    def _follow(self, waiting: list[str], found: CameFrom) -> None:
        while waiting:
            made = self._day.timeline.batches[waiting.pop()]
            place = self._day.timeline.place_of(made)
            before = set(found.batches)
            for entry in self._day.entries_of(made):
                self._add(entry, place, found)
            waiting += sorted(found.batches - before)

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
