"""Every record of a study in one table; the history's patches likewise.

Revision ID: 0003
Revises: 0002
"""

from __future__ import annotations

import json
from collections.abc import Iterator
from typing import Any

import sqlalchemy as sa
from alembic import op
from alembic.util import CommandError

revision = "0003"
down_revision = "0002"

LISTS = {"adopted": "id", "frames": "name", "families": "name"}
MAPS = ("drawn",)
OLD = ("landmarks", "sightings", "shapes")


def upgrade() -> None:
    op.create_table(
        "record",
        sa.Column("study_id", sa.Integer, nullable=False),
        sa.Column("collection", sa.String(40), nullable=False),
        sa.Column("key", sa.String(200), nullable=False),
        sa.Column("position", sa.Integer, nullable=False),
        sa.Column("body", sa.JSON, nullable=False),
        sa.PrimaryKeyConstraint("study_id", "collection", "key", name="pk_record"),
        sa.ForeignKeyConstraint(
            ["study_id"], ["study.id"], name="fk_record_study_id_study", ondelete="CASCADE"
        ),
    )
    here = op.get_bind()
    _move(here, "landmark", "landmarks", ("id", "name", "tier"))
    _move(here, "sighting", "sightings", ("id",))
    _move(here, "shape", "shapes", ("id", "name"))
    for study, title, text in here.execute(sa.text("SELECT id, title, body FROM study")).all():
        own = {"title": title, **json.loads(text)}
        for (table, key), record in _parts(own):
            if table != "study":
                _put(here, study, table, key, record["position"], record["body"])
            else:
                here.execute(
                    sa.text("UPDATE study SET body = :body WHERE id = :id"),
                    {"body": json.dumps(record), "id": study},
                )
    rows = here.execute(sa.text("SELECT study_id, number, patches FROM change")).all()
    for study, number, text in rows:
        patches = [new for old in json.loads(text) for new in _rewritten(old)]
        here.execute(
            sa.text("UPDATE change SET patches = :p WHERE study_id = :s AND number = :n"),
            {"p": json.dumps(patches), "s": study, "n": number},
        )
    for table in ("use", "shape", "sighting", "landmark"):
        op.drop_table(table)


def _move(here: sa.Connection, old: str, new: str, columns: tuple[str, ...]) -> None:
    names = ", ".join(columns)
    query = sa.text(f"SELECT study_id, position, body, {names} FROM {old}")
    for study, position, text, *values in here.execute(query).all():
        record = {**dict(zip(columns, values, strict=True)), **json.loads(text)}
        _put(here, study, new, record["id"], position, record)


def _put(
    here: sa.Connection, study: int, collection: str, key: str, position: int, body: Any
) -> None:
    here.execute(
        sa.text("INSERT INTO record VALUES (:s, :c, :k, :p, :b)"),
        {"s": study, "c": collection, "k": key, "p": position, "b": json.dumps(body)},
    )


def _parts(own: dict[str, Any]) -> Iterator[tuple[tuple[str, str], dict[str, Any]]]:
    """The study's own fields, and each record that used to be kept among them."""
    left = {name: value for name, value in own.items() if name not in (*LISTS, *MAPS)}
    yield ("study", ""), left
    for name, key in LISTS.items():
        for position, record in enumerate(own.get(name, ())):
            yield (name, record[key]), {"body": record, "position": position}
    for name in MAPS:
        for position, (key, record) in enumerate(own.get(name, {}).items()):
            yield (name, key), {"body": record, "position": position}


def _rewritten(old: dict[str, Any]) -> Iterator[dict[str, Any]]:
    """A patch as it is told now: bodies apart from positions, one for every record."""
    if old["table"] in OLD:
        yield {**old, "before": _apart(old["before"]), "after": _apart(old["after"])}
        return
    before, after = (dict(_parts(old[side] or {})) for side in ("before", "after"))
    for table, key in dict.fromkeys([*before, *after]):
        was, now = before.get((table, key)), after.get((table, key))
        if table == "study":
            was, now = old["before"] and was, old["after"] and now
        if was != now:
            yield {"table": table, "key": key, "before": was, "after": now}


def _apart(record: dict[str, Any] | None) -> dict[str, Any] | None:
    if record is None:
        return None
    body = {name: value for name, value in record.items() if name != "position"}
    return {"body": body, "position": record["position"]}


def downgrade() -> None:
    raise CommandError("records of one table do not go back: restore a copy instead")
