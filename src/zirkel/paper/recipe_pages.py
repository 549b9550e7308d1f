"""The recipe on paper, to be read at arm's length beside the sheet: the whole drawn once with the
order's numbers, then every step in two columns, each with a box to tick."""

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
from zirkel.paper.page import GRAPHITE, LINE, PAGES_MM, PENCIL, Page

EDGE, BETWEEN, FOOT = 13.0, 7.0, 15.0
TEXT, LOOK, SET_UP, NUMBER = 3.9, 3.5, 3.5, 3.5
BOX = 3.4
INDENT = 10.5
GAP = 1.8
"""Space below a step."""

TIGHT = 1.22
"""Between lines of a step, of the type's height."""

HEAD = 60.0
"""Room that a page's head takes at most."""

TALLEST = 96.0
"""Height of the drawing of the whole, at most."""

ROUND_A_MARK = ((1.2, -1.2), (1.2, 3.6), (-1.2, -1.2), (-1.2, 3.6), (2.2, 1.2), (-2.2, 1.2))
"""Where a mark's number may stand, from the mark; to its left from its end."""

LOOKED_AT = ("look", "back")
"""Kinds of the dictation's items that leave nothing on the sheet."""

Place = tuple[float, float]
Rectangle = tuple[float, float, float, float]


@dataclass(frozen=True, slots=True)
class Printed:
    """One thing of the dictation: its sentence, and whether it is to be done and ticked off, not
    only looked at; for a landmark to place where it goes, for a line to draw its points, and
    whether it closes."""

    said: str
    done: bool = True
    place: Place | None = None
    line: Sequence[Place] = ()
    closed: bool = False

    @property
    def size(self) -> float:
        """Height of its type, in mm."""
        return TEXT if self.done else LOOK


def recipe_pages(
    title: str, school: str, sheet: Sheet, set_up: Sequence[str], items: Sequence[Printed],
    page: str = "A4",
) -> bytes:  # fmt: skip
    """Pages of the artist's own printer: the whole and the set-up first, then all steps."""
    width, height = PAGES_MM[page]
    paper = Page(f"{title}, recipe", width, height)
    column = (width - 2 * EDGE - BETWEEN) / 2.0
    lefts = (EDGE, EDGE + column + BETWEEN)
    top = paper.head(EDGE, width - 2 * EDGE, title, school)
    share = min(column / sheet.width_mm, TALLEST / sheet.height_mm)
    _whole(paper, lefts[0], top, share, sheet, items)
    y = top + 3.0
    for line in set_up:
        y = paper.wrapped(lefts[1], y, column, line, SET_UP, colour=PENCIL) + 1.0
    # The left column goes on below the drawing, the right one below the set-up.
    ys = [top + share * sheet.height_mm + 7.0, y + 3.0]
    at, pages, number = 0, 1, 0
    most = int((height - FOOT - HEAD) / (TIGHT * TEXT))
    for each in items:
        number += each.place is not None
        lines = paper.lines(each.said, column - INDENT, each.size, serif=True)
        begins = True
        while lines:
            # A sentence longer than a column goes on in the next one.
            room = int((height - FOOT - ys[at]) / (TIGHT * each.size))
            if room < min(len(lines), most):
                if at == 1:
                    paper.foot(EDGE, width - 2 * EDGE, pages)
                    paper.turn_page()
                    pages += 1
                    ys = [paper.head(EDGE, width - 2 * EDGE, title, school)] * 2
                at = 1 - at
                continue
            if begins:
                _box(paper, lefts[at], ys[at], each, number)
            ys[at] = _words(paper, lefts[at] + INDENT, ys[at], lines[:room], each)
            lines, begins = lines[room:], False
        ys[at] += GAP
    paper.foot(EDGE, width - 2 * EDGE, pages)
    return paper.done()


def _whole(
    paper: Page, left: float, top: float, share: float, sheet: Sheet, items: Sequence[Printed]
) -> None:
    """The sheet in small with every line and mark, each mark numbered as it comes."""

    def at(place: Place) -> Place:
        return left + share * place[0], top + share * place[1]

    paper.box(left, top, share * sheet.width_mm, share * sheet.height_mm, LINE, 0.3)
    for each in items:
        if each.line:
            paper.line([at(one) for one in each.line], PENCIL, 0.2, closed=each.closed)
    marks = [at(each.place) for each in items if each.place is not None]
    taken = [(x - 0.8, y - 0.8, x + 0.8, y + 0.8) for x, y in marks]
    for number, (x, y) in enumerate(marks, 1):
        paper.cross(x, y, 0.8)
        said = str(number)
        wide = paper.wide(said, NUMBER, strong=True)

        def room(beside: Place, x: float = x, y: float = y, wide: float = wide) -> Rectangle:
            begins = x + beside[0] - (wide if beside[0] < 0 else 0.0)
            return begins, y + beside[1] - 0.72 * NUMBER, begins + wide, y + beside[1]

        best = min(ROUND_A_MARK, key=lambda beside: _over(room(beside), taken))
        found = room(best)
        taken.append(found)
        paper.text(found[0], found[3], said, NUMBER, strong=True)


def _over(box: Rectangle, taken: Sequence[Rectangle]) -> float:
    """How much of what stands already a box would lie over."""
    return sum(
        max(min(box[2], each[2]) - max(box[0], each[0]), 0.0)
        * max(min(box[3], each[3]) - max(box[1], each[1]), 0.0)
        for each in taken
    )


def _box(paper: Page, left: float, y: float, each: Printed, number: int) -> None:
    """What stands before a step: a box to tick, a landmark's number."""
    if each.done:
        paper.box(left, y - 0.8 * BOX, BOX, BOX, GRAPHITE, 0.3)
    if each.place is not None:
        paper.text(left + INDENT - 1.4, y, str(number), NUMBER, strong=True, anchor="end")


def _words(paper: Page, left: float, y: float, lines: Sequence[str], each: Printed) -> float:
    """Lines of a step; the base line that comes next."""
    for line in lines:
        colour = GRAPHITE if each.done else PENCIL
        paper.text(left, y, line, each.size, colour=colour, serif=True)
        y += TIGHT * each.size
    return y


def _of(worked: Worked) -> bytes:
    study, words, recipe = worked.study, worked.words, worked.recipe
    scene = scene_of(study, words, recipe, worked.squares)
    items = []
    for each in worked.dictation:
        made = each.construction if each.kind == "place" else None
        line, closed = _line(each, scene.places)
        done = each.kind not in LOOKED_AT
        place = made.place if made else None
        items.append(Printed(say_item(each, scene), done, place, line, closed))
    set_up = [hint.text for hint in worked.school.set_up] + say_ticks(worked.depth_on_sheet)
    if study.overlaps:
        shapes, marks = ({e.id: e.name for e in each} for each in (study.shapes, study.landmarks))
        set_up += say_lines(worked.layers, shapes, worked.running_back, marks)
    for row in study.repeats:
        set_up += say_repeat(row, words)
    page = "Letter" if study.inches else "A4"
    return recipe_pages(study.title, worked.school.title, study.sheet, set_up, items, page)


def _line(item: Item, places: Mapping[str, Place]) -> tuple[Sequence[Place], bool]:
    """What is joined by an item, and whether it closes; nothing for one that joins nothing."""
    if item.join is None:
        return (), False
    points = [places[name] for name in item.join.landmarks if name in places]
    shape = item.join.shape
    closed = item.join.kind == "envelope" or bool(shape and shape.closed)
    return (points if len(points) > 1 else ()), closed


PAPER = Paper("recipe", "Recipe", "as it is dictated, with the whole drawn", _of)
"""The recipe as a paper to take along."""
