"""A kitchen's rulebook: the shipped rules as it has them, and its own."""

from collections.abc import Iterable
from dataclasses import dataclass, replace

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.book.rule_setting import Note, Ruling
from yellow_ladle.core.swaps.plans.fidelity import Fidelity
from yellow_ladle.core.swaps.rules.swap_rules import SwapRule, rule_of, swap_rules
from yellow_ladle.core.vocabulary.toml import Table

OWN = "own"
"""The function under which a kitchen's own rules stand."""

Rulings = tuple[Ruling, ...]


@dataclass(frozen=True, slots=True)
class RuleHere:
    """A rule as the kitchen has it, with its own figures where it has tasted it."""

    rule: SwapRule
    ruling: Ruling


def rulebook(book: Book) -> list[RuleHere]:
    """Every rule, the kitchen's own first."""
    said = {ruling.id: ruling for ruling in book.rulings}
    own = [rule_of(said[id].own or {}, OWN) for id in sorted(said) if said[id].own is not None]
    return [_here(rule, said.get(rule.id, Ruling(rule.id))) for rule in (*own, *swap_rules())]


def rules_in_use(book: Book) -> tuple[SwapRule, ...]:
    """The rules that the planner is to use."""
    if not book.rulings:
        return swap_rules()
    return tuple(here.rule for here in rulebook(book) if not here.ruling.off)


def switched(rulings: Rulings, id: str, *, off: bool) -> Rulings:
    """The rulings with a rule switched off or on."""
    return _with(rulings, replace(_of(rulings, id), off=off))


def with_own(rulings: Rulings, id: str, row: Table) -> Rulings:
    """The rulings with a rule of the kitchen's own, new or changed."""
    return _with(rulings, replace(_of(rulings, id), own=dict(row)))


def without_own(rulings: Rulings, id: str) -> Rulings:
    """The rulings without one of the kitchen's own rules, and without what was said of it."""
    return tuple(ruling for ruling in rulings if ruling.id != id)


def tasted(rulings: Rulings, ids: Iterable[str], verdict: Fidelity, note: Note | None) -> Rulings:
    """The rulings with how some rules tasted, and a note on each."""
    found = (verdict.flavour, verdict.texture, verdict.colour)
    for id in ids:
        ruling = _of(rulings, id)
        notes = (*ruling.notes, note) if note else ruling.notes
        rulings = _with(rulings, replace(ruling, tasted=found, notes=notes))
    return rulings


def _of(rulings: Rulings, id: str) -> Ruling:
    return next((ruling for ruling in rulings if ruling.id == id), Ruling(id))


def _with(rulings: Rulings, ruling: Ruling) -> Rulings:
    """The rulings, by id, with one more in the place of what was said before."""
    others = [other for other in rulings if other.id != ruling.id]
    kept = [*others, ruling] if ruling.says_something else others
    return tuple(sorted(kept, key=lambda each: each.id))


def _here(rule: SwapRule, ruling: Ruling) -> RuleHere:
    if ruling.tasted is not None:
        rule = replace(rule, fidelity=Fidelity(*ruling.tasted))
    return RuleHere(rule, ruling)
