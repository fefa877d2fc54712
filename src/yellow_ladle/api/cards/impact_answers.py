"""What a change does, as answers tell it."""

from yellow_ladle.api.schemas.answer_forms import Answer
from yellow_ladle.core.impact.impact import Impact, ItemImpact
from yellow_ladle.core.impact.numbers import NumberImpact

MAX_NUMBERS = 100


class ImpactOut(Answer):
    """What a change does: in a sentence, item by item, and in numbers.

    `numbers` lists at most the first hundred pots.
    """

    sentence: str
    pots: int
    plates: int
    items: list[ItemImpact]
    numbers: list[NumberImpact]


def impact_out(impact: Impact) -> ImpactOut:
    """An impact as screens show it."""
    return ImpactOut(
        sentence=impact.sentence(),
        pots=impact.pots,
        plates=impact.plates,
        items=list(impact.items),
        numbers=list(impact.numbers[:MAX_NUMBERS]),
    )
