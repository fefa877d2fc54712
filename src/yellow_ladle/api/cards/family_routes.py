"""The family board: every preparation in its column, with its marks and its pour."""

from dataclasses import dataclass

from fastapi import APIRouter, Request, Response
from pydantic import BaseModel

from yellow_ladle.api.dependencies import TheBook
from yellow_ladle.api.kept_answers import TheKeptAnswers
from yellow_ladle.core.cards.board_columns import BoardColumn, columns
from yellow_ladle.core.carrying.suitability import Verdict
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.vocabulary.levels import LevelWord
from yellow_ladle.core.vocabulary.regimes import regimes
from yellow_ladle.store.documents import Now

router = APIRouter(tags=["family"])

COLUMN_NAMES = {
    BoardColumn.BASES: "Bases",
    BoardColumn.MOTHERS: "Mother sauces",
    BoardColumn.SAUCES: "Sauces and soups",
    BoardColumn.PLATES: "Plates",
}


class ColumnOut(BaseModel):
    """One column of the board."""

    id: BoardColumn
    name: str


@dataclass(frozen=True, slots=True)
class StripOut:
    """One preparation on the board. `flags` holds only what is above free.

    `tool_traces` are those of them that only the kitchen's own tools leave.
    """

    id: str
    name: str
    kind: str
    column: BoardColumn
    variant_of: str | None
    flags: dict[str, LevelWord]
    tool_traces: list[str]
    diets: dict[str, Verdict]
    made_from: list[str]
    goes_into: list[str]


class FamilyOut(BaseModel):
    """The whole board."""

    columns: list[ColumnOut]
    strips: list[StripOut]


class GridGroupOut(BaseModel):
    """A group of the kitchen's regime: a column of the grid."""

    id: str
    name: str


class GridRowOut(BaseModel):
    """One pot in the grid; `cells` holds the groups that are above free."""

    id: str
    name: str
    kind: str
    cells: dict[str, LevelWord]


class GridOut(BaseModel):
    """Every pot against what the kitchen's regime wants declared."""

    regime: str
    groups: list[GridGroupOut]
    rows: list[GridRowOut]


@router.get("/family/grid", response_model=GridOut)
async def grid(request: Request, now: TheBook, kept: TheKeptAnswers) -> Response:
    """Every pot that is offered against the groups that must be declared, plates first."""
    return await kept.answer(request, now, lambda: _grid(now))


def _grid(now: Now) -> GridOut:
    reading = now.reading
    regime = regimes()[reading.book.kitchen.regime]
    made = [each for each in reading.book.preparations.values() if each.retired is None]
    return GridOut(
        regime=regime.name,
        groups=[GridGroupOut(id=group.id, name=group.name) for group in regime.groups],
        rows=[
            GridRowOut(id=each.id, name=each.name, kind=each.kind, cells=_cells(reading, each.id))
            for each in sorted(made, key=lambda each: (each.kind != "dish", each.name))
        ],
    )


def _cells(reading: Reading, item: str) -> dict[str, LevelWord]:
    declared = reading.declaration(item)
    found: dict[str, LevelWord] = dict.fromkeys(declared.contains, "contains")
    found |= dict.fromkeys(declared.may_contain, "may_contain")
    return found | dict.fromkeys(declared.unchecked, "unchecked")


@router.get("/family", response_model=FamilyOut)
async def family(request: Request, now: TheBook, kept: TheKeptAnswers) -> Response:
    """The board: causes to the left, consequences to the right.

    A retired pot is on it only while something is made from it.
    """
    return await kept.answer(request, now, lambda: _family(now))


def _family(now: Now) -> FamilyOut:
    reading = now.reading
    made = reading.book.preparations
    placed = columns(reading)
    return FamilyOut.model_construct(
        columns=[ColumnOut(id=column, name=COLUMN_NAMES[column]) for column in BoardColumn],
        strips=[
            StripOut(
                id=id,
                name=preparation.name,
                kind=preparation.kind,
                column=placed[id],
                variant_of=preparation.variant_of,
                flags=reading.level_words(id),
                tool_traces=sorted(reading.tool_traces(id)),
                diets=dict(reading.verdicts(id)),
                made_from=reading.bases(id),
                goes_into=sorted(reading.derivatives(id)),
            )
            for id, preparation in sorted(made.items(), key=lambda entry: entry[1].name)
            if preparation.retired is None or reading.derivatives(id)
        ],
    )
