"""A block-in of the practice diagnosed as a drawing in Check is: the few causes that explain how
it is off, place and size being the artist's own."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from zirkel.core.check.correct import Check
from zirkel.core.check.diagnose import diagnose
from zirkel.core.check.drawing import LEAST, Drawing
from zirkel.core.check.measured import place_and_size
from zirkel.core.practice.board import Posed
from zirkel.core.practice.exercises.block_in import pairs
from zirkel.core.study import Landmark, Sheet, Study
from zirkel.core.subject.scene import Scene

SHEET_MM = 200.0
"""Width of the sheet that the frame stands for, so that what is off can be said in mm."""

OWN_MM = 2.0
"""What the eye alone errs by there at best, for each landmark: no more is asked to be explained."""


def diagnosed(posed: Posed, answer: Sequence[float], scene: Scene) -> tuple[Study, Check] | None:
    """The block-in as a study with its check; None where too little was placed."""
    placed, true, drawn = pairs(posed, answer)
    if len(placed) < LEAST or np.ptp(drawn, axis=0).max() <= 0.0:
        return None
    ids = tuple(posed.landmarks[i] for i in placed)
    known = {each.id: each for each in scene.landmarks}
    shapes = tuple(each for each in scene.shapes if set(each.outline) <= set(ids))
    study = Study(
        title=scene.title,
        landmarks=tuple(Landmark(each, known[each].name, known[each].tier) for each in ids),
        shapes=shapes,
        sheet=Sheet(SHEET_MM, SHEET_MM),
        check_against="proportions",
    )
    number = {name: i for i, name in enumerate(ids)}
    planned = true * SHEET_MM
    # Size is the artist's own: only to first order in the model, so it is taken out beforehand.
    z = planned - planned.mean(axis=0)
    w = (drawn - drawn.mean(axis=0)) * SHEET_MM
    size = float((z * w).sum() / max(float((w * w).sum()), 1e-9))
    factor = size if size > 0.1 else 1.0
    drawing = Drawing(
        ids=ids,
        tiers=np.array([known[each].tier for each in ids]),
        planned=planned,
        off=w * factor - z,
        sd=np.full(len(ids), OWN_MM),
        spread=np.zeros(2 * len(ids)),
        axes=np.eye(2 * len(ids)) / OWN_MM,
        free=place_and_size(planned),
        groups=tuple(
            (each.id, np.array(sorted(number[name] for name in each.outline)))
            for each in shapes
            if LEAST <= len(each.outline) < len(ids)
        ),
    )
    return study, Check(drawing, diagnose(drawing), (), {}, {})
