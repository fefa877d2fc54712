"""Everything that a kitchen recorded of what it made, kept and served."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cached_property

from yellow_ladle.core.production.batch import Batch
from yellow_ladle.core.production.lot import Lot
from yellow_ladle.core.production.records import Incident, Recall, Temperature
from yellow_ladle.core.production.service import Service
from yellow_ladle.core.production.shelf_entries import (
    Count,
    Discard,
    Fill,
    Move,
    PrintedLabel,
    Tub,
)
from yellow_ladle.core.production.tool_entries import ItemUse, Wash


@dataclass(frozen=True)
class Daybook:
    """The entries of each kind, in the order in which the file lists them."""

    lots: tuple[Lot, ...] = ()
    batches: tuple[Batch, ...] = ()
    tubs: tuple[Tub, ...] = ()
    labels: tuple[PrintedLabel, ...] = ()
    moves: tuple[Move, ...] = ()
    discards: tuple[Discard, ...] = ()
    counts: tuple[Count, ...] = ()
    fills: tuple[Fill, ...] = ()
    washes: tuple[Wash, ...] = ()
    uses: tuple[ItemUse, ...] = ()
    temperatures: tuple[Temperature, ...] = ()
    recalls: tuple[Recall, ...] = ()
    services: tuple[Service, ...] = ()
    incidents: tuple[Incident, ...] = ()

    @cached_property
    def lot(self) -> Mapping[str, Lot]:
        """Each lot by its id."""
        return {lot.id: lot for lot in self.lots}

    @cached_property
    def batch(self) -> Mapping[str, Batch]:
        """Each batch by its id."""
        return {batch.id: batch for batch in self.batches}

    @cached_property
    def tub(self) -> Mapping[str, Tub]:
        """Each tub by its id."""
        return {tub.id: tub for tub in self.tubs}

    def with_batch(self, batch: Batch) -> "Daybook":
        """The same with a batch more, or in the place of what was recorded of it."""
        others = (each for each in self.batches if each.id != batch.id)
        return replace(self, batches=(*others, batch))
