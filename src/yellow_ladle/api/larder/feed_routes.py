"""The supplier's feed: new sheets against what is recorded, and codes that open a product."""

from dataclasses import replace
from typing import Annotated, Literal

from fastapi import APIRouter, Query, Request
from fastapi.concurrency import run_in_threadpool
from pydantic import BaseModel, Field

from yellow_ladle.api.cards.impact_answers import ImpactOut, impact_out
from yellow_ladle.api.dependencies import TheActor, TheBook, TheLedger, product_or_missing
from yellow_ladle.api.errors import Missing
from yellow_ladle.api.paging import RowId
from yellow_ladle.api.schemas.answer_forms import Named
from yellow_ladle.api.uploads import BODY, whole_body
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.book.maker import Evidence
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.larder.label_changes import (
    accepted,
    differences,
    kept_apart,
    voice_with_code,
)
from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.vocabulary.gs1_elements import Scanned, doubt_about, scanned
from yellow_ladle.core.vocabulary.levels import LevelWord
from yellow_ladle.devices.code_reader import codes_in
from yellow_ladle.devices.feed_reader import FeedFailed, fetch_sheets
from yellow_ladle.files.picture import MAX_BYTES
from yellow_ladle.files.supplier_sheet import GoodPart, Sheet, levels_of, sheet_of, stated_by
from yellow_ladle.store.label_changes import Notice, add_notice, decided_on, notice, open_notices
from yellow_ladle.store.ledger import Ledger

router = APIRouter(tags=["feed"])


class DifferenceOut(BaseModel):
    """One flag: what is recorded, and what the new sheet says."""

    flag: str
    recorded: LevelWord
    sheet: LevelWord


class NoticeOut(BaseModel):
    """A maker changed a label. `impact` is what accepting it would do.

    `version` is that of the product, on which a decision is taken.
    """

    id: int
    version: int
    product: Named
    maker: str
    supplier: str
    issued: str
    received: str
    differences: list[DifferenceOut]
    unknown: list[str]
    ingredients: str
    impact: ImpactOut


class FetchedOut(BaseModel):
    """What a fetch brought: new notices, and goods that the larder does not know."""

    sheets: int
    notices: int
    unknown_goods: list[str]


class DecisionIn(BaseModel):
    """Accept the new label in the old one's place, or keep it apart as a maker beside it.

    `seen` is the version of the product that it is decided on.
    """

    seen: int
    decision: Literal["accept", "keep_apart"]
    why: Annotated[str, Field(max_length=1_000)] = ""


class CodeOut(BaseModel):
    """A bar code and the product that it stands on."""

    code: str
    product: Named
    maker: str


class ScannedOut(BaseModel):
    """A code as it was scanned, what else it says, and the product with it; null: none has it.

    `doubt` says why an unknown one may be misread.
    """

    code: str
    lot: str
    use_by: str | None
    weight_kg: float | None
    product: Named | None
    maker: str
    doubt: str


@router.post("/feed/fetch")
def fetch(request: Request, ledger: TheLedger) -> FetchedOut:
    """Fetches the supplier's sheets. What differs from the record becomes a notice."""
    address = request.app.state.feed
    if not address:
        raise BookRefused([Fault("feed", "no supplier's feed is set up for this kitchen")])
    try:
        sheets = fetch_sheets(address)
    except FeedFailed as error:
        raise BookRefused([Fault("feed", str(error))]) from error
    fresh, unknown = 0, []
    for sheet in sheets:
        for good in sheet.goods:
            found = _with_code(ledger, good.code)
            if found is None:
                unknown.append(good.name)
            elif differences(found[0], found[1], stated_by(good)) or levels_of(good).unknown:
                fresh += add_notice(ledger, found[0].id, found[1], _one(sheet, good))
    return FetchedOut(sheets=len(sheets), notices=fresh, unknown_goods=unknown)


@router.get("/notices")
def notices(ledger: TheLedger) -> list[NoticeOut]:
    """What nobody has decided yet, with what accepting it would do."""
    return [_notice(ledger, entry) for entry in open_notices(ledger)]


@router.post("/notices/{id}/decide")
def decided(id: RowId, wanted: DecisionIn, ledger: TheLedger, actor: TheActor) -> ImpactOut:
    """Records what was decided about a notice."""
    entry = notice(ledger, id)
    if entry is None or entry.decided is not None:
        raise Missing("open notice", str(id))
    product = product_or_missing(ledger.now, entry.product)
    made = _accepted(entry, product, actor.person)
    if wanted.decision == "keep_apart":
        made = _apart(entry, product, actor.person)
    why = wanted.why or f"new sheet, {wanted.decision.replace('_', ' ')}"
    seen = {product.id: wanted.seen}
    act = replace(actor, why=why)
    decision = decided_on(ledger, id, wanted.decision)
    return impact_out(ledger.record(Change(products=(made,)), seen, act, decision).impact)


@router.get("/codes")
def codes(now: TheBook) -> list[CodeOut]:
    """Every bar code in the larder."""
    found = []
    for product in now.reading.book.products.values():
        here = Named(id=product.id, name=product.name)
        if product.code:
            found.append(CodeOut(code=product.code, product=here, maker=""))
        found += [
            CodeOut(code=maker.code, product=here, maker=maker.name)
            for maker in product.makers
            if maker.code
        ]
    return sorted(found, key=lambda entry: entry.product.name)


@router.get("/codes/{code}")
def code(code: str, ledger: TheLedger) -> CodeOut:
    """The product on whose pack a bar code stands."""
    found = _with_code(ledger, code)
    if found is None:
        raise Missing("product with the code", code)
    product, maker = found
    named = next((known.name for known in product.makers if known.id == maker), "")
    return CodeOut(code=code, product=Named(id=product.id, name=product.name), maker=named)


@router.get("/scan")
def scan(
    text: Annotated[str, Query(min_length=1, max_length=200)], ledger: TheLedger
) -> ScannedOut:
    """What a scanner typed or a person wrote: the jar that it opens, its lot, date and weight."""
    return _scanned(ledger, scanned(text))


@router.post("/scan/picture", openapi_extra=BODY)
async def scan_picture(request: Request, ledger: TheLedger) -> list[ScannedOut]:
    """The codes in a photograph."""
    content = await whole_body(request, MAX_BYTES)
    found = await run_in_threadpool(codes_in, content)
    return [_scanned(ledger, entry) for entry in found]


def _scanned(ledger: Ledger, found: Scanned) -> ScannedOut:
    held = _with_code(ledger, found.code)
    product, maker = held if held is not None else (None, "")
    known = product.makers if product is not None else ()
    return ScannedOut(
        code=found.code,
        lot=found.lot,
        use_by=None if found.use_by is None else found.use_by.isoformat(),
        weight_kg=found.weight_kg,
        product=None if product is None else Named(id=product.id, name=product.name),
        maker=next((each.name for each in known if each.id == maker), ""),
        doubt="" if product is not None else doubt_about(found.code),
    )


def _with_code(ledger: Ledger, code: str) -> tuple[Product, str] | None:
    for product in ledger.now.reading.book.products.values():
        maker = voice_with_code(product, code)
        if maker is not None:
            return product, maker
    return None


def _one(sheet: Sheet, good: GoodPart) -> dict[str, object]:
    """The sheet with this one of its goods alone."""
    return sheet.model_copy(update={"goods": [good]}).model_dump(by_alias=True)


def _accepted(entry: Notice, product: Product, person: str | None) -> Product:
    sheet, good = _sheet(entry)
    why = Evidence("supplier", sheet.issued, person)
    return accepted(
        product=product, maker=entry.maker, stated=stated_by(good), why=why, label=good.ingredients
    )


def _apart(entry: Notice, product: Product, person: str | None) -> Product:
    sheet, good = _sheet(entry)
    why = Evidence("supplier", sheet.issued, person)
    name = f"{sheet.supplier}, sheet of {sheet.issued}"
    return kept_apart(
        product=product,
        maker=entry.maker,
        name=name,
        stated=stated_by(good),
        why=why,
        label=good.ingredients,
    )


def _sheet(entry: Notice) -> tuple[Sheet, GoodPart]:
    sheet = sheet_of(dict(entry.sheet))
    return sheet, sheet.goods[0]


def _notice(ledger: Ledger, entry: Notice) -> NoticeOut:
    sheet, good = _sheet(entry)
    product = ledger.now.reading.book.products[entry.product]
    changed = differences(product, entry.maker, stated_by(good))
    impact = ledger.preview(Change(products=(_accepted(entry, product, None),)))
    return NoticeOut(
        id=entry.id,
        version=ledger.now.versions[entry.product],
        product=Named(id=product.id, name=product.name),
        maker=next((known.name for known in product.makers if known.id == entry.maker), ""),
        supplier=sheet.supplier,
        issued=sheet.issued,
        received=entry.received,
        differences=[
            DifferenceOut(flag=flag, recorded=was.word, sheet=says.word)
            for flag, (was, says) in changed.items()
        ],
        unknown=list(levels_of(good).unknown),
        ingredients=good.ingredients,
        impact=impact_out(impact),
    )
