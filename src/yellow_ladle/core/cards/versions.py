"""Schools: a preparation's other ways, and the one that is in use."""

from dataclasses import replace

from yellow_ladle.core.book.book import Preparation, RecipeVersion

FIRST = "as the card says"
"""What the way in use is called until somebody names it."""


class NoSuchWay(ValueError):
    """A way that the preparation does not have."""


def way_in_use(preparation: Preparation) -> RecipeVersion:
    """What the card shows and counts, as a way."""
    return RecipeVersion(
        preparation.way or FIRST,
        preparation.lines,
        preparation.method,
        preparation.colour,
        preparation.yield_,
        preparation.portions,
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
        ways=(way_in_use(preparation), *others),
    )
