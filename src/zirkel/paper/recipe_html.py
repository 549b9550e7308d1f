"""The recipe as one page of HTML that opens anywhere and prints: the whole drawn, then every step
with a box to tick."""

from __future__ import annotations

from collections.abc import Sequence
from html import escape
from pathlib import Path

from zirkel.core.study import Sheet
from zirkel.core.worked import Worked
from zirkel.paper.base import HTML, Paper
from zirkel.paper.recipe_pages import Printed, dictated

STYLE = (Path(__file__).parent / "recipe.css").read_text()


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
