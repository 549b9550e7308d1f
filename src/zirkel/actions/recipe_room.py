"""The recipe's room: how to place every landmark by the chosen school, step by step."""

from __future__ import annotations

from math import atan2, degrees
from typing import Annotated

from pydantic import BaseModel, Field

from zirkel.core.network.relations import find_relations
from zirkel.core.network.solve import Solution, solve
from zirkel.core.network.words import words_of
from zirkel.core.practice.schools import SCHOOLS, School, school_of
from zirkel.core.practice.schools.base import Hint
from zirkel.core.sheet.arithmetic.dividers import pivot_of_ten, worth_carrying
from zirkel.core.sheet.arithmetic.grid import Grid, all_in_squares, laid, make_grid
from zirkel.core.sheet.arithmetic.pane import from_pane
from zirkel.core.sheet.arithmetic.ruler import START_MM, reads
from zirkel.core.sheet.arithmetic.sight_size import parting
from zirkel.core.sheet.arithmetic.triangles import best_triangles
from zirkel.core.sheet.fit import say_length
from zirkel.core.sheet.plan import Plan, make_plan
from zirkel.core.sheet.recipe import Recipe, make_recipe
from zirkel.core.sheet.recipe.construct import Squares, Step
from zirkel.core.sheet.recipe.words import say_how
from zirkel.core.sheet.strokes import fewest_strokes
from zirkel.core.study import PictureSubject, Study, UnitPair
from zirkel.core.values.fractions import say_number
from zirkel.core.values.tilts import say_tilt
from zirkel.errors import BadInput
from zirkel.store.store import Store
from zirkel.studyfile.entries import Finite, Point

COLUMNS = 8


class SchoolHint(BaseModel):
    """Something to do or to look out for, with the sign it is drawn by."""

    sign: str
    text: str


class SchoolCard(BaseModel):
    """A school to choose."""

    name: str
    title: str


class StepDrawn(BaseModel):
    """One step of the hand: what is done, from which landmarks, and the value that is carried."""

    manner: str
    via: list[str]
    value: float
    said: str


class Placing(BaseModel):
    """How one landmark is placed: where the steps lead, and the coordinates for those who rule."""

    landmark: str
    name: str
    tier: int
    steps: list[StepDrawn]
    left_mm: float
    top_mm: float
    plan_left_mm: float
    plan_top_mm: float
    from_edges: str
    error_mm: float


class OwnTable(BaseModel):
    """A school's own arithmetic as a table, with lines to draw on the sheet where it has some."""

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
    placings: list[Placing]
    loose: list[str]
    steps_each: float
    mean_error_mm: float
    own: list[OwnTable]


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


def recipe_of(study: Study, solution: Solution, plan: Plan) -> Recipe:
    """The recipe for all landmarks that are held, by the study's school."""
    loose = {each.landmark for each in solution.loose}
    marks = {
        name: (mark.held_left_mm, mark.held_top_mm)
        for name, mark in plan.marks.items()
        if name not in loose
    }
    tiers = {each.id: each.tier for each in study.landmarks}
    manners = school_of(study.method).manners
    return make_recipe(marks, tiers, plan.unit_mm, manners, squares=squares_of(study, plan))


def grid_of(study: Study, plan: Plan) -> Grid | None:
    """The grid over the frame, laid where the drawing lies; None for a frame without breadth."""
    frame = plan.frame
    if frame is None or not plan.unit_mm or frame.right - frame.left < 1e-6:
        return None
    return laid(make_grid(frame, study.sheet, COLUMNS), plan.origin_mm, plan.unit_mm)


def squares_of(study: Study, plan: Plan) -> Squares | None:
    """The squares of a school that works by them; None for the others."""
    grid = grid_of(study, plan) if "square" in school_of(study.method).manners else None
    return None if grid is None else Squares(grid.across_mm[0], grid.down_mm[0], grid.square_mm)


def open_recipe(store: Store, study_id: int) -> RecipeRoom:
    """The recipe of a study as it stands."""
    study = store.get(study_id).study
    solution = solve(study)
    plan = make_plan(study, solution)
    school = school_of(study.method)
    recipe = recipe_of(study, solution, plan)
    words = words_of(study)
    squares = squares_of(study, plan)
    placings = []
    for each in recipe.constructions:
        mark = plan.marks[each.landmark]
        said = say_how(each, words, study.inches, squares)
        placings.append(
            Placing(
                landmark=each.landmark,
                name=words.of(each.landmark),
                tier=each.tier,
                steps=[_drawn(s, t) for s, t in zip(each.steps, said, strict=True)],
                left_mm=each.place[0],
                top_mm=each.place[1],
                plan_left_mm=mark.held_left_mm,
                plan_top_mm=mark.held_top_mm,
                from_edges=f"{say_length(mark.held_left_mm, study.inches)} from the left, "
                f"{say_length(mark.held_top_mm, study.inches)} from the top",
                error_mm=each.sd_mm,
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
        placings=placings,
        loose=[words.of(each.landmark) for each in solution.loose],
        steps_each=recipe.steps_each,
        mean_error_mm=sum(each.error_mm for each in placings) / count,
        own=_own(school, study, solution, plan),
    )


def _hints(hints: tuple[Hint, ...]) -> list[SchoolHint]:
    return [SchoolHint(sign=each.sign, text=each.text) for each in hints]


def _drawn(step: Step, said: str) -> StepDrawn:
    return StepDrawn(manner=step.manner, via=list(step.via), value=step.value, said=said)


def _own(school: School, study: Study, solution: Solution, plan: Plan) -> list[OwnTable]:
    if grid_of(study, plan) is None or len(plan.marks) < 2:
        return []
    tables = {
        "grid": _grid_table,
        "dividers": _dividers_table,
        "sight_size": _heights_table,
        "pane": _pane_table,
        "triangles": _triangles_table,
    }
    made = tables.get(school.reckons or "")
    own = [made(study, solution, plan)] if made else []
    return [*own, *_plumbs_table(study, solution, plan), _ruler_table(study, plan)]


def _places(solution: Solution) -> dict[str, tuple[float, float]]:
    return {n: (p.held_x, p.held_y) for n, p in solution.landmarks.items()}


def _grid_table(study: Study, solution: Solution, plan: Plan) -> OwnTable:
    grid = grid_of(study, plan)
    assert grid is not None
    words = words_of(study)
    squares = all_in_squares(grid, _places(solution))
    unit = study.unit.name if study.unit else "unit"
    return OwnTable(
        title=f"{grid.columns} by {grid.rows} squares of {say_length(grid.square_mm, study.inches)}"
        f" on the sheet, {say_number(grid.square_units)} {unit}s on the subject; the cross at "
        f"{say_length(grid.centre_mm[0], study.inches)} and "
        f"{say_length(grid.centre_mm[1], study.inches)}{_off_centre(study, grid)}",
        head=["Landmark", "Square", "across", "down"],
        rows=[
            [words.of(name), each.label, _tenths(each.across), _tenths(each.down)]
            for name, each in sorted(squares.items(), key=lambda item: _by_label(item[1].label))
        ],
        across_mm=list(grid.across_mm),
        down_mm=list(grid.down_mm),
    )


def _off_centre(study: Study, grid: Grid) -> str:
    """What to do about it where the cross misses the sheet's own centre."""
    cx, cy = study.sheet.width_mm / 2.0, study.sheet.height_mm / 2.0
    if abs(grid.centre_mm[0] - cx) > 0.5 or abs(grid.centre_mm[1] - cy) > 0.5:
        return ". That is not the sheet's centre: place the drawing centred to have it there"
    return ""


def _by_label(label: str) -> tuple[int, str]:
    return int(label[1:]), label[0]


def _tenths(share: float) -> str:
    return f"{share:.1f} of it"


def _dividers_table(study: Study, solution: Solution, plan: Plan) -> OwnTable:
    assert plan.unit_mm is not None
    words = words_of(study)
    tiers = {each.id: each.tier for each in study.landmarks}
    carried = worth_carrying(_places(solution), tiers, plan.unit_mm)
    title = "Distances worth carrying"
    subject = study.subject
    if isinstance(subject, PictureSubject) and subject.mm_per_px and study.unit:
        rough = {m.id: m.rough for m in study.landmarks}
        unit = study.unit
        if isinstance(unit, UnitPair) and rough.get(unit.start) and rough.get(unit.end):
            a, b = rough[unit.start], rough[unit.end]
            assert a is not None and b is not None
            print_mm = subject.mm_per_px * ((a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2) ** 0.5
            ratio = plan.unit_mm / max(print_mm, 1e-9)
            title = (
                f"Ratio 1 : {ratio:.2f}, pivot at {pivot_of_ten(ratio):.2f} on a scale of ten. "
                f"{title}"
            )
    return OwnTable(
        title=title,
        head=["From", "to", "counts", "on the sheet"],
        rows=[
            [words.of(each.start), words.of(each.end), words.count(each.units),
             say_length(each.sheet_mm, study.inches)]
            for each in carried
        ],
    )  # fmt: skip


def _heights_table(study: Study, solution: Solution, plan: Plan) -> OwnTable:
    words = words_of(study)
    marks = sorted(plan.marks.items(), key=lambda item: item[1].held_top_mm)
    middle = sum(mark.held_left_mm for _, mark in marks) / len(marks)
    return OwnTable(
        title="Heights that pull straight across, and widths from the plumb at "
        f"{say_length(middle, study.inches)} from the left",
        head=["Landmark", "below the top edge", "from the plumb"],
        rows=[
            [
                words.of(name),
                say_length(mark.held_top_mm, study.inches),
                f"{say_length(abs(mark.held_left_mm - middle), study.inches)} "
                f"{'right' if mark.held_left_mm >= middle else 'left'}",
            ]
            for name, mark in marks
        ],
    )


def _pane_table(study: Study, solution: Solution, plan: Plan) -> OwnTable:
    sheet = study.sheet
    rows = []
    for name, pane in (("a hand's pane", (200.0, 250.0)), ("A4 pane", (210.0, 297.0)),
                       ("A3 pane", (297.0, 420.0))):  # fmt: skip
        lying = sheet.width_mm > sheet.height_mm
        size = (pane[1], pane[0]) if lying else pane
        try:
            made = from_pane(size, (sheet.width_mm, sheet.height_mm), sheet.margin.left)
        except ValueError:
            continue
        rows.append([name, f"{size[0]:.0f} × {size[1]:.0f} mm", f"times {made.factor:.2f}",
                     f"{say_length(made.left_mm, study.inches)} left, "
                     f"{say_length(made.top_mm, study.inches)} above"])  # fmt: skip
    return OwnTable(
        title="From the pane to this sheet",
        head=["Pane", "its view", "every length", "border"],
        rows=rows,
    )


def _triangles_table(study: Study, solution: Solution, plan: Plan) -> OwnTable:
    places = _places(solution)
    words = words_of(study)
    tiers = {each.id: each.tier for each in study.landmarks}
    large = [name for name in places if tiers[name] == min(tiers.values())]
    base = max(
        ((a, b) for i, a in enumerate(large) for b in large[:i]),
        key=lambda ab: (
            (places[ab[0]][0] - places[ab[1]][0]) ** 2 + (places[ab[0]][1] - places[ab[1]][1]) ** 2
        ),
        default=(large[0], next(n for n in places if n != large[0])),
    )
    triangles, thin = best_triangles(places, tiers, base)
    rows = [
        [words.of(t.point), words.of(t.first), _tilt(places, t.first, t.point),
         words.of(t.second), _tilt(places, t.second, t.point), f"{t.crossing_deg:.0f}°"]
        for t in triangles
    ]  # fmt: skip
    rows += [[words.of(name), "only thin triangles reach it", "", "", "", ""] for name in thin]
    return OwnTable(
        title=f"Pairs of tilts that cross well, from the base {words.of(base[0])} to "
        f"{words.of(base[1])}",
        head=["Point", "from", "tilt", "and from", "tilt", "they cross at"],
        rows=rows,
    )


def _tilt(places: dict[str, tuple[float, float]], a: str, b: str) -> str:
    dx, dy = places[b][0] - places[a][0], places[b][1] - places[a][1]
    return say_tilt(degrees(atan2(dx, -dy)) % 180.0, 1)


def _plumbs_table(study: Study, solution: Solution, plan: Plan) -> list[OwnTable]:
    """The best plumbs for the whole drawing: through much, close to all."""
    words = words_of(study)
    plumbs = find_relations(solution.adjusted).plumbs
    rows = [
        [
            f"{say_length(plan.origin_mm[0] + (plan.unit_mm or 1.0) * each.at, study.inches)}",
            ", ".join(words.of(name) for name in each.through),
        ]
        for each in plumbs
    ]
    title = "Plumb lines to draw first: through much, close to all"
    return [OwnTable(title=title, head=["From the left", "through"], rows=rows)] if rows else []


def _ruler_table(study: Study, plan: Plan) -> OwnTable:
    unit_mm = plan.unit_mm or 1.0
    unit = study.unit.name if study.unit else "unit"
    counts = (0.25, 0.5, 1.0, 1.5, 2.0)
    return OwnTable(
        title=f"A ruler whose zero is not at its end: start at {START_MM / 10:.0f} cm",
        head=["Length", "on the sheet", "begin at", "end at"],
        rows=[
            [f"{say_number(n)} {unit}{'s' if n > 1 else ''}",
             say_length(n * unit_mm, study.inches), f"{START_MM:.0f} mm",
             f"{reads(n * unit_mm):.1f} mm"]
            for n in counts
        ],
    )  # fmt: skip


def straight_strokes(store: Store, study_id: int, asked: StrokesAsked) -> Strokes:
    """The fewest straight strokes for a curve traced on the subject side."""
    study = store.get(study_id).study
    unit_mm = make_plan(study, solve(study)).unit_mm or 1.0
    words = words_of(study)
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
    return Plumbs(degrees=made.degrees, parallel=made.parallel, said=made.said)
