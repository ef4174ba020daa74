"""how high a reading was taken: a gap to a plumb line has both places"""

import sqlalchemy as sa
from alembic import op

revision = "0008"
down_revision = "0007"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("reading", sa.Column("y_mm", sa.Float(), nullable=True))


def downgrade() -> None:
    op.drop_column("reading", "y_mm")
