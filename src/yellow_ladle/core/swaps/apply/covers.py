"""How much of each small pot so many covers need: two portions of sauce, not the whole card."""

from collections.abc import Callable, Iterable, Iterator, Mapping
from dataclasses import dataclass, replace

from yellow_ladle.core.book.book import Preparation, owner_of
from yellow_ladle.core.cards.scale import Scaled, scaled
from yellow_ladle.core.numbers.balance import Balance, portions_of
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.update import Change, applied
from yellow_ladle.core.swaps.apply.adjustments import adjustments, reweighed
from yellow_ladle.core.swaps.apply.variant_names import names_by_what_it_is
from yellow_ladle.core.swaps.plans.plan import Plan

MAX_CARDS = 1_000.0
"""A share of a card above this is a slip in a yield or in portions; the whole card is named."""


@dataclass(frozen=True, slots=True)
class CoveredPot:
    """A pot of a plan scaled, with the lines that are in use.

    `names` says what the items of its lines are called: a pot that stands beside the usual one by
    its own name, since whoever weighs out must not take the usual one. `told`: what the share goes
    by. Where the need is not known it is the whole card, and `told` says why.
    """

    made: Preparation
    card: Scaled
    names: Mapping[str, str]
    told: str = ""

    @property
    def pot(self) -> str:
        """The pot's id."""
        return self.made.id


@dataclass(frozen=True, slots=True)
class _Share:
    """The share of a card; None where it is not known."""

    factor: float | None
    told: str = ""


def small_pots(before: Reading, plan: Plan, covers: Mapping[str, float]) -> tuple[CoveredPot, ...]:
    """Every pot that a plan has made, its shipped bases too, bases first.

    `covers`: how many of each plate that is asked for. A pot is made in the share of its card that
    the pots above it take, by weight. Nothing is added for what stays in the pan.
    """
    parts = adjustments(before, plan)
    after = plan.after.book
    told = (reweighed(before, plan, after.preparations[pot], parts) for pot in plan.pots)
    balance = Balance(applied(after, Change(preparations=tuple(told))))
    pots = _bases_first(plan.after, (*plan.cards, *plan.pots))
    plates = {
        owner_of(item): _of_the_plate(balance, plan.after, owner_of(item), count)
        for item, count in covers.items()
    }
    shares: dict[str, _Share] = {}
    for pot in reversed(pots):
        shares[pot] = _together(
            balance=balance, pot=pot, takers=tuple(shares), shares=shares, own=plates.get(pot)
        )
    named = _named(plan, names_by_what_it_is(before, plan))
    return tuple(_small(balance, pot, shares[pot], named) for pot in pots)


def _named(plan: Plan, names: Mapping[str, str]) -> Callable[[str], str]:
    """How items are called beside the small pots; what a swap ends comes from the usual pot."""
    book = plan.after.book
    called = (replace(book.preparations[pot], name=name) for pot, name in names.items())
    beside = applied(book, Change(preparations=tuple(called)))
    return lambda item: (book if item in plan.gone else beside).name(item)


def _bases_first(reading: Reading, pots: Iterable[str]) -> tuple[str, ...]:
    """Pots, each once and after what it is made of."""
    return tuple(sorted(set(pots), key=lambda pot: (reading.graph.tiers[pot], pot)))


def _of_the_plate(balance: Balance, after: Reading, item: str, covers: float) -> _Share:
    """The share of the plate's card. A pot without portions: as the dish that takes most of it."""
    book = balance.book
    found: dict[str, _Share] = {}
    above = {item, *after.graph.downstream({item})} & book.preparations.keys()
    for pot in reversed(_bases_first(after, above)):
        portions = portions_of(book.preparations[pot])
        if portions:
            found[pot] = _Share(covers / portions, f"As {book.name(pot)} takes it.")
            continue
        takers = (user for user in after.graph.users.get(pot, ()) if user in found)
        each = [_together(balance, pot, (user,), found) for user in takers]
        known = [share for share in each if share.factor is not None]
        if known:
            found[pot] = max(known, key=lambda share: share.factor or 0.0)
    if item not in found:
        name = book.name(item)
        why = f"Nobody has said how many portions {name} makes; this is the whole card."
        return _Share(None, why)
    by_itself = portions_of(book.preparations[item])
    return replace(found[item], told="") if by_itself else found[item]


def _together(
    balance: Balance,
    pot: str,
    takers: Iterable[str],
    shares: Mapping[str, _Share],
    own: _Share | None = None,
) -> _Share:
    """The share of a pot's card that all its takers need; None where one of them has no weight.

    What it yields and what it leaves behind come from one making: the greater share counts. `own`
    is what is needed of it as a plate of its own.
    """
    book, told = balance.book, own.told if own else ""
    by_item: dict[str, float] = {}
    if own is not None:
        if own.factor is None:
            return own
        by_item[pot] = own.factor
    for user in takers:
        share = shares[user]
        for item, grams in _taken(balance, user, pot):
            yields = balance.of(item).grams
            if share.factor is None:
                return share
            if not grams or not yields:
                above, name = book.name(user), book.name(pot)
                why = f"What {above} takes of {name} has no known weight; this is the whole card."
                return _Share(None, why)
            by_item[item] = by_item.get(item, 0.0) + share.factor * grams / yields
            told = told or share.told
    if not by_item:
        why = f"Nothing says how much of {book.name(pot)} is needed; this is the whole card."
        return _Share(None, why)
    return _Share(max(by_item.values()), told)


def _taken(balance: Balance, user: str, pot: str) -> Iterator[tuple[str, float | None]]:
    """Every counted line of a pot that is on another one: the item and its grams."""
    preparation = balance.book.preparations[user]
    for index in preparation.counted():
        line = preparation.lines[index]
        if owner_of(line.item) == pot:
            yield line.item, balance.line_grams(line)


def _small(balance: Balance, pot: str, share: _Share, named: Callable[[str], str]) -> CoveredPot:
    factor, told = share.factor, share.told
    if factor is not None and not 0 < factor <= MAX_CARDS:
        factor, told = None, "That would be more than a thousand cards; check yield and portions."
    card = scaled(balance, pot, 1.0 if factor is None else factor)
    preparation = balance.book.preparations[pot]
    counted = set(preparation.counted())
    lines = tuple(line for line in card.lines if line.index in counted)
    names = {item: named(item) for item in (line.item for line in preparation.lines)}
    return CoveredPot(preparation, replace(card, lines=lines), names, told)
