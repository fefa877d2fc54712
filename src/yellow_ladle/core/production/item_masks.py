"""What products, preparations and bags carry at a place of the order, where less is written down.

Of a preparation whose batch nobody noted it may be any batch that is there, or one made by the card
as it stands; of a product without lot and maker any lot that is there, or what the book reads.
"""

from collections.abc import Mapping
from functools import cached_property

from yellow_ladle.core.book.book import Book, owner_of
from yellow_ladle.core.production.accumulated import AccumulatedMasks
from yellow_ladle.core.production.batch import WentIn, batch_of
from yellow_ladle.core.production.label_masks import LabelMasks
from yellow_ladle.core.production.lot import Lot
from yellow_ladle.core.production.stock import Stock
from yellow_ladle.core.production.timeline import Place, Timeline
from yellow_ladle.core.reading.reading import Reading, node_mask


class ItemMasks:
    """Reads items at places. The masks of batches and fills are added as they are worked out.

    `before` has those of the first entries, which stay as they are.
    """

    def __init__(
        self,
        reading: Reading,
        timeline: Timeline,
        stock: Stock,
        before: "ItemMasks | None" = None,
    ) -> None:
        self.labels: LabelMasks = before.labels if before else LabelMasks(reading)
        self.batches: dict[str, int] = dict(before.batches) if before else {}
        self.bags: AccumulatedMasks = AccumulatedMasks(before.bags if before else None)
        self._before = before
        self._reading = reading
        self._book = reading.book
        self._timeline = timeline
        self._stock = stock

    def went_in(self, entry: WentIn, place: Place, gone: int | None = None) -> int:
        """What one thing brings that went in at a place.

        `gone` is what is to be feared of an item that the book has lost; by default everything.
        """
        if (drawn := self._timeline.source_of(entry)) is not None:
            return self.batches[batch_of(drawn)]
        if not is_known(self._book, entry.item):
            return (self.labels.unchecked if gone is None else gone) | self._lost(entry, place)
        if is_product(self._book, entry.item):
            return self._product(entry.item, entry.lot, entry.maker, place)
        return self._preparation(entry.item, place, {})

    def lot(self, lot: Lot, place: Place) -> int:
        """What a lot carries at a place; everything unchecked where the book lost its product."""
        return self.went_in(WentIn(lot.product, lot=lot.id), place)

    def item(self, item: str, place: Place) -> int:
        """What an item carries at a place where neither lot, maker nor batch was written down."""
        return self.went_in(WentIn(item), place)

    def _item(self, item: str, place: Place, known: dict[str, int]) -> int:
        if item not in known:
            if is_product(self._book, item):
                known[item] = self._product(item, None, None, place)
            else:
                known[item] = self._preparation(item, place, known)
        return known[item]

    def _product(self, id: str, lot: str | None, maker: str | None, place: Place) -> int:
        if lot is not None:
            mask = self.labels.of_lot(self._timeline.lots[lot], maker)
        else:
            mask = self.labels.of(id, maker)
            if maker is None:
                for lot in self._raising_lots.get(id, ()):
                    if self._stock.there(lot, place):
                        mask |= self.labels.of_lot(self._timeline.lots[lot])
        for item in self._book.products[id].contents:
            mask |= self._reading.masks[item]
        return mask | self.bags.at(id, place)

    @cached_property
    def _raising_lots(self) -> dict[str, list[str]]:
        """The lots of each product that may raise what the book reads of it: most do not."""
        found: dict[str, list[str]] = {}
        known: Mapping[str, Lot] = {}
        if self._before is not None:
            raising = self._before._raising_lots
            found = {product: list(lots) for product, lots in raising.items()}
            known = self._before._timeline.lots
        for lot in self._timeline.lots.values():
            if lot.id not in known and lot.product in self._book.products:
                plain = self.labels.of(lot.product, None)
                if self.labels.of_lot(lot) | plain != plain:
                    found.setdefault(lot.product, []).append(lot.id)
        return found

    def _preparation(self, item: str, place: Place, known: dict[str, int]) -> int:
        return self._card(owner_of(item), place, known) | self._batches_there(item, place)

    def _card(self, id: str, place: Place, known: dict[str, int]) -> int:
        mask = node_mask(self._reading, id)
        for below in self._reading.graph.items[id]:
            mask |= self._item(below, place, known)
        return mask

    def _batches_there(self, item: str, place: Place) -> int:
        mask = 0
        for batch in self._stock.batches_there(item, place):
            mask |= self.batches[batch_of(batch)]
        return mask

    def _lost(self, entry: WentIn, place: Place) -> int:
        """What is still known of an item that the book has lost."""
        id = owner_of(entry.item)
        mask = self.bags.at(id, place) | self._batches_there(entry.item, place)
        if id in self._book.preparations:
            mask |= self._card(id, place, {})
        if entry.lot is not None:
            stated = self._timeline.lots[entry.lot].statements
            mask |= self.labels.raising(self.labels.unchecked, stated)
        return mask


def is_product(book: Book, item: str) -> bool:
    """Whether an item is a product of the book."""
    return item in book.products


def is_known(book: Book, item: str) -> bool:
    """Whether the book still has an item; what was recorded of another is gone from it."""
    if item in book.products:
        return True
    if owner_of(item) not in book.preparations:
        return False
    return "/" not in item or book.by_product(item) is not None
