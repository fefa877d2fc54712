"""Kitchens of the chefs' questions, and whether a plan is what they would cook.

`tests/swaps/<name>.toml` holds a kitchen in short form with its questions.
"""

import re
import tomllib
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path
from typing import Any

from tests.kitchens import book, product
from yellow_ladle.core.book.book import Book, Line, Preparation, Step, Yield
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.search.proposal import propose

SWAPS = Path(__file__).resolve().parent / "swaps"
LINE = re.compile(r"(\S+) ([\d.]+) (\S+) (\w+)((?: \w+)*)")
LOOKED_AT = 3


@dataclass(frozen=True, slots=True)
class Question:
    """What is asked, the sets of moves that a chef would cook, and items that would be absurd."""

    item: str
    goals: Goals
    first: tuple[tuple[str, ...], ...]
    never: tuple[str, ...]
    impossible: bool


@dataclass(frozen=True, slots=True)
class Mark:
    """How an answer compares: `first` is cooked, `absurd` are moves that nobody would make."""

    question: Question
    first: bool
    absurd: tuple[str, ...]
    told: str


def kitchen(name: str) -> tuple[Reading, list[Question]]:
    """A kitchen and the questions that are asked of it."""
    data = tomllib.loads((SWAPS / f"{name}.toml").read_text("utf-8"))
    return read(_book(data)), [_question(each) for each in data["question"]]


def marks(name: str) -> Iterator[Mark]:
    """Every question of a kitchen with how its first plans compare."""
    before, asked = kitchen(name)
    for question in asked:
        yield mark(before, question)


def mark(before: Reading, question: Question) -> Mark:
    """How the first plans for a question compare with a chef's answer."""
    plans = propose(before, question.item, question.goals, LOOKED_AT).plans
    meeting = [plan for plan in plans if plan.meets]
    first = meeting[0] if meeting and plans[0].meets else None
    told = "; ".join(_told(swap) for swap in _moves(first)) if first else "no plan meets"
    if question.impossible:
        good = first is None or not first.same_dish
    else:
        good = first is not None and any(_same(moves, first) for moves in question.first)
    absurd = [_told(s) for plan in meeting for s in _moves(plan) if s.to in question.never]
    return Mark(question, good, tuple(absurd), told)


def _same(moves: tuple[str, ...], plan: Plan) -> bool:
    """Whether a plan makes just these moves."""
    left = _moves(plan)
    for move in moves:
        where, _, rest = move.partition(": ")
        from_, _, to = rest.partition(" -> ")
        wanted = {(where, from_, each.strip()) for each in to.split("|")}
        made = [s for s in left if (s.in_, s.from_, s.to or "-") in wanted]
        if not made:
            return False
        left.remove(made[0])
    return not left


def _moves(plan: Plan) -> list[Any]:
    return [swap for swap in plan.swaps if swap.from_ is not None]


def _told(swap: Any) -> str:
    return f"{swap.in_}: {swap.from_} -> {swap.to or '-'}"


def _book(data: dict[str, Any]) -> Book:
    goods = [
        product(id, contains, class_, may=may[0] if may else "")
        for id, (class_, contains, *may) in data["products"].items()
    ]
    goods.append(product("water"))
    return book(*goods, *(_pot(id, row) for id, row in data["pots"].items()))


def _pot(id: str, row: dict[str, Any]) -> Preparation:
    lines = [_line(text) for text in row["lines"]]
    grams = sum(line.quantity for line in lines if not line.strained_out)
    if "water" in row:
        lines.append(Line("water", row["water"], "ml", "liquid"))
        grams = row["water"] * 0.7
    dish = row["kind"] == "dish"
    return Preparation(
        id,
        id.replace("-", " ").capitalize(),
        row["kind"],
        class_=row.get("class"),
        colour=row.get("colour"),
        lines=tuple(lines),
        yield_=Yield(8, "portion") if dish else Yield(grams, "g"),
        portions=8 if dish else None,
        method=tuple(Step(text) for text in row["steps"]),
    )


def _line(text: str) -> Line:
    found = LINE.fullmatch(text)
    assert found is not None, text
    item, amount, unit, role, rest = found.groups()
    words = rest.split()
    stage = next((word for word in words if word in ("finish", "garnish")), "cook")
    strained = "strained" in words
    return Line(item, float(amount), unit, role, stage=stage, strained_out=strained)


def _question(row: dict[str, Any]) -> Question:
    goals = Goals(tuple(row.get("clear", ())), tuple(row.get("fit", ())))
    first = tuple(tuple(each.strip() for each in moves.split(";")) for moves in row["first"])
    never = tuple(row.get("never", ()))
    return Question(row["item"], goals, first, never, row.get("impossible", False))
