"""The tables that hold a book.

Products, preparations and the kitchen are loaded and saved whole, a document a row. What is queried
has tables of its own. A `version` is the book's counter at the last write of its row.
"""

from typing import Any, ClassVar

from sqlalchemy import JSON, CheckConstraint, ForeignKey, MetaData
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column


class Base(DeclarativeBase):
    metadata = MetaData(
        naming_convention={
            "ix": "ix_%(table_name)s_%(column_0_name)s",
            "uq": "uq_%(table_name)s_%(column_0_name)s",
            "ck": "ck_%(table_name)s_%(constraint_name)s",
            "fk": "fk_%(table_name)s_%(column_0_name)s",
            "pk": "pk_%(table_name)s",
        }
    )
    type_annotation_map: ClassVar[dict[Any, Any]] = {
        list[str]: JSON,
        list[dict[str, Any]]: JSON,
        dict[str, Any]: JSON,
    }


class BookRow(Base):
    """The book as a whole. `counter` is raised by every write, inside its transaction.

    What a write touches bears the counter as its version, so that no version is ever used twice.
    """

    __tablename__ = "book"
    __table_args__ = (CheckConstraint("id = 1", name="only_one"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    counter: Mapped[int]


class KitchenRow(Base):
    """The kitchen itself, as the book file holds it."""

    __tablename__ = "kitchen"
    __table_args__ = (CheckConstraint("id = 1", name="only_one"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    version: Mapped[int]
    content: Mapped[dict[str, Any]]


class HouseFlagRow(Base):
    __tablename__ = "house_flag"

    id: Mapped[str] = mapped_column(primary_key=True)
    name: Mapped[str]
    version: Mapped[int] = mapped_column(default=1)


class ProductRow(Base):
    """A product whole, as the book file holds it."""

    __tablename__ = "product"

    id: Mapped[str] = mapped_column(primary_key=True)
    version: Mapped[int]
    content: Mapped[dict[str, Any]]


class PreparationRow(Base):
    """A preparation whole, as the book file holds it."""

    __tablename__ = "preparation"

    id: Mapped[str] = mapped_column(primary_key=True)
    kind: Mapped[str]
    version: Mapped[int]
    content: Mapped[dict[str, Any]]


class ToolRow(Base):
    """A tool that pots go through."""

    __tablename__ = "tool"

    name: Mapped[str] = mapped_column(primary_key=True)
    dedicated: Mapped[bool]
    always_shared: Mapped[bool]
    id: Mapped[str] = mapped_column(default="", server_default="")
    version: Mapped[int] = mapped_column(server_default="1")


class ToolUseRow(Base):
    """What went through a tool, or that it was washed (no item), in the order of `id`."""

    __tablename__ = "tool_use"

    id: Mapped[int] = mapped_column(primary_key=True)
    day: Mapped[str] = mapped_column(index=True)
    at: Mapped[str]
    tool: Mapped[str]
    item: Mapped[str | None]
    person: Mapped[str | None]


class NeedRow(Base):
    """An open need of a guest."""

    __tablename__ = "need"

    id: Mapped[str] = mapped_column(primary_key=True)
    guest: Mapped[str]
    clear: Mapped[list[str]]
    fit: Mapped[list[str]]
    strictness: Mapped[str]
    version: Mapped[int] = mapped_column(server_default="1")


class SignOffRow(Base):
    """Who checked a preparation, and what made that stale."""

    __tablename__ = "sign_off"

    preparation_id: Mapped[str] = mapped_column(
        ForeignKey("preparation.id", ondelete="CASCADE"), primary_key=True
    )
    person: Mapped[str]
    date: Mapped[str]
    stale_since: Mapped[str | None]
    stale_by: Mapped[str | None]


class HistoryRow(Base):
    """One product or preparation before and after one change. Rows are only ever added.

    `item` is empty where the whole book was replaced; then `before` holds all of it.
    """

    __tablename__ = "history"

    id: Mapped[int] = mapped_column(primary_key=True)
    at: Mapped[str] = mapped_column(index=True)
    person: Mapped[str | None]
    why: Mapped[str]
    told: Mapped[str]
    item: Mapped[str] = mapped_column(index=True)
    before: Mapped[dict[str, Any] | None] = mapped_column(JSON(none_as_null=True))
    after: Mapped[dict[str, Any] | None] = mapped_column(JSON(none_as_null=True))
    undoes: Mapped[int | None]


class NoticeRow(Base):
    """A supplier's sheet that says other than what is recorded, until somebody decides."""

    __tablename__ = "notice"

    id: Mapped[int] = mapped_column(primary_key=True)
    product_id: Mapped[str] = mapped_column(
        ForeignKey("product.id", ondelete="CASCADE"), index=True
    )
    maker_id: Mapped[str | None]
    received: Mapped[str]
    sheet: Mapped[dict[str, Any]]
    decided: Mapped[str | None]


class AppliedRow(Base):
    """A plan that was put into the book, as a whole: what every card was before, and is after it.

    `until` is the last day that it is for, null where it stays. `ended` says when and how it was
    taken back. Both contents are those of the book file, by id; null where nothing was there.
    """

    __tablename__ = "applied_plan"

    id: Mapped[int] = mapped_column(primary_key=True)
    at: Mapped[str]
    item: Mapped[str] = mapped_column(index=True)
    how: Mapped[str]
    until: Mapped[str | None]
    goals: Mapped[dict[str, Any]]
    swaps: Mapped[list[dict[str, Any]]]
    sentence: Mapped[str]
    before: Mapped[dict[str, Any]]
    after: Mapped[dict[str, Any]]
    ended: Mapped[str | None]


class RuleRow(Base):
    """What a kitchen has to say of a swap rule. `own` holds the whole of a rule of its own.

    `notes` are added to one by one. The verdict's figures stand in the place of the rule's.
    """

    __tablename__ = "swap_rule"

    id: Mapped[str] = mapped_column(primary_key=True)
    own: Mapped[dict[str, Any] | None] = mapped_column(JSON(none_as_null=True))
    off: Mapped[bool] = mapped_column(default=False)
    notes: Mapped[list[dict[str, Any]]] = mapped_column(default=list)
    flavour: Mapped[float | None]
    texture: Mapped[float | None]
    colour: Mapped[float | None]
    version: Mapped[int] = mapped_column(default=1)
