"""Everything that can be done to a study and taken back, one class each."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from zirkel.actions.changes.base import Change
from zirkel.actions.changes.landmarks import (
    AddLandmark,
    EditLandmark,
    PutShape,
    RemoveLandmark,
    RemoveShape,
)
from zirkel.actions.changes.relations import AdoptRelation, LeaveRelation
from zirkel.actions.changes.settings import (
    DropFrame,
    KeepFrame,
    SetFrame,
    SetLengths,
    SetMethod,
    SetPlacement,
    SetSheet,
    SetTitle,
    SetTrust,
    SetUnit,
    SetUnitSize,
)
from zirkel.actions.changes.sightings import (
    EditSighting,
    KeepSighting,
    RemoveSighting,
    StrikeSighting,
    TakeSighting,
)
from zirkel.actions.changes.subject import (
    MeasurePicture,
    ReadPicture,
    SetSubject,
    TurnPicture,
)
from zirkel.actions.changes.tables import ReadTable

AnyChange = Annotated[
    TakeSighting
    | EditSighting
    | StrikeSighting
    | KeepSighting
    | AdoptRelation
    | LeaveRelation
    | RemoveSighting
    | AddLandmark
    | EditLandmark
    | RemoveLandmark
    | PutShape
    | RemoveShape
    | SetTitle
    | SetMethod
    | SetSheet
    | SetUnit
    | SetUnitSize
    | SetPlacement
    | SetTrust
    | SetFrame
    | KeepFrame
    | DropFrame
    | SetLengths
    | SetSubject
    | TurnPicture
    | MeasurePicture
    | ReadPicture
    | ReadTable,
    Field(discriminator="type"),
]

__all__ = ["AnyChange", "Change"]
