"""The words by which rules and tables know goods and pots, and the groups that rules name."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from functools import cache

from yellow_ladle.core.vocabulary.toml import section, table, words

GROUP = "@"
"""What a group's name begins with in a rule."""
UNSAID = "other"
"""The class that earlier versions wrote where nobody had said one."""


@dataclass(frozen=True, slots=True)
class Usual:
    """What is usual in goods or pots of a class.

    `inherent`: the flags that no variety is without; `has`: those with what the thing usually is;
    `often`: what is often in it.
    """

    has: frozenset[str]
    often: frozenset[str]
    inherent: frozenset[str] = frozenset()


@cache
def known_classes() -> Mapping[str, Usual]:
    """Every class that a rule or table may name, with what is usual in it."""
    data = table("classes")
    found: dict[str, Usual] = {}
    for part in ("goods", "pots"):
        for word, value in section(data[part]).items():
            row = section(value)
            inherent = frozenset(words(row.get("is")))
            has, often = frozenset(words(row.get("has"))), frozenset(words(row.get("look")))
            found[word] = Usual(inherent | has, often, inherent)
    return found


NOTHING_USUAL = Usual(frozenset(), frozenset())


def usual_of(class_: str) -> Usual:
    """What is usual in a class; nothing in one of a kitchen's own."""
    return known_classes().get(of_twin(class_), NOTHING_USUAL)


@cache
def _twins() -> Mapping[str, str]:
    return {name: str(class_) for name, class_ in section(table("classes")["twins"]).items()}


def of_twin(class_: str) -> str:
    """The class of which a name is the second one, else the name itself."""
    return _twins().get(class_, class_)


@cache
def pot_classes() -> frozenset[str]:
    """The classes of preparations."""
    return frozenset(section(table("classes")["pots"]))


@cache
def house_words() -> frozenset[str]:
    """Flags that a kitchen may have added for itself, and that the table of classes speaks of."""
    return frozenset(words(table("classes")["house"]))


@cache
def grape_wine_classes() -> frozenset[str]:
    """The classes of goods that are made of grapes as wine is."""
    return frozenset(words(table("classes")["grape_wine"]))


@cache
def class_groups() -> Mapping[str, tuple[str, ...]]:
    """The classes of each group."""
    return {name: words(row) for name, row in section(table("classes")["group"]).items()}


def expanded(wanted: Iterable[str]) -> tuple[str, ...]:
    """Classes with every group (`@milks`) written out, each once.

    A group that the table does not hold stays as it is written, so that it is found to be unknown.
    """
    found: dict[str, None] = {}
    for word in wanted:
        group = class_groups().get(word[1:], (word,)) if word.startswith(GROUP) else (word,)
        found |= dict.fromkeys(map(of_twin, group))
    return tuple(found)
