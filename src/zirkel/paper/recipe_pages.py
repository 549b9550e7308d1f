"""The recipe on paper: each landmark with its steps, and a small drawing of where they lead."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from zirkel.core.sheet.recipe.dictation import Item
from zirkel.core.study import Sheet
from zirkel.core.words.perspective import say_repeat
from zirkel.core.words.recipe import say_item, scene_of
from zirkel.core.words.tones import say_lines
from zirkel.core.worked import Worked
from zirkel.paper.base import Paper
from zirkel.paper.depth_lines import say_ticks
from zirkel.paper.page import LEADING, PENCIL, VERDIGRIS, Page
from zirkel.paper.step_drawing import DrawnStep, Place, draw_step, small_sheet

WIDTH, HEIGHT = 210.0, 297.0
EDGE, SMALL, GAP = 16.0, 44.0, 5.0
LEFT = EDGE + SMALL + 8.0
BESIDE = WIDTH - EDGE - LEFT
PLACED, BETWEEN = 4.7, 4.0
FOOT = 18.0


@dataclass(frozen=True, slots=True)
class Printed:
    """One thing of the dictation: its sentence; for a landmark to place also coordinates in words,
    where it goes, and its steps; for a line to draw its points, and whether it closes."""

    said: str
    from_edges: str = ""
    place: Place | None = None
    steps: Sequence[DrawnStep] = ()
    line: Sequence[Place] = ()
    closed: bool = False

    @property
    def drawn(self) -> bool:
        """Whether a small sheet stands beside its words."""
        return self.place is not None or bool(self.line)


def recipe_pages(
    title: str, school: str, sheet: Sheet, set_up: Sequence[str], items: Sequence[Printed]
) -> bytes:
    """A4 pages: the set-up first, then the dictation in its order, each placing and line drawn."""
    paper = Page(f"{title}, recipe", WIDTH, HEIGHT)
    pages = 1
    y = paper.head(EDGE, WIDTH - 2 * EDGE, title, school)
    for line in set_up:
        y = paper.wrapped(EDGE, y, WIDTH - 2 * EDGE, line, 3.6)
    y += 4.0
    small = sheet.height_mm * min(SMALL / sheet.width_mm, SMALL / sheet.height_mm)
    placed: list[Place] = []
    lines: list[tuple[Sequence[Place], bool]] = []
    for each in items:
        high = _high(paper, each, small)
        if y + high > HEIGHT - FOOT:
            paper.foot(EDGE, WIDTH - 2 * EDGE, pages)
            paper.turn_page()
            pages += 1
            y = paper.head(EDGE, WIDTH - 2 * EDGE, title, school)
        _row(paper, y, each, sheet, placed, lines)
        if each.place is not None:
            placed.append(each.place)
        if each.line:
            lines.append((each.line, each.closed))
        y += high
    paper.foot(EDGE, WIDTH - 2 * EDGE, pages)
    return paper.done()


def _row(
    paper: Page, y: float, each: Printed, sheet: Sheet, placed: Sequence[Place],
    lines: Sequence[tuple[Sequence[Place], bool]],
) -> None:  # fmt: skip
    if not each.drawn:
        paper.wrapped(LEFT, y + 2.0, BESIDE, each.said, BETWEEN, colour=PENCIL, serif=True)
        return
    size = sheet.width_mm, sheet.height_mm
    small = small_sheet(paper, EDGE, y, size, SMALL, placed, lines)
    if each.place is None:
        paper.line([small.at(p) for p in each.line], VERDIGRIS, 0.4, closed=each.closed)
        paper.wrapped(LEFT, y + 4.0, BESIDE, each.said, PLACED, serif=True)
        return
    for step in each.steps:
        draw_step(paper, small, step, each.place)
    paper.line([_beside(small.at(each.place), -1.3, 0), _beside(small.at(each.place), 1.3, 0)],
               VERDIGRIS, 0.5)  # fmt: skip
    paper.line([_beside(small.at(each.place), 0, -1.3), _beside(small.at(each.place), 0, 1.3)],
               VERDIGRIS, 0.5)  # fmt: skip
    paper.text(LEFT - 3.0, y + 4.0, str(len(placed) + 1), 3.4, strong=True, anchor="end")
    below = paper.wrapped(LEFT, y + 4.0, BESIDE, each.said, PLACED, serif=True)
    paper.wrapped(LEFT, below + 0.6, BESIDE, each.from_edges, 3.2, colour=PENCIL)


def _beside(at: Place, x: float, y: float) -> Place:
    return at[0] + x, at[1] + y


def _high(paper: Page, each: Printed, small: float) -> float:
    """How high it comes out, with the space below it."""
    size = PLACED if each.drawn else BETWEEN
    words = LEADING * size * len(paper.lines(each.said, BESIDE, size, serif=True))
    if not each.drawn:
        return 2.6 + words
    return GAP + max(small, 2.0 + words + (LEADING * 3.2 if each.from_edges else 0.0))


def _of(worked: Worked) -> bytes:
    study, words, recipe = worked.study, worked.words, worked.recipe
    scene = scene_of(study, words, recipe, worked.squares)
    items = []
    for each in worked.dictation:
        made = each.construction
        if each.kind != "place" or made is None:
            line, closed = _line(each, scene.places)
            items.append(Printed(say_item(each, scene), line=line, closed=closed))
            continue
        mark = worked.plan.marks[made.landmark]
        items.append(
            Printed(
                say_item(each, scene),
                f"or {words.length(mark.held_left_mm)} from the left and "
                f"{words.length(mark.held_top_mm)} from the top edge",
                made.place,
                [DrawnStep(s.manner, s.value, [scene.places[name] for name in s.via])
                 for s in made.steps],
            )
        )  # fmt: skip
    set_up = [hint.text for hint in worked.school.set_up] + say_ticks(worked.depth_on_sheet)
    if study.overlaps:
        shapes, marks = ({e.id: e.name for e in each} for each in (study.shapes, study.landmarks))
        set_up += say_lines(worked.layers, shapes, worked.running_back, marks)
    for row in study.repeats:
        set_up += say_repeat(row, words)
    return recipe_pages(study.title, worked.school.title, study.sheet, set_up, items)


def _line(item: Item, places: Mapping[str, Place]) -> tuple[Sequence[Place], bool]:
    """What is joined by an item, and whether it closes; nothing for one that joins nothing."""
    if item.join is None:
        return (), False
    points = [places[name] for name in item.join.landmarks if name in places]
    shape = item.join.shape
    closed = item.join.kind == "envelope" or bool(shape and shape.closed)
    return (points if len(points) > 1 else ()), closed


PAPER = Paper("recipe", "Recipe", "as it is dictated, drawn", _of)
