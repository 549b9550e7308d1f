"""Changes record by record: what differs between two states of a study, and applying it to rows.

A patch says of one record (the study's own fields, a landmark, a sighting, a shape) what it was
before and what it is after, None where it did not or does not exist. Undo applies the patches the
other way round, so it touches only what the change touched.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any

from sqlalchemy import delete
from sqlalchemy.orm import Session

from zirkel.core.sightings import KINDS
from zirkel.core.study import Study
from zirkel.store.tables import LandmarkRow, ShapeRow, SightingRow, StudyRow, UseRow
from zirkel.studyfile.convert import study_to_file

RECORDS = ("landmarks", "sightings", "shapes")
ALWAYS_KEPT = ("format", "version", "title", *RECORDS)


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
    document = study_to_file(study)
    own = {k: v for k, v in document.items() if k not in ("format", "version", *RECORDS)}
    found = {("study", ""): own}
    for table in RECORDS:
        for position, record in enumerate(document.get(table, [])):
            found[table, record["id"]] = {**record, "position": position}
    return found


def apply(session: Session, row: StudyRow, patches: Iterable[Patch]) -> None:
    """Write patches to the rows of one study: removals of readings first, then the rest."""
    ordered = sorted(patches, key=_order)
    for patch in ordered:
        if patch.table == "study":
            own = dict(patch.after or {})
            row.title = own.pop("title")
            row.body = own
        elif patch.after is None:
            _remove(session, row.id, patch)
        else:
            _put(session, row.id, patch.table, dict(patch.after))
        session.flush()


def _order(patch: Patch) -> tuple[bool, int]:
    """Readings go before their landmarks do, and come after them."""
    readings_last = ("study", "landmarks", "shapes", "sightings").index(patch.table)
    removed = patch.after is None
    return not removed, -readings_last if removed else readings_last


def _remove(session: Session, study_id: int, patch: Patch) -> None:
    row_type: Any = {"landmarks": LandmarkRow, "sightings": SightingRow, "shapes": ShapeRow}[
        patch.table
    ]
    session.execute(delete(row_type).where(row_type.study_id == study_id, row_type.id == patch.key))


def _put(session: Session, study_id: int, table: str, record: dict[str, Any]) -> None:
    key, position = record.pop("id"), record.pop("position")
    common = {"study_id": study_id, "id": key, "position": position}
    if table == "landmarks":
        name, tier = record.pop("name"), record.pop("tier")
        session.merge(LandmarkRow(**common, name=name, tier=tier, body=record))
    elif table == "shapes":
        session.merge(ShapeRow(**common, name=record.pop("name"), body=record))
    else:
        session.merge(
            SightingRow(
                **common,
                kind=record["kind"],
                take=record.get("take"),
                struck=record.get("struck", False),
                body=record,
            )
        )
        _put_uses(session, study_id, key, record)


def _put_uses(session: Session, study_id: int, sighting: str, record: dict[str, Any]) -> None:
    session.execute(
        delete(UseRow).where(UseRow.study_id == study_id, UseRow.sighting_id == sighting)
    )
    session.flush()
    for landmark in dict.fromkeys(landmarks_of(record)):
        session.add(UseRow(study_id=study_id, sighting_id=sighting, landmark_id=landmark))


def landmarks_of(record: dict[str, Any]) -> list[str]:
    """The landmarks that a sighting, as the file has it, reads."""
    found: list[str] = []
    for name, role in KINDS[record["kind"]].landmark_fields():
        found += [record[name]] if role == "landmark" else record[name]
    return found
