"""A made-up book of any size, the same every time."""

from random import Random

from yellow_ladle.core.book.book import Book, Kitchen, Line, Preparation
from yellow_ladle.core.book.product import MAX_ALCOHOL_FREE, MAX_SULPHITE_FREE, Product
from yellow_ladle.core.vocabulary.flags import Flag, shipped_flags
from yellow_ladle.core.vocabulary.levels import Level

FLAGS = 40
TIERS = 6
PRODUCTS_A_POT = 6
POTS_A_POT = 2


def large_book(pots: int = 10_000, products: int = 3_000, seed: int = 7) -> Book:
    """Six tiers; each pot of six products and, above the first tier, two pots of the tier below.

    One product in a hundred has no label; the others state one to three of the forty flags.
    """
    random = Random(seed)
    house = [Flag(f"house_{n}", f"House {n}", "house") for n in range(FLAGS - len(shipped_flags()))]
    flags = [flag.id for flag in (*shipped_flags(), *house)]
    larder = [_product(f"p{n}", flags, random) for n in range(products)]
    a_tier = pots // TIERS + 1
    made: list[Preparation] = []
    for number in range(pots):
        tier = number // a_tier
        items = [f"p{random.randrange(products)}" for _ in range(PRODUCTS_A_POT)]
        if tier:
            below = range((tier - 1) * a_tier, tier * a_tier)
            items += [f"m{n}" for n in random.sample(below, POTS_A_POT)]
        kind = "dish" if tier == TIERS - 1 else "sauce"
        lines = tuple(Line(item, 100, "g", "body") for item in items)
        made.append(Preparation(f"m{number}", f"Pot {number}", kind, lines=lines))
    return Book.of(Kitchen("Made up", "eu-14"), larder, made, house)


def _product(id: str, flags: list[str], random: Random) -> Product:
    if random.random() < 0.01:
        return Product(id, id, "made-up", otherwise=Level.UNCHECKED)
    stated = random.sample(flags, random.choice((1, 1, 2, 3)))
    levels = {flag: random.choice((Level.CONTAINS, Level.MAY_CONTAIN)) for flag in stated}
    class_ = "wheat-flour" if int(id[1:]) % 10 == 0 else "made-up"
    number = int(id[1:])
    alcohol, sulphites = 12.0 if number % 7 == 0 else 0.0, float(number % 90)
    # A number above what may be called free raises its flag, so the label says the same.
    levels |= {"alcohol": Level.CONTAINS} if alcohol > MAX_ALCOHOL_FREE else {}
    levels |= {"sulphites": Level.CONTAINS} if sulphites > MAX_SULPHITE_FREE else {}
    return Product(
        id,
        id,
        class_,
        levels,
        Level.FREE,
        abv_percent=alcohol,
        salt_g_per_100g=number % 30 / 10,
        so2_mg_per_kg=sulphites,
        density_g_per_ml=1.0,
    )
