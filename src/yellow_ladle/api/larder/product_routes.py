"""The larder: bought products and what their labels say."""

from typing import Annotated

from fastapi import APIRouter, Query, Request, Response
from pydantic import BaseModel

from yellow_ladle.api.dependencies import TheBook, product_or_missing
from yellow_ladle.api.kept_answers import TheKeptAnswers
from yellow_ladle.api.kitchen.kitchen_routes import unchecked_flags
from yellow_ladle.api.paging import Offset, Page, Size, page
from yellow_ladle.api.schemas.answer_forms import Named, all_named, named
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.proposed_class import taken_as
from yellow_ladle.core.cards.compare import product_differences
from yellow_ladle.core.larder.duplicates import namesakes
from yellow_ladle.core.larder.product_merge import merged_product
from yellow_ladle.core.larder.review_dates import run_out_certificates, second_looks
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.vocabulary.levels import Level, LevelWord
from yellow_ladle.files.book.conversion import as_piece, as_value, damage
from yellow_ladle.files.book.models import ProductPiece
from yellow_ladle.store.documents import Now
from yellow_ladle.store.kept_photos import photo_of

router = APIRouter(prefix="/products", tags=["larder"])


class JarOut(BaseModel):
    """A product in the larder's list. `flags` holds only what is above free.

    `class_proposed`: nobody has said the class; it is taken by the name. `used_in` counts the pots
    that name it in a line, `plates` the dishes that it reaches.
    """

    id: str
    name: str
    class_name: str
    class_proposed: bool
    unchecked: int
    otherwise: LevelWord
    flags: dict[str, LevelWord]
    used_in: int
    plates: int
    makers: int
    is_bag: bool
    second_look: bool
    retired: bool


class GivenOut(BaseModel):
    """What one voice gives the product: a maker's label, or ("") the product's own.

    `counts` says whether it does; a maker that is not in use does not.
    """

    maker: str
    name: str
    flags: dict[str, LevelWord]
    counts: bool


class ProductOut(BaseModel):
    """One product with its version and the pots it goes into.

    `inside`: what it is made of, or what is in the bag. `in_goods`: the goods that it is in.
    `run_out`: certificates that count no more. `damaged` says what cannot be read of it.
    """

    version: int
    product: ProductPiece
    flags: dict[str, LevelWord]
    goes_into: list[Named]
    in_goods: list[Named]
    given_by: list[GivenOut]
    inside: list[Named]
    run_out: list[str]
    second_look: bool
    has_photo: bool
    damaged: str


class ProductMergeIn(BaseModel):
    """The product that somebody began from, and what they made of it."""

    base: ProductPiece
    mine: ProductPiece


class ProductMergedOut(BaseModel):
    """Both people's changes on top of the version that stands. Nothing is recorded.

    `theirs` is what stands, `differences` what they changed, `conflicts` where both changed the
    same, each in sentences.
    """

    product: ProductPiece
    theirs: ProductPiece
    version: int
    differences: list[str]
    conflicts: list[str]


@router.get("", response_model=Page[JarOut])
async def products(
    request: Request,
    now: TheBook,
    kept: TheKeptAnswers,
    find: Annotated[str, Query(max_length=100)] = "",
    unchecked_only: bool = False,
    offset: Offset = 0,
    size: Size = 500,
) -> Response:
    """The larder, what nobody has checked first."""
    return await kept.answer(
        request,
        now,
        lambda: _jars(now=now, find=find, unchecked_only=unchecked_only, offset=offset, size=size),
    )


def _jars(now: Now, find: str, unchecked_only: bool, offset: int, size: int) -> Page[JarOut]:
    wanted = find.casefold()
    old = {look.product for look in second_looks(now.reading.book, str(now.reading.on))}
    jars = [
        _jar(now.reading, id, id in old)
        for id, product in now.reading.book.products.items()
        if wanted in product.name.casefold() or wanted in (taken_as(product) or "")
    ]
    if unchecked_only:
        jars = [jar for jar in jars if jar.unchecked]
    return page(sorted(jars, key=lambda jar: (-jar.unchecked, jar.name)), offset, size)


@router.get("/namesakes")
def same_name(
    now: TheBook,
    name: Annotated[str, Query(max_length=200)] = "",
    besides: Annotated[str, Query(max_length=200)] = "",
) -> list[Named]:
    """The goods that go by the same words as a name: a second jar of one is asked about."""
    return all_named(now.reading.book, namesakes(now.reading.book, name, besides))


@router.get("/{id}", response_model=ProductOut)
async def product(id: str, request: Request, now: TheBook, kept: TheKeptAnswers) -> Response:
    """One product, with what it says and where it goes."""
    product_or_missing(now, id)
    return await kept.answer(request, now, lambda: _product(now, id))


def _product(now: Now, id: str) -> ProductOut:
    value = now.reading.book.products[id]
    book, on = now.reading.book, str(now.reading.on)
    users = sorted(now.reading.derivatives(id), key=book.name)
    return ProductOut(
        version=now.versions[id],
        product=as_piece(ProductPiece, value),
        flags=now.reading.level_words(id),
        goes_into=all_named(book, users),
        in_goods=[
            named(book, user)
            for user in sorted(now.reading.graph.users.get(id, ()))
            if user in book.products
        ],
        given_by=_given_by(now.reading, value),
        inside=all_named(book, value.contents),
        run_out=[gone.kind for gone in run_out_certificates(book, on) if gone.product == id],
        second_look=id in {look.product for look in second_looks(book, on)},
        has_photo=photo_of(now, id) is not None,
        damaged=damage(ProductPiece, value),
    )


@router.post("/{id}/merged")
def merge(id: str, wanted: ProductMergeIn, now: TheBook) -> ProductMergedOut:
    """Puts somebody's changes on top of what stands now, field by field."""
    theirs = product_or_missing(now, id)
    base, mine = as_value(Product, wanted.base), as_value(Product, wanted.mine)
    found = merged_product(base, mine, theirs)
    book = now.reading.book
    return ProductMergedOut(
        product=as_piece(ProductPiece, found.product),
        theirs=as_piece(ProductPiece, theirs),
        version=now.versions[id],
        differences=list(product_differences(base, theirs, lambda item: named(book, item).name)),
        conflicts=list(found.conflicts),
    )


def _given_by(reading: Reading, product: Product) -> list[GivenOut]:
    counted = {maker.id for maker in product.counted_makers}
    rest = Level.FREE if product.makers else product.otherwise
    voices = [("", product.name, product.statements, rest)]
    voices += [(m.id, m.name, m.statements, m.otherwise) for m in product.makers]
    return [
        GivenOut(
            maker=id,
            name=name,
            flags=reading.layout.level_words(reading.layout.mask(statements, otherwise)),
            counts=id == "" or id in counted,
        )
        for id, name, statements, otherwise in voices
    ]


def _jar(reading: Reading, id: str, second_look: bool) -> JarOut:
    product = reading.book.products[id]
    return JarOut(
        id=id,
        name=product.name,
        class_name=taken_as(product) or "",
        class_proposed=not product.class_,
        unchecked=unchecked_flags(reading, id),
        otherwise=product.otherwise.word,
        flags=reading.level_words(id),
        used_in=len(reading.graph.users.get(id, ())),
        plates=reading.plates_reached(id),
        makers=len(product.makers),
        is_bag=product.bag is not None,
        second_look=second_look,
        retired=product.retired is not None,
    )
