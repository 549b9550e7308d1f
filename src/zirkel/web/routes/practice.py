"""Practice: exercises, the eye's record, artists, series."""

from __future__ import annotations

from flask import Response, request

from zirkel.studyfile.practice_file import MOST_RECORD_BYTES
from zirkel.views.own_eye import OwnEye, own_eye
from zirkel.views.practice import (
    Artists,
    ArtistShown,
    Named,
    PracticeRoom,
    TakenIn,
    all_artists,
    name_artist,
    open_practice,
    record_file,
    take_in,
)
from zirkel.views.series import SeriesRoom, SeriesShown, add_series, open_series, series_file
from zirkel.views.trials import Answered, Asked, Judged, PosedShown, answer, pose
from zirkel.web.border import blueprint, file_reply, store
from zirkel.web.guard import body_as
from zirkel.web.problems import as_json
from zirkel.web.requests import ArtistQuery, SeriesPath

routes = blueprint("practice", "The eye's practice and its record")


@routes.get("/practice", responses={"200": PracticeRoom}, operation_id="practice")
def get_practice(query: ArtistQuery) -> Response:
    """What to do today, the exercises, and an artist's record."""
    return as_json(open_practice(store(), query.artist))


@routes.post("/practice/pose", responses={"200": PosedShown}, operation_id="pose")
def post_pose(body: Asked) -> Response:
    """The next trial of an exercise; changes nothing."""
    return as_json(pose(store(), body))


@routes.post("/practice/answer", responses={"201": Judged}, operation_id="answerTrial")
def post_answer(body: Answered) -> Response:
    """Keep an answer in the record, and say what was so."""
    return as_json(answer(store(), body), 201)


@routes.get("/practice/file", operation_id="practiceFile")
def get_file(query: ArtistQuery) -> Response:
    """An artist's record, for download."""
    name, data = record_file(store(), query.artist)
    return file_reply(data, "application/json", name)


@routes.post("/practice/file", responses={"201": TakenIn}, operation_id="takeInPractice")
def post_file(query: ArtistQuery) -> Response:
    """Keep the trials of a record file, sent as the request's body."""
    request.max_content_length = MOST_RECORD_BYTES
    return as_json(take_in(store(), query.artist, body_as("application/json")), 201)


@routes.get("/practice/eye", responses={"200": OwnEye}, operation_id="ownEye")
def get_eye(query: ArtistQuery) -> Response:
    """What the record says of the kinds of reading."""
    return as_json(own_eye(store(), query.artist))


@routes.get("/artists", responses={"200": Artists}, operation_id="artists")
def get_artists() -> Response:
    """Whose records are kept here."""
    return as_json(all_artists(store()))


@routes.post("/artists", responses={"201": ArtistShown}, operation_id="nameArtist")
def post_artist(body: Named) -> Response:
    """Give an artist a name, or add another one."""
    return as_json(name_artist(store(), body), 201)


@routes.get("/series", responses={"200": SeriesRoom}, operation_id="series")
def get_series() -> Response:
    """Plans of work, and how far each has come."""
    return as_json(open_series(store()))


@routes.post("/series", responses={"201": SeriesShown}, operation_id="addSeries")
def post_series() -> Response:
    """Keep a series file, sent as the request's body."""
    return as_json(add_series(store(), body_as("application/json")), 201)


@routes.get("/series/<string:name>/file", operation_id="seriesFile")
def get_series_file(path: SeriesPath) -> Response:
    """A series' file, for download."""
    name, data = series_file(store(), path.name)
    return file_reply(data, "application/json", name)
