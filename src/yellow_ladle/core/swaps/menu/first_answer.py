"""A first answer for a menu, without any search: each pot in one version for everybody, if it can.

It is what the solver starts from, and the answer where the solver finds none in the time. A pot is
made for everybody only where nobody's plate loses more than a little by it for others.
"""

from collections.abc import Mapping, Sequence
from functools import partial
from typing import Literal, TypeAlias

from yellow_ladle.core.swaps.menu.menu_answer import (
    Lines,
    MenuOption,
    Solved,
    Version,
    cards_taken,
    swaps_taken,
)
from yellow_ladle.core.swaps.plans.goals import together
from yellow_ladle.core.swaps.search.candidates import LITTLE

Eaters: TypeAlias = int | Literal["all"]
"""One group, or all of them at once."""


def started(
    lines: Lines,
    fixed: Mapping[str, int],
    bits: Sequence[int],
    wanted: Sequence[tuple[str, int]],
    masks: Mapping[str, int],
    least: int,
) -> Solved | None:
    """An answer where every group has its goal in the one way that `bits` says; None if none.

    `fixed`: what the lines that are left alone bring into a pot. `wanted`: plates with the groups
    that eat them; `least`: so many pots are needed in any answer.
    """
    making = _Making(lines, fixed, bits)
    usual = {(plate, group) for plate, group in wanted if not masks[plate] & bits[group]}
    asked = [pair for pair in wanted if pair not in usual]
    if not all(making.serve(plate, group) for plate, group in asked):
        return None
    making.take_back_what_nobody_needs()
    for plate, group in asked:
        making.serve(plate, group)
    return making.answer(wanted, usual, least)


class _Making:
    def __init__(self, lines: Lines, fixed: Mapping[str, int], bits: Sequence[int]) -> None:
        self._lines = lines
        self._fixed = fixed
        self._bits: dict[Eaters, int] = {**dict(enumerate(bits)), "all": together(bits)}
        self._choices: dict[tuple[str, Eaters], dict[int, int] | None] = {}
        self._eaten: dict[tuple[str, Eaters], set[int]] = {}
        self._gets: dict[tuple[str, int], tuple[str, Eaters]] = {}
        self._minded: dict[tuple[str, Eaters], int] = {}

    def serve(self, pot: str, group: int) -> bool:
        """Has a group eat of the version of a pot that is for it, and of all that goes into it."""
        eaters = self._eaters_of(pot, group)
        if eaters is None:
            return False
        self._gets[pot, group] = key = (pot, eaters)
        eaten = self._eaten.setdefault(key, set())
        if group not in eaten:
            eaten.add(group)
            for below in self._within(key):
                self.serve(below, group)
        return True

    def take_back_what_nobody_needs(self) -> None:
        """Leaves the lines as they are that offend none of those who turned out to eat of a pot.

        Then everything has to be served again.
        """
        for key, eaten in self._eaten.items():
            bits = together(self._bits[group] for group in eaten)
            lines = self._lines[key[0]]
            self._minded[key] = bits
            self._choices[key] = {
                index: at if lines[index][0].mask & bits else 0
                for index, at in (self._choices[key] or {}).items()
            }
        self._eaten.clear()
        self._gets.clear()

    def answer(
        self, wanted: Sequence[tuple[str, int]], usual: set[tuple[str, int]], least: int
    ) -> Solved:
        """All that is served, with the versions that it takes."""
        version = {key: Version(key[0], min(eaten)) for key, eaten in self._eaten.items()}
        taken = {version[key]: dict(self._choices[key] or {}) for key in version}
        return Solved(
            serves={
                (plate, group): None
                if (plate, group) in usual
                else version[self._gets[plate, group]]
                for plate, group in wanted
            },
            swaps=swaps_taken(self._lines, taken),
            taken=taken,
            made_of={
                made: tuple(
                    version[self._gets[below, min(self._eaten[key])]] for below in self._within(key)
                )
                for key, made in version.items()
            },
            eaten_by={made: tuple(sorted(self._eaten[key])) for key, made in version.items()},
            cards=cards_taken(self._lines, taken),
            bound=least,
        )

    def _within(self, key: tuple[str, Eaters]) -> list[str]:
        """The pots that go into a version otherwise than usual."""
        pot, eaters = key
        ways = (self._lines[pot][index][at] for index, at in (self._choices[key] or {}).items())
        bad = self._minded.get(key, self._bits[eaters])
        return list(dict.fromkeys(way.pot for way in ways if way.pot and way.mask & bad))

    def _eaters_of(self, pot: str, eaters: Eaters) -> Eaters | None:
        """Whose version of a pot somebody gets: that of all where there can be one."""
        wanted: tuple[Eaters, ...] = ("all", eaters)
        return next((each for each in wanted if self._cleared(pot, each) is not None), None)

    def _cleared(self, pot: str, eaters: Eaters) -> dict[int, int] | None:
        key = (pot, eaters)
        if key not in self._choices:
            # While a pot is being looked at it cannot be a part of itself.
            self._choices[key] = None
            self._choices[key] = self._choose(pot, eaters)
        return self._choices[key]

    def _choose(self, pot: str, eaters: Eaters) -> dict[int, int] | None:
        if pot not in self._lines or self._fixed[pot] & self._bits[eaters]:
            return None
        taken: dict[int, int] = {}
        for index, ways in self._lines[pot].items():
            fitting = [at for at, way in enumerate(ways) if self._fits(way, eaters)]
            if not fitting:
                return None
            # What needs no other small pot comes first, then what costs the plate least.
            taken[index] = min(fitting, key=partial(_cost, ways, self._bits[eaters]))
        leaves = [self._lines[pot][index][at].leaves for index, at in taken.items()]
        # A pot is never left with nothing in it.
        if leaves and all(leaves):
            return None
        return taken if eaters != "all" or self._all_lose_little(pot, taken) else None

    def _all_lose_little(self, pot: str, taken: Mapping[int, int]) -> bool:
        groups = (bits for eaters, bits in self._bits.items() if eaters != "all")
        return all(
            sum(
                ways[taken[index]].lost
                for index, ways in self._lines[pot].items()
                if not ways[0].mask & bits
            )
            <= LITTLE
            for bits in groups
        )

    def _fits(self, way: MenuOption, eaters: Eaters) -> bool:
        if not way.mask & self._bits[eaters]:
            return True
        return way.pot is not None and self._eaters_of(way.pot, eaters) is not None


def _cost(ways: Sequence[MenuOption], bad: int, at: int) -> tuple[int, int]:
    return bool(ways[at].mask & bad) + len(ways[at].cards), ways[at].price
