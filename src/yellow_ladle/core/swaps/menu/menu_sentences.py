"""A menu in plain sentences: what is shared for others, and what one thing more would buy."""

from collections.abc import Sequence
from typing import TYPE_CHECKING

from yellow_ladle.core.book.book import Book
from yellow_ladle.core.reading.texts import enumerated, words
from yellow_ladle.core.swaps.menu.menu_plan import Sharing
from yellow_ladle.core.swaps.plans.item_names import short_name

if TYPE_CHECKING:
    from yellow_ladle.core.swaps.menu.gains import Gain


def sharing_sentence(book: Book, shared: Sharing) -> str:
    """Why guests go without something that they could have.

    `One velouté for them and Bo saves a pot: it is made without celery, which is hardly missed.`
    """
    out = [short_name(book, swap.from_) for swap in shared.swaps if swap.to is None]
    instead = [
        f"with {short_name(book, swap.to)} instead of {short_name(book, swap.from_)}"
        for swap in shared.swaps
        if swap.to is not None
    ]
    told = [*instead, *([f"without {enumerated(out)}"] if out else [])]
    others = enumerated(shared.needed_by)
    pot = short_name(book, shared.pot)
    return (
        f"One {pot} for them and {others} saves a pot: it is made"
        f" {enumerated(told)}, which is hardly missed."
    )


def gain_sentence(book: Book, gain: "Gain", made: int) -> str:
    """What one thing more would do for a menu that takes `made` pots without it."""
    now = gain.menu.made
    if gain.kind == "pot":
        what = f"With {_pots(now)} instead of {made}" if now > made else "With no more pots"
    elif gain.kind == "purchase":
        what = f"If you buy {gain.subject.replace('-', ' ')} and its label says what is hoped"
    else:
        free = enumerated(words(gain.flags))
        what = f"If the label of {book.name(gain.subject)} turns out free of {free}"
    told: list[str] = []
    if gain.more:
        told.append(f"also {_plates(book, gain.more)}")
    if gain.given_up:
        told.append(f"no more {_plates(book, gain.given_up)}")
    if gain.kind != "pot" and gain.fewer > 0:
        told.append(f"{_pots(now)} will do instead of {made}")
    return f"{what}: {'; '.join(told)}."


def _pots(count: int) -> str:
    return "one small pot" if count == 1 else f"{count} small pots"


def _plates(book: Book, plates: Sequence[tuple[str, tuple[str, ...]]]) -> str:
    by_plate: dict[str, list[str]] = {}
    for plate, names in plates:
        by_plate.setdefault(plate, []).extend(names)
    parts = [f"{book.name(plate)} for {enumerated(names)}" for plate, names in by_plate.items()]
    return ", ".join(parts)
