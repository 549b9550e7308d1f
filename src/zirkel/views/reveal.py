"""The truth laid over the block-in: of a simulated subject, or by a photograph of a real one."""

from __future__ import annotations

from collections.abc import Mapping

import numpy as np
from pydantic import BaseModel

from zirkel.core.arrays import Array
from zirkel.core.lesson.limits import truth_is_shown
from zirkel.core.network import slack
from zirkel.core.network.adjust import place_covariance
from zirkel.core.study import SimulatedSubject, UnitPair
from zirkel.core.subject.scene import seen_landmarks, truth_in_units
from zirkel.core.worked import Worked
from zirkel.errors import BadInput
from zirkel.store.store import Store, Stored


class TrueMark(BaseModel):
    """Where a landmark truly belongs on the sheet, and how far off the block-in has it, in mm.
    `inside` is None where nothing holds the mark."""

    landmark: str
    left_mm: float
    top_mm: float
    off_mm: float
    off: str
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
    """The truth about a study's subject; BadInput where there is none to know."""
    stored = store.get(study_id)
    worked = stored.worked
    marks = true_marks(worked, _truth(stored))
    if not marks:
        raise BadInput("landmarks", "none of the study's landmarks is of this scene")
    judged = [each.inside for each in marks if each.inside is not None]
    mean = float(np.mean([each.off_mm for each in marks]))
    worst = max(marks, key=lambda each: each.off_mm)
    words = worked.words
    return Reveal(
        marks=marks,
        mean_off_mm=mean,
        worst=worst.landmark,
        inside=sum(judged),
        judged=len(judged),
        expected_share=slack.SHARE,
        said=(
            f"On average {words.length(round(mean, 1))} off; furthest {words.of(worst.landmark)}, "
            f"{words.length(round(worst.off_mm, 1))}. The truth lay inside {sum(judged)} of "
            f"{len(judged)} areas; {slack.SHARE * len(judged):.0f} were to be expected. "
            f"{worked.agreement or ''}"
        ).rstrip(),
    )


def _truth(stored: Stored) -> dict[str, Array]:
    """True places (2,) in units; BadInput where there is none to know."""
    subject, unit = stored.study.subject, stored.study.unit
    if not truth_is_shown(stored.study):
        raise BadInput("task", "the lesson shows the truth once it is handed in, or on its wall")
    photographed = stored.worked.true_places
    if subject is None and photographed is not None:
        return dict(photographed.places)
    if not isinstance(subject, SimulatedSubject) or stored.scene is None:
        raise BadInput(
            "subject",
            "only a simulated subject has a truth that Zirkel knows: photograph a real one",
        )
    if not isinstance(unit, UnitPair):
        raise BadInput("unit", "choose a unit on the subject to compare sizes by")
    seen = seen_landmarks(stored.scene, subject.station)
    if not {unit.start, unit.end} <= seen.keys():
        raise BadInput("unit", "its two landmarks are not of this scene: count in another unit")
    return truth_in_units(seen, unit)


def true_marks(worked: Worked, truth: Mapping[str, Array]) -> list[TrueMark]:
    """Each landmark of the truth (2,) in units against the block-in."""
    plan, adjusted = worked.plan, worked.solution.adjusted
    if plan.unit_mm is None:
        return []
    covariance = place_covariance(adjusted) * worked.solution.scatter**2
    loose = {each.landmark for each in worked.solution.loose}
    unit = worked.study.unit
    fixed = {unit.start, unit.end} if isinstance(unit, UnitPair) else set()
    made = []
    for number, name in enumerate(adjusted.network.ids):
        if name not in truth:
            continue
        off = truth[name] - adjusted.places[number]
        at = np.array(plan.origin_mm) + plan.unit_mm * truth[name]
        judged = name not in loose and name not in fixed
        made.append(
            TrueMark(
                landmark=name,
                left_mm=float(at[0]),
                top_mm=float(at[1]),
                off_mm=(away := float(np.hypot(*off)) * plan.unit_mm),
                off=worked.words.within(away),
                inside=slack.inside(off, covariance[number]) if judged else None,
            )
        )
    return made
