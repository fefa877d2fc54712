"""The amount of the new item in a swap, computed from what the old one did, with the reason."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache

from yellow_ladle.core.book.book import Line, Preparation
from yellow_ladle.core.book.proposed_class import taken_as
from yellow_ladle.core.numbers.balance import CARRIED, Balance
from yellow_ladle.core.numbers.thickeners import browned, fat_share, thickener_of
from yellow_ladle.core.swaps.plans.item_names import short_name
from yellow_ladle.core.swaps.rules.swap_rules import SwapRule
from yellow_ladle.core.thickening.thickness import is_sour, kept
from yellow_ladle.core.vocabulary.toml import number, section, table

STARCH = CARRIED.index("starch")


@dataclass(frozen=True, slots=True)
class Worked:
    """An amount with the sentence that says how it came about; empty where it is by the rule."""

    quantity: float
    unit: str
    why: str = ""


def worked_out(
    balance: Balance, preparation: Preparation, line: Line, to: str, rule: SwapRule
) -> Worked:
    """The amount of a new item for a line of a preparation, by the rule's law.

    Where what the law asks for is not recorded, the rule's ratio serves, in the line's unit.
    """
    found = None
    match rule.law:
        case "thickening":
            found = _thickening(
                balance=balance, preparation=preparation, line=line, to=to, stage=rule.stage
            )
        case "fat":
            found = _fat(balance, line, to)
        case "volume":
            found = _volume(balance, line, to, rule.ratio)
        case "acid":
            found = _acid(balance, line, to)
        case "weight":
            pass
    return found or _by_ratio(balance, line, rule.ratio)


def _by_ratio(balance: Balance, line: Line, ratio: float) -> Worked:
    """The rule's ratio in the line's unit; in grams where that counts pieces of the old item."""
    unit = balance.book.units.get(line.unit)
    grams = balance.line_grams(line) if unit is not None and unit.kind == "piece" else None
    if grams:
        return Worked(round(grams * ratio, 1), "g")
    return Worked(round(line.quantity * ratio, 2), line.unit)


def _thickening(
    balance: Balance, preparation: Preparation, line: Line, to: str, stage: str | None
) -> Worked | None:
    sour = is_sour(balance, preparation)
    flour = _as_flour(balance, preparation, line, sour=sour)
    if not flour:
        return None
    product = balance.book.products.get(to)
    if product is None:
        in_a_gram = balance.of(to).per_gram[STARCH]
        if not in_a_gram:
            return None
        grams = flour / in_a_gram
    else:
        thickener = thickener_of().get(taken_as(product) or "")
        if thickener is None:
            return None
        minutes = 0.0 if stage == "finish" else line.minutes or 0.0
        grams = flour * thickener.weight / kept(thickener, minutes, sour=sour)
        if thickener.form == "roux":
            grams *= sum(browned(preparation)) / 2
    name = short_name(balance.book, to)
    why = f"{flour:.3g} g of flour in a white roux bind as {grams:.3g} g of {name} do"
    return _in_unit_of(balance, line, grams, why)


def _as_flour(
    balance: Balance, preparation: Preparation, line: Line, *, sour: bool
) -> float | None:
    """What a line binds in its pot, in grams of wheat flour in a white roux."""
    grams = balance.line_grams(line)
    if grams is None:
        return None
    product = balance.book.products.get(line.item)
    if product is None:
        return grams * balance.of(line.item).per_gram[STARCH]
    thickener = thickener_of().get(taken_as(product) or "")
    if thickener is None:
        return None
    brown = sum(browned(preparation)) / 2 if thickener.form == "roux" else 1.0
    return grams / thickener.weight / brown * kept(thickener, line.minutes or 0.0, sour=sour)


def _fat(balance: Balance, line: Line, to: str) -> Worked | None:
    old, new = balance.book.products.get(line.item), balance.book.products.get(to)
    grams = balance.line_grams(line)
    if old is None or new is None or not grams:
        return None
    had, has = fat_share(taken_as(old)), fat_share(taken_as(new))
    if had == has:
        return _in_unit_of(balance, line, grams, "")
    names = short_name(balance.book, line.item), short_name(balance.book, to)
    why = f"{names[0]} is {had:.0%} fat, {names[1]} {has:.0%}"
    return _in_unit_of(balance, line, grams * had / has, why)


def _volume(balance: Balance, line: Line, to: str, ratio: float) -> Worked | None:
    unit = balance.book.units.get(line.unit)
    if unit is None or unit.kind == "piece":
        return None
    if unit.kind == "volume":
        return Worked(round(line.quantity * ratio, 2), line.unit)
    was, will = balance.density(line.item), balance.density(to)
    if not was or not will or was == will:
        return None
    why = f"the same volume: {will:g} g to the millilitre for {was:g} g"
    return Worked(round(line.quantity * ratio * will / was, 2), line.unit, why)


def _acid(balance: Balance, line: Line, to: str) -> Worked | None:
    old, new = balance.book.products.get(line.item), balance.book.products.get(to)
    grams = balance.line_grams(line)
    if old is None or new is None or not grams:
        return None
    had, has = sourness().get(taken_as(old) or ""), sourness().get(taken_as(new) or "")
    if not had or not has:
        return None
    needed = grams * had / has
    names = short_name(balance.book, line.item), short_name(balance.book, to)
    why = f"{grams:.3g} g of {names[0]} are as sour as {needed:.3g} g of {names[1]}"
    return _in_unit_of(balance, line, needed, why)


@cache
def sourness() -> Mapping[str, float]:
    """Grams of acid in 100 g of each class that is sour (data/acids.toml)."""
    return {class_: number(value) for class_, value in section(table("acids")["acid"]).items()}


def _in_unit_of(balance: Balance, line: Line, grams: float, why: str) -> Worked:
    """Grams in the line's own unit of weight, or in grams where it is measured otherwise."""
    unit = balance.book.units.get(line.unit)
    if unit is not None and unit.kind == "weight" and unit.size and not unit.about:
        digits = 1 if unit.size == 1 else 3
        return Worked(round(grams / unit.size, digits), line.unit, why)
    return Worked(round(grams, 1), "g", why)
