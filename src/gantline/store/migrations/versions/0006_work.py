"""results of heavy work, and the queue it waits in"""

import sqlalchemy as sa
from alembic import op
from procrastinate.schema import SchemaManager
from sqlalchemy.dialects.postgresql import JSONB

revision = "0006"
down_revision = "0005"
branch_labels = None
depends_on = None

DROP_QUEUE = """
DO $$
DECLARE one record;
BEGIN
    FOR one IN SELECT c.oid::regclass AS name FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
        WHERE c.relkind = 'r' AND c.relname LIKE 'procrastinate\\_%' AND n.nspname = current_schema()
    LOOP EXECUTE 'DROP TABLE ' || one.name || ' CASCADE'; END LOOP;
    FOR one IN SELECT p.oid::regprocedure AS name FROM pg_proc p JOIN pg_namespace n ON n.oid = p.pronamespace
        WHERE p.proname LIKE 'procrastinate\\_%' AND n.nspname = current_schema()
    LOOP EXECUTE 'DROP FUNCTION ' || one.name || ' CASCADE'; END LOOP;
    FOR one IN SELECT t.oid::regtype AS name FROM pg_type t JOIN pg_namespace n ON n.oid = t.typnamespace
        WHERE t.typname LIKE 'procrastinate\\_%' AND n.nspname = current_schema() AND t.typtype IN ('e', 'c')
    LOOP EXECUTE 'DROP TYPE ' || one.name || ' CASCADE'; END LOOP;
END $$;
"""


def _run(script: str) -> None:
    """A script of many statements, with per cent signs of its own: past SQLAlchemy, to the driver, in this transaction."""
    with op.get_bind().connection.cursor() as cursor:
        cursor.execute(script)


def upgrade() -> None:
    op.create_table(
        "result",
        sa.Column("key", sa.String(64), nullable=False),
        sa.Column("shop_id", sa.Uuid(), nullable=False),
        sa.Column("task", sa.String(40), nullable=False),
        sa.Column("args", JSONB(), nullable=False),
        sa.Column("state", sa.String(12), nullable=False),
        sa.Column("progress", sa.Float(), nullable=False),
        sa.Column("trouble", sa.Text(), nullable=False),
        sa.Column("content", sa.LargeBinary(), nullable=True),
        sa.Column("asked_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.Column("beat_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.ForeignKeyConstraint(["shop_id"], ["shop.id"], name="fk_result_shop_id_shop", ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("key", name="pk_result"),
    )
    op.create_index("ix_result_shop_id", "result", ["shop_id"])
    op.create_index("ix_result_asked_at", "result", ["asked_at"])
    _run(SchemaManager.get_schema())


def downgrade() -> None:
    _run(DROP_QUEUE)
    op.drop_table("result")
