"""The entries of a daybook in the order in which they count.

Entries are compared as instants. At one moment come washes, fills (an emptied bag first), batches
(each after what it draws from, then by id), uses, discards and plates, moves, counts. A bag that is
filled from a batch of the same moment is filled after it.
"""

from bisect import bisect_right
from collections.abc import Callable, Iterable, Iterator, Mapping
from dataclasses import dataclass
from functools import cached_property
from heapq import heapify, heappop, heappush
from itertools import groupby
from typing import TypeAlias

from yellow_ladle.core.production.batch import Batch, WentIn, batch_of
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.instants import date_of, end_of_day, instant
from yellow_ladle.core.production.service import Draw, Served, Service
from yellow_ladle.core.production.shelf_entries import Count, Discard, Fill, Move
from yellow_ladle.core.production.tool_entries import ItemUse, Wash


@dataclass(frozen=True, slots=True, eq=False)
class Plate:
    """One plate served, with the service that it belongs to and the moment at which it left."""

    service: Service
    served: Served
    at: str


Entry: TypeAlias = Wash | Fill | Batch | ItemUse | Discard | Plate | Move | Count

RANKS: Mapping[type, float] = {
    **{Wash: 0, Fill: 1, Batch: 2, ItemUse: 3},
    **{Discard: 4, Plate: 4, Move: 5, Count: 6},
}
"""How entries of one moment follow each other."""
FILLED_AFTER = 2.5
"""The rank of a fill from a batch of the same moment."""


@dataclass(frozen=True, slots=True)
class Place:
    """A place in the order: so many entries stand before it, and it is this date (ISO)."""

    before: int
    day: str


class Loop(ValueError):
    """Batches of one moment that are drawn from each other."""

    def __init__(self, batches: Iterable[str]) -> None:
        self.batches = tuple(batches)
        super().__init__(" → ".join(self.batches))


class Timeline:
    """What happened until the end of a day (ISO date; None: everything), in order.

    `before` is the order of the first entries, which the daybook still has: only what happened
    later is put in order. Raises Loop where batches of one moment are drawn from each other.
    """

    def __init__(
        self,
        daybook: Daybook,
        until: str | None,
        zone: str | None,
        before: "Timeline | None" = None,
    ) -> None:
        self.until = until
        self._zone = zone
        self._before = before
        self.services = tuple(e for e in daybook.services if self._happened(e.date))
        self.recalls = tuple(e for e in daybook.recalls if self._happened(e.at))
        plates = (plate for service in daybook.services for plate in self._plates(service))
        fresh = tuple(plate for plate in plates if self._is_fresh(plate.at))
        self.plates: tuple[Plate, ...] = (*(before.plates if before else ()), *fresh)
        everything: Daybook | _Happened = daybook
        if until is not None:
            everything = _Happened(daybook, self._happened, self.plates)
        self.lots, self.batches, self.tubs = everything.lot, everything.batch, everything.tub
        known = before.entries if before else ()
        self.entries: tuple[Entry, ...] = (*known, *self._ordered(daybook, fresh))
        self._places: dict[int, Place] = dict(before._places) if before else {}
        for number in range(len(known), len(self.entries)):
            entry = self.entries[number]
            self._places[id(entry)] = Place(number, date_of(moment_of(entry)))

    def place_of(self, entry: Entry) -> Place:
        """Where an entry stands; it counts itself among those that come after."""
        return self._places[id(entry)]

    def service_place(self, service: Service) -> Place:
        """Where a service begins: at its time, else at the end of its date."""
        return Place(bisect_right(self._instants, instant(self._begins(service))), service.date)

    def end_on(self, day: str) -> Place:
        """The place after everything, on a day (ISO)."""
        return Place(len(self.entries), day)

    def batch_behind(self, reference: str) -> Batch:
        """The batch that a reference names: itself, by a by-product of it, or by a tub."""
        tub = self.tubs.get(reference)
        return self.batches[batch_of(tub.batch if tub else reference)]

    def source_of(self, drawn: WentIn | Draw) -> str | None:
        """The batch, or by-product of one, that an entry was drawn from; by its tub if need be."""
        if drawn.batch is None and drawn.tub is not None:
            return self.tubs[drawn.tub].batch
        return drawn.batch

    @cached_property
    def _instants(self) -> list[int]:
        return [instant(moment_of(entry)) for entry in self.entries]

    def _happened(self, at: str) -> bool:
        return self.until is None or date_of(at) <= self.until

    def _is_fresh(self, at: str) -> bool:
        """Whether something happened, and not among the first entries."""
        first = None if self._before is None else self._before.until
        return self._happened(at) and (first is None or date_of(at) > first)

    def _plates(self, service: Service) -> Iterator[Plate]:
        begins = self._begins(service)
        for served in service.served:
            yield Plate(service, served, served.at or begins)

    def _begins(self, service: Service) -> str:
        return service.at or end_of_day(service.date, self._zone)

    def _ordered(self, daybook: Daybook, plates: Iterable[Plate]) -> Iterator[Entry]:
        loose: list[Entry] = [
            *daybook.washes,
            *sorted(daybook.fills, key=lambda fill: not fill.emptied),
        ]
        loose += [*daybook.uses, *daybook.discards, *plates]
        loose += [*daybook.moves, *daybook.counts]
        happened = [entry for entry in loose if self._is_fresh(moment_of(entry))]
        known = self._before.batches if self._before else {}
        happened += [batch for batch in self.batches.values() if batch.id not in known]
        happened.sort(key=self._standing)
        for (_, rank), together in groupby(happened, key=self._standing):
            entries = list(together)
            yield from entries if rank != RANKS[Batch] else self._drawn_in_order(entries)

    def _standing(self, entry: Entry) -> tuple[int, float]:
        at, rank = instant(moment_of(entry)), RANKS[type(entry)]
        if isinstance(entry, Fill) and entry.batch is not None:
            made = instant(self.batches[batch_of(entry.batch)].made)
            return at, FILLED_AFTER if made == at else rank
        return at, rank

    def _drawn_in_order(self, batches: list[Entry]) -> Iterator[Batch]:
        """Batches of one moment: each after what it draws from, then by id."""
        here = {batch.id: batch for batch in batches if isinstance(batch, Batch)}
        waits = {id: self._drawn_from(batch) & here.keys() for id, batch in here.items()}
        users: dict[str, list[str]] = {}
        for id, bases in waits.items():
            for base in bases:
                users.setdefault(base, []).append(id)
        ready = [id for id, bases in waits.items() if not bases]
        heapify(ready)
        while ready:
            id = heappop(ready)
            yield here.pop(id)
            for user in users.get(id, ()):
                waits[user].discard(id)
                if not waits[user]:
                    heappush(ready, user)
        if here:
            raise Loop(sorted(here))

    def _drawn_from(self, batch: Batch) -> set[str]:
        drawn = (self.source_of(entry) for entry in batch.went_in)
        return {batch_of(source) for source in drawn if source is not None}


class _Happened:
    """The lots, batches and tubs until the end of a day, and all that they were drawn from.

    Dates are those of where an entry was written: what was made in one time zone may be of
    tomorrow, though what was drawn from it in another is of today.
    """

    def __init__(
        self, daybook: Daybook, happened: Callable[[str], bool], plates: Iterable[Plate]
    ) -> None:
        self._daybook = daybook
        self.lot = {e.id: e for e in daybook.lots if happened(e.received)}
        self.batch = {e.id: e for e in daybook.batches if happened(e.made)}
        self.tub = {e.id: e for e in daybook.tubs if happened(e.at)}
        for tub in list(self.tub.values()):
            self._add(tub.batch)
        for batch in list(self.batch.values()):
            self._add_drawn(batch)
        for fill in daybook.fills:
            if happened(fill.at):
                self._add(fill.batch, fill.lot)
        for plate in plates:
            for draw in plate.served.from_ or ():
                self._add(draw.batch, None, draw.tub)
        for at, of in (
            *((move.at, move.of) for move in daybook.moves),
            *((discard.at, discard.of) for discard in daybook.discards),
            *((count.at, count.of) for count in daybook.counts),
        ):
            if happened(at):
                self._add_of(of)

    def _add_of(self, of: str) -> None:
        if of in self._daybook.lot:
            self._add(None, of)
        elif of in self._daybook.tub:
            self._add(None, None, of)
        else:
            self._add(of)

    def _add_drawn(self, batch: Batch) -> None:
        for entry in batch.went_in:
            self._add(entry.batch, entry.lot, entry.tub)

    def _add(self, drawn: str | None, lot: str | None = None, tub: str | None = None) -> None:
        if lot is not None:
            self.lot.setdefault(lot, self._daybook.lot[lot])
        waiting = [drawn]
        if tub is not None:
            waiting.append(self.tub.setdefault(tub, self._daybook.tub[tub]).batch)
        for reference in waiting:
            id = None if reference is None else batch_of(reference)
            if id is not None and id not in self.batch:
                self.batch[id] = self._daybook.batch[id]
                self._add_drawn(self.batch[id])


def moment_of(entry: Entry) -> str:
    """When an entry happened, as it was written."""
    return entry.made if isinstance(entry, Batch) else entry.at
