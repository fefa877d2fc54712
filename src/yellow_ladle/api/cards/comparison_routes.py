"""Versions of a card, and any two pots, versions or ways read side by side."""

import re
from collections.abc import Callable
from dataclasses import dataclass
from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel

from yellow_ladle.api.cards.change_kinds import refused_as
from yellow_ladle.api.cards.figures import figures_out
from yellow_ladle.api.dependencies import TheLedger, preparation_or_missing
from yellow_ladle.api.errors import Missing
from yellow_ladle.api.schemas.figure_forms import FiguresOut
from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.cards.compare import Difference, differences, flag_differences
from yellow_ladle.core.cards.versions import NoSuchWay, using
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.update import Change, reread
from yellow_ladle.core.vocabulary.levels import Level, LevelWord
from yellow_ladle.files.book.conversion import as_piece, value_of
from yellow_ladle.files.book.models import PreparationPiece
from yellow_ladle.store.documents import refuse_unsound
from yellow_ladle.store.history import Entry
from yellow_ladle.store.ledger import Ledger

router = APIRouter(tags=["comparison"])

SIDE = re.compile(r"(?P<id>[^@~]+)(?:@(?P<entry>\d{1,12})|~(?P<way>.+))?")


class VersionOut(BaseModel):
    """One version of a card: who made it, when and why, and what it changed."""

    entry: int
    at: str
    person: str | None
    why: str
    told: str
    differences: list[Difference]


class SideOut(BaseModel):
    """One side of a comparison. `flags` is null where what it was made of is no longer there."""

    side: str
    title: str
    preparation: PreparationPiece
    names: dict[str, str]
    flags: dict[str, LevelWord] | None
    tool_traces: list[str]
    figures: FiguresOut | None


class FlagDifferenceOut(BaseModel):
    """A flag in which both sides differ. A side that is not known any more is unchecked."""

    flag: str
    left: LevelWord
    right: LevelWord


class ComparisonOut(BaseModel):
    """Two cards side by side, and what differs."""

    left: SideOut
    right: SideOut
    differences: list[Difference]
    flags: list[FlagDifferenceOut]


@dataclass(frozen=True)
class _Side:
    title: str
    made: Preparation
    reading: Reading | None


Side = Annotated[str, Query(pattern=r"^[^@~]+(@\d{1,12}|~.+)?$", max_length=400)]


@router.get("/preparations/{id}/versions")
def versions(id: str, ledger: TheLedger) -> list[VersionOut]:
    """Every recorded version of a card, the newest first, with what it changed."""
    preparation_or_missing(ledger.now, id)
    return [_version(ledger, entry) for entry in ledger.history(id)]


@router.get("/comparison")
def comparison(left: Side, right: Side, ledger: TheLedger) -> ComparisonOut:
    """Two of them side by side: `pot`, `pot@7` as it was after that change, or `pot~a way`."""
    one, other = _side(ledger, left), _side(ledger, right)
    found = differences(one.made, other.made, _names(ledger))
    return ComparisonOut(
        left=_side_out(ledger, left, one),
        right=_side_out(ledger, right, other),
        differences=list(found),
        flags=[
            FlagDifferenceOut(flag=flag, left=before.word, right=after.word)
            for flag, before, after in flag_differences(_levels(one), _levels(other))
        ],
    )


def _levels(side: _Side) -> dict[str, Level] | None:
    return None if side.reading is None else side.reading.levels(side.made.id)


def _side(ledger: Ledger, text: str) -> _Side:
    found = SIDE.fullmatch(text)
    id = found["id"] if found else text
    if found is not None and found["entry"]:
        return _as_it_was(ledger, id, int(found["entry"]))
    preparation = preparation_or_missing(ledger.now, id)
    if found is None or not found["way"]:
        return _Side(preparation.name, preparation, ledger.now.reading)
    with refused_as("way", NoSuchWay):
        other = using(preparation, found["way"])
    return _Side(f"{preparation.name}: {found['way']}", other, _read_with(ledger, other))


def _as_it_was(ledger: Ledger, id: str, number: int) -> _Side:
    entry = next((entry for entry in ledger.history(id, 1_000) if entry.id == number), None)
    if entry is None or entry.after is None or "kind" not in entry.after:
        raise Missing("version of this card", f"{id}@{number}")
    made = value_of(Preparation, entry.after)
    return _Side(f"{made.name}, {entry.at[:10]}", made, _read_with(ledger, made))


def _read_with(ledger: Ledger, preparation: Preparation) -> Reading | None:
    """The book with this card in place; None where the card cannot stand any more."""
    reading = ledger.now.reading
    change = Change(preparations=(preparation,))
    try:
        refuse_unsound(reading.book, change)
    except BookRefused:
        return None
    return reread(reading, change).reading


def _side_out(ledger: Ledger, text: str, side: _Side) -> SideOut:
    name = _names(ledger)
    reading = side.reading
    return SideOut(
        side=text,
        title=side.title,
        preparation=as_piece(PreparationPiece, side.made),
        names={line.item: name(line.item) for line in side.made.lines},
        flags=reading and reading.level_words(side.made.id),
        tool_traces=[] if reading is None else sorted(reading.tool_traces(side.made.id)),
        figures=None if reading is None else figures_out(reading, side.made.id),
    )


def _version(ledger: Ledger, entry: Entry) -> VersionOut:
    found: tuple[Difference, ...] = ()
    if entry.before is not None and entry.after is not None and "kind" in entry.after:
        before = value_of(Preparation, entry.before)
        after = value_of(Preparation, entry.after)
        found = differences(before, after, _names(ledger))
    return VersionOut(
        entry=entry.id,
        at=entry.at,
        person=entry.person,
        why=entry.why,
        told=entry.told,
        differences=list(found),
    )


def _names(ledger: Ledger) -> Callable[[str], str]:
    """Names of items, by their id where they are no longer there."""
    reading = ledger.now.reading
    return lambda item: reading.book.name(item) if item in reading.masks else item
