"""What an item would carry after some swaps, worked out for that item alone."""

from collections.abc import Iterable, Mapping, Sequence

from yellow_ladle.core.book.book import owner_of
from yellow_ladle.core.book.by_products import ended
from yellow_ladle.core.reading.reading import Reading, node_mask, own_mask
from yellow_ladle.core.swaps.plans.swap import CleanTool, Swap
from yellow_ladle.core.swaps.search.tool_traces import ToolTraces


class Carrying:
    """Masks after swaps, of small pots beside the usual ones. `bits` are all those that may have to
    go: only pots that carry one of them can hold a swap, and every other pot is as it was."""

    def __init__(self, reading: Reading, bits: int) -> None:
        self._reading = reading
        self._bits = bits
        self._traces = ToolTraces(reading)

    def mask(
        self, item: str, swaps: Iterable[Swap], cleaned: Iterable[CleanTool] = ()
    ) -> int | None:
        """The mask of an item after swaps; None where a pot would be put into itself."""
        by_place = {swap.place: swap for swap in swaps}
        cleaned = frozenset(cleaned)
        changed = {swap.in_ for swap in by_place.values()} | {tool.in_ for tool in cleaned}
        gone = ended(self._reading.book, {place: swap.to for place, swap in by_place.items()})
        # What is on a by-product that the swaps end is on the usual pot's.
        known: dict[str, int] = {item: self._reading.masks[item] for item in gone}
        remade: set[str] = set()
        waiting: list[str] = [owner_of(item)]
        begun: set[str] = set()
        while waiting:
            id = waiting[-1]
            if id in known:
                waiting.pop()
                continue
            items = self._items(id, by_place)
            if items is None:
                known[id] = self._reading.masks[id]
                continue
            inputs = [item if item in gone else owner_of(item) for item in items]
            open_ = [owner for owner in inputs if owner not in known]
            if not open_:
                if id in changed or not remade.isdisjoint(inputs):
                    remade.add(id)
                    mask = self._small_pot(id, cleaned)
                else:
                    mask = node_mask(self._reading, id)
                for owner in inputs:
                    mask |= known[owner]
                known[id] = mask
                continue
            if id in begun:
                return None
            begun.add(id)
            waiting.extend(open_)
        return known[owner_of(item)]

    def _small_pot(self, id: str, cleaned: frozenset[CleanTool]) -> int:
        """What a preparation made beside the usual one brings besides what goes in."""
        mask = own_mask(self._reading.layout, self._reading.book.preparations[id])
        for tool, traces in self._traces.of(id).items():
            if CleanTool(id, tool) not in cleaned:
                mask |= traces
        return mask

    def _items(self, id: str, by_place: Mapping[tuple[str, int], Swap]) -> Sequence[str] | None:
        preparation = self._reading.book.preparations.get(id)
        if preparation is None or not self._reading.masks[id] & self._bits:
            return None
        found: list[str] = []
        for index in preparation.counted():
            swap = by_place.get((id, index))
            if swap is None:
                found.append(preparation.lines[index].item)
            elif swap.to is not None:
                found.append(swap.to)
            if swap is not None:
                found += [line.item for line in swap.adds]
        return found
