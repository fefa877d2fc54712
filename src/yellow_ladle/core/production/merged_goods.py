"""Entries about goods that were recorded twice and have been put into one since."""

from dataclasses import fields, replace
from typing import TypeVar

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.production.batch import Batch
from yellow_ladle.core.production.daybook import Daybook

NAMING = ("product", "item", "bag")
"""The fields in which an entry may name a product."""

Entry = TypeVar("Entry")


def following_merges(book: Book, daybook: Daybook) -> Daybook:
    """A daybook that names each merged product by the one it was put into."""
    kept = {gone: product.id for product in book.products.values() for gone in product.merged}
    kept = {gone: id for gone, id in kept.items() if gone not in book.products}
    if not kept:
        return daybook

    def renamed(entry: Entry) -> Entry:
        named = {name: getattr(entry, name, None) for name in NAMING}
        moved = {name: kept[id] for name, id in named.items() if isinstance(id, str) and id in kept}
        return replace(entry, **moved) if moved else entry  # type: ignore[type-var]

    def renamed_batch(batch: Batch) -> Batch:
        entries = tuple(map(renamed, batch.went_in))
        card = batch.card
        if card is not None and any(line.item in kept for line in card.lines):
            lines = tuple(map(renamed, card.lines))
            card = replace(card, lines=lines)
        if entries == batch.went_in and card is batch.card:
            return batch
        return replace(batch, went_in=entries, card=card)

    lists = {entry.name: getattr(daybook, entry.name) for entry in fields(daybook)}
    lists = {name: tuple(map(renamed, entries)) for name, entries in lists.items()}
    return replace(daybook, **lists | {"batches": tuple(map(renamed_batch, daybook.batches))})
