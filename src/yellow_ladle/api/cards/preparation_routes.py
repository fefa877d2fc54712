"""Pots and plates: what goes in, what they carry, and what goes out of them."""

from typing import Annotated, Literal

from fastapi import APIRouter, Query, Request, Response
from pydantic import BaseModel

from yellow_ladle.api.cards.carried import (
    CarriesOut,
    DeclaredOut,
    SuitsOut,
    carries,
    declared,
    suits,
)
from yellow_ladle.api.dependencies import (
    TheActor,
    TheBook,
    TheLedger,
    person_or_refused,
    preparation_or_missing,
)
from yellow_ladle.api.kept_answers import TheKeptAnswers
from yellow_ladle.api.paging import Offset, Page, Size, page
from yellow_ladle.api.schemas.answer_forms import Named, named
from yellow_ladle.core.book.book import Preparation, by_product_item, owner_of
from yellow_ladle.core.book.sign_off import SignOff
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.vocabulary.levels import LevelWord
from yellow_ladle.files.book.conversion import as_piece, content
from yellow_ladle.files.book.models import LinePiece, PreparationPiece, SignOffPiece
from yellow_ladle.store.documents import Now
from yellow_ladle.store.kitchen_settings import sign
from yellow_ladle.store.optimistic_lock import standing

router = APIRouter(prefix="/preparations", tags=["pots"])


class PotNameOut(BaseModel):
    """A preparation in a list."""

    id: str
    name: str
    kind: str
    retired: str | None = None


class LineOut(BaseModel):
    """One line with what its item carries, and what the item itself is made of."""

    index: int
    line: LinePiece
    name: str
    item_kind: Literal["product", "preparation", "by_product"]
    owner: str
    counted: bool
    flags: dict[str, LevelWord]
    tool_traces: list[str]
    made_of: list[str]
    unchecked: int


class UseOut(BaseModel):
    """What a pot goes into, and how much of it."""

    id: str
    name: str
    kind: str
    quantity: float
    unit: str
    as_by_product: str | None


class PotOut(BaseModel):
    """One preparation, whole."""

    version: int
    standing: int
    sign_off: SignOffPiece | None
    in_goods: list[Named]
    preparation: PreparationPiece
    lines: list[LineOut]
    carries: CarriesOut
    suits: list[SuitsOut]
    declared: DeclaredOut
    goes_into: list[UseOut]
    reaches: list[PotNameOut]
    variant_of: Named | None
    variants: list[Named]


@router.get("")
def preparations(
    now: TheBook,
    find: Annotated[str, Query(max_length=100)] = "",
    offset: Offset = 0,
    size: Size = 500,
) -> Page[PotNameOut]:
    """Every preparation by name."""
    wanted = find.casefold()
    pots = [
        PotNameOut(id=id, name=preparation.name, kind=preparation.kind, retired=preparation.retired)
        for id, preparation in now.reading.book.preparations.items()
        if wanted in preparation.name.casefold()
    ]
    return page(sorted(pots, key=lambda pot: pot.name), offset, size)


@router.get("/{id}", response_model=PotOut)
async def preparation(id: str, request: Request, now: TheBook, kept: TheKeptAnswers) -> Response:
    """One preparation: its lines, what it carries and by which ways, and where it goes."""
    preparation_or_missing(now, id)
    return await kept.answer(request, now, lambda: _pot(now, id))


def _pot(now: Now, id: str) -> PotOut:
    preparation = now.reading.book.preparations[id]
    reading = now.reading
    book = reading.book
    counted = set(preparation.counted())
    reached = reading.reached([id]) - {id}
    return PotOut(
        version=now.versions[id],
        standing=standing(now, id),
        sign_off=_signed(id, signed) if (signed := book.sign_offs.get(id)) else None,
        in_goods=[
            named(book, user)
            for user in sorted(reading.graph.users.get(id, ()))
            if user in book.products
        ],
        preparation=as_piece(PreparationPiece, preparation),
        lines=[
            _line(reading, preparation, index, index in counted)
            for index in range(len(preparation.lines))
        ],
        carries=carries(reading, id),
        suits=suits(reading, id),
        declared=declared(reading, id),
        goes_into=_uses(reading, preparation),
        reaches=[
            PotNameOut(id=other, name=book.name(other), kind=book.preparations[other].kind)
            for other in sorted(reached, key=book.name)
        ],
        variant_of=preparation.variant_of and named(book, preparation.variant_of),
        variants=[
            Named(id=other.id, name=other.name)
            for other in book.preparations.values()
            if other.variant_of == id
        ],
    )


class SignIn(BaseModel):
    """`seen` is the pot's `standing` as the person saw it."""

    seen: int


@router.post("/{id}/sign-off")
def sign_off(id: str, wanted: SignIn, ledger: TheLedger, actor: TheActor) -> SignOffPiece:
    """Signs a pot off as it stands now. A change from above makes that stale, visibly."""
    preparation_or_missing(ledger.now, id)
    person = person_or_refused(actor.person, "a pot is signed off by a person")
    return _signed(id, sign(ledger, id, person, wanted.seen))


def _signed(preparation: str, made: SignOff) -> SignOffPiece:
    return SignOffPiece.model_validate({"preparation": preparation, **content(made)})


def _line(reading: Reading, preparation: Preparation, index: int, counted: bool) -> LineOut:
    book, line = reading.book, preparation.lines[index]
    owner = owner_of(line.item)
    is_product = line.item in book.products
    flags = reading.level_words(line.item)
    return LineOut(
        index=index,
        line=as_piece(LinePiece, line),
        name=book.name(line.item),
        item_kind="product" if is_product else "by_product" if "/" in line.item else "preparation",
        owner=owner,
        counted=counted,
        flags=flags,
        tool_traces=sorted(reading.tool_traces(line.item)),
        made_of=[] if is_product else [book.name(item) for item in reading.graph.inputs[owner]],
        unchecked=sum(level == "unchecked" for level in flags.values()),
    )


def _uses(reading: Reading, preparation: Preparation) -> list[UseOut]:
    book = reading.book
    by_products = {
        by_product_item(preparation.id, part.id): part.name for part in preparation.by_products
    }
    uses = [
        UseOut(
            id=user,
            name=book.name(user),
            kind=book.preparations[user].kind,
            quantity=line.quantity,
            unit=line.unit,
            as_by_product=by_products.get(line.item),
        )
        for user in reading.graph.users.get(preparation.id, ())
        if user in book.preparations
        for line in (book.preparations[user].lines[n] for n in book.preparations[user].counted())
        if owner_of(line.item) == preparation.id
    ]
    return sorted(uses, key=lambda use: (use.kind == "dish", use.name))
