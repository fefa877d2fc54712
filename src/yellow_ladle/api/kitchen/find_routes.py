"""The one find box: pots, jars and plates by any part of their name."""

from typing import Annotated, Literal

from fastapi import APIRouter, Query
from pydantic import BaseModel

from yellow_ladle.api.dependencies import TheBook
from yellow_ladle.core.book.book import Book, by_product_item
from yellow_ladle.core.book.ids import free_id

router = APIRouter(tags=["find"])


class FoundOut(BaseModel):
    """One thing that was found. `item` is what a line would name it by."""

    item: str
    name: str
    what: Literal["product", "preparation", "by_product"]
    kind: str


class FreeIdOut(BaseModel):
    """An id that nothing has yet."""

    id: str


@router.get("/find")
def find(
    now: TheBook,
    q: Annotated[str, Query(max_length=100)] = "",
    limit: Annotated[int, Query(ge=1, le=20_000)] = 20,
) -> list[FoundOut]:
    """What has all the words in its name; names that begin with them first. Nothing retired."""
    words = q.casefold().split()
    found = [
        entry for entry in _all(now.reading.book) if all(w in entry.name.casefold() for w in words)
    ]
    first = words[0] if words else ""
    found.sort(key=lambda entry: (not entry.name.casefold().startswith(first), entry.name))
    return found[:limit]


@router.get("/free-id")
def free(now: TheBook, name: Annotated[str, Query(min_length=1, max_length=200)]) -> FreeIdOut:
    """An id for something new of that name, one that nothing else has."""
    book = now.reading.book
    return FreeIdOut(id=free_id(name, {*book.products, *book.preparations}))


def _all(book: Book) -> list[FoundOut]:
    found = [
        FoundOut(item=product.id, name=product.name, what="product", kind=product.class_ or "")
        for product in book.products.values()
        if product.retired is None
    ]
    for preparation in book.preparations.values():
        if preparation.retired is not None:
            continue
        found.append(
            FoundOut(
                item=preparation.id,
                name=preparation.name,
                what="preparation",
                kind=preparation.kind,
            )
        )
        for part in preparation.by_products:
            item = by_product_item(preparation.id, part.id)
            found.append(
                FoundOut(item=item, name=book.name(item), what="by_product", kind="by-product")
            )
    return found
