"""Drawing: the recipe, straight strokes, two plumbs, and what is taken along."""

from __future__ import annotations

from flask import Response

from zirkel.views.recipe import (
    Plumbs,
    PlumbsAsked,
    RecipeRoom,
    SchoolsBeside,
    Strokes,
    StrokesAsked,
    check_plumbs,
    open_recipe,
    schools_beside,
    straight_strokes,
)
from zirkel.views.take_along import Papers, papers_of, take_along
from zirkel.web.border import blueprint, file_reply, still_wanted, store
from zirkel.web.problems import as_json
from zirkel.web.requests import RecipeQuery, StudyPath, TakePath, TakeQuery, Wanted

routes = blueprint("draw", "From what is seen to where the pencil goes")


@routes.get("/studies/<int:study_id>/recipe", responses={"200": RecipeRoom}, operation_id="recipe")
def get_recipe(path: StudyPath, query: RecipeQuery) -> Response:
    """How to place every landmark, step by step; by another school than the study's to look at."""
    with still_wanted(path.study_id, query.version):
        return as_json(open_recipe(store(), path.study_id, query.school))


@routes.get(
    "/studies/<int:study_id>/schools", responses={"200": SchoolsBeside}, operation_id="schools"
)
def get_schools(path: StudyPath, query: Wanted) -> Response:
    """The recipe by each school, side by side."""
    with still_wanted(path.study_id, query.version):
        return as_json(schools_beside(store(), path.study_id))


@routes.post("/studies/<int:study_id>/strokes", responses={"200": Strokes}, operation_id="strokes")
def post_strokes(path: StudyPath, body: StrokesAsked) -> Response:
    """A traced curve as the fewest straight strokes; changes nothing."""
    return as_json(straight_strokes(store(), path.study_id, body))


@routes.get("/plumbs", responses={"200": Plumbs}, operation_id="plumbs")
def get_plumbs(query: PlumbsAsked) -> Response:
    """Whether two drawn plumbs are parallel."""
    return as_json(check_plumbs(query))


@routes.get("/studies/<int:study_id>/take", responses={"200": Papers}, operation_id="papers")
def get_papers(path: StudyPath) -> Response:
    """What there is to take along."""
    return as_json(papers_of(store(), path.study_id))


@routes.get("/studies/<int:study_id>/take/<string:what>", operation_id="takeAlong")
def get_take(path: TakePath, query: TakeQuery) -> Response:
    """A file to take along."""
    taken = take_along(store(), path.study_id, path.what, query.artist)
    return file_reply(taken.data, taken.kind, taken.name)
