"""Reading and writing the book file."""

import json
from collections.abc import Callable, Sequence
from pathlib import Path
from typing import Any, TypeVar

from pydantic import BaseModel, ValidationError

from yellow_ladle.core.book import Book, Kitchen, Line, Preparation
from yellow_ladle.core.fault import BookRefused, Fault
from yellow_ladle.core.faults import Pieces, faults
from yellow_ladle.core.flags import Flag
from yellow_ladle.core.need import Need
from yellow_ladle.core.product import Maker, Product
from yellow_ladle.core.ruling import Ruling
from yellow_ladle.core.sign_off import SignOff
from yellow_ladle.core.tools import Tool
from yellow_ladle.files import pieces, product_pieces, rule_pieces
from yellow_ladle.files.book_models import (
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
from yellow_ladle.files.piece import Piece
from yellow_ladle.files.rule_pieces import RulingPiece
from yellow_ladle.files.wording import fault_of

LATER = (
    *("evidence", "papers", "label", "pack", "code", "makers", "in_use", "parts", "bag"),
    "price_per_kg",
)
"""Fields of a product that are written only where they say something."""
LATER_OF_POTS = (
    *("otherwise", "evidence", "variant_of", "class", "colour", "yield"),
    *("density_g_per_ml", "portions", "pan", "batches", "way", "ways", "retired", "not_in_it"),
)
"""Fields of a preparation that are written only where they say something."""
MOST_BYTES = 64 * 1024 * 1024

P = TypeVar("P", bound=Piece)
V = TypeVar("V")


def read_book(path: Path) -> Book:
    """The book in a file. Raises BookRefused with every fault; OSError where it cannot be read."""
    if path.stat().st_size > MOST_BYTES:
        raise BookRefused([Fault("", f"{path.name} is over 64 MB; a book file may be up to 64 MB")])
    return parse_book(path.read_bytes())


def parse_book(content: bytes) -> Book:
    """The book in the bytes of a book file. Raises BookRefused with every fault found."""
    if len(content) > MOST_BYTES:
        raise BookRefused([Fault("", "the book is over 64 MB; a book file may be up to 64 MB")])
    raw, found = _json(content)
    if not isinstance(raw, dict):
        raise BookRefused([*found, Fault("", "a book file is one JSON object, in braces")])
    reader = _Reader(found)
    loose = reader.book(raw)
    every = [*reader.faults, *faults(loose)]
    if every:
        raise BookRefused(every)
    return Book.of(
        loose.kitchen,
        loose.products,
        loose.preparations,
        loose.house_flags,
        loose.tools,
        loose.needs,
        loose.sign_offs,
        loose.rulings,
    )


def write_book(book: Book) -> bytes:
    """The book file of a book: the same content always gives the same bytes."""
    content = {
        "format": FORMAT,
        "version": VERSION,
        "kitchen": kitchen_content(book.kitchen),
        "flags": [
            {"id": flag.id, "name": flag.name, "group": flag.group}
            for flag in sorted(book.house_flags, key=lambda flag: flag.id)
        ],
        "products": [product_content(book.products[id]) for id in sorted(book.products)],
        "preparations": [
            preparation_content(book.preparations[id]) for id in sorted(book.preparations)
        ],
        **_later_parts(book),
    }
    text = json.dumps(content, ensure_ascii=False, indent=1, allow_nan=False)
    return (text + "\n").encode()


def kitchen_content(kitchen: Kitchen) -> dict[str, Any]:
    """The kitchen as the book file holds it; people and the second look only where they differ."""
    return _dumped(pieces.kitchen_piece(kitchen), exclude_defaults=True)


def _later_parts(book: Book) -> dict[str, Any]:
    """What a book holds besides goods and pots, each only where there is some."""
    parts: dict[str, Sequence[BaseModel]] = {
        "tools": [pieces.tool_piece(tool) for tool in sorted(book.tools, key=lambda t: t.name)],
        "needs": [pieces.need_piece(need) for need in sorted(book.needs, key=lambda n: n.id)],
        "sign_offs": [pieces.sign_off_piece(*made) for made in sorted(book.sign_offs.items())],
        "rules": [rule_pieces.ruling_piece(ruling) for ruling in book.rulings],
    }
    return {
        key: [_dumped(piece, exclude_defaults=True) for piece in listed]
        for key, listed in parts.items()
        if listed
    }


def product_content(product: Product) -> dict[str, Any]:
    """A product as the book file holds it: every field, evidence only where there is some."""
    piece = product_pieces.product_piece(product)
    content = _dumped(piece)
    content["statements"] = dict(sorted(content["statements"].items()))
    content["makers"] = [maker_content(maker) for maker in product.makers]
    content["parts"] = [_dumped(part, exclude_defaults=True) for part in piece.parts]
    content["papers"] = {
        kind: _dumped(paper, exclude_defaults=True) for kind, paper in sorted(piece.papers.items())
    }
    # A bag that is empty and was never emptied is still a bag.
    content["bag"] = piece.bag and piece.bag.model_dump(exclude_defaults=True)
    bag = {} if content["bag"] is None else {"bag": content.pop("bag")}
    return _without_empty(content, *LATER) | bag


def maker_content(maker: Maker) -> dict[str, Any]:
    """A maker as the book file holds it, without what stands at its default."""
    content = _dumped(product_pieces.maker_piece(maker), exclude_defaults=True)
    if "statements" in content:
        content["statements"] = dict(sorted(content["statements"].items()))
    return content


def preparation_content(preparation: Preparation) -> dict[str, Any]:
    """A preparation as the book file holds it, with its lines without fields at their defaults."""
    piece = pieces.preparation_piece(preparation)
    content = _dumped(piece)
    content["statements"] = dict(sorted(content["statements"].items()))
    content["lines"] = [_dumped(line, exclude_defaults=True) for line in piece.lines]
    content["method"] = [_dumped(step, exclude_defaults=True) for step in piece.method]
    content["yield"] = piece.yield_ and _dumped(piece.yield_, exclude_defaults=True)
    content["pan"] = piece.pan and _dumped(piece.pan, exclude_defaults=True)
    content["ways"] = [_dumped(way, exclude_defaults=True) for way in piece.ways]
    return _without_empty(content, *LATER_OF_POTS)


def json_schema() -> str:
    """The JSON Schema of the book file, as kept in docs/."""
    return json.dumps(BookPiece.model_json_schema(), indent=2, sort_keys=True) + "\n"


def _dumped(piece: BaseModel, *, exclude_defaults: bool = False) -> dict[str, Any]:
    content = piece.model_dump(by_alias=True, exclude_defaults=exclude_defaults)
    if content.get("evidence"):
        content["evidence"] = {
            flag: {key: part for key, part in row.items() if part is not None}
            for flag, row in sorted(content["evidence"].items())
        }
    return {key: _plain(value) for key, value in content.items()}


def _plain(value: Any) -> Any:
    """Whole amounts without a decimal point, however they were typed."""
    if isinstance(value, float) and value.is_integer() and abs(value) < 1e15:
        return int(value)
    if isinstance(value, dict):
        return {key: _plain(part) for key, part in value.items()}
    if isinstance(value, list):
        return [_plain(part) for part in value]
    return value


def _without_empty(content: dict[str, Any], *keys: str) -> dict[str, Any]:
    # A zero is no emptiness: water costs nothing, and that is known.
    empty: tuple[Any, ...] = (None, "", [], {})
    return {key: value for key, value in content.items() if value not in empty or key not in keys}


def _json(content: bytes) -> tuple[Any, list[Fault]]:
    """The JSON in the bytes, with a fault for every key that is given twice in one object."""
    found: list[Fault] = []

    def once(pairs: list[tuple[str, Any]]) -> dict[str, Any]:
        seen: dict[str, Any] = {}
        for key, value in pairs:
            if key in seen:
                message = f'the field "{key}" is given twice in one object; which one holds?'
                found.append(Fault(key, message))
            seen[key] = value
        return seen

    try:
        return json.loads(content.decode("utf-8-sig"), object_pairs_hook=once), found
    except json.JSONDecodeError as error:
        place = f"line {error.lineno}, column {error.colno}"
        raise BookRefused([Fault(place, f"not JSON: {error.msg}")]) from error
    except UnicodeDecodeError as error:
        raise BookRefused([Fault(f"byte {error.start}", "not UTF-8 text")]) from error
    except RecursionError as error:
        raise BookRefused([Fault("", "nested too deeply to be a book file")]) from error
    except ValueError as error:
        raise BookRefused([Fault("", f"not JSON that can be read: {error}")]) from error


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
            pieces.kitchen(kitchen) if kitchen else Kitchen("", ""),
            self._each(raw, "flags", self._flag),
            self._each(raw, "products", self._product),
            self._each(raw, "preparations", self._preparation),
            [tool for tool in self._each(raw, "tools", self._tool) if tool],
            [need for need in self._each(raw, "needs", self._need) if need],
            dict(made for made in self._each(raw, "sign_offs", self._sign_off) if made),
            [made for made in self._each(raw, "rules", self._ruling) if made],
        )

    def _flag(self, raw: Any, place: str) -> Flag:
        piece = self._piece(FlagPiece, raw, place)
        return pieces.house_flag(piece) if piece else Flag(_id(raw), "", "house")

    def _tool(self, raw: Any, place: str) -> Tool | None:
        piece = self._piece(ToolPiece, raw, place)
        return pieces.tool(piece) if piece else None

    def _need(self, raw: Any, place: str) -> Need | None:
        piece = self._piece(NeedPiece, raw, place)
        return pieces.need(piece) if piece else None

    def _sign_off(self, raw: Any, place: str) -> tuple[str, SignOff] | None:
        piece = self._piece(SignOffPiece, raw, place)
        return (piece.preparation, pieces.sign_off(piece)) if piece else None

    def _ruling(self, raw: Any, place: str) -> Ruling | None:
        piece = self._piece(RulingPiece, raw, place)
        return rule_pieces.ruling(piece) if piece else None

    def _product(self, raw: Any, place: str) -> Product:
        piece = self._piece(ProductPiece, raw, place)
        return product_pieces.product(piece) if piece else Product(_id(raw), "", "")

    def _preparation(self, raw: Any, place: str) -> Preparation:
        parts = ("lines", "by_products", "method")
        if not isinstance(raw, dict):
            self._piece(PreparationPiece, raw, place)
            return Preparation("", "", "")
        bare = {key: value for key, value in raw.items() if key not in parts}
        piece = self._piece(PreparationPiece, bare, place)
        stand_in = Preparation(_id(raw), "", "component")
        value = pieces.preparation(piece) if piece else stand_in
        lines = self._each(raw, "lines", self._line, place)
        by_products = self._each(raw, "by_products", self._by_product, place)
        steps = self._each(raw, "method", self._step, place)
        return Preparation(
            **{
                **{key: getattr(value, key) for key in value.__dataclass_fields__},
                "lines": tuple(lines),
                "by_products": tuple(pieces.by_product(part) for part in by_products if part),
                "method": tuple(pieces.step(step) for step in steps if step),
            }
        )

    def _line(self, raw: Any, place: str) -> Line:
        piece = self._piece(LinePiece, raw, place)
        return pieces.line(piece) if piece else Line("", 0, "", "")

    def _by_product(self, raw: Any, place: str) -> ByProductPiece | None:
        return self._piece(ByProductPiece, raw, place)

    def _step(self, raw: Any, place: str) -> StepPiece | None:
        return self._piece(StepPiece, raw, place)

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
