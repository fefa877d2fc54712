"""The shipped library of bases: which there are, and one of them as a card of the kitchen's own."""

from fastapi import APIRouter, HTTPException
from pydantic import BaseModel

from yellow_ladle.api.dependencies import TheBook
from yellow_ladle.core.book.book import Book
from yellow_ladle.core.swaps.library.base_cards import BaseCard, base_card, base_cards
from yellow_ladle.core.swaps.library.bases import shipped_bases
from yellow_ladle.files.book.conversion import as_piece
from yellow_ladle.files.book.models import PreparationPiece, ProductPiece

router = APIRouter(prefix="/bases", tags=["pots"])


class BaseOut(BaseModel):
    """A base of the library: what it is made of here, and what would be new in the book."""

    id: str
    name: str
    kind: str
    made_of: list[str]
    new_pots: list[str]
    new_goods: list[str]


class BaseCardOut(BaseModel):
    """What is brought in with a base: the base last, before it those that it is made of."""

    products: list[ProductPiece]
    preparations: list[PreparationPiece]


@router.get("")
def bases(now: TheBook) -> list[BaseOut]:
    """Every base of the library, by kind and name."""
    return [_base(now.reading.book, id, brought) for id, brought in base_cards(now.reading)]


@router.get("/{id}")
def base(id: str, now: TheBook) -> BaseCardOut:
    """One base with what it needs besides, to be recorded with the change `bring_in`."""
    if id not in shipped_bases():
        raise HTTPException(404, f'There is no base "{id}" in the library.')
    brought = base_card(now.reading, id)
    return BaseCardOut(
        products=[as_piece(ProductPiece, product) for product in brought.products],
        preparations=[
            as_piece(PreparationPiece, preparation) for preparation in brought.preparations
        ],
    )


def _base(book: Book, id: str, brought: BaseCard) -> BaseOut:
    new = {product.id: product.name for product in brought.products}
    new |= {made.id: made.name for made in brought.preparations}
    return BaseOut(
        id=id,
        name=brought.card.name,
        kind=brought.card.kind,
        made_of=[new.get(line.item) or book.name(line.item) for line in brought.card.lines],
        new_pots=[made.name for made in brought.preparations[:-1]],
        new_goods=[product.name for product in brought.products],
    )
