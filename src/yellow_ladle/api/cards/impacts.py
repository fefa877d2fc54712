"""What a change does, as answers tell it."""

from pydantic import BaseModel

from yellow_ladle.core.carrying.suitability import Verdict
from yellow_ladle.core.impact.impact import ItemRipple, Ripple
from yellow_ladle.core.impact.numbers import NumberRipple
from yellow_ladle.core.numbers.named import NumberName
from yellow_ladle.core.vocabulary.levels import LevelWord

MAX_NUMBERS = 100


class FlagRippleOut(BaseModel):
    """One flag before and after."""

    flag: str
    before: LevelWord
    after: LevelWord
    tool_trace: bool


class DietRippleOut(BaseModel):
    """One diet's verdict before and after; null where the pot is not there."""

    diet: str
    before: Verdict | None
    after: Verdict | None


class ItemRippleOut(BaseModel):
    """What changes in one pot, plate or by-product."""

    item: str
    name: str
    kind: str
    flags: list[FlagRippleOut]
    diets: list[DietRippleOut]


class NumberMovedOut(BaseModel):
    """One number before and after, in the unit that its screens use; null where it is not there."""

    name: NumberName
    before: float | None
    after: float | None


class NumberRippleOut(BaseModel):
    """The numbers of one pot or plate that move."""

    item: str
    name: str
    moved: list[NumberMovedOut]


class RippleOut(BaseModel):
    """What a change does: in a sentence, item by item, and in numbers.

    `numbers` lists at most the first hundred pots.
    """

    sentence: str
    pots: int
    plates: int
    items: list[ItemRippleOut]
    numbers: list[NumberRippleOut]


def ripple_out(ripple: Ripple) -> RippleOut:
    """A ripple as screens show it."""
    return RippleOut(
        sentence=ripple.sentence(),
        pots=ripple.pots,
        plates=ripple.plates,
        items=[_item(item) for item in ripple.items],
        numbers=[_numbers(entry) for entry in ripple.numbers[:MAX_NUMBERS]],
    )


def _numbers(entry: NumberRipple) -> NumberRippleOut:
    return NumberRippleOut(
        item=entry.item,
        name=entry.name,
        moved=[
            NumberMovedOut(name=moved.name, before=moved.before, after=moved.after)
            for moved in entry.moved
        ],
    )


def _item(item: ItemRipple) -> ItemRippleOut:
    return ItemRippleOut.model_validate(
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
