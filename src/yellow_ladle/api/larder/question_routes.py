"""What only makers can answer, one list a supplier."""

from fastapi import APIRouter, Request, Response
from pydantic import BaseModel

from yellow_ladle.api.dependencies import TheBook
from yellow_ladle.api.kept_answers import TheKeptAnswers
from yellow_ladle.api.schemas.answer_forms import Named, all_named, named
from yellow_ladle.core.larder.maker_questions import (
    NOT_NAMED,
    MakerQuestion,
    letter,
    maker_questions,
)
from yellow_ladle.store.documents import Now

router = APIRouter(tags=["larder"])


class MakerQuestionOut(BaseModel):
    """What is asked about one good; `maker` is null where its label is the product's own."""

    product: Named
    maker: str | None
    version: int
    flags: list[str]
    sentences: list[str]
    plates: list[Named]


class SupplierQuestionsOut(BaseModel):
    """The questions for one supplier, and the same as a text to be sent."""

    supplier: str
    named: bool
    letter: str
    questions: list[MakerQuestionOut]


class QuestionsOut(BaseModel):
    """Every open question, by supplier."""

    suppliers: list[SupplierQuestionsOut]


@router.get("/questions", response_model=QuestionsOut)
async def questions(request: Request, now: TheBook, kept: TheKeptAnswers) -> Response:
    """The open questions, by supplier."""
    return await kept.answer(request, now, lambda: _questions(now))


def _questions(now: Now) -> QuestionsOut:
    suppliers = [
        SupplierQuestionsOut(
            supplier=supplier,
            named=supplier != NOT_NAMED,
            letter=letter(now.reading, supplier, asked),
            questions=[_question(now, each) for each in asked],
        )
        for supplier, asked in maker_questions(now.reading).items()
    ]
    return QuestionsOut(suppliers=suppliers)


def _question(now: Now, asked: MakerQuestion) -> MakerQuestionOut:
    book = now.reading.book
    return MakerQuestionOut(
        product=named(book, asked.product),
        maker=asked.maker,
        version=now.versions[asked.product],
        flags=list(asked.flags),
        sentences=list(asked.sentences),
        plates=all_named(book, asked.plates),
    )
