"""The box a shape stands in: its height to its width."""

from __future__ import annotations

import numpy as np

from zirkel.core.practice.board import Piece, Posed, Spot, Way, area, box, line
from zirkel.core.practice.exercises.base import Exercise, Line, Scenes, graded
from zirkel.core.practice.looks import look_at

TALL = 0.62
FLATTEST, TALLEST = 0.45, 2.2


def any_shape(rng: np.random.Generator, corners: int = 7) -> list[Spot]:
    """A shape without crossings that touches all four sides of a square from 0 to 1."""
    turns = np.sort(rng.uniform(0.0, 2 * np.pi, corners))
    turns = (np.arange(corners) + 0.35 * np.sin(turns)) * 2 * np.pi / corners
    radii = rng.uniform(0.45, 1.0, corners)
    there = np.column_stack([radii * np.cos(turns), radii * np.sin(turns)])
    low, high = there.min(axis=0), there.max(axis=0)
    return [(float(x), float(y)) for x, y in (there - low) / (high - low)]


class BoxOf(Exercise):
    """A shape; draw the box it stands in, at another size."""

    name, title = "box", "The box round a shape"
    trains = "Height to width first: whoever has the box has half the block-in."
    lines = (
        Line("box", title, "relative", "too tall", "too wide", usual=0.06, good=0.04,
             kinds=("span",)),
    )  # fmt: skip

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """A shape of a scene, or one on bare paper, left; its box is to be set up on the right."""
        flattest, tallest = graded(level, FLATTEST, 0.8, 0.4), graded(level, TALLEST, 1.3, 2.5)
        truth = float(np.exp(rng.uniform(np.log(flattest), np.log(tallest))))
        high = min(0.44, 0.36 * truth)
        wide = high / truth
        x, y = 0.27 - wide / 2.0, (TALL - high) / 2.0
        pieces: tuple[Piece, ...] = (
            area(*((x + wide * a, y + high * b) for a, b in any_shape(rng))),
        )
        shown = None
        if rng.random() < 0.5:
            look = look_at(scenes, rng, (0.02, 0.04, 0.56, TALL - 0.04))
            fits = []
            for shape in look.shapes:
                there = np.array([look.places[each] for each in shape.outline])
                sides = np.ptp(there, axis=0)
                if sides.min() > 0.05 and flattest <= sides[1] / sides[0] <= tallest:
                    fits.append((shape, there, float(sides[1] / sides[0])))
            if fits:
                shape, there, truth = fits[int(rng.integers(len(fits)))]
                ring = [(float(a), float(b)) for a, b in there]
                pieces = (area(*ring, look="heavy") if shape.closed else line(*ring, look="heavy"),)
                shown = look.picture
        width = min(float(rng.uniform(0.12, 0.26)) * graded(level, 1.0, 1.0, 0.6), 0.48 / truth)
        left, bottom = 0.79 - width / 2.0, TALL - 0.06
        return Posed(
            asks="Set up the box of this shape: its width is given.", tall=TALL, pieces=pieces,
            way=Way("stretch", ((left, bottom), (left + width, bottom)), high=0.54 / width),
            truth=(truth,),
            laid_over=(box(left, bottom - truth * width, left + width, bottom, "truth"),),
            picture=shown,
        )  # fmt: skip
