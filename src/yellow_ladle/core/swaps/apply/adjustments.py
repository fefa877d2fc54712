"""What else has to be measured otherwise once a line is swapped: salt, and the missing liquid."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace

from yellow_ladle.core.book.book import Book, Line, Preparation
from yellow_ladle.core.book.proposed_class import taken_as
from yellow_ladle.core.numbers.balance import CARRIED, Balance
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.update import Change, applied
from yellow_ladle.core.swaps.plans.plan import Plan

SALT = CARRIED.index("salt")
MIN_SALT_G = 0.3
"""A pinch: less than that is left to the tasting spoon."""
MIN_LIQUID = 0.05
"""Liquid is made up where more than this share of a pot has gone missing."""
_ROUNDED = 2


@dataclass(frozen=True, slots=True)
class Adjustment:
    """Another amount for a line that keeps its item. `line` counts as the swapped card does."""

    in_: str
    line: int
    item: str
    before: float
    after: float
    unit: str
    why: str


def adjustments(before: Reading, plan: Plan) -> tuple[Adjustment, ...]:
    """The amounts of a plan's other lines, worked out again, bases first.

    Salt: a line of plain salt gives or takes what the pot gained or lost by the swaps. Liquid: what
    is missing where a little of something sharp stands in for much of something thin is made up
    with another liquid of the pot, unless the old one was reduced to dry.
    """
    book = plan.after.book
    was = before.balance
    found: list[Adjustment] = []
    for pot in plan.pots:
        made = book.preparations[pot]
        for part in (_liquid(before, plan, made), _salt(was, Balance(book), before, made)):
            if part is not None:
                found.append(part)
                made = adjusted(made, [part])
                book = applied(book, Change(preparations=(made,)))
    return tuple(found)


def adjusted(preparation: Preparation, parts: Iterable[Adjustment]) -> Preparation:
    """A preparation with the amounts of some lines replaced."""
    lines = list(preparation.lines)
    for part in parts:
        if part.in_ == preparation.id:
            lines[part.line] = replace(lines[part.line], quantity=part.after)
    return replace(preparation, lines=tuple(lines))


def reweighed(
    before: Reading, plan: Plan, card: Preparation, parts: Iterable[Adjustment]
) -> Preparation:
    """A card of a plan's pot with its amounts, and what it yields, worked out again."""
    usual = before.book.preparations[card.id]
    return yielding_less(plan.after.balance, usual, adjusted(card, parts))


def yielding_less(balance: Balance, usual: Preparation, card: Preparation) -> Preparation:
    """A card that yields less where a twentieth or more of what goes in is left out of it.

    By weight, without what is strained out again or reduced. A yield in portions stays: there is
    less on each. `balance` knows the items of both.
    """
    made = card.yield_
    if made is None or balance.grams_of(made, card) is None:
        return card
    was, now = _stays_in(balance, usual), _stays_in(balance, card)
    if not was or now is None or now > was * (1 - MIN_LIQUID):
        return card
    quantity = round(made.quantity * now / was, 2)
    return replace(card, yield_=replace(made, quantity=quantity)) if quantity else card


def _stays_in(balance: Balance, preparation: Preparation) -> float | None:
    """Grams that go in and stay in; None where a weight is not known."""
    total = 0.0
    for index in preparation.counted():
        line = preparation.lines[index]
        if line.strained_out or line.treatment.startswith("reduced"):
            continue
        grams = balance.about_grams(line)
        if grams is None:
            return None
        total += grams
    return total


def _salt(
    was: Balance, now: Balance, before: Reading, preparation: Preparation
) -> Adjustment | None:
    old, new = was.of(preparation.id), now.of(preparation.id)
    index = next(
        (n for n in preparation.counted() if _is_salt(before.book, preparation.lines[n])), None
    )
    if index is None or (old.missing != new.missing and _misses(now, preparation.id, was)):
        return None
    more = new.per_gram[SALT] * new.grams - old.per_gram[SALT] * old.grams
    line = preparation.lines[index]
    grams = now.line_grams(line)
    if not grams or abs(more) < MIN_SALT_G:
        return None
    after = max(grams - more, 0.0)
    word = "more" if more > 0 else "less"
    why = f"what is new in it brings {abs(more):.2g} g {word} salt by itself"
    return _changed(preparation, index, line.quantity * after / grams, why)


def _changed(preparation: Preparation, index: int, quantity: float, why: str) -> Adjustment:
    """A line by another quantity, rounded."""
    line = preparation.lines[index]
    return Adjustment(
        in_=preparation.id,
        line=index,
        item=line.item,
        before=line.quantity,
        after=round(quantity, _ROUNDED),
        unit=line.unit,
        why=why,
    )


def _misses(now: Balance, pot: str, was: Balance) -> bool:
    """Whether the salt of something new is not recorded, so that nothing can be worked out."""
    missing = set(now.missing(now.of(pot), SALT))
    return not missing <= set(was.missing(was.of(pot), SALT))


def _liquid(before: Reading, plan: Plan, preparation: Preparation) -> Adjustment | None:
    usual = before.book.preparations[preparation.id]
    gone = sum(_missing(before, plan, usual))
    total = before.balance.grams_in(usual)
    if not total or gone / total < MIN_LIQUID:
        return None
    swapped = {swap.to for swap in plan.swaps if swap.in_ == preparation.id}
    balance = Balance(plan.after.book)
    for index in preparation.counted():
        line = preparation.lines[index]
        grams = balance.line_grams(line)
        if line.role == "liquid" and line.item not in swapped and grams:
            why = f"makes up for {gone:.3g} g of liquid that is missing"
            return _changed(preparation, index, line.quantity * (grams + gone) / grams, why)
    return None


def _missing(before: Reading, plan: Plan, usual: Preparation) -> Iterator[float]:
    """Grams of liquid that each swap of a pot leaves out."""
    balance = Balance(plan.after.book)
    for swap in plan.swaps:
        if swap.in_ != usual.id:
            continue
        line = usual.lines[swap.line]
        if line.role not in ("liquid", "acid") or line.treatment == "reduced_dry":
            continue
        had = before.balance.line_grams(line)
        new = Line(swap.to, swap.quantity, swap.unit, line.role) if swap.to else None
        has = balance.line_grams(new) if new else 0.0
        if had and has is not None and has < had / 2:
            yield had - has


def _is_salt(book: Book, line: Line) -> bool:
    product = book.products.get(line.item)
    return product is not None and taken_as(product) == "salt"
