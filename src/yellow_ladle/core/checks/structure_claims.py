"""Where a rule claims more than holds: what it proposes in the pots of a book as they are made.

Each rule says in which structures it holds. That is tried against a table of what never holds in
which (data/structure_limits.toml), which was written apart from the rules.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import cache

from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.book.proposed_class import class_of
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.plans.swap import Swap
from yellow_ladle.core.swaps.rules.swap_rules import SwapRule
from yellow_ladle.core.swaps.search.candidates import Proposer
from yellow_ladle.core.vocabulary.structured import ClassSet, structured_rows
from yellow_ladle.core.vocabulary.toml import table


@dataclass(frozen=True, slots=True)
class StructureClaim:
    """A swap that a rule proposes in a pot, and why it does not hold there."""

    swap: Swap
    why: str


@dataclass(frozen=True, slots=True)
class StructureLimit:
    """What never holds in pots of one structure or kind; None and empty sets stand for any."""

    why: str
    structure: str | None = None
    kind: str | None = None
    roles: frozenset[str] = frozenset()
    not_roles: frozenset[str] = frozenset()
    from_: ClassSet = frozenset()
    not_from: ClassSet = frozenset()
    never: ClassSet = frozenset()
    only: ClassSet = frozenset()

    def forbids(
        self,
        preparation: Preparation,
        holding: frozenset[str],
        role: str,
        from_: str | None,
        to: str,
    ) -> bool:
        """Whether goods of a class may not come in the place of others in such a pot."""
        return (
            (self.structure is None or self.structure in holding)
            and (self.kind is None or self.kind == preparation.kind)
            and (not self.roles or role in self.roles)
            and role not in self.not_roles
            and (not self.from_ or from_ in self.from_)
            and from_ not in self.not_from
            and (to in self.never or (bool(self.only) and to not in self.only))
        )


@cache
def structure_limits() -> tuple[StructureLimit, ...]:
    """What never holds, as the table has it."""
    return structured_rows(StructureLimit, table("structure_limits")["limit"])


def tried(
    reading: Reading, rules: Sequence[SwapRule] | None = None
) -> Iterator[StructureClaim | None]:
    """Every proposal for every line of a book: as a claim where it does not hold, else None.

    A line that goes claims nothing. `rules`: those of the book if None.
    """
    proposer, book = Proposer(reading, rules=rules), reading.book
    for preparation in book.preparations.values():
        for index in preparation.counted():
            role, from_ = (
                preparation.lines[index].role,
                class_of(book, preparation.lines[index].item),
            )
            for offer in proposer.offers(preparation.id, index, milk_goes=False).swaps:
                to = None if offer.swap.to is None else class_of(book, offer.swap.to)
                holding = proposer.pots.holding(preparation, offer.swap.stage)
                why = (
                    limit.why
                    for limit in structure_limits()
                    if to is not None
                    and limit.forbids(
                        preparation=preparation, holding=holding, role=role, from_=from_, to=to
                    )
                )
                told = next(why, None)
                yield None if told is None else StructureClaim(offer.swap, told)


def claims(reading: Reading, rules: Sequence[SwapRule] | None = None) -> list[StructureClaim]:
    """The proposals in a book that do not hold where they are made."""
    return [claim for claim in tried(reading, rules) if claim is not None]
