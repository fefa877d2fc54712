"""What the swap bench is asked, and what it answers."""

from typing import Annotated, Literal, TypeAlias

from pydantic import BaseModel, ConfigDict, Field

from yellow_ladle.api.cards.impact_answers import ImpactOut
from yellow_ladle.api.cards.scaled_card import ScaledOut
from yellow_ladle.api.schemas.answer_forms import Named
from yellow_ladle.api.schemas.figure_forms import StandOut
from yellow_ladle.core.book.rule_setting import Note
from yellow_ladle.core.swaps.plans.fidelity import Fidelity
from yellow_ladle.core.vocabulary.criteria import Criterion
from yellow_ladle.core.vocabulary.levels import LevelWord
from yellow_ladle.files.book.models import LinePiece, PreparationPiece
from yellow_ladle.files.book.piece import FlagId, Id, ItemId, Name, Number, Word

AppliedAs: TypeAlias = Literal["variant", "for_all", "mixed", "today"]


class GoalsPiece(BaseModel):
    """Flags that must go and diets that must suit."""

    clear: Annotated[list[FlagId], Field(max_length=60)] = []
    fit: Annotated[list[Word], Field(max_length=60)] = []


class KeptLine(BaseModel):
    """A line whose item stays."""

    model_config = ConfigDict(populate_by_name=True)

    in_: Id = Field(alias="in")
    line: Annotated[int, Field(ge=0)]


class LimitsPiece(BaseModel):
    """What a plan may not do."""

    most_pots: Annotated[int, Field(ge=1, le=100)] | None = None
    without: Annotated[list[ItemId], Field(max_length=500)] = []
    kept: Annotated[list[KeptLine], Field(max_length=500)] = []
    keep_colour: bool = False
    keep_thickness: bool = False
    freezes: bool = False
    products_only: bool = False


class PlansIn(BaseModel):
    """What is to be changed, to what end and within which limits.

    `order` is what counts most this time; what it does not name follows as the kitchen has it. The
    small pots are told for `covers`; null leaves their whole cards.
    """

    model_config = ConfigDict(
        json_schema_extra={"example": {"item": "hen-leek-pie", "goals": {"clear": ["wheat"]}}}
    )

    item: Id
    and_items: Annotated[list[Id], Field(max_length=50)] = []
    goals: GoalsPiece
    limits: LimitsPiece = LimitsPiece()
    order: Annotated[list[Criterion], Field(max_length=5)] = []
    limit: Annotated[int, Field(ge=1, le=50)] = 6
    covers: Annotated[int, Field(ge=1, le=10_000)] | None = None


class SwapPiece(BaseModel):
    """One swap as a plan names it; `to` null leaves the line out. `adds` come with it, as lines."""

    model_config = ConfigDict(populate_by_name=True)

    in_: Id = Field(alias="in")
    line: Annotated[int, Field(ge=0)]
    from_: ItemId = Field(alias="from")
    to: ItemId | None
    quantity: Number
    unit: str
    rule: str
    adds: Annotated[list[LinePiece], Field(max_length=5)] = []


class CleanToolPiece(BaseModel):
    """A tool that has to be clean, or kept for the pot that goes through it."""

    model_config = ConfigDict(populate_by_name=True)

    in_: Id = Field(alias="in")
    tool: Name


class CleanToolOut(BaseModel):
    """A clean tool as a move of a plan, with the step that the card begins with."""

    move: CleanToolPiece
    in_name: str
    tool_name: str
    method: str


class SwapOut(BaseModel):
    """One swap with everything that its rule says of it. `why`: how the amount came about."""

    swap: SwapPiece
    in_name: str
    from_name: str
    to_name: str | None
    or_names: list[str]
    adds: list[str]
    quantity_before: float
    unit_before: str
    why: str
    rule_name: str
    method: list[str]
    colour: str
    thickness: str
    caution: str
    source: str
    tasted: bool
    notes: list[Note]


class StepChangeOut(BaseModel):
    """A step of a card that is added, changed or dropped."""

    pot: str
    kind: Literal["added", "changed", "dropped"]
    text: str
    minutes: float | None


class AdjustmentOut(BaseModel):
    """Another amount for a line that keeps its item."""

    in_name: str
    name: str
    before: float
    after: float
    unit: str
    why: str


class MovedOut(BaseModel):
    """What everybody gets otherwise, with the flags that fall and rise in it."""

    id: str
    name: str
    better: list[str]
    worse: list[str]


class PlacementOut(BaseModel):
    """One way to make the change: how many extra pots, and what it does to everybody's plates."""

    how: Literal["for_all", "small_pots", "mixed"]
    in_place: list[Named]
    beside: list[Named]
    moved: list[MovedOut]
    stranded: list[str]


class ThicknessMoveOut(BaseModel):
    """A poured pot's predicted thickness before and after, hot."""

    pot: str
    before: StandOut
    after: StandOut


class NeedHarmedOut(BaseModel):
    """A guest whose open need the plan's new flags go against."""

    guest: str
    flags: list[str]
    strictness: str


class DrawnOut(BaseModel):
    """One pot of the pour from the changed lines to the plate. `tier`: the columns, bases first."""

    id: str
    name: str
    tier: int
    changed: bool
    inputs: list[str]


class SmallPotOut(BaseModel):
    """A pot as it is made for the covers. `told`: what its share goes by, or why it is whole."""

    pot: Named
    card: ScaledOut
    told: str


class PlanOut(BaseModel):
    """A plan: its swaps, its carried result, and its price. `seen`: the versions it was made on.

    `same_dish`: whether the plate is still itself. `cards`: shipped bases that it is made with,
    which are added to the book with it. `buy`: what has to be bought and its label read first.
    """

    meets: bool
    same_dish: bool
    reached: list[str]
    sentence: str
    swaps: list[SwapOut]
    cleaned: list[CleanToolOut]
    adds: list[Named]
    clears: list[Named]
    flags_after: dict[str, LevelWord]
    tool_traces_after: list[str]
    harms: list[NeedHarmedOut]
    fidelity: Fidelity
    cost: float | None
    pots: list[Named]
    small_pots: list[SmallPotOut]
    cards: list[PreparationPiece]
    buy: list[str]
    names: dict[str, str]
    placements: list[PlacementOut]
    steps: list[StepChangeOut]
    minutes: float
    adjustments: list[AdjustmentOut]
    thickness: list[ThicknessMoveOut]
    pour: list[DrawnOut]
    also: list[Named]
    seen: dict[str, int]


class BlockedOut(BaseModel):
    """A line that stands in the way, and what would open it."""

    in_name: str
    from_name: str
    flag: str
    why: str
    buy: list[str]
    check: list[Named]
    leave_out: bool


class CheckOut(BaseModel):
    """A label to be read, and the flags that it has to be free of."""

    product: Named
    flags: list[str]


class CheckFirstOut(BaseModel):
    """A way that needs fewer swaps, if the labels turn out as hoped."""

    checks: list[CheckOut]
    swaps: list[str]


class PlansOut(BaseModel):
    """The plans, the best first. `whole`: nothing better can have been missed.

    `instead`: what the kitchen makes of the same kind that meets the goals as it is.
    """

    item: str
    name: str
    flags_now: dict[str, LevelWord]
    tool_traces_now: list[str]
    goals: str
    met_already: bool
    instead: list[Named]
    plans: list[PlanOut]
    checks: list[CheckFirstOut]
    blocked: list[BlockedOut]
    whole: bool
    milliseconds: int


class LoosenedOut(BaseModel):
    """What letting one goal or limit go would open."""

    what: Literal["clear", "fit", "limit"]
    id: str
    name: str
    opens: bool
    sentence: str
    swaps: int
    adds: list[str]
    pots: int


class ApplyIn(BaseModel):
    """A plan to be applied, and how: the pots may be given names of their own."""

    item: Id
    and_items: Annotated[list[Id], Field(max_length=50)] = []
    goals: GoalsPiece
    swaps: Annotated[list[SwapPiece], Field(max_length=200)]
    cleaned: Annotated[list[CleanToolPiece], Field(max_length=200)] = []
    as_: AppliedAs = Field(alias="as")
    name: Name | None = None
    names: dict[Id, Name] = {}
    seen: dict[str, int]


class AppliedOut(BaseModel):
    """What was made or changed: `item` is where to look at it, `plan` takes it back as a whole."""

    plan: int
    item: str
    made: list[Named]
    sentence: str
    impact: ImpactOut


class AppliedPlanOut(BaseModel):
    """A plan that was put into the book."""

    id: int
    at: str
    item: Named
    how: AppliedAs
    until: str | None
    sentence: str
    made: list[Named]
    changed: list[Named]
    rules: list[Named]
    ended: str | None


class TakeBackIn(BaseModel):
    """Why a plan is taken back."""

    why: Annotated[str, Field(max_length=1_000)] = ""
