"""Questions to the planner, asked in a line."""

from collections.abc import Mapping

from tests.kitchens import product, reading
from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.swaps.apply.new_cards import placed
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.plan import Plan, carried
from yellow_ladle.core.swaps.plans.swap import Swap
from yellow_ladle.core.swaps.search.limits import NO_LIMITS, Limits
from yellow_ladle.core.swaps.search.proposal import Proposal, propose

NO_WHEAT = Goals(("wheat",))
OAT = product("oat-drink", "oats", "oat-drink")


def asked(
    item: str, goals: Goals, *pieces: Product | Preparation, limits: Limits = NO_LIMITS
) -> Proposal:
    """What is proposed for an item of a small book."""
    return propose(reading(*pieces), item, goals, limits=limits)


def plan_of(before: Reading, item: str, goals: Goals, *swaps: Swap) -> Plan:
    """Some swaps as a plan, which is known to stand."""
    plan = carried(before, item, goals, swaps)
    assert plan is not None
    return plan


def for_all(before: Reading, plan: Plan) -> Change:
    """The change that makes a plan's swaps where they stand."""
    return placed(before, plan, {})


def as_variant(before: Reading, plan: Plan, names: Mapping[str, str]) -> Change:
    """The change that makes all of a plan's pots beside the usual ones, under these names."""
    return placed(before, plan, {pot: names[pot] for pot in plan.pots})
