"""What the garage shows of a vehicle is kept beside it; parts know when they were changed."""

from collections.abc import Sequence

import sqlalchemy as sa
from alembic import op

revision = "0003"
down_revision = "0002"
branch_labels: Sequence[str] | None = None
depends_on: Sequence[str] | None = None


def upgrade() -> None:
    with op.batch_alter_table("vehicle") as table:
        table.add_column(sa.Column("summary", sa.Text))
        table.add_column(sa.Column("summary_of", sa.String(40)))
    with op.batch_alter_table("part") as table:
        table.add_column(sa.Column("updated", sa.DateTime))
