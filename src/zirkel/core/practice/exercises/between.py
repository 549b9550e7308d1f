"""Gap against gap, over a scene."""

from __future__ import annotations

from itertools import combinations

import numpy as np

from zirkel.core.practice.board import Piece, Posed, Spot, Way, line
from zirkel.core.practice.exercises.base import Choice, Line, Scenes, signed
from zirkel.core.practice.looks import look_at

TALL = 0.66
LEAST = 0.06
TRIED = 4
"""Scenes that are looked through for two gaps that differ as asked."""


class GapGap(Choice):
    """Two level distances between landmarks of a scene, one above and one below it."""

    name, title = "gap_gap", "Gap against gap"
    trains = "Middle shapes are proved gap by gap: this one against that one, across the drawing."
    lines = (
        Line("gap_gap", title, "share", "the lower one looks wider", "the upper one looks wider",
             choice=True, usual=0.06, good=0.04, kinds=("match",)),
    )  # fmt: skip

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """The two gaps of a scene whose difference comes nearest to what is asked."""
        by = signed(rng, level)
        best: tuple[float, float, tuple[Spot, Spot], tuple[Spot, Spot], object] | None = None
        for _ in range(TRIED):
            look = look_at(scenes, rng, (0.05, 0.12, 0.95, TALL - 0.12), 4)
            names = sorted(look.places)
            rng.shuffle(names)
            gaps = [
                (look.places[a], look.places[b]) for a, b in combinations(names[:9], 2)
                if abs(look.places[a][0] - look.places[b][0]) >= LEAST
            ]  # fmt: skip
            for one, other in combinations(gaps[:24], 2):
                upper, lower = sorted((one, other), key=lambda g: g[0][1] + g[1][1])
                wide = [abs(g[0][0] - g[1][0]) for g in (upper, lower)]
                is_by = 2.0 * (wide[1] - wide[0]) / (wide[1] + wide[0])
                off = abs(is_by - by)
                if {upper[0], upper[1]} & {lower[0], lower[1]} or abs(is_by) < 1e-3:
                    continue
                if best is None or off < best[0]:
                    best = off, is_by, upper, lower, look.picture
        assert best is not None
        _, truth, upper, lower, picture = best
        pieces: list[Piece] = []
        over: list[Piece] = []
        for (a, b), y in ((upper, 0.06), (lower, TALL - 0.06)):
            left, right = sorted((a[0], b[0]))
            pieces += [line((left, y), (right, y), look="asked"), line((a[0], y), a, look="faint"),
                       line((b[0], y), b, look="faint")]  # fmt: skip
            step = 0.02 if y < TALL / 2 else -0.02
            over.append(line((0.1, y + step), (0.1 + right - left, y + step), look="truth"))
        return Posed(
            asks="Which gap is wider, the upper or the lower one?", tall=TALL,
            pieces=tuple(pieces), way=Way("choose", names=("The upper one", "The lower one")),
            truth=(truth,), laid_over=tuple(over), picture=picture,  # type: ignore[arg-type]
        )  # fmt: skip
