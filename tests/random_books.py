"""Random books for properties: any shape that the rules allow, and never a cycle."""

from dataclasses import replace
from operator import attrgetter
from typing import Any

from hypothesis import HealthCheck, settings
from hypothesis import strategies as st

from tests.kitchens import book
from yellow_ladle.core.book.book import (
    KINDS,
    ROLES,
    TREATMENTS,
    Book,
    ByProduct,
    Line,
    Preparation,
    RecipeVersion,
    Step,
    Yield,
)
from yellow_ladle.core.book.maker import Maker
from yellow_ladle.core.book.pan import Pan, Reduction
from yellow_ladle.core.book.product import Addition, Bag, Part, Product
from yellow_ladle.core.book.rule_setting import Note, Ruling
from yellow_ladle.core.vocabulary.levels import Level

# How quickly a machine draws its examples says nothing of what they show.
settings.register_profile("kitchen", deadline=None, suppress_health_check=[HealthCheck.too_slow])
settings.load_profile("kitchen")

FLAGS = ("wheat", "milk", "pork", "beef", "alcohol", "gelatine", "chilli")
LEVELS = st.sampled_from(list(Level))
TREATED = st.sampled_from(TREATMENTS)
STATEMENTS = st.dictionaries(st.sampled_from(FLAGS), LEVELS, max_size=4)
AMOUNTS = st.floats(min_value=0, max_value=1e6, allow_nan=False).map(lambda n: round(n, 3))
CERTIFICATES = st.lists(st.sampled_from(["halal", "kosher"]), unique=True, max_size=2)


@st.composite
def makers(draw: st.DrawFn, id: str) -> Maker:
    return Maker(
        id,
        "A maker",
        statements=draw(STATEMENTS),
        otherwise=draw(st.sampled_from([Level.FREE, Level.UNCHECKED])),
        certificates=tuple(sorted(draw(CERTIFICATES))),
        pack=draw(st.sampled_from(["", "5 kg"])),
    )


@st.composite
def filled(draw: st.DrawFn, product: Product, items: list[str]) -> Product:
    """A product that is made of others, or a running bag with some of them in it."""
    inside = draw(st.lists(st.sampled_from(items), max_size=3, unique=True))
    if draw(st.booleans()):
        return replace(product, parts=tuple(Part(item) for item in inside))
    entries = (
        Addition(item, "2026-11-01", statements=draw(STATEMENTS), live=draw(st.booleans()))
        for item in inside
    )
    return replace(product, bag=Bag(tuple(entries), "2026-10-01", "NB"))


@st.composite
def products(draw: st.DrawFn, id: str) -> Product:
    rivals = [draw(makers(f"k{n}")) for n in range(draw(st.sampled_from([0, 0, 0, 2])))]
    return Product(
        id,
        draw(st.sampled_from(["Flour", "Böhnchen", "Œuf", "A jar"])),
        draw(st.sampled_from(["wheat-flour", "butter", "milk", "rice-flour", "cream"])),
        statements=draw(STATEMENTS),
        otherwise=draw(st.sampled_from([Level.FREE, Level.FREE, Level.UNCHECKED])),
        certificates=tuple(sorted(draw(CERTIFICATES))),
        makers=tuple(rivals),
        in_use=draw(st.sampled_from([None, *(maker.id for maker in rivals)])),
        salt_g_per_100g=draw(st.none() | st.floats(min_value=0, max_value=100)),
    )


@st.composite
def lines(draw: st.DrawFn, items: list[str]) -> Line:
    choice = draw(st.sampled_from([None, None, None, "liquid", "fat"]))
    return Line(
        draw(st.sampled_from(items)),
        draw(AMOUNTS),
        draw(st.sampled_from(["g", "ml", "piece"])),
        draw(st.sampled_from(ROLES)),
        optional=draw(st.booleans()),
        strained_out=draw(st.booleans()),
        choice=choice,
        treatment=draw(TREATED),
        minutes=draw(st.sampled_from([None, None, 0.0, 12.5, 90.0])),
        typed=draw(st.sampled_from(["", "", "", "a glug"])),
        group=draw(st.sampled_from(["", "", "To finish"])),
    )


STEPS = st.sampled_from(
    [(), (Step("Stir.", 5.0),), (Step("Blend it hot.", passive=True), Step("Strain."))]
)
PANS = st.sampled_from([None, Pan(18.0), Pan(40.5, "ajar")])
BATCHES = st.sampled_from([(), (Reduction("2026-11-01", 8.0, 0.5, 60.0),)])
YIELDS = st.sampled_from(
    [None, None, Yield(0.5, "l"), Yield(250.0, "g", "it swells"), Yield(4.0, "piece", "it swells")]
)


@st.composite
def cards(draw: st.DrawFn, items: list[str]) -> dict[str, Any]:
    """What a card says besides its lines: steps, yield, pan, batches, another way."""
    made = draw(YIELDS)
    other = RecipeVersion(
        "another", (Line(items[0], 5.0, "g", "body"),), (Step("In."),), "brown", made
    )
    return {
        "yield_": made,
        "method": draw(STEPS),
        "pan": draw(PANS),
        "batches": draw(BATCHES),
        "ways": draw(st.sampled_from([(), (other,)])),
        "way": draw(st.sampled_from(["", "as ever"])),
        "portions": draw(st.sampled_from([None, 10.0])),
        "density_g_per_ml": draw(st.sampled_from([None, 1.05])),
        "retired": draw(st.sampled_from([None, None, None, "2026-11-20"])),
    }


def one_chosen(drawn: list[Line], picks: list[int]) -> tuple[Line, ...]:
    """Marks one alternative of each choice as chosen, so that the order of lines says nothing."""
    result = list(drawn)
    for number, choice in enumerate(("liquid", "fat")):
        members = [n for n, entry in enumerate(result) if entry.choice == choice]
        if members:
            picked = members[picks[number] % len(members)]
            result[picked] = replace(result[picked], chosen=True)
    return tuple(result)


@st.composite
def preparations(draw: st.DrawFn, id: str, items: list[str]) -> Preparation:
    drawn = draw(st.lists(lines(items), max_size=5)) if items else []
    by_products = draw(st.lists(st.sampled_from(["fat", "meat"]), unique=True, max_size=2))
    return Preparation(
        id,
        id.capitalize(),
        draw(st.sampled_from(KINDS)),
        lines=one_chosen(drawn, draw(st.tuples(st.integers(0, 9), st.integers(0, 9)).map(list))),
        statements=draw(STATEMENTS),
        otherwise=draw(st.sampled_from([None, None, None, Level.UNCHECKED, Level.FREE])),
        by_products=tuple(ByProduct(name, name) for name in by_products),
        **(draw(cards(items)) if items and draw(st.integers(0, 3)) == 0 else {}),
    )


@st.composite
def rulings(draw: st.DrawFn) -> Ruling:
    """What is said of a rule that ships."""
    share = st.floats(0, 1).map(lambda n: round(n, 2))
    return Ruling(
        draw(st.sampled_from(["rice-flour-roux", "gram-flour-roux", "blend-roux"])),
        True,
        draw(st.none() | st.tuples(share, share, share)),
        tuple(draw(st.lists(st.just(Note("too sweet", "2026-11-01", "m0")), max_size=2))),
    )


@st.composite
def books(draw: st.DrawFn, most: int = 9) -> Book:
    """A book whose preparations are made only from what stands before them."""
    larder = [draw(products(f"p{n}")) for n in range(draw(st.integers(1, 5)))]
    items = [product.id for product in larder]
    for number in range(draw(st.integers(0, 2))):
        larder.append(draw(filled(draw(products(f"f{number}")), items)))
        items.append(larder[-1].id)
    made: list[Preparation] = []
    for number in range(draw(st.integers(1, most))):
        preparation = draw(preparations(f"m{number}", items))
        made.append(preparation)
        items += [preparation.id, *(f"{preparation.id}/{b.id}" for b in preparation.by_products)]
    said = draw(st.lists(rulings(), unique_by=attrgetter("id")))
    whole = book(*larder, *made, house=("chilli",))
    return replace(whole, rulings=tuple(sorted(said, key=attrgetter("id"))))
