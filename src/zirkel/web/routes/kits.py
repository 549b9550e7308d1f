"""Kits: kinds of subject to begin with; heads fitted to their points."""

from __future__ import annotations

from flask import Response

from zirkel.views.heads import HeadsRoom, open_heads
from zirkel.views.kits import (
    Kits,
    KitShown,
    Pulled,
    PulledPlaces,
    add_kit,
    kit_file,
    open_kits,
    pull,
)
from zirkel.web.border import blueprint, file_reply, still_wanted, store
from zirkel.web.guard import body_as
from zirkel.web.problems import as_json
from zirkel.web.requests import StudyPath, Wanted

routes = blueprint("kits", "Kinds of subject to begin with")


@routes.get("/kits", responses={"200": Kits}, operation_id="kits")
def get_kits() -> Response:
    """All kits on offer."""
    return as_json(open_kits(store()))


@routes.post("/kits", responses={"201": KitShown}, operation_id="addKit")
def post_kit() -> Response:
    """Keep a kit file, sent as the request's body."""
    return as_json(add_kit(store(), body_as("application/json")), 201)


@routes.post("/kits/pull", responses={"200": PulledPlaces}, operation_id="pullKit")
def post_pull(body: Pulled) -> Response:
    """Where a kit's points come to lie when some are pulled; changes nothing."""
    return as_json(pull(body))


@routes.get("/studies/<int:study_id>/kit", operation_id="kitOfStudy")
def get_kit(path: StudyPath) -> Response:
    """A kit made of a study, for download."""
    name, data = kit_file(store(), path.study_id)
    return file_reply(data, "application/json", name)


@routes.get("/studies/<int:study_id>/heads", responses={"200": HeadsRoom}, operation_id="heads")
def get_heads(path: StudyPath, query: Wanted) -> Response:
    """Turn, nod and roll of a study's heads, their construction, and where they depart."""
    with still_wanted(path.study_id, query.version):
        return as_json(open_heads(store(), path.study_id))
