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
SIZES = (3.9, 3.7, 3.5)
"""Height of the type, in mm: as large as so many pages have room for."""
MOST_PAGES = 2

LOOK, SET_UP, NUMBER = 3.5, 3.5, 3.5
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


@dataclass(frozen=True, slots=True)
class Laid:
    """Lines of one step where they stand: page and column from 0, the first base line, the height
    of the type; `number` of the landmarks so far where the step begins here, else None."""

    page: int
    column: int
    y: float
    lines: Sequence[str]
    type_mm: float
    each: Printed
    number: int | None


def recipe_pages(
    title: str, school: str, sheet: Sheet, set_up: Sequence[str], items: Sequence[Printed],
    page: str = "A4",
) -> bytes:  # fmt: skip
    """Pages of the artist's own printer: the whole and the set-up first, then all steps, in letters
    as large as two pages have room for."""
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
    firsts = top + share * sheet.height_mm + 7.0, y + 3.0
    for type_mm in SIZES:
        laid = _laid(paper, items, column - INDENT, firsts, top, type_mm)
        if not laid or laid[-1].page < MOST_PAGES:
            break
    at = 0
    for each in laid:
        if each.page > at:
            paper.foot(EDGE, width - 2 * EDGE, each.page)
            paper.turn_page()
            paper.head(EDGE, width - 2 * EDGE, title, school)
            at = each.page
        if each.number is not None:
            _box(paper, lefts[each.column], each.y, each.each, each.number)
        _words(paper, lefts[each.column] + INDENT, each)
    paper.foot(EDGE, width - 2 * EDGE, at + 1)
    return paper.done()


def _laid(
    paper: Page, items: Sequence[Printed], wide: float, firsts: tuple[float, float], top: float,
    type_mm: float,
) -> list[Laid]:  # fmt: skip
    """Where all steps stand, in letters of that size."""
    made: list[Laid] = []
    ys, at, page, number = list(firsts), 0, 0, 0
    most = int((paper.height_mm - FOOT - HEAD) / (TIGHT * type_mm))
    for each in items:
        number += each.place is not None
        size = type_mm if each.done else LOOK
        lines = paper.lines(each.said, wide, size, serif=True)
        begins = True
        while lines:
            # A sentence longer than a column goes on in the next one.
            room = int((paper.height_mm - FOOT - ys[at]) / (TIGHT * size))
            if room < min(len(lines), most):
                if at == 1:
                    page += 1
                    ys = [top, top]
                at = 1 - at
                continue
            here = number if begins else None
            made.append(Laid(page, at, ys[at], lines[:room], size, each, here))
            ys[at] += TIGHT * size * len(lines[:room])
            lines, begins = lines[room:], False
        ys[at] += GAP
    return made


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


def _words(paper: Page, left: float, laid: Laid) -> None:
    """Lines of a step."""
    colour = GRAPHITE if laid.each.done else PENCIL
    for k, line in enumerate(laid.lines):
        y = laid.y + k * TIGHT * laid.type_mm
        paper.text(left, y, line, laid.type_mm, colour=colour, serif=True)


@dataclass(frozen=True, slots=True)
class Dictated:
    """All that a recipe says: what to set up first, then one thing after the other."""

    set_up: list[str]
    items: list[Printed]


def dictated(worked: Worked) -> Dictated:
    """What a study's recipe says, as it is printed."""
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
    return Dictated(set_up, items)


def _of(worked: Worked) -> bytes:
    study, said = worked.study, dictated(worked)
    page = "Letter" if study.inches else "A4"
    school = worked.school.title
    return recipe_pages(study.title, school, study.sheet, said.set_up, said.items, page)


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
