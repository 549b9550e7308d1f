"""The plan as SVG in millimetres, in layers by name: sheet, ticks, box, plumb, shapes, depth, marks
and loose.

The marks can be moved and the plan be read back as a drawing (see `studyfile.plan_marks`): each
mark's cross has the id of its landmark, and the layer `sheet` tells how large the sheet is.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from xml.sax.saxutils import escape, quoteattr

from zirkel.core.study import Sheet
from zirkel.core.worked import Worked
from zirkel.paper.base import SVG, Paper
from zirkel.paper.depth_lines import LETTER_MM, Stroke, Word, depth_lines
from zirkel.paper.marks_sheet import PrintedMark, printed_marks
from zirkel.paper.page import CHALK, GRAPHITE, LINE, PENCIL, VERDIGRIS
from zirkel.studyfile.plan_marks import MARK, SHEET

TICK_MM = 8.0
PLUMBS = 3
"""How many of the plumbs that go through most are drawn."""

Place = tuple[float, float]


@dataclass(frozen=True, slots=True)
class Block:
    """What is blocked in, in mm: ticks (axis, mm from the left or top), the box's left, top, right
    and bottom if it is drawn, plumbs from the left, shapes (name, places, whether closed)."""

    ticks: Sequence[tuple[int, float]] = ()
    box: tuple[float, float, float, float] | None = None
    plumbs: Sequence[float] = ()
    shapes: Sequence[tuple[str, Sequence[Place], bool]] = ()


NOTHING = Block()


def plan_svg(
    title: str, sheet: Sheet, marks: Sequence[PrintedMark], depth: Sequence[Stroke | Word] = (),
    block: Block = NOTHING,
) -> bytes:  # fmt: skip
    """The drawing, one user unit a millimetre."""
    w, h = sheet.width_mm, sheet.height_mm
    layers = [
        ("sheet", _sheet(sheet)),
        ("ticks", _ticks(block)),
        ("box", [] if block.box is None else [_box(block.box)]),
        ("plumb", [_line([(x, 0.0), (x, h)], PENCIL) for x in block.plumbs]),
        ("shapes", [_shape(*each) for each in block.shapes]),
        ("depth", [_depth(each) for each in depth]),
        ("marks", [_mark(each) for each in marks if each.slack_mm is not None]),
        ("loose", [_mark(each) for each in marks if each.slack_mm is None]),
    ]
    parts = [
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{w:g}mm" height="{h:g}mm" '
        f'viewBox="0 0 {w:g} {h:g}">',
        f"<title>{escape(title)}</title>",
    ]
    for name, drawn in layers:
        parts += [f'<g id="{name}">', *drawn, "</g>"]
    return "\n".join([*parts, "</svg>"]).encode()


def _sheet(sheet: Sheet) -> list[str]:
    w, h, m = sheet.width_mm, sheet.height_mm, sheet.margin
    return [
        f'<rect id="{SHEET}" width="{w:g}" height="{h:g}" fill="#fbf8f1" stroke="{LINE}" '
        'stroke-width="0.3"/>',
        f'<rect x="{m.left:g}" y="{m.top:g}" width="{w - m.left - m.right:g}" '
        f'height="{h - m.top - m.bottom:g}" fill="none" stroke="{LINE}" stroke-width="0.2" '
        'stroke-dasharray="1 2"/>',
    ]


def _ticks(block: Block) -> Iterable[str]:
    """Each tick across the side of the box that it is for, in the middle."""
    left, top, right, bottom = block.box or (0.0, 0.0, 0.0, 0.0)
    half = TICK_MM / 2.0
    for axis, at in block.ticks:
        if axis:
            x = (left + right) / 2.0
            yield _line([(x - half, at), (x + half, at)], GRAPHITE)
        else:
            y = (top + bottom) / 2.0
            yield _line([(at, y - half), (at, y + half)], GRAPHITE)


def _box(box: tuple[float, float, float, float]) -> str:
    left, top, right, bottom = box
    corners = [(left, top), (right, top), (right, bottom), (left, bottom)]
    return _line(corners, GRAPHITE, closed=True)


def _shape(name: str, places: Sequence[Place], closed: bool) -> str:
    return _line(places, GRAPHITE, closed=closed, title=name)


def _line(points: Sequence[Place], colour: str, closed: bool = False, title: str = "") -> str:
    sort = "polygon" if closed else "polyline"
    said = " ".join(f"{x:.2f},{y:.2f}" for x, y in points)
    inside = f"<title>{escape(title)}</title>" if title else ""
    pen = f'fill="none" stroke="{colour}" stroke-width="0.2"'
    return f'<{sort} points="{said}" {pen}>{inside}</{sort}>'


def _mark(each: PrintedMark) -> str:
    """A mark with its name; a loose one has no id, since it stands nowhere yet."""
    x, y = round(each.left_mm, 3), round(each.top_mm, 3)
    loose = each.slack_mm is None
    name = "" if loose else f" id={quoteattr(MARK + each.landmark)}"
    slack = "" if loose else (
        f'<circle cx="{x:g}" cy="{y:g}" r="{each.slack_mm:.2f}" fill="none" stroke="{LINE}" '
        'stroke-width="0.2"/>'
    )  # fmt: skip
    return (
        f'<g class="mark" data-x="{x:g}" data-y="{y:g}">'
        f'<path{name} d="M{x - 2:g} {y:g}H{x + 2:g}M{x:g} {y - 2:g}V{y + 2:g}" '
        f'stroke="{CHALK if loose else GRAPHITE}" stroke-width="0.25"/>{slack}'
        f'<text x="{x + 3:g}" y="{y - 1.2:g}" font-family="Source Sans 3, sans-serif" '
        f'font-size="3.5" fill="{GRAPHITE}">{escape(each.name)}</text></g>'
    )


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


def block_of(worked: Worked) -> Block:
    """What is blocked in by the recipe: ticks, box, the plumbs through most, shapes as far as their
    landmarks are held."""
    recipe, plan = worked.recipe, worked.plan
    places = {each.landmark: each.place for each in recipe.constructions}
    at = {side: mm for _, mm, side in recipe.ticks}
    sides = ("left", "top", "right", "bottom")
    box = (at["left"], at["top"], at["right"], at["bottom"]) if at.keys() >= set(sides) else None
    unit = plan.unit_mm or 1.0
    plumbs = [plan.origin_mm[0] + unit * each.at for each in worked.relations.plumbs[:PLUMBS]]
    shapes = []
    for each in worked.study.shapes:
        held = [places[name] for name in each.outline if name in places]
        if len(held) > 1:
            shapes.append((each.name, held, each.closed and len(held) > 2))
    return Block([(axis, mm) for axis, mm, _ in recipe.ticks], box, plumbs, shapes)


def _of(worked: Worked) -> bytes:
    study = worked.study
    depth = list(depth_lines(worked.depth_on_sheet, study.sheet))
    return plan_svg(study.title, study.sheet, printed_marks(worked), depth, block_of(worked))


PAPER = Paper("plan", "Plan as SVG", "in layers, true size; can be read back", _of, SVG)
