"""The four corners of a sheet of paper in a photograph, where they are clear.

Several ways of parting light from dark, pale from coloured and edge from plane each offer outlines;
of those that have four sides the one is taken whose sides are edges of the picture along most of
their length. Each side is then followed at full size: where the brightness changes most across it,
to a fraction of a pixel. A lens bends straight edges, so that the bend with which all four become
straightest is looked for at once; the corners are where the straight lines meet.

It is only called clear if all four sides were seen along most of their length, keep to their lines,
and show a sheet of the proportions that are expected: otherwise the artist is asked.

OpenCV does the image processing: Canny's edges, contours and their simplification (D. Douglas and
T. Peucker 1973), Otsu's threshold.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path
from typing import Any

import cv2
import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import map_coordinates
from scipy.optimize import minimize_scalar

from zirkel.core.arrays import Array
from zirkel.core.check.photograph import bent, proportions, unbent
from zirkel.core.drawn import Photograph

LONGEST_SEARCHED = 800
LEAST_AREA = 0.1
"""Share of the picture that a sheet takes at least."""

SAMPLES, REACH_PX, SMOOTH_PX = 160, 14, 1.2
SEEN, STRAIGHT_PX, ALIKE = 0.6, 1.6, 0.07
"""Along how much of a side it has to be seen, how straight, and how near the sheet's proportions
have to come, to be clear."""

NOISE = 4.0
LARGEST_BEND = 0.12
TELLING = 0.6
"""A bend is believed if it brings the sides' scatter down to this share."""

Grey = NDArray[Any]


@dataclass(frozen=True, slots=True)
class FoundSheet:
    """Corners (top left, top right, bottom right, bottom left) in pixels, the lens's bend, whether
    they are clear, and if not, why."""

    corners: tuple[tuple[float, float], ...]
    bend: float
    clear: bool
    why: str = ""


def find_sheet(path: Path, picture: str, proportion: float) -> FoundSheet:
    """The sheet of so much width over height in a kept picture."""
    image = cv2.imread(str(path), cv2.IMREAD_COLOR)
    if image is None:
        return FoundSheet(_inset(100, 100), 0.0, False, "the picture can't be opened")
    height, width = image.shape[:2]
    scale = min(1.0, LONGEST_SEARCHED / max(width, height))
    small = cv2.resize(image, None, fx=scale, fy=scale, interpolation=cv2.INTER_AREA)
    quad = _best(small)
    if quad is None:
        return FoundSheet(_inset(width, height), 0.0, False, "no sheet with four sides was found")
    return _followed(_told_best(image, quad / scale), quad / scale, picture, proportion)


def _inset(width: int, height: int) -> tuple[tuple[float, float], ...]:
    a, b = width * 0.12, height * 0.12
    return ((a, b), (width - a, b), (width - a, height - b), (a, height - b))


def _best(small: Grey) -> Array | None:
    """The four-sided outline whose sides are edges along most of their length."""
    grey = cv2.GaussianBlur(cv2.cvtColor(small, cv2.COLOR_BGR2GRAY), (0, 0), 1.2).astype(float)
    steep = np.hypot(cv2.Sobel(grey, cv2.CV_64F, 1, 0), cv2.Sobel(grey, cv2.CV_64F, 0, 1)) / 8.0
    floor = max(2.0, 1.5 * float(np.median(steep)))
    best, most = None, 0.0
    for quad in _outlines(small):
        sides = [_support(steep, quad[i], quad[(i + 1) % 4], floor) for i in range(4)]
        area = cv2.contourArea(quad.astype(np.float32)) / (small.shape[0] * small.shape[1])
        worth = min(sides) + 0.5 * float(np.mean(sides)) + 0.25 * area
        if worth > most:
            best, most = quad, worth
    return best


def _support(steep: Array, a: Array, b: Array, floor: float) -> float:
    """Along which share of a side the picture has an edge within three pixels."""
    along = np.linspace(0.04, 0.96, 50)[:, None]
    at = a + along * (b - a)
    across = np.array([-(b - a)[1], (b - a)[0]]) / max(float(np.hypot(*(b - a))), 1e-9)
    near = at[:, None] + np.arange(-3, 4)[None, :, None] * across
    found = map_coordinates(steep, [near[..., 1], near[..., 0]], order=1, mode="nearest")
    return float((found.max(axis=1) > floor).mean())


def _outlines(small: Grey) -> Iterator[Array]:
    """Four-sided outlines that several ways of parting the picture give, corners in order."""
    lab = cv2.cvtColor(small, cv2.COLOR_BGR2LAB)
    colour = cv2.cvtColor(small, cv2.COLOR_BGR2HSV)[:, :, 1]
    parted: list[Grey] = []
    for channel in (lab[:, :, 0], colour, lab[:, :, 1], lab[:, :, 2]):
        soft = cv2.GaussianBlur(channel, (0, 0), 2.0)
        level, mask = cv2.threshold(soft, 0, 255, cv2.THRESH_BINARY | cv2.THRESH_OTSU)
        parted += [mask, 255 - mask]
        parted += [
            cv2.threshold(soft, level + 0.5 * shift * float(soft.std()), 255, 0)[1]
            for shift in (-1.5, 1.5)
        ]
    for channel in (lab[:, :, 0], colour):
        soft = cv2.GaussianBlur(channel, (0, 0), 1.4)
        for low in (10, 25, 50):
            edges = cv2.Canny(soft, low, 3 * low)
            parted.append(cv2.morphologyEx(edges, cv2.MORPH_CLOSE, np.ones((7, 7), np.uint8)))
    kernel = np.ones((5, 5), np.uint8)
    total = small.shape[0] * small.shape[1]
    for mask in parted:
        for made in (mask, cv2.morphologyEx(mask, cv2.MORPH_OPEN, kernel)):
            found, _ = cv2.findContours(made, cv2.RETR_LIST, cv2.CHAIN_APPROX_SIMPLE)
            for contour in sorted(found, key=cv2.contourArea, reverse=True)[:6]:
                if cv2.contourArea(cv2.convexHull(contour)) < LEAST_AREA * total:
                    continue
                quad = _four_sided(contour)
                if quad is not None:
                    yield quad
    yield from _of_lines(small, total)


def _four_sided(contour: Grey) -> Array | None:
    """The contour's hull with four corners, if few cuts make it so."""
    hull = cv2.convexHull(contour)
    around = cv2.arcLength(hull, True)
    for share in (0.01, 0.02, 0.03, 0.05, 0.08):
        simple = cv2.approxPolyDP(hull, share * around, True)
        if len(simple) == 4:
            return in_order(simple[:, 0, :].astype(float))
        if len(simple) < 4:
            return None
    return None


def _of_lines(small: Grey, total: float) -> Iterator[Array]:
    """Outlines that the longest straight edges enclose, for sheets whose contour is broken by
    shadow."""
    grey = cv2.GaussianBlur(cv2.cvtColor(small, cv2.COLOR_BGR2GRAY), (0, 0), 1.4)
    edges = cv2.Canny(grey, 15, 45)
    least = min(small.shape[:2]) // 4
    found = cv2.HoughLinesP(edges, 1, np.pi / 360, 60, minLineLength=least, maxLineGap=25)
    if found is None:
        return
    lines = found.reshape(-1, 4).astype(float)
    length = np.hypot(lines[:, 2] - lines[:, 0], lines[:, 3] - lines[:, 1])
    lines = lines[np.argsort(-length)][:24]
    flat = [each for each in lines if abs(each[2] - each[0]) > abs(each[3] - each[1])]
    steep = [each for each in lines if abs(each[2] - each[0]) <= abs(each[3] - each[1])]
    flat, steep = _told_apart(flat, 1), _told_apart(steep, 0)
    for i, top in enumerate(flat):
        for bottom in flat[i + 1 :]:
            for j, left in enumerate(steep):
                for right in steep[j + 1 :]:
                    corners = [
                        _meet(a, b) for a, b in ((top, left), (top, right),
                                                 (bottom, right), (bottom, left))
                    ]  # fmt: skip
                    if any(each is None for each in corners):
                        continue
                    quad = in_order(np.array(corners))
                    inside = (quad > -5).all() and (quad < np.array(small.shape[1::-1]) + 5).all()
                    if inside and cv2.contourArea(quad.astype(np.float32)) > LEAST_AREA * total:
                        yield quad


def _told_apart(lines: list[Array], axis: int) -> list[Array]:
    """Of lines nearly on one another, the longest alone; at most eight."""
    kept: list[Array] = []
    for each in lines:
        middle = (each[axis] + each[axis + 2]) / 2.0
        if all(abs(middle - (one[axis] + one[axis + 2]) / 2.0) > 8 for one in kept):
            kept.append(each)
    return kept[:8]


def _meet(a: Array, b: Array) -> Array | None:
    p, r = a[:2], a[2:] - a[:2]
    q, s = b[:2], b[2:] - b[:2]
    cross = r[0] * s[1] - r[1] * s[0]
    if abs(cross) < 1e-6:
        return None
    made: Array = p + r * (((q - p)[0] * s[1] - (q - p)[1] * s[0]) / cross)
    return made


def in_order(corners: Array) -> Array:
    """Four corners from the top left one clockwise, as they lie in the picture."""
    middle = corners.mean(axis=0)
    round_ = np.argsort(np.arctan2(*(corners - middle).T[::-1]))
    turned = corners[round_]
    first = int(turned.sum(axis=1).argmin())
    made: Array = np.roll(turned, -first, axis=0)
    return made


def _followed(grey: Array, quad: Array, picture: str, proportion: float) -> FoundSheet:
    """The quad at full size: sides followed, straightened, and made to meet."""
    height, width = grey.shape
    sides = [_edge(grey, quad[i], quad[(i + 1) % 4]) for i in range(4)]
    seen = min(share for _, share in sides)
    if min(len(at) for at, _ in sides) < 12:
        return FoundSheet(_as_corners(quad), 0.0, False, "not all of its sides can be seen")
    middle, half = np.array([width, height]) / 2.0, float(np.hypot(width, height)) / 2.0
    scaled = [(at - middle) / half for at, _ in sides]
    bend, scatter = _straightest(scaled)
    lines = [_line(unbent(each, bend)) for each in scaled]
    met = np.array([_cross(lines[i - 1], lines[i]) for i in range(4)])
    corners = middle + half * bent(met, bend)
    if not np.isfinite(corners).all() or np.hypot(*(corners - quad).T).max() > 0.1 * half:
        return FoundSheet(_as_corners(quad), 0.0, False, "its sides don't keep to straight lines")
    why = ""
    found = Photograph(picture, width, height, _as_corners(corners), bend)
    shown = proportions(found) if found.problem() is None else None
    if seen < SEEN:
        why = "not all of its sides can be seen"
    elif scatter * half > STRAIGHT_PX:
        why = "its sides don't keep to straight lines"
    elif shown is None or abs(np.log(shown / proportion)) > ALIKE:
        why = "what was found has not the proportions of your sheet"
    elif ((corners < 1) | (corners > np.array([width, height]) - 2)).any():
        why = "a corner lies outside the photograph"
    return FoundSheet(_as_corners(corners), bend, not why, why)


def _told_best(image: Grey, quad: Array) -> Array:
    """The picture in the one mixture of its colours that parts the sheet's rim best from what lies
    round it (R. Fisher 1936), counted so that either scatters by NOISE."""
    lab = cv2.cvtColor(image, cv2.COLOR_BGR2LAB).astype(float)
    rims = []
    for inner, outer in ((0.88, 0.97), (1.03, 1.12)):
        mask = np.zeros(image.shape[:2], np.uint8)
        middle = quad.mean(axis=0)
        for share, value in ((outer, 1), (inner, 0)):
            corners = np.rint(middle + share * (quad - middle)).astype(np.int32)
            cv2.fillConvexPoly(mask, corners, value)
        rims.append(lab[mask > 0])
    if min(len(each) for each in rims) < 50:
        return lab[..., 0]
    within = sum(np.cov(each.T) for each in rims) / 2.0 + np.eye(3)
    way = np.linalg.solve(within, rims[0].mean(axis=0) - rims[1].mean(axis=0))
    made: Array = lab @ way * (NOISE / max(float(np.sqrt(way @ within @ way)), 1e-9))
    return made


def _as_corners(quad: Array) -> tuple[tuple[float, float], ...]:
    return tuple((round(float(x), 2), round(float(y), 2)) for x, y in quad)


def _edge(grey: Array, a: Array, b: Array) -> tuple[Array, float]:
    """(k, 2) where the brightness changes most across a side, and the share of it that shows."""
    along = np.linspace(0.03, 0.97, SAMPLES)[:, None]
    at = a + along * (b - a)
    across = np.array([-(b - a)[1], (b - a)[0]]) / max(float(np.hypot(*(b - a))), 1e-9)
    steps = np.arange(-REACH_PX, REACH_PX + 0.5, 0.5)
    near = at[:, None] + steps[None, :, None] * across
    values = map_coordinates(grey, [near[..., 1], near[..., 0]], order=1, mode="nearest")
    smooth = np.asarray(cv2.GaussianBlur(values, (0, 0), sigmaX=2 * SMOOTH_PX, sigmaY=1.0), float)
    slope = np.gradient(smooth, axis=1)
    sign = np.sign(np.median(_extreme(slope)))
    slope = slope * (sign or 1.0)
    # Of several edges near one another (the paper's own, its shadow's) that near the middle counts.
    weighted = slope * np.exp(-0.5 * (steps / (0.6 * REACH_PX)) ** 2)
    peak = np.clip(weighted.argmax(axis=1), 1, len(steps) - 2)
    rows = np.arange(SAMPLES)
    left, top, right = (slope[rows, peak + i] for i in (-1, 0, 1))
    curve = np.minimum(left - 2 * top + right, -1e-9)
    offset = steps[peak] + 0.5 * np.clip(0.5 * (left - right) / curve, -1, 1)
    level = np.median(np.abs(slope)) + 1e-9
    clear = top > np.maximum(3.0 * level, 0.4)
    made = at + offset[:, None] * across
    kept = clear & _near_a_line(along[:, 0], offset)
    return made[kept], float(kept.mean())


def _extreme(slope: Array) -> Array:
    """(k,) the steepest slope of each profile, with its sign."""
    rows = np.arange(len(slope))
    made: Array = slope[rows, np.abs(slope).argmax(axis=1)]
    return made


def _near_a_line(along: Array, offset: Array) -> NDArray[np.bool_]:
    """Which offsets lie near a gentle curve through most of them."""
    kept = np.ones(len(along), dtype=bool)
    for limit in (8.0, 4.0, 2.5, 2.5):
        if kept.sum() < 8:
            break
        fit = np.polyfit(along[kept], offset[kept], 2)
        kept = np.abs(offset - np.polyval(fit, along)) < limit
    return kept


def _line(points: Array) -> tuple[Array, Array]:
    """Middle and direction of the line through points (k, 2), by total least squares."""
    middle = points.mean(axis=0)
    return middle, np.linalg.svd(points - middle, full_matrices=False)[2][0]


def _cross(one: tuple[Array, Array], other: tuple[Array, Array]) -> Array:
    """Where two lines meet; not finite where they don't."""
    (p, r), (q, s) = one, other
    cross = r[0] * s[1] - r[1] * s[0]
    if abs(cross) < 1e-9:
        return np.full(2, np.nan)
    made: Array = p + r * (((q - p)[0] * s[1] - (q - p)[1] * s[0]) / cross)
    return made


def _straightest(sides: list[Array]) -> tuple[float, float]:
    """The bend with which all sides become straightest, and how far they then scatter."""

    def scatter(bend: float) -> float:
        total = count = 0.0
        for each in sides:
            points = unbent(each, bend)
            middle, way = _line(points)
            off = (points - middle) @ np.array([-way[1], way[0]])
            total += float((off**2).sum())
            count += len(points)
        return float(np.sqrt(total / count))

    plain = scatter(0.0)
    found = minimize_scalar(scatter, bounds=(-LARGEST_BEND, LARGEST_BEND), method="bounded")
    if found.fun < TELLING * plain:
        return round(float(found.x), 4), float(found.fun)
    return 0.0, plain
