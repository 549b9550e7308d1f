"""Triangulation: tilts between few points, then from dot to dot."""

from zirkel.core.practice.schools.base import School, hints

SCHOOL = School(
    name="triangulation",
    title="Triangulation: tilts between few points, then from dot to dot",
    manners=frozenset(["tilt", "plumb", "level"]),
    set_up=hints(
        ("triangle", "Begin with a long base line, level or plumb, at any length."),
        ("clock", "Read each new point by two tilts from the ends of a known line."),
    ),
    checks=hints(
        ("thin", "Two tilts that differ by less than 30° fix nothing: take another base."),
        ("clock", "Close the round: come back to the first point from another side."),
    ),
    mistakes=hints(
        ("chain", "Errors pile up along the chain: tie far points to the base itself."),
        ("clock", "Near-verticals are made vertical."),
    ),
    reckons="triangles",
)
