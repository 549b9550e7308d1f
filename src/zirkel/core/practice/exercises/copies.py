"""Which of two is the drawing of this?"""

from __future__ import annotations

import numpy as np

from zirkel.core.practice.board import Piece, Posed, Way, area
from zirkel.core.practice.exercises.base import Choice, Line, Scenes, signed
from zirkel.core.practice.exercises.boxes import any_shape
from zirkel.core.practice.looks import look_at

TALL = 0.6
FEWEST_CORNERS = 4


class WhichDrawing(Choice):
    """A shape, and two drawings of it: one as it is, one with a part of it moved or stretched."""

    name, title = "which_drawing", "Which is the drawing of this"
    trains = "Standing back: which of two drawings has the shape, and which has a shape like it."
    lines = (
        Line("which_drawing", title, "share", "chooses the right one", "chooses the left one",
             choice=True, usual=0.06, good=0.04),
    )  # fmt: skip

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """`level` is by which share of its size the wrong one is off."""
        by = signed(rng, level)
        picture = None
        ring = np.array(any_shape(rng, 7)) * (0.28, 0.24) + (0.36, 0.02)
        shown: tuple[Piece, ...] = (area(*_spots(ring), look="heavy"),)
        if rng.random() < 0.6:
            look = look_at(scenes, rng, (0.2, 0.02, 0.8, 0.27))
            closed = [s for s in look.shapes if s.closed and len(s.outline) >= FEWEST_CORNERS]
            if closed:
                shape = closed[int(rng.integers(len(closed)))]
                found = np.array([look.places[each] for each in shape.outline])
                if np.ptp(found, axis=0).min() > 0.04:
                    ring, picture = found, look.picture
                    shown = (area(*_spots(ring), look="heavy"),)
        low, size = ring.min(axis=0), np.ptp(ring, axis=0)
        drawn = (ring - low) / size.max()
        wrong = drawn.copy()
        moved = int(rng.integers(len(drawn)))
        way = rng.normal(size=2)
        wrong[moved] += abs(by) * way / np.hypot(*way)
        wrong[:, 0] *= 1.0 + abs(by) / 2.0
        pieces, over = list(shown), []
        for middle, right in ((0.25, by < 0), (0.75, by > 0)):
            there = drawn if right else wrong
            at = there - (there.min(axis=0) + there.max(axis=0)) / 2.0
            spots = _spots(0.26 * at + (middle, 0.44))
            pieces.append(area(*spots, tone=2.0))
            if right:
                over.append(area(*spots, look="truth"))
        return Posed(
            asks="Which is the drawing of the heavy shape?", tall=TALL, pieces=tuple(pieces),
            way=Way("choose", names=("The left one", "The right one")), truth=(by,),
            laid_over=tuple(over), picture=picture,
        )  # fmt: skip


def _spots(ring: np.ndarray) -> list[tuple[float, float]]:
    return [(float(x), float(y)) for x, y in ring]
