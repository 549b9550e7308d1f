"""What every route uses: the store of the running application, and blueprints of one version."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from threading import Lock

from flask import Response, current_app
from flask_openapi3 import APIBlueprint, Tag

from zirkel.errors import Overtaken
from zirkel.store.store import Store, Stored
from zirkel.views.bench import bench_of
from zirkel.web.problems import Problem, as_json

A_DAY = 86_400


def blueprint(name: str, about: str) -> APIBlueprint:
    """The routes of one stage."""
    return APIBlueprint(
        name,
        __name__,
        url_prefix="/api/v1",
        abp_tags=[Tag(name=name, description=about)],
        abp_responses={"404": Problem, "409": Problem, "413": Problem, "422": Problem},
    )


def store() -> Store:
    """The store of the running application."""
    found: Store = current_app.extensions["zirkel_store"]
    return found


_IN_TURN = Lock()


@contextmanager
def still_wanted(study_id: int, version: int | None) -> Iterator[None]:
    """What may be worked out at leisure, one after the other, so that a reading competes with one
    of them at most; Overtaken where the study has gone on by the time its turn comes: the answer
    would be thrown away, so it is not computed."""
    with _IN_TURN:
        if version is not None:
            now = store().version(study_id)
            if now != version:
                raise Overtaken(version, now)
        yield


def bench_reply(stored: Stored, status: int = 200) -> Response:
    """A study as the bench shows it, after a change."""
    return as_json(bench_of(stored), status)


def file_reply(data: bytes, kind: str, name: str) -> Response:
    """A file to be kept under a name."""
    headers = {"Content-Disposition": f'attachment; filename="{name}"'}
    return Response(data, mimetype=kind, headers=headers)
