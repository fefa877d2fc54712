"""The thickening bench: how much of which thickener takes a liquid to a wanted thickness."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from typing import Literal, TypeAlias, get_args

from yellow_ladle.core.book.book import Line, Preparation, Step
from yellow_ladle.core.book.proposed_class import taken_as
from yellow_ladle.core.numbers.thickeners import (
    Thickener,
    browning,
    fat_share,
    thickeners,
)
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.thickening.thickness import Place, Span, kept, places
from yellow_ladle.core.vocabulary.flags import flag_group
from yellow_ladle.core.vocabulary.levels import Level

Goal: TypeAlias = Literal["no_gluten", "no_maize", "freezes_well", "clear", "stands_acid"]

GOALS: tuple[Goal, ...] = get_args(Goal)
STANDS = 120.0
"""Grams of flour in a litre for the last place of the scale, which has no end (panada)."""
WELL = 0.9
"""What keeps this share of its power counts as standing it."""


@dataclass(frozen=True, slots=True)
class Liquid:
    """What is to be thickened: litres of it, what is in it already, and what will happen to it.

    `already` is in grams of flour in a litre. `minutes` is the time that the thickener boils.
    """

    litres: float
    already: float = 0.0
    minutes: float = 0.0
    sour: bool = False
    milk: bool = False


@dataclass(frozen=True, slots=True)
class Roux:
    """Flour and fat in grams."""

    flour: float
    fat: float


@dataclass(frozen=True, slots=True)
class Candidate:
    """A product of the larder that is the thickener, with its levels of the gluten cereals."""

    product: str
    levels: tuple[tuple[str, Level], ...]


@dataclass(frozen=True, slots=True)
class DosageOption:
    """One thickener's amount: grams, with the range; the fat where it goes in as a roux.

    `unmet` are the goals that it does not reach. A goal about flags is reached only where a product
    of the larder is known to be free of them.
    """

    thickener: Thickener
    grams: float
    low: float
    high: float
    roux: Roux | None
    candidates: tuple[Candidate, ...]
    unmet: tuple[Goal, ...]
    cautions: tuple[str, ...]


def middle_of(place: str) -> float:
    """The grams of flour in a litre at the middle of a place of the scale."""
    known = places()
    at = next(n for n, entry in enumerate(known) if entry.id == place)
    if at + 1 == len(known):
        return STANDS
    return (known[at].start + known[at + 1].start) / 2


def options(
    reading: Reading,
    liquid: Liquid,
    place: Place,
    wanted: Iterable[str],
    goals: tuple[Goal, ...] = (),
    fat: str = "butter",
    colour: str = "white",
    *,
    equal: bool = True,
) -> list[DosageOption]:
    """The amounts of each wanted thickener side by side, those that reach every goal first."""
    needed = max(middle_of(place.id) - liquid.already, 0.0) * liquid.litres
    found = [
        _option(
            reading=reading,
            liquid=liquid,
            needed=needed,
            thickener=thickeners()[id],
            goals=goals,
            fat=fat,
            colour=colour,
            equal=equal,
        )
        for id in wanted
    ]
    return sorted(found, key=lambda option: len(option.unmet))


def roux_for(
    flour: float, thickener: Thickener, colour: str, fat: str, *, equal: bool = True
) -> Roux:
    """A roux for so many grams of wheat flour in a white one.

    With `equal` the fat weighs what the flour does; else as much pure fat goes in as butter of that
    weight would bring, so that an oil weighs less.
    """
    grams = flour * thickener.weight * browning_of(colour)
    return Roux(grams, grams if equal else grams * fat_share("butter") / fat_share(fat))


def browning_of(colour: str) -> float:
    """The weight of flour in a roux of a colour for each gram in a white one."""
    low, high = browning().get(colour, (1.0, 1.0))
    return (low + high) / 2


def thickened(grams: Mapping[str, float], litres: float, colour: str) -> Span:
    """Grams of flour in a litre that thickeners (grams by id) come to, with a roux of a colour."""
    low_share, high_share = browning()[colour]
    total = Span(0, 0, 0)
    for name, amount in grams.items():
        one = thickeners()[name]
        low, high = (low_share, high_share) if one.form == "roux" else (1.0, 1.0)
        middle = (low + high) / 2
        weighed = (amount / one.high / high, amount / one.weight / middle, amount / one.low / low)
        total = total.plus(Span(*weighed))
    return total.times(1 / litres)


def _option(
    reading: Reading,
    liquid: Liquid,
    needed: float,
    thickener: Thickener,
    goals: tuple[Goal, ...],
    fat: str,
    colour: str,
    *,
    equal: bool,
) -> DosageOption:
    left = kept(thickener, liquid.minutes, sour=liquid.sour)
    is_roux = thickener.form == "roux"
    brown = browning_of(colour) if is_roux else 1.0
    grams = needed * thickener.weight / left * brown
    roux = roux_for(needed / left, thickener, colour, fat, equal=equal) if is_roux else None
    candidates = _candidates(reading, thickener)
    cautions = list(thickener.cautions)
    if liquid.milk and thickener.with_milk:
        cautions.append(thickener.with_milk)
    return DosageOption(
        thickener=thickener,
        grams=grams,
        low=needed * thickener.low / left * brown,
        high=needed * thickener.high / left * brown,
        roux=roux,
        candidates=candidates,
        unmet=tuple(goal for goal in goals if not _reaches(thickener, candidates, goal)),
        cautions=tuple(cautions),
    )


def _candidates(reading: Reading, thickener: Thickener) -> tuple[Candidate, ...]:
    found = [
        Candidate(id, tuple((flag, reading.level(id, flag)) for flag in flag_group("gluten")))
        for id, product in reading.book.products.items()
        if taken_as(product) in thickener.classes
    ]
    return tuple(
        sorted(found, key=lambda entry: (max(lv for _, lv in entry.levels), entry.product))
    )


def _reaches(thickener: Thickener, candidates: tuple[Candidate, ...], goal: Goal) -> bool:
    match goal:
        case "no_gluten":
            return any(all(not level for _, level in entry.levels) for entry in candidates)
        case "no_maize":
            return thickener.id != "maize-starch"
        case "freezes_well":
            return thickener.frozen >= WELL
        case "clear":
            return thickener.clear
        case "stands_acid":
            return thickener.acid >= WELL


def put_in(
    preparation: Preparation,
    thickener: Thickener,
    product: str,
    grams: float,
    minutes: float | None = None,
    fat: tuple[str, float] | None = None,
) -> Preparation:
    """A preparation with a thickener from the bench in it: its line, its fat's, and its steps.

    A roux goes in first, all else at the end. `fat` is a product with its grams.
    """
    is_roux = thickener.form == "roux"
    stage, group = ("cook", "To bind") if is_roux else ("finish", "To bind at the end")
    lines = [
        Line(
            item=product,
            quantity=grams,
            unit="g",
            role="thickener",
            stage=stage,
            minutes=minutes or None,
            group=group,
        ),
        *(
            [Line(item=fat[0], quantity=fat[1], unit="g", role="fat", stage=stage, group=group)]
            if fat
            else []
        ),
    ]
    steps = [Step(text, caution=None, uses=(product,)) for text in thickener.method]
    if steps and thickener.cautions:
        steps[-1] = replace(steps[-1], caution=" ".join(thickener.cautions))
    return replace(
        preparation, lines=(*preparation.lines, *lines), method=(*preparation.method, *steps)
    )
