"""The shipped scenes from stations of their own, laid on an exercise's board."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from itertools import pairwise

import numpy as np

from zirkel.core.practice.board import Picture, Spot
from zirkel.core.study import Shape
from zirkel.core.subject.picture import box_of
from zirkel.core.subject.scene import Scene, seen_landmarks
from zirkel.core.subject.sight import sightable

TURNS = (-24.0, -12.0, 0.0, 12.0, 24.0)
NEARER = (0.9, 1.0, 1.15)
"""Stations to which one may move: degrees round the scene, and factors on its own distance. Few, so
that their drawings are soon at hand."""

Part = tuple[float, float, float, float]
"""left, top, right, bottom of a part of the board."""


@dataclass(frozen=True, slots=True)
class Look:
    """A scene on the board: where each landmark that can be seen lies, what it is called, and the
    shapes of which every landmark is seen."""

    scene: Scene
    picture: Picture
    places: Mapping[str, Spot]
    names: Mapping[str, str]
    tiers: Mapping[str, int]
    shapes: tuple[Shape, ...]

    def edges(self, least: float) -> list[tuple[str, str]]:
        """Edges of the shapes at least so long on the board."""
        found = []
        for shape in self.shapes:
            ring = [*shape.outline, shape.outline[0]] if shape.closed else list(shape.outline)
            for a, b in pairwise(ring):
                (ax, ay), (bx, by) = self.places[a], self.places[b]
                if np.hypot(bx - ax, by - ay) >= least:
                    found.append((a, b))
        return found


def look_at(
    scenes: Mapping[str, Scene], rng: np.random.Generator, within: Part, landmarks: int = 2
) -> Look:
    """A scene with at least so many landmarks in sight, from a station of its own, within a part of
    the board. ValueError where no scene has as many."""
    for number in rng.permutation(len(scenes)):
        scene = scenes[sorted(scenes)[int(number)]]
        own = scene.station
        station = replace(
            own,
            distance_mm=own.distance_mm * float(rng.choice(NEARER)),
            direction_deg=own.direction_deg + float(rng.choice(TURNS)),
        )
        clear = sightable(scene, station)
        if len(clear) >= landmarks:
            break
    else:
        raise ValueError(f"no scene shows {landmarks} landmarks")
    left, top, right, bottom = box_of(scene, station)
    size = min((within[2] - within[0]) / (right - left), (within[3] - within[1]) / (bottom - top))
    x = (within[0] + within[2] - size * (left + right)) / 2.0
    y = (within[1] + within[3] - size * (top + bottom)) / 2.0
    seen = seen_landmarks(scene, station)
    known = {each.id: each for each in scene.landmarks}
    return Look(
        scene,
        Picture(
            scene.name, station,
            (x + size * left, y + size * top, x + size * right, y + size * bottom),
        ),
        {name: (float(x + size * seen[name][0]), float(y + size * seen[name][1]))
         for name in clear},
        {name: known[name].name for name in clear},
        {name: known[name].tier for name in clear},
        tuple(each for each in scene.shapes if set(each.outline) <= set(clear)),
    )  # fmt: skip
