"""Tone: areas of light and dark, compared and planned."""

from __future__ import annotations

from flask import Response

from zirkel.views.drawn_tones import DrawnTones, check_tones
from zirkel.views.tones import (
    ReadOff,
    ToneRoom,
    open_tones,
    read_tones,
)
from zirkel.web.border import blueprint, still_wanted, store
from zirkel.web.problems import as_json
from zirkel.web.requests import StudyPath, TonesQuery, Wanted

routes = blueprint("tones", "Light and dark")


@routes.get("/studies/<int:study_id>/tones", responses={"200": ToneRoom}, operation_id="tones")
def get_tones(path: StudyPath, query: TonesQuery) -> Response:
    """Areas, comparisons, doubts, what to compare next, and the plan of flat tones."""
    with still_wanted(path.study_id, query.version):
        return as_json(open_tones(store(), path.study_id, query.groups))


@routes.get("/studies/<int:study_id>/tones/read", responses={"200": ReadOff},
            operation_id="readTones")  # fmt: skip
def get_read(path: StudyPath, query: Wanted) -> Response:
    """Steps read off the subject, to be kept or not; changes nothing."""
    with still_wanted(path.study_id, query.version):
        return as_json(read_tones(store(), path.study_id))


@routes.get("/studies/<int:study_id>/tones/drawn", responses={"200": DrawnTones},
            operation_id="drawnTones")  # fmt: skip
def get_drawn(path: StudyPath, query: Wanted) -> Response:
    """The photographed drawing's tones against the plan."""
    with still_wanted(path.study_id, query.version):
        return as_json(check_tones(store(), path.study_id))
