"""The wall: all studies; new ones, and ones taken in from files."""

from __future__ import annotations

from flask import Response

from zirkel.commands.studies import (
    begin_from_scene,
    copy_study,
    export_study,
    import_study,
    make_study,
)
from zirkel.studyfile.schema import StudyFile
from zirkel.views.bench_told import Bench
from zirkel.views.wall import Wall, wall
from zirkel.web.border import bench_reply, blueprint, file_reply, store
from zirkel.web.guard import body_as
from zirkel.web.problems import as_json
from zirkel.web.requests import Removal, SceneChoice, StudyPath

routes = blueprint("wall", "Studies as they hang on the wall")


@routes.get("/studies", responses={"200": Wall}, operation_id="wall")
def get_wall() -> Response:
    """All studies, last changed first."""
    return as_json(wall(store()))


@routes.post("/studies", responses={"201": Bench}, operation_id="makeStudy")
def post_study(body: StudyFile) -> Response:
    """Keep a new study."""
    return bench_reply(make_study(store(), body), 201)


@routes.post("/studies/from-scene", responses={"201": Bench}, operation_id="beginFromScene")
def post_from_scene(body: SceneChoice) -> Response:
    """Keep a new study of a simulated subject."""
    return bench_reply(begin_from_scene(store(), body.scene, body.sheet), 201)


@routes.post("/studies/import", responses={"201": Bench}, operation_id="importStudy")
def post_import() -> Response:
    """Keep a new study from the bytes of a study file, sent as the request's body."""
    return bench_reply(import_study(store(), body_as("application/json")), 201)


@routes.post("/studies/<int:study_id>/copy", responses={"201": Bench}, operation_id="copyStudy")
def post_copy(path: StudyPath) -> Response:
    """Keep another study with all that is in this one."""
    return bench_reply(copy_study(store(), path.study_id), 201)


@routes.get("/studies/<int:study_id>/file", operation_id="exportStudy")
def get_file(path: StudyPath) -> Response:
    """The study file, for download."""
    name, data = export_study(store(), path.study_id)
    return file_reply(data, "application/json", name)


@routes.put("/studies/<int:study_id>/removed", responses={"204": None}, operation_id="removeStudy")
def put_removed(path: StudyPath, body: Removal) -> Response:
    """Take a study off the wall, or hang it up again."""
    store().delete(path.study_id, body.removed)
    return Response(status=204)
