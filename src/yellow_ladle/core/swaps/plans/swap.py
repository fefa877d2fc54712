"""Swaps and clean tools: the moves of a plan, and the cards that they change."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace
from typing import Literal, TypeAlias

from yellow_ladle.core.book.book import Book, Line, Preparation, owner_of
from yellow_ladle.core.book.tool import Toolbox, clean_name, within_sentence
from yellow_ladle.core.carrying.cycles import cycle
from yellow_ladle.core.reading.update import Change, choosing, with_lines

When: TypeAlias = Literal["first", "with", "last"]

ON_THE_CARD = "on-the-card"
"""The rule of a swap that takes another alternative which the card already names."""

CLEAN_TOOL = "clean-tool"
"""The rule of a move that takes a clean or dedicated tool."""

THERE_IS = "small-pot-there-is"
"""The rule of a swap that takes a variant which the kitchen has made before."""

OF_ITS_KIND = "another-of-its-kind"
"""The rule of a swap that takes another pot of the same class: a velouté for a velouté."""


@dataclass(frozen=True, slots=True)
class Swap:
    """Another item for one line; `to` None leaves the line out. `line` counts as the book does.

    `why` says how the quantity came about, where it is more than the rule's ratio. `or_` are other
    items that would do as well in everything a plan is judged by. Its method goes into the card
    `when`; with `drops` the steps that use nothing but the old item go. `adds` are lines that come
    with it, without which it would not hold: a binder in a dough, an acid in a soured drink.
    `voids` are words of the usual steps that do not hold for the new item.
    """

    in_: str
    line: int
    from_: str
    to: str | None
    quantity: float
    unit: str
    rule: str
    method: tuple[str, ...] = ()
    stage: str | None = None
    why: str = ""
    when: When = "first"
    drops: bool = False
    minutes: float | None = None
    adds: tuple[Line, ...] = ()
    or_: tuple[str, ...] = field(default=(), compare=False)
    voids: tuple[str, ...] = field(default=(), compare=False)

    @property
    def place(self) -> tuple[str, int]:
        """The line that it changes."""
        return (self.in_, self.line)


@dataclass(frozen=True, slots=True, order=True)
class CleanTool:
    """A tool that takes no trace into a preparation: washed before and after it, or kept for it.

    What a tool that absorbs holds is renewed.
    """

    in_: str
    tool: str

    def method(self, box: Toolbox) -> str:
        """The step that the card begins with; no wash clears a tool that absorbs."""
        tool = within_sentence(self.tool)
        if not box.is_cleared(self.tool, renewed=False):
            return f"Fill the {tool} afresh (new oil, new water), or take one that is kept for it."
        return f"Wash the {tool} before and after this, or take one that is kept for it."


def swapped(book: Book, swaps: Iterable[Swap], cleaned: Iterable[CleanTool] = ()) -> Change:
    """The change that makes the swaps where they stand, for all that is built on them."""
    by_preparation: dict[str, list[Swap]] = {}
    tools: dict[str, list[str]] = {}
    for swap in swaps:
        by_preparation.setdefault(swap.in_, []).append(swap)
    for move in cleaned:
        tools.setdefault(move.in_, []).append(move.tool)
    written: list[Preparation] = []
    for id in dict.fromkeys((*by_preparation, *tools)):
        made = _made(book.preparations[id], by_preparation.get(id, []))
        written.append(with_clean_tools(book, made, tools.get(id, ())))
    return Change(preparations=tuple(written))


def with_clean_tools(book: Book, preparation: Preparation, tools: Iterable[str]) -> Preparation:
    """A preparation whose card names clean tools in place of some that leave traces."""
    box = book.toolbox
    clean = {box.key(tool): clean_name(tool, book.tools) for tool in tools}

    def named(equipment: tuple[str, ...]) -> tuple[str, ...]:
        return tuple(clean.get(box.key(name), name) for name in equipment)

    return replace(
        preparation,
        equipment=named(preparation.equipment),
        lines=tuple(replace(line, equipment=named(line.equipment)) for line in preparation.lines),
        method=tuple(replace(step, equipment=named(step.equipment)) for step in preparation.method),
    )


def _made(preparation: Preparation, swaps: list[Swap]) -> Preparation:
    replaced: list[tuple[int, Line | None]] = []
    for swap in swaps:
        if swap.rule == ON_THE_CARD:
            preparation = choosing(preparation, _alternative(preparation, swap))
        else:
            replaced.append((swap.line, swapped_line(preparation.lines[swap.line], swap)))
    more = tuple(line for swap in swaps for line in swap.adds)
    made = with_lines(preparation, replaced)
    return replace(made, lines=(*made.lines, *more)) if more else made


def swapped_line(line: Line, swap: Swap) -> Line | None:
    """A line as a swap leaves it; None where it is left out."""
    if swap.to is None:
        return None
    stage = swap.stage or line.stage
    # What is stirred in at the end does not boil for as long as what it stands in for.
    minutes = line.minutes if stage == line.stage else None
    changed = replace(line, item=swap.to, stage=stage, minutes=minutes)
    return replace(changed, quantity=swap.quantity, unit=swap.unit)


def _alternative(preparation: Preparation, swap: Swap) -> int:
    choice = preparation.lines[swap.line].choice
    return next(
        index
        for index, line in enumerate(preparation.lines)
        if line.choice == choice and line.item == swap.to
    )


def closes_loop(book: Book, swaps: Iterable[Swap]) -> bool:
    """Whether swaps would put a pot into itself, by lines that do not count as well."""
    by_place = {swap.place: swap for swap in swaps if swap.rule != ON_THE_CARD}
    inputs: dict[str, list[str]] = {}
    waiting = [swap.in_ for swap in by_place.values() if swap.to is not None]
    while waiting:
        id = waiting.pop()
        if id not in inputs:
            inputs[id] = _inputs(book, id, by_place)
            waiting += inputs[id]
    return bool(cycle(inputs))


def _inputs(book: Book, id: str, by_place: Mapping[tuple[str, int], Swap]) -> list[str]:
    """What something is made of after the swaps."""
    if id in book.products:
        return [owner_of(item) for item in book.products[id].contents]
    found: list[str] = []
    for index, line in enumerate(book.preparations[id].lines):
        swap = by_place.get((id, index))
        item = line.item if swap is None else swap.to
        if item is not None:
            found.append(owner_of(item))
    return found
