"""Opening the demo kitchen's ledger."""

import json
import re
from dataclasses import replace
from datetime import date
from importlib.resources import files

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.production.daybook import Daybook
from yellow_ladle.core.production.instants import instant
from yellow_ladle.core.production.service import Service
from yellow_ladle.devices.supplier_feed import SupplierFeed
from yellow_ladle.files.book.book_file import parse_book
from yellow_ladle.files.daybook.daybook_file import parse_daybook
from yellow_ladle.store.ledger import Ledger

TODAY = "2026-12-04"
"""The day of the made-up fortnight on which the demo opens, whenever that is."""
_DATE = re.compile(r"\d{4}-\d{2}-\d{2}")


def demo_book() -> Book:
    """Skerrow Light's book."""
    return parse_book(_content("skerrow-light.book.json").encode())


def demo_daybook(today: str) -> Daybook:
    """What Skerrow Light made in a fortnight, so that one of its later days is today."""
    days = date.fromisoformat(today) - date.fromisoformat(TODAY)

    def moved(found: re.Match[str]) -> str:
        return (date.fromisoformat(found[0]) + days).isoformat()

    content = _DATE.sub(moved, _content("skerrow-light.daybook.json"))
    return parse_daybook(content.encode(), demo_book())


def until(daybook: Daybook, moment: str) -> Daybook:
    """What of a daybook happened until a moment. Nothing of it was drawn from later."""
    now = instant(moment)

    def served(service: Service) -> Service:
        gone = tuple(each for each in service.served if each.at and instant(each.at) <= now)
        return replace(service, served=gone)

    today = moment[:10]
    return replace(
        daybook,
        lots=tuple(each for each in daybook.lots if each.received[:10] <= today),
        batches=tuple(each for each in daybook.batches if instant(each.made) <= now),
        services=tuple(served(each) for each in daybook.services if each.date <= today),
        **{
            key: tuple(each for each in getattr(daybook, key) if instant(each.at) <= now)
            for key in ("tubs", "moves", "discards", "counts", "fills", "washes", "uses")
        },
    )


def demo_feed() -> SupplierFeed:
    """The supplier that delivers to Skerrow Light; one of its makers changes a recipe."""
    return SupplierFeed(json.loads(_content("supplier-sheets.json")))


def fill_with_demo(ledger: Ledger) -> None:
    """Puts the demo kitchen into a file that holds none yet."""
    if ledger.is_empty:
        ledger.replace_book(demo_book())
        happened = until(demo_daybook(ledger.today), ledger.local_moment)
        ledger.daybook.replace_whole(happened)


def _content(name: str) -> str:
    return files("yellow_ladle.demo").joinpath(name).read_text("utf-8")
