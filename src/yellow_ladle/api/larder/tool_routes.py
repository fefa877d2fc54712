"""Tools that pots go through, and the reading of a day."""

from dataclasses import replace
from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel

from yellow_ladle.api.dependencies import TheActor, TheLedger
from yellow_ladle.api.errors import Missing
from yellow_ladle.api.schemas.answer_forms import Named, WrittenOut, named
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.fault import BookRefused, Fault, unknown
from yellow_ladle.core.book.tool import Tool, with_free_id
from yellow_ladle.core.reading.day_traces import day_reading
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.files.book.conversion import as_piece, as_value
from yellow_ladle.files.book.models import ToolPiece
from yellow_ladle.files.book.piece import Day, Id, ItemId, Name
from yellow_ladle.store.kitchen_settings import drop_tool, keep_tool
from yellow_ladle.store.tool_uses import Used, add_use, unwashed_before, uses_on

router = APIRouter(tags=["tools"])


MAX_TOOLS = 500


class ToolIn(BaseModel):
    """A tool as it is to be; `seen` is the version that the writer saw, null for a new one."""

    tool: ToolPiece
    seen: int | None = None


class UseIn(BaseModel):
    """What went through a tool just now; an item of null means that it was washed.

    `renewed`: what it holds was replaced, such as the oil of a fryer.
    """

    tool: Name
    item: ItemId | None
    renewed: bool = False


class ToolUseOut(BaseModel):
    """One use of a tool, as it was written down."""

    at: str
    tool: str
    item: Named | None
    person: str | None


class ToolOut(BaseModel):
    """A tool, the pots whose cards name it, and what is in it since its last wash.

    `version` is null where only cards name it.
    """

    tool: ToolPiece
    version: int | None
    pots: list[Named]
    inside: list[Named]


class TracesOut(BaseModel):
    """What the day's tools added to one pot or plate."""

    id: str
    name: str
    kind: str
    flags: list[str]
    through: list[str]


class DayOut(BaseModel):
    """A day: what went through which tool, and the traces that this adds.

    `uses` begin with those of earlier days that nobody has washed away since.
    """

    day: str
    uses: list[ToolUseOut]
    traces: list[TracesOut]


@router.get("/tools")
def tools(ledger: TheLedger) -> list[ToolOut]:
    """Every tool, also those that only cards name, with what is in it today."""
    book = ledger.now.reading.book
    uses = [*unwashed_before(ledger, ledger.today), *uses_on(ledger, ledger.today)]
    known = _known_tools(book)
    by_key = {book.toolbox.key(name): name for name in known}
    pots: dict[str, list[Named]] = {name: [] for name in known}
    for id, preparation in book.preparations.items():
        for key in dict.fromkeys(map(book.toolbox.key, preparation.tools)):
            pots[by_key[key]].append(Named(id=id, name=preparation.name))
    inside: dict[str, dict[str, Named]] = {name: {} for name in known}
    for use in uses:
        if use.item is None:
            if book.toolbox.is_cleared(use.tool, renewed=use.renewed):
                inside.setdefault(use.tool, {}).clear()
        elif use.item in ledger.now.reading.masks:
            inside.setdefault(use.tool, {})[use.item] = named(book, use.item)
    return [
        ToolOut(
            tool=piece,
            version=ledger.now.setting_versions.get(f"tool/{piece.id}"),
            pots=pots[name],
            inside=list(inside[name].values()),
        )
        for name, piece in sorted(known.items())
    ]


def _known_tools(book: Book) -> dict[str, ToolPiece]:
    """Every tool by its name: those listed, then those that only cards name, each once."""
    known = {entry.name: as_piece(ToolPiece, replace(entry, id=entry.slug)) for entry in book.tools}
    seen = {book.toolbox.key(name) for name in known}
    for preparation in book.preparations.values():
        for name in preparation.tools:
            if (key := book.toolbox.key(name)) not in seen:
                seen.add(key)
                known[name] = ToolPiece(name=name, id=book.toolbox.slug(name))
    return known


@router.post("/tools")
def put_tool(wanted: ToolIn, ledger: TheLedger, actor: TheActor) -> WrittenOut:
    """Writes one tool, new or changed. The book is read anew with it."""
    tools = ledger.now.reading.book.tools
    tool = as_value(Tool, wanted.tool)
    if wanted.seen is None:
        if len(tools) >= MAX_TOOLS:
            raise BookRefused([Fault("tool", f"a kitchen lists {MAX_TOOLS} tools at most")])
        tool = with_free_id(tool, tools)
    keep_tool(ledger, tool, wanted.seen, actor)
    return WrittenOut(version=ledger.now.setting_versions[f"tool/{tool.slug}"])


@router.delete("/tools/{id}")
def take_tool_out(id: Id, seen: int, ledger: TheLedger, actor: TheActor) -> WrittenOut:
    """Takes one tool out of the list."""
    drop_tool(ledger, id, seen, actor)
    return WrittenOut(version=ledger.now.counter)


@router.post("/tools/uses")
def use(wanted: UseIn, ledger: TheLedger, actor: TheActor) -> DayOut:
    """Writes down that something went through a tool, or that it was washed."""
    if wanted.item is not None and wanted.item not in ledger.now.reading.masks:
        raise Missing("pot or product", wanted.item)
    box, known = ledger.now.reading.book.toolbox, _known_tools(ledger.now.reading.book)
    by_key = {box.key(name): name for name in known}
    name = by_key.get(box.key(wanted.tool))
    if name is None:
        raise BookRefused([Fault("tool", unknown("tool", wanted.tool, known))])
    add_use(ledger, name, wanted.item, actor.person, renewed=wanted.renewed)
    return _day(ledger, ledger.today)


@router.get("/day")
def day(ledger: TheLedger, on: Annotated[Day | None, Query()] = None) -> DayOut:
    """The reading of a day, today's if none is named: what its tools add to the book."""
    return _day(ledger, on or ledger.today)


def _day(ledger: TheLedger, on: str) -> DayOut:
    reading = ledger.now.reading
    every = (*unwashed_before(ledger, on), *uses_on(ledger, on))
    uses = [use for use in every if use.item is None or use.item in reading.masks]
    today = day_reading(reading, [use.use for use in uses])
    book = reading.book
    traces = []
    for id, preparation in book.preparations.items():
        levels = today.levels(id)
        flags = [flag for flag in levels if reading.level(id, flag) is Level.FREE]
        if flags:
            sources = {s for flag in flags for s in today.sources(id)[flag] if s.tool}
            through = sorted({f"{s.tool}, after {book.name(s.product)}" for s in sources})
            traces.append(
                TracesOut(
                    id=id,
                    name=preparation.name,
                    kind=preparation.kind,
                    flags=flags,
                    through=through,
                )
            )
    return DayOut(day=on, uses=[_use(ledger, use) for use in uses], traces=traces)


def _use(ledger: TheLedger, use: Used) -> ToolUseOut:
    book = ledger.now.reading.book
    item = None if use.item is None else named(book, use.item)
    return ToolUseOut(at=use.at, tool=use.tool, item=item, person=use.person)
