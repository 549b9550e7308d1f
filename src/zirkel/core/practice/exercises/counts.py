"""How often one length goes into another."""

from __future__ import annotations

import numpy as np

from zirkel.core.practice.board import Piece, Posed, Way, area, line
from zirkel.core.practice.exercises.base import Exercise, Line, Scenes, graded
from zirkel.core.practice.looks import look_at

TALL = 0.66
FEWEST, MOST = 0.8, 5.0


class Widths(Exercise):
    """How many of its widths there are in a height."""

    name, title = "widths", "How many widths in this height"
    trains = "Counting in a unit without stepping it off: the first guess of every measurement."
    lines = (
        Line("widths", title, "relative", "too many", "too few", usual=0.08, good=0.04,
             kinds=("span",)),
    )  # fmt: skip
    seconds = 8.0

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """The box round a scene's shape, or a thing on bare paper."""
        picture = None
        least, most = graded(level, FEWEST, 1.0, 2.5), graded(level, MOST, 2.0, MOST)
        pieces, left, top, right, bottom = self._thing(rng, least, most)
        if rng.random() < 0.5:
            look = look_at(scenes, rng, (0.1, 0.04, 0.9, TALL - 0.04))
            boxes = []
            for shape in look.shapes:
                there = np.array([look.places[each] for each in shape.outline])
                low, high = there.min(axis=0), there.max(axis=0)
                wide, high_ = high - low
                if wide > 0.04 and least <= high_ / wide <= most:
                    boxes.append((shape.id, *low.tolist(), *high.tolist()))
            if boxes:
                _, left, top, right, bottom = boxes[int(rng.integers(len(boxes)))]
                pieces, picture = (), look.picture
        truth = (bottom - top) / (right - left)
        base = bottom + 0.02
        marks = (
            line((left, base), (right, base), look="asked", name="1"),
            line((right + 0.02, top), (right + 0.02, bottom), look="asked", name="?"),
        )
        # The width laid along the height once, as far as it goes, then a tick for each.
        first = bottom - min(truth, 1.0) * (right - left)
        once = line((right + 0.02, bottom), (right + 0.02, first), look="truth")
        ticks = tuple(
            line((right + 0.01, bottom - k * (right - left)),
                 (right + 0.03, bottom - k * (right - left)), look="truth", name=f"{k}")
            for k in range(1, int(truth) + 1)
        )  # fmt: skip
        return Posed(
            asks="How many of the level width go into the height?",
            tall=TALL, pieces=(*pieces, *marks), way=Way("scale", low=0.5, high=MOST + 1.0),
            truth=(truth,), laid_over=(once, *ticks), picture=picture,
        )  # fmt: skip

    def _thing(
        self, rng: np.random.Generator, least: float, most: float
    ) -> tuple[tuple[Piece, ...], float, float, float, float]:
        """A turned thing: foot, belly, neck and rim, mirrored about its axis."""
        truth = float(np.exp(rng.uniform(np.log(least), np.log(most))))
        high = float(rng.uniform(0.34, 0.54))
        wide = high / truth
        if wide > 0.5:
            high, wide = 0.5 * truth, 0.5
        middle = 0.5 + float(rng.uniform(-0.12, 0.12))
        top = (TALL - 0.06 - high) * float(rng.uniform(0.2, 1.0))
        radii = np.append(rng.uniform(0.35, 0.9, 5), 1.0)
        rng.shuffle(radii)
        heights = np.linspace(0.0, 1.0, 6)
        side = [(wide / 2.0 * float(r), top + high * float(h))
                for r, h in zip(radii, heights, strict=True)]  # fmt: skip
        ring = [(middle + x, y) for x, y in side] + [(middle - x, y) for x, y in reversed(side)]
        return (area(*ring),), middle - wide / 2.0, top, middle + wide / 2.0, top + high
