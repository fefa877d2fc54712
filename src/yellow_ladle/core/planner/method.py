"""How a card's method changes with its swaps: steps added, changed and dropped, in their places."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Literal, TypeAlias

from yellow_ladle.core.book import Book, Preparation, Step, used_item
from yellow_ladle.core.card_texts import INSTEAD_OF, Renaming
from yellow_ladle.core.plan import CleanTool, Swap
from yellow_ladle.core.tools import clean_name

ChangeKind: TypeAlias = Literal["added", "changed", "dropped"]


@dataclass(frozen=True, slots=True)
class StepChange:
    """One step that differs. `place` counts the steps of the new method, of the old one where it
    was dropped. `minutes` is what the step takes, where that is known."""

    kind: ChangeKind
    place: int
    text: str
    minutes: float | None = None


@dataclass(frozen=True, slots=True)
class Reworked:
    """A method after swaps, with what is different in it."""

    steps: tuple[Step, ...]
    changes: tuple[StepChange, ...]

    @property
    def minutes(self) -> float:
        """Minutes that the changes add, less those that they save."""
        signs = {"added": 1, "changed": 0, "dropped": -1}
        return sum(signs[change.kind] * (change.minutes or 0) for change in self.changes)


def reworked(
    book: Book, made: Preparation, swaps: Iterable[Swap], cleaned: Iterable[CleanTool] = ()
) -> Reworked:
    """The method of a preparation, as its card has it, after the swaps of its lines.

    A step that uses nothing but items whose rule drops them goes. Every other step names the new
    item where it named the old one, or says to leave it out. What a rule says is put where the old
    item went in, or before or after everything else.
    """
    swaps = [swap for swap in swaps if swap.in_ == made.id]
    to = {swap.from_: swap.to for swap in swaps}
    # What thickens at the end stands nowhere before it.
    late = {
        swap.from_
        for swap in swaps
        if swap.when == "last" and made.lines[swap.line].role == "thickener"
    }
    renaming = Renaming.of(
        book, made, {item: None if item in late else new for item, new in to.items()}
    )
    dropping = {swap.from_ for swap in swaps if swap.drops}
    first = [_washing(book, move) for move in cleaned if move.in_ == made.id]
    first += _added(book, [swap for swap in swaps if swap.when == "first"])
    last = _added(book, [swap for swap in swaps if swap.when == "last"])
    there = {swap.from_: swap for swap in swaps if swap.when == "with"}
    told: list[tuple[Step, StepChange | None]] = list(first)
    gone: list[StepChange] = []
    for place, step in enumerate(made.method):
        told += _here(book, step, there)
        if step.uses and set(map(used_item, step.uses)) <= dropping:
            gone.append(StepChange("dropped", place, step.text, step.minutes))
            continue
        told.append(_following(step, to, renaming))
    # What no step speaks of is said before the rest is cooked.
    told[len(first) : len(first)] = _added(book, list(there.values()))
    told += last
    numbered = (
        replace(change, place=place) for place, (_, change) in enumerate(told) if change is not None
    )
    return Reworked(tuple(step for step, _ in told), (*gone, *numbered))


def _added(book: Book, swaps: Sequence[Swap]) -> list[tuple[Step, StepChange | None]]:
    found: list[tuple[Step, StepChange | None]] = []
    for swap in swaps:
        uses = (swap.to,) if swap.to is not None else ()
        for place, text in enumerate(swap.method):
            told = f"{INSTEAD_OF}{book.name(swap.from_)}: {text}"
            minutes = swap.minutes if place == len(swap.method) - 1 else None
            step = Step(told, minutes=minutes, uses=uses)
            found.append((step, StepChange("added", 0, told, minutes)))
    return found


def _washing(book: Book, move: CleanTool) -> tuple[Step, StepChange | None]:
    step = Step(move.method, equipment=(clean_name(move.tool, book.tools),))
    return step, StepChange("added", 0, move.method)


def _here(book: Book, step: Step, there: dict[str, Swap]) -> list[tuple[Step, StepChange | None]]:
    """What the rules say where their items go in, each once."""
    items = dict.fromkeys(map(used_item, step.uses))
    speaking = [there.pop(item) for item in items if item in there]
    return _added(book, speaking)


def _following(
    step: Step, to: Mapping[str, str | None], renaming: Renaming
) -> tuple[Step, StepChange | None]:
    """A step with the new items in place of the old ones that it uses and names."""
    uses = tuple(new for use in step.uses if (new := to.get(used_item(use), use)) is not None)
    changed = replace(
        step,
        uses=uses,
        text=renaming.text(step.text),
        cue=None if step.cue is None else renaming.text(step.cue),
        caution=None if step.caution is None else renaming.text(step.caution),
    )
    if changed == step:
        return step, None
    said = changed.text
    if said == step.text and uses != step.uses:
        names = [renaming.new_name(use) for use in step.uses if used_item(use) in to]
        said += f" (with {', '.join(name for name in names if name)})" if any(names) else ""
        changed = replace(changed, text=said)
    return changed, StepChange("changed", 0, said, step.minutes)
