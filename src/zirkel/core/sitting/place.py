"""The place a study is drawn from, as a plan from above and from the side.

On the floor x runs to the right and y towards the artist, from the subject, in mm; hours are those
of a clock laid on the floor with twelve away from the artist.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

from zirkel.core.pose import Place
from zirkel.core.study import SimulatedSubject, Study

Spot = tuple[float, float]
BOARD_MM = 500.0
"""How wide a board is drawn."""

LIGHT_SHARE = 0.55
"""How far from the subject the light is drawn, as a share of the artist's distance: only where it
comes from is known."""

EASEL_HOUR = 1.5
"""Where an easel stands that nobody said anything of: beside the line of sight, never across it."""


@dataclass(frozen=True, slots=True)
class Laid:
    """Eye, the two ends of the board and where the light comes from, None where not known; how far
    the plan reaches from the subject, in mm."""

    eye: Spot
    board: tuple[Spot, Spot] | None
    light: Spot | None
    reach: float


def place_of(study: Study) -> Place | None:
    """The place as it was written down; before a simulated subject, what its station tells: not
    heights, which are over the ground of the scene, wherever that is."""
    if study.place is not None or not isinstance(study.subject, SimulatedSubject):
        return study.place
    at = study.subject.station
    return Place(
        distance_mm=at.distance_mm, reach_mm=at.reach_mm, easel_mm=at.easel_mm,
        lean_deg=at.lean_deg,
    )  # fmt: skip


def laid_out(place: Place) -> Laid | None:
    """The plan of a place; None until the distance to the subject is measured."""
    away = place.distance_mm
    if away is None:
        return None
    eye = (0.0, away)
    board = None
    if place.easel_mm is not None:
        hour = place.easel_hour if place.easel_hour is not None else EASEL_HOUR
        x, y = _towards(hour)
        at = (eye[0] + x * place.easel_mm, eye[1] + y * place.easel_mm)
        half = BOARD_MM / 2.0
        # The board stands square to the way from the eye to it, or is turned from there.
        x, y = _towards(hour + (place.board_turn_deg or 0.0) / 30.0)
        board = (
            (at[0] - y * half, at[1] + x * half),
            (at[0] + y * half, at[1] - x * half),
        )
    light = None
    if place.light_hour is not None:
        x, y = _towards(place.light_hour)
        light = (x * away * LIGHT_SHARE, y * away * LIGHT_SHARE)
    spots = [eye, *(board or ()), *((light,) if light else ())]
    return Laid(eye, board, light, max(max(abs(x), abs(y)) for x, y in spots))


def _towards(hour: float) -> Spot:
    """The direction of an hour on the floor: twelve away from the artist."""
    turn = math.radians(30.0 * hour)
    return math.sin(turn), -math.cos(turn)
