"""The time at hand: what fits into it, the clock, the place, the log; sets of poses."""

from __future__ import annotations

from flask import Response

from zirkel.commands.lists import keep_list
from zirkel.commands.short_poses import begin_short_poses
from zirkel.studyfile.poses_file import PosesFile
from zirkel.views.calendar import calendar_entry
from zirkel.views.short_poses import ShortPoses, ShortPosesMade, open_short_poses
from zirkel.views.sitting import SetShown, SittingRoom, drop_poses, keep_poses, open_sitting
from zirkel.web.border import blueprint, file_reply, still_wanted, store
from zirkel.web.problems import as_json
from zirkel.web.requests import ListKept, PosesPath, ShortPosesBegun, SittingQuery, StudyPath

routes = blueprint("sitting", "The time at hand, and the log")


@routes.get(
    "/studies/<int:study_id>/sitting", responses={"200": SittingRoom}, operation_id="sitting"
)
def get_sitting(path: StudyPath, query: SittingQuery) -> Response:
    """What fits into the time, the clock, the place and the log."""
    with still_wanted(path.study_id, query.version):
        return as_json(open_sitting(store(), path.study_id, query.minutes, query.poses))


@routes.get("/studies/<int:study_id>/sitting.ics", operation_id="nextSitting")
def get_next_sitting(path: StudyPath) -> Response:
    """The next sitting, as a file for a calendar."""
    return file_reply(calendar_entry(store(), path.study_id), "text/calendar", "sitting.ics")


@routes.post("/poses", responses={"201": SetShown}, operation_id="keepPoses")
def post_poses(body: PosesFile) -> Response:
    """Keep an own set of poses and rests, in place of one of the same name."""
    return as_json(keep_poses(store(), body), 201)


@routes.post(
    "/studies/<int:study_id>/short-poses", responses={"201": ShortPosesMade},
    operation_id="beginShortPoses",
)  # fmt: skip
def post_short_poses(path: StudyPath, body: ShortPosesBegun) -> Response:
    """Begin a set of short poses: a study for each, and the first one's clock."""
    name, studies = begin_short_poses(store(), path.study_id, body.blocks)
    return as_json(ShortPosesMade(name=name, studies=studies), 201)


@routes.get("/short-poses/<name>", responses={"200": ShortPoses}, operation_id="shortPoses")
def get_short_poses(path: PosesPath) -> Response:
    """The poses of a set side by side, and what they have in common."""
    return as_json(open_short_poses(store(), path.name))


@routes.put("/materials/<name>", responses={"204": None}, operation_id="keepList")
def put_list(path: PosesPath, body: ListKept) -> Response:
    """Keep what a list of things to lay out holds."""
    keep_list(store(), path.name, body.items)
    return Response(status=204)


@routes.delete("/poses/<name>", responses={"204": None}, operation_id="dropPoses")
def delete_poses(path: PosesPath) -> Response:
    """Take an own set away."""
    drop_poses(store(), path.name)
    return Response(status=204)
