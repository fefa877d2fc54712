"""The forms in which answers give the figures of a pot."""

from pydantic import BaseModel

from yellow_ladle.api.schemas.answer_forms import Named
from yellow_ladle.core.cards.colours import Clash
from yellow_ladle.core.numbers.named import NumberName
from yellow_ladle.core.numbers.yields import Evaporation


class ShareOut(BaseModel):
    """What one item brings of a number, in grams (SO2: milligrams), and its share, 0 to 1."""

    item: str
    name: str
    amount: float
    share: float


class NumberOut(BaseModel):
    """One carried number. "At least" where something is missing; never a guess.

    `value` is in the unit of its name, `per_portion` in grams (SO2: milligrams).
    """

    name: NumberName
    value: float
    per_portion: float | None
    at_least: bool
    missing: list[Named]
    by_line: list[ShareOut]
    by_product: list[ShareOut]


class SaltOut(BaseModel):
    """The salt before anyone seasons, in g per 100 g, and what one pinch more makes of it."""

    already: float
    pinch_more: float
    pinch_g: float


class SulphitesOut(BaseModel):
    """Total SO2 against the line of the regime, as an estimate before any loss."""

    mg_per_kg: float
    line: float
    under: bool
    left_out: bool
    sentence: str


class StandOut(BaseModel):
    """A predicted thickness: its place by name, the range's ends, and 0 to 1 along the scale."""

    place: str
    name: str
    low_name: str
    high_name: str
    grams_per_l: float
    low: float
    high: float
    position: float


class BodyGivenOut(BaseModel):
    """What one thickener or body gives, in grams of flour in a litre."""

    name: str
    grams_per_l: float


class ThicknessOut(BaseModel):
    """How thick the pot will be; then the spoon test."""

    hot: StandOut
    lukewarm: StandOut
    thawed: StandOut
    effects: list[str]
    given: list[BodyGivenOut]
    at_least: bool


class YieldedOut(BaseModel):
    """One making by weight in grams; levels in the pan in centimetres, null without one."""

    grams_in: float
    grams_out: float
    by_products: float
    lost: float
    per_cent: float
    level_in: float | None
    level_out: float | None
    unknown: list[Named]


class OfferedOut(BaseModel):
    """A caution that a step calls for and does not have."""

    step: int
    id: str
    text: str
    source: str


class AskedOut(BaseModel):
    """What has to be known before a line can be weighed."""

    line: int
    sentence: str


class FiguresOut(BaseModel):
    """Everything that is worked out for one pot. `line_grams` is null where nobody can know."""

    numbers: list[NumberOut]
    salt: SaltOut
    sulphites: SulphitesOut | None
    thickness: ThicknessOut | None
    made: YieldedOut
    evaporation: Evaporation | None
    portions: float | None
    active_minutes: float
    passive_minutes: float
    clashes: list[Clash]
    cautions: list[OfferedOut]
    asked: list[AskedOut]
    line_grams: list[float | None]
