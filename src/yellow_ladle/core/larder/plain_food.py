"""Plain single foods: what recording one as plain states, and which goods can be one.

A walnut is recorded as "walnut: contains, everything else free". A powder, a sauce, a bouillon or a
mix never is one: its label has to be read.
"""

from dataclasses import dataclass, replace
from functools import cache

from yellow_ladle.core.book.inherent_flags import inherent_flags
from yellow_ladle.core.book.maker import Evidence
from yellow_ladle.core.book.product import PLAIN_FOOD, Product
from yellow_ladle.core.vocabulary.classes import UNSAID, of_twin
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.vocabulary.toml import section, table, words
from yellow_ladle.core.words.class_names import class_of_name
from yellow_ladle.core.words.stems import STEMS, folded, split

MIN_COMPOUND_END = 4
"""Letters of the shortest word that is looked for at the end of a compound."""


class NotPlain(ValueError):
    """Goods that cannot be recorded as a plain single food; the message says why."""


@dataclass(frozen=True, slots=True)
class PlainFood:
    """What recording something as plain states: these `flags` contained, everything else free."""

    class_: str
    flags: tuple[str, ...]
    sentence: str


def plain_food(product: Product, flags: tuple[Flag, ...]) -> PlainFood:
    """What recording a product as plain would state. Raises NotPlain where it cannot be.

    `flags` are those of the book, house flags included.
    """
    if product.makers or product.parts or product.bag is not None:
        raise NotPlain(f"{product.name} is made of several things: read what is in each.")
    if product.label.strip():
        raise NotPlain(f"{product.name} has a label: take what it says.")
    class_ = _class_of(product)
    if class_ not in one_food_classes() or is_treated(product.name):
        raise NotPlain(f"{product.name} is no single food that is known here: read its label.")
    usual = inherent_flags(product).usual
    brought = [flag for flag in flags if flag.id in usual]
    named = ", ".join(f"{flag.name.lower()}: contains" for flag in brought)
    sentence = f"{named}, everything else free" if named else "free of everything"
    return PlainFood(class_ or "", tuple(flag.id for flag in brought), sentence)


def as_plain(product: Product, flags: tuple[Flag, ...], person: str | None, on: str) -> Product:
    """A product recorded as a plain single food by a person on a day (ISO date).

    What it states above free already stays. Raises NotPlain where it cannot be one.
    """
    plain = plain_food(product, flags)
    why = Evidence(PLAIN_FOOD, on, person)
    stated = {flag: level for flag, level in product.statements.items() if level > Level.FREE}
    return replace(
        product,
        statements={**stated, **dict.fromkeys(plain.flags, Level.CONTAINS)},
        otherwise=Level.FREE,
        evidence={
            **{flag: product.evidence[flag] for flag in stated if flag in product.evidence},
            **dict.fromkeys((*plain.flags, "otherwise"), why),
        },
    )


def can_be_plain(product: Product, flags: tuple[Flag, ...]) -> bool:
    """Whether a product can be recorded as a plain single food."""
    try:
        plain_food(product, flags)
    except NotPlain:
        return False
    return True


def is_treated(name: str) -> bool:
    """Whether a word of a name says that more was made of a food: powder, paste, smoked."""
    stems = {stem(word) for word in split(name) for stem in STEMS.values()}
    whole = folded(name)
    # German puts the word at the end of a compound: Zwiebelpulver.
    compound = any(word.endswith(end) for word in split(whole) for end in _compound_ends())
    return compound or not stems.isdisjoint(_treated())


@cache
def one_food_classes() -> frozenset[str]:
    """The classes of goods that are one food, as it grows, swims or walks."""
    return frozenset(words(section(table("classes")["one_food"])["classes"]))


@cache
def _treated() -> frozenset[str]:
    said = words(section(table("classes")["one_food"])["treated"])
    return frozenset(stem(word) for word in said for stem in STEMS.values())


@cache
def _compound_ends() -> tuple[str, ...]:
    said = words(section(table("classes")["one_food"])["treated"])
    return tuple(word for word in said if len(word) >= MIN_COMPOUND_END)


def _class_of(product: Product) -> str | None:
    if product.class_ and product.class_ != UNSAID:
        return of_twin(product.class_)
    return class_of_name(product.name).settled
