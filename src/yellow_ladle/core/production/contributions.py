"""What one batch got by itself: goods by lot and maker, its draws, what its tools left in it."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from typing import TypeAlias

from yellow_ladle.core.book.book import owner_of
from yellow_ladle.core.book.tool import Through
from yellow_ladle.core.carrying.paths import giving
from yellow_ladle.core.production.batch import Batch, WentIn
from yellow_ladle.core.production.batch_card import card_of
from yellow_ladle.core.production.day_reading import DayReading, filled_with
from yellow_ladle.core.production.item_masks import is_known, is_product
from yellow_ladle.core.production.timeline import Place
from yellow_ladle.core.production.tool_entries import ItemUse
from yellow_ladle.core.reading.reading import own_mask
from yellow_ladle.core.vocabulary.levels import Level


@dataclass(frozen=True, slots=True)
class Giver:
    """Something that gives a batch what is in its mask, and the way to it.

    `item` is a product, or a preparation by statements of its own (`own`); None where it is a
    batch's own record (`recorded`). `gone`: the book has lost it. `possible`: nobody wrote the lot
    down. `via` runs from the batch asked about to what the item went into.
    """

    item: str | None
    mask: int
    via: tuple[str, ...] = ()
    lot: str | None = None
    maker: str | None = None
    tool: str | None = None
    own: bool = False
    gone: bool = False
    possible: bool = False
    recorded: str | None = None

    @property
    def key(self) -> tuple[str | bool | None, ...]:
        """What makes it one source: its product, lot and maker, or what it is instead."""
        return (self.item, self.lot, self.maker, self.own, self.gone, self.recorded)

    def within(self, *steps: str) -> "Giver":
        """The same, seen from where its way goes on through more steps."""
        return replace(self, via=(*steps, *self.via))


@dataclass(frozen=True, slots=True)
class Drawn:
    """A batch, or a by-product of one, from which something came, and the way to where it went."""

    reference: str
    via: tuple[str, ...] = ()
    tool: str | None = None

    def within(self, *steps: str) -> "Drawn":
        """The same, seen from where its way goes on through more steps."""
        return replace(self, via=(*steps, *self.via))


Contribution: TypeAlias = Giver | Drawn
SeenInTools: TypeAlias = dict[tuple[str, int], int]
"""Per tool and the place of its last wash, up to which place its entries were found already."""


class Contributions:
    """What went into single batches. What is drawn from other batches is named and not followed."""

    def __init__(self, day: DayReading) -> None:
        self._day = day
        self._book = day.book
        self._layout = day.reading.layout
        self._index = day.index

    def of(self, id: str, seen: SeenInTools | None = None) -> Iterator[Contribution]:
        """Everything that a batch got by itself, with ways that begin after it.

        `seen`: what was found in tools before, on a way that was no longer; it is left out, and
        what is found now is added. A tool that is never washed holds years.
        """
        batch = self._day.timeline.batches[id]
        place, gone = self._day.timeline.place_of(batch), self._day.gone(batch)
        for entry in self._day.entries_of(batch):
            yield from self._went_in(entry, place, gone)
        own, card = self._day.own_statements(batch), card_of(self._book, batch)
        if own:
            yield Giver(card.id, own, own=True) if card else Giver(None, own, recorded=id)
        if batch.preparation is not None and card is None:
            yield Giver(batch.preparation, gone, gone=True)
        yield from self._by_tools(batch, place, {} if seen is None else seen)
        rest = self._day.brought(batch, place) | self._day.traces(batch, place)
        if raised := self._day.items.labels.raising(rest, batch.statements):
            yield Giver(None, raised, recorded=id)

    def _went_in(self, entry: WentIn, place: Place, gone: int) -> Iterator[Contribution]:
        """What one thing brings that went in at a place."""
        drawn = self._day.timeline.source_of(entry)
        if drawn is not None:
            yield Drawn(drawn)
        elif not is_known(self._book, entry.item):
            yield from self._lost(entry, place, gone)
        elif is_product(self._book, entry.item):
            yield from self._product(entry, place)
        else:
            yield from self._preparation(entry.item, place)

    def _product(self, entry: WentIn, place: Place) -> Iterator[Contribution]:
        labels, lots = self._day.items.labels, self._day.timeline.lots
        id = entry.item
        if entry.lot is not None:
            lot = lots[entry.lot]
            maker = entry.maker or lot.maker
            yield Giver(id, labels.of_lot(lot, entry.maker), lot=lot.id, maker=maker)
        else:
            plain = labels.of(id, entry.maker)
            yield Giver(id, plain, maker=entry.maker)
            for each in self._day.stock.lots_there(id, place) if entry.maker is None else ():
                lot = lots[each]
                if raised := self._above(labels.of_lot(lot), plain):
                    yield Giver(id, raised, lot=each, maker=lot.maker, possible=True)
        for item in self._book.products[id].contents:
            for giver in self._by_book(item):
                yield giver.within(id)
        yield from self._in_bag(id, place)

    def _in_bag(self, id: str, place: Place) -> Iterator[Contribution]:
        """What was put into a bag since it was last emptied and washed."""
        for fill in self._index.fills(id, place):
            filled = filled_with(fill, self._day.timeline)
            at = self._day.timeline.place_of(fill)
            for giver in self._went_in(filled, at, self._day.items.labels.unchecked):
                yield giver.within(id)

    def _preparation(self, item: str, place: Place) -> Iterator[Contribution]:
        """A preparation, or by-product, of which nobody wrote down the batch."""
        yield from self._card(owner_of(item), item, place)
        yield from self._batches_there(item, place)

    def _card(self, id: str, item: str, place: Place) -> Iterator[Contribution]:
        reading = self._day.reading
        if own := own_mask(self._layout, self._book.preparations[id]):
            yield Giver(id, own, (item,), own=True)
        for giver in self._shared(reading.through.get(id, ())):
            yield giver.within(item)
        for below in reading.graph.items[id]:
            for giver in self._went_in(WentIn(below), place, self._day.items.labels.unchecked):
                yield giver.within(item)

    def _batches_there(self, item: str, place: Place) -> Iterator[Contribution]:
        for reference in self._day.stock.batches_there(item, place):
            yield Drawn(reference)

    def _lost(self, entry: WentIn, place: Place, gone: int) -> Iterator[Contribution]:
        """An item that the book has lost: what of it is known still, and that the rest is not."""
        lot = None if entry.lot is None else self._day.timeline.lots[entry.lot]
        maker = entry.maker or (lot.maker if lot else None)
        yield Giver(entry.item, gone, lot=entry.lot, maker=maker, gone=True)
        labels, id = self._day.items.labels, owner_of(entry.item)
        if lot is not None and (raised := labels.raising(labels.unchecked, lot.statements)):
            yield Giver(entry.item, raised, lot=lot.id, maker=maker)
        yield from self._in_bag(id, place)
        yield from self._batches_there(entry.item, place)
        if id in self._book.preparations:
            yield from self._card(id, entry.item, place)

    def _by_book(self, item: str) -> Iterator[Contribution]:
        """What an item brings as the book has it, whatever the day."""
        reading = self._day.reading
        paths = reading.paths(item)
        for path in paths:
            mask = reading.path_mask(path)
            if path.through is not None:
                flags = (flag for flag in path.through.levels if path in giving(paths, flag))
                mask &= self._every_level(self._layout.of_flags(flags))
            own = path.source_id in self._book.preparations and path.through is None
            tool = path.through.tool if path.through else None
            yield Giver(path.source_id, mask, path.via, own=own, tool=tool)

    def _by_tools(self, batch: Batch, place: Place, seen: SeenInTools) -> Iterator[Contribution]:
        reading = self._day.reading
        for key, name in self._day.tools(batch).items():
            others = self._day.always_shared_with(key, batch)
            yield from self._shared(
                [Through(name, id, reading.levels(id), reading.masks[id]) for id in others]
            )
            since = self._index.washed(key, place)
            begin = seen.get((key, since), since)
            seen[key, since] = max(begin, place.before)
            for entry in self._index.inside(key, begin, place):
                for found in self._left_by(entry):
                    if isinstance(found, Drawn):
                        yield replace(found, tool=name)
                    else:
                        yield replace(found, mask=self._layout.traces_of(found.mask), tool=name)

    def _left_by(self, entry: Batch | ItemUse) -> Iterable[Contribution]:
        if isinstance(entry, Batch):
            return (Drawn(entry.id),)
        at = self._day.timeline.place_of(entry)
        return self._went_in(WentIn(entry.item), at, self._day.items.labels.unchecked)

    def _shared(self, traces: Iterable[Through]) -> Iterator[Contribution]:
        """Traces by tools that are always shared: of a flag only what has it most surely.

        The others have it by the same tool.
        """
        traces = list(traces)
        surest: dict[tuple[str, str], Level] = {}
        for trace in traces:
            for flag, level in trace.levels.items():
                key = (trace.tool, flag)
                surest[key] = max(level, surest.get(key, Level.FREE))
        for trace in traces:
            flags = (f for f, level in trace.levels.items() if level == surest[trace.tool, f])
            counted = self._every_level(self._layout.of_flags(flags))
            mask = self._layout.traces_of(trace.mask) & counted
            yield Giver(trace.item, mask, tool=trace.tool)

    def _above(self, mask: int, plain: int) -> int:
        """What of a mask is at a higher level than in another, whole."""
        more = mask & ~plain
        bits = more | more >> self._layout.width | more >> 2 * self._layout.width
        return mask & self._every_level(bits & ((1 << self._layout.width) - 1))

    def _every_level(self, bits: int) -> int:
        return bits | bits << self._layout.width | bits << 2 * self._layout.width
