"""A supplier's sheet: goods with allergen codes, as JSON."""

import json
from collections.abc import Iterable, Mapping
from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.book.maker import Evidence
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.vocabulary.flags import shipped_flags
from yellow_ladle.core.vocabulary.gs1_codes import Decoded, decoded, encoded
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.files.book.fault_words import fault_of
from yellow_ladle.files.book.models import ClassId
from yellow_ladle.files.book.piece import Code, Day, LabelText, Name, Short

MAX_BYTES = 4 * 1024 * 1024
FORMAT = "yellow-ladle-supplier-sheet"


class SheetPart(BaseModel):
    """Unknown fields are an error, as in the book file."""

    model_config = ConfigDict(extra="forbid", strict=True, frozen=True)


class AllergenPart(SheetPart):
    """A code with its level. Both are read as they stand; what is not known is reported."""

    code: Annotated[str, Field(min_length=1, max_length=12)]
    level: Annotated[str, Field(min_length=1, max_length=40)]


class GoodPart(SheetPart):
    """One of a supplier's goods. `complete`: every allergen without a code is absent."""

    code: Code
    name: Name
    class_: ClassId | None = Field(default=None, alias="class")
    pack: Short = ""
    ingredients: LabelText = ""
    allergens: list[AllergenPart] = []
    complete: bool = False


class Sheet(SheetPart):
    """What one supplier says of its goods on a day."""

    format: Literal["yellow-ladle-supplier-sheet"]
    version: Literal[1]
    supplier: Name
    issued: Day
    goods: list[GoodPart]


def read_sheet(content: bytes) -> Sheet:
    """The sheet in some bytes. Raises BookRefused with every fault and its place."""
    if len(content) > MAX_BYTES:
        raise BookRefused([Fault("", "the sheet is over 4 MB; a supplier's sheet is far smaller")])
    try:
        raw = json.loads(content.decode("utf-8-sig"))
    except (ValueError, RecursionError) as error:
        raise BookRefused(
            [Fault("", "what came is no supplier's sheet: it is not JSON")]
        ) from error
    return sheet_of(raw)


def sheet_of(raw: Any) -> Sheet:
    """The sheet that some JSON makes. Raises BookRefused with every fault and its place."""
    try:
        return Sheet.model_validate(raw)
    except ValidationError as error:
        raise BookRefused(fault_of(entry, Sheet, "") for entry in error.errors()) from error


def levels_of(good: GoodPart) -> Decoded:
    """The levels that a good's codes come to."""
    return decoded((part.code, part.level) for part in good.allergens)


def stated_by(good: GoodPart) -> dict[str, Level]:
    """What a good's part of a sheet states: its codes, and the other allergens if it is complete.

    A sheet speaks of allergens alone, never of what animal is in a thing; and one with a code that
    is not known here is not complete.
    """
    found = levels_of(good)
    if not good.complete or found.unknown:
        return dict(found.levels)
    allergens = (flag.id for flag in shipped_flags() if flag.group == "allergen")
    return {flag: found.levels.get(flag, Level.FREE) for flag in allergens}


def sheet_content(
    products: Iterable[tuple[Product, Mapping[str, Level]]], kitchen: str, issued: str
) -> dict[str, Any]:
    """The larder as a sheet with allergen codes, for whoever reads such sheets.

    Only codes of single allergens are given, and nothing of what is unchecked: a code can say
    contains, may contain or free from, and none says that nobody has looked.
    """
    return {
        "format": FORMAT,
        "version": 1,
        "supplier": kitchen,
        "issued": issued,
        "goods": [
            {
                "code": product.code,
                "name": product.name,
                "class": product.class_,
                "pack": product.pack,
                "ingredients": product.label,
                "allergens": [
                    {"code": code, "level": level} for code, level in encoded(dict(levels))
                ],
            }
            for product, levels in products
        ],
    }


def product_of(sheet: Sheet, good: GoodPart, id: str, person: str | None) -> Product:
    """A product as the sheet tells it; what it does not speak of stays unchecked."""
    stated = stated_by(good)
    return Product(
        id=id,
        name=good.name,
        class_=good.class_,
        statements=stated,
        otherwise=Level.UNCHECKED,
        evidence=dict.fromkeys(stated, Evidence("supplier", sheet.issued, person)),
        label=good.ingredients,
        pack=good.pack,
        code=good.code,
    )
