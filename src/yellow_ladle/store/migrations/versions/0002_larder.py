"""The larder: makers, bags, tools, needs, sign-offs, history, notices"""

from collections.abc import Sequence

import sqlalchemy as sa
from alembic import op

revision: str = "0002"
down_revision: str | None = "0001"
branch_labels: str | Sequence[str] | None = None
depends_on: str | Sequence[str] | None = None

LISTS = ("makers", "parts")
TEXTS = ("label", "pack", "code")


def upgrade() -> None:
    with op.batch_alter_table("kitchen") as table:
        table.add_column(
            sa.Column("second_look_days", sa.Integer(), nullable=False, server_default="180")
        )
        table.add_column(sa.Column("people", sa.JSON(), nullable=False, server_default="[]"))
    op.add_column("product", sa.Column("papers", sa.JSON(), nullable=False, server_default="{}"))
    for name in TEXTS:
        op.add_column("product", sa.Column(name, sa.String(), nullable=False, server_default=""))
    for name in LISTS:
        op.add_column("product", sa.Column(name, sa.JSON(), nullable=False, server_default="[]"))
    op.add_column("product", sa.Column("in_use", sa.String(), nullable=True))
    op.add_column("product", sa.Column("bag", sa.JSON(), nullable=True))
    op.add_column("line", sa.Column("equipment", sa.JSON(), nullable=False, server_default="[]"))
    op.create_table(
        "tool",
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("dedicated", sa.Boolean(), nullable=False),
        sa.Column("always_shared", sa.Boolean(), nullable=False),
        sa.PrimaryKeyConstraint("name", name=op.f("pk_tool")),
    )
    op.create_table(
        "tool_use",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("day", sa.String(), nullable=False),
        sa.Column("at", sa.String(), nullable=False),
        sa.Column("tool", sa.String(), nullable=False),
        sa.Column("item", sa.String(), nullable=True),
        sa.Column("person", sa.String(), nullable=True),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_tool_use")),
    )
    op.create_index(op.f("ix_tool_use_day"), "tool_use", ["day"])
    op.create_table(
        "need",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("guest", sa.String(), nullable=False),
        sa.Column("clear", sa.JSON(), nullable=False),
        sa.Column("fit", sa.JSON(), nullable=False),
        sa.Column("strictness", sa.String(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_need")),
    )
    op.create_table(
        "sign_off",
        sa.Column("preparation_id", sa.String(), nullable=False),
        sa.Column("person", sa.String(), nullable=False),
        sa.Column("date", sa.String(), nullable=False),
        sa.Column("stale_since", sa.String(), nullable=True),
        sa.Column("stale_by", sa.String(), nullable=True),
        sa.ForeignKeyConstraint(
            ["preparation_id"],
            ["preparation.id"],
            name=op.f("fk_sign_off_preparation_id"),
            ondelete="CASCADE",
        ),
        sa.PrimaryKeyConstraint("preparation_id", name=op.f("pk_sign_off")),
    )
    op.create_table(
        "history",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("at", sa.String(), nullable=False),
        sa.Column("person", sa.String(), nullable=True),
        sa.Column("why", sa.String(), nullable=False),
        sa.Column("told", sa.String(), nullable=False),
        sa.Column("item", sa.String(), nullable=False),
        sa.Column("before", sa.JSON(), nullable=True),
        sa.Column("after", sa.JSON(), nullable=True),
        sa.Column("undoes", sa.Integer(), nullable=True),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_history")),
    )
    op.create_index(op.f("ix_history_at"), "history", ["at"])
    op.create_index(op.f("ix_history_item"), "history", ["item"])
    op.create_table(
        "notice",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("product_id", sa.String(), nullable=False),
        sa.Column("maker_id", sa.String(), nullable=True),
        sa.Column("received", sa.String(), nullable=False),
        sa.Column("sheet", sa.JSON(), nullable=False),
        sa.Column("decided", sa.String(), nullable=True),
        sa.ForeignKeyConstraint(
            ["product_id"],
            ["product.id"],
            name=op.f("fk_notice_product_id"),
            ondelete="CASCADE",
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_notice")),
    )
    op.create_index(op.f("ix_notice_product_id"), "notice", ["product_id"])


def downgrade() -> None:
    for name in ("notice", "history", "sign_off", "need", "tool_use", "tool"):
        op.drop_table(name)
    op.drop_column("line", "equipment")
    for name in ("bag", "in_use", *LISTS, *TEXTS, "papers"):
        op.drop_column("product", name)
    for name in ("people", "second_look_days"):
        op.drop_column("kitchen", name)
