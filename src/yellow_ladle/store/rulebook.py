"""A kitchen's rulebook: the shipped rules as it has them, and its own."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Any

from sqlalchemy import select

from yellow_ladle.core.planner.fidelity import Fidelity
from yellow_ladle.core.rules import SwapRule, rule_of, swap_rules
from yellow_ladle.store.ledger import Ledger
from yellow_ladle.store.tables import RuleRow

OWN = "own"
"""The function under which a kitchen's own rules stand."""


@dataclass(frozen=True, slots=True)
class Note:
    """What somebody found when the rule was used: in words, on a day, for a pot."""

    text: str
    date: str
    item: str


@dataclass(frozen=True, slots=True)
class RuleHere:
    """A rule as the kitchen has it. `tasted`: its figures are the kitchen's own verdict."""

    rule: SwapRule
    own: bool
    off: bool
    tasted: bool
    notes: tuple[Note, ...]


def rulebook(ledger: Ledger) -> list[RuleHere]:
    """Every rule, the kitchen's own first."""
    with ledger.session() as session:
        rows = {row.id: row for row in session.scalars(select(RuleRow).order_by(RuleRow.id))}
    own = [rule_of(row.own, OWN) for row in rows.values() if row.own is not None]
    return [_here(rule, rows.get(rule.id)) for rule in (*own, *swap_rules())]


def rules_in_use(ledger: Ledger) -> list[SwapRule]:
    """The rules that the planner is to use here."""
    return [here.rule for here in rulebook(ledger) if not here.off]


def switch(ledger: Ledger, id: str, *, off: bool) -> None:
    """Switches a rule off or on."""
    with ledger.session() as session:
        row = session.get(RuleRow, id) or RuleRow(id=id, notes=[], version=0)
        row.off = off
        row.version += 1
        session.add(row)
        session.commit()


def keep_own(ledger: Ledger, row_of_rule: Mapping[str, Any]) -> None:
    """Writes a rule of the kitchen's own, new or changed, as its table row."""
    with ledger.session() as session:
        id = str(row_of_rule["id"])
        row = session.get(RuleRow, id) or RuleRow(id=id, off=False, notes=[], version=0)
        row.own = dict(row_of_rule)
        row.version += 1
        session.add(row)
        session.commit()


def drop_own(ledger: Ledger, id: str) -> bool:
    """Takes one of the kitchen's own rules out; False where there is none of that id."""
    with ledger.session() as session:
        row = session.get(RuleRow, id)
        if row is None or row.own is None:
            return False
        session.delete(row)
        session.commit()
        return True


def taste(ledger: Ledger, id: str, verdict: Fidelity | None, note: Note | None) -> None:
    """Writes down how a rule's result tasted, in place of the rule's own figures, and a note."""
    with ledger.session() as session:
        row = session.get(RuleRow, id) or RuleRow(id=id, off=False, notes=[], version=0)
        if verdict is not None:
            row.flavour, row.texture, row.colour = verdict.flavour, verdict.texture, verdict.colour
        if note is not None:
            kept = {"text": note.text, "date": note.date, "item": note.item}
            row.notes = [*row.notes, kept]
        row.version += 1
        session.add(row)
        session.commit()


def _here(rule: SwapRule, row: RuleRow | None) -> RuleHere:
    if row is None:
        return RuleHere(rule, own=False, off=False, tasted=False, notes=())
    figures = (row.flavour, row.texture, row.colour)
    known = [value for value in figures if value is not None]
    tasted = len(known) == len(figures)
    if tasted:
        rule = replace(rule, fidelity=Fidelity(*known))
    notes = tuple(Note(**note) for note in row.notes)
    return RuleHere(rule, row.own is not None, row.off, tasted, notes)
