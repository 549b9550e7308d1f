"""The schema of the study file, derived from what the core's records declare.

Fields that it does not know are kept as they are and written back.
"""

from __future__ import annotations

from typing import TYPE_CHECKING, Annotated, Any, Literal

from zirkel.core.drawn import (
    EyeGuess,
    Photograph,
    Ruled,
    Tolerances,
)
from zirkel.core.space import CastShadow, Family, Repeat, Round
from zirkel.core.study import (
    Frame,
    KeptFrame,
    Landmark,
    PictureSubject,
    Placement,
    Shape,
    Sheet,
    SimulatedSubject,
    Study,
    UnitLength,
    UnitPair,
)
from zirkel.core.subject.station import Station
from zirkel.studyfile.records import Kept, Recorded, model_of, to_core, to_file

FORMAT, VERSION = "zirkel-study", 1

if TYPE_CHECKING:
    StudyFile = Kept
else:

    class StudyFile(model_of(Study, "StudyFields")):
        """One drawing project, as stored in `.zirkel.json`."""

        format: Literal["zirkel-study"] = FORMAT
        version: Literal[1] = VERSION


FileSheet = Annotated[Sheet, Recorded]
FileUnit = Annotated[UnitPair | UnitLength, Recorded]
FileUnitPair = Annotated[UnitPair, Recorded]
FileShape = Annotated[Shape, Recorded]
FileLandmark = Annotated[Landmark, Recorded]
FileFrame = Annotated[Frame, Recorded]
FileKeptFrame = Annotated[KeptFrame, Recorded]
FilePlacement = Annotated[Placement, Recorded]
FileFamily = Annotated[Family, Recorded]
FileRound = Annotated[Round, Recorded]
FileCastShadow = Annotated[CastShadow, Recorded]
FileRepeat = Annotated[Repeat, Recorded]
FileStation = Annotated[Station, Recorded]
FileSubject = Annotated[SimulatedSubject | PictureSubject, Recorded]
FilePhotograph = Annotated[Photograph, Recorded]
FileRuled = Annotated[Ruled, Recorded]
FileTolerances = Annotated[Tolerances, Recorded]
FileEyeGuess = Annotated[EyeGuess, Recorded]
FilePicture = Annotated[PictureSubject, Recorded]


def study_to_core(file: StudyFile) -> Study:
    """The study that a validated file describes; references are not checked here."""
    made: Study = to_core(Study, file)
    return made


def study_to_file(study: Study) -> dict[str, Any]:
    """The study as JSON-ready data, in the file's order, without what is at its default."""
    return {"format": FORMAT, "version": VERSION, **to_file(study)}
