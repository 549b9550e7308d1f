"""A tilt carried across the sheet, and a corner's second edge."""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np

from zirkel.core.practice.board import Piece, Posed, Spot, Way, dot, line
from zirkel.core.practice.exercises.base import Exercise, Line, Outcome, Scenes, distractors, graded
from zirkel.core.practice.looks import look_at
from zirkel.core.values.tilts import tilt_of

TALL = 0.62
LEFT_PART = (0.02, 0.04, 0.48, TALL - 0.04)
HAND = 0.2
FAR = (0.62, 0.9)
"""Where on the board, across, a tilt is carried to."""

LEAST_CORNER_DEG = 20.0


def _end(at: Spot, tilt: float, long: float) -> Spot:
    """The end of a line of so many degrees from upright, begun at a spot."""
    over = math.radians(tilt)
    return at[0] + long * math.sin(over), at[1] - long * math.cos(over)


def _any_line(rng: np.random.Generator, level: float) -> tuple[Spot, Spot]:
    long = float(rng.uniform(graded(level, 0.12, 0.3, 0.08), graded(level, 0.4, 0.4, 0.16)))
    middle = (0.25 + float(rng.uniform(-0.04, 0.04)), TALL / 2.0)
    tilt = float(rng.uniform(0.0, 180.0))
    return _end(middle, tilt + 180.0, long / 2.0), _end(middle, tilt, long / 2.0)


class CarryTilt(Exercise):
    """An edge on the left; its tilt through a point far across, without a clock."""

    name, title = "carry_tilt", "Carry a tilt across"
    trains = "A tilt taken from the subject has to arrive on the sheet as it was."
    lines = (
        Line("carry_tilt", title, "degrees", "too far clockwise", "too far back", usual=4.0,
             good=2.5, worth_mm=300.0 * math.radians(1.0), kinds=("tilt",)),
    )  # fmt: skip

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """An edge of a scene, or a line on bare paper."""
        picture = None
        a, b = _any_line(rng, level)
        if rng.random() < 0.6:
            look = look_at(scenes, rng, LEFT_PART)
            edges = look.edges(graded(level, 0.08, 0.15, 0.05))
            if edges:
                first, second = edges[int(rng.integers(len(edges)))]
                a, b, picture = look.places[first], look.places[second], look.picture
        if a[1] < b[1]:
            a, b = b, a
        truth = tilt_of(a, b) % 180.0
        at = (float(rng.uniform(*FAR)), float(rng.uniform(0.25, TALL - 0.25)))
        room = min(HAND, 0.98 - at[0])
        return Posed(
            asks="Carry the heavy edge's tilt over, through the point.", tall=TALL,
            pieces=(*distractors(rng, level, TALL), line(a, b, look="asked"), dot(at)),
            way=Way("turn", (at, (at[0], at[1] - room)), shape="bare"), truth=(truth,),
            laid_over=(
                line(_end(at, truth + 180.0, room), _end(at, truth, room), look="truth"),
            ),
            picture=picture,
        )  # fmt: skip


class AnglePair(Exercise):
    """A corner of two edges; one edge is drawn again, the other is to be set to it."""

    name, title = "angle_pair", "Copy a corner"
    trains = "An angle between two edges says more than either: a gable, an elbow, a lid."
    lines = (
        Line("angle_pair", title, "degrees", "too far clockwise", "too far back", usual=4.0,
             good=2.5, worth_mm=300.0 * math.radians(1.0), kinds=("tilt",)),
    )  # fmt: skip

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """A corner of a scene's shape, or one on bare paper; drawn again it may be turned."""
        picture = None
        pieces, first, second = self._bare(rng)
        if rng.random() < 0.6:
            look = look_at(scenes, rng, LEFT_PART)
            corners = []
            for shape in look.shapes:
                ring = shape.outline
                for i in range(len(ring) if shape.closed else max(len(ring) - 2, 0)):
                    a, m, b = (look.places[ring[(i + k) % len(ring)]] for k in range(3))
                    tilts = _tilt(m, a), _tilt(m, b)
                    apart = abs((tilts[1] - tilts[0] + 180.0) % 360.0 - 180.0)
                    if LEAST_CORNER_DEG < apart < 180.0 - LEAST_CORNER_DEG:
                        corners.append((a, m, b, *tilts))
            if corners:
                a, m, b, first, second = corners[int(rng.integers(len(corners)))]
                pieces, picture = (line(a, m, b, look="asked"),), look.picture
        # At the harder steps the copy is turned, so that no tilt can be carried as it is.
        turned = float(rng.uniform(-1.0, 1.0)) * graded(level, 0.0, 0.0, 60.0)
        at = (0.76, TALL / 2.0)
        given, truth = first + turned, (second + turned) % 360.0
        return Posed(
            asks="Copy the heavy corner: one edge is there, set the other.", tall=TALL,
            pieces=(*pieces, line(at, _end(at, given, HAND), look="asked"), dot(at)),
            way=Way("turn", (at, (at[0], at[1] - HAND)), shape="half"),
            truth=(truth,),
            laid_over=(line(at, _end(at, truth, HAND), look="truth"),), picture=picture,
        )  # fmt: skip

    def outcomes(self, posed: Posed, answer: Sequence[float]) -> list[Outcome]:
        """Degrees, all round: an edge set the other way is not the same edge."""
        off = (answer[0] - posed.truth[0] + 180.0) % 360.0 - 180.0
        return [Outcome(self.lines[0], 0.0, float(np.clip(off, -89.0, 89.0)))]

    def _bare(self, rng: np.random.Generator) -> tuple[tuple[Piece, ...], float, float]:
        first = float(rng.uniform(0.0, 360.0))
        second = first + float(rng.uniform(30.0, 150.0)) * float(rng.choice([-1.0, 1.0]))
        m = (0.25, TALL / 2.0)
        a, b = _end(m, first, 0.17), _end(m, second, 0.2)
        return (line(a, m, b, look="asked"),), first, second


def _tilt(m: Spot, a: Spot) -> float:
    """Degrees clockwise from upright, all round, of the way from one spot to another."""
    return math.degrees(math.atan2(a[0] - m[0], m[1] - a[1]))
