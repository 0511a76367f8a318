"""leadscrew and change wheels"""

import sqlalchemy as sa
from alembic import op

revision = "0008"
down_revision = "0007"
branch_labels = None
depends_on = None

_NUMBERS = ("leadscrew_mm", "wheel_module", "banjo_least_mm", "banjo_most_mm", "dial_teeth")
_TEXTS = ("wheels", "gearbox")


def upgrade() -> None:
    for name in _NUMBERS:
        op.add_column("machine", sa.Column(name, sa.Double(), nullable=True))
    for name in _TEXTS:
        column = sa.Column(name, sa.String(400), nullable=False, server_default="")
        op.add_column("machine", column)


def downgrade() -> None:
    for name in (*_NUMBERS, *_TEXTS):
        op.drop_column("machine", name)
