"""What a change does, as answers tell it."""

from yellow_ladle.api.schemas.answer_forms import Answer, LevelOut
from yellow_ladle.core.impact.impact import DietImpact, Impact
from yellow_ladle.core.impact.numbers import NumberImpact

MAX_NUMBERS = 100


class FlagImpactOut(Answer):
    """One flag before and after."""

    flag: str
    before: LevelOut
    after: LevelOut
    tool_trace: bool


class ItemImpactOut(Answer):
    """What changes in one pot, plate or by-product."""

    item: str
    name: str
    kind: str
    flags: list[FlagImpactOut]
    diets: list[DietImpact]


class ImpactOut(Answer):
    """What a change does: in a sentence, item by item, and in numbers.

    `numbers` lists at most the first hundred pots.
    """

    sentence: str
    pots: int
    plates: int
    items: list[ItemImpactOut]
    numbers: list[NumberImpact]


def impact_out(impact: Impact) -> ImpactOut:
    """An impact as screens show it."""
    return ImpactOut(
        sentence=impact.sentence(),
        pots=impact.pots,
        plates=impact.plates,
        items=[ItemImpactOut.model_validate(item) for item in impact.items],
        numbers=list(impact.numbers[:MAX_NUMBERS]),
    )
