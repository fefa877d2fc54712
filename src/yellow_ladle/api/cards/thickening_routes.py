"""The thickening bench: the amounts of each thickener side by side, and what a mixture will be."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, Field

from yellow_ladle.api.cards.figures import stand_out
from yellow_ladle.api.dependencies import TheBook, preparation_or_missing
from yellow_ladle.api.schemas.answer_forms import Named
from yellow_ladle.api.schemas.figure_forms import StandOut
from yellow_ladle.core.book.fault import BookRefused, Fault, unknown
from yellow_ladle.core.numbers.thickeners import browning, is_fat, thickeners
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.thickening.dosage import (
    GOALS,
    DosageOption,
    Goal,
    Liquid,
    middle_of,
    options,
    thickened,
)
from yellow_ladle.core.thickening.thickness import (
    Span,
    holds_milk,
    is_sour,
    places,
    thickness,
)
from yellow_ladle.core.vocabulary.levels import LevelWord
from yellow_ladle.files.book.piece import Word

router = APIRouter(prefix="/thickening", tags=["thickening"])


class PlaceOut(BaseModel):
    """One place of the scale, from so many grams of flour in a litre on."""

    id: str
    name: str
    start: float
    stand: StandOut


class FatOut(BaseModel):
    """A fat of the larder: its class, by which a roux is reckoned, and the product."""

    id: str
    name: str
    item: str


class BenchOut(BaseModel):
    """What the bench can be asked for."""

    places: list[PlaceOut]
    thickeners: list[Named]
    goals: list[Goal]
    colours: list[str]
    fats: list[FatOut]


class PotOnBench(BaseModel):
    """A pot's liquid as the bench starts from it: litres, and grams of flour in each already."""

    litres: float
    already: float
    sour: bool
    milk: bool
    stand: StandOut


class ThickenIn(BaseModel):
    """Litres to be thickened to a place, by which thickeners, towards which goals.

    `fat` is the class of the fat that a roux is made with; `equal` keeps equal weights.
    """

    litres: Annotated[float, Field(ge=0.001, le=10_000)]
    place: Word
    thickeners: Annotated[list[Word], Field(max_length=40)] = []
    goals: Annotated[list[Goal], Field(max_length=10)] = []
    already: Annotated[float, Field(ge=0, le=1_000)] = 0
    minutes: Annotated[float, Field(ge=0, le=1_440)] = 0
    sour: bool = False
    milk: bool = False
    fat: Word = "butter"
    colour: Word = "white"
    equal: bool = True


class CandidateOut(BaseModel):
    """A product of the larder that is this thickener, with all that it carries."""

    id: str
    name: str
    flags: dict[str, LevelWord]


class OptionOut(BaseModel):
    """One thickener: grams with their range, the roux where it is one, method and cautions."""

    thickener: str
    name: str
    form: str
    grams: float
    low: float
    high: float
    flour: float | None
    fat: float | None
    method: list[str]
    cautions: list[str]
    unmet: list[Goal]
    candidates: list[CandidateOut]


class WillBeIn(BaseModel):
    """Grams of thickeners in so many litres."""

    litres: Annotated[float, Field(ge=0.001, le=10_000)]
    grams: dict[Word, Annotated[float, Field(ge=0, le=1_000_000)]]
    colour: Word = "white"


@router.get("")
def bench(now: TheBook) -> BenchOut:
    """The scale, the thickeners, the goals, and the fats of the larder."""
    fats = {
        str(product.class_): product
        for product in now.reading.book.products.values()
        if is_fat(product.class_ or "")
    }
    return BenchOut(
        places=[
            PlaceOut(
                id=place.id,
                name=place.name,
                start=place.start,
                stand=stand_out(Span(*(middle_of(place.id),) * 3)),
            )
            for place in places()
        ],
        thickeners=[Named(id=entry.id, name=entry.name) for entry in thickeners().values()],
        goals=list(GOALS),
        colours=list(browning()),
        fats=[
            FatOut(id=class_, name=product.name, item=product.id)
            for class_, product in fats.items()
        ],
    )


@router.get("/pots/{id}")
def pot_on_bench(id: str, now: TheBook) -> PotOnBench:
    """A pot's own liquid, and how thick it is already."""
    preparation = preparation_or_missing(now, id)
    balance = now.reading.balance
    found = thickness(balance, id)
    grams = balance.of(id).grams
    return PotOnBench(
        litres=grams / (balance.density(id) or 1.0) / 1000,
        already=found.hot.middle,
        sour=is_sour(balance, preparation),
        milk=holds_milk(balance, id),
        stand=stand_out(found.hot),
    )


@router.post("")
def thicken(wanted: ThickenIn, now: TheBook) -> list[OptionOut]:
    """The amount of each thickener, side by side; those that reach every goal come first."""
    known = {place.id: place for place in places()}
    if wanted.place not in known:
        raise BookRefused([Fault("place", unknown("place", wanted.place, known))])
    for name in wanted.thickeners:
        _known(name)
    _known_colour(wanted.colour)
    liquid = Liquid(
        litres=wanted.litres,
        already=wanted.already,
        minutes=wanted.minutes,
        sour=wanted.sour,
        milk=wanted.milk,
    )
    found = options(
        reading=now.reading,
        liquid=liquid,
        place=known[wanted.place],
        wanted=wanted.thickeners or list(thickeners()),
        goals=tuple(wanted.goals),
        fat=wanted.fat,
        colour=wanted.colour,
        equal=wanted.equal,
    )
    return [_option(now.reading, option) for option in found]


@router.post("/will-be")
def will_be(wanted: WillBeIn) -> StandOut:
    """How thick so many grams of thickeners make a liquid: the bench the other way round."""
    _known_colour(wanted.colour)
    for name in wanted.grams:
        _known(name)
    return stand_out(thickened(wanted.grams, wanted.litres, wanted.colour))


def _option(reading: Reading, option: DosageOption) -> OptionOut:
    book = reading.book
    return OptionOut(
        thickener=option.thickener.id,
        name=option.thickener.name,
        form=option.thickener.form,
        grams=option.grams,
        low=option.low,
        high=option.high,
        flour=option.roux and option.roux.flour,
        fat=option.roux and option.roux.fat,
        method=list(option.thickener.method),
        cautions=list(option.cautions),
        unmet=list(option.unmet),
        candidates=[
            CandidateOut(
                id=entry.product,
                name=book.name(entry.product),
                flags={flag: lv.word for flag, lv in reading.levels(entry.product).items()},
            )
            for entry in option.candidates
        ],
    )


def _known(name: str) -> None:
    if name not in thickeners():
        raise BookRefused([Fault("thickeners", unknown("thickener", name, thickeners()))])


def _known_colour(colour: str) -> None:
    if colour not in browning():
        raise BookRefused([Fault("colour", unknown("roux colour", colour, browning()))])
