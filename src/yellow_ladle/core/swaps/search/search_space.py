"""The search space: the offending pots of an item, their lines, and the options of each line.

Every pot stands here once, however many ways lead to it. What cannot be cleared by any choice of
swaps is taken out beforehand, and what is left is so ordered that a pot comes before those that it
may be made from.
"""

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, replace
from functools import cached_property

from yellow_ladle.core.book.book import Line, owner_of
from yellow_ladle.core.book.by_products import ends
from yellow_ladle.core.reading.reading import own_mask
from yellow_ladle.core.swaps.plans.fidelity import NOTHING, Three
from yellow_ladle.core.swaps.plans.goals import together
from yellow_ladle.core.swaps.plans.identity import Identity
from yellow_ladle.core.swaps.plans.swap import CleanTool
from yellow_ladle.core.swaps.search.candidates import WASHED, Offer, Proposer
from yellow_ladle.core.swaps.search.option import Option, worth_trying
from yellow_ladle.core.vocabulary.levels import Level


@dataclass(frozen=True, slots=True)
class Choice:
    """One offending line with its options. `line` None: the pot's own statement offends, or what a
    tool leaves in it.

    `share` is the line's part of its pot in flavour, texture and colour; `makings` how many times
    a pot that the line leads to is made for one making of this one, 0 where that is not known;
    `dry` its part of the weight without liquids, `main` whether it leads to the main ingredient.
    """

    pot: str
    line: int | None
    options: tuple[Option, ...]
    share: Three
    makings: float = 0.0
    dry: float = 0.0
    main: bool = False


@dataclass(frozen=True, slots=True)
class Deciding:
    """One pot: its offending lines, the flags that the rest of it brings, whether others stay."""

    pot: str
    choices: tuple[Choice, ...]
    brings: int
    others: bool


@dataclass(frozen=True, slots=True)
class Allowing:
    """What a search may do besides swapping: have labels checked, take lines as cleared.

    `only`: the goods alone whose labels may be checked; any if None.
    """

    checks: bool = False
    freeing: bool = False
    only: frozenset[str] | None = None

    def may_check(self, item: str) -> bool:
        """Whether the label of something may be read first."""
        return self.checks and (self.only is None or item in self.only)


SWAPS_ONLY = Allowing()


class Region:
    """What has to be decided to rid one item of the bits of `bad`.

    With `also` it tells of other items, too, whether they can be rid of them.
    """

    def __init__(
        self,
        proposer: Proposer,
        item: str,
        bad: Mapping[str, int],
        allowing: Allowing = SWAPS_ONLY,
        also: Iterable[str] = (),
    ) -> None:
        self.top = owner_of(item)
        self._tops = dict.fromkeys((self.top, *map(owner_of, also)))
        self.bad = bad
        self.bits = together(bad.values())
        self._proposer = proposer
        self._reading = proposer.reading
        self._allowing = allowing
        self._before = self._reading.masks[self.top]
        self._milk_goes = "milk" in bad
        self._identity = Identity(proposer.reading, item)
        self._all: dict[str, Deciding | None] = {}
        self._collect()
        self._clearable = self._can_be_cleared()
        self.pots: dict[str, Deciding] = {}
        self._keep_what_can_be_reached()

    def offends(self, item: str) -> bool:
        """Whether an item carries what must go."""
        return bool(self._reading.masks[item] & self.bits)

    @property
    def feasible(self) -> bool:
        """Whether some choice of swaps may clear the item; if not, none does."""
        return self.clears(self.top)

    def clears(self, item: str) -> bool:
        """Whether some choice of swaps may clear the item, or one of `also`; if not, none does."""
        pot = owner_of(item)
        return not self.offends(pot) or pot in self._clearable

    @property
    def awaits_labels(self) -> bool:
        """Whether a way leads by the reading of a label."""
        return any(
            option.check is not None
            for deciding in self.pots.values()
            for choice in deciding.choices
            for option in choice.options
        )

    @cached_property
    def places(self) -> dict[str, int]:
        """The place of every pot in the order of deciding; the item itself comes first."""
        return {pot: place for place, pot in enumerate(self.pots)}

    @cached_property
    def roux(self) -> frozenset[str]:
        """The pots that need no pan of their own: a roux is made in the one that it thickens."""
        made = self._reading.book.preparations
        return frozenset(pot for pot in self.pots if made[pot].kind == "roux" and pot != self.top)

    def _collect(self) -> None:
        waiting = [pot for pot in self._tops if self.offends(pot)]
        while waiting:
            pot = waiting.pop()
            if pot in self._all:
                continue
            self._all[pot] = deciding = self._deciding(pot)
            if deciding is not None:
                waiting += [
                    option.leads
                    for choice in deciding.choices
                    for option in choice.options
                    if option.leads is not None
                ]

    def _deciding(self, pot: str) -> Deciding | None:
        """A pot with everything that can be done about it; None where its own words offend."""
        preparation = self._reading.book.preparations.get(pot)
        if preparation is None:
            return None
        own = own_mask(self._reading.layout, preparation)
        choices: list[Choice] = []
        if own & self.bits:
            if not self._allowing.freeing:
                return None
            choices.append(Choice(pot, None, (Option(freed=True),), NOTHING))
        brings = self._new(own)
        for tool, traces in self._proposer.tool_traces.of(pot).items():
            if traces & self.bits:
                clean = Option(clean=CleanTool(pot, tool), effort=WASHED)
                choices.append(Choice(pot, None, (clean,), NOTHING))
            else:
                brings |= self._new(traces)
        shares = self._proposer.pots.shares(pot)
        others = len(preparation.lines)
        for index in preparation.counted():
            line = preparation.lines[index]
            if self.offends(line.item):
                options = tuple(self._options(pot, index, line))
                choices.append(
                    Choice(
                        pot=pot,
                        line=index,
                        options=options,
                        share=shares[index],
                        makings=self._makings(line),
                        dry=self._identity.share(pot, index),
                        main=(pot, index) in self._identity.main,
                    )
                )
                others -= 1
            else:
                brings |= self._new(self._reading.masks[line.item])
        # A pot without a card stays one: there is no line that could be the last to go.
        return Deciding(pot, tuple(choices), brings, others > 0 or not preparation.lines)

    def _options(self, pot: str, index: int, line: Line) -> Iterator[Option]:
        owner = owner_of(line.item)
        if owner in self._reading.book.preparations:
            yield Option(leads=owner)
        elif self._allowing.may_check(line.item) and self._only_unchecked(line.item):
            yield Option(check=line.item)
        # A by-product may be gone with what clears its pot: then the line itself is in the way.
        if self._allowing.freeing and line.item not in self._reading.book.preparations:
            yield Option(freed=True)
        offers = self._proposer.offers(pot, index, milk_goes=self._milk_goes)
        found = [self._of_swap(offer) for offer in offers.swaps]
        yield from worth_trying([option for option in found if option is not None])

    def _of_swap(self, offer: Offer) -> Option | None:
        """A swap as an option; None where what it brings offends for good."""
        swap = offer.swap
        made = Option(
            swap,
            lost=offer.lost,
            cost=offer.cost,
            binds=self._proposer.pots.binding(swap),
            ends=frozenset(ends(self._reading.book, *swap.place, swap.to)),
            other=self._identity.makes_other(swap),
            effort=offer.effort,
            card=swap.to is not None and owner_of(swap.to) in self._proposer.bases,
        )
        if swap.to is None:
            return made
        added = together(self._reading.masks[line.item] for line in swap.adds)
        if added & self.bits:
            return None
        mask = self._reading.masks[swap.to] | added
        if not mask & self.bits:
            return replace(made, brings=self._new(mask))
        owner = owner_of(swap.to)
        if owner in self._proposer.bases:
            return None  # a base is taken as it is shipped
        if owner in self._reading.book.preparations:
            return replace(made, leads=owner, brings=self._new(added))
        if self._allowing.may_check(swap.to) and self._only_unchecked(swap.to):
            brings = self._new(mask & ~self.bits) & ~self._bad_flags
            return replace(made, brings=brings, check=swap.to)
        return None

    def _new(self, mask: int) -> int:
        """The flags of a mask whose level is above the item's, as bits of one level."""
        layout = self._reading.layout
        above = mask & ~self._before
        folded = above | above >> layout.width | above >> 2 * layout.width
        return folded & ((1 << len(layout.bits)) - 1)

    @cached_property
    def _bad_flags(self) -> int:
        bits = self._reading.layout.bits
        return self._reading.layout.of_flags(flag for flag in self.bad if flag in bits)

    def _only_unchecked(self, item: str) -> bool:
        """Whether nothing but missing statements make a product offend."""
        reading = self._reading
        if reading.book.products[item].contents:
            return False
        mask = reading.masks[item]
        return all(
            reading.layout.highest(mask, bits) is Level.UNCHECKED
            for bits in self.bad.values()
            if mask & bits
        )

    def _makings(self, line: Line) -> float:
        grams = self._proposer.balance.line_grams(line)
        whole = self._proposer.balance.of(line.item).grams
        return grams / whole if grams and whole else 0.0

    def _can_be_cleared(self) -> set[str]:
        """The pots for which a choice exists: a fixed point, computed from the bases up."""
        clearable: set[str] = set()
        waiting_for: dict[str, set[str]] = {}
        for pot, deciding in self._all.items():
            for choice in deciding.choices if deciding else ():
                for option in choice.options:
                    if option.leads is not None:
                        waiting_for.setdefault(option.leads, set()).add(pot)
        again = list(self._all)
        while again:
            pot = again.pop()
            deciding = self._all[pot]
            if deciding is None or pot in clearable or not _can_now(deciding, clearable):
                continue
            clearable.add(pot)
            again += waiting_for.get(pot, ())
        return clearable

    def _keep_what_can_be_reached(self) -> None:
        """Fills `pots` with those that options lead to, each before what it is made from."""
        if self.top not in self._clearable:
            return
        within: dict[str, Deciding] = {}
        order: list[str] = []
        waiting: list[tuple[str, bool]] = [(self.top, False)]
        while waiting:
            pot, left = waiting.pop()
            if left:
                order.append(pot)
                continue
            if pot in within:
                continue
            deciding = self._all[pot]
            assert deciding is not None
            choices = tuple(
                Choice(
                    pot=choice.pot,
                    line=choice.line,
                    options=tuple(
                        option
                        for option in choice.options
                        if option.leads is None or option.leads in self._clearable
                    ),
                    share=choice.share,
                    makings=choice.makings,
                    dry=choice.dry,
                    main=choice.main,
                )
                for choice in deciding.choices
            )
            within[pot] = Deciding(pot, choices, deciding.brings, deciding.others)
            waiting.append((pot, True))
            waiting += [
                (option.leads, False)
                for choice in choices
                for option in choice.options
                if option.leads is not None
            ]
        self.pots = {pot: within[pot] for pot in reversed(order)}


def _can_now(deciding: Deciding, clearable: set[str]) -> bool:
    """Whether each line of a pot has an option whose own pot can be cleared, and one line stays."""
    stays = deciding.others
    for choice in deciding.choices:
        open_ = [o for o in choice.options if o.leads is None or o.leads in clearable]
        if not open_:
            return False
        stays = stays or (choice.line is not None and not all(o.empties for o in open_))
    return stays
