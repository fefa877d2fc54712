"""The daybook file, version 1, as Pydantic models. Its JSON Schema in docs/ is made from these."""

from typing import Annotated, Any, Literal

from pydantic import AfterValidator, Field
from pydantic_core import PydanticCustomError

from yellow_ladle.core.production.instants import DATE_LETTERS, instant
from yellow_ladle.core.vocabulary.levels import LevelWord
from yellow_ladle.files.book.models import LineIndex, NeedPiece, PreparationPiece
from yellow_ladle.files.book.piece import (
    Day,
    FlagId,
    Id,
    ItemId,
    Name,
    Number,
    Piece,
    Short,
    Text,
    Word,
    real_day,
)

FORMAT = "yellow-ladle-daybook"
VERSION = 1

NO_MOMENT = "a time is written with its offset, as 2026-12-01T08:10:00+00:00"


def _real_moment(moment: str) -> str:
    try:
        instant(moment)
    except (ValueError, OverflowError) as error:
        raise PydanticCustomError("moment", NO_MOMENT) from error
    return moment


def _real_day_or_moment(text: str) -> str:
    return real_day(text) if len(text) == DATE_LETTERS else _real_moment(text)


Moment = Annotated[
    str,
    Field(pattern=r"^\d{4}-\d{2}-\d{2}[Tt ]\d{2}:\d{2}", max_length=40),
    AfterValidator(_real_moment),
]
"""A time, RFC 3339 with its offset."""
DayOrMoment = Annotated[
    str, Field(pattern=r"^\d{4}-\d{2}-\d{2}", max_length=40), AfterValidator(_real_day_or_moment)
]
"""A date, or a time of it."""
BatchPart = ItemId
"""A batch, or a by-product of one: `b-114` or `b-114/fat`."""
MakerId = Annotated[str, Field(pattern=r"^([a-z0-9][a-z0-9-]*|\?)$", max_length=200)]
"""A maker, or `?`: none of ours."""
Statements = dict[FlagId, LevelWord]
Storage = Literal["", "dry", "chilled", "frozen", "hot", "thawed"]
Entries = Field(max_length=10_000)
Celsius = Annotated[float, Field(ge=-100, le=500, allow_inf_nan=False)]


class EntryPiece(Piece):
    """What every entry may add: who wrote it down, and when, where that was later."""

    by: Short = ""
    recorded: Moment | None = None


class LotPiece(EntryPiece):
    """A delivery of a product. Its statements raise what its label says, never lower."""

    id: Id
    product: Id
    received: DayOrMoment
    maker: MakerId | None = None
    code: Short = ""
    opened: DayOrMoment | None = None
    use_by: Day | None = None
    best_before: Day | None = None
    quantity: Number | None = None
    unit: Short | None = None
    used_up: DayOrMoment | None = None
    place: Short = ""
    statements: Statements = {}


class WentInPiece(Piece):
    """One thing that went into a batch, by its lot or maker, its batch or tub, where known."""

    item: ItemId
    line: LineIndex | None = None
    lot: Id | None = None
    maker: MakerId | None = None
    batch: BatchPart | None = None
    tub: Id | None = None
    quantity: Number | None = None
    unit: Short | None = None


class LeftOutPiece(Piece):
    """A line of the card that did not go in."""

    line: LineIndex
    why: Text = ""


class OutPiece(Piece):
    """How much a batch came to."""

    quantity: Number
    unit: Short


class ByProductOutPiece(Piece):
    """What a batch yielded besides itself."""

    id: Id
    quantity: Number | None = None
    unit: Short | None = None


class BatchPiece(EntryPiece):
    """A preparation as it was made. Without one of a card it goes by its `name`."""

    id: Id
    made: Moment
    preparation: Id | None = None
    name: Name | None = None
    way: Short | None = None
    card: PreparationPiece | None = None
    statements: Statements = {}
    went_in: Annotated[list[WentInPiece], Entries] = []
    left_out: Annotated[list[LeftOutPiece], Entries] = []
    out: OutPiece | None = None
    by_products: Annotated[list[ByProductOutPiece], Entries] | None = None
    tools: Annotated[list[Name], Entries] | None = None
    storage: Storage = ""
    use_by: Day | None = None
    place: Short = ""
    note: Text = ""


class TubPiece(EntryPiece):
    """A portion of a batch with a label of its own."""

    id: Id
    batch: BatchPart
    at: Moment
    quantity: Number | None = None
    unit: Short | None = None
    place: Short = ""


class PrintedLabelPiece(EntryPiece):
    """The label of a tub, and when it was taken off."""

    tub: Id
    printed: Moment
    struck: Moment | None = None


class MovePiece(EntryPiece):
    """Something put elsewhere, or given another last day."""

    of: BatchPart
    at: Moment
    to: Storage | None = None
    use_by: Day | None = None
    place: Short = ""


class DiscardPiece(EntryPiece):
    """An amount thrown away."""

    of: BatchPart
    at: Moment
    quantity: Number | None = None
    unit: Short | None = None
    why: Text = ""


class CountPiece(EntryPiece):
    """How much was found to be left."""

    of: BatchPart
    at: Moment
    quantity: Number
    unit: Short


class FillPiece(EntryPiece):
    """Something put into a running bag, or the bag emptied."""

    bag: Id
    at: Moment
    item: ItemId | None = None
    lot: Id | None = None
    batch: BatchPart | None = None
    quantity: Number | None = None
    unit: Short | None = None
    emptied: bool = False
    washed: bool = False


class WashPiece(EntryPiece):
    """A tool washed, or what it holds renewed."""

    tool: Name
    at: Moment
    renewed: bool = False


class ItemUsePiece(EntryPiece):
    """Something that went through a tool without a batch of its own."""

    tool: Name
    item: ItemId
    at: Moment


class TemperaturePiece(EntryPiece):
    """A reading in degrees Celsius of something, or of a place."""

    id: Id
    at: Moment
    celsius: Celsius
    of: BatchPart | None = None
    place: Short = ""
    phase: Literal["", "receive", "cook", "cool", "hold", "reheat", "store"] = ""
    probe: Short | None = None
    corrects: Id | None = None
    did: Text = ""


class RecallPiece(EntryPiece):
    """A notice that something must come back; without lots the whole product."""

    id: Id
    at: Moment
    product: Id
    maker: MakerId | None = None
    lots: Annotated[list[Id], Entries] = []
    why: Text = ""
    closed: DayOrMoment | None = None


class MenuPlatePiece(Piece):
    """A plate of a service, and for how many."""

    item: ItemId
    covers: Annotated[int, Field(ge=0, le=1_000_000)] | None = None
    course: Short | None = None


class DrawPiece(Piece):
    """An amount taken from a batch or a tub onto a plate."""

    batch: BatchPart | None = None
    tub: Id | None = None
    quantity: Number | None = None
    unit: Short | None = None


class OverridePiece(Piece):
    """An answer that somebody set aside, and why."""

    by: Short
    why: Text


class ServedPiece(EntryPiece):
    """A plate that left the kitchen; without a need it was any guest's."""

    plate: ItemId
    need: Id | None = None
    portions: Number | None = None
    at: Moment | None = None
    checked_by: Annotated[list[Short], Entries] = []
    answer: Word | None = None
    plan: Any = None
    override: OverridePiece | None = None
    from_: Annotated[list[DrawPiece], Entries] | None = Field(default=None, alias="from")


class ServicePiece(EntryPiece):
    """A menu on a date with its guests, and what was served."""

    id: Id
    date: Day
    name: Short = ""
    at: Moment | None = None
    plates: Annotated[list[MenuPlatePiece], Entries] = []
    needs: Annotated[list[NeedPiece], Entries] = []
    served: Annotated[list[ServedPiece], Entries] = []


class IncidentPiece(EntryPiece):
    """Something that went wrong with a guest, with what was known then."""

    id: Id
    at: Moment
    service: Id | None = None
    need: Id | None = None
    plate: ItemId | None = None
    kept: Any = None


class DaybookPiece(Piece):
    """Everything that a kitchen recorded of what it made, kept and served."""

    format: Literal["yellow-ladle-daybook"]
    version: Literal[1]
    lots: list[LotPiece] = []
    batches: list[BatchPiece] = []
    tubs: list[TubPiece] = []
    labels: list[PrintedLabelPiece] = []
    moves: list[MovePiece] = []
    discards: list[DiscardPiece] = []
    counts: list[CountPiece] = []
    fills: list[FillPiece] = []
    washes: list[WashPiece] = []
    uses: list[ItemUsePiece] = []
    temperatures: list[TemperaturePiece] = []
    recalls: list[RecallPiece] = []
    services: list[ServicePiece] = []
    incidents: list[IncidentPiece] = []
