"""The recipe as one page of HTML that opens anywhere and prints: the whole drawn, then every step
with a box to tick."""

from __future__ import annotations

from collections.abc import Sequence
from html import escape

from zirkel.core.study import Sheet
from zirkel.core.worked import Worked
from zirkel.paper.base import HTML, Paper
from zirkel.paper.recipe_pages import Printed, dictated

STYLE = """
body { max-width: 44rem; margin: 2rem auto; padding: 0 1rem; font: 18px/1.4 Georgia, serif;
  color: #2b2926; background: #fbf8f1; }
header p, ul, .look { color: #5f584e; }
svg { width: 100%; max-height: 60vh; border: 1px solid #cdc1ad; }
polyline, polygon { fill: none; stroke: #5f584e; vector-effect: non-scaling-stroke; }
line { stroke: #2b2926; vector-effect: non-scaling-stroke; }
ol { padding: 0; list-style: none; }
ol li { break-inside: avoid; display: grid; grid-template-columns: 1.6rem 2rem 1fr;
  margin: 0.5rem 0; }
li.look { font-size: 0.92em; }
li b { font-family: sans-serif; }
input { width: 1.1rem; height: 1.1rem; margin: 0.3rem 0 0; }
@media print { body { margin: 0; max-width: none; font-size: 12pt; background: none; }
  ol { columns: 2; column-gap: 8mm; } }
@page { margin: 13mm; }
"""


def _of(worked: Worked) -> bytes:
    study, said = worked.study, dictated(worked)
    title = escape(study.title)
    parts = [
        f'<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><title>{title}</title>',
        f"<style>{STYLE}</style></head><body>",
        f"<header><h1>{title}</h1><p>{escape(worked.school.title)}</p></header>",
        _whole(study.sheet, said.items),
        "<ul>", *(f"<li>{escape(each)}</li>" for each in said.set_up), "</ul>", "<ol>",
    ]  # fmt: skip
    number = 0
    for each in said.items:
        number += each.place is not None
        box = '<input type="checkbox" aria-label="done">' if each.done else "<i></i>"
        own = number if each.place is not None else ""
        sort = "" if each.done else ' class="look"'
        parts.append(f"<li{sort}>{box}<b>{own}</b><span>{escape(each.said)}</span></li>")
    parts.append("</ol></body></html>\n")
    return "\n".join(parts).encode()


def _whole(sheet: Sheet, items: Sequence[Printed]) -> str:
    """The sheet with every line and mark, each mark numbered as it comes."""
    drawn, number = [], 0
    size = max(sheet.width_mm, sheet.height_mm) / 32.0
    arm = size / 4.0
    for each in items:
        if each.line:
            sort = "polygon" if each.closed else "polyline"
            points = " ".join(f"{x:.1f},{y:.1f}" for x, y in each.line)
            drawn.append(f'<{sort} points="{points}"/>')
        if each.place is not None:
            number += 1
            x, y = each.place
            drawn.append(
                f'<line x1="{x - arm:.1f}" y1="{y:.1f}" x2="{x + arm:.1f}" y2="{y:.1f}"/>'
                f'<line x1="{x:.1f}" y1="{y - arm:.1f}" x2="{x:.1f}" y2="{y + arm:.1f}"/>'
                f'<text x="{x + arm:.1f}" y="{y - arm:.1f}" font-size="{size:.1f}">{number}</text>'
            )
    box = f"0 0 {sheet.width_mm:g} {sheet.height_mm:g}"
    return f'<svg viewBox="{box}" role="img" aria-label="The whole">{"".join(drawn)}</svg>'


PAPER = Paper("recipe-html", "Recipe as a web page", "opens anywhere, prints", _of, HTML)
