"""The station: where the artist stands, and what the eye sees from there.

The picture plane is upright and square to the level direction from the eye to the middle of the
scene, so that plumb lines stay plumb. A point that lies `a` to the side, `h` above the eye and `d`
ahead is seen at (a / d, -h / d): x to the right, y down, as tangents. A stick at arm's length
measures these times the reach.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.fields import entry

NEAREST_MM = 1.0
"""Nothing nearer to the eye than this, straight ahead, can be seen."""


@dataclass(frozen=True, slots=True)
class Station:
    """Where the artist stands and how.

    `distance_mm` from the eye to the middle of the scene, on the level; `direction_deg` the way
    round it, clockwise from above, 0 straight in front; `reach_mm` from the eye to the stick;
    `easel_mm` from the eye to the board, `board_mm` the height of the board's middle, and
    `lean_deg` how far the board's top leans back.
    """

    distance_mm: float = entry("finite", bounds={"ge": 200.0, "le": 500_000.0})
    eye_height_mm: float = entry("finite", bounds={"ge": -10_000.0, "le": 100_000.0})
    direction_deg: float = entry("finite", 0.0, bounds={"ge": -180.0, "le": 180.0}, always=True)
    reach_mm: float = entry("finite", 650.0, bounds={"ge": 150.0, "le": 1200.0}, always=True)
    easel_mm: float = entry("finite", 700.0, bounds={"ge": 200.0, "le": 20_000.0}, always=True)
    board_mm: float = entry("finite", 1350.0, bounds={"ge": 0.0, "le": 5_000.0}, always=True)
    lean_deg: float = entry("finite", 0.0, bounds={"ge": -45.0, "le": 60.0}, always=True)
    extra: Mapping[str, object] = field(default_factory=dict, hash=False, compare=False)


@dataclass(frozen=True, slots=True)
class View:
    """The eye (3,) and its axes: unit vectors to the right and ahead, both level."""

    eye: Array
    right: Array
    ahead: Array

    def of(self, points: Array) -> Array:
        """(n, 3) world points as (to the right, above the eye, ahead), in mm."""
        d = np.atleast_2d(points) - self.eye
        return np.column_stack([d @ self.right, d[:, 2], d @ self.ahead])

    def seen(self, points: Array) -> Array:
        """(n, 2) places on the picture plane, as tangents, y down."""
        across, above, ahead = self.of(points).T
        depth = np.maximum(ahead, NEAREST_MM)
        return np.column_stack([across / depth, -above / depth])


def view_from(station: Station, middle: Sequence[float] | Array) -> View:
    """The view of a scene whose middle is at (x, y) on the ground."""
    a = np.radians(station.direction_deg)
    # Clockwise from above, starting in front: from there to the scene's left.
    back = np.array([-np.sin(a), -np.cos(a), 0.0])
    eye = np.array([middle[0], middle[1], station.eye_height_mm]) + back * station.distance_mm
    ahead = -back
    return View(eye, np.array([ahead[1], -ahead[0], 0.0]), ahead)
