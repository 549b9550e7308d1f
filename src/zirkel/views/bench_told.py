"""What the bench tells of a study, piece by piece."""

from __future__ import annotations

from datetime import datetime

from pydantic import BaseModel

from zirkel.views.bench_artist import BenchArtist
from zirkel.views.sitting import RunningClock
from zirkel.views.subject import BenchSubject
from zirkel.views.task import BenchTask


class BenchLandmark(BaseModel):
    """A landmark on both sides of the bench. Places are millimetres on the sheet.

    `seen_left_mm`, `seen_top_mm` are where it is seen on the subject, or was tapped on the
    thumbnail, at the drawing's size, with heights that pull straight across. `slack` is the area
    in which it lies 19 times in 20: semi-axes and the angle of the longer one clockwise from level;
    `slack_mm` the longer of them. `standing` is loose, held, proven or doubt.
    """

    id: str
    name: str
    letters: str
    tier: int
    standing: str
    loose: str | float | None
    from_left_mm: float | None
    from_top_mm: float | None
    slack_mm: float | None
    said_left: str | None
    said_top: str | None
    said_slack: str | None
    held_left_mm: float
    held_top_mm: float
    slack: tuple[float, float, float] | None
    seen_left_mm: float | None
    seen_top_mm: float | None
    rough: tuple[float, float] | None
    readings: int


class BenchReading(BaseModel):
    """A reading as said and as entered, and how it fits. `state` is fits, unchecked, doubted or
    struck."""

    id: str
    said: str
    landmarks: list[str]
    take: str | None
    state: str
    standardized: float | None
    redundancy: float | None
    kind: str
    entry: dict[str, str | float | bool | list[str]]
    """The reading's fields as in the study file, for correcting it."""


class BenchDoubt(BaseModel):
    """A doubted reading in words."""

    sighting: str
    reads: str
    headline: str
    detail: str
    rivals: list[str]
    kept: bool
    """Whether the artist keeps it all the same."""


class BenchRelation(BaseModel):
    """A relation that the artist draws by."""

    id: str
    said: str
    kind: str
    along: str | None
    landmarks: list[str]


class BenchTake(BaseModel):
    """A take; `warning` if its drift is significant."""

    name: str
    drift: float
    sd: float
    readings: int
    thin: bool
    warning: str | None


class FadingSide(BaseModel):
    """A side that runs back, by its landmarks: what is left of the line's weight at its far end."""

    near: str
    far: str
    left: float


class BenchShape(BaseModel):
    """A shape of the block-in as landmark ids."""

    id: str
    name: str
    outline: list[str]
    closed: bool
    tier: int
    part_of: str | None
    weight: float
    """Of its lines, 1 the firmest: nearer ones are darker, those inside a form lighter."""
    fades: list[FadingSide]


class BenchSheet(BaseModel):
    """The sheet and how the drawing lies on it."""

    width_mm: float
    height_mm: float
    margin_left_mm: float
    margin_right_mm: float
    margin_top_mm: float
    margin_bottom_mm: float
    unit_mm: float | None
    unit_chosen: bool
    fits: bool
    fill: float
    orientation: str
    outside: list[str]
    said_size: str
    said_unit: str | None
    sight_size_mm: float | None
    off_sight_size: str | None


class BenchDid(BaseModel):
    """What the last reading has done, in words; `bad` if it contradicts others."""

    text: str
    bad: bool


class BenchTier(BaseModel):
    """How the landmarks of one tier stand, in words; `sure` if well enough to be drawn."""

    tier: int
    said: str
    sure: bool


class BenchUnit(BaseModel):
    """The unit: two landmarks along a direction, or a length in mm from an origin."""

    name: str
    many: str
    """What several of it are called."""
    start: str
    end: str | None
    along: str | None
    mm: float | None


class Bench(BaseModel):
    """A study as the bench shows it."""

    id: int
    version: int
    title: str
    note: str | None
    method: str
    demo: bool
    changed_at: datetime
    undo: str | None
    redo: str | None
    unit: BenchUnit | None
    sheet: BenchSheet
    subject: BenchSubject
    landmarks: list[BenchLandmark]
    tiers: list[BenchTier]
    shapes: list[BenchShape]
    readings: list[BenchReading]
    doubts: list[BenchDoubt]
    takes: list[BenchTake]
    adopted: list[BenchRelation]
    current_take: str
    clock: RunningClock | None
    task: BenchTask | None
    """The sitting that goes on."""
    inches: bool
    eye_first: bool
    artist: BenchArtist
    """Whether the eye speaks before a reading is taken."""
    variance_factor: float | None
    scatter: float
    """By how much all readings scatter more than believed; 1 where they do not."""
    did: BenchDid | None
    """What the change that this answers has done; None where nothing was read by it."""
    agreement: str | None
    """How well the readings agree on the whole, in words."""
