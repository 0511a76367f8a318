"""what an engine wants: bought parts, and what is ordered or here"""

import sqlalchemy as sa
from alembic import op

revision = "0013"
down_revision = "0012"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "want",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column(
            "engine_id",
            sa.Integer(),
            sa.ForeignKey("engine.id", ondelete="CASCADE"),
            nullable=False,
        ),
        sa.Column("what", sa.String(120), nullable=False),
        sa.Column("many", sa.Integer(), nullable=False),
        sa.Column("state", sa.String(20), nullable=False),
        sa.Column("bought", sa.Boolean(), nullable=False),
        sa.UniqueConstraint("engine_id", "what"),
        sa.CheckConstraint("many > 0"),
    )
    op.create_index("ix_want_engine_id", "want", ["engine_id"])


def downgrade() -> None:
    op.drop_table("want")
