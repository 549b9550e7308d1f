"""Several devices at one study: an event stream, and what the stick lies on."""

from __future__ import annotations

from flask import Response

from zirkel.web.border import blueprint, store
from zirkel.web.door import door
from zirkel.web.live import Listener, live, stream
from zirkel.web.requests import Listening, StickLaid, StudyPath

routes = blueprint("live", "Several devices at one study")

HERE = "The machine itself"


@routes.get("/studies/<int:study_id>/live", operation_id="live")
def get_live(path: StudyPath, query: Listening) -> Response:
    """What happens to a study, as an event stream: `changed`, `here`, `stick`, `again`."""
    version = store().version(path.study_id)
    made = door()
    guest = None if made is None else made.guest()
    device = None if guest is None else guest.device
    listener = Listener(
        query.listener, path.study_id, HERE if device is None else device.name, query.room,
        pupil=device is not None and device.lesson is not None,
    )  # fmt: skip
    told = live()
    told.join(listener)
    answer = Response(stream(told, listener, version), mimetype="text/event-stream")
    answer.call_on_close(lambda: told.leave(listener))
    answer.headers["Cache-Control"] = "no-store"
    answer.headers["X-Accel-Buffering"] = "no"
    return answer


@routes.post("/studies/<int:study_id>/live", responses={"204": None}, operation_id="layStick")
def post_live(path: StudyPath, body: StickLaid) -> Response:
    """Show the others what the stick lies on here; keeps nothing."""
    told = {"listener": body.listener, "kind": body.kind, "landmarks": body.landmarks}
    live().tell(path.study_id, "stick", told, but=body.listener)
    return Response(status=204)
