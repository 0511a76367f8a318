"""mates and what was read of them"""

import sqlalchemy as sa
from alembic import op

revision = "0006"
down_revision = "0005"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "mate",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("keep_key", sa.String(length=64), nullable=False),
        sa.Column("calculator_version", sa.Integer(), nullable=False),
        sa.Column("page_unit", sa.String(length=10), nullable=False),
        sa.Column("question", sa.JSON(), nullable=False),
        sa.Column("title", sa.String(), nullable=False),
        sa.Column("part_id", sa.Integer(), nullable=True),
        sa.Column("started_at", sa.DateTime(), nullable=False),
        sa.Column("deleted_at", sa.DateTime(), nullable=True),
        sa.ForeignKeyConstraint(["part_id"], ["part.id"], ondelete="SET NULL"),
        sa.PrimaryKeyConstraint("id"),
        sa.UniqueConstraint("keep_key"),
    )
    op.create_table(
        "mate_event",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("mate_id", sa.Integer(), nullable=False),
        sa.Column("event_key", sa.String(length=64), nullable=False),
        sa.Column("kind", sa.String(length=20), nullable=False),
        sa.Column("side", sa.String(length=20), nullable=False),
        sa.Column("stations", sa.JSON(), nullable=False),
        sa.Column("warm_deg", sa.Double(), nullable=True),
        sa.Column("undoes", sa.Integer(), nullable=True),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.ForeignKeyConstraint(["mate_id"], ["mate.id"], ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("id"),
        sa.UniqueConstraint("event_key"),
    )
    op.create_index("ix_mate_event_mate_id_id", "mate_event", ["mate_id", "id"], unique=False)
    op.execute("ALTER TABLE cut ADD COLUMN mate_id INTEGER REFERENCES mate (id)")


def downgrade() -> None:
    op.drop_column("cut", "mate_id")
    op.drop_index("ix_mate_event_mate_id_id", table_name="mate_event")
    op.drop_table("mate_event")
    op.drop_table("mate")
