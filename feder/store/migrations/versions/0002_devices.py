"""Paired devices."""

from collections.abc import Sequence

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"
branch_labels: Sequence[str] | None = None
depends_on: Sequence[str] | None = None


def upgrade() -> None:
    op.create_table(
        "device",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("name", sa.String(60), nullable=False),
        sa.Column("token", sa.String(64), nullable=False, unique=True),
        sa.Column("paired", sa.DateTime, nullable=False),
        sa.Column("seen", sa.DateTime, nullable=False),
    )
