"""What depth adds to a paper of the sheet's size: eye level, numbered ticks for receding lines,
ellipses by box, axes and eight points, equal steps. Lines to draw by, never an outline."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from zirkel.core.perspective.on_sheet import DepthOnSheet, FamilyOnSheet
from zirkel.core.study import Sheet

TICK_MM, ROW_MM, LETTER_MM = 4.0, 9.0, 2.4
POINT_MM = 0.8


@dataclass(frozen=True, slots=True)
class Stroke:
    """A line through points in mm, dashed or not."""

    points: Sequence[tuple[float, float]]
    dashed: bool = False
    closed: bool = False


@dataclass(frozen=True, slots=True)
class Word:
    """A word beside a line."""

    at: tuple[float, float]
    said: str
    anchor: str = "start"


def depth_lines(depth: DepthOnSheet, sheet: Sheet) -> Iterator[Stroke | Word]:
    """Everything to be drawn, in mm from the sheet's top-left corner."""
    width, height = sheet.width_mm, sheet.height_mm
    if depth.eye is not None:
        if 0.0 <= depth.eye <= height:
            yield Stroke([(0.0, depth.eye), (width, depth.eye)], dashed=True)
            yield Word((width - 3.0, depth.eye - 1.2), "eye level", "end")
        else:
            off = -depth.eye if depth.eye < 0 else depth.eye - height
            side = "above" if depth.eye < 0 else "below"
            at = 4.5 if depth.eye < 0 else height - 2.0
            yield Word((width / 2.0, at), f"eye level {off:.0f} mm {side} the sheet", "middle")
    told = [each for each in depth.families if each.ticks.left_mm]
    for row, family in enumerate(told):
        yield from _ticks(family, row, width)
    for ellipse in depth.ellipses:
        p = ellipse.points
        yield Stroke(ellipse.box, dashed=True, closed=True)
        yield Stroke([p[0], p[4]])
        yield Stroke([p[2], p[6]])
        for x, y in p:
            yield Stroke([(x - POINT_MM, y), (x + POINT_MM, y)])
            yield Stroke([(x, y - POINT_MM), (x, y + POINT_MM)])
    for steps in depth.steps:
        if steps.made is not None:
            for top, foot in steps.made.posts:
                yield Stroke([top, foot], dashed=True)
            first, last = steps.made.posts[0], steps.made.posts[-1]
            yield Stroke([first[0], last[0]], dashed=True)
            yield Stroke([first[1], last[1]], dashed=True)


def _ticks(family: FamilyOnSheet, row: int, width: float) -> Iterator[Stroke | Word]:
    """Numbered from the top, a row of them for each family beside that of the last."""
    inset = row * ROW_MM
    pairs = sorted(zip(family.ticks.left_mm, family.ticks.right_mm, strict=True))
    for number, (left, right) in enumerate(pairs, 1):
        yield Stroke([(inset, left), (inset + TICK_MM, left)])
        yield Stroke([(width - inset, right), (width - inset - TICK_MM, right)])
        yield Word((inset + TICK_MM + 0.8, left + 0.8), str(number))
        yield Word((width - inset - TICK_MM - 0.8, right + 0.8), str(number), "end")
    top = min(left for left, _ in pairs)
    yield Word((inset + 0.5, max(top - 2.0, 4.0)), family.name)


def say_ticks(depth: DepthOnSheet) -> list[str]:
    """How the ticks are used, family by family; where one vanishes on the sheet, that instead."""
    made = []
    for each in depth.families:
        if each.ticks.left_mm:
            made.append(
                f"Lines of {each.name}: join ticks of one number at the left and right edges by "
                "eye; lines between run between."
            )
        elif each.point is not None:
            made.append(f"Lines of {each.name} meet on the sheet: aim each at that point.")
    return made
