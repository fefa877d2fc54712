"""The book file, version 1, as Pydantic models. Its JSON Schema in docs/ is made from these."""

from typing import Annotated, Literal

from pydantic import AfterValidator, Field

from yellow_ladle.core.book.book import SECOND_LOOK_DAYS, Kind, Role, Stage, Treatment
from yellow_ladle.core.book.need import Strictness
from yellow_ladle.core.book.pan import Lid
from yellow_ladle.core.book.product import EvidenceKind
from yellow_ladle.core.vocabulary.classes import of_twin
from yellow_ladle.core.vocabulary.criteria import CRITERIA, Criterion
from yellow_ladle.core.vocabulary.levels import LevelWord
from yellow_ladle.core.vocabulary.units import Spoons
from yellow_ladle.files.book.piece import (
    Code,
    Day,
    FlagId,
    Id,
    ItemId,
    LabelText,
    Name,
    Number,
    Percent,
    Piece,
    Positive,
    Short,
    Text,
    TimeZone,
    UsedId,
    Word,
)
from yellow_ladle.files.book.rule_pieces import RulingPiece

FORMAT = "yellow-ladle-book"
VERSION = 1

LineIndex = Annotated[int, Field(ge=0, le=10_000)]
Days = Annotated[float, Field(gt=0, le=3_650, allow_inf_nan=False)]


ClassId = Annotated[Word, AfterValidator(of_twin)]
"""A class; the second name of one is read as the first."""


class PersonPiece(Piece):
    """Somebody of the kitchen, by initials that are theirs alone."""

    initials: Annotated[str, Field(min_length=1, max_length=8)]
    name: Name


class MeasurePiece(Piece):
    """A measure of the kitchen's own: how much it holds, in a unit that has a size."""

    name: Annotated[str, Field(pattern=r"^[a-z][a-z0-9_ -]*$", max_length=40)]
    quantity: Positive
    unit: Word


class KitchenPiece(Piece):
    """Whose book it is, and the id of the regime that it declares by.

    After `second_look_days` a statement wants a second look. `spoons` says what a bare cup or spoon
    holds; scaled amounts are rounded to `weigh_to_g` and `measure_to_ml`. With `so2_by_amount` a
    well-known amount of sulphites under the regime's line leaves the declaration. Plans of swaps
    are ranked in `swap_order`; what it does not name comes last. `time_zone` is an IANA name, null
    for that of the machine.
    """

    name: Name
    regime: Word
    second_look_days: Annotated[int, Field(ge=1, le=3650)] = SECOND_LOOK_DAYS
    people: list[PersonPiece] = []
    measures: Annotated[list[MeasurePiece], Field(max_length=100)] = []
    spoons: Spoons = "us"
    weigh_to_g: Positive = 1
    measure_to_ml: Positive = 5
    so2_by_amount: bool = False
    swap_order: Annotated[list[Criterion], Field(max_length=5)] = list(CRITERIA)
    time_zone: TimeZone | None = None


class FlagPiece(Piece):
    """A flag of the kitchen's own."""

    id: FlagId
    name: Name
    group: Literal["house"] = "house"


class EvidencePiece(Piece):
    """Why a statement is believed, when it was made (ISO date) and by whom."""

    kind: EvidenceKind
    date: Day | None = None
    person: Name | None = None


class PaperPiece(Piece):
    """The paper behind a certificate: its number, and the last day that it holds (ISO date)."""

    number: Annotated[str, Field(max_length=200)] = ""
    expires: Day | None = None


class MakerPiece(Piece):
    """An approved maker of a product, with what its own label says."""

    id: Id
    name: Name
    statements: dict[FlagId, LevelWord] = {}
    otherwise: LevelWord = "unchecked"
    certificates: list[Word] = []
    papers: dict[Word, PaperPiece] = {}
    evidence: dict[FlagId, EvidencePiece] = {}
    label: LabelText = ""
    pack: Short = ""
    code: Code = ""
    so2_mg_per_kg: Number | None = None


class PartPiece(Piece):
    """Another product within a compound one, with its share in per cent where it is known."""

    product: Id
    percent: Percent | None = None


class AdditionPiece(Piece):
    """Something put into a running bag, with what it carried on that day."""

    item: ItemId
    date: Day
    person: Name | None = None
    statements: dict[FlagId, LevelWord] = {}
    certificates: list[Word] = []
    live: bool = True


class BagPiece(Piece):
    """What is in a running bag since it was last emptied and washed."""

    additions: list[AdditionPiece] = []
    emptied: Day | None = None
    emptied_by: Name | None = None


class ProductPiece(Piece):
    """Something bought, with what its label says. Numbers that nobody has recorded are null.

    Without a class nobody has said what it is. A `retired` one (ISO date) is not offered any more;
    `merged` are the ids of goods that were put into it.
    """

    id: Id
    name: Name
    class_: ClassId | None = Field(default=None, alias="class")
    statements: dict[FlagId, LevelWord] = {}
    otherwise: LevelWord = "unchecked"
    certificates: list[Word] = []
    abv_percent: Percent | None = None
    salt_g_per_100g: Percent | None = None
    so2_mg_per_kg: Number | None = None
    density_g_per_ml: Positive | None = None
    unit_weight_g: Positive | None = None
    price_per_kg: Number | None = None
    evidence: dict[FlagId, EvidencePiece] = {}
    papers: dict[Word, PaperPiece] = {}
    label: LabelText = ""
    pack: Short = ""
    code: Code = ""
    makers: list[MakerPiece] = []
    in_use: Id | None = None
    parts: list[PartPiece] = []
    bag: BagPiece | None = None
    retired: Day | None = None
    merged: list[Id] = []


class LinePiece(Piece):
    """One entry of a preparation.

    `treatment` and `minutes`, its own time in the pot, decide how much alcohol is left; `group` is
    the heading that it stands under; `typed` keeps an amount that was not understood.
    """

    item: ItemId
    quantity: Number
    unit: str
    role: Role
    stage: Stage = "cook"
    optional: bool = False
    strained_out: bool = False
    choice: Name | None = None
    chosen: bool = False
    note: Text = ""
    equipment: list[Name] = []
    treatment: Treatment = "none"
    minutes: Number | None = None
    group: Short = ""
    typed: Short = ""


class YieldPiece(Piece):
    """How much a preparation makes; `note` says why it is more than what went in."""

    quantity: Number
    unit: str
    note: Short = ""


class ByProductPiece(Piece):
    """What a preparation yields besides itself.

    `of` are the indexes of the lines that it comes of; without it those of role body, else those
    that are strained out, else every counted line.
    """

    id: Id
    name: Name
    quantity: Number | None = None
    unit: str | None = None
    of: Annotated[list[LineIndex], Field(max_length=1_000)] | None = None


class KeepsPiece(Piece):
    """How many days something keeps, chilled and frozen."""

    chilled_days: Days | None = None
    frozen_days: Days | None = None


class StepPiece(Piece):
    """One step of a method.

    `uses` are the items that go in here, `item#2` the second line of an item; `passive` minutes
    need nobody to stand by.
    """

    text: Text
    minutes: Number | None = None
    heat: Text | None = None
    cue: Text | None = None
    caution: Text | None = None
    equipment: list[Name] = []
    uses: list[UsedId] = []
    passive: bool = False


class WayPiece(Piece):
    """Another way to make a preparation, while it is not the one in use."""

    name: Name
    lines: list[LinePiece] = []
    method: list[StepPiece] = []
    colour: Word | None = None
    yield_: YieldPiece | None = Field(default=None, alias="yield")
    portions: Positive | None = None
    by_products: list[ByProductPiece] = []


class PanPiece(Piece):
    """The pan by its inner width, and how its lid lies."""

    width_cm: Annotated[float, Field(gt=0, le=500, allow_inf_nan=False)]
    lid: Lid = "off"


class ReductionPiece(Piece):
    """One making: what was filled, what came out, and the minutes between."""

    date: Day
    filled_l: Positive
    came_out_l: Positive
    minutes: Positive


class PreparationPiece(Piece):
    """Something made: by its lines, by statements of its own, or by both.

    Where `otherwise` is absent it is unchecked while there are no lines, and free once there are.
    `density_g_per_ml` is taken as 1 where it is null. `way` names the way that is in use and that
    counts, `ways` hold the others. A `retired` one (ISO date) is not offered any more. `not_in_it`
    are words of its texts that somebody has said are not in it. A dish may have a `course`.
    `made_here` is false on a card that came with the program until somebody has cooked it.
    `section` is where in the kitchen it is made.
    """

    id: Id
    name: Name
    kind: Kind
    class_: ClassId | None = Field(default=None, alias="class")
    colour: Word | None = None
    lines: list[LinePiece] = []
    statements: dict[FlagId, LevelWord] = {}
    otherwise: LevelWord | None = None
    yield_: YieldPiece | None = Field(default=None, alias="yield")
    by_products: list[ByProductPiece] = []
    equipment: list[Name] = []
    method: list[StepPiece] = []
    evidence: dict[FlagId, EvidencePiece] = {}
    variant_of: Id | None = None
    density_g_per_ml: Positive | None = None
    portions: Positive | None = None
    pan: PanPiece | None = None
    batches: Annotated[list[ReductionPiece], Field(max_length=200)] = []
    way: Short = ""
    ways: Annotated[list[WayPiece], Field(max_length=20)] = []
    retired: Day | None = None
    not_in_it: Annotated[list[Short], Field(max_length=200)] = []
    keeps: KeepsPiece | None = None
    course: Short | None = None
    made_here: bool = True
    section: Short = ""


class ToolPiece(Piece):
    """A tool that pots go through. A dedicated one leaves no traces.

    One that absorbs, such as the oil of a fryer, is cleared by no wash.
    """

    name: Name
    dedicated: bool = False
    always_shared: bool = False
    id: Annotated[str, Field(pattern=r"^([a-z0-9][a-z0-9-]*)?$", max_length=200)] = ""
    absorbs: bool = False


class NeedPiece(Piece):
    """What a guest must have cleared or fit, and how strictly."""

    id: Id
    guest: Name
    clear: list[FlagId] = []
    fit: list[Word] = []
    strictness: Strictness = "allergy"


class SignOffPiece(Piece):
    """Who checked a preparation and when, and what made that stale."""

    preparation: Id
    person: Name
    date: Day
    stale_since: Day | None = None
    stale_by: Text | None = None


class BookPiece(Piece):
    """Everything that a kitchen writes down."""

    format: Literal["yellow-ladle-book"]
    version: Literal[1]
    kitchen: KitchenPiece
    flags: list[FlagPiece] = []
    products: list[ProductPiece] = []
    preparations: list[PreparationPiece] = []
    tools: list[ToolPiece] = []
    needs: list[NeedPiece] = []
    sign_offs: list[SignOffPiece] = []
    rules: list[RulingPiece] = []
