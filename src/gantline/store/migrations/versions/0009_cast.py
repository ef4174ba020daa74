"""what a projector shows while it casts, joined by a code"""

import sqlalchemy as sa
from alembic import op

revision = "0009"
down_revision = "0008"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "cast",
        sa.Column("job_id", sa.Uuid(), nullable=False),
        sa.Column("shop_id", sa.Uuid(), nullable=False),
        sa.Column("code", sa.String(8), nullable=False),
        sa.Column("pattern", sa.String(20), nullable=False),
        sa.Column("u", sa.Float(), nullable=False),
        sa.Column("v", sa.Float(), nullable=False),
        sa.ForeignKeyConstraint(["job_id"], ["job.id"], name="fk_cast_job_id_job", ondelete="CASCADE"),
        sa.ForeignKeyConstraint(["shop_id"], ["shop.id"], name="fk_cast_shop_id_shop", ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("job_id", name="pk_cast"),
        sa.UniqueConstraint("code", name="uq_cast_code"),
    )
    op.create_index("ix_cast_shop_id", "cast", ["shop_id"])


def downgrade() -> None:
    op.drop_table("cast")
