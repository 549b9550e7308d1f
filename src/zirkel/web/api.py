"""The API, version 1: a thin border over the actions."""

from __future__ import annotations

from flask import Response, current_app, request
from flask_openapi3 import APIBlueprint, Tag

from zirkel.actions.bench import Bench, open_bench
from zirkel.actions.change_study import change_study, redo_change, undo_change
from zirkel.actions.prompts import (
    Prompts,
    RelationPrompts,
    TrustReport,
    open_prompts,
    open_relations,
    open_trust,
)
from zirkel.actions.studies import (
    Wall,
    begin_from_scene,
    export_study,
    import_study,
    make_study,
    wall,
)
from zirkel.store.store import Store
from zirkel.studyfile.schema import StudyFile
from zirkel.web.problems import Problem, as_json
from zirkel.web.requests import ChangeRequest, HistoryRequest, Removal, SceneChoice, StudyPath

api = APIBlueprint(
    "api",
    __name__,
    url_prefix="/api/v1",
    abp_tags=[Tag(name="studies", description="Studies and the changes made to them")],
    abp_responses={"404": Problem, "409": Problem, "413": Problem, "422": Problem},
)


def store() -> Store:
    """The store of the running application."""
    found: Store = current_app.extensions["zirkel_store"]
    return found


@api.get("/studies", responses={"200": Wall}, operation_id="wall")
def get_wall() -> Response:
    """All studies, last changed first."""
    return as_json(wall(store()))


@api.post("/studies", responses={"201": Bench}, operation_id="makeStudy")
def post_study(body: StudyFile) -> Response:
    """Keep a new study."""
    return as_json(make_study(store(), body), 201)


@api.post("/studies/from-scene", responses={"201": Bench}, operation_id="beginFromScene")
def post_from_scene(body: SceneChoice) -> Response:
    """Keep a new study of a simulated subject."""
    return as_json(begin_from_scene(store(), body.scene, body.sheet), 201)


@api.post("/studies/import", responses={"201": Bench}, operation_id="importStudy")
def post_import() -> Response:
    """Keep a new study from the bytes of a study file, sent as the request's body."""
    return as_json(import_study(store(), request.get_data()), 201)


@api.get("/studies/<int:study_id>", responses={"200": Bench}, operation_id="bench")
def get_bench(path: StudyPath) -> Response:
    """A study as the bench shows it."""
    return as_json(open_bench(store(), path.study_id))


@api.get("/studies/<int:study_id>/prompts", responses={"200": Prompts}, operation_id="prompts")
def get_prompts(path: StudyPath) -> Response:
    """What to sight next."""
    return as_json(open_prompts(store(), path.study_id))


@api.get(
    "/studies/<int:study_id>/relations",
    responses={"200": RelationPrompts},
    operation_id="relations",
)
def get_relations(path: StudyPath) -> Response:
    """Simple relations that could be placed by eye."""
    return as_json(open_relations(store(), path.study_id))


@api.get("/studies/<int:study_id>/trust", responses={"200": TrustReport}, operation_id="trust")
def get_trust(path: StudyPath) -> Response:
    """How far each kind of reading is trusted, and the artist's own estimates."""
    return as_json(open_trust(store(), path.study_id))


@api.get("/studies/<int:study_id>/file", operation_id="exportStudy")
def get_file(path: StudyPath) -> Response:
    """The study file, for download."""
    name, data = export_study(store(), path.study_id)
    return Response(
        data,
        mimetype="application/json",
        headers={"Content-Disposition": f'attachment; filename="{name}"'},
    )


@api.post("/studies/<int:study_id>/changes", responses={"200": Bench}, operation_id="changeStudy")
def post_change(path: StudyPath, body: ChangeRequest) -> Response:
    """Make one change."""
    return as_json(change_study(store(), path.study_id, body.version, body.change, body.token))


@api.post("/studies/<int:study_id>/undo", responses={"200": Bench}, operation_id="undoChange")
def post_undo(path: StudyPath, body: HistoryRequest) -> Response:
    """Take back the last change."""
    return as_json(undo_change(store(), path.study_id, body.version, body.token))


@api.post("/studies/<int:study_id>/redo", responses={"200": Bench}, operation_id="redoChange")
def post_redo(path: StudyPath, body: HistoryRequest) -> Response:
    """Bring again the change undone last."""
    return as_json(redo_change(store(), path.study_id, body.version, body.token))


@api.put("/studies/<int:study_id>/removed", responses={"204": None}, operation_id="removeStudy")
def put_removed(path: StudyPath, body: Removal) -> Response:
    """Take a study off the wall, or hang it up again."""
    store().delete(path.study_id, body.removed)
    return Response(status=204)
