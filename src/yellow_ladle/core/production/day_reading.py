"""What every batch carries: its goods by lot and maker, its draws by batch, its tools by turn."""

from collections.abc import Iterator
from functools import cached_property

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.production.accumulated import AccumulatedMasks
from yellow_ladle.core.production.batch import Batch, WentIn
from yellow_ladle.core.production.batch_card import as_written, card_of
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.entry_index import EntryIndex
from yellow_ladle.core.production.item_masks import ItemMasks
from yellow_ladle.core.production.merged_goods import following_merges
from yellow_ladle.core.production.shelf_entries import Fill
from yellow_ladle.core.production.stock import Stock
from yellow_ladle.core.production.timeline import Place, Timeline
from yellow_ladle.core.production.tool_entries import ItemUse, Wash
from yellow_ladle.core.reading.reading import Reading, own_mask, read
from yellow_ladle.core.vocabulary.levels import Level


class DayReading:
    """The batches of a daybook, read one after the other as they were made.

    `before` is the reading of the timeline's first entries by the same book; it stays as it is.
    """

    def __init__(
        self, reading: Reading, timeline: Timeline, before: "DayReading | None" = None
    ) -> None:
        self.reading = reading
        self.book: Book = reading.book
        self.timeline = timeline
        self.before = before
        self.stock: Stock = Stock(reading.book, timeline, before.stock if before else None)
        self.items: ItemMasks = ItemMasks(
            reading, timeline, self.stock, before.items if before else None
        )
        self.inside: AccumulatedMasks = AccumulatedMasks(before.inside if before else None)
        """What each tool leaves in whatever goes through it next, by its key."""
        for number in range(len(before.timeline.entries) if before else 0, len(timeline.entries)):
            self._read(number, timeline.entries[number])

    @property
    def masks(self) -> dict[str, int]:
        """What each batch carries, by its id; each of its by-products carries the same."""
        return self.items.batches

    def levels(self, batch: str) -> dict[str, Level]:
        """The flags of a batch that are above free."""
        return self.reading.layout.levels(self.masks[batch])

    def tools(self, batch: Batch) -> dict[str, str]:
        """The tools that a batch went through and that leave traces: their names by their keys."""
        names = batch.tools
        if names is None:
            card = card_of(self.book, batch)
            names = card.tools if card is not None else ()
        box = self.book.toolbox
        found: dict[str, str] = {}
        for name in filter(box.keeps_traces, names):
            tool = box.get(name)
            found.setdefault(box.key(name), name if tool is None else tool.name)
        return found

    def always_shared_with(self, key: str, batch: Batch) -> list[str]:
        """The preparations whose traces a tool gives whatever the day, to any other pot."""
        return [id for id in self._shared_by.get(key, ()) if id != batch.preparation]

    def own_statements(self, batch: Batch) -> int:
        """What a batch carries by its card's own statements, or because there is no card."""
        card, labels = card_of(self.book, batch), self.items.labels
        if card is not None:
            known = {f: x for f, x in card.statements.items() if f in self.reading.layout.bits}
            if len(known) < len(card.statements):
                return self.reading.layout.mask(known, card.own_otherwise)
            return own_mask(self.reading.layout, card)
        nothing_said = batch.preparation is None and not batch.went_in
        return labels.unchecked if nothing_said else 0

    def gone(self, batch: Batch) -> int:
        """What is to be feared of an item that the book has lost: all that the batch did not say.

        What the batch did say is in its statements.
        """
        layout = self.reading.layout
        said = {flag: Level.FREE for flag in batch.statements if flag in layout.bits}
        return layout.mask(said, Level.UNCHECKED)

    def entries_of(self, batch: Batch) -> Iterator[WentIn]:
        """All that went into a batch: what was written down, and what went in as written."""
        yield from batch.went_in
        for index, line in as_written(card_of(self.book, batch), batch):
            yield WentIn(line.item, index, quantity=line.quantity, unit=line.unit)

    def traces(self, batch: Batch, place: Place) -> int:
        """What a batch takes up in the tools that it goes through at a place."""
        mask = 0
        for key in self.tools(batch):
            mask |= self.inside.at(key, place)
            for other in self.always_shared_with(key, batch):
                mask |= self.reading.layout.traces_of(self.reading.masks[other])
        return mask

    def _read(self, number: int, entry: object) -> None:
        box = self.book.toolbox
        match entry:
            case Wash():
                if box.is_cleared(entry.tool, renewed=entry.renewed):
                    self.inside.clear(box.key(entry.tool), number)
            case Fill():
                self._fill(number, entry)
            case Batch():
                place = self.timeline.place_of(entry)
                mask = self._batch(entry, place)
                self.masks[entry.id] = mask
                for key in self.tools(entry):
                    self.inside.add(key, number, self.reading.layout.traces_of(mask))
            case ItemUse():
                if box.keeps_traces(entry.tool):
                    mask = self.items.item(entry.item, self.timeline.place_of(entry))
                    left = self.reading.layout.traces_of(mask)
                    self.inside.add(box.key(entry.tool), number, left)

    def _fill(self, number: int, entry: Fill) -> None:
        if entry.emptied:
            if entry.washed:
                self.items.bags.clear(entry.bag, number)
            return
        filled = filled_with(entry, self.timeline)
        mask = self.items.went_in(filled, self.timeline.place_of(entry))
        self.items.bags.add(entry.bag, number, mask)

    def _batch(self, batch: Batch, place: Place) -> int:
        mask = self.brought(batch, place) | self.traces(batch, place)
        return mask | self.items.labels.raising(mask, batch.statements)

    def brought(self, batch: Batch, place: Place) -> int:
        """What went into a batch at a place carries, without its tools and recorded levels."""
        mask, gone = self.own_statements(batch), self.gone(batch)
        if batch.preparation is not None and card_of(self.book, batch) is None:
            mask |= gone
        for entry in self.entries_of(batch):
            mask |= self.items.went_in(entry, place, gone)
        return mask

    @cached_property
    def index(self) -> EntryIndex:
        """Which entries are in a tool or a bag at a place; whoever walks back asks it."""
        return EntryIndex(self.timeline, self.book.toolbox, self.tools)

    @cached_property
    def _shared_by(self) -> dict[str, list[str]]:
        """Per tool that is always shared, by its key, the preparations whose cards name it."""
        box = self.book.toolbox
        found: dict[str, list[str]] = {}
        for id, preparation in self.book.preparations.items():
            for key in dict.fromkeys(map(box.key, preparation.tools)):
                if box.shared(key) is not None:
                    found.setdefault(key, []).append(id)
        return found


def filled_with(fill: Fill, timeline: Timeline) -> WentIn:
    """What was put into a bag, as an entry of a batch would name it."""
    item = fill.item
    if item is None and fill.lot is not None:
        item = timeline.lots[fill.lot].product
    return WentIn(item or "", lot=fill.lot, batch=fill.batch)


def read_day(book: Book, daybook: Daybook, on: str, until: str | None = None) -> DayReading:
    """A daybook read until the end of a day (ISO; None: all of it), certificates as of `on`.

    Raises Loop where batches of one moment are drawn from each other.
    """
    return day_of(read(book, on), daybook, until)


def day_of(reading: Reading, daybook: Daybook, until: str | None = None) -> DayReading:
    """A daybook read with a book that is read already."""
    followed = following_merges(reading.book, daybook)
    return DayReading(reading, Timeline(followed, until, reading.book.kitchen.time_zone))
