"""Errors as problem details (RFC 9457), in sentences: what happened, what was kept, what to do."""

from http import HTTPStatus
from typing import Any, TypeAlias

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel, ConfigDict
from starlette.exceptions import HTTPException

from yellow_ladle.api.headers import HEADERS
from yellow_ladle.api.schemas.answer_forms import named
from yellow_ladle.api.text_workers import TextTooSlow
from yellow_ladle.core.book.book import Book, Kitchen, Preparation
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.rule_setting import Ruling
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.files.book.conversion import as_piece
from yellow_ladle.files.book.fault_words import sentence_of
from yellow_ladle.files.book.models import (
    KitchenPiece,
    NeedPiece,
    PreparationPiece,
    ProductPiece,
    ToolPiece,
)
from yellow_ladle.files.book.rule_pieces import RulingPiece, ruling_piece
from yellow_ladle.store.file.file_faults import DiskFull, FileFault
from yellow_ladle.store.optimistic_lock import Stale
from yellow_ladle.store.write_queue import Busy

MEDIA_TYPE = "application/problem+json"
RETRY_AFTER = 2
"""Seconds after which a refused write may go through."""


Content: TypeAlias = (
    ProductPiece | PreparationPiece | KitchenPiece | ToolPiece | NeedPiece | RulingPiece
)


class Standing(BaseModel):
    """What stands in place of what a writer saw; without content where it was removed.

    `names` are those of the items that its lines name.
    """

    id: str
    version: int | None
    content: Content | None = None
    names: dict[str, str] = {}


class Problem(BaseModel):
    """A problem detail. `faults` lists what is wrong with the input, `current` what stands now."""

    model_config = ConfigDict(
        json_schema_extra={
            "example": {
                "type": "about:blank",
                "title": "Not found",
                "status": 404,
                "detail": 'There is no pot "besamel".',
            }
        }
    )

    type: str = "about:blank"
    title: str
    status: int
    detail: str
    faults: list[Fault] | None = None
    current: Standing | None = None
    yours: Any | None = None


class Missing(Exception):
    """Something that was asked for by its id and is not there."""

    def __init__(self, thing: str, id: str) -> None:
        super().__init__(f'There is no {thing} "{id}". It may have been renamed or removed.')


PROBLEMS: dict[int | str, dict[str, Any]] = {
    status: {"model": Problem, "content": {MEDIA_TYPE: {}}, "description": text}
    for status, text in (
        (400, "What was sent is no JSON, or is nested too deep"),
        (403, "A page that is not the kitchen's own wanted to write"),
        (404, "No such thing"),
        (409, "Changed by somebody else in the meantime; both states are in the answer"),
        (413, "More was sent than is taken"),
        (421, "The kitchen does not go by that name"),
        (422, "The input cannot stand; every fault is listed"),
        (501, "A part of the machine is missing, such as the reader of photographs"),
        (503, "The kitchen's file is busy or cannot be written just now"),
        (507, "The disk is full"),
    )
}


def add_handlers(app: FastAPI) -> None:
    """Makes every error of the application a problem detail."""
    app.add_exception_handler(Missing, _missing)
    app.add_exception_handler(BookRefused, _refused)
    app.add_exception_handler(TextTooSlow, _too_slow)
    app.add_exception_handler(Stale, _stale)
    app.add_exception_handler(Busy, _not_now)
    app.add_exception_handler(FileFault, _not_now)
    app.add_exception_handler(RequestValidationError, _invalid)
    app.add_exception_handler(HTTPException, _http)
    app.add_exception_handler(Exception, _unforeseen)


def _answer(problem: Problem, headers: Any = None) -> JSONResponse:
    content = problem.model_dump(exclude_none=True, by_alias=True)
    return JSONResponse(content, problem.status, headers=headers, media_type=MEDIA_TYPE)


async def _missing(_: Request, error: Exception) -> JSONResponse:
    return _answer(Problem(title="Not found", status=404, detail=str(error)))


async def _refused(_: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, BookRefused)
    detail = " ".join(f"{_sentence(fault.message)}" for fault in error.faults)
    detail += " Nothing was changed."
    return _answer(
        Problem(title="This cannot stand", status=422, detail=detail, faults=error.faults)
    )


async def _too_slow(_: Request, error: Exception) -> JSONResponse:
    return _answer(Problem(title="It takes too long", status=422, detail=str(error)))


async def _stale(request: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, Stale)
    standing = _content(error.current)
    names = _names(request.app.state.ledger.now.reading.book, error.current)
    current = Standing(id=error.item, version=error.version, content=standing, names=names)
    done = "removed" if error.current is None else "changed"
    detail = f"{error.name} was {done} by somebody else in the meantime."
    detail += " Nothing was overwritten; what you sent is kept here. Look at both and record again."
    yours = await _body(request)
    problem = Problem(
        title="Changed in the meantime", status=409, detail=detail, current=current, yours=yours
    )
    return _answer(problem)


def _names(book: Book, standing: object) -> dict[str, str]:
    if not isinstance(standing, Preparation):
        return {}
    return {line.item: named(book, line.item).name for line in standing.lines}


def _content(standing: object) -> Content | None:
    """What stands as a piece that the client can show beside what was sent, where there is one."""
    match standing:
        case Product():
            return as_piece(ProductPiece, standing)
        case Preparation():
            return as_piece(PreparationPiece, standing)
        case Kitchen():
            return as_piece(KitchenPiece, standing)
        case Tool():
            return as_piece(ToolPiece, standing)
        case Need():
            return as_piece(NeedPiece, standing)
        case Ruling():
            return ruling_piece(standing)
        case _:
            return None


async def _body(request: Request) -> Any:
    try:
        return await request.json()
    except ValueError:
        return None


async def _not_now(_: Request, error: Exception) -> JSONResponse:
    status = HTTPStatus.INSUFFICIENT_STORAGE
    if not isinstance(error, DiskFull):
        status = HTTPStatus.SERVICE_UNAVAILABLE
    problem = Problem(title="Not recorded", status=status, detail=str(error))
    return _answer(problem, {"Retry-After": str(RETRY_AFTER)})


async def _invalid(_: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, RequestValidationError)
    faults = [
        Fault(
            ".".join(str(part) for part in entry["loc"]),
            sentence_of(entry, str(entry["loc"][-1])),
        )
        for entry in error.errors()
    ]
    detail = f"{faults[0].place}: {_sentence(faults[0].message)} Nothing was changed."
    return _answer(Problem(title="Not understood", status=422, detail=detail, faults=faults))


async def _http(_: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, HTTPException)
    title, detail = HTTPStatus(error.status_code).phrase, str(error.detail)
    # FastAPI answers so where the body is no JSON at all, or nested deeper than Python reads it.
    if error.status_code == HTTPStatus.BAD_REQUEST and error.__cause__ is not None:
        detail = "What was sent cannot be read as JSON, or is nested too deep. Nothing was changed."
    problem = Problem(title=title, status=error.status_code, detail=detail)
    return _answer(problem, error.headers)


async def _unforeseen(_: Request, error: Exception) -> JSONResponse:
    detail = (
        f"Something went wrong that nobody foresaw ({type(error).__name__})."
        " What was recorded before is kept. Try again; if it stays, restart the application."
    )
    # This answer is made outside of all that puts headers on the others.
    return _answer(Problem(title="Unforeseen", status=500, detail=detail), HEADERS)


def _sentence(message: str) -> str:
    text = message[:1].upper() + message[1:]
    return text if text.endswith((".", "?", "!")) else f"{text}."
