"""The kitchen's rulebook: shipped rules switched on and off, tasted, and rules of its own."""

from functools import partial
from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, Field

from yellow_ladle.api.dependencies import TheActor, TheBook, TheLedger
from yellow_ladle.api.errors import Missing
from yellow_ladle.api.schemas.answer_forms import WrittenOut
from yellow_ladle.core.book.book import KINDS, ROLES, STAGES, Book
from yellow_ladle.core.book.class_index import classes_in_use
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.book.ids import free_id
from yellow_ladle.core.book.rule_setting import Note
from yellow_ladle.core.cards.colours import colours
from yellow_ladle.core.checks.rule_faults import never_cleared, own_faults, rule_faults
from yellow_ladle.core.checks.rule_sentences import foods_not_brought
from yellow_ladle.core.checks.structure_claims import claims
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.plans.fidelity import Fidelity
from yellow_ladle.core.swaps.rules.rulebook import (
    OWN,
    RuleHere,
    rulebook,
    rules_in_use,
    switched,
    tasted,
    with_own,
    without_own,
)
from yellow_ladle.core.swaps.rules.swap_rules import LAWS, WHENS, SwapRule, rule_of, rules_by_id
from yellow_ladle.core.swaps.search.candidates import Proposer
from yellow_ladle.core.swaps.search.conditions import CONDITIONS
from yellow_ladle.core.vocabulary.classes import known_classes
from yellow_ladle.files.book.piece import Id, ItemId
from yellow_ladle.files.book.rule_pieces import OwnRulePiece, Sentence, Share, own_piece
from yellow_ladle.store.documents import Now
from yellow_ladle.store.kitchen_settings import set_rules

router = APIRouter(prefix="/rules", tags=["swaps"])

MAX_EXAMPLES = 3
A_RULE = "a-rule"
"""The id of a rule that is only tried."""


class OwnRuleIn(BaseModel):
    """A rule of the kitchen's own. Without an id it is new, and gets one made of its name.

    `seen` is the version that the writer saw.
    """

    id: Id | None = None
    rule: OwnRulePiece
    seen: int | None = None


class RuleOut(BaseModel):
    """A rule as the kitchen has it; `version` is null where it has said nothing of it."""

    id: str
    version: int | None
    name: str
    function: str
    own: OwnRulePiece | None
    off: bool
    tasted: bool
    replaces: list[str]
    with_: list[str]
    roles: list[str]
    fidelity: Fidelity
    thickness: str
    caution: str
    source: str
    notes: list[Note]


class RuleWordsOut(BaseModel):
    """The words that a rule is written with."""

    classes: list[str]
    roles: list[str]
    stages: list[str]
    kinds: list[str]
    laws: list[str]
    conditions: list[str]
    colours: list[str]
    whens: list[str]


class RulesOut(BaseModel):
    """Every rule, the words that one may be written with, and per flag what no rule can clear."""

    rules: list[RuleOut]
    words: RuleWordsOut
    never_cleared: dict[str, list[str]]


class RuleTryOut(BaseModel):
    """What a rule of one's own would do: what is wrong with it, or examples from the book.

    `claims` name the sentences that bring what no line does, and the pots in which what it proposes
    does not hold.
    """

    faults: list[str]
    examples: list[str]
    claims: list[str]


class VerdictIn(BaseModel):
    """How a plan tasted, for the rules that it used."""

    rules: Annotated[list[Id], Field(min_length=1, max_length=60)]
    flavour: Share
    texture: Share
    colour: Share
    note: Sentence = ""
    item: ItemId


class SwitchIn(BaseModel):
    """Whether the planner leaves a rule out; `seen` is the version that the writer saw."""

    off: bool
    seen: int | None = None


@router.get("")
def rules(now: TheBook) -> RulesOut:
    """The kitchen's rulebook."""
    book = now.reading.book
    here = rulebook(book)
    gaps = never_cleared(entry.rule for entry in here if not entry.ruling.off)
    return RulesOut(
        rules=[_out(now, entry) for entry in here],
        words=RuleWordsOut(
            classes=sorted({*known_classes(), *_own_classes(book)}),
            roles=list(ROLES),
            stages=list(STAGES),
            kinds=list(KINDS),
            laws=list(LAWS),
            conditions=list(CONDITIONS),
            colours=list(colours()),
            whens=list(WHENS),
        ),
        never_cleared={flag: list(found) for flag, found in gaps.items() if found},
    )


@router.post("/try")
def try_rule(wanted: OwnRuleIn, now: TheBook) -> RuleTryOut:
    """A rule of one's own on one of the kitchen's pots, before it is kept."""
    rule = rule_of(wanted.rule.row(wanted.id or A_RULE), OWN)
    faults = rule_faults(rule, _own_classes(now.reading.book))
    if faults:
        return RuleTryOut(faults=faults, examples=[], claims=[])
    return RuleTryOut(
        faults=[], examples=_examples(now.reading, rule), claims=_claims(now.reading, rule)
    )


@router.put("/own")
def keep_rule(wanted: OwnRuleIn, ledger: TheLedger, actor: TheActor) -> RuleOut:
    """Keeps a rule of the kitchen's own, new or changed."""
    book = ledger.now.reading.book
    taken = {*rules_by_id(), *(ruling.id for ruling in book.rulings)}
    id = wanted.id or free_id(wanted.rule.name, taken)
    row = wanted.rule.row(id)
    if found := list(own_faults(id, rule_of(row, OWN), _own_classes(book))):
        raise BookRefused(found)
    set_rules(ledger, partial(with_own, id=id, row=row), {id: wanted.seen}, actor)
    return _out(ledger.now, _known(ledger.now.reading.book, id))


@router.delete("/own/{id}")
def drop_rule(id: Id, seen: int, ledger: TheLedger, actor: TheActor) -> WrittenOut:
    """Takes one of the kitchen's own rules out, with what was said of it."""
    if _known(ledger.now.reading.book, id).ruling.own is None:
        raise Missing("rule", id)
    set_rules(ledger, partial(without_own, id=id), {id: seen}, actor)
    return WrittenOut(version=ledger.now.counter)


@router.post("/{id}/switch")
def switch_rule(id: Id, wanted: SwitchIn, ledger: TheLedger, actor: TheActor) -> WrittenOut:
    """Switches a rule off or on."""
    _known(ledger.now.reading.book, id)
    set_rules(ledger, partial(switched, id=id, off=wanted.off), {id: wanted.seen}, actor)
    return WrittenOut(version=ledger.now.counter)


@router.post("/verdict")
def verdict(wanted: VerdictIn, ledger: TheLedger, actor: TheActor) -> WrittenOut:
    """Writes down how a tried plan tasted, in the place of its rules' own figures.

    What was tasted last counts, whoever wrote down something of the rule in the meantime.
    """
    known = {here.rule.id for here in rulebook(ledger.now.reading.book)}
    for id in wanted.rules:
        if id not in known:
            raise Missing("rule", id)
    found = Fidelity(wanted.flavour, wanted.texture, wanted.colour)
    note = Note(wanted.note, ledger.today, wanted.item) if wanted.note else None
    set_rules(ledger, partial(tasted, ids=wanted.rules, verdict=found, note=note), {}, actor)
    return WrittenOut(version=ledger.now.counter)


def _known(book: Book, id: str) -> RuleHere:
    """A rule of the rulebook; Missing where there is none of that id."""
    for here in rulebook(book):
        if here.rule.id == id:
            return here
    raise Missing("rule", id)


def _own_classes(book: Book) -> set[str]:
    return classes_in_use(book.products.values(), book.preparations.values())


def _examples(reading: Reading, rule: SwapRule) -> list[str]:
    """Lines of the kitchen's own pots that the rule would speak of, in words."""
    book = reading.book
    others = [other for other in rules_in_use(book) if other.id != rule.id]
    proposer = Proposer(reading, rules=[rule, *others])
    found: list[str] = []
    for pot, preparation in book.preparations.items():
        for index in preparation.counted():
            for offer in proposer.offers(pot, index, milk_goes=False).swaps:
                if offer.swap.rule == rule.id and len(found) < MAX_EXAMPLES:
                    to = "left out" if offer.swap.to is None else book.name(offer.swap.to)
                    amount = (
                        f" ({offer.swap.quantity:g} {offer.swap.unit})" if offer.swap.to else ""
                    )
                    line = preparation.lines[index]
                    found.append(f"{preparation.name}: {book.name(line.item)} → {to}{amount}")
                    break
        if len(found) == MAX_EXAMPLES:
            break
    return found


def _claims(reading: Reading, rule: SwapRule) -> list[str]:
    """Where the rule claims more than holds, in words."""
    book = reading.book
    found = (
        f"{book.name(claim.swap.in_)}: {book.name(str(claim.swap.to))} {claim.why}"
        for claim in claims(reading, [rule])
    )
    said = (
        f'"{text}" names {", ".join(word.replace("-", " ") for word in named)}, which no line of'
        " the rule brings: it would be carried by nobody"
        for text, named in foods_not_brought(rule)
    )
    return [*said, *list(dict.fromkeys(found))[:MAX_EXAMPLES]]


def _out(now: Now, here: RuleHere) -> RuleOut:
    rule = here.rule
    return RuleOut(
        id=rule.id,
        version=now.setting_versions.get(f"rule/{rule.id}"),
        name=rule.name,
        function=rule.function,
        own=None if here.ruling.own is None else own_piece(here.ruling.own),
        off=here.ruling.off,
        tasted=here.ruling.tasted is not None,
        replaces=sorted(rule.replaces),
        with_=list(rule.with_),
        roles=sorted(rule.roles),
        fidelity=Fidelity(
            flavour=rule.fidelity.flavour,
            texture=rule.fidelity.texture,
            colour=rule.fidelity.colour,
        ),
        thickness=rule.thickness,
        caution=rule.caution,
        source=rule.source,
        notes=list(here.ruling.notes),
    )
