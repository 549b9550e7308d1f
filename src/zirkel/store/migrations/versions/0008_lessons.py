"""Lessons: the same scene given to all of a class, each pupil with a study of their own.

Revision ID: 0008
Revises: 0007
"""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0008"
down_revision = "0007"


def upgrade() -> None:
    op.create_table(
        "lesson",
        sa.Column("id", sa.String(16), nullable=False),
        sa.Column("title", sa.String(200), nullable=False),
        sa.Column("scene", sa.String(80), nullable=False),
        sa.Column("made_at", sa.DateTime(), nullable=False),
        sa.Column("closed", sa.Boolean(), nullable=False),
        sa.PrimaryKeyConstraint("id", name="pk_lesson"),
    )
    op.create_table(
        "pupil",
        sa.Column("study_id", sa.Integer(), nullable=False),
        sa.Column("lesson_id", sa.String(16), nullable=False),
        sa.Column("name", sa.String(80), nullable=False),
        sa.ForeignKeyConstraint(
            ["study_id"], ["study.id"], name="fk_pupil_study_id_study", ondelete="CASCADE"
        ),
        sa.ForeignKeyConstraint(
            ["lesson_id"], ["lesson.id"], name="fk_pupil_lesson_id_lesson", ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("study_id", name="pk_pupil"),
    )
    op.create_index("ix_pupil_lesson_id", "pupil", ["lesson_id"])


def downgrade() -> None:
    op.drop_table("pupil")
    op.drop_table("lesson")
