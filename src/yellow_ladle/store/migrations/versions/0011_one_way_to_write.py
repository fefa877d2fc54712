"""One table of documents, and a history of every kind whose rows are chained by their hashes"""

import hashlib
import json
from collections.abc import Iterable, Sequence
from typing import Any

import sqlalchemy as sa
from alembic import op

from yellow_ladle.core.book.tool import tool_id

revision: str = "0011"
down_revision: str | None = "0010"
branch_labels: str | Sequence[str] | None = None
depends_on: str | Sequence[str] | None = None

GONE = ("sign_off", "need", "tool", "house_flag", "swap_rule", "kitchen", "preparation", "product")
HASHED = ("at", "person", "why", "told", "kind", "item", "before", "after", "undoes", "before_hash")
TASTED = ("flavour", "texture", "colour")


def upgrade() -> None:
    documents = list(_documents())
    appended = sa.Column("appended", sa.Integer(), nullable=False, server_default="0")
    op.add_column("book", appended)
    notices, history = _rows("notice"), _rows("history")
    # Notices refer to products, which would take them along as their table goes.
    for name in ("notice", "history", *GONE):
        op.drop_table(name)
    document = op.create_table(
        "document",
        sa.Column("kind", sa.String(), primary_key=True),
        sa.Column("id", sa.String(), primary_key=True),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.Column("content", sa.JSON(), nullable=False),
    )
    notice = op.create_table(
        "notice",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("product_id", sa.String(), nullable=False, index=True),
        sa.Column("maker_id", sa.String(), nullable=True),
        sa.Column("received", sa.String(), nullable=False),
        sa.Column("sheet", sa.JSON(), nullable=False),
        sa.Column("decided", sa.String(), nullable=True),
    )
    entry = op.create_table(
        "history",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("at", sa.String(), nullable=False, index=True),
        sa.Column("person", sa.String(), nullable=True),
        sa.Column("why", sa.String(), nullable=False),
        sa.Column("told", sa.String(), nullable=False),
        sa.Column("kind", sa.String(), nullable=False),
        sa.Column("item", sa.String(), nullable=False, index=True),
        sa.Column("before", sa.JSON(none_as_null=True), nullable=True),
        sa.Column("after", sa.JSON(none_as_null=True), nullable=True),
        sa.Column("undoes", sa.Integer(), nullable=True),
        sa.Column("before_hash", sa.String(), nullable=False),
    )
    for table, rows in ((document, documents), (notice, notices), (entry, _chained(history))):
        if found := list(rows):
            op.get_bind().execute(sa.insert(table), found)


def _documents() -> Iterable[dict[str, Any]]:
    for kind in ("product", "preparation"):
        for row in _rows(kind):
            yield _document(kind, row["id"], row["version"], row["content"])
    for row in _rows("kitchen"):
        yield _document("kitchen", "kitchen", row["version"], row["content"])
    for row in _rows("house_flag"):
        flag = {"id": row["id"], "name": row["name"], "group": "house"}
        yield _document("house_flag", row["id"], row["version"], flag)
    for row in _rows("tool"):
        tool = {key: row[key] for key in ("name", "id")}
        tool |= {key: bool(row[key]) for key in ("dedicated", "always_shared")}
        yield _document("tool", row["id"] or tool_id(row["name"]), row["version"], tool)
    for row in _rows("need"):
        need = {key: row[key] for key in ("id", "guest", "clear", "fit", "strictness")}
        yield _document("need", row["id"], row["version"], need)
    for row in _rows("swap_rule"):
        said = {key: row[key] for key in ("id", "notes", "own")} | {"off": bool(row["off"])}
        figures = [row[key] for key in TASTED]
        said["tasted"] = None if None in figures else figures
        yield _document("rule", row["id"], row["version"], said)
    counter = op.get_bind().scalar(sa.text("SELECT counter FROM book")) or 1
    for row in _rows("sign_off"):
        signed = {key: row[key] for key in ("person", "date", "stale_since", "stale_by")}
        yield _document("sign_off", row["preparation_id"], counter, signed)


def _document(kind: str, id: str, version: int, content: dict[str, Any]) -> dict[str, Any]:
    return {"kind": kind, "id": id, "version": version, "content": content}


def _chained(rows: list[dict[str, Any]]) -> Iterable[dict[str, Any]]:
    """The rows of the history with their kinds, each with the hash of the one before."""
    last = ""
    for row in rows:
        held = row["before"] or row["after"] or {}
        kind = "book" if not row["item"] else "preparation" if "kind" in held else "product"
        whole = {**row, "kind": kind, "before_hash": last}
        plain = {name: whole[name] for name in HASHED}
        text = json.dumps(plain, sort_keys=True, ensure_ascii=False, separators=(",", ":"))
        last = hashlib.sha256(text.encode()).hexdigest()
        yield whole


def _rows(name: str) -> list[dict[str, Any]]:
    """Every row of a table, in the order of its key, what is JSON as Python has it."""
    table = sa.Table(name, sa.MetaData(), autoload_with=op.get_bind(), resolve_fks=False)
    wanted = sa.select(table).order_by(*table.primary_key.columns)
    return [dict(row._mapping) for row in op.get_bind().execute(wanted)]


def downgrade() -> None:
    raise NotImplementedError("the way back is a backup that was made before")
