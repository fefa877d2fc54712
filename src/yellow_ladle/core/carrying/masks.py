"""Levels of every flag packed into one int, so that carrying is one OR per line.

With W bits per level, the low W bits say which flags are contained, the next W which are at least
unchecked, the top W which are at least a trace. A higher level sets the bits of those below it, so
the OR of two masks holds the higher level of each flag.

Besides the flags there are marks, bits for "this flag, from something that lacks this": a
certificate, or a word of its origin. They travel by the same OR and let a diet see through a pot to
its products. The mark of grape wine has no flag of its own: nobody states it, and it is listed
nowhere.
"""

from collections.abc import Iterable, Mapping
from functools import lru_cache
from typing import TypeVar

from yellow_ladle.core.vocabulary.diets import ORIGIN, diets
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.core.vocabulary.levels import Level, LevelWord

T = TypeVar("T")

_HEIGHTS = {Level.CONTAINS: 0, Level.UNCHECKED: 1, Level.MAY_CONTAIN: 2}


GRAPE_WINE = "grape_wine"


class Layout:
    """Where each flag has its bit, and each mark; `width` is W."""

    def __init__(self, flags: Iterable[str], pairs: Iterable[tuple[str, str]]) -> None:
        self.bits = {flag: place for place, flag in enumerate(flags)}
        self.uncertified = {pair: len(self.bits) + n for n, pair in enumerate(pairs)}
        self.width = len(self.bits) + len(self.uncertified)
        self._full = (1 << self.width) - 1
        self._spread: dict[tuple[str, ...], dict[str, int]] = {}
        self._wine = sum(
            1 << bit for (flag, _), bit in self.uncertified.items() if flag == GRAPE_WINE
        )

    def mask(
        self,
        statements: Mapping[str, Level],
        otherwise: Level,
        certificates: tuple[str, ...] = (),
        *,
        grape_wine: bool = False,
    ) -> int:
        """What one label says, packed. A certificate clears the bits that ask for it.

        `grape_wine`: whether it is of grapes as wine is. ORIGIN among the certificates means that
        the label says of which animal its gelatine is.
        """
        spread = self._spread_without(certificates)
        stated = 0
        at = [0, 0, 0, 0]
        for flag, level in statements.items():
            stated |= spread[flag]
            at[level] |= spread[flag]
        if otherwise:
            at[otherwise] |= sum(spread.values()) & ~stated
        if grape_wine and "kosher" not in certificates:
            at[Level.CONTAINS] |= self._wine
        contains = at[Level.CONTAINS]
        unchecked = contains | at[Level.UNCHECKED]
        trace = unchecked | at[Level.MAY_CONTAIN]
        return contains | unchecked << self.width | trace << 2 * self.width

    def _spread_without(self, certificates: tuple[str, ...]) -> dict[str, int]:
        """Per flag its own bit and those of the certificates that are lacking."""
        if certificates not in self._spread:
            spread = {flag: 1 << bit for flag, bit in self.bits.items()}
            for (flag, certificate), bit in self.uncertified.items():
                if certificate not in certificates and flag in spread:
                    spread[flag] |= 1 << bit
            self._spread[certificates] = spread
        return self._spread[certificates]

    def level(self, mask: int, bit: int) -> Level:
        """The level at one bit of a mask."""
        for level, height in _HEIGHTS.items():
            if mask >> (bit + height * self.width) & 1:
                return level
        return Level.FREE

    def at_least(self, bits: int, level: Level) -> int:
        """What a mask has in common with, if it holds one of the bits at this level or above.

        The level is one above free.
        """
        return bits << _HEIGHTS[level] * self.width

    def highest(self, mask: int, bits: int) -> Level:
        """The highest level of a mask at some bits, whichever level they are given for."""
        one_level = (bits | bits >> self.width | bits >> 2 * self.width) & self._full
        for level in _HEIGHTS:
            if mask & self.at_least(one_level, level):
                return level
        return Level.FREE

    def levels(self, mask: int) -> dict[str, Level]:
        """Every flag above free with its level, in the order of the vocabulary."""
        return self._told(mask, Level.CONTAINS, Level.UNCHECKED, Level.MAY_CONTAIN)

    def level_words(self, mask: int) -> dict[str, LevelWord]:
        """The same by the words of the levels: boards ask for those of thousands of pots."""
        return self._told(mask, "contains", "unchecked", "may_contain")

    def _told(self, mask: int, contains: T, unchecked: T, may_contain: T) -> dict[str, T]:
        traces, doubts = mask >> 2 * self.width, mask >> self.width
        return {
            flag: contains if mask >> bit & 1 else unchecked if doubts >> bit & 1 else may_contain
            for flag, bit in self.bits.items()
            if traces >> bit & 1
        }

    def certified(self, mask: int) -> tuple[str, ...]:
        """The certificates that nothing in a mask lacks, whatever of it would need them."""
        present = mask | mask >> self.width | mask >> 2 * self.width
        lacking = {kind for (_, kind), bit in self.uncertified.items() if present >> bit & 1}
        return tuple(sorted({kind for _, kind in self.uncertified} - lacking - {ORIGIN}))

    def traces_of(self, mask: int) -> int:
        """What something leaves in a tool: a trace of all that it carries, certified as it is."""
        return (mask >> 2 * self.width & self._full) << 2 * self.width

    def of_marks(self, marks: Iterable[tuple[str, str]]) -> int:
        """The bits of several marks in one level."""
        return sum(1 << self.uncertified[mark] for mark in dict.fromkeys(marks))

    def of_flags(self, flags: Iterable[str]) -> int:
        """The bits of several flags in one level."""
        bits = 0
        for flag in flags:
            bits |= 1 << self.bits[flag]
        return bits


@lru_cache(maxsize=32)
def layout_of(flags: tuple[Flag, ...]) -> Layout:
    """The layout of a vocabulary, with the certificates that the shipped diets ask for."""
    marks = dict.fromkeys(mark for diet in diets().values() for mark in diet.marks)
    return Layout((flag.id for flag in flags), marks)
