"""What is asked while a sitting goes on: after a break or a move first a few control readings, then
what the time that is left in the pose allows."""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import dataclass, replace
from datetime import datetime

from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.search import adjust
from zirkel.core.network.what_next import Suggestion
from zirkel.core.pose import Sitting
from zirkel.core.sightings import Sighting
from zirkel.core.sitting.clock import moment, running, stands
from zirkel.core.sitting.control import MOST, SamePlace, controls, same_place
from zirkel.core.sitting.plan import SECONDS_PER_READING, SittingPlan, own_pace, plan_sitting
from zirkel.core.study import Study

LEAST_TO_TELL = 2
SHORT_SECONDS = 600.0
"""Time left from which on the plan of the pose is asked instead of what is next in the usual order
of work."""


@dataclass(frozen=True, slots=True)
class Since:
    """The readings before a break or a move, and those after it."""

    began: datetime
    before: Study
    after: tuple[Sighting, ...]


def since_the_break(study: Study) -> Since | None:
    """What was sighted before and after the sitting began or the model moved last; None without a
    sitting, or where nothing was sighted before."""
    sitting = running(study)
    began = None if sitting is None else moment((sitting.moved or (sitting.at,))[-1])
    if began is None:
        return None
    before: list[Sighting] = []
    after: list[Sighting] = []
    for each in study.sightings:
        at = None if each.taken_at is None else moment(each.taken_at)
        (after if at is not None and at >= began else before).append(each)
    if not before:
        return None
    return Since(began, replace(study, sightings=tuple(before)), tuple(after))


def controls_left(
    adjusted: Adjustment, since: Since, unseen: Collection[str] = ()
) -> tuple[Suggestion, ...]:
    """The control readings that are still to be taken."""
    left = MOST - len(since.after)
    if left <= 0:
        return ()
    taken = {frozenset(each.landmarks) for each in since.after}
    asked = [
        each
        for each in controls(adjusted, unseen)
        if frozenset((each.start, each.end)) not in taken
    ]
    return tuple(asked[:left])


def told(since: Since) -> SamePlace | None:
    """Whether the place is the same, by the first readings since; None while they are too few."""
    held = [
        each
        for each in since.after[:MOST]
        if each.holds and not each.struck and len(each.landmarks) == LEAST_TO_TELL
        and each.value_field is not None
    ]  # fmt: skip
    if len(held) < LEAST_TO_TELL:
        return None
    return same_place(adjust(since.before), held)


def plan_now(
    adjusted: Adjustment,
    sitting: Sitting,
    now: datetime,
    scatter: float,
    unseen: Collection[str] = (),
) -> SittingPlan | None:
    """The plan for what is left of the pose; None in a rest, after the end, or with time enough."""
    at = stands(sitting, now)
    if at.block is None or sitting.blocks[at.block].kind == "rest":
        return None
    if at.seconds_left > SHORT_SECONDS:
        return None
    pace = own_pace(adjusted.network.study) or SECONDS_PER_READING
    return plan_sitting(
        adjusted, at.seconds_left / 60.0, pace, scatter, unseen, sitting.shares
    )  # fmt: skip
