"""How long the worst inputs take to be refused, against the work that a good one is."""

import io
import json
import socket
import time
import zipfile
from collections.abc import Callable

from PIL import Image

from yellow_ladle.core.amounts.grammar import understand
from yellow_ladle.core.book.fault import BookRefused
from yellow_ladle.core.labels.label_reading import MAX_LABEL, TooLong
from yellow_ladle.core.labels.reader import read_label
from yellow_ladle.core.recipes.recipe import Recipe
from yellow_ladle.core.recipes.review import review
from yellow_ladle.demo.kitchen import demo_book
from yellow_ladle.devices.feed_reader import FeedFailed, fetch_sheets
from yellow_ladle.files.recipes.recipe_reader import read_recipes
from yellow_ladle.files.tables.spreadsheet import read_table
from yellow_ladle.store.file.photos import encoded_anew

OPENING = b"<html><script type='application/ld+json'>"
AIM = 2.0
"""Seconds within which an answer has to be there."""


def main() -> None:
    read_label("milk")
    book = demo_book()
    zipped, large, fair = bomb(), picture(8_000, 5_000), picture(6_000, 4_000)
    slowest = max(
        taken(what, act)
        for what, act in (
            ("a label of 100,000 letters", lambda: read_label("milk, " * (MAX_LABEL // 6))),
            ("100,000 letters without a comma", lambda: read_label("wheat " * (MAX_LABEL // 6))),
            ("brackets, 20,000 deep", lambda: read_label("((((milk " * (MAX_LABEL // 9))),
            ("one letter more than is read", lambda: read_label("a" * (MAX_LABEL + 1))),
            ("a workbook that unpacks to 200 MB", lambda: read_table(zipped)),
            ("a picture of 40 megapixels", lambda: encoded_anew(large)),
            ("a picture of 24 megapixels, kept", lambda: encoded_anew(fair)),
            ("a recipe of 500 scripts", lambda: read_recipes(scripted())),
            ("recipes of 15 MB in one text", lambda: read_recipes(recipe("<!--" * 3_900_000))),
            ("a page of 13 MB that opens only", lambda: read_recipes(OPENING * 300_000)),
            ("5,000 recipe lines that nothing is like", lambda: review(book, strange())),
            ("an amount of 400 signs", lambda: understand("1/2 of a " * 44)),
            ("a feed that never answers", hanging),
        )
    )
    print(f"the slowest took {slowest / AIM:.2f} of the {AIM:g} s that it may")


def taken(what: str, act: Callable[[], object]) -> float:
    """Prints and returns the seconds until an input is read or refused."""
    started = time.perf_counter()
    try:
        act()
        ended = "read"
    except (BookRefused, TooLong, FeedFailed):
        ended = "refused"
    seconds = time.perf_counter() - started
    print(f"{what}: {ended} in {seconds:.2f} s")
    return seconds


def bomb() -> bytes:
    """A small zip of a large sheet."""
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as parts:
        for number in range(4):
            parts.writestr(f"xl/worksheets/sheet{number}.xml", b"0" * 50_000_000)
    return out.getvalue()


def picture(width: int, height: int) -> bytes:
    """A PNG of one colour."""
    out = io.BytesIO()
    Image.new("RGB", (width, height), "tan").save(out, "PNG")
    return out.getvalue()


def recipe(text: str) -> bytes:
    """A recipe with this for its instructions."""
    return json.dumps({"@type": "Recipe", "name": "x", "recipeInstructions": text}).encode()


def scripted() -> bytes:
    """A recipe with a script in each of its steps."""
    return recipe("<p>Stir.<script>alert(1)</script></p>" * 500)


def strange() -> list[Recipe]:
    """Ten recipes of lines whose words no book holds."""
    lines = [
        {
            "@type": "Recipe",
            "name": f"x{number}",
            "recipeIngredient": [f"{n} g qu{n}x of zz{number}" for n in range(500)],
        }
        for number in range(10)
    ]
    return read_recipes(json.dumps(lines).encode())


def hanging() -> None:
    """Asks a server that listens and never answers."""
    with socket.create_server(("127.0.0.1", 0)) as listening:
        fetch_sheets(f"http://127.0.0.1:{listening.getsockname()[1]}")


if __name__ == "__main__":
    main()
