"""Picture plane: an outline on a clear pane held still, then enlarged."""

from __future__ import annotations

from zirkel.core.schools.base import Reckoned, School, Table, hints
from zirkel.core.sheet.arithmetic.pane import from_pane

PANES = (("a hand's pane", (200.0, 250.0)), ("A4 pane", (210.0, 297.0)),
         ("A3 pane", (297.0, 420.0)))  # fmt: skip


def enlargements(worked: Reckoned) -> Table:
    """By how much every length on a pane is to be enlarged, and what border that leaves."""
    sheet, words = worked.study.sheet, worked.words
    lying = sheet.width_mm > sheet.height_mm
    rows = []
    for name, pane in PANES:
        size = (pane[1], pane[0]) if lying else pane
        try:
            made = from_pane(size, (sheet.width_mm, sheet.height_mm), sheet.margin.left)
        except ValueError:
            continue
        border = f"{words.length(made.left_mm)} left, {words.length(made.top_mm)} above"
        view = f"{words.length(size[0])} × {words.length(size[1])}"
        rows.append((name, view, f"times {made.factor:.2f}", border))
    return Table(
        title="From the pane to this sheet",
        head=("Pane", "its view", "every length", "border"),
        rows=tuple(rows),
    )


SCHOOL = School(
    name="picture_plane",
    title="Picture plane: an outline on a clear pane held still, then enlarged",
    manners=frozenset(["edge"]),
    aids=("a clear pane", "a ruler"),
    set_up=hints(
        ("pane", "Fix the pane upright, and your chin or eye to one spot; one eye shut."),
        ("edge", "Mark the corners of the view on pane and sheet first."),
    ),
    checks=hints(
        ("pane", "Lay the first corner under the eye again before every line."),
        ("edge", "The border is the same share of pane and sheet on all sides."),
    ),
    mistakes=hints(
        ("eye", "Breath and wind: the eye moves and the outline with it."),
        ("pane", "The pane leans: near things come too large."),
    ),
    reckons=enlargements,
)
