"""Ids of tools"""

from collections.abc import Sequence

import sqlalchemy as sa
from alembic import op

revision: str = "0008"
down_revision: str | None = "0007"
branch_labels: str | Sequence[str] | None = None
depends_on: str | Sequence[str] | None = None


def upgrade() -> None:
    op.add_column("tool", sa.Column("id", sa.String(), nullable=False, server_default=""))


def downgrade() -> None:
    op.drop_column("tool", "id")
