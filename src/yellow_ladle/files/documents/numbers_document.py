"""The carried numbers and single amounts, as the command line prints them."""

from typing import Any

from yellow_ladle.core.amounts.understood import Understood, question_of
from yellow_ladle.core.amounts.weight import Weighed
from yellow_ladle.core.book.book import Book, items_of
from yellow_ladle.core.numbers.balance import Balance
from yellow_ladle.core.numbers.named import NUMBERS, named

FORMAT = "yellow-ladle-numbers"
VERSION = 1
DIGITS = 6


def numbers_content(book: Book) -> dict[str, Any]:
    """The numbers of every preparation and by-product, as the file holds them."""
    balance = Balance(book)
    items = {
        item: item_content(balance, item)
        for preparation in book.preparations.values()
        for item in items_of(preparation)
    }
    return {"format": FORMAT, "version": VERSION, "items": items}


def item_content(balance: Balance, item: str) -> dict[str, Any]:
    """The numbers of one item, each with what is missing of it."""
    content = balance.of(item)
    return {
        name: {
            "value": round(value, DIGITS),
            "at_least": bool(missing := balance.missing(content, place)),
            "missing": list(missing),
        }
        for place, (name, value) in enumerate(zip(NUMBERS, named(balance, item), strict=True))
    }


def amount_content(found: Understood, weighed: Weighed) -> dict[str, Any]:
    """What was understood of a typed amount, and what it weighs; null where that is not known."""
    return {
        "format": "yellow-ladle-amount",
        "version": 1,
        "text": found.text,
        "quantity": found.quantity,
        "low": found.low,
        "high": found.high,
        "unit": found.unit,
        "item": found.item,
        "note": found.note,
        "grams": _rounded(weighed.grams),
        "millilitres": _rounded(weighed.millilitres),
        "approximate": found.approximate,
        "question": question_of(found),
    }


def _rounded(value: float | None) -> float | None:
    return None if value is None else round(value, DIGITS)
