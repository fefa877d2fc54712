"""What can be done about the lines of a menu's pots: each kept as it is, swapped or left out."""

from collections.abc import Iterable, Iterator, Sequence

from yellow_ladle.core.book.book import owner_of
from yellow_ladle.core.book.by_products import ends
from yellow_ladle.core.reading.reading import own_mask
from yellow_ladle.core.swaps.library.bases import BaseLibrary
from yellow_ladle.core.swaps.menu.menu_answer import MenuOption
from yellow_ladle.core.swaps.plans.fidelity import NOTHING, WHOLE, Three
from yellow_ladle.core.swaps.plans.goals import together
from yellow_ladle.core.swaps.plans.swap import Swap
from yellow_ladle.core.swaps.search.candidates import Offer, Proposer

A_SWAP = 50
"""What a swap counts for by itself; losing all flavour, texture and colour adds 300."""


class MenuLines:
    """Every pot that may have to be made otherwise, with the options of its offending lines.

    `minds`: per group the bits that must not remain, in any of the ways to its goals. `missing` are
    the classes of goods that some rule would take and nobody holds.
    """

    def __init__(
        self,
        proposer: Proposer,
        minds: Sequence[int],
        plates: Sequence[str],
        library: BaseLibrary | None,
    ) -> None:
        self._proposer = proposer
        self._reading = proposer.reading
        self._library = library
        self._bits = together(minds)
        self._parts = PlateParts(proposer, plates)
        self.missing: dict[str, int] = {}
        layout = self._reading.layout
        milk = layout.of_flags(["milk"]) if "milk" in layout.bits else 0
        self._milk_goes = bool(milk & self._bits)
        self.of: dict[str, dict[int, list[MenuOption]]] = {}
        self._collect(plates)

    def fixed(self, pot: str) -> int:
        """What the pot itself and the lines that offend nobody bring into it.

        Not what its tools leave: a version goes through clean ones where somebody has to mind.
        """
        preparation = self._reading.book.preparations[pot]
        mask = own_mask(self._reading.layout, preparation)
        for index in preparation.counted():
            if index not in self.of[pot]:
                mask |= self._reading.masks[preparation.lines[index].item]
        return mask

    def _collect(self, plates: Sequence[str]) -> None:
        waiting = [plate for plate in plates if self._reading.masks[plate] & self._bits]
        while waiting:
            pot = waiting.pop()
            if pot in self.of:
                continue
            preparation = self._reading.book.preparations[pot]
            self.of[pot] = {
                index: list(self._options(pot, index))
                for index in preparation.counted()
                if self._reading.masks[preparation.lines[index].item] & self._bits
            }
            waiting += [
                way.pot
                for options in self.of[pot].values()
                for way in options
                if way.pot is not None and way.mask & self._bits
            ]

    def _options(self, pot: str, index: int) -> Iterator[MenuOption]:
        reading = self._reading
        item = reading.book.preparations[pot].lines[index].item
        yield self._as_option(None, item)
        seen: set[tuple[str, int, tuple[str, ...]]] = set()
        offers = self._proposer.offers(pot, index, milk_goes=self._milk_goes)
        for class_ in offers.missing:
            self.missing[class_] = self.missing.get(class_, 0) + 1
        share = self._parts.of_line(pot, index)
        for offer in offers.swaps:
            lost = sum(part * gone for part, gone in zip(share, offer.lost, strict=True))
            to = offer.swap.to
            if to is None:
                yield MenuOption(swap=offer.swap, mask=0, pot=None, price=_price(offer), lost=lost)
                continue
            way = self._as_option(offer.swap, to, _price(offer), lost)
            gone = ends(reading.book, pot, index, to)
            key = (offer.swap.rule, way.mask & self._bits, gone)
            if way.pot is not None and any(
                reading.masks[line.item] & self._bits for line in offer.swap.adds
            ):
                continue
            # Of goods that one rule brings and that offend and end alike, one is enough.
            if way.pot is not None or way.cards or key not in seen:
                seen.add(key)
                yield way

    def _as_option(
        self, swap: Swap | None, item: str, price: int = 0, lost: float = 0.0
    ) -> MenuOption:
        owner, masks = owner_of(item), self._reading.masks
        cards = () if self._library is None else self._library.cards_of([item])
        # A shipped base is made as it is shipped, in no other version.
        pot = owner if owner in self._reading.book.preparations and not cards else None
        added = together(masks[line.item] for line in swap.adds) if swap is not None else 0
        return MenuOption(
            swap=swap, mask=masks[item] | added, pot=pot, price=price, lost=lost, cards=cards
        )


class PlateParts:
    """How much of a menu's plates a pot is: the most of any that it goes into as usual.

    All of it where it goes into none, as one does that only a swap brings.
    """

    def __init__(self, proposer: Proposer, plates: Sequence[str]) -> None:
        self._proposer = proposer
        self._of: dict[str, Three] = {}
        for plate in dict.fromkeys(plates):
            for pot, part in self._beneath(plate).items():
                most = self._of.get(pot, NOTHING)
                self._of[pot] = _three(max(*pair) for pair in zip(part, most, strict=True))

    def of_line(self, pot: str, index: int) -> Three:
        """The part of a plate's flavour, texture and colour that a pot's line is."""
        return _times(self._of.get(pot, WHOLE), self._proposer.pots.shares(pot)[index])

    def _beneath(self, plate: str) -> dict[str, Three]:
        book, tiers = self._proposer.reading.book, self._proposer.reading.graph.tiers
        found: dict[str, Three] = {plate: WHOLE}
        waiting = {plate}
        while waiting:
            # What goes into others comes after them, so that all its ways are known.
            pot = max(waiting, key=lambda id: (tiers[id], id))
            waiting.remove(pot)
            preparation = book.preparations[pot]
            for index, share in self._proposer.pots.shares(pot).items():
                below = owner_of(preparation.lines[index].item)
                if below in book.preparations:
                    more = _times(found[pot], share)
                    before = found.get(below, NOTHING)
                    found[below] = _three(map(sum, zip(before, more, strict=True)))
                    waiting.add(below)
        return found


def _times(one: Three, other: Three) -> Three:
    return _three(a * b for a, b in zip(one, other, strict=True))


def _three(values: Iterable[float]) -> Three:
    flavour, texture, colour = values
    return flavour, texture, colour


def _price(offer: Offer) -> int:
    return A_SWAP + round(100 * sum(offer.lost))
