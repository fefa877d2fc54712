"""What a pot is like, where a rule asks: what holds it together, and what it goes through.

Its structure decides what may stand in: a dough needs something that binds, a coating something dry
that browns, what simmers on a starch that stands it. The words and limits are in
data/structures.toml.
"""

import re
from collections.abc import Mapping
from functools import cache
from typing import Literal, TypeAlias, get_args

from yellow_ladle.core.amounts.numerals import number_at
from yellow_ladle.core.book.book import Line, Preparation
from yellow_ladle.core.book.proposed_class import class_of
from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.thickening.thickness import holds_milk, is_sour
from yellow_ladle.core.vocabulary.classes import expanded
from yellow_ladle.core.vocabulary.toml import number, section, table, words

Condition: TypeAlias = Literal[
    "boiled",
    "simmered",
    "frozen",
    "acid",
    "milk",
    "clear",
    "pale",
    "roux",
    "dough",
    "pastry",
    "batter",
    "coating",
    "emulsion",
    "foam",
    "gratin",
    "blended",
    "custard",
    "crumbed",
    "battered",
    "bodied",
    "clarified",
    "hot",
    "loose",
    "second",
    "carried",
    "sweet",
    "glazed",
    "umami",
]

CONDITIONS: tuple[Condition, ...] = get_args(Condition)
_WORD_BEGINS = re.compile(r"(?<!\w)(?=\w)")
_MINUTES = re.compile(r"\s*(?:min|′)")
_BY_WORDS: tuple[Condition, ...] = (
    "frozen",
    "emulsion",
    "foam",
    "gratin",
    "blended",
    "clarified",
    "hot",
    "glazed",
)


def conditions(
    balance: Balance, preparation: Preparation, users: Mapping[str, frozenset[str]] | None = None
) -> frozenset[str]:
    """The conditions that hold in a preparation as its card has it.

    `users` says what each is made into: what goes into a pot that simmers long is boiled with it.
    """
    holding: set[str] = {word for word in _BY_WORDS if _says(preparation, word)}
    if _simmers(balance, preparation, users or {}, frozenset()):
        holding |= {"boiled", "simmered"}
    if is_sour(balance, preparation):
        holding.add("acid")
    if holds_milk(balance, preparation.id):
        holding.add("milk")
    if preparation.colour == "clear":
        holding.add("clear")
    if preparation.colour in words(table("structures")["pale"]):
        holding.add("pale")
    if preparation.kind == "roux":
        holding.add("roux")
    if preparation.keeps is not None and preparation.keeps.frozen_days:
        holding.add("frozen")
    if _is_sweet(balance, preparation):
        holding.add("sweet")
    if _is_custard(balance, preparation):
        holding.add("custard")
    return frozenset(holding | _built(balance, preparation))


def boiled_after(
    balance: Balance, preparation: Preparation, users: Mapping[str, frozenset[str]]
) -> bool:
    """Whether what is stirred in at the end of a pot is boiled long in another that it goes into.

    It is not what the pot itself went through before.
    """
    return _simmered_in_users(balance, preparation, users, frozenset())


def line_conditions(balance: Balance, preparation: Preparation, index: int) -> frozenset[str]:
    """The conditions of one line of meat or fish.

    `second`: a heavier one stands beside it in the pot. `carried`: other bodies that are neither
    weigh half as much, or more.
    """
    bodies = [at for at in preparation.counted() if preparation.lines[at].role == "body"]
    of_meat = _classes("meats")
    meats = [at for at in bodies if class_of(balance.book, preparation.lines[at].item) in of_meat]
    if index not in meats:
        return frozenset()
    grams = {at: balance.line_grams(preparation.lines[at]) or 0.0 for at in bodies}
    found = set[str]()
    if grams[index] < max(grams[at] for at in meats):
        found.add("second")
    others = sum(weight for at, weight in grams.items() if at not in meats)
    if others >= grams[index] * _limit("carried_by"):
        found.add("carried")
    return frozenset(found)


def is_dark(preparation: Preparation) -> bool:
    """Whether a preparation is of a colour that a pale one cannot take."""
    return preparation.colour in words(table("structures")["dark"])


def stock_goods() -> frozenset[str]:
    """The classes of what a stock is made of: bones, meat, fish, shells."""
    return _classes("stock_goods")


def _is_sweet(balance: Balance, preparation: Preparation) -> bool:
    """Whether a preparation is a sweet one: so much sugar, honey or chocolate, and no savour."""
    classes = {
        at: class_of(balance.book, preparation.lines[at].item) for at in preparation.counted()
    }
    if not _classes("savours").isdisjoint(classes.values()):
        return False
    grams = {at: balance.about_grams(preparation.lines[at]) or 0.0 for at in classes}
    sweet = sum(grams[at] for at, class_ in classes.items() if class_ in _classes("sugars"))
    return sweet > 0 and sweet >= sum(grams.values()) * _limit("sweet_sugar")


def _is_custard(balance: Balance, preparation: Preparation) -> bool:
    """Whether eggs alone set it: what only rounds a bound sauce can be left out, these cannot."""
    counted = [preparation.lines[index] for index in preparation.counted()]
    eggs = [
        line
        for line in counted
        if line.role in ("thickener", "enrichment", "body")
        and class_of(balance.book, line.item) in _classes("eggs")
    ]
    if not eggs or any(line.role == "thickener" for line in counted if line not in eggs):
        return False
    whole = sum(balance.line_grams(line) or 0.0 for line in counted)
    weight = sum(balance.line_grams(line) or 0.0 for line in eggs)
    return holds_milk(balance, preparation.id) and weight >= whole * _limit("custard_egg")


def _built(balance: Balance, preparation: Preparation) -> set[str]:
    """What holds a preparation together: dough, rubbed pastry, batter, coating."""
    book, found = balance.book, set[str]()
    counted = [preparation.lines[index] for index in preparation.counted()]
    grams = {id(line): balance.about_grams(line) or 0.0 for line in counted}

    def weight(*roles: str) -> float:
        return sum(grams[id(line)] for line in counted if line.role in roles)

    def of_class(line: Line, key: str) -> bool:
        return class_of(book, line.item) in _classes(key)

    if any(of_class(line, "binding_bodies") for line in counted if line.role == "body"):
        found.add("bodied")
    bodies = [line for line in counted if line.role == "body" and of_class(line, "flours")]
    flour = sum(grams[id(line)] for line in bodies)
    # What is served with it or lies on top is no part of a dough.
    whole = sum(grams.values()) - weight("accompaniment", "topping")
    if whole and flour / whole >= _limit("dough_flour"):
        found.add("dough")
        wet = any(line.role == "liquid" or of_class(line, "eggs") for line in counted)
        if not wet:
            found.add("loose")
        if weight("fat") / flour >= _limit("pastry_fat"):
            found.add("pastry")
    if any(of_class(line, "umami") for line in counted):
        found.add("umami")
    if any(of_class(line, "crusts") for line in counted):
        found.add("glazed")
    if flour and weight("liquid") / flour >= _limit("batter_liquid"):
        found.add("batter")
    coated = any(
        line.role == "topping" and line.stage == "cook" and of_class(line, "coatings")
        for line in counted
    )
    if coated:
        found.add("coating")
    toppings = [line for line in counted if line.role == "topping"]
    if any(of_class(line, "crumbs") for line in toppings):
        found.add("crumbed")
    if any(of_class(line, "flours") for line in toppings) and any(
        of_class(line, "batter_drinks") for line in counted if line.role in ("topping", "liquid")
    ):
        found.add("battered")
    return found


def _simmers(
    balance: Balance,
    preparation: Preparation,
    users: Mapping[str, frozenset[str]],
    seen: frozenset[str],
) -> bool:
    """Whether a preparation simmers long, by itself or in one that it is cooked in."""
    stems = words(section(table("structures")["words"])["boiled"])
    for step in preparation.method:
        text = step.text.lower()
        minutes = _minutes_in(text) if step.minutes is None else step.minutes
        if minutes > _limit("long_minutes") and any(stem in text for stem in stems):
            return True
    return _simmered_in_users(balance, preparation, users, seen)


def _simmered_in_users(
    balance: Balance,
    preparation: Preparation,
    users: Mapping[str, frozenset[str]],
    seen: frozenset[str],
) -> bool:
    for user in users.get(preparation.id, frozenset()) - seen:
        other = balance.book.preparations.get(user)
        if other is None or preparation.kind in ("component", "dish"):
            continue
        cooked = any(
            other.lines[index].item == preparation.id and other.lines[index].stage == "cook"
            for index in other.counted()
        )
        if cooked and _simmers(balance, other, users, seen | {preparation.id}):
            return True
    return False


def _minutes_in(text: str) -> float:
    """The longest time that a text tells in minutes; an hour where it only speaks of hours."""
    if any(word in text for word in words(table("structures")["long_words"])):
        return 60.0
    numbers = (number_at(text, begins.start()) for begins in _WORD_BEGINS.finditer(text))
    minutes = (n.value for n in numbers if n is not None and _MINUTES.match(text, n.end))
    return max(minutes, default=0.0)


def _says(preparation: Preparation, word: str) -> bool:
    stems = words(section(table("structures")["words"])[word])
    return any(stem in step.text.lower() for step in preparation.method for stem in stems)


@cache
def _classes(key: str) -> frozenset[str]:
    return frozenset(expanded(words(table("structures")[key])))


@cache
def _limit(key: str) -> float:
    return number(table("structures")[key])
