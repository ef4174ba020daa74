"""the paper the shop prints on"""

import sqlalchemy as sa
from alembic import op

revision = "0013"
down_revision = "0012"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("shop", sa.Column("paper", sa.String(10), server_default="a4", nullable=False))


def downgrade() -> None:
    op.drop_column("shop", "paper")
