"""what goes with what: two features with a duty, and what each measures"""

import sqlalchemy as sa
from alembic import op

revision = "0011"
down_revision = "0010"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("part", sa.Column("measured", sa.JSON(), nullable=True))
    op.create_table(
        "goes_with",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column(
            "hole_part_id",
            sa.Integer(),
            sa.ForeignKey("part.id", ondelete="CASCADE"),
            nullable=False,
        ),
        sa.Column("hole_feature", sa.String(60), nullable=False),
        sa.Column(
            "shaft_part_id",
            sa.Integer(),
            sa.ForeignKey("part.id", ondelete="CASCADE"),
            nullable=False,
        ),
        sa.Column("shaft_feature", sa.String(60), nullable=False),
        sa.Column("duty", sa.String(40), nullable=False),
        sa.Column("deleted_at", sa.DateTime(), nullable=True),
    )
    for side in ("hole", "shaft"):
        op.create_index(f"ix_goes_with_{side}_part_id", "goes_with", [f"{side}_part_id"])


def downgrade() -> None:
    op.drop_table("goes_with")
    op.drop_column("part", "measured")
