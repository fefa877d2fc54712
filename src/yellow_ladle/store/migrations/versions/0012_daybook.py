"""The daybook, into which the uses and washes of tools go"""

import hashlib
import json
from collections.abc import Sequence
from datetime import UTC, datetime, timedelta
from typing import Any

import sqlalchemy as sa
from alembic import op

revision: str = "0012"
down_revision: str | None = "0011"
branch_labels: str | Sequence[str] | None = None
depends_on: str | Sequence[str] | None = None

EPOCH = datetime(1970, 1, 1, tzinfo=UTC)
HASHED = ("list", "entry", "instant", "day", "recorded", "person", "why", "content", "undoes")


def upgrade() -> None:
    entry = op.create_table(
        "daybook_entry",
        sa.Column("seq", sa.Integer(), primary_key=True),
        sa.Column("list", sa.String(), nullable=False),
        sa.Column("entry", sa.String(), nullable=False, index=True),
        sa.Column("instant", sa.BigInteger(), nullable=False, index=True),
        sa.Column("day", sa.String(), nullable=False, index=True),
        sa.Column("recorded", sa.String(), nullable=False),
        sa.Column("person", sa.String(), nullable=True),
        sa.Column("why", sa.String(), nullable=False),
        sa.Column("content", sa.JSON(none_as_null=True), nullable=True),
        sa.Column("undoes", sa.Integer(), nullable=True),
        sa.Column("before_hash", sa.String(), nullable=False),
    )
    op.create_table(
        "daybook_card",
        sa.Column("sha256", sa.String(), primary_key=True),
        sa.Column("content", sa.JSON(), nullable=False),
    )
    last = ""
    for number, row in enumerate(_uses(), start=1):
        row |= {"seq": number, "entry": f"{row['list']}-{number}", "before_hash": last}
        last = _hash_of(row)
        op.get_bind().execute(sa.insert(entry).values(**row))
    op.drop_table("tool_use")


def downgrade() -> None:
    """Nothing is taken back: an earlier version could not show what was recorded since."""


def _uses() -> list[dict[str, Any]]:
    """The uses of tools as entries, in the kitchen's own time."""
    found = []
    text = sa.text("SELECT day, at, tool, item, person FROM tool_use ORDER BY id")
    for use in op.get_bind().execute(text).mappings():
        # Their dates were those of the kitchen's clock, their times were kept in UTC.
        at = datetime.fromisoformat(use["at"]).astimezone()
        content = {"tool": use["tool"], "at": at.isoformat(timespec="milliseconds")}
        if use["item"] is not None:
            content["item"] = use["item"]
        if use["person"]:
            content["by"] = use["person"]
        found.append(
            {
                "list": "uses" if use["item"] is not None else "washes",
                "instant": (at - EPOCH) // timedelta(microseconds=1),
                "day": content["at"][:10],
                "recorded": use["at"],
                "person": use["person"],
                "why": "",
                "content": content,
                "undoes": None,
            }
        )
    return found


def _hash_of(row: dict[str, Any]) -> str:
    plain = {name: row[name] for name in (*HASHED, "before_hash")}
    text = json.dumps(plain, sort_keys=True, ensure_ascii=False, separators=(",", ":"))
    return hashlib.sha256(text.encode()).hexdigest()
