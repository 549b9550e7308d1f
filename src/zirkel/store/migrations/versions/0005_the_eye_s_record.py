"""Artists by name, and the trials of their eyes.

Revision ID: 0005
Revises: 0004
"""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"


def upgrade() -> None:
    op.create_table(
        "artist",
        sa.Column("id", sa.String(80), nullable=False),
        sa.Column("name", sa.String(80), nullable=False),
        sa.Column("added_at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("id", name="pk_artist"),
    )
    op.create_table(
        "trial",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("artist_id", sa.String(80), nullable=False),
        sa.Column("token", sa.String(80), nullable=True),
        sa.Column("exercise", sa.String(200), nullable=False),
        sa.Column("measure", sa.String(20), nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.Column("truth", sa.Float(), nullable=False),
        sa.Column("answer", sa.Float(), nullable=False),
        sa.Column("seconds", sa.Float(), nullable=True),
        sa.Column("choice", sa.Boolean(), nullable=False),
        sa.Column("extra", sa.JSON(), nullable=False),
        sa.PrimaryKeyConstraint("id", name="pk_trial"),
    )
    op.create_index("ix_trial_artist_id", "trial", ["artist_id", "at"])
    op.create_index("ix_trial_token", "trial", ["token"])


def downgrade() -> None:
    op.drop_table("trial")
    op.drop_table("artist")
