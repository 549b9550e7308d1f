"""Changes record by record: what differs between two states of a study, and applying it to rows.

A patch says of one record (the study's own fields, or one of any of its collections) what it was
before and what it is after, None where it did not or does not exist. Undo applies the patches the
other way round, so it touches only what the change touched.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import count
from typing import Any

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from zirkel.core.collections import collections
from zirkel.core.study import Study
from zirkel.store.tables import RecordRow, StudyRow
from zirkel.studyfile.schema import study_to_records

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
    old = _records(before, after) if before else {}
    new = _records(after, before)
    keys = list(dict.fromkeys([*old, *new]))
    return [
        Patch(table, key, old.get((table, key)), new.get((table, key)))
        for table, key in keys
        if old.get((table, key)) != new.get((table, key))
    ]


def changed(study: Study, other: Study) -> tuple[Study, dict[str, list[int]]]:
    """The study without the records that the other has too, the same object in the same place,
    and the places of those that are left: what is not touched need not be looked at."""
    left: dict[str, Any] = {}
    places: dict[str, list[int]] = {}
    for each in collections():
        if each.key:
            own, theirs = getattr(study, each.name), getattr(other, each.name)
            held = [i for i, x in enumerate(own) if i >= len(theirs) or theirs[i] is not x]
            left[each.name], places[each.file] = tuple(own[i] for i in held), held
    return replace(study, **left), places


def _records(study: Study, other: Study | None) -> dict[tuple[str, str], dict[str, Any]]:
    part, places = changed(study, other) if other else (study, {})
    return dict(split(study_to_records(part), places))


def split(
    document: dict[str, Any], places: Mapping[str, Sequence[int]] | None = None
) -> Iterator[tuple[tuple[str, str], dict[str, Any]]]:
    """(table, key) and record for every part of a study as the file has it; `places` says where
    the records of a collection stand if the document doesn't hold all of them."""
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
        stands = (places or {}).get(name) or count()
        for position, (key, record) in zip(stands, pairs, strict=False):
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
    patches = list(patches)
    known = _rows_to_write(session, row, patches)
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
            record = known.get((patch.table, patch.key))
            if record is None:
                record = RecordRow(study_id=row.id, collection=patch.table, key=patch.key)
                session.add(record)
            record.position, record.body = patch.after["position"], patch.after["body"]
    session.flush()


def _rows_to_write(
    session: Session, row: StudyRow, patches: list[Patch]
) -> dict[tuple[str, str], RecordRow]:
    """The rows there are of those that are written; asked for at once, since a new study has
    hundreds."""
    keys = {(each.table, each.key) for each in patches if each.table != OWN}
    asked = select(RecordRow).where(RecordRow.study_id == row.id)
    if len(keys) == 1:
        ((table, key),) = keys
        asked = asked.where(RecordRow.collection == table, RecordRow.key == key)
    found = session.scalars(asked) if keys else ()
    return {(each.collection, each.key): each for each in found}
