"""What a change does, as answers tell it."""

from pydantic import BaseModel

from yellow_ladle.core.fitting import Verdict
from yellow_ladle.core.levels import LevelWord
from yellow_ladle.core.ripple import ItemRipple, Ripple


class FlagRippleOut(BaseModel):
    """One flag before and after."""

    flag: str
    before: LevelWord
    after: LevelWord


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


class RippleOut(BaseModel):
    """What a change does: in a sentence, in numbers, and item by item."""

    sentence: str
    pots: int
    plates: int
    items: list[ItemRippleOut]


def ripple_out(ripple: Ripple) -> RippleOut:
    """A ripple as screens show it."""
    return RippleOut(
        sentence=ripple.sentence(),
        pots=ripple.pots,
        plates=ripple.plates,
        items=[_item(item) for item in ripple.items],
    )


def _item(item: ItemRipple) -> ItemRippleOut:
    return ItemRippleOut.model_validate(
        {
            "item": item.item,
            "name": item.name,
            "kind": item.kind,
            "flags": [
                {"flag": flag.flag, "before": flag.before.word, "after": flag.after.word}
                for flag in item.flags
            ],
            "diets": [
                {"diet": diet.diet, "before": diet.before, "after": diet.after}
                for diet in item.diets
            ],
        }
    )
