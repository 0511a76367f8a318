"""what a part is and how it is made: its drawing, its route, what is done of it"""

import sqlalchemy as sa
from alembic import op

revision = "0010"
down_revision = "0009"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("part", sa.Column("drawn", sa.JSON(), nullable=True))
    op.add_column("part", sa.Column("route", sa.JSON(), nullable=True))
    op.add_column("part", sa.Column("done", sa.JSON(), nullable=True))
    op.add_column("part", sa.Column("version", sa.Integer(), nullable=False, server_default="1"))


def downgrade() -> None:
    for name in ("version", "done", "route", "drawn"):
        op.drop_column("part", name)
