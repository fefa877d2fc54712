"""Where the flags of a batch came from: goods by lot and maker, ways by batch, traces by tool."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from heapq import heappop, heappush

from yellow_ladle.core.carrying.declaration import Declaration, declarer_of
from yellow_ladle.core.carrying.suitability import Obstacle, verdicts_of
from yellow_ladle.core.production.batch import batch_of
from yellow_ladle.core.production.contributions import Contributions, Drawn, Giver, SeenInTools
from yellow_ladle.core.production.day_reading import DayReading
from yellow_ladle.core.reading.reading import Reason, Suitability
from yellow_ladle.core.vocabulary.diets import ORIGIN
from yellow_ladle.core.vocabulary.levels import Level

MAX_KEPT = 64
"""Batches whose givers are kept at hand: a page asks for its sources, its verdicts and more."""


@dataclass(frozen=True, slots=True)
class BatchSource:
    """One source of a flag in a batch, at the level that it gives."""

    giver: Giver
    level: Level


class Provenance:
    """The sources of batches, walked back when they are asked for: each batch on the way once."""

    def __init__(self, day: DayReading) -> None:
        self._day = day
        self._book = day.book
        self._layout = day.reading.layout
        self._contributions = Contributions(day)
        self._kept: dict[str, list[Giver]] = {}

    def givers(self, reference: str) -> list[Giver]:
        """Everything that gives something to a batch, or to a by-product of one.

        Of each batch on the way by the shortest way to it, and of several by the alphabet.
        """
        if reference not in self._kept:
            while len(self._kept) >= MAX_KEPT:
                self._kept.pop(next(iter(self._kept)))
            self._kept[reference] = list(self._walk(reference))
        return self._kept[reference]

    def _walk(self, reference: str) -> Iterator[Giver]:
        # Dijkstra's algorithm, on the length of the way and then on its words. What is there by a
        # tool alone counts apart, as a direct way comes first however long it is.
        waiting: list[tuple[int, tuple[str, ...], str]] = [(1, (reference,), "")]
        in_tools: tuple[SeenInTools, SeenInTools] = ({}, {})
        seen: set[tuple[str, bool]] = set()
        while waiting:
            _, via, tool = heappop(waiting)
            id = batch_of(via[-1])
            if (id, bool(tool)) in seen:
                continue
            seen.add((id, bool(tool)))
            for found in self._contributions.of(id, in_tools[bool(tool)]):
                by_tool = tool or found.tool or ""
                if isinstance(found, Drawn):
                    way = (*via, *found.via, found.reference)
                    heappush(waiting, (len(way), way, by_tool))
                elif found.mask:
                    mask = self._layout.traces_of(found.mask) if by_tool else found.mask
                    way = (*via, *found.via)
                    yield replace(found, mask=mask, via=way, tool=by_tool or None)

    def sources(self, reference: str) -> dict[str, tuple[BatchSource, ...]]:
        """The sources of every flag above free, one for each product, lot and maker.

        Of several ways one that is direct comes before one by a tool, then the higher level, then
        the shorter way, then the alphabet.
        """
        levels = self._day.levels(batch_of(reference))
        best: dict[str, dict[object, tuple[tuple[object, ...], BatchSource]]] = {}
        for giver in self.givers(reference):
            for flag, level in self._layout.levels(giver.mask).items():
                rank = (giver.tool is not None, -level, giver.possible, *_way(giver))
                known = best.setdefault(flag, {}).get(giver.key)
                if known is None or rank < known[0]:
                    best[flag][giver.key] = (rank, BatchSource(giver, level))
        return {
            flag: tuple(sorted((source for _, source in best[flag].values()), key=_standing))
            for flag in levels
        }

    def suitability(self, reference: str) -> dict[str, Suitability]:
        """Every diet's verdict on a batch, with its reasons."""
        mask, givers = self._day.masks[batch_of(reference)], self.givers(reference)
        found = {}
        for diet, checker in verdicts_of(self._layout).checkers.items():
            because = tuple(self._reason(each, givers) for each in checker.obstacles(mask))
            traces = tuple(checker.traces(mask))
            found[diet] = Suitability(checker.verdict(mask), because, traces)
        return found

    def declaration(self, reference: str) -> Declaration:
        """What the kitchen's regime wants declared of a batch.

        Sulphites are never left out by their amount: nobody weighed all that really went in.
        """
        mask = self._day.masks[batch_of(reference)]
        return declarer_of(self._layout, self._book.kitchen.regime).declare(mask)

    def _reason(self, obstacle: Obstacle, givers: list[Giver]) -> Reason:
        lacking = None if obstacle.lacking is None else (obstacle.flag, obstacle.lacking)
        bit = self._layout.uncertified[lacking] if lacking else self._layout.bits[obstacle.flag]
        named = {
            giver.item or giver.recorded or ""
            for giver in givers
            if self._layout.level(giver.mask, bit) is obstacle.level
        }
        certificate = None if obstacle.lacking == ORIGIN else obstacle.lacking
        return Reason(obstacle.flag, obstacle.level, tuple(sorted(named)), certificate)


def _way(giver: Giver) -> tuple[int, tuple[str, ...], str]:
    return len(giver.via), giver.via, giver.tool or ""


def _standing(source: BatchSource) -> tuple[object, ...]:
    giver = source.giver
    named = giver.item or giver.recorded or ""
    return (-source.level, len(giver.via), named, giver.lot or "", giver.maker or "", giver.via)
