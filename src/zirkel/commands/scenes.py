"""A scene of one's own: proved before it is kept."""

from __future__ import annotations

from zirkel.core.patience import heard_by, no_longer_than
from zirkel.core.simulation.begun import study_of_scene
from zirkel.core.subject.scene import Scene
from zirkel.core.worked import Worked
from zirkel.errors import BadInput, TooMuchWork
from zirkel.pictures.scene_svg import CANNOT, drawn
from zirkel.store.store import Store
from zirkel.studyfile.read import read_study, write_study
from zirkel.studyfile.scene_file import read_scene

MOST_S = 10.0
"""Processor seconds within which a scene has to be drawn."""


def add_scene(store: Store, data: bytes) -> Scene:
    """Keep a scene file; BadInput says what is wrong with it. It is drawn from its own station, and
    a study of it made, read and planned, before it is kept: what is kept never raises later."""
    scene = read_scene("draft", data)
    try:
        with heard_by(no_longer_than(MOST_S)):
            drawn(scene, scene.station)
            study = read_study(write_study(study_of_scene(scene, None)))
            _ = Worked(study).plan
    except TooMuchWork as error:
        raise BadInput(
            "solids", f"the scene takes over {MOST_S:.0f} s to draw: leave solids out"
        ) from error
    except CANNOT as error:
        raise BadInput("station", f"nothing can be drawn from there ({error})") from error
    return store.scenes.add(data)
