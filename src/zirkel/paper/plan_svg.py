"""The plan as SVG in millimetres: sheet, margins, marks with their names and slack, no outline."""

from __future__ import annotations

from collections.abc import Sequence
from xml.sax.saxutils import escape

from zirkel.core.study import Sheet
from zirkel.core.worked import Worked
from zirkel.paper.base import SVG, Paper
from zirkel.paper.depth_lines import LETTER_MM, Stroke, Word, depth_lines
from zirkel.paper.marks_sheet import PrintedMark, printed_marks
from zirkel.paper.page import CHALK, GRAPHITE, LINE, PENCIL, VERDIGRIS


def plan_svg(
    title: str, sheet: Sheet, marks: Sequence[PrintedMark], depth: Sequence[Stroke | Word] = ()
) -> bytes:
    """The drawing, one user unit a millimetre."""
    w, h, m = sheet.width_mm, sheet.height_mm, sheet.margin
    parts = [
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{w:g}mm" height="{h:g}mm" '
        f'viewBox="0 0 {w:g} {h:g}">',
        f"<title>{escape(title)}</title>",
        f'<rect width="{w:g}" height="{h:g}" fill="#fbf8f1" stroke="{LINE}" stroke-width="0.3"/>',
        f'<rect x="{m.left:g}" y="{m.top:g}" width="{w - m.left - m.right:g}" '
        f'height="{h - m.top - m.bottom:g}" fill="none" stroke="{LINE}" stroke-width="0.2" '
        'stroke-dasharray="1 2"/>',
    ]
    parts += [_depth(each) for each in depth]
    for each in marks:
        x, y = round(each.left_mm, 3), round(each.top_mm, 3)
        colour = CHALK if each.slack_mm is None else GRAPHITE
        parts.append(
            f'<g class="mark" data-x="{x:g}" data-y="{y:g}">'
            f'<path d="M{x - 2:g} {y:g}H{x + 2:g}M{x:g} {y - 2:g}V{y + 2:g}" stroke="{colour}" '
            'stroke-width="0.25"/>'
            + (
                f'<circle cx="{x:g}" cy="{y:g}" r="{each.slack_mm:.2f}" fill="none" '
                f'stroke="{LINE}" stroke-width="0.2"/>'
                if each.slack_mm is not None
                else ""
            )
            + f'<text x="{x + 3:g}" y="{y - 1.2:g}" font-family="Source Sans 3, sans-serif" '
            f'font-size="2.8" fill="{PENCIL}">{escape(each.name)}</text></g>'
        )
    parts.append("</svg>")
    return "\n".join(parts).encode()


def _depth(each: Stroke | Word) -> str:
    if isinstance(each, Word):
        x, y = each.at
        return (
            f'<text class="depth" x="{x:.2f}" y="{y:.2f}" text-anchor="{each.anchor}" '
            f'font-family="Source Sans 3, sans-serif" font-size="{LETTER_MM:g}" '
            f'fill="{VERDIGRIS}">{escape(each.said)}</text>'
        )
    points = " ".join(f"{x:.2f},{y:.2f}" for x, y in each.points)
    dash = ' stroke-dasharray="1.5 1.5"' if each.dashed else ""
    sort = "polygon" if each.closed else "polyline"
    return (
        f'<{sort} class="depth" points="{points}" fill="none" stroke="{VERDIGRIS}" '
        f'stroke-width="0.2"{dash}/>'
    )


def _of(worked: Worked) -> bytes:
    study = worked.study
    depth = list(depth_lines(worked.depth_on_sheet, study.sheet))
    return plan_svg(study.title, study.sheet, printed_marks(worked), depth)


PAPER = Paper("plan", "Plan as SVG", "in millimetres", _of, SVG)
