"""Everything that nobody has checked, or that wants a second look, in one list."""

from dataclasses import replace
from typing import Literal

from fastapi import APIRouter, Request, Response
from pydantic import BaseModel

from yellow_ladle.api.dependencies import TheActor, TheBook, TheLedger
from yellow_ladle.api.kept_answers import TheKeptAnswers
from yellow_ladle.api.schemas.answer_forms import (
    Named,
    PlainOut,
    WrittenOut,
    all_named,
    named,
    plain_out,
)
from yellow_ladle.core.book.ids import free_id
from yellow_ladle.core.book.inherent_flags import inherent_flags
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.carrying.label_sources import contradictions, measure
from yellow_ladle.core.larder.class_questions import class_questions
from yellow_ladle.core.larder.review_dates import run_out_certificates, second_looks
from yellow_ladle.core.larder.unchecked import Held, Settling, held, settled_by
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.vocabulary.levels import LevelWord
from yellow_ladle.files.book.conversion import as_piece, as_value, damage
from yellow_ladle.files.book.models import NeedPiece
from yellow_ladle.files.book.piece import Id
from yellow_ladle.store.documents import Now
from yellow_ladle.store.kitchen_settings import drop_need, keep_need

router = APIRouter(tags=["unchecked"])


class HeldOut(BaseModel):
    """Something unchecked: what it holds back, and the quickest way to settle it.

    `settle`: what is quickest. `plain`: what recording it as a plain single food would state.
    """

    item: str
    name: str
    maker: str | None
    is_product: bool
    flags: list[str]
    all_flags: bool
    plates: list[Named]
    frees: list[Named]
    pots: int
    needs: list[str]
    settle: Settling
    plain: PlainOut | None
    version: int


class SecondLookOut(BaseModel):
    """A label that was read too long ago; without days where nobody wrote down when."""

    product: Named
    maker: str | None
    read_on: str | None
    days: int | None
    person: str | None


class RunOutOut(BaseModel):
    """A certificate that counts no more."""

    product: Named
    maker: str | None
    kind: str
    number: str
    expires: str


class ContradictionOut(BaseModel):
    """Two records of one product that cannot both be right; the higher level counts.

    `against` names the other record: `abv_percent`, `so2_mg_per_kg` with its `number`, `class`, or
    `name` where nobody has recorded a class.
    """

    product: Named
    maker: str | None
    flag: str
    level: LevelWord
    reads: LevelWord
    against: str
    number: float | None
    class_name: str


class ClassQuestionOut(BaseModel):
    """A product of which nobody knows what it is: swaps pass over it until somebody says.

    `likely`: what its name may mean, the likeliest first.
    """

    product: Named
    version: int
    likely: list[str]
    plates: int


class StaleOut(BaseModel):
    """A pot whose sign-off a change has made stale."""

    pot: Named
    person: str
    date: str
    stale_since: str
    stale_by: str


class NewNeedPiece(NeedPiece):
    """A need that may have no id yet: a free one is found for it."""

    id: Id | Literal[""] = ""


class NeedIn(BaseModel):
    """A guest's need as it is to be; `seen` is the version that the writer saw, null for new."""

    need: NewNeedPiece
    seen: int | None = None


class NeedOut(BaseModel):
    """An open need of a guest, with its version. `damaged` says what cannot be read of it."""

    need: NeedPiece
    version: int
    damaged: str


class UncheckedOut(BaseModel):
    """The whole list: what is unchecked, what wants a second look, what holds no more."""

    held: list[HeldOut]
    second_looks: list[SecondLookOut]
    second_look_days: int
    run_out: list[RunOutOut]
    contradictions: list[ContradictionOut]
    class_questions: list[ClassQuestionOut]
    stale_sign_offs: list[StaleOut]
    needs: list[NeedOut]


@router.get("/unchecked", response_model=UncheckedOut)
async def unchecked(request: Request, now: TheBook, kept: TheKeptAnswers) -> Response:
    """What is unchecked, what a guest waits for first, then what holds back most plates."""
    return await kept.answer(request, now, lambda: _unchecked(now))


def _unchecked(now: Now) -> UncheckedOut:
    reading = now.reading
    book, on = reading.book, str(reading.on)
    entries = held(reading, book.needs)
    return UncheckedOut(
        held=[_held(now, entry) for entry in entries],
        second_looks=[
            SecondLookOut(
                product=named(book, look.product),
                maker=_maker(reading, look.product, look.maker),
                read_on=look.read_on,
                days=look.days,
                person=look.person,
            )
            for look in second_looks(book, on)
        ],
        second_look_days=book.kitchen.second_look_days,
        run_out=[
            RunOutOut(
                product=named(book, gone.product),
                maker=_maker(reading, gone.product, gone.maker),
                kind=gone.kind,
                number=gone.number,
                expires=gone.expires,
            )
            for gone in run_out_certificates(book, on)
        ],
        contradictions=[
            ContradictionOut(
                product=named(book, found.product),
                maker=_maker(reading, found.product, found.by or None),
                flag=found.flag,
                level=found.level.word,
                reads=found.reads.word,
                against=found.against,
                number=measure(book.products[found.product], found.by, found.against),
                class_name=" or ".join(
                    class_.replace("-", " ")
                    for class_ in inherent_flags(book.products[found.product]).classes
                ),
            )
            for found in contradictions(book, on)
        ],
        class_questions=[
            ClassQuestionOut(
                product=named(book, asked.product),
                version=now.versions[asked.product],
                likely=[class_ for class_ in (asked.guess.class_, *asked.guess.others) if class_],
                plates=asked.plates,
            )
            for asked in class_questions(reading)
        ],
        stale_sign_offs=[
            StaleOut(
                pot=named(book, id),
                person=made.person,
                date=made.date,
                stale_since=made.stale_since or "",
                stale_by=made.stale_by or "",
            )
            for id, made in book.sign_offs.items()
            if not made.holds
        ],
        needs=[_need(now, entry) for entry in book.needs],
    )


@router.post("/needs")
def put_need(wanted: NeedIn, ledger: TheLedger, actor: TheActor) -> NeedOut:
    """Writes one open need of a guest, new or changed."""
    taken = [need.id for need in ledger.now.reading.book.needs]
    need = as_value(Need, wanted.need)
    need = replace(need, id=need.id or free_id(need.guest, taken))
    keep_need(ledger, need, wanted.seen, actor)
    return _need(ledger.now, need)


@router.delete("/needs/{id}")
def take_need_out(id: str, seen: int, ledger: TheLedger, actor: TheActor) -> WrittenOut:
    """Takes one need out: the guest has an answer."""
    drop_need(ledger, id, seen, actor)
    return WrittenOut(version=ledger.now.counter)


def _need(now: Now, need: Need) -> NeedOut:
    return NeedOut(
        need=as_piece(NeedPiece, need),
        version=now.setting_versions[f"need/{need.id}"],
        damaged=damage(NeedPiece, need),
    )


def _held(now: Now, entry: Held) -> HeldOut:
    reading, book = now.reading, now.reading.book
    guests = {need.id: need.guest for need in book.needs}
    return HeldOut(
        item=entry.item,
        name=book.name(entry.item),
        maker=_maker(reading, entry.item, entry.maker),
        is_product=entry.item in book.products,
        flags=list(entry.flags),
        all_flags=len(entry.flags) > len(book.flags) // 2,
        plates=all_named(book, entry.plates),
        frees=all_named(book, entry.frees),
        pots=entry.pots,
        needs=[guests[id] for id in entry.needs],
        settle=settled_by(reading, entry),
        plain=plain_out(book.products.get(entry.item), book.flags),
        version=now.versions[entry.item],
    )


def _maker(reading: Reading, product: str, maker: str | None) -> str | None:
    if maker is None:
        return None
    makers = reading.book.products[product].makers
    return next((known.name for known in makers if known.id == maker), maker)
