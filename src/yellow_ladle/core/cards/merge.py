"""Two people on one card: their changes put together, line by line and step by step."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from typing import TypeVar

from yellow_ladle.core.book.book import ByProduct, Line, Preparation, RecipeVersion, Step
from yellow_ladle.core.book.by_products import renumbered
from yellow_ladle.core.book.pan import Reduction
from yellow_ladle.core.book.three_way import merged_evidence, merged_fields, merged_statements
from yellow_ladle.core.cards.align import aligned
from yellow_ladle.core.vocabulary.field_words import shown

Entry = TypeVar("Entry", Line, Step, ByProduct, RecipeVersion, Reduction)
_APART = ("lines", "method", "by_products", "ways", "batches", "statements", "evidence")


@dataclass(frozen=True, slots=True)
class Merge:
    """Both together. `conflicts` tell where both changed the same thing: mine was kept there."""

    preparation: Preparation
    conflicts: tuple[str, ...]


def merged(base: Preparation, mine: Preparation, theirs: Preparation) -> Merge:
    """What both made of a card that they began from; nothing that either added is lost."""
    conflicts: list[str] = []
    card = merged_fields(
        was=base, here=mine, there=theirs, of="the card", conflicts=conflicts, apart=_APART
    )

    def together(
        entries: Callable[[Preparation], Sequence[Entry]], ident: Callable[[Entry], str], what: str
    ) -> tuple[Entry, ...]:
        return _list(
            base=entries(base),
            mine=entries(mine),
            theirs=entries(theirs),
            ident=ident,
            what=what,
            conflicts=conflicts,
        )

    lines = together(lambda card: card.lines, lambda line: line.item, "the line")
    method = together(lambda card: card.method, lambda step: step.text, "the step")
    parts = together(lambda card: _placed(card, lines), lambda part: part.id, "the by-product")
    ways = together(lambda card: card.ways, lambda way: way.name, "the way")
    batches = together(lambda card: card.batches, shown, "the batch")
    stated = merged_statements(base.statements, mine.statements, theirs.statements, conflicts)
    return Merge(
        replace(
            card,
            lines=lines,
            method=method,
            by_products=parts,
            ways=ways,
            batches=batches,
            statements=stated,
            evidence=merged_evidence(base.evidence, mine.evidence, theirs.evidence, stated),
        ),
        tuple(conflicts),
    )


def _placed(card: Preparation, lines: Sequence[Line]) -> tuple[ByProduct, ...]:
    """A card's by-products with their lines counted as the merged card counts them."""
    origin = aligned([line.item for line in card.lines], [line.item for line in lines])
    places = {old: place for place, old in enumerate(origin) if old is not None}
    return renumbered(card.by_products, places)


def _list(
    base: Sequence[Entry],
    mine: Sequence[Entry],
    theirs: Sequence[Entry],
    ident: Callable[[Entry], str],
    what: str,
    conflicts: list[str],
) -> tuple[Entry, ...]:
    old = [ident(entry) for entry in base]
    my_origin = aligned(old, [ident(entry) for entry in mine])
    their_origin = aligned(old, [ident(entry) for entry in theirs])
    my_place = {at: n for n, at in enumerate(my_origin) if at is not None}
    their_place = {at: n for n, at in enumerate(their_origin) if at is not None}
    result: list[tuple[int | None, Entry]] = []
    for entry, at in zip(mine, my_origin, strict=True):
        told = f"{what} {ident(entry)}"
        if at is None:
            if not any(entry == other for other in _new(theirs, their_origin)):
                result.append((None, entry))
        elif at in their_place:
            result.append(
                (
                    at,
                    _fields(
                        was=base[at],
                        here=entry,
                        there=theirs[their_place[at]],
                        what=told,
                        conflicts=conflicts,
                    ),
                )
            )
        elif entry != base[at]:
            conflicts.append(f"They took out {told}, which you changed: it was kept.")
            result.append((at, entry))
    for n, (entry, at) in enumerate(zip(theirs, their_origin, strict=True)):
        told = f"{what} {ident(entry)}"
        if at is None:
            result.insert(_after(result, their_origin[:n]), (None, entry))
        elif at not in my_place and entry != base[at]:
            conflicts.append(f"You took out {told}, which they changed: it was kept.")
            result.insert(_after(result, their_origin[:n]), (at, entry))
    return tuple(entry for _, entry in _ordered(result, my_origin, their_origin))


def _new(entries: Sequence[Entry], origin: Sequence[int | None]) -> list[Entry]:
    return [entry for entry, at in zip(entries, origin, strict=True) if at is None]


def _after(result: Sequence[tuple[int | None, Entry]], before: Sequence[int | None]) -> int:
    """Where an entry of theirs goes: behind the last of those that stand before it there."""
    for at in reversed(before):
        for place, (origin, _) in enumerate(result):
            if at is not None and origin == at:
                return place + 1
    return 0 if not before else len(result)


def _ordered(
    result: list[tuple[int | None, Entry]],
    my_origin: Sequence[int | None],
    their_origin: Sequence[int | None],
) -> list[tuple[int | None, Entry]]:
    """In their order where only they moved something; new entries stay behind their neighbours."""
    mine = [at for at in my_origin if at is not None]
    theirs = [at for at in their_origin if at is not None]
    if mine != sorted(mine) or theirs == sorted(theirs):
        return result
    rank = {at: n for n, at in enumerate(theirs)}
    keyed, last = [], -1.0
    for number, (at, entry) in enumerate(result):
        last = float(rank[at]) if at in rank else last + 0.001
        keyed.append((last, number, at, entry))
    return [(at, entry) for _, _, at, entry in sorted(keyed, key=lambda row: row[:2])]


def _fields(was: Entry, here: Entry, there: Entry, what: str, conflicts: list[str]) -> Entry:
    return merged_fields(was=was, here=here, there=there, of=what, conflicts=conflicts)
