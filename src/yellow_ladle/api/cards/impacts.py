"""What a change does, as answers tell it."""

from pydantic import BaseModel

from yellow_ladle.core.carrying.suitability import Verdict
from yellow_ladle.core.impact.impact import Impact, ItemImpact
from yellow_ladle.core.impact.numbers import NumberImpact
from yellow_ladle.core.numbers.named import NumberName
from yellow_ladle.core.vocabulary.levels import LevelWord

MAX_NUMBERS = 100


class FlagImpactOut(BaseModel):
    """One flag before and after."""

    flag: str
    before: LevelWord
    after: LevelWord
    tool_trace: bool


class DietImpactOut(BaseModel):
    """One diet's verdict before and after; null where the pot is not there."""

    diet: str
    before: Verdict | None
    after: Verdict | None


class ItemImpactOut(BaseModel):
    """What changes in one pot, plate or by-product."""

    item: str
    name: str
    kind: str
    flags: list[FlagImpactOut]
    diets: list[DietImpactOut]


class NumberMovedOut(BaseModel):
    """One number before and after, in the unit that its screens use; null where it is not there."""

    name: NumberName
    before: float | None
    after: float | None


class NumberImpactOut(BaseModel):
    """The numbers of one pot or plate that move."""

    item: str
    name: str
    moved: list[NumberMovedOut]


class ImpactOut(BaseModel):
    """What a change does: in a sentence, item by item, and in numbers.

    `numbers` lists at most the first hundred pots.
    """

    sentence: str
    pots: int
    plates: int
    items: list[ItemImpactOut]
    numbers: list[NumberImpactOut]


def impact_out(impact: Impact) -> ImpactOut:
    """An impact as screens show it."""
    return ImpactOut(
        sentence=impact.sentence(),
        pots=impact.pots,
        plates=impact.plates,
        items=[_item(item) for item in impact.items],
        numbers=[_numbers(entry) for entry in impact.numbers[:MAX_NUMBERS]],
    )


def _numbers(entry: NumberImpact) -> NumberImpactOut:
    return NumberImpactOut(
        item=entry.item,
        name=entry.name,
        moved=[
            NumberMovedOut(name=moved.name, before=moved.before, after=moved.after)
            for moved in entry.moved
        ],
    )


def _item(item: ItemImpact) -> ItemImpactOut:
    return ItemImpactOut.model_validate(
        {
            "item": item.item,
            "name": item.name,
            "kind": item.kind,
            "flags": [
                {
                    "flag": flag.flag,
                    "before": flag.before.word,
                    "after": flag.after.word,
                    "tool_trace": flag.tool_trace,
                }
                for flag in item.flags
            ],
            "diets": [
                {"diet": diet.diet, "before": diet.before, "after": diet.after}
                for diet in item.diets
            ],
        }
    )
