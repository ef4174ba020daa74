"""what was done of each step; the window that casts; photos that were refused"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "0012"
down_revision = "0011"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("cast", sa.Column("screen", JSONB(none_as_null=True), nullable=True))
    op.add_column("photo", sa.Column("refused", sa.Boolean(), server_default=sa.false(), nullable=False))
    op.create_table(
        "step_row",
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("number", sa.BigInteger(), sa.Identity(), nullable=False),
        sa.Column("job_id", sa.Uuid(), nullable=False),
        sa.Column("shop_id", sa.Uuid(), nullable=False),
        sa.Column("step", sa.String(200), nullable=False),
        sa.Column("act", sa.String(12), nullable=False),
        sa.Column("text", sa.Text(), nullable=False),
        sa.Column("said", JSONB(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.Column("who", sa.String(120), nullable=False),
        sa.Column("at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.ForeignKeyConstraint(["job_id"], ["job.id"], name="fk_step_row_job_id_job", ondelete="CASCADE"),
        sa.ForeignKeyConstraint(["shop_id"], ["shop.id"], name="fk_step_row_shop_id_shop", ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("id", name="pk_step_row"),
    )
    op.create_index("ix_step_row_job_id", "step_row", ["job_id"])
    op.create_index("ix_step_row_shop_id", "step_row", ["shop_id"])


def downgrade() -> None:
    op.drop_table("step_row")
    op.drop_column("photo", "refused")
    op.drop_column("cast", "screen")
