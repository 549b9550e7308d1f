"""The recipe on paper: each landmark with its steps, and a small drawing of where they lead."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from zirkel.core.study import Sheet
from zirkel.core.words.recipe import say_how
from zirkel.core.worked import Worked
from zirkel.paper.base import Paper
from zirkel.paper.page import LEADING, LINE, PENCIL, VERDIGRIS, Page

WIDTH, HEIGHT = 210.0, 297.0
EDGE, ROW, SMALL = 16.0, 36.0, 30.0
LEFT = EDGE + SMALL + 8.0
BESIDE = WIDTH - EDGE - LEFT


@dataclass(frozen=True, slots=True)
class PrintedPlacing:
    """A landmark to place: its steps in words, coordinates in words, where it goes, and from where
    (mm on the sheet)."""

    name: str
    steps: Sequence[str]
    from_edges: str
    place: tuple[float, float]
    via: Sequence[tuple[float, float]]


def recipe_pages(
    title: str, school: str, sheet: Sheet, set_up: Sequence[str], placings: Sequence[PrintedPlacing]
) -> bytes:
    """A4 pages: the set-up first, then every landmark in the order of placing."""
    paper = Page(f"{title}, recipe", WIDTH, HEIGHT)
    y = _head(paper, title, school)
    for line in set_up:
        y = paper.wrapped(EDGE, y, WIDTH - 2 * EDGE, line, 3.4)
    y += 4.0
    placed: list[tuple[float, float]] = []
    for number, each in enumerate(placings, 1):
        high = max(ROW, _high(paper, number, each))
        if y + high > HEIGHT - 18.0:
            paper.proof_bar(EDGE, HEIGHT - 8.0)
            paper.turn_page()
            y = _head(paper, title, school)
        _row(paper, y, number, each, sheet, placed)
        placed.append(each.place)
        y += high
    paper.proof_bar(EDGE, HEIGHT - 8.0)
    return paper.done()


def _head(paper: Page, title: str, school: str) -> float:
    y = paper.wrapped(EDGE, 16.0, WIDTH - 2 * EDGE, title, 6.0, strong=True)
    y = paper.wrapped(EDGE, y - 1.0, WIDTH - 2 * EDGE, school, 3.2)
    paper.line([(EDGE, y), (WIDTH - EDGE, y)], LINE)
    return y + 7.0


def _row(
    paper: Page, y: float, number: int, each: PrintedPlacing, sheet: Sheet,
    placed: Sequence[tuple[float, float]],
) -> None:  # fmt: skip
    size = min(SMALL / sheet.width_mm, SMALL / sheet.height_mm)
    paper.box(EDGE, y, sheet.width_mm * size, sheet.height_mm * size, LINE, 0.2)

    def at(p: tuple[float, float]) -> tuple[float, float]:
        return EDGE + p[0] * size, y + p[1] * size

    for point in placed:
        paper.circle(*at(point), 0.35, PENCIL, 0.1, filled=True)
    for start in each.via:
        paper.line([at(start), at(each.place)], PENCIL, 0.15, (0.6, 0.6))
    paper.cross(*at(each.place), 1.4, VERDIGRIS)
    below = paper.wrapped(LEFT, y + 4.0, BESIDE, f"{number}  {each.name}", 4.2, strong=True)
    for step in each.steps:
        below = paper.wrapped(LEFT, below, BESIDE, f"-  {step}", 3.6)
    paper.wrapped(LEFT, below + 0.4, BESIDE, each.from_edges, 2.9, colour=PENCIL)


def _high(paper: Page, number: int, each: PrintedPlacing) -> float:
    """How high a placing's words come out."""
    names = paper.lines(f"{number}  {each.name}", BESIDE, 4.2, strong=True)
    steps = [line for step in each.steps for line in paper.lines(f"-  {step}", BESIDE, 3.6)]
    return 8.0 + LEADING * (4.2 * len(names) + 3.6 * len(steps) + 2.9)


def _of(worked: Worked) -> bytes:
    study, words, recipe = worked.study, worked.words, worked.recipe
    places = {each.landmark: each.place for each in recipe.constructions}
    placings = []
    for each in recipe.constructions:
        mark = worked.plan.marks[each.landmark]
        placings.append(
            PrintedPlacing(
                name=words.of(each.landmark),
                steps=say_how(each, words, study.inches, worked.squares),
                from_edges=f"or {words.length(mark.held_left_mm)} from the left and "
                f"{words.length(mark.held_top_mm)} from the top edge",
                place=each.place,
                via=[places[name] for s in each.steps for name in s.via if name in places],
            )
        )
    set_up = [hint.text for hint in worked.school.set_up]
    return recipe_pages(study.title, worked.school.title, study.sheet, set_up, placings)


PAPER = Paper("recipe", "Recipe", "all steps, drawn", _of)
