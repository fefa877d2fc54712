"""The whole menu: the fewest small pots with which every guest eats, plate by plate."""

from collections.abc import Iterator, Sequence
from functools import cached_property
from time import perf_counter
from typing import NamedTuple

from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.library.bases import BaseLibrary
from yellow_ladle.core.swaps.menu.courses import as_themselves, lacking
from yellow_ladle.core.swaps.menu.cp_model import MenuModel
from yellow_ladle.core.swaps.menu.menu_answer import Needed, Solved
from yellow_ladle.core.swaps.menu.menu_lines import MenuLines
from yellow_ladle.core.swaps.menu.menu_plan import Guest, MenuPlan
from yellow_ladle.core.swaps.menu.menu_servings import MenuServings
from yellow_ladle.core.swaps.menu.plate_by_plate import plate_by_plate
from yellow_ladle.core.swaps.plans.goals import Goals, offences, together
from yellow_ladle.core.swaps.plans.identity import Identity
from yellow_ladle.core.swaps.rules.swap_rules import SwapRule
from yellow_ladle.core.swaps.search.candidates import Proposer
from yellow_ladle.core.swaps.search.limits import NO_LIMITS, Limits
from yellow_ladle.core.swaps.search.proposal import can_meet
from yellow_ladle.core.swaps.search.search_space import Region

LEAST_SECONDS = 0.1
"""The solver looks so long at least, however long the model took to be made."""
SECONDS = 10.0
"""How long is looked for a better answer, until somebody says otherwise."""


def plan_menu(
    reading: Reading,
    plates: Sequence[str],
    guests: Sequence[Guest],
    *,
    seconds: float = SECONDS,
    limits: Limits = NO_LIMITS,
    rules: Sequence[SwapRule] | None = None,
    each: int | None = None,
    library: BaseLibrary | None = None,
) -> MenuPlan:
    """The fewest pots that let every guest eat.

    Every plate that can be cleared for them, or with `each` at least so many of each course: those
    that suit as they are count, and a plate without a course is of one that all such share.
    Then a plate becomes another dish only where a course could not be served otherwise. With the
    `library` of the same reading its bases are taken where the kitchen's own pots leave somebody
    without a plate. With no `seconds` it is the first answer, which is made without a search.

    The solver starts from that answer (first_answer.py). Where there is none, and the solver finds
    nothing in the time, every plate is planned by itself for every group, with the fewest pots
    each: an answer, but hardly the best.
    """
    begun = perf_counter()
    asked = question(
        reading, plates, guests, limits=limits, rules=rules, each=each, library=library
    )
    return asked.fewest_pots(seconds and max(seconds - (perf_counter() - begun), LEAST_SECONDS))


def question(
    reading: Reading,
    plates: Sequence[str],
    guests: Sequence[Guest],
    *,
    limits: Limits = NO_LIMITS,
    rules: Sequence[SwapRule] | None = None,
    each: int | None = None,
    library: BaseLibrary | None = None,
) -> "MenuQuestion":
    """What `plan_menu` asks, with the library only where somebody lacks a plate without it."""
    own = MenuQuestion(
        proposer=Proposer(reading, limits, rules),
        plates=plates,
        guests=guests,
        each=each,
        library=None,
    )
    if library is None or not own.somebody_lacks:
        return own
    whole = Proposer(library.whole, limits, rules, library.ids)
    return MenuQuestion(proposer=whole, plates=plates, guests=guests, each=each, library=library)


class Pair(NamedTuple):
    """A plate for a group of guests."""

    plate: str
    group: int


class MenuQuestion:
    """Plates and guests, with what can be cleared for whom.

    `proposer` goes by the `library` where there is one. Guests with the same goals are one group.
    """

    def __init__(
        self,
        proposer: Proposer,
        plates: Sequence[str],
        guests: Sequence[Guest],
        each: int | None,
        library: BaseLibrary | None,
    ) -> None:
        self.plates = list(dict.fromkeys(plates))
        self.guests = guests
        self.groups = list(dict.fromkeys(guest.goals for guest in guests))
        self._proposer = proposer
        self._reading = proposer.reading
        self._each = each
        self._library = library
        self._bads = [offences(self._reading, goals) for goals in self.groups]
        self._ways = [[together(bad.values()) for bad in bads] for bads in self._bads]
        self._told = {plate: Identity(self._reading, plate).main for plate in self.plates}
        lines = frozenset[tuple[str, int]]().union(*self._told.values())
        self._strict = proposer if each is None else proposer.leaving(lines)
        self._themselves = self._cleared(self._strict)
        # Who finds a way without touching what a plate is told by finds one with that freedom too.
        more = set[Pair]() if each is None else self._cleared(proposer, self._themselves)
        self._possible = self._themselves | more

    @property
    def somebody_lacks(self) -> bool:
        """Whether a guest has too few plates of a course, whatever is swapped."""
        if self._each is None:
            return len(self._possible) < len(self.plates) * len(self.groups)
        return any(
            len(plates & {plate for plate, group in self._possible if group == place})
            < min(self._each, len(plates))
            for plates in self._courses.values()
            for place in range(len(self.groups))
        )

    def fewest_pots(self, seconds: float) -> MenuPlan:
        """The fewest pots with which every guest eats what can be had; 0 s: the first answer."""
        model = self._model(self._wanted)
        solved = None if seconds else model.first()
        if solved is None:
            solved = model.solve(max(seconds, LEAST_SECONDS))
        if solved is None:
            return plate_by_plate(
                proposer=self._proposer,
                plates=self.plates,
                groups=self.groups,
                guests=self.guests,
                library=self._library,
            )
        return self._answer(solved)

    def most_plates(self, seconds: float, most: int) -> MenuPlan | None:
        """What serves most plates to most guests with at most so many pots.

        Every guest has what `fewest_pots` gives them at the least. None: none found in the time.
        """
        masks = self._reading.masks
        more = [
            pair
            for pair in sorted(self._themselves)
            if masks[pair.plate] & together(self._ways[pair.group])
        ]
        model = self._model(list(dict.fromkeys((*self._wanted, *more))))
        sizes = [sum(guest.goals == goals for guest in self.guests) for goals in self.groups]
        solved = model.solve_for_most(seconds, most, sizes)
        return None if solved is None else self._answer(solved)

    def missing(self) -> list[str]:
        """Classes of goods that a rule would take and nobody holds, the most asked for first."""
        minds = [together(ways) for ways in self._ways]
        found = MenuLines(self._proposer, minds, self.plates, self._library).missing
        return sorted(found, key=lambda class_: (-found[class_], class_))

    @cached_property
    def _courses(self) -> dict[str, set[str]]:
        found: dict[str, set[str]] = {}
        for plate in self.plates:
            course = self._reading.book.preparations[plate].course or ""
            found.setdefault(course, set()).add(plate)
        return found

    @cached_property
    def _lacking(self) -> tuple[list[Needed], Proposer]:
        """What is lacking of each course, and a proposer that leaves plates what they are."""
        if self._each is None:
            return [], self._proposer
        missing = lacking(self._reading, sorted(self._possible), self.groups, self._each)
        needed, short = as_themselves(missing, self._themselves)
        lost = frozenset[tuple[str, int]]().union(*(self._told[plate] for plate in short))
        return needed, self._strict.leaving(self._strict.limits.same_class - lost)

    @property
    def _wanted(self) -> list[Pair]:
        if self._each is None:
            return sorted(self._possible)
        # What suits as it is costs nothing: the model is asked only for what is still lacking.
        needed, _ = self._lacking
        return [Pair(plate, need.group) for need in needed for plate in need.plates]

    def _model(self, wanted: Sequence[Pair]) -> MenuModel:
        needed, asked = self._lacking
        return MenuModel(
            proposer=asked,
            ways=self._ways,
            wanted=wanted,
            needed=None if self._each is None else needed,
            library=self._library,
        )

    def _answer(self, solved: Solved) -> MenuPlan:
        servings = MenuServings(
            proposer=self._proposer,
            ways=self._ways,
            groups=self.groups,
            guests=self.guests,
            solved=solved,
            library=self._library,
        )
        return servings.plan(self.plates, self._possible)

    def _cleared(self, proposer: Proposer, known: set[Pair] | None = None) -> set[Pair]:
        """The plates that some swaps clear, for each group, besides those that are `known`.

        The region takes it that a by-product is still there when its pot is cleared. Where a plate
        is made with one, only a whole plan is a proof.
        """
        found: set[Pair] = set()
        for place, (goals, bads) in enumerate(zip(self.groups, self._bads, strict=True)):
            asked = [plate for plate in self.plates if Pair(plate, place) not in (known or ())]
            if not asked:
                continue
            regions = [Region(proposer, asked[0], bad, also=asked) for bad in bads]
            found |= {
                Pair(plate, place)
                for plate in asked
                if goals.met(self._reading, plate)
                or (
                    any(region.clears(plate) for region in regions)
                    and self._is_proved(proposer, plate, goals)
                )
            }
        return found

    def _is_proved(self, proposer: Proposer, plate: str, goals: Goals) -> bool:
        made = self._reading.book.preparations
        below: Iterator[str] = (
            line.item
            for id in (plate, *self._reading.graph.upstream(plate))
            if id in made
            for line in made[id].lines
        )
        if not any("/" in item for item in below):
            return True
        return can_meet(proposer, plate, goals, self._library)
