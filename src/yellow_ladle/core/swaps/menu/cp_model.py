"""The menu as a model for CP-SAT: versions of pots, who eats of them, and what they are made of.

A version of a pot is named after the first of the groups that eat of it. For every offending line
of a version one option is chosen; an option that offends a group may not be in a version of which
that group eats. The number of versions is made as small as it can be, then that of the swaps.
"""

from collections.abc import Iterator, Sequence

from ortools.sat.python import cp_model

from yellow_ladle.core.book.book import Preparation, owner_of
from yellow_ladle.core.book.by_products import ends
from yellow_ladle.core.reading.reading import own_mask
from yellow_ladle.core.swaps.goals import together
from yellow_ladle.core.swaps.menu.first_answer import started
from yellow_ladle.core.swaps.menu.menu_answer import (
    MenuOption,
    Needed,
    Solved,
    Version,
    swaps_taken,
)
from yellow_ladle.core.swaps.plan import Swap
from yellow_ladle.core.swaps.search.candidates import Offer, Proposer

WORKERS = 2
A_SWAP = 50
"""What a swap counts for by itself; losing all flavour, texture and colour adds 300."""


class MenuModel:
    """The model of one menu. `ways`: per group the sets of bits of which one must be gone.

    Every plate of `wanted` is served, or with `needed` so many of some of them.
    """

    def __init__(
        self,
        proposer: Proposer,
        ways: Sequence[Sequence[int]],
        wanted: Sequence[tuple[str, int]],
        needed: Sequence[Needed] = (),
    ) -> None:
        self._needed = needed
        self._proposer = proposer
        self._reading = proposer.reading
        self._ways = ways
        self._wanted = wanted
        self._bits = together(bits for choices in ways for bits in choices)
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
        self._lines: dict[str, dict[int, list[MenuOption]]] = {}
        self._pots = self._collect()
        self._versions = [Version(pot, g) for pot in self._pots for g in range(len(ways))]
        for version in self._versions:
            self._begin(version)
        for version in self._versions:
            self._make(version)
        self._keep_by_products()
        self._serve()

    def solve(self, seconds: float) -> Solved | None:
        """The best answer in the time; None where there was none."""
        pots = [self._eats[version, version.group] for version in self._versions]
        work = [
            (_minutes(self._reading.book.preparations[version.pot]), literal)
            for version, literal in zip(self._versions, pots, strict=True)
        ]
        swaps = [
            (way.price, literal)
            for (version, index, at), literal in self._chosen.items()
            if (way := self._lines[version.pot][index][at]).swap is not None
        ]
        # A pot counts for more than all swaps and all the work together.
        dear = sum(price for price, _ in (*swaps, *work)) + 1
        self._model.minimize(
            dear * sum(pots) + sum(price * literal for price, literal in (*swaps, *work))
        )
        solver = cp_model.CpSolver()
        solver.parameters.max_time_in_seconds = seconds
        solver.parameters.num_workers = WORKERS
        solver.parameters.random_seed = 1
        # A long look before the start is worth more to a solver that has no answer yet.
        solver.parameters.max_presolve_iterations = 1
        solver.parameters.cp_model_probing_level = 0
        start = self._start()
        if start is not None:
            self._hint(start)
        status = solver.solve(self._model)
        if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
            return start
        bound = int(solver.best_objective_bound + 0.5) // dear
        return self._solved(solver, max(bound, start.bound if start else 0))

    def _start(self) -> Solved | None:
        """An answer without a search, where every group has one way to its goals only."""
        if any(len(choices) > 1 for choices in self._ways):
            return None
        bits = [choices[0] for choices in self._ways]
        fixed = {pot: self._fixed(pot) for pot in self._lines}
        start = started(self._lines, fixed, bits, self._served_at_first(bits), self._reading.masks)
        return start if start is not None and self._yields(start) else None

    def _served_at_first(self, bits: Sequence[int]) -> list[tuple[str, int]]:
        """The plates that the first answer serves: those that suit, then those of least to do."""
        if not self._needed:
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
        for key, usual in self._usual.items():
            hint(usual, key in start.serves and start.serves[key] is None)

    def _collect(self) -> list[str]:
        """Every pot that may have to be made otherwise, with what can be done about its lines."""
        waiting = [plate for plate, _ in self._wanted if self._reading.masks[plate] & self._bits]
        while waiting:
            pot = waiting.pop()
            if pot in self._lines:
                continue
            made = self._reading.book.preparations[pot]
            self._lines[pot] = {
                index: list(self._options(pot, index))
                for index in made.counted()
                if self._reading.masks[made.lines[index].item] & self._bits
            }
            waiting += [
                way.pot
                for options in self._lines[pot].values()
                for way in options
                if way.pot is not None and way.mask & self._bits
            ]
        return list(self._lines)

    def _options(self, pot: str, index: int) -> Iterator[MenuOption]:
        reading = self._reading
        item = reading.book.preparations[pot].lines[index].item
        yield self._as_option(None, item)
        seen: set[tuple[str, int, tuple[str, ...]]] = set()
        milk = "milk" in reading.layout.bits and bool(
            reading.layout.of_flags(["milk"]) & self._bits
        )
        for offer in self._proposer.offers(pot, index, milk_goes=milk).swaps:
            to = offer.swap.to
            if to is None:
                yield MenuOption(offer.swap, 0, None, _price(offer))
                continue
            way = self._as_option(offer.swap, to, _price(offer))
            gone = ends(reading.book, pot, index, to)
            key = (offer.swap.rule, way.mask & self._bits, gone)
            if way.pot is not None and any(
                reading.masks[line.item] & self._bits for line in offer.swap.adds
            ):
                continue
            # Of goods that one rule brings and that offend and end alike, one is enough.
            if way.pot is not None or key not in seen:
                seen.add(key)
                yield way

    def _as_option(self, swap: Swap | None, item: str, price: int = 0) -> MenuOption:
        owner, masks = owner_of(item), self._reading.masks
        pot = owner if owner in self._reading.book.preparations else None
        added = together(masks[line.item] for line in swap.adds) if swap is not None else 0
        return MenuOption(swap, masks[item] | added, pot, price)

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
        made = self._reading.book.preparations[version.pot]
        self._not_for(version, self._fixed(version.pot), exists)
        leaving: list[cp_model.IntVar] = []
        for index, options in self._lines[version.pot].items():
            literals: list[cp_model.IntVar] = []
            for at, way in enumerate(options):
                literal = model.new_bool_var(f"{version} {index} {at}")
                self._chosen[version, index, at] = literal
                literals.append(literal)
                if way.pot is not None and way.pot in self._lines:
                    self._point(version, index, at, way, literal)
                else:
                    self._not_for(version, way.mask, literal)
                if way.leaves:
                    leaving.append(literal)
            model.add(sum(literals) == 1).only_enforce_if(exists)
            model.add(sum(literals) == 0).only_enforce_if(exists.negated())
        # A pot is never left with nothing in it.
        if len(self._lines[version.pot]) == len(made.lines) and leaving:
            model.add(sum(leaving) < len(made.lines))

    def _fixed(self, pot: str) -> int:
        """What the pot itself and the lines that offend nobody bring into it.

        Not what its tools leave: a version goes through clean ones where somebody has to mind.
        """
        made = self._reading.book.preparations[pot]
        mask = own_mask(self._reading.layout, made)
        for index in made.counted():
            if index not in self._lines[pot]:
                mask |= self._reading.masks[made.lines[index].item]
        return mask

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
            if self._needed:
                model.add(sum(served) <= 1)
            else:
                model.add(sum(served) == 1)
            self._served[plate, group] = served
        for needed in self._needed:
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
        return Solved(serves, swaps, taken, made_of, eaten_by, bound)


def _depth(solved: Solved, version: Version) -> int:
    """The longest way down from a version to one that is made of no other."""
    return max((_depth(solved, below) + 1 for below in solved.made_of[version]), default=0)


def _minutes(made: Preparation) -> int:
    """The minutes for which somebody stands by while a preparation is made."""
    return round(sum(step.minutes or 0 for step in made.method if not step.passive))


def _price(offer: Offer) -> int:
    return A_SWAP + round(100 * sum(offer.lost))
