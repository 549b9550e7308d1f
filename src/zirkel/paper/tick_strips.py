"""Tick strips: distances to carry from a strip of paper, each from its own end, at true size.

A strip longer than the artist's own printer has paper for comes in pieces, each glued over the
flap of the one before it where that is dashed. A tick reaches down to its own name. So that no tick
runs through another's name, a name that reaches under later ticks stands below theirs; a strip is
as high as that takes.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from zirkel.core.sheet.arithmetic.dividers import worth_carrying
from zirkel.core.worked import Worked
from zirkel.paper.base import Paper
from zirkel.paper.page import CHALK, GRAPHITE, LINE, PAGES_MM, PENCIL, Page, page_for

EDGE, NAME = 14.0, 3.5
TICK, LINE_MM, FOOT = 3.8, 4.0, 6.0
GAP = 0.6
TOP, BOTTOM = 26.0, 16.0


@dataclass(frozen=True, slots=True)
class Ticks:
    """One strip, or a piece of one: what it is for, and its ticks (mm from its end, with their
    names); `glued` is where the next piece is glued over it, None where none follows."""

    title: str
    ticks: Sequence[tuple[float, str]]
    glued: float | None = None


def tick_strips(title: str, strips: Sequence[Ticks], page: str = "A4") -> bytes:
    """Pages of strips to cut apart and glue, lying, of the artist's own printer."""
    height, width = PAGES_MM[page]
    ruler = Page("", 100.0, 100.0)
    pieces = [piece for strip in strips for piece in _pieces(ruler, strip, width - 2 * EDGE)]
    tallest = max((_height(_laid(ruler, each)) for each in pieces), default=0.0)
    if tallest > height - TOP - BOTTOM:
        # So many ticks stand so close that their names need a larger page.
        width, height = page_for(width, tallest + TOP + BOTTOM)
    paper = Page(f"{title}, tick strips", width, height)
    y = _head(paper, title)
    for strip in pieces:
        rows = _laid(ruler, strip)
        if y + _height(rows) > height - BOTTOM:
            paper.proof_bar(EDGE, height - 7.0)
            paper.turn_page()
            y = _head(paper, title)
        y = _strip(paper, y, strip, rows)
    paper.proof_bar(EDGE, height - 7.0)
    return paper.done()


def _pieces(ruler: Page, strip: Ticks, room: float) -> list[Ticks]:
    """The strip, parted where the page ends: names of the last ticks reach over the flap that is
    glued under the next piece."""
    flap = max((ruler.wide(name, NAME) for _, name in strip.ticks), default=0.0) + 2 * GAP
    if max((at for at, _ in strip.ticks), default=0.0) + flap <= room:
        return [strip]
    reach = max(room - flap, room / 2.0)
    count = int(max(at for at, _ in strip.ticks) // reach) + 1
    return [
        Ticks(
            f"{strip.title}, {k + 1} of {count}",
            [(at - k * reach, name) for at, name in strip.ticks if k == int(at // reach)],
            reach if k + 1 < count else None,
        )
        for k in range(count)
    ]


def _head(paper: Page, title: str) -> float:
    width = paper.width_mm - 2 * EDGE
    line = paper.lines(f"{title}: tick strips", width, 4.8, strong=True, serif=True)[0]
    paper.text(EDGE, 11.0, line, 4.8, strong=True, serif=True)
    said = "Cut along the dashed lines, the left end too: it is the zero, laid on the first mark."
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
    paper.line([(EDGE, y), (EDGE, below)], GRAPHITE, 0.3, (1.5, 1.5))
    paper.text(EDGE + 1.2, below - 1.6, strip.title, 3.0, strong=True)
    if strip.glued is not None:
        x = EDGE + strip.glued
        paper.line([(x, y), (x, below)], CHALK, 0.3, (0.8, 0.8))
        said = "glue the next piece up to here"
        paper.text(x - GAP, below - 1.6, said, 3.0, colour=CHALK, anchor="end")
    for at, name, row in rows:
        x, base = EDGE + at, y + TICK + LINE_MM * row
        paper.line([(x, y), (x, base)], width=0.25)
        paper.text(x + GAP, base, name, NAME)
    return below


PARTS = ((0.25, "1/4"), (1 / 3, "1/3"), (0.5, "1/2"), (2 / 3, "2/3"), (0.75, "3/4"), (1.0, "1"),
         (1.5, "1 1/2"), (2.0, "2"))  # fmt: skip


def strips_of(worked: Worked) -> list[Ticks]:
    """One strip for the unit, one for heights, one for widths, and the distances worth carrying;
    none of what nothing holds, and none longer than the drawing has room for."""
    plan, words, sheet = worked.plan, worked.words, worked.study.sheet
    unit_mm = plan.unit_mm or 1.0
    longest = max(sheet.width_mm, sheet.height_mm)
    parts = [(n * unit_mm, said) for n, said in PARTS if n <= 1.0 or n * unit_mm <= longest]
    strips = [Ticks(f"one {words.unit} and its parts", parts)]
    firm = {n: m for n, m in plan.marks.items() if worked.standing[n] != "loose"}
    if firm:
        heights = [(max(m.held_top_mm, 0.0), words.of(n)) for n, m in firm.items()]
        widths = [(max(m.held_left_mm, 0.0), words.of(n)) for n, m in firm.items()]
        strips.append(Ticks("heights, from the sheet's top", heights))
        strips.append(Ticks("widths, from its left", widths))
    tiers = {each.id: each.tier for each in worked.study.landmarks}
    by_start: dict[str, list[tuple[float, str]]] = {}
    for each in worth_carrying(worked.positions, tiers, unit_mm):
        if not {each.start, each.end} <= firm.keys():
            continue
        by_start.setdefault(each.start, []).append((each.sheet_mm, words.of(each.end)))
    return strips + [Ticks(f"from {words.of(name)}", ticks) for name, ticks in by_start.items()]


def _of(worked: Worked) -> bytes:
    page = "Letter" if worked.study.inches else "A4"
    return tick_strips(worked.study.title, strips_of(worked), page)


PAPER = Paper("strips", "Tick strips", "distances to carry", _of)
