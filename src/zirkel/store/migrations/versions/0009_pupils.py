"""Which lesson a device was let in for, and which device a pupil's study belongs to.

Revision ID: 0009
Revises: 0008
"""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0009"
down_revision = "0008"


def upgrade() -> None:
    with op.batch_alter_table("device") as device:
        device.add_column(sa.Column("lesson", sa.String(16), nullable=True))
    with op.batch_alter_table("pupil") as pupil:
        pupil.add_column(sa.Column("device", sa.String(32), nullable=True))


def downgrade() -> None:
    with op.batch_alter_table("pupil") as pupil:
        pupil.drop_column("device")
    with op.batch_alter_table("device") as device:
        device.drop_column("lesson")
