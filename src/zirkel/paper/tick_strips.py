"""Tick strips: distances to carry from a strip of paper, each from its own end, at true size."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from zirkel.core.sheet.arithmetic.dividers import worth_carrying
from zirkel.core.worked import Worked
from zirkel.paper.base import Paper
from zirkel.paper.page import LINE, PENCIL, Page, page_for

STRIP, EDGE, NAME = 22.0, 14.0, 2.6
ROWS, LINE_MM = 5, 3.1


@dataclass(frozen=True, slots=True)
class Ticks:
    """One strip: what it is for, and its ticks (mm from its end, with their names)."""

    title: str
    ticks: Sequence[tuple[float, str]]


def tick_strips(title: str, strips: Sequence[Ticks]) -> bytes:
    """Pages of strips to cut apart, as long as the longest tick needs."""
    longest = max((at for strip in strips for at, _ in strip.ticks), default=100.0)
    width, height = page_for(longest + 2 * EDGE + 40.0, 0.0)
    height = max(height, 210.0)
    paper = Page(f"{title}, tick strips", width, height)
    y = _head(paper, title)
    for strip in strips:
        if y + STRIP + 4.0 > height - 16.0:
            paper.proof_bar(EDGE, height - 7.0)
            paper.turn_page()
            y = _head(paper, title)
        _strip(paper, y, strip, width)
        y += STRIP
    paper.proof_bar(EDGE, height - 7.0)
    return paper.done()


def _head(paper: Page, title: str) -> float:
    paper.text(EDGE, 11.0, f"{title}: tick strips", 4.6, strong=True)
    paper.text(EDGE, 16.5, "Cut along the dashed lines. Lay the strip's left end on the first "
               "landmark.", 3.0, colour=PENCIL)  # fmt: skip
    return 22.0


def _strip(paper: Page, y: float, strip: Ticks, width: float) -> None:
    paper.line([(4.0, y), (width - 4.0, y)], LINE, 0.15, (1.5, 1.5))
    paper.line([(4.0, y + STRIP), (width - 4.0, y + STRIP)], LINE, 0.15, (1.5, 1.5))
    paper.line([(EDGE, y), (EDGE, y + STRIP)], width=0.4)
    paper.text(EDGE + 1.0, y + STRIP - 1.2, strip.title, NAME, colour=PENCIL)
    ends = [0.0] * ROWS
    for at, name in sorted(strip.ticks):
        x = EDGE + at
        row = next((r for r in range(ROWS) if ends[r] < x), min(range(ROWS), key=ends.__getitem__))
        paper.line([(x, y), (x, y + 3.4 + LINE_MM * row)], width=0.25)
        paper.text(x + 0.6, y + 3.2 + LINE_MM * row, name, NAME)
        ends[row] = x + 1.2 + paper.wide(name, NAME)


PARTS = ((0.25, "1/4"), (1 / 3, "1/3"), (0.5, "1/2"), (2 / 3, "2/3"), (0.75, "3/4"), (1.0, "1"),
         (1.5, "1 1/2"), (2.0, "2"))  # fmt: skip


def _of(worked: Worked) -> bytes:
    """One strip for the unit, one for heights, one for widths, and the distances worth carrying."""
    plan, words = worked.plan, worked.words
    unit_mm = plan.unit_mm or 1.0
    strips = [Ticks(f"one {words.unit} and its parts", [(n * unit_mm, said) for n, said in PARTS])]
    if plan.marks:
        heights = [(max(m.held_top_mm, 0.0), words.of(n)) for n, m in plan.marks.items()]
        widths = [(max(m.held_left_mm, 0.0), words.of(n)) for n, m in plan.marks.items()]
        strips.append(Ticks("heights, from the sheet's top", heights))
        strips.append(Ticks("widths, from its left", widths))
    tiers = {each.id: each.tier for each in worked.study.landmarks}
    by_start: dict[str, list[tuple[float, str]]] = {}
    for each in worth_carrying(worked.positions, tiers, unit_mm):
        by_start.setdefault(each.start, []).append((each.sheet_mm, words.of(each.end)))
    strips += [Ticks(f"from {words.of(name)}", ticks) for name, ticks in by_start.items()]
    return tick_strips(worked.study.title, strips)


PAPER = Paper("strips", "Tick strips", "distances to carry", _of)
