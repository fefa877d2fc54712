"""What thickens, how strongly, and what weakens it: the rows of data/thickeners.toml."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache
from typing import Literal, TypeAlias

from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.vocabulary.structured import ClassList, structured
from yellow_ladle.core.vocabulary.toml import number, numbers, rows, section, table, words

FATS = ("butter", "margarine", "lard", "suet")
FAT_ENDINGS = ("-oil", "-dripping", "-fat", "-block")

Form: TypeAlias = Literal["roux", "slurry", "blend"]


@dataclass(frozen=True, slots=True)
class Thickener:
    """One thickener. `low` and `high` grams of it stand for one gram of flour in a white roux.

    `boiled` is the share of its power left after half an hour in the pot, `acid` that left in a
    sour pot, `frozen` that left after freezing; all from 0 to 1.
    """

    id: str
    name: str
    classes: tuple[str, ...]
    low: float
    high: float
    form: Form
    boiled: float
    acid: float
    frozen: float
    clear: bool
    method: tuple[str, ...]
    cautions: tuple[str, ...]
    with_milk: str = ""

    @property
    def weight(self) -> float:
        """The middle of the range: grams of it for one gram of flour."""
        return (self.low + self.high) / 2


@dataclass(frozen=True, slots=True)
class Body:
    """What gives body besides thickeners: 100 g of it stand for `low` to `high` grams of flour.

    `only_if` are words of a step without which it does not count, `stages` those where it does.
    With `alone` it counts only where nothing in the pot is a thickener.
    """

    name: str
    classes: ClassList
    low: float
    high: float
    only_if: tuple[str, ...] = ()
    stages: tuple[str, ...] = ()
    alone: bool = False


@cache
def thickeners() -> Mapping[str, Thickener]:
    """Every thickener by its id, in the order of the table."""
    found: dict[str, Thickener] = {}
    for id, value in section(table("thickeners")["thickener"]).items():
        low, high = numbers(section(value)["weight"])
        found[id] = structured(Thickener, value, besides=("weight",), id=id, low=low, high=high)
    return found


@cache
def thickener_of() -> Mapping[str, Thickener]:
    """The thickener that products of a class are."""
    return {word: thickener for thickener in thickeners().values() for word in thickener.classes}


@cache
def bodies() -> Mapping[str, tuple[Body, ...]]:
    """What gives body, by the class of its products; of several the first that holds counts."""
    found: dict[str, tuple[Body, ...]] = {}
    for row in rows(table("thickeners")["body"]):
        low, high = numbers(row["gives"])
        body = structured(Body, row, besides=("gives",), low=low, high=high)
        for class_ in body.classes:
            found[class_] = (*found.get(class_, ()), body)
    return found


@cache
def browning() -> Mapping[str, tuple[float, float]]:
    """Per colour of a roux the weight that stands for one gram in a white one, low and high."""
    found: dict[str, tuple[float, float]] = {}
    for colour, value in section(table("thickeners")["roux"]).items():
        low, high = numbers(value)
        found[colour] = (low, high)
    return found


def browned(preparation: Preparation) -> tuple[float, float]:
    """How much more of a flour a preparation needs because it is browned there: 1 where it is not.

    Only a roux browns its flour; its colour, or else the colour that its class names, decides.
    """
    if preparation.kind != "roux":
        return (1.0, 1.0)
    colour = preparation.colour or (preparation.class_ or "").partition("-")[0]
    return browning().get(colour, (1.0, 1.0))


@cache
def fat_share(class_: str) -> float:
    """The share of fat, 0 to 1, in a product of a class that a roux is made with."""
    shares = section(table("thickeners")["fat"])
    return number(shares[class_] if class_ in shares and class_ != "source" else shares["other"])


def is_fat(class_: str) -> bool:
    """Whether goods of a class are a fat that a roux can be made with."""
    return class_ in FATS or class_.endswith(FAT_ENDINGS)


@cache
def sour_classes() -> frozenset[str]:
    """The classes of what makes a pot sour."""
    return frozenset(words(section(table("thickeners")["sour"])["classes"]))


@cache
def sour_share() -> float:
    """From this share of what goes in on, a pot is sour enough to weaken a slurry."""
    return number(section(table("thickeners")["sour"])["share"])


@cache
def milky_classes() -> frozenset[str]:
    """The classes of what turns some thickeners slimy."""
    return frozenset(words(section(table("thickeners")["milky"])["classes"]))
