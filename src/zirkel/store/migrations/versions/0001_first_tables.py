"""Studies with their landmarks, sightings, shapes, and the changes made to them."""

import sqlalchemy as sa
from alembic import op

revision = "0001"
down_revision = None
branch_labels = None
depends_on = None


def _of_study(table: str) -> list[sa.Column[int] | sa.Constraint]:
    return [
        sa.Column("study_id", sa.Integer, nullable=False),
        sa.ForeignKeyConstraint(
            ["study_id"], ["study.id"], name=f"fk_{table}_study_id_study", ondelete="CASCADE"
        ),
    ]


def upgrade() -> None:
    op.create_table(
        "study",
        sa.Column("id", sa.Integer, nullable=False),
        sa.Column("title", sa.String(200), nullable=False),
        sa.Column("body", sa.JSON, nullable=False),
        sa.Column("version", sa.Integer, nullable=False),
        sa.Column("demo", sa.String(80)),
        sa.Column("created_at", sa.DateTime, nullable=False),
        sa.Column("changed_at", sa.DateTime, nullable=False),
        sa.Column("deleted_at", sa.DateTime),
        sa.PrimaryKeyConstraint("id", name="pk_study"),
        sa.UniqueConstraint("demo", name="uq_study_demo"),
    )
    op.create_table(
        "landmark",
        *_of_study("landmark"),
        sa.Column("id", sa.String(80), nullable=False),
        sa.Column("position", sa.Integer, nullable=False),
        sa.Column("name", sa.String(200), nullable=False),
        sa.Column("tier", sa.Integer, nullable=False),
        sa.Column("body", sa.JSON, nullable=False),
        sa.PrimaryKeyConstraint("study_id", "id", name="pk_landmark"),
    )
    op.create_table(
        "sighting",
        *_of_study("sighting"),
        sa.Column("id", sa.String(80), nullable=False),
        sa.Column("position", sa.Integer, nullable=False),
        sa.Column("kind", sa.String(20), nullable=False),
        sa.Column("take", sa.String(80)),
        sa.Column("struck", sa.Boolean, nullable=False),
        sa.Column("body", sa.JSON, nullable=False),
        sa.PrimaryKeyConstraint("study_id", "id", name="pk_sighting"),
    )
    op.create_table(
        "use",
        sa.Column("study_id", sa.Integer, nullable=False),
        sa.Column("sighting_id", sa.String(80), nullable=False),
        sa.Column("landmark_id", sa.String(80), nullable=False),
        sa.PrimaryKeyConstraint("study_id", "sighting_id", "landmark_id", name="pk_use"),
        sa.ForeignKeyConstraint(
            ["study_id", "sighting_id"],
            ["sighting.study_id", "sighting.id"],
            name="fk_use_sighting",
            ondelete="CASCADE",
        ),
        sa.ForeignKeyConstraint(
            ["study_id", "landmark_id"],
            ["landmark.study_id", "landmark.id"],
            name="fk_use_landmark",
            ondelete="RESTRICT",
        ),
    )
    op.create_table(
        "shape",
        *_of_study("shape"),
        sa.Column("id", sa.String(80), nullable=False),
        sa.Column("position", sa.Integer, nullable=False),
        sa.Column("name", sa.String(200), nullable=False),
        sa.Column("body", sa.JSON, nullable=False),
        sa.PrimaryKeyConstraint("study_id", "id", name="pk_shape"),
    )
    op.create_table(
        "change",
        *_of_study("change"),
        sa.Column("number", sa.Integer, nullable=False),
        sa.Column("at", sa.DateTime, nullable=False),
        sa.Column("label", sa.String(300), nullable=False),
        sa.Column("patches", sa.JSON, nullable=False),
        sa.Column("undone", sa.Boolean, nullable=False),
        sa.PrimaryKeyConstraint("study_id", "number", name="pk_change"),
    )
    op.create_table(
        "receipt",
        *_of_study("receipt"),
        sa.Column("token", sa.String(80), nullable=False),
        sa.PrimaryKeyConstraint("study_id", "token", name="pk_receipt"),
    )


def downgrade() -> None:
    for table in ("receipt", "change", "use", "shape", "sighting", "landmark", "study"):
        op.drop_table(table)
