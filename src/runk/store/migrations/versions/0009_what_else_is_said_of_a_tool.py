"""what else is said of a tool: plates, teeth, metal"""

import sqlalchemy as sa
from alembic import op

revision = "0009"
down_revision = "0008"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("tool", sa.Column("detail", sa.String(300), nullable=False, server_default=""))


def downgrade() -> None:
    op.drop_column("tool", "detail")
