"""The manners of placing: what each step of the hand fixes, how exactly, and how it is said.

Two sorts. A **line** is what one step draws for a landmark to lie on: a plumb or level, with or
without an offset, a carried tilt, the circle of a carried length. Near the landmark it is the
straight line g.e = a.(errors of the landmarks it starts from) + noise, with e the error of the
place and g the unit normal. Two lines that cross well fix a place. A **spot** fixes a place in
one step: a half, a third or a quarter between two landmarks, or a straight step down, up or
across.

How exact a hand is, one standard deviation: stepping or carrying a length 1 mm a step; halving or
thirding by eye 1.5 % of the length; plumb and level by eye 0.5 % of their length; a carried tilt 1
degree. What is said is rounded, and by how much is the line's bias.

`fuss` is how much trouble a manner is, in mm of error that one would accept to be spared it.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import NamedTuple

import numpy as np

from zirkel.core.arrays import Array, Indices
from zirkel.core.values.fractions import COUNTED_PARTS

STEP_MM = 1.0
PART_SHARE = 0.015
STRAIGHT_SHARE = 0.005
TILT_RAD = np.radians(1.0)
TILT_SAID_DEG = 0.5

STRAIGHT_OFF_MM = 3.0
"""Furthest that a landmark may lie off a plumb or level and still be placed straight on it."""

SPOT_OFF_MM = 3.0
"""Furthest that a landmark may lie off a half, third or quarter and still be placed there."""

PULLED_MM = 1.5
"""A height pulled across from the subject: plumb and level by eye over some 300 mm."""

IN_SQUARE = 0.03
"""How exactly a place within a square of the grid is judged, as a share of the square."""

SHORTEST_MM = 12.0
"""No tilt or circle is drawn over less."""

PARTS = ((1 / 2, 0.0), (1 / 3, 0.5), (2 / 3, 0.5), (1 / 4, 0.5), (3 / 4, 0.5))
"""Shares of a length that are found by eye, and the trouble they are."""

PARTED = 30
"""Placed landmarks, the nearest ones, between which halves and thirds are looked for."""

FUSS = {"straight": 0.0, "units": 0.1, "strip": 2.0, "tilt": 0.2, "length": 0.6}


class Way(NamedTuple):
    """How a length is said: counted in a unit of so many mm, or, with None, set off with a rule to
    its finest mark."""

    unit_mm: float | None
    step_mm: float = 1.0


@dataclass(frozen=True, slots=True)
class Lines:
    """k lines towards one landmark, each from one placed landmark.

    via (k,) numbers among the placed; g (k, 2); noise (k,), bias (k,) in mm along g; value (k,)
    in mm or degrees; units (k,) the value in units where it is counted so, else nan.
    """

    manner: str
    via: Indices
    g: Array
    noise: Array
    bias: Array
    value: Array
    units: Array
    fuss: Array
    tied: bool = True
    """Whether the line carries the error of the landmark it starts from."""


@dataclass(frozen=True, slots=True)
class Spots:
    """k spots for one landmark: via (k, 2) placed landmarks with weights (k, 2); along (k, 2) the
    direction of the length, noise (k, 2) along it and across it, bias (k, 2) in mm."""

    manner: str
    via: Indices
    weight: Array
    along: Array
    noise: Array
    bias: Array
    value: Array
    units: Array
    fuss: Array


def in_units(length_mm: Array, unit_mm: float) -> tuple[Array, Array, Array]:
    """Lengths as counts of units with a simple part: (count, mm said, noise in mm)."""
    exact = np.abs(length_mm) / unit_mm
    whole = np.floor(exact)
    parts = np.array(COUNTED_PARTS)
    part = parts[np.argmin(np.abs((exact - whole)[:, None] - parts), axis=1)]
    count = whole + part
    steps = np.maximum(np.ceil(count - 1e-9), 1.0)
    judged = np.where(np.abs(part - np.round(part)) > 1e-9, PART_SHARE * unit_mm, 0.0)
    return count, count * unit_mm, np.hypot(STEP_MM * np.sqrt(steps), judged)


def straight_lines(target: Array, placed: Array, axis: int) -> Lines:
    """Straight under (axis 0) or level with (axis 1) a placed landmark."""
    off = target[axis] - placed[:, axis]
    away = np.abs(target[1 - axis] - placed[:, 1 - axis])
    keep = np.flatnonzero((np.abs(off) <= STRAIGHT_OFF_MM) & (away > SHORTEST_MM))
    k = len(keep)
    return Lines(
        "plumb" if axis == 0 else "level",
        keep,
        _normals(axis, k),
        STRAIGHT_SHARE * away[keep],
        -off[keep],
        np.zeros(k),
        np.full(k, np.nan),
        np.full(k, FUSS["straight"]),
    )


def offset_lines(target: Array, placed: Array, axis: int, way: Way) -> Lines:
    """So many units, or so far by the rule, beside the plumb or level of a landmark."""
    off = target[axis] - placed[:, axis]
    away = np.abs(target[1 - axis] - placed[:, 1 - axis])
    keep = np.flatnonzero(np.abs(off) > 2.0)
    off, away, k = off[keep], away[keep], len(keep)
    sign = np.sign(off)
    if way.unit_mm is None:
        said = np.maximum(np.round(np.abs(off) / way.step_mm), 1.0) * way.step_mm
        units, noise, fuss = np.full(k, np.nan), np.full(k, STEP_MM), FUSS["strip"]
    else:
        units, said, noise = in_units(off, way.unit_mm)
        fuss = FUSS["units"]
    noise = np.hypot(noise, STRAIGHT_SHARE * away)
    return Lines(
        "plumb" if axis == 0 else "level",
        keep,
        _normals(axis, k),
        noise,
        sign * said - off,
        sign * said,
        units * sign,
        np.full(k, fuss),
    )


def tilt_lines(target: Array, placed: Array) -> Lines:
    """A tilt carried from a placed landmark."""
    d = target - placed
    length = np.hypot(d[:, 0], d[:, 1])
    steep = np.minimum(np.abs(d[:, 0]), np.abs(d[:, 1])) > 0.06 * np.maximum(length, 1e-9)
    keep = np.flatnonzero((length > SHORTEST_MM) & steep)
    d, length = d[keep], length[keep]
    exact = np.degrees(np.arctan2(d[:, 0], -d[:, 1])) % 180.0
    said = np.round(exact / TILT_SAID_DEG) * TILT_SAID_DEG
    turn = np.radians(said - exact)
    # Turned clockwise by a small angle, the place goes along the normal (-dy, dx) / length.
    g = np.column_stack([-d[:, 1], d[:, 0]]) / np.maximum(length, 1e-9)[:, None]
    k = len(keep)
    return Lines(
        "tilt",
        keep,
        g,
        TILT_RAD * length,
        turn * length,
        said % 180.0,
        np.full(k, np.nan),
        np.full(k, FUSS["tilt"]),
    )


def length_lines(target: Array, placed: Array, way: Way) -> Lines:
    """A length carried from a placed landmark: the circle about it."""
    d = target - placed
    length = np.hypot(d[:, 0], d[:, 1])
    keep = np.flatnonzero(length > SHORTEST_MM)
    d, length, k = d[keep], length[keep], len(keep)
    if way.unit_mm is None:
        said = np.round(length / way.step_mm) * way.step_mm
        units, noise = np.full(k, np.nan), np.full(k, STEP_MM)
    else:
        units, said, noise = in_units(length, way.unit_mm)
    g = d / np.maximum(length, 1e-9)[:, None]
    return Lines("length", keep, g, noise, said - length, said, units, np.full(k, FUSS["length"]))


def pulled_lines(target: Array) -> Lines:
    """The height pulled straight across from the subject, in sight-size: it starts from no mark."""
    return Lines(
        "pull",
        np.zeros(1, dtype=int),
        _normals(1, 1),
        np.full(1, PULLED_MM),
        np.zeros(1),
        np.full(1, float(target[1])),
        np.full(1, np.nan),
        np.full(1, FUSS["straight"]),
        tied=False,
    )


def part_spots(target: Array, placed: Array) -> Spots:
    """A half, a third or a quarter of the way between two placed landmarks."""
    nearest = np.sort(np.argsort(np.hypot(*(placed - target).T), kind="stable")[:PARTED])
    i, j = (nearest[each] for each in np.triu_indices(len(nearest), 1))
    b = placed[j] - placed[i]
    length = np.hypot(b[:, 0], b[:, 1])
    found = []
    for part, fuss in PARTS:
        off = placed[i] + part * b - target
        near = (np.hypot(off[:, 0], off[:, 1]) <= SPOT_OFF_MM) & (length > 4 * SHORTEST_MM)
        found += [(at, part, fuss, off[at]) for at in np.flatnonzero(near)]
    pair = np.array([each[0] for each in found], dtype=int)
    share = np.array([each[1] for each in found])
    b, length, k = b[pair], length[pair], len(found)
    return Spots(
        "part",
        np.column_stack([i[pair], j[pair]]),
        np.column_stack([1.0 - share, share]),
        b / np.maximum(length, 1e-9)[:, None],
        np.column_stack([PART_SHARE * length, STRAIGHT_SHARE * length]),
        np.array([each[3] for each in found]).reshape(k, 2),
        share,
        np.full(k, np.nan),
        np.array([each[2] for each in found]),
    )


def stepped_spots(target: Array, placed: Array, axis: int, way: Way) -> Spots:
    """Straight down or up (axis 1) or across (axis 0) from a placed landmark, so many units or
    mm."""
    along, across = target[axis] - placed[:, axis], target[1 - axis] - placed[:, 1 - axis]
    keep = np.flatnonzero((np.abs(across) <= STRAIGHT_OFF_MM) & (np.abs(along) > SHORTEST_MM))
    along, across, k = along[keep], across[keep], len(keep)
    sign = np.sign(along)
    if way.unit_mm is None:
        said = np.round(np.abs(along) / way.step_mm) * way.step_mm
        units, noise, fuss = np.full(k, np.nan), np.full(k, STEP_MM), FUSS["strip"]
    else:
        units, said, noise = in_units(along, way.unit_mm)
        fuss = FUSS["units"]
    along_axis = np.zeros((k, 2))
    along_axis[:, axis] = 1.0
    bias = np.zeros((k, 2))
    bias[:, axis] = sign * said - along
    bias[:, 1 - axis] = -across
    return Spots(
        "down" if axis == 1 else "across",
        np.column_stack([keep, keep]),
        np.column_stack([np.ones(k), np.zeros(k)]),
        along_axis,
        np.column_stack([noise, STRAIGHT_SHARE * np.abs(along)]),
        bias,
        sign * said,
        units * sign,
        np.full(k, fuss),
    )


def _normals(axis: int, k: int) -> Array:
    g = np.zeros((k, 2))
    g[:, axis] = 1.0
    return g
