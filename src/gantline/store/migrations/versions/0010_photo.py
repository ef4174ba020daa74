"""photos of the lit screen: gray, without what a camera writes beside them"""

import sqlalchemy as sa
from alembic import op

revision = "0010"
down_revision = "0009"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "photo",
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("job_id", sa.Uuid(), nullable=False),
        sa.Column("shop_id", sa.Uuid(), nullable=False),
        sa.Column("content", sa.LargeBinary(), nullable=False),
        sa.Column("taken_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.ForeignKeyConstraint(["job_id"], ["job.id"], name="fk_photo_job_id_job", ondelete="CASCADE"),
        sa.ForeignKeyConstraint(["shop_id"], ["shop.id"], name="fk_photo_shop_id_shop", ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("id", name="pk_photo"),
    )
    op.create_index("ix_photo_job_id", "photo", ["job_id"])
    op.create_index("ix_photo_shop_id", "photo", ["shop_id"])


def downgrade() -> None:
    op.drop_table("photo")
