"""Lists a page at a time."""

from collections.abc import Sequence
from typing import Annotated, Generic, TypeVar

from fastapi import Path, Query
from pydantic import BaseModel

T = TypeVar("T")

RowId = Annotated[int, Path(ge=1, le=2**53)]
"""The number of an entry or a notice, as far as every client can count."""
Offset = Annotated[int, Query(ge=0, le=1_000_000, description="How many to pass over.")]
Size = Annotated[int, Query(ge=1, le=500, description="How many to give at most.")]


class Page(BaseModel, Generic[T]):
    """A part of a list, with how long the whole list is."""

    entries: list[T]
    total: int
    offset: int


def page(entries: Sequence[T], offset: int, size: int) -> "Page[T]":
    """One page of a list."""
    return Page(entries=list(entries[offset : offset + size]), total=len(entries), offset=offset)
