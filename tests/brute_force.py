"""Every combination of swaps in a small book, read one by one: what the planner has to agree with.

Nothing of the planner is used but the offers of each line. Levels are read from the whole book as
it is after the swaps, losses by following every single path from the plate down. By-products that
the swaps end, and what the usual pots leave in a tool that is always shared, are read from a
copy of the whole kitchen as it was, kept beside under other names.
"""

from collections.abc import Callable, Iterable, Iterator, Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from itertools import product
from math import prod
from typing import TypeAlias

from yellow_ladle.core.book.book import Book, Line, owner_of
from yellow_ladle.core.book.tool import tool_key
from yellow_ladle.core.carrying.cycles import cycle, inputs_of
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.reading.update import applied
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.score import Score, told_apart, undominated
from yellow_ladle.core.swaps.plans.swap import CleanTool, Swap, swapped
from yellow_ladle.core.swaps.search.candidates import Offer, Proposer
from yellow_ladle.core.swaps.search.thickness_limit import leaves_the_card
from yellow_ladle.core.vocabulary.levels import Level

Move: TypeAlias = Swap | CleanTool
"""One thing done otherwise."""


@dataclass(frozen=True)
class BruteForce:
    """The plans of one small book, by trying everything."""

    before: Reading
    item: str
    goals: Goals
    proposer: Proposer

    def combinations(self) -> int:
        """How many combinations of swaps there are."""
        return prod(len(offers) + 1 for _, offers in self.places()) << len(self.tools())

    @cached_property
    def front(self) -> set[Score]:
        """The scores of all plans that need each of their swaps and that no other dominates."""
        return undominated(self.score(swaps) for swaps in self.plans)

    @cached_property
    def plans(self) -> list[frozenset[Move]]:
        """Every set of swaps that meets the goals and could do without none of its swaps."""
        meeting = {frozenset(swaps) for swaps in self.tried() if self.meets(swaps)}
        return [swaps for swaps in meeting if not any(swaps - {swap} in meeting for swap in swaps)]

    def places(self) -> list[tuple[tuple[str, int], tuple[Offer, ...]]]:
        """Every counted line of the book with what is offered for it."""
        return [
            ((pot, index), self.proposer.offers(pot, index, milk_goes=False).swaps)
            for pot, made in self.before.book.preparations.items()
            for index in made.counted()
        ]

    def tools(self) -> list[CleanTool]:
        """Every pot with each tool that it goes through and that is always shared."""
        shared = {tool_key(tool.name): tool.name for tool in self.before.book.tools}
        return [
            CleanTool(pot, shared[key])
            for pot, made in self.before.book.preparations.items()
            for key in sorted(set(map(tool_key, made.tools)))
            if key in shared
        ]

    def tried(self) -> Iterator[tuple[Move, ...]]:
        """Every combination, the one without a swap first."""
        options: list[list[Move | None]]
        options = [[None, *(offer.swap for offer in offers)] for _, offers in self.places()]
        options += [[None, tool] for tool in self.tools()]
        for chosen in product(*options):
            yield tuple(move for move in chosen if move is not None)

    def after(self, moves: Iterable[Move]) -> Book:
        """The book with the swaps made."""
        moves = tuple(moves)
        cleaned = [move for move in moves if isinstance(move, CleanTool)]
        return applied(self.before.book, swapped(self.before.book, _swaps(moves), cleaned))

    def meets(self, swaps: tuple[Move, ...]) -> bool:
        """Whether the whole book, read again, meets the goals."""
        book = self.after(swaps)
        return not cycle(inputs_of(book)) and self.goals.met(read(self._beside(swaps)), self.item)

    def _beside(self, swaps: Iterable[Move]) -> Book:
        """The book with the swaps made; lines on ended by-products are those of a copy."""
        swaps = tuple(swaps)
        book, before = self.after(swaps), self.before.book
        gone = self._ended(swaps)
        copies = {
            f"usual-{id}": replace(
                made, id=f"usual-{id}", lines=tuple(map(_copied(before), made.lines))
            )
            for id, made in before.preparations.items()
        }
        here = {
            id: replace(
                made,
                lines=tuple(
                    replace(entry, item=f"usual-{entry.item}") if entry.item in gone else entry
                    for entry in made.lines
                ),
            )
            for id, made in book.preparations.items()
        }
        return replace(book, preparations={**copies, **here})

    def _ended(self, swaps: Iterable[Move]) -> set[str]:
        """The by-products of which a line is gone that they come of."""
        book, gone = self.before.book, set()
        for swap in _swaps(swaps):
            made = book.preparations[swap.in_]
            counted = made.counted()
            body = [n for n in counted if made.lines[n].role == "body"]
            strained = [n for n in counted if made.lines[n].strained_out]
            rule = body or strained or counted
            ending = [
                part.id
                for part in made.by_products
                if swap.line in (rule if part.of is None else part.of)
            ]
            classes = {
                item.id: item.class_
                for item in (*book.products.values(), *book.preparations.values())
            }
            was, now = classes.get(swap.from_), classes.get(str(swap.to))
            if was is None or was != now:
                gone |= {f"{made.id}/{part}" for part in ending}
        return gone

    def score(self, swaps: frozenset[Move]) -> Score:
        """The score of a set of swaps."""
        book = self._beside(swaps)
        gone = self._ended(swaps)
        after = read(book)
        was, now = self.before.levels(self.item), after.levels(self.item)
        by_place = {swap.place: swap for swap in _swaps(swaps)}
        remade: set[str] = set()
        lost = [0.0, 0.0, 0.0]
        effort = sum(self._offer(swap).effort for swap in by_place.values())
        cleaned_moves = [move for move in swaps if isinstance(move, CleanTool)]
        cleaned = {move.in_ for move in cleaned_moves}
        for path in self._paths(self.item, by_place, (), gone):
            if path[-1][0] in cleaned:
                remade.update(pot for pot, _ in path)
            if path[-1] not in by_place:
                continue
            remade.update(pot for pot, _ in path)
            share = [1.0, 1.0, 1.0]
            for pot, index in path[:-1]:
                part = self.proposer.pots.shares(pot)[index]
                share = [share[n] * part[n] for n in range(3)]
            pot, index = path[-1]
            offer = self._offer(by_place[path[-1]])
            for n in range(3):
                lost[n] += share[n] * self.proposer.pots.shares(pot)[index][n] * offer.lost[n]
        leaves = leaves_the_card(self.before, after, self.item, by_place.values())
        return Score(
            thickness=int(leaves),
            another=int(self._is_another(by_place, gone)),
            effort=effort + len(cleaned_moves),
            adds=sum(now[flag] > was.get(flag, Level.FREE) for flag in now),
            swaps=len(swaps),
            unfamiliar=len(by_place),
            lost=told_apart(sum(lost)),
            flavour=told_apart(lost[0]),
            texture=told_apart(lost[1]),
            colour=told_apart(lost[2]),
            pots=len(remade),
            pans=sum(self._needs_a_pan(pot) for pot in remade),
        )

    def _needs_a_pan(self, pot: str) -> bool:
        return pot == self.item or self.before.book.preparations[pot].kind != "roux"

    def carried(self, swaps: Iterable[Move]) -> Mapping[str, Level]:
        """The levels of the item after some swaps."""
        return read(self._beside(swaps)).levels(self.item)

    def _offer(self, swap: Swap) -> Offer:
        offers = self.proposer.offers(*swap.place, milk_goes=False).swaps
        return next(offer for offer in offers if offer.swap == swap)

    def _is_another(self, by_place: dict[tuple[str, int], Swap], gone: set[str]) -> bool:
        """Whether the main ingredient goes, or a third of the weight without liquids.

        A stock and a roux are always themselves, and so is what stands in them.
        """
        book, share = self.before.book, 0.0
        for path in self._paths(self.item, {}, (), gone):
            made = [book.preparations[pot] for pot, _ in path]
            told = [pot.kind not in ("stock", "roux") for pot in made]
            swap = by_place.get(path[-1])
            if swap is None or not all(told) or any(place in by_place for place in path[:-1]):
                continue
            kinds = {
                book.preparations[id].kind
                for id in (swap.from_, str(swap.to))
                if id in book.preparations
            }
            both = swap.from_ in book.preparations and swap.to in book.preparations
            if both and kinds in ({"stock"}, {"roux"}):
                continue
            was, now = self._class(swap.from_), swap.to and self._class(swap.to)
            if was == now:
                continue
            if all(self._is_main(pot, index) for pot, index in path):
                return True
            part = 1.0
            for pot, index in path:
                part *= self._dry_share(pot, index)
            share += part
        return share > 1 / 3 - 1e-9

    def _class(self, item: str) -> str:
        if item in self.before.book.products:
            return self.before.book.products[item].class_ or ""
        made = self.before.book.preparations.get(item)
        return item if made is None else made.class_ or made.kind

    def _is_main(self, pot: str, index: int) -> bool:
        made, weigh = self.before.book.preparations[pot], self.before.balance.line_grams
        bodies = [n for n in made.counted() if made.lines[n].role == "body"]
        return bool(bodies) and index == max(bodies, key=lambda n: weigh(made.lines[n]) or 0.0)

    def _dry_share(self, pot: str, index: int) -> float:
        made, weigh = self.before.book.preparations[pot], self.before.balance.line_grams
        dry = [n for n in made.counted() if made.lines[n].role != "liquid"]
        whole = sum(weigh(made.lines[n]) or 0.0 for n in dry)
        return (weigh(made.lines[index]) or 0.0) / whole if whole and index in dry else 0.0

    def _paths(
        self,
        pot: str,
        by_place: dict[tuple[str, int], Swap],
        so_far: tuple[tuple[str, int], ...],
        gone: set[str],
    ) -> Iterator[tuple[tuple[str, int], ...]]:
        """Every way down from a pot as it is after the swaps, cut after each of its lines."""
        made = self.before.book.preparations.get(pot)
        for index in made.counted() if made else ():
            assert made is not None
            here = (*so_far, (pot, index))
            yield here
            swap = by_place.get((pot, index))
            item = made.lines[index].item if swap is None else swap.to
            if item is not None and item not in gone:
                yield from self._paths(owner_of(item), by_place, here, gone)


def _swaps(moves: Iterable[Move]) -> list[Swap]:
    return [move for move in moves if isinstance(move, Swap)]


def _copied(book: Book) -> Callable[[Line], Line]:
    """Makes a line name the copy of the pot that it names."""

    def copied(entry: Line) -> Line:
        made = owner_of(entry.item) in book.preparations
        return replace(entry, item=f"usual-{entry.item}") if made else entry

    return copied
