"""Ids of needs and rules cut to their bound"""

from collections.abc import Sequence

import sqlalchemy as sa
from alembic import op

revision: str = "0010"
down_revision: str | None = "0009"
branch_labels: str | Sequence[str] | None = None
depends_on: str | Sequence[str] | None = None

MAX_ID = 200
TABLES = ("need", "swap_rule")


def upgrade() -> None:
    """Names grow as they are folded; ids made of them were longer than what could be read."""
    bind = op.get_bind()
    for name in TABLES:
        table = sa.table(name, sa.column("id", sa.String))
        taken = set(bind.scalars(sa.select(table.c.id)))
        for id in sorted(taken):
            if len(id) <= MAX_ID:
                continue
            new, number = id[:MAX_ID].rstrip("-"), 2
            while new in taken:
                end = f"-{number}"
                new, number = id[: MAX_ID - len(end)].rstrip("-") + end, number + 1
            taken.add(new)
            bind.execute(sa.update(table).where(table.c.id == id).values(id=new))


def downgrade() -> None:
    """Nothing is taken back: the cut ids are ids in earlier versions too."""
