"""Whether an item suits a diet, and what stands in the way."""

from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum
from functools import lru_cache
from itertools import combinations

from yellow_ladle.core.carrying.masks import Layout
from yellow_ladle.core.vocabulary.diets import Diet, diets
from yellow_ladle.core.vocabulary.levels import Level

MAX_KEPT = 20_000
"""Answers kept for masks seen before; a kitchen has far fewer, but runs for years."""


class Verdict(StrEnum):
    """What a diet says of an item."""

    SUITS = "suits"
    ASK = "ask"
    DOES_NOT_SUIT = "does_not_suit"


@dataclass(frozen=True, slots=True)
class Obstacle:
    """A flag that stands in the way of a diet, at the level that counts.

    `lacking` names what is missing where the flag counts only for the lack of it: a certificate,
    or a word of its origin.
    """

    flag: str
    level: Level
    lacking: str | None = None


class DietChecker:
    """Reads masks against one diet."""

    def __init__(self, layout: Layout, diet: Diet) -> None:
        self.diet = diet
        self._layout = layout
        self._order = {flag: place for place, flag in enumerate(layout.bits)}
        self.ruled_out = layout.of_flags(diet.excludes) | layout.of_marks(diet.ruled_out_marks)
        self.asked = layout.of_marks(diet.asked_marks)
        self.lowest = Level.MAY_CONTAIN if diet.traces_count else Level.UNCHECKED
        self.contains = layout.at_least(self.ruled_out, Level.CONTAINS)
        self.counts = layout.at_least(self.ruled_out | self.asked, self.lowest)
        self.apart = [
            (layout.of_flags(one), layout.of_flags(other))
            for one, other in combinations(diet.not_together, 2)
        ]

    def verdict(self, mask: int) -> Verdict:
        """Does not suit where something ruled out is contained.

        Ask where that is less sure, and where something is there that the diet asks about.
        """
        if mask & self.contains:
            return Verdict.DOES_NOT_SUIT
        meeting = self._meeting(mask)
        if meeting is Level.CONTAINS:
            return Verdict.DOES_NOT_SUIT
        if mask & self.counts or meeting >= self.lowest:
            return Verdict.ASK
        return Verdict.SUITS

    def _meeting(self, mask: int) -> Level:
        """How surely two sets that may not meet are both there."""
        met = Level.FREE
        for sets in self.apart:
            met = max(met, min(self._highest(mask, bits) for bits in sets))
        return met

    def _highest(self, mask: int, bits: int) -> Level:
        for level in (Level.CONTAINS, Level.UNCHECKED, Level.MAY_CONTAIN):
            if mask & self._layout.at_least(bits, level):
                return level
        return Level.FREE

    def obstacles(self, mask: int) -> list[Obstacle]:
        """Everything that counts against the verdict, one entry a flag.

        The surest first, then in the order of the vocabulary.
        """
        found = [Obstacle(flag, self._level(mask, flag)) for flag in self.diet.excludes]
        for mark in self.diet.marks:
            level = self._layout.level(mask, self._layout.uncertified[mark])
            found.append(Obstacle(mark[0], level, lacking=mark[1]))
        if self._meeting(mask) >= self.lowest:
            apart = {flag for flags in self.diet.not_together for flag in flags}
            named = {obstacle.flag for obstacle in found if obstacle.level >= self.lowest}
            found += [Obstacle(flag, self._level(mask, flag)) for flag in sorted(apart - named)]
        counted = [obstacle for obstacle in found if obstacle.level >= self.lowest]
        last = len(self._order)
        return sorted(counted, key=lambda o: (-o.level, self._order.get(o.flag, last)))

    def traces(self, mask: int) -> list[str]:
        """The flags ruled out that are there as a trace and do not count: shown all the same."""
        if self.diet.traces_count:
            return []
        flags = (*self.diet.excludes, *self.diet.asks_unsaid)
        return [flag for flag in flags if self._level(mask, flag) is Level.MAY_CONTAIN]

    def _level(self, mask: int, flag: str) -> Level:
        return self._layout.level(mask, self._layout.bits[flag])


class Verdicts:
    """Every diet's verdict at once; items that carry the same share one answer."""

    def __init__(self, checkers: Mapping[str, DietChecker]) -> None:
        self.checkers = checkers
        self._plain = [
            (id, diet_checker.contains, diet_checker.counts)
            for id, diet_checker in checkers.items()
            if not diet_checker.diet.not_together
        ]
        self._paired = [
            (id, diet_checker)
            for id, diet_checker in checkers.items()
            if diet_checker.diet.not_together
        ]
        self._judged = lru_cache(maxsize=MAX_KEPT)(self._judge)

    def all(self, mask: int) -> Mapping[str, Verdict]:
        """Per diet its verdict on a mask."""
        return self._judged(mask)

    def _judge(self, mask: int) -> dict[str, Verdict]:
        verdicts: dict[str, Verdict] = {}
        for id, contains, counts in self._plain:
            if not mask & counts:
                verdicts[id] = Verdict.SUITS
            elif mask & contains:
                verdicts[id] = Verdict.DOES_NOT_SUIT
            else:
                verdicts[id] = Verdict.ASK
        for id, diet_checker in self._paired:
            verdicts[id] = diet_checker.verdict(mask)
        return verdicts


@lru_cache(maxsize=8)
def verdicts_of(layout: Layout) -> Verdicts:
    """What reads masks of one layout against every diet; shared by all readings of it."""
    return Verdicts({id: DietChecker(layout, diet) for id, diet in diets().items()})
