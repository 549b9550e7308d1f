"""What a study is made of: frozen records, as in the study file, with ids instead of references."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from zirkel.core.sightings import Sighting
from zirkel.core.subject.station import Station

DEFAULT_DRAWN_SIGMA_MM = 1.0


@dataclass(frozen=True, slots=True)
class Landmark:
    """A named point that can be found again on subject and sheet.

    `rough` is its place on the thumbnail, any scale, x right and y down; None if never tapped.
    `tier` is 1 for large shapes, 2 for middle ones, 3 for detail.
    """

    id: str
    name: str
    tier: int = 1
    rough: tuple[float, float] | None = None
    extra: Mapping[str, object] = field(default_factory=dict)
    """Fields of the file that Zirkel does not know, kept for who wrote them."""


@dataclass(frozen=True, slots=True)
class UnitPair:
    """A length on the subject in which all else is counted: exactly 1 from `start` to `end`."""

    start: str
    end: str
    along: str
    name: str


@dataclass(frozen=True, slots=True)
class UnitLength:
    """Readings that are lengths on the sheet itself (sight-size, dividers): no pair is exact."""

    mm: float
    name: str
    origin: str


Unit = UnitPair | UnitLength


@dataclass(frozen=True, slots=True)
class Margins:
    """Free border of the sheet, in millimetres."""

    left: float
    right: float
    top: float
    bottom: float

    @classmethod
    def even(cls, mm: float) -> Margins:
        """The same border on all four sides."""
        return cls(mm, mm, mm, mm)


@dataclass(frozen=True, slots=True)
class Sheet:
    """The paper or canvas, in millimetres."""

    width_mm: float
    height_mm: float
    margin: Margins = field(default_factory=lambda: Margins.even(15.0))


@dataclass(frozen=True, slots=True)
class Shape:
    """A straight-line block-in shape: landmark ids in drawing order."""

    id: str
    name: str
    outline: tuple[str, ...]
    closed: bool = True
    part_of: str | None = None
    tier: int = 1
    extra: Mapping[str, object] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class Frame:
    """The extent of the subject to take in, in units."""

    left: float
    right: float
    top: float
    bottom: float


@dataclass(frozen=True, slots=True)
class KeptFrame:
    """A frame under a name, to be compared with others."""

    name: str
    frame: Frame


@dataclass(frozen=True, slots=True)
class Placement:
    """Shares of the free space that go left of and above the frame."""

    across: float = 0.5
    down: float = 0.5


@dataclass(frozen=True, slots=True)
class Family:
    """Edges of the subject that are parallel in reality; `level` if they are also horizontal."""

    name: str
    edges: tuple[tuple[str, str], ...]
    level: bool = False


@dataclass(frozen=True, slots=True)
class SimulatedSubject:
    """A scene that Zirkel shows in place of a live subject, seen from a station.

    `faults` are those of the artist's hand that are turned on, with their sizes.
    """

    scene: str
    station: Station
    faults: Mapping[str, float] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class PictureSubject:
    """A photograph or print as the subject, and how it is looked at.

    `crop` (left, top, right, bottom) in shares of the upright picture; `turn_deg` clockwise makes a
    plumb edge true; `tones` 0 leaves all of them; `squint` is a blur in thousandths of the longer
    side; `mm_per_px` its true size, where it has been measured. With `silent`, Zirkel takes no
    readings from it by itself.
    """

    picture: str
    width: int
    height: int
    crop: tuple[float, float, float, float] = (0.0, 0.0, 1.0, 1.0)
    turn_deg: float = 0.0
    grey: bool = False
    contrast: float = 1.0
    squint: float = 0.0
    tones: int = 0
    mm_per_px: float | None = None
    silent: bool = False


Subject = SimulatedSubject | PictureSubject


@dataclass(frozen=True, slots=True)
class Study:
    """One drawing project: a subject, a sheet and everything read from the subject."""

    title: str
    method: str
    sheet: Sheet
    landmarks: tuple[Landmark, ...] = ()
    sightings: tuple[Sighting, ...] = ()
    unit: Unit | None = None
    shapes: tuple[Shape, ...] = ()
    drawn: Mapping[str, tuple[float, float]] = field(default_factory=dict)
    drawn_sigma_mm: float = DEFAULT_DRAWN_SIGMA_MM
    frame: Frame | None = None
    placement: Placement = Placement()
    unit_mm: float | None = None
    families: tuple[Family, ...] = ()
    check_against: str | None = None
    trust: Mapping[str, float] = field(default_factory=dict)
    """Factor on the default sigma of each kind of sighting; 1 where a kind is missing."""
    adopted: tuple[Sighting, ...] = ()
    """Natural relations that the artist took into the plan: drawn by, never adjusted with."""
    frames: tuple[KeptFrame, ...] = ()
    """Frames kept to be compared; the one in force is `frame`."""
    inches: bool = False
    """Whether lengths on the sheet are said in inches."""
    subject: Subject | None = None
    """What stands in for the subject on screen; None where it is only before the artist."""
    extra: Mapping[str, object] = field(default_factory=dict)
