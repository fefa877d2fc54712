"""Plans by plain search: pot by pot from the plate down, keeping the best few ways of each."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from typing import TypeAlias

from yellow_ladle.core.book import Line, owner_of
from yellow_ladle.core.goals import Goals, offences, offending
from yellow_ladle.core.plan import ON_THE_CARD, Plan, Swap, carried
from yellow_ladle.core.reading import Reading, own_mask
from yellow_ladle.core.rules import SwapRule, classes_of, items_by_class, swap_rules

MOST_WAYS = 48
"""Ways kept per pot; more are dropped, the dearest first."""

Swaps: TypeAlias = frozenset[Swap]


@dataclass(frozen=True, slots=True)
class Blocked:
    """A line that stands in the way. `line` None: the pot's own statement does."""

    in_: str
    line: int | None
    from_: str
    flag: str
    why: str


@dataclass(frozen=True, slots=True)
class Proposal:
    """Plans, the best first; and what stands in the way where none meets every goal."""

    plans: tuple[Plan, ...]
    blocked: tuple[Blocked, ...]


def propose(reading: Reading, item: str, goals: Goals, limit: int = 10) -> Proposal:
    """The plans that bring an item to its goals, or as near as they can."""
    ways_to_goal = offences(reading, goals)
    searches = [_Search(reading, bad) for bad in ways_to_goal]
    results = [search.ways(owner_of(item)) for search in searches]
    found = [swaps for result in results if result.complete for swaps in result.ways]
    plans = _plans(reading, item, goals, found)
    if any(plan.meets for plan in plans):
        return Proposal(tuple(plan for plan in plans if plan.meets)[:limit], ())
    partial = [swaps for bad in ways_to_goal for swaps in _partial(reading, item, bad)]
    blocked = min((result.blocked for result in results), key=len, default=())
    plans = [plan for plan in _plans(reading, item, goals, partial) if plan.swaps]
    return Proposal(tuple(plans[:limit]), tuple(dict.fromkeys(blocked)))


def _partial(reading: Reading, item: str, bad: dict[str, int]) -> Iterator[Swaps]:
    """Ways that clear as many of the offending flags as can be cleared."""
    clearable: dict[str, int] = {}
    for flag, bits in bad.items():
        alone = _Search(reading, {flag: bits}).ways(owner_of(item))
        if alone.complete and alone.ways != (frozenset(),):
            clearable[flag] = bits
            yield from alone.ways[:4]
    together = _Search(reading, clearable).ways(owner_of(item))
    yield from together.ways


def _plans(reading: Reading, item: str, goals: Goals, found: Iterable[Swaps]) -> list[Plan]:
    plans: dict[Swaps, Plan] = {}
    for swaps in found:
        plan = carried(reading, item, goals, swaps)
        if plan is not None:
            plan = _without_the_needless(reading, goals, plan)
            plans[frozenset(plan.swaps)] = plan
    return sorted(plans.values(), key=_price)


def _price(plan: Plan) -> tuple[int, ...]:
    """The order of plans: goals reached, flags cleared, then the fewest flags, swaps and pots."""
    rank = {rule.id: place for place, rule in enumerate(swap_rules())}
    cleared = -len(plan.clears) if not plan.meets else 0
    left_out = sum(swap.to is None for swap in plan.swaps)
    preference = sum(rank.get(swap.rule, -1) for swap in plan.swaps)
    cost = (len(plan.adds) + left_out + len(plan.swaps), len(plan.pots), preference)
    return (-len(plan.reached), cleared, *cost)


def _without_the_needless(reading: Reading, goals: Goals, plan: Plan) -> Plan:
    """The plan less every swap without which it reaches and clears just as much."""
    for swap in plan.swaps:
        less = carried(reading, plan.item, goals, (s for s in plan.swaps if s != swap))
        if less is not None and _as_good(less, plan):
            return _without_the_needless(reading, goals, less)
    return plan


def _as_good(less: Plan, plan: Plan) -> bool:
    if plan.meets:
        return less.meets
    return less.reached >= plan.reached and set(less.clears) >= set(plan.clears)


@dataclass(frozen=True, slots=True)
class _Ways:
    """The ways to rid one pot of what may not remain; not `complete` where something is left."""

    ways: tuple[Swaps, ...]
    complete: bool
    blocked: tuple[Blocked, ...] = ()


class _Search:
    """One search for ways to rid pots of the bits in `bad`, each pot worked out once."""

    def __init__(self, reading: Reading, bad: dict[str, int]) -> None:
        self._reading = reading
        self._bad = bad
        self._bits = 0
        for bits in bad.values():
            self._bits |= bits
        self._larder = items_by_class(reading.book)
        self._known: dict[str, _Ways] = {}
        self._open: set[str] = set()

    def ways(self, pot: str) -> _Ways:
        """The ways for one preparation (or product, which has none if it offends)."""
        if not self._offends(pot):
            return _Ways((frozenset(),), complete=True)
        if pot in self._open or pot not in self._reading.book.preparations:
            return _Ways((frozenset(),), complete=False)
        if pot not in self._known:
            self._open.add(pot)
            self._known[pot] = self._work_out(pot)
            self._open.discard(pot)
        return self._known[pot]

    def _offends(self, item: str) -> bool:
        return bool(self._reading.masks[item] & self._bits)

    def _work_out(self, pot: str) -> _Ways:
        preparation = self._reading.book.preparations[pot]
        ways: tuple[Swaps, ...] = (frozenset(),)
        complete = True
        own = own_mask(self._reading.layout, preparation)
        blocked = [
            Blocked(pot, None, pot, flag, "the pot's own statement says so; read it again")
            for flag in offending(own, self._bad)
        ]
        for index in preparation.counted():
            line = preparation.lines[index]
            if not self._offends(line.item):
                continue
            options = self._line(pot, index, line)
            ways = _combined(ways, options.ways)
            complete = complete and options.complete
            blocked += options.blocked
        return _Ways(ways, complete and not own & self._bits, tuple(blocked))

    def _line(self, pot: str, index: int, line: Line) -> _Ways:
        """Ways to rid one line of what offends: another item, or the same item rid of it."""
        options: list[Swaps] = []
        tried: list[str] = []
        missing: list[str] = []
        for swap in self._proposed(pot, index, line, missing):
            below = self._candidate(swap)
            if below.complete:
                options += [way | {swap} for way in below.ways]
            else:
                tried.append(str(swap.to))
        below = self.ways(owner_of(line.item))
        if below.complete:
            options += below.ways
        if options:
            return _Ways(tuple(sorted(set(options), key=_cost)[:MOST_WAYS]), complete=True)
        if below.blocked:
            return below
        why = _why(tried, missing)
        flags = offending(self._reading.masks[line.item], self._bad)
        blocked = tuple(Blocked(pot, index, line.item, flag, why) for flag in flags)
        return _Ways(below.ways, complete=False, blocked=blocked)

    def _candidate(self, swap: Swap) -> _Ways:
        if swap.to is None:
            return _Ways((frozenset(),), complete=True)
        return self.ways(owner_of(swap.to))

    def _proposed(self, pot: str, index: int, line: Line, missing: list[str]) -> Iterator[Swap]:
        """Every swap that the card or a rule proposes; classes nobody holds go to `missing`."""
        book, family = self._reading.book, self._reading.family
        barred = family.downstream([pot])
        preparation = book.preparations[pot]
        for other in preparation.lines:
            if line.choice and other.choice == line.choice and other.item != line.item:
                yield Swap(
                    pot, index, line.item, other.item, other.quantity, other.unit, ON_THE_CARD
                )
        classes = classes_of(book, line.item)
        for rule in swap_rules():
            if not rule.matches(line, classes, preparation.kind):
                continue
            if rule.leaves_out and len(preparation.lines) > 1:
                yield _swap(pot, index, line, rule, None)
            for class_ in rule.with_:
                held = self._larder.get(class_, [])
                if not held:
                    missing.append(class_)
                for item in held:
                    if item not in barred and item != line.item:
                        yield _swap(pot, index, line, rule, item)


def _swap(pot: str, index: int, line: Line, rule: SwapRule, to: str | None) -> Swap:
    quantity = round(line.quantity * rule.ratio, 2) if to else 0.0
    return Swap(
        pot, index, line.item, to, quantity, line.unit, rule.id, rule.method, stage=rule.stage
    )


def _combined(ways: Iterable[Swaps], options: Iterable[Swaps]) -> tuple[Swaps, ...]:
    options = tuple(options)
    merged = {way | option for way in ways for option in options}
    sound = [way for way in merged if len({swap.place for swap in way}) == len(way)]
    return tuple(sorted(sound, key=_cost)[:MOST_WAYS])


def _cost(way: Swaps) -> tuple[int, int, list[tuple[str, int, str]]]:
    dropped = sum(swap.to is None for swap in way)
    return (len(way), dropped, sorted((s.in_, s.line, str(s.to)) for s in way))


def _why(tried: list[str], missing: list[str]) -> str:
    if tried:
        return f"every swap known for it brings the same: {', '.join(dict.fromkeys(tried))}"
    if missing:
        return f"the larder holds nothing to swap it for; look for {', '.join(missing)}"
    return "no swap is known for this role"
