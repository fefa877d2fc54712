"""Opening the demo kitchen's ledger."""

import json
from importlib.resources import files

from yellow_ladle.core.book.book import Book
from yellow_ladle.devices.supplier_feed import SupplierFeed
from yellow_ladle.files.book.book_file import parse_book
from yellow_ladle.store.ledger import Ledger


def demo_book() -> Book:
    """Skerrow Light's book."""
    return parse_book(files("yellow_ladle.demo").joinpath("skerrow-light.book.json").read_bytes())


def demo_feed() -> SupplierFeed:
    """The supplier that delivers to Skerrow Light; one of its makers changes a recipe."""
    content = files("yellow_ladle.demo").joinpath("supplier-sheets.json").read_text("utf-8")
    return SupplierFeed(json.loads(content))


def fill_with_demo(ledger: Ledger) -> None:
    """Puts the demo kitchen into a file that holds none yet."""
    if ledger.is_empty:
        ledger.replace_book(demo_book())
