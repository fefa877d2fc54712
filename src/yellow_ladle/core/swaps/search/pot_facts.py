"""What is asked of pots and their lines while swaps are proposed, each worked out once."""

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

    def weight_share(self, made: Preparation, index: int) -> float:
        """The share of a pot's weight that a line is; all of it where a weight is not known."""
        own = self.balance.about_grams(made.lines[index])
        whole = sum(self.balance.about_grams(made.lines[at]) or 0.0 for at in made.counted())
        return own / whole if own is not None and whole else 1.0

    def holding(self, made: Preparation, stage: str | None = None) -> frozenset[str]:
        """The conditions of a pot for what goes in at a stage.

        What goes in at the end is not boiled with what came before.
        """
        key = (made.id, stage == "finish")
        if key not in self._conditions:
            users = self.reading.graph.users
            if stage != "finish":
                found = conditions(self.balance, made, users)
            elif boiled_after(self.balance, made, users):
                found = self.holding(made)
            else:
                found = self.holding(made) - {"boiled"}
            self._conditions[key] = found
        return self._conditions[key]

    def names_the_dish(self, made: Preparation, index: int, line: Line) -> bool:
        """Whether a dish is told by a line: its main body, or what its name names."""
        if made.id not in self._main:
            self._main[made.id] = Identity(self.reading, made.id).main
        if (made.id, index) in self._main[made.id]:
            return True
        # Of several meats in a name one may go: the dish keeps a shorter name.
        if line_conditions(self.balance, made, index):
            return False
        return is_in_name(self.reading.book, line.item, made.name)

    def bones_stay(self, made: Preparation, line: Line) -> tuple[bool, bool]:
        """Whether a stock's bones may not be replaced, and whether they may not be left out.

        That is hours of a new stock under the old name. Whoever asks for the stock itself may
        where no other stands that is free of what the bones bring.
        """
        if made.kind != "stock" or line.role != "body":
            return False, False
        if class_of(self.reading.book, line.item) not in stock_goods():
            return False, False
        others = self.other_stocks(made)
        if made.id == self.item:
            brought = self.reading.masks[line.item]
            others = [id for id in others if not self.reading.masks[id] & brought]
        if not others:
            return False, False
        bodies = (self.balance.line_grams(e) or 0.0 for e in made.lines if e.role == "body")
        own = self.balance.line_grams(line) or 0.0
        return True, own >= sum(bodies) * OF_A_STOCK

    def other_stocks(self, made: Preparation) -> list[str]:
        """The stocks besides a preparation that are in use, by id."""
        return [
            pot.id
            for pot in self.reading.book.preparations.values()
            if pot.kind == "stock" and pot.id != made.id and pot.retired is None
        ]

    def binding(self, swap: Swap) -> Binding:
        """What a swap's new item does to the thickness of its pot."""
        if swap not in self._binding:
            made = self.reading.book.preparations[swap.in_]
            above = self._poured_above(made.id)
            thick = any(map(self._is_thick, above))
            self._binding[swap] = (
                binding_of(self.balance, made, swap, thick=thick) if above else NOT_BINDING
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
