"""What a lesson gives, as a study before its first reading, and when a pupil first looked at the
truth.

Revision ID: 0010
Revises: 0009
"""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0010"
down_revision = "0009"


def upgrade() -> None:
    with op.batch_alter_table("lesson") as lesson:
        lesson.add_column(sa.Column("given", sa.JSON(), nullable=True))
    with op.batch_alter_table("pupil") as pupil:
        pupil.add_column(sa.Column("looked_at", sa.DateTime(), nullable=True))


def downgrade() -> None:
    with op.batch_alter_table("pupil") as pupil:
        pupil.drop_column("looked_at")
    with op.batch_alter_table("lesson") as lesson:
        lesson.drop_column("given")
