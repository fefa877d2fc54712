"""What a plan is to reach: flags to clear and diets to fit."""

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass
from itertools import combinations, product

from yellow_ladle.core.carrying.suitability import Verdict
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.texts import words
from yellow_ladle.core.vocabulary.diets import diets
from yellow_ladle.core.vocabulary.levels import Level


@dataclass(frozen=True, slots=True)
class Goals:
    """Flags that must fall to free, and diets that must say `suits`."""

    clear: tuple[str, ...] = ()
    fit: tuple[str, ...] = ()

    def met(self, reading: Reading, item: str) -> bool:
        """Whether an item reaches every goal, by its carried result."""
        return len(self.reached(reading, item)) == len(self.clear) + len(self.fit)

    def reached(self, reading: Reading, item: str) -> frozenset[str]:
        """The goals that an item reaches."""
        cleared = {flag for flag in self.clear if reading.level(item, flag) is Level.FREE}
        suited = {diet for diet in self.fit if reading.verdict(item, diet) is Verdict.SUITS}
        return frozenset(cleared | suited)

    def words(self) -> str:
        """The goals as a kitchen says them: `no wheat, vegan`."""
        flags = [f"no {flag}" for flag in words(self.clear)]
        return ", ".join([*flags, *(diets()[diet].name for diet in self.fit)])


def offences(reading: Reading, goals: Goals) -> list[dict[str, int]]:
    """The ways to reach the goals: each names per flag the mask bits that must not remain.

    More than one way exists where a diet forbids two things only together: either may go.
    """
    layout = reading.layout
    fixed: dict[str, int] = {}
    for flag in goals.clear:
        _add(fixed, flag, layout.at_least(1 << layout.bits[flag], Level.MAY_CONTAIN))
    choices: list[list[tuple[tuple[str, ...], Level]]] = []
    for id in goals.fit:
        diet, lowest = diets()[id], reading.diet_checker(id).lowest
        for flag in diet.excludes:
            _add(fixed, flag, layout.at_least(1 << layout.bits[flag], lowest))
        for mark in diet.marks:
            bit = layout.uncertified[mark]
            _add(fixed, mark[0], layout.at_least(1 << bit, lowest))
        # Of two sets that may not meet, either one has to go.
        pairs = combinations(diet.not_together, 2)
        choices += [[(one, lowest), (other, lowest)] for one, other in pairs]
    return [_with(reading, fixed, chosen) for chosen in product(*choices)]


def _with(
    reading: Reading, fixed: dict[str, int], chosen: tuple[tuple[tuple[str, ...], Level], ...]
) -> dict[str, int]:
    bad, layout = dict(fixed), reading.layout
    for flags, lowest in chosen:
        for flag in flags:
            _add(bad, flag, layout.at_least(1 << layout.bits[flag], lowest))
    return bad


def _add(bad: dict[str, int], flag: str, bits: int) -> None:
    bad[flag] = bad.get(flag, 0) | bits


def offending(mask: int, bad: Mapping[str, int]) -> Iterator[str]:
    """The flags that are set in a mask and have to go."""
    return (flag for flag, bits in bad.items() if mask & bits)


def together(parts: Iterable[int]) -> int:
    """The bitwise union of several masks."""
    bits = 0
    for part in parts:
        bits |= part
    return bits
