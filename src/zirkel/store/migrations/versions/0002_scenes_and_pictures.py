"""Scenes that users add, and pictures as subjects.

Revision ID: 0002
Revises: 0001
"""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"


def upgrade() -> None:
    op.create_table(
        "scene",
        sa.Column("name", sa.String(80), nullable=False),
        sa.Column("title", sa.String(200), nullable=False),
        sa.Column("file", sa.LargeBinary(), nullable=False),
        sa.Column("added_at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("name", name=op.f("pk_scene")),
    )
    op.create_table(
        "picture",
        sa.Column("id", sa.String(64), nullable=False),
        sa.Column("file", sa.String(80), nullable=False),
        sa.Column("width", sa.Integer(), nullable=False),
        sa.Column("height", sa.Integer(), nullable=False),
        sa.Column("added_at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_picture")),
    )


def downgrade() -> None:
    op.drop_table("picture")
    op.drop_table("scene")
