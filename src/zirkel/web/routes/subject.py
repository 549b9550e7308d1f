"""The API's part about what stands in for the subject: scenes, station, stick, pictures."""

from __future__ import annotations

from dataclasses import replace

from flask import Response, request
from pydantic import BaseModel

from zirkel.commands.pictures import take_picture
from zirkel.commands.scenes import add_scene
from zirkel.core.study import PictureSubject
from zirkel.core.subject.scene import Scene
from zirkel.core.subject.station import Station
from zirkel.errors import BadInput
from zirkel.pictures.prepare import MOST_BYTES
from zirkel.pictures.scene_seen import scene_seen
from zirkel.views.pictures import look_at, print_picture
from zirkel.views.reveal import Reveal, reveal
from zirkel.views.station import (
    LiveQuery,
    LiveReckoning,
    Reach,
    SceneCard,
    SceneList,
    StationRoom,
    list_scenes,
    open_station,
    reckon_live,
    scene_card,
    work_back,
)
from zirkel.views.subject import render_scene, scene_picture
from zirkel.views.truth import TruthRoom, open_truth
from zirkel.web.border import A_DAY, blueprint, file_reply, store
from zirkel.web.guard import body_as
from zirkel.web.problems import as_json
from zirkel.web.requests import (
    LitQuery,
    PicturePath,
    PictureQuery,
    ReachQuery,
    ScenePath,
    SceneQuery,
    SeenQuery,
    StationTry,
    StudyPath,
)

routes = blueprint("subject", "What stands in for the subject")


class PictureTaken(BaseModel):
    """A picture as kept; `scaled` if it was made smaller."""

    picture: str
    width: int
    height: int
    scaled: bool


@routes.get("/scenes", responses={"200": SceneList}, operation_id="scenes")
def get_scenes() -> Response:
    """All scenes at hand."""
    return as_json(list_scenes(store()))


@routes.post("/scenes", responses={"201": SceneCard}, operation_id="addScene")
def post_scene() -> Response:
    """Keep a scene from the bytes of a scene file, sent as the request's body."""
    return as_json(scene_card(add_scene(store(), body_as("application/json"))), 201)


@routes.get("/scenes/<string:name>/file", operation_id="sceneFile")
def get_scene_file(path: ScenePath) -> Response:
    """The scene file, for download."""
    name = f"{path.name}.zirkel-scene.json"
    return file_reply(store().scenes.file(path.name), "application/json", name)


@routes.get("/scenes/<string:name>/picture.svg", operation_id="scenePicture")
def get_scene_picture(path: ScenePath, query: LitQuery) -> Response:
    """The scene drawn in lines from a station, its shadow as the light throws it."""
    drawn = scene_picture(store(), *_scene_from(path, query))
    return Response(
        drawn,
        mimetype="image/svg+xml",
        headers={"Cache-Control": f"private, max-age={A_DAY}"},
    )


@routes.get("/scenes/<string:name>/seen.webp", operation_id="sceneSeen")
def get_scene_seen(path: ScenePath, query: SeenQuery) -> Response:
    """The scene as it is seen from a station, in its own light or another."""
    seen = render_scene(*_scene_from(path, query), query.wide)
    return Response(
        scene_seen(seen, query.squint),
        mimetype="image/webp",
        headers={"Cache-Control": f"private, max-age={A_DAY}"},
    )


def _scene_from(path: ScenePath, query: LitQuery) -> tuple[Scene, Station]:
    scene = store().scenes.get(path.name).in_light(query.light)
    asked = query.model_dump(include={*SceneQuery.model_fields}, exclude_none=True)
    return scene, replace(scene.station, **asked)


@routes.post("/studies/<int:study_id>/station", responses={"200": StationRoom},
                  operation_id="station")  # fmt: skip
def post_station(path: StudyPath, body: StationTry) -> Response:
    """The station's room, for the study's own station or one tried out; changes nothing."""
    return as_json(open_station(store(), path.study_id, body.station))


@routes.get("/studies/<int:study_id>/reveal", responses={"200": Reveal}, operation_id="reveal")
def get_reveal(path: StudyPath) -> Response:
    """The truth over the block-in of a simulated subject."""
    shown = reveal(store(), path.study_id)
    store().lessons.looked(path.study_id)
    return as_json(shown)


@routes.get("/studies/<int:study_id>/truth", responses={"200": TruthRoom}, operation_id="truth")
def get_truth(path: StudyPath) -> Response:
    """A real subject's truth by its photograph, and what it says of the hand."""
    return as_json(open_truth(store(), path.study_id))


@routes.get("/reach", responses={"200": Reach}, operation_id="reach")
def get_reach(query: ReachQuery) -> Response:
    """The real reach, worked back from two readings."""
    return as_json(work_back(query.length_mm, query.near_mm, query.far_mm, query.back_mm))


@routes.get("/reckon", responses={"200": LiveReckoning}, operation_id="reckon")
def get_reckon(query: LiveQuery) -> Response:
    """Arm and station before a live subject."""
    return as_json(reckon_live(query))


@routes.post("/pictures", responses={"201": PictureTaken}, operation_id="takePicture")
def post_picture() -> Response:
    """Keep a picture from the bytes of its file, sent as the request's body."""
    request.max_content_length = MOST_BYTES
    taken = take_picture(store(), body_as("image/*"))
    kept = taken.kept
    made = PictureTaken(picture=kept.id, width=kept.width, height=kept.height, scaled=taken.scaled)
    return as_json(made, 201)


@routes.get("/pictures/<string:picture>/view", operation_id="pictureView")
def get_picture_view(path: PicturePath, query: PictureQuery) -> Response:
    """The picture as it is looked at."""
    kept = store().pictures.get(path.picture)
    left, top, right, bottom = (float(each) for each in query.crop.split(","))
    if left >= right or top >= bottom:
        raise BadInput("crop", "leaves nothing: left must be below right, top below bottom")
    subject = PictureSubject(
        path.picture, kept.width, kept.height, (left, top, right, bottom), query.turn, query.grey,
        query.contrast, query.squint, query.tones,
    )  # fmt: skip
    kind = "image/png" if query.tones else "image/jpeg"
    return Response(
        look_at(store(), subject, query.longest),
        mimetype=kind,
        headers={"Cache-Control": f"private, max-age={A_DAY}"},
    )


@routes.get("/studies/<int:study_id>/print.pdf", operation_id="printPicture")
def get_print(path: StudyPath) -> Response:
    """The picture as a reference print at true size."""
    name, data = print_picture(store(), path.study_id)
    return file_reply(data, "application/pdf", name)
