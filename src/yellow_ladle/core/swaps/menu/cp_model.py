"""The menu as a model for CP-SAT: versions of pots, who eats of them, and what they are made of.

A version of a pot is named after the first of the groups that eat of it. For every offending line
of a version one option is chosen; an option that offends a group may not be in a version of which
that group eats, and what only others need done may cost a group's plate little. The number of
versions is made as small as it can be, then that of the swaps.
"""

from collections.abc import Sequence

from ortools.sat.python import cp_model

from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.book.by_products import ends
from yellow_ladle.core.swaps.library.bases import BaseLibrary
from yellow_ladle.core.swaps.menu.first_answer import started
from yellow_ladle.core.swaps.menu.menu_answer import (
    MenuOption,
    Needed,
    Solved,
    Version,
    cards_taken,
    swaps_taken,
)
from yellow_ladle.core.swaps.menu.menu_lines import MenuLines
from yellow_ladle.core.swaps.plans.goals import together
from yellow_ladle.core.swaps.search.candidates import LITTLE, Proposer

WORKERS = 2
_WHOLE = 10_000
"""Flavour, texture and colour of a plate in whole numbers, as the solver takes no others."""


class MenuModel:
    """The model of one menu. `ways`: per group the sets of bits of which one must be gone.

    Every plate of `wanted` is served, or with `needed` so many of some of them.
    """

    def __init__(
        self,
        proposer: Proposer,
        ways: Sequence[Sequence[int]],
        wanted: Sequence[tuple[str, int]],
        needed: Sequence[Needed] | None = None,
        library: BaseLibrary | None = None,
    ) -> None:
        self._needed = needed
        self._reading = proposer.reading
        self._ways = ways
        self._wanted = wanted
        self._minds = [together(choices) for choices in ways]
        self._model = cp_model.CpModel()
        self._way = [
            [self._model.new_bool_var(f"way {g} {k}") for k in range(len(choices))]
            for g, choices in enumerate(ways)
        ]
        for literals in self._way:
            self._model.add_exactly_one(literals)
        self._eats: dict[tuple[Version, int], cp_model.IntVar] = {}
        self._chosen: dict[tuple[Version, int, int], cp_model.IntVar] = {}
        self._pointed: dict[tuple[Version, int, int, int | None], cp_model.IntVar] = {}
        self._depth: dict[Version, cp_model.IntVar] = {}
        self._cards: dict[str, cp_model.IntVar] = {}
        self.lines = MenuLines(proposer, self._minds, [plate for plate, _ in wanted], library)
        self._lines = self.lines.of
        self._pots = list(self._lines)
        self._versions = [Version(pot, g) for pot in self._pots for g in range(len(ways))]
        for version in self._versions:
            self._begin(version)
        for version in self._versions:
            self._make(version)
        self._keep_by_products()
        self._serve()

    def solve(self, seconds: float) -> Solved | None:
        """The answer with the fewest pots that is found in the time; None where there was none."""
        return self._solve(seconds, self.first())

    def solve_for_most(self, seconds: float, most: int, weights: Sequence[int]) -> Solved | None:
        """The answer that serves most with at most so many pots; None where none was found.

        `weights`: how many guests each group is.
        """
        self._model.add(sum(self._made) <= most)
        served = [
            (weights[group], literal)
            for (_, group), literals in self._served.items()
            for literal in literals
        ]
        return self._solve(seconds, None, served)

    @property
    def _made(self) -> list[cp_model.IntVar]:
        """What has to be made beside the usual pots, each for one."""
        return [*(self._eats[v, v.group] for v in self._versions), *self._cards.values()]

    def _solve(
        self,
        seconds: float,
        start: Solved | None,
        first: Sequence[tuple[int, cp_model.IntVar]] = (),
    ) -> Solved | None:
        pots = self._made
        work = [
            (_minutes(self._reading.book.preparations[pot]), literal)
            for pot, literal in zip(
                (*(version.pot for version in self._versions), *self._cards), pots, strict=True
            )
        ]
        swaps = [
            (way.price, literal)
            for (version, index, at), literal in self._chosen.items()
            if (way := self._lines[version.pot][index][at]).swap is not None
        ]
        # A pot counts for more than all swaps and all the work together.
        dear = sum(price for price, _ in (*swaps, *work)) + 1
        dearest = dear * (len(pots) + 1)
        terms = [(dear, literal) for literal in pots] + swaps + work
        terms += [(-dearest * weight, literal) for weight, literal in first]
        prices, literals = [price for price, _ in terms], [literal for _, literal in terms]
        self._model.minimize(cp_model.LinearExpr.weighted_sum(literals, prices))
        solver = cp_model.CpSolver()
        solver.parameters.max_time_in_seconds = seconds
        solver.parameters.num_workers = WORKERS
        solver.parameters.random_seed = 1
        # A long look before the start is worth more to a solver that has no answer yet.
        solver.parameters.max_presolve_iterations = 1
        solver.parameters.cp_model_probing_level = 0
        if start is not None:
            self._hint(start)
        status = solver.solve(self._model)
        if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
            return start
        bound = 0 if first else int(solver.best_objective_bound + 0.5) // dear
        return self._solved(solver, max(bound, start.bound if start else 0))

    def first(self) -> Solved | None:
        """An answer without a search, where every group has one way to its goals only."""
        if any(len(choices) > 1 for choices in self._ways):
            return None
        bits = [choices[0] for choices in self._ways]
        fixed = {pot: self.lines.fixed(pot) for pot in self._lines}
        served = self._served_at_first(bits)
        start = started(
            lines=self._lines,
            fixed=fixed,
            bits=bits,
            wanted=served,
            masks=self._reading.masks,
            least=self._least(bits),
        )
        return start if start is not None and self._yields(start) else None

    def _least(self, bits: Sequence[int]) -> int:
        """So many plates at least have to be made otherwise: of each course what one group lacks.

        Of several courses or groups no plate does for two.
        """
        if self._needed is None:
            masks = self._reading.masks
            return len({plate for plate, group in self._wanted if masks[plate] & bits[group]})
        lacking: dict[str | None, int] = {}
        for needed in self._needed:
            course = self._reading.book.preparations[needed.plates[0]].course
            lacking[course] = max(lacking.get(course, 0), needed.count)
        return sum(lacking.values())

    def _served_at_first(self, bits: Sequence[int]) -> list[tuple[str, int]]:
        """The plates that the first answer serves: those that suit, then those of least to do."""
        if self._needed is None:
            return list(self._wanted)
        found: list[tuple[str, int]] = []
        for needed in self._needed:
            by_work = sorted(
                needed.plates,
                key=lambda plate: (
                    bool(self._reading.masks[plate] & bits[needed.group]),
                    len(self._lines.get(plate, ())),
                ),
            )
            found += [(plate, needed.group) for plate in by_work[: needed.count]]
        return list(dict.fromkeys(found))

    def _yields(self, solved: Solved) -> bool:
        """Whether no version of an answer is made with a by-product that another one ends."""
        book = self._reading.book
        for version, taken in solved.taken.items():
            below = {made.pot: made for made in solved.made_of[version]}
            for index, at in taken.items():
                way = self._lines[version.pot][index][at]
                line = book.preparations[version.pot].lines[index]
                item = line.item if way.swap is None else str(way.swap.to)
                if "/" not in item or way.pot not in below:
                    continue
                swaps = solved.swaps[below[way.pot]]
                if any(item in ends(book, *swap.place, swap.to) for swap in swaps):
                    return False
        return True

    def _hint(self, start: Solved) -> None:
        """Tells the solver of an answer, in every variable."""
        hint = self._model.add_hint
        for (version, group), eaten in self._eats.items():
            hint(eaten, group in start.eaten_by.get(version, ()))
        for (version, index, at), literal in self._chosen.items():
            hint(literal, start.taken.get(version, {}).get(index) == at)
        for (version, index, at, into), pointer in self._pointed.items():
            way = self._lines[version.pot][index][at]
            inside = {made.pot: made.group for made in start.made_of.get(version, ())}
            taken = start.taken.get(version, {}).get(index) == at
            hint(pointer, taken and inside.get(str(way.pot)) == into)
        for version, depth in self._depth.items():
            hint(depth, _depth(start, version) if version in start.taken else 0)
        for card, literal in self._cards.items():
            hint(literal, card in start.cards)
        for key, usual in self._usual.items():
            hint(usual, key in start.serves and start.serves[key] is None)

    def _begin(self, version: Version) -> None:
        model, groups = self._model, len(self._ways)
        for group in range(version.group, groups):
            self._eats[version, group] = model.new_bool_var(f"{version} eaten by {group}")
        exists = self._eats[version, version.group]
        for group in range(version.group + 1, groups):
            model.add_implication(self._eats[version, group], exists)
        self._depth[version] = model.new_int_var(0, len(self._pots), f"{version} depth")

    def _make(self, version: Version) -> None:
        """One option for each line of a version that exists, and nothing in it that offends."""
        model = self._model
        exists = self._eats[version, version.group]
        preparation = self._reading.book.preparations[version.pot]
        self._not_for(version, self.lines.fixed(version.pot), exists)
        leaving: list[cp_model.IntVar] = []
        for index, options in self._lines[version.pot].items():
            literals: list[cp_model.IntVar] = []
            for at, way in enumerate(options):
                literal = model.new_bool_var(f"{version} {index} {at}")
                self._chosen[version, index, at] = literal
                literals.append(literal)
                if way.pot is not None and way.pot in self._lines:
                    self._point(version=version, index=index, at=at, way=way, literal=literal)
                else:
                    self._not_for(version, way.mask, literal)
                for card in way.cards:
                    if card not in self._cards:
                        self._cards[card] = model.new_bool_var(f"card {card}")
                    model.add_implication(literal, self._cards[card])
                if way.leaves:
                    leaving.append(literal)
            model.add(sum(literals) == 1).only_enforce_if(exists)
            model.add(sum(literals) == 0).only_enforce_if(exists.negated())
        # A pot is never left with nothing in it.
        if len(self._lines[version.pot]) == len(preparation.lines) and leaving:
            model.add(sum(leaving) < len(preparation.lines))
        self._keep_needs_apart(version)

    def _keep_needs_apart(self, version: Version) -> None:
        """Nobody eats of a version that costs a plate more than a little for others only."""
        for group in range(version.group, len(self._ways)):
            lost = [
                round(_WHOLE * way.lost) * self._chosen[version, index, at]
                for index, options in self._lines[version.pot].items()
                if not options[0].mask & self._minds[group]
                for at, way in enumerate(options)
                if way.lost
            ]
            if lost:
                eaten = self._eats[version, group]
                self._model.add(sum(lost) <= round(_WHOLE * LITTLE)).only_enforce_if(eaten)

    def _point(
        self, version: Version, index: int, at: int, way: MenuOption, literal: cp_model.IntVar
    ) -> None:
        """Which version of another pot goes in, the usual one among them."""
        model, groups = self._model, len(self._ways)
        assert way.pot is not None
        usual = model.new_bool_var(f"{version} {index} {at} usual")
        self._not_for(version, way.mask, usual)
        self._pointed[version, index, at, None] = usual
        pointers = [usual]
        for group in range(groups):
            other = Version(way.pot, group)
            pointer = model.new_bool_var(f"{version} {index} {at} to {other}")
            self._pointed[version, index, at, group] = pointer
            pointers.append(pointer)
            model.add_implication(pointer, self._eats[other, group])
            model.add(self._depth[version] > self._depth[other]).only_enforce_if(pointer)
            for eater in range(version.group, groups):
                eaten = self._eats[version, eater]
                if eater < group:
                    model.add_bool_or(pointer.negated(), eaten.negated())
                else:
                    model.add_bool_or(pointer.negated(), eaten.negated(), self._eats[other, eater])
        model.add(sum(pointers) == 1).only_enforce_if(literal)
        model.add(sum(pointers) == 0).only_enforce_if(literal.negated())

    def _keep_by_products(self) -> None:
        """A version whose swaps end a by-product yields none that another could be made with."""
        book = self._reading.book
        for (version, index, at, into), pointer in self._pointed.items():
            way = self._lines[version.pot][index][at]
            line = book.preparations[version.pot].lines[index]
            item = line.item if way.swap is None else str(way.swap.to)
            if into is None or "/" not in item or way.pot is None:
                continue
            below = Version(way.pot, into)
            for place, options in self._lines[way.pot].items():
                for other, taken in enumerate(options):
                    swap = taken.swap
                    if swap is not None and item in ends(book, way.pot, place, swap.to):
                        self._model.add_bool_or(
                            pointer.negated(), self._chosen[below, place, other].negated()
                        )

    def _not_for(self, version: Version, mask: int, literal: cp_model.IntVar) -> None:
        """Keeps what offends a group out of every version that the group eats of."""
        for group in range(version.group, len(self._ways)):
            for bits, way in zip(self._ways[group], self._way[group], strict=True):
                if mask & bits:
                    self._model.add_bool_or(
                        literal.negated(), self._eats[version, group].negated(), way.negated()
                    )

    def _serve(self) -> None:
        model = self._model
        self._usual: dict[tuple[str, int], cp_model.IntVar] = {}
        self._served: dict[tuple[str, int], list[cp_model.IntVar]] = {}
        for plate, group in self._wanted:
            usual = model.new_bool_var(f"{plate} as usual for {group}")
            self._usual[plate, group] = usual
            for bits, way in zip(self._ways[group], self._way[group], strict=True):
                if self._reading.masks[plate] & bits:
                    model.add_bool_or(usual.negated(), way.negated())
            served = [usual]
            if plate in self._lines:
                served += [self._eats[Version(plate, v), group] for v in range(group + 1)]
            if self._needed is None:
                model.add(sum(served) == 1)
            else:
                model.add(sum(served) <= 1)
            self._served[plate, group] = served
        for needed in self._needed or ():
            plates = [self._served[plate, needed.group] for plate in needed.plates]
            model.add(sum(literal for served in plates for literal in served) >= needed.count)
        # A group eats of no more than one version of a pot.
        for pot in self._pots:
            for group in range(len(self._ways)):
                model.add(sum(self._eats[Version(pot, v), group] for v in range(group + 1)) <= 1)

    def _solved(self, solver: cp_model.CpSolver, bound: int) -> Solved:
        def holds(literal: cp_model.IntVar) -> bool:
            return bool(solver.value(literal))

        versions = tuple(v for v in self._versions if holds(self._eats[v, v.group]))
        taken: dict[Version, dict[int, int]] = {}
        made_of: dict[Version, tuple[Version, ...]] = {}
        for version in versions:
            taken[version] = {
                index: at
                for index, options in self._lines[version.pot].items()
                for at in range(len(options))
                if holds(self._chosen[version, index, at])
            }
            made_of[version] = tuple(
                Version(str(self._lines[version.pot][index][at].pot), group)
                for (one, index, at, group), pointer in self._pointed.items()
                if one == version and group is not None and holds(pointer)
            )
        serves: dict[tuple[str, int], Version | None] = {}
        for plate, group in self._wanted:
            if not any(holds(literal) for literal in self._served[plate, group]):
                continue
            serves[plate, group] = None
            for first in range(group + 1) if plate in self._lines else ():
                if holds(self._eats[Version(plate, first), group]):
                    serves[plate, group] = Version(plate, first)
        eaten_by = {
            version: tuple(
                group
                for group in range(version.group, len(self._ways))
                if holds(self._eats[version, group])
            )
            for version in versions
        }
        swaps = swaps_taken(self._lines, taken)
        cards = cards_taken(self._lines, taken)
        return Solved(
            serves=serves,
            swaps=swaps,
            taken=taken,
            made_of=made_of,
            eaten_by=eaten_by,
            cards=cards,
            bound=bound,
        )


def _depth(solved: Solved, version: Version) -> int:
    """The longest way down from a version to one that is made of no other."""
    return max((_depth(solved, below) + 1 for below in solved.made_of[version]), default=0)


def _minutes(preparation: Preparation) -> int:
    """The minutes for which somebody stands by while a preparation is made."""
    return round(sum(step.minutes or 0 for step in preparation.method if not step.passive))
