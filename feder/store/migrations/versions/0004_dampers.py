"""Dampers on a shelf of their own."""

from collections.abc import Sequence

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"
branch_labels: Sequence[str] | None = None
depends_on: Sequence[str] | None = None


def upgrade() -> None:
    op.create_table(
        "damper",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("code", sa.String(80), nullable=False, index=True),
        sa.Column("document", sa.Text, nullable=False),
        sa.Column("deleted", sa.DateTime),
        sa.Column("updated", sa.DateTime),
    )
