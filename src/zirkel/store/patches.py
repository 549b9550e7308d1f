"""Changes record by record: what differs between two states of a study, and applying it to rows.

A patch says of one record (the study's own fields, or one of any of its collections) what it was
before and what it is after, None where it did not or does not exist. Undo applies the patches the
other way round, so it touches only what the change touched.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from typing import Any

from sqlalchemy import delete
from sqlalchemy.orm import Session

from zirkel.core.collections import collections
from zirkel.core.study import Study
from zirkel.store.tables import RecordRow, StudyRow
from zirkel.studyfile.schema import study_to_file

OWN = "study"
"""The table of patches to the study's own fields."""


@dataclass(frozen=True, slots=True)
class Patch:
    """One record before and after; `position` is kept inside both."""

    table: str
    key: str
    before: dict[str, Any] | None
    after: dict[str, Any] | None

    def reversed(self) -> Patch:
        """The patch that takes this one back."""
        return Patch(self.table, self.key, self.after, self.before)


def difference(before: Study | None, after: Study) -> list[Patch]:
    """Patches from one state to the other; from None everything is new."""
    old, new = (_records(before) if before else {}), _records(after)
    keys = list(dict.fromkeys([*old, *new]))
    return [
        Patch(table, key, old.get((table, key)), new.get((table, key)))
        for table, key in keys
        if old.get((table, key)) != new.get((table, key))
    ]


def _records(study: Study) -> dict[tuple[str, str], dict[str, Any]]:
    return dict(split(study_to_file(study)))


def split(document: dict[str, Any]) -> Iterator[tuple[tuple[str, str], dict[str, Any]]]:
    """(table, key) and record for every part of a study as the file has it."""
    held = {each.file: each for each in collections()}
    own = {k: v for k, v in document.items() if k not in ("format", "version", *held)}
    yield (OWN, ""), own
    for name, each in held.items():
        records = document.get(name) or ()
        pairs = (
            records.items()
            if isinstance(records, dict)
            else ((record[each.key], record) for record in records)
        )
        for position, (key, record) in enumerate(pairs):
            yield (name, key), {"body": record, "position": position}


def joined(own: dict[str, Any], rows: Iterable[RecordRow]) -> dict[str, Any]:
    """The study as the file has it, from its own fields and its rows in their order."""
    held = {each.file: each for each in collections()}
    document: dict[str, Any] = {**own, **{name: [] if c.key else {} for name, c in held.items()}}
    for row in rows:
        if held[row.collection].key:
            document[row.collection].append(row.body)
        else:
            document[row.collection][row.key] = row.body
    return document


def apply(session: Session, row: StudyRow, patches: Iterable[Patch]) -> None:
    """Write patches to the rows of one study."""
    for patch in patches:
        if patch.table == OWN:
            own = dict(patch.after or {})
            row.title = own["title"]
            row.body = own
        elif patch.after is None:
            session.execute(
                delete(RecordRow).where(
                    RecordRow.study_id == row.id,
                    RecordRow.collection == patch.table,
                    RecordRow.key == patch.key,
                )
            )
        else:
            session.merge(
                RecordRow(
                    study_id=row.id, collection=patch.table, key=patch.key,
                    position=patch.after["position"], body=patch.after["body"],
                )
            )  # fmt: skip
    session.flush()
