"""Plans: sets of swaps with their carried result."""

from collections.abc import Iterable
from dataclasses import dataclass

from yellow_ladle.core.book.book import Preparation, owner_of
from yellow_ladle.core.book.by_products import ended, used
from yellow_ladle.core.book.tool import Through, Toolbox
from yellow_ladle.core.reading.reading import Reading, carry
from yellow_ladle.core.reading.update import reread
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.identity import Identity
from yellow_ladle.core.swaps.plans.score import FREE_OF_CHARGE, Score
from yellow_ladle.core.swaps.plans.swap import CleanTool, Swap, closes_loop, swapped
from yellow_ladle.core.vocabulary.levels import Level


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
    changed = {preparation.id for preparation in change.preparations}
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
    for id, preparation in before.book.preparations.items():
        for name in _shared_tools(box, preparation):
            usual.setdefault(name, []).append(id)
    for pot in pots:
        more = [
            Through(name, other, before.levels(other), before.masks[other])
            for name in shared[pot]
            for other in usual[name]
        ]
        through[pot] = (*through.get(pot, ()), *more)
    return carry(whole.book, whole.on, through, whole.usual)


def _shared_tools(box: Toolbox, preparation: Preparation) -> list[str]:
    """The names of the tools that leave traces in what goes through them, each once."""
    found = (box.shared(name) for name in preparation.tools)
    return list(dict.fromkeys(tool.name for tool in found if tool is not None))
