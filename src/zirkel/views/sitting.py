"""The room Sitting: what fits into the time, the clock, whether the place is the same, the log."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import UTC, datetime

from pydantic import BaseModel

from zirkel.core.pose import Sitting
from zirkel.core.sitting.clock import SETS, running
from zirkel.core.sitting.course import since_the_break, told
from zirkel.core.sitting.materials import Materials, for_school
from zirkel.core.sitting.plan import SECONDS_PER_READING, own_pace, plan_sitting
from zirkel.core.sitting.story import Entry, story
from zirkel.core.study import Study
from zirkel.core.words.sightings import ask_for
from zirkel.core.words.sitting import STAGES, say_entry, say_look_again, say_plan, say_same
from zirkel.core.worked import Worked
from zirkel.materials import all_materials
from zirkel.store.store import Store
from zirkel.views.subject import hidden_from
from zirkel.views.tones import medium_data


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


class ItemShown(BaseModel):
    """One thing to lay out, and what it is for."""

    what: str
    stage: str


class MaterialsShown(BaseModel):
    """A list of what to lay out, and what to take care of."""

    name: str
    title: str
    items: list[ItemShown]
    cautions: list[str]


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
    materials: list[MaterialsShown]
    materials_trouble: list[str]
    """What is wrong with own lists that can't be read."""
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
    lists, trouble = all_materials(store.folder / "materials")
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
        materials=_materials(store, study, lists),
        materials_trouble=list(trouble),
        look_again=say_look_again(study, worked.words, worked.solution),
    )  # fmt: skip


def _materials(store: Store, study: Study, lists: Mapping[str, Materials]) -> list[MaterialsShown]:
    """What the study's school lays out, and the sticks of its medium."""
    made = [
        MaterialsShown(
            name=each.name, title=each.title, cautions=list(each.cautions),
            items=[ItemShown(what=item.what, stage=item.stage) for item in each.items],
        )
        for each in for_school(lists.values(), study.method)
    ]  # fmt: skip
    medium = medium_data(store, study)
    if medium is not None:
        sticks = [ItemShown(what=stick.name, stage="tone") for stick in medium.sticks]
        made.append(
            MaterialsShown(
                name=medium.name, title=medium.title, items=sticks,
                cautions=list(medium.cautions),
            )
        )  # fmt: skip
    return made


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
