"""What differs between two cards, or between two labels of one product, in sentences.

Every field of a value is compared; its word stands beside it (`field_words.py`).
"""

from collections.abc import Collection, Iterator, Mapping
from dataclasses import dataclass, fields
from typing import TYPE_CHECKING, Literal, TypeAlias

from yellow_ladle.core.book.book import Line, Preparation, RecipeVersion, Step
from yellow_ladle.core.book.maker import Evidence
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.cards.align import aligned
from yellow_ladle.core.vocabulary.field_words import Name, amount_words, field_shown, shown, word_of
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.words.likeness import likeness

if TYPE_CHECKING:
    from _typeshed import DataclassInstance

Card: TypeAlias = Preparation | RecipeVersion
Part: TypeAlias = Literal["head", "lines", "method", "flags"]

REWORDED = 0.4
"""Steps that share this much of their words are one step, reworded."""
FLAGS = ("statements", "evidence", "otherwise")
CARD = ("id", "lines", "method", "ways", *FLAGS)
"""Fields of a card that are compared by themselves."""
WAY = ("name", "lines", "method")
LINE = ("item", "quantity", "unit", "typed")
LABEL = ("id", "makers", "statements", "evidence")


@dataclass(frozen=True, slots=True)
class Difference:
    """One difference: in which part of the card, and as a sentence."""

    part: Part
    sentence: str


def differences(before: Preparation, after: Preparation, name: Name) -> tuple[Difference, ...]:
    """What changed between two versions of a card, or between two cards. `name`: of an item."""
    return (
        *_head(before, after, name),
        *_lines(before, after, name),
        *_method(before, after, name),
        *_flags(before, after),
        *_own_otherwise(before, after),
    )


def flag_differences(
    left: Mapping[str, Level] | None, right: Mapping[str, Level] | None
) -> list[tuple[str, Level, Level]]:
    """The flags in which two carried results differ, with the level on each side.

    Flags that are not in a result are free there. None is a side of which nobody can say what it
    carries: it stands as unchecked, never as free.
    """
    of_left, of_right = left or {}, right or {}
    found = []
    for flag in sorted({*of_left, *of_right}):
        one = Level.UNCHECKED if left is None else of_left.get(flag, Level.FREE)
        other = Level.UNCHECKED if right is None else of_right.get(flag, Level.FREE)
        if one is not other:
            found.append((flag, one, other))
    return found


def product_differences(before: Product, after: Product, name: Name) -> tuple[str, ...]:
    """What changed in a product, in sentences."""
    return (
        *(f"{told}." for told in _levels(before.statements, after.statements, "stated")),
        *(f"{told}." for told in _fields(before, after, LABEL, name)),
        *_makers(before, after, name),
        *(entry.sentence for entry in _evidence(before.evidence, after.evidence)),
    )


def _fields(
    before: "DataclassInstance", after: "DataclassInstance", apart: Collection[str], name: Name
) -> Iterator[str]:
    """The fields in which two values differ: `yield: 190 g → 200 g`."""
    for entry in fields(before):
        was, now = getattr(before, entry.name), getattr(after, entry.name)
        if entry.name not in apart and was != now:
            told = f"{field_shown(entry, was, name)} → {field_shown(entry, now, name)}"
            yield f"{word_of(entry)}: {told}"


def _head(before: Preparation, after: Preparation, name: Name) -> Iterator[Difference]:
    for told in _fields(before, after, CARD, name):
        yield Difference("head", f"The {told}.")
    was, now = ({way.name: way for way in card.ways} for card in (before, after))
    for other in dict.fromkeys((*was, *now)):
        yield from _way(other, was.get(other), now.get(other), name)
    if list(was) != list(now) and set(was) == set(now):
        yield Difference("head", "The other ways stand in another order.")


def _way(
    called: str, was: RecipeVersion | None, now: RecipeVersion | None, name: Name
) -> Iterator[Difference]:
    if was is None or now is None:
        yield Difference("head", f"The way “{called}” is {'new' if was is None else 'gone'}.")
        return
    told = [f"{told}." for told in _fields(was, now, WAY, name)]
    told += [entry.sentence for entry in (*_lines(was, now, name), *_method(was, now, name))]
    for sentence in told:
        yield Difference("head", f"The way “{called}”: {sentence}")


def _lines(before: Card, after: Card, name: Name) -> Iterator[Difference]:
    origin = aligned(
        [line.item for line in before.lines],
        [line.item for line in after.lines],
        lambda old, new: before.lines[old].role == after.lines[new].role,
    )
    for index, line in enumerate(before.lines):
        if index not in origin:
            amount = amount_words(line.quantity, line.unit, line.typed)
            yield Difference("lines", f"Taken out: {amount} {name(line.item)}.")
    for line, at in zip(after.lines, origin, strict=True):
        if at is None:
            amount = amount_words(line.quantity, line.unit, line.typed)
            yield Difference("lines", f"Added: {amount} {name(line.item)}.")
        else:
            yield from _line(before.lines[at], line, name)
    moved = [at for at in origin if at is not None]
    if moved != sorted(moved):
        yield Difference("lines", "The lines stand in another order.")


def _line(old: Line, new: Line, name: Name) -> Iterator[Difference]:
    if old.item != new.item:
        yield Difference("lines", f"{name(old.item)} → {name(new.item)}.")
    was = amount_words(old.quantity, old.unit, old.typed)
    now = amount_words(new.quantity, new.unit, new.typed)
    if was != now:
        yield Difference("lines", f"{name(new.item)}: {was} → {now}.")
    for told in _fields(old, new, LINE, name):
        yield Difference("lines", f"{name(new.item)}, {told}.")


def _method(before: Card, after: Card, name: Name) -> Iterator[Difference]:
    origin = aligned(
        [step.text for step in before.method],
        [step.text for step in after.method],
        lambda old, new: _alike(before.method[old].text, after.method[new].text),
    )
    for index, step in enumerate(before.method):
        if index not in origin:
            yield Difference("method", f"Step taken out: {step.text}")
    for place, (step, at) in enumerate(zip(after.method, origin, strict=True), 1):
        if at is None:
            yield Difference("method", f"Step {place} added: {step.text}")
        else:
            yield from _step(place, before.method[at], step, name)


def _step(place: int, old: Step, new: Step, name: Name) -> Iterator[Difference]:
    if old.text != new.text:
        yield Difference("method", f"Step {place}: “{old.text}” → “{new.text}”")
    for told in _fields(old, new, ("text",), name):
        yield Difference("method", f"Step {place}, {told}.")


def _alike(old: str, new: str) -> bool:
    """Whether a text was reworded, and not replaced by another one."""
    return likeness(old.split(), new.split()) >= REWORDED


def _flags(before: Preparation, after: Preparation) -> Iterator[Difference]:
    stated = "stated of the pot itself"
    for told in _levels(before.statements, after.statements, stated):
        yield Difference("flags", f"{told}.")
    yield from _evidence(before.evidence, after.evidence)


def _levels(before: Mapping[str, Level], after: Mapping[str, Level], stated: str) -> Iterator[str]:
    for flag in sorted({*before, *after}):
        was, now = before.get(flag), after.get(flag)
        if was != now:
            told = " → ".join("not stated" if at is None else at.word for at in (was, now))
            yield f"{flag}, {stated}: {told}"


def _evidence(
    before: Mapping[str, Evidence], after: Mapping[str, Evidence]
) -> Iterator[Difference]:
    for flag in sorted({*before, *after}):
        was, now = before.get(flag), after.get(flag)
        if was != now:
            told = f"{shown(was)} → {shown(now)}"
            yield Difference("flags", f"{flag.replace('_', ' ')}, how it is known: {told}.")


def _own_otherwise(before: Preparation, after: Preparation) -> Iterator[Difference]:
    if before.own_otherwise != after.own_otherwise or before.otherwise != after.otherwise:
        told = f"{before.own_otherwise.word} → {after.own_otherwise.word}"
        yield Difference("flags", f"All that is not stated: {told}.")


def _makers(before: Product, after: Product, name: Name) -> Iterator[str]:
    was, now = ({maker.id: maker for maker in each.makers} for each in (before, after))
    for id in dict.fromkeys((*was, *now)):
        old, new = was.get(id), now.get(id)
        if old is None or new is None:
            called = old.name if old else new.name if new else id
            yield f"{called} is {'no maker any more' if old else 'a new maker'}."
        else:
            yield from (f"{new.name}, {told}." for told in _fields(old, new, ("id",), name))
