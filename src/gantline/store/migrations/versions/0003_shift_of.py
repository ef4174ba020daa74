"""projector records say what their shift is a share of"""

from alembic import op

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None


def upgrade() -> None:
    # until now every stored shift was a share of the whole image
    op.execute(
        """UPDATE record SET body = jsonb_set(body, '{shift_of}', '"whole"') WHERE kind = 'projector'
        AND NOT body ? 'shift_of' AND (body->>'shift_up')::float + (body->>'shift_down')::float + (body->>'shift_side')::float > 0"""
    )


def downgrade() -> None:
    op.execute("UPDATE record SET body = body - 'shift_of' WHERE kind = 'projector'")
