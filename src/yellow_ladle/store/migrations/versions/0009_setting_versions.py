"""Versions of tools and needs"""

from collections.abc import Sequence

import sqlalchemy as sa
from alembic import op

revision: str = "0009"
down_revision: str | None = "0008"
branch_labels: str | Sequence[str] | None = None
depends_on: str | Sequence[str] | None = None

TABLES = ("tool", "need", "swap_rule")


def upgrade() -> None:
    for name in ("tool", "need"):
        op.add_column(name, sa.Column("version", sa.Integer(), nullable=False, server_default="1"))
    for name in TABLES:
        op.execute(f"UPDATE {name} SET version = COALESCE((SELECT counter FROM book), 1)")


def downgrade() -> None:
    for name in ("tool", "need"):
        op.drop_column(name, "version")
