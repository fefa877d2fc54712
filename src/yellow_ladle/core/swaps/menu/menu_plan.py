"""The whole menu: the fewest small pots with which every guest eats, plate by plate."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from time import perf_counter

from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.goals import Goals, offences, together
from yellow_ladle.core.swaps.identity import Identity
from yellow_ladle.core.swaps.menu.courses import as_themselves, lacking
from yellow_ladle.core.swaps.menu.cp_model import MenuModel
from yellow_ladle.core.swaps.menu.menu_answer import Needed, Solved, Version
from yellow_ladle.core.swaps.plan import CleanTool, Plan, Swap, carried
from yellow_ladle.core.swaps.rules import SwapRule
from yellow_ladle.core.swaps.search.candidates import Proposer
from yellow_ladle.core.swaps.search.limits import NO_LIMITS, Limits
from yellow_ladle.core.swaps.search.proposal import Habits, propose
from yellow_ladle.core.swaps.search.search_space import Region
from yellow_ladle.core.vocabulary.levels import Level

LEAST_SECONDS = 0.1
"""The solver looks so long at least, however long the model took to be made."""
SECONDS = 10.0
"""How long is looked for a better answer, until somebody says otherwise."""


@dataclass(frozen=True, slots=True)
class Guest:
    """Somebody at the table, and what must be cleared or fit for them."""

    name: str
    goals: Goals


@dataclass(frozen=True, slots=True)
class SmallPot:
    """A pot that is made beside the usual one. `swaps` are made in it, `within` also beneath it;
    `cleaned` are the tools that have to be clean for it.

    `guests` eat of it. Two of the same pot are told apart by what is within.
    """

    pot: str
    swaps: tuple[Swap, ...]
    within: tuple[Swap, ...]
    guests: tuple[str, ...]
    cleaned: tuple[CleanTool, ...] = ()


@dataclass(frozen=True, slots=True)
class Serving:
    """One plate for the guests who share the same goals.

    `plan` None: nobody is served it, as no plan exists or, where it is `spare`, as they have enough
    of its course without. A plan without swaps is the plate as it usually is. `pots` are the small
    pots that it is made with.
    """

    plate: str
    guests: tuple[str, ...]
    goals: Goals
    plan: Plan | None
    pots: tuple[SmallPot, ...] = ()
    spare: bool = False


@dataclass(frozen=True, slots=True)
class MenuPlan:
    """How every guest eats. `pots` are the small pots needed in all, bases first.

    `optimal`: no fewer would do. Otherwise at least `bound` are needed and the best answer found in
    the time is this one. A group of guests with the same goals gets one version of each pot in
    every plate, and groups share a version wherever one clears what all of them need.
    """

    servings: tuple[Serving, ...]
    pots: tuple[SmallPot, ...]
    optimal: bool
    bound: int

    @property
    def gap(self) -> float:
        """How far the answer may be from the best, as a share of it; 0 where it is the best."""
        found = len(self.pots)
        return 0.0 if self.optimal or not found else (found - self.bound) / found


def plan_menu(
    reading: Reading,
    plates: Sequence[str],
    guests: Sequence[Guest],
    *,
    seconds: float = SECONDS,
    limits: Limits = NO_LIMITS,
    rules: Sequence[SwapRule] | None = None,
    each: int | None = None,
) -> MenuPlan:
    """The fewest pots that let every guest eat.

    Every plate that can be cleared for them, or with `each` at least so many of each course: those
    that suit as they are count, and a plate without a course is of one that all such share.
    Then a plate becomes another dish only where a course could not be served otherwise.

    The solver starts from an answer that is made without a search (menu_start.py). Where there is
    none, and the solver finds nothing in the time, every plate is planned by itself for every
    group, with the fewest pots each: an answer, but hardly the best.
    """
    begun = perf_counter()
    proposer = Proposer(reading, limits, rules)
    groups = list(dict.fromkeys(guest.goals for guest in guests))
    ways = [[together(bad.values()) for bad in offences(reading, goals)] for goals in groups]
    told = {plate: Identity(reading, plate).main for plate in plates}
    asked = proposer if each is None else proposer.leaving(frozenset().union(*told.values()))
    pairs = [(plate, place) for plate in told for place in range(len(groups))]
    themselves = {pair for pair in pairs if _can_be_cleared(asked, pair[0], groups[pair[1]])}
    # Who finds a way without touching what a plate is told by finds one with that freedom too.
    wanted = [
        pair
        for pair in pairs
        if pair in themselves
        or (asked is not proposer and _can_be_cleared(proposer, pair[0], groups[pair[1]]))
    ]
    possible, needed = set(wanted), list[Needed]()
    if each is not None:
        needed, short = as_themselves(lacking(reading, wanted, groups, each), themselves)
        lost = frozenset().union(*(told[plate] for plate in short))
        asked = asked.leaving(asked.limits.same_class - lost)
        # What suits as it is costs nothing: the model is asked only for what is still lacking.
        wanted = [(plate, need.group) for need in needed for plate in need.plates]
    model = MenuModel(asked, ways, wanted, needed)
    solved = model.solve(max(seconds - (perf_counter() - begun), LEAST_SECONDS))
    if solved is None:
        return _one_by_one(proposer, list(dict.fromkeys(plates)), groups, guests)
    eaters = [tuple(guest.name for guest in guests if guest.goals == goals) for goals in groups]
    minded = [_minded(reading, choices) for choices in ways]
    small = {
        version: _small_pot(proposer, solved, version, eaters, minded) for version in solved.swaps
    }
    servings = tuple(
        _serving(
            reading,
            solved,
            small,
            plate,
            (place, goals),
            eaters[place],
            possible=(plate, place) in possible,
        )
        for plate in dict.fromkeys(plates)
        for place, goals in enumerate(groups)
    )
    tiers = reading.graph.tiers
    pots = sorted(solved.swaps, key=lambda version: (tiers[version.pot], version))
    return MenuPlan(
        servings, tuple(small[version] for version in pots), solved.optimal, solved.bound
    )


def _can_be_cleared(proposer: Proposer, plate: str, goals: Goals) -> bool:
    """Whether some small pots clear a plate.

    The region takes it that a by-product is still there when its pot is cleared. Where a plate is
    made with one, only a whole plan is a proof.
    """
    reading = proposer.reading
    if not any(Region(proposer, plate, bad).feasible for bad in offences(reading, goals)):
        return False
    made = reading.book.preparations
    below = (made[id] for id in reading.graph.upstream(plate) if id in made)
    if not any("/" in line.item for pot in below for line in pot.lines):
        return True
    found = propose(reading, plate, goals, 1, limits=proposer.limits, rules=proposer.rules)
    return bool(found.plans) and found.plans[0].meets


def _one_by_one(
    proposer: Proposer, plates: Sequence[str], groups: Sequence[Goals], guests: Sequence[Guest]
) -> MenuPlan:
    """Every plate by itself: what is alike in two plans is made once, nothing else is shared."""
    reading = proposer.reading
    habits = Habits(("pots", "adds", "swaps"))
    small: dict[tuple[str, frozenset[Swap]], list[str]] = {}
    planned: list[tuple[str, tuple[str, ...], Goals, Plan | None, list[SmallPot]]] = []
    for plate in plates:
        for goals in groups:
            names = tuple(guest.name for guest in guests if guest.goals == goals)
            found = propose(
                reading,
                plate,
                goals,
                1,
                limits=proposer.limits,
                rules=proposer.rules,
                habits=habits,
            ).plans
            plan = found[0] if found and found[0].meets else None
            pots = [] if plan is None else _pots_of(plan, names)
            for pot in pots:
                small.setdefault((pot.pot, frozenset(pot.within)), []).extend(names)
            planned.append((plate, names, goals, plan, pots))
    made = {
        key: replace(pot, guests=tuple(dict.fromkeys(small[key])))
        for *_, pots in planned
        for pot in pots
        if (key := (pot.pot, frozenset(pot.within)))
    }
    servings = tuple(
        Serving(plate, names, goals, plan, tuple(made[p.pot, frozenset(p.within)] for p in pots))
        for plate, names, goals, plan, pots in planned
    )
    # Every plate that somebody cannot eat as usual needs a pot of its own at the least.
    bound = len({serving.plate for serving in servings if serving.pots})
    tiers = reading.graph.tiers
    pots = sorted(made.values(), key=lambda pot: (tiers[pot.pot], pot.pot))
    return MenuPlan(servings, tuple(pots), len(pots) == bound, bound)


def _pots_of(plan: Plan, guests: tuple[str, ...]) -> list[SmallPot]:
    found: list[SmallPot] = []
    for pot in plan.pots:
        beneath = plan.after.graph.upstream(pot)
        within = tuple(swap for swap in plan.swaps if swap.in_ in beneath)
        here = tuple(swap for swap in plan.swaps if swap.in_ == pot)
        cleaned = tuple(move for move in plan.cleaned if move.in_ == pot)
        found.append(SmallPot(pot, here, within, guests, cleaned))
    return found


def _serving(
    reading: Reading,
    solved: Solved,
    small: Mapping[Version, SmallPot],
    plate: str,
    group: tuple[int, Goals],
    guests: tuple[str, ...],
    *,
    possible: bool,
) -> Serving:
    place, goals = group
    if (plate, place) not in solved.serves:
        as_it_is = carried(reading, plate, goals, ())
        if as_it_is is not None and as_it_is.meets:
            return Serving(plate, guests, goals, as_it_is)
        return Serving(plate, guests, goals, None, spare=possible)
    versions = _beneath(solved, solved.serves[plate, place])
    swaps = _swaps(solved, versions)
    pots = tuple(small[version] for version in versions)
    cleaned = [move for pot in pots for move in pot.cleaned]
    return Serving(plate, guests, goals, carried(reading, plate, goals, swaps, cleaned), pots)


def _small_pot(
    proposer: Proposer,
    solved: Solved,
    version: Version,
    eaters: Sequence[tuple[str, ...]],
    minded: Sequence[bool],
) -> SmallPot:
    """A version as a small pot. Its tools are clean where one of its guests must have no traces.

    Of all small pots that share a tool any may come first, so that it does not matter what the
    usual ones leave in it.
    """
    within = _swaps(solved, _beneath(solved, version))
    guests = tuple(name for group in solved.eaten_by[version] for name in eaters[group])
    shared = proposer.tool_traces.of(version.pot)
    minds = any(minded[group] for group in solved.eaten_by[version])
    cleaned = tuple(CleanTool(version.pot, tool) for tool in shared) if minds else ()
    return SmallPot(version.pot, solved.swaps[version], within, guests, cleaned)


def _minded(reading: Reading, ways: Sequence[int]) -> bool:
    """Whether traces count for somebody in every way to a goal, or in one of them."""
    layout = reading.layout
    every = (1 << layout.width) - 1
    return any(bits & layout.at_least(every, Level.MAY_CONTAIN) for bits in ways)


def _beneath(solved: Solved, top: Version | None) -> tuple[Version, ...]:
    """A version and those that it is made of, itself first."""
    waiting = [top]
    seen: dict[Version, None] = {}
    while waiting:
        version = waiting.pop()
        if version is not None and version not in seen:
            seen[version] = None
            waiting += solved.made_of[version]
    return tuple(seen)


def _swaps(solved: Solved, versions: Sequence[Version]) -> tuple[Swap, ...]:
    return tuple(dict.fromkeys(swap for version in versions for swap in solved.swaps[version]))
