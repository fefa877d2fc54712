"""Colour families: which one a pot belongs to, and what breaks it."""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import cache

from yellow_ladle.core.book.book import Book, Line, Preparation, owner_of
from yellow_ladle.core.book.proposed_class import class_of
from yellow_ladle.core.vocabulary.toml import Table, rows, table, words


@dataclass(frozen=True, slots=True)
class Clash:
    """What breaks a colour family: a line or a step by its index, and a sentence."""

    line: int | None
    step: int | None
    sentence: str


@cache
def colours() -> tuple[str, ...]:
    """The families, from the palest."""
    return words(table("colours")["colours"])


def clashes(book: Book, preparation: Preparation) -> tuple[Clash, ...]:
    """Everything in a preparation that breaks its colour family; nothing while it has none."""
    family = preparation.colour
    if family is None:
        return ()
    found: list[Clash] = []
    for row in _breaks():
        if family not in words(row["family"]):
            continue
        for index in preparation.counted():
            line = preparation.lines[index]
            colour = _broken_by(book, line, row)
            if colour is not None:
                say = str(row["say"]).format(colour=colour, family=family)
                found.append(Clash(index, None, f"{book.name(line.item)}: {say}."))
        found += _steps(preparation, row)
    first: dict[tuple[int | None, int | None], Clash] = {}
    for clash in found:
        first.setdefault((clash.line, clash.step), clash)
    return tuple(first.values())


def _steps(preparation: Preparation, row: Table) -> Iterator[Clash]:
    told = words(row.get("steps"))
    for index, step in enumerate(preparation.method):
        if any(word in step.text.lower() for word in told):
            yield Clash(None, index, f"Step {index + 1}: {row['say']}.")


def _broken_by(book: Book, line: Line, row: Table) -> str | None:
    """The colour, or an empty word, where a line breaks a family by this row."""
    if line.strained_out and not words(row.get("names")):
        return None
    preparation = book.preparations.get(owner_of(line.item))
    class_ = class_of(book, owner_of(line.item))
    if class_ is not None and class_ in words(row.get("classes")):
        return ""
    name = book.name(line.item).lower()
    if any(word in name for word in words(row.get("names"))):
        return ""
    if (
        preparation is None
        or "/" in line.item
        or preparation.colour not in words(row.get("colours"))
    ):
        return None
    return None if row.get("roux_only") and preparation.kind != "roux" else preparation.colour


@cache
def _breaks() -> tuple[Table, ...]:
    return tuple(rows(table("colours")["break"]))
