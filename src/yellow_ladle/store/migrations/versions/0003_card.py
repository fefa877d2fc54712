"""The card: treatments, groups, ways, pans, batches, portions, and the kitchen's own measures"""

from collections.abc import Sequence

import sqlalchemy as sa
from alembic import op

revision: str = "0003"
down_revision: str | None = "0002"
branch_labels: str | Sequence[str] | None = None
depends_on: str | Sequence[str] | None = None

TEXTS = (
    ("kitchen", "spoons", "us"),
    ("line", "treatment", "none"),
    ("line", "group", ""),
    ("line", "typed", ""),
    ("preparation", "yield_note", ""),
    ("preparation", "way", ""),
)
LISTS = (
    ("kitchen", "measures"),
    ("step", "uses"),
    ("preparation", "batches"),
    ("preparation", "ways"),
)
NUMBERS = (("line", "minutes"), ("preparation", "density_g_per_ml"), ("preparation", "portions"))
SWITCHES = (("kitchen", "so2_by_amount"), ("step", "passive"))


def upgrade() -> None:
    for table, name, default in TEXTS:
        op.add_column(table, sa.Column(name, sa.String(), nullable=False, server_default=default))
    for table, name in LISTS:
        op.add_column(table, sa.Column(name, sa.JSON(), nullable=False, server_default="[]"))
    for table, name in NUMBERS:
        op.add_column(table, sa.Column(name, sa.Double(), nullable=True))
    for table, name in SWITCHES:
        op.add_column(table, sa.Column(name, sa.Boolean(), nullable=False, server_default="0"))
    for name, default in (("weigh_to_g", "1"), ("measure_to_ml", "5")):
        column: sa.Column[float] = sa.Column(
            name, sa.Double(), nullable=False, server_default=default
        )
        op.add_column("kitchen", column)
    op.add_column("preparation", sa.Column("pan", sa.JSON(), nullable=True))
    op.add_column("preparation", sa.Column("retired", sa.String(), nullable=True))


def downgrade() -> None:
    for name in ("pan", "retired"):
        op.drop_column("preparation", name)
    for name in ("weigh_to_g", "measure_to_ml"):
        op.drop_column("kitchen", name)
    for table, name, *_ in (*SWITCHES, *NUMBERS, *LISTS, *TEXTS):
        op.drop_column(table, name)
