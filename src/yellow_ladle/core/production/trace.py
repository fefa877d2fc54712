"""Where something went: what it surely reached, what it may have reached, what has a trace of it.

One pass over the entries in their order; each is asked once what it was drawn from.
"""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, field

from yellow_ladle.core.book.book import owner_of
from yellow_ladle.core.production.asked import Asked, AskedGoods
from yellow_ladle.core.production.batch import Batch, WentIn, batch_of, by_product_of_batch
from yellow_ladle.core.production.changes import Changes
from yellow_ladle.core.production.day_reading import DayReading, filled_with
from yellow_ladle.core.production.item_masks import is_product
from yellow_ladle.core.production.quantities import Quantities
from yellow_ladle.core.production.service import Served, Service
from yellow_ladle.core.production.shelf_entries import Fill
from yellow_ladle.core.production.stock import Quantity
from yellow_ladle.core.production.timeline import Place, Plate
from yellow_ladle.core.production.tool_entries import ItemUse, Wash


@dataclass(frozen=True, slots=True)
class Reached:
    """A batch that was surely reached: with how many grams, None if unknown, and by which way."""

    batch: str
    grams: float | None
    via: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class ServedPlate:
    """A plate that was served, with its service."""

    service: str
    served: Served
    at: str


@dataclass(frozen=True, slots=True)
class LeftOver:
    """What is left of a batch that was reached, or of a by-product; None where it is unknown."""

    batch: str
    amount: Quantity | None


@dataclass(frozen=True)
class Trace:
    """What something reached. What it may have reached stands in the last three."""

    asked: Asked
    batches: tuple[Reached, ...]
    by_tool: tuple[tuple[str, str], ...]
    """Batches with a trace alone, each with a tool."""
    served: tuple[ServedPlate, ...]
    left: tuple[LeftOver, ...]
    tubs: tuple[str, ...]
    possible_batches: tuple[str, ...]
    possible_served: tuple[ServedPlate, ...]
    possible_services: tuple[tuple[str, str], ...]
    """Services with the plates of which not all were written down as served."""


@dataclass
class _Contact:
    """What something may have in it: surely by which ways, possibly, as a trace by which tools."""

    via: tuple[str, ...] | None = None
    possible: bool = False
    tools: set[str] = field(default_factory=set)

    @property
    def any(self) -> bool:
        return self.via is not None or self.possible or bool(self.tools)

    def add(self, other: "_Contact", *, surely: bool = True) -> None:
        """Adds what came with something else; not `surely` where that is only one of several."""
        if other.via is not None and surely:
            self.via = other.via if self.via is None else min(self.via, other.via, key=_shorter)
        self.possible = self.possible or other.possible or (other.via is not None and not surely)
        self.tools |= other.tools


NOTHING = _Contact()
"""No contact at all; it is only ever read."""


class TraceWalk:
    """The pass over a day's entries, for one thing that is asked about."""

    def __init__(self, day: DayReading, asked: Asked) -> None:
        self._day = day
        self._book = day.book
        self._timeline = day.timeline
        self._goods = AskedGoods(asked, day.book, day.timeline)
        self._quantities = Quantities(day.book, day.timeline)
        self._asked = asked
        self._contacts: dict[str, _Contact] = {}
        self._grams: dict[str, float | None] = {}
        self._bags = Changes[_Contact]()
        self._inside: dict[str, bool] = {}
        self._holding: set[str] = set()
        """What may have anything of it: all else is passed over."""
        self._at: Place | None = None
        self._items: dict[str, _Contact] = {}
        """What came with items at one place: a card asks for its bases again and again."""
        if self._goods.product is not None:
            self._holding = day.reading.graph.downstream([self._goods.product])
            self._holding.add(self._goods.product)
        for number, entry in enumerate(self._timeline.entries):
            self._follow(number, entry)

    def trace(self) -> Trace:
        """What the pass found."""
        order = [entry.id for entry in self._timeline.entries if isinstance(entry, Batch)]
        known = {id: self._contacts[id] for id in order if id in self._contacts}
        sure = [id for id, contact in known.items() if contact.via is not None]
        served, possible = self._plates()
        return Trace(
            asked=self._asked,
            batches=tuple(Reached(id, self._grams[id], known[id].via or ()) for id in sure),
            by_tool=tuple(
                (id, tool)
                for id, contact in known.items()
                if contact.via is None and not contact.possible
                for tool in sorted(contact.tools)
            ),
            served=tuple(served),
            left=tuple(self._left(sure)),
            tubs=tuple(self._tubs(sure)),
            possible_batches=tuple(
                id for id, contact in known.items() if contact.possible and contact.via is None
            ),
            possible_served=tuple(possible),
            possible_services=tuple(self._open_services()),
        )

    def _follow(self, number: int, entry: object) -> None:
        box = self._book.toolbox
        match entry:
            case Wash():
                if box.is_cleared(entry.tool, renewed=entry.renewed):
                    self._inside[box.key(entry.tool)] = False
            case Fill() if entry.emptied:
                if entry.washed:
                    self._bags.set(entry.bag, number, NOTHING)
            case Fill():
                self._fill(number, entry)
            case Batch():
                self._batch(entry)
            case ItemUse():
                if box.keeps_traces(entry.tool):
                    used = WentIn(entry.item)
                    if self._went_in(used, self._timeline.place_of(entry)).any:
                        self._inside[box.key(entry.tool)] = True

    def _batch(self, batch: Batch) -> None:
        place = self._timeline.place_of(batch)
        contact = _Contact()
        for entry in self._day.entries_of(batch):
            contact.add(self._went_in(entry, place))
        tools = self._day.tools(batch)
        for key, name in tools.items():
            if self._inside.get(key):
                contact.tools.add(self._book.toolbox.slug(name))
        asked = self._goods.is_asked_batch(batch.id)
        if asked or contact.any:
            for key in tools:
                self._inside[key] = True
            if batch.preparation is not None:
                self._holding |= {batch.preparation}
                self._holding |= self._day.reading.graph.downstream([batch.preparation])
        if contact.any and not asked:
            if contact.via is not None:
                contact.via = (batch.id, *contact.via)
                self._grams[batch.id] = self._grams_in(batch, place)
            self._contacts[batch.id] = contact

    def _fill(self, number: int, fill: Fill) -> None:
        filled = filled_with(fill, self._timeline)
        contact = self._went_in(filled, self._timeline.place_of(fill))
        together = _Contact()
        together.add(self._bags.at(fill.bag) or NOTHING)
        together.add(contact)
        self._bags.set(fill.bag, number, together)
        if contact.any:
            self._holding |= self._day.reading.graph.downstream([fill.bag]) | {fill.bag}

    def _went_in(self, entry: WentIn, place: Place) -> _Contact:
        """What came with one thing that went in at a place; its way without what it went into."""
        drawn = self._timeline.source_of(entry)
        if drawn is not None:
            return self._drawn(drawn)
        if owner_of(entry.item) not in self._holding:
            return NOTHING
        if entry.lot is not None or entry.maker is not None:
            return self._unnamed(entry, place)
        if self._at != place:
            self._at, self._items = place, {}
        if entry.item not in self._items:
            self._items[entry.item] = self._unnamed(entry, place)
        return self._items[entry.item]

    def _unnamed(self, entry: WentIn, place: Place) -> _Contact:
        """What came with something of which no batch was written down."""
        contact = self._in_bag(entry.item, place)
        if self._goods.surely(entry):
            contact.add(_Contact(via=()))
        elif self._goods.surely_part(entry.item):
            contact.add(_Contact(via=(entry.item,)))
        elif self._goods.possibly(entry, place.day):
            contact.add(_Contact(possible=True))
        if is_product(self._book, entry.item):
            below = self._book.products[entry.item].contents
        else:
            for reference in self._day.stock.batches_there(entry.item, place):
                contact.add(self._drawn(reference), surely=False)
            below = self._day.reading.graph.items.get(owner_of(entry.item), ())
        for item in below:
            contact.add(self._went_in(WentIn(item), place), surely=False)
        return contact

    def _drawn(self, reference: str) -> _Contact:
        if self._goods.is_asked_batch(reference):
            return _Contact(via=())
        contact = self._contacts.get(batch_of(reference), NOTHING)
        if contact.via is None:
            return contact
        return _Contact((reference, *contact.via[1:]), contact.possible, contact.tools)

    def _in_bag(self, bag: str, place: Place) -> _Contact:
        """What is in a bag before a place; it surely went into whatever the bag goes into."""
        contact = _Contact()
        contact.add(self._bags.at(bag, place) or NOTHING)
        if contact.via is not None:
            contact.via = (bag, *contact.via)
        return contact

    def _grams_in(self, batch: Batch, place: Place) -> float | None:
        total = 0.0
        for entry in self._day.entries_of(batch):
            if self._went_in(entry, place).via is None:
                continue
            grams = self._entry_grams(entry, place)
            if grams is None:
                return None
            total += grams
        return total

    def _entry_grams(self, entry: WentIn, place: Place) -> float | None:
        drawn = self._timeline.source_of(entry)
        if drawn is not None:
            grams = self._quantities.grams(entry.tub or drawn, entry.quantity, entry.unit)
            if self._goods.is_asked_batch(drawn):
                return grams
            whole, held = self.whole(batch_of(drawn)), self._grams[batch_of(drawn)]
            return None if grams is None or held is None or not whole else held * grams / whole
        if self._in_bag(entry.item, place).via is not None:
            return None
        grams = self._quantities.product_grams(entry.item, entry.quantity, entry.unit)
        if self._goods.surely(entry):
            return grams
        share = self._goods.share(entry.item)
        return None if grams is None or share is None else grams * share

    def whole(self, id: str) -> float | None:
        """Grams of a batch with its by-products; None where one of the amounts is unknown."""
        return self._quantities.whole_grams(id)

    def _left(self, sure: Iterable[str]) -> Iterator[LeftOver]:
        for id in sure:
            parts = self._day.stock.by_products[id]
            for reference in (id, *(by_product_of_batch(id, part) for part in parts)):
                left = self._day.stock.left(reference)
                if left.some:
                    yield LeftOver(reference, left.amount)

    def _tubs(self, sure: Iterable[str]) -> list[str]:
        reached, stock = set(sure), self._day.stock
        return sorted(
            id
            for id, tub in self._timeline.tubs.items()
            if batch_of(tub.batch) in reached and stock.left(id).some
        )

    def _plates(self) -> tuple[list[ServedPlate], list[ServedPlate]]:
        sure, possible = [], []
        for entry in self._timeline.entries:
            if not isinstance(entry, Plate):
                continue
            plate = ServedPlate(entry.service.id, entry.served, entry.at)
            contact = _Contact()
            for draw in entry.served.from_ or ():
                if (drawn := self._timeline.source_of(draw)) is not None:
                    contact.add(self._drawn(drawn))
            if not entry.served.from_:
                unnamed = self._went_in(WentIn(entry.served.plate), self._timeline.place_of(entry))
                contact.add(unnamed, surely=False)
            if contact.via is not None:
                sure.append(plate)
            elif contact.possible:
                possible.append(plate)
        return sure, possible

    def _open_services(self) -> Iterator[tuple[str, str]]:
        """The plates of services that may hold it and have covers that nobody wrote down."""
        for service in self._timeline.services:
            for item in dict.fromkeys(plate.item for plate in service.plates):
                if self._has_open_covers(service, item):
                    place = self._timeline.service_place(service)
                    contact = self._went_in(WentIn(item), place)
                    if contact.possible or contact.via is not None:
                        yield service.id, item

    def _has_open_covers(self, service: Service, item: str) -> bool:
        covers = [plate.covers for plate in service.plates if plate.item == item]
        gone = sum(
            plate.served.portions or 0
            for plate in self._timeline.plates
            if plate.service is service and plate.served.plate == item
        )
        return any(count is None for count in covers) or sum(c or 0 for c in covers) > gone


def trace(day: DayReading, asked: Asked) -> Trace:
    """Where a lot, a batch or a product went, until the end of what was read."""
    return TraceWalk(day, asked).trace()


def _shorter(via: tuple[str, ...]) -> tuple[int, tuple[str, ...]]:
    return len(via), via
