"""What differs between two cards, in sentences."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from difflib import SequenceMatcher
from typing import Literal, TypeAlias

from yellow_ladle.core.aligning import aligned
from yellow_ladle.core.book import Line, Preparation, Step, Yield

Part: TypeAlias = Literal["head", "lines", "method", "flags"]

COUNTED = ("piece", "each")
"""Units that go without saying: two onions."""
REWORDED = 0.4
"""Steps that share this much of their words are one step, reworded."""


@dataclass(frozen=True, slots=True)
class Difference:
    """One difference: in which part of the card, and as a sentence."""

    part: Part
    sentence: str


def differences(
    before: Preparation, after: Preparation, name: Callable[[str], str]
) -> tuple[Difference, ...]:
    """What changed between two versions of a card, or between two cards. `name`: of an item."""
    return (
        *_head(before, after),
        *_lines(before, after, name),
        *_method(before, after),
        *_flags(before, after),
    )


def amount_words(quantity: float, unit: str, typed: str = "") -> str:
    """An amount as a sentence says it."""
    if unit in COUNTED:
        return typed or f"{quantity:g}"
    return typed or f"{quantity:g} {unit.replace('_', ' ')}"


def _head(before: Preparation, after: Preparation) -> Iterator[Difference]:
    pairs: tuple[tuple[str, object, object], ...] = (
        ("The name", before.name, after.name),
        ("The kind", before.kind, after.kind),
        ("The class", before.class_, after.class_),
        ("The colour family", before.colour, after.colour),
        ("The yield", _amount(before.yield_), _amount(after.yield_)),
        ("The portions", before.portions, after.portions),
        ("The density", before.density_g_per_ml, after.density_g_per_ml),
        ("The way in use", before.way, after.way),
        ("Retired", before.retired, after.retired),
        ("Said not to be in it", ", ".join(before.not_in_it), ", ".join(after.not_in_it)),
        ("The tools", ", ".join(before.equipment), ", ".join(after.equipment)),
        ("The by-products", _by_products(before), _by_products(after)),
        ("The other ways", _ways(before), _ways(after)),
    )
    for what, old, new in pairs:
        if old != new:
            told = f"{what}: {_shown(old)} → {_shown(new)}."
            yield Difference("head", told)


def _lines(
    before: Preparation, after: Preparation, name: Callable[[str], str]
) -> Iterator[Difference]:
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


def _line(old: Line, new: Line, name: Callable[[str], str]) -> Iterator[Difference]:
    if old.item != new.item:
        yield Difference("lines", f"{name(old.item)} → {name(new.item)}.")
    was = amount_words(old.quantity, old.unit, old.typed)
    now = amount_words(new.quantity, new.unit, new.typed)
    if was != now:
        yield Difference("lines", f"{name(new.item)}: {was} → {now}.")
    pairs: tuple[tuple[str, object, object], ...] = (
        ("role", old.role, new.role),
        ("stage", old.stage, new.stage),
        ("optional", old.optional, new.optional),
        ("strained out", old.strained_out, new.strained_out),
        ("one of", old.choice, new.choice),
        ("in use", old.chosen, new.chosen),
        ("treatment", old.treatment, new.treatment),
        ("minutes in the pot", old.minutes, new.minutes),
        ("group", old.group, new.group),
        ("note", old.note, new.note),
        ("tools", ", ".join(old.equipment), ", ".join(new.equipment)),
    )
    for what, was_, now_ in pairs:
        if was_ != now_:
            told = f"{name(new.item)}, {what}: {_shown(was_)} → {_shown(now_)}."
            yield Difference("lines", told)


def _method(before: Preparation, after: Preparation) -> Iterator[Difference]:
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
            yield from _step(place, before.method[at], step)


def _step(place: int, old: Step, new: Step) -> Iterator[Difference]:
    if old.text != new.text:
        yield Difference("method", f"Step {place}: “{old.text}” → “{new.text}”")
    pairs: tuple[tuple[str, object, object], ...] = (
        ("minutes", old.minutes, new.minutes),
        ("heat", old.heat, new.heat),
        ("what to look for", old.cue, new.cue),
        ("caution", old.caution, new.caution),
        ("nobody stands by", old.passive, new.passive),
        ("tools", ", ".join(old.equipment), ", ".join(new.equipment)),
        ("uses", ", ".join(old.uses), ", ".join(new.uses)),
    )
    for what, was, now in pairs:
        if was != now:
            told = f"Step {place}, {what}: {_shown(was)} → {_shown(now)}."
            yield Difference("method", told)


def _alike(old: str, new: str) -> bool:
    """Whether a text was reworded, and not replaced by another one."""
    return SequenceMatcher(None, old.split(), new.split()).ratio() >= REWORDED


def _flags(before: Preparation, after: Preparation) -> Iterator[Difference]:
    for flag in sorted({*before.statements, *after.statements}):
        was, now = before.statements.get(flag), after.statements.get(flag)
        if was != now:
            told = " → ".join("not stated" if level is None else level.word for level in (was, now))
            yield Difference("flags", f"{flag}, stated of the pot itself: {told}.")
    if before.own_otherwise != after.own_otherwise:
        told = f"{before.own_otherwise.word} → {after.own_otherwise.word}"
        yield Difference("flags", f"All that is not stated: {told}.")


def _amount(made: Yield | None) -> str:
    return "" if made is None else amount_words(made.quantity, made.unit)


def _by_products(made: Preparation) -> str:
    return ", ".join(part.name for part in made.by_products)


def _ways(made: Preparation) -> str:
    return ", ".join(way.name for way in made.ways)


def _shown(value: object) -> str:
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, float):
        return f"{value:g}"
    return str(value).rstrip(".") if value not in (None, "") else "nothing"
