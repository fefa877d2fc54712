"""Of which lines a by-product comes, and whether it is still there once lines are replaced.

A by-product carries everything of its preparation, whatever it comes of. It is gone as soon as any
line that it comes of is left out or replaced by something of another class or of none: there is no
hen fat on a stock of mushrooms.
"""

from collections.abc import Iterable, Mapping
from dataclasses import replace
from typing import TypeAlias

from yellow_ladle.core.book.book import Book, ByProduct, Preparation, by_product_item

Replaced: TypeAlias = Mapping[tuple[str, int], str | None]
"""Per line (preparation, index) the item that takes its place; None where it is left out."""


def comes_of(preparation: Preparation, part: ByProduct) -> tuple[int, ...]:
    """The lines in use that a by-product comes of: those that it names, else by the rule.

    Without any named: the counted lines of role body; where there are none, those that are strained
    out; else every counted line.
    """
    if part.of is not None:
        return part.of
    counted = tuple(preparation.counted())
    body = tuple(index for index in counted if preparation.lines[index].role == "body")
    strained = tuple(index for index in counted if preparation.lines[index].strained_out)
    return body or strained or counted


def ends(book: Book, preparation: str, index: int, to: str | None) -> tuple[str, ...]:
    """The by-products, as items, that are gone once a line's item is replaced by another."""
    made = book.preparations[preparation]
    if not made.by_products:
        return ()
    if to is not None and _class(book, to) == _class(book, made.lines[index].item) is not None:
        return ()
    return tuple(
        by_product_item(preparation, part.id)
        for part in made.by_products
        if index in comes_of(made, part)
    )


def renumbered(parts: Iterable[ByProduct], places: Mapping[int, int], /) -> tuple[ByProduct, ...]:
    """By-products after their card's lines were moved, added or dropped.

    `places` gives each line that is left its new index by its old one. A by-product of which no
    line is left follows the rule from then on.
    """
    return tuple(
        part
        if part.of is None
        else replace(part, of=tuple(sorted(places[n] for n in part.of if n in places)) or None)
        for part in parts
    )


def ended(book: Book, replaced: Replaced) -> frozenset[str]:
    """The by-products, as items, that are gone once some lines are replaced."""
    gone = (ends(book, made, index, to) for (made, index), to in replaced.items())
    return frozenset(item for items in gone for item in items)


def used(book: Book, by_products: Iterable[str]) -> tuple[tuple[str, str], ...]:
    """The counted lines on some by-products: each preparation with the item it is made with."""
    wanted = frozenset(by_products)
    if not wanted:
        return ()
    return tuple(
        (preparation.id, preparation.lines[index].item)
        for preparation in book.preparations.values()
        for index in preparation.counted()
        if preparation.lines[index].item in wanted
    )


def named(book: Book, by_products: Iterable[str]) -> tuple[tuple[str, str], ...]:
    """Every line on some by-products, alternatives and other ways included."""
    wanted = frozenset(by_products)
    found: dict[tuple[str, str], None] = {}
    for made in book.preparations.values() if wanted else ():
        lines = (*made.lines, *(line for way in made.ways for line in way.lines))
        found |= {(made.id, line.item): None for line in lines if line.item in wanted}
    return tuple(found)


def _class(book: Book, item: str) -> str | None:
    """The recorded class of an item; a by-product has none."""
    if item in book.products:
        return book.products[item].class_
    preparation = book.preparations.get(item)
    return preparation.class_ if preparation else None
