"""versions keep what the yard shows of them"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade() -> None:
    # null until it is shown: a card is planned, and a migration plans nothing
    op.add_column("job_version", sa.Column("card", JSONB(none_as_null=True), nullable=True))


def downgrade() -> None:
    op.drop_column("job_version", "card")
