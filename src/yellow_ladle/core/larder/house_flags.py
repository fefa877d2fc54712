"""A kitchen's own flags: what adding one makes unchecked, and when one may go.

What was said to be free of everything else was said before anybody thought of the new flag. So it
is unchecked for it until somebody has looked.
"""

from collections.abc import Iterator, Mapping
from dataclasses import replace
from operator import attrgetter
from typing import TypeVar

from yellow_ladle.core.book.book import Book, Preparation
from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.book.maker import Maker, Statements
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.reading.texts import enumerated
from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.core.vocabulary.levels import Level

MAX_NAMED = 3
"""Goods and pots named in one sentence."""

Stating = TypeVar("Stating", Product, Maker, Preparation)
T = TypeVar("T")


def unchecked_for(book: Book, flag: str) -> Change:
    """What becomes unchecked for a flag that is new: all that is free only through `otherwise`.

    Pots with lines carry what their lines bring, and are left as they are. What lies in a bag was
    recorded as it was on its day, before the flag.
    """
    products = (_product_unchecked(product, flag) for product in book.products.values())
    pots = (
        _unchecked(preparation, flag)
        for preparation in book.preparations.values()
        if preparation.otherwise is Level.FREE and not preparation.lines
    )
    return Change(
        tuple(p for p in products if p is not book.products[p.id]),
        tuple(m for m in pots if m is not book.preparations[m.id]),
    )


def without_flag(book: Book, flag: str) -> Change:
    """What is left of goods and pots when a house flag goes.

    Raises BookRefused while something is said to contain it or maybe to, or a guest avoids it.
    """
    name = next((each.name for each in book.house_flags if each.id == flag), None)
    if name is None:
        raise BookRefused([Fault("flag", f'the kitchen has no flag "{flag}" of its own')])
    named = [each.name for each in _stating(book) if _says_more(each, flag)]
    named += [need.guest for need in book.needs if flag in need.clear]
    if named:
        listed = enumerated(named, most=MAX_NAMED)
        raise BookRefused([Fault("flag", f"{name} is still recorded of {listed}")])
    products = (_product_without(product, flag) for product in book.products.values())
    pots = (_without(preparation, flag) for preparation in book.preparations.values())
    return Change(
        tuple(p for p in products if p != book.products[p.id]),
        tuple(m for m in pots if m != book.preparations[m.id]),
    )


def with_house_flags(book: Book, flags: tuple[Flag, ...]) -> Book:
    """The book with these house flags, by id."""
    return replace(book, house_flags=tuple(sorted(flags, key=attrgetter("id"))))


def _stating(book: Book) -> Iterator[Product | Preparation]:
    yield from book.products.values()
    yield from book.preparations.values()


def _says_more(stating: Product | Preparation, flag: str) -> bool:
    """Whether something is said to contain a flag, or that it may."""
    said: list[Statements] = [stating.statements]
    if isinstance(stating, Product):
        said += [maker.statements for maker in stating.makers]
        said += [e.statements for e in (stating.bag.additions if stating.bag else ())]
    levels = (statements.get(flag, Level.FREE) for statements in said)
    return any(level in (Level.CONTAINS, Level.MAY_CONTAIN) for level in levels)


def _product_unchecked(product: Product, flag: str) -> Product:
    made = product
    if product.makers:
        makers = tuple(
            _unchecked(maker, flag) if maker.otherwise is Level.FREE else maker
            for maker in product.makers
        )
        if any(new is not old for new, old in zip(makers, product.makers, strict=True)):
            made = replace(made, makers=makers)
    elif product.otherwise is Level.FREE:
        made = _unchecked(made, flag)
    if product.bag is not None and product.bag.additions:
        additions = tuple(
            replace(each, statements=_stated(each.statements, flag))
            for each in product.bag.additions
        )
        made = replace(made, bag=replace(product.bag, additions=additions))
    return made


def _unchecked(stating: Stating, flag: str) -> Stating:
    """The same with a flag unchecked, where it does not speak of it."""
    if flag in stating.statements:
        return stating
    return replace(stating, statements=_stated(stating.statements, flag))


def _stated(statements: Statements, flag: str) -> dict[str, Level]:
    return {flag: Level.UNCHECKED, **statements}


def _product_without(product: Product, flag: str) -> Product:
    made = _without(product, flag)
    makers = tuple(_without(maker, flag) for maker in product.makers)
    made = replace(made, makers=makers)
    if product.bag is None:
        return made
    additions = tuple(
        replace(each, statements=_rest_of(each.statements, flag)) for each in product.bag.additions
    )
    return replace(made, bag=replace(product.bag, additions=additions))


def _without(stating: Stating, flag: str) -> Stating:
    return replace(
        stating,
        statements=_rest_of(stating.statements, flag),
        evidence=_rest_of(stating.evidence, flag),
    )


def _rest_of(entries: Mapping[str, T], flag: str) -> dict[str, T]:
    return {key: value for key, value in entries.items() if key != flag}
