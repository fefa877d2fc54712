"""What every piece of the book file is built from: words, days, numbers, and how strictly."""

from datetime import date
from typing import Annotated
from zoneinfo import available_timezones

from pydantic import AfterValidator, BaseModel, ConfigDict, Field
from pydantic_core import PydanticCustomError

from yellow_ladle.core.book.ids import MAX_ID
from yellow_ladle.core.labels.label_reading import MAX_LABEL


def real_day(day: str) -> str:
    """An ISO date as it is. Raises ValueError where the calendar has no such day."""
    date.fromisoformat(day)
    return day


def _real_zone(name: str) -> str:
    if name not in available_timezones():
        raise PydanticCustomError("time_zone", 'no time zone "{name}"', {"name": name})
    return name


Day = Annotated[str, Field(pattern=r"^\d{4}-\d{2}-\d{2}$"), AfterValidator(real_day)]
Id = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9-]*$", max_length=MAX_ID)]
FlagId = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9_]*$", max_length=80)]
ItemId = Annotated[
    str, Field(pattern=r"^[a-z0-9][a-z0-9-]*(/[a-z0-9][a-z0-9-]*)?$", max_length=400)
]
UsedId = Annotated[
    str,
    Field(pattern=r"^[a-z0-9][a-z0-9-]*(/[a-z0-9][a-z0-9-]*)?(#[1-9]\d{0,2})?$", max_length=404),
]
Word = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9_-]*$", max_length=80)]
Name = Annotated[str, Field(min_length=1, max_length=200)]
Text = Annotated[str, Field(max_length=4000)]
MAX_NUMBER = 1e9
"""A thousand tons in grams: what is above it is a slip, and would overflow once scaled."""
Number = Annotated[float, Field(ge=0, le=MAX_NUMBER, allow_inf_nan=False)]
Positive = Annotated[float, Field(gt=0, le=MAX_NUMBER, allow_inf_nan=False)]
TimeZone = Annotated[str, Field(max_length=80), AfterValidator(_real_zone)]
"""An IANA time zone, such as Europe/London."""
Short = Annotated[str, Field(max_length=200)]
Code = Annotated[str, Field(pattern=r"^\d{0,14}$")]
LabelText = Annotated[str, Field(max_length=MAX_LABEL)]
Percent = Annotated[float, Field(ge=0, le=100, allow_inf_nan=False)]


class Piece(BaseModel):
    """Unknown fields are an error, and nothing is converted: "100" is not a number."""

    model_config = ConfigDict(extra="forbid", strict=True, frozen=True, populate_by_name=True)
