"""Changes as requests describe them, and what they would do."""

from collections.abc import Callable
from dataclasses import replace
from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from yellow_ladle.api.ledger import preparation_or_missing, product_or_missing
from yellow_ladle.api.problems import Missing
from yellow_ladle.core.bag import NoBag, added, emptied
from yellow_ladle.core.change import Change, choosing, stating, with_lines
from yellow_ladle.core.fault import BookRefused, Fault, unknown
from yellow_ladle.core.levels import Level, LevelWord
from yellow_ladle.core.notices import with_maker, without_maker
from yellow_ladle.core.product import Evidence, Product
from yellow_ladle.files import pieces, product_pieces
from yellow_ladle.files.book_models import (
    EvidencePiece,
    FlagId,
    Id,
    ItemId,
    LinePiece,
    MakerPiece,
    Name,
    PreparationPiece,
    ProductPiece,
)
from yellow_ladle.store.standing import Now


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


class ProductsChange(BaseModel):
    """Several products at once, as a table or a supplier's sheet brings them."""

    change: Literal["products"]
    products: Annotated[list[ProductPiece], Field(min_length=1, max_length=5_000)]


class MakerChange(BaseModel):
    """One more maker of a product. Where it had none, its own label becomes the first maker's."""

    change: Literal["maker"]
    product: Id
    maker: MakerPiece


class MakerDropped(BaseModel):
    """A maker that is approved no more."""

    change: Literal["maker_dropped"]
    product: Id
    maker: Id


class MakerInUse(BaseModel):
    """The maker whose label alone counts from now on; null counts the highest of all."""

    change: Literal["maker_in_use"]
    product: Id
    maker: Id | None


class AdditionChange(BaseModel):
    """Something put into a running bag today."""

    change: Literal["addition"]
    bag: Id
    item: ItemId
    person: Name | None = None


class EmptyingChange(BaseModel):
    """A running bag emptied today. Only a washed one forgets what was in it."""

    change: Literal["emptying"]
    bag: Id
    washed: bool
    person: Name | None = None


AnyChange = Annotated[
    ProductChange
    | PreparationChange
    | StatementChange
    | LineChange
    | ChoiceChange
    | Removal
    | ProductsChange
    | MakerChange
    | MakerDropped
    | MakerInUse
    | AdditionChange
    | EmptyingChange,
    Field(discriminator="change"),
]


class RecordIn(BaseModel):
    """A change with the version that its writer saw, null for something new.

    `seen_each` names the versions one by one where a change touches several things. `person` and
    `why` are kept in the history.
    """

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
    seen_each: dict[Id, int | None] | None = None
    person: Name | None = None
    why: Annotated[str, Field(max_length=1_000)] = ""

    def versions(self, change: Change) -> dict[str, int | None]:
        """The version that the writer saw of each thing that the change touches."""
        if self.seen_each is None:
            return dict.fromkeys(change.ids, self.seen)
        return {id: self.seen_each.get(id) for id in change.ids}


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
        case ProductsChange():
            return Change(products=tuple(map(product_pieces.product, wanted.products)))
        case MakerChange():
            product = product_or_missing(now, wanted.product)
            return Change(products=(with_maker(product, product_pieces.maker(wanted.maker)),))
        case MakerDropped():
            product = product_or_missing(now, wanted.product)
            return Change(products=(without_maker(product, wanted.maker),))
        case MakerInUse():
            product = product_or_missing(now, wanted.product)
            return Change(products=(replace(product, in_use=wanted.maker),))
        case AdditionChange():
            _known_item(now, wanted.item)
            product_or_missing(now, wanted.bag)
            reading, day, who = now.reading, str(now.reading.on), wanted.person
            return _of_a_bag(lambda: added(reading, wanted.bag, wanted.item, day, who))
        case EmptyingChange():
            product_or_missing(now, wanted.bag)
            day, washed = str(now.reading.on), wanted.washed
            return _of_a_bag(
                lambda: emptied(now.reading, wanted.bag, day, wanted.person, washed=washed)
            )
        case Removal():
            if wanted.item not in book.preparations:
                product_or_missing(now, wanted.item)
            return Change(removed=(wanted.item,))


def _evidence(piece: EvidencePiece | None) -> Evidence | None:
    return None if piece is None else Evidence(**piece.model_dump())


def _of_a_bag(made: Callable[[], Product]) -> Change:
    try:
        return Change(products=(made(),))
    except NoBag as error:
        raise BookRefused([Fault("bag", str(error))]) from error


def _known_item(now: Now, item: str) -> None:
    if item not in now.reading.masks:
        raise Missing("pot or product", item)


def _known_flag(now: Now, flag: str) -> None:
    known = [entry.id for entry in now.reading.book.flags]
    if flag not in known:
        raise BookRefused([Fault("flag", unknown("flag", flag, known))])


def _known_line(line: int, lines: int) -> None:
    if line >= lines:
        raise Missing("line", str(line))


def signer(wanted: AnyChange) -> str | None:
    """Who makes a change, by its own word: the person behind its newest evidence."""
    match wanted:
        case AdditionChange() | EmptyingChange():
            return wanted.person
        case StatementChange():
            return wanted.evidence.person if wanted.evidence else None
        case ProductChange():
            dated = [why for why in wanted.product.evidence.values() if why.date and why.person]
            return max(dated, key=lambda why: why.date or "").person if dated else None
        case _:
            return None
