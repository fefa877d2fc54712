"""What every item of a book carries, and what follows from it."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import cached_property, lru_cache, partial

from yellow_ladle.core.book import Book, Preparation, by_product_item, items_of, owner_of
from yellow_ladle.core.declaring import Declaration, Declarer, declarer_of
from yellow_ladle.core.family import Family
from yellow_ladle.core.fitting import Fitter, Obstacle, Verdict, Verdicts, verdicts_of
from yellow_ladle.core.levels import Level
from yellow_ladle.core.masks import Layout, layout_of
from yellow_ladle.core.sources import Source, Way, sources, ways

RECENT = 64
"""Items whose ways are kept at hand."""


@dataclass(frozen=True, slots=True)
class Reason:
    """One flag behind a verdict, with the products (or preparations of their own) that give it."""

    flag: str
    level: Level
    products: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Suitability:
    """A diet's verdict on an item, why, and the traces that it shows without counting them."""

    verdict: Verdict
    because: tuple[Reason, ...]
    traces: tuple[str, ...] = ()


@dataclass(frozen=True)
class Reading:
    """The carried levels of a book's every product, preparation and by-product, as masks."""

    book: Book
    layout: Layout
    family: Family
    masks: Mapping[str, int]

    def items(self) -> list[str]:
        """Every preparation followed by its by-products."""
        return [item for made in self.book.preparations.values() for item in items_of(made)]

    def levels(self, item: str) -> dict[str, Level]:
        """The flags of an item that are above free."""
        return self.layout.levels(self.masks[item])

    def level(self, item: str, flag: str) -> Level:
        """The level of one flag in an item."""
        return self.layout.level(self.masks[item], self.layout.bits[flag])

    def ways(self, item: str) -> list[Way]:
        """The shortest way to everything that could give the item a flag."""
        return self._recent_ways(item)

    def sources(self, item: str) -> dict[str, tuple[Source, ...]]:
        """The sources of every flag above free."""
        found = self.ways(item)
        return {flag: sources(found, flag) for flag in self.levels(item)}

    def declaration(self, item: str) -> Declaration:
        """What the kitchen's regime wants declared of an item."""
        return self._declarer.declare(self.masks[item])

    def verdict(self, item: str, diet: str) -> Verdict:
        """A diet's verdict on an item, without its reasons."""
        return self.fitter(diet).verdict(self.masks[item])

    def verdicts(self, item: str) -> Mapping[str, Verdict]:
        """Every diet's verdict on an item, without the reasons."""
        return self._verdicts.all(self.masks[item])

    def suitability(self, item: str) -> dict[str, Suitability]:
        """Every diet's verdict on an item, with its reasons."""
        mask, found = self.masks[item], self.ways(item)
        return {
            diet: Suitability(
                fitter.verdict(mask),
                tuple(_reason(obstacle, found) for obstacle in fitter.obstacles(mask)),
                tuple(fitter.traces(mask)),
            )
            for diet, fitter in self._verdicts.fitters.items()
        }

    def fitter(self, diet: str) -> Fitter:
        """What reads masks against one diet."""
        return self._verdicts.fitters[diet]

    @cached_property
    def _recent_ways(self) -> Callable[[str], list[Way]]:
        # A pot's screen asks for its sources, its verdicts and the sentence of each: one walk.
        return lru_cache(maxsize=RECENT)(partial(ways, self.book))

    @cached_property
    def _declarer(self) -> Declarer:
        return declarer_of(self.layout, self.book.kitchen.regime)

    @cached_property
    def _verdicts(self) -> Verdicts:
        return verdicts_of(self.layout)


def read(book: Book) -> Reading:
    """Carries every flag from the labels to the plates."""
    layout, family = layout_of(book.flags), Family.of(book)
    masks = {
        id: layout.mask(product.statements, product.otherwise, product.certificates)
        for id, product in book.products.items()
    }
    # Each pot is tried as it comes; one whose bases are not read yet waits until they are.
    for start in book.preparations:
        waiting = [start]
        while waiting:
            id = waiting[-1]
            preparation, items = book.preparations[id], family.items[id]
            mask = own_mask(layout, preparation)
            try:
                for item in items:
                    mask |= masks[item]
            except KeyError:
                waiting.extend(owner_of(item) for item in items if item not in masks)
                continue
            waiting.pop()
            masks[id] = mask
            for by_product in preparation.by_products:
                masks[by_product_item(id, by_product.id)] = mask
    return Reading(book, layout, family, masks)


def own_mask(layout: Layout, preparation: Preparation) -> int:
    """What a preparation brings by its own statements, besides its lines."""
    if not preparation.statements and not preparation.own_otherwise:
        return 0
    return layout.mask(preparation.statements, preparation.own_otherwise)


def _reason(obstacle: Obstacle, found: list[Way]) -> Reason:
    giving = [
        way.giver.id
        for way in found
        if way.level(obstacle.flag) == obstacle.level and not _certified(way, obstacle.uncertified)
    ]
    return Reason(obstacle.flag, obstacle.level, tuple(sorted(giving)))


def _certified(way: Way, certificate: str | None) -> bool:
    return certificate is not None and certificate in getattr(way.giver, "certificates", ())
