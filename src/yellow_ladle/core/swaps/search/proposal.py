"""Plans for an item: the whole front in the kitchen's order, or a proof that there is none."""

from collections.abc import Callable, Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import combinations

from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.library.bases import BaseLibrary
from yellow_ladle.core.swaps.plans.goals import Goals, offences, offending, together
from yellow_ladle.core.swaps.plans.harmed_needs import harmful_bits
from yellow_ladle.core.swaps.plans.plan import Plan, carried
from yellow_ladle.core.swaps.plans.score import Rank, Score, ranking
from yellow_ladle.core.swaps.plans.swap import CleanTool, Swap
from yellow_ladle.core.swaps.rules.swap_rules import SwapRule
from yellow_ladle.core.swaps.search.approaches import (
    MAX_PER_APPROACH,
    approach_of,
    one_per_approach,
)
from yellow_ladle.core.swaps.search.best_first import MAX_STEPS, BestFirstSearch, Found
from yellow_ladle.core.swaps.search.blockers import Blocked, standing_in_the_way
from yellow_ladle.core.swaps.search.candidates import Proposer
from yellow_ladle.core.swaps.search.carried_masks import Carrying
from yellow_ladle.core.swaps.search.limits import NO_LIMITS, Limits
from yellow_ladle.core.swaps.search.search_space import Allowing, Region
from yellow_ladle.core.swaps.search.thickness_limit import leaves_the_card, thinner
from yellow_ladle.core.vocabulary.classes import usual_of
from yellow_ladle.core.vocabulary.criteria import Criterion
from yellow_ladle.core.vocabulary.levels import Level

MAX_SUBSETS = 8
"""Of so many goals every combination is tried; of more, each is taken in turn."""
MAX_PURCHASES = 1
"""Plans that need something bought, at most."""
MAX_CHECKS = 3
"""Ways that end in the reading of a label, at most."""
STEPS_FOR_CHECKS = 5_000
TOO_THIN = "whatever clears it leaves it thinner than it is"


@dataclass(frozen=True, slots=True)
class Check:
    """A label to be read, and the flags that it has to be free of."""

    product: str
    flags: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class CheckFirst:
    """A way to the goals that ends in the reading of labels: good only if they say free."""

    checks: tuple[Check, ...]
    swaps: tuple[Swap, ...]
    cleaned: tuple[CleanTool, ...] = ()


@dataclass(frozen=True, slots=True)
class Proposal:
    """Plans, the best first; and what stands in the way where none meets every goal.

    `checks` are ways that need fewer swaps than any plan, if the labels turn out as hoped. `whole`
    is False where the search stopped early, so that a better plan may be missing; that there is
    none at all is known in any case.
    """

    plans: tuple[Plan, ...]
    blocked: tuple[Blocked, ...] = ()
    checks: tuple[CheckFirst, ...] = ()
    whole: bool = True


@dataclass(frozen=True, slots=True)
class Habits:
    """A kitchen's preferences: the swaps (from, to) chosen before, and the order of the criteria.

    What `order` does not name follows in the order of the book's kitchen.
    """

    order: tuple[Criterion, ...] = ()
    familiar: frozenset[tuple[str, str | None]] = frozenset()


USUAL = Habits()


def propose(
    reading: Reading,
    item: str,
    goals: Goals,
    limit: int = 10,
    *,
    limits: Limits = NO_LIMITS,
    rules: Sequence[SwapRule] | None = None,
    habits: Habits = USUAL,
    library: BaseLibrary | None = None,
) -> Proposal:
    """The plans that bring an item to its goals, or as near as they can.

    With the `library` of the same reading its bases are candidates too.
    """
    search = _Search(
        reading=reading,
        item=item,
        goals=goals,
        limits=limits,
        rules=rules,
        habits=habits,
        library=library,
    )
    plans = search.meeting(limit)
    checks = search.checks_first(min((plan.score.swaps for plan in plans), default=None))
    bought = search.with_a_purchase(plans)
    if plans:
        # A plan that waits for a label comes after those that do not, and has a place of its own.
        kept = plans[: max(limit - len(bought), 1)]
        return Proposal((*kept, *bought)[:limit], (), checks, search.whole)
    blocked = standing_in_the_way(search.proposer, item, search.ways_to_goal) or search.too_thin
    named = {class_ for plan in bought for _, class_ in plan.buy}
    blocked = tuple(
        replace(entry, buy=tuple(class_ for class_ in entry.buy if class_ not in named))
        for entry in blocked
    )
    return Proposal((*bought, *search.partial(limit))[:limit], blocked, checks, search.whole)


def can_meet(proposer: Proposer, item: str, goals: Goals, library: BaseLibrary | None) -> bool:
    """Whether some plan brings an item to its goals; `proposer` goes by the same library."""
    reading, limits = proposer.reading, proposer.limits
    search = _Search(
        reading=reading,
        item=item,
        goals=goals,
        limits=limits,
        rules=proposer.rules,
        habits=USUAL,
        library=library,
        proposer=proposer,
    )
    return bool(search.meeting(1))


class _Search:
    def __init__(
        self,
        reading: Reading,
        item: str,
        goals: Goals,
        limits: Limits,
        rules: Sequence[SwapRule] | None,
        habits: Habits,
        library: BaseLibrary | None,
        proposer: Proposer | None = None,
    ) -> None:
        self.library = library
        self.reading = reading if library is None else library.whole
        self.item = item
        self.goals = goals
        bases = frozenset() if library is None else library.ids
        self.proposer = proposer or Proposer(
            reading=self.reading, limits=limits, rules=rules, bases=bases, item=item
        )
        self.ways_to_goal = offences(reading, goals)
        self.whole = True
        self._habits = habits
        self._thinner: dict[str, None] = {}

    def meeting(self, limit: int) -> tuple[Plan, ...]:
        """The plans of the front that meet every goal."""
        return tuple(self._plans(self.goals, self.ways_to_goal, limit))

    def partial(self, limit: int) -> tuple[Plan, ...]:
        """The plans that meet as many goals as go together, and clear what else they can."""
        plans: dict[frozenset[Swap | CleanTool], tuple[tuple[float, ...], Plan]] = {}
        for bad in self._within_reach():
            for plan in self._plans(self.goals, [bad], limit):
                if plan.changed:
                    key = (-len(plan.reached), -len(plan.clears), *self._rank(plan.score))
                    plans[frozenset(plan.moves)] = (key, plan)
        ranked = sorted(plans.values(), key=lambda entry: entry[0])
        return tuple(plan for _, plan in ranked[:limit])

    def with_a_purchase(self, without: Iterable[Plan] = ()) -> tuple[Plan, ...]:
        """The best plans that need one thing bought, if its label says what is hoped.

        Nothing is bought for the same approach as a plan that needs no purchase.
        """
        if self.library is None:
            return ()
        missing = {
            class_
            for bad in self.ways_to_goal
            for deciding in Region(
                self.proposer, self.item, bad, Allowing(freeing=True)
            ).pots.values()
            for choice in deciding.choices
            if choice.line is not None
            for class_ in self.proposer.offers(
                choice.pot, choice.line, milk_goes="milk" in bad
            ).missing
        }
        goods = self.library.to_buy(class_ for class_ in missing if self._may_clear(class_))
        if not goods:
            return ()
        whole = self.library.only(self.library.ids, goods)
        proposer = Proposer(
            reading=whole,
            limits=self.proposer.limits,
            rules=self.proposer.rules,
            bases=self.library.ids,
            item=self.item,
        )
        allowing = Allowing(checks=True, only=frozenset(id for id, _ in goods))
        regions = [Region(proposer, self.item, bad, allowing) for bad in self.ways_to_goal]
        walk = self._walk(regions, self._rank, STEPS_FOR_CHECKS)
        classes = dict(goods)

        def fits(found: Found) -> Plan | None:
            book = whole.book
            if len(found.checks) != 1 or not found.acyclic(book):
                return None
            if not found.yields_what_it_uses(book):
                return None
            buy = tuple((id, classes[id]) for id in found.checks)
            assert self.library is not None
            cards = self.library.cards_of(swap.to for swap in found.swaps)
            before = self.library.only(cards, buy)
            plan = carried(
                before=before,
                item=self.item,
                goals=self.goals,
                swaps=found.swaps,
                cleaned=found.cleaned,
            )
            if plan is None or self._is_thinner(plan):
                return None
            return replace(plan, cards=cards, buy=buy)

        most = MAX_PER_APPROACH * MAX_PURCHASES
        found = walk.plans(fits, most, thickness=self._thickness)
        scored = (_scored(plan, each) for each, plan in found)
        return tuple(one_per_approach(scored, MAX_PURCHASES, map(approach_of, without)))

    def _may_clear(self, class_: str) -> bool:
        """Whether goods of a class are usually without what has to go, in some way to the goals.

        Nobody is told to buy an oat drink for a guest who may not have oats.
        """
        usual = usual_of(class_).has
        return any(usual.isdisjoint(bad) for bad in self.ways_to_goal)

    def checks_first(self, fewest: int | None) -> tuple[CheckFirst, ...]:
        """The ways that need fewer swaps than a plan: to read a label changes no plate."""
        regions = [
            Region(self.proposer, self.item, bad, Allowing(checks=True))
            for bad in self.ways_to_goal
        ]
        if not any(region.awaits_labels for region in regions):
            return ()
        walk = self._walk(regions, self._by_swaps, STEPS_FOR_CHECKS)
        before = None if fewest is None else (float(fewest),)
        found = walk.plans(self._with_checks, MAX_CHECKS, before)
        return tuple(check for _, check in found)

    def _walk(
        self,
        regions: Sequence[Region],
        rank: Callable[[Score], Rank],
        most_steps: int = MAX_STEPS,
    ) -> BestFirstSearch:
        most_pots = self.proposer.limits.most_pots
        harmful = harmful_bits(self.reading)
        return BestFirstSearch(
            regions=regions,
            rank=rank,
            most_pots=most_pots,
            familiar=self._habits.familiar,
            most_steps=most_steps,
            harmful=harmful,
        )

    @property
    def _rank(self) -> Callable[[Score], Rank]:
        return ranking((*self._habits.order, *self.reading.book.kitchen.swap_order))

    def _plans(self, goals: Goals, bads: Sequence[dict[str, int]], limit: int) -> list[Plan]:
        regions = [Region(self.proposer, self.item, bad) for bad in bads]
        walk = self._walk(regions, self._rank)
        needs = _Needs(self.reading, self.item, bads)

        def fits(found: Found) -> Plan | None:
            book = self.reading.book
            if not found.acyclic(book) or not found.yields_what_it_uses(book):
                return None
            if not needs.all_of(found):
                return None
            cards, before = self._with_cards(found)
            plan = carried(
                before=before, item=self.item, goals=goals, swaps=found.swaps, cleaned=found.cleaned
            )
            if plan is None or not needs.met_by(plan) or self._is_thinner(plan):
                return None
            return replace(plan, cards=cards)

        found = walk.plans(fits, MAX_PER_APPROACH * limit, thickness=self._thickness)
        made = one_per_approach((_scored(plan, each) for each, plan in found), limit)
        self.whole = self.whole and walk.whole
        return made

    def _with_cards(self, found: Found) -> tuple[tuple[str, ...], Reading]:
        """The bases that a plan is made with, and the kitchen's book with these and no others."""
        if self.library is None:
            return (), self.reading
        cards = self.library.cards_of(swap.to for swap in found.swaps)
        return cards, self.library.only(cards)

    def _thickness(self, found: Found, plan: Plan) -> int:
        return int(leaves_the_card(self.reading, plan.after, self.item, found.swaps))

    def _is_thinner(self, plan: Plan) -> bool:
        """Whether a plan leaves a pot thinner although none is to be; then the pot is noted."""
        if not self.proposer.limits.keep_thickness:
            return False
        found = thinner(self.reading, plan.after, plan.pots)
        self._thinner |= dict.fromkeys(found)
        return bool(found)

    @property
    def too_thin(self) -> tuple[Blocked, ...]:
        """What stands in the way where there are plans, but each leaves some pot thinner."""
        bad = self.ways_to_goal[0] if self.ways_to_goal else {}
        return tuple(
            Blocked(in_=pot, line=None, from_=pot, flag=flag, why=TOO_THIN)
            for pot in self._thinner
            for flag in offending(self.reading.masks[pot], bad)
        )

    def _within_reach(self) -> Iterator[dict[str, int]]:
        """What can be cleared: for every largest set of goals that can be met, and beyond it."""
        for goals in self._largest():
            for bad in offences(self.reading, goals):
                if self._feasible(bad):
                    yield self._and_more(bad)

    def _largest(self) -> list[Goals]:
        """The sets of goals that can be met together and to which no other can be added."""
        wanted = [("clear", flag) for flag in self.goals.clear]
        wanted += [("fit", diet) for diet in self.goals.fit]
        if len(wanted) > MAX_SUBSETS:
            return [self._grown(wanted)]
        found: list[frozenset[tuple[str, str]]] = []
        for size in range(len(wanted), -1, -1):
            for some in map(frozenset, combinations(wanted, size)):
                if any(some <= larger for larger in found):
                    continue
                if any(map(self._feasible, offences(self.reading, _goals(wanted, some)))):
                    found.append(some)
        return [_goals(wanted, some) for some in found]

    def _grown(self, wanted: list[tuple[str, str]]) -> Goals:
        met: list[tuple[str, str]] = []
        for goal in wanted:
            tried = _goals(wanted, {*met, goal})
            if any(map(self._feasible, offences(self.reading, tried))):
                met.append(goal)
        return _goals(wanted, met)

    def _and_more(self, bad: dict[str, int]) -> dict[str, int]:
        """What is to go, and of the rest that offends every flag that can fall to free with it."""
        layout, mask = self.reading.layout, self.reading.masks[self.item]
        for flag, bits in self.ways_to_goal[0].items():
            if flag in layout.bits and mask & bits and bits & ~bad.get(flag, 0):
                free = layout.at_least(1 << layout.bits[flag], Level.MAY_CONTAIN)
                more = {**bad, flag: bad.get(flag, 0) | free}
                if self._feasible(more):
                    bad = more
        return bad

    def _feasible(self, bad: dict[str, int]) -> bool:
        return Region(self.proposer, self.item, bad).feasible

    def _by_swaps(self, score: Score) -> Rank:
        return (score.swaps, *self._rank(score))

    def _with_checks(self, found: Found) -> CheckFirst | None:
        book = self.reading.book
        if not found.checks or not found.acyclic(book) or not found.yields_what_it_uses(book):
            return None
        if self.proposer.limits.keep_thickness:
            plan = carried(
                before=self.reading,
                item=self.item,
                goals=self.goals,
                swaps=found.swaps,
                cleaned=found.cleaned,
            )
            if plan is None or thinner(self.reading, plan.after, plan.pots):
                return None
        checks = (
            Check(product, tuple(offending(self.reading.masks[product], found.bad)))
            for product in found.checks
        )
        return CheckFirst(tuple(checks), found.swaps, found.cleaned)


class _Needs:
    """Whether a set of swaps clears an item, and whether each of them is needed for it."""

    def __init__(self, reading: Reading, item: str, bads: Iterable[dict[str, int]]) -> None:
        self._item = item
        self._bads = [together(bad.values()) for bad in bads]
        self._carrying = Carrying(reading, together(self._bads))

    def met_by(self, plan: Plan) -> bool:
        """Whether a plan's carried result, in small pots, holds nothing of what had to go."""
        return self._met(plan.after.masks[self._item])

    def all_of(self, found: Found) -> bool:
        """Whether the item is not cleared any more if any one swap or clean tool is left out."""
        swaps, cleaned = found.swaps, found.cleaned
        fewer = [([other for other in swaps if other is not swap], cleaned) for swap in swaps]
        fewer += [(list(swaps), tuple(o for o in cleaned if o != tool)) for tool in cleaned]
        for less, washed in fewer:
            mask = self._carrying.mask(self._item, less, washed)
            if mask is not None and self._met(mask):
                return False
        return True

    def _met(self, mask: int) -> bool:
        return any(not mask & bits for bits in self._bads)


def _scored(plan: Plan, found: Found) -> Plan:
    return replace(plan, score=found.score)


def _goals(wanted: list[tuple[str, str]], some: Iterable[tuple[str, str]]) -> Goals:
    chosen = set(some)
    return Goals(
        tuple(id for kind, id in wanted if kind == "clear" and (kind, id) in chosen),
        tuple(id for kind, id in wanted if kind == "fit" and (kind, id) in chosen),
    )
