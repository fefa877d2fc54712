"""How thick a pot will be: a predicted place on a scale of our own, with a range.

Everything is counted in grams of wheat flour in a white roux, per litre of what comes out. The
figures are those of data/thickeners.toml and data/thickness.toml; then the spoon test.
"""

import re
from collections.abc import Collection, Mapping
from dataclasses import dataclass
from functools import cache

from yellow_ladle.core.book.book import Line, Preparation, owner_of
from yellow_ladle.core.book.proposed_class import taken_as
from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.numbers.thickeners import (
    Body,
    Thickener,
    bodies,
    browned,
    is_fat,
    milky_classes,
    sour_classes,
    sour_share,
    thickener_of,
    thickeners,
)
from yellow_ladle.core.vocabulary.toml import number, rows, table

HALF_HOUR = 30.0
MIN_LEFT = 0.25
"""However long a slurry boils, this share of its power is counted on."""


@dataclass(frozen=True, slots=True)
class Place:
    """One place of the scale; it begins at `start` grams of flour in a litre."""

    id: str
    name: str
    start: float


@dataclass(frozen=True, slots=True)
class Span:
    """Grams of flour in a litre: the middle, and the ends of the range."""

    low: float
    middle: float
    high: float

    def times(self, factor: float) -> "Span":
        """The same, all of it multiplied."""
        return Span(self.low * factor, self.middle * factor, self.high * factor)

    def plus(self, other: "Span") -> "Span":
        """Both together."""
        return Span(self.low + other.low, self.middle + other.middle, self.high + other.high)


NO_SPAN = Span(0.0, 0.0, 0.0)


@dataclass(frozen=True, slots=True)
class Thickness:
    """The prediction for one pot: hot, lukewarm, and after it was frozen, in grams per litre.

    `effects` say in sentences what weakens or spoils it; `at_least` holds where a weight is not
    known that may thicken as well.
    """

    hot: Span
    lukewarm: Span
    thawed: Span
    effects: tuple[str, ...]
    at_least: bool
    given: Mapping[str, Span]
    """What each thickener or body gives, by its id or name."""


@cache
def places() -> tuple[Place, ...]:
    """The scale, from the thinnest on."""
    found = rows(table("thickness")["place"])
    return tuple(Place(str(r["id"]), str(r["name"]), number(r["from"])) for r in found)


def place_of(grams_per_litre: float) -> Place:
    """Where on the scale an amount of flour in a litre stands."""
    return max(
        (place for place in places() if place.start <= grams_per_litre),
        key=lambda place: place.start,
        default=places()[0],
    )


def position(grams_per_litre: float) -> float:
    """Where along the scale an amount stands, 0 to 1, the places all being as wide."""
    known = places()
    at = known.index(place_of(grams_per_litre))
    start = known[at].start
    end = known[at + 1].start if at + 1 < len(known) else start * 4 / 3
    return min((at + (grams_per_litre - start) / (end - start)) / len(known), 1.0)


def place_number(grams_per_litre: float) -> float:
    """Where along the scale an amount stands, in places from its thin end."""
    return position(grams_per_litre) * len(places())


@cache
def on_cooling() -> float:
    """By how much a pot thickens between serving heat and lukewarm."""
    return number(table("thickness")["lukewarm"])


def thickness(balance: Balance, preparation: str) -> Thickness:
    """What a preparation's thickness will be."""
    made = balance.book.preparations[preparation]
    content = balance.of(preparation)
    given = _given(balance, preparation, {})
    litres = content.grams / (balance.density(preparation) or 1.0) / 1000
    per_litre = {
        id: span.times(content.grams / litres if litres else 0.0) for id, span in given.items()
    }
    hot, thawed = NO_SPAN, NO_SPAN
    for id, span in per_litre.items():
        known = thickeners().get(id)
        hot = hot.plus(span)
        thawed = thawed.plus(span.times(known.frozen if known else 1.0))
    unknown = any(
        poured.grams is None and _may_thicken(balance, poured.item)
        for poured in balance.poured(made)
    )
    effects = tuple(_effects(balance, made, per_litre))
    return Thickness(
        hot=hot,
        lukewarm=hot.times(on_cooling()),
        thawed=thawed,
        effects=effects,
        at_least=unknown,
        given=per_litre,
    )


def is_dough(balance: Balance, preparation: Preparation) -> bool:
    """Whether flour is what a preparation is made of: it keeps what it binds to itself.

    A dumpling in a stew and the lid on a pie thicken nothing. Flour and fat alone are no dough.
    """
    if preparation.kind == "roux":
        return False
    total = flour = fat = 0.0
    for poured in balance.poured(preparation):
        product = balance.book.products.get(poured.item)
        class_ = (taken_as(product) if product else None) or ""
        grams = poured.grams or 0.0
        total += grams
        if is_fat(class_):
            fat += grams
        elif class_ in thickener_of() and thickener_of()[class_].form == "roux":
            flour += grams
    return flour + fat < total and flour >= total * _dough_flour()


@cache
def _dough_flour() -> float:
    return number(table("structures")["dough_flour"])


def binding(balance: Balance, preparation: Preparation, line: Line) -> float:
    """Grams of flour in a white roux that a line of a preparation stands for."""
    known = {}
    owner = owner_of(line.item)
    if owner in balance.book.preparations:
        known = {owner: _given(balance, owner, {})}
    grams, sour = balance.line_grams(line) or 0.0, is_sour(balance, preparation)
    return sum(
        span.middle * grams * _share_kept(name, line, sour=sour)
        for name, span in _of_line(balance, preparation, line, known).items()
    )


def kept(thickener: Thickener, minutes: float, *, sour: bool) -> float:
    """The share of a thickener's power left after its minutes in the pot."""
    boiled = 1.0 - (1.0 - thickener.boiled) * minutes / HALF_HOUR
    return max(boiled, min(MIN_LEFT, thickener.boiled)) * (thickener.acid if sour else 1.0)


def is_sour(balance: Balance, preparation: Preparation) -> bool:
    """Whether enough sour goods go straight into a pot to weaken a slurry."""
    total = sour = 0.0
    for line in (preparation.lines[index] for index in preparation.counted()):
        product, grams = balance.book.products.get(line.item), balance.about_grams(line) or 0.0
        total += grams
        if product is not None and taken_as(product) in sour_classes():
            sour += grams
    return total > 0 and sour / total >= sour_share()


def holds_milk(balance: Balance, preparation: str) -> bool:
    """Whether milk or cream is anywhere in a pot."""
    return _holds(balance, preparation, milky_classes())


def holds_thickener(balance: Balance, preparation: str) -> bool:
    """Whether flour or a starch is anywhere in a pot."""
    return _holds(balance, preparation, thickener_of().keys())


def _holds(balance: Balance, preparation: str, classes: Collection[str]) -> bool:
    waiting, seen = [preparation], set[str]()
    while waiting:
        id = waiting.pop()
        product = balance.book.products.get(id)
        if product is not None and taken_as(product) in classes:
            return True
        made = balance.book.preparations.get(id)
        if made is not None and id not in seen:
            seen.add(id)
            waiting += [owner_of(made.lines[index].item) for index in made.counted()]
    return False


def _given(
    balance: Balance, preparation: str, known: dict[str, dict[str, Span]]
) -> dict[str, Span]:
    """Per thickener and body what one gram of a preparation holds of it, in grams of flour."""
    for id in balance.bases_first(preparation):
        made = balance.book.preparations[id]
        found: dict[str, Span] = {}
        low, high = browned(made)
        sour = is_sour(balance, made)
        for poured in balance.poured(made):
            line = made.lines[poured.index]
            for name, span in _of_line(balance, made, line, known).items():
                thickener = thickeners().get(name)
                share = _share_kept(name, line, sour=sour)
                here = span.times((poured.grams or 0.0) * share)
                if thickener is not None and line.item in balance.book.products:
                    middle = here.middle / ((low + high) / 2)
                    here = Span(here.low / high, middle, here.high / low)
                found[name] = found.get(name, NO_SPAN).plus(here)
        grams = balance.of(id).grams
        known[id] = {name: span.times(1 / grams) for name, span in found.items()} if grams else {}
    return known[preparation]


def _share_kept(name: str, line: Line, *, sour: bool) -> float:
    thickener = thickeners().get(name)
    return 1.0 if thickener is None else kept(thickener, line.minutes or 0, sour=sour)


def _of_line(
    balance: Balance, preparation: Preparation, line: Line, known: Mapping[str, dict[str, Span]]
) -> Mapping[str, Span]:
    """What one gram of a line's item gives."""
    product = balance.book.products.get(line.item)
    if product is None:
        owner = owner_of(line.item)
        if is_dough(balance, balance.book.preparations[owner]):
            return {}
        return known.get(owner, {})
    thickener = thickener_of().get(taken_as(product) or "")
    if thickener is not None:
        ends = (1 / thickener.high, 1 / thickener.weight, 1 / thickener.low)
        return {thickener.id: Span(*ends)}
    if line.strained_out:
        return {}
    given = bodies().get(taken_as(product) or "", ())
    body = next((body for body in given if _counts(balance, preparation, line, body)), None)
    if body is None:
        return {}
    return {body.name: Span(body.low / 100, (body.low + body.high) / 200, body.high / 100)}


def _counts(balance: Balance, preparation: Preparation, line: Line, body: Body) -> bool:
    """Whether something gives body in a pot, by its stage, its card's words and what else binds."""
    if body.stages and line.stage not in body.stages:
        return False
    if body.alone and holds_thickener(balance, preparation.id):
        return False
    told = " ".join(step.text for step in preparation.method)
    return not body.only_if or _says(body.only_if).search(told) is not None


@cache
def _says(words: tuple[str, ...]) -> re.Pattern[str]:
    return re.compile(rf"\b(?:{'|'.join(words)})(?:e?s|e?d|ing)?\b", re.I)


def _may_thicken(balance: Balance, item: str) -> bool:
    product = balance.book.products.get(item)
    if product is None:
        return True
    return taken_as(product) in thickener_of() or taken_as(product) in bodies()


def _effects(balance: Balance, preparation: Preparation, given: Mapping[str, Span]) -> list[str]:
    found: list[str] = []
    sour = is_sour(balance, preparation)
    milk = holds_milk(balance, preparation.id)
    for id in given:
        thickener = thickeners().get(id)
        if thickener is None:
            continue
        name = thickener.name[0].upper() + thickener.name[1:]
        if milk and thickener.with_milk:
            found.append(f"{name}: {thickener.with_milk[0].lower()}{thickener.with_milk[1:]}")
        if thickener.form == "slurry" and sour and thickener.acid < 1:
            found.append(f"{name} keeps {thickener.acid:.0%} of its power in a pot this sour.")
        minutes = _longest(balance, preparation, thickener)
        if thickener.boiled < 1 and minutes:
            left = kept(thickener, minutes, sour=False)
            found.append(f"{name} keeps {left:.0%} of its power after {minutes:g} minutes.")
        if thickener.frozen <= 0.5:
            found.append(f"{name} breaks when it is frozen, and weeps as it thaws.")
    for index in preparation.counted():
        base = balance.book.preparations.get(preparation.lines[index].item)
        if base is not None and sum(browned(base)) / 2 > 1:
            weight = sum(browned(base)) / 2
            told = f"it takes {weight:g} g of flour for each gram in a white one"
            found.append(f"{base.name}: browned, {told}.")
    return found


def _longest(balance: Balance, preparation: Preparation, thickener: Thickener) -> float:
    minutes = 0.0
    for index in preparation.counted():
        line = preparation.lines[index]
        product = balance.book.products.get(line.item)
        if product is not None and taken_as(product) in thickener.classes:
            minutes = max(minutes, line.minutes or 0.0)
    return minutes
