"""The bench: readings, what they say, what to sight next."""

from __future__ import annotations

from flask import Response

from zirkel.views.bench import open_bench
from zirkel.views.bench_told import Bench
from zirkel.views.pad import PadKinds, pad_kinds
from zirkel.views.perspective import DepthSeen, PerspectiveRoom, open_depth, open_perspective
from zirkel.views.prompts import (
    Prompts,
    RelationPrompts,
    TrustReport,
    open_prompts,
    open_relations,
    open_trust,
)
from zirkel.views.stick import StickPose, StickReading, read_stick
from zirkel.web.border import blueprint, still_wanted, store
from zirkel.web.problems import as_json
from zirkel.web.requests import FlatThing, StudyPath, Wanted

routes = blueprint("bench", "Subject and sheet side by side")


@routes.get("/pad", responses={"200": PadKinds}, operation_id="pad")
def get_pad() -> Response:
    """What can be read with the pad, and what each reading asks for."""
    return as_json(pad_kinds())


@routes.get("/studies/<int:study_id>", responses={"200": Bench}, operation_id="bench")
def get_bench(path: StudyPath) -> Response:
    """A study as the bench shows it."""
    return as_json(open_bench(store(), path.study_id))


@routes.get("/studies/<int:study_id>/prompts", responses={"200": Prompts}, operation_id="prompts")
def get_prompts(path: StudyPath, query: Wanted) -> Response:
    """What to sight next."""
    with still_wanted(path.study_id, query.version):
        return as_json(open_prompts(store(), path.study_id))


@routes.get(
    "/studies/<int:study_id>/relations",
    responses={"200": RelationPrompts},
    operation_id="relations",
)
def get_relations(path: StudyPath, query: Wanted) -> Response:
    """Simple relations that could be placed by eye."""
    with still_wanted(path.study_id, query.version):
        return as_json(open_relations(store(), path.study_id))


@routes.get("/studies/<int:study_id>/trust", responses={"200": TrustReport}, operation_id="trust")
def get_trust(path: StudyPath, query: Wanted) -> Response:
    """How far each kind of reading is trusted, and the artist's own estimates."""
    with still_wanted(path.study_id, query.version):
        return as_json(open_trust(store(), path.study_id))


@routes.get(
    "/studies/<int:study_id>/perspective",
    responses={"200": PerspectiveRoom},
    operation_id="perspective",
)
def get_perspective(path: StudyPath, query: Wanted) -> Response:
    """Eye level and vanishing points of edges that are parallel in reality."""
    with still_wanted(path.study_id, query.version):
        return as_json(open_perspective(store(), path.study_id))


@routes.get("/depth", responses={"200": DepthSeen}, operation_id="depthSeen")
def get_depth(query: FlatThing) -> Response:
    """How deep a level rectangle is seen."""
    return as_json(open_depth(query.height, query.distance, query.width, query.depth))


@routes.post("/studies/<int:study_id>/stick", responses={"200": StickReading},
             operation_id="stick")  # fmt: skip
def post_stick(path: StudyPath, body: StickPose) -> Response:
    """What the stick reads as it is held; changes nothing."""
    return as_json(read_stick(store(), path.study_id, body))
