"""Sight-size from life: sheet beside the subject, heights carry straight across."""

from zirkel.core.schools.base import School, hints
from zirkel.core.schools.heights import heights

SCHOOL = School(
    name="sight_size_life",
    title="Sight-size from life: sheet beside the subject, heights carry straight across",
    manners=frozenset(["pull", "from plumb"]),
    aids=("a plumb line", "a ruler", "an easel beside the subject"),
    set_up=hints(
        (
            "station",
            "Mark the spot from which both look the same size, and step back to it for every look.",
        ),
        ("easel", "Easel level, board upright beside the subject."),
        ("plumb", "One plumb on the subject, one on the sheet, drawn once and never moved."),
    ),
    checks=hints(
        ("level", "Pull every height across with a level thread, from the marked spot only."),
        ("plumb", "Measure the two plumbs apart at top, middle and foot: all three the same."),
    ),
    mistakes=hints(
        ("step", "You look from nearer than the spot: everything comes too large."),
        ("lean", "The board leans: heights at its far edge come too long."),
    ),
    reckons=heights,
    at_sight_size=True,
)
