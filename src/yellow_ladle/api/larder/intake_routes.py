"""Taking goods in from tables and suppliers' sheets: looked at first, recorded when confirmed."""

import json
from typing import Literal

from fastapi import APIRouter, Request, Response
from fastapi.concurrency import run_in_threadpool
from pydantic import BaseModel

from yellow_ladle.api.dependencies import TheActor, TheBook, TheLedger
from yellow_ladle.api.uploads import BODY, whole_body
from yellow_ladle.core.book.ids import free_id
from yellow_ladle.core.book.maker import Evidence
from yellow_ladle.files.book.conversion import as_piece
from yellow_ladle.files.book.models import ProductPiece
from yellow_ladle.files.supplier_sheet import (
    MAX_BYTES,
    levels_of,
    product_of,
    read_sheet,
    sheet_content,
)
from yellow_ladle.files.tables import goods_table, spreadsheet
from yellow_ladle.store.documents import Now

router = APIRouter(prefix="/intake", tags=["intake"])

FILE = {"content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}}}


class TakenOut(BaseModel):
    """One product as it would be recorded; `seen` is the version that it would change."""

    row: int
    product: ProductPiece
    seen: int | None


class IntakeOut(BaseModel):
    """What a file comes to. Nothing is recorded yet."""

    columns: list[goods_table.Column]
    rows: list[TakenOut]
    faults: list[goods_table.CellFault]


@router.post("/table", openapi_extra=BODY)
async def look_at_table(request: Request, ledger: TheLedger, actor: TheActor) -> IntakeOut:
    """Reads a CSV or XLSX table: its columns by name, its products, its faults. Records nothing."""
    content = await whole_body(request, spreadsheet.MAX_BYTES)
    return await run_in_threadpool(_table, content, ledger.now, actor.person)


@router.post("/sheet", openapi_extra=BODY)
async def look_at_sheet(request: Request, ledger: TheLedger, actor: TheActor) -> IntakeOut:
    """Reads a supplier's sheet with allergen codes. A code that is not known is a fault."""
    content = await whole_body(request, MAX_BYTES)
    return await run_in_threadpool(_sheet, content, ledger.now, actor.person)


@router.get("/template.{form}", response_class=Response, responses={200: FILE})
def template(form: Literal["csv", "xlsx"], now: TheBook) -> Response:
    """An empty table with every heading that is understood, and one made-up row."""
    rows = goods_table.template(now.reading.book.flags)
    content = spreadsheet.write_csv(rows) if form == "csv" else spreadsheet.write_xlsx(rows)
    name = f'attachment; filename="larder.{form}"'
    headers = {"Content-Disposition": name}
    return Response(content, media_type="application/octet-stream", headers=headers)


@router.get("/larder.{form}", response_class=Response, responses={200: FILE})
def give_out(form: Literal["csv", "xlsx", "json"], now: TheBook) -> Response:
    """The larder as a table that can be taken in again, or as a sheet with allergen codes."""
    reading = now.reading
    book = reading.book
    products = [book.products[id] for id in sorted(book.products)]
    headers = {"Content-Disposition": f'attachment; filename="larder.{form}"'}
    if form == "json":
        every = [flag.id for flag in book.flags]
        levels = ({flag: reading.level(product.id, flag) for flag in every} for product in products)
        pairs = zip(products, levels, strict=True)
        sheet = sheet_content(pairs, book.kitchen.name, str(reading.on))
        content = json.dumps(sheet, ensure_ascii=False, indent=1).encode()
    else:
        rows = goods_table.goods_rows(products, book.flags)
        content = spreadsheet.write_csv(rows) if form == "csv" else spreadsheet.write_xlsx(rows)
    return Response(content, media_type="application/octet-stream", headers=headers)


def _table(content: bytes, now: Now, person: str | None) -> IntakeOut:
    book = now.reading.book
    found = goods_table.read_goods(
        table=spreadsheet.read_table(content),
        flags=book.flags,
        products=book.products,
        taken=now.versions,
        evidence=Evidence("supplier", now.reading.on, person),
    )
    return IntakeOut(
        columns=list(found.columns),
        rows=[
            TakenOut(row=row, product=as_piece(ProductPiece, made), seen=now.versions.get(made.id))
            for row, made in zip(found.rows, found.products, strict=True)
        ],
        faults=list(found.faults),
    )


def _sheet(content: bytes, now: Now, person: str | None) -> IntakeOut:
    sheet = read_sheet(content)
    taken, rows, faults = set(now.versions), [], []
    for number, good in enumerate(sheet.goods, 1):
        id = free_id(good.name, taken)
        taken.add(id)
        rows.append(
            TakenOut(
                row=number,
                product=as_piece(ProductPiece, product_of(sheet, good, id, person)),
                seen=None,
            )
        )
        faults += [
            goods_table.CellFault(
                row=number, column="allergens", message=f'the code "{code}" is not known here'
            )
            for code in levels_of(good).unknown
        ]
    return IntakeOut(columns=[], rows=rows, faults=faults)
