"""Instruments, what was taken off them, and recordings: rows of their own."""

from collections.abc import Sequence

import sqlalchemy as sa
from alembic import op

revision = "0007"
down_revision = "0006"
branch_labels: Sequence[str] | None = None
depends_on: Sequence[str] | None = None


def upgrade() -> None:
    op.create_table(
        "instrument",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("kind", sa.String(20), nullable=False),
        sa.Column("url", sa.String(200), nullable=False),
        sa.Column("baud", sa.Integer, nullable=False),
        sa.Column("pattern", sa.String(120), nullable=False),
        sa.Column("stands_for", sa.String(80), nullable=False),
        sa.Column("truth", sa.Text),
    )
    op.create_table(
        "taken",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("vehicle_id", sa.String(16), sa.ForeignKey("vehicle.id", ondelete="CASCADE")),
        sa.Column("instrument", sa.String(40), nullable=False),
        sa.Column("about", sa.String(120), nullable=False),
        sa.Column("value", sa.Float, nullable=False),
        sa.Column("si", sa.String(12), nullable=False),
        sa.Column("raw", sa.Text, nullable=False),
        sa.Column("at", sa.DateTime, nullable=False),
    )
    op.create_index("taken_of_vehicle", "taken", ["vehicle_id", "id"])
    op.create_table(
        "recording",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("vehicle_id", sa.String(16), sa.ForeignKey("vehicle.id", ondelete="CASCADE"), nullable=False),
        sa.Column("setup", sa.String(40), nullable=False),
        sa.Column("name", sa.String(120), nullable=False),
        sa.Column("told", sa.Text, nullable=False),
        sa.Column("read", sa.Text),
        sa.Column("at", sa.DateTime, nullable=False),
        sa.Column("deleted", sa.DateTime),
    )
    op.create_index("recording_of_vehicle", "recording", ["vehicle_id"])
    op.create_table(
        "recording_part",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("recording_id", sa.Integer, sa.ForeignKey("recording.id", ondelete="CASCADE"), nullable=False),
        sa.Column("number", sa.Integer, nullable=False),
        sa.Column("data", sa.LargeBinary, nullable=False),
    )
    op.create_index("part_of_recording", "recording_part", ["recording_id", "number"], unique=True)
