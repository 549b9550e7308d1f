"""What every route uses: the store of the running application, and blueprints of one version."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from threading import BoundedSemaphore, Lock

from flask import Response, current_app
from flask_openapi3 import Tag

from zirkel.errors import Overtaken
from zirkel.store.store import Store, Stored
from zirkel.views.bench import bench_of
from zirkel.web.late import LateBlueprint
from zirkel.web.problems import Problem, Refused, as_json

A_DAY = 86_400
BUSY = 503


def blueprint(name: str, about: str) -> LateBlueprint:
    """The routes of one stage."""
    return LateBlueprint(
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


MOST_WAITING = 5
"""Questions about one study that may wait their turn: each holds a thread meanwhile."""

_TURNS: dict[tuple[str, int], BoundedSemaphore] = {}
_IN_TURN: dict[tuple[str, int], Lock] = {}


@contextmanager
def still_wanted(study_id: int, version: int | None) -> Iterator[None]:
    """What may be worked out at leisure, for each study one after the other, so that a reading
    competes with one of them at most and a heavy study doesn't stop the others; Overtaken where the
    study has gone on by the time its turn comes: the answer would be thrown away, so it is not
    computed. Where too many wait already, it is to be asked again."""
    of = store().name, study_id
    waiting = _TURNS.setdefault(of, BoundedSemaphore(MOST_WAITING))
    if not waiting.acquire(blocking=False):
        raise Refused(
            Problem(
                title="Busy",
                status=BUSY,
                detail="Zirkel is still working on this study: ask again in a moment.",
            )
        )
    try:
        with _IN_TURN.setdefault(of, Lock()):
            if version is not None:
                now = store().version(study_id)
                if now != version:
                    raise Overtaken(version, now)
            yield
    finally:
        waiting.release()


def bench_reply(stored: Stored, status: int = 200, before: Stored | None = None) -> Response:
    """A study as the bench shows it, after a change to what it was before."""
    return as_json(bench_of(stored, before), status)


def file_reply(data: bytes, kind: str, name: str) -> Response:
    """A file to be kept under a name."""
    headers = {"Content-Disposition": f'attachment; filename="{name}"'}
    return Response(data, mimetype=kind, headers=headers)
