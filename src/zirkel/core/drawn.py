"""What is kept of the drawing itself: its photograph, measures with ruler and stick, checks, and
what the eye said before they were made.

Places are millimetres from the sheet's top-left corner; places on a photograph are pixels of the
upright picture.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from zirkel.core.fields import entry, unknown

Extra = Mapping[str, object]
Spot = tuple[float, float]

MOST_CHECKS, MOST_MEASURES, MOST_GUESSES = 200, 2000, 5000
LEAST_CORNER_PX = 8.0
"""How far apart two corners of a photographed sheet are at least."""

EDGES = ("left", "right", "top", "bottom", "plumb")
HOW_PLACED = ("eye", "left_out", "fell")
WAYS = ("left", "right", "higher", "lower", "larger", "smaller", "fine")


@dataclass(frozen=True, slots=True)
class SubjectPhotograph:
    """A photograph of the real subject from where the eye was, as its truth; `edge` are pixels
    along one edge that is straight in reality, by which the lens is straightened."""

    picture: str = entry("hash")
    width: int = entry("whole", bounds={"ge": 1, "le": 100_000})
    height: int = entry("whole", bounds={"ge": 1, "le": 100_000})
    edge: tuple[Spot, ...] = entry("point", (), many="list", most=40)
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class Photograph:
    """A photograph of the drawing. `corners` are the sheet's own: top left, top right, bottom
    right, bottom left; `bend` is how the lens bends straight edges (see `check.photograph`)."""

    picture: str = entry("hash")
    width: int = entry("whole", bounds={"ge": 1, "le": 100_000})
    height: int = entry("whole", bounds={"ge": 1, "le": 100_000})
    corners: tuple[Spot, ...] = entry("point", many="list", least=4, most=4)
    bend: float = entry("finite", 0.0, bounds={"ge": -0.3, "le": 0.3})
    found: bool = entry("flag", False)
    """Whether Zirkel found the corners and the artist left them so."""
    extra: Extra = unknown()

    def problem(self) -> str | None:
        """Corners that make no sheet, in words."""
        c = self.corners
        turns = []
        for i in range(4):
            (ax, ay), (bx, by), (cx, cy) = c[i], c[(i + 1) % 4], c[(i + 2) % 4]
            if abs(bx - ax) + abs(by - ay) < LEAST_CORNER_PX:
                return "two corners of the sheet are at one spot: set each at its own"
            turns.append((bx - ax) * (cy - by) - (by - ay) * (cx - bx))
        least = LEAST_CORNER_PX**2
        if all(turn > least for turn in turns):
            return None
        if all(turn < -least for turn in turns):
            return (
                "the corners go round the wrong way: top left, top right, bottom right, bottom left"
            )
        if all(abs(turn) <= least for turn in turns):
            return "the corners lie on one line: set one at each corner of the sheet"
        return (
            "the corners cross or lie on one line: top left, top right, bottom right, bottom left"
        )


@dataclass(frozen=True, slots=True)
class OwnPlacing:
    """How the artist places a landmark otherwise than the recipe would: by eye, not at all
    (`left_out`), or where it fell on the sheet, as measured there (`at`)."""

    landmark: str = entry("id", names="landmark")
    how: str = entry("choice", options=HOW_PLACED)
    at: Spot | None = entry("point", None)
    extra: Extra = unknown()

    def problem(self) -> str | None:
        """That a place is missing, or is said of what has none, in words."""
        if (self.how == "fell") == (self.at is not None):
            return None
        return "where it fell is said by its place `at`; what is placed by eye or left out has none"


@dataclass(frozen=True, slots=True)
class Ruled:
    """A length ruled on the drawing: how far a landmark is from an edge of the sheet or right of
    the drawn plumb line (`side`), or from another landmark (`start`, `along`; right of it or lower
    where that is signed)."""

    id: str = entry("id")
    landmark: str = entry("id", names="landmark")
    mm: float = entry("mm")
    side: str | None = entry("choice", None, options=EDGES)
    start: str | None = entry("id", None, names="landmark", file="from")
    along: str = entry("choice", "straight", options=("straight", "level", "plumb"))
    extra: Extra = unknown()

    def problem(self) -> str | None:
        """A measure from nowhere, or from two places, in words."""
        if (self.side is None) == (self.start is None):
            return "say from where: one side of the sheet, or another landmark"
        if self.start == self.landmark:
            return "measures a landmark to itself: choose another one to measure from"
        if self.mm < 0 and (self.side not in (None, "plumb") or self.along == "straight"):
            return f"{self.mm:g} is less than nothing: give the length without a sign"
        return None


@dataclass(frozen=True, slots=True)
class Tolerances:
    """How far off the artist lets landmarks be, in mm, by tier; None leaves it to Zirkel."""

    large: float | None = entry("mm", None, bounds={"gt": 0.0, "le": 1000.0})
    middle: float | None = entry("mm", None, bounds={"gt": 0.0, "le": 1000.0})
    detail: float | None = entry("mm", None, bounds={"gt": 0.0, "le": 1000.0})
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class EyeGuess:
    """What looked off before it was measured: a landmark, or the whole (None), and which way;
    `right` is whether it was so, once that is known."""

    way: str = entry("choice", options=WAYS)
    landmark: str | None = entry("id", None)
    right: bool | None = entry("flag", None)
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class KeptFault:
    """A fault as a check named it."""

    kind: str = entry("id")
    said: str = entry("note")
    way: str = entry("text", "")
    """Which of its two ways it went: larger or smaller, left or right."""
    landmarks: tuple[str, ...] = entry("id", (), many="list")
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class KeptMove:
    """A correction as it was told, and whether the artist has made it."""

    said: str = entry("note")
    landmarks: tuple[str, ...] = entry("id", (), many="list")
    done: bool = entry("flag", False)
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class KeptCheck:
    """A check as it was: when, on which drawing, what it found. Never overwritten."""

    id: str = entry("id")
    at: str = entry("text")
    against: str = entry("choice", options=("plan", "proportions"))
    sound: bool = entry("flag", always=True)
    apart_mm: float = entry("finite")
    """Root mean square distance of the landmarks from where they should be."""
    sound_tiers: tuple[int, ...] = entry("whole", (), many="list")
    places: Mapping[str, Spot] = entry("point", many="map", factory=dict)
    targets: Mapping[str, Spot] = entry("point", many="map", factory=dict)
    faults: tuple[KeptFault, ...] = entry("record", (), many="list", records=(KeptFault,))
    moves: tuple[KeptMove, ...] = entry("record", (), many="list", records=(KeptMove,))
    guesses: tuple[EyeGuess, ...] = entry("record", (), many="list", records=(EyeGuess,))
    photograph: Photograph | None = entry("record", None, records=(Photograph,))
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class WentOn:
    """That the artist went on to smaller shapes, and whether a check had earned it by then."""

    id: str = entry("id")
    tier: int = entry("whole", bounds={"ge": 2, "le": 3})
    at: str = entry("text")
    earned: bool = entry("flag", always=True)
    extra: Extra = unknown()


@dataclass(frozen=True, slots=True)
class Guess:
    """What the eye said before it was measured, and what was found; `measure` says how the error
    counts: answer / truth - 1 where relative, else the difference."""

    id: str = entry("id")
    at: str = entry("text")
    exercise: str = entry("id")
    measure: str = entry("choice", options=("relative", "share", "degrees", "units"))
    answer: float = entry("finite")
    truth: float = entry("finite")
    artist: str | None = entry("id", None)
    """Whose eye it was; None for who has not been named."""
    extra: Extra = unknown()
