"""Recipes in and out: JSON-LD, Markdown, sheets to print, and the whole book as a table."""

from collections.abc import Mapping
from datetime import date
from typing import Annotated, Any, Literal

from fastapi import APIRouter, Query, Request, Response
from fastapi.concurrency import run_in_threadpool
from pydantic import BaseModel, Field

from yellow_ladle.api.dependencies import (
    TheBook,
    TheLedger,
    TheTextWorkers,
    preparation_or_missing,
)
from yellow_ladle.api.schemas.answer_forms import Named, PlainOut, named, plain_out
from yellow_ladle.api.uploads import BODY, whole_body
from yellow_ladle.core.cards.unsaid_words import UnsaidFood, unsaid_foods
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.recipes.recipe import Recipe
from yellow_ladle.core.recipes.review import Reviewed, ReviewedLine, review
from yellow_ladle.files.book.conversion import as_piece
from yellow_ladle.files.book.models import PreparationPiece, ProductPiece
from yellow_ladle.files.book.piece import Id, ItemId
from yellow_ladle.files.print.card_markdown import card_markdown
from yellow_ladle.files.recipes.any_recipe import recipes_of
from yellow_ladle.files.recipes.recipe_reader import MAX_BYTES
from yellow_ladle.files.recipes.recipe_writer import recipes_bytes
from yellow_ladle.files.tables.book_table import book_rows
from yellow_ladle.files.tables.spreadsheet import write_csv
from yellow_ladle.store.documents import Now

router = APIRouter(tags=["recipes"])

JSON_LD, MARKDOWN, CSV, PDF = (
    *("application/ld+json", "text/markdown; charset=utf-8"),
    *("text/csv; charset=utf-8", "application/pdf"),
)


def _answers(kind: str) -> dict[int | str, dict[str, Any]]:
    """How the description tells of a file of a kind."""
    is_json = kind == JSON_LD
    schema = {"type": "object"} if is_json else {"type": "string", "format": "binary"}
    return {200: {"content": {kind: {"schema": schema}}}}


class ReviewedLineOut(BaseModel):
    """One line as written; `sure` where its item was found without doubt, else `near` may help.

    `words` are its note once another item is chosen for it: all that it says besides its amount.
    """

    text: str
    words: str
    sure: bool
    near: list[Named]
    question: str
    approximate: bool


class ReviewedOut(BaseModel):
    """A recipe as it would be recorded, with the new products that its lines stand for.

    `plain`: what recording a new product as a plain single food would state, where it can be one.
    `kinds`: what each item that is there already is; another recipe that was pasted is a pot.
    """

    preparation: PreparationPiece
    names: dict[str, str]
    kinds: dict[str, Literal["pot", "jar"]]
    products: list[ProductPiece]
    plain: dict[str, PlainOut]
    lines: list[ReviewedLineOut]
    notes: list[str]


@router.post("/recipes/review", openapi_extra=BODY)
async def look_at_recipes(
    request: Request,
    ledger: TheLedger,
    workers: TheTextWorkers,
    name: Annotated[str, Query(max_length=200)] = "",
    taken: Annotated[list[Id] | None, Query(max_length=500)] = None,
) -> list[ReviewedOut]:
    """Reads recipes in text, Markdown, a page, JSON-LD, DOCX, ODT, PDF, CSV or XLSX, and matches
    them. Records nothing.

    `name` is what a recipe is called that does not say so; `taken` are the ids of those that are
    being looked at already.
    """
    content = await whole_body(request, MAX_BYTES)
    found = await workers.run(len(content), recipes_of, content, name)
    return await run_in_threadpool(_reviewed, found, ledger.now, taken or [])


class LinkedLineIn(BaseModel):
    """The words of a line, and the item that it is linked to."""

    words: Annotated[str, Field(max_length=4_000)]
    item: ItemId


class LinkedLinesIn(BaseModel):
    """Lines that are linked to items while their recipes are looked at."""

    lines: Annotated[list[LinkedLineIn], Field(max_length=5_000)]


@router.post("/recipes/unsaid")
async def unsaid(wanted: LinkedLinesIn, now: TheBook) -> list[list[UnsaidFood]]:
    """What lines name besides the items that they are linked to, in the order of the lines."""
    return await run_in_threadpool(_unsaid, wanted.lines, now.reading)


def _unsaid(lines: list[LinkedLineIn], reading: Reading) -> list[list[UnsaidFood]]:
    return [[*unsaid_foods(reading, line.words, line.item)] for line in lines]


@router.get("/recipes.jsonld", response_class=Response, responses=_answers(JSON_LD))
def all_recipes(
    now: TheBook, item: Annotated[list[str] | None, Query(max_length=500)] = None
) -> Response:
    """The cards of some pots, or of all, as schema.org recipes."""
    reading = now.reading
    wanted = item or sorted(reading.book.preparations)
    for id in wanted:
        preparation_or_missing(now, id)
    return _file(recipes_bytes(reading, wanted), JSON_LD, "recipes.jsonld")


@router.get("/book.csv", response_class=Response, responses=_answers(CSV))
def whole_book(now: TheBook) -> Response:
    """Every line of every pot as a table."""
    return _file(write_csv(book_rows(now.reading)), CSV, "book.csv")


@router.get("/cards/{id}/card.md", response_class=Response, responses=_answers(MARKDOWN))
def as_markdown(id: str, now: TheBook) -> Response:
    """One card as Markdown."""
    preparation_or_missing(now, id)
    text = card_markdown(now.reading, id)
    return _file(text.encode(), MARKDOWN, f"{id}.md")


@router.get("/cards/{id}/card.pdf", response_class=Response, responses=_answers(PDF))
def as_sheet(id: str, ledger: TheLedger, size: Literal["A4", "A5"] = "A4") -> Response:
    """One card as a sheet to print."""
    preparation_or_missing(ledger.now, id)
    from yellow_ladle.files.print.card_pdf import card_pdf  # fonts and drawing: 12 MB

    content = card_pdf(ledger.now.reading, id, size, date.fromisoformat(ledger.today))
    return _file(content, PDF, f"{id}-{size.lower()}.pdf")


def _file(content: bytes, kind: str, name: str) -> Response:
    headers = {"Content-Disposition": f'attachment; filename="{name}"'}
    return Response(content, media_type=kind, headers=headers)


def _reviewed(recipes: list[Recipe], now: Now, taken: list[str]) -> list[ReviewedOut]:
    found = review(now.reading.book, recipes, taken)
    batch = {entry.preparation.id: entry.preparation.name for entry in found}
    return [_review(now.reading, entry, batch) for entry in found]


def _review(reading: Reading, found: Reviewed, batch: Mapping[str, str]) -> ReviewedOut:
    names = {product.id: product.name for product in found.products}
    flags = reading.book.flags
    plain = {product.id: plain_out(product, flags) for product in found.products}
    for line in found.preparation.lines:
        names.setdefault(line.item, batch.get(line.item) or _name(reading, line.item))
    return ReviewedOut(
        preparation=as_piece(PreparationPiece, found.preparation),
        names=names,
        kinds=_kinds(reading, found, batch),
        products=[as_piece(ProductPiece, product) for product in found.products],
        plain={id: told for id, told in plain.items() if told is not None},
        lines=[_line(reading, line, batch) for line in found.lines],
        notes=list(found.notes),
    )


def _kinds(
    reading: Reading, found: Reviewed, batch: Mapping[str, str]
) -> dict[str, Literal["pot", "jar"]]:
    items = {line.item for line in found.preparation.lines}
    items |= {match.item for line in found.lines for match in line.near}
    jars = {item for item in items if item in reading.book.products}
    pots = {item for item in items - jars if item in batch or item in reading.masks}
    return {**dict.fromkeys(sorted(jars), "jar"), **dict.fromkeys(sorted(pots), "pot")}


def _line(reading: Reading, line: ReviewedLine, batch: Mapping[str, str]) -> ReviewedLineOut:
    return ReviewedLineOut(
        text=line.text,
        words=line.words,
        sure=line.sure,
        near=[
            Named(id=match.item, name=batch[match.item])
            if match.item in batch
            else named(reading.book, match.item)
            for match in line.near
        ],
        question=line.question,
        approximate=line.understood.approximate,
    )


def _name(reading: Reading, item: str) -> str:
    return reading.book.name(item) if item in reading.masks else item
