"""Everything that nobody has checked, or that wants a second look, in one list."""

from fastapi import APIRouter
from pydantic import BaseModel

from yellow_ladle.api.dependencies import TheBook, TheLedger
from yellow_ladle.api.errors import PROBLEMS
from yellow_ladle.api.schemas.answer_forms import Named, all_named, named
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.carrying.label_sources import contradictions, measure
from yellow_ladle.core.checks.goal_faults import need_faults
from yellow_ladle.core.larder.review_dates import run_out_certificates, second_looks
from yellow_ladle.core.larder.unchecked import Held, Settling, held, settled_by
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.vocabulary.levels import LevelWord
from yellow_ladle.files.book.conversion import as_piece, as_value
from yellow_ladle.files.book.models import NeedPiece
from yellow_ladle.store.book_repository import Now

router = APIRouter(tags=["unchecked"], responses=PROBLEMS)


class HeldOut(BaseModel):
    """Something unchecked: what it holds back, and the quickest way to settle it.

    `settle`: what is quickest.
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

    `against` names the other record: `abv_percent`, `so2_mg_per_kg` with its `number`, or `class`.
    """

    product: Named
    maker: str | None
    flag: str
    level: LevelWord
    reads: LevelWord
    against: str
    number: float | None
    class_name: str


class StaleOut(BaseModel):
    """A pot whose sign-off a change has made stale."""

    pot: Named
    person: str
    date: str
    stale_since: str
    stale_by: str


class UncheckedOut(BaseModel):
    """The whole list: what is unchecked, what wants a second look, what holds no more."""

    held: list[HeldOut]
    second_looks: list[SecondLookOut]
    second_look_days: int
    run_out: list[RunOutOut]
    contradictions: list[ContradictionOut]
    stale_sign_offs: list[StaleOut]
    needs: list[NeedPiece]


@router.get("/unchecked")
def unchecked(now: TheBook) -> UncheckedOut:
    """What is unchecked, what a guest waits for first, then what holds back most plates."""
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
                class_name=(book.products[found.product].class_ or "").replace("-", " "),
            )
            for found in contradictions(book, on)
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
        needs=[as_piece(NeedPiece, entry) for entry in book.needs],
    )


@router.put("/needs")
def keep_needs(wanted: list[NeedPiece], ledger: TheLedger) -> list[NeedPiece]:
    """Puts these open needs of guests in the place of those that were there."""
    needs = tuple(as_value(Need, entry) for entry in wanted)
    if wrong := list(need_faults(needs, ledger.now.reading.book.flag_ids)):
        raise BookRefused(wrong)
    ledger.keep_needs(needs)
    return [as_piece(NeedPiece, entry) for entry in ledger.now.reading.book.needs]


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
        version=now.versions[entry.item],
    )


def _maker(reading: Reading, product: str, maker: str | None) -> str | None:
    if maker is None:
        return None
    makers = reading.book.products[product].makers
    return next((known.name for known in makers if known.id == maker), maker)
