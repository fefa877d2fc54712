"""The planner: against brute force, as the book grows, for the demo's plates, and for menus."""

import time
from collections.abc import Callable
from functools import partial
from random import Random
from statistics import median

from tests.brute_force import BruteForce
from tests.random_swaps import small_kitchen
from yellow_ladle.core.book.book import Book, Kitchen, Line, Preparation
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.larder.starting_points import goods
from yellow_ladle.core.reading.reading import read
from yellow_ladle.core.swaps.menu.menu_plan import Guest
from yellow_ladle.core.swaps.menu.planner import plan_menu
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.search.candidates import Proposer
from yellow_ladle.core.swaps.search.proposal import propose
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.demo.kitchen import demo_book

THREE = Goals(("wheat", "milk"), ("vegetarian",))
RUNS = 5
BASES = ("stock", "roux", "sauce", "sauce", "dish")
LINES = {
    "stock": (("onion", "aromatic"), ("celery", "aromatic"), ("poultry", "body")),
    "roux": (("wheat-flour", "thickener"), ("butter", "fat")),
    "sauce": (("cream", "enrichment"), ("white-wine", "liquid"), ("onion", "aromatic")),
    "dish": (("hard-cheese", "topping"), ("potato", "body"), ("butter", "fat")),
}


def main() -> None:
    against_brute_force()
    growing()
    demo_plates()
    menus()


def against_brute_force() -> None:
    """The small books that brute force manages, from those with many combinations."""
    brute = planner = 0.0
    books = same = 0
    for seed in range(1_200):
        kitchen = small_kitchen(seed)
        before = read(kitchen.book)
        tried = BruteForce(
            before, kitchen.item, kitchen.goals, Proposer(before, rules=kitchen.rules)
        )
        if not 2_000 <= tried.combinations() <= 20_000:
            continue
        books += 1
        start = time.perf_counter()
        front = tried.front
        brute += time.perf_counter() - start
        start = time.perf_counter()
        found = propose(before, kitchen.item, kitchen.goals, 1_000, rules=kitchen.rules)
        planner += time.perf_counter() - start
        same += {plan.score for plan in found.plans if plan.meets} == front
    print(f"{books} books of 2,000 to 20,000 combinations: the same front in {same}")
    print(f"the planner against brute force: {brute / planner:.0f} times as fast (aim: 100)")


def growing() -> None:
    """One plate, three goals, the shipped rules; the same plate in a book that grows around it."""
    times: dict[int, float] = {}
    for pots in (500, 2_000, 8_000):
        before = read(kitchen_of(pots))
        before.balance.work_out_all()
        ask = partial(propose, before, "m4", THREE, 6)
        ask()
        times[pots] = median(seconds(ask) for _ in range(RUNS))
        found = propose(before, "m4", THREE, 6)
        meets = sum(plan.meets for plan in found.plans)
        print(f"one plate of {pots} pots, three goals: {times[pots] * 1000:.0f} ms, {meets} plans")
    print(
        f"from 500 to 8,000 pots: {times[8_000] / times[500]:.1f} times as long, 16 times the book"
    )


def demo_plates() -> None:
    before = read(demo_book())
    before.balance.work_out_all()
    wanted = (Goals(("wheat",)), Goals(("wheat", "milk")), Goals((), ("vegan", "gluten_free")))
    dishes = [id for id, made in before.book.preparations.items() if made.kind == "dish"]
    taken = [
        seconds(partial(propose, before, dish, goals, 6)) for dish in dishes for goals in wanted
    ]
    print(
        f"{len(taken)} questions about the demo's plates: {median(taken) * 1000:.0f} ms in the"
        f" middle, {max(taken) * 1000:.0f} ms at most (aim in the browser: 300)"
    )


def menus() -> None:
    """Forty plates and twenty-five guests, after two and after ten seconds."""
    before = read(kitchen_of(200))
    plates = [id for id, made in before.book.preparations.items() if made.kind == "dish"][:40]
    wants = (
        Goals(("wheat",)),
        Goals(("milk",)),
        Goals((), ("vegetarian",)),
        Goals((), ("gluten_free",)),
        Goals(("celery",)),
    )
    guests = [Guest(f"guest {n}", wants[n % len(wants)]) for n in range(25)]
    for limit in (2.0, 10.0):
        found = plan_menu(before, plates, guests, seconds=limit)
        told = "optimal" if found.optimal else f"gap {found.gap:.1%}"
        print(
            f"menu of {len(plates)} plates, 25 guests, {limit:g} s: {len(found.pots)} small pots,"
            f" at least {found.bound}, {told}"
        )


def kitchen_of(pots: int, seed: int = 5) -> Book:
    """Goods and pots that the shipped rules speak of, five pots to the family of a plate."""
    random = Random(seed)
    larder = [
        Product(
            id,
            good.name,
            good.class_,
            dict.fromkeys(good.has, Level.CONTAINS),
            Level.FREE,
            density_g_per_ml=1.0,
        )
        for id, good in goods().items()
    ]
    by_class: dict[str, list[str]] = {}
    for product in larder:
        by_class.setdefault(product.class_ or "", []).append(product.id)
    made: list[Preparation] = []
    for number in range(pots):
        kind = BASES[number % len(BASES)]
        lines = [
            Line(random.choice(by_class[class_]), 100, "g", role) for class_, role in LINES[kind]
        ]
        family = number - number % len(BASES)
        if kind == "sauce":
            lines.append(Line(f"m{family + 1}", 100, "g", "thickener"))
            lines.append(Line(f"m{family}", 500, "g", "liquid"))
        if kind == "dish":
            lines += [Line(f"m{family + n}", 200, "g", "body") for n in (2, 3)]
        class_ = {"stock": "chicken-stock", "roux": "white-roux"}.get(kind)
        made.append(Preparation(f"m{number}", f"Pot {number}", kind, class_, lines=tuple(lines)))
    return Book.of(Kitchen("Made up", "eu-14"), larder, made)


def seconds(act: Callable[[], object]) -> float:
    start = time.perf_counter()
    act()
    return time.perf_counter() - start


if __name__ == "__main__":
    main()
