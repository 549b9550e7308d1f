"""Centre cross and grid: quadrants and squares, enlarged by bigger squares."""

from zirkel.core.practice.schools.base import School, hints

SCHOOL = School(
    name="grid",
    title="Centre cross and grid: quadrants and squares, enlarged by bigger squares",
    manners=frozenset(["square", "plumb", "level", "strip", "part"]),
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
    reckons="grid",
)
