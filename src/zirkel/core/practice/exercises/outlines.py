"""An envelope in eight straight lines, and a hole drawn again."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from scipy.spatial import ConvexHull

from zirkel.core.arrays import Array, Flags
from zirkel.core.practice.board import Piece, Posed, Way, area, box, dot
from zirkel.core.practice.exercises.base import Exercise, Line, Outcome, Scenes, graded
from zirkel.core.practice.exercises.block_in import LEFT, RIGHT, SIDE, TALL, TOP, PlacedPoints
from zirkel.core.practice.exercises.boxes import any_shape
from zirkel.core.practice.looks import look_at

CORNERS, FEWEST_CORNERS = 8, 4
FINE = 160
"""Points a side of the grid on which areas are compared."""


def eight_of(points: Array) -> Array:
    """(k, 2) the corners, at most eight and in turn, of the smallest ring of straight sides round
    points (n, 2), but for the corners that cut off least."""
    ring = points[ConvexHull(points).vertices]
    while len(ring) > CORNERS:
        before, after = np.roll(ring, 1, axis=0), np.roll(ring, -1, axis=0)
        d, e = ring - before, after - before
        lost = np.abs(d[:, 0] * e[:, 1] - d[:, 1] * e[:, 0])
        ring = np.delete(ring, int(np.argmin(lost)), axis=0)
    return ring


def inside(ring: Array, at: Array) -> Flags:
    """(m,) whether points lie in a ring (k, 2), by how often a level line crosses it."""
    x, y = at.T
    found = np.zeros(len(at), dtype=bool)
    for (ax, ay), (bx, by) in zip(ring, np.roll(ring, -1, axis=0), strict=True):
        if ay == by:
            continue
        crosses = (ay > y) != (by > y)
        found ^= crosses & (x < ax + (y - ay) / (by - ay) * (bx - ax))
    return found


def in_turn(corners: Array) -> Array:
    """Corners (k, 2) as a ring: by their direction from the middle, in whatever order they came."""
    off = corners - corners.mean(axis=0)
    return corners[np.argsort(np.arctan2(off[:, 1], off[:, 0]))]


class Envelope(Exercise):
    """A scene, or a shape; the eight corners of the straight lines round it, in the empty frame."""

    name, title = "envelope", "Envelope in eight lines"
    trains = "The few straight lines round the whole: everything later has to lie within them."
    lines = (
        Line("envelope", title, "share", "of it lies wrong", "", usual=0.1, good=0.06,
             worth_mm=100.0),
    )  # fmt: skip
    in_a_drill = 2
    seconds = 45.0
    fewest = FEWEST_CORNERS

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """Corners at any order; the frame is as large as the picture's."""
        wide = graded(level, 1.0, 1.0, 0.7)
        if rng.random() < 0.7:
            look = look_at(scenes, rng, (LEFT, TOP, LEFT + SIDE, TOP + SIDE), 5)
            points, picture = np.array([look.places[e] for e in sorted(look.places)]), look.picture
            pieces: tuple[Piece, ...] = ()
        else:
            ring = [(LEFT + SIDE * (0.1 + 0.8 * x), TOP + SIDE * (0.1 + 0.8 * y))
                    for x, y in any_shape(rng, 12)]  # fmt: skip
            points, picture, pieces = np.array(ring), None, (area(*ring, tone=5.0),)
        truth = (eight_of(points) - (LEFT, TOP)) / SIDE
        frame = ((RIGHT, TOP), (RIGHT + wide * SIDE, TOP + wide * SIDE))
        over = [(float(x), float(y)) for x, y in truth * wide * SIDE + (RIGHT, TOP)]
        full = np.vstack([truth, np.repeat(truth[-1:], CORNERS - len(truth), axis=0)])
        return Posed(
            asks="In the empty frame, where it lies in the full one: the corners of eight straight "
            "lines round it.", tall=TALL,
            pieces=(box(LEFT, TOP, LEFT + SIDE, TOP + SIDE, "faint"), *pieces,
                    box(*frame[0], *frame[1])),
            way=Way("places", frame, names=("corner",) * CORNERS),
            truth=tuple(float(each) for each in full.ravel()),
            laid_over=(area(*over, look="truth"), dot(over[0], "truth")), picture=picture,
        )  # fmt: skip

    def outcomes(self, posed: Posed, answer: Sequence[float]) -> list[Outcome]:
        """The area that lies in one of the two and not in the other, in shares of the true one."""
        placed = np.array(answer, dtype=float).reshape(-1, 2)
        ring = in_turn(placed[np.isfinite(placed).all(axis=1)])
        true = in_turn(np.unique(np.array(posed.truth).reshape(-1, 2), axis=0))
        at = (np.stack(np.meshgrid(*[np.arange(FINE)] * 2), axis=-1).reshape(-1, 2) + 0.5) / FINE
        mine, theirs = inside(ring, at), inside(true, at)
        return [Outcome(self.lines[0], 0.0, float((mine ^ theirs).sum() / max(theirs.sum(), 1)))]


class NegativeDrawn(PlacedPoints):
    """A hole in the dark; its corners, in the empty frame."""

    name, title = "negative_drawn", "Draw the hole"
    trains = "What has no name can be drawn as it is: the hole, not the things round it."
    lines = (
        Line("negative_drawn", title, "share", "", "", usual=0.03, good=0.02, of="of the hole"),
    )  # fmt: skip
    in_a_drill = 3
    seconds = 25.0

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """A shape of a scene on dark ground, or one made up, its corners numbered."""
        corners = round(graded(level, 6, 4, 9))
        wide, high = (float(each) for each in rng.uniform(0.3, 0.42, 2))
        left, top = LEFT + (SIDE - wide) / 2.0, TOP + (SIDE - high) / 2.0
        ring = [(left + wide * x, top + high * y) for x, y in any_shape(rng, corners)]
        truth = (np.array(ring) - (LEFT, TOP)) / SIDE
        over = [(float(x), float(y)) for x, y in truth * SIDE + (RIGHT, TOP)]
        return Posed(
            asks="Draw the light hole: its corners in turn. Any size, any place.", tall=TALL,
            pieces=(
                area((LEFT, TOP), (LEFT + SIDE, TOP), (LEFT + SIDE, TOP + SIDE), (LEFT, TOP + SIDE),
                     tone=6.0),
                area(*ring, tone=1.0),
                *(dot(at, "heavy", str(k + 1)) for k, at in enumerate(ring)),
                box(RIGHT, TOP, RIGHT + SIDE, TOP + SIDE),
            ),
            way=Way("places", ((RIGHT, TOP), (RIGHT + SIDE, TOP + SIDE)),
                    names=("corner",) * len(ring)),
            truth=tuple(float(each) for each in truth.ravel()),
            laid_over=tuple(dot(at, "truth") for at in over),
        )  # fmt: skip
