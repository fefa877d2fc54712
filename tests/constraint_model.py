"""The planner's question as a model for a constraint solver: an answer by quite another way.

Only the offers of each line are shared with the planner. The model knows pots that are reached,
one choice per line, depths that forbid a loop, and flags that come in; it makes a weighted sum as
small as it can be.
"""

from dataclasses import dataclass

from ortools.sat.python import cp_model

from yellow_ladle.core.book.book import owner_of
from yellow_ladle.core.reading.reading import Reading, node_mask
from yellow_ladle.core.swaps.search.candidates import Proposer


@dataclass(frozen=True)
class Least:
    """What the solver found to be the least: flags added and swaps, or pots."""

    adds: int
    swaps: int
    pots: int


class ConstraintModel:
    """One item that is to be rid of some bits of its mask."""

    def __init__(self, reading: Reading, proposer: Proposer, item: str, bits: int) -> None:
        self.reading, self.proposer, self.item, self.bits = reading, proposer, item, bits
        self.model = cp_model.CpModel()
        self.reached: dict[str, cp_model.IntVar] = {}
        self.depth: dict[str, cp_model.IntVar] = {}
        self.swaps: list[cp_model.IntVar] = []
        flags = reading.layout.bits
        self.comes_in = [self.model.new_bool_var(flag) for flag in flags]
        self.model.add_bool_and([self._pot(item)])

    def least(self, first: str) -> Least | None:
        """The least of `adds` and then swaps, or of `pots`; None where nothing clears the item."""
        adds, swaps, pots = sum(self.comes_in), sum(self.swaps), sum(self.reached.values())
        aim = 1000 * adds + swaps if first == "adds" else pots
        self.model.minimize(aim)
        solver = cp_model.CpSolver()
        solver.parameters.num_workers = 1
        if solver.solve(self.model) != cp_model.OPTIMAL:
            return None
        return Least(solver.value(adds), solver.value(swaps), solver.value(pots))

    def _pot(self, pot: str) -> cp_model.IntVar:
        """Whether an offending pot has to be cleared, with everything that follows from it."""
        if pot in self.reached:
            return self.reached[pot]
        here = self.reached[pot] = self.model.new_bool_var(pot)
        self.depth[pot] = self.model.new_int_var(0, len(self.reading.book.preparations), pot)
        made = self.reading.book.preparations[pot]
        own = node_mask(self.reading, pot)
        if own & self.bits:
            self.model.add(here == 0)
        self._brings(own, here)
        leaving: list[cp_model.IntVar] = []
        offending = 0
        for index in made.counted():
            line = made.lines[index]
            mask = self.reading.masks[line.item]
            if not mask & self.bits:
                self._brings(mask, here)
                continue
            offending += 1
            choices = [self._taken(pot, line.item, swap=False)]
            for offer in self.proposer.offers(pot, index, milk_goes=False).swaps:
                if offer.swap.to is None:
                    choices.append(self.model.new_bool_var("left out"))
                    leaving.append(choices[-1])
                else:
                    choices.append(self._taken(pot, offer.swap.to, swap=True))
                self.swaps.append(choices[-1])
            self.model.add(sum(choices) == 1).only_enforce_if(here)
            self.model.add(sum(choices) == 0).only_enforce_if(here.negated())
        if leaving and offending == len(made.lines):
            self.model.add(sum(leaving) < offending)
        return here

    def _taken(self, pot: str, item: str, *, swap: bool) -> cp_model.IntVar:
        """Whether a line of a pot holds an item."""
        taken = self.model.new_bool_var(f"{pot} {item} {swap}")
        mask, owner = self.reading.masks[item], owner_of(item)
        if not mask & self.bits:
            self._brings(mask, taken)
        elif owner in self.reading.book.preparations:
            below = self._pot(owner)
            self.model.add_implication(taken, below)
            self.model.add(self.depth[pot] > self.depth[owner]).only_enforce_if(taken)
        else:
            self.model.add(taken == 0)
        return taken

    def _brings(self, mask: int, literal: cp_model.IntVar) -> None:
        before, layout = self.reading.masks[self.item], self.reading.layout
        for flag, bit in layout.bits.items():
            if layout.level(mask, bit) > layout.level(before, bit):
                self.model.add_implication(literal, self.comes_in[list(layout.bits).index(flag)])
