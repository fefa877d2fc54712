"""Two corrections of one batch put together, line by line."""

from collections.abc import Callable, Iterable
from dataclasses import dataclass, fields, replace
from typing import TypeAlias, TypeVar

from yellow_ladle.core.book.three_way import mine_or_theirs
from yellow_ladle.core.production.batch import Batch, LeftOut, WentIn

WORDS = {
    "made": "when it was made",
    "name": "what it is called",
    "way": "the way that was followed",
    "out": "how much it came to",
    "by_products": "what it yielded besides",
    "tools": "the tools",
    "storage": "how it is kept",
    "use_by": "the last day",
    "place": "where it stands",
    "note": "the note",
}
"""The fields in which two corrections may differ, as a conflict names them."""
STANDING = ("id", "preparation", "card", "statements", "by", "recorded")
"""Fields that no correction changes by itself: those of what stands count."""

Value = TypeVar("Value")
Line: TypeAlias = tuple[tuple[WentIn, ...], tuple[LeftOut, ...]]

EMPTY: Line = ((), ())


@dataclass(frozen=True, slots=True)
class BatchMerge:
    """Both together. `conflicts` name what both changed: mine was kept there."""

    batch: Batch
    conflicts: tuple[str, ...]


def merged_batch(
    base: Batch, mine: Batch, theirs: Batch, name_of: Callable[[str], str]
) -> BatchMerge:
    """What two people made of a batch that both began from; `name_of` names items in conflicts."""
    conflicts: list[str] = []

    def merged(was: Value, here: Value, there: Value, what: str) -> Value:
        value, both = mine_or_theirs(was, here, there)
        if both:
            conflicts.append(what)
        return value

    kept: dict[str, object] = {name: getattr(theirs, name) for name in STANDING}
    for name, word in WORDS.items():
        kept[name] = merged(getattr(base, name), getattr(mine, name), getattr(theirs, name), word)
    before, here, there = map(_by_line, (base, mine, theirs))
    went_in: list[WentIn] = []
    left_out: list[LeftOut] = []
    for key in dict.fromkeys((*before, *there, *here)):
        was, mine_of_it, their_of_it = (each.get(key, EMPTY) for each in (before, here, there))
        what = _what(key, (was, mine_of_it, their_of_it), name_of)
        entries, out = merged(was, mine_of_it, their_of_it, what)
        went_in += entries
        left_out += out
    kept |= {"went_in": tuple(went_in), "left_out": tuple(left_out)}
    assert kept.keys() == {entry.name for entry in fields(Batch)}
    return BatchMerge(replace(mine, **kept), tuple(conflicts))  # type: ignore[arg-type]


def _by_line(batch: Batch) -> dict[int | str, Line]:
    """What was said of each line of the card, and of each thing that is on no line."""
    lines: dict[int | str, Line] = {}
    for entry in batch.went_in:
        key = entry.item if entry.line is None else entry.line
        entries, out = lines.get(key, EMPTY)
        lines[key] = ((*entries, entry), out)
    for left in batch.left_out:
        entries, out = lines.get(left.line, EMPTY)
        lines[left.line] = (entries, (*out, left))
    return lines


def _what(key: int | str, lines: Iterable[Line], name_of: Callable[[str], str]) -> str:
    items = [entry.item for entries, _ in lines for entry in entries]
    return name_of(items[0]) if items else f"line {key}"
