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
    made = _label(was=base, here=mine, there=theirs, of="", conflicts=conflicts)
    made = _plain(was=base, here=made, there=theirs, apart=_APART, conflicts=conflicts)
    makers = merged_entries(
        was=_by_id(base.makers),
        here=_by_id(mine.makers),
        there=_by_id(theirs.makers),
        what="the maker",
        both=lambda was, here, there: _maker(was, here, there, conflicts),
        conflicts=conflicts,
    )
    parts = merged_entries(
        was=_by_product(base.parts),
        here=_by_product(mine.parts),
        there=_by_product(theirs.parts),
        what="the part",
        both=lambda was, here, there: merged_fields(
            was=was, here=here, there=there, of=f"the part {here.product}", conflicts=conflicts
        ),
        conflicts=conflicts,
    )
    in_use = merged_value(
        was=base.in_use,
        here=mine.in_use,
        there=theirs.in_use,
        what="the maker in use",
        conflicts=conflicts,
    )
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
    made = _label(was=was, here=here, there=there, of=f" of {here.name}", conflicts=conflicts)
    return _plain(was=was, here=made, there=there, apart=_OF_A_LABEL, conflicts=conflicts)


def _plain(
    was: Label, here: Label, there: Label, apart: Iterable[str], conflicts: list[str]
) -> Label:
    return merged_fields(
        was=was, here=here, there=there, of=here.name, conflicts=conflicts, apart=tuple(apart)
    )


def _label(was: Label, here: Label, there: Label, of: str, conflicts: list[str]) -> Label:
    """What a label says, merged; everything else as I have it."""
    stated = merged_statements(
        was=was.statements, here=here.statements, there=there.statements, conflicts=conflicts, of=of
    )
    certificates = _certificates(was=was, here=here, there=there, of=of, conflicts=conflicts)
    return replace(
        here,
        statements=stated,
        otherwise=merged_level(
            was=was.otherwise,
            here=here.otherwise,
            there=there.otherwise,
            what=f"the level of the rest{of}",
            conflicts=conflicts,
        ),
        certificates=certificates,
        papers=_papers(
            was=was.papers,
            here=here.papers,
            there=there.papers,
            certificates=certificates,
            of=of,
            conflicts=conflicts,
        ),
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
        paper = merged_value(
            was=was.get(kind),
            here=here.get(kind),
            there=there.get(kind),
            what=what,
            conflicts=conflicts,
        )
        if paper is not None:
            found[kind] = paper
    return found


def _bag(was: Bag | None, here: Bag | None, there: Bag | None, conflicts: list[str]) -> Bag | None:
    """The bag with all that both put in; what was thrown out with a wash is gone."""
    if here is None or there is None:
        return merged_value(was=was, here=here, there=there, what="the bag", conflicts=conflicts)
    before = was or Bag()
    if before in (here, there):
        return there if here == before else here
    made = merged_fields(
        was=before, here=here, there=there, of="the bag", conflicts=conflicts, apart=("additions",)
    )
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
