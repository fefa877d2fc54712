"""The tables that hold a book. `version` rises by one with every change of its row."""

from typing import Any, ClassVar

from sqlalchemy import JSON, CheckConstraint, ForeignKey, ForeignKeyConstraint, MetaData
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column, relationship

from yellow_ladle.core.criteria import Criterion

# Deferred keys are checked at the end of the transaction, as a pot is rewritten by taking its rows
# out and putting new ones in.


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
        list[Criterion]: JSON,
        list[dict[str, Any]]: JSON,
        dict[str, Any]: JSON,
    }


class KitchenRow(Base):
    __tablename__ = "kitchen"
    __table_args__ = (CheckConstraint("id = 1", name="only_one"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    regime: Mapped[str]
    second_look_days: Mapped[int] = mapped_column(default=180, server_default="180")
    people: Mapped[list[dict[str, Any]]] = mapped_column(default=list, server_default="[]")
    measures: Mapped[list[dict[str, Any]]] = mapped_column(default=list, server_default="[]")
    spoons: Mapped[str] = mapped_column(default="us", server_default="us")
    weigh_to_g: Mapped[float] = mapped_column(default=1, server_default="1")
    measure_to_ml: Mapped[float] = mapped_column(default=5, server_default="5")
    so2_by_amount: Mapped[bool] = mapped_column(default=False, server_default="0")
    swap_order: Mapped[list[Criterion]] = mapped_column(default=list, server_default="[]")
    version: Mapped[int] = mapped_column(default=1)


class HouseFlagRow(Base):
    __tablename__ = "house_flag"

    id: Mapped[str] = mapped_column(primary_key=True)
    name: Mapped[str]
    version: Mapped[int] = mapped_column(default=1)


class StatementRow(Base):
    """A level with its evidence. The flag `otherwise` has no level and carries evidence only."""

    __tablename__ = "statement"
    __table_args__ = (
        CheckConstraint("(product_id IS NULL) <> (preparation_id IS NULL)", name="one_owner"),
        CheckConstraint(
            "level IN ('free', 'may_contain', 'unchecked', 'contains')"
            " OR (level IS NULL AND flag = 'otherwise')",
            name="level",
        ),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    product_id: Mapped[str | None] = mapped_column(
        ForeignKey("product.id", ondelete="CASCADE"), index=True
    )
    preparation_id: Mapped[str | None] = mapped_column(
        ForeignKey("preparation.id", ondelete="CASCADE"), index=True
    )
    flag: Mapped[str]
    level: Mapped[str | None]
    evidence: Mapped[str | None]
    date: Mapped[str | None]
    person: Mapped[str | None]


class ProductRow(Base):
    __tablename__ = "product"

    id: Mapped[str] = mapped_column(primary_key=True)
    name: Mapped[str]
    class_: Mapped[str] = mapped_column("class")
    otherwise: Mapped[str]
    certificates: Mapped[list[str]]
    abv_percent: Mapped[float | None]
    salt_g_per_100g: Mapped[float | None]
    so2_mg_per_kg: Mapped[float | None]
    price_per_kg: Mapped[float | None]
    density_g_per_ml: Mapped[float | None]
    unit_weight_g: Mapped[float | None]
    papers: Mapped[dict[str, Any]] = mapped_column(default=dict, server_default="{}")
    label: Mapped[str] = mapped_column(default="", server_default="")
    pack: Mapped[str] = mapped_column(default="", server_default="")
    code: Mapped[str] = mapped_column(default="", server_default="")
    makers: Mapped[list[dict[str, Any]]] = mapped_column(default=list, server_default="[]")
    in_use: Mapped[str | None]
    parts: Mapped[list[dict[str, Any]]] = mapped_column(default=list, server_default="[]")
    bag: Mapped[dict[str, Any] | None] = mapped_column(JSON(none_as_null=True))
    version: Mapped[int] = mapped_column(default=1)
    statements: Mapped[list[StatementRow]] = relationship(
        cascade="all, delete-orphan", order_by=StatementRow.id
    )


class LineRow(Base):
    """One line. Its item is a product, a preparation, or a by-product of a preparation."""

    __tablename__ = "line"
    __table_args__ = (
        CheckConstraint("(product_id IS NULL) <> (made_id IS NULL)", name="one_item"),
        CheckConstraint("quantity >= 0", name="amount"),
        ForeignKeyConstraint(
            ["made_id", "by_product_id"],
            ["by_product.preparation_id", "by_product.id"],
            name="fk_line_by_product",
            deferrable=True,
            initially="DEFERRED",
        ),
    )

    preparation_id: Mapped[str] = mapped_column(
        ForeignKey("preparation.id", ondelete="CASCADE"), primary_key=True
    )
    position: Mapped[int] = mapped_column(primary_key=True)
    product_id: Mapped[str | None] = mapped_column(
        ForeignKey("product.id", deferrable=True, initially="DEFERRED"), index=True
    )
    made_id: Mapped[str | None] = mapped_column(
        ForeignKey("preparation.id", deferrable=True, initially="DEFERRED"), index=True
    )
    by_product_id: Mapped[str | None]
    quantity: Mapped[float]
    unit: Mapped[str]
    role: Mapped[str]
    stage: Mapped[str]
    optional: Mapped[bool]
    strained_out: Mapped[bool]
    choice: Mapped[str | None]
    chosen: Mapped[bool]
    note: Mapped[str]
    equipment: Mapped[list[str]] = mapped_column(default=list, server_default="[]")
    treatment: Mapped[str] = mapped_column(default="none", server_default="none")
    minutes: Mapped[float | None]
    group: Mapped[str] = mapped_column(default="", server_default="")
    typed: Mapped[str] = mapped_column(default="", server_default="")


class ByProductRow(Base):
    __tablename__ = "by_product"

    preparation_id: Mapped[str] = mapped_column(
        ForeignKey("preparation.id", ondelete="CASCADE"), primary_key=True
    )
    id: Mapped[str] = mapped_column(primary_key=True)
    position: Mapped[int]
    name: Mapped[str]
    quantity: Mapped[float | None]
    unit: Mapped[str | None]


class StepRow(Base):
    __tablename__ = "step"

    preparation_id: Mapped[str] = mapped_column(
        ForeignKey("preparation.id", ondelete="CASCADE"), primary_key=True
    )
    position: Mapped[int] = mapped_column(primary_key=True)
    text: Mapped[str]
    minutes: Mapped[float | None]
    heat: Mapped[str | None]
    cue: Mapped[str | None]
    caution: Mapped[str | None]
    equipment: Mapped[list[str]]
    uses: Mapped[list[str]] = mapped_column(default=list, server_default="[]")
    passive: Mapped[bool] = mapped_column(default=False, server_default="0")


class PreparationRow(Base):
    __tablename__ = "preparation"

    id: Mapped[str] = mapped_column(primary_key=True)
    name: Mapped[str]
    kind: Mapped[str]
    class_: Mapped[str | None] = mapped_column("class")
    colour: Mapped[str | None]
    otherwise: Mapped[str | None]
    yield_quantity: Mapped[float | None]
    yield_unit: Mapped[str | None]
    equipment: Mapped[list[str]]
    density_g_per_ml: Mapped[float | None]
    portions: Mapped[float | None]
    yield_note: Mapped[str] = mapped_column(default="", server_default="")
    pan: Mapped[dict[str, Any] | None] = mapped_column(JSON(none_as_null=True))
    batches: Mapped[list[dict[str, Any]]] = mapped_column(default=list, server_default="[]")
    way: Mapped[str] = mapped_column(default="", server_default="")
    ways: Mapped[list[dict[str, Any]]] = mapped_column(default=list, server_default="[]")
    retired: Mapped[str | None]
    not_in_it: Mapped[list[str]] = mapped_column(default=list, server_default="[]")
    variant_of: Mapped[str | None] = mapped_column(
        ForeignKey("preparation.id", deferrable=True, initially="DEFERRED")
    )
    version: Mapped[int] = mapped_column(default=1)
    lines: Mapped[list[LineRow]] = relationship(
        cascade="all, delete-orphan",
        order_by=LineRow.position,
        foreign_keys=LineRow.preparation_id,
    )
    by_products: Mapped[list[ByProductRow]] = relationship(
        cascade="all, delete-orphan", order_by=ByProductRow.position
    )
    method: Mapped[list[StepRow]] = relationship(
        cascade="all, delete-orphan", order_by=StepRow.position
    )
    statements: Mapped[list[StatementRow]] = relationship(
        cascade="all, delete-orphan", order_by=StatementRow.id
    )


class ToolRow(Base):
    """A tool that pots go through."""

    __tablename__ = "tool"

    name: Mapped[str] = mapped_column(primary_key=True)
    dedicated: Mapped[bool]
    always_shared: Mapped[bool]


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
