"""Where light comes from: one far lamp or window, and the sky about."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.subject.station import Station


@dataclass(frozen=True, slots=True)
class Lamp:
    """`toward` it, seen from the subject: right, away and up as the scene's own station has them;
    `soft_deg` half the angle under which it is seen, by which the edges of shadows soften; `sky`
    the share of the light that comes from all round, from 0 to 1."""

    title: str
    toward: tuple[float, float, float]
    soft_deg: float
    sky: float


LampName = Literal[
    "high_left", "high_right", "low_left", "low_right", "window", "behind", "overcast"
]

LAMPS: Mapping[LampName, Lamp] = {
    "high_left": Lamp("Lamp, high on the left", (-0.62, -0.5, 0.85), 2.5, 0.22),
    "high_right": Lamp("Lamp, high on the right", (0.62, -0.5, 0.85), 2.5, 0.22),
    "low_left": Lamp("Lamp, low on the left", (-0.85, -0.3, 0.3), 2.5, 0.2),
    "low_right": Lamp("Lamp, low on the right", (0.85, -0.3, 0.3), 2.5, 0.2),
    "window": Lamp("Window, to the left", (-0.9, -0.25, 0.4), 14.0, 0.25),
    "behind": Lamp("Light from behind", (0.35, 0.8, 0.55), 4.0, 0.3),
    "overcast": Lamp("Overcast sky", (0.0, -0.1, 1.0), 30.0, 0.8),
}
"""Lights to choose from, whatever the scene's own is."""


def lamp_direction(lamp: Lamp, station: Station) -> Array:
    """Unit vector (3,) towards it in the world. It stays there while the artist walks about."""
    a = np.radians(station.direction_deg)
    right, away = np.array([np.cos(a), -np.sin(a), 0.0]), np.array([np.sin(a), np.cos(a), 0.0])
    made = lamp.toward[0] * right + lamp.toward[1] * away + np.array([0.0, 0.0, lamp.toward[2]])
    direction: Array = made / np.linalg.norm(made)
    return direction
