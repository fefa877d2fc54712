"""Amounts as people type them."""

from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel

from yellow_ladle.api.dependencies import TheBook
from yellow_ladle.api.errors import Missing
from yellow_ladle.core.amounts.grammar import MAX_TYPED, understand
from yellow_ladle.core.amounts.understood import question_of
from yellow_ladle.core.book.book import Line

router = APIRouter(tags=["amounts"])


class AmountOut(BaseModel):
    """What was understood, in grams and millilitres or null; `question` where something is asked.

    `low` and `high` are the ends of a range, whose middle `quantity` is.
    """

    text: str
    quantity: float | None
    unit: str | None
    low: float | None
    high: float | None
    item: str
    note: str
    grams: float | None
    millilitres: float | None
    approximate: bool
    question: str


@router.get("/amount")
def amount(
    now: TheBook,
    text: Annotated[str, Query(max_length=MAX_TYPED)],
    item: Annotated[str | None, Query(max_length=400)] = None,
) -> AmountOut:
    """An amount with the kitchen's own measures; weighed by an item's density and unit weight."""
    book, balance = now.reading.book, now.reading.balance
    if item is not None and item not in now.reading.masks:
        raise Missing("pot or product", item)
    found = understand(text, book.units, book.kitchen.spoons)
    grams = volume = None
    question = question_of(found)
    if found.quantity is not None and found.unit is not None:
        unit = book.units[found.unit]
        volume = found.quantity * unit.size if unit.size and unit.kind == "volume" else None
        if unit.size and unit.kind == "weight":
            grams = found.quantity * unit.size
        if item is not None:
            line = Line(item, found.quantity, found.unit, "body")
            grams = balance.line_grams(line)
            question = question or balance.asks(line)
            density = balance.density(item)
            volume = grams / density if grams is not None and density else volume
    return AmountOut(
        text=found.text,
        quantity=found.quantity,
        unit=found.unit,
        low=found.low,
        high=found.high,
        item=found.item,
        note=found.note,
        grams=grams,
        millilitres=volume,
        approximate=found.approximate,
        question=question,
    )
