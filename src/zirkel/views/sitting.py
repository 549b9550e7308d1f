"""The room Sitting: what fits into the time, the clock, whether the place is the same, the log."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from datetime import UTC, datetime

from pydantic import BaseModel

from zirkel.core.pose import Block, Sitting
from zirkel.core.sitting.clock import running
from zirkel.core.sitting.course import since_the_break, told
from zirkel.core.sitting.over_poses import MOST_READINGS, plan_poses, pose_stages
from zirkel.core.sitting.plan import (
    SECONDS_PER_READING,
    SHORT_MINUTES,
    Stage,
    own_pace,
    plan_sitting,
    stages_of,
)
from zirkel.core.sitting.poses import PoseSet
from zirkel.core.sitting.story import Entry, story
from zirkel.core.study import Study
from zirkel.core.values.names import slug
from zirkel.core.words.sightings import ask_for
from zirkel.core.words.sitting import (
    SPENT,
    STAGES,
    say_entry,
    say_first_today,
    say_loose,
    say_plan,
    say_pose,
    say_same,
    say_spent,
)
from zirkel.core.worked import Worked
from zirkel.errors import NotFound
from zirkel.poses import ENDING, FIRST, all_poses
from zirkel.store.store import Store
from zirkel.studyfile.own_files import keep_own, own_path
from zirkel.studyfile.poses_file import PosesFile, poses_of, read_poses, write_poses
from zirkel.views.care import CareShown, MaterialsShown, care_of, laid_out
from zirkel.views.place import PlaceShown, place_shown
from zirkel.views.subject import hidden_from

FOLDER, MOST_SETS = "poses", 100


class BlockShown(BaseModel):
    """A pose, work or rest, and its minutes."""

    kind: str
    minutes: float


class StageShown(BaseModel):
    """A stage and its minutes."""

    stage: str
    name: str
    minutes: float


class BlockOnClock(BlockShown):
    """A pose, work or rest on the clock, parted into its stages."""

    stages: list[StageShown]


class SetShown(BaseModel):
    """A set of poses and rests; `own` where the artist made it, `shares` where it parts the time in
    a way of its own."""

    name: str
    title: str
    blocks: list[BlockShown]
    shares: dict[str, float]
    own: bool
    short: bool
    """Whether each pose is so short that it is a drawing of its own."""


class Planned(BaseModel):
    """What fits into a pose of so many minutes."""

    minutes: float
    stages: list[StageShown]
    said: str
    readings: list[str]
    left_loose: str | None
    over: list[str]
    """The poses of the set, one after the other, where there are several."""


class LogPictureShown(BaseModel):
    """A photograph of the drawing in the log: what it shows, and the check it belongs to, if one
    was made on it."""

    picture: str
    at: str
    said: str
    check: str | None


class SpentShown(BaseModel):
    """What so many minutes went into."""

    stage: str
    said: str
    minutes: float


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
    spent: list[SpentShown]
    brought: str | None
    """How the time went, and what it brought, in words."""
    pictures: list[LogPictureShown]


class RunningClock(BaseModel):
    """The sitting that goes on: when it began, what the time is now, its blocks, and how often the
    model has moved; one of a set of short poses says of which, and which it is of how many."""

    id: str
    at: str
    now: str
    blocks: list[BlockOnClock]
    moved: int
    of_set: str | None
    pose: int | None
    poses: int | None


class SittingRoom(BaseModel):
    """All that the room shows. `same` says whether the place is the same after a break or a move,
    once enough is sighted again; `seconds_per_reading` is the artist's own pace, or the usual one
    (`own_pace` false)."""

    version: int
    sets: list[SetShown]
    usual_set: str
    sets_trouble: list[str]
    """What is wrong with own sets that can't be read."""
    place: PlaceShown
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
    care: CareShown
    next_at: str | None
    """When the next sitting is, by the clock there."""
    look_again: list[str]
    """What comes first another day, in its order."""


def clock_of(study: Study) -> RunningClock | None:
    """The sitting that goes on."""
    sitting = running(study)
    if sitting is None:
        return None
    return RunningClock(
        id=sitting.id,
        at=sitting.at,
        now=datetime.now(UTC).isoformat(timespec="milliseconds"),
        blocks=_blocks(sitting, study),
        moved=len(sitting.moved),
        of_set=sitting.of_set,
        pose=sitting.pose,
        poses=sitting.poses,
    )


def _blocks(sitting: Sitting, study: Study) -> list[BlockOnClock]:
    posed = [each for each in sitting.blocks if each.kind != "rest"]

    def parted(each: Block) -> tuple[Stage, ...]:
        if each.kind == "rest":
            return ()
        if sitting.shares or len(posed) == 1:
            return stages_of(each.minutes, study, sitting.shares)
        number = next(i for i, one in enumerate(posed) if one is each)
        return pose_stages(study, each.minutes, number, len(posed))

    return [
        BlockOnClock(kind=each.kind, minutes=each.minutes, stages=_stages(parted(each)))
        for each in sitting.blocks
    ]


MOST_TOLD = 8
"""Poses that are told one by one."""


def _over(
    worked: Worked, blocks: Sequence[Block], pace: float, unseen: tuple[str, ...]
) -> list[str]:
    """The poses of a set one after the other; none of a single one, or of short ones."""
    poses = [each.minutes for each in blocks if each.kind != "rest"]
    rests = [each.minutes for each in blocks if each.kind == "rest"]
    if not 1 < len(poses) <= MOST_TOLD or max(poses) <= SHORT_MINUTES:
        return []
    solution = worked.solution
    plans = plan_poses(
        solution.adjusted, poses, rests, pace, solution.scatter, unseen, worked.sure_enough
    )
    return [say_pose(number, plan, worked.words) for number, plan in enumerate(plans, 1)]


def _stages(stages: Iterable[Stage]) -> list[StageShown]:
    return [
        StageShown(stage=each.stage, name=STAGES[each.stage], minutes=each.minutes)
        for each in stages
    ]


def open_sitting(
    store: Store, study_id: int, minutes: float, poses: str | None = None
) -> SittingRoom:
    """The room for one study, its plan for a pose of so many minutes out of a set by name."""
    stored = store.get(study_id)
    worked, study = stored.worked, stored.study
    pace = own_pace(study)
    now = datetime.now(UTC)
    since = since_the_break(study)
    materials, trouble = laid_out(store, stored)
    sets, own_sets, sets_trouble = all_poses(store.folder / FOLDER)
    going = running(study)
    shares = going.shares if going else sets[poses].shares if poses in sets else {}
    found = None if since is None else told(since)
    seconds, hidden = pace or SECONDS_PER_READING, hidden_from(stored)
    return SittingRoom(
        version=stored.version,
        sets=[_set_shown(each, each.name in own_sets) for each in sets.values()],
        usual_set=FIRST,
        sets_trouble=list(sets_trouble),
        place=place_shown(study),
        plan=_planned(
            worked, minutes, seconds, hidden, shares,
            [] if going or shares or poses not in sets
            else _over(worked, sets[poses].blocks, seconds, hidden),
        ),
        seconds_per_reading=seconds,
        own_pace=pace is not None,
        clock=clock_of(study),
        same=None if found is None else say_same(found),
        shifted=found is not None and not found.same,
        log=[_shown(each, worked) for each in story(study, now, reckon=True)],
        materials=materials,
        care=care_of(stored),
        next_at=study.next_sitting,
        materials_trouble=list(trouble),
        look_again=say_first_today(study, worked.words, worked.solution),
    )  # fmt: skip


def _planned(
    worked: Worked, minutes: float, pace: float, unseen: tuple[str, ...],
    shares: Mapping[str, float], over: list[str],
) -> Planned:  # fmt: skip
    solution = worked.solution
    plan = plan_sitting(
        solution.adjusted, minutes, pace, solution.scatter, unseen, shares, worked.sure_enough,
        MOST_READINGS,
    )  # fmt: skip
    words = worked.words
    return Planned(
        minutes=minutes,
        stages=_stages(plan.stages),
        said=say_plan(plan, words),
        readings=[
            ask_for(words, each.kind, each.start, each.end, each.along, each.towards)
            for each in plan.sightings
        ],
        left_loose=say_loose([words.of(each) for each in plan.left_loose]),
        over=over,
    )


def _shown(entry: Entry, worked: Worked) -> SittingShown:
    sitting = entry.sitting
    return SittingShown(
        id=sitting.id, at=sitting.at, ended=sitting.ended, said=say_entry(entry),
        readings=entry.readings, checks=entry.checks, moved=len(sitting.moved), note=sitting.note,
        spent=[
            SpentShown(stage=stage, said=said, minutes=entry.spent[stage])
            for stage, said in SPENT.items()
            if stage in entry.spent
        ],
        brought=say_spent(entry, worked.words, worked.solution.scatter),
        pictures=[
            LogPictureShown(
                picture=each.picture, at=each.at, said=each.said,
                check=None if check is None else check.id,
            )
            for each, check in entry.pictures
        ],
    )  # fmt: skip


def _set_shown(poses: PoseSet, own: bool) -> SetShown:
    blocks = [BlockShown(kind=each.kind, minutes=each.minutes) for each in poses.blocks]
    posed = [each.minutes for each in blocks if each.kind != "rest"]
    return SetShown(
        name=poses.name, title=poses.title, blocks=blocks, shares=dict(poses.shares), own=own,
        short=len(posed) > 1 and max(posed) <= SHORT_MINUTES,
    )  # fmt: skip


def keep_poses(store: Store, file: PosesFile) -> SetShown:
    """Keep a set of poses beside the database; one of the same name is replaced. BadInput says what
    is wrong with it."""
    poses = poses_of(file)
    path = store.folder / FOLDER / f"{slug(poses.name)}{ENDING}"
    keep_own(path, ENDING, write_poses(file), "sets of poses", MOST_SETS)
    return _set_shown(poses, True)


def drop_poses(store: Store, name: str) -> None:
    """Take an own set away; NotFound where there is none of that name."""
    path = own_path(store.folder / FOLDER, ENDING, read_poses, name)
    if path is None:
        raise NotFound(f"There is no own set of poses called “{name}”.")
    path.unlink(missing_ok=True)
