"""how fast a tool may turn"""

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("tool", sa.Column("most_rpm", sa.Double(), nullable=True))


def downgrade() -> None:
    op.drop_column("tool", "most_rpm")
