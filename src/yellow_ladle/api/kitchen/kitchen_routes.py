"""The kitchen, and the words that its screens choose from."""

from typing import Annotated

from fastapi import APIRouter, Request
from pydantic import BaseModel, ConfigDict, Field

from yellow_ladle.api.dependencies import TheActor, TheBook, TheLedger
from yellow_ladle.api.schemas.answer_forms import Named, all_named
from yellow_ladle.core.book.book import (
    KINDS,
    ROLES,
    STAGES,
    TREATMENTS,
    Kind,
    Kitchen,
    Role,
    Stage,
    Treatment,
)
from yellow_ladle.core.book.class_index import classes_in_use
from yellow_ladle.core.book.fault import BookRefused, Fault, unknown
from yellow_ladle.core.book.need import STRICTNESS, Strictness
from yellow_ladle.core.book.pan import LIDS, Lid
from yellow_ladle.core.book.product import CERTIFICATES, EVIDENCE, CertificateKind, EvidenceKind
from yellow_ladle.core.cards.colours import colours
from yellow_ladle.core.checks.book_faults import measure_faults, measures_missed
from yellow_ladle.core.checks.name_faults import name_faults
from yellow_ladle.core.larder.first_steps import first_steps
from yellow_ladle.core.larder.unchecked import is_put_away
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.texts import SAY
from yellow_ladle.core.vocabulary.classes import known_classes
from yellow_ladle.core.vocabulary.diets import diets
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.core.vocabulary.levels import WORDS, Level, LevelWord
from yellow_ladle.core.vocabulary.regimes import regimes
from yellow_ladle.files.book.conversion import as_piece, as_value
from yellow_ladle.files.book.models import KitchenPiece
from yellow_ladle.store.documents import Now

router = APIRouter(tags=["kitchen"])


class KitchenIn(KitchenPiece):
    """The kitchen as it is to be; `seen` is the version that the writer saw.

    What is left out besides the name and the regime stays as it is.
    """

    model_config = ConfigDict(
        json_schema_extra={"example": {"name": "Skerrow Light", "regime": "uk-14", "seen": 1}}
    )

    seen: Annotated[int, Field(ge=0)]


class DietOut(BaseModel):
    """A diet, and what guests call it besides."""

    id: str
    name: str
    also: list[str]


class KitchenOut(KitchenPiece):
    """The kitchen and its vocabulary. `unchecked` counts statements that nobody has checked.

    `in_the_clear`: other machines reach it without TLS, so that what is sent can be read.
    `made_up`: it is the demo's, to look around in, and not the kitchen's own.
    """

    version: int
    made_up: bool
    in_the_clear: bool
    today: str
    regime_name: str
    regimes: list[Named]
    unchecked: int
    unchecked_products: int
    flags: list[Flag]
    diets: list[DietOut]
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
def kitchen(request: Request, now: TheBook) -> KitchenOut:
    """The kitchen, the regime that it declares by, and the words to choose from."""
    return _kitchen(request, now)


class FirstStepsOut(BaseModel):
    """How far a new kitchen is; `over` once its first plates are complete.

    Reading the labels of `first` frees so many plates.
    """

    recipes: int
    products: int
    unread: int
    first: list[Named]
    frees: int
    plates: int
    complete: int
    over: bool


@router.get("/kitchen/first-steps")
def first_steps_so_far(now: TheBook) -> FirstStepsOut:
    """What is in, what is to be read, and what that would free."""
    found = first_steps(now.reading)
    return FirstStepsOut(
        recipes=found.recipes,
        products=found.products,
        unread=found.unread,
        first=all_named(now.reading.book, found.first),
        frees=found.frees,
        plates=found.plates,
        complete=found.complete,
        over=found.over,
    )


@router.put("/kitchen")
def name_kitchen(
    request: Request, wanted: KitchenIn, ledger: TheLedger, actor: TheActor
) -> KitchenOut:
    """Names the kitchen and picks its regime. What is carried stays; what is declared changes."""
    if wanted.regime not in regimes():
        raise BookRefused([Fault("regime", unknown("regime", wanted.regime, regimes()))])
    initials = [person.initials for person in wanted.people]
    if twice := next((word for word in initials if initials.count(word) > 1), None):
        raise BookRefused([Fault("people", f'two people have the initials "{twice}"')])
    given = wanted.model_dump(include=wanted.model_fields_set - {"seen"})
    standing = as_piece(KitchenPiece, ledger.now.reading.book.kitchen).model_dump()
    after = as_value(Kitchen, KitchenPiece.model_validate({**standing, **given}))
    named = [after.name, *(person.name for person in after.people)]
    found = [fault for name in named for fault in name_faults("", name)]
    found += [*measure_faults(after.measures), *measures_missed(ledger.now.reading.book, after)]
    if found:
        raise BookRefused(found)
    ledger.update_kitchen(after, wanted.seen, actor)
    return _kitchen(request, ledger.now)


def _kitchen(request: Request, now: Now) -> KitchenOut:
    book = now.reading.book
    unchecked = [unchecked_flags(now.reading, id) for id in book.products]
    classes = classes_in_use(book.products.values(), book.preparations.values())
    classes.update(known_classes())
    return KitchenOut(
        **as_piece(KitchenPiece, book.kitchen).model_dump(),
        version=now.kitchen_version,
        in_the_clear=request.app.state.in_the_clear,
        made_up=request.app.state.own_ledger is not None,
        today=str(now.reading.on),
        regime_name=regimes()[book.kitchen.regime].name,
        regimes=[Named(id=regime.id, name=regime.name) for regime in regimes().values()],
        unchecked=sum(unchecked),
        unchecked_products=sum(count > 0 for count in unchecked),
        flags=list(book.flags),
        diets=[
            DietOut(id=diet.id, name=diet.name, also=list(diet.also)) for diet in diets().values()
        ],
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
    """How many flags of a product nobody has checked; none of one that is put away and unused."""
    if is_put_away(reading, product):
        return 0
    return sum(level is Level.UNCHECKED for level in reading.levels(product).values())
