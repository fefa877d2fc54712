"""Schools: a preparation's other ways, and the one that is in use."""

from collections.abc import Iterable
from dataclasses import replace

from yellow_ladle.core.book.book import ByProduct, Preparation, RecipeVersion

FIRST = "as the card says"
"""What the way in use is called until somebody names it."""


class NoSuchWay(ValueError):
    """A way that the preparation does not have."""


def way_in_use(preparation: Preparation) -> RecipeVersion:
    """What the card shows and counts, as a way."""
    return RecipeVersion(
        name=preparation.way or FIRST,
        lines=preparation.lines,
        method=preparation.method,
        colour=preparation.colour,
        yield_=preparation.yield_,
        portions=preparation.portions,
    )


def using(preparation: Preparation, name: str) -> Preparation:
    """The preparation with another of its ways in use, and the one that was among the others."""
    if name == (preparation.way or FIRST):
        return preparation
    chosen = next((way for way in preparation.ways if way.name == name), None)
    if chosen is None:
        raise NoSuchWay(f'{preparation.name} has no way called "{name}".')
    others = tuple(way for way in preparation.ways if way.name != name)
    return replace(
        preparation,
        way=chosen.name,
        lines=chosen.lines,
        method=chosen.method,
        colour=chosen.colour,
        yield_=chosen.yield_,
        portions=chosen.portions,
        # What is said of other lines says nothing of these.
        by_products=chosen.by_products
        or tuple(replace(part, of=None) for part in preparation.by_products),
        ways=(_left(preparation, chosen), *others),
    )


def _left(preparation: Preparation, chosen: RecipeVersion) -> RecipeVersion:
    """The way that was in use, with its by-products where the chosen one has others."""
    left = way_in_use(preparation)
    if chosen.by_products or _of_lines(preparation.by_products):
        return replace(left, by_products=preparation.by_products)
    return left


def _of_lines(parts: Iterable[ByProduct]) -> bool:
    return any(part.of is not None for part in parts)
