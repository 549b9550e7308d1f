"""What is taken along: PDFs at true size, the plan as SVG, tables as CSV."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from zirkel.actions.recipe_room import recipe_of
from zirkel.actions.school_tables import COLUMNS, grid_of, squares_of
from zirkel.core.network.solve import Solution, solve
from zirkel.core.network.words import words_of
from zirkel.core.practice.schools import school_of
from zirkel.core.sheet.arithmetic.dividers import worth_carrying
from zirkel.core.sheet.arithmetic.grid import make_grid
from zirkel.core.sheet.fit import say_length
from zirkel.core.sheet.plan import Plan, make_plan
from zirkel.core.sheet.recipe.words import say_how
from zirkel.core.study import PictureSubject, Study, UnitPair
from zirkel.core.subject.flat import flat_places
from zirkel.core.values.names import slug
from zirkel.errors import BadInput, NotFound
from zirkel.paper.cards import tilt_card, viewfinder
from zirkel.paper.grid_overlay import grid_overlay
from zirkel.paper.marks_sheet import PrintedMark, marks_sheet
from zirkel.paper.plan_svg import plan_svg
from zirkel.paper.recipe_pages import PrintedPlacing, recipe_pages
from zirkel.paper.tick_strips import Ticks, tick_strips
from zirkel.store.store import Store
from zirkel.studyfile.tables import marks_csv, readings_csv

PDF, SVG, CSV = "application/pdf", "image/svg+xml", "text/csv"
MOST_PAGE_MM = 5000.0


@dataclass(frozen=True, slots=True)
class Worked:
    """A study with all that follows from it."""

    study: Study
    solution: Solution
    plan: Plan


@dataclass(frozen=True, slots=True)
class Taken:
    """A file to take along."""

    name: str
    kind: str
    data: bytes


def take_along(store: Store, study_id: int, what: str) -> Taken:
    """One of the things to take along; NotFound for any other."""
    if what not in MAKERS:
        raise NotFound(f"There is no “{what}” to take along: choose from {', '.join(MAKERS)}.")
    study = store.get(study_id).study
    solution = solve(study)
    worked = Worked(study, solution, make_plan(study, solution))
    kind, ending, make = MAKERS[what]
    return Taken(f"{slug(study.title)}_{what}.{ending}", kind, make(worked))


def printed_marks(worked: Worked) -> list[PrintedMark]:
    """All landmarks where they are held, loose ones as such."""
    names = words_of(worked.study)
    loose = {each.landmark for each in worked.solution.loose}
    return [
        PrintedMark(
            names.of(name),
            mark.held_left_mm,
            mark.held_top_mm,
            None if name in loose else (mark.sd_mm or 0.0),
        )
        for name, mark in worked.plan.marks.items()
    ]


def _marks(worked: Worked) -> bytes:
    sheet = worked.study.sheet
    if max(sheet.width_mm, sheet.height_mm) > MOST_PAGE_MM:
        raise BadInput("sheet", f"a sheet of more than {MOST_PAGE_MM / 1000:.0f} m is not printed")
    return marks_sheet(worked.study.title, sheet, printed_marks(worked))


def _recipe(worked: Worked) -> bytes:
    study = worked.study
    recipe = recipe_of(study, worked.solution, worked.plan)
    words = words_of(study)
    places = {each.landmark: each.place for each in recipe.constructions}
    placings = []
    for each in recipe.constructions:
        mark = worked.plan.marks[each.landmark]
        placings.append(
            PrintedPlacing(
                name=words.of(each.landmark),
                steps=say_how(each, words, study.inches, squares_of(study, worked.plan)),
                from_edges=f"or {say_length(mark.held_left_mm, study.inches)} from the left and "
                f"{say_length(mark.held_top_mm, study.inches)} from the top edge",
                place=each.place,
                via=[places[name] for s in each.steps for name in s.via if name in places],
            )
        )
    school = school_of(study.method)
    set_up = [hint.text for hint in school.set_up]
    return recipe_pages(study.title, school.title, study.sheet, set_up, placings)


def _strips(worked: Worked) -> bytes:
    """One strip for the unit, one for heights, one for widths, and the distances worth carrying."""
    study, plan = worked.study, worked.plan
    words = words_of(study)
    unit_mm = plan.unit_mm or 1.0
    unit = study.unit.name if study.unit else "unit"
    parts = ((0.25, "1/4"), (1 / 3, "1/3"), (0.5, "1/2"), (2 / 3, "2/3"), (0.75, "3/4"),
             (1.0, "1"), (1.5, "1 1/2"), (2.0, "2"))  # fmt: skip
    strips = [Ticks(f"one {unit} and its parts", [(n * unit_mm, said) for n, said in parts])]
    if plan.marks:
        heights = [(max(m.held_top_mm, 0.0), words.of(n)) for n, m in plan.marks.items()]
        widths = [(max(m.held_left_mm, 0.0), words.of(n)) for n, m in plan.marks.items()]
        strips.append(Ticks("heights, from the sheet's top", heights))
        strips.append(Ticks("widths, from its left", widths))
    tiers = {each.id: each.tier for each in study.landmarks}
    places = {n: (p.held_x, p.held_y) for n, p in worked.solution.landmarks.items()}
    by_start: dict[str, list[tuple[float, str]]] = {}
    for each in worth_carrying(places, tiers, unit_mm):
        by_start.setdefault(each.start, []).append((each.sheet_mm, words.of(each.end)))
    strips += [Ticks(f"from {words.of(name)}", ticks) for name, ticks in by_start.items()]
    return tick_strips(study.title, strips)


def _viewfinder(worked: Worked) -> bytes:
    frame = worked.plan.frame
    sheet = worked.study.sheet
    ratio = sheet.width_mm / sheet.height_mm
    if frame is not None and frame.bottom - frame.top > 1e-6 and frame.right - frame.left > 1e-6:
        ratio = (frame.right - frame.left) / (frame.bottom - frame.top)
    return viewfinder(worked.study.title, min(max(ratio, 0.1), 10.0))


def _tilt_card(worked: Worked) -> bytes:
    return tilt_card(worked.study.title)


def _grid(worked: Worked) -> bytes:
    study = worked.study
    grid = grid_of(study, worked.plan)
    if grid is None:
        raise BadInput("frame", "there is nothing to lay a grid over yet: take a few readings")
    return grid_overlay(
        study.title, study.sheet.width_mm, study.sheet.height_mm, grid.across_mm, grid.down_mm
    )


def _print_grid(worked: Worked) -> bytes:
    """The same squares at the size of the print, to be laid over it."""
    study, frame, picture = worked.study, worked.plan.frame, worked.study.subject
    unit = study.unit
    if not isinstance(picture, PictureSubject) or picture.mm_per_px is None:
        raise BadInput("subject", "measure one length on the picture first, to give its size")
    if frame is None or not isinstance(unit, UnitPair):
        raise BadInput("unit", "choose a unit and set its landmarks on the picture first")
    places = flat_places(study, picture)
    if unit.start not in places or unit.end not in places:
        raise BadInput("unit", "set the unit's two landmarks on the picture first")
    d = places[unit.end] - places[unit.start]
    px = {"straight": float((d @ d) ** 0.5), "level": abs(float(d[0])), "plumb": abs(float(d[1]))}
    unit_mm = px[unit.along] * picture.mm_per_px
    grid = make_grid(frame, study.sheet, COLUMNS)
    square = grid.square_units * unit_mm
    border = 12.0
    across = [border + i * square for i in range(grid.columns + 1)]
    down = [border + i * square for i in range(grid.rows + 1)]
    return grid_overlay(study.title, across[-1] + border, down[-1] + border, across, down)


def _svg(worked: Worked) -> bytes:
    return plan_svg(worked.study.title, worked.study.sheet, printed_marks(worked))


def _marks_table(worked: Worked) -> bytes:
    return marks_csv(worked.study, worked.plan)


def _readings_table(worked: Worked) -> bytes:
    return readings_csv(worked.study)


MAKERS: dict[str, tuple[str, str, Callable[[Worked], bytes]]] = {
    "marks": (PDF, "pdf", _marks),
    "recipe": (PDF, "pdf", _recipe),
    "strips": (PDF, "pdf", _strips),
    "viewfinder": (PDF, "pdf", _viewfinder),
    "tilts": (PDF, "pdf", _tilt_card),
    "grid": (PDF, "pdf", _grid),
    "print-grid": (PDF, "pdf", _print_grid),
    "plan": (SVG, "svg", _svg),
    "marks-table": (CSV, "csv", _marks_table),
    "readings-table": (CSV, "csv", _readings_table),
}
"""What can be taken along: its kind, its file's ending, and what makes it."""
