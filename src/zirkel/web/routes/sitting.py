"""The time at hand: what fits into it, the clock, the place, the log; sets of poses."""

from __future__ import annotations

from flask import Response

from zirkel.studyfile.poses_file import PosesFile
from zirkel.views.calendar import calendar_entry
from zirkel.views.sitting import SetShown, SittingRoom, drop_poses, keep_poses, open_sitting
from zirkel.web.border import blueprint, file_reply, still_wanted, store
from zirkel.web.problems import as_json
from zirkel.web.requests import PosesPath, SittingQuery, StudyPath

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


@routes.delete("/poses/<name>", responses={"204": None}, operation_id="dropPoses")
def delete_poses(path: PosesPath) -> Response:
    """Take an own set away."""
    drop_poses(store(), path.name)
    return Response(status=204)
