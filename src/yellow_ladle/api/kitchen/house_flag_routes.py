"""The kitchen's own flags: adding, naming and dropping one, and what a new one reaches."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, Field

from yellow_ladle.api.dependencies import TheActor, TheBook, TheLedger
from yellow_ladle.core.larder.house_flags import unchecked_for
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.files.book.piece import FlagId
from yellow_ladle.store.house_flags import add_house_flag, drop_house_flag, rename_house_flag

router = APIRouter(prefix="/kitchen/flags", tags=["kitchen"])

NEW = "a new flag"
"""Stands for a flag that no book has, to ask what a new one would reach."""


class HouseFlagIn(BaseModel):
    """A flag's name."""

    name: Annotated[str, Field(min_length=1, max_length=80)]


class ReachOut(BaseModel):
    """How many goods and pots without lines a new flag would make unchecked."""

    goods: int
    pots: int


@router.get("/reach")
def reach(now: TheBook) -> ReachOut:
    """What adding a flag would do: whatever is free of all else is unchecked for it."""
    change = unchecked_for(now.reading.book, NEW)
    return ReachOut(goods=len(change.products), pots=len(change.preparations))


@router.post("")
def add(wanted: HouseFlagIn, ledger: TheLedger, actor: TheActor) -> Flag:
    """Adds a flag of the kitchen's own. Nothing is free of it until somebody has looked."""
    return add_house_flag(ledger, wanted.name, actor)


@router.put("/{id}")
def rename(id: FlagId, wanted: HouseFlagIn, ledger: TheLedger, actor: TheActor) -> list[Flag]:
    """Gives a flag another name. What is recorded of it stays."""
    rename_house_flag(ledger, id, wanted.name, actor)
    return list(ledger.now.reading.book.house_flags)


@router.delete("/{id}")
def drop(id: FlagId, ledger: TheLedger, actor: TheActor) -> list[Flag]:
    """Takes a flag out, unless something is said to contain it or a guest avoids it."""
    drop_house_flag(ledger, id, actor)
    return list(ledger.now.reading.book.house_flags)
