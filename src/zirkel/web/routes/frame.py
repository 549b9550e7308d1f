"""The frame, and how it lies on the sheet."""

from __future__ import annotations

from flask import Response

from zirkel.views.frame import SheetRoom, open_sheet_room
from zirkel.web.border import blueprint, store
from zirkel.web.problems import as_json
from zirkel.web.requests import FrameTry, StudyPath

routes = blueprint("frame", "What to take in, and how it lies on the sheet")


@routes.post("/studies/<int:study_id>/sheet", responses={"200": SheetRoom}, operation_id="sheet")
def post_sheet(path: StudyPath, body: FrameTry) -> Response:
    """Frame and fit, for the study's own frame or one tried out; changes nothing."""
    return as_json(open_sheet_room(store(), path.study_id, body.frame))
