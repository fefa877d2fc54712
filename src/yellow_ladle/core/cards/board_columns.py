"""Where a preparation stands on the family board: causes to the left, consequences to the right."""

from enum import StrEnum

from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.carrying.graph import bases_first
from yellow_ladle.core.reading.reading import Reading


class Column(StrEnum):
    """The board's columns, from left to right."""

    BASES = "bases"
    MOTHERS = "mothers"
    SAUCES = "sauces"
    PLATES = "plates"


_ORDER = list(Column)
_USUAL = {
    "stock": Column.BASES,
    "roux": Column.BASES,
    "component": Column.BASES,
    "soup": Column.SAUCES,
    "dish": Column.PLATES,
}


def columns(reading: Reading) -> dict[str, Column]:
    """The column of every preparation: by its kind, but never left of what it is made from."""
    book, graph = reading.book, reading.graph
    placed: dict[str, int] = {}
    for id in bases_first(graph.inputs):
        made = book.preparations.get(id)
        usual = _ORDER.index(_usual(made, reading)) if made else 0
        below = [placed[item] for item in graph.inputs[id] if item in placed]
        placed[id] = max([usual, *below])
    return {id: _ORDER[placed[id]] for id in book.preparations}


def _usual(preparation: Preparation, reading: Reading) -> Column:
    if preparation.kind != "sauce":
        return _USUAL[preparation.kind]
    return Column.MOTHERS if _is_mother(preparation.id, reading) else Column.SAUCES


def _is_mother(id: str, reading: Reading) -> bool:
    """A mother sauce is made from no sauce and goes into other sauces or soups."""
    made = reading.book.preparations
    if not any(made[user].kind in ("sauce", "soup") for user in reading.derivatives(id)):
        return False
    return all(made[base].kind != "sauce" for base in reading.bases(id))
