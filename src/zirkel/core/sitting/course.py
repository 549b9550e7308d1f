"""What is asked while a sitting goes on: after a break or a move first a few control readings, then
what the time that is left in the pose allows."""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta

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
AFTER_A_SHORT_BREAK, SHORT_BREAK = 2, timedelta(minutes=5)
"""Control readings after a break shorter than this."""

SHORT_SECONDS = 600.0
"""Time left from which on the plan of the pose is asked instead of what is next in the usual order
of work."""


@dataclass(frozen=True, slots=True)
class Since:
    """The readings before a break or a move, those after it, and how many of these are to tell
    whether the place is the same."""

    began: datetime
    before: Study
    after: tuple[Sighting, ...]
    most: int = MOST


def since_the_break(study: Study, now: datetime | None = None) -> Since | None:
    """What was sighted before and after the sitting began, its last rest ended or the model moved
    last; None without a sitting, or where nothing was sighted before."""
    sitting = running(study)
    at = None if sitting is None else _last_break(sitting, now or datetime.now(UTC))
    if sitting is None or at is None:
        return None
    began, rested = at
    before: list[Sighting] = []
    after: list[Sighting] = []
    last: datetime | None = None
    for each in study.sightings:
        taken = None if each.taken_at is None else moment(each.taken_at)
        late = taken is not None and taken >= began
        (after if late else before).append(each)
        if taken is not None and not late and (last is None or taken > last):
            last = taken
    if not before:
        return None
    if rested is None and last is not None and not sitting.moved:
        rested = began - last
    short = rested is not None and rested < SHORT_BREAK
    most = AFTER_A_SHORT_BREAK if short else MOST
    return Since(began, replace(study, sightings=tuple(before)), tuple(after), most)


def _last_break(sitting: Sitting, now: datetime) -> tuple[datetime, timedelta | None] | None:
    """When the last break was over, and how long it was; None for what can't be told."""
    start = moment(sitting.at)
    if start is None:
        return None
    at, rested = start, None
    end = start
    for each in sitting.blocks:
        end += timedelta(minutes=each.minutes)
        if each.kind == "rest" and end <= now:
            at, rested = end, timedelta(minutes=each.minutes)
    moved = moment(sitting.moved[-1]) if sitting.moved else None
    return (moved, None) if moved is not None and moved >= at else (at, rested)


def controls_left(
    adjusted: Adjustment, since: Since, unseen: Collection[str] = ()
) -> tuple[Suggestion, ...]:
    """The control readings that are still to be taken."""
    left = since.most - len(since.after)
    if left <= 0:
        return ()
    taken = {frozenset(each.landmarks) for each in since.after}
    asked = [
        each
        for each in controls(adjusted, unseen, since.most)
        if frozenset((each.start, each.end)) not in taken
    ]
    return tuple(asked[:left])


def told(since: Since) -> SamePlace | None:
    """Whether the place is the same, by the first readings since; None while they are too few."""
    held = [
        each
        for each in since.after[: since.most]
        if each.holds and not each.struck and len(each.landmarks) == LEAST_TO_TELL
        and each.value_field is not None
    ]  # fmt: skip
    if len(held) < LEAST_TO_TELL:
        return None
    return same_place(adjust(since.before), held)


def shifted(study: Study, now: datetime | None = None) -> SamePlace | None:
    """What has shifted since the last break; None where nothing has, or it was gone on with."""
    sitting, since = running(study), since_the_break(study, now)
    if sitting is None or since is None or sitting.shift_known == since.began.isoformat():
        return None
    found = told(since)
    return None if found is None or found.same else found


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
