"""The schema of the study file: what may stand in it, field by field.

Fields that it does not know are kept as they are and written back.
"""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field, field_validator, model_validator

from zirkel.core.subject.faults import FAULTS
from zirkel.studyfile.entries import (
    Finite,
    Id,
    Millimetres,
    Name,
    Note,
    Point,
    Share,
    Text,
    Tier,
)
from zirkel.studyfile.sightings import AnySighting

MOST_LANDMARKS = 1000
MOST_SIGHTINGS = 5000
MOST_SHAPES = 500


class Kept(BaseModel):
    """A part of the file that keeps fields it does not know."""

    model_config = ConfigDict(extra="allow", populate_by_name=True)


class FileLandmark(Kept):
    id: Id
    name: Name | None = None
    tier: Tier = 1
    rough: Point | None = None


class FileMargins(Kept):
    left: Annotated[Millimetres, Field(ge=0)]
    right: Annotated[Millimetres, Field(ge=0)]
    top: Annotated[Millimetres, Field(ge=0)]
    bottom: Annotated[Millimetres, Field(ge=0)]


class FileSheet(Kept):
    width_mm: Annotated[Millimetres, Field(gt=0, le=20_000)]
    height_mm: Annotated[Millimetres, Field(gt=0, le=20_000)]
    margin_mm: Annotated[Millimetres, Field(ge=0)] | FileMargins = 15.0

    @model_validator(mode="after")
    def _leaves_room(self) -> FileSheet:
        even = isinstance(self.margin_mm, float)
        m = self.margin_mm
        across = 2 * m if isinstance(m, float) else m.left + m.right
        down = 2 * m if isinstance(m, float) else m.top + m.bottom
        if across >= self.width_mm or down >= self.height_mm:
            which = "the margin leaves" if even else "the margins leave"
            raise ValueError(f"{which} no room on the sheet: make it smaller than half the sheet")
        return self


class FileUnitPair(Kept):
    start: Id = Field(alias="from")
    end: Id = Field(alias="to")
    along: Literal["straight", "level", "plumb"]
    name: Name = "unit"


class FileUnitLength(Kept):
    mm: Annotated[Millimetres, Field(gt=0)] = 1.0
    name: Name = "mm"
    origin: Id


class FileShape(Kept):
    id: Id
    name: Name | None = None
    outline: list[Id] = Field(min_length=1, max_length=MOST_LANDMARKS)
    closed: bool = True
    part_of: Id | None = None
    tier: Tier = 1


class FileFrame(Kept):
    left: Finite
    right: Finite
    top: Finite
    bottom: Finite

    @model_validator(mode="after")
    def _has_extent(self) -> FileFrame:
        if self.left >= self.right or self.top >= self.bottom:
            raise ValueError("left must be smaller than right, and top smaller than bottom")
        return self


class FileKeptFrame(FileFrame):
    """A frame under a name."""

    name: Name


class FilePlacement(Kept):
    across: Annotated[Finite, Field(ge=0, le=1)] = 0.5
    down: Annotated[Finite, Field(ge=0, le=1)] = 0.5


class FileFamily(Kept):
    name: Name
    edges: list[tuple[Id, Id]]
    level: bool = False


class FileStation(Kept):
    """Where the artist stands, in millimetres and degrees."""

    distance_mm: Annotated[Finite, Field(ge=200, le=500_000)]
    eye_height_mm: Annotated[Finite, Field(ge=-10_000, le=100_000)]
    direction_deg: Annotated[Finite, Field(ge=-180, le=180)] = 0.0
    reach_mm: Annotated[Finite, Field(ge=150, le=1200)] = 650.0
    easel_mm: Annotated[Finite, Field(ge=200, le=20_000)] = 700.0
    board_mm: Annotated[Finite, Field(ge=0, le=5_000)] = 1350.0
    lean_deg: Annotated[Finite, Field(ge=-45, le=60)] = 0.0


class FileSimulated(Kept):
    """A scene in place of a live subject."""

    scene: Id
    station: FileStation
    faults: dict[str, Annotated[Finite, Field(gt=0, le=1000)]] = Field(default_factory=dict)

    @field_validator("faults")
    @classmethod
    def _known(cls, faults: dict[str, float]) -> dict[str, float]:
        for name, size in faults.items():
            if name not in FAULTS:
                raise ValueError(f"“{name}” is no fault: choose from {', '.join(FAULTS)}")
            if size > FAULTS[name].most:
                most = f"{FAULTS[name].most:g} {FAULTS[name].size_in}"
                raise ValueError(f"“{name}” of {size:g} is too much: at most {most}")
        return faults


class FilePicture(Kept):
    """A photograph or print as the subject."""

    picture: Annotated[str, Field(pattern=r"^[0-9a-f]{64}$")]
    width: Annotated[int, Field(ge=1, le=100_000)]
    height: Annotated[int, Field(ge=1, le=100_000)]
    crop: tuple[Share, Share, Share, Share] = (0.0, 0.0, 1.0, 1.0)
    turn_deg: Annotated[Finite, Field(ge=-180, le=180)] = 0.0
    grey: bool = False
    contrast: Annotated[Finite, Field(ge=0.2, le=4)] = 1.0
    squint: Annotated[Finite, Field(ge=0, le=50)] = 0.0
    tones: Literal[0, 2, 3, 4, 5, 6, 7] = 0
    mm_per_px: Annotated[Finite, Field(gt=0, le=1000)] | None = None
    silent: bool = False

    @model_validator(mode="after")
    def _leaves_something(self) -> FilePicture:
        left, top, right, bottom = self.crop
        if right - left < 0.02 or bottom - top < 0.02:
            raise ValueError("crop leaves nothing: left must be well below right, top below bottom")
        return self


class StudyFile(Kept):
    """One drawing project, as stored in `.zirkel.json`."""

    format: Literal["zirkel-study"] = "zirkel-study"
    version: Literal[1] = 1
    title: Name = "Untitled study"
    method: Text = "comparative"
    sheet: FileSheet = Field(default_factory=lambda: FileSheet(width_mm=297.0, height_mm=420.0))
    unit: FileUnitPair | FileUnitLength | None = None
    landmarks: list[FileLandmark] = Field(default_factory=list, max_length=MOST_LANDMARKS)
    sightings: list[AnySighting] = Field(default_factory=list, max_length=MOST_SIGHTINGS)
    shapes: list[FileShape] = Field(default_factory=list, max_length=MOST_SHAPES)
    drawn: dict[Id, Point] = Field(default_factory=dict)
    drawn_sigma_mm: Annotated[Millimetres, Field(gt=0)] | None = None
    frame: FileFrame | None = None
    placement: FilePlacement | None = None
    unit_mm: Annotated[Millimetres, Field(gt=0)] | None = None
    families: list[FileFamily] = Field(default_factory=list, max_length=100)
    check_against: Literal["plan", "proportions"] | None = None
    trust: dict[str, Annotated[Finite, Field(gt=0, le=100)]] = Field(default_factory=dict)
    adopted: list[AnySighting] = Field(default_factory=list, max_length=MOST_SIGHTINGS)
    frames: list[FileKeptFrame] = Field(default_factory=list, max_length=50)
    inches: bool = False
    subject: FileSimulated | FilePicture | None = None
    note: Note | None = None
