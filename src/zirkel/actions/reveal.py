"""The truth laid over the block-in, for studies of a simulated subject."""

from __future__ import annotations

import numpy as np
from pydantic import BaseModel

from zirkel.core.network.adjust import place_covariance
from zirkel.core.network.solve import solve
from zirkel.core.sheet.plan import make_plan
from zirkel.core.study import SimulatedSubject, UnitPair
from zirkel.core.subject.artist import inside_predicted
from zirkel.core.subject.scene import seen_landmarks, truth_in_units
from zirkel.errors import BadInput
from zirkel.store.store import Store

WITHIN = 3.0
"""Squared size of the area drawn round a mark, in its own standard deviations: 1.73 of them."""

EXPECTED = 1.0 - float(np.exp(-WITHIN / 2.0))
"""Share of truths that should lie within it: the chi-squared distribution with two degrees."""


class TrueMark(BaseModel):
    """Where a landmark truly belongs on the sheet, and how far off the block-in has it, in mm.
    `inside` is None where nothing holds the mark."""

    landmark: str
    left_mm: float
    top_mm: float
    off_mm: float
    inside: bool | None


class Reveal(BaseModel):
    """All true marks, and how often the truth lay inside the area drawn for it."""

    marks: list[TrueMark]
    mean_off_mm: float
    worst: str | None
    inside: int
    judged: int
    expected_share: float
    said: str


def reveal(store: Store, study_id: int) -> Reveal:
    """The truth about a study of a simulated subject; BadInput where there is none to know."""
    stored = store.get(study_id)
    study, subject = stored.study, stored.study.subject
    if not isinstance(subject, SimulatedSubject) or stored.scene is None:
        raise BadInput("subject", "only a simulated subject has a truth that Zirkel knows")
    if not isinstance(study.unit, UnitPair):
        raise BadInput("unit", "choose a unit on the subject to compare sizes by")
    solution = solve(study)
    plan = make_plan(study, solution)
    seen = seen_landmarks(stored.scene, subject.station)
    if not {study.unit.start, study.unit.end} <= seen.keys():
        raise BadInput("unit", "its two landmarks are not of this scene: count in another unit")
    truth = truth_in_units(seen, study.unit)
    known = [each.id for each in study.landmarks if each.id in truth]
    if not known or plan.unit_mm is None:
        raise BadInput("landmarks", "none of the study's landmarks is of this scene")
    covariance = place_covariance(solution.adjusted)
    number = {name: i for i, name in enumerate(solution.adjusted.network.ids)}
    held = [n for n in known if n not in {each.landmark for each in solution.loose}]
    ends = {study.unit.start, study.unit.end}
    distance = inside_predicted(
        truth,
        {n: solution.adjusted.places[number[n]] for n in held},
        {n: covariance[number[n]] for n in held if n not in ends},
    )
    marks = []
    for name in known:
        at = np.array(plan.origin_mm) + plan.unit_mm * truth[name]
        mark = plan.marks[name]
        off = float(np.hypot(*(at - (mark.held_left_mm, mark.held_top_mm))))
        inside = distance[name] <= WITHIN if name in distance else None
        marks.append(
            TrueMark(
                landmark=name, left_mm=float(at[0]), top_mm=float(at[1]), off_mm=off, inside=inside
            )
        )
    judged = [each.inside for each in marks if each.inside is not None]
    every = [each.off_mm for each in marks]
    names = {each.id: each.name for each in study.landmarks}
    worst = max(marks, key=lambda each: each.off_mm)
    return Reveal(
        marks=marks,
        mean_off_mm=float(np.mean(every)),
        worst=worst.landmark,
        inside=sum(judged),
        judged=len(judged),
        expected_share=EXPECTED,
        said=(
            f"On average {np.mean(every):.1f} mm off; furthest {names[worst.landmark]}, "
            f"{worst.off_mm:.1f} mm. The truth lay inside {sum(judged)} of {len(judged)} areas; "
            f"{EXPECTED * len(judged):.0f} were to be expected."
        ),
    )
