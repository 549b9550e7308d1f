"""Sight-size from the flat: print and sheet taped side by side on one board."""

from zirkel.core.schools.base import School, hints
from zirkel.core.schools.heights import heights

SCHOOL = School(
    name="sight_size_flat",
    title="Sight-size from the flat: print and sheet taped side by side on one board",
    manners=frozenset(["pull", "from plumb"]),
    aids=("a plumb line", "a ruler", "tape"),
    set_up=hints(
        ("tape", "Tape print and sheet at four corners, squared to the board, side by side."),
        ("plumb", "Draw a plumb on each, truly parallel; never move them."),
        ("light", "Even light, the eye straight in front of what you compare."),
    ),
    checks=hints(
        ("plumb", "Measure between the two plumbs at top, middle and foot."),
        ("level", "Pull a height across with thread or T-square, both ways."),
    ),
    mistakes=hints(
        ("paper", "The sheet is not square to the board."),
        ("ruler", "The ruler is started at its end instead of its zero."),
    ),
    reckons=heights,
    at_sight_size=True,
)
