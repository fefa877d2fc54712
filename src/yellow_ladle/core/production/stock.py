"""What is left of lots, batches and tubs at any place of the order, until when, and what is there.

Left is what came out less what was drawn, thrown away and served; a count sets it anew. What
nobody weighed leaves the amount unknown, and what is unknown counts as there.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from functools import cached_property

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.production.batch import Batch, batch_of, by_product_of_batch
from yellow_ladle.core.production.batch_card import by_products_of_batch, card_of
from yellow_ladle.core.production.changes import Changes
from yellow_ladle.core.production.instants import date_of, days_after
from yellow_ladle.core.production.lot import Lot
from yellow_ladle.core.production.month_index import MonthIndex
from yellow_ladle.core.production.quantities import Quantities
from yellow_ladle.core.production.shelf_entries import Count, Discard, Fill, Move
from yellow_ladle.core.production.timeline import Entry, Place, Plate, Timeline

NOTHING = 1e-9
"""Amounts up to this are rounding, not food."""
DAYS_UNTOLD = 3
"""A batch of which nobody said how long it keeps counts until the third day after it was made."""


NOWHERE = Place(0, "")
"""The place before everything."""


@dataclass(frozen=True, slots=True)
class Quantity:
    """An amount in a unit."""

    quantity: float
    unit: str


@dataclass(frozen=True, slots=True)
class Left:
    """What is left, None where that is unknown; and the most that was taken beyond it."""

    amount: Quantity | None
    over: Quantity | None = None

    @property
    def some(self) -> bool:
        """Whether something is left, or may be."""
        return self.amount is None or self.amount.quantity > NOTHING


@dataclass(frozen=True, slots=True)
class LastDay:
    """The last day (ISO) on which something may be used; `told`: whether anybody said so."""

    day: str | None
    told: bool = True

    def reaches(self, day: str) -> bool:
        """Whether it is not past on a day."""
        return self.day is None or self.day >= day


class Stock:
    """The amounts and last days of everything, as they changed in the order of the entries.

    `before` is that of the first entries, which stays as it is.
    """

    def __init__(self, book: Book, timeline: Timeline, before: "Stock | None" = None) -> None:
        self._book = book
        self._timeline = timeline
        self._before = before
        self._quantities = Quantities(book, timeline)
        self._left: Changes[Left] = Changes(before._left if before else None)
        self._moves: dict[str, list[tuple[int, Move]]] = dict(before._moves) if before else {}
        self._raw: dict[str, Quantity | None] = dict(before._raw) if before else {}
        self._unmoved: dict[str, LastDay] = dict(before._unmoved) if before else {}
        first = len(before._timeline.entries) if before else 0
        for number in range(first, len(timeline.entries)):
            entry = timeline.entries[number]
            if isinstance(entry, Move):
                self._moves[entry.of] = [*self._moves.get(entry.of, ()), (number, entry)]
            elif isinstance(entry, Count):
                self._count(number, entry)
            else:
                for of, quantity, unit in self._taken(entry):
                    self._take(number, of, quantity, unit)

    def left(self, of: str, place: Place | None = None) -> Left:
        """What is left of something before a place; without one, after everything."""
        return self._left.at(of, place) or Left(self.came_out(of))

    def came_out(self, of: str) -> Quantity | None:
        """How much there was to begin with; None where nobody wrote it down."""
        timeline = self._timeline
        found: object = timeline.lots.get(of) or timeline.tubs.get(of)
        if found is None:
            id, _, part = of.partition("/")
            batch = timeline.batches[id]
            made = (each for each in batch.by_products or () if each.id == part)
            found = next(made, None) if part else batch.out
        quantity, unit = getattr(found, "quantity", None), getattr(found, "unit", None)
        return None if quantity is None or unit is None else Quantity(quantity, unit)

    def last_day(self, of: str, place: Place | None = None) -> LastDay:
        """The last day of a lot, a batch, a by-product of one, or a tub, before a place.

        Of a lot its use-by. Else that of the last move that gives one, else the batch's own, else
        by its card and where it was kept.
        """
        if (lot := self._timeline.lots.get(of)) is not None:
            return LastDay(lot.use_by)
        kept_as = self._kept_as(of)
        if not any(reference in self._moves for reference in kept_as):
            if of not in self._unmoved:
                self._unmoved[of] = self._by_records(kept_as, place)
            return self._unmoved[of]
        for reference in kept_as:
            for move in reversed(self._moved(reference, place)):
                if move.use_by is not None:
                    return LastDay(move.use_by)
        return self._by_records(kept_as, place)

    def moves_of(self, of: str) -> list[Move]:
        """The moves of something in their order; of a tub its batch's first."""
        moves = [move for each in self._kept_as(of) for move in self._moves.get(each, ())]
        return [move for _, move in sorted(moves, key=lambda move: move[0])]

    def _kept_as(self, of: str) -> tuple[str, ...]:
        """What moves of something may be written under: of a tub its batch's too."""
        tub = self._timeline.tubs.get(of)
        return (of, tub.batch) if tub else (of,)

    def _by_records(self, kept_as: tuple[str, ...], place: Place | None) -> LastDay:
        """The last day by the batch's own record, or its card."""
        batch = self._timeline.batches[batch_of(kept_as[-1])]
        if batch.use_by is not None:
            return LastDay(batch.use_by)
        days = self._keeps(batch, self._storage(batch, kept_as, place))
        made = date_of(batch.made)
        if days is None:
            return LastDay(days_after(made, DAYS_UNTOLD), told=False)
        return LastDay(days_after(made, days))

    def there(self, of: str, place: Place) -> bool:
        """Whether something is there before a place: some of it left, its last day not past.

        A batch in tubs is there while any of them is.
        """
        timeline = self._timeline
        if (lot := timeline.lots.get(of)) is not None:
            used_up = lot.used_up is not None and date_of(lot.used_up) < place.day
            return date_of(lot.received) <= place.day and not used_up and self._usable(of, place)
        if timeline.place_of(timeline.batches[batch_of(of)]).before >= place.before:
            return False
        return self._usable(of, place) or any(
            date_of(timeline.tubs[tub].at) <= place.day and self._usable(tub, place)
            for tub in self.tubs_of.get(of, ())
        )

    def lots_there(self, product: str, place: Place) -> list[str]:
        """The lots of a product that are there before a place."""
        return [lot for lot in self._lots_of.on(product, place.day) if self.there(lot, place)]

    def batches_there(self, item: str, place: Place) -> list[str]:
        """The batches of a preparation, or their by-products, that are there before a place."""
        known = self._batches_of.on(item, place.day)
        return [reference for reference in known if self.there(reference, place)]

    @cached_property
    def tubs_of(self) -> dict[str, list[str]]:
        """The tubs of each batch, or by-product of one."""
        found: dict[str, list[str]] = {}
        for id in sorted(self._timeline.tubs):
            found.setdefault(self._timeline.tubs[id].batch, []).append(id)
        return found

    @cached_property
    def by_products(self) -> dict[str, tuple[str, ...]]:
        """The ids of what each batch yielded besides itself."""
        known = self._before.by_products if self._before else {}
        fresh = {
            id: by_products_of_batch(card_of(self._book, batch), batch)
            for id, batch in self._timeline.batches.items()
            if id not in known
        }
        return known | fresh

    @cached_property
    def _lots_of(self) -> MonthIndex:
        lots = self._timeline.lots
        known: Mapping[str, Lot] = {}
        found = MonthIndex()
        if self._before is not None:
            found, known = self._before._lots_of.copy(), self._before._timeline.lots
        for id in sorted(id for id, lot in lots.items() if known.get(id) is not lot):
            lot = lots[id]
            if id in known:
                found.remove(lot.product, id)
            ends = [date_of(day) for day in (lot.use_by, lot.used_up) if day is not None]
            found.add(lot.product, id, date_of(lot.received), min(ends, default=None))
        return found

    @cached_property
    def _batches_of(self) -> MonthIndex:
        """The batches and by-products of each preparation, by the days on which they may be there.

        Where it was made the date may be two days ahead of that where it is asked about.
        """
        found = MonthIndex()
        known: Mapping[str, Batch] = {}
        if self._before is not None:
            found, known = self._before._batches_of.copy(), self._before._timeline.batches
        changed = set(self._timeline.batches.keys() - known.keys()) | self._kept_otherwise()
        for id in sorted(changed):
            batch = self._timeline.batches[id]
            if batch.preparation is None:
                continue
            first = days_after(date_of(batch.made), -2)
            references = {id: batch.preparation}
            for part in self.by_products[id]:
                references[by_product_of_batch(id, part)] = f"{batch.preparation}/{part}"
            for reference, item in references.items():
                if id in known:
                    found.remove(item, reference)
                found.add(item, reference, first, self._latest(reference))
        return found

    def _kept_otherwise(self) -> set[str]:
        """The batches of the first entries that were moved since, or put into tubs."""
        if self._before is None:
            return set()
        timeline, known = self._timeline, self._before._timeline
        moved = {e.of for e in timeline.entries[len(known.entries) :] if isinstance(e, Move)}
        filled = {tub.batch for id, tub in timeline.tubs.items() if id not in known.tubs}
        of = {timeline.tubs[each].batch if each in timeline.tubs else each for each in moved}
        return {batch_of(each) for each in of | filled if batch_of(each) in timeline.batches}

    def _latest(self, of: str) -> str | None:
        """The latest last day that a batch, or one of its tubs, ever has."""
        days: list[str | None] = []
        for reference in (of, *self.tubs_of.get(of, ())):
            days.append(self.last_day(reference).day)
            days.append(self.last_day(reference, NOWHERE).day)
            kept_as = self._kept_as(reference)
            moves = [move for each in kept_as for _, move in self._moves.get(each, ())]
            days += [move.use_by for move in moves if move.use_by is not None]
            batch = self._timeline.batches[batch_of(kept_as[-1])]
            kept = [self._keeps(batch, move.to) for move in moves if move.to]
            made = date_of(batch.made)
            days += [days_after(made, DAYS_UNTOLD if day is None else day) for day in kept]
        return None if None in days else max(day for day in days if day is not None)

    def _usable(self, of: str, place: Place) -> bool:
        return self.left(of, place).some and self.last_day(of, place).reaches(place.day)

    def _moved(self, of: str, place: Place | None) -> list[Move]:
        moves = self._moves.get(of, ())
        return [move for number, move in moves if place is None or number < place.before]

    def _storage(self, batch: Batch, kept_as: tuple[str, ...], place: Place | None) -> str:
        for reference in kept_as:
            for move in reversed(self._moved(reference, place)):
                if move.to:
                    return move.to
        return batch.storage

    def _keeps(self, batch: Batch, storage: str) -> float | None:
        card = card_of(self._book, batch)
        if card is None or card.keeps is None:
            return None
        by_storage = {"chilled": card.keeps.chilled_days, "frozen": card.keeps.frozen_days}
        return by_storage.get(storage)

    def _taken(self, entry: Entry) -> Iterator[tuple[str, float | None, str | None]]:
        """What an entry takes: of what, how much; from a tub it is taken from its batch as well."""
        drawn: list[tuple[str | None, float | None, str | None]] = []
        match entry:
            case Batch():
                drawn = [
                    (each.tub or each.batch or each.lot, each.quantity, each.unit)
                    for each in entry.went_in
                ]
            case Fill():
                drawn = [(entry.batch or entry.lot, entry.quantity, entry.unit)]
            case Discard():
                drawn = [(entry.of, entry.quantity, entry.unit)]
            case Plate():
                drawn = [
                    (draw.tub or draw.batch, draw.quantity, draw.unit)
                    for draw in entry.served.from_ or ()
                ]
        for of, quantity, unit in drawn:
            if of is not None:
                yield of, quantity, unit
                if (tub := self._timeline.tubs.get(of)) is not None:
                    yield tub.batch, quantity, unit

    def _take(self, number: int, of: str, quantity: float | None, unit: str | None) -> None:
        before = self._raw[of] if of in self._raw else self.came_out(of)
        after = None
        if before is not None:
            taken = self._quantities.converted(of, quantity, unit, before.unit)
            if taken is not None:
                after = Quantity(before.quantity - taken, before.unit)
        self._note(number, of, after)

    def _count(self, number: int, entry: Count) -> None:
        before = self._raw.get(entry.of)
        unit = (before or self.came_out(entry.of) or entry).unit
        counted = self._quantities.converted(entry.of, entry.quantity, entry.unit, unit)
        self._note(number, entry.of, None if counted is None else Quantity(counted, unit))

    def _note(self, number: int, of: str, raw: Quantity | None) -> None:
        self._raw[of] = raw
        state = Left(None)
        if raw is not None:
            over = Quantity(-raw.quantity, raw.unit) if raw.quantity < -NOTHING else None
            state = Left(Quantity(max(raw.quantity, 0.0), raw.unit), over)
        self._left.set(of, number, state)
