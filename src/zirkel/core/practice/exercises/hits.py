"""Where a plumb carried on meets an edge."""

from __future__ import annotations

import math

import numpy as np

from zirkel.core.practice.board import Posed, Spot, Way, dot, line
from zirkel.core.practice.exercises.base import Line, Scenes, distractors, graded
from zirkel.core.practice.exercises.straights import Straight
from zirkel.core.practice.looks import Look, look_at

TALL = 0.7
NEAREST = 0.12
INSIDE = 0.08
"""How far from an edge's ends, in shares of it, a plumb meets it at least."""


class PlumbHit(Straight):
    """A landmark, and an edge under or over it: where on the edge is the plumb?"""

    name, title, axis, asked = "plumb_hit", "Where does this plumb hit", 0, ""
    trains = "A plumb is dropped onto whatever lies there: the edge that it meets, and where."
    lines = (
        Line("plumb_hit", title, "degrees", "too far right", "too far left", usual=1.8, good=1.0,
             worth_mm=300.0 * math.radians(1.0), kinds=("drop",)),
    )  # fmt: skip

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """Of a scene where one of its plumbs meets an edge, else on bare paper."""
        look = look_at(scenes, rng, (0.12, 0.05, 0.88, TALL - 0.05))
        found = self._met(look, graded(level, NEAREST, NEAREST, 0.25))
        if found:
            name, (a, b) = found[int(rng.integers(len(found)))]
            at, called = look.places[name], look.names[name]
        else:
            at, (a, b) = self._bare(rng)
            called = "the mark"
        if a[0] > b[0]:
            a, b = b, a
        share = (at[0] - a[0]) / (b[0] - a[0])
        hit = (at[0], a[1] + share * (b[1] - a[1]))
        return Posed(
            asks=f"Where does the plumb through {f'“{called}”' if ',' in called else called} meet "
            "the heavy edge?", tall=TALL,
            pieces=(*distractors(rng, level, TALL), line(a, b, look="asked"), dot(at, "heavy")),
            way=Way("along", (a, b)), truth=(share,),
            laid_over=(line(at, hit, look="truth"), dot(hit, "truth")),
            picture=look.picture if found else None,
            scale=(b[0] - a[0]) / abs(hit[1] - at[1]),
        )  # fmt: skip

    def _met(self, look: Look, least: float) -> list[tuple[str, tuple[Spot, Spot]]]:
        made = []
        for first, second in look.edges(0.1):
            a, b = look.places[first], look.places[second]
            wide = b[0] - a[0]
            if abs(wide) < 0.08:
                continue
            for name in sorted(look.places):
                x, y = look.places[name]
                share = (x - a[0]) / wide
                away = abs(a[1] + share * (b[1] - a[1]) - y)
                if name not in (first, second) and INSIDE < share < 1 - INSIDE and away >= least:
                    made.append((name, (a, b)))
        return made

    def _bare(self, rng: np.random.Generator) -> tuple[Spot, tuple[Spot, Spot]]:
        left, right = float(rng.uniform(0.15, 0.35)), float(rng.uniform(0.65, 0.85))
        a, b = (left, float(rng.uniform(0.45, 0.65))), (right, float(rng.uniform(0.45, 0.65)))
        return (float(rng.uniform(left + 0.06, right - 0.06)), 0.1), (a, b)
