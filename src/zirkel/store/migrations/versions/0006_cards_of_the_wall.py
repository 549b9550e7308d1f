"""What hangs on the wall of each study, kept so that the wall opens without working it out again.

Revision ID: 0006
Revises: 0005
"""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0006"
down_revision = "0005"


def upgrade() -> None:
    op.create_table(
        "card",
        sa.Column("study_id", sa.Integer(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.Column("made_by", sa.String(40), nullable=False),
        sa.Column("body", sa.JSON(), nullable=False),
        sa.ForeignKeyConstraint(
            ["study_id"], ["study.id"], name="fk_card_study_id_study", ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("study_id", name="pk_card"),
    )


def downgrade() -> None:
    op.drop_table("card")
