"""Levels of every flag packed into one int, so that carrying is one OR per line.

With W bits per level, the low W bits say which flags are contained, the next W which are at least
unchecked, the top W which are at least a trace. A higher level sets the bits of those below it, so
the OR of two masks holds the higher level of each flag.

Besides the flags there are bits for "this flag, from something without this certificate": they
travel by the same OR and let a diet see through a pot to the certificates of its products.
"""

from collections.abc import Iterable, Mapping
from functools import lru_cache

from yellow_ladle.core.diets import Diet, diets
from yellow_ladle.core.flags import Flag
from yellow_ladle.core.levels import Level

_HEIGHTS = {Level.CONTAINS: 0, Level.UNCHECKED: 1, Level.MAY_CONTAIN: 2}


class Layout:
    """Where each flag has its bit, and each flag without a certificate; `width` is W."""

    def __init__(self, flags: Iterable[str], pairs: Iterable[tuple[str, str]]) -> None:
        self.bits = {flag: place for place, flag in enumerate(flags)}
        self.uncertified = {pair: len(self.bits) + n for n, pair in enumerate(pairs)}
        self.width = len(self.bits) + len(self.uncertified)
        self._spread: dict[tuple[str, ...], dict[str, int]] = {}

    def mask(
        self,
        statements: Mapping[str, Level],
        otherwise: Level,
        certificates: tuple[str, ...] = (),
    ) -> int:
        """What one label says, packed. A certificate clears the bits that ask for it."""
        spread = self._spread_without(certificates)
        stated = 0
        at = [0, 0, 0, 0]
        for flag, level in statements.items():
            stated |= spread[flag]
            at[level] |= spread[flag]
        if otherwise:
            at[otherwise] |= sum(spread.values()) & ~stated
        contains = at[Level.CONTAINS]
        unchecked = contains | at[Level.UNCHECKED]
        trace = unchecked | at[Level.MAY_CONTAIN]
        return contains | unchecked << self.width | trace << 2 * self.width

    def _spread_without(self, certificates: tuple[str, ...]) -> dict[str, int]:
        """Per flag its own bit and those of the certificates that are lacking."""
        if certificates not in self._spread:
            spread = {flag: 1 << bit for flag, bit in self.bits.items()}
            for (flag, certificate), bit in self.uncertified.items():
                if certificate not in certificates:
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

    def levels(self, mask: int) -> dict[str, Level]:
        """Every flag above free with its level, in the order of the vocabulary."""
        traces = mask >> 2 * self.width
        return {flag: self.level(mask, bit) for flag, bit in self.bits.items() if traces >> bit & 1}

    def certified(self, mask: int) -> tuple[str, ...]:
        """The certificates that nothing in a mask lacks, whatever of it would need them."""
        present = mask | mask >> self.width | mask >> 2 * self.width
        lacking = {kind for (_, kind), bit in self.uncertified.items() if present >> bit & 1}
        return tuple(sorted({kind for _, kind in self.uncertified} - lacking))

    def mask_of_traces(self, levels: Iterable[str]) -> int:
        """Traces of some flags, from something that holds no certificate for them."""
        return self.mask(dict.fromkeys(levels, Level.MAY_CONTAIN), Level.FREE)

    def of_flags(self, flags: Iterable[str]) -> int:
        """The bits of several flags in one level."""
        bits = 0
        for flag in flags:
            bits |= 1 << self.bits[flag]
        return bits


@lru_cache(maxsize=32)
def layout_of(flags: tuple[Flag, ...]) -> Layout:
    """The layout of a vocabulary, with the certificates that the shipped diets ask for."""
    pairs = [pair for diet in diets().values() for pair in certificate_pairs(diet)]
    return Layout((flag.id for flag in flags), pairs)


def certificate_pairs(diet: Diet) -> list[tuple[str, str]]:
    """Which flags a diet accepts only from products that hold which certificate."""
    if diet.certificate is None:
        return []
    return [(flag, diet.certificate) for flag in diet.uncertified]
