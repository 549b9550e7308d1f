"""Changes to a study, and its history: undo and redo."""

from __future__ import annotations

from flask import Response

from zirkel.commands.change_study import change_study
from zirkel.errors import BadInput
from zirkel.views.bench_told import Bench
from zirkel.web.border import bench_reply, blueprint, store
from zirkel.web.refused import refusals
from zirkel.web.requests import ChangeRequest, HistoryRequest, StudyPath

routes = blueprint("history", "Changes made to a study")


@routes.post("/studies/<int:study_id>/changes", responses={"200": Bench},
             operation_id="changeStudy")  # fmt: skip
def post_change(path: StudyPath, body: ChangeRequest) -> Response:
    """Make one change."""
    before = store().get(path.study_id)
    try:
        after = change_study(store(), path.study_id, body.version, body.change, body.token)
    except BadInput:
        refusals().again(path.study_id)
        raise
    refusals().none(path.study_id)
    return bench_reply(after, before=before)


@routes.post("/studies/<int:study_id>/undo", responses={"200": Bench}, operation_id="undoChange")
def post_undo(path: StudyPath, body: HistoryRequest) -> Response:
    """Take back the last change that stands."""
    return bench_reply(store().undo(path.study_id, body.version, body.token))


@routes.post("/studies/<int:study_id>/redo", responses={"200": Bench}, operation_id="redoChange")
def post_redo(path: StudyPath, body: HistoryRequest) -> Response:
    """Bring again the change undone last."""
    return bench_reply(store().redo(path.study_id, body.version, body.token))
