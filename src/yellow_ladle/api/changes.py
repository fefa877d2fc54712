"""Changes as requests describe them, and what they would do."""

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from yellow_ladle.api.ledger import preparation_or_missing, product_or_missing
from yellow_ladle.api.problems import Missing
from yellow_ladle.core.change import Change, choosing, stating, with_lines
from yellow_ladle.core.faults import BookRefused, Fault, unknown
from yellow_ladle.core.fitting import Verdict
from yellow_ladle.core.levels import Level, LevelWord
from yellow_ladle.core.product import Evidence
from yellow_ladle.core.ripple import ItemRipple, Ripple
from yellow_ladle.files import pieces, product_pieces
from yellow_ladle.files.book_models import (
    EvidencePiece,
    FlagId,
    Id,
    LinePiece,
    PreparationPiece,
    ProductPiece,
)
from yellow_ladle.store.ledger import Now


class ProductChange(BaseModel):
    """A product as it is to be, new or edited."""

    change: Literal["product"]
    product: ProductPiece


class PreparationChange(BaseModel):
    """A preparation as it is to be, new or edited."""

    change: Literal["preparation"]
    preparation: PreparationPiece


class StatementChange(BaseModel):
    """One statement of a product or preparation; a level of null takes it back."""

    change: Literal["statement"]
    item: Id
    flag: FlagId
    level: LevelWord | None
    evidence: EvidencePiece | None = None


class LineChange(BaseModel):
    """One line of a preparation as it is to be."""

    change: Literal["line"]
    preparation: Id
    line: Annotated[int, Field(ge=0)]
    to: LinePiece


class ChoiceChange(BaseModel):
    """One alternative of a preparation chosen over the others of its choice."""

    change: Literal["choice"]
    preparation: Id
    line: Annotated[int, Field(ge=0)]


class Removal(BaseModel):
    """A product or preparation that is to go."""

    change: Literal["removal"]
    item: Id


AnyChange = Annotated[
    ProductChange | PreparationChange | StatementChange | LineChange | ChoiceChange | Removal,
    Field(discriminator="change"),
]


class RecordIn(BaseModel):
    """A change with the version that its writer saw, null for something new."""

    model_config = ConfigDict(
        json_schema_extra={
            "example": {
                "change": {
                    "change": "statement",
                    "item": "stock-powder",
                    "flag": "celery",
                    "level": "contains",
                    "evidence": {"kind": "label", "date": "2026-11-24", "person": "MK"},
                },
                "seen": 1,
            }
        }
    )

    change: AnyChange
    seen: int | None = None


class FlagRippleOut(BaseModel):
    """One flag before and after."""

    flag: str
    before: LevelWord
    after: LevelWord


class DietRippleOut(BaseModel):
    """One diet's verdict before and after; null where the pot is not there."""

    diet: str
    before: Verdict | None
    after: Verdict | None


class ItemRippleOut(BaseModel):
    """What changes in one pot, plate or by-product."""

    item: str
    name: str
    kind: str
    flags: list[FlagRippleOut]
    diets: list[DietRippleOut]


class RippleOut(BaseModel):
    """What a change does: in a sentence, in numbers, and item by item."""

    sentence: str
    pots: int
    plates: int
    items: list[ItemRippleOut]


def change_of(now: Now, wanted: AnyChange) -> Change:
    """The core's change for a request's; Missing or BookRefused where it names what is not."""
    book = now.reading.book
    match wanted:
        case ProductChange():
            return Change(products=(product_pieces.product(wanted.product),))
        case PreparationChange():
            return Change(preparations=(pieces.preparation(wanted.preparation),))
        case StatementChange():
            _known_flag(now, wanted.flag)
            if wanted.item not in book.products:
                preparation_or_missing(now, wanted.item)
            level = None if wanted.level is None else Level.of(wanted.level)
            evidence = _evidence(wanted.evidence)
            return stating(book, wanted.item, wanted.flag, level, evidence)
        case LineChange():
            preparation = preparation_or_missing(now, wanted.preparation)
            _known_line(wanted.line, len(preparation.lines))
            line = pieces.line(wanted.to)
            return Change(preparations=(with_lines(preparation, [(wanted.line, line)]),))
        case ChoiceChange():
            preparation = preparation_or_missing(now, wanted.preparation)
            _known_line(wanted.line, len(preparation.lines))
            return Change(preparations=(choosing(preparation, wanted.line),))
        case Removal():
            if wanted.item not in book.preparations:
                product_or_missing(now, wanted.item)
            return Change(removed=(wanted.item,))


def _evidence(piece: EvidencePiece | None) -> Evidence | None:
    return None if piece is None else Evidence(**piece.model_dump())


def _known_flag(now: Now, flag: str) -> None:
    known = [entry.id for entry in now.reading.book.flags]
    if flag not in known:
        raise BookRefused([Fault("flag", unknown("flag", flag, known))])


def _known_line(line: int, lines: int) -> None:
    if line >= lines:
        raise Missing("line", str(line))


def ripple_out(ripple: Ripple) -> RippleOut:
    """A ripple as screens show it."""
    return RippleOut(
        sentence=ripple.sentence(),
        pots=ripple.pots,
        plates=ripple.plates,
        items=[_item(item) for item in ripple.items],
    )


def _item(item: ItemRipple) -> ItemRippleOut:
    return ItemRippleOut.model_validate(
        {
            "item": item.item,
            "name": item.name,
            "kind": item.kind,
            "flags": [
                {"flag": flag.flag, "before": flag.before.word, "after": flag.after.word}
                for flag in item.flags
            ],
            "diets": [
                {"diet": diet.diet, "before": diet.before, "after": diet.after}
                for diet in item.diets
            ],
        }
    )
