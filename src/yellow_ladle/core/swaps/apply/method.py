"""How a card's method changes with its swaps: steps added, changed and dropped, in their places."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Literal, TypeAlias

from yellow_ladle.core.book.book import Step, used_item
from yellow_ladle.core.book.tool import clean_name
from yellow_ladle.core.cards.card_texts import INSTEAD_OF, TextRenaming
from yellow_ladle.core.swaps.apply.plan_texts import PlanTexts
from yellow_ladle.core.swaps.plans.swap import CleanTool, Swap, with_clean_tools

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


def reworked(texts: PlanTexts, pot: str) -> Reworked:
    """The method of one of a plan's pots, as its card has it after the plan.

    A step that uses nothing but items whose rule drops them goes. Every other step names the new
    item where it named the old one, or is told without it. What a rule says is put where the old
    item went in, or before or after everything else.
    """
    book = texts.before.book
    preparation = book.preparations[pot]
    swaps = [swap for swap in texts.plan.swaps if swap.in_ == pot]
    cleaned = [move for move in texts.plan.cleaned if move.in_ == pot]
    # The clean tools stand in the place of those that leave traces, in every step.
    method = with_clean_tools(book, preparation, (move.tool for move in cleaned)).method
    to = {swap.from_: swap.to for swap in swaps}
    # What thickens at the end stands nowhere before it.
    late = (
        swap.from_
        for swap in swaps
        if swap.when == "last" and preparation.lines[swap.line].role == "thickener"
    )
    renaming = texts.renaming(pot, late)
    telling = _Telling(texts, pot, renaming)
    dropping = {swap.from_ for swap in swaps if swap.drops}
    first = [telling.washing(move) for move in cleaned]
    first += telling.added([swap for swap in swaps if swap.when == "first"])
    last = telling.added([swap for swap in swaps if swap.when == "last"])
    there = {swap.from_: swap for swap in swaps if swap.when == "with"}
    told: list[tuple[Step, StepChange | None]] = list(first)
    gone: list[StepChange] = []
    for place, step in enumerate(method):
        told += telling.here(step, there)
        if step.uses and set(map(used_item, step.uses)) <= dropping:
            gone.append(StepChange("dropped", place, step.text, step.minutes))
            continue
        changed = telling.following(step, to)
        if changed is None:
            gone.append(StepChange("dropped", place, step.text, step.minutes))
        else:
            told.append(changed)
    # What no step speaks of is said before the rest is cooked.
    told[len(first) : len(first)] = telling.added(list(there.values()))
    told += last
    numbered = (
        replace(change, place=place) for place, (_, change) in enumerate(told) if change is not None
    )
    return Reworked(tuple(step for step, _ in told), (*gone, *numbered))


@dataclass(frozen=True, slots=True)
class _Telling:
    """The steps of one pot, told after a plan."""

    texts: PlanTexts
    pot: str
    renaming: TextRenaming

    def added(self, swaps: Sequence[Swap]) -> list[tuple[Step, StepChange | None]]:
        """The steps that the rules of some swaps say."""
        found: list[tuple[Step, StepChange | None]] = []
        for swap in swaps:
            uses = (swap.to,) if swap.to is not None else ()
            said = " ".join(filter(None, map(self._text, swap.method)))
            if said:
                told = f"{INSTEAD_OF}{self.texts.before.book.name(swap.from_)}: {said}"
                step = Step(told, minutes=swap.minutes, uses=uses)
                found.append((step, StepChange("added", 0, told, swap.minutes)))
        return found

    def washing(self, move: CleanTool) -> tuple[Step, StepChange | None]:
        """The step that asks for a clean tool."""
        book = self.texts.before.book
        clean, told = clean_name(move.tool, book.tools), move.method(book.toolbox)
        return Step(told, equipment=(clean,)), StepChange("added", 0, told)

    def here(self, step: Step, there: dict[str, Swap]) -> list[tuple[Step, StepChange | None]]:
        """What the rules say where their items go in, each once."""
        items = dict.fromkeys(map(used_item, step.uses))
        return self.added([there.pop(item) for item in items if item in there])

    def following(
        self, step: Step, to: Mapping[str, str | None]
    ) -> tuple[Step, StepChange | None] | None:
        """A step with the new items in place of the old ones; None where nothing is left of it."""
        uses = tuple(new for use in step.uses if (new := to.get(used_item(use), use)) is not None)
        changed = replace(
            step,
            uses=uses,
            text=self._without_void(self._text(step.text)),
            cue=None if step.cue is None else self._text(step.cue) or None,
            caution=None if step.caution is None else self._text(step.caution) or None,
        )
        if step.text and not changed.text:
            return None
        if changed == step:
            return step, None
        said = changed.text
        if said == step.text and uses != step.uses:
            names = [self.renaming.new_name(use) for use in step.uses if used_item(use) in to]
            said += f" (with {', '.join(name for name in names if name)})" if any(names) else ""
            changed = replace(changed, text=said)
        return changed, StepChange("changed", 0, said, step.minutes)

    def _without_void(self, text: str) -> str:
        """A step without what does not hold for the new items in it."""
        for swap in self.texts.plan.swaps:
            if swap.in_ == self.pot and swap.voids:
                text = self.texts.without_void(text, swap, self.pot)
        return text

    def _text(self, text: str) -> str:
        return self.texts.text(self.pot, text, self.renaming)
