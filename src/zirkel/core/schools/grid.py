"""Centre cross and grid: quadrants and squares, enlarged by bigger squares."""

from __future__ import annotations

from zirkel.core.schools.base import Reckoned, School, Table, hints
from zirkel.core.sheet.arithmetic.grid import Grid, all_in_squares
from zirkel.core.study import Study
from zirkel.core.values.fractions import say_number


def squares(worked: Reckoned) -> Table:
    """In which square each landmark lies, and how far across and down it."""
    grid, words = worked.grid, worked.words
    if grid is None:
        return Table("No grid yet: the frame has no breadth", (), ())
    found = all_in_squares(grid, worked.positions)
    square = f"{grid.columns} by {grid.rows} squares of {words.length(grid.square_mm)} on the sheet"
    cross = " and ".join(words.length(each) for each in grid.centre_mm)
    return Table(
        title=f"{square}, {say_number(grid.square_units)} {words.unit}s on the subject; the cross "
        f"at {cross}{_off_centre(worked.study, grid)}",
        head=("Landmark", "Square", "across", "down"),
        rows=tuple(
            (words.of(name), each.label, f"{each.across:.1f} of it", f"{each.down:.1f} of it")
            for name, each in sorted(found.items(), key=lambda item: _by_label(item[1].label))
        ),
        across_mm=grid.across_mm,
        down_mm=grid.down_mm,
    )


def _off_centre(study: Study, grid: Grid) -> str:
    """What to do about it where the cross misses the sheet's own centre."""
    cx, cy = study.sheet.width_mm / 2.0, study.sheet.height_mm / 2.0
    if abs(grid.centre_mm[0] - cx) > 0.5 or abs(grid.centre_mm[1] - cy) > 0.5:
        return ". That is not the sheet's centre: place the drawing centred to have it there"
    return ""


def _by_label(label: str) -> tuple[int, str]:
    return int(label[1:]), label[0]


SCHOOL = School(
    name="grid",
    title="Centre cross and grid: quadrants and squares, enlarged by bigger squares",
    manners=frozenset(["square"]),
    aids=("a ruler", "a gridded frame"),
    set_up=hints(
        ("cross", "Find the centre of the sheet by its diagonals, and of the reference likewise."),
        ("grid", "Draw the cross, then the squares, light; label them the same on both."),
    ),
    checks=hints(
        (
            "cross",
            "The cross goes through the sheet's own centre, not through where the print lies.",
        ),
        ("grid", "Count squares on both along top and side before drawing."),
    ),
    mistakes=hints(
        ("grid", "A line is counted twice, and everything beyond it stands one square off."),
        ("edge", "A rest of a square is put left on the one and right on the other."),
    ),
    reckons=squares,
)
