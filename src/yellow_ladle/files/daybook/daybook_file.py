"""Reading and writing the daybook file."""

import json
from collections.abc import Mapping
from operator import attrgetter
from pathlib import Path
from typing import Any

from pydantic import ValidationError

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.production.batch import Batch
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.daybook_faults import DaybookFaults
from yellow_ladle.core.production.instants import instant
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
from yellow_ladle.files.book.conversion import as_value, content
from yellow_ladle.files.book.fault_words import fault_of
from yellow_ladle.files.book.json_object import json_object
from yellow_ladle.files.book.piece import Piece
from yellow_ladle.files.daybook import entry_pieces
from yellow_ladle.files.daybook.entry_pieces import FORMAT, VERSION, DaybookPiece

MAX_BYTES = 512 * 1024 * 1024

LISTS: Mapping[str, tuple[type[Piece], type]] = {
    "lots": (entry_pieces.LotPiece, Lot),
    "batches": (entry_pieces.BatchPiece, Batch),
    "tubs": (entry_pieces.TubPiece, Tub),
    "labels": (entry_pieces.PrintedLabelPiece, PrintedLabel),
    "moves": (entry_pieces.MovePiece, Move),
    "discards": (entry_pieces.DiscardPiece, Discard),
    "counts": (entry_pieces.CountPiece, Count),
    "fills": (entry_pieces.FillPiece, Fill),
    "washes": (entry_pieces.WashPiece, Wash),
    "uses": (entry_pieces.ItemUsePiece, ItemUse),
    "temperatures": (entry_pieces.TemperaturePiece, Temperature),
    "recalls": (entry_pieces.RecallPiece, Recall),
    "services": (entry_pieces.ServicePiece, Service),
    "incidents": (entry_pieces.IncidentPiece, Incident),
}
"""Each list of the file with the model of its entries and their value."""

BY_TIME: Mapping[str, tuple[str, str]] = {
    "labels": ("printed", "tub"),
    **dict.fromkeys(("moves", "discards", "counts"), ("at", "of")),
    "fills": ("at", "bag"),
    **dict.fromkeys(("washes", "uses"), ("at", "tool")),
}
"""Lists of entries without ids: the fields of their time and of what they are of."""


def read_daybook(path: Path, book: Book) -> Daybook:
    """The daybook in a file. Raises BookRefused with every fault, and OSError."""
    if path.stat().st_size > MAX_BYTES:
        raise BookRefused([Fault("", f"{path.name} is over 512 MB; a daybook may be up to that")])
    return parse_daybook(path.read_bytes(), book)


def is_daybook(path: Path) -> bool:
    """Whether a file says of itself that it is a daybook."""
    try:
        raw = json.loads(path.read_bytes())
    except (OSError, ValueError, RecursionError):
        return False
    return isinstance(raw, dict) and raw.get("format") == FORMAT


def parse_daybook(raw_bytes: bytes, book: Book) -> Daybook:
    """The daybook in the bytes of a file. Raises BookRefused with every fault found."""
    raw, found = json_object(raw_bytes, "a daybook file")
    known = {key: value for key, value in raw.items() if key not in LISTS}
    try:
        DaybookPiece.model_validate(known)
    except ValidationError as error:
        found += [fault_of(entry, DaybookPiece, "") for entry in error.errors()]
    entries: dict[str, tuple[Any, ...]] = {}
    places: dict[str, list[int]] = {}
    unread: set[str] = set()
    for key in LISTS:
        read = _read_list(raw.get(key, []), key, found)
        entries[key] = tuple(value for _, value in read.values)
        places[key] = [index for index, _ in read.values]
        unread |= read.unread
    daybook = Daybook(**entries)
    found += DaybookFaults(daybook, book, unread, places).all()
    if found:
        raise BookRefused(found)
    return daybook


def write_daybook(daybook: Daybook) -> bytes:
    """The daybook file of a daybook: the same content always gives the same bytes."""
    whole: dict[str, Any] = {"format": FORMAT, "version": VERSION}
    for key in LISTS:
        listed = [content(entry) for entry in in_order(key, getattr(daybook, key))]
        if listed:
            whole[key] = listed
    text = json.dumps(whole, ensure_ascii=False, indent=1, allow_nan=False)
    return (text + "\n").encode()


def in_order(key: str, entries: tuple[Any, ...]) -> list[Any]:
    """The entries of a list as the file has them: by id where they have one, else by time."""
    if key not in BY_TIME:
        return sorted(entries, key=attrgetter("id"))
    at, of = BY_TIME[key]

    def place(entry: Any) -> tuple[int, str, str]:
        return instant(getattr(entry, at)), getattr(entry, of), _text(entry)

    return sorted(entries, key=place)


def json_schema() -> str:
    """The JSON Schema of the daybook file, as kept in docs/."""
    return json.dumps(DaybookPiece.model_json_schema(), indent=2, sort_keys=True) + "\n"


class _ReadList:
    """The entries of a list that could be read, with their indexes; the ids of those that not."""

    def __init__(self) -> None:
        self.values: list[tuple[int, Any]] = []
        self.unread: set[str] = set()


def _read_list(raw: Any, key: str, found: list[Fault]) -> _ReadList:
    model, kind = LISTS[key]
    read = _ReadList()
    if not isinstance(raw, list):
        found.append(Fault(key, "a list is wanted here, in square brackets"))
        return read
    for index, entry in enumerate(raw):
        try:
            read.values.append((index, as_value(kind, model.model_validate(entry))))
        except ValidationError as error:
            place = f"{key}[{index}]"
            found += [fault_of(each, model, place) for each in error.errors()]
            id = entry.get("id") if isinstance(entry, dict) else None
            if isinstance(id, str):
                read.unread.add(id)
    return read


def _text(entry: Any) -> str:
    return json.dumps(content(entry), ensure_ascii=False, sort_keys=True)
