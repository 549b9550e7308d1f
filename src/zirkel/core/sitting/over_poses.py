"""One plan over all poses of a sitting: what is done once, what falls and what grows from pose to
pose, and what is taken again after every rest.

Framing and the envelope come once and first. Every pose but the first begins with control readings,
two after a short rest, up to five after a long one, since a sitter never comes back quite the same.
Sighting falls from pose to pose and drawing grows, and the last minutes are for standing back. An
arm holds a stick out for so many readings and no more; the minutes of sighting beyond those are the
shoulder's.
"""

from __future__ import annotations

import math
from collections.abc import Collection, Sequence
from dataclasses import dataclass

from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.what_next import Suggestion
from zirkel.core.sitting.control import controls
from zirkel.core.sitting.plan import SECONDS_PER_READING, Course, Stage, usual_shares
from zirkel.core.study import Study

MOST_READINGS = 45
"""What an arm holds out for in one pose."""

SIGHT_FIRST, SIGHT_LAST = 0.5, 0.2
"""The share of the first pose, and of the last, that goes into sighting."""

ONCE = ("frame", "envelope")
STAND_BACK = 0.1
USUAL_REST = 5.0
FEWEST, FEW_AFTER, MOST_CONTROLS, LONG_REST = 2, 4, 5, 15.0
"""Control readings after a rest shorter than the usual one, after a usual and after a long one."""


@dataclass(frozen=True, slots=True)
class PosePlan:
    """One pose: its stages; what is taken again at its beginning; what is sighted after that; how
    sure the large shapes are to be by its end, in units; what is loose still."""

    stages: tuple[Stage, ...]
    controls: tuple[Suggestion, ...]
    sightings: tuple[Suggestion, ...]
    expected_sd: float
    left_loose: tuple[str, ...]


def plan_poses(
    adjusted: Adjustment,
    poses: Sequence[float],
    rests: Sequence[float] = (),
    seconds_per_reading: float = SECONDS_PER_READING,
    scatter: float = 1.0,
    unseen: Collection[str] = (),
    enough: float | None = None,
) -> tuple[PosePlan, ...]:
    """The plan for poses of so many minutes, with rests of so many between them (the last one told
    stands for those that aren't); `enough` as in `plan_sitting`."""
    study = adjusted.network.study
    course = Course(adjusted, unseen, enough)
    made = []
    for number, minutes in enumerate(poses):
        stages = pose_stages(study, minutes, number, len(poses))
        sighting = sum(each.minutes for each in stages if each.stage == "sight")
        fits = min(math.floor(sighting * 60.0 / seconds_per_reading + 1e-9), MOST_READINGS)
        again: tuple[Suggestion, ...] = ()
        if number:
            asked = _controls_after(rests, number)
            again = controls(adjusted, unseen, asked, course.cofactor, course.held)
        readings = course.taken(max(fits - len(again), 0))
        made.append(PosePlan(stages, again, readings, scatter * course.large_sd, course.loose))
    return tuple(made)


def _controls_after(rests: Sequence[float], number: int) -> int:
    rest = rests[min(number, len(rests)) - 1] if rests else USUAL_REST
    if rest < USUAL_REST:
        return FEWEST
    return FEW_AFTER if rest < LONG_REST else MOST_CONTROLS


def pose_stages(study: Study, minutes: float, number: int, count: int) -> tuple[Stage, ...]:
    """One pose parted: what is done once takes its share of the first; sighting falls, standing
    back stays, drawing has the rest."""
    shares = usual_shares(study, minutes)
    once = {name: minutes * shares[name] for name in ONCE if number == 0 and name in shares}
    left = minutes - sum(once.values())
    way = number / (count - 1) if count > 1 else 0.0
    sight = left * (SIGHT_FIRST + (SIGHT_LAST - SIGHT_FIRST) * way)
    check = minutes * STAND_BACK if "check" in shares else 0.0
    tone = minutes * shares.get("tone", 0.0) * way
    parts = {**once, "sight": sight, "draw": left - sight - check - tone, "check": check,
             "tone": tone}  # fmt: skip
    return tuple(Stage(name, mine) for name, mine in parts.items() if mine > 0.0)
