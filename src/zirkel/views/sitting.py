"""The room Sitting: what fits into the time, the clock, whether the place is the same, the log."""

from __future__ import annotations

from datetime import UTC, datetime

from pydantic import BaseModel

from zirkel.core.pose import Sitting
from zirkel.core.sitting.clock import SETS, running
from zirkel.core.sitting.course import since_the_break, told
from zirkel.core.sitting.plan import SECONDS_PER_READING, own_pace, plan_sitting
from zirkel.core.sitting.story import Entry, story
from zirkel.core.study import Study
from zirkel.core.words.sightings import ask_for
from zirkel.core.words.sitting import STAGES, say_entry, say_look_again, say_plan, say_same
from zirkel.core.worked import Worked
from zirkel.store.store import Store
from zirkel.views.subject import hidden_from


class BlockShown(BaseModel):
    """A pose, work or rest, and its minutes."""

    kind: str
    minutes: float


class SetShown(BaseModel):
    """A usual set of poses and rests."""

    name: str
    title: str
    blocks: list[BlockShown]


class StageShown(BaseModel):
    """A stage and its minutes."""

    stage: str
    name: str
    minutes: float


class Planned(BaseModel):
    """What fits into a pose of so many minutes."""

    minutes: float
    stages: list[StageShown]
    said: str
    readings: list[str]
    left_loose: list[str]


class SittingShown(BaseModel):
    """One sitting as it was, and what was done in it, in words."""

    id: str
    at: str
    ended: str | None
    said: str
    readings: int
    checks: int
    moved: int
    note: str | None


class RunningClock(BaseModel):
    """The sitting that goes on: when it began, what the time is now, its blocks, and how often the
    model has moved."""

    id: str
    at: str
    now: str
    blocks: list[BlockShown]
    moved: int


class SittingRoom(BaseModel):
    """All that the room shows. `same` says whether the place is the same after a break or a move,
    once enough is sighted again; `seconds_per_reading` is the artist's own pace, or the usual one
    (`own_pace` false)."""

    version: int
    sets: list[SetShown]
    plan: Planned
    seconds_per_reading: float
    own_pace: bool
    clock: RunningClock | None
    same: str | None
    shifted: bool
    log: list[SittingShown]
    look_again: list[str]
    """What to look at first another day."""


def clock_of(study: Study) -> RunningClock | None:
    """The sitting that goes on."""
    sitting = running(study)
    if sitting is None:
        return None
    return RunningClock(
        id=sitting.id,
        at=sitting.at,
        now=datetime.now(UTC).isoformat(timespec="milliseconds"),
        blocks=_blocks(sitting),
        moved=len(sitting.moved),
    )


def _blocks(sitting: Sitting) -> list[BlockShown]:
    return [BlockShown(kind=each.kind, minutes=each.minutes) for each in sitting.blocks]


def open_sitting(store: Store, study_id: int, minutes: float) -> SittingRoom:
    """The room for one study, its plan for a pose of so many minutes."""
    stored = store.get(study_id)
    worked, study = stored.worked, stored.study
    pace = own_pace(study)
    now = datetime.now(UTC)
    since = since_the_break(study)
    found = None if since is None else told(since)
    return SittingRoom(
        version=stored.version,
        sets=[
            SetShown(
                name=name, title=title,
                blocks=[BlockShown(kind=each.kind, minutes=each.minutes) for each in blocks],
            )
            for name, (title, blocks) in SETS.items()
        ],
        plan=_planned(worked, minutes, pace or SECONDS_PER_READING, hidden_from(stored)),
        seconds_per_reading=pace or SECONDS_PER_READING,
        own_pace=pace is not None,
        clock=clock_of(study),
        same=None if found is None else say_same(found),
        shifted=found is not None and not found.same,
        log=[_shown(each) for each in reversed(story(study, now))],
        look_again=say_look_again(study, worked.words, worked.solution),
    )  # fmt: skip


def _planned(worked: Worked, minutes: float, pace: float, unseen: tuple[str, ...]) -> Planned:
    plan = plan_sitting(worked.solution.adjusted, minutes, pace, worked.solution.scatter, unseen)
    words = worked.words
    return Planned(
        minutes=minutes,
        stages=[
            StageShown(stage=each.stage, name=STAGES[each.stage], minutes=each.minutes)
            for each in plan.stages
        ],
        said=say_plan(plan, words),
        readings=[
            ask_for(words, each.kind, each.start, each.end, each.along, each.towards)
            for each in plan.sightings
        ],
        left_loose=[words.of(each) for each in plan.left_loose],
    )


def _shown(entry: Entry) -> SittingShown:
    sitting = entry.sitting
    return SittingShown(
        id=sitting.id, at=sitting.at, ended=sitting.ended, said=say_entry(entry),
        readings=entry.readings, checks=entry.checks, moved=len(sitting.moved), note=sitting.note,
    )  # fmt: skip
