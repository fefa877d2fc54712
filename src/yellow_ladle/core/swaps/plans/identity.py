"""Whether a plate is still itself: its main ingredient, and how much of it is another thing.

The main ingredient is the heaviest counted line of role body, followed down through the pots that
it names. A plan makes another dish of a plate where that ingredient is left out or goes to another
class, or where a third or more of the plate does, by weight and without what has the role liquid. A
stock for a stock and a roux for a roux never make another dish, and nothing that is done to a stock
or within one does, nor to a roux. A pot counts by the share of it that is changed.
"""

from collections.abc import Iterable
from functools import cached_property

from yellow_ladle.core.book.book import Preparation, owner_of
from yellow_ladle.core.book.proposed_class import class_of
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.plans.swap import Swap

ANOTHER = 1 / 3
"""The share of a plate, without its liquids, from which on it is another dish."""
BASES = ("stock", "roux")
"""Kinds of preparation that a plate is never told by."""
_NUDGE = 1e-9


class Identity:
    """What one item is told by. Shares are of a pot's grams without its lines of role liquid."""

    def __init__(self, reading: Reading, item: str) -> None:
        self._reading = reading
        self._top = owner_of(item)
        self._shares: dict[str, dict[int, float]] = {}

    @cached_property
    def main(self) -> frozenset[tuple[str, int]]:
        """The lines that lead to the main ingredient, from the item down."""
        found: set[tuple[str, int]] = set()
        preparation = self._reading.book.preparations.get(self._top)
        while preparation is not None and self._is_told_by(preparation.id):
            bodies = [
                index for index in preparation.counted() if preparation.lines[index].role == "body"
            ]
            if not bodies:
                break
            grams = {index: self._grams(preparation, index) for index in bodies}
            heaviest = max(bodies, key=lambda index: grams[index])
            if (preparation.id, heaviest) in found:
                break
            found.add((preparation.id, heaviest))
            preparation = self._reading.book.preparations.get(preparation.lines[heaviest].item)
        return frozenset(found)

    def share(self, pot: str, index: int) -> float:
        """The share of a pot that one of its counted lines is; nothing of a stock or a roux."""
        if pot not in self._shares:
            self._shares[pot] = self._shares_of(pot)
        return self._shares[pot].get(index, 0.0)

    def makes_other(self, swap: Swap) -> bool:
        """Whether a swap takes a line to another class, or away."""
        if swap.to is None:
            return True
        book = self._reading.book
        kinds = [
            preparation.kind
            for id in (swap.from_, swap.to)
            if (preparation := book.preparations.get(id))
        ]
        if len(kinds) == 2 and kinds[0] == kinds[1] and kinds[0] in BASES:
            return False
        was, now = self._class(swap.from_), self._class(swap.to)
        return was is None or was != now

    def is_another(self, swaps: Iterable[Swap]) -> bool:
        """Whether the item is another dish once some swaps are made."""
        changed = {swap.place: swap for swap in swaps if self.makes_other(swap)}
        if not self.main.isdisjoint(changed):
            return True
        return is_another(self._changed(self._top, changed.keys(), ()))

    def _changed(
        self, pot: str, changed: Iterable[tuple[str, int]], above: tuple[str, ...]
    ) -> float:
        preparation = self._reading.book.preparations.get(pot)
        if preparation is None or pot in above:
            return 0.0
        total = 0.0
        for index in preparation.counted():
            share = self.share(pot, index)
            if not share:
                continue
            if (pot, index) in changed:
                total += share
            else:
                owner = owner_of(preparation.lines[index].item)
                total += share * self._changed(owner, changed, (*above, pot))
        return total

    def _is_told_by(self, pot: str) -> bool:
        return self._reading.book.preparations[pot].kind not in BASES

    def _class(self, item: str) -> str | None:
        if "/" in item:
            return item
        preparation = self._reading.book.preparations.get(item)
        return class_of(self._reading.book, item) or (preparation.kind if preparation else None)

    def _shares_of(self, pot: str) -> dict[int, float]:
        preparation = self._reading.book.preparations[pot]
        if not self._is_told_by(pot):
            return {}
        dry = [
            index for index in preparation.counted() if preparation.lines[index].role != "liquid"
        ]
        grams = {index: self._grams(preparation, index) for index in dry}
        whole = sum(grams.values())
        return {index: weight / whole for index, weight in grams.items()} if whole else {}

    def _grams(self, preparation: Preparation, index: int) -> float:
        return self._reading.balance.line_grams(preparation.lines[index]) or 0.0


def is_another(share: float) -> bool:
    """Whether so much of a plate is changed that it is another dish."""
    return share >= ANOTHER - _NUDGE
