"""readings of instruments"""

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "reading",
        sa.Column("job_id", sa.Uuid(), nullable=False),
        sa.Column("source", sa.String(length=60), nullable=False),
        sa.Column("seq", sa.Integer(), nullable=False),
        sa.Column("shop_id", sa.Uuid(), nullable=False),
        sa.Column("what", sa.String(length=20), nullable=False),
        sa.Column("x_mm", sa.Double(), nullable=True),
        sa.Column("value_mm", sa.Double(), nullable=False),
        sa.Column("taken_at", sa.DateTime(timezone=True), server_default=sa.text("now()"), nullable=False),
        sa.ForeignKeyConstraint(["job_id"], ["job.id"], name=op.f("fk_reading_job_id_job"), ondelete="CASCADE"),
        sa.ForeignKeyConstraint(["shop_id"], ["shop.id"], name=op.f("fk_reading_shop_id_shop"), ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("job_id", "source", "seq", name=op.f("pk_reading")),
    )
    op.create_index(op.f("ix_reading_shop_id"), "reading", ["shop_id"], unique=False)


def downgrade() -> None:
    op.drop_index(op.f("ix_reading_shop_id"), table_name="reading")
    op.drop_table("reading")
