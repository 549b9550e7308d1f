"""A grid at true size on a page a little larger than what it is laid over, with its corners marked:
letters, numbers and bar stand in the border, off the drawing."""

from __future__ import annotations

from collections.abc import Sequence
from string import ascii_uppercase

from zirkel.core.worked import Worked
from zirkel.errors import BadInput
from zirkel.paper.base import Paper
from zirkel.paper.page import CHALK, GRAPHITE, LINE, PENCIL, Page
from zirkel.paper.whole import Whole, in_own_pages, on_one_page

BORDER_MM = 18.0
CORNER_MM = 6.0

Box = tuple[float, float, float, float]


def with_border(width_mm: float, height_mm: float) -> tuple[float, float]:
    """The page that a grid over so much takes, at least."""
    return width_mm + 2 * BORDER_MM, height_mm + 2 * BORDER_MM


def grid_overlay(
    title: str, over: Box, across: Sequence[float], down: Sequence[float], what: str = "sheet"
) -> Whole:
    """A page round the box `over` (left, top, right, bottom in mm), with lines at `across` and
    `down` in the same millimetres."""
    left, top = min(over[0], across[0]), min(over[1], down[0])
    right, bottom = max(over[2], across[-1]), max(over[3], down[-1])
    size = (right - left + 2 * BORDER_MM, bottom - top + 2 * BORDER_MM)
    shift = BORDER_MM - left, BORDER_MM - top

    def draw(paper: Page) -> None:
        _draw(paper, [each + shift[k % 2] for k, each in enumerate(over)], across, down, what)

    across, down = [x + shift[0] for x in across], [y + shift[1] for y in down]
    return Whole(f"{title}, grid", *size, draw)


def _draw(
    paper: Page, over: Sequence[float], across: Sequence[float], down: Sequence[float], what: str
) -> None:
    width, height = paper.width_mm, paper.height_mm
    for i, x in enumerate(across):
        middle = i == len(across) // 2
        paper.line([(x, down[0]), (x, down[-1])], CHALK if middle else PENCIL, 0.2)
    for i, y in enumerate(down):
        middle = i == len(down) // 2
        paper.line([(across[0], y), (across[-1], y)], CHALK if middle else PENCIL, 0.2)
    for i in range(len(across) - 1):
        paper.text((across[i] + across[i + 1]) / 2.0, BORDER_MM - 4.5, ascii_uppercase[i], 4.0,
                   anchor="middle")  # fmt: skip
    for i in range(len(down) - 1):
        paper.text(BORDER_MM - 4.5, (down[i] + down[i + 1]) / 2.0 + 1.4, str(i + 1), 4.0,
                   anchor="middle")  # fmt: skip
    _corners(paper, over)
    if width > 130.0 + 2 * BORDER_MM:
        paper.proof_bar(BORDER_MM, height - 7.0)
    said = f"Corner marks: the {what}'s corners"
    room = width - 2 * BORDER_MM
    if paper.wide(said, 2.6) < room:
        paper.text(BORDER_MM, 8.6, said, 2.6, colour=PENCIL)


def _corners(paper: Page, box: Sequence[float]) -> None:
    """Marks outside each corner of what the grid is laid over, and its outline very light."""
    left, top, right, bottom = box
    paper.box(left, top, right - left, bottom - top, LINE, 0.15, (1.0, 2.0))
    for x, out_x in ((left, -1.0), (right, 1.0)):
        for y, out_y in ((top, -1.0), (bottom, 1.0)):
            paper.line([(x + out_x, y), (x + out_x * CORNER_MM, y)], GRAPHITE, 0.25)
            paper.line([(x, y + out_y), (x, y + out_y * CORNER_MM)], GRAPHITE, 0.25)


def _of(worked: Worked) -> Whole:
    study, grid = worked.study, worked.grid
    if grid is None:
        raise BadInput("frame", "there is nothing to lay a grid over yet: take a few readings")
    sheet = (0.0, 0.0, study.sheet.width_mm, study.sheet.height_mm)
    return grid_overlay(study.title, sheet, grid.across_mm, grid.down_mm)


def _on_one_page(worked: Worked) -> bytes:
    return on_one_page(_of(worked))


PAPER = Paper("grid", "Grid for the sheet", "true size, centre cross", _on_one_page)
IN_PAGES = in_own_pages(_of, "grid", "Grid, in pages", lambda study: with_border(
    study.sheet.width_mm, study.sheet.height_mm
))  # fmt: skip
