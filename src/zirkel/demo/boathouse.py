"""The boathouse: two families of edges, one tilt read wrong, jetty posts in equal steps."""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from zirkel.core.sightings import Tilt
from zirkel.core.simulation.observer import observe, with_value
from zirkel.core.space import Family, Repeat
from zirkel.core.study import Sheet, Study
from zirkel.core.subject.scene import seen_landmarks, truth_in_units
from zirkel.demo.by_the_artist import made_by_artist
from zirkel.scenes import shipped_scenes

SEED = 9
NEARER_MM = 20_000.0
"""From nearer than the scene's own station, so that what runs back does so plainly."""

WRONG_DEG = 9.0
SIGHTED = (
    ("ridge", "ridge_far"), ("eave_r", "eave_far_r"), ("wall_foot_r", "wall_far_r"),
    ("wall_foot_l", "wall_foot_r"), ("door_head_l", "door_head_r"), ("jetty_l", "jetty_r"),
)  # fmt: skip
WRONG = ("eave_r", "eave_far_r")


def boathouse() -> Study:
    """The study as the simulated artist made it, the tilts of receding edges sighted too, one of
    them with the stick leaning into the scene."""
    scene = shipped_scenes()["boathouse"]
    station = replace(scene.station, distance_mm=NEARER_MM)
    sheet = Sheet(420.0, 297.0)
    study = made_by_artist("boathouse", "Boathouse across the water", sheet, SEED, station)
    truth = truth_in_units(seen_landmarks(scene, station), scene.unit)
    rng = np.random.default_rng(SEED)
    tilts = []
    seen = {each.id for each in study.landmarks}
    taken = {(s.start, s.end) for s in study.sightings if isinstance(s, Tilt)}
    for i, (a, b) in enumerate(e for e in SIGHTED if e not in taken and seen >= {*e}):
        read = observe(Tilt(id=f"e{i + 1}", start=a, end=b, degrees=0.0), truth, rng)
        if (a, b) == WRONG:
            read = with_value(read, (read.value + WRONG_DEG) % 180.0)
        tilts.append(read)
    posts = Repeat(
        name="Jetty posts", first=("post1_top", "post1_foot"), second=("post2_top", "post2_foot"),
        count=3,
    )  # fmt: skip
    families = tuple(
        Family(name, tuple(edge for edge in edges if seen >= {*edge}), level)
        for name, (edges, level) in scene.families.items()
    )
    return replace(study, sightings=(*study.sightings, *tilts), families=families, repeats=(posts,))
