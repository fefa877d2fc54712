"""Plans: sets of swaps, what they give, and how they are put into the book."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace
from typing import Literal, TypeAlias

from yellow_ladle.core.book.book import Book, Line, Preparation, owner_of
from yellow_ladle.core.book.by_products import ended, used
from yellow_ladle.core.book.tool import Through, Toolbox, clean_name, within_sentence
from yellow_ladle.core.carrying.cycles import cycle
from yellow_ladle.core.reading.reading import Reading, carry
from yellow_ladle.core.reading.update import Change, choosing, reread, with_lines
from yellow_ladle.core.swaps.goals import Goals
from yellow_ladle.core.swaps.identity import Identity
from yellow_ladle.core.swaps.search.score import FREE_OF_CHARGE, Score
from yellow_ladle.core.vocabulary.levels import Level

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
    """A tool that takes no trace into a preparation: washed before and after it, or kept for it."""

    in_: str
    tool: str

    @property
    def method(self) -> str:
        """The step that the card begins with."""
        tool = within_sentence(self.tool)
        return f"Wash the {tool} before and after this, or take one that is kept for it."


@dataclass(frozen=True, slots=True)
class Plan:
    """A set of swaps and clean tools with its carried result.

    `reached` are the goals met, `adds` the flags whose level rises in the item, `clears` those that
    fall to free, `pots` the preparations that a variant would need, bases first, and `also` every
    other preparation that is made differently if the swaps are made for all. `score` is its price,
    as the planner found it.
    """

    item: str
    meets: bool
    reached: frozenset[str]
    swaps: tuple[Swap, ...]
    adds: tuple[str, ...]
    clears: tuple[str, ...]
    pots: tuple[str, ...]
    also: tuple[str, ...]
    after: Reading
    score: Score = FREE_OF_CHARGE
    for_all: "MadeForAll | None" = None
    """What comes of it when it is made for all; None where that is not known."""
    gone: frozenset[str] = frozenset()
    """The by-products, as items, that its swaps end."""
    cleaned: tuple[CleanTool, ...] = ()
    """The tools that are to be clean, without which a trace would come in."""
    cards: tuple[str, ...] = ()
    """Shipped bases that it is made with, bases first: their cards come with it."""
    buy: tuple[tuple[str, str], ...] = ()
    """Goods that would have to be bought, by id and class; their labels are still to be read."""
    same_dish: bool = True
    """Whether the item is still itself (identity.py)."""

    @property
    def changed(self) -> frozenset[str]:
        """The preparations in which something is done otherwise."""
        return frozenset(move.in_ for move in self.moves)

    @property
    def moves(self) -> tuple["Swap | CleanTool", ...]:
        """Everything that is done otherwise: its swaps, then its clean tools."""
        return (*self.swaps, *self.cleaned)


@dataclass(frozen=True, slots=True)
class MadeForAll:
    """A plan's result where its swaps are made for everybody.

    `stranded` are the counted lines that are on a by-product which the swaps end: each preparation
    with the item. While there is one, the plan does not meet.
    """

    meets: bool
    adds: tuple[str, ...]
    clears: tuple[str, ...]
    after: Reading
    stranded: tuple[tuple[str, str], ...] = ()


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


def with_clean_tools(book: Book, made: Preparation, tools: Iterable[str]) -> Preparation:
    """A preparation whose card names clean tools in place of some that leave traces."""
    box = book.toolbox
    clean = {box.key(tool): clean_name(tool, book.tools) for tool in tools}

    def named(equipment: tuple[str, ...]) -> tuple[str, ...]:
        return tuple(clean.get(box.key(name), name) for name in equipment)

    return replace(
        made,
        equipment=named(made.equipment),
        lines=tuple(replace(line, equipment=named(line.equipment)) for line in made.lines),
        method=tuple(replace(step, equipment=named(step.equipment)) for step in made.method),
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


def carried(
    before: Reading,
    item: str,
    goals: Goals,
    swaps: Iterable[Swap],
    cleaned: Iterable[CleanTool] = (),
) -> Plan | None:
    """A set of swaps as a plan, read again; None where it would put a pot into itself."""
    tiers = before.graph.tiers
    swaps = tuple(sorted(swaps, key=lambda swap: (tiers[swap.in_], swap.place)))
    cleaned = tuple(sorted(set(cleaned), key=lambda move: (tiers[move.in_], move)))
    change = swapped(before.book, swaps, cleaned)
    if closes_loop(before.book, swaps):
        return None
    gone = ended(before.book, {swap.place: swap.to for swap in swaps})
    whole = reread(before, change, gone).reading
    changed = {made.id for made in change.preparations}
    remade = whole.graph.downstream(changed) & whole.book.preparations.keys()
    pots = _small_pots(whole, item, changed, gone)
    stranded = used(whole.book, gone)
    for_all = MadeForAll(
        goals.met(whole, item) and not stranded, *_moved(before, whole, item), whole, stranded
    )
    after = beside(before, whole, pots)
    adds, clears = _moved(before, after, item)
    return Plan(
        item,
        meets=goals.met(after, item),
        reached=goals.reached(after, item),
        swaps=swaps,
        adds=adds,
        clears=clears,
        pots=pots,
        also=tuple(sorted(remade - {owner_of(item)})),
        after=after,
        for_all=for_all,
        gone=gone,
        cleaned=cleaned,
        same_dish=not Identity(before, item).is_another(swaps),
    )


def _moved(before: Reading, after: Reading, item: str) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """The flags that rise in an item, and those that fall to free."""
    was, now = before.levels(item), after.levels(item)
    adds = tuple(flag for flag in now if now[flag] > was.get(flag, Level.FREE))
    return adds, tuple(flag for flag in was if flag not in now)


def _small_pots(
    after: Reading, item: str, changed: Iterable[str], gone: frozenset[str]
) -> tuple[str, ...]:
    """The preparations that an item needs made otherwise, bases first.

    What is on a by-product that the swaps end is on the usual pot's, and needs no other.
    """
    book, above = after.book, after.graph.upstream(owner_of(item))
    remade: set[str] = set()
    waiting = [id for id in changed if id in above]
    while waiting:
        id = waiting.pop()
        if id in remade:
            continue
        remade.add(id)
        for user in after.graph.users.get(id, ()):
            lines = book.preparations[user].lines if user in book.preparations else ()
            named = [line.item for line in lines if owner_of(line.item) == id]
            if user in above and (not named or not gone.issuperset(named)):
                waiting.append(user)
    made = remade & book.preparations.keys()
    return tuple(sorted(made, key=lambda id: (after.graph.tiers[id], id)))


def beside(before: Reading, whole: Reading, pots: tuple[str, ...]) -> Reading:
    """The reading of small pots that stand beside the usual ones, under the names of these.

    A tool that is always shared leaves in each what the usual pots carry, which go through it too.
    """
    box = before.book.toolbox
    shared = {pot: _shared_tools(box, whole.book.preparations[pot]) for pot in pots}
    if not any(shared.values()):
        return whole
    through = dict(whole.through)
    usual: dict[str, list[str]] = {}
    for id, made in before.book.preparations.items():
        for name in _shared_tools(box, made):
            usual.setdefault(name, []).append(id)
    for pot in pots:
        more = [
            Through(name, other, before.levels(other), before.masks[other])
            for name in shared[pot]
            for other in usual[name]
        ]
        through[pot] = (*through.get(pot, ()), *more)
    return carry(whole.book, whole.on, through, whole.usual)


def _shared_tools(box: Toolbox, made: Preparation) -> list[str]:
    """The names of the tools that leave traces in what goes through them, each once."""
    found = (box.shared(name) for name in made.tools)
    return list(dict.fromkeys(tool.name for tool in found if tool is not None))


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
