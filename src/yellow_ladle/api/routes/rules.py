"""The kitchen's rulebook: shipped rules switched on and off, tasted, and rules of its own."""

from typing import Annotated, Any, Literal

from fastapi import APIRouter
from pydantic import BaseModel, Field

from yellow_ladle.api.ledger import TheLedger
from yellow_ladle.api.plan_forms import FidelityOut, RuleNoteOut
from yellow_ladle.api.problems import PROBLEMS, Missing
from yellow_ladle.core.classes import known_classes
from yellow_ladle.core.fault import BookRefused, Fault
from yellow_ladle.core.planner.fidelity import Fidelity
from yellow_ladle.core.planner.options import Proposer
from yellow_ladle.core.rule_faults import never_cleared, rule_faults
from yellow_ladle.core.rules import SwapRule, rule_of, rules_by_id
from yellow_ladle.files.book_models import Id, ItemId, Name, Word
from yellow_ladle.store.ledger import Ledger
from yellow_ladle.store.rulebook import (
    OWN,
    Note,
    RuleHere,
    drop_own,
    keep_own,
    rulebook,
    rules_in_use,
    switch,
    taste,
)

router = APIRouter(prefix="/rules", tags=["swaps"], responses=PROBLEMS)

Share = Annotated[float, Field(ge=0, le=1)]
Words = Annotated[list[Word], Field(max_length=60)]
Sentence = Annotated[str, Field(max_length=1_000)]
MOST_EXAMPLES = 3


class RulePiece(BaseModel):
    """A rule of a kitchen's own, as its form has it. Without `with_` the line is left out."""

    id: Id
    name: Name
    replaces: Words
    roles: Words
    with_: Words = []
    stages: Words = []
    kinds: Words = []
    law: Literal["weight", "volume", "thickening", "fat", "acid"] = "weight"
    ratio: Annotated[float, Field(gt=0, le=1_000)] = 1
    not_in: Words = []
    only_in: Words = []
    colours: Words = []
    flavour: Share = 1
    texture: Share = 1
    colour: Share = 1
    thinner: bool = False
    freezes: bool = True
    thickness: Sentence = "The same."
    method: Annotated[list[Sentence], Field(max_length=20)]
    when: Literal["first", "with", "last"] = "with"
    drops: bool = False
    minutes: Annotated[float, Field(ge=0, le=10_000)] | None = None
    caution: Sentence = ""
    source: Sentence = "kitchen practice"


class RuleOut(BaseModel):
    """A rule as the kitchen has it."""

    id: str
    name: str
    function: str
    own: bool
    off: bool
    tasted: bool
    replaces: list[str]
    with_: list[str]
    roles: list[str]
    fidelity: FidelityOut
    thickness: str
    caution: str
    source: str
    notes: list[RuleNoteOut]


class RulesOut(BaseModel):
    """Every rule, the classes that may be named, and per flag what no rule can clear."""

    rules: list[RuleOut]
    classes: list[str]
    never_cleared: dict[str, list[str]]


class RuleTryOut(BaseModel):
    """What a rule of one's own would do: what is wrong with it, or examples from the book."""

    faults: list[str]
    examples: list[str]


class VerdictIn(BaseModel):
    """How a plan tasted, for the rules that it used."""

    rules: Annotated[list[Id], Field(min_length=1, max_length=60)]
    flavour: Share
    texture: Share
    colour: Share
    note: Sentence = ""
    item: ItemId


class SwitchIn(BaseModel):
    """Whether the planner leaves a rule out."""

    off: bool


@router.get("")
def rules(ledger: TheLedger) -> RulesOut:
    """The kitchen's rulebook."""
    here = rulebook(ledger)
    gaps = never_cleared(entry.rule for entry in here if not entry.off)
    return RulesOut(
        rules=[_out(entry) for entry in here],
        classes=sorted({*known_classes(), *_own_classes(ledger)}),
        never_cleared={flag: list(found) for flag, found in gaps.items() if found},
    )


@router.post("/try")
def try_rule(wanted: RulePiece, ledger: TheLedger) -> RuleTryOut:
    """A rule of one's own on one of the kitchen's pots, before it is kept."""
    rule = rule_of(_row(wanted), OWN)
    faults = rule_faults(rule, _own_classes(ledger))
    return RuleTryOut(faults=faults, examples=[] if faults else _examples(ledger, rule))


@router.put("/own")
def keep_rule(wanted: RulePiece, ledger: TheLedger) -> RuleTryOut:
    """Keeps a rule of the kitchen's own, new or changed."""
    faults = rule_faults(rule_of(_row(wanted), OWN), _own_classes(ledger))
    found = [Fault(wanted.id, fault) for fault in faults]
    if wanted.id in rules_by_id():
        found.append(Fault("id", "a rule of that id ships already; switch it off, or name it anew"))
    if found:
        raise BookRefused(found)
    keep_own(ledger, _row(wanted))
    return try_rule(wanted, ledger)


@router.delete("/own/{id}")
def drop_rule(id: Id, ledger: TheLedger) -> None:
    """Takes one of the kitchen's own rules out."""
    if not drop_own(ledger, id):
        raise Missing("rule", id)


@router.post("/{id}/switch")
def switch_rule(id: Id, wanted: SwitchIn, ledger: TheLedger) -> None:
    """Switches a rule off or on."""
    if id not in {here.rule.id for here in rulebook(ledger)}:
        raise Missing("rule", id)
    switch(ledger, id, off=wanted.off)


@router.post("/verdict")
def verdict(wanted: VerdictIn, ledger: TheLedger) -> None:
    """Writes down how a tried plan tasted, in the place of its rules' own figures."""
    known = {here.rule.id for here in rulebook(ledger)}
    for id in wanted.rules:
        if id not in known:
            raise Missing("rule", id)
    found = Fidelity(wanted.flavour, wanted.texture, wanted.colour)
    note = Note(wanted.note, ledger.today, wanted.item) if wanted.note else None
    for id in wanted.rules:
        taste(ledger, id, found, note)


def _row(piece: RulePiece) -> dict[str, Any]:
    row = piece.model_dump(exclude={"with_", "flavour", "texture", "colour"}, exclude_none=True)
    row["fidelity"] = [piece.flavour, piece.texture, piece.colour]
    return row | ({"with": piece.with_} if piece.with_ else {"leave_out": True})


def _own_classes(ledger: Ledger) -> set[str]:
    book = ledger.now.reading.book
    made = {made.class_ for made in book.preparations.values() if made.class_}
    return {product.class_ for product in book.products.values()} | made


def _examples(ledger: Ledger, rule: SwapRule) -> list[str]:
    """Lines of the kitchen's own pots that the rule would speak of, in words."""
    reading = ledger.now.reading
    book = reading.book
    others = [other for other in rules_in_use(ledger) if other.id != rule.id]
    proposer = Proposer(reading, rules=[rule, *others])
    found: list[str] = []
    for pot, made in book.preparations.items():
        for index in made.counted():
            for offer in proposer.offers(pot, index, milk_goes=False).swaps:
                if offer.swap.rule == rule.id and len(found) < MOST_EXAMPLES:
                    to = "left out" if offer.swap.to is None else book.name(offer.swap.to)
                    amount = (
                        f" ({offer.swap.quantity:g} {offer.swap.unit})" if offer.swap.to else ""
                    )
                    line = made.lines[index]
                    found.append(f"{made.name}: {book.name(line.item)} → {to}{amount}")
                    break
        if len(found) == MOST_EXAMPLES:
            break
    return found


def _out(here: RuleHere) -> RuleOut:
    rule = here.rule
    return RuleOut(
        id=rule.id,
        name=rule.name,
        function=rule.function,
        own=here.own,
        off=here.off,
        tasted=here.tasted,
        replaces=sorted(rule.replaces),
        with_=list(rule.with_),
        roles=sorted(rule.roles),
        fidelity=FidelityOut(
            flavour=rule.fidelity.flavour,
            texture=rule.fidelity.texture,
            colour=rule.fidelity.colour,
        ),
        thickness=rule.thickness,
        caution=rule.caution,
        source=rule.source,
        notes=[RuleNoteOut(text=n.text, date=n.date, item=n.item) for n in here.notes],
    )
