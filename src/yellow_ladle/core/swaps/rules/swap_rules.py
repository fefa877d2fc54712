"""The library of swap rules: what may stand in for what, and how the method changes."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache
from typing import Literal, TypeAlias, get_args

from yellow_ladle.core.book.book import Line
from yellow_ladle.core.swaps.plans.fidelity import Fidelity
from yellow_ladle.core.swaps.plans.swap import When
from yellow_ladle.core.vocabulary.structured import ClassList, ClassSet, structured
from yellow_ladle.core.vocabulary.toml import Table, names, numbers, rows, table

Law: TypeAlias = Literal["weight", "volume", "thickening", "fat", "acid"]

LAWS: tuple[Law, ...] = get_args(Law)
WHENS: tuple[When, ...] = get_args(When)


@dataclass(frozen=True, slots=True)
class AddedLine:
    """A line that a rule adds: goods of one of some classes, so much for one of the new item."""

    with_: ClassList
    ratio: float
    role: str


@dataclass(frozen=True, slots=True)
class SwapRule:
    """A rule proposes; only the carried result decides.

    `function` is the file it stands in. `replaces` and `with_` are classes; `with_` is empty where
    the line is left out. Empty `stages` and `kinds` match every stage and every kind of
    preparation. The amount follows `law`: of the new item `ratio` for one of the old by weight or
    by volume; or as much as thickens alike, is as sour, or brings as much fat (`ratio` serves where
    that cannot be worked out). The pot must hold every condition of `only_in` and none of `not_in`.
    Empty `colours` keep every colour family right. `thinner`: the pot binds less after it.
    `freezes`: what it makes can be frozen. Its steps go into the card `when`: before all else,
    where the old item went in, or last; with `drops` the steps that use nothing but the old item
    go. `minutes` is the time that its steps add. `adds` are lines without which it does not hold,
    by weight. With `named` only those goods will do whose name holds one of the words: a class as
    wide as spice holds pepper and vanilla. `most` is the largest share of the pot's weight that the
    line may be: a splash of wine is left out, a wine sauce's wine is not. `voids` are words of the
    usual steps that do not hold for the new item. With `not_named` the rule does not hold where the
    pot is called by the old item: a red wine sauce on juice is another sauce.
    """

    id: str
    name: str
    function: str
    replaces: ClassSet
    roles: frozenset[str]
    method: tuple[str, ...]
    fidelity: Fidelity
    stages: frozenset[str] = frozenset()
    kinds: frozenset[str] = frozenset()
    with_: ClassList = ()
    law: Law = "weight"
    ratio: float = 1.0
    stage: str | None = None
    not_in: frozenset[str] = frozenset()
    only_in: frozenset[str] = frozenset()
    colours: tuple[str, ...] = ()
    thinner: bool = False
    freezes: bool = True
    thickness: str = "The same."
    when: When = "with"
    drops: bool = False
    minutes: float | None = None
    caution: str = ""
    source: str = "kitchen practice"
    adds: tuple[AddedLine, ...] = ()
    most: float = 1.0
    named: tuple[str, ...] = ()
    voids: tuple[str, ...] = ()
    not_named: bool = False

    @property
    def leaves_out(self) -> bool:
        """Whether the line is dropped rather than given another item."""
        return not self.with_

    def matches(self, line: Line, classes: frozenset[str], kind: str) -> bool:
        """Whether the rule speaks of a line whose item has these classes, in such a preparation."""
        return (
            line.role in self.roles
            and not self.replaces.isdisjoint(classes)
            and (not self.stages or line.stage in self.stages)
            and (not self.kinds or kind in self.kinds)
        )

    def holds_in(self, conditions: frozenset[str]) -> bool:
        """Whether the rule works in a pot of these conditions."""
        return self.only_in <= conditions and self.not_in.isdisjoint(conditions)


@cache
def swap_rules() -> tuple[SwapRule, ...]:
    """The shipped rules, function by function as data/swaps names them; earlier ones first."""
    return tuple(
        rule_of(row, function)
        for function in names("swaps")
        for row in rows(table(f"swaps/{function}")["rule"])
    )


@cache
def rules_by_id() -> Mapping[str, SwapRule]:
    """The shipped rules by their ids."""
    return {rule.id: rule for rule in swap_rules()}


def rule_of(row: Table, function: str) -> SwapRule:
    """A rule from its row; groups of classes (`@milks`) are written out."""
    besides = ("leave_out", "fidelity", *(("with",) if row.get("leave_out") else ()))
    fidelity = Fidelity(*numbers(row.get("fidelity")))
    return structured(SwapRule, row, besides=besides, function=function, fidelity=fidelity)
