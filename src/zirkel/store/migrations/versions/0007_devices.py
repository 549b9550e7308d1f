"""Devices that were let in, and what signs their cookies.

Revision ID: 0007
Revises: 0006
"""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0007"
down_revision = "0006"


def upgrade() -> None:
    op.create_table(
        "secret",
        sa.Column("name", sa.String(40), nullable=False),
        sa.Column("value", sa.String(200), nullable=False),
        sa.PrimaryKeyConstraint("name", name="pk_secret"),
    )
    op.create_table(
        "device",
        sa.Column("id", sa.String(32), nullable=False),
        sa.Column("key", sa.String(64), nullable=False),
        sa.Column("name", sa.String(80), nullable=False),
        sa.Column("added_at", sa.DateTime(), nullable=False),
        sa.Column("seen_at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("id", name="pk_device"),
    )


def downgrade() -> None:
    op.drop_table("device")
    op.drop_table("secret")
