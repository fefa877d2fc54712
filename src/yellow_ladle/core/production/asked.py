"""What a trace is asked about: a lot, a batch, or a product, also of one maker."""

from dataclasses import dataclass

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.production.batch import WentIn, batch_of
from yellow_ladle.core.production.instants import date_of
from yellow_ladle.core.production.timeline import Timeline


@dataclass(frozen=True, slots=True)
class Asked:
    """One of the three; a maker only with its product."""

    lot: str | None = None
    batch: str | None = None
    product: str | None = None
    maker: str | None = None


class AskedGoods:
    """Whether entries surely are of what is asked about, or may be as far as was written down."""

    def __init__(self, asked: Asked, book: Book, timeline: Timeline) -> None:
        self._asked = asked
        self._lots = timeline.lots
        self._lot = self._lots[asked.lot] if asked.lot is not None else None
        self.product = self._lot.product if self._lot else asked.product
        self._maker = self._lot.maker if self._lot else asked.maker
        self._whole_product = self._lot is None and asked.maker is None
        self._shares = _shares(book, self.product)

    def is_asked_batch(self, reference: str) -> bool:
        """Whether a batch, or a by-product of one, is what is asked about."""
        return self._asked.batch is not None and self._asked.batch in (
            reference,
            batch_of(reference),
        )

    def surely(self, entry: WentIn) -> bool:
        """Whether a product that went in is surely of what is asked about."""
        if self._lot is not None:
            return entry.lot == self._lot.id
        if self.product is None or entry.item != self.product:
            return False
        return self._maker is None or self._maker in (entry.maker, self._maker_of(entry))

    def possibly(self, entry: WentIn, day: str) -> bool:
        """Whether a product that went in on a day may be, or have in it, what is asked about."""
        if self.product is None or not self._in_time(day):
            return False
        if entry.item in self._shares:
            return True
        return entry.item == self.product and self._may_be(entry)

    def surely_part(self, item: str) -> bool:
        """Whether a product is made of the one asked about, of whichever maker."""
        return self._whole_product and item in self._shares

    def share(self, item: str) -> float | None:
        """How much of a compound product is the one asked about, from 0 to 1; None if unknown."""
        return self._shares[item]

    def _may_be(self, entry: WentIn) -> bool:
        if entry.lot is not None:
            unnamed = self._lot is None and self._lots[entry.lot].maker is None
            return unnamed and entry.maker in (None, self._maker)
        return None in (self._maker, entry.maker) or entry.maker == self._maker

    def _maker_of(self, entry: WentIn) -> str | None:
        return None if entry.lot is None else self._lots[entry.lot].maker

    def _in_time(self, day: str) -> bool:
        lot = self._lot
        if lot is None:
            return True
        used_up = None if lot.used_up is None else date_of(lot.used_up)
        return date_of(lot.received) <= day and (used_up is None or day <= used_up)


def _shares(book: Book, product: str | None) -> dict[str, float | None]:
    """The compound products that have a product in them, with its share where it is known."""
    found: dict[str, float | None] = {}
    again = product is not None
    while again:
        before = dict(found)
        for compound in book.products.values():
            inside = [
                (part.percent, found.get(part.product, 1.0))
                for part in compound.parts
                if part.product == product or part.product in found
            ]
            if inside:
                known = all(None not in pair for pair in inside)
                found[compound.id] = (
                    sum((percent or 0) * (inner or 0) / 100 for percent, inner in inside)
                    if known
                    else None
                )
        again = found != before
    return found
