"""An answer for a menu: which version of a pot is eaten by whom, and what goes into it."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import NamedTuple, TypeAlias

from yellow_ladle.core.swaps.plans.swap import Swap


class Version(NamedTuple):
    """A pot as it is made for some groups, named after the first of them."""

    pot: str
    group: int


@dataclass(frozen=True, slots=True)
class Needed:
    """How many plates of some, a course, a group has to be served at the least."""

    group: int
    plates: tuple[str, ...]
    count: int


@dataclass(frozen=True, slots=True)
class MenuOption:
    """One thing that can be done about a line: keep it (None) or swap it; `mask` of what it brings,
    `pot` where it is a preparation. `price`: of a swap, more where more is lost by it; `lost`: of a
    plate's flavour, texture and colour together. `cards`: the shipped bases that it takes."""

    swap: Swap | None
    mask: int
    pot: str | None
    price: int = 0
    lost: float = 0.0
    cards: tuple[str, ...] = ()

    @property
    def leaves(self) -> bool:
        """Whether the line goes."""
        return self.swap is not None and self.swap.to is None


Lines: TypeAlias = Mapping[str, Mapping[int, Sequence[MenuOption]]]
"""Per pot what can be done about each line that offends somebody."""


@dataclass(frozen=True, slots=True)
class Solved:
    """One answer. `serves`: the version per plate and group, None for the usual; `taken`: per line
    the place of its way; `made_of`: the versions that go into one; `cards`: shipped bases. Of
    versions and cards together at least `bound` are needed."""

    serves: dict[tuple[str, int], Version | None]
    swaps: dict[Version, tuple[Swap, ...]]
    taken: dict[Version, dict[int, int]]
    made_of: dict[Version, tuple[Version, ...]]
    eaten_by: dict[Version, tuple[int, ...]]
    cards: tuple[str, ...]
    bound: int


def cards_taken(lines: Lines, taken: Mapping[Version, Mapping[int, int]]) -> tuple[str, ...]:
    """The shipped bases that the ways which are taken need, bases first."""
    ways = (lines[v.pot][index][at] for v, places in taken.items() for index, at in places.items())
    return tuple(dict.fromkeys(card for way in ways for card in way.cards))


def swaps_taken(
    lines: Lines, taken: Mapping[Version, Mapping[int, int]]
) -> dict[Version, tuple[Swap, ...]]:
    """The swaps of each version, by the ways that are taken in it."""
    return {
        version: tuple(
            way.swap
            for index, at in ways.items()
            if (way := lines[version.pot][index][at]).swap is not None
        )
        for version, ways in taken.items()
    }
