"""Schemas of what the API is asked."""

from __future__ import annotations

from typing import Annotated

from pydantic import BaseModel, Field

from zirkel.commands import AnyChange
from zirkel.core.pose import MOST_BLOCKS
from zirkel.core.subject.lamps import LampName
from zirkel.rendering.render import WIDE
from zirkel.studyfile.entries import Id
from zirkel.studyfile.materials_file import FileItem
from zirkel.studyfile.schema import FileBlock, FileFrame, FileSheet, FileStation, FileTask


class StudyPath(BaseModel):
    """A study in the address."""

    study_id: int = Field(ge=1, le=2**53)


class Based(BaseModel):
    """What every change carries: the version it was based on, and a token so that sending it
    again changes nothing."""

    version: int = Field(ge=1, le=2**53)
    token: str | None = Field(default=None, min_length=8, max_length=80)


class ChangeRequest(Based):
    """One change to a study."""

    change: AnyChange


class HistoryRequest(Based):
    """Undo or redo."""


class Removal(BaseModel):
    """Taking a study off the wall, or hanging it up again."""

    removed: bool


class SceneChoice(BaseModel):
    """A scene to begin a study of, on a sheet or on the one that suits it."""

    scene: Id
    sheet: FileSheet | None = None


class ScenePath(BaseModel):
    """A scene in the address."""

    name: str = Field(min_length=1, max_length=80)


class SceneQuery(BaseModel):
    """From where a scene is looked at; what is left out is as the scene file has it."""

    distance_mm: float | None = Field(default=None, ge=200, le=500_000, allow_inf_nan=False)
    eye_height_mm: float | None = Field(default=None, ge=-10_000, le=100_000, allow_inf_nan=False)
    direction_deg: float | None = Field(default=None, ge=-180, le=180, allow_inf_nan=False)


class LitQuery(SceneQuery):
    """And in which light."""

    light: LampName | None = None


class SeenQuery(LitQuery):
    """With eyes half shut or not, and how large the picture is to be."""

    squint: bool = False
    wide: int = Field(default=WIDE, ge=100, le=WIDE)


class PicturePath(BaseModel):
    """A picture in the address."""

    picture: str = Field(pattern=r"^[0-9a-f]{64}$")


class PictureQuery(BaseModel):
    """How a picture is looked at; `crop` as four shares between commas."""

    crop: str = Field(default="0,0,1,1", pattern=r"^[01](\.\d+)?(,[01](\.\d+)?){3}$")
    turn: float = Field(default=0.0, ge=-180, le=180, allow_inf_nan=False)
    grey: bool = False
    contrast: float = Field(default=1.0, ge=0.2, le=4, allow_inf_nan=False)
    squint: float = Field(default=0.0, ge=0, le=50, allow_inf_nan=False)
    tones: int = Field(default=0, ge=0, le=7)
    longest: int = Field(default=1600, ge=64, le=2400)


class ReachQuery(BaseModel):
    """A known length, what it read on the stick before and after stepping back, and how far."""

    length_mm: float = Field(ge=0.1, le=1e6, allow_inf_nan=False)
    near_mm: float = Field(ge=0.1, le=1e4, allow_inf_nan=False)
    far_mm: float = Field(ge=0.1, le=1e4, allow_inf_nan=False)
    back_mm: float = Field(ge=0.1, le=1e6, allow_inf_nan=False)


class StationTry(BaseModel):
    """A station tried out while it is dragged; null for the one that is kept."""

    station: FileStation | None = None


class FrameTry(BaseModel):
    """A frame tried out while it is dragged; null for the one that is kept."""

    frame: FileFrame | None = None


class TakePath(StudyPath):
    """A study, and what of it is taken along."""

    what: str = Field(min_length=1, max_length=40)


class TakeQuery(BaseModel):
    """Who draws, to be named in what is taken along."""

    artist: str = Field(default="", max_length=200)


class Wanted(BaseModel):
    """The version of the study that an answer is wanted for; if the study has gone on since, the
    answer is not computed."""

    version: int | None = Field(default=None, ge=1, le=2**53)


class RecipeQuery(Wanted):
    """By which school, where another is only looked at."""

    school: str | None = Field(default=None, max_length=100)


class TonesQuery(Wanted):
    """In how many flat tones."""

    groups: int = Field(default=4, ge=1, le=7)


class SittingQuery(Wanted):
    """How many minutes there are for a pose."""

    minutes: float = Field(default=10.0, ge=1.0, le=600.0, allow_inf_nan=False)
    poses: str | None = Field(default=None, max_length=80)
    """The set whose own stages part them."""


class Knock(BaseModel):
    """The passcode, and what this device is called."""

    passcode: str = Field(min_length=1, max_length=200)
    name: str = Field(default="", max_length=80)


class DevicePath(BaseModel):
    """A device in the address."""

    device: str = Field(pattern=r"^[0-9a-f]{16}$")


class QrQuery(BaseModel):
    """The page to which a QR code leads."""

    path: str = Field(default="/", pattern=r"^/[A-Za-z0-9/?=&_.~-]*$", max_length=200)


ListenerId = Annotated[str, Field(pattern=r"^[0-9a-f]{8,32}$")]
"""What a page calls itself while it listens."""


class Listening(BaseModel):
    """Who listens, and in which room."""

    listener: ListenerId
    room: str = Field(default="", max_length=40)


class StickLaid(BaseModel):
    """What the stick lies on, by the kind of reading; nothing where it is put away."""

    listener: ListenerId
    kind: str = Field(default="", max_length=20)
    landmarks: list[Id] = Field(default_factory=list, max_length=4)


class LessonPath(BaseModel):
    """A lesson in the address."""

    lesson: str = Field(pattern=r"^[0-9a-f]{8}$")


class LessonMade(BaseModel):
    """A scene given to a class, or one of the artist's own studies, or once more what the lesson
    `again` gave; without a title, under its own."""

    scene: Id | None = None
    study: int | None = None
    again: str | None = Field(default=None, pattern=r"^[0-9a-f]{8}$")
    title: str = Field(default="", max_length=120)
    task: FileTask | None = None
    method: Id | None = None
    eye_first: bool = False


class Joining(BaseModel):
    """Under which name; `again` says that it is the same pupil as before."""

    name: str = Field(min_length=1, max_length=80)
    again: bool = False


class Closing(BaseModel):
    """Whether nobody joins any more."""

    closed: bool


class PosesPath(BaseModel):
    """An own set of poses in the address."""

    name: str = Field(min_length=1, max_length=80)


class ShortPosesBegun(BaseModel):
    """Poses and rests, of which each pose becomes a study of its own."""

    blocks: Annotated[list[FileBlock], Field(min_length=2, max_length=MOST_BLOCKS)]


class ListKept(BaseModel):
    """What a list of things to lay out holds; nothing to give it up."""

    items: Annotated[list[FileItem], Field(max_length=200)]


class FlatThing(BaseModel):
    """A level rectangle: how far the eye is over it, how far away its near edge, its size; all in
    one unit."""

    height: float = Field(ge=-1e6, le=1e6, allow_inf_nan=False)
    distance: float = Field(ge=1e-6, le=1e6, allow_inf_nan=False)
    width: float = Field(ge=1e-6, le=1e6, allow_inf_nan=False)
    depth: float = Field(ge=1e-6, le=1e6, allow_inf_nan=False)


class DrawingQuery(BaseModel):
    """The drawing at a check that was kept, or as it is; `version` only tells one from another."""

    check: Id | None = None
    longest: int = Field(default=1400, ge=64, le=2400)
    version: int | None = Field(default=None, ge=1, le=2**53)


class ArtistQuery(BaseModel):
    """Whose record; the first artist's where nobody is named."""

    artist: Id | None = None


class SeriesPath(BaseModel):
    """A series in the address."""

    name: str = Field(min_length=1, max_length=80)
