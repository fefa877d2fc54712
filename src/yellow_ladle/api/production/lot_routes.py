"""Lots of a good: recorded as they come in, and those that are there."""

from dataclasses import replace
from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, Field

from yellow_ladle.api.dependencies import TheActor, TheLedger, product_or_missing
from yellow_ladle.api.production.kept_day import TheDay
from yellow_ladle.core.production.lot import Lot
from yellow_ladle.core.production.records import Temperature
from yellow_ladle.core.production.scanned_lot import lot_of_pack
from yellow_ladle.core.production.shelf_rules import refuse_twice
from yellow_ladle.core.vocabulary.gs1_elements import scanned
from yellow_ladle.files.book.conversion import as_piece, as_value
from yellow_ladle.files.book.piece import Id
from yellow_ladle.files.daybook.entry_pieces import Celsius, DayOrMoment, LotPiece
from yellow_ladle.store.daybook import DaybookChange
from yellow_ladle.store.history import Act
from yellow_ladle.store.ledger import Ledger

router = APIRouter(tags=["production"])


class LotIn(LotPiece):
    """A lot as it came in; without `received` it came today. `celsius`: its temperature then."""

    id: Id = "new"
    received: DayOrMoment | None = None  # type: ignore[assignment]
    celsius: Celsius | None = None


class LotOut(BaseModel):
    """A lot that is there."""

    lot: LotPiece


@router.get("/products/{id}/lots")
def lots(id: Id, day: TheDay, ledger: TheLedger) -> list[LotOut]:
    """The lots of a good that are there, the oldest first."""
    product_or_missing(ledger.now, id)
    place = day.reading.timeline.end_on(day.today)
    known = [day.reading.timeline.lots[lot] for lot in day.reading.stock.lots_there(id, place)]
    return [
        LotOut(lot=as_piece(LotPiece, lot)) for lot in sorted(known, key=lambda lot: lot.received)
    ]


@router.post("/lots")
def record_lot(wanted: LotIn, ledger: TheLedger, actor: TheActor) -> LotOut:
    """Records a delivery."""
    product = product_or_missing(ledger.now, wanted.product)
    plain = wanted.model_dump(by_alias=True, exclude={"celsius"}) | {"by": actor.person or ""}
    plain["received"] = wanted.received or ledger.today
    lot = as_value(Lot, LotPiece.model_validate(plain))
    refuse_twice(ledger.daybook.now.daybook, lot)
    recorded = _recorded(ledger, lot, product.name, actor)
    if wanted.celsius is not None:
        at, of = ledger.local_moment, recorded.lot.id
        reading = Temperature("", at, wanted.celsius, of=of, phase="receive", by=actor.person or "")
        change = DaybookChange("temperatures", "", reading)
        ledger.daybook.record([change], {}, f"{product.name} came at {wanted.celsius:g} °C", actor)
    return recorded


class PackIn(BaseModel):
    """What the bars on a pack of a good say, or a lot's code as it was typed."""

    product: Id
    text: Annotated[str, Field(min_length=1, max_length=200)]


@router.post("/lots/scanned")
def scan_lot(wanted: PackIn, day: TheDay, ledger: TheLedger, actor: TheActor) -> LotOut:
    """The lot of a pack; one that nobody recorded yet is recorded as come in today."""
    product = product_or_missing(ledger.now, wanted.product)
    known = list(day.reading.timeline.lots.values())
    lot = lot_of_pack(scanned(wanted.text), product, known, ledger.today)
    if lot.id:
        return LotOut(lot=as_piece(LotPiece, lot))
    return _recorded(ledger, replace(lot, by=actor.person or ""), product.name, actor)


def _recorded(ledger: Ledger, lot: Lot, name: str, actor: Act) -> LotOut:
    change = DaybookChange("lots", "", lot)
    kept = ledger.daybook.record([change], {}, f"{name} came in", actor)
    return LotOut(lot=as_piece(LotPiece, kept.entries[kept.written[0]]))
