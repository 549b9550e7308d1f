"""The frame: what is taken in, what touches its edges, and how subject and background share it.

All places are in units on the subject plane, as solved; shares come from the closed shapes'
outlines by polygon arithmetic (Shapely).
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import shapely
from shapely import LinearRing, Polygon
from shapely.geometry.base import BaseGeometry

from zirkel.core.frames import Frame
from zirkel.core.study import Shape

TOUCHING = 0.02
"""A landmark this near to an edge, as a share of the frame's shorter side, touches it."""

LEAST_PIECE = 0.004
"""Pieces of background below this share of the frame are no shapes to draw by."""

SQUARE = 1.08
"""Below this ratio of the longer to the shorter side an arrangement asks for neither direction."""


@dataclass(frozen=True, slots=True)
class Touch:
    """A landmark at an edge of the frame: which edge, how far along it from the left or the top, as
    a share and in units; negative `inside` if it lies beyond the edge."""

    landmark: str
    edge: str
    share: float
    units: float
    inside: float


@dataclass(frozen=True, slots=True)
class NegativeShape:
    """A closed piece of background: its share of the frame, its outline in units, and the outlines
    of what stands within it."""

    share: float
    outline: tuple[tuple[float, float], ...]
    holes: tuple[tuple[tuple[float, float], ...], ...]
    at_edge: bool
    """Whether the frame's edge closes it; else the subject encloses it wholly."""


@dataclass(frozen=True, slots=True)
class FrameFacts:
    """Everything to say of a frame."""

    width: float
    height: float
    touches: tuple[Touch, ...]
    subject_share: float
    negative: tuple[NegativeShape, ...]
    suggested: str
    """portrait, landscape or either."""


def frame_facts(
    frame: Frame, places: Mapping[str, Sequence[float]], shapes: Sequence[Shape]
) -> FrameFacts:
    """What a frame holds. `places` are (x, y) in units."""
    width, height = frame.right - frame.left, frame.bottom - frame.top
    window = shapely.box(frame.left, frame.top, frame.right, frame.bottom)
    subject = _outlines(shapes, places).intersection(window)
    return FrameFacts(
        width=width,
        height=height,
        touches=tuple(_touches(frame, places)),
        subject_share=float(subject.area / window.area) if window.area else 0.0,
        negative=tuple(_negative(window, subject)),
        suggested=suggested_direction(width, height),
    )


def suggested_direction(width: float, height: float) -> str:
    """Which way the sheet should lie for an arrangement of this width and height."""
    if width > SQUARE * height:
        return "landscape"
    return "portrait" if height > SQUARE * width else "either"


def with_proportion(frame: Frame, ratio: float) -> Frame:
    """The smallest frame of that width over height that holds the given one, about its middle."""
    width, height = frame.right - frame.left, frame.bottom - frame.top
    wide, high = max(width, height * ratio), max(height, width / ratio)
    x, y = (frame.left + frame.right) / 2.0, (frame.top + frame.bottom) / 2.0
    return Frame(x - wide / 2.0, x + wide / 2.0, y - high / 2.0, y + high / 2.0)


def _outlines(shapes: Sequence[Shape], places: Mapping[str, Sequence[float]]) -> BaseGeometry:
    """The union of all closed shapes whose landmarks have places."""
    made = []
    for each in shapes:
        points = [tuple(places[name]) for name in each.outline if name in places]
        if each.closed and len(points) > 2:
            # A crossed outline still covers something: every lobe of it.
            made.append(shapely.make_valid(Polygon(points)))
    return shapely.union_all(made) if made else Polygon()


def _touches(frame: Frame, places: Mapping[str, Sequence[float]]) -> list[Touch]:
    width, height = frame.right - frame.left, frame.bottom - frame.top
    near = TOUCHING * min(width, height)
    made = []
    for name, (x, y) in places.items():
        edges = (
            ("left", x - frame.left, y - frame.top, height),
            ("right", frame.right - x, y - frame.top, height),
            ("top", y - frame.top, x - frame.left, width),
            ("bottom", frame.bottom - y, x - frame.left, width),
        )
        for edge, inside, along, whole in edges:
            if inside <= near and -near <= along <= whole + near:
                made.append(Touch(name, edge, along / whole, along, inside))
    return sorted(made, key=lambda each: (each.edge, each.share))


def _negative(window: BaseGeometry, subject: BaseGeometry) -> list[NegativeShape]:
    made: list[NegativeShape] = []
    whole = float(window.area)
    if whole <= 0.0:
        # A window far from everything: its own extent is lost beside its distance.
        return made
    for piece in shapely.get_parts(window.difference(subject)):
        share = float(piece.area) / whole
        if isinstance(piece, Polygon) and share >= LEAST_PIECE:
            holes = tuple(_corners(each) for each in piece.interiors)
            at_edge = bool(piece.boundary.intersects(window.boundary))
            made.append(NegativeShape(share, _corners(piece.exterior), holes, at_edge))
    return sorted(made, key=lambda each: -each.share)


def _corners(ring: LinearRing) -> tuple[tuple[float, float], ...]:
    return tuple((float(x), float(y)) for x, y in ring.coords[:-1])
