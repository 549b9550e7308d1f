"""Tick strips: distances to carry from a strip of paper, each from its own end, at true size.

A tick reaches down to its own name. So that no tick runs through another's name, a name that
reaches under later ticks stands below theirs; a strip is as high as that takes.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from zirkel.core.sheet.arithmetic.dividers import worth_carrying
from zirkel.core.worked import Worked
from zirkel.paper.base import Paper
from zirkel.paper.page import LINE, PENCIL, Page, page_for

EDGE, NAME = 14.0, 2.6
TICK, LINE_MM, FOOT = 3.4, 3.1, 6.0
GAP = 0.6
TOP, BOTTOM = 26.0, 16.0


@dataclass(frozen=True, slots=True)
class Ticks:
    """One strip: what it is for, and its ticks (mm from its end, with their names)."""

    title: str
    ticks: Sequence[tuple[float, str]]


def tick_strips(title: str, strips: Sequence[Ticks]) -> bytes:
    """Pages of strips to cut apart, on the smallest common page that is long enough."""
    ruler = Page("", 100.0, 100.0)
    laid = [_laid(ruler, strip) for strip in strips]
    longest = max((x + ruler.wide(name, NAME) for rows in laid for x, name, _ in rows), default=90)
    tallest = max((_height(rows) for rows in laid), default=0.0)
    width, height = page_for(longest + 2 * EDGE + 4.0, tallest + TOP + BOTTOM)
    paper = Page(f"{title}, tick strips", width, height)
    y = _head(paper, title)
    for strip, rows in zip(strips, laid, strict=True):
        if y + _height(rows) > height - BOTTOM:
            paper.proof_bar(EDGE, height - 7.0)
            paper.turn_page()
            y = _head(paper, title)
        y = _strip(paper, y, strip, rows)
    paper.proof_bar(EDGE, height - 7.0)
    return paper.done()


def _head(paper: Page, title: str) -> float:
    width = paper.width_mm - 2 * EDGE
    line = paper.lines(f"{title}: tick strips", width, 4.8, strong=True, serif=True)[0]
    paper.text(EDGE, 11.0, line, 4.8, strong=True, serif=True)
    said = "Cut along the dashed lines. Lay the strip's left end on the first landmark."
    paper.wrapped(EDGE, 16.5, width, said, 3.0, colour=PENCIL)
    return TOP


def _laid(ruler: Page, strip: Ticks) -> list[tuple[float, str, int]]:
    """(mm from the strip's end, name, row) of every tick; a name that reaches under ticks further
    right stands in a lower row than all of theirs."""
    laid: list[tuple[float, str, int]] = []
    for at, name in sorted(strip.ticks, reverse=True):
        reach = at + 2 * GAP + ruler.wide(name, NAME)
        under = [row for other, _, row in laid if other <= reach]
        laid.append((at, name, max(under, default=-1) + 1))
    return laid


def _height(rows: Sequence[tuple[float, str, int]]) -> float:
    return TICK + LINE_MM * (max((row for _, _, row in rows), default=0) + 1) + FOOT


def _strip(paper: Page, y: float, strip: Ticks, rows: Sequence[tuple[float, str, int]]) -> float:
    below = y + _height(rows)
    for at in (y, below):
        paper.line([(4.0, at), (paper.width_mm - 4.0, at)], LINE, 0.15, (1.5, 1.5))
    paper.line([(EDGE, y), (EDGE, below)], width=0.4)
    paper.text(EDGE + 1.2, below - 1.6, strip.title, 3.0, strong=True)
    for at, name, row in rows:
        x, base = EDGE + at, y + TICK + LINE_MM * row
        paper.line([(x, y), (x, base)], width=0.25)
        paper.text(x + GAP, base, name, NAME, colour=PENCIL)
    return below


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
