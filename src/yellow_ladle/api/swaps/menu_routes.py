"""The whole menu: the fewest small pots with which every guest eats."""

from collections.abc import Mapping
from time import perf_counter
from typing import TYPE_CHECKING, Annotated, Literal, TypeAlias

from fastapi import APIRouter
from pydantic import BaseModel, Field

from yellow_ladle.api.dependencies import TheBook, preparation_or_missing
from yellow_ladle.api.schemas.answer_forms import Named, named
from yellow_ladle.api.schemas.plan_forms import GoalsPiece
from yellow_ladle.api.swaps.plan_routes import goals_of
from yellow_ladle.core.book.book import Book, owner_of
from yellow_ladle.core.book.tool import clean_name
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.swaps.apply.floor_sentence import floor_sentence
from yellow_ladle.core.swaps.apply.variant_names import names_by_what_it_is
from yellow_ladle.core.swaps.library.bases import base_library
from yellow_ladle.core.swaps.menu.menu_sentences import gain_sentence, sharing_sentence
from yellow_ladle.core.swaps.menu.refusal import refusal
from yellow_ladle.core.swaps.plans.item_names import short_name
from yellow_ladle.core.swaps.plans.swap import Swap
from yellow_ladle.files.book.piece import Id, Name
from yellow_ladle.store.documents import Now

if TYPE_CHECKING:
    from yellow_ladle.core.swaps.menu.gains import Gain
    from yellow_ladle.core.swaps.menu.menu_plan import Guest, MenuPlan, Serving, SmallPot

SmallPotKey: TypeAlias = tuple[str, frozenset[Swap]]
"""A small pot by what it is made from and everything that is swapped in it or beneath it."""

GainKindWord: TypeAlias = Literal["pot", "purchase", "label"]
"""What would do something for a menu."""

router = APIRouter(prefix="/plans", tags=["swaps"])


class GuestPiece(BaseModel):
    """A guest with what must be cleared or fit."""

    name: Name
    goals: GoalsPiece


class MenuIn(BaseModel):
    """The plates of a menu, its guests, and how long may be looked.

    `each`: how many plates of each course every guest is to have, null for every plate. With no
    `seconds` the answer is the first, which is made without a search.
    """

    plates: Annotated[list[Id], Field(min_length=1, max_length=100)]
    guests: Annotated[list[GuestPiece], Field(min_length=1, max_length=100)]
    seconds: Annotated[float, Field(ge=0, le=30)] = 5
    each: Annotated[int, Field(ge=1, le=20)] | None = 1


class MenuPotOut(BaseModel):
    """A small pot that the menu needs. `for_guests`: who eats of it."""

    pot: Named
    name: str
    swaps: list[str]
    for_guests: list[str]


class ServingOut(BaseModel):
    """One plate for the guests who share the same goals.

    `spare`: they have enough of its course without it. `refusal`: what stands in the way where no
    plan exists. `shared`: a sentence for each pot that they
    eat of although it is made otherwise only for others.
    """

    plate: Named
    guests: list[str]
    goals: str
    possible: bool
    meets: bool
    as_usual: bool
    same_dish: bool
    spare: bool
    sentence: str
    refusal: str
    shared: list[str]
    pots: list[str]


class MenuOut(BaseModel):
    """How every guest eats, with the fewest small pots, or how near to that it was come.

    `cards`: shipped bases that have to be made besides.
    """

    servings: list[ServingOut]
    pots: list[MenuPotOut]
    cards: list[str]
    optimal: bool
    bound: int
    gap: float
    milliseconds: int


class GainOut(BaseModel):
    """What one more pot, purchase or label would do. `subject`: the product whose label it is."""

    kind: GainKindWord
    subject: Named | None
    sentence: str
    flags: list[str]


@router.post("/menu")
def menu(wanted: MenuIn, now: TheBook) -> MenuOut:
    """The fewest small pots that let every guest eat, plate by plate."""
    begun = perf_counter()
    return menu_out(now, asked(wanted, now), begun)


@router.post("/menu/gains")
def menu_gains(wanted: MenuIn, now: TheBook) -> list[GainOut]:
    """What one more pot, one purchase and one label would do for a menu, where they would do any.

    `seconds` bound each of the three.
    """
    from yellow_ladle.core.swaps.menu.gains import MenuGains

    found = asked(wanted, now)
    gains = MenuGains(
        now.reading,
        wanted.plates,
        guests_of(wanted, now),
        found,
        each=wanted.each,
        library=base_library(now.reading),
        seconds=wanted.seconds,
    )
    answers = (gains.one_more_pot(), gains.one_purchase(), gains.one_label())
    return [_gain(now, found, gain) for gain in answers if gain is not None]


def asked(wanted: MenuIn, now: Now) -> "MenuPlan":
    """The answer for a menu; refuses plates, flags and diets that nobody knows."""
    # The solver is big; who never asks for a menu does not wait for it.
    from yellow_ladle.core.swaps.menu.planner import plan_menu

    return plan_menu(
        now.reading,
        wanted.plates,
        guests_of(wanted, now),
        seconds=wanted.seconds,
        each=wanted.each,
        library=base_library(now.reading),
    )


def guests_of(wanted: MenuIn, now: Now) -> "list[Guest]":
    """The guests of a menu whose plates are there."""
    from yellow_ladle.core.swaps.menu.menu_plan import Guest

    for plate in wanted.plates:
        preparation_or_missing(now, plate)
    return [Guest(guest.name, goals_of(now, guest.goals)) for guest in wanted.guests]


def menu_out(now: Now, found: "MenuPlan", begun: float) -> MenuOut:
    """A menu's answer in names and sentences."""
    names: dict[SmallPotKey, str] = {}
    for serving in found.servings:
        called = {}
        if serving.plan is not None:
            called = names_by_what_it_is(_with_cards(now, serving), serving.plan)
        for pot in serving.pots:
            names.setdefault(_key(pot), called.get(pot.pot, now.reading.book.name(pot.pot)))
    library = base_library(now.reading)
    book = library.only(found.cards).book if found.cards else now.reading.book
    return MenuOut(
        servings=[_serving(now, serving, names) for serving in found.servings],
        pots=[_pot(book, pot, names) for pot in found.pots],
        cards=[book.name(card) for card in found.cards],
        optimal=found.optimal,
        bound=found.bound,
        gap=round(found.gap, 4),
        milliseconds=round((perf_counter() - begun) * 1000),
    )


def _key(pot: "SmallPot") -> SmallPotKey:
    return pot.pot, frozenset(pot.within)


def _pot(book: Book, pot: "SmallPot", names: Mapping[SmallPotKey, str]) -> MenuPotOut:
    return MenuPotOut(
        pot=named(book, pot.pot),
        name=names[_key(pot)],
        swaps=[
            *(_swap(book, pot, swap) for swap in pot.swaps),
            *(f"through a {clean_name(move.tool, book.tools)}" for move in pot.cleaned),
        ],
        for_guests=list(pot.guests),
    )


def _swap(book: Book, pot: "SmallPot", swap: Swap) -> str:
    old = short_name(book, swap.from_)
    if swap.to is None:
        return f"{old} → left out"
    if owner_of(swap.to) in {other.in_ for other in pot.within}:
        return f"{old} → that {book.name(swap.to)}"
    return f"{old} → {short_name(book, swap.to)}"


def _with_cards(now: Now, serving: "Serving") -> Reading:
    """The kitchen's reading with the bases that a serving is made with."""
    cards = serving.plan.cards if serving.plan is not None else ()
    return base_library(now.reading).only(cards) if cards else now.reading


def _gain(now: Now, found: "MenuPlan", gain: "Gain") -> GainOut:
    book = now.reading.book
    names = {flag.id: flag.name for flag in book.flags}
    is_item = gain.kind == "label"
    return GainOut(
        kind=gain.kind,
        subject=named(book, gain.subject) if is_item else None,
        sentence=gain_sentence(book, gain, found.made),
        flags=[names[flag] for flag in gain.flags],
    )


def _refusal(now: Now, serving: "Serving") -> str:
    if serving.plan is not None or serving.spare:
        return ""
    library = base_library(now.reading)
    return refusal(now.reading, serving.plate, serving.goals, library)


def _serving(now: Now, serving: "Serving", names: Mapping[SmallPotKey, str]) -> ServingOut:
    plan, reading = serving.plan, _with_cards(now, serving)
    return ServingOut(
        plate=named(reading.book, serving.plate),
        guests=list(serving.guests),
        goals=serving.goals.words(),
        possible=plan is not None,
        meets=plan is not None and plan.meets,
        as_usual=plan is not None and not plan.changed,
        same_dish=plan is None or plan.same_dish,
        spare=serving.spare,
        sentence="" if plan is None else floor_sentence(reading, plan, serving.goals),
        refusal=_refusal(now, serving),
        shared=[sharing_sentence(reading.book, part) for part in serving.shared],
        pots=[names[_key(pot)] for pot in serving.pots],
    )
