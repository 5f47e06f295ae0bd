"""Entries of the log: rows of their own, each with the change of its setup."""

from collections.abc import Sequence

import sqlalchemy as sa
from alembic import op

revision = "0006"
down_revision = "0005"
branch_labels: Sequence[str] | None = None
depends_on: Sequence[str] | None = None


def upgrade() -> None:
    op.create_table(
        "entry",
        sa.Column("row", sa.Integer, primary_key=True),
        sa.Column("vehicle_id", sa.String(16), sa.ForeignKey("vehicle.id", ondelete="CASCADE"), nullable=False),
        sa.Column("setup", sa.String(40), nullable=False),
        sa.Column("entry", sa.String(40), nullable=False),
        sa.Column("number", sa.Integer, nullable=False),
        sa.Column("written", sa.Text, nullable=False),
        sa.Column("patch", sa.Text, nullable=False),
        sa.Column("changes", sa.Text, nullable=False),
        sa.Column("whole", sa.Text),
        sa.Column("said", sa.DateTime, nullable=False),
        sa.Column("hidden", sa.Boolean, nullable=False),
    )
    op.create_index("entry_of_log", "entry", ["vehicle_id", "setup", "number"])
    op.create_index("entry_by_name", "entry", ["vehicle_id", "entry"], unique=True)
