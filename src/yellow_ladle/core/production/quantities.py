"""Amounts of lots, batches and tubs, from one unit into another and into grams."""

from yellow_ladle.core.amounts.weight import weigh
from yellow_ladle.core.book.book import Book, Preparation, owner_of
from yellow_ladle.core.production.batch import WentIn, batch_of
from yellow_ladle.core.production.batch_card import by_products_of_batch, card_of
from yellow_ladle.core.production.timeline import Timeline


class Quantities:
    """Converts amounts by what the book says of a product, and a batch's card of the batch.

    A batch without a density of its card weighs 1 g a millilitre, as in the numbers of the book.
    """

    def __init__(self, book: Book, timeline: Timeline) -> None:
        self._book = book
        self._timeline = timeline

    def grams(self, of: str, quantity: float | None, unit: str | None) -> float | None:
        """The weight of an amount of a lot, a tub, a batch or a by-product of one."""
        if quantity is None or unit is None:
            return None
        if (lot := self._timeline.lots.get(of)) is not None:
            return self.product_grams(lot.product, quantity, unit)
        if (tub := self._timeline.tubs.get(of)) is not None:
            of = tub.batch
        card = card_of(self._book, self._timeline.batches[batch_of(of)])
        return self._made_grams(card, quantity, unit)

    def product_grams(self, id: str, quantity: float | None, unit: str | None) -> float | None:
        """The weight of an amount of a product; of one that is gone only where it was weighed."""
        if quantity is None or unit is None:
            return None
        product = self._book.products.get(id)
        density, piece = (
            (product.density_g_per_ml, product.unit_weight_g) if product else (None, None)
        )
        known = self._book.units
        return weigh(quantity, unit, density, unit_weight=piece, known=known).grams

    def entry_grams(self, entry: WentIn) -> float | None:
        """The weight of one thing that went in; of a preparation by its card in the book."""
        drawn = entry.tub or entry.batch or entry.lot
        if drawn is not None:
            return self.grams(drawn, entry.quantity, entry.unit)
        made = self._book.preparations.get(owner_of(entry.item))
        if made is None or entry.quantity is None or entry.unit is None:
            return self.product_grams(entry.item, entry.quantity, entry.unit)
        return self._made_grams(made, entry.quantity, entry.unit)

    def whole_grams(self, id: str) -> float | None:
        """The weight of a batch with its by-products; None where one of the amounts is unknown."""
        batch = self._timeline.batches[id]
        made = by_products_of_batch(card_of(self._book, batch), batch)
        if batch.out is None or (made and batch.by_products is None):
            return None
        total = self.grams(id, batch.out.quantity, batch.out.unit)
        for part in batch.by_products or ():
            grams = self.grams(id, part.quantity, part.unit)
            total = None if grams is None or total is None else total + grams
        return total

    def _made_grams(self, card: Preparation | None, quantity: float, unit: str) -> float | None:
        density = (card.density_g_per_ml if card else None) or 1.0
        return weigh(quantity, unit, density, known=self._book.units).grams

    def converted(
        self, of: str, quantity: float | None, unit: str | None, to: str | None
    ) -> float | None:
        """An amount in another unit; None where it is unknown or cannot be converted."""
        if quantity is None or unit == to:
            return quantity
        grams, one = self.grams(of, quantity, unit), self.grams(of, 1.0, to)
        return None if grams is None or not one else grams / one
