"""The whole menu: the fewest small pots with which every guest eats."""

from collections.abc import Mapping
from time import perf_counter
from typing import TYPE_CHECKING, Annotated, TypeAlias

from fastapi import APIRouter
from pydantic import BaseModel, Field

from yellow_ladle.api.dependencies import TheBook, preparation_or_missing
from yellow_ladle.api.errors import PROBLEMS
from yellow_ladle.api.schemas.answer_forms import Named, named
from yellow_ladle.api.schemas.plan_forms import GoalsPiece
from yellow_ladle.api.swaps.plan_routes import goals_of
from yellow_ladle.core.book.book import Book, owner_of
from yellow_ladle.core.book.tool import clean_name
from yellow_ladle.core.swaps.apply.floor_sentence import floor_sentence
from yellow_ladle.core.swaps.apply.variant_names import names_by_what_it_is
from yellow_ladle.core.swaps.item_names import short_name
from yellow_ladle.core.swaps.plan import Swap
from yellow_ladle.files.book.piece import Id, Name
from yellow_ladle.store.book_repository import Now

if TYPE_CHECKING:
    from yellow_ladle.core.swaps.menu.menu_plan import MenuPlan, Serving, SmallPot

SmallPotKey: TypeAlias = tuple[str, frozenset[Swap]]
"""A small pot by what it is made from and everything that is swapped in it or beneath it."""

router = APIRouter(prefix="/plans", tags=["swaps"], responses=PROBLEMS)


class GuestPiece(BaseModel):
    """A guest with what must be cleared or fit."""

    name: Name
    goals: GoalsPiece


class MenuIn(BaseModel):
    """The plates of a menu, its guests, and how long may be looked.

    `each`: how many plates of each course every guest is to have, null for every plate.
    """

    plates: Annotated[list[Id], Field(min_length=1, max_length=100)]
    guests: Annotated[list[GuestPiece], Field(min_length=1, max_length=100)]
    seconds: Annotated[float, Field(ge=0.1, le=30)] = 5
    each: Annotated[int, Field(ge=1, le=20)] | None = 1


class MenuPotOut(BaseModel):
    """A small pot that the menu needs. `for_guests`: who eats of it."""

    pot: Named
    name: str
    swaps: list[str]
    for_guests: list[str]


class ServingOut(BaseModel):
    """One plate for the guests who share the same goals.

    `spare`: they have enough of its course without it.
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
    pots: list[str]


class MenuOut(BaseModel):
    """How every guest eats, with the fewest small pots, or how near to that it was come."""

    servings: list[ServingOut]
    pots: list[MenuPotOut]
    optimal: bool
    bound: int
    gap: float
    milliseconds: int


@router.post("/menu")
def menu(wanted: MenuIn, now: TheBook) -> MenuOut:
    """The fewest small pots that let every guest eat, plate by plate."""
    # The solver is big; who never asks for a menu does not wait for it.
    from yellow_ladle.core.swaps.menu.menu_plan import Guest
    from yellow_ladle.core.swaps.menu.planner import plan_menu

    begun = perf_counter()
    for plate in wanted.plates:
        preparation_or_missing(now, plate)
    guests = [Guest(guest.name, goals_of(now, guest.goals)) for guest in wanted.guests]
    found = plan_menu(now.reading, wanted.plates, guests, seconds=wanted.seconds, each=wanted.each)
    return menu_out(now, found, begun)


def menu_out(now: Now, found: "MenuPlan", begun: float) -> MenuOut:
    """A menu's answer in names and sentences."""
    names: dict[SmallPotKey, str] = {}
    for serving in found.servings:
        called = {} if serving.plan is None else names_by_what_it_is(now.reading, serving.plan)
        for pot in serving.pots:
            names.setdefault(_key(pot), called.get(pot.pot, now.reading.book.name(pot.pot)))
    return MenuOut(
        servings=[_serving(now, serving, names) for serving in found.servings],
        pots=[_pot(now.reading.book, pot, names) for pot in found.pots],
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


def _serving(now: Now, serving: "Serving", names: Mapping[SmallPotKey, str]) -> ServingOut:
    book, plan = now.reading.book, serving.plan
    return ServingOut(
        plate=named(book, serving.plate),
        guests=list(serving.guests),
        goals=serving.goals.words(),
        possible=plan is not None,
        meets=plan is not None and plan.meets,
        as_usual=plan is not None and not plan.changed,
        same_dish=plan is None or plan.same_dish,
        spare=serving.spare,
        sentence="" if plan is None else floor_sentence(now.reading, plan, serving.goals),
        pots=[names[_key(pot)] for pot in serving.pots],
    )
