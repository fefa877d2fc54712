"""Small kitchens to test with, written as short as the rules allow."""

from typing import Any

from yellow_ladle.core.book.book import Book, ByProduct, Kitchen, Line, Preparation
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.core.vocabulary.levels import Level

FREE, MAY, OPEN, FULL = Level.FREE, Level.MAY_CONTAIN, Level.UNCHECKED, Level.CONTAINS


def levels(
    contains: str = "", may: str = "", unchecked: str = "", free: str = ""
) -> dict[str, Level]:
    """Statements from words: `levels("wheat milk", may="soy")`."""
    stated: dict[str, Level] = {}
    for level, words in ((FULL, contains), (MAY, may), (OPEN, unchecked), (FREE, free)):
        stated |= dict.fromkeys(words.split(), level)
    return stated


def product(id: str, contains: str = "", class_: str | None = None, **rest: Any) -> Product:
    """A product whose label was read in full, unless `otherwise` says other."""
    words = {key: rest.pop(key) for key in ("may", "unchecked", "free") if key in rest}
    rest.setdefault("otherwise", FREE)
    return Product(
        id, id.replace("-", " ").capitalize(), class_ or id, levels(contains, **words), **rest
    )


def line(item: str, role: str = "body", **rest: Any) -> Line:
    """A line of 100 g."""
    return Line(item, rest.pop("quantity", 100), rest.pop("unit", "g"), role, **rest)


def pot(id: str, *lines: Line | str, kind: str = "sauce", **rest: Any) -> Preparation:
    """A preparation from lines or just from the names of items."""
    written = tuple(line(entry) if isinstance(entry, str) else entry for entry in lines)
    by = tuple(ByProduct(name, name.capitalize()) for name in rest.pop("by", "").split())
    name = rest.pop("name", id.replace("-", " ").capitalize())
    return Preparation(id, name, kind, lines=written, by_products=by, **rest)


def book(
    *pieces: Product | Preparation, regime: str = "eu-14", house: tuple[str, ...] = ()
) -> Book:
    """A book from loose pieces."""
    return Book.of(
        Kitchen("Test kitchen", regime),
        [piece for piece in pieces if isinstance(piece, Product)],
        [piece for piece in pieces if isinstance(piece, Preparation)],
        [Flag(id, id.capitalize(), "house") for id in house],
    )


def reading(*pieces: Product | Preparation, **rest: Any) -> Reading:
    """The reading of a book from loose pieces."""
    return read(book(*pieces, **rest))


FLOUR = product("plain-flour", "wheat", "wheat-flour")
RICE_FLOUR = product("rice-flour", "", "rice-flour")
BUTTER = product("butter", "milk", "butter")
OIL = product("oil", "", "rapeseed-oil")
MILK = product("milk", "milk", "milk")
CHEESE = product("hard-cheese", "milk", "hard-cheese", unchecked="animal_rennet")
ROUX = pot(
    "white-roux",
    line("plain-flour", "thickener"),
    line("butter", "fat"),
    kind="roux",
    class_="white-roux",
)
BECHAMEL = pot("bechamel", line("white-roux", "thickener"), line("milk", "liquid"))
CHEESE_SAUCE = pot("cheese-sauce", "bechamel", line("hard-cheese", "enrichment", stage="finish"))
CHEESE_BOOK = (FLOUR, RICE_FLOUR, BUTTER, OIL, MILK, CHEESE, ROUX, BECHAMEL, CHEESE_SAUCE)
"""A sauce three steps above its flour."""
