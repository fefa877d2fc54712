"""The larder: bought products and what their labels say."""

from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel

from yellow_ladle.api.ledger import TheBook, product_or_missing
from yellow_ladle.api.pages import Offset, Page, Size, page
from yellow_ladle.api.problems import PROBLEMS
from yellow_ladle.api.routes.kitchen import Named, unchecked_flags
from yellow_ladle.core.levels import LevelWord
from yellow_ladle.core.reading import Reading
from yellow_ladle.files.book_models import ProductPiece
from yellow_ladle.files.product_pieces import product_piece

router = APIRouter(prefix="/products", tags=["larder"], responses=PROBLEMS)


class JarOut(BaseModel):
    """A product in the larder's list. `flags` holds only what is above free.

    `used_in` counts the pots that name it in a line, `plates` the dishes that it reaches.
    """

    id: str
    name: str
    class_name: str
    unchecked: int
    otherwise: LevelWord
    flags: dict[str, LevelWord]
    used_in: int
    plates: int


class ProductOut(BaseModel):
    """One product with its version and the pots it goes into."""

    version: int
    product: ProductPiece
    flags: dict[str, LevelWord]
    goes_into: list[Named]


@router.get("")
def products(
    now: TheBook,
    find: Annotated[str, Query(max_length=100)] = "",
    unchecked_only: bool = False,
    offset: Offset = 0,
    size: Size = 500,
) -> Page[JarOut]:
    """The larder, what nobody has checked first."""
    wanted = find.casefold()
    jars = [
        _jar(now.reading, id)
        for id, product in now.reading.book.products.items()
        if wanted in product.name.casefold() or wanted in product.class_
    ]
    if unchecked_only:
        jars = [jar for jar in jars if jar.unchecked]
    return page(sorted(jars, key=lambda jar: (-jar.unchecked, jar.name)), offset, size)


@router.get("/{id}")
def product(id: str, now: TheBook) -> ProductOut:
    """One product, with what it says and where it goes."""
    value = product_or_missing(now, id)
    book = now.reading.book
    users = sorted(now.reading.derivatives(id), key=book.name)
    return ProductOut(
        version=now.versions[id],
        product=product_piece(value),
        flags=level_words(now.reading, id),
        goes_into=[Named(id=user, name=book.name(user)) for user in users],
    )


def level_words(reading: Reading, item: str) -> dict[str, LevelWord]:
    """The flags of an item above free, as words."""
    return {flag: level.word for flag, level in reading.levels(item).items()}


def _jar(reading: Reading, id: str) -> JarOut:
    product, made = reading.book.products[id], reading.book.preparations
    reached = reading.reached([id])
    return JarOut(
        id=id,
        name=product.name,
        class_name=product.class_,
        unchecked=unchecked_flags(reading, id),
        otherwise=product.otherwise.word,
        flags=level_words(reading, id),
        used_in=len(reading.family.users.get(id, ())),
        plates=sum(made[pot].kind == "dish" for pot in reached),
    )
