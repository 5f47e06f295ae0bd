"""Vehicles, shelf parts, issued sheets."""

from collections.abc import Sequence

import sqlalchemy as sa
from alembic import op

revision = "0001"
down_revision = None
branch_labels: Sequence[str] | None = None
depends_on: Sequence[str] | None = None


def upgrade() -> None:
    op.create_table(
        "vehicle",
        sa.Column("id", sa.String(16), primary_key=True),
        sa.Column("name", sa.String(80), nullable=False, index=True),
        sa.Column("kind", sa.String(20), nullable=False),
        sa.Column("document", sa.Text, nullable=False),
        sa.Column("revision", sa.Integer, nullable=False),
        sa.Column("updated", sa.DateTime, nullable=False),
        sa.Column("deleted", sa.DateTime),
    )
    op.create_table(
        "part",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("code", sa.String(80), nullable=False, index=True),
        sa.Column("document", sa.Text, nullable=False),
        sa.Column("deleted", sa.DateTime),
    )
    op.create_table(
        "sheet",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("vehicle_id", sa.String(16), sa.ForeignKey("vehicle.id", ondelete="CASCADE"), nullable=False),
        sa.Column("setup", sa.String(40), nullable=False),
        sa.Column("number", sa.Integer, nullable=False),
        sa.Column("issued", sa.DateTime, nullable=False),
        sa.Column("html", sa.Text, nullable=False),
    )
    op.create_index("sheet_of_vehicle", "sheet", ["vehicle_id", "number"], unique=True)
