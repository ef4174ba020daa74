"""photos of steps of the day: of which step, and by whom"""

import sqlalchemy as sa
from alembic import op

revision = "0014"
down_revision = "0013"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("photo", sa.Column("step", sa.String(200), nullable=True))
    op.add_column("photo", sa.Column("who", sa.String(120), nullable=True))


def downgrade() -> None:
    op.drop_column("photo", "who")
    op.drop_column("photo", "step")
