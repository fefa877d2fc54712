"""The tables that hold a book.

Everything that a kitchen decides is loaded and saved whole, a document a row. What is queried has
tables of its own. A `version` is the book's counter at the last write of its row.
"""

from typing import Any, ClassVar

from sqlalchemy import JSON, BigInteger, CheckConstraint, MetaData
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
    """The book as a whole. `counter` is raised by every write of it, inside its transaction.

    What a write touches bears the counter as its version, so that no version is ever used twice.
    `appended` is raised by what is added day by day and changes nothing that stands.
    """

    __tablename__ = "book"
    __table_args__ = (CheckConstraint("id = 1", name="only_one"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    counter: Mapped[int]
    appended: Mapped[int] = mapped_column(default=0, server_default="0")


class DocumentRow(Base):
    """A product, a preparation or anything else that a kitchen decides, whole as files hold it.

    `kind` and `id` name it: `product` and `butter`, `tool` and `chinois`.
    """

    __tablename__ = "document"

    kind: Mapped[str] = mapped_column(primary_key=True)
    id: Mapped[str] = mapped_column(primary_key=True)
    version: Mapped[int]
    content: Mapped[dict[str, Any]]


class DaybookRow(Base):
    """One entry of the daybook as it was recorded, corrected or taken back. Rows are only added.

    `list` and `entry` name it as the daybook file does; the newest row counts, one without content
    says that the entry was taken back. `instant` is when it happened (microseconds since 1970),
    `day` the date as written. A batch's card stands in `daybook_card`. `before_hash` is the SHA-256
    of the row before.
    """

    __tablename__ = "daybook_entry"

    seq: Mapped[int] = mapped_column(primary_key=True)
    list: Mapped[str]
    entry: Mapped[str] = mapped_column(index=True)
    instant: Mapped[int] = mapped_column(BigInteger, index=True)
    day: Mapped[str] = mapped_column(index=True)
    recorded: Mapped[str]
    person: Mapped[str | None]
    why: Mapped[str]
    content: Mapped[dict[str, Any] | None] = mapped_column(JSON(none_as_null=True))
    undoes: Mapped[int | None]
    before_hash: Mapped[str]


class DaybookCardRow(Base):
    """A card that batches were made by, under the SHA-256 of its content."""

    __tablename__ = "daybook_card"

    sha256: Mapped[str] = mapped_column(primary_key=True)
    content: Mapped[dict[str, Any]]


class HistoryRow(Base):
    """One document before and after one change. Rows are only ever added.

    `kind` and `item` name the document. `item` is empty where the whole book was replaced; then
    `before` holds all of it. `before_hash` is the SHA-256 of the row before (history.py).
    """

    __tablename__ = "history"

    id: Mapped[int] = mapped_column(primary_key=True)
    at: Mapped[str] = mapped_column(index=True)
    person: Mapped[str | None]
    why: Mapped[str]
    told: Mapped[str]
    kind: Mapped[str]
    item: Mapped[str] = mapped_column(index=True)
    before: Mapped[dict[str, Any] | None] = mapped_column(JSON(none_as_null=True))
    after: Mapped[dict[str, Any] | None] = mapped_column(JSON(none_as_null=True))
    undoes: Mapped[int | None]
    before_hash: Mapped[str]


class NoticeRow(Base):
    """A supplier's sheet that says other than what is recorded, until somebody decides."""

    __tablename__ = "notice"

    id: Mapped[int] = mapped_column(primary_key=True)
    product_id: Mapped[str] = mapped_column(index=True)
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
