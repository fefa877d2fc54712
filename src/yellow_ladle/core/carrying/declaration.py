"""What a regime wants declared of an item, read off its mask."""

from dataclasses import dataclass, replace
from functools import lru_cache

from yellow_ladle.core.carrying.masks import Layout
from yellow_ladle.core.vocabulary.regimes import Regime, regimes

MAX_KEPT = 20_000
"""Answers kept for masks seen before; a kitchen has far fewer, but runs for years."""


@dataclass(frozen=True, slots=True)
class Declaration:
    """Group ids in the regime's order; a group stands in its highest level only."""

    contains: tuple[str, ...]
    may_contain: tuple[str, ...]
    unchecked: tuple[str, ...]

    def without(self, group: str) -> "Declaration":
        """The declaration with one group left out of what is contained."""
        return replace(self, contains=tuple(id for id in self.contains if id != group))


class Declarer:
    """Reads masks against one regime. Flags that the vocabulary lacks cannot be declared."""

    def __init__(self, layout: Layout, regime: Regime) -> None:
        self._width = layout.width
        self._groups = [(group.id, layout.of_flags(group.flags)) for group in regime.groups]
        self._all = 0
        for _, bits in self._groups:
            self._all |= bits
        self._sorted = lru_cache(maxsize=MAX_KEPT)(self._sort)

    def declare(self, mask: int) -> Declaration:
        """The declaration of a mask; masks that agree on what is declared share one."""
        contains = mask & self._all
        unchecked = mask >> self._width & self._all
        trace = mask >> 2 * self._width & self._all
        return self._sorted(contains, unchecked, trace)

    def _sort(self, contains: int, unchecked: int, trace: int) -> Declaration:
        sure: list[str] = []
        traces: list[str] = []
        asked: list[str] = []
        for group, bits in self._groups:
            if not trace & bits:
                continue
            if contains & bits:
                sure.append(group)
            elif unchecked & bits:
                asked.append(group)
            else:
                traces.append(group)
        return Declaration(tuple(sure), tuple(traces), tuple(asked))


@lru_cache(maxsize=16)
def declarer_of(layout: Layout, regime: str) -> Declarer:
    """What reads masks of one layout against a regime; shared by all readings of it."""
    return Declarer(layout, regimes()[regime])
