"""Where a lot, a batch, or a good of a maker went, and what a batch came from."""

from typing import Annotated

from fastapi import APIRouter, Depends, Query, Response
from pydantic import BaseModel

from yellow_ladle.api.errors import Missing
from yellow_ladle.api.production.batch_answers import came_from, lot_name, reference_name
from yellow_ladle.api.production.kept_day import Day, TheDay
from yellow_ladle.api.schemas.answer_forms import Named, named
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.production.asked import Asked
from yellow_ladle.core.production.trace import LeftOver, ServedPlate, Trace, trace
from yellow_ladle.core.production.trace_back import CameFrom, TraceBack
from yellow_ladle.files.book.piece import Id
from yellow_ladle.files.tables.spreadsheet import write_csv
from yellow_ladle.files.tables.trace_table import trace_rows

router = APIRouter(tags=["production"])


class TraceStep(BaseModel):
    """A batch that was reached; `column` is how many steps it is from what was asked about."""

    id: str
    name: str
    column: int
    after: list[str]
    grams: float | None
    surely: bool
    tool: str | None


class PlateOut(BaseModel):
    """A plate with its service; `portions` of which it is known."""

    service: str
    plate: Named
    need: str | None
    portions: float | None
    at: str | None
    surely: bool


class LeftOverOut(BaseModel):
    """What is left somewhere; quantity and unit are null where that is unknown."""

    name: str
    place: str
    quantity: float | None
    unit: str | None


class TraceOut(BaseModel):
    """Where something went, surely and possibly; `back` is what a batch or a plate came from."""

    name: str
    steps: list[TraceStep]
    plates: list[PlateOut]
    left: list[LeftOverOut]
    tubs: list[str]
    back: list[Named]


def _question(
    lot: Annotated[Id | None, Query()] = None,
    batch: Annotated[Id | None, Query()] = None,
    product: Annotated[Id | None, Query()] = None,
    maker: Annotated[str | None, Query(max_length=200)] = None,
) -> Asked:
    """What a trace is asked about: a lot, a batch, or a good, also of one maker."""
    return Asked(lot=lot, batch=batch, product=product, maker=maker)


TheQuestion = Annotated[Asked, Depends(_question)]


@router.get("/trace")
def trace_of(day: TheDay, asked: TheQuestion) -> TraceOut:
    """Where a lot, a batch or a good went, and what a batch came from."""
    name = _asked_name(day, asked)
    found, back = trace(day.reading, asked), _back(day, asked)
    return TraceOut(
        name=name,
        steps=_steps(day, found),
        plates=[
            *(_plate(day, each, surely=True) for each in found.served),
            *(_plate(day, each, surely=False) for each in found.possible_served),
            *(_open_plate(day, service, plate) for service, plate in found.possible_services),
        ],
        left=[_left(day, each) for each in found.left],
        tubs=list(found.tubs),
        back=came_from(day, back),
    )


@router.get("/trace/plates/{plate}")
def trace_of_plate(
    plate: Id, day: TheDay, service: Annotated[Id | None, Query()] = None
) -> TraceOut:
    """To whom a plate was served, in all services or in one, and what it came from."""
    known = day.reading.book.preparations.get(plate)
    served = [
        each
        for each in day.reading.timeline.plates
        if each.served.plate == plate and service in (None, each.service.id)
    ]
    if known is None and not served:
        raise Missing("plate", plate)
    return TraceOut(
        name=named(day.reading.book, plate).name,
        steps=[],
        plates=[
            _plate(day, ServedPlate(each.service.id, each.served, each.at), surely=True)
            for each in served
        ],
        left=[],
        tubs=[],
        back=came_from(day, TraceBack(day.reading).of_plates(served)),
    )


@router.get("/trace.csv", response_class=Response)
def trace_table(day: TheDay, asked: TheQuestion) -> Response:
    """The same as a table of key data elements, one row an event (21 CFR 1, Subpart S)."""
    _asked_name(day, asked)
    rows = trace_rows(day.reading, trace(day.reading, asked), _back(day, asked))
    headers = {"Content-Disposition": 'attachment; filename="trace.csv"'}
    return Response(write_csv(rows), media_type="text/csv; charset=utf-8", headers=headers)


def _back(day: Day, asked: Asked) -> CameFrom:
    return CameFrom() if asked.batch is None else TraceBack(day.reading).of(asked.batch)


def _asked_name(day: Day, asked: Asked) -> str:
    timeline, book = day.reading.timeline, day.reading.book
    if sum(each is not None for each in (asked.lot, asked.batch, asked.product)) != 1:
        raise BookRefused([Fault("lot", "name a lot, a batch or a good: one of the three")])
    if asked.lot is not None:
        if asked.lot not in timeline.lots:
            raise Missing("lot", asked.lot)
        return lot_name(day, asked.lot)
    if asked.batch is not None:
        if asked.batch not in timeline.batches:
            raise Missing("batch", asked.batch)
        return reference_name(day, asked.batch)
    product = book.products.get(asked.product or "")
    if product is None:
        raise Missing("product", asked.product or "")
    makers, name = {each.id: each.name for each in product.makers}, product.name
    return name if asked.maker is None else f"{name} of {makers.get(asked.maker, asked.maker)}"


def _steps(day: Day, found: Trace) -> list[TraceStep]:
    steps = [
        TraceStep(
            id=each.batch,
            name=reference_name(day, each.batch),
            column=len(each.via),
            after=list(each.via[1:2]),
            grams=each.grams,
            surely=True,
            tool=None,
        )
        for each in found.batches
    ]
    rest = [(id, None) for id in found.possible_batches] + list(found.by_tool)
    steps += [
        TraceStep(
            id=id,
            name=reference_name(day, id),
            column=1,
            after=[],
            grams=None,
            surely=False,
            tool=tool,
        )
        for id, tool in rest
    ]
    return steps


def _plate(day: Day, plate: ServedPlate, *, surely: bool) -> PlateOut:
    return PlateOut(
        service=_service_name(day, plate.service),
        plate=named(day.reading.book, plate.served.plate),
        need=plate.served.need,
        portions=plate.served.portions,
        at=plate.at,
        surely=surely,
    )


def _open_plate(day: Day, service: str, plate: str) -> PlateOut:
    return PlateOut(
        service=_service_name(day, service),
        plate=named(day.reading.book, plate),
        need=None,
        portions=None,
        at=None,
        surely=False,
    )


def _service_name(day: Day, id: str) -> str:
    service = next(each for each in day.reading.timeline.services if each.id == id)
    return f"{service.name or id}, {service.date}"


def _left(day: Day, left: LeftOver) -> LeftOverOut:
    batch = day.reading.timeline.batches[left.batch.partition("/")[0]]
    return LeftOverOut(
        name=reference_name(day, left.batch),
        place=batch.place,
        quantity=left.amount.quantity if left.amount else None,
        unit=left.amount.unit if left.amount else None,
    )
