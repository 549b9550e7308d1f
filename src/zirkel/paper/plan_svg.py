"""The plan as SVG in millimetres: sheet, margins, marks with their names and slack, no outline."""

from __future__ import annotations

from collections.abc import Sequence
from xml.sax.saxutils import escape

from zirkel.core.study import Sheet
from zirkel.core.worked import Worked
from zirkel.paper.base import SVG, Paper
from zirkel.paper.marks_sheet import PrintedMark, printed_marks
from zirkel.paper.page import CHALK, GRAPHITE, LINE, PENCIL


def plan_svg(title: str, sheet: Sheet, marks: Sequence[PrintedMark]) -> bytes:
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


def _of(worked: Worked) -> bytes:
    return plan_svg(worked.study.title, worked.study.sheet, printed_marks(worked))


PAPER = Paper("plan", "Plan as SVG", "in millimetres", _of, SVG)
