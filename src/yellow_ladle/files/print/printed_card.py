"""What cards say in words, wherever they are printed or written out."""

from dataclasses import dataclass

from yellow_ladle.core.book.book import Book, Line, Preparation
from yellow_ladle.core.numbers.balance import portions_of
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.texts import OWN_TOOLS
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.vocabulary.units import shipped_units

LEVEL_WORDS = {
    Level.CONTAINS: "Contains",
    Level.MAY_CONTAIN: "May contain",
    Level.UNCHECKED: "Not checked",
}


@dataclass(frozen=True, slots=True)
class FlagWords:
    """The flags of an item by the names of the vocabulary, by level."""

    contains: tuple[str, ...]
    may_contain: tuple[str, ...]
    unchecked: tuple[str, ...]


def amount_text(quantity: float, unit: str) -> str:
    """An amount as a cook writes it: `250 g`, `3 leaves`, `2` for pieces."""
    number = f"{quantity:.4g}" if quantity < 10_000 else f"{quantity:.0f}"
    if unit in ("piece", "each"):
        return number
    known = shipped_units().get(unit)
    if known is not None and known.kind == "piece" and quantity != 1:
        return f"{number} {known.words[1]}"
    return f"{number} {unit.replace('_', ' ')}"


def line_text(book: Book, line: Line) -> str:
    """A line in one piece: amount, name, and what is said of it."""
    amount = line.typed or amount_text(line.quantity, line.unit)
    told = f"{amount} {book.name(line.item)}" if not line.typed else line.typed
    if line.typed and book.name(line.item).lower() not in line.typed.lower():
        told = f"{line.typed} {book.name(line.item)}"
    return f"{told}, {line.note}" if line.note else told


def flag_words(reading: Reading, item: str) -> FlagWords:
    """The flags of an item in words; a trace that only own tools leave is told as such."""
    names = {flag.id: flag.name for flag in reading.book.flags}
    names |= {flag: f"{names[flag]} ({OWN_TOOLS})" for flag in reading.tool_traces(item)}
    levels = reading.levels(item)
    told = {
        wanted: tuple(names[flag] for flag, level in levels.items() if level is wanted)
        for wanted in (Level.CONTAINS, Level.MAY_CONTAIN, Level.UNCHECKED)
    }
    return FlagWords(told[Level.CONTAINS], told[Level.MAY_CONTAIN], told[Level.UNCHECKED])


def head_text(preparation: Preparation) -> str:
    """Kind, colour, yield and portions in a line."""
    parts = [preparation.kind, preparation.colour or ""]
    if preparation.yield_ is not None and preparation.yield_.unit != "portion":
        parts.append(f"makes {amount_text(preparation.yield_.quantity, preparation.yield_.unit)}")
    portions = portions_of(preparation)
    if portions is not None:
        parts.append(f"{portions:g} portions")
    parts.append(keeps_text(preparation))
    return " · ".join(part for part in parts if part)


def keeps_text(preparation: Preparation) -> str:
    """How long something keeps, in words; empty where nobody has said."""
    if preparation.keeps is None:
        return ""
    told = ((preparation.keeps.chilled_days, "chilled"), (preparation.keeps.frozen_days, "frozen"))
    days = ", ".join(f"{number:g} days {how}" for number, how in told if number is not None)
    return f"keeps {days}" if days else ""


def grouped(preparation: Preparation) -> list[tuple[str, list[Line]]]:
    """The counted lines under their headings, in the order of the card."""
    found: dict[str, list[Line]] = {}
    for index in preparation.counted():
        line = preparation.lines[index]
        found.setdefault(line.group, []).append(line)
    return list(found.items())


def signed_text(reading: Reading, id: str) -> str:
    """Who signed a card off and whether that still stands."""
    signed = reading.book.sign_offs.get(id)
    if signed is None:
        return "Not signed off."
    if signed.stale_since is not None:
        return f"Signed off by {signed.person} on {signed.date}, stale since {signed.stale_since}."
    return f"Signed off by {signed.person} on {signed.date}."
