"""The class that goods and pots are taken as where nobody has said one.

Goods are taken by their name, else by the one ingredient on their label; a pot by what it is made
of, else by its name. A proposed class offers moves and never lowers a flag; what a name alone
raises is in `inherent_flags.py`.
"""

import re
from collections.abc import Iterable
from dataclasses import dataclass
from functools import cache

from yellow_ladle.core.book.book import Book, Line, Preparation, owner_of
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.vocabulary.classes import (
    UNSAID,
    house_words,
    of_twin,
    pot_classes,
    usual_of,
)
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.vocabulary.structured import ClassSet, structured_rows
from yellow_ladle.core.vocabulary.toml import table, words
from yellow_ladle.core.words.class_names import UNKNOWN, ClassGuess, class_of_name

_LIST = re.compile(r"(?i)^\W*(?:ingredients?|zutaten|ingrédients?|ingredientes|ingredienti)\s*:?")
NAMED_BY_WHAT_THEY_ARE_FOR = ("dish", "soup")
"""Kinds of preparation whose name tells what is on the plate, not what may stand in their place."""
MAIN_ROLES = ("body", "aromatic")
"""Roles of the lines that say what a stock or a sauce is of."""


def proposed(product: Product) -> ClassGuess:
    """What a product is taken as by its name and label; its recorded class counts for nothing."""
    found = class_of_name(product.name)
    if found.class_ is None and product.label:
        found = _only_ingredient(product.label)
    if found.certain and found.class_ is not None and _denies(product, found.class_):
        return ClassGuess(found.class_, False)
    return found


def taken_as(product: Product) -> str | None:
    """A product's recorded class, else the one that is proposed where that is certain."""
    said = product.class_ if product.class_ != UNSAID else None
    return of_twin(said) if said else proposed(product).settled


def proposed_of_pot(
    book: Book, preparation: Preparation, seen: frozenset[str] = frozenset()
) -> ClassGuess:
    """What a preparation is taken as by its lines, else by its name."""
    if preparation.kind in NAMED_BY_WHAT_THEY_ARE_FOR:
        return UNKNOWN
    found = _by_lines(book, preparation, seen | {preparation.id})
    if found is not None:
        return ClassGuess(found, True)
    return _by_name(book, preparation, seen | {preparation.id})


def _by_name(book: Book, preparation: Preparation, seen: frozenset[str]) -> ClassGuess:
    named = class_of_name(preparation.name)
    meant = [named.class_, *named.others]
    made_here = [class_ for class_ in meant if class_ in pot_classes()]
    if made_here and not named.certain and len(named.others) == 1:
        # "Brown sauce" is a bottle in the larder, and a sauce in a pot.
        named = ClassGuess(made_here[0], True)
    class_ = named.class_
    if class_ is None or not _is_of_kind(class_, preparation.kind):
        return UNKNOWN
    if class_ not in pot_classes() and preparation.kind != "component":
        return UNKNOWN
    # A stock with bones in it is none of vegetables, whatever it is called.
    brought = _flags(class_ for _, class_ in _classes(book, preparation, seen))
    usual = usual_of(class_).has - house_words()
    fits = usual <= brought if usual else meat_flags().isdisjoint(brought)
    return named if fits or not preparation.lines else ClassGuess(class_, False, named.others)


def class_of(book: Book, item: str, seen: frozenset[str] = frozenset()) -> str | None:
    """The class that an item is taken as, recorded or proposed; None where nobody knows."""
    if item in book.products:
        return taken_as(book.products[item])
    preparation = book.preparations.get(item)
    if preparation is None or item in seen:
        return None
    return (
        of_twin(preparation.class_)
        if preparation.class_
        else proposed_of_pot(book, preparation, seen).settled
    )


@dataclass(frozen=True, slots=True)
class _Row:
    """A row of pot_classes.toml."""

    class_: str
    kinds: frozenset[str]
    holds: tuple[ClassSet, ...] = ()
    flags: frozenset[str] = frozenset()
    only: ClassSet = frozenset()
    without: ClassSet = frozenset()
    without_flags: frozenset[str] = frozenset()
    colour: str = ""
    main: bool = False


def _classes(
    book: Book, preparation: Preparation, seen: frozenset[str]
) -> list[tuple[Line, str | None]]:
    """The counted lines that are no option, with what their items are taken as."""
    counted = [
        line for index in preparation.counted() if not (line := preparation.lines[index]).optional
    ]
    return [(line, class_of(book, owner_of(line.item), seen)) for line in counted]


def _flags(classes: Iterable[str | None]) -> set[str]:
    """The flags that goods and pots of some classes usually are."""
    return {flag for class_ in classes if class_ for flag in usual_of(class_).has}


def _by_lines(book: Book, preparation: Preparation, seen: frozenset[str]) -> str | None:
    lines = _classes(book, preparation, seen)
    if not lines:
        return None
    known = [class_ for _, class_ in lines if class_ is not None]
    weighty = [class_ for line, class_ in lines if line.role not in ("seasoning", "acid")]
    flags = _flags(known)
    bodies = [(line.quantity, class_) for line, class_ in lines if line.role in MAIN_ROLES]
    main = max(bodies, key=lambda entry: entry[0], default=(0, None))[1]
    for row in _rows():
        if preparation.kind not in row.kinds or (row.colour and preparation.colour != row.colour):
            continue
        if any(wanted.isdisjoint(known) for wanted in row.holds):
            continue
        if row.flags and row.flags.isdisjoint(flags):
            continue
        if row.only and not row.only.issuperset(class_ or "" for class_ in weighty):
            continue
        if not row.without.isdisjoint(known) or not row.without_flags.isdisjoint(flags):
            continue
        if row.main and not any(main in wanted for wanted in row.holds):
            continue
        return row.class_
    return None


def _only_ingredient(label: str) -> ClassGuess:
    """What a label says that lists one ingredient and nothing else."""
    if not _LIST.match(label):
        return UNKNOWN
    first = re.split(r"[.\n]", _LIST.sub("", label).strip(), maxsplit=1)[0]
    return UNKNOWN if re.search(r"[,;(]", first) else class_of_name(first)


def _denies(product: Product, class_: str) -> bool:
    """Whether a product's own record says free of what a thing of that class usually is."""
    usual = usual_of(class_).has - house_words()
    # With makers the product's own `otherwise` says nothing: each label speaks for itself.
    labels = [product] if not product.makers else [*product.counted_makers]
    return any(
        label.statements.get(flag, label.otherwise) is Level.FREE
        for label in labels
        for flag in usual
    )


def _is_of_kind(class_: str, kind: str) -> bool:
    """Whether a class can be of a kind, as its last word says: a stock is no sauce."""
    last = class_.rsplit("-", 1)[-1]
    return last not in ("stock", "roux") or last == kind or kind == "component"


@cache
def meat_flags() -> frozenset[str]:
    """The flags of meat and fish, with which a pot is none of vegetables."""
    return frozenset(words(table("pot_classes")["meat_flags"]))


@cache
def _rows() -> tuple[_Row, ...]:
    return structured_rows(_Row, table("pot_classes")["pot"])
