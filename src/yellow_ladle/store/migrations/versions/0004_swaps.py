"""Swaps: applied plans, what a kitchen says of the rules, and prices"""

from collections.abc import Sequence

import sqlalchemy as sa
from alembic import op

revision: str = "0004"
down_revision: str | None = "0003"
branch_labels: str | Sequence[str] | None = None
depends_on: str | Sequence[str] | None = None


def upgrade() -> None:
    op.add_column("product", sa.Column("price_per_kg", sa.Double(), nullable=True))
    op.create_table(
        "applied_plan",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("at", sa.String(), nullable=False),
        sa.Column("item", sa.String(), nullable=False),
        sa.Column("how", sa.String(), nullable=False),
        sa.Column("until", sa.String(), nullable=True),
        sa.Column("goals", sa.JSON(), nullable=False),
        sa.Column("swaps", sa.JSON(), nullable=False),
        sa.Column("sentence", sa.String(), nullable=False),
        sa.Column("before", sa.JSON(), nullable=False),
        sa.Column("after", sa.JSON(), nullable=False),
        sa.Column("ended", sa.String(), nullable=True),
        sa.PrimaryKeyConstraint("id", name="pk_applied_plan"),
    )
    op.create_index("ix_applied_plan_item", "applied_plan", ["item"])
    op.create_table(
        "swap_rule",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("own", sa.JSON(), nullable=True),
        sa.Column("off", sa.Boolean(), nullable=False),
        sa.Column("notes", sa.JSON(), nullable=False),
        sa.Column("flavour", sa.Double(), nullable=True),
        sa.Column("texture", sa.Double(), nullable=True),
        sa.Column("colour", sa.Double(), nullable=True),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.PrimaryKeyConstraint("id", name="pk_swap_rule"),
    )


def downgrade() -> None:
    op.drop_table("swap_rule")
    op.drop_index("ix_applied_plan_item", "applied_plan")
    op.drop_table("applied_plan")
    op.drop_column("product", "price_per_kg")
