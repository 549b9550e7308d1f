"""The recipe on paper: each landmark with its steps, and a small drawing of where they lead."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from zirkel.core.study import Sheet
from zirkel.core.words.perspective import say_repeat
from zirkel.core.words.recipe import say_item, scene_of
from zirkel.core.words.tones import say_lines
from zirkel.core.worked import Worked
from zirkel.paper.base import Paper
from zirkel.paper.depth_lines import say_ticks
from zirkel.paper.page import LEADING, LINE, PENCIL, VERDIGRIS, Page

WIDTH, HEIGHT = 210.0, 297.0
EDGE, ROW, SMALL = 16.0, 35.0, 30.0
LEFT = EDGE + SMALL + 8.0
BESIDE = WIDTH - EDGE - LEFT
PLACED, BETWEEN = 4.2, 3.6


@dataclass(frozen=True, slots=True)
class Printed:
    """One thing of the dictation: its sentence; for a landmark to place also coordinates in words,
    where it goes, and from where (mm on the sheet)."""

    said: str
    from_edges: str = ""
    place: tuple[float, float] | None = None
    via: Sequence[tuple[float, float]] = ()


def recipe_pages(
    title: str, school: str, sheet: Sheet, set_up: Sequence[str], items: Sequence[Printed]
) -> bytes:
    """A4 pages: the set-up first, then the dictation in its order, each placing drawn."""
    paper = Page(f"{title}, recipe", WIDTH, HEIGHT)
    y = _head(paper, title, school)
    for line in set_up:
        y = paper.wrapped(EDGE, y, WIDTH - 2 * EDGE, line, 3.4)
    y += 4.0
    placed: list[tuple[float, float]] = []
    number = 0
    for each in items:
        high = _high(paper, each)
        if y + high > HEIGHT - 18.0:
            paper.proof_bar(EDGE, HEIGHT - 8.0)
            paper.turn_page()
            y = _head(paper, title, school)
        if each.place is None:
            paper.wrapped(LEFT, y + 1.5, BESIDE, each.said, BETWEEN, colour=PENCIL)
        else:
            number += 1
            _row(paper, y, number, each, each.place, sheet, placed)
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
    paper: Page, y: float, number: int, each: Printed, place: tuple[float, float], sheet: Sheet,
    placed: Sequence[tuple[float, float]],
) -> None:  # fmt: skip
    size = min(SMALL / sheet.width_mm, SMALL / sheet.height_mm)
    paper.box(EDGE, y, sheet.width_mm * size, sheet.height_mm * size, LINE, 0.2)

    def at(p: tuple[float, float]) -> tuple[float, float]:
        return EDGE + p[0] * size, y + p[1] * size

    for point in placed:
        paper.circle(*at(point), 0.35, PENCIL, 0.1, filled=True)
    for start in each.via:
        paper.line([at(start), at(place)], PENCIL, 0.15, (0.6, 0.6))
    paper.cross(*at(place), 1.4, VERDIGRIS)
    below = paper.wrapped(LEFT, y + 4.0, BESIDE, f"{number}  {each.said}", PLACED)
    paper.wrapped(LEFT, below + 0.4, BESIDE, each.from_edges, 2.9, colour=PENCIL)


def _high(paper: Page, each: Printed) -> float:
    """How high it comes out."""
    if each.place is None:
        return 3.0 + LEADING * BETWEEN * len(paper.lines(each.said, BESIDE, BETWEEN))
    words = paper.lines(f"00  {each.said}", BESIDE, PLACED)
    return max(ROW, 8.0 + LEADING * (PLACED * len(words) + 2.9))


def _of(worked: Worked) -> bytes:
    study, words, recipe = worked.study, worked.words, worked.recipe
    scene = scene_of(study, words, recipe, worked.squares)
    items = []
    for each in worked.dictation:
        made = each.construction
        if each.kind != "place" or made is None:
            items.append(Printed(say_item(each, scene)))
            continue
        mark = worked.plan.marks[made.landmark]
        items.append(
            Printed(
                say_item(each, scene),
                f"or {words.length(mark.held_left_mm)} from the left and "
                f"{words.length(mark.held_top_mm)} from the top edge",
                made.place,
                [scene.places[name] for s in made.steps for name in s.via],
            )
        )
    set_up = [hint.text for hint in worked.school.set_up] + say_ticks(worked.depth_on_sheet)
    if study.overlaps:
        shapes, marks = ({e.id: e.name for e in each} for each in (study.shapes, study.landmarks))
        set_up += say_lines(worked.layers, shapes, worked.running_back, marks)
    for row in study.repeats:
        set_up += say_repeat(row, words)
    return recipe_pages(study.title, worked.school.title, study.sheet, set_up, items)


PAPER = Paper("recipe", "Recipe", "as it is dictated, drawn", _of)
