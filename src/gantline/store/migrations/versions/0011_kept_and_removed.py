"""what is removed leaves who and when; a bin for jobs; one name a device; photos as they were sent until they are read"""

import sqlalchemy as sa
from alembic import op

from gantline.store.names import alike

revision = "0011"
down_revision = "0010"
branch_labels = None
depends_on = None
WHEN = sa.DateTime(timezone=True)
LONGEST = 60


def upgrade() -> None:
    op.add_column("job", sa.Column("binned_at", WHEN, nullable=True))
    op.add_column("job", sa.Column("binned_by", sa.String(120), nullable=True))
    op.add_column("job_version", sa.Column("edit_digest", sa.String(64), nullable=True))
    op.add_column("job_version", sa.Column("as_built", sa.Boolean(), nullable=True))
    op.add_column("photo", sa.Column("raw", sa.Boolean(), server_default=sa.false(), nullable=False))
    for table in ("photo", "reading"):
        op.add_column(table, sa.Column("removed_at", WHEN, nullable=True))
        op.add_column(table, sa.Column("removed_by", sa.String(120), nullable=True))
    op.add_column("reading", sa.Column("sent_as", sa.Integer(), nullable=True))
    op.add_column("reading", sa.Column("who", sa.String(120), nullable=True))
    op.alter_column("reading", "value_mm", existing_type=sa.Float(), nullable=True)
    op.create_table(
        "backup",
        sa.Column("made_at", WHEN, server_default=sa.func.now(), nullable=False),
        sa.Column("file", sa.Text(), nullable=False),
        sa.Column("bytes", sa.BigInteger(), nullable=False),
        sa.Column("tested", sa.String(20), nullable=False),
        sa.Column("trouble", sa.Text(), nullable=False),
        sa.PrimaryKeyConstraint("made_at", name="pk_backup"),
    )
    _one_shop()
    _one_name_a_device()


def _one_shop() -> None:
    """The shop that everybody works in is asked by its key: of several, the one with most jobs."""
    op.add_column("shop", sa.Column("key", sa.String(20), nullable=True))
    op.execute(
        "UPDATE shop SET key = 'own' WHERE id = (SELECT shop.id FROM shop LEFT JOIN job ON job.shop_id = shop.id "
        "GROUP BY shop.id ORDER BY count(job.id) DESC, shop.id LIMIT 1)"
    )
    op.create_unique_constraint("uq_shop_key", "shop", ["key"])


def _one_name_a_device() -> None:
    """Names that read alike get a number, the one that was paired first keeps its own."""
    op.add_column("device", sa.Column("alike", sa.String(LONGEST), nullable=True))
    bind = op.get_bind()
    taken: set[tuple[object, str]] = set()
    for key, shop, name in bind.execute(sa.text("SELECT id, shop_id, name FROM device ORDER BY paired_at, id")).all():
        new, number = name, 2
        while (shop, alike(new)) in taken:
            new, number = f"{name[: LONGEST - 4]} {number}", number + 1
        taken.add((shop, alike(new)))
        bind.execute(
            sa.text("UPDATE device SET name = :name, alike = :alike WHERE id = :id"),
            {"name": new, "alike": alike(new), "id": key},
        )
    op.alter_column("device", "alike", existing_type=sa.String(LONGEST), nullable=False)
    op.create_unique_constraint("uq_device_shop_id_alike", "device", ["shop_id", "alike"])


def downgrade() -> None:
    op.drop_table("backup")
    op.drop_constraint("uq_device_shop_id_alike", "device")
    op.drop_column("device", "alike")
    op.drop_constraint("uq_shop_key", "shop")
    op.drop_column("shop", "key")
    op.execute("DELETE FROM reading WHERE value_mm IS NULL")
    op.alter_column("reading", "value_mm", existing_type=sa.Float(), nullable=False)
    op.drop_column("reading", "who")
    op.drop_column("reading", "sent_as")
    op.execute("DELETE FROM photo WHERE removed_at IS NOT NULL OR raw")
    for table in ("photo", "reading"):
        op.drop_column(table, "removed_by")
        op.drop_column(table, "removed_at")
    op.drop_column("photo", "raw")
    op.drop_column("job_version", "as_built")
    op.drop_column("job_version", "edit_digest")
    op.execute("DELETE FROM job WHERE binned_at IS NOT NULL")
    op.drop_column("job", "binned_by")
    op.drop_column("job", "binned_at")
