"""Demonstrations that the simulated artist made, doing as the prompter says."""

from __future__ import annotations

from dataclasses import replace

from zirkel.core.simulation.artist import Hand, sight_scene
from zirkel.core.study import Sheet, Study
from zirkel.core.subject.station import Station
from zirkel.scenes import shipped_scenes

TWO_TAKES = Hand(per_landmark=2.7, take_length=24)


def made_by_artist(
    scene: str, title: str, sheet: Sheet, seed: int, station: Station | None = None
) -> Study:
    """The study of a shipped scene, from its own station unless told."""
    shown = shipped_scenes()[scene]
    stood = station or shown.station
    return replace(sight_scene(shown, stood, sheet, seed, TWO_TAKES), title=title)
