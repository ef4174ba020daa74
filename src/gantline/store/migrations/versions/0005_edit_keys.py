"""a version names the edit it was saved by"""

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("job_version", sa.Column("edit_key", sa.String(64), nullable=True))
    op.create_unique_constraint("uq_job_version_job_id_edit_key", "job_version", ["job_id", "edit_key"])


def downgrade() -> None:
    op.drop_constraint("uq_job_version_job_id_edit_key", "job_version")
    op.drop_column("job_version", "edit_key")
