"""Photographs of labels and recipes as text: a person compares the words with the picture."""

from base64 import b64encode
from collections.abc import Callable
from functools import partial
from typing import Annotated, TypeVar

from fastapi import APIRouter, Depends, HTTPException, Query, Request
from fastapi.concurrency import run_in_threadpool
from pydantic import BaseModel

from yellow_ladle.api.dependencies import TheBook
from yellow_ladle.api.larder.label_routes import known_language
from yellow_ladle.api.uploads import BODY, whole_body
from yellow_ladle.core.labels.label_reading import Word
from yellow_ladle.core.labels.languages import AUTO
from yellow_ladle.devices.picture_label import label_of_picture
from yellow_ladle.devices.picture_reader import (
    MISSING,
    UNREAD,
    PictureText,
    ReaderMissing,
    WordPlace,
    can_read,
    read_picture,
)
from yellow_ladle.files.picture import MAX_BYTES
from yellow_ladle.files.picture_frame import WHOLE, Frame

router = APIRouter(tags=["larder"])

T = TypeVar("T")


class PictureReaderOut(BaseModel):
    """Whether photographs can be read here; if not, what is missing."""

    ready: bool
    missing: str


class PictureWordOut(BaseModel):
    """A word of the text with its place in the picture, as shares of its sides."""

    start: int
    end: int
    place: WordPlace


class PictureTextOut(BaseModel):
    """The text of a photograph, and the words of it that have to be looked at.

    `questions` are about the picture: whether something in it was not read. `picture`: the part
    that was read, turned and flat, as a data URL; `words` tells where each word stands in it, and
    `turn` how far it was turned.
    """

    text: str
    language: str
    uncertain: list[Word]
    questions: list[str]
    picture: str
    words: list[PictureWordOut]
    turn: int


def _frame(
    turn: int = 0,
    corners: Annotated[list[float] | None, Query(min_length=8, max_length=8)] = None,
) -> Frame:
    return Frame(turn, tuple(corners) if corners else WHOLE)


TheFrame = Annotated[Frame, Depends(_frame)]


@router.get("/pictures/reader")
def picture_reader() -> PictureReaderOut:
    """Whether this machine can read photographs."""
    ready = can_read()
    return PictureReaderOut(ready=ready, missing="" if ready else MISSING)


@router.post("/labels/picture", openapi_extra=BODY)
async def read_label_picture(
    request: Request, now: TheBook, frame: TheFrame, language: str = AUTO
) -> PictureTextOut:
    """Reads a photograph of a label. Its text is only a text: a person compares it with the jar."""
    house_flags = now.reading.book.house_flags
    reader = partial(label_of_picture, frame=frame, house_flags=house_flags)
    read = await _read(request, language, reader)
    return _text(read.found, list(read.uncertain), list(read.questions), read.reading.language)


@router.post("/recipes/picture", openapi_extra=BODY)
async def read_recipe_picture(
    request: Request, frame: TheFrame, language: str = AUTO
) -> PictureTextOut:
    """Reads a photograph of a recipe, line by line. A person compares it before it goes on."""
    found = await _read(request, language, partial(read_picture, frame=frame, by_line=True))
    uncertain = [Word(word.text, word.start, word.end) for word in found.uncertain]
    return _text(found, uncertain, [UNREAD] if found.unread else [], found.language)


async def _read(request: Request, language: str, reader: Callable[[bytes, str], T]) -> T:
    """What a reader makes of the picture that was sent, beside whatever else is asked meanwhile."""
    known_language(language)
    content = await whole_body(request, MAX_BYTES)
    try:
        return await run_in_threadpool(reader, content, language)
    except ReaderMissing as error:
        raise HTTPException(501, str(error)) from error


def _text(
    found: PictureText, uncertain: list[Word], questions: list[str], language: str
) -> PictureTextOut:
    return PictureTextOut(
        text=found.text,
        language=language,
        uncertain=uncertain,
        questions=questions,
        picture=f"data:image/jpeg;base64,{b64encode(found.picture).decode()}",
        words=[
            PictureWordOut(start=word.start, end=word.end, place=word.place) for word in found.words
        ],
        turn=found.turn,
    )
