"""The viewfinder: a card to cut out, in the frame's proportion."""

from __future__ import annotations

from zirkel.core.worked import Worked
from zirkel.paper.base import Paper, own_page
from zirkel.paper.page import LINE, PAGES_MM, Page

OPENING, BORDER = 130.0, 26.0


def viewfinder(title: str, ratio: float, size: tuple[float, float] = PAGES_MM["A4"]) -> bytes:
    """A card with an opening of the ratio width over height, its longer side 130 mm, with quarters
    and thirds ticked round it."""
    w, h = (OPENING, OPENING / ratio) if ratio >= 1 else (OPENING * ratio, OPENING)
    paper = Page(f"{title}, viewfinder", *size)
    left, top = (size[0] - w) / 2.0, 72.0
    y = paper.head(18.0, size[0] - 36.0, title, "Viewfinder, in the frame's proportion")
    paper.wrapped(18.0, y, size[0] - 36.0, "Cut along both lines, away from the hand, on a board. "
                  "Hold it upright, one eye shut.", 3.8, serif=True)  # fmt: skip
    paper.box(left - BORDER, top - BORDER, w + 2 * BORDER, h + 2 * BORDER, LINE, 0.3, (2.0, 2.0))
    paper.box(left, top, w, h, pen=0.4)
    for share, tall in ((0.25, 5.0), (1 / 3, 3.0), (0.5, 8.0), (2 / 3, 3.0), (0.75, 5.0)):
        x, y = left + share * w, top + share * h
        for line in (
            [(x, top), (x, top - tall)],
            [(x, top + h), (x, top + h + tall)],
            [(left, y), (left - tall, y)],
            [(left + w, y), (left + w + tall, y)],
        ):
            paper.line(line, width=0.25)
    for place, said in ((0.25, "1/4"), (0.5, "1/2"), (0.75, "3/4")):
        paper.text(left + place * w, top - 9.5, said, 3.2, anchor="middle")
        paper.text(left - 9.0, top + place * h + 1.0, said, 3.2, anchor="end")
    paper.foot(18.0, size[0] - 36.0)
    return paper.done()


def _of(worked: Worked) -> bytes:
    frame, sheet = worked.plan.frame, worked.study.sheet
    ratio = sheet.width_mm / sheet.height_mm
    if frame is not None and frame.bottom - frame.top > 1e-6 and frame.right - frame.left > 1e-6:
        ratio = (frame.right - frame.left) / (frame.bottom - frame.top)
    return viewfinder(worked.study.title, min(max(ratio, 0.1), 10.0), own_page(worked.study))


PAPER = Paper("viewfinder", "Viewfinder", "to cut out, in the frame's proportion", _of)
