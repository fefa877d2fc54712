"""What the kitchen has that suits a guest as it is, and when to offer that first."""

from collections.abc import Iterable

from yellow_ladle.core.book.book import Preparation, owner_of
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.item_names import is_in_name
from yellow_ladle.core.swaps.plans.plan import Plan

MAX_INSTEAD = 8


def instead(reading: Reading, item: str, goals: Goals) -> tuple[str, ...]:
    """The other preparations of an item's kind that meet the goals as they are made now.

    Those most alike come first. Retired ones are none, nor are those made from the item.
    """
    book, top = reading.book, owner_of(item)
    kind = book.preparations[top].kind
    found = [
        id
        for id, preparation in book.preparations.items()
        if id != top
        and preparation.kind == kind
        and preparation.retired is None
        and preparation.variant_of != top
        and (preparation.lines or preparation.statements)
        and goals.met(reading, id)
    ]
    pots = book.preparations
    found.sort(key=lambda id: (-_likeness(pots[top], pots[id]), book.name(id)))
    return tuple(found[:MAX_INSTEAD])


def _likeness(one: Preparation, other: Preparation) -> float:
    """How much two preparations share: their goods, from 0 to 1, their colour and their class."""
    goods, others = ({line.item for line in made.lines} for made in (one, other))
    shared = len(goods & others) / max(len(goods | others), 1)
    same_colour = one.colour is not None and one.colour == other.colour
    same_class = one.class_ is not None and one.class_ == other.class_
    return shared + (same_colour + same_class) / 2


def stays(plan: Plan) -> bool:
    """Whether a plan meets its goals and leaves an item what its name says: mustard in its sauce.

    What is called the same stays: oat cream in a cream sauce.
    """
    book = plan.after.book
    named = any(
        is_in_name(book, swap.from_, book.name(plan.item))
        and (swap.to is None or not is_in_name(book, swap.from_, book.name(swap.to)))
        for swap in plan.swaps
    )
    return plan.meets and plan.same_dish and not named


def offered_first(plans: Iterable[Plan]) -> bool:
    """Whether something else is to be offered first: the first plan that meets makes another dish.

    So it is too where none meets.
    """
    first = next((plan for plan in plans if plan.meets), None)
    return first is None or not stays(first)
