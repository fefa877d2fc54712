"""Putting a plan into the book: where its pots stand, in pots of their own beside, or mixed."""

from collections.abc import Callable, Iterable, Mapping
from dataclasses import replace

from yellow_ladle.core.book.book import Book, Preparation, by_product_item
from yellow_ladle.core.book.by_products import named
from yellow_ladle.core.book.ids import free_id
from yellow_ladle.core.carrying.cycles import cycle, inputs_of
from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.numbers.yields import excess
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.update import Change, applied
from yellow_ladle.core.swaps.apply.adjustments import Adjustment, reweighed
from yellow_ladle.core.swaps.apply.method import reworked
from yellow_ladle.core.swaps.apply.plan_texts import PlanTexts
from yellow_ladle.core.swaps.plans.plan import Plan

LIGHTER = "lighter since a swap; check the yield"
"""Why a pot yields more than went in, until somebody has made it."""


def placed(
    before: Reading,
    plan: Plan,
    beside: Mapping[str, str],
    adjustments: Iterable[Adjustment] = (),
) -> Change:
    """The change that makes some of a plan's pots beside the usual ones and the others in place.

    `beside` gives the new name of each pot that is to stand beside; a pot in place that is made of
    one of those is pointed to it. Bases come first.
    """
    parts, texts = tuple(adjustments), PlanTexts(before, plan, beside)
    change = _placed(before, plan, beside, lambda made: _told(made, texts, parts))
    return _explained(before.book, change)


def lines_placed(before: Reading, plan: Plan, beside: Mapping[str, str]) -> Change:
    """The same change of the lines alone, which is all that flags go by."""
    return _placed(before, plan, beside, lambda made: made)


def _placed(
    before: Reading,
    plan: Plan,
    beside: Mapping[str, str],
    tell: Callable[[Preparation], Preparation],
) -> Change:
    ids = _new_ids(before.book, plan, beside)
    written: list[Preparation] = []
    for pot in plan.pots:
        told = tell(plan.after.book.preparations[pot])
        if pot in beside:
            told = _without(told, plan.gone)
            written.append(_variant(told, ids, beside[pot], plan.gone))
            continue
        made = _pointed(told, ids, plan.gone)
        if made != before.book.preparations[pot]:
            written.append(made)
    change = Change(preparations=tuple(written))
    # What something is still made with stays on its card, so that nothing is named which is not.
    kept = frozenset(item for _, item in named(applied(before.book, change), plan.gone))
    return Change(preparations=tuple(_without(made, plan.gone - kept) for made in written))


def _new_ids(book: Book, plan: Plan, beside: Mapping[str, str]) -> dict[str, str]:
    taken = {*book.products, *book.preparations}
    ids: dict[str, str] = {}
    for pot in plan.pots:
        if pot in beside:
            ids[pot] = free_id(beside[pot], taken)
            taken.add(ids[pot])
    return ids


def _told(
    swapped: Preparation, texts: PlanTexts, adjustments: tuple[Adjustment, ...]
) -> Preparation:
    """A swapped preparation with its new method, and its amounts as worked out again."""
    name, renaming = texts.name(swapped.id), texts.renaming(swapped.id)
    lines = tuple(
        replace(line, note=texts.text(swapped.id, line.note, renaming)) for line in swapped.lines
    )
    told = replace(
        swapped,
        name=name.name,
        not_in_it=tuple(dict.fromkeys((*swapped.not_in_it, *name.kept))),
        lines=lines,
        method=reworked(texts, swapped.id).steps,
    )
    return reweighed(texts.before, texts.plan, told, adjustments)


def _without(preparation: Preparation, gone: frozenset[str]) -> Preparation:
    """A preparation that does not claim to yield by-products which are gone."""
    left = (p for p in preparation.by_products if by_product_item(preparation.id, p.id) not in gone)
    return replace(preparation, by_products=tuple(left))


def _pointed(preparation: Preparation, ids: Mapping[str, str], gone: frozenset[str]) -> Preparation:
    """A preparation whose lines and steps name the new pots in place of the usual ones.

    A by-product that the new pot does not yield is still taken from the usual one.
    """

    def pointed(use: str) -> str:
        item, sign, number = use.partition("#")
        return use if item in gone else _renamed(item, ids) + sign + number

    lines = tuple(replace(line, item=pointed(line.item)) for line in preparation.lines)
    method = (replace(step, uses=tuple(map(pointed, step.uses))) for step in preparation.method)
    return replace(preparation, lines=lines, method=tuple(method))


def _variant(
    told: Preparation, ids: Mapping[str, str], name: str, gone: frozenset[str]
) -> Preparation:
    return replace(
        _pointed(told, ids, gone),
        id=ids[told.id],
        name=name,
        variant_of=told.id,
        way="",
        ways=(),
        batches=(),
    )


def _explained(book: Book, change: Change) -> Change:
    """A change whose pots say why they yield what they did before a swap took weight away."""
    after = applied(book, change)
    if cycle(inputs_of(after)):
        return change
    balance = Balance(after)
    told = (
        replace(preparation, yield_=replace(preparation.yield_, note=LIGHTER))
        if preparation.yield_ and not preparation.yield_.note and excess(balance, preparation.id)
        else preparation
        for preparation in change.preparations
    )
    return replace(change, preparations=tuple(told))


def _renamed(item: str, ids: Mapping[str, str]) -> str:
    owner, slash, by_product = item.partition("/")
    return ids.get(owner, owner) + slash + by_product
