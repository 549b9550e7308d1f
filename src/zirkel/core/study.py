"""What a study is made of: frozen records, as in the study file, with ids instead of references.

Each record declares its fields once (see `fields`). A study's collections are the fields of `Study`
that hold many records: patches, references to landmarks, removal and history loop over them.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from zirkel.core.artist import CountedTo, JudgingEye, Leanings, OwnHand
from zirkel.core.drawn import (
    MOST_CHECKS,
    MOST_GUESSES,
    MOST_MEASURES,
    Guess,
    KeptCheck,
    OwnPlacing,
    Photograph,
    Ruled,
    SubjectPhotograph,
    Tolerances,
    WentOn,
)
from zirkel.core.fields import entry, unknown
from zirkel.core.frames import Frame, KeptFrame, Placement
from zirkel.core.head import Figure, Head
from zirkel.core.light import (
    MOST_AREAS,
    MOST_COMPARISONS,
    Medium,
    Overlap,
    ToneArea,
    ToneReading,
)
from zirkel.core.pose import MOST_SITTINGS, Place, Sitting
from zirkel.core.sightings import KINDS, Sighting
from zirkel.core.space import CastShadow, Family, Repeat, Round
from zirkel.core.subject.faults import FAULTS
from zirkel.core.subject.lamps import LAMPS, LampName
from zirkel.core.subject.station import Station
from zirkel.core.task import Task

DEFAULT_DRAWN_SIGMA_MM = 1.0
MOST_LANDMARKS, MOST_SIGHTINGS, MOST_SHAPES = 1000, 5000, 500
MOST_TAGS = 20
ABOUT = ("sitter", "still_life", "building", "outdoors", "copy")
LARGEST_MM = 20_000.0

Extra = Mapping[str, object]
Spot = tuple[float, float]


@dataclass(frozen=True, slots=True)
class Landmark:
    """A named point that can be found again on subject and sheet.

    `rough` is its place on the thumbnail, any scale, x right and y down; None if never tapped.
    `tier` is 1 for large shapes, 2 for middle ones, 3 for detail.
    """

    id: str = entry("id")
    name: str = entry("name", if_missing="id")
    tier: int = entry("whole", 1, bounds={"ge": 1, "le": 3}, always=True)
    rough: Spot | None = entry("point", None)
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class UnitPair:
    """A length on the subject in which all else is counted: exactly 1 from `start` to `end`."""

    start: str = entry("id", file="from", names="landmark")
    end: str = entry("id", file="to", names="landmark")
    along: str = entry("choice", options=("straight", "level", "plumb"))
    name: str = entry("name", fallback="unit")
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class UnitLength:
    """Readings that are lengths on the sheet itself (sight-size, dividers): no pair is exact."""

    mm: float = entry("mm", bounds={"gt": 0.0}, fallback=1.0)
    name: str = entry("name", fallback="mm")
    origin: str = entry("id", names="landmark")
    extra: Extra = unknown()


Unit = UnitPair | UnitLength


@dataclass(frozen=True, slots=True)
class Margins:
    """Free border of the sheet, in millimetres."""

    left: float = entry("mm", bounds={"ge": 0.0})
    right: float = entry("mm", bounds={"ge": 0.0})
    top: float = entry("mm", bounds={"ge": 0.0})
    bottom: float = entry("mm", bounds={"ge": 0.0})
    extra: Extra = unknown()

    @classmethod
    def even(cls, mm: float) -> Margins:
        """The same border on all four sides."""
        return cls(mm, mm, mm, mm)

    @property
    def as_one(self) -> float | None:
        """The border as one number, where it is the same on all sides and nothing else is kept."""
        same = self.left == self.right == self.top == self.bottom
        return self.left if same and not self.extra else None


@dataclass(frozen=True, slots=True)
class Sheet:
    """The paper or canvas, in millimetres."""

    width_mm: float = entry("mm", bounds={"gt": 0.0, "le": LARGEST_MM})
    height_mm: float = entry("mm", bounds={"gt": 0.0, "le": LARGEST_MM})
    margin: Margins = entry(
        "margins", factory=lambda: Margins.even(15.0), file="margin_mm", always=True
    )
    extra: Extra = unknown()

    def problem(self) -> str | None:
        """That the margins leave no room, in words."""
        m = self.margin
        if m.left + m.right < self.width_mm and m.top + m.bottom < self.height_mm:
            return None
        which = "the margin leaves" if m.as_one is not None else "the margins leave"
        return f"{which} no room on the sheet: make it smaller than half the sheet"


@dataclass(frozen=True, slots=True)
class Shape:
    """A straight-line block-in shape: landmark ids in drawing order."""

    id: str = entry("id")
    name: str = entry("name", if_missing="id")
    outline: tuple[str, ...] = entry(
        "id", many="list", names="landmark", least=1, most=MOST_LANDMARKS
    )
    closed: bool = entry("flag", True, always=True)
    part_of: str | None = entry("id", None, names="shape")
    tier: int = entry("whole", 1, bounds={"ge": 1, "le": 3}, always=True)
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class SimulatedSubject:
    """A scene that Zirkel shows in place of a live subject, seen from a station.

    `faults` are those of the artist's hand that are turned on, with their sizes; `light` is one of
    the `LAMPS`, else the scene's own.
    """

    scene: str = entry("id")
    station: Station = entry("record", records=(Station,))
    faults: Mapping[str, float] = entry(
        "finite", many="map", factory=dict, bounds={"gt": 0.0, "le": 1000.0}
    )
    light: LampName | None = entry("choice", None, options=tuple(LAMPS))
    extra: Extra = unknown()

    def problem(self) -> str | None:
        """A fault that isn't one, or is too much, in words."""
        for name, size in self.faults.items():
            if name not in FAULTS:
                return f"“{name}” is no fault: choose from {', '.join(FAULTS)}"
            if size > FAULTS[name].most:
                most = f"{FAULTS[name].most:g} {FAULTS[name].size_in}"
                return f"“{name}” of {size:g} is too much: at most {most}"
        return None


@dataclass(frozen=True, slots=True)
class PictureSubject:
    """A photograph or print as the subject, and how it is looked at.

    `crop` (left, top, right, bottom) in shares of the upright picture; `turn_deg` clockwise makes a
    plumb edge true; `tones` 0 leaves all of them; `squint` is a blur in thousandths of the longer
    side; `mm_per_px` its true size, where it has been measured. With `silent`, Zirkel takes no
    readings from it by itself.
    """

    picture: str = entry("hash")
    width: int = entry("whole", bounds={"ge": 1, "le": 100_000})
    height: int = entry("whole", bounds={"ge": 1, "le": 100_000})
    crop: tuple[float, float, float, float] = entry("crop", (0.0, 0.0, 1.0, 1.0), always=True)
    turn_deg: float = entry("finite", 0.0, bounds={"ge": -180.0, "le": 180.0}, always=True)
    grey: bool = entry("flag", False, always=True)
    contrast: float = entry("finite", 1.0, bounds={"ge": 0.2, "le": 4.0}, always=True)
    squint: float = entry("finite", 0.0, bounds={"ge": 0.0, "le": 50.0}, always=True)
    tones: int = entry("choice", 0, options=(0, 2, 3, 4, 5, 6, 7), always=True)
    mm_per_px: float | None = entry("finite", None, bounds={"gt": 0.0, "le": 1000.0})
    silent: bool = entry("flag", False, always=True)
    extra: Extra = unknown()

    def problem(self) -> str | None:
        """That the crop leaves nothing, in words."""
        left, top, right, bottom = self.crop
        if right - left >= 0.02 and bottom - top >= 0.02:
            return None
        return "crop leaves nothing: left must be well below right, top below bottom"


Subject = SimulatedSubject | PictureSubject


@dataclass(frozen=True, slots=True)
class Study:
    """One drawing project: a subject, a sheet and everything read from the subject.

    The fields stand in the order in which the file has them.
    """

    title: str = entry("name", "Untitled study", always=True)
    method: str = entry("text", "comparative", always=True)
    sheet: Sheet = entry(
        "record", factory=lambda: Sheet(297.0, 420.0), records=(Sheet,), always=True
    )
    landmarks: tuple[Landmark, ...] = entry(
        "record", (), many="list", records=(Landmark,), key="id", most=MOST_LANDMARKS, always=True
    )
    sightings: tuple[Sighting, ...] = entry(
        "sighting", (), many="list", key="id", most=MOST_SIGHTINGS, always=True
    )
    unit: Unit | None = entry("record", None, records=(UnitPair, UnitLength))
    shapes: tuple[Shape, ...] = entry(
        "record", (), many="list", records=(Shape,), key="id", most=MOST_SHAPES
    )
    drawn: Mapping[str, Spot] = entry("point", many="map", factory=dict, names="landmark")
    drawn_sigma_mm: float = entry("mm", DEFAULT_DRAWN_SIGMA_MM, bounds={"gt": 0.0})
    frame: Frame | None = entry("record", None, records=(Frame,))
    placement: Placement = entry("record", Placement(), records=(Placement,))
    unit_mm: float | None = entry("mm", None, bounds={"gt": 0.0, "le": LARGEST_MM})
    families: tuple[Family, ...] = entry(
        "record", (), many="list", records=(Family,), key="name", most=100
    )
    rounds: tuple[Round, ...] = entry(
        "record", (), many="list", records=(Round,), key="id", most=100
    )
    shadows: tuple[CastShadow, ...] = entry(
        "record", (), many="list", records=(CastShadow,), key="id", most=100
    )
    repeats: tuple[Repeat, ...] = entry(
        "record", (), many="list", records=(Repeat,), key="name", most=50
    )
    heads: tuple[Head, ...] = entry("record", (), many="list", records=(Head,), key="id", most=20)
    figures: tuple[Figure, ...] = entry(
        "record", (), many="list", records=(Figure,), key="id", most=20
    )
    tone_areas: tuple[ToneArea, ...] = entry(
        "record", (), many="list", records=(ToneArea,), key="id", most=MOST_AREAS
    )
    tone_readings: tuple[ToneReading, ...] = entry(
        "record", (), many="list", records=(ToneReading,), key="id", most=MOST_COMPARISONS
    )
    tone_medium: Medium | None = entry("record", None, records=(Medium,))
    overlaps: tuple[Overlap, ...] = entry(
        "record", (), many="list", records=(Overlap,), key="id", most=2000
    )
    check_against: str | None = entry("choice", None, options=("plan", "proportions"))
    photograph: Photograph | None = entry("record", None, records=(Photograph,))
    """The photograph on which `drawn` was marked."""
    ruled: tuple[Ruled, ...] = entry(
        "record", (), many="list", records=(Ruled,), key="id", most=MOST_MEASURES
    )
    """Lengths ruled on the drawing."""
    resighted: tuple[Sighting, ...] = entry(
        "sighting", (), many="list", key="id", most=MOST_MEASURES
    )
    """Ratios and tilts sighted on the drawing as on the subject."""
    drawn_by: str | None = entry("choice", None, options=("recipe", "eye"))
    """Whether each mark was to sit where the plan has it, or the drawing is a witness too (None as
    by eye)."""
    manner: str | None = entry("choice", None, options=("copy", "free"))
    """How close the drawing has to be: neutral to a hair, or free; None between the two."""
    tolerance: Tolerances | None = entry("record", None, records=(Tolerances,))
    eye_first: bool = entry("flag", False)
    """Whether the artist says what the eye sees before anything is measured or shown."""
    inside_out: bool = entry("flag", False)
    """Whether features are placed first and the outline follows."""
    box_ticked: bool = entry("flag", False)
    """Whether the box round the whole is only ticked, not drawn."""
    own_order: tuple[str, ...] = entry("id", (), many="list", names="landmark", most=MOST_LANDMARKS)
    """Landmarks that the artist places first, in this order; the recipe goes on from there."""
    own_placings: tuple[OwnPlacing, ...] = entry(
        "record", (), many="list", records=(OwnPlacing,), key="landmark", most=MOST_LANDMARKS
    )
    checks: tuple[KeptCheck, ...] = entry(
        "record", (), many="list", records=(KeptCheck,), key="id", most=MOST_CHECKS
    )
    went_on: tuple[WentOn, ...] = entry(
        "record", (), many="list", records=(WentOn,), key="id", most=MOST_CHECKS
    )
    sittings: tuple[Sitting, ...] = entry(
        "record", (), many="list", records=(Sitting,), key="id", most=MOST_SITTINGS
    )
    """When the artist sat down to it, the latest last."""
    next_sitting: str | None = entry("text", None)
    """When it is sat to next, by the clock on the wall there."""
    place: Place | None = entry("record", None, records=(Place,))
    """Where it is drawn from, to come back to."""
    about: str | None = entry("choice", None, options=ABOUT)
    """What it is of, where the artist said so."""
    tags: tuple[str, ...] = entry("name", (), many="list", most=MOST_TAGS)
    """Words by which the artist finds it on the wall."""
    put_away: bool = entry("flag", False)
    """Whether it is done with and kept in the drawer, off the wall but at hand."""
    guesses: tuple[Guess, ...] = entry(
        "record", (), many="list", records=(Guess,), key="id", most=MOST_GUESSES
    )
    eye: JudgingEye | None = entry("record", None, records=(JudgingEye,))
    """How exact the artist's own eye is, where it was taken over; None for what is usual."""
    hand: OwnHand | None = entry("record", None, records=(OwnHand,))
    """The artist's own hand on the sheet, in place of the usual one of the recipe."""
    counted_to: CountedTo | None = entry("record", None, records=(CountedTo,))
    """How finely the artist counts: rounding is part of what a reading errs by."""
    leanings: Leanings | None = entry("record", None, records=(Leanings,))
    """What the artist's readings of real subjects do always, taken out before they are adjusted."""
    subject_photograph: SubjectPhotograph | None = entry(
        "record", None, records=(SubjectPhotograph,)
    )
    """The subject from the eye's own place, photographed once the sighting was done,"""
    photographed: Mapping[str, Spot] = entry("point", many="map", factory=dict, names="landmark")
    """and where each landmark is on it, in pixels."""
    trust: Mapping[str, float] = entry(
        "finite", many="map", factory=dict, bounds={"ge": 0.05, "le": 20.0}
    )
    """Factor on the default sigma of each kind of sighting; 1 where a kind is missing."""
    adopted: tuple[Sighting, ...] = entry(
        "sighting", (), many="list", key="id", most=MOST_SIGHTINGS
    )
    """Natural relations that the artist took into the plan: drawn by, never adjusted with."""
    frames: tuple[KeptFrame, ...] = entry(
        "record", (), many="list", records=(KeptFrame,), key="name", most=50
    )
    """Frames kept to be compared; the one in force is `frame`."""
    inches: bool = entry("flag", False)
    """Whether lengths on the sheet are said in inches."""
    subject: Subject | None = entry("record", None, records=(SimulatedSubject, PictureSubject))
    """What stands in for the subject on screen; None where it is only before the artist."""
    sight_size_mm: float | None = entry("mm", None, bounds={"gt": 0.0, "le": LARGEST_MM})
    """What the unit measures on the sheet at sight-size, from the station or as measured."""
    unit_mm_elsewhere: float | None = entry("mm", None, bounds={"ge": 0.0, "le": LARGEST_MM})
    """What the unit measured before a school at sight-size was taken up, to go back to; 0 where it
    was not chosen."""
    note: str | None = entry("note", None)
    task: Task | None = entry("record", None, records=(Task,))
    """What a lesson asks of it."""
    extra: Extra = unknown()

    def anew(self) -> Study:
        """The same subject, points and sheet before the first reading; nothing of the artist's."""
        return Study(
            title=self.title, method=self.method, sheet=self.sheet, landmarks=self.landmarks,
            unit=self.unit, shapes=self.shapes, families=self.families, heads=self.heads,
            figures=self.figures, eye_first=self.eye_first, inside_out=self.inside_out,
            box_ticked=self.box_ticked, about=self.about, inches=self.inches,
        )  # fmt: skip

    def problem(self) -> str | None:
        """A kind of sighting that isn't one, in words."""
        for kind in self.trust:
            if kind not in KINDS:
                return f"trust: there is no kind of sighting “{kind}”: {', '.join(KINDS)}"
        return None
