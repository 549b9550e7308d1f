"""A stand-in for a telephone before a real subject: a shipped scene photographed from nearly where
the eye was, by a camera held a little askew, through a lens that bends."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

import numpy as np
from PIL import Image, ImageDraw

from zirkel.core.arrays import Array
from zirkel.core.check.photograph import bent
from zirkel.core.subject.scene import Scene, seen_landmarks

FILLED = 0.55
"""How far the furthest landmark is from the picture's middle, of the half diagonal."""

GROUND, LINE, WIDTH = 205, 40, 3


@dataclass(frozen=True, slots=True)
class Telephone:
    """Its picture's size; how far it was from the eye's place, as shares of the distance further
    off and higher; how it was turned; how its lens bends."""

    width: int = 3000
    height: int = 2250
    further: float = 0.03
    higher: float = 0.01
    turned_deg: float = 1.0
    bend: float = 0.01

    def places(self, scene: Scene) -> tuple[dict[str, Array], Array]:
        """Pixels (2,) of all landmarks, and (9, 2) along an edge that is straight in reality."""
        station = scene.station
        moved = replace(
            station,
            distance_mm=station.distance_mm * (1.0 + self.further),
            eye_height_mm=station.eye_height_mm + self.higher * station.distance_mm,
        )
        seen = seen_landmarks(scene, moved)
        at = np.array([seen[name] for name in seen], dtype=float)
        at -= (at.min(axis=0) + at.max(axis=0)) / 2.0
        a = math.radians(self.turned_deg)
        at = at @ np.array([[math.cos(a), math.sin(a)], [-math.sin(a), math.cos(a)]])
        at *= FILLED / np.hypot(*at.T).max()
        edge = np.column_stack([np.linspace(-0.7, 0.7, 9), np.full(9, 0.45)])
        pixels = self._half * bent(np.vstack([at, edge]), self.bend) + self._middle
        return dict(zip(seen, pixels, strict=False)), pixels[len(at) :]

    def picture(self, scene: Scene) -> Image.Image:
        """The photograph, in grey: the outlines, a cross at each landmark, the straight edge."""
        places, edge = self.places(scene)
        made = Image.new("L", (self.width, self.height), GROUND)
        pen = ImageDraw.Draw(made)
        for shape in scene.shapes:
            outline = [tuple(places[name]) for name in shape.outline if name in places]
            if len(outline) > 1:
                ends = [*outline, outline[0]] if shape.closed else outline
                pen.line(ends, fill=LINE, width=WIDTH)
        for x, y in places.values():
            pen.line([(x - 9, y), (x + 9, y)], fill=LINE, width=WIDTH)
            pen.line([(x, y - 9), (x, y + 9)], fill=LINE, width=WIDTH)
        pen.line([tuple(each) for each in edge], fill=LINE, width=WIDTH)
        return made

    @property
    def _half(self) -> float:
        return math.hypot(self.width, self.height) / 2.0

    @property
    def _middle(self) -> Array:
        return np.array([self.width, self.height]) / 2.0
