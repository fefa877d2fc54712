"""A card for another amount, as the screens are told of it."""

from collections.abc import Callable

from pydantic import BaseModel

from yellow_ladle.core.book.book import Preparation
from yellow_ladle.core.cards.scale import Scaled


class ScaledLineOut(BaseModel):
    """One line, exactly and as it can be measured."""

    index: int
    name: str
    exact: float
    quantity: float
    unit: str
    kept_exact: bool


class ScaledOut(BaseModel):
    """A card scaled. Nothing is recorded."""

    factor: float
    lines: list[ScaledLineOut]
    yield_quantity: float | None
    yield_unit: str | None
    portions: float | None
    warnings: list[str]


def scaled_out(preparation: Preparation, card: Scaled, name: Callable[[str], str]) -> ScaledOut:
    """A scaled card; `name` is what the item of a line is called."""
    return ScaledOut(
        factor=card.factor,
        lines=[
            ScaledLineOut(
                index=line.index,
                name=name(preparation.lines[line.index].item),
                exact=line.exact,
                quantity=line.rounded.quantity,
                unit=line.rounded.unit,
                kept_exact=line.kept_exact,
            )
            for line in card.lines
        ],
        yield_quantity=card.yield_ and card.yield_.quantity,
        yield_unit=card.yield_ and card.yield_.unit,
        portions=card.portions,
        warnings=list(card.warnings),
    )
