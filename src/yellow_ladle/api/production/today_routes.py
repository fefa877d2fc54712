"""What is made today, and the card of one pot with what may be chosen for each line."""

from fastapi import APIRouter
from pydantic import BaseModel

from yellow_ladle.api.dependencies import TheLedger, preparation_or_missing
from yellow_ladle.api.production.batch_answers import BatchRow, batch_row
from yellow_ladle.api.production.kept_day import Day, TheDay
from yellow_ladle.api.schemas.answer_forms import Named, all_named, named
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.production.choices import (
    LineChoices,
    line_choices,
    makers_named_today,
)
from yellow_ladle.core.production.instants import instant
from yellow_ladle.core.production.pots_today import PotToday, pots_today, without_a_card
from yellow_ladle.files.book.piece import Id

router = APIRouter(tags=["production"])


class PotTodayOut(BaseModel):
    """A pot or plate, how often it was made on this weekday lately, and its batches of today."""

    id: str
    name: str
    kind: str
    section: str
    usual: int
    batches: list[BatchRow]


class TodayOut(BaseModel):
    """What is made today; `others` are batches without a card."""

    day: str
    pots: list[PotTodayOut]
    others: list[BatchRow]


class LotChoice(BaseModel):
    """A lot that is at hand."""

    id: str
    code: str
    maker: str | None
    received: str


class BatchChoice(BaseModel):
    """A batch of a base that is at hand."""

    id: str
    made: str


class LineChoicesOut(BaseModel):
    """A counted line, and what may be chosen for it.

    `makers` only where their labels differ in flags; `maker` is the one that was named today.
    """

    line: int
    item: Named
    quantity: float
    unit: str
    optional: bool
    made: bool
    makers: list[Named]
    maker: str | None
    lots: list[LotChoice]
    batches: list[BatchChoice]
    alternatives: list[Named]


class CardTodayOut(BaseModel):
    """The card of a pot, as it is made today."""

    id: str
    name: str
    quantity: float | None
    unit: str | None
    ways: list[str]
    lines: list[LineChoicesOut]


@router.get("/today")
def today(day: TheDay) -> TodayOut:
    """What is made today, what is usually made on this weekday first."""
    book = day.reading.book
    return TodayOut(
        day=day.today,
        pots=[_pot(day, book, pot) for pot in pots_today(day.reading, day.today)],
        others=[batch_row(day, batch.id) for batch in without_a_card(day.reading, day.today)],
    )


@router.get("/today/{id}")
def card_today(id: Id, day: TheDay, ledger: TheLedger) -> CardTodayOut:
    """The card of one pot, with what may be chosen for each line."""
    card = preparation_or_missing(ledger.now, id)
    remembered = makers_named_today(day.reading, day.today)
    return CardTodayOut(
        id=id,
        name=card.name,
        quantity=card.yield_.quantity if card.yield_ else None,
        unit=card.yield_.unit if card.yield_ else None,
        ways=[way.name for way in card.ways],
        lines=[
            _choices(day, choices, remembered)
            for choices in line_choices(day.reading, card, day.held_back)
        ],
    )


def _pot(day: Day, book: Book, pot: PotToday) -> PotTodayOut:
    preparation = book.preparations[pot.preparation]
    batches = sorted(pot.batches, key=lambda id: instant(day.reading.timeline.batches[id].made))
    return PotTodayOut(
        id=preparation.id,
        name=preparation.name,
        kind=preparation.kind,
        section=preparation.section,
        usual=pot.usual,
        batches=[batch_row(day, id) for id in batches],
    )


def _choices(day: Day, choices: LineChoices, remembered: dict[str, str]) -> LineChoicesOut:
    book, line = day.reading.book, choices.line
    product = book.products.get(line.item)
    names = {maker.id: maker.name for maker in product.makers} if product else {}
    lots = [day.reading.timeline.lots[id] for id in choices.lots]
    return LineChoicesOut(
        line=choices.index,
        item=named(book, line.item),
        quantity=line.quantity,
        unit=line.unit,
        optional=line.optional,
        made=product is None,
        makers=[Named(id=id, name=names[id]) for id in choices.makers],
        maker=remembered.get(line.item),
        lots=[
            LotChoice(
                id=lot.id, code=lot.code, maker=names.get(lot.maker or ""), received=lot.received
            )
            for lot in lots
        ],
        batches=[
            BatchChoice(id=id, made=day.reading.timeline.batches[id.partition("/")[0]].made)
            for id in choices.batches
        ],
        alternatives=all_named(book, choices.alternatives),
    )
