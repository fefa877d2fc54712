"""The forms in which requests describe changes."""

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from yellow_ladle.core.reading.update import Change
from yellow_ladle.core.vocabulary.levels import LevelWord
from yellow_ladle.files.book.models import (
    ClassId,
    EvidencePiece,
    LinePiece,
    MakerPiece,
    PreparationPiece,
    ProductPiece,
)
from yellow_ladle.files.book.piece import FlagId, Id, ItemId, Name


class ProductChange(BaseModel):
    """A product as it is to be, new or edited."""

    change: Literal["product"]
    product: ProductPiece


class PreparationChange(BaseModel):
    """A preparation as it is to be, new or edited."""

    change: Literal["preparation"]
    preparation: PreparationPiece


class PlainFoodChange(BaseModel):
    """A product recorded as a plain single food: what it brings is contained, the rest free."""

    change: Literal["plain_food"]
    product: Id


class StatementChange(BaseModel):
    """One statement of a product or preparation; a level of null takes it back."""

    change: Literal["statement"]
    item: Id
    flag: FlagId
    level: LevelWord | None
    evidence: EvidencePiece | None = None


class ClassChange(BaseModel):
    """What a product or preparation is, as somebody says; a class of null takes it back."""

    change: Literal["class"]
    item: Id
    class_: ClassId | None = Field(alias="class")


class LineChange(BaseModel):
    """One line of a preparation as it is to be. `was` is the item that it held when it was seen."""

    change: Literal["line"]
    preparation: Id
    line: Annotated[int, Field(ge=0)]
    was: ItemId | None = None
    to: LinePiece


class ChoiceChange(BaseModel):
    """One alternative of a preparation chosen over the others of its choice."""

    change: Literal["choice"]
    preparation: Id
    line: Annotated[int, Field(ge=0)]
    was: ItemId | None = None


class WayChange(BaseModel):
    """Another way of a preparation in use from now on."""

    change: Literal["way"]
    preparation: Id
    way: Name


class Thickening(BaseModel):
    """A product of the larder put into a pot as its thickener, with its fat where it is a roux."""

    change: Literal["thickening"]
    preparation: Id
    product: Id
    grams: Annotated[float, Field(ge=0.001, le=1_000_000)]
    minutes: Annotated[float, Field(ge=0, le=10_000)] | None = None
    fat: Id | None = None
    fat_grams: Annotated[float, Field(ge=0.001, le=1_000_000)] | None = None


class Renaming(BaseModel):
    """A preparation by another name, and by another id where one is given; references follow."""

    change: Literal["renaming"]
    preparation: Id
    name: Name
    id: Id | None = None


class Retirement(BaseModel):
    """A preparation that is not offered any more from today on, or is again."""

    change: Literal["retirement"]
    preparation: Id
    retired: bool


class ProductRetirement(BaseModel):
    """A product that is put away from today on, so that it is not offered, or is back again."""

    change: Literal["product_retirement"]
    product: Id
    retired: bool


class ProductMerging(BaseModel):
    """A good that was recorded twice: `gone` is put into `keep`, which carries both."""

    change: Literal["product_merging"]
    keep: Id
    gone: Id


class BringIn(BaseModel):
    """Recipes with the products that they need and the larder lacks, all at once.

    `plain` are those of the products that a person takes for plain single foods.
    """

    change: Literal["bring_in"]
    plain: Annotated[list[Id], Field(max_length=2_000)] = []
    products: Annotated[list[ProductPiece], Field(max_length=2_000)] = []
    preparations: Annotated[list[PreparationPiece], Field(min_length=1, max_length=500)]


class Removal(BaseModel):
    """A product or preparation that is to go."""

    change: Literal["removal"]
    item: Id


class ProductsChange(BaseModel):
    """Several products at once, as a table or a supplier's sheet brings them."""

    change: Literal["products"]
    products: Annotated[list[ProductPiece], Field(min_length=1, max_length=5_000)]


class NewMakerPiece(MakerPiece):
    """A maker that may have no id yet: one that the product's other makers leave free is found."""

    id: Id | Literal[""] = ""


class MakerChange(BaseModel):
    """One more maker of a product. Where it had none, its own label becomes the first maker's."""

    change: Literal["maker"]
    product: Id
    maker: NewMakerPiece


class MakerDropped(BaseModel):
    """A maker that is approved no more."""

    change: Literal["maker_dropped"]
    product: Id
    maker: Id


class MakerAnswers(BaseModel):
    """What a maker has answered about its good, written down by a person.

    `maker` is null for the label of a good without makers.
    """

    change: Literal["maker_answers"]
    product: Id
    maker: Id | None = None
    levels: Annotated[dict[FlagId, LevelWord], Field(min_length=1, max_length=100)]


class MakerInUse(BaseModel):
    """The maker whose label alone counts from now on; null counts the highest of all."""

    change: Literal["maker_in_use"]
    product: Id
    maker: Id | None


class AdditionChange(BaseModel):
    """Something put into a running bag today."""

    change: Literal["addition"]
    bag: Id
    item: ItemId


class EmptyingChange(BaseModel):
    """A running bag emptied today. Only a washed one forgets what was in it."""

    change: Literal["emptying"]
    bag: Id
    washed: bool


AnyChange = Annotated[
    ProductChange
    | PreparationChange
    | PlainFoodChange
    | StatementChange
    | ClassChange
    | LineChange
    | ChoiceChange
    | WayChange
    | Thickening
    | Renaming
    | Retirement
    | ProductRetirement
    | ProductMerging
    | BringIn
    | Removal
    | ProductsChange
    | MakerChange
    | MakerDropped
    | MakerInUse
    | MakerAnswers
    | AdditionChange
    | EmptyingChange,
    Field(discriminator="change"),
]


class RecordIn(BaseModel):
    """A change with the version that its writer saw, null for something new.

    `seen_each` names the versions one by one where a change touches several things. `why` is kept
    in the history, with the person whom the request names.
    """

    model_config = ConfigDict(
        json_schema_extra={
            "example": {
                "change": {
                    "change": "statement",
                    "item": "stock-powder",
                    "flag": "celery",
                    "level": "contains",
                    "evidence": {"kind": "label", "date": "2026-11-24", "person": "MK"},
                },
                "seen": 1,
            }
        }
    )

    change: AnyChange
    seen: int | None = None
    seen_each: dict[Id, int | None] | None = None
    why: Annotated[str, Field(max_length=1_000)] = ""

    def versions(self, change: Change) -> dict[str, int | None]:
        """The version that the writer saw of each thing that the change touches."""
        if self.seen_each is None:
            return dict.fromkeys(change.ids, self.seen)
        return {id: self.seen_each.get(id) for id in change.ids}
