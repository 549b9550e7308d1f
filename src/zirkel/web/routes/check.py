"""Checking the drawing: its photograph, what is off, what repairs it."""

from __future__ import annotations

from flask import Response

from zirkel.views.check import CheckRoom, open_check
from zirkel.views.drawing import CornersAsked, CornersFound, drawing_picture, find_corners
from zirkel.web.border import A_DAY, blueprint, still_wanted, store
from zirkel.web.problems import as_json
from zirkel.web.requests import DrawingQuery, StudyPath, Wanted

routes = blueprint("check", "Where the drawing stands, and what repairs it")


@routes.get("/studies/<int:study_id>/check", responses={"200": CheckRoom}, operation_id="check")
def get_check(path: StudyPath, query: Wanted) -> Response:
    """The drawing as it was measured, and what the last check found."""
    with still_wanted(path.study_id, query.version):
        return as_json(open_check(store(), path.study_id))


@routes.post("/studies/<int:study_id>/corners", responses={"200": CornersFound},
             operation_id="corners")  # fmt: skip
def post_corners(path: StudyPath, body: CornersAsked) -> Response:
    """The sheet's corners in a photograph; changes nothing."""
    return as_json(find_corners(store(), path.study_id, body.picture))


@routes.get("/studies/<int:study_id>/drawing.jpg", operation_id="drawing")
def get_drawing(path: StudyPath, query: DrawingQuery) -> Response:
    """The photographed drawing as if looked at from straight above."""
    return Response(
        drawing_picture(store(), path.study_id, query.check, query.longest),
        mimetype="image/jpeg",
        headers={"Cache-Control": f"private, max-age={A_DAY}"},
    )
