"""An answer for a menu as servings: every plate carried through, with the pots that it takes."""

from collections.abc import Sequence, Set
from dataclasses import replace
from functools import cached_property

from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.library.bases import BaseLibrary
from yellow_ladle.core.swaps.menu.menu_answer import Solved, Version
from yellow_ladle.core.swaps.menu.menu_plan import Guest, MenuPlan, Serving, Sharing, SmallPot
from yellow_ladle.core.swaps.plans.goals import Goals, together
from yellow_ladle.core.swaps.plans.plan import carried
from yellow_ladle.core.swaps.plans.swap import CleanTool, Swap
from yellow_ladle.core.swaps.search.candidates import Proposer
from yellow_ladle.core.vocabulary.levels import Level


class MenuServings:
    """Servings of one solved menu. `ways`: per group the sets of bits of which one must be gone."""

    def __init__(
        self,
        proposer: Proposer,
        ways: Sequence[Sequence[int]],
        groups: Sequence[Goals],
        guests: Sequence[Guest],
        solved: Solved,
        library: BaseLibrary | None,
    ) -> None:
        self._proposer = proposer
        self._reading = proposer.reading
        self._ways = ways
        self._groups = groups
        self._names = [
            tuple(guest.name for guest in guests if guest.goals == goals) for goals in groups
        ]
        self._solved = solved
        self._library = library

    def plan(self, plates: Sequence[str], possible: Set[tuple[str, int]]) -> MenuPlan:
        """The whole answer; of `possible` plates for groups those not served are spare."""
        servings = tuple(
            self._serving(plate, place, possible=(plate, place) in possible)
            for plate in plates
            for place in range(len(self._groups))
        )
        tiers = self._reading.graph.tiers
        pots = sorted(self._small, key=lambda version: (tiers[version.pot], version))
        made = tuple(self._small[version] for version in pots)
        return MenuPlan(servings, made, self._solved.bound, self._solved.cards)

    @cached_property
    def _small(self) -> dict[Version, SmallPot]:
        return {version: self._small_pot(version) for version in self._solved.swaps}

    def _serving(self, plate: str, place: int, *, possible: bool) -> Serving:
        goals, guests = self._groups[place], self._names[place]
        if (plate, place) not in self._solved.serves:
            as_it_is = carried(self._before(()), plate, goals, ())
            if as_it_is is not None and as_it_is.meets:
                return Serving(plate, guests, goals, as_it_is)
            return Serving(plate, guests, goals, None, spare=possible)
        versions = self._beneath(self._solved.serves[plate, place])
        swaps = self._swaps(versions)
        pots = tuple(self._small[version] for version in versions)
        cleaned = [move for pot in pots for move in pot.cleaned]
        plan = carried(
            before=self._before(swaps), item=plate, goals=goals, swaps=swaps, cleaned=cleaned
        )
        if plan is not None and self._library is not None:
            plan = replace(plan, cards=self._library.cards_of(swap.to for swap in swaps))
        shared = (self._sharing(version, place) for version in versions)
        return Serving(
            plate=plate,
            guests=guests,
            goals=goals,
            plan=plan,
            pots=pots,
            shared=tuple(s for s in shared if s),
        )

    def _before(self, swaps: Sequence[Swap]) -> Reading:
        """The kitchen's book with the bases that some swaps take and no others."""
        if self._library is None:
            return self._reading
        return self._library.only(self._library.cards_of(swap.to for swap in swaps))

    def _sharing(self, version: Version, place: int) -> Sharing | None:
        """What a group loses of a pot only because others eat of it too."""
        masks = self._reading.masks
        swaps = tuple(
            swap
            for swap in self._solved.swaps[version]
            if not masks[swap.from_] & together(self._ways[place])
        )
        if not swaps:
            return None
        needing = [
            group
            for group in self._solved.eaten_by[version]
            if any(masks[swap.from_] & together(self._ways[group]) for swap in swaps)
        ]
        if not needing:
            return None
        needed_by = tuple(name for group in needing for name in self._names[group])
        return Sharing(version.pot, swaps, needed_by)

    def _small_pot(self, version: Version) -> SmallPot:
        """A version as a small pot. Its tools are clean where a guest of it must have no traces.

        Of all small pots that share a tool any may come first, so that it does not matter what the
        usual ones leave in it.
        """
        eaters = self._solved.eaten_by[version]
        within = self._swaps(self._beneath(version))
        guests = tuple(name for group in eaters for name in self._names[group])
        shared = self._proposer.tool_traces.of(version.pot)
        minds = any(self._minds_traces(group) for group in eaters)
        cleaned = tuple(CleanTool(version.pot, tool) for tool in shared) if minds else ()
        return SmallPot(
            pot=version.pot,
            swaps=self._solved.swaps[version],
            within=within,
            guests=guests,
            cleaned=cleaned,
        )

    def _minds_traces(self, group: int) -> bool:
        """Whether traces count for a group in every way to a goal, or in one of them."""
        layout = self._reading.layout
        every = (1 << layout.width) - 1
        traces = layout.at_least(every, Level.MAY_CONTAIN)
        return any(bits & traces for bits in self._ways[group])

    def _beneath(self, top: Version | None) -> tuple[Version, ...]:
        """A version and those that it is made of, itself first."""
        waiting = [top]
        seen: dict[Version, None] = {}
        while waiting:
            version = waiting.pop()
            if version is not None and version not in seen:
                seen[version] = None
                waiting += self._solved.made_of[version]
        return tuple(seen)

    def _swaps(self, versions: Sequence[Version]) -> tuple[Swap, ...]:
        solved = self._solved.swaps
        return tuple(dict.fromkeys(swap for version in versions for swap in solved[version]))
