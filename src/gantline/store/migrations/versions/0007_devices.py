"""paired devices, and name and place of a job by themselves, to be searched"""

import sqlalchemy as sa
from alembic import op

revision = "0007"
down_revision = "0006"
branch_labels = None
depends_on = None

NAME_AND_PLACE = "coalesce(document->>'name', '') || ' ' || coalesce(document->>'place', '')"


def upgrade() -> None:
    found_by = sa.Column("found_by", sa.Text(), sa.Computed(NAME_AND_PLACE, persisted=True), nullable=False)
    op.add_column("job_version", found_by)
    op.create_table(
        "device",
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("shop_id", sa.Uuid(), nullable=False),
        sa.Column("name", sa.String(60), nullable=False),
        sa.Column("token_digest", sa.String(64), nullable=False),
        sa.Column("paired_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.Column("seen_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.ForeignKeyConstraint(["shop_id"], ["shop.id"], name="fk_device_shop_id_shop", ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("id", name="pk_device"),
        sa.UniqueConstraint("token_digest", name="uq_device_token_digest"),
    )
    op.create_index("ix_device_shop_id", "device", ["shop_id"])
    op.create_table(
        "pairing",
        sa.Column("code_digest", sa.String(64), nullable=False),
        sa.Column("shop_id", sa.Uuid(), nullable=False),
        sa.Column("until", sa.DateTime(timezone=True), nullable=False),
        sa.ForeignKeyConstraint(["shop_id"], ["shop.id"], name="fk_pairing_shop_id_shop", ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("code_digest", name="pk_pairing"),
    )
    op.create_index("ix_pairing_shop_id", "pairing", ["shop_id"])


def downgrade() -> None:
    op.drop_table("pairing")
    op.drop_table("device")
    op.drop_column("job_version", "found_by")
