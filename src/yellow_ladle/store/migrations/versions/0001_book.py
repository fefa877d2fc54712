"""The book: kitchen, products, preparations and their parts"""

from collections.abc import Sequence

import sqlalchemy as sa
from alembic import op

revision: str = "0001"
down_revision: str | None = None
branch_labels: str | Sequence[str] | None = None
depends_on: str | Sequence[str] | None = None


def upgrade() -> None:
    op.create_table(
        "house_flag",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_house_flag")),
    )
    op.create_table(
        "kitchen",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("regime", sa.String(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.CheckConstraint("id = 1", name=op.f("ck_kitchen_only_one")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_kitchen")),
    )
    op.create_table(
        "preparation",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("kind", sa.String(), nullable=False),
        sa.Column("class", sa.String(), nullable=True),
        sa.Column("colour", sa.String(), nullable=True),
        sa.Column("otherwise", sa.String(), nullable=True),
        sa.Column("yield_quantity", sa.Double(), nullable=True),
        sa.Column("yield_unit", sa.String(), nullable=True),
        sa.Column("equipment", sa.JSON(), nullable=False),
        sa.Column("variant_of", sa.String(), nullable=True),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(
            ["variant_of"],
            ["preparation.id"],
            name=op.f("fk_preparation_variant_of"),
            initially="DEFERRED",
            deferrable=True,
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_preparation")),
    )
    op.create_table(
        "product",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("class", sa.String(), nullable=False),
        sa.Column("otherwise", sa.String(), nullable=False),
        sa.Column("certificates", sa.JSON(), nullable=False),
        sa.Column("abv_percent", sa.Double(), nullable=True),
        sa.Column("salt_g_per_100g", sa.Double(), nullable=True),
        sa.Column("so2_mg_per_kg", sa.Double(), nullable=True),
        sa.Column("density_g_per_ml", sa.Double(), nullable=True),
        sa.Column("unit_weight_g", sa.Double(), nullable=True),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_product")),
    )
    op.create_table(
        "by_product",
        sa.Column("preparation_id", sa.String(), nullable=False),
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("quantity", sa.Double(), nullable=True),
        sa.Column("unit", sa.String(), nullable=True),
        sa.ForeignKeyConstraint(
            ["preparation_id"],
            ["preparation.id"],
            name=op.f("fk_by_product_preparation_id"),
            ondelete="CASCADE",
        ),
        sa.PrimaryKeyConstraint("preparation_id", "id", name=op.f("pk_by_product")),
    )
    op.create_table(
        "statement",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("product_id", sa.String(), nullable=True),
        sa.Column("preparation_id", sa.String(), nullable=True),
        sa.Column("flag", sa.String(), nullable=False),
        sa.Column("level", sa.String(), nullable=True),
        sa.Column("evidence", sa.String(), nullable=True),
        sa.Column("date", sa.String(), nullable=True),
        sa.Column("person", sa.String(), nullable=True),
        sa.CheckConstraint(
            "level IN ('free', 'may_contain', 'unchecked', 'contains')"
            " OR (level IS NULL AND flag = 'otherwise')",
            name=op.f("ck_statement_level"),
        ),
        sa.CheckConstraint(
            "(product_id IS NULL) <> (preparation_id IS NULL)", name=op.f("ck_statement_one_owner")
        ),
        sa.ForeignKeyConstraint(
            ["preparation_id"],
            ["preparation.id"],
            name=op.f("fk_statement_preparation_id"),
            ondelete="CASCADE",
        ),
        sa.ForeignKeyConstraint(
            ["product_id"], ["product.id"], name=op.f("fk_statement_product_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_statement")),
    )
    with op.batch_alter_table("statement", schema=None) as batch_op:
        batch_op.create_index(
            batch_op.f("ix_statement_preparation_id"), ["preparation_id"], unique=False
        )
        batch_op.create_index(batch_op.f("ix_statement_product_id"), ["product_id"], unique=False)

    op.create_table(
        "step",
        sa.Column("preparation_id", sa.String(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("text", sa.String(), nullable=False),
        sa.Column("minutes", sa.Double(), nullable=True),
        sa.Column("heat", sa.String(), nullable=True),
        sa.Column("cue", sa.String(), nullable=True),
        sa.Column("caution", sa.String(), nullable=True),
        sa.Column("equipment", sa.JSON(), nullable=False),
        sa.ForeignKeyConstraint(
            ["preparation_id"],
            ["preparation.id"],
            name=op.f("fk_step_preparation_id"),
            ondelete="CASCADE",
        ),
        sa.PrimaryKeyConstraint("preparation_id", "position", name=op.f("pk_step")),
    )
    op.create_table(
        "line",
        sa.Column("preparation_id", sa.String(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("product_id", sa.String(), nullable=True),
        sa.Column("made_id", sa.String(), nullable=True),
        sa.Column("by_product_id", sa.String(), nullable=True),
        sa.Column("quantity", sa.Double(), nullable=False),
        sa.Column("unit", sa.String(), nullable=False),
        sa.Column("role", sa.String(), nullable=False),
        sa.Column("stage", sa.String(), nullable=False),
        sa.Column("optional", sa.Boolean(), nullable=False),
        sa.Column("strained_out", sa.Boolean(), nullable=False),
        sa.Column("choice", sa.String(), nullable=True),
        sa.Column("chosen", sa.Boolean(), nullable=False),
        sa.Column("note", sa.String(), nullable=False),
        sa.CheckConstraint(
            "(product_id IS NULL) <> (made_id IS NULL)", name=op.f("ck_line_one_item")
        ),
        sa.CheckConstraint("quantity >= 0", name=op.f("ck_line_amount")),
        sa.ForeignKeyConstraint(
            ["made_id", "by_product_id"],
            ["by_product.preparation_id", "by_product.id"],
            name="fk_line_by_product",
            initially="DEFERRED",
            deferrable=True,
        ),
        sa.ForeignKeyConstraint(
            ["made_id"],
            ["preparation.id"],
            name=op.f("fk_line_made_id"),
            initially="DEFERRED",
            deferrable=True,
        ),
        sa.ForeignKeyConstraint(
            ["preparation_id"],
            ["preparation.id"],
            name=op.f("fk_line_preparation_id"),
            ondelete="CASCADE",
        ),
        sa.ForeignKeyConstraint(
            ["product_id"],
            ["product.id"],
            name=op.f("fk_line_product_id"),
            initially="DEFERRED",
            deferrable=True,
        ),
        sa.PrimaryKeyConstraint("preparation_id", "position", name=op.f("pk_line")),
    )
    with op.batch_alter_table("line", schema=None) as batch_op:
        batch_op.create_index(batch_op.f("ix_line_made_id"), ["made_id"], unique=False)
        batch_op.create_index(batch_op.f("ix_line_product_id"), ["product_id"], unique=False)


def downgrade() -> None:
    with op.batch_alter_table("line", schema=None) as batch_op:
        batch_op.drop_index(batch_op.f("ix_line_product_id"))
        batch_op.drop_index(batch_op.f("ix_line_made_id"))

    op.drop_table("line")
    op.drop_table("step")
    with op.batch_alter_table("statement", schema=None) as batch_op:
        batch_op.drop_index(batch_op.f("ix_statement_product_id"))
        batch_op.drop_index(batch_op.f("ix_statement_preparation_id"))

    op.drop_table("statement")
    op.drop_table("by_product")
    op.drop_table("product")
    op.drop_table("preparation")
    op.drop_table("kitchen")
    op.drop_table("house_flag")
