"""The marks sheet at true size: every landmark's cross where it goes, with its name, to prick
through.

Never an outline: what is drawn by hand stays to be drawn by hand.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from zirkel.core.study import Sheet
from zirkel.paper.page import CHALK, LINE, PENCIL, Paper

NAME_MM = 2.8


@dataclass(frozen=True, slots=True)
class PrintedMark:
    """A mark in mm from the sheet's left and top; its slack there, None where it is loose."""

    name: str
    left_mm: float
    top_mm: float
    sd_mm: float | None


def marks_sheet(title: str, sheet: Sheet, marks: Sequence[PrintedMark]) -> bytes:
    """One page of the sheet's own size."""
    paper = Paper(f"{title}, marks", sheet.width_mm, sheet.height_mm)
    m = sheet.margin
    paper.box(m.left, m.top, sheet.width_mm - m.left - m.right,
              sheet.height_mm - m.top - m.bottom, LINE, 0.2, (1.0, 2.0))  # fmt: skip
    cx, cy = sheet.width_mm / 2.0, sheet.height_mm / 2.0
    paper.cross(cx, cy, 5.0, LINE)
    taken: list[tuple[float, float, float]] = []
    for mark in sorted(marks, key=lambda each: each.top_mm):
        _mark(paper, mark, sheet, taken)
    paper.text(m.left, 7.0, title, 4.2, strong=True)
    paper.proof_bar(m.left, sheet.height_mm - 5.0)
    return paper.done()


def _mark(
    paper: Paper, mark: PrintedMark, sheet: Sheet, taken: list[tuple[float, float, float]]
) -> None:
    x, y = mark.left_mm, mark.top_mm
    if mark.sd_mm is None:
        paper.circle(x, y, 1.6, CHALK, 0.2)
        said = f"{mark.name} (loose)"
    else:
        paper.cross(x, y, 2.0)
        paper.circle(x, y, max(min(2.0 * mark.sd_mm, 40.0), 0.4), LINE, 0.15)
        said = mark.name
    width = paper.wide(said, NAME_MM)
    left = x + 3.0 if x + 3.0 + width < sheet.width_mm - 2.0 else x - 3.0 - width
    base = y - 1.2
    # Names that would lie on another are moved down a line.
    while any(abs(base - b) < NAME_MM and left < e and left + width > s for s, e, b in taken):
        base += NAME_MM
    taken.append((left, left + width, base))
    paper.text(left, base, said, NAME_MM, colour=PENCIL)
