"""What a product gives of itself: its own label, its makers', and what its bag was filled with."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from functools import partial

from yellow_ladle.core.book.book import Book, owner_of
from yellow_ladle.core.book.inherent_flags import inherent_flags
from yellow_ladle.core.book.maker import Evidence, Statements
from yellow_ladle.core.book.product import (
    MAX_ALCOHOL_FREE,
    MAX_SULPHITE_FREE,
    PLAIN_FOOD,
    Addition,
    Product,
)
from yellow_ladle.core.carrying.certificates import held
from yellow_ladle.core.carrying.masks import Layout
from yellow_ladle.core.vocabulary.classes import grape_wine_classes
from yellow_ladle.core.vocabulary.diets import ORIGIN
from yellow_ladle.core.vocabulary.flags import flag_group
from yellow_ladle.core.vocabulary.levels import Level

MEASURED = (
    ("alcohol", "abv_percent", MAX_ALCOHOL_FREE),
    ("sulphites", "so2_mg_per_kg", MAX_SULPHITE_FREE),
)
"""Flags with a number of their own, and the amount above which they are contained."""


@dataclass(frozen=True, slots=True)
class LabelSource:
    """One source among those that speak for a product. `by` is a maker's id, else empty.

    `grape_wine`: whether what it speaks for is of grapes as wine is.
    """

    by: str
    statements: Statements
    otherwise: Level
    certificates: tuple[str, ...]
    evidence: Mapping[str, Evidence]
    grape_wine: bool = False

    def level(self, flag: str) -> Level:
        """What it says of a flag."""
        return self.statements.get(flag, self.otherwise)


@dataclass(frozen=True, slots=True)
class Contradiction:
    """A label and another record of the same product that cannot both be right.

    `level` is what the label says of the flag, `reads` what therefore counts. `against` names the
    other record: a number of the product by its field, its `class`, or its `name` where nobody has
    recorded a class.
    """

    product: str
    by: str
    flag: str
    level: Level
    reads: Level
    against: str


def label_sources(product: Product, on: str | None) -> list[LabelSource]:
    """Every label that counts on a day (ISO date; with None no certificate has run out)."""
    wine = inherent_flags(product).grape_wine
    own = held(product.certificates, product.papers, on)
    otherwise = Level.FREE if product.makers else product.otherwise
    found = [
        LabelSource(
            by="",
            statements=product.statements,
            otherwise=otherwise,
            certificates=own,
            evidence=product.evidence,
            grape_wine=wine,
        )
    ]
    for maker in product.counted_makers:
        certificates = held(maker.certificates, maker.papers, on)
        label = (maker.statements, maker.otherwise, certificates, maker.evidence)
        found.append(LabelSource(maker.id, *label, wine))
    if product.makers:
        # Of the makers each holds its own certificate; the product's own label only adds flags.
        found[0] = replace(found[0], grape_wine=False)
    return found


def raised_sources(product: Product, on: str | None, book: Book) -> list[LabelSource]:
    """Every source that counts on a day, raised where records contradict each other."""
    found: list[LabelSource] = []
    for source in label_sources(product, on):
        raised = {entry.flag: entry.reads for entry in _contradicted(product, source, book)}
        found.append(
            replace(source, statements={**source.statements, **raised}) if raised else source
        )
    return [*found, *(_added(entry, book) for entry in _additions(product))]


def contradictions(book: Book, on: str | None) -> list[Contradiction]:
    """Every pair of records of one product that cannot both be right, in the order of ids."""
    return [
        found
        for product in book.products.values()
        for source in label_sources(product, on)
        for found in _contradicted(product, source, book)
    ]


def measure(product: Product, maker: str, field: str) -> float | None:
    """A number of a product by its field: a maker's own where there is one, else the product's."""
    own = next((each for each in product.makers if each.id == maker), None)
    number: float | None = getattr(own, field, None)
    if number is None:
        number = getattr(product, field, None)
    return number


def _contradicted(product: Product, source: LabelSource, book: Book) -> Iterator[Contradiction]:
    speaks = bool(source.by) or not product.makers
    measured = {
        flag: field
        for flag, field, most in MEASURED
        if (measure(product, source.by, field) or 0) > most
    }
    for flag, field in measured.items():
        level = source.level(flag)
        if speaks and level < Level.CONTAINS:
            yield Contradiction(
                product=product.id,
                by=source.by,
                flag=flag,
                level=level,
                reads=Level.CONTAINS,
                against=field,
            )
    if speaks:
        yield from _against_class(product, source, book, frozenset(measured))


def _against_class(
    product: Product, source: LabelSource, book: Book, measured: frozenset[str]
) -> Iterator[Contradiction]:
    """The flags that a label says free of and that such a product is, or usually has."""
    by_class = inherent_flags(product)
    free_against = partial(
        Contradiction,
        product=product.id,
        by=source.by,
        level=Level.FREE,
        against="class" if by_class.recorded else "name",
    )
    silent_free = source.otherwise is Level.FREE
    for flag in sorted((by_class.inherent & book.flag_ids) - measured):
        if flag in source.statements:
            if source.statements[flag] is Level.FREE:
                yield free_against(flag=flag, reads=Level.UNCHECKED)
        elif silent_free:
            yield free_against(flag=flag, reads=Level.CONTAINS)
    rest = source.evidence.get("otherwise")
    if not silent_free or rest is None or rest.kind != PLAIN_FOOD:
        return
    spoken_of = {flag for entry in _additions(product) for flag in entry.statements}
    spoken_of |= {*source.statements, *measured, *by_class.inherent}
    for flag in sorted((by_class.usual & book.flag_ids) - spoken_of):
        yield free_against(flag=flag, reads=Level.UNCHECKED)


def _additions(product: Product) -> tuple[Addition, ...]:
    return product.bag.additions if product.bag else ()


def _added(entry: Addition, book: Book) -> LabelSource:
    """What something put into a bag carried then; unchecked where nobody knows what it was."""
    known = owner_of(entry.item) in book.products or owner_of(entry.item) in book.preparations
    item = book.products.get(entry.item)
    return LabelSource(
        by="",
        statements=entry.statements,
        otherwise=Level.FREE if known or entry.statements else Level.UNCHECKED,
        certificates=entry.certificates,
        evidence={},
        grape_wine=item is not None and item.class_ in grape_wine_classes(),
    )


def own_level(product: Product, flag: str, book: Book) -> Level:
    """The highest level that any source gives a flag; what the contents carry comes on top."""
    return max(source.level(flag) for source in raised_sources(product, None, book))


def source_mask(layout: Layout, product: Product, source: LabelSource) -> int:
    """What one source says of a product, packed, with the marks of what it lacks."""
    certificates = source.certificates
    if product.class_ == "gelatine" and product.bag is None and not product.parts:
        named = (source.statements.get(animal, Level.FREE) for animal in flag_group("gelatine_of"))
        certificates += (ORIGIN,) if Level.CONTAINS in named else ()
    wine = source.grape_wine
    return layout.mask(source.statements, source.otherwise, certificates, grape_wine=wine)


def product_mask(layout: Layout, product: Product, on: str | None, book: Book) -> int:
    """The mask of a product by its own labels, without its contents."""
    mask = 0
    for source in raised_sources(product, on, book):
        mask |= source_mask(layout, product, source)
    return mask
