"""how far a machine's table goes, along and across"""

import sqlalchemy as sa
from alembic import op

revision = "0014"
down_revision = "0013"
branch_labels = None
depends_on = None

_NEW = ("travel_mm", "across_mm")


def upgrade() -> None:
    for name in _NEW:
        op.add_column("machine", sa.Column(name, sa.Double(), nullable=True))


def downgrade() -> None:
    for name in _NEW:
        op.drop_column("machine", name)
