"""Ticks of job cards, and the photographs that hang on their steps and on damage."""

from collections.abc import Sequence

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"
branch_labels: Sequence[str] | None = None
depends_on: Sequence[str] | None = None


def upgrade() -> None:
    op.create_table(
        "tick",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("vehicle_id", sa.String(16), sa.ForeignKey("vehicle.id", ondelete="CASCADE"), nullable=False),
        sa.Column("setup", sa.String(40), nullable=False),
        sa.Column("step", sa.String(80), nullable=False),
        sa.Column("state", sa.String(10), nullable=False),
        sa.Column("mark", sa.String(16), nullable=False),
        sa.Column("who", sa.String(80), nullable=False),
        sa.Column("reason", sa.String(200), nullable=False),
        sa.Column("at", sa.DateTime, nullable=False),
    )
    op.create_index("tick_of_card", "tick", ["vehicle_id", "setup", "step", "id"])
    op.create_table(
        "photo",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("vehicle_id", sa.String(16), sa.ForeignKey("vehicle.id", ondelete="CASCADE"), nullable=False),
        sa.Column("about", sa.String(120), nullable=False),
        sa.Column("width", sa.Integer, nullable=False),
        sa.Column("height", sa.Integer, nullable=False),
        sa.Column("image", sa.LargeBinary, nullable=False),
        sa.Column("at", sa.DateTime, nullable=False),
        sa.Column("deleted", sa.DateTime),
    )
    op.create_index("photo_of_vehicle", "photo", ["vehicle_id", "about"])
