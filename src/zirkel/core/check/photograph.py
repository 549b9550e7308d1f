"""From a photograph of the sheet to the sheet: the lens and the camera's perspective taken out.

A lens bends straight edges: a point at distance r from the picture's middle, counted in half
diagonals, belongs at r (1 + k r^2), where k is the `bend`. A flat sheet and its picture, once
unbent, correspond by a homography H (3, 3), which the four corners fix: for each corner (u, v) at
(x, y) mm

    x (h31 u + h32 v + h33) = h11 u + h12 v + h13,   y (h31 u + h32 v + h33) = h21 u + h22 v + h23,

scaled to the unit square for a well-conditioned solution.

How sure a clicked place is follows by propagation of errors: through the derivative of the place by
the click and by the eight coordinates of the corners, found by small steps.

Sources: D. Brown (1971), *Close-range camera calibration*, on the lens; R. Hartley and A. Zisserman
(2004), *Multiple View Geometry in Computer Vision*, 4.1, on the homography; Z. Zhang and L. He
(2007), *Whiteboard scanning and image enhancement*, on the sheet's proportions in a photograph.
"""

from __future__ import annotations

import math
from collections.abc import Iterable
from dataclasses import dataclass, replace

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.drawn import Photograph
from zirkel.core.study import Sheet

CLICK_PX, CORNER_PX, FOUND_PX = 1.2, 1.5, 0.5
"""How far a click errs, and a corner set by hand or found, one standard deviation each way, in the
photograph's pixels."""

PAPER_MM = 0.3
"""What remains of a sheet that doesn't lie quite flat, and of a drawn corner's own breadth."""

ROUNDS = 12
STEP_PX = 0.5


@dataclass(frozen=True, slots=True)
class Flattening:
    """Between the photograph (pixels) and the sheet (millimetres)."""

    photograph: Photograph
    size: tuple[float, float]
    to_square: Array
    """(3, 3) homography from the unbent picture, in half diagonals about its middle, to the unit
    square."""

    def to_sheet(self, pixels: Array) -> Array:
        """(k, 2) places on the sheet, in mm, of pixels (k, 2)."""
        made: Array = _through(self.to_square, self._unbent(pixels)) * self.size
        return made

    def to_picture(self, places: Array) -> Array:
        """(k, 2) pixels of places on the sheet (k, 2) in mm."""
        shares = np.asarray(places, dtype=np.float64) / np.array(self.size)
        back = np.asarray(np.linalg.inv(self.to_square), dtype=np.float64)
        flat = _through(back, shares)
        middle, half = _frame(self.photograph)
        made: Array = middle + half * bent(flat, self.photograph.bend)
        return made

    def _unbent(self, pixels: Array) -> Array:
        middle, half = _frame(self.photograph)
        return unbent((np.asarray(pixels, dtype=np.float64) - middle) / half, self.photograph.bend)

    def spread(self, places: Array) -> Array:
        """(k,) standard deviation each way, in mm, of clicks that came to lie there (k, 2)."""
        pixels = self.to_picture(places)
        total = np.zeros(len(pixels))
        corner_px = FOUND_PX if self.photograph.found else CORNER_PX
        for way in np.eye(2):
            moved = self.to_sheet(pixels + STEP_PX * way) - self.to_sheet(pixels)
            total += (moved**2).sum(axis=1) * (CLICK_PX / STEP_PX) ** 2
        for corner in range(4):
            for axis in range(2):
                at = [list(each) for each in self.photograph.corners]
                at[corner][axis] += STEP_PX
                moved_corner = replace(
                    self.photograph, corners=tuple((each[0], each[1]) for each in at)
                )
                other = flattening(moved_corner, self.size)
                moved = other.to_sheet(pixels) - self.to_sheet(pixels)
                total += (moved**2).sum(axis=1) * (corner_px / STEP_PX) ** 2
        made: Array = np.sqrt(total / 2.0 + PAPER_MM**2)
        return made


def flattening(photograph: Photograph, size: tuple[float, float]) -> Flattening:
    """The way between a photograph and a sheet of so many mm; its corners are a sheet's (see
    `Photograph.problem`)."""
    middle, half = _frame(photograph)
    at = unbent((np.array(photograph.corners) - middle) / half, photograph.bend)
    return Flattening(photograph, size, homography(at, SQUARE))


def flattening_of(photograph: Photograph, sheet: Sheet) -> Flattening:
    """The same, for the study's sheet."""
    return flattening(photograph, (sheet.width_mm, sheet.height_mm))


def sigma_of(photograph: Photograph, sheet: Sheet, places: Iterable[tuple[float, float]]) -> float:
    """One standard deviation, in mm, that stands for all these places marked on a photograph."""
    at = np.array(list(places), dtype=float).reshape(-1, 2)
    if not len(at):
        return PAPER_MM
    spread = flattening_of(photograph, sheet).spread(at)
    return round(float(math.sqrt((spread**2).mean())), 2)


SQUARE = np.array([(0.0, 0.0), (1.0, 0.0), (1.0, 1.0), (0.0, 1.0)])


def homography(source: Array, target: Array) -> Array:
    """(3, 3) from four points (4, 2) to four others; no three of either lie on one line."""
    rows = []
    for (u, v), (x, y) in zip(source, target, strict=True):
        rows.append([u, v, 1, 0, 0, 0, -x * u, -x * v, -x])
        rows.append([0, 0, 0, u, v, 1, -y * u, -y * v, -y])
    made: Array = np.linalg.svd(np.array(rows))[2][-1].reshape(3, 3)
    return made


def _through(h: Array, points: Array) -> Array:
    lifted = np.column_stack([points, np.ones(len(points))]) @ h.T
    deep = lifted[:, 2:]
    safe = np.where(np.abs(deep) < 1e-12, 1e-12, deep)
    made: Array = lifted[:, :2] / safe
    return made


def unbent(points: Array, bend: float) -> Array:
    """Points (k, 2) about the middle, in half diagonals, as a straight lens would show them."""
    made: Array = points * (1.0 + bend * (points**2).sum(axis=1, keepdims=True))
    return made


def bent(points: Array, bend: float) -> Array:
    """The other way, by Newton's method on r (1 + k r^2) = s; s beyond the lens's reach stays."""
    s = np.hypot(*points.T)
    r = s.copy()
    for _ in range(ROUNDS):
        slope = 1.0 + 3.0 * bend * r**2
        r -= np.where(slope > 0.1, (r * (1.0 + bend * r**2) - s) / np.maximum(slope, 0.1), 0.0)
    made: Array = points * (r / np.maximum(s, 1e-12))[:, None]
    return made


def _frame(photograph: Photograph) -> tuple[Array, float]:
    """Middle and half diagonal of the picture, in pixels."""
    size = np.array([photograph.width, photograph.height], dtype=float)
    return size / 2.0, float(np.hypot(*size)) / 2.0


def proportions(photograph: Photograph) -> float | None:
    """Width over height of the sheet as its corners show it, for a camera with square pixels and
    its axis in the middle; None where they can't tell."""
    middle, half = _frame(photograph)
    at = unbent((np.array(photograph.corners) - middle) / half, photograph.bend)
    m = [np.array([x, y, 1.0]) for x, y in at]
    m1, m2, m4, m3 = m[0], m[1], m[2], m[3]
    k2 = float(np.cross(m1, m4) @ m3) / (float(np.cross(m2, m4) @ m3) or 1e-12)
    k3 = float(np.cross(m1, m4) @ m2) / (float(np.cross(m3, m4) @ m2) or 1e-12)
    n2, n3 = k2 * m2 - m1, k3 * m3 - m1
    across, down = n2[2], n3[2]
    if abs(across) < 0.02 or abs(down) < 0.02:
        # Hardly any perspective in one way: any focal length explains it, so take a usual one.
        focal = USUAL_FOCAL
    else:
        square = -(n2[0] * n3[0] + n2[1] * n3[1]) / (across * down)
        focal = math.sqrt(square) if square > 0 else USUAL_FOCAL
        focal = min(max(focal, 0.7), 8.0)
    wide = float(n2[0] ** 2 + n2[1] ** 2) / focal**2 + across**2
    high = float(n3[0] ** 2 + n3[1] ** 2) / focal**2 + down**2
    return math.sqrt(wide / high) if high > 0 else None


USUAL_FOCAL = 1.6
"""Of a telephone's camera, in half diagonals."""
