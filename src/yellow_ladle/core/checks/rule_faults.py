"""Whether a swap rule makes sense, and what no rule can clear.

A rule's claim is never trusted: only the carried result counts. But a rule that can never clear
anything, that speaks of goods which nobody knows, or that can never apply, has no place in a book.
"""

from collections.abc import Iterable, Iterator, Sequence

from yellow_ladle.core.book.book import KINDS, ROLES, STAGES
from yellow_ladle.core.book.fault import Fault
from yellow_ladle.core.book.rule_setting import Ruling
from yellow_ladle.core.cards.colours import colours
from yellow_ladle.core.swaps.rules.rulebook import OWN
from yellow_ladle.core.swaps.rules.swap_rules import LAWS, WHENS, SwapRule, rule_of, rules_by_id
from yellow_ladle.core.swaps.search.conditions import CONDITIONS
from yellow_ladle.core.vocabulary.classes import known_classes
from yellow_ladle.core.vocabulary.diets import diets
from yellow_ladle.core.vocabulary.flags import shipped_flags


def rule_faults(rule: SwapRule, extra_classes: Iterable[str] = ()) -> list[str]:
    """What is wrong with a rule, in sentences; nothing where it may stand.

    `extra_classes` are those of the kitchen's own goods, which no shipped table knows.
    """
    known = {*known_classes(), *extra_classes}
    found = [
        f'no goods or pots of class "{word}" are known'
        for word in sorted({*rule.replaces, *rule.with_, *_added(rule)} - known)
    ]
    for words, all_, what in (
        ((*rule.roles, *(line.role for line in rule.adds)), ROLES, "role"),
        (rule.stages, STAGES, "stage"),
        (rule.kinds, KINDS, "kind"),
        (rule.not_in | rule.only_in, CONDITIONS, "condition"),
        (rule.colours, colours(), "colour family"),
        ((rule.law,), LAWS, "law"),
        ((rule.when,), WHENS, "place in the method"),
        ((rule.stage,) if rule.stage else (), STAGES, "stage"),
    ):
        found += [f'"{word}" is no {what}' for word in sorted(set(words) - set(all_))]
    found += _whole(rule)
    found += _contradictions(rule)
    if not found and not can_clear(rule):
        found.append("it can never clear anything: what it brings holds all that it takes away")
    return found


def ruling_faults(rulings: Sequence[Ruling], extra_classes: Iterable[str]) -> Iterator[Fault]:
    """What is wrong with what a kitchen says of the rules, with its place in the book."""
    known, seen = {*extra_classes}, set[str]()
    for index, ruling in enumerate(rulings):
        place = f"rules[{index}]"
        if ruling.id and ruling.id in seen:
            yield Fault(f"{place}.id", f'the rule "{ruling.id}" is spoken of twice')
        seen.add(ruling.id)
        if ruling.own is not None:
            yield from own_faults(f"{place}.own", rule_of(ruling.own, OWN), known)


def own_faults(place: str, rule: SwapRule, extra_classes: Iterable[str]) -> Iterator[Fault]:
    """What is wrong with a rule of a kitchen's own."""
    if rule.id in rules_by_id():
        yield Fault(place, "a rule of that id ships already; switch it off, or name it anew")
    for fault in rule_faults(rule, extra_classes):
        yield Fault(place, fault)


def can_clear(rule: SwapRule, flag: str | None = None) -> bool:
    """Whether a rule can take a flag away (or any), by what is usual in the goods it names.

    Goods that no table knows may hold anything.
    """
    return any(_clears(old, rule, flag) for old in rule.replaces)


def clears_for(rules: Iterable[SwapRule], class_: str, flag: str) -> bool:
    """Whether one of the rules can take a flag out of a line of a class."""
    return any(class_ in rule.replaces and _clears(class_, rule, flag) for rule in rules)


def never_cleared(rules: Iterable[SwapRule]) -> dict[str, tuple[str, ...]]:
    """Per flag the classes of goods that usually hold it and out of which no rule can take it."""
    rules = tuple(rules)
    return {
        flag.id: tuple(
            sorted(
                class_
                for class_, usual in known_classes().items()
                if flag.id in usual.has | usual.often and not clears_for(rules, class_, flag.id)
            )
        )
        for flag in shipped_flags()
    }


def never_fitting(rules: Iterable[SwapRule]) -> dict[str, tuple[str, ...]]:
    """Per diet the classes that usually stand in its way and that no rule can bring to it."""
    by_flag = never_cleared(rules)
    found: dict[str, tuple[str, ...]] = {}
    for id, diet in diets().items():
        flags = {
            *diet.excludes,
            *diet.uncertified,
            *(f for part in diet.not_together for f in part),
        }
        found[id] = tuple(sorted({class_ for flag in flags for class_ in by_flag[flag]}))
    return found


def _clears(old: str, rule: SwapRule, flag: str | None) -> bool:
    usual = known_classes().get(old)
    held = None if usual is None else usual.has | usual.often
    if held is not None and (flag not in held if flag is not None else not held):
        return False
    if rule.leaves_out:
        return True
    for new in rule.with_:
        brings = known_classes()[new].has if new in known_classes() else frozenset[str]()
        if held is None or ({flag} if flag is not None else held) - brings:
            return True
    return False


def _added(rule: SwapRule) -> Iterator[str]:
    return (class_ for line in rule.adds for class_ in line.with_)


def _whole(rule: SwapRule) -> Iterator[str]:
    if not rule.replaces:
        yield "it names nothing that it replaces"
    if not rule.roles:
        yield "it names no role"
    if not rule.method:
        yield "it does not say how the method changes"
    if rule.ratio <= 0 or any(line.ratio <= 0 for line in rule.adds):
        yield "its ratio has to be above nothing"
    kept = (rule.fidelity.flavour, rule.fidelity.texture, rule.fidelity.colour)
    if not all(0 <= value <= 1 for value in kept):
        yield "flavour, texture and colour are shares from 0 to 1"


def _contradictions(rule: SwapRule) -> Iterator[str]:
    for word in sorted(rule.only_in & rule.not_in):
        yield f'it asks for a pot that is "{word}" and is not'
    if "clear" in rule.only_in and rule.colours and "clear" not in rule.colours:
        yield "it asks for a clear pot, and is right for none"
    if "frozen" in rule.only_in and not rule.freezes:
        yield "it asks for a pot that is frozen, and breaks when frozen"
    if rule.leaves_out and rule.stage is not None:
        yield "it moves a line to another stage and leaves it out"
    if rule.leaves_out and rule.adds:
        yield "it leaves a line out, so there is nothing for what it adds to go by"
