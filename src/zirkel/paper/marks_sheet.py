"""The marks sheet at true size: every landmark's cross where it goes, with its name, to prick
through.

Never an outline: what is drawn by hand stays to be drawn by hand.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from zirkel.core.study import Sheet
from zirkel.core.worked import Worked
from zirkel.errors import BadInput
from zirkel.paper.base import Paper
from zirkel.paper.depth_lines import LETTER_MM, Stroke, Word, depth_lines
from zirkel.paper.page import CHALK, LINE, PENCIL, VERDIGRIS, Page
from zirkel.paper.whole import Whole, in_own_pages, on_one_page

NAME_MM, NOTE_MM = 3.5, 2.8
BACK = {"start": 0.0, "middle": 0.5, "end": 1.0}
MOST_PAGE_MM = 5000.0


@dataclass(frozen=True, slots=True)
class PrintedMark:
    """A mark in mm from the sheet's left and top; its slack there, None where it is loose."""

    name: str
    left_mm: float
    top_mm: float
    slack_mm: float | None
    landmark: str = ""


def marks_sheet(
    title: str,
    sheet: Sheet,
    marks: Sequence[PrintedMark],
    agreement: str | None = None,
    depth: Sequence[Stroke | Word] = (),
) -> Whole:
    """A page of the sheet's own size; how well the readings agree stands under its title where
    there is room for it."""

    def draw(paper: Page) -> None:
        _draw(paper, title, sheet, marks, agreement, depth)

    return Whole(f"{title}, marks", sheet.width_mm, sheet.height_mm, draw)


def _draw(
    paper: Page, title: str, sheet: Sheet, marks: Sequence[PrintedMark], agreement: str | None,
    depth: Sequence[Stroke | Word],
) -> None:  # fmt: skip
    m = sheet.margin
    paper.box(m.left, m.top, sheet.width_mm - m.left - m.right,
              sheet.height_mm - m.top - m.bottom, LINE, 0.2, (1.0, 2.0))  # fmt: skip
    cx, cy = sheet.width_mm / 2.0, sheet.height_mm / 2.0
    paper.cross(cx, cy, 5.0, LINE)
    for each in depth:
        if isinstance(each, Word):
            paper.text(*each.at, each.said, LETTER_MM, colour=VERDIGRIS, anchor=each.anchor)
        else:
            dash = (1.5, 1.5) if each.dashed else ()
            paper.line(each.points, VERDIGRIS, 0.15, dash, each.closed)
    taken: list[tuple[float, float, float]] = [
        (left, left + paper.wide(each.said, LETTER_MM), each.at[1])
        for each in depth if isinstance(each, Word)
        for left in (each.at[0] - BACK[each.anchor] * paper.wide(each.said, LETTER_MM),)
    ]  # fmt: skip
    for mark in sorted(marks, key=lambda each: each.top_mm):
        _mark(paper, mark, sheet, taken)
    room = sheet.width_mm - m.left - 2.0
    named = paper.lines(title, room, 4.4, strong=True, serif=True)[0]
    paper.text(m.left, 10.5, named, 4.4, strong=True, serif=True)
    if agreement and m.left + paper.wide(agreement, NOTE_MM) < sheet.width_mm - 2.0:
        paper.text(m.left, 14.4, agreement, NOTE_MM, colour=PENCIL)
    paper.proof_bar(m.left, sheet.height_mm - 7.0)


def _mark(
    paper: Page, mark: PrintedMark, sheet: Sheet, taken: list[tuple[float, float, float]]
) -> None:
    x, y = mark.left_mm, mark.top_mm
    if mark.slack_mm is None:
        paper.circle(x, y, 1.6, CHALK, 0.2)
        said = f"{mark.name} (loose)"
    else:
        paper.cross(x, y, 2.0)
        paper.circle(x, y, max(min(mark.slack_mm, 40.0), 0.4), LINE, 0.15)
        said = mark.name
    width = paper.wide(said, NAME_MM)
    left = x + 3.0 if x + 3.0 + width < sheet.width_mm - 2.0 else x - 3.0 - width
    base = y - 1.2
    # Names that would lie on another are moved down a line.
    while any(abs(base - b) < NAME_MM and left < e and left + width > s for s, e, b in taken):
        base += NAME_MM
    taken.append((left, left + width, base))
    paper.text(left, base, said, NAME_MM)


def printed_marks(worked: Worked) -> list[PrintedMark]:
    """All landmarks where they are held, loose ones as such."""
    loose = {each.landmark for each in worked.solution.loose}
    return [
        PrintedMark(
            worked.words.of(name),
            mark.held_left_mm,
            mark.held_top_mm,
            None if name in loose or mark.slack is None else mark.slack.longer,
            name,
        )
        for name, mark in worked.plan.marks.items()
    ]


def _of(worked: Worked) -> Whole:
    sheet = worked.study.sheet
    if max(sheet.width_mm, sheet.height_mm) > MOST_PAGE_MM:
        raise BadInput("sheet", f"a sheet of more than {MOST_PAGE_MM / 1000:.0f} m is not printed")
    return marks_sheet(
        worked.study.title, sheet, printed_marks(worked), worked.agreement,
        list(depth_lines(worked.depth_on_sheet, sheet)),
    )  # fmt: skip


def _on_one_page(worked: Worked) -> bytes:
    return on_one_page(_of(worked))


PAPER = Paper("marks", "Marks sheet", "true size, to prick through", _on_one_page)
IN_PAGES = in_own_pages(
    _of,
    "marks",
    "Marks sheet, in pages",
    lambda study: (study.sheet.width_mm, study.sheet.height_mm),
)
