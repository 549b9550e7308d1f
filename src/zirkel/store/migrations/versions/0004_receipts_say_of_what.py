"""A receipt says of which change it is, so that its token can't stand for another.

Revision ID: 0004
Revises: 0003
"""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"


def upgrade() -> None:
    with op.batch_alter_table("receipt") as table:
        table.add_column(sa.Column("of", sa.String(64), nullable=True))


def downgrade() -> None:
    with op.batch_alter_table("receipt") as table:
        table.drop_column("of")
