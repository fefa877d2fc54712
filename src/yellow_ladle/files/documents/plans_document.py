"""Plans as a JSON document."""

from collections.abc import Sequence
from typing import Any

from yellow_ladle.core.book.book import Line
from yellow_ladle.core.book.tool import Toolbox
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.plans.swap import CLEAN_TOOL, CleanTool, Swap
from yellow_ladle.core.swaps.search.blockers import Blocked
from yellow_ladle.core.swaps.search.proposal import Proposal
from yellow_ladle.files.book.conversion import content
from yellow_ladle.files.documents.reading_document import item_content


def plans_content(items: Sequence[str], goals: Goals, proposal: Proposal) -> dict[str, Any]:
    """The plans for one item, or for several, and what stands in the way of others."""
    asked = {"item": items[0]} if len(items) == 1 else {"item": items[0], "items": list(items)}
    return {
        "format": "yellow-ladle-plans",
        "version": 1,
        **asked,
        "goals": {"clear": list(goals.clear), "fit": list(goals.fit)},
        "plans": [plan_content(plan) for plan in proposal.plans],
        "blocked": [blocked_content(blocked) for blocked in proposal.blocked],
    }


def plan_content(plan: Plan) -> dict[str, Any]:
    """One plan with its carried result."""
    return {
        "meets": plan.meets,
        "same_dish": plan.same_dish,
        "swaps": [
            *(swap_content(swap) for swap in plan.swaps),
            *(
                added_content(swap, n, line)
                for n, swap in enumerate(plan.swaps)
                for line in swap.adds
            ),
            *(clean_content(move, plan.after.book.toolbox) for move in plan.cleaned),
        ],
        "adds": list(plan.adds),
        "clears": list(plan.clears),
        "extra_pots": [*plan.cards, *plan.pots],
        "also_changes_if_made_for_all": list(plan.also),
        "after": item_content(plan.after, plan.item),
        **for_all_content(plan),
        **cards_content(plan),
        **({"buy": [{"id": id, "class": class_} for id, class_ in plan.buy]} if plan.buy else {}),
    }


def cards_content(plan: Plan) -> dict[str, Any]:
    """The cards that a plan brings, as a book file holds them."""
    made = plan.after.book.preparations
    return {"cards": [content(made[id]) for id in plan.cards]} if plan.cards else {}


def for_all_content(plan: Plan) -> dict[str, Any]:
    """What comes of a plan made for all, where that differs from its small pots."""
    whole = plan.for_all
    if whole is None:
        return {}
    after = item_content(whole.after, plan.item)
    small = (plan.meets, plan.adds, plan.clears, item_content(plan.after, plan.item))
    if (whole.meets, whole.adds, whole.clears, after) == small:
        return {}
    told = {"meets": whole.meets, "adds": list(whole.adds), "clears": list(whole.clears)}
    return {"for_all": told | {"after": after}}


def swap_content(swap: Swap) -> dict[str, Any]:
    """One swap; a `to` of null leaves the line out."""
    return {
        "in": swap.in_,
        "line": swap.line,
        "from": swap.from_,
        "to": swap.to,
        "quantity": swap.quantity,
        "unit": swap.unit,
        "rule": swap.rule,
        "method": list(swap.method),
    }


def added_content(swap: Swap, place: int, line: Line) -> dict[str, Any]:
    """A line that is added with the swap at a place, as a move among the swaps."""
    return {
        "in": swap.in_,
        "line": None,
        "from": None,
        "to": line.item,
        "quantity": line.quantity,
        "unit": line.unit,
        "rule": swap.rule,
        "method": [],
        "for": place,
    }


def clean_content(move: CleanTool, box: Toolbox) -> dict[str, Any]:
    """A clean or dedicated tool, as a move among the swaps."""
    return {
        "in": move.in_,
        "line": None,
        "from": None,
        "to": None,
        "quantity": None,
        "unit": None,
        "tool": box.slug(move.tool),
        "rule": CLEAN_TOOL,
        "method": [move.method(box)],
    }


def blocked_content(blocked: Blocked) -> dict[str, Any]:
    """What stands in the way; `certificate` only where one is missing."""
    told: dict[str, Any] = {
        "in": blocked.in_,
        "line": blocked.line,
        "from": blocked.from_,
        "flag": blocked.flag,
        "why": blocked.why,
    }
    if blocked.certificate is not None:
        told["certificate"] = blocked.certificate
    return told
