"""Placing a point in an empty frame, as it lies in the full one."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from zirkel.core.practice.board import Piece, Posed, Way, area, box, dot
from zirkel.core.practice.exercises.base import Exercise, Line, Outcome, Scenes, graded
from zirkel.core.practice.exercises.boxes import any_shape
from zirkel.core.practice.looks import look_at

TALL = 0.5
SIDE = 0.44
LEFT, RIGHT, TOP = 0.03, 0.53, 0.03


class PlaceThePoint(Exercise):
    """A landmark in the frame on the left; the same place in the empty one on the right."""

    name, title = "place", "Place the point"
    trains = "Where in the frame does it sit: the whole of sighting without a stick, in one point."
    lines = (
        Line("place_across", "Place the point: across", "share", "too far right", "too far left",
             usual=0.025, good=0.015, of="of the frame", kinds=("drop",)),
        Line("place_down", "Place the point: down", "share", "too low", "too high",
             usual=0.025, good=0.015, of="of the frame", kinds=("level",)),
    )  # fmt: skip

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """A landmark of a scene, or a corner of a shape."""
        picture = None
        wide, high = SIDE, SIDE
        x, y = (float(each) for each in rng.uniform(0.08, 0.92, 2))
        shape = [(LEFT + 0.04 + 0.36 * a, TOP + 0.04 + 0.36 * b) for a, b in any_shape(rng)]
        corner = shape[int(rng.integers(len(shape)))]
        pieces: tuple[Piece, ...] = (area(*shape),)
        at = corner if rng.random() < 0.5 else (LEFT + x * wide, TOP + y * high)
        if rng.random() < 0.6:
            look = look_at(scenes, rng, (LEFT + 0.01, TOP + 0.01, LEFT + wide - 0.01,
                                         TOP + high - 0.01))  # fmt: skip
            at = look.places[str(rng.choice(sorted(look.places)))]
            pieces, picture = (), look.picture
        # The further apart the sizes, the less can be carried across as it is.
        size = graded(level, 1.0, 1.0, 0.55)
        frame = ((RIGHT, TOP), (RIGHT + size * wide, TOP + size * high))
        truth = ((at[0] - LEFT) / wide, (at[1] - TOP) / high)
        return Posed(
            asks="Where does the ringed point sit in the empty frame?", tall=TALL,
            pieces=(*pieces, box(LEFT, TOP, LEFT + wide, TOP + high, "faint"), dot(at, "heavy"),
                    box(*frame[0], *frame[1])),
            way=Way("place", frame), truth=truth,
            laid_over=(
                dot((RIGHT + truth[0] * size * wide, TOP + truth[1] * size * high), "truth"),
            ),
            picture=picture,
        )  # fmt: skip

    def outcomes(self, posed: Posed, answer: Sequence[float]) -> list[Outcome]:
        """Across and down, in shares of the frame."""
        return [
            Outcome(line, truth, said)
            for line, truth, said in zip(self.lines, posed.truth, answer, strict=True)
        ]
