"""A scene's study before its first reading."""

from __future__ import annotations

import numpy as np

from zirkel.core.simulation.artist import Hand, fresh_study
from zirkel.core.study import Sheet, Study
from zirkel.core.subject.picture import box_of
from zirkel.core.subject.scene import Scene

TAPPED = 4
"""Seed of the roughness with which a scene's thumbnail is tapped."""


def study_of_scene(scene: Scene, sheet: Sheet | None) -> Study:
    """A scene's study before its first reading, on a sheet or on the one that suits it."""
    rng = np.random.default_rng(TAPPED)
    paper = sheet or _sheet_for(scene)
    return fresh_study(scene, scene.station, paper, Hand().tap_error, rng)


def _sheet_for(scene: Scene) -> Sheet:
    """An A3 sheet, upright or lying as the scene is."""
    left, top, right, bottom = box_of(scene, scene.station)
    return Sheet(420.0, 297.0) if right - left > bottom - top else Sheet(297.0, 420.0)
