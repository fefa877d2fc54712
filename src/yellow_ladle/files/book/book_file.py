"""Reading and writing the book file."""

import json
from collections.abc import Callable
from dataclasses import replace
from operator import attrgetter
from pathlib import Path
from typing import Any, TypeVar

from pydantic import ValidationError

from yellow_ladle.core.book.book import Book, ByProduct, Kitchen, Line, Preparation, Step
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.rule_setting import Ruling
from yellow_ladle.core.book.sign_off import SignOff
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.checks.book_faults import Pieces, faults
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.files.book import rule_pieces
from yellow_ladle.files.book.conversion import as_value, content
from yellow_ladle.files.book.fault_words import fault_of
from yellow_ladle.files.book.json_object import json_object
from yellow_ladle.files.book.models import (
    FORMAT,
    VERSION,
    BookPiece,
    ByProductPiece,
    FlagPiece,
    KitchenPiece,
    LinePiece,
    NeedPiece,
    PreparationPiece,
    ProductPiece,
    SignOffPiece,
    StepPiece,
    ToolPiece,
)
from yellow_ladle.files.book.piece import Piece
from yellow_ladle.files.book.rule_pieces import RulingPiece, ruling_content

MAX_BYTES = 64 * 1024 * 1024

P = TypeVar("P", bound=Piece)
V = TypeVar("V")


def read_book(path: Path) -> Book:
    """The book in a file. Raises BookRefused with every fault; OSError where it cannot be read."""
    if path.stat().st_size > MAX_BYTES:
        raise BookRefused([Fault("", f"{path.name} is over 64 MB; a book file may be up to 64 MB")])
    return parse_book(path.read_bytes())


def parse_book(raw_bytes: bytes) -> Book:
    """The book in the bytes of a book file. Raises BookRefused with every fault found."""
    if len(raw_bytes) > MAX_BYTES:
        raise BookRefused([Fault("", "the book is over 64 MB; a book file may be up to 64 MB")])
    raw, found = json_object(raw_bytes, "a book file")
    reader = _Reader(found)
    loose = reader.book(raw)
    every = [*reader.faults, *faults(loose)]
    if every:
        raise BookRefused(every)
    return loose.book()


def write_book(book: Book) -> bytes:
    """The book file of a book: the same content always gives the same bytes."""
    whole = {
        "format": FORMAT,
        "version": VERSION,
        "kitchen": content(book.kitchen),
        "flags": [
            {"id": flag.id, "name": flag.name, "group": flag.group}
            for flag in sorted(book.house_flags, key=lambda flag: flag.id)
        ],
        "products": [content(book.products[id]) for id in sorted(book.products)],
        "preparations": [content(book.preparations[id]) for id in sorted(book.preparations)],
        **_later_parts(book),
    }
    text = json.dumps(whole, ensure_ascii=False, indent=1, allow_nan=False)
    return (text + "\n").encode()


def _later_parts(book: Book) -> dict[str, Any]:
    """What a book holds besides goods and pots, each only where there is some."""
    parts = {
        "tools": [content(tool) for tool in sorted(book.tools, key=attrgetter("name"))],
        "needs": [content(need) for need in sorted(book.needs, key=attrgetter("id"))],
        "sign_offs": [
            {"preparation": id, **content(made)} for id, made in sorted(book.sign_offs.items())
        ],
        "rules": [ruling_content(ruling) for ruling in book.rulings],
    }
    return {key: listed for key, listed in parts.items() if listed}


def json_schema() -> str:
    """The JSON Schema of the book file, as kept in docs/."""
    return json.dumps(BookPiece.model_json_schema(), indent=2, sort_keys=True) + "\n"


class _Reader:
    """Reads a book piece by piece, so that a fault in one does not hide those in the others.

    A piece that cannot be read gets a stand-in with an empty id, or with its own where that is
    sound, so that what refers to it is not called missing as well.
    """

    def __init__(self, found: list[Fault]) -> None:
        self.faults = found

    def book(self, raw: dict[str, Any]) -> Pieces:

        parts = set(BookPiece.model_fields) - {"format", "version"}
        stand_in = {"kitchen": {"name": "-", "regime": "eu-14"}}
        self._piece(BookPiece, {k: v for k, v in raw.items() if k not in parts} | stand_in, "")
        kitchen = self._piece(KitchenPiece, raw.get("kitchen"), "kitchen")
        return Pieces(
            kitchen=as_value(Kitchen, kitchen) if kitchen else Kitchen("", ""),
            house_flags=self._each(raw, "flags", self._flag),
            products=self._each(raw, "products", self._product),
            preparations=self._each(raw, "preparations", self._preparation),
            tools=self._values(raw, "tools", ToolPiece, Tool("")),
            needs=self._values(raw, "needs", NeedPiece, Need("", "")),
            sign_offs=dict(made for made in self._each(raw, "sign_offs", self._sign_off) if made),
            rulings=self._each(raw, "rules", self._ruling),
        )

    def _flag(self, raw: Any, place: str) -> Flag:
        piece = self._piece(FlagPiece, raw, place)
        return as_value(Flag, piece) if piece else Flag(_id(raw), "", "house")

    def _sign_off(self, raw: Any, place: str) -> tuple[str, SignOff] | None:
        piece = self._piece(SignOffPiece, raw, place)
        return (piece.preparation, as_value(SignOff, piece)) if piece else None

    def _ruling(self, raw: Any, place: str) -> Ruling:
        piece = self._piece(RulingPiece, raw, place)
        return rule_pieces.ruling(piece) if piece else Ruling("")

    def _product(self, raw: Any, place: str) -> Product:
        piece = self._piece(ProductPiece, raw, place)
        return as_value(Product, piece) if piece else Product(_id(raw), "", "")

    def _preparation(self, raw: Any, place: str) -> Preparation:
        parts = ("lines", "by_products", "method")
        if not isinstance(raw, dict):
            self._piece(PreparationPiece, raw, place)
            return Preparation("", "", "")
        bare = {key: value for key, value in raw.items() if key not in parts}
        piece = self._piece(PreparationPiece, bare, place)
        stand_in, blank = Preparation(_id(raw), "", "component"), ByProduct("", "")
        return replace(
            as_value(Preparation, piece) if piece else stand_in,
            lines=tuple(self._each(raw, "lines", self._line, place)),
            by_products=tuple(
                self._values(
                    raw=raw, key="by_products", model=ByProductPiece, blank=blank, within=place
                )
            ),
            method=tuple(
                self._values(raw=raw, key="method", model=StepPiece, blank=Step(""), within=place)
            ),
        )

    def _line(self, raw: Any, place: str) -> Line:
        piece = self._piece(LinePiece, raw, place)
        return as_value(Line, piece) if piece else Line("", 0, "", "")

    def _values(
        self, raw: dict[str, Any], key: str, model: type[Piece], blank: V, within: str = ""
    ) -> list[V]:
        """The entries of a list; a blank stands where one cannot be read, so that places hold."""

        def read(entry: Any, place: str) -> V:
            piece = self._piece(model, entry, place)
            return blank if piece is None else as_value(type(blank), piece)

        return self._each(raw, key, read, within)

    def _each(
        self, raw: dict[str, Any], key: str, read: Callable[[Any, str], V], within: str = ""
    ) -> list[V]:
        place = f"{within}.{key}" if within else key
        entries = raw.get(key, [])
        if not isinstance(entries, list):
            self.faults.append(Fault(place, "a list is wanted here, in square brackets"))
            return []
        return [read(entry, f"{place}[{index}]") for index, entry in enumerate(entries)]

    def _piece(self, model: type[P], raw: Any, place: str) -> P | None:
        try:
            return model.model_validate(raw)
        except ValidationError as error:
            self.faults += [fault_of(entry, model, place) for entry in error.errors()]
            return None


def _id(raw: Any) -> str:
    id = raw.get("id") if isinstance(raw, dict) else None
    return id if isinstance(id, str) else ""
