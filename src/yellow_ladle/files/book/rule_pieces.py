"""What a kitchen says of the swap rules, as the book file holds it."""

from typing import Annotated, Any, Literal

from pydantic import Field

from yellow_ladle.core.book.rule_setting import Note, Ruling
from yellow_ladle.core.swaps.plans.swap import When
from yellow_ladle.core.swaps.rules.swap_rules import Law
from yellow_ladle.files.book.conversion import whole_numbers
from yellow_ladle.files.book.piece import Day, Id, ItemId, Name, Piece, Word

Share = Annotated[float, Field(ge=0, le=1)]
Shares = Annotated[list[Share], Field(min_length=3, max_length=3)]
"""Flavour, texture and colour."""
Words = Annotated[list[Word], Field(max_length=60)]
Classes = Annotated[
    list[Annotated[str, Field(pattern=r"^@?[a-z0-9][a-z0-9_-]*$", max_length=80)]],
    Field(max_length=60),
]
"""Classes, and groups of them with an @ before."""
Sentence = Annotated[str, Field(max_length=1_000)]


class AddedLinePiece(Piece):
    """A line that comes with a rule: goods of one of some classes, `ratio` g for 1 g of the new."""

    with_: Annotated[Classes, Field(min_length=1)] = Field(alias="with")
    ratio: Annotated[float, Field(gt=0, le=1_000)]
    role: Word


class OwnRulePiece(Piece):
    """A rule of a kitchen's own, with the fields of docs/swap-rules.md.

    Without `with` the line is left out.
    """

    name: Name
    replaces: Annotated[Classes, Field(min_length=1)]
    roles: Annotated[Words, Field(min_length=1)]
    with_: Classes = Field([], alias="with")
    stages: Words = []
    kinds: Words = []
    law: Law = "weight"
    ratio: Annotated[float, Field(gt=0, le=1_000)] = 1
    stage: Literal["cook", "finish", "garnish"] | None = None
    not_in: Words = []
    only_in: Words = []
    colours: Words = []
    fidelity: Shares = [1, 1, 1]
    thinner: bool = False
    freezes: bool = True
    thickness: Sentence = "The same."
    method: Annotated[list[Sentence], Field(max_length=20)]
    when: When = "with"
    drops: bool = False
    minutes: Annotated[float, Field(ge=0, le=10_000)] | None = None
    caution: Sentence = ""
    source: Sentence = "kitchen practice"
    adds: Annotated[list[AddedLinePiece], Field(max_length=5)] = []
    most: Annotated[float, Field(gt=0, le=1)] = 1
    named: Annotated[list[Name], Field(max_length=20)] = []
    voids: Annotated[list[Name], Field(max_length=20)] = []
    not_named: bool = False

    def row(self, id: str) -> dict[str, Any]:
        """The rule as a row of a table of rules."""
        row = self.model_dump(by_alias=True, exclude_defaults=True)
        return {"id": id, **row, **({} if self.with_ else {"leave_out": True})}


def own_piece(row: Any) -> OwnRulePiece:
    """A row of a kitchen's own rule as its piece."""
    plain = {key: value for key, value in row.items() if key not in ("id", "leave_out")}
    return OwnRulePiece.model_validate(plain)


class NotePiece(Piece):
    """What somebody found when a rule was used, on a day and for a pot."""

    text: Sentence
    date: Day
    item: ItemId


class RulingPiece(Piece):
    """What the kitchen says of a swap rule: `off` leaves it out, `tasted` replaces its figures.

    A rule that ships goes by its id alone; one of the kitchen's own is here as a whole. What is
    said of a rule that nobody knows any more is kept and has no effect.
    """

    id: Id
    off: bool = False
    tasted: Shares | None = None
    notes: list[NotePiece] = []
    own: OwnRulePiece | None = None


def ruling(piece: RulingPiece) -> Ruling:
    tasted = None if piece.tasted is None else (piece.tasted[0], piece.tasted[1], piece.tasted[2])
    return Ruling(
        id=piece.id,
        off=piece.off,
        tasted=tasted,
        notes=tuple(Note(note.text, note.date, note.item) for note in piece.notes),
        own=None if piece.own is None else piece.own.row(piece.id),
    )


def ruling_piece(value: Ruling) -> RulingPiece:
    return RulingPiece(
        id=value.id,
        off=value.off,
        tasted=None if value.tasted is None else list(value.tasted),
        notes=[NotePiece(text=note.text, date=note.date, item=note.item) for note in value.notes],
        own=None if value.own is None else own_piece(value.own),
    )


def ruling_content(value: Ruling) -> dict[str, Any]:
    """A ruling as the book file holds it, without what stands at its default."""
    plain = ruling_piece(value).model_dump(by_alias=True, exclude_defaults=True)
    return {key: whole_numbers(part) for key, part in plain.items()}
