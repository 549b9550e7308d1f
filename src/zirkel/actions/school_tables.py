"""The schools' own arithmetic as tables, for the recipe's room."""

from __future__ import annotations

from math import atan2, degrees

from pydantic import BaseModel

from zirkel.core.network.relations import find_relations
from zirkel.core.network.solve import Solution
from zirkel.core.network.words import words_of
from zirkel.core.practice.schools import School, school_of
from zirkel.core.sheet.arithmetic.dividers import pivot_of_ten, worth_carrying
from zirkel.core.sheet.arithmetic.grid import Grid, all_in_squares, laid, make_grid
from zirkel.core.sheet.arithmetic.pane import from_pane
from zirkel.core.sheet.arithmetic.ruler import START_MM, reads
from zirkel.core.sheet.arithmetic.triangles import best_triangles
from zirkel.core.sheet.fit import say_length
from zirkel.core.sheet.plan import Plan
from zirkel.core.sheet.recipe.construct import Squares
from zirkel.core.study import PictureSubject, Study, UnitPair
from zirkel.core.values.fractions import say_number
from zirkel.core.values.tilts import say_tilt

COLUMNS = 8
"""Columns of squares over a frame, unless more are asked for."""


class OwnTable(BaseModel):
    """A school's own arithmetic as a table, with lines to draw on the sheet where it has some."""

    title: str
    head: list[str]
    rows: list[list[str]]
    across_mm: list[float] = []
    down_mm: list[float] = []


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


def own_tables(school: School, study: Study, solution: Solution, plan: Plan) -> list[OwnTable]:
    """The school's own arithmetic, the plumbs to draw first, and the ruler from ten."""
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
