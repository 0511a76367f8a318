"""the bore of a saw"""

import sqlalchemy as sa
from alembic import op

revision = "0007"
down_revision = "0006"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("tool", sa.Column("bore_mm", sa.Double(), nullable=True))


def downgrade() -> None:
    op.drop_column("tool", "bore_mm")
