"""Small kitchens drawn at random, with rules of their own, that have something to swap."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from random import Random

from tests.kitchens import FREE, book, line, pot, product
from yellow_ladle.core.book.book import Book, Preparation, Step, owner_of
from yellow_ladle.core.book.tool import Tool
from yellow_ladle.core.swaps.plans.fidelity import Fidelity
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.rules.swap_rules import AddedLine, SwapRule
from yellow_ladle.core.vocabulary.levels import Level

CLASSES = ("alpha", "beta", "gamma", "delta")
ROLES = ("body", "liquid", "fat")
STARCHES = ("rice-flour", "maize-starch", "arrowroot", "potato-starch")
FLAGS = ("wheat", "milk", "soy", "beef", "oats")


@dataclass(frozen=True)
class SmallKitchen:
    """A book with an item, goals for it, and the rules that may be used."""

    book: Book
    item: str
    goals: Goals
    rules: tuple[SwapRule, ...]


def rule(
    id: str,
    replaces: str,
    with_: str = "",
    *,
    fidelity: tuple[float, float, float] = (1, 1, 1),
    roles: str = "body liquid fat thickener",
) -> SwapRule:
    """A rule of a few words; without `with_` the line is left out."""
    return SwapRule(
        id=id,
        name=id,
        function="test",
        replaces=frozenset(replaces.split()),
        roles=frozenset(roles.split()),
        stages=frozenset(),
        kinds=frozenset(),
        with_=tuple(with_.split()),
        law="weight",
        ratio=1.0,
        stage=None,
        not_in=frozenset(),
        only_in=frozenset(),
        colours=(),
        fidelity=Fidelity(*fidelity),
        thinner=False,
        freezes=True,
        thickness="",
        method=(),
        when="with",
        drops=False,
        minutes=None,
        caution="",
        source="",
    )


def small_kitchen(seed: int) -> SmallKitchen:
    """A kitchen of up to six products and four pots; every seed gives its own."""
    random = Random(seed)
    products = [
        product(
            f"p{n}",
            " ".join(random.sample(FLAGS, random.choice((0, 0, 1, 1, 2)))),
            random.choice(CLASSES),
            may=random.choice(("", "", "", "celery", "oats")),
            otherwise=random.choice((FREE,) * 7 + (Level.UNCHECKED,)),
        )
        for n in range(random.randint(3, 6))
    ]
    items = [entry.id for entry in products]
    pots: list[Preparation] = []
    for n in range(random.randint(2, 4)):
        chosen = random.sample(items, min(random.randint(1, 3), len(items)))
        if pots and not any(item.startswith("m") for item in chosen):
            chosen[0] = random.choice([made.id for made in pots])
        grouped = len(chosen) > 2 and random.random() < 0.25
        lines = [
            line(
                item,
                random.choice(ROLES),
                quantity=random.choice((10, 50, 100, 400)),
                stage=random.choice(("cook", "cook", "finish")),
                choice="either" if grouped and place else None,
            )
            for place, item in enumerate(chosen)
        ]
        id = f"m{n}"
        own = {"wheat": Level.CONTAINS} if random.random() < 0.05 else {}
        made = pot(id, *lines, class_=random.choice(CLASSES), statements=own, by="fat")
        if seed % 3 == 0:
            of = tuple(n for n in made.counted() if random.random() < 0.5) or None
            made = replace(made, by_products=(replace(made.by_products[0], of=of),))
        pots.append(made)
        items += [id, f"{id}/fat"] if random.random() < 0.3 else [id]
    rules = [
        rule(
            f"r{n}",
            " ".join(random.sample(CLASSES, random.choice((1, 2)))),
            "" if random.random() < 0.2 else random.choice(CLASSES),
            fidelity=tuple(random.choice((0.4, 0.7, 0.9, 1.0)) for _ in range(3)),  # type: ignore[arg-type]
            roles=" ".join(random.sample(ROLES, random.choice((1, 2, 3)))),
        )
        for n in range(random.randint(1, 4))
    ]
    if seed % 5 == 4:
        # In every fifth a swap brings a line besides. The other draws stay as they are.
        apart = Random(seed + 1)
        rules = [
            replace(each, adds=(AddedLine((apart.choice(CLASSES),), 0.1, "seasoning"),))
            if each.with_
            else each
            for each in rules
        ]
    goals = random.choice(
        (
            Goals(("wheat",)),
            Goals(("milk",)),
            Goals(("wheat", "milk")),
            Goals((), ("vegan",)),
            Goals(("soy",), ("kosher",)),
            Goals((), ("kosher",)),
        )
    )
    return SmallKitchen(book(*products, *pots), pots[-1].id, goals, tuple(rules))


FOODS = {
    "wheat": ("wheat flour", "durum semolina"),
    "milk": ("butter", "double cream", "skimmed milk"),
    "soy": ("firm tofu", "soy sauce"),
    "beef": ("beef shin", "beef bones"),
    "oats": ("oatmeal", "rolled oats"),
}
PLAIN = ("fennel", "carrot", "thyme", "salt", "water", "parsnip", "rice")


def worded(kitchen: SmallKitchen, seed: int) -> SmallKitchen:
    """The same kitchen in words: goods named after what they hold, cards that speak of their lines.

    A pot is named after what it is made of; its steps name their items with and without using them.
    """
    random = Random(seed)
    book = kitchen.book
    products = {
        id: replace(entry, name=f"Anna's {_food(entry.statements, random)} {'abcdefg'[n % 7] * 3}")
        for n, (id, entry) in enumerate(book.products.items())
    }
    made: dict[str, Preparation] = {}
    for number, (id, entry) in enumerate(book.preparations.items()):
        names = {item: pieces.name for item, pieces in {**products, **made}.items()}
        called = [(line.item, _spoken(names.get(owner_of(line.item), ""))) for line in entry.lines]
        method = [
            Step(f"Put the {word} in.", uses=(item,) if random.random() < 0.5 else (), cue=word)
            for item, word in called
            if word and random.random() < 0.8
        ]
        name = f"{called[0][1].capitalize()} {'xyzuvw'[number] * 3} sauce"
        notes = tuple(
            replace(line, note=word if random.random() < 0.3 else "")
            for line, (_, word) in zip(entry.lines, called, strict=True)
        )
        made[id] = replace(entry, name=name, lines=notes, method=tuple(method))
    return replace(kitchen, book=replace(book, products=products, preparations=made))


def _food(statements: Mapping[str, Level], random: Random) -> str:
    contained = [flag for flag, level in statements.items() if level is Level.CONTAINS]
    return random.choice(FOODS[random.choice(contained)] if contained else PLAIN)


def _spoken(name: str) -> str:
    """What a step calls an item: its name without whose it is."""
    return name.removeprefix("Anna's ").lower()


def shared_kitchen(seed: int) -> SmallKitchen:
    """A small kitchen with tools that are always shared, through which some of its pots go."""
    random = Random(seed)
    kitchen = small_kitchen(seed)
    tools = (Tool("Sieve", always_shared=True), Tool("Stick blender", always_shared=True))
    made = {
        id: replace(
            pot,
            equipment=tuple(
                name for name in ("sieve", "Stick Blender", "pan") if random.random() < 0.4
            ),
        )
        for id, pot in kitchen.book.preparations.items()
    }
    return replace(kitchen, book=replace(kitchen.book, preparations=made, tools=tools))


def large_kitchen(seed: int, pots: int = 60) -> SmallKitchen:
    """A kitchen too large for brute force: tiers of pots, each made of some of the tiers below."""
    random = Random(seed)
    products = [
        product(
            f"p{n}",
            " ".join(random.sample(FLAGS, random.choice((0, 0, 0, 1, 1, 2)))),
            random.choice(CLASSES),
            may=random.choice(("", "", "", "celery", "mustard")),
        )
        for n in range(40)
    ]
    items = [entry.id for entry in products]
    made: list[Preparation] = []
    for n in range(pots):
        recent = [entry.id for entry in made[-12:]]
        chosen = random.sample(items, random.randint(1, 2))
        chosen += random.sample(recent, min(len(recent), random.randint(0, 2)))
        lines = [
            line(item, random.choice(ROLES), quantity=random.choice((10, 50, 100, 400)))
            for item in dict.fromkeys(chosen)
        ]
        made.append(pot(f"m{n}", *lines, class_=random.choice(CLASSES)))
    rules = [
        rule(
            f"r{n}",
            " ".join(random.sample(CLASSES, 2)),
            "" if random.random() < 0.15 else random.choice(CLASSES),
            fidelity=tuple(random.choice((0.4, 0.7, 0.9, 1.0)) for _ in range(3)),  # type: ignore[arg-type]
            roles=" ".join(random.sample(ROLES, 2)),
        )
        for n in range(8)
    ]
    goals = random.choice((Goals(("wheat",)), Goals(("wheat", "soy")), Goals(("milk", "oats"))))
    return SmallKitchen(book(*products, *made), made[-1].id, goals, tuple(rules))


def thickened_kitchen(seed: int) -> SmallKitchen:
    """A soup on a sauce, both bound with flour, and rules that bind more or less than it."""
    random = Random(seed)
    goods = [product("flour", "wheat", "wheat-flour"), product("water", class_="water")]
    goods += [
        product(f"{class_}-{n}", random.choice(("", "", "oats")), class_)
        for class_ in STARCHES
        for n in range(random.choice((1, 1, 2)))
    ]
    lines = (line("flour", "thickener", quantity=60), line("water", "liquid", quantity=1000))
    sauce = pot("sauce", *lines)
    soup = pot("soup", lines[0], line("sauce", quantity=1060), kind="soup")
    rules = [
        replace(
            rule(f"r{n}", "wheat-flour", class_, fidelity=(1, random.choice((0.6, 0.9, 1)), 1)),
            ratio=random.choice((0.2, 0.5, 1.0, 1.5)),
            law=random.choice(("weight", "weight", "thickening")),
        )
        for n, class_ in enumerate((*STARCHES, *STARCHES[:2]))
    ]
    goals = Goals(("wheat",))
    return SmallKitchen(book(*goods, sauce, soup), "soup", goals, tuple(rules))
