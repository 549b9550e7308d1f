"""Everything that can be done to a study and taken back, one class each."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from zirkel.commands.artist import SetCounting, SetHand, SetLeanings
from zirkel.commands.base import Change
from zirkel.commands.check import (
    DropMeasure,
    GoOn,
    KeepCheck,
    MarkDrawn,
    ResightDrawing,
    RuleDrawing,
    SetChecking,
    SetDrawnBy,
    SetEyeFirst,
    SetPhotograph,
    TickMove,
)
from zirkel.commands.depth import PutRepeat, PutRound, PutShadow, RemoveDepth
from zirkel.commands.families import AddEdge, PutFamily, RemoveFamily
from zirkel.commands.heads import PutFigure, PutHead, RemoveFigure, RemoveHead
from zirkel.commands.landmarks import (
    AddLandmark,
    AddShape,
    EditLandmark,
    PutShape,
    RemoveLandmark,
    RemoveShape,
)
from zirkel.commands.placings import SetOrder, SetPlacing
from zirkel.commands.relations import AdoptRelation, LeaveRelation
from zirkel.commands.settings import (
    BelieveScatter,
    DropFrame,
    KeepFrame,
    PutAway,
    SetBlockIn,
    SetEye,
    SetFrame,
    SetLengths,
    SetMethod,
    SetNote,
    SetPlacement,
    SetSheet,
    SetTags,
    SetTitle,
    SetTrust,
    SetUnit,
    SetUnitSize,
)
from zirkel.commands.sightings import (
    EditSighting,
    KeepSighting,
    RemoveSighting,
    StrikeSighting,
    TakeSighting,
    TakeSightings,
)
from zirkel.commands.sittings import (
    BackToTheMark,
    BeginSitting,
    DropLogPicture,
    EndSitting,
    GoOnShifted,
    KeepLogPicture,
    ModelMoved,
    NoteSitting,
    RestNow,
    SetAbout,
    SetNextSitting,
    SetPlace,
)
from zirkel.commands.subject import (
    MeasurePicture,
    ReadPicture,
    SetSubject,
    TurnPicture,
)
from zirkel.commands.tables import ReadTable
from zirkel.commands.tasks import HandIn, LeaveTask
from zirkel.commands.tones import (
    CompareTones,
    PutArea,
    PutOverlap,
    ReadTones,
    RemoveArea,
    RemoveOverlap,
    RemoveTone,
    SceneOverlaps,
    SetMedium,
    StrikeTone,
    SuggestAreas,
)
from zirkel.commands.truth import MarkPhotographed, SetSubjectPhotograph

AnyChange = Annotated[
    TakeSighting
    | TakeSightings
    | EditSighting
    | StrikeSighting
    | KeepSighting
    | AdoptRelation
    | LeaveRelation
    | RemoveSighting
    | AddLandmark
    | EditLandmark
    | RemoveLandmark
    | AddShape
    | PutShape
    | RemoveShape
    | SetTitle
    | SetMethod
    | SetNote
    | SetTags
    | PutAway
    | SetBlockIn
    | SetOrder
    | SetPlacing
    | SetEye
    | SetSheet
    | SetUnit
    | SetUnitSize
    | SetPlacement
    | SetTrust
    | BelieveScatter
    | SetFrame
    | KeepFrame
    | DropFrame
    | SetLengths
    | SetSubject
    | HandIn
    | LeaveTask
    | TurnPicture
    | MeasurePicture
    | ReadPicture
    | ReadTable
    | AddEdge
    | PutFamily
    | RemoveFamily
    | PutRound
    | PutShadow
    | PutRepeat
    | RemoveDepth
    | PutFigure
    | RemoveFigure
    | PutHead
    | RemoveHead
    | BeginSitting
    | ModelMoved
    | BackToTheMark
    | GoOnShifted
    | RestNow
    | EndSitting
    | NoteSitting
    | KeepLogPicture
    | DropLogPicture
    | SetPlace
    | SetAbout
    | SetNextSitting
    | PutArea
    | RemoveArea
    | SuggestAreas
    | CompareTones
    | StrikeTone
    | RemoveTone
    | ReadTones
    | SetMedium
    | PutOverlap
    | RemoveOverlap
    | SceneOverlaps
    | SetPhotograph
    | MarkDrawn
    | RuleDrawing
    | ResightDrawing
    | DropMeasure
    | SetChecking
    | SetDrawnBy
    | SetEyeFirst
    | SetCounting
    | SetHand
    | SetLeanings
    | SetSubjectPhotograph
    | MarkPhotographed
    | KeepCheck
    | TickMove
    | GoOn,
    Field(discriminator="type"),
]

__all__ = ["AnyChange", "Change"]
