"""Two people on one product: what both made of its labels, makers, numbers and bag."""

from collections import Counter
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from typing import TypeVar

from yellow_ladle.core.book.maker import Maker, Paper
from yellow_ladle.core.book.product import Addition, Bag, Part, Product
from yellow_ladle.core.book.three_way import (
    merged_entries,
    merged_evidence,
    merged_fields,
    merged_level,
    merged_statements,
    merged_value,
)

Label = TypeVar("Label", Product, Maker)
Entry = TypeVar("Entry")

_OF_A_LABEL = ("statements", "otherwise", "certificates", "papers", "evidence")
_APART = (*_OF_A_LABEL, "makers", "in_use", "parts", "bag")


@dataclass(frozen=True, slots=True)
class ProductMerge:
    """Both together. `conflicts` tell where both changed the same thing."""

    product: Product
    conflicts: tuple[str, ...]


def merged_product(base: Product, mine: Product, theirs: Product) -> ProductMerge:
    """What both made of a product that they began from.

    A certificate that either withdrew is gone, a maker that either added is there.
    """
    conflicts: list[str] = []
    made = _label(base, mine, theirs, "", conflicts)
    made = _plain(base, made, theirs, _APART, conflicts)
    makers = merged_entries(
        _by_id(base.makers),
        _by_id(mine.makers),
        _by_id(theirs.makers),
        "the maker",
        lambda was, here, there: _maker(was, here, there, conflicts),
        conflicts,
    )
    parts = merged_entries(
        _by_product(base.parts),
        _by_product(mine.parts),
        _by_product(theirs.parts),
        "the part",
        lambda was, here, there: merged_fields(
            was, here, there, f"the part {here.product}", conflicts
        ),
        conflicts,
    )
    in_use = merged_value(base.in_use, mine.in_use, theirs.in_use, "the maker in use", conflicts)
    if in_use is not None and in_use not in {maker.id for maker in makers}:
        conflicts.append(f"The maker in use, {in_use}, was taken out: all makers count again.")
        in_use = None
    return ProductMerge(
        replace(
            made,
            makers=_whole(base.makers, mine.makers, theirs.makers) or tuple(makers),
            parts=_whole(base.parts, mine.parts, theirs.parts) or tuple(parts),
            in_use=in_use,
            bag=_bag(base.bag, mine.bag, theirs.bag, conflicts),
        ),
        tuple(conflicts),
    )


def _whole(
    was: tuple[Entry, ...], here: tuple[Entry, ...], there: tuple[Entry, ...]
) -> tuple[Entry, ...] | None:
    """The list of whoever alone changed it, in its order; None where both did."""
    if here == was:
        return there
    return here if there in (was, here) else None


def _by_id(makers: Iterable[Maker]) -> dict[str, Maker]:
    return {maker.id: maker for maker in makers}


def _by_product(parts: Iterable[Part]) -> dict[str, Part]:
    return {part.product: part for part in parts}


def _maker(was: Maker, here: Maker, there: Maker, conflicts: list[str]) -> Maker:
    made = _label(was, here, there, f" of {here.name}", conflicts)
    return _plain(was, made, there, _OF_A_LABEL, conflicts)


def _plain(
    was: Label, here: Label, there: Label, apart: Iterable[str], conflicts: list[str]
) -> Label:
    return merged_fields(was, here, there, here.name, conflicts, tuple(apart))


def _label(was: Label, here: Label, there: Label, of: str, conflicts: list[str]) -> Label:
    """What a label says, merged; everything else as I have it."""
    stated = merged_statements(was.statements, here.statements, there.statements, conflicts, of)
    certificates = _certificates(was, here, there, of, conflicts)
    return replace(
        here,
        statements=stated,
        otherwise=merged_level(
            was.otherwise, here.otherwise, there.otherwise, f"the level of the rest{of}", conflicts
        ),
        certificates=certificates,
        papers=_papers(was.papers, here.papers, there.papers, certificates, of, conflicts),
        evidence=merged_evidence(was.evidence, here.evidence, there.evidence, stated),
    )


def _certificates(
    was: Label, here: Label, there: Label, of: str, conflicts: list[str]
) -> tuple[str, ...]:
    old, mine, theirs = (set(each.certificates) for each in (was, here, there))
    gone = (old - mine) | (old - theirs)
    for kind in sorted(gone):
        papers = [each.papers.get(kind) for each in (was, here, there)]
        if any(paper not in (papers[0], None) for paper in papers):
            conflicts.append(f"The {kind} certificate{of} was withdrawn and changed: it is gone.")
    return tuple(sorted((mine | theirs) - gone))


def _papers(
    was: Mapping[str, Paper],
    here: Mapping[str, Paper],
    there: Mapping[str, Paper],
    certificates: Iterable[str],
    of: str,
    conflicts: list[str],
) -> dict[str, Paper]:
    found: dict[str, Paper] = {}
    for kind in certificates:
        what = f"the paper of the {kind} certificate{of}"
        paper = merged_value(was.get(kind), here.get(kind), there.get(kind), what, conflicts)
        if paper is not None:
            found[kind] = paper
    return found


def _bag(was: Bag | None, here: Bag | None, there: Bag | None, conflicts: list[str]) -> Bag | None:
    """The bag with all that both put in; what was thrown out with a wash is gone."""
    if here is None or there is None:
        return merged_value(was, here, there, "the bag", conflicts)
    before = was or Bag()
    if before in (here, there):
        return there if here == before else here
    made = merged_fields(before, here, there, "the bag", conflicts, ("additions",))
    old, mine, theirs = (Counter(map(_key, bag.additions)) for bag in (before, here, there))
    kept = (old & mine & theirs) + (mine - old) + (theirs - old)
    additions: list[Addition] = []
    for addition in (*there.additions, *here.additions):
        if kept[_key(addition)]:
            kept[_key(addition)] -= 1
            additions.append(addition)
    return replace(made, additions=tuple(sorted(additions, key=lambda entry: entry.date)))


def _key(addition: Addition) -> tuple[str, str, str]:
    return addition.item, addition.date, addition.person or ""
