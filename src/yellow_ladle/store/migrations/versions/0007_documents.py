"""Products, preparations and the kitchen as one document a row, under one counter for the book"""

import json
from collections.abc import Iterable, Mapping, Sequence
from typing import Any

import sqlalchemy as sa
from alembic import op

revision: str = "0007"
down_revision: str | None = "0006"
branch_labels: str | Sequence[str] | None = None
depends_on: str | Sequence[str] | None = None

NUMBERS = (
    *("abv_percent", "salt_g_per_100g", "so2_mg_per_kg"),
    *("density_g_per_ml", "unit_weight_g", "price_per_kg"),
)
LABEL = ("label", "pack", "code", "in_use")
LINE = (
    *("quantity", "unit", "role", "stage", "optional", "strained_out", "choice", "chosen", "note"),
    *("treatment", "minutes", "group", "typed"),
)
STEP = ("text", "minutes", "heat", "cue", "caution", "passive")
KITCHEN = (
    *("name", "regime", "second_look_days", "spoons"),
    *("weigh_to_g", "measure_to_ml", "so2_by_amount"),
)
POT = ("class", "colour", "otherwise", "density_g_per_ml", "portions", "way", "retired")
GONE = ("statement", "line", "step", "by_product")
REFERRING = ("notice", "sign_off")
"""Tables that refer to products and preparations: with these they would go as well."""

Row = Mapping[str, Any]


def upgrade() -> None:
    kitchens = _rows("kitchen")
    products, preparations = _rows("product"), _rows("preparation")
    statements = _grouped(_rows("statement ORDER BY id"), "product_id", "preparation_id")
    lines = _grouped(_rows("line ORDER BY position"), "preparation_id")
    steps = _grouped(_rows("step ORDER BY position"), "preparation_id")
    parts = _grouped(_rows("by_product ORDER BY position"), "preparation_id")
    referring = {name: _rows(name) for name in REFERRING}
    for name in (*GONE, *REFERRING, "kitchen", "preparation", "product"):
        op.drop_table(name)
    _make_tables()
    versions = [row["version"] for row in (*kitchens, *products, *preparations)]
    if versions:
        _insert("book", [{"id": 1, "counter": max(versions)}])
    _insert("kitchen", (_document(1, row["version"], _kitchen(row)) for row in kitchens))
    _insert(
        "product",
        (
            _document(row["id"], row["version"], _product(row, statements.get(row["id"], ())))
            for row in products
        ),
    )
    made = (
        (
            row,
            _preparation(
                row=row,
                statements=statements.get(row["id"], ()),
                lines=lines.get(row["id"], ()),
                steps=steps.get(row["id"], ()),
                parts=parts.get(row["id"], ()),
            ),
        )
        for row in preparations
    )
    _insert(
        "preparation",
        ({**_document(row["id"], row["version"], doc), "kind": row["kind"]} for row, doc in made),
    )
    for name, rows in referring.items():
        _insert(name, rows)


def downgrade() -> None:
    raise NotImplementedError("the way back is a backup that was made before")


def _make_tables() -> None:
    def document(name: str, key: "sa.types.TypeEngine[Any]", *more: "sa.Column[Any]") -> None:
        op.create_table(
            name,
            sa.Column("id", key, primary_key=True),
            *more,
            sa.Column("version", sa.Integer(), nullable=False),
            sa.Column("content", sa.JSON(), nullable=False),
        )

    op.create_table(
        "book",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("counter", sa.Integer(), nullable=False),
        sa.CheckConstraint("id = 1", name="only_one"),
    )
    document("kitchen", sa.Integer())
    document("product", sa.String())
    document("preparation", sa.String(), sa.Column("kind", sa.String(), nullable=False))
    op.create_table(
        "sign_off",
        sa.Column(
            "preparation_id",
            sa.String(),
            sa.ForeignKey("preparation.id", ondelete="CASCADE"),
            primary_key=True,
        ),
        sa.Column("person", sa.String(), nullable=False),
        sa.Column("date", sa.String(), nullable=False),
        sa.Column("stale_since", sa.String()),
        sa.Column("stale_by", sa.String()),
    )
    op.create_table(
        "notice",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column(
            "product_id",
            sa.String(),
            sa.ForeignKey("product.id", ondelete="CASCADE"),
            nullable=False,
            index=True,
        ),
        sa.Column("maker_id", sa.String()),
        sa.Column("received", sa.String(), nullable=False),
        sa.Column("sheet", sa.JSON(), nullable=False),
        sa.Column("decided", sa.String()),
    )


def _rows(table: str) -> list[Row]:
    found = op.get_bind().execute(sa.text(f"SELECT * FROM {table}"))
    return [dict(row) for row in found.mappings()]


def _insert(table: str, rows: Iterable[Row]) -> None:
    rows = list(rows)
    if rows:
        names = ", ".join(f'"{name}"' for name in rows[0])
        places = ", ".join(f":{name}" for name in rows[0])
        op.get_bind().execute(sa.text(f"INSERT INTO {table} ({names}) VALUES ({places})"), rows)


def _grouped(rows: Iterable[Row], *owners: str) -> dict[str, list[Row]]:
    found: dict[str, list[Row]] = {}
    for row in rows:
        owner = next(row[key] for key in owners if row[key] is not None)
        found.setdefault(owner, []).append(row)
    return found


def _document(id: object, version: int, content: Row) -> dict[str, Any]:
    return {"id": id, "version": version, "content": json.dumps(content)}


def _kitchen(row: Row) -> dict[str, Any]:
    lists = {key: json.loads(row[key]) for key in ("people", "measures", "swap_order")}
    flags = {"so2_by_amount": bool(row["so2_by_amount"])}
    return {key: row[key] for key in KITCHEN} | flags | lists


def _product(row: Row, statements: Iterable[Row]) -> dict[str, Any]:
    kept = ("certificates", "papers", "makers", "parts", "bag")
    loaded = {key: json.loads(row[key]) for key in kept if row[key] is not None}
    return {
        **{key: row[key] for key in ("id", "name", "class", "otherwise", *NUMBERS, *LABEL)},
        **loaded,
        **_stated(statements),
    }


def _preparation(
    row: Row,
    statements: Iterable[Row],
    lines: Iterable[Row],
    steps: Iterable[Row],
    parts: Iterable[Row],
) -> dict[str, Any]:
    made = None
    if row["yield_quantity"] is not None and row["yield_unit"] is not None:
        amount = {"quantity": row["yield_quantity"], "unit": row["yield_unit"]}
        made = amount | {"note": row["yield_note"]}
    kept = ("equipment", "batches", "ways", "not_in_it", "pan")
    loaded = {key: json.loads(row[key]) for key in kept if row[key] is not None}
    return {
        **{key: row[key] for key in ("id", "name", "kind", "variant_of", *POT)},
        **loaded,
        **_stated(statements),
        "yield": made,
        "lines": [_line(line) for line in lines],
        "method": [_step(step) for step in steps],
        "by_products": [
            {key: part[key] for key in ("id", "name", "quantity", "unit")} for part in parts
        ],
    }


def _line(row: Row) -> dict[str, Any]:
    item = row["product_id"] or row["made_id"]
    if row["by_product_id"]:
        item = f"{item}/{row['by_product_id']}"
    switches = {key: bool(row[key]) for key in ("optional", "strained_out", "chosen")}
    tools = {"equipment": json.loads(row["equipment"])}
    return {"item": item, **{key: row[key] for key in LINE}, **switches, **tools}


def _step(row: Row) -> dict[str, Any]:
    lists = {key: json.loads(row[key]) for key in ("equipment", "uses")}
    return {key: row[key] for key in STEP} | {"passive": bool(row["passive"])} | lists


def _stated(rows: Iterable[Row]) -> dict[str, Any]:
    rows = list(rows)
    return {
        "statements": {row["flag"]: row["level"] for row in rows if row["level"] is not None},
        "evidence": {
            row["flag"]: {"kind": row["evidence"], "date": row["date"], "person": row["person"]}
            for row in rows
            if row["evidence"]
        },
    }
