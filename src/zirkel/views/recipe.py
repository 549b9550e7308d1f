"""The recipe's room: how to place every landmark by the chosen school, step by step."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from zirkel.core.patience import step
from zirkel.core.schools import SCHOOLS, Hint
from zirkel.core.schools.taking_up import taken_up
from zirkel.core.sheet.arithmetic.sight_size import parting
from zirkel.core.sheet.recipe.dictation import Item
from zirkel.core.sheet.recipe.own import own_of
from zirkel.core.sheet.strokes import fewest_strokes
from zirkel.core.subject.sight import sight_size_of
from zirkel.core.values.tilts import say_tilt
from zirkel.core.words.plumbs import say_parting
from zirkel.core.words.recipe import Scene, say_fell, say_item, scene_of
from zirkel.core.words.sight_size import say_taking_up
from zirkel.core.worked import Worked
from zirkel.errors import BadInput
from zirkel.store.store import Store, Stored
from zirkel.studyfile.entries import Finite, Point
from zirkel.views.habits import habits_of, told


class SchoolHint(BaseModel):
    """Something to do or to look out for, with the sign it is drawn by."""

    sign: str
    text: str


class SchoolCard(BaseModel):
    """A school to choose."""

    name: str
    title: str


class SchoolBeside(SchoolCard):
    """A school beside the others, for one study and one hand: the moves that place every landmark,
    how far from the plan they end on average and at worst, what it needs, what comes first."""

    taken: bool
    moves: int
    within: str
    worst: str
    aids: list[str]
    first: str


class SchoolsBeside(BaseModel):
    """All schools side by side."""

    schools: list[SchoolBeside]


class StepDrawn(BaseModel):
    """One move of the hand: what is done, from which landmarks, and the value that is carried."""

    manner: str
    via: list[str]
    value: float


class Placing(BaseModel):
    """How one landmark is placed: where the steps lead, and the coordinates for those who rule."""

    landmark: str
    name: str
    tier: int
    said: str
    steps: list[StepDrawn]
    left_mm: float
    top_mm: float
    plan_left_mm: float
    plan_top_mm: float
    from_edges: str
    error_mm: float
    within: str
    own: str | None
    """How the artist places it instead: eye, or fell."""
    fell: str | None
    """How far from the plan it fell, in words."""


class LeftOut(BaseModel):
    """A landmark that the artist leaves out."""

    landmark: str
    name: str


class Dictated(BaseModel):
    """One thing of the dictation. `kind` is tick, box, line, place, join, look or back; `placed`
    how many landmarks stand by then; the landmarks it is about; `weight` that its line should
    have."""

    kind: str
    said: str
    placed: int
    landmarks: list[str]
    closed: bool
    weight: str
    side: str | None
    mm: float | None


class OwnTable(BaseModel):
    """A school's own arithmetic as a table, with lines to draw on the sheet where it has some."""

    model_config = ConfigDict(from_attributes=True)

    title: str
    head: list[str]
    rows: list[list[str]]
    across_mm: list[float] = []
    down_mm: list[float] = []


class RecipeRoom(BaseModel):
    """The recipe of a study."""

    school: str
    title: str
    schools: list[SchoolCard]
    set_up: list[SchoolHint]
    checks: list[SchoolHint]
    mistakes: list[SchoolHint]
    inside_out: bool
    box_ticked: bool
    placings: list[Placing]
    dictation: list[Dictated]
    loose: list[str]
    left_out: list[LeftOut]
    own_order: list[str]
    """Landmarks that the artist places first."""
    steps_each: float
    within: str
    agreement: str | None
    looked_at: str | None
    """What taking up this school would do, where it is only looked at."""
    taken: str
    """The study's own school."""
    habits: list[str]
    """What the artist's last drawings do over and over: to be watched for in this one."""
    own: list[OwnTable]
    eye: tuple[float, float] | None
    """The artist's own eye that it is reckoned with: shares of a length by which it parts, and by
    which it keeps plumb and level."""


class StrokesAsked(BaseModel):
    """A curve traced on the subject, in mm beside the sheet, and how far a stroke may be off it."""

    points: list[Point] = Field(min_length=2, max_length=5000)
    tolerance_mm: Annotated[Finite, Field(gt=0, le=1000)]


class StraightStroke(BaseModel):
    """One straight stroke for a part of the curve."""

    start: Point
    end: Point
    said: str
    furthest_mm: float


class Strokes(BaseModel):
    """The fewest straight strokes."""

    strokes: list[StraightStroke]


class PlumbsAsked(BaseModel):
    """How far apart two plumbs were measured at top, middle and foot, over what height, in mm."""

    top_mm: float = Field(ge=0, le=1e5, allow_inf_nan=False)
    middle_mm: float = Field(ge=0, le=1e5, allow_inf_nan=False)
    foot_mm: float = Field(ge=0, le=1e5, allow_inf_nan=False)
    height_mm: float = Field(gt=0, le=1e5, allow_inf_nan=False)


class Plumbs(BaseModel):
    """Whether two plumbs are parallel, in degrees and words."""

    degrees: float
    parallel: bool
    said: str


def open_recipe(store: Store, study_id: int, school_name: str | None = None) -> RecipeRoom:
    """The recipe of a study as it stands; or as it would be by another school, to be looked at."""
    stored = store.get(study_id)
    taken = stored.worked
    looks = school_name is not None and school_name != taken.study.method
    worked = _by_school(stored, school_name or "") if looks else taken
    study, words, school, recipe = worked.study, worked.words, worked.school, worked.recipe
    scene = scene_of(study, words, recipe, worked.squares)
    items = worked.dictation
    said = {each.construction.landmark: say_item(each, scene) for each in items
            if each.construction is not None and each.kind == "place"}  # fmt: skip
    placings, own = [], own_of(study)
    for each in recipe.constructions:
        mark = worked.plan.marks[each.landmark]
        placings.append(
            Placing(
                landmark=each.landmark,
                name=words.of(each.landmark),
                tier=each.tier,
                said=said[each.landmark],
                steps=[
                    StepDrawn(manner=step.manner, via=list(step.via), value=step.value)
                    for step in each.steps
                ],
                left_mm=each.place[0],
                top_mm=each.place[1],
                plan_left_mm=mark.held_left_mm,
                plan_top_mm=mark.held_top_mm,
                from_edges=f"{words.length(mark.held_left_mm)} from the left, "
                f"{words.length(mark.held_top_mm)} from the top",
                error_mm=each.sd_mm,
                within=words.within(each.sd_mm),
                own="fell" if each.fell else "eye" if each.landmark in own.by_eye else None,
                fell=say_fell(each, (mark.held_left_mm, mark.held_top_mm), words),
            )
        )
    count = max(len(placings), 1)
    return RecipeRoom(
        school=school.name,
        title=school.title,
        schools=[SchoolCard(name=each.name, title=each.title) for each in SCHOOLS.values()],
        set_up=_hints(school.set_up),
        checks=_hints(school.checks),
        mistakes=_hints(school.mistakes),
        inside_out=study.inside_out,
        box_ticked=study.box_ticked,
        placings=placings,
        dictation=_dictated(items, scene),
        loose=[words.of(each.landmark) for each in worked.solution.loose],
        left_out=[
            LeftOut(landmark=each.id, name=each.name)
            for each in study.landmarks
            if each.id in own.left_out
        ],
        own_order=list(own.order),
        steps_each=recipe.steps_each,
        within=words.within(sum(each.error_mm for each in placings) / count),
        agreement=worked.agreement,
        habits=told(habits_of(store)),
        looked_at=say_taking_up(taken.words, taken.plan.unit_mm, worked.plan.unit_mm)
        if looks
        else None,
        taken=taken.school.name,
        own=[OwnTable.model_validate(each) for each in worked.tables],
        eye=None if study.eye is None else (study.eye.part, study.eye.straight),
    )


def schools_beside(store: Store, study_id: int) -> SchoolsBeside:
    """What the study's recipe would be by each school."""
    stored = store.get(study_id)
    made = []
    for number, school in enumerate(SCHOOLS.values()):
        step(f"working out the recipe by each school: {number} of {len(SCHOOLS)}")
        taken = school.name == stored.worked.school.name
        worked = stored.worked if taken else _by_school(stored, school.name)
        recipe, words = worked.recipe, worked.words
        items, errors = worked.dictation, [each.sd_mm for each in recipe.constructions]
        scene = scene_of(worked.study, words, recipe, worked.squares)
        moves = sum(len(each.steps) for each in recipe.constructions)
        made.append(
            SchoolBeside(
                name=school.name,
                title=school.title,
                taken=taken,
                moves=moves + sum(each.kind in ("tick", "line") for each in items),
                within=words.within(sum(errors) / max(len(errors), 1)),
                worst=words.within(max(errors, default=0.0)),
                aids=list(school.aids),
                first=say_item(items[0], scene) if items else "",
            )
        )
    return SchoolsBeside(schools=made)


def _by_school(stored: Stored, name: str) -> Worked:
    """The study as it would be worked by another school."""
    if name not in SCHOOLS:
        raise BadInput("school", f"is none of {', '.join(SCHOOLS)}: {name}")
    size = sight_size_of(stored.study, stored.scene)
    return stored.worked.followed_by(taken_up(stored.study, name, size))


def _hints(hints: tuple[Hint, ...]) -> list[SchoolHint]:
    return [SchoolHint(sign=each.sign, text=each.text) for each in hints]


def _dictated(items: Sequence[Item], scene: Scene) -> list[Dictated]:
    made, placed = [], 0
    for each in items:
        placed += each.kind == "place"
        stage, glance = each.join, each.glance
        if each.construction is not None:
            about = [each.construction.landmark]
        elif stage is not None:
            about = [name for name in stage.landmarks if name in scene.places]
        else:
            about = list(glance.landmarks) if glance is not None else []
        envelope = stage is not None and stage.kind == "envelope"
        closed = envelope or bool(stage and stage.shape and stage.shape.closed)
        made.append(
            Dictated(
                kind=each.kind,
                said=say_item(each, scene),
                placed=placed,
                landmarks=about,
                closed=closed,
                weight=each.weight,
                side=each.tick[2] if each.tick else None,
                mm=each.tick[1] if each.tick else None,
            )
        )
    return made


def straight_strokes(store: Store, study_id: int, asked: StrokesAsked) -> Strokes:
    """The fewest straight strokes for a curve traced on the subject side."""
    worked = store.get(study_id).worked
    unit_mm, words = worked.plan.unit_mm or 1.0, worked.words
    try:
        made = fewest_strokes(asked.points, asked.tolerance_mm)
    except ValueError as error:
        raise BadInput("points", str(error)) from error
    return Strokes(
        strokes=[
            StraightStroke(
                start=asked.points[each.start],
                end=asked.points[each.end],
                said=f"{say_tilt(each.tilt_deg)} · {words.count(each.length / unit_mm)}",
                furthest_mm=each.furthest,
            )
            for each in made
        ]
    )


def check_plumbs(asked: PlumbsAsked) -> Plumbs:
    """Whether two drawn plumbs are parallel."""
    made = parting(asked.top_mm, asked.middle_mm, asked.foot_mm, asked.height_mm)
    return Plumbs(degrees=made.degrees, parallel=made.parallel, said=say_parting(made))
