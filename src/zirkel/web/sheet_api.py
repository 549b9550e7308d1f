"""The API's part about the sheet: frame and fit, the recipe, strokes, what is taken along."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

from zirkel.actions.recipe_room import (
    Plumbs,
    PlumbsAsked,
    RecipeRoom,
    Strokes,
    StrokesAsked,
    check_plumbs,
    open_recipe,
    straight_strokes,
)
from zirkel.actions.sheet_room import SheetRoom, open_sheet_room
from zirkel.actions.take_along import take_along
from zirkel.studyfile.schema import FileFrame
from zirkel.web.api import store
from zirkel.web.problems import Problem, as_json
from zirkel.web.requests import StudyPath

sheet_api = APIBlueprint(
    "sheet",
    __name__,
    url_prefix="/api/v1",
    abp_tags=[Tag(name="sheet", description="From what is seen to where the pencil goes")],
    abp_responses={"404": Problem, "409": Problem, "413": Problem, "422": Problem},
)


class FrameTry(BaseModel):
    """A frame tried out while it is dragged; null for the one that is kept."""

    frame: FileFrame | None = None


class TakePath(StudyPath):
    """A study, and what of it is taken along."""

    what: str = Field(min_length=1, max_length=40)


@sheet_api.post("/studies/<int:study_id>/sheet", responses={"200": SheetRoom},
                operation_id="sheet")  # fmt: skip
def post_sheet(path: StudyPath, body: FrameTry) -> Response:
    """Frame and fit, for the study's own frame or one tried out; changes nothing."""
    return as_json(open_sheet_room(store(), path.study_id, body.frame))


@sheet_api.get("/studies/<int:study_id>/recipe", responses={"200": RecipeRoom},
               operation_id="recipe")  # fmt: skip
def get_recipe(path: StudyPath) -> Response:
    """How to place every landmark, step by step."""
    return as_json(open_recipe(store(), path.study_id))


@sheet_api.post("/studies/<int:study_id>/strokes", responses={"200": Strokes},
                operation_id="strokes")  # fmt: skip
def post_strokes(path: StudyPath, body: StrokesAsked) -> Response:
    """A traced curve as the fewest straight strokes; changes nothing."""
    return as_json(straight_strokes(store(), path.study_id, body))


@sheet_api.get("/plumbs", responses={"200": Plumbs}, operation_id="plumbs")
def get_plumbs(query: PlumbsAsked) -> Response:
    """Whether two drawn plumbs are parallel."""
    return as_json(check_plumbs(query))


@sheet_api.get("/studies/<int:study_id>/take/<string:what>", operation_id="takeAlong")
def get_take(path: TakePath) -> Response:
    """A file to take along."""
    taken = take_along(store(), path.study_id, path.what)
    return Response(
        taken.data,
        mimetype=taken.kind,
        headers={"Content-Disposition": f'attachment; filename="{taken.name}"'},
    )
