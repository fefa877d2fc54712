"""The kitchen, and the words that its screens choose from."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, ConfigDict, Field

from yellow_ladle.api.dependencies import TheBook, TheLedger
from yellow_ladle.api.errors import PROBLEMS
from yellow_ladle.core.book.book import (
    KINDS,
    ROLES,
    SECOND_LOOK_DAYS,
    STAGES,
    TREATMENTS,
    Kind,
    Kitchen,
    Role,
    Stage,
    Treatment,
)
from yellow_ladle.core.book.fault import BookRefused, Fault, unknown
from yellow_ladle.core.book.need import STRICTNESS, Strictness
from yellow_ladle.core.book.pan import LIDS, Lid
from yellow_ladle.core.book.product import CERTIFICATES, EVIDENCE, CertificateKind, EvidenceKind
from yellow_ladle.core.cards.colours import colours
from yellow_ladle.core.checks.faults import measure_faults, measures_missed
from yellow_ladle.core.larder.starting_points import goods
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.texts import SAY
from yellow_ladle.core.swaps.rules import swap_rules
from yellow_ladle.core.vocabulary.criteria import Criterion
from yellow_ladle.core.vocabulary.diets import diets
from yellow_ladle.core.vocabulary.levels import WORDS, Level, LevelWord
from yellow_ladle.core.vocabulary.regimes import regimes
from yellow_ladle.core.vocabulary.units import Spoons
from yellow_ladle.files.book.conversion import as_piece, as_value
from yellow_ladle.files.book.models import KitchenPiece, MeasurePiece, PersonPiece
from yellow_ladle.files.book.piece import Name, Positive, Word
from yellow_ladle.store.book_repository import Now

router = APIRouter(tags=["kitchen"])


class FlagOut(BaseModel):
    """A flag of the vocabulary."""

    id: str
    name: str
    group: str
    note: str


class Named(BaseModel):
    """Something with an id and a name."""

    id: str
    name: str


class KitchenIn(BaseModel):
    """The kitchen as it is to be; `seen` is the version that the writer saw.

    What is null of its measures, spoons, steps and order stays as it is.
    """

    model_config = ConfigDict(
        json_schema_extra={"example": {"name": "Skerrow Light", "regime": "uk-14", "seen": 1}}
    )

    name: Name
    regime: Word
    second_look_days: Annotated[int, Field(ge=1, le=3650)] = SECOND_LOOK_DAYS
    people: list[PersonPiece] = []
    measures: Annotated[list[MeasurePiece], Field(max_length=100)] | None = None
    spoons: Spoons | None = None
    weigh_to_g: Annotated[Positive, Field(le=1_000)] | None = None
    measure_to_ml: Annotated[Positive, Field(le=1_000)] | None = None
    so2_by_amount: bool | None = None
    swap_order: Annotated[list[Criterion], Field(max_length=5)] | None = None
    seen: Annotated[int, Field(ge=0)]


class KitchenOut(BaseModel):
    """The kitchen and its vocabulary. `unchecked` counts statements that nobody has checked."""

    name: str
    version: int
    today: str
    second_look_days: int
    people: list[PersonPiece]
    measures: list[MeasurePiece]
    spoons: Spoons
    weigh_to_g: float
    measure_to_ml: float
    so2_by_amount: bool
    swap_order: list[Criterion]
    regime: Named
    regimes: list[Named]
    unchecked: int
    unchecked_products: int
    flags: list[FlagOut]
    diets: list[Named]
    levels: list[LevelWord]
    evidence: list[EvidenceKind]
    certificates: list[CertificateKind]
    strictness: list[Strictness]
    kinds: list[Kind]
    roles: list[Role]
    stages: list[Stage]
    treatments: list[Treatment]
    colours: list[str]
    lids: list[Lid]
    units: list[str]
    classes: list[str]
    tools: list[str]
    say: str


@router.get("/kitchen")
def kitchen(now: TheBook) -> KitchenOut:
    """The kitchen, the regime that it declares by, and the words to choose from."""
    return _kitchen(now)


@router.put("/kitchen", responses=PROBLEMS)
def name_kitchen(wanted: KitchenIn, ledger: TheLedger) -> KitchenOut:
    """Names the kitchen and picks its regime. What is carried stays; what is declared changes."""
    if wanted.regime not in regimes():
        raise BookRefused([Fault("regime", unknown("regime", wanted.regime, regimes()))])
    initials = [person.initials for person in wanted.people]
    if twice := next((word for word in initials if initials.count(word) > 1), None):
        raise BookRefused([Fault("people", f'two people have the initials "{twice}"')])
    given = wanted.model_dump(exclude={"seen"}, exclude_none=True)
    standing = as_piece(KitchenPiece, ledger.now.reading.book.kitchen).model_dump()
    after = as_value(Kitchen, KitchenPiece.model_validate({**standing, **given}))
    if found := [*measure_faults(after.measures), *measures_missed(ledger.now.reading.book, after)]:
        raise BookRefused(found)
    ledger.update_kitchen(after, wanted.seen)
    return _kitchen(ledger.now)


def _kitchen(now: Now) -> KitchenOut:
    book = now.reading.book
    unchecked = [unchecked_flags(now.reading, id) for id in book.products]
    classes = {product.class_ for product in book.products.values() if product.class_}
    classes.update(good.class_ for good in goods().values())
    for rule in swap_rules():
        classes.update(rule.with_)
        classes.update(rule.replaces)
    return KitchenOut(
        name=book.kitchen.name,
        version=now.kitchen_version,
        today=str(now.reading.on),
        second_look_days=book.kitchen.second_look_days,
        people=as_piece(KitchenPiece, book.kitchen).people,
        measures=as_piece(KitchenPiece, book.kitchen).measures,
        spoons=book.kitchen.spoons,
        weigh_to_g=book.kitchen.weigh_to_g,
        measure_to_ml=book.kitchen.measure_to_ml,
        so2_by_amount=book.kitchen.so2_by_amount,
        swap_order=list(book.kitchen.swap_order),
        regimes=[Named(id=regime.id, name=regime.name) for regime in regimes().values()],
        regime=Named(id=book.kitchen.regime, name=regimes()[book.kitchen.regime].name),
        unchecked=sum(unchecked),
        unchecked_products=sum(count > 0 for count in unchecked),
        flags=[
            FlagOut(id=flag.id, name=flag.name, group=flag.group, note=flag.note)
            for flag in book.flags
        ],
        diets=[Named(id=diet.id, name=diet.name) for diet in diets().values()],
        levels=list(WORDS),
        evidence=list(EVIDENCE),
        certificates=list(CERTIFICATES),
        strictness=list(STRICTNESS),
        kinds=list(KINDS),
        roles=list(ROLES),
        stages=list(STAGES),
        treatments=list(TREATMENTS),
        colours=list(colours()),
        lids=list(LIDS),
        units=list(book.units),
        tools=list(book.tool_names),
        classes=sorted(classes),
        say=SAY,
    )


def unchecked_flags(reading: Reading, product: str) -> int:
    """How many flags of a product nobody has checked."""
    return sum(level is Level.UNCHECKED for level in reading.levels(product).values())
