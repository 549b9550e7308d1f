"""The manners of placing: what each move of the hand fixes, how exactly, and how simple it is.

Two sorts. A **line** is what one move draws for a landmark to lie on: a plumb or level, with or
without an offset, a carried tilt, the arc of a carried length, a share of the gap between two
landmarks. Near the landmark it is the straight line g.e = g.(w1 e1 + w2 e2) + noise, with e the
error of the place, g the unit normal, and e1, e2 those of the landmarks it starts from. Two lines
that cross well fix a place. A **spot** fixes it in one move: a half, a third or a quarter between
two landmarks.

How exact a hand is, one standard deviation: stepping or carrying a length of n units the root of n
in mm, 1 mm at least; a share by eye 1.5 % of the length parted and 0.5 % of it across; plumb and
level 0.5 % of their length; a carried tilt 1 degree. What is said is rounded, and by how much is
the line's bias.

`fuss` is how much trouble a manner is, in mm of error that one would accept to be spared it:
halves, straight-unders and levels cost nothing, then come whole units and simple parts of them,
tilts, lengths, and the ruler.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from typing import NamedTuple

import numpy as np

from zirkel.core.arrays import Array, Indices

STEP_MM = 1.0
PART_SHARE = 0.015
STRAIGHT_SHARE = 0.005
TILT_RAD = np.radians(1.0)
TILT_SAID_DEG = 2.5
"""Five minutes on the clock's face: finer no stick is set."""

STRAIGHT_OFF_MM = 2.7
"""Furthest that a landmark may lie off a plumb or level and still be placed straight on it."""

BREADTHS_MM = (2.0, 3.5, 7.0, 10.5, 14.0)
TOUCHED_MM = 1.8
"""A touch, half a pencil's breadth, a pencil's, one and a half, two: what the hand has about it for
gaps too small to be counted in units; and how far from one of them a landmark may lie."""

SPOT_OFF_MM = 2.7
"""Furthest that a landmark may lie off a half, third or quarter and still be placed there."""

PULLED_MM = 1.5
"""A height pulled across from the subject: plumb and level by eye over some 300 mm."""

IN_SQUARE, SQUARE_PARTS = 0.03, 8
"""How exactly a place within a square of the grid is judged, as a share of the square, and into how
many parts it is divided."""

SHORTEST_MM = 12.0
"""No tilt or arc is drawn over less."""

PARTS = ((1 / 2, 0.0), (1 / 3, 0.3), (2 / 3, 0.3), (1 / 4, 0.2), (3 / 4, 0.2))
"""Shares of a length that are found by eye, and the trouble they are."""

FINER = tuple((k / 8, 1.0) for k in (1, 3, 5, 7)) + tuple((k / 5, 1.4) for k in (1, 2, 3, 4))
BEYOND = ((2.0, 0.5), (-1.0, 0.5), (1.5, 0.8), (-0.5, 0.8))
TENTHS = tuple((k / 10, 3.0) for k in range(-10, 21) if k not in (0, 10))
"""Further shares for who has nothing but the eye: finer ones, as far again, and at last tenths."""

COUNTED = {0: 0.0, 1 / 2: 0.1, 1 / 4: 0.3, 3 / 4: 0.3, 1 / 3: 0.4, 2 / 3: 0.4,
           1 / 8: 0.8, 3 / 8: 0.8, 5 / 8: 0.8, 7 / 8: 0.8, 1.0: 0.0}  # fmt: skip
"""Parts of a unit that are counted, and the trouble they are."""

PARTED = 22
"""Placed landmarks, the nearest ones, between which shares are looked for."""

FUSS = {"straight": 0.0, "touch": 0.7, "gap": 0.0, "units": 1.5, "rule": 1.6, "tilt": 1.8,
        "length": 1.0, "tick": 0.0}  # fmt: skip


class Judging(NamedTuple):
    """How exactly hand and eye part a length and keep plumb and level, as shares of the length;
    carry a tilt, in radians; and step off or set a length, as a share of it, or as is usual by the
    root of the units in it (None)."""

    part: float = PART_SHARE
    straight: float = STRAIGHT_SHARE
    tilt: float = TILT_RAD
    length: float | None = None


USUAL = Judging()


class Way(NamedTuple):
    """How a length is said: counted in a unit of so many mm, or ruled to the rule's finest mark."""

    unit_mm: float | None
    step_mm: float = 1.0
    ruled: bool = False


@dataclass(frozen=True, slots=True)
class Lines:
    """k lines towards one landmark.

    via (k, 2) numbers among the placed, with weights (k, 2), both 0 where the line starts from
    none; g (k, 2); noise (k,), bias (k,) in mm along g; value (k,) in mm, degrees or a share; units
    (k,) the value in units where it is counted so, else nan; fuss (k,).
    """

    manner: str
    via: Indices
    weight: Array
    g: Array
    noise: Array
    bias: Array
    value: Array
    units: Array
    fuss: Array


@dataclass(frozen=True, slots=True)
class Spots:
    """k spots for one landmark: via (k, 2) placed landmarks with weights (k, 2); along (k, 2) the
    direction of the length, noise (k, 2) along it and across it, bias (k, 2) in mm."""

    via: Indices
    weight: Array
    along: Array
    noise: Array
    bias: Array
    value: Array
    fuss: Array


def stepping(length_mm: Array, unit_mm: float | None, eye: Judging = USUAL) -> Array:
    """(k,) what stepping or carrying lengths (k,) errs by."""
    if eye.length is not None:
        own: Array = eye.length * np.abs(length_mm)
        return own
    steps = np.abs(length_mm) / unit_mm if unit_mm else np.ones_like(length_mm)
    made: Array = STEP_MM * np.sqrt(np.maximum(steps, 1.0))
    return made


def in_units(length_mm: Array, unit_mm: float) -> tuple[Array, Array, Array]:
    """Lengths as counts of units with a simple part: (count, mm said, fuss)."""
    exact = np.abs(length_mm) / unit_mm
    whole = np.floor(exact)
    parts, trouble = np.array(list(COUNTED)), np.array(list(COUNTED.values()))
    gap = np.abs((exact - whole)[:, None] - parts)
    # A rougher part serves where it is nearly as near.
    best = np.argmin(gap * unit_mm + trouble, axis=1)
    count = whole + parts[best]
    none = count <= 0
    count = np.where(none, 1 / 8, count)
    return count, count * unit_mm, np.where(none, COUNTED[1 / 8], trouble[best])


def _said(length_mm: Array, way: Way) -> tuple[Array, Array, Array]:
    """Lengths as they are said: (mm, units or nan, fuss)."""
    if way.ruled or way.unit_mm is None:
        said = np.maximum(np.round(np.abs(length_mm) / way.step_mm), 1.0) * way.step_mm
        return said, np.full(len(said), np.nan), np.full(len(said), FUSS["rule"])
    units, said, fuss = in_units(length_mm, way.unit_mm)
    return said, units, fuss + FUSS["units"]


def _single(manner: str, keep: Indices, g: Array, noise: Array, bias: Array, value: Array,
            units: Array | None = None, fuss: Array | float = 0.0) -> Lines:  # fmt: skip
    k = len(keep)
    return Lines(
        manner, np.column_stack([keep, keep]), np.column_stack([np.ones(k), np.zeros(k)]), g,
        noise, bias, value, np.full(k, np.nan) if units is None else units,
        np.zeros(k) + fuss,
    )  # fmt: skip


def straight_lines(target: Array, placed: Array, axis: int, eye: Judging = USUAL) -> Lines:
    """Straight under (axis 0) or level with (axis 1) a placed landmark."""
    off = target[axis] - placed[:, axis]
    away = np.abs(target[1 - axis] - placed[:, 1 - axis])
    keep = np.flatnonzero((np.abs(off) <= STRAIGHT_OFF_MM) & (away > SHORTEST_MM))
    return _single(
        _MANNER[axis], keep, _normals(axis, len(keep)), eye.straight * away[keep], -off[keep],
        np.zeros(len(keep)), fuss=FUSS["straight"],
    )  # fmt: skip


def touch_lines(target: Array, placed: Array, axis: int, eye: Judging = USUAL) -> Lines:
    """A touch or a pencil's breadth beside the plumb, or off the level, of a placed landmark."""
    off = target[axis] - placed[:, axis]
    away = np.abs(target[1 - axis] - placed[:, 1 - axis])
    breadth = np.array(BREADTHS_MM)
    nearest = breadth[np.abs(np.abs(off)[:, None] - breadth).argmin(axis=1)]
    near = (np.abs(np.abs(off) - nearest) <= TOUCHED_MM) & (np.abs(off) > 1.0)
    keep = np.flatnonzero(near & (away > SHORTEST_MM))
    said = np.sign(off[keep]) * nearest[keep]
    noise = np.hypot(STEP_MM, eye.straight * away[keep])
    return _single(_MANNER[axis], keep, _normals(axis, len(keep)), noise, said - off[keep], said,
                   fuss=FUSS["touch"])  # fmt: skip


def offset_lines(target: Array, placed: Array, axis: int, way: Way, eye: Judging = USUAL) -> Lines:
    """So many units, or so far by the rule, beside the plumb or level of a landmark."""
    off = target[axis] - placed[:, axis]
    away = np.abs(target[1 - axis] - placed[:, 1 - axis])
    keep = np.flatnonzero(np.abs(off) > STRAIGHT_OFF_MM)
    off, away = off[keep], away[keep]
    sign = np.sign(off)
    said, units, fuss = _said(off, way)
    noise = np.hypot(stepping(said, way.unit_mm, eye), eye.straight * away)
    return _single(_MANNER[axis], keep, _normals(axis, len(keep)), noise, sign * said - off,
                   sign * said, units * sign, fuss)  # fmt: skip


def tilt_lines(target: Array, placed: Array, eye: Judging = USUAL) -> Lines:
    """A tilt carried from a placed landmark, towards the new one."""
    d = target - placed
    length = np.hypot(d[:, 0], d[:, 1])
    steep = np.minimum(np.abs(d[:, 0]), np.abs(d[:, 1])) > 0.06 * np.maximum(length, 1e-9)
    keep = np.flatnonzero((length > SHORTEST_MM) & steep)
    d, length = d[keep], length[keep]
    exact = np.degrees(np.arctan2(d[:, 0], -d[:, 1])) % 360.0
    said = np.round(exact / TILT_SAID_DEG) * TILT_SAID_DEG
    turn = np.radians(said - exact)
    # Turned clockwise by a small angle, the place goes along the normal (-dy, dx) / length.
    g = np.column_stack([-d[:, 1], d[:, 0]]) / np.maximum(length, 1e-9)[:, None]
    return _single("tilt", keep, g, eye.tilt * length, turn * length, said % 360.0,
                   fuss=FUSS["tilt"])  # fmt: skip


def length_lines(target: Array, placed: Array, way: Way, eye: Judging = USUAL) -> Lines:
    """A length carried from a placed landmark: the arc about it."""
    d = target - placed
    length = np.hypot(d[:, 0], d[:, 1])
    keep = np.flatnonzero(length > SHORTEST_MM)
    d, length = d[keep], length[keep]
    said, units, fuss = _said(length, way)
    g = d / np.maximum(length, 1e-9)[:, None]
    return _single("length", keep, g, stepping(said, way.unit_mm, eye), said - length, said, units,
                   fuss + FUSS["length"])  # fmt: skip


def gap_lines(target: Array, placed: Array, axis: int,
              parts: tuple[tuple[float, float], ...] = PARTS,
              eye: Judging = USUAL) -> Lines:  # fmt: skip
    """At a share of the way across (axis 0) or down (axis 1) from one landmark to another."""
    i, j = _near_pairs(target, placed)
    gap = placed[j, axis] - placed[i, axis]
    found: list[tuple[int, float, float, float]] = []
    for share, fuss in parts:
        off = placed[i, axis] + share * gap - target[axis]
        near = np.flatnonzero((np.abs(off) <= SPOT_OFF_MM) & (np.abs(gap) > 3 * SHORTEST_MM))
        found += [(int(at), share, fuss, float(off[at])) for at in near]
    pair = np.array([each[0] for each in found], dtype=int)
    shares = np.array([each[1] for each in found])
    k = len(found)
    length = np.hypot(*(placed[j[pair]] - placed[i[pair]]).T) if k else np.zeros(0)
    return Lines(
        "across" if axis == 0 else "down",
        np.column_stack([i[pair], j[pair]]).reshape(k, 2),
        np.column_stack([1.0 - shares, shares]).reshape(k, 2),
        _normals(axis, k),
        np.hypot(eye.part * np.maximum(np.abs(shares), 1.0), eye.straight) * length,
        np.array([each[3] for each in found]),
        shares,
        np.full(k, np.nan),
        FUSS["gap"] + np.array([each[2] for each in found]),
    )  # fmt: skip


def tick_lines(target: Array, ticks: tuple[tuple[int, float, str], ...]) -> list[Lines]:
    """On the first ticks at the top, bottom, left or right of the whole, where it is one of those:
    (axis, mm from the top or left edge, side)."""
    return [
        Lines(
            side, np.zeros((1, 2), dtype=int), np.zeros((1, 2)), _normals(axis, 1),
            np.full(1, STEP_MM), np.full(1, at - float(target[axis])), np.full(1, at),
            np.full(1, np.nan), np.full(1, FUSS["tick"]),
        )
        for axis, at, side in ticks
    ]  # fmt: skip


def pulled_lines(target: Array) -> Lines:
    """The height pulled straight across from the subject, in sight-size: it starts from no mark."""
    return Lines(
        "pull", np.zeros((1, 2), dtype=int), np.zeros((1, 2)), _normals(1, 1),
        np.full(1, PULLED_MM), np.zeros(1), np.full(1, float(target[1])), np.full(1, np.nan),
        np.zeros(1),
    )  # fmt: skip


def part_spots(target: Array, placed: Array, eye: Judging = USUAL) -> Spots:
    """A half, a third or a quarter of the way between two placed landmarks."""
    i, j = _near_pairs(target, placed)
    b = placed[j] - placed[i]
    length = np.hypot(b[:, 0], b[:, 1])
    found = []
    for part, fuss in PARTS:
        off = placed[i] + part * b - target
        near = (np.hypot(off[:, 0], off[:, 1]) <= SPOT_OFF_MM) & (length > 3 * SHORTEST_MM)
        found += [(at, part, fuss, off[at]) for at in np.flatnonzero(near)]
    pair = np.array([each[0] for each in found], dtype=int)
    share = np.array([each[1] for each in found])
    b, length, k = b[pair], length[pair], len(found)
    return Spots(
        np.column_stack([i[pair], j[pair]]).reshape(k, 2),
        np.column_stack([1.0 - share, share]).reshape(k, 2),
        b / np.maximum(length, 1e-9)[:, None],
        np.column_stack([eye.part * length, eye.straight * length]).reshape(k, 2),
        np.array([each[3] for each in found]).reshape(k, 2),
        share,
        np.array([each[2] for each in found]),
    )


def _near_pairs(target: Array, placed: Array) -> tuple[Indices, Indices]:
    """Pairs of the placed landmarks nearest to a target."""
    nearest = np.sort(np.argsort(np.hypot(*(placed - target).T), kind="stable")[:PARTED])
    i, j = _pairs(len(nearest))
    return nearest[i], nearest[j]


@cache
def _pairs(n: int) -> tuple[Indices, Indices]:
    i, j = np.triu_indices(n, 1)
    return i, j


_MANNER = ("plumb", "level")


def _normals(axis: int, k: int) -> Array:
    g = np.zeros((k, 2))
    g[:, axis] = 1.0
    return g
