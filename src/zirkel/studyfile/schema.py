"""The schema of the study file, derived from what the core's records declare.

Fields that it does not know are kept as they are and written back.
"""

from __future__ import annotations

from typing import TYPE_CHECKING, Annotated, Any, Literal

from zirkel.core.drawn import (
    EyeGuess,
    Photograph,
    Ruled,
    SubjectPhotograph,
    Tolerances,
)
from zirkel.core.frames import Frame, KeptFrame, Placement
from zirkel.core.head import Figure, Head
from zirkel.core.light import Medium, Overlap, ToneArea, ToneReading
from zirkel.core.pose import Block, Place
from zirkel.core.space import CastShadow, Family, Repeat, Round
from zirkel.core.study import (
    Landmark,
    PictureSubject,
    Shape,
    Sheet,
    SimulatedSubject,
    Study,
    UnitLength,
    UnitPair,
)
from zirkel.core.subject.station import Station
from zirkel.core.task import Task
from zirkel.errors import BadInput
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
FileToneArea = Annotated[ToneArea, Recorded]
FileToneReading = Annotated[ToneReading, Recorded]
FileMedium = Annotated[Medium, Recorded]
FileOverlap = Annotated[Overlap, Recorded]
FileFigure = Annotated[Figure, Recorded]
FileHead = Annotated[Head, Recorded]
FileStation = Annotated[Station, Recorded]
FileSubject = Annotated[SimulatedSubject | PictureSubject, Recorded]
FilePhotograph = Annotated[Photograph, Recorded]
FileSubjectPhotograph = Annotated[SubjectPhotograph, Recorded]
FileRuled = Annotated[Ruled, Recorded]
FileTolerances = Annotated[Tolerances, Recorded]
FileEyeGuess = Annotated[EyeGuess, Recorded]
FileBlock = Annotated[Block, Recorded]
FilePlace = Annotated[Place, Recorded]
FileTask = Annotated[Task, Recorded]
FilePicture = Annotated[PictureSubject, Recorded]


def study_to_core(file: StudyFile) -> Study:
    """The study that a validated file describes; references are not checked here."""
    made: Study = to_core(Study, file)
    return made


def study_to_file(study: Study) -> dict[str, Any]:
    """The study as JSON-ready data, in the file's order, without what is at its default."""
    return nested(study_to_records(study))


def study_to_records(study: Study) -> dict[str, Any]:
    """The same with every collection at the top, as it is kept."""
    return {"format": FORMAT, "version": VERSION, **to_file(study)}


TONES, OVERLAPS = "tones", "overlaps"
INSIDE = {"areas": "tone_areas", "readings": "tone_readings", "medium": "tone_medium"}
"""What the file holds inside `tones`, and what the study calls it."""


def flattened(document: dict[str, Any]) -> dict[str, Any]:
    """A file's document with what is inside `tones` beside the rest; BadInput where that is no
    object. What Zirkel does not know in there stays there."""
    document = _numbered(document)
    if TONES not in document:
        return document
    tones = document[TONES]
    if not isinstance(tones, dict):
        raise BadInput(TONES, "must be an object with areas, readings and medium")
    made = {key: value for key, value in document.items() if key != TONES}
    made |= {INSIDE[key]: value for key, value in tones.items() if key in INSIDE}
    rest = {key: value for key, value in tones.items() if key not in INSIDE}
    return {**made, TONES: rest} if rest else made


def _numbered(document: dict[str, Any]) -> dict[str, Any]:
    """With an id for every overlap, by which one is told from another."""
    overlaps = document.get(OVERLAPS)
    if not isinstance(overlaps, list):
        return document
    told = [
        {"id": f"o{number}", **each} if isinstance(each, dict) else each
        for number, each in enumerate(overlaps, 1)
    ]
    return {**document, OVERLAPS: told}


def nested(document: dict[str, Any]) -> dict[str, Any]:
    """The other way round."""
    if OVERLAPS in document:
        told = [{k: v for k, v in each.items() if k != "id"} for each in document[OVERLAPS]]
        document = {**document, OVERLAPS: told}
    inside = {key: document[own] for key, own in INSIDE.items() if own in document}
    rest = document.get(TONES, {})
    if not inside and not rest:
        return document
    made = {
        key: value for key, value in document.items() if key not in INSIDE.values() and key != TONES
    }
    return {**made, TONES: {**inside, **(rest if isinstance(rest, dict) else {})}}


def field_of_file(field: str) -> str:
    """The path to a field as the file has it."""
    for key, own in INSIDE.items():
        if field == own or field.startswith(f"{own}."):
            return f"{TONES}.{key}{field[len(own) :]}"
    return field
