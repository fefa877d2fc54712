"""Where a preparation stands on the family board: causes to the left, consequences to the right."""

from enum import StrEnum

from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.carrying.graph import bases_first
from yellow_ladle.core.reading.reading import Reading


class BoardColumn(StrEnum):
    """The board's columns, from left to right."""

    BASES = "bases"
    MOTHERS = "mothers"
    SAUCES = "sauces"
    PLATES = "plates"


_ORDER = list(BoardColumn)
_USUAL = {
    "stock": BoardColumn.BASES,
    "roux": BoardColumn.BASES,
    "component": BoardColumn.BASES,
    "soup": BoardColumn.SAUCES,
    "dish": BoardColumn.PLATES,
}


def columns(reading: Reading) -> dict[str, BoardColumn]:
    """The column of every preparation: by its kind, but never left of what it is made from."""
    book, graph = reading.book, reading.graph
    placed: dict[str, int] = {}
    for id in bases_first(graph.inputs):
        preparation = book.preparations.get(id)
        usual = _ORDER.index(_usual(preparation, reading)) if preparation else 0
        below = [placed[item] for item in graph.inputs[id] if item in placed]
        placed[id] = max([usual, *below])
    return {id: _ORDER[placed[id]] for id in book.preparations}


def _usual(preparation: Preparation, reading: Reading) -> BoardColumn:
    if preparation.kind != "sauce":
        return _USUAL[preparation.kind]
    return BoardColumn.MOTHERS if _is_mother(preparation.id, reading) else BoardColumn.SAUCES


def _is_mother(id: str, reading: Reading) -> bool:
    """A mother sauce is made from no sauce and goes into other sauces or soups."""
    made = reading.book.preparations
    if not any(made[user].kind in ("sauce", "soup") for user in reading.derivatives(id)):
        return False
    return all(made[base].kind != "sauce" for base in reading.bases(id))
