"""what was worked out for a feature: answers, cuts and mates kept on it"""

import sqlalchemy as sa
from alembic import op

revision = "0012"
down_revision = "0011"
branch_labels = None
depends_on = None

_KEPT = ("slate", "cut", "mate")


def upgrade() -> None:
    for table in _KEPT:
        feature = sa.Column("feature", sa.String(60), nullable=False, server_default="")
        op.add_column(table, feature)


def downgrade() -> None:
    for table in _KEPT:
        op.drop_column(table, "feature")
