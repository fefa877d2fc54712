"""What goods cost, per gram, of products as recorded and of pots by what goes in."""

from yellow_ladle.core.book.book import owner_of
from yellow_ladle.core.numbers.balance import Balance

UNKNOWN = float("inf")
"""A price that nobody has recorded counts as dearer than any."""


class Prices:
    """The prices of a book, worked out for what is asked and kept."""

    def __init__(self, balance: Balance) -> None:
        self._balance = balance
        self._known: dict[str, float] = {}
        book = balance.book
        self.any = any(product.price_per_kg is not None for product in book.products.values())
        """Whether a price is recorded at all; without one there is nothing to compare."""

    def of_gram(self, item: str) -> float:
        """The price of one gram, in the kitchen's money; infinite where one is missing."""
        id = owner_of(item)
        if id not in self._known:
            self._known[id] = self._work_out(id)
        return self._known[id]

    def of_line(self, item: str, grams: float | None) -> float:
        """The price of a line; infinite where its weight or a price is missing."""
        if not self.any:
            return 0.0
        price = self.of_gram(item)
        if price == 0.0:
            return 0.0
        return UNKNOWN if grams is None else price * grams

    def _work_out(self, id: str) -> float:
        product = self._balance.book.products.get(id)
        if product is not None:
            return UNKNOWN if product.price_per_kg is None else product.price_per_kg / 1000
        preparation = self._balance.book.preparations[id]
        grams = self._balance.of(id).grams
        if not grams:
            return UNKNOWN
        total = sum(
            self.of_line(
                preparation.lines[index].item, self._balance.line_grams(preparation.lines[index])
            )
            for index in preparation.counted()
        )
        return total / grams
