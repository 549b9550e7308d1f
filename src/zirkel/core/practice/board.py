"""What an exercise puts before the eye, how it is answered, and what it then says was so.

The board is 1 wide and `tall` high, x to the right, y down. Nothing here says what is true: that is
in `Posed.truth` and `Posed.laid_over`, which nobody is shown before the answer.
"""

from __future__ import annotations

from dataclasses import dataclass

from zirkel.core.subject.station import Station

Spot = tuple[float, float]


@dataclass(frozen=True, slots=True)
class Piece:
    """One thing drawn: `sort` is line, area, dot or ellipse (spots: middle, then half axes); `look`
    is drawn, faint, heavy, asked, truth or answer; `tone` in steps fills an area; `name` is written
    beside it."""

    sort: str
    spots: tuple[Spot, ...]
    look: str = "drawn"
    tone: float | None = None
    name: str = ""


@dataclass(frozen=True, slots=True)
class Picture:
    """A scene as seen from a station, laid on the board: left, top, right, bottom."""

    scene: str
    station: Station
    box: tuple[float, float, float, float]


@dataclass(frozen=True, slots=True)
class Way:
    """How a trial is answered.

    along: a place on the line between two spots, answered by its share of the way; choose: one of
    two sides, -1 or 1; turn: a hand about the first spot, as long as to the second, in degrees from
    upright (`shape` bare: without a clock; half: one half of a hand, all round); scale: a value
    from `low` to `high`; stretch: a shape standing on the line between two spots, answered by its
    height over its width; place: a spot in the frame between two corners; places: one for each of
    `names`, within `seconds`.
    """

    sort: str
    spots: tuple[Spot, ...] = ()
    low: float = 0.0
    high: float = 1.0
    names: tuple[str, ...] = ()
    shape: str = "box"
    seconds: float | None = None
    look: float | None = None
    """Seconds for which all is shown before it is gone, and the answer may begin."""


@dataclass(frozen=True, slots=True)
class Posed:
    """One trial as it is posed: what is asked, drawn and true, as the answer would say it."""

    asks: str
    tall: float
    pieces: tuple[Piece, ...]
    way: Way
    truth: tuple[float, ...]
    laid_over: tuple[Piece, ...] = ()
    picture: Picture | None = None
    landmarks: tuple[str, ...] = ()
    """Ids of the scene's landmarks that are to be placed."""
    scale: float = 1.0
    """Degrees, or whatever else the record counts in, to one of the answer's own unit."""


def line(*spots: Spot, look: str = "drawn", name: str = "") -> Piece:
    """A line through spots."""
    return Piece("line", spots, look, name=name)


def area(*spots: Spot, look: str = "drawn", tone: float | None = None) -> Piece:
    """A closed area."""
    return Piece("area", spots, look, tone)


def dot(at: Spot, look: str = "drawn", name: str = "") -> Piece:
    """A mark."""
    return Piece("dot", (at,), look, name=name)


def ellipse(middle: Spot, half: Spot, look: str = "drawn") -> Piece:
    """An upright ellipse with half axes across and up."""
    return Piece("ellipse", (middle, half), look)


def box(left: float, top: float, right: float, bottom: float, look: str = "drawn") -> Piece:
    """An upright box."""
    return area((left, top), (right, top), (right, bottom), (left, bottom), look=look)
