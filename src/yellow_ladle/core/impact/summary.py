"""What a change was, in one line: for the history, and for a sign-off that it made stale."""

from collections.abc import Iterator
from dataclasses import replace

from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.cards.compare import differences, product_differences
from yellow_ladle.core.reading.reading import Reading
from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.vocabulary.levels import Level

MAX_FLAGS = 3
MAX_TOLD = 2
WORDS = {
    Level.FREE: "free",
    Level.MAY_CONTAIN: "may contain",
    Level.UNCHECKED: "not checked",
    Level.CONTAINS: "contains",
}


def told(before: Reading, after: Reading, change: Change) -> dict[str, str]:
    """Per product, preparation and document of a change what became of it, by its key."""
    return dict(_each(before, after, change))


def line(before: Reading, after: Reading, change: Change) -> str:
    """A whole change in one line."""
    return "; ".join(told(before, after, change).values())


def _each(before: Reading, after: Reading, change: Change) -> Iterator[tuple[str, str]]:
    for product in change.products:
        if product.id not in before.book.products:
            yield product.id, f"{product.name}: new in the larder"
        else:
            yield product.id, f"{product.name}: {_product(before, after, product.id)}"
    for preparation in change.preparations:
        yield preparation.id, f"{preparation.name}: {_card(before, after, preparation)}"
    for id in change.removed:
        yield id, f"{before.book.name(id)}: removed"
    for document in change.documents:
        was = document.kind.held(before.book).get(document.id)
        of = before.book.name(document.id) if document.id in before.masks else ""
        yield document.key, document.kind.told(was, document.value, of)


def _card(before: Reading, after: Reading, preparation: Preparation) -> str:
    """What became of a card, the first differences in sentences."""
    was = before.book.preparations.get(preparation.id)
    if was is None:
        return "a new card"

    def name(item: str) -> str:
        return after.book.name(item) if item in after.masks else before.book.name(item)

    found = differences(was, preparation, name)
    if not found:
        return "its card was recorded again"
    return f"its card was changed. {_first([each.sentence.rstrip('.') for each in found])}"


def _first(told: list[str]) -> str:
    more = [f"and {len(told) - MAX_TOLD} more"] if len(told) > MAX_TOLD else []
    return ", ".join([*told[:MAX_TOLD], *more])


def _product(before: Reading, after: Reading, id: str) -> str:
    was, now = before.levels(id), after.levels(id)
    flags = [flag for flag in after.layout.bits if was.get(flag) != now.get(flag)]
    if not flags:
        return _unflagged(before, after, id)
    told = [
        f"{flag.replace('_', ' ')} {WORDS[now.get(flag, Level.FREE)]}"
        f" (was {WORDS[was.get(flag, Level.FREE)]})"
        for flag in flags[:MAX_FLAGS]
    ]
    more = [f"{len(flags) - MAX_FLAGS} more"] if len(flags) > MAX_FLAGS else []
    return ", ".join([*told, *more])


def _unflagged(before: Reading, after: Reading, id: str) -> str:
    was, now = before.book.products[id], after.book.products[id]
    if was.certificates != now.certificates or was.papers != now.papers:
        return "its certificates were changed"
    if was.makers != now.makers or was.in_use != now.in_use:
        return "its makers were changed, no flag with them"
    if replace(was, evidence=now.evidence) == now:
        return "read again, all as it was"
    found = [told.rstrip(".") for told in product_differences(was, now, before.book.name)]
    return f"changed, no flag with it. {_first(found)}"
