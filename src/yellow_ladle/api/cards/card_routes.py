"""A card and what is worked out from it: figures, drafts, scaling, filling, merging."""

from typing import Annotated, Literal

from fastapi import APIRouter, Request
from pydantic import BaseModel, Field

from yellow_ladle.api.cards.change_kinds import refused_as
from yellow_ladle.api.cards.figures import figures_out
from yellow_ladle.api.cards.impact_answers import ImpactOut, impact_out
from yellow_ladle.api.cards.presence import Presence
from yellow_ladle.api.cards.scaled_card import ScaledOut, scaled_out
from yellow_ladle.api.dependencies import TheActor, TheBook, TheLedger, preparation_or_missing
from yellow_ladle.api.schemas.answer_forms import named
from yellow_ladle.api.schemas.figure_forms import FiguresOut
from yellow_ladle.core.amounts.grammar import understand
from yellow_ladle.core.amounts.understood import question_of
from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.book.ids import free_id
from yellow_ladle.core.cards.card_words import words_of_card
from yellow_ladle.core.cards.compare import differences
from yellow_ladle.core.cards.merge import merged
from yellow_ladle.core.cards.scale import (
    CannotScale,
    scaled,
    to_portions,
    to_what_is_there,
    to_yield,
)
from yellow_ladle.core.checks.stated_words import refuse_too_long, stated_by_words
from yellow_ladle.core.impact.impact import impact_of
from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.numbers.yields import filling
from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.vocabulary.levels import LevelWord
from yellow_ladle.files.book.conversion import as_piece, as_value
from yellow_ladle.files.book.models import PreparationPiece
from yellow_ladle.files.book.piece import Id, Short
from yellow_ladle.store.documents import Now, refuse_unsound

router = APIRouter(prefix="/cards", tags=["cards"])

LADLE = "ladle"


class DraftPiece(PreparationPiece):
    """A card that may have no id yet: a free one is found for it."""

    id: Id | Literal[""] = ""


class DraftIn(BaseModel):
    """A card while it is being written."""

    preparation: DraftPiece


class CardWordOut(BaseModel):
    """Words of the card that name something which no line brings; `step` counts from 0."""

    step: int | None
    text: str
    flags: list[str]


class DraftOut(BaseModel):
    """What a draft comes to: its figures, and the flags of each line's item above free.

    `impact` is what recording it would do, `id` the one that it would have, `otherwise` its own
    level of what it does not state.
    """

    id: str
    otherwise: LevelWord
    impact: ImpactOut
    figures: FiguresOut
    flags: list[dict[str, LevelWord]]
    names: list[str]
    words: list[CardWordOut]


class ScaleIn(BaseModel):
    """By what a card is scaled; `text` is an amount as typed, `line` only for what is there."""

    by: Literal["yield", "portions", "line", "factor"]
    text: Short
    line: Annotated[int, Field(ge=0, le=10_000)] = 0


class FillingOut(BaseModel):
    """What to fill so that what the dishes take comes out, with a ladle to spare; in litres."""

    needed: float
    spare: float
    factor: float
    fill: float
    level_cm: float | None


class MergeIn(BaseModel):
    """The card that somebody began from, and what they made of it."""

    base: PreparationPiece
    mine: PreparationPiece


class MergedOut(BaseModel):
    """Both people's changes together, on top of the version that stands. Nothing is recorded.

    `differences` are what they changed, `conflicts` where both did, each in sentences.
    """

    preparation: PreparationPiece
    differences: list[str]
    conflicts: list[str]
    version: int


class HereIn(BaseModel):
    """Which page has the card open; `leaving` as it closes."""

    page: Annotated[str, Field(min_length=1, max_length=80)]
    leaving: bool = False


class HereOut(BaseModel):
    """Who else has the card open, and the version that stands now."""

    others: list[str]
    version: int | None


@router.get("/{id}/figures")
def figures(id: str, now: TheBook) -> FiguresOut:
    """Salt, alcohol, sulphites, starch, thickness, yield and times of a pot."""
    preparation_or_missing(now, id)
    return figures_out(now.reading, id)


@router.post("/draft")
def draft(wanted: DraftIn, now: TheBook) -> DraftOut:
    """The same for a card that is not recorded, with its consequences for each line."""
    book, piece = now.reading.book, wanted.preparation
    id = piece.id or free_id(piece.name, {*book.products, *book.preparations})
    preparation = as_value(Preparation, piece.model_copy(update={"id": id}))
    refuse_too_long(preparation)
    change = Change(preparations=(stated_by_words(now.reading, preparation, now.reading.on),))
    refuse_unsound(book, change)
    after, impact = impact_of(now.reading, change)
    return DraftOut(
        id=id,
        otherwise=preparation.own_otherwise.word,
        impact=impact_out(impact),
        figures=figures_out(after, preparation.id),
        flags=[after.level_words(line.item) for line in preparation.lines],
        names=[after.book.name(line.item) for line in preparation.lines],
        words=[
            CardWordOut(step=word.step, text=word.text, flags=list(word.flags))
            for word in words_of_card(after, preparation)
        ],
    )


@router.post("/{id}/scaled")
def scale(id: str, wanted: ScaleIn, now: TheBook) -> ScaledOut:
    """A card scaled to a yield, to portions, to what is there of one line, or by a factor."""
    preparation = preparation_or_missing(now, id)
    balance = now.reading.balance
    with refused_as("text", CannotScale):
        factor = _factor(now, balance, preparation, wanted)
    return scaled_out(preparation, scaled(balance, id, factor), balance.book.name)


@router.get("/{id}/filling")
def fill(id: str, now: TheBook) -> FillingOut:
    """What to fill so that everything that is made from a pot once can be, and a ladle is over."""
    preparation_or_missing(now, id)
    ladle = now.reading.book.units[LADLE].size
    found = filling(now.reading.balance, id, ladle or 0.0)
    return FillingOut(
        needed=found.needed,
        spare=found.spare,
        factor=found.factor,
        fill=found.fill,
        level_cm=found.level,
    )


@router.post("/{id}/merged")
def merge(id: str, wanted: MergeIn, ledger: TheLedger) -> MergedOut:
    """Puts somebody's changes on top of what stands now, line by line."""
    now = ledger.now
    theirs = preparation_or_missing(now, id)
    base = as_value(Preparation, wanted.base)
    found = merged(base, as_value(Preparation, wanted.mine), theirs)
    book = now.reading.book
    return MergedOut(
        preparation=as_piece(PreparationPiece, found.preparation),
        differences=[
            entry.sentence
            for entry in differences(base, theirs, lambda item: named(book, item).name)
        ],
        conflicts=list(found.conflicts),
        version=now.versions[id],
    )


@router.post("/{id}/here")
def here(id: str, wanted: HereIn, request: Request, now: TheBook, actor: TheActor) -> HereOut:
    """Says that a page has a card open; answers who else has."""
    presence: Presence = request.app.state.presence
    others: list[str] = []
    if wanted.leaving:
        presence.leave(id, wanted.page)
    else:
        others = presence.say(id, wanted.page, actor.person or "somebody")
    return HereOut(others=others, version=now.versions.get(id))


TIMES = "Type how many times: 0.5, 2, 12."


def _factor(now: Now, balance: Balance, preparation: Preparation, wanted: ScaleIn) -> float:
    kitchen = now.reading.book.kitchen
    found = understand(wanted.text, now.reading.book.units, kitchen.spoons)
    if found.quantity is None or found.unit is None:
        raise BookRefused([Fault("text", question_of(found) or TIMES)])
    match wanted.by:
        case "yield":
            return to_yield(balance, preparation.id, found.quantity, found.unit)
        case "portions":
            return to_portions(balance, preparation.id, found.quantity)
        case "line":
            if wanted.line >= len(preparation.lines):
                raise BookRefused([Fault("line", f"the card has no line {wanted.line + 1}")])
            return to_what_is_there(
                balance=balance,
                preparation=preparation.id,
                index=wanted.line,
                quantity=found.quantity,
                unit=found.unit,
            )
        case "factor":
            bare = found.unit == "piece" and found.item.lower() in ("", "times", "x")
            if not bare or not 0 < found.quantity < 10_000:
                raise CannotScale(TIMES)
            return found.quantity
