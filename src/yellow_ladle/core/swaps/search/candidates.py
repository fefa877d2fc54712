"""What can be done about one line: everything that the card and the rules propose."""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from copy import copy
from dataclasses import dataclass, replace

from yellow_ladle.core.book.book import KINDS, Book, Line, Preparation
from yellow_ladle.core.book.class_index import classes_of
from yellow_ladle.core.book.proposed_class import class_of
from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.plans.fidelity import NOTHING, Three
from yellow_ladle.core.swaps.plans.identity import Identity
from yellow_ladle.core.swaps.plans.item_names import is_in_name
from yellow_ladle.core.swaps.plans.swap import OF_ITS_KIND, ON_THE_CARD, THERE_IS, Swap
from yellow_ladle.core.swaps.rules.rulebook import rules_in_use
from yellow_ladle.core.swaps.rules.swap_rules import SwapRule
from yellow_ladle.core.swaps.search.conditions import (
    is_dark,
    line_conditions,
)
from yellow_ladle.core.swaps.search.limits import NO_LIMITS, Limits
from yellow_ladle.core.swaps.search.pot_facts import PotFacts
from yellow_ladle.core.swaps.search.prices import Prices
from yellow_ladle.core.swaps.search.swap_amounts import worked_out
from yellow_ladle.core.swaps.search.taste_figures import lost_by_figures
from yellow_ladle.core.swaps.search.tool_traces import ToolTraces
from yellow_ladle.core.vocabulary.classes import pot_classes

IN_THE_HOUSE, WASHED, LIKE, LEFT_OUT, BROUGHT, MISSED = 0, 1, 1, 1, 2, 3
"""Effort: a roux that stands there; a tool washed; the same of another make, spoon for spoon; a
line left out; something brought; a line left out that is missed."""
LITTLE = 0.2
"""Flavour, texture and colour of a pot that may go with a line which the pot stands without."""
A_LITTLE_OTHER: Three = (0.08, 0.05, 0.05)
"""What is lost where another pot of the same class is taken."""
NEVER_COOKED_HERE: Three = (0.25, 0.1, 0.05)
"""What is lost where that pot is a shipped base, which nobody in this kitchen has tasted yet."""
NEAR = 0.1
"""What is lost at most by a stand-in that is the same thing of another make."""
MAX_OF_A_KIND = 4
"""Of the kitchen's pots of one class, and of shipped bases of it, so many are tried."""
MAX_ALIKE = 50
"""Of goods of one class that carry the same, so many are tried."""


@dataclass(frozen=True, slots=True)
class Offer:
    """A swap that is proposed, what is lost of the line by it, and what the new item costs.

    `effort` is what it asks of the cook: nothing where the card or the kitchen has it already, less
    to leave out what the pot stands without than to bring something else.
    """

    swap: Swap
    lost: Three = NOTHING
    cost: float = 0.0
    effort: int = 0


@dataclass(frozen=True, slots=True)
class Offers:
    """Everything proposed for one line; `missing` are classes that nobody holds."""

    swaps: tuple[Offer, ...]
    missing: tuple[str, ...] = ()


class Proposer:
    """What is proposed for the lines of a book, worked out line by line as it is asked for.

    `item` is what is asked for (pot_facts.py: when a stock's bones may go).
    `bases` are shipped cards that the kitchen does not have yet.
    """

    def __init__(
        self,
        reading: Reading,
        limits: Limits = NO_LIMITS,
        rules: Sequence[SwapRule] | None = None,
        bases: frozenset[str] = frozenset(),
        item: str = "",
    ) -> None:
        self.reading = reading
        self.item = item
        self.bases = bases
        self.limits = limits
        self.rules = rules_in_use(reading.book) if rules is None else tuple(rules)
        self.balance: Balance = reading.balance
        self.prices = Prices(self.balance)
        self.tool_traces = ToolTraces(reading)
        self.pots = PotFacts(reading, item)
        self._offers: dict[tuple[str, int, bool], Offers] = {}
        self._larder: dict[str, tuple[str, ...]] = {}
        self._kinds: dict[str, tuple[str, ...]] = {}

    def offers(self, pot: str, index: int, *, milk_goes: bool) -> Offers:
        """What is proposed for a line. With `milk_goes` the pot will hold no milk any more."""
        key = (pot, index, milk_goes)
        if key not in self._offers:
            preparation = self.reading.book.preparations[pot]
            self._offers[key] = self._propose(
                preparation, index, preparation.lines[index], milk_goes
            )
        return self._offers[key]

    def leaving(self, lines: frozenset[tuple[str, int]]) -> "Proposer":
        """The same with other lines whose item stays of its class; what is worked out is shared."""
        other = copy(self)
        other.limits = replace(self.limits, same_class=lines)
        otherwise = lines ^ self.limits.same_class
        other._offers = {
            key: offers for key, offers in self._offers.items() if key[:2] not in otherwise
        }
        return other

    def _propose(self, preparation: Preparation, index: int, line: Line, milk_goes: bool) -> Offers:
        if (preparation.id, index) in self.limits.kept:
            return Offers(())
        found = [
            *self._on_the_card(preparation, index, line),
            *self._beside(preparation, index, line),
        ]
        found += self._of_its_kind(preparation, index, line)
        missing: list[str] = []
        seen = {self._alike(offer) for offer in found}
        for offer in self._by_rule(
            preparation=preparation, index=index, line=line, milk_goes=milk_goes, missing=missing
        ):
            # One rule is enough to bring the same item at the same loss.
            if self._alike(offer) not in seen:
                seen.add(self._alike(offer))
                found.append(offer)
        if (preparation.id, index) in self.limits.same_class:
            identity = Identity(self.reading, preparation.id)
            found = [offer for offer in found if not identity.makes_other(offer.swap)]
        return Offers(tuple(found), tuple(dict.fromkeys(missing)))

    def _alike(self, offer: Offer) -> tuple[object, ...]:
        return offer.swap.to, offer.lost, self.pots.binding(offer.swap), offer.effort

    def _on_the_card(self, preparation: Preparation, index: int, line: Line) -> Iterator[Offer]:
        for other in preparation.lines:
            if line.choice and other.choice == line.choice and other.item != line.item:
                if other.item in self.limits.without or self.reading.book.is_retired(other.item):
                    continue
                grams = self.balance.line_grams(other)
                yield Offer(
                    Swap(
                        in_=preparation.id,
                        line=index,
                        from_=line.item,
                        to=other.item,
                        quantity=other.quantity,
                        unit=other.unit,
                        rule=ON_THE_CARD,
                    ),
                    cost=self.prices.of_line(other.item, grams),
                )

    def _beside(self, preparation: Preparation, index: int, line: Line) -> Iterator[Offer]:
        """The small pots that the kitchen has made from this one before."""
        for item in self.reading.variants.get(line.item, ()):
            if self._allowed(item, line):
                swap = _as_much(preparation, index, item, THERE_IS)
                yield Offer(swap, cost=self.prices.of_line(item, self.balance.line_grams(line)))

    def _of_its_kind(self, preparation: Preparation, index: int, line: Line) -> Iterator[Offer]:
        """Other pots of the same class, which stand in the same place: as much of another."""
        book = self.reading.book
        pot = book.preparations.get(line.item)
        class_ = class_of(book, line.item) if pot is not None else None
        # A class that only names a kind says too little: a sauce is not as good as any other.
        if pot is None or class_ is None or class_ not in pot_classes() or class_ in KINDS:
            return
        for item in self._pots_of(class_):
            if item == preparation.id or not self._allowed(item, line):
                continue
            if item in self.reading.variants.get(line.item, ()):
                continue
            if is_dark(pot) != is_dark(book.preparations[item]):
                continue
            swap = _as_much(preparation, index, item, OF_ITS_KIND)
            cost = self.prices.of_line(item, self.balance.line_grams(line))
            lost = NEVER_COOKED_HERE if item in self.bases else A_LITTLE_OTHER
            yield Offer(swap, lost, cost, BROUGHT)

    def _pots_of(self, class_: str) -> tuple[str, ...]:
        """Pots of a class with least in them; of those that carry the same, one."""
        if class_ not in self._kinds:
            masks, pots = self.reading.masks, self.reading.book.preparations
            held = [item for item in self.reading.offered.get(class_, ()) if item in pots]
            held.sort(key=lambda item: (item in self.bases, masks[item].bit_count(), item))
            by_mask = {masks[item]: item for item in reversed(held)}
            kept = [item for item in held if by_mask[masks[item]] == item]
            own = [item for item in kept if item not in self.bases][:MAX_OF_A_KIND]
            bases = [item for item in kept if item in self.bases][:MAX_OF_A_KIND]
            self._kinds[class_] = (*own, *bases)
        return self._kinds[class_]

    def _by_rule(
        self, preparation: Preparation, index: int, line: Line, milk_goes: bool, missing: list[str]
    ) -> Iterator[Offer]:
        classes = classes_of(self.reading.book, line.item)
        gone = {"milk"} if milk_goes else set[str]()
        own = line_conditions(self.balance, preparation, index)
        holding = (self.pots.holding(preparation) - gone) | own
        finishing = (self.pots.holding(preparation, "finish") - gone) | own
        replaced, left_out = self.pots.bones_stay(preparation, line)
        for rule in self.rules:
            in_the_end = finishing if rule.stage == "finish" else holding
            if not rule.matches(line, classes, preparation.kind) or not rule.holds_in(in_the_end):
                continue
            if not self._keeps(rule, preparation) or (left_out if rule.leaves_out else replaced):
                continue
            if rule.not_named and is_in_name(self.reading.book, line.item, preparation.name):
                continue
            if rule.most < 1 and self.pots.weight_share(preparation, index) > rule.most:
                continue
            # A line of a choice is chosen otherwise, not left out: another would count for it.
            if rule.leaves_out and len(preparation.lines) > 1 and line.choice is None:
                yield self._without(preparation, index, line, rule)
            for class_ in rule.with_:
                held = self._held(class_)
                if rule.named:
                    held = tuple(item for item in held if self._is_named(item, rule.named))
                if not held:
                    missing.append(class_)
                for item in held:
                    if self._allowed(item, line) and item != preparation.id:
                        offer = self._offer(
                            preparation=preparation, index=index, line=line, rule=rule, to=item
                        )
                        adds = self._added(preparation, rule, offer.swap, missing)
                        if adds is not None:
                            yield replace(offer, swap=replace(offer.swap, adds=adds))

    def _offer(
        self, preparation: Preparation, index: int, line: Line, rule: SwapRule, to: str
    ) -> Offer:
        swap = _swap(
            preparation=preparation, index=index, line=line, rule=rule, to=to, balance=self.balance
        )
        grams = self.balance.line_grams(Line(to, swap.quantity, swap.unit, line.role))
        lost = lost_by_figures(
            balance=self.balance,
            preparation=preparation,
            swap=swap,
            lost=rule.fidelity.lost,
            colours=rule.colours,
        )
        effort = LIKE if max(lost) <= NEAR + 1e-9 else BROUGHT
        if self._is_roux_of_the_house(line, to):
            effort = IN_THE_HOUSE
        return Offer(swap, lost, self.prices.of_line(to, grams), effort)

    def _is_roux_of_the_house(self, line: Line, to: str) -> bool:
        """Whether a roux is changed for another that the kitchen has made already."""
        pots = self.reading.book.preparations
        if line.item not in pots or to not in pots or to in self.bases:
            return False
        return pots[line.item].kind == pots[to].kind == "roux"

    def _added(
        self, preparation: Preparation, rule: SwapRule, swap: Swap, missing: list[str]
    ) -> tuple[Line, ...] | None:
        """The lines that a rule adds; None where the larder holds nothing for one of them.

        Of goods that would do those are taken that carry least. What the pot holds already is not
        added again.
        """
        if not rule.adds:
            return ()
        grams = self.balance.line_grams(Line(str(swap.to), swap.quantity, swap.unit, "body"))
        found: list[Line] = []
        for more in rule.adds:
            held = [item for class_ in more.with_ for item in self._held(class_)]
            products = self.reading.book.products
            held = [i for i in held if i in products and i not in self.limits.without]
            if not held:
                missing.extend(more.with_)
                return None
            if any(line.item in held for line in preparation.lines):
                continue
            item = min(held, key=lambda item: (self.reading.masks[item].bit_count(), item))
            found.append(Line(item, round((grams or 0.0) * more.ratio, 1), "g", more.role))
        return tuple(found)

    def _without(self, preparation: Preparation, index: int, line: Line, rule: SwapRule) -> Offer:
        """The line left out by a rule."""
        lost = rule.fidelity.lost
        share = self.pots.shares(preparation.id).get(index, NOTHING)
        missed = sum(part * gone for part, gone in zip(share, lost, strict=True)) > LITTLE
        missed = missed or self.pots.names_the_dish(preparation, index, line)
        swap = _swap(preparation=preparation, index=index, line=line, rule=rule, to=None)
        return Offer(swap, lost, effort=MISSED if missed else LEFT_OUT)

    def _keeps(self, rule: SwapRule, preparation: Preparation) -> bool:
        limits = self.limits
        if limits.keep_thickness and rule.thinner:
            return False
        if limits.freezes and not rule.freezes:
            return False
        colours = rule.colours if limits.keep_colour else ()
        return not colours or preparation.colour is None or preparation.colour in colours

    def _allowed(self, item: str, line: Line) -> bool:
        if item == line.item or item in self.limits.without:
            return False
        return not self.limits.products_only or item in self.reading.book.products

    def _is_named(self, item: str, words: Iterable[str]) -> bool:
        name = self.reading.book.name(item).lower()
        return any(word.lower() in name for word in words)

    def _held(self, class_: str) -> tuple[str, ...]:
        """The goods and pots of a class, of those alike no more than can be shown."""
        if class_ not in self._larder:
            items = self.reading.offered.get(class_, ())
            self._larder[class_] = _thinned(items, self.reading.masks, self.reading.book)
        return self._larder[class_]


def _swap(
    preparation: Preparation,
    index: int,
    line: Line,
    rule: SwapRule,
    to: str | None,
    balance: Balance | None = None,
) -> Swap:
    quantity, unit, why = 0.0, line.unit, ""
    if to is not None and balance is not None:
        worked = worked_out(balance=balance, preparation=preparation, line=line, to=to, rule=rule)
        quantity, unit, why = worked.quantity, worked.unit, worked.why
    return Swap(
        in_=preparation.id,
        line=index,
        from_=line.item,
        to=to,
        quantity=quantity,
        unit=unit,
        rule=rule.id,
        method=rule.method,
        stage=rule.stage,
        why=why,
        when=rule.when,
        drops=rule.drops,
        minutes=rule.minutes,
        voids=rule.voids,
    )


def _as_much(preparation: Preparation, index: int, item: str, rule: str) -> Swap:
    """A swap of a line's item for as much of another."""
    line = preparation.lines[index]
    return Swap(
        in_=preparation.id,
        line=index,
        from_=line.item,
        to=item,
        quantity=line.quantity,
        unit=line.unit,
        rule=rule,
    )


def _thinned(items: Iterable[str], masks: Mapping[str, int], book: Book) -> tuple[str, ...]:
    """The items of a class, of products that carry and cost the same no more than can be shown."""
    alike: dict[tuple[int, float | None], int] = {}
    found: list[str] = []
    for item in items:
        if item in book.products:
            key = (masks[item], book.products[item].price_per_kg)
            alike[key] = alike.get(key, 0) + 1
            if alike[key] > MAX_ALIKE:
                continue
        found.append(item)
    return tuple(found)
