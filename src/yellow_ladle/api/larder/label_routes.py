"""Reading a label's text: proposals that a person confirms."""

from itertools import zip_longest
from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, ConfigDict, Field

from yellow_ladle.api.dependencies import TheBook, TheTextWorkers
from yellow_ladle.api.schemas.answer_forms import Answer, Named, PlainOut, plain_out
from yellow_ladle.core.book.fault import BookRefused, Fault, unknown
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.labels.label_reading import Because, FlagProposal, Listed, TooLong, Word
from yellow_ladle.core.labels.languages import AUTO
from yellow_ladle.core.labels.reader import read_label
from yellow_ladle.core.larder.starting_points import SAY, goods
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.core.words.class_names import class_of_name
from yellow_ladle.core.words.lexicon import languages
from yellow_ladle.files.book.conversion import as_piece
from yellow_ladle.files.book.models import ClassId, ProductPiece

router = APIRouter(tags=["larder"])


class LabelIn(BaseModel):
    """A label's text, which may hold HTML or markdown, and its language."""

    model_config = ConfigDict(
        json_schema_extra={
            "example": {"text": "Sugar, whey powder (MILK). May contain egg.", "language": "auto"}
        }
    )

    text: Annotated[str, Field(max_length=1_000_000)]
    language: Annotated[str, Field(max_length=20)] = AUTO


class ClaimOut(Answer):
    """What the label claims to be free from, or suitable for."""

    flags: list[str]
    because: Because


class LabelOut(Answer):
    """What a label's text proposes, asks, claims and lists.

    `complete`: every word is accounted for and no question is open; only then may a person take the
    rest as free.
    """

    language: str
    proposals: list[FlagProposal]
    questions: list[str]
    claims: list[ClaimOut]
    listed: list[Listed]
    unknown: list[Word]
    complete: bool


class GoodOut(BaseModel):
    """A starting point: a product begun, and what to look for on its label."""

    id: str
    name: str
    class_name: str
    plain: bool
    look: list[str]
    say: str
    product: ProductPiece


class ClassesIn(BaseModel):
    """Names of goods and pots as somebody types them, and the classes that are recorded of them."""

    names: Annotated[list[Annotated[str, Field(max_length=1_000)]], Field(max_length=1_000)]
    recorded: Annotated[list[ClassId | None], Field(max_length=1_000)] = []


class ClassOut(Answer):
    """What a name means: a class or null, whether that is certain, and what else it may be.

    `plain`: what recording it as a plain single food would state; null where it cannot be one.
    """

    class_: Annotated[str | None, Field(serialization_alias="class")]
    certain: bool
    others: list[str]
    plain: PlainOut | None


def known_language(language: str) -> None:
    """Raises BookRefused where labels cannot be read in a language."""
    known = [AUTO, *languages()]
    if language not in known:
        raise BookRefused([Fault("language", unknown("language", language, known))])


@router.post("/classes/read")
async def classes(wanted: ClassesIn, now: TheBook, workers: TheTextWorkers) -> list[ClassOut]:
    """What goods and pots of some names are taken as, in the order of the names."""
    letters = sum(map(len, wanted.names))
    return await workers.run(letters, _classes, wanted, now.reading.book.flags)


def _classes(wanted: ClassesIn, flags: tuple[Flag, ...]) -> list[ClassOut]:
    pairs = zip_longest(wanted.names, wanted.recorded[: len(wanted.names)])
    return [_class(Product("", str(name), class_), flags) for name, class_ in pairs]


def _class(product: Product, flags: tuple[Flag, ...]) -> ClassOut:
    guess = class_of_name(product.name)
    return ClassOut(
        class_=guess.class_,
        certain=guess.certain,
        others=list(guess.others),
        plain=plain_out(product, flags),
    )


@router.post("/labels/read")
async def read(wanted: LabelIn, now: TheBook, workers: TheTextWorkers) -> LabelOut:
    """Reads a label. Nothing is recorded: a person confirms each proposal, or the lot."""
    known_language(wanted.language)
    try:
        book = now.reading.book
        asked = (wanted.text, wanted.language, book.kitchen.regime, book.house_flags)
        return LabelOut.model_validate(await workers.run(len(wanted.text), read_label, *asked))
    except TooLong as error:
        raise BookRefused([Fault("text", str(error))]) from error


@router.get("/labels/languages")
def label_languages() -> list[Named]:
    """The languages that labels can be read in."""
    return [Named(id=id, name=name) for id, name in languages().items()]


@router.get("/goods")
def starting_points() -> list[GoodOut]:
    """Common goods to begin a product from. Typical; the label decides."""
    return [
        GoodOut(
            id=good.id,
            name=good.name,
            class_name=good.class_,
            plain=good.plain,
            look=list(good.look),
            say="" if good.plain else SAY,
            product=as_piece(ProductPiece, good.product(good.id)),
        )
        for good in goods().values()
    ]
