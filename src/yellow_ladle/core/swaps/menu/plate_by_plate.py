"""A menu planned plate by plate: an answer where the whole menu has none in the time."""

from collections.abc import Sequence
from dataclasses import replace

from yellow_ladle.core.swaps.library.bases import BaseLibrary
from yellow_ladle.core.swaps.menu.menu_plan import Guest, MenuPlan, Serving, SmallPot
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.plans.swap import Swap
from yellow_ladle.core.swaps.search.candidates import Proposer
from yellow_ladle.core.swaps.search.proposal import Habits, propose

FEWEST_POTS = Habits(("pots", "adds", "swaps"))


def plate_by_plate(
    proposer: Proposer,
    plates: Sequence[str],
    groups: Sequence[Goals],
    guests: Sequence[Guest],
    library: BaseLibrary | None,
) -> MenuPlan:
    """Every plate by itself: what is alike in two plans is made once, nothing else is shared."""
    own = proposer.reading if library is None else library.only(())
    small: dict[tuple[str, frozenset[Swap]], list[str]] = {}
    planned: list[tuple[str, tuple[str, ...], Goals, Plan | None, list[SmallPot]]] = []
    for plate in plates:
        for goals in groups:
            names = tuple(guest.name for guest in guests if guest.goals == goals)
            found = propose(
                own,
                plate,
                goals,
                1,
                limits=proposer.limits,
                rules=proposer.rules,
                habits=FEWEST_POTS,
                library=library,
            ).plans
            plan = found[0] if found and found[0].meets and not found[0].buy else None
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
        Serving(
            plate=plate,
            guests=names,
            goals=goals,
            plan=plan,
            pots=tuple(made[p.pot, frozenset(p.within)] for p in pots),
        )
        for plate, names, goals, plan, pots in planned
    )
    # Every plate that somebody cannot eat as usual needs a pot of its own at the least.
    bound = len({serving.plate for serving in servings if serving.pots})
    tiers = proposer.reading.graph.tiers
    pots = sorted(made.values(), key=lambda pot: (tiers[pot.pot], pot.pot))
    cards = dict.fromkeys(card for *_, plan, _ in planned if plan for card in plan.cards)
    return MenuPlan(servings, tuple(pots), bound, tuple(cards))


def _pots_of(plan: Plan, guests: tuple[str, ...]) -> list[SmallPot]:
    found: list[SmallPot] = []
    for pot in plan.pots:
        beneath = plan.after.graph.upstream(pot)
        within = tuple(swap for swap in plan.swaps if swap.in_ in beneath)
        here = tuple(swap for swap in plan.swaps if swap.in_ == pot)
        cleaned = tuple(move for move in plan.cleaned if move.in_ == pot)
        found.append(SmallPot(pot=pot, swaps=here, within=within, guests=guests, cleaned=cleaned))
    return found
