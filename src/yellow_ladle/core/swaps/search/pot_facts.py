"""Facts about pots and their lines that proposing swaps needs, each computed once."""

from yellow_ladle.core.book.book import Line, Preparation
from yellow_ladle.core.book.proposed_class import class_of
from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.plans.fidelity import Three, shares
from yellow_ladle.core.swaps.plans.identity import Identity
from yellow_ladle.core.swaps.plans.item_names import is_in_name
from yellow_ladle.core.swaps.plans.swap import Swap
from yellow_ladle.core.swaps.search.conditions import (
    boiled_after,
    conditions,
    line_conditions,
    stock_goods,
)
from yellow_ladle.core.swaps.search.thickness_limit import (
    NOT_BINDING,
    Binding,
    binding_of,
    is_compared,
    is_thick,
)

OF_A_STOCK = 1 / 3
"""The share of a stock's bones and goods from which on it is another stock without them."""


class PotFacts:
    """The conditions of pots, the shares of their lines, and what a line is in its pot.

    `item` is what plans are asked for.
    """

    def __init__(self, reading: Reading, item: str = "") -> None:
        self.reading = reading
        self.item = item
        self.balance: Balance = reading.balance
        self._conditions: dict[tuple[str, bool], frozenset[str]] = {}
        self._shares: dict[str, dict[int, Three]] = {}
        self._main: dict[str, frozenset[tuple[str, int]]] = {}
        self._binding: dict[Swap, Binding] = {}
        self._poured: dict[str, tuple[str, ...]] = {}
        self._thick: dict[str, bool] = {}

    def shares(self, pot: str) -> dict[int, Three]:
        """What share of a pot's flavour, texture and colour each of its lines is."""
        if pot not in self._shares:
            self._shares[pot] = shares(self.balance, self.reading.book.preparations[pot])
        return self._shares[pot]

    def weight_share(self, preparation: Preparation, index: int) -> float:
        """The share of a pot's weight that a line is; all of it where a weight is not known."""
        own = self.balance.about_grams(preparation.lines[index])
        whole = sum(
            self.balance.about_grams(preparation.lines[at]) or 0.0 for at in preparation.counted()
        )
        return own / whole if own is not None and whole else 1.0

    def holding(self, preparation: Preparation, stage: str | None = None) -> frozenset[str]:
        """The conditions of a pot for what goes in at a stage.

        What goes in at the end is not boiled with what came before.
        """
        key = (preparation.id, stage == "finish")
        if key not in self._conditions:
            users = self.reading.graph.users
            if stage != "finish":
                found = conditions(self.balance, preparation, users)
            elif boiled_after(self.balance, preparation, users):
                found = self.holding(preparation)
            else:
                found = self.holding(preparation) - {"boiled"}
            self._conditions[key] = found
        return self._conditions[key]

    def names_the_dish(self, preparation: Preparation, index: int, line: Line) -> bool:
        """Whether a dish is told by a line: its main body, or what its name names."""
        if preparation.id not in self._main:
            self._main[preparation.id] = Identity(self.reading, preparation.id).main
        if (preparation.id, index) in self._main[preparation.id]:
            return True
        # Of several meats in a name one may go: the dish keeps a shorter name.
        if line_conditions(self.balance, preparation, index):
            return False
        return is_in_name(self.reading.book, line.item, preparation.name)

    def bones_stay(self, preparation: Preparation, line: Line) -> tuple[bool, bool]:
        """Whether a stock's bones may not be replaced, and whether they may not be left out.

        That is hours of a new stock under the old name. Whoever asks for the stock itself may
        where no other stands that is free of what the bones bring.
        """
        if preparation.kind != "stock" or line.role != "body":
            return False, False
        if class_of(self.reading.book, line.item) not in stock_goods():
            return False, False
        others = self.other_stocks(preparation)
        if preparation.id == self.item:
            brought = self.reading.masks[line.item]
            others = [id for id in others if not self.reading.masks[id] & brought]
        if not others:
            return False, False
        bodies = (self.balance.line_grams(e) or 0.0 for e in preparation.lines if e.role == "body")
        own = self.balance.line_grams(line) or 0.0
        return True, own >= sum(bodies) * OF_A_STOCK

    def other_stocks(self, preparation: Preparation) -> list[str]:
        """The stocks besides a preparation that are in use, by id."""
        return [
            pot.id
            for pot in self.reading.book.preparations.values()
            if pot.kind == "stock" and pot.id != preparation.id and pot.retired is None
        ]

    def binding(self, swap: Swap) -> Binding:
        """What a swap's new item does to the thickness of its pot."""
        if swap not in self._binding:
            preparation = self.reading.book.preparations[swap.in_]
            above = self._poured_above(preparation.id)
            thick = any(map(self._is_thick, above))
            self._binding[swap] = (
                binding_of(self.balance, preparation, swap, thick=thick) if above else NOT_BINDING
            )
        return self._binding[swap]

    def _is_thick(self, pot: str) -> bool:
        if pot not in self._thick:
            self._thick[pot] = is_thick(self.balance, pot)
        return self._thick[pot]

    def _poured_above(self, pot: str) -> tuple[str, ...]:
        """What a pot is, or goes into, whose thickness is compared."""
        if pot not in self._poured:
            book = self.reading.book
            above = {pot, *self.reading.graph.downstream({pot})} & book.preparations.keys()
            self._poured[pot] = tuple(
                id for id in above if is_compared(self.balance, book.preparations[id])
            )
        return self._poured[pot]
