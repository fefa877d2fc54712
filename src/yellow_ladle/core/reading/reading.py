"""What every item of a book carries, and what follows from it."""

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass, field
from functools import cached_property, lru_cache, partial

from yellow_ladle.core.book.book import Book, Preparation, by_product_item, items_of, owner_of
from yellow_ladle.core.book.class_index import items_by_class
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.book.tool import Through, users
from yellow_ladle.core.carrying.declaration import Declaration, Declarer, declarer_of
from yellow_ladle.core.carrying.graph import DependencyGraph
from yellow_ladle.core.carrying.label_sources import product_mask
from yellow_ladle.core.carrying.masks import Layout, layout_of
from yellow_ladle.core.carrying.paths import Path, Source, giving, paths, sources
from yellow_ladle.core.carrying.suitability import (
    DietChecker,
    Obstacle,
    Verdict,
    Verdicts,
    verdicts_of,
)
from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.numbers.sulphites import left_out
from yellow_ladle.core.vocabulary.diets import ORIGIN
from yellow_ladle.core.vocabulary.levels import Level, LevelWord

RECENT = 64
"""Items whose paths are kept at hand."""


@dataclass(frozen=True, slots=True)
class Reason:
    """One flag behind a verdict, with the products (or preparations of their own) that give it.

    `certificate`: with which the diet would accept the flag; then `products` are those without it.
    """

    flag: str
    level: Level
    products: tuple[str, ...]
    certificate: str | None = None


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
    graph: DependencyGraph
    masks: Mapping[str, int]
    on: str | None = None
    """The day (ISO date) on which certificates have to hold; with None all do."""
    through: Mapping[str, tuple[Through, ...]] = field(default_factory=dict)
    """Per item what comes into it as a trace by path of a tool."""
    usual: Mapping[str, "Reading"] = field(default_factory=dict)
    """By-products that the book's cards yield no more: each carries what it did in that reading."""

    def items(self) -> list[str]:
        """Every preparation followed by its by-products."""
        return [
            item
            for preparation in self.book.preparations.values()
            for item in items_of(preparation)
        ]

    def reached(self, items: Iterable[str]) -> set[str]:
        """Every preparation that something of these goes into, those among them included."""
        return self.graph.downstream(items) & self.book.preparations.keys()

    def plates_reached(self, item: str) -> int:
        """How many dishes something goes into, on whatever path; a dish counts itself."""
        return self._dishes_reached.get(item, 0).bit_count()

    @cached_property
    def _dishes_reached(self) -> dict[str, int]:
        """Per item the dishes that it reaches, a bit for each: one pass from the plates down."""
        found: dict[str, int] = {}
        dishes = (
            id for id, preparation in self.book.preparations.items() if preparation.kind == "dish"
        )
        bits = {id: 1 << number for number, id in enumerate(dishes)}
        tiers = self.graph.tiers
        for id in sorted(tiers, key=lambda item: tiers[item], reverse=True):
            reached = found.get(id, 0) | bits.get(id, 0)
            found[id] = reached
            for item in self.graph.inputs[id]:
                found[item] = found.get(item, 0) | reached
        return found

    def bases(self, preparation: str) -> list[str]:
        """The preparations that one is made from, also by path of a bag or a compound product."""
        return self._beside(preparation, lambda id: self.graph.inputs.get(id, ()))

    def derivatives(self, preparation: str) -> list[str]:
        """The preparations that one goes into, also by path of a bag."""
        return self._beside(preparation, lambda id: sorted(self.graph.users.get(id, ())))

    def _beside(self, start: str, step: Callable[[str], Iterable[str]]) -> list[str]:
        made = self.book.preparations
        beside = tuple(step(start))
        # Most pots stand beside pots and plain goods only, and are asked for by the thousand.
        if self._composites.isdisjoint(beside):
            return [id for id in beside if id in made]
        found: dict[str, None] = {}
        waiting, seen = [start], {start}
        while waiting:
            for id in step(waiting.pop()):
                if id in made:
                    found[id] = None
                elif id not in seen:
                    seen.add(id)
                    waiting.append(id)
        return list(found)

    @cached_property
    def _composites(self) -> frozenset[str]:
        """The products that are made of others, and the bags with something in them."""
        return frozenset(self.graph.inputs.keys() - self.book.preparations.keys())

    def level_words(self, item: str) -> dict[str, LevelWord]:
        """The flags of an item that are above free, each with the word of its level."""
        return self.layout.level_words(self.masks[item])

    def levels(self, item: str) -> dict[str, Level]:
        """The flags of an item that are above free."""
        return self.layout.levels(self.masks[item])

    def level(self, item: str, flag: str) -> Level:
        """The level of one flag in an item."""
        return self.layout.level(self.masks[item], self.layout.bits[flag])

    def tool_traces(self, item: str) -> frozenset[str]:
        """The flags that an item may contain only because of the kitchen's own tools.

        No maker says so: a wash or a tool of its own would clear them.
        """
        if not self.through:
            return frozenset()
        without = self._without_tools.masks.get(item, 0)
        bits = self.layout.bits
        return frozenset(
            flag
            for flag, level in self.levels(item).items()
            if level is Level.MAY_CONTAIN and not self.layout.level(without, bits[flag])
        )

    @cached_property
    def _without_tools(self) -> "Reading":
        return carry(self.book, self.on, {}, self.usual)

    def paths(self, item: str) -> list[Path]:
        """The shortest path to everything that could give the item a flag."""
        return self._recent_paths(item)

    def sources(self, item: str) -> dict[str, tuple[Source, ...]]:
        """The sources of every flag above free."""
        found = self.paths(item)
        return {flag: sources(found, flag) for flag in self.levels(item)}

    def declaration(self, item: str) -> Declaration:
        """What the kitchen's regime wants declared of an item.

        Where the kitchen chose so, a well-known amount of sulphites under the line is left out.
        """
        declared = self._declarer.declare(self.masks[item])
        if not self.book.kitchen.so2_by_amount or item in self.book.products:
            return declared
        under = left_out(self.balance, item, self.sources(item))
        return declared if under is None else declared.without(under.group)

    @cached_property
    def balance(self) -> Balance:
        """The numbers of the same book, worked out as they are asked for."""
        return Balance(self.book)

    def verdict(self, item: str, diet: str) -> Verdict:
        """A diet's verdict on an item, without its reasons."""
        return self.diet_checker(diet).verdict(self.masks[item])

    def verdicts(self, item: str) -> Mapping[str, Verdict]:
        """Every diet's verdict on an item, without the reasons."""
        return self._verdicts.all(self.masks[item])

    def suitability(self, item: str) -> dict[str, Suitability]:
        """Every diet's verdict on an item, with its reasons."""
        mask, found = self.masks[item], self.paths(item)
        return {
            diet: Suitability(
                diet_checker.verdict(mask),
                tuple(self._reason(obstacle, found) for obstacle in diet_checker.obstacles(mask)),
                tuple(diet_checker.traces(mask)),
            )
            for diet, diet_checker in self._verdicts.checkers.items()
        }

    def _reason(self, obstacle: Obstacle, found: list[Path]) -> Reason:
        """An obstacle with the things that bring it at its level."""
        if obstacle.lacking is None:
            paths = giving(found, obstacle.flag)
            givers = {w.source_id for w in paths if w.level(obstacle.flag) == obstacle.level}
            return Reason(obstacle.flag, obstacle.level, tuple(sorted(givers)))
        bit = self.layout.uncertified[obstacle.flag, obstacle.lacking]
        levels = [(path, self.layout.level(self.path_mask(path), bit)) for path in found]
        lacking = {path.source_id for path, level in levels if level is obstacle.level}
        certificate = None if obstacle.lacking == ORIGIN else obstacle.lacking
        return Reason(obstacle.flag, obstacle.level, tuple(sorted(lacking)), certificate)

    def path_mask(self, path: Path) -> int:
        """What the thing at the end of a path brings by itself."""
        if path.through is not None:
            return self.layout.traces_of(path.through.mask)
        if isinstance(path.giver, Product):
            return product_mask(self.layout, path.giver, self.on, self.book)
        return own_mask(self.layout, path.giver)

    def diet_checker(self, diet: str) -> DietChecker:
        """What reads masks against one diet."""
        return self._verdicts.checkers[diet]

    @cached_property
    def offered(self) -> Mapping[str, list[str]]:
        """The products and preparations that can be offered, under each of their classes."""
        return items_by_class(self.book)

    @cached_property
    def variants(self) -> Mapping[str, list[str]]:
        """Per preparation those made from it, or from one made from it, and still offered."""
        made = self.book.preparations
        found: dict[str, list[str]] = {}
        for id, preparation in made.items():
            origin, seen = preparation.variant_of, {id}
            while origin is not None and origin not in seen:
                if preparation.retired is None:
                    found.setdefault(origin, []).append(id)
                seen.add(origin)
                origin = made[origin].variant_of if origin in made else None
        return found

    @cached_property
    def _recent_paths(self) -> Callable[[str], list[Path]]:
        # A pot's screen asks for its sources, its verdicts and the sentence of each: one walk.
        usual = {item: reading.paths for item, reading in self.usual.items()}
        find = partial(paths, self.book, through=self.through, elsewhere=usual)
        return lru_cache(maxsize=RECENT)(find)

    @cached_property
    def _declarer(self) -> Declarer:
        return declarer_of(self.layout, self.book.kitchen.regime)

    @cached_property
    def _verdicts(self) -> Verdicts:
        return verdicts_of(self.layout)


def read(book: Book, on: str | None = None, usual: Mapping[str, Reading] | None = None) -> Reading:
    """Carries every flag from the labels to the plates, as it is on a day (ISO date).

    Tools that the kitchen calls always shared leave traces, and those travel on like any other:
    the reading is worked out again until no tool leaves anything new. `usual`: see Reading.
    """
    usual = usual or {}
    reading = carry(book, on, {}, usual)
    if not any(tool.always_shared for tool in book.tools):
        return reading
    shared = users(
        book.toolbox, {id: preparation.tools for id, preparation in book.preparations.items()}
    )
    while shared:
        again = carry(book, on, _left(reading, shared), usual)
        if again.masks == reading.masks:
            return again
        reading = again
    return reading


def carry(
    book: Book,
    on: str | None,
    through: Mapping[str, tuple[Through, ...]],
    usual: Mapping[str, Reading] | None = None,
) -> Reading:
    """One carrying, with what is known to come into some pots by path of tools."""
    usual = usual or {}
    layout, graph = layout_of(book.flags), DependencyGraph.of(book)
    masks: dict[str, int] = {}
    for id, product in book.products.items():
        if not product.contents:
            masks[id] = product_mask(layout, product, on, book)
    masks |= {item: before.masks[item] for item, before in usual.items()}
    reading = Reading(
        book=book, layout=layout, graph=graph, masks=masks, on=on, through=through, usual=usual
    )
    made = book.preparations
    # Each is tried as it comes; one whose bases are not read yet waits until they are.
    for start in graph.items:
        waiting = [start]
        while waiting:
            id = waiting[-1]
            items = graph.items[id]
            mask = node_mask(reading, id)
            try:
                for item in items:
                    mask |= masks[item]
            except KeyError:
                waiting.extend(owner_of(item) for item in items if item not in masks)
                continue
            waiting.pop()
            masks[id] = mask
            if id in made and made[id].by_products:
                made_there = (item for item in by_products_of(book, id) if item not in usual)
                masks.update(dict.fromkeys(made_there, mask))
    return reading


def node_mask(reading: Reading, id: str) -> int:
    """What a preparation, or a product that is made of others, brings besides what goes in."""
    preparation = reading.book.preparations.get(id)
    if preparation is None:
        return product_mask(reading.layout, reading.book.products[id], reading.on, reading.book)
    mask = own_mask(reading.layout, preparation)
    for trace in reading.through.get(id, ()) if reading.through else ():
        mask |= reading.layout.traces_of(trace.mask)
    return mask


def by_products_of(book: Book, id: str) -> list[str]:
    """The items of a preparation's by-products; a product has none."""
    preparation = book.preparations.get(id)
    return [by_product_item(id, part.id) for part in preparation.by_products] if preparation else []


def own_mask(layout: Layout, preparation: Preparation) -> int:
    """What a preparation brings by its own statements, besides its lines."""
    if not preparation.statements and not preparation.own_otherwise:
        return 0
    return layout.mask(preparation.statements, preparation.own_otherwise)


def _left(
    reading: Reading, shared: Mapping[str, tuple[str, ...]]
) -> dict[str, tuple[Through, ...]]:
    """What each pot gets from the others that go through its tools, as they stand."""
    found: dict[str, list[Through]] = {}
    for tool, items in shared.items():
        levels = {item: reading.levels(item) for item in items}
        for item in items:
            others = (
                Through(tool, other, levels[other], reading.masks[other])
                for other in items
                if other != item
            )
            found.setdefault(item, []).extend(others)
    return {item: tuple(traces) for item, traces in found.items()}
